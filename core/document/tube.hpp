// Lines that are made for the car, and the small things that were taken off it.
#pragma once

#include <optional>
#include <string>

#include "document/enum_words.hpp"
#include "document/measured.hpp"

namespace yoke {

/// How an end of a tube seals.
enum class Flare { double_45, bubble, single_37, none };
template <>
struct EnumWords<Flare> {
  static constexpr std::array all{
      EnumWord{"double_45", "45° double flare"}, EnumWord{"bubble", "Bubble flare"},
      EnumWord{"single_37", "37° single flare"}, EnumWord{"none", "No flare"}};
};

/// A line to make; its corners stand in a list of their own, in order.
struct TubeLine {
  std::string name;
  std::optional<double> outside_m{};  ///< nothing: not measured, the usual tube is counted with
  std::optional<double> radius_m{};   ///< of the bender, to the middle of the tube
  Flare start = Flare::double_45;
  Flare end = Flare::double_45;
  bool from_face = false;  ///< its corners are measured from the middle of the mounting face
  std::optional<double> support_m{};  ///< clip to clip; nothing: the usual spacing
  Unread unread{};
  bool operator==(const TubeLine&) const = default;
};
/// A corner of a line: where its straights would meet. x forward, y to the right, z up, anywhere.
struct TubeCorner {
  std::string line;
  double x_m = 0, y_m = 0, z_m = 0;
  Unread unread{};
  bool operator==(const TubeCorner&) const = default;
};

/// A clip, pin, washer, boot or clamp that came off: counted out, counted back in.
struct TakenOff {
  std::string name;
  std::string order;  ///< "washer, spring, washer"
  std::string photo;  ///< name of a picture beside the job
  double out = 1;
  double back = 0;
  Unread unread{};
  bool operator==(const TakenOff&) const = default;
};

}  // namespace yoke
