// What was done on the road: who let it go how far, and every stop.
#pragma once

#include <string>

#include "document/enum_words.hpp"
#include "document/measured.hpp"

namespace yoke {

/// Each opened by those before it.
enum class RoadStage { standing, walking, slow, bedding, fast, hard };
template <>
struct EnumWords<RoadStage> {
  static constexpr std::array all{EnumWord{"standing", "Standing, engine on"},
                                  EnumWord{"walking", "Walking pace"},
                                  EnumWord{"slow", "30 km/h"},
                                  EnumWord{"bedding", "Bedding the linings"},
                                  EnumWord{"fast", "50 km/h"},
                                  EnumWord{"hard", "A hard stop"}};
};
inline constexpr std::size_t kRoadStages = EnumWords<RoadStage>::all.size();

/// Which wheels stood still, as somebody beside the car saw it.
enum class LockSeen { not_watched, none, front, rear, all };
template <>
struct EnumWords<LockSeen> {
  static constexpr std::array all{EnumWord{"not_watched", "nobody watched"},
                                  EnumWord{"none", "none"}, EnumWord{"front", "the front first"},
                                  EnumWord{"rear", "the rear first"},
                                  EnumWord{"all", "all at once"}};
};

struct RoadStop {
  RoadStage stage = RoadStage::walking;
  double speed_m_s = 0;
  double speed_plus_minus = 0;  ///< expanded (k = 2)
  double distance_m = 0;
  double distance_plus_minus = 0;
  double slope_rad = 0;  ///< downhill is more than 0
  LockSeen locked = LockSeen::not_watched;
  bool pulled = false;  ///< to one side
  std::string when;     ///< "2026-05-31T14:05:09", local
  std::string note;
  Unread unread{};
  bool operator==(const RoadStop&) const = default;
};

/// What somebody answers for before a stage is begun.
struct RoadPermit {
  std::string who, place, weather;
  bool closed = false;  ///< closed ground, clear of people
  bool belts = false;
  bool alone = false;
  bool parking = false;  ///< the parking brake was proved by holding on a slope
  bool bedded =
      false;  ///< the linings are bedded: nothing new was fitted, or the maker's series is done
  std::string when;
  Unread unread{};
  bool operator==(const RoadPermit&) const = default;
};

/// How hot a wheel was after a run.
struct WheelHeat {
  double celsius = 20;
  double plus_minus = 5;  ///< expanded (k = 2); a hand on the rim tells no better than 15
  std::string when;       ///< "2026-05-31T14:05:09", local
  Unread unread{};
  bool operator==(const WheelHeat&) const = default;
};

/// What was foretold and what came, kept when a job is proved.
struct Foretold {
  std::string what;  ///< "press_100"
  double foretold = 0;
  double sigma = 0;  ///< standard uncertainty that was told with it
  double came = 0;
  double came_sigma = 0;
  std::string when;
  Unread unread{};
  bool operator==(const Foretold&) const = default;
};

}  // namespace yoke
