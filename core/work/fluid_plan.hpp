// Which fluid, how much, and whether what is in the system and what goes in may meet.
// Boiling points, dry and wet: FMVSS 116 (49 CFR 571.116 S5.1.1 and S5.1.2), from memory: DOT 3
// 205/140, DOT 4 230/155, DOT 5 and 5.1 260/180 degrees C. A bottle keeps for a year once it is
// open: common practice, no source. The makers' books win.
#pragma once

#include <optional>
#include <vector>

#include "document/job.hpp"
#include "document/param/lines.hpp"
#include "work/bleeding.hpp"

namespace yoke {

inline constexpr double kOpenMonths = 12;

struct BoilingPoints {
  double dry_c = 0;
  double wet_c = 0;  ///< with 3.7 % of water
};
[[nodiscard]] BoilingPoints boiling_points(choice::FluidGrade grade);

enum class FluidVerdict { open, good, wrong };

struct FluidPlan {
  std::optional<choice::FluidGrade> goes_in;  ///< nothing: nobody said
  std::optional<choice::FluidGrade> is_in;    ///< of the system as found; nothing: not known
  std::optional<choice::FluidGrade> asked;    ///< the most that a part asks for
  std::vector<Param> unasked;                 ///< whose grade nobody looked up
  FluidVerdict grade = FluidVerdict::open;
  Message grade_says;
  FluidVerdict known = FluidVerdict::open;  ///< both grades are known
  FluidVerdict opened = FluidVerdict::open;
  Message opened_says;
  FluidVerdict enough = FluidVerdict::open;
  Message enough_says;
  Volume needed{};
  bool needed_known = false;
  std::vector<Message> steps;  ///< of a change of kind: a flush plan of its own
};
[[nodiscard]] FluidPlan fluid_plan(const Job& job);

}  // namespace yoke
