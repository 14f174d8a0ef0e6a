// Values of a plan that follow from others: the push rod as it will be, the way left to the floor,
// the gap of the output rod, the vacuum that will be there. One place feeds geometry, strip, Fit,
// Rod, Install and sheet. What is entered for the plan, or measured as built, wins.
#pragma once

#include <optional>

#include "document/job.hpp"

namespace yoke {

/// A value as it was entered, taken over or typical; nothing follows from anything.
[[nodiscard]] Value stated_value(const Job& job, As which, Param param);
/// What the others make of a parameter that the plan does not state; nothing where they say
/// nothing of it.
[[nodiscard]] std::optional<Value> value_ahead(const Job& job, Param param);
/// Others may say something of it.
[[nodiscard]] bool may_follow(Param param);

/// How much longer the other unit's seat asks the rod to be, by its faces; 0 for the same unit with
/// no face measured; nothing while a face of another unit is not known.
[[nodiscard]] std::optional<Value> seat_moves(const Job& job);
/// How much longer the rod must be for the wished pad height: exact where pin, bore line and rod
/// are known, else height over the pedal's ratio. Nothing while the arms are unknown.
///   seat x = pin x + sqrt(L^2 - d^2); the arm turns by height / pad arm; textbook geometry
[[nodiscard]] std::optional<double> rod_for_wish_m(const Job& job);

}  // namespace yoke
