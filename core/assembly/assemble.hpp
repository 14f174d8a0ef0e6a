// From the job's numbers to a system the model can press, and what is missing for it.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "document/values.hpp"
#include "feel/system.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct Assembly {
  /// Present when pedal, assist and master are known; its wheels and vehicle may be absent.
  std::optional<System> system;
  std::vector<Param> missing_system;   ///< unknown, needed for any force
  std::vector<Param> missing_brakes;   ///< unknown, needed for travel
  std::vector<Param> missing_vehicle;  ///< unknown, needed for deceleration
  std::vector<Error> impossible;       ///< values that contradict each other
};

[[nodiscard]] Assembly assemble(const Values& values);
/// The same, for values of which few differ: the pedal's kinematics are taken from `like` where the
/// control is the same.
[[nodiscard]] Assembly assemble(const Values& values, const System& like);
[[nodiscard]] Assembly assemble(const Job& job, As which);
/// The control alone; unknown arms go to `missing`.
[[nodiscard]] Control assemble_control(const Values& values, std::vector<Param>& missing);
/// The master alone, strokes known or not.
[[nodiscard]] Master assemble_master(const Values& values, std::vector<Param>& missing,
                                     bool& strokes_known);
/// Difference between ambient and manifold pressure at the altitude of use.
[[nodiscard]] Expected<Pressure> assemble_vacuum(const Values& values);

/// Pad arm over pin arm, the ratio by two lengths; nothing while one of them is unknown.
[[nodiscard]] std::optional<double> arm_ratio(const Job& job, As which);

/// A booster of any kind is fitted or planned; false when that is not known.
[[nodiscard]] bool has_assist(const Job& job, As which);
[[nodiscard]] bool has_two_circuits(const Job& job, As which);

/// What became impossible between two states of a job, judged by how values go together: a rod
/// shorter than its offset. Nothing when nothing did.
[[nodiscard]] std::optional<Error> new_impossibility(const Job& before, const Job& after);

/// Words for a list of parameters: "bore, pivot to pedal pad".
[[nodiscard]] Message param_list(const std::vector<Param>& params);

/// "Cannot say, because … is not known."
[[nodiscard]] Message cannot_say(const std::vector<Param>& missing);

/// What outlet a wheel is on; nothing when not traced.
[[nodiscard]] std::optional<Outlet> outlet_of(const Values& values, Wheel wheel);
/// Bore that a rod force meets: of twin masters the first one's, widened by the share of the bar
/// that reaches it. Nothing while it, or the bar, is unknown.
[[nodiscard]] std::optional<Length> equivalent_bore(const Values& values);
[[nodiscard]] std::optional<Outlet> outlet_of(const Job& job, As which, Wheel wheel);

}  // namespace yoke
