// Master cylinders: single, tandem, tandem with a take-up step, two with a balance bar.
//   A = pi/4 D^2,  F_m = eta (F_o - F_spring),  p = F_m / A
//   x = x_lost + (V1 + V2)/A; with a circuit lost its piston runs to its own end first:
//   primary lost x = S1 + c2 + V2/A; secondary lost x = S2 + c1' + V1/A
// With a step of area A_q that cracks at p_q: p <= p_q: F_m = p A_q, x = x_lost + V/A_q; above:
//   F_m = p A + p_q (A_q - A), x = x_lost + V(p_q)/A_q + (V(p) - V(p_q))/A. With the primary lost
//   its take-up fluid escapes too and the plain bore is left.
// Twin masters with a balance bar, spacings a (bearing to rod 1) and b (to rod 2):
//   F_1 = F b/(a + b), F_2 = F a/(a + b); the bearing travels (x_1 b + x_2 a)/(a + b)
//   the bar leans at most D = (a + b) tan(tilt); sound with |x_1 - x_2| > D it binds: a fault
//   circuit 1 lost: x_1 = x_2 + D and F_2 = F - F_spring until x_1 = S_1; from there F_2 holds
//   until F a/(a + b) exceeds it, then F_2 = F a/(a + b). Circuit 2 lost: numbers exchanged.
// Textbook mechanics; defaults are common practice, no source.
#pragma once

#include <optional>

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

/// `fast_fill`: a step bore delivers until its valve cracks; `dual`: two masters and a balance bar.
enum class MasterKind { single, tandem, fast_fill, dual };
enum class Springs { unknown, secondary_stronger, primary_caged };
enum class LostCircuit { none, primary, secondary };

struct Master {
  MasterKind kind = MasterKind::tandem;
  Length bore{};
  Length stroke1{};  ///< S1, cut-off included
  Length stroke2{};  ///< S2; ignored on a single master
  Length cutoff1{0.001};
  Length cutoff2{0.001};
  Springs springs = Springs::unknown;
  Force spring_force{45.0};
  double efficiency = 0.95;
  Length step_bore{};        ///< fast-fill only: the larger bore
  Pressure crack{600000.0};  ///< fast-fill only: p_q
  Length bore2{};            ///< dual masters only: the master on outlet 2
  Length bar_a{};            ///< dual masters only: bearing to rod 1
  Length bar_b{};            ///< dual masters only: bearing to rod 2
  Angle bar_tilt{0.2094};    ///< dual masters only: 12 degrees (common practice, no source)
  bool operator==(const Master&) const = default;
};

[[nodiscard]] Area bore_area(const Master& m);
/// Area of the take-up step, the plain bore's where there is none.
[[nodiscard]] Area step_area(const Master& m);
[[nodiscard]] bool two_circuits(const Master& m);
/// Area that serves an outlet: the second master's on a twin.
[[nodiscard]] Area outlet_area(const Master& m, bool second);
/// Share of the bar's force that reaches an outlet's rod: 1 without a bar.
[[nodiscard]] double bar_share(const Master& m, bool second);
/// How far one rod of a bar can run ahead of the other.
[[nodiscard]] Length bar_lead(const Master& m);
/// Travel of the bar's bearing from both masters' travels; on other masters the first.
[[nodiscard]] Length bearing_travel(const Master& m, Length first, Length second);
/// Checks bores, bar and strokes against each other.
[[nodiscard]] Expected<Master> check_master(const Master& m);
/// The take-up step works in this condition.
[[nodiscard]] bool step_works(const Master& m, LostCircuit lost);
/// Force at the piston that makes a pressure: F_o = F_m / eta + F_spring.
[[nodiscard]] Force piston_force(const Master& m, Pressure p, LostCircuit lost = LostCircuit::none);
/// Stroke that displaces a volume reached at a pressure; `v_crack` is the volume at the crack
/// pressure (not read without a step).
[[nodiscard]] Length volume_stroke(const Master& m, LostCircuit lost, Volume v, Volume v_crack);
/// Pressure from a force at the piston; never below 0.
[[nodiscard]] Pressure master_pressure(const Master& m, Force piston);
/// Primary cut-off that counts (0 when the primary spring is caged).
[[nodiscard]] Length primary_cutoff(const Master& m);
/// Dead stroke before anything is delivered, everything sound.
[[nodiscard]] Length lost_stroke(const Master& m);
/// Stroke spent before the live circuit delivers, with a circuit lost; nothing when no circuit is
/// left (a single master).
[[nodiscard]] std::optional<Length> dead_stroke(const Master& m, LostCircuit lost);
/// Stroke until a chamber delivers with both outlets open to air: the weaker spring gives way
/// first. A caged primary moves off with the secondary and delivers only when that has bottomed:
/// order alone is no fault, each chamber's own dead stroke is what counts. Unknown springs:
/// nothing.
[[nodiscard]] std::optional<Length> open_dead_stroke(const Master& m, bool second);
/// p_1 - p_2 while both chambers take up: (F_spring,2 + seal friction - F_spring,1)/A.
[[nodiscard]] Pressure take_up_difference(const Master& m, Force spring1, Force spring2,
                                          Force seal_friction);
/// Whole stroke of the unit at the rod.
[[nodiscard]] Length whole_stroke(const Master& m);

}  // namespace yoke
