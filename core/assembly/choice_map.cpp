#include "assembly/choice_map.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/hoses.hpp"
#include "document/param/lines.hpp"
#include "document/param/master.hpp"

namespace yoke {

MasterKind master_kind(const Values& v) {
  if (v.is(choice::MasterKind::tandem)) return MasterKind::tandem;
  if (v.is(choice::MasterKind::stepped)) return MasterKind::fast_fill;
  if (v.is(choice::MasterKind::twin)) return MasterKind::dual;
  return MasterKind::single;
}

Springs springs_of(const Values& v) {
  if (v.is(choice::MasterSprings::secondary)) return Springs::secondary_stronger;
  if (v.is(choice::MasterSprings::caged)) return Springs::primary_caged;
  return Springs::unknown;
}

Shoes shoes_of(const Values& v, Axle axle) {
  const Param p = of_axle(param::front_shoes, axle);
  if (v.is(p, choice::BrakeShoes::two_leading)) return Shoes::two_leading;
  if (v.is(p, choice::BrakeShoes::duo_servo)) return Shoes::linked;
  return Shoes::leading_trailing;
}

TubeMaterial tube_material(const Values& v) {
  return v.is(choice::LinesTubeMaterial::cunife) ? TubeMaterial::copper_nickel
                                                 : TubeMaterial::steel;
}

HoseSize hose_size(const Values& v) {
  if (v.is(choice::LinesHoseBore::n3_16)) return HoseSize::three_sixteenths;
  if (v.is(choice::LinesHoseBore::n1_4)) return HoseSize::quarter;
  return HoseSize::eighth;
}

HoseGrade hose_grade(const Values& v) {
  return v.is(choice::LinesHoseGrade::low) ? HoseGrade::low_expansion : HoseGrade::regular;
}

HoseKind hose_kind(std::optional<choice::BrakeHoseKind> kind) {
  if (kind == choice::BrakeHoseKind::aged) return HoseKind::rubber_aged;
  if (kind == choice::BrakeHoseKind::braided) return HoseKind::braided;
  return HoseKind::rubber_new;
}

HoseKind hose_kind(std::optional<choice::ClutchHoseKind> kind) {
  if (kind == choice::ClutchHoseKind::aged) return HoseKind::rubber_aged;
  if (kind == choice::ClutchHoseKind::braided) return HoseKind::braided;
  return HoseKind::rubber_new;
}

SlaveKind slave_kind(std::optional<choice::ClutchKind> kind) {
  if (kind == choice::ClutchKind::pull) return SlaveKind::pull;
  if (kind == choice::ClutchKind::concentric) return SlaveKind::concentric;
  return SlaveKind::push;
}

}  // namespace yoke
