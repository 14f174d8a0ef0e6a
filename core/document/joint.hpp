// A joint of the plumbing as it was looked at. A joint is four things, and each can be wrong alone:
// thread, seat, bore, circuit; a nut that screws in proves the first only.
#pragma once

#include <optional>
#include <string>

#include "document/enum_words.hpp"
#include "document/measured.hpp"

namespace yoke {

/// By the names that `find_thread` reads.
enum class JointThread {
  unknown,
  n3_8_24,
  n7_16_24,
  n7_16_20,
  n1_2_20,
  n9_16_18,
  m10x1,
  m10x1_25,
  m12x1,
  m12x1_25,
  m14x1_5,
  none,
  other
};
template <>
struct EnumWords<JointThread> {
  static constexpr std::array all{
      EnumWord{"unknown", "Not looked at"}, EnumWord{"3/8-24", "3/8-24"},
      EnumWord{"7/16-24", "7/16-24"},       EnumWord{"7/16-20", "7/16-20"},
      EnumWord{"1/2-20", "1/2-20"},         EnumWord{"9/16-18", "9/16-18"},
      EnumWord{"M10x1", "M10×1"},           EnumWord{"M10x1.25", "M10×1.25"},
      EnumWord{"M12x1", "M12×1"},           EnumWord{"M12x1.25", "M12×1.25"},
      EnumWord{"M14x1.5", "M14×1.5"},       EnumWord{"none", "No thread"},
      EnumWord{"other", "Another"}};
};

enum class JointSeat { unknown, inverted, bubble, cone_37, banjo, pushed };
template <>
struct EnumWords<JointSeat> {
  static constexpr std::array all{
      EnumWord{"unknown", "Not looked at"},   EnumWord{"inverted", "45° inverted flare"},
      EnumWord{"bubble", "Bubble flare"},     EnumWord{"37", "37° flare"},
      EnumWord{"banjo", "Banjo and washers"}, EnumWord{"pushed", "Pushed on, grommet or clamp"}};
};

/// How the old joint sits before the first turn.
enum class JointGrip { unknown, free, rusted, rounded };
template <>
struct EnumWords<JointGrip> {
  static constexpr std::array all{EnumWord{"unknown", "Not tried"}, EnumWord{"free", "Turns"},
                                  EnumWord{"rusted", "Rusted fast"},
                                  EnumWord{"rounded", "Nut rounded"}};
};

/// What a dry cloth said of a joint.
enum class Wiped { not_looked, dry, wet };
template <>
struct EnumWords<Wiped> {
  static constexpr std::array all{EnumWord{"unknown", "Not looked at"}, EnumWord{"dry", "Dry"},
                                  EnumWord{"wet", "Wet"}};
};

/// What was seen of one joint, by its key in the net ("outlet1", "fl.hose"). The port of the unit
/// itself is a value of the unit ("unit.port1_thread"), and is not kept twice.
struct JointRecord {
  JointThread port_thread = JointThread::unknown;
  JointSeat port_seat = JointSeat::unknown;
  JointThread line_thread = JointThread::unknown;  ///< of the nut, bolt or hose end that goes in
  JointSeat line_seat = JointSeat::unknown;
  std::optional<double> bore_m{};     ///< smallest hole through it
  std::optional<double> torque_nm{};  ///< its maker's figure
  bool proved = false;                ///< screwed together by hand on the very parts
  std::string proved_on{};            ///< what they were: other parts are not proved by it
  JointGrip grip = JointGrip::unknown;
  bool left_shut = false;             ///< this job never opened it
  Wiped filled = Wiped::not_looked;   ///< wiped and looked at once it was filled
  Wiped pressed = Wiped::not_looked;  ///< after the hard press
  Wiped driven = Wiped::not_looked;   ///< after the drive
  std::string soaked;                 ///< when it was soaked: "2026-05-31T14:05:09", local
  std::string note;
  Unread unread{};
  bool operator==(const JointRecord&) const = default;
};

}  // namespace yoke
