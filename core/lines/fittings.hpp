// Brake fittings by what can be measured and seen, and what belongs on a joint. Thread is not seat:
// where two rows fit what was measured both are told. Common practice, no source; thread sizes are
// ISO 261, ASME B1.1 and B1.20.1 designations, from memory. The maker's figure for the part wins.
#pragma once

#include <optional>
#include <vector>

#include "lines/threads.hpp"
#include "quantity/message.hpp"

namespace yoke {

/// What is seen with a lamp in the port, or on the nipple.
enum class SeatLook {
  not_looked,
  cone_out,      ///< a raised cone at the bottom of the port
  cone_in,       ///< a plain hollow cone, and the nut leads in without thread
  cone_outside,  ///< a cone on the outside of a nipple
  flat,          ///< a flat spot-faced boss
  none           ///< nothing: the thread narrows and seals itself
};
[[nodiscard]] std::string_view look_words(SeatLook look);

struct Fitting {
  std::string_view thread;
  Length outside{}, pitch{};
  std::string_view seat;
  SeatLook look = SeatLook::not_looked;
  std::string_view tube;     ///< or what it is used for
  std::string_view spanner;  ///< on the nut
};
[[nodiscard]] const std::vector<Fitting>& fittings();
/// All rows that fit: crests are worn and made under size, never over; the pitch within 5 %.
[[nodiscard]] std::vector<Fitting> find_fittings(Length outside, Length pitch, SeatLook look);
/// Pitch from threads counted over a length.
[[nodiscard]] Expected<Length> counted_pitch(int threads, Length over);

enum class Joint {
  flare,
  banjo,
  bleed_seat,
  bleed_thread,
  cups,
  vacuum_hose,
  reservoir_barb,
  taper
};
enum class Substance {
  dry,
  new_washers,
  tape,
  locker,
  sealant,
  brake_fluid,
  kit_paste,
  oil_or_grease,
  rubber_paste,
  clamp
};
[[nodiscard]] std::string_view joint_words(Joint joint);
[[nodiscard]] std::string_view substance_words(Substance substance);
struct JointRule {
  bool allowed = false;
  Message why;
};
[[nodiscard]] JointRule joint_rule(Joint joint, Substance substance);
inline constexpr int kJoints = 8;
inline constexpr int kSubstances = 10;

}  // namespace yoke
