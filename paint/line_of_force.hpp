// The line of force: pad, pivot, pin, rod, assist, master, circuits, brakes, drawn to one scale and
// moving with the pad. And its folded form, the band of stations.
#pragma once

#include <optional>

#include "clutch/clutch.hpp"
#include "paint/picture.hpp"
#include "strip/conditions.hpp"

namespace yoke {

struct LineInput {
  Job job;
  As which = As::plan;
  QString title;                     ///< the shown condition
  std::optional<FeelPoint> point;    ///< the pressed state; absent: nothing can be computed
  QString cannot;                    ///< why, when absent
  bool vehicle_known = false;        ///< deceleration can be said
  std::optional<ClutchUnit> clutch;  ///< of a clutch that is known
  Style style;
  std::optional<Group> focus;     ///< the group whose dimensions are all scribed
  std::optional<Param> selected;  ///< the callout the keyboard stands on
};

/// Spots: "param:<id>" on dimensions, "pad" on the pad.
[[nodiscard]] Picture line_of_force_picture(const LineInput& input, QSizeF size);
/// The callouts of that drawing, in the order in which keys walk them.
[[nodiscard]] std::vector<Param> callout_params(const LineInput& input, QSizeF size);
/// Millimetres a pixel of that drawing stands for: turns a drag of the pad into travel.
[[nodiscard]] double line_of_force_mm_per_pixel(const LineInput& input, QSizeF size);
/// The folded form: pad, rod, assist, master, circuits, wheels, each with its numbers.
[[nodiscard]] Picture stations_picture(const LineInput& input, QSizeF size);

}  // namespace yoke
