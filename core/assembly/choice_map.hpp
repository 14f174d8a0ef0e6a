// From what the builder chose to the kinds that the physics knows. Each pair is named: the order of
// options in the parameter table means nothing here. What is unknown falls back as its typical
// value does.
#pragma once

#include "circuit/circuit.hpp"
#include "circuit/shoe.hpp"
#include "clutch/clutch.hpp"
#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/values.hpp"
#include "master/master.hpp"

namespace yoke {

[[nodiscard]] MasterKind master_kind(const Values& v);
[[nodiscard]] Springs springs_of(const Values& v);
[[nodiscard]] Shoes shoes_of(const Values& v, Axle axle);
[[nodiscard]] TubeMaterial tube_material(const Values& v);
[[nodiscard]] HoseSize hose_size(const Values& v);
[[nodiscard]] HoseGrade hose_grade(const Values& v);
[[nodiscard]] HoseKind hose_kind(std::optional<choice::BrakeHoseKind> kind);
[[nodiscard]] HoseKind hose_kind(std::optional<choice::ClutchHoseKind> kind);
[[nodiscard]] SlaveKind slave_kind(std::optional<choice::ClutchKind> kind);

}  // namespace yoke
