// Bench arithmetic that belongs to no job: one table, read by the window, the command line, the
// docs and the tests. Every result is a figure; every refusal names its field.
#pragma once

#include <functional>
#include <span>
#include <string>
#include <vector>

#include "figures/figures.hpp"

namespace yoke {

struct CalcInput {
  const char* id;     ///< "joint"
  const char* words;  ///< "Torque at the joint"
  Kind kind = Kind::number;
  int digits = 1;
  double start = 0;                  ///< SI; option index of a choice
  std::vector<std::string> options;  ///< of a choice
};

struct Calculator {
  const char* id;  ///< "crowfoot"
  const char* title;
  Stage stage = Stage::install;
  const char* source;
  const char* caution;  ///< empty for none
  std::vector<CalcInput> inputs;
  std::function<Expected<std::vector<Figure>>(std::span<const double>)> run;
};

[[nodiscard]] const std::vector<Calculator>& calculators();
[[nodiscard]] Expected<const Calculator*> find_calculator(const std::string& id);
/// Reads one input as a person writes it.
[[nodiscard]] Expected<double> parse_input(const CalcInput& input, std::string_view text,
                                           UnitStyle style);
/// Runs it with values in the order of its inputs; the count must match.
[[nodiscard]] Expected<std::vector<Figure>> calculate(const Calculator& c,
                                                      std::span<const double> values);

}  // namespace yoke
