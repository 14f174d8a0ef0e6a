// Master cylinders: single, tandem, and tandem with a take-up step.
//   A = pi/4 D^2,  F_m = eta (F_o - F_spring),  p = F_m / A
//   x = x_lost + (V1 + V2)/A; with a circuit lost its piston runs to its own end first:
//   primary lost x = S1 + c2 + V2/A; secondary lost x = S2 + c1' + V1/A
// With a step of area A_q that cracks at p_q: p <= p_q: F_m = p A_q, x = x_lost + V/A_q; above:
//   F_m = p A + p_q (A_q - A), x = x_lost + V(p_q)/A_q + (V(p) - V(p_q))/A. With the primary lost
//   its take-up fluid escapes too and the plain bore is left.
// Textbook mechanics; defaults are common practice, no source.
#pragma once

#include <optional>

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

enum class MasterKind { single, tandem, stepped };
enum class Springs { unknown, secondary_stronger, primary_caged };
enum class LostCircuit { none, first, second };

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
  Length step_bore{};        ///< stepped only: the larger bore
  Pressure crack{600000.0};  ///< stepped only: p_q
};

[[nodiscard]] Area bore_area(const Master& m);
/// Area of the take-up step, the plain bore's where there is none.
[[nodiscard]] Area step_area(const Master& m);
[[nodiscard]] bool two_circuits(const Master& m);
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
/// Whole stroke of the unit at the rod.
[[nodiscard]] Length whole_stroke(const Master& m);

}  // namespace yoke
