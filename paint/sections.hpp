// Smaller drawings: the two units in section for the push rod, the outlets and wheels, the pedal in
// its bracket for the rod's angle.
#pragma once

#include "document/job.hpp"
#include "paint/picture.hpp"
#include "rod/rod.hpp"
#include "work/bleeding.hpp"

namespace yoke {

/// Old and new unit side by side: snout, socket and plates with what was measured.
[[nodiscard]] Picture rod_section_picture(const Job& job, const RodReport& report,
                                          const Style& style, QSizeF size);
/// The rod with its thread: what holds, what is free, the turns to make. Spots: "param:<id>".
[[nodiscard]] Picture rod_ends_picture(const Job& job, const Style& style, QSizeF size);
/// The bleeding order on the car: number, strokes made of those planned, a tick when clear.
[[nodiscard]] Picture bleed_picture(const Job& job, const BleedPlan& plan, QSizeF size,
                                    const std::string& at = {});
/// The rod in its geometry at rest and at the end of the working stroke, angles drawn true.
[[nodiscard]] Picture rod_angle_picture(const Job& job, const AngleReport& report,
                                        const Style& style, QSizeF size);

}  // namespace yoke
