// Figures that pass are said to hold only when no value that nobody measured decides them.
#pragma once

#include <vector>

#include "figures/figures.hpp"

namespace yoke {

/// Makes a group again with every such value at the ends of its range, one at a time.
class FigureSettler {
 public:
  using Make = FigureGroup (*)(const FigureInputs&);
  explicit FigureSettler(const FigureInputs& inputs) : in_(inputs) {}
  /// Without a maker what passes is said to rest on whatever was not measured, all of it.
  void settle(FigureGroup& group, Make make);

 private:
  struct Other {
    Param param;
    Job job;
    StripInputs strip;
  };
  void prepare();
  void take_rules(FigureGroup& group);
  void look(FigureGroup& group, Make make);
  const FigureInputs& in_;
  bool prepared_ = false;
  std::vector<Other> others_;
  std::optional<ConditionReport> plan_;  ///< once a figure asks for it
};

}  // namespace yoke
