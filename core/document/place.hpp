// Where work is done, and what the builder adds to the plan of it.
#pragma once

#include <string>

#include "document/enum_words.hpp"
#include "document/measured.hpp"

namespace yoke {

/// Where a step is done.
enum class WorkPlace { bench, bay, footwell, under, wheel, bars, around };
inline constexpr WorkPlace kWorkPlaces[] = {WorkPlace::bench, WorkPlace::bay,   WorkPlace::footwell,
                                            WorkPlace::under, WorkPlace::wheel, WorkPlace::bars,
                                            WorkPlace::around};
template <>
struct EnumWords<WorkPlace> {
  static constexpr std::array all{
      EnumWord{"bench", "On the bench"},       EnumWord{"bay", "In the engine bay"},
      EnumWord{"footwell", "In the footwell"}, EnumWord{"under", "Under the car"},
      EnumWord{"wheel", "At the wheels"},      EnumWord{"bars", "At the handlebar"},
      EnumWord{"around", "Around the car"}};
};

/// A step of the builder's own.
struct OwnStep {
  std::string name;
  WorkPlace place = WorkPlace::bay;
  bool helper = false;  ///< two people
  Unread unread{};
  bool operator==(const OwnStep&) const = default;
};
/// The key of its record: "own:" and its name.
[[nodiscard]] std::string own_key(const OwnStep& own);

/// A fact of the very car: this first, then that, by the keys of the steps.
struct OrderFact {
  std::string first;
  std::string then;
  std::string why;  ///< "the nut is behind the booster"
  Unread unread{};
  bool operator==(const OrderFact&) const = default;
};

}  // namespace yoke
