// Assist units: a map from input rod force to output rod force, its exact inverse, and a dead map.
#pragma once

#include <variant>

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

/// No assist: output equals input.
struct NoAssist {
  bool operator==(const NoAssist&) const = default;
};

enum class BoosterKind { vacuum, hydraulic, electric };

/// A booster between rod and master: vacuum, steering-fed hydraulic or electro-mechanical; all have
/// the same form of map. Form after Limpert, Brake Design and Safety (from memory); defaults are
/// common practice, no source.
///   F_i < F_c: 0, else max(0, min(F_j + g (F_i - F_c), F_i - F_dead + F_max))
struct Booster {
  BoosterKind kind = BoosterKind::vacuum;
  Force max_assist{};       ///< F_max: what it can add at most
  double gain = 5.0;        ///< g, 1.5 ... 12
  Force cut_in{40.0};       ///< F_c, 0 <= F_c <= F_dead
  Force jump_in{200.0};     ///< F_j
  Force dead_force{100.0};  ///< F_dead
  Length travel_working{0.0008};
  Length travel_dead{0.002};
  Length output_gap{0.0005};
  bool operator==(const Booster&) const = default;
};

using Assist = std::variant<NoAssist, Booster>;

enum class AssistState { none, cut_in, working, run_out, dead };

/// F_max of a vacuum booster: dp A_e eta.
[[nodiscard]] Force vacuum_assist(Area diaphragm, Pressure difference, double efficiency);
/// F_max of a steering-fed booster: relief pressure times power piston area.
[[nodiscard]] Force hydraulic_assist(Pressure relief, Area power_piston);

/// Effective diaphragm area, sum of pi/4 (0.90 D)^2; a second diameter of 0 means a single booster.
[[nodiscard]] Area effective_diaphragm(Length first, Length second);

/// Ambient pressure (absolute) of the 1976 standard atmosphere:
/// 101325 (1 - 2.25577e-5 H)^5.25588 Pa, valid -1000 ... 11000 m.
[[nodiscard]] Expected<Pressure> ambient_pressure(double altitude_m);

/// Pressure difference at the altitude of use from a gauge vacuum read at another altitude: the
/// manifold's absolute pressure is what is carried over.
[[nodiscard]] Expected<Pressure> vacuum_difference(Pressure gauge_vacuum, double read_at_m,
                                                   double used_at_m);

/// Checks 0 <= cut-in <= dead force, gain > 1 and finite positive sizes.
[[nodiscard]] Expected<Assist> check_assist(const Assist& assist);

/// Output for an input force, assist alive.
[[nodiscard]] Force assist_output(const Assist& assist, Force input);
/// Smallest input that gives the output, assist alive.
[[nodiscard]] Force assist_input(const Assist& assist, Force output);
/// Output without assist.
[[nodiscard]] Force dead_output(const Assist& assist, Force input);
/// Smallest input that gives the output without assist.
[[nodiscard]] Force dead_input(const Assist& assist, Force output);
/// Largest force the assist adds; 0 without one.
[[nodiscard]] Force assist_max(const Assist& assist);
/// Input at which the assist runs out: max(F_c, (F_max - F_dead - F_j + g F_c)/(g - 1)).
[[nodiscard]] Force run_out_input(const Booster& booster);
/// Input travel before the output rod moves (booster and its output gap together).
[[nodiscard]] Length assist_lost_travel(const Assist& assist, bool alive);
[[nodiscard]] Length assist_gap(const Assist& assist);
[[nodiscard]] AssistState assist_state(const Assist& assist, Force input, bool alive);

}  // namespace yoke
