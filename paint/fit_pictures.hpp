// Drawings of Fit and Rod: patterns seen from the pedal, the stack in section, offsets from above,
// boxes around the unit, angles, the output rod's gap, and the
// heights of pad, accelerator and lamp.
#pragma once

#include "document/job.hpp"
#include "paint/picture.hpp"

namespace yoke {

[[nodiscard]] Picture pattern_picture(const Job& job, const Style& style, QSizeF size);
/// Where the patterns' common centre lies in that drawing, and its scale: turns a drag into an
/// angle or a length. Spots are "turn:0" (a new stud) and "edge:left" (an edge of the sheet).
struct PatternFrame {
  QPointF centre;
  double per_m = 1;
};
[[nodiscard]] PatternFrame pattern_frame(const Job& job, QSizeF size);
[[nodiscard]] Picture stack_picture(const Job& job, const Style& style, QSizeF size);
[[nodiscard]] Picture offset_picture(const Job& job, const Style& style, QSizeF size);
[[nodiscard]] Picture room_picture(const Job& job, const Style& style, QSizeF size);
/// The scale of that drawing: turns a drag of a box into metres.
[[nodiscard]] double room_pixels_per_metre(const Job& job, QSizeF size);
[[nodiscard]] Picture attitude_picture(const Job& job, const Style& style, QSizeF size);
[[nodiscard]] Picture gap_picture(const Job& job, const Style& style, QSizeF size);
[[nodiscard]] Picture heights_picture(const Job& job, const Style& style, QSizeF size);

}  // namespace yoke
