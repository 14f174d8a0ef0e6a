// Off-axis budget: sideways and vertical offsets, the shifts and lugs made against them, and what
// remains; and the flange stack: how much thread a stud has left.
//   remainder = hypot(side - shifts, height - shifts); angle = asin(remainder / rod)
//   side force = F tan(angle); twist at the pivot = F x lug length
//   engagement = stud length - everything it passes through; wanted 1.0 x diameter in steel, 1.5 x
//   in aluminium (common practice, no source)
// Textbook geometry.
#pragma once

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

struct OffAxis {
  Length side{};          ///< gap sideways, signed
  Length height{};        ///< gap in height, signed
  Length unit_shift{};    ///< sideways shift of the unit, signed like the gap it closes
  Length pedal_shift{};   ///< of the pedal or its bush
  Length lug{};           ///< sideways length of a lug on the pedal arm
  Length height_shift{};  ///< of unit or pin
  Length rod{};           ///< length of the push rod
};
struct OffAxisReport {
  Length side_left{};
  Length height_left{};
  Angle angle{};
  double side_share = 0;  ///< side force over axial force
  double twist_m = 0;     ///< N m at the pivot for each N of rod force: the lug's length
  bool closed = false;    ///< both remainders shown to be 0 within 0.1 mm
};
[[nodiscard]] Expected<OffAxisReport> off_axis(const OffAxis& o);
/// Lug that would close what remains sideways.
[[nodiscard]] Length lug_to_close(const OffAxis& o);

struct FlangeStack {
  Length stud{};     ///< standing out of its own flange
  Length spacers{};  ///< spacer, plate and gasket together
  Length panel{};    ///< firewall
  Length washer{};
  Length diameter{};  ///< of the thread
  bool aluminium = false;
  bool boxed = false;         ///< the panel is a box section
  bool crush_sleeve = false;  ///< a sleeve inside the box takes the clamp load
};
struct FlangeReport {
  Length engaged{};
  Length wanted{};
  bool enough = false;
  bool crushes = false;  ///< sheet metal would be crushed
  Length rod_longer{};   ///< by how much spacers move the unit: the rod follows
};
[[nodiscard]] Expected<FlangeReport> flange_stack(const FlangeStack& f);

}  // namespace yoke
