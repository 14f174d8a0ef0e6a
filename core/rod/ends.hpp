// The rod's ends, gaps and heights: which end to cut, what a turn moves, how far it may be turned,
// the booster's output gap from both sides, and where pedal, accelerator and lamp end up.
//   a turn moves p (fork), p1 + p2 (left and right thread), |p1 - p2| (both the same hand)
//   output gap = recess + gasket - stick-out
//   pad height moves by rod change x ratio where nothing else stops the pedal
// Textbook geometry; limits are common practice, no source, unless said otherwise.
#pragma once

#include <string>
#include <vector>

#include "document/finding.hpp"
#include "quantity/message.hpp"
#include "rod/rod.hpp"

namespace yoke {

/// Usual gap of an output rod: 0.25 to 1.0 mm; 0.5 mm (0.020 in) is aimed at.
inline constexpr double kLeastOutputGap_m = 0.25e-3;
inline constexpr double kMostOutputGap_m = 1.0e-3;
inline constexpr double kWantedOutputGap_m = 0.5e-3;

struct EndsReport {
  Message cut;                       ///< "Cut 29.7 mm off the ball end …", with the reason
  std::optional<double> per_turn_m;  ///< rod length a turn of the adjuster moves
  std::optional<double> pad_per_turn_m;
  std::optional<double> turns;  ///< for the whole change
  /// How far it may be turned before an end pulls out or bottoms; lengthening plus.
  std::optional<double> turns_longer, turns_shorter;
  std::optional<double> pad_for_tenth_m;  ///< pad effect of 0.1 mm at the rod
  std::vector<Finding> findings;
};
[[nodiscard]] EndsReport ends_report(const Job& job, const RodReport& rod);

struct OutputGap {
  std::optional<double> off_m, on_m;  ///< engine off, running
  std::optional<double> adjust_m;     ///< what to take off the output rod (plus) for the usual gap
  std::vector<Param> missing;
  std::vector<Finding> findings;
};
/// Master's values and booster's values both stand in the plan.
[[nodiscard]] OutputGap output_gap(const Values& plan);

struct HeightsReport {
  std::optional<double> pad_before_m, pad_after_m;  ///< above the floor
  std::optional<double> above_accelerator_m;        ///< afterwards
  std::optional<double> lamp_after_m;               ///< pad travel at which the lamp lights
  Message said;                                     ///< what decides, in words
  std::vector<Finding> findings;
};
[[nodiscard]] HeightsReport heights_report(const Job& job);

struct RetainedStep {
  StepId id{};
  Message text;
};
/// A rod that cannot come out again: the order of work, and what must be signed.
struct RetainedReport {
  bool applies = false;
  std::vector<RetainedStep> steps;
  std::vector<Finding> findings;
};
[[nodiscard]] RetainedReport retained_report(const Job& job);

/// Return port proofs, cold and hot.
[[nodiscard]] std::vector<Finding> return_findings(const Values& plan);

}  // namespace yoke
