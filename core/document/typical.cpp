#include "document/typical.hpp"

#include <array>
#include <span>

namespace yoke {

namespace {

struct Typical {
  Param param;
  double si;
};

constexpr Typical kLever[] = {
    {Param::control_return_force, 4},      {Param::control_pad_stop, 0.065},
    {Param::master_spring_force, 20},      {Param::master_cutoff1, 0.00065},
    {Param::master_cutoff2, 0.00065},      {Param::master_stroke1, 0.015},
    {Param::master_reservoir, 15e-6},      {Param::front_clearance, 0.00011},
    {Param::rear_clearance, 0.00011},      {Param::limit_effort, 120},
    {Param::limit_travel, 0.045},          {Param::limit_effort_failed, 200},
    {Param::control_rod_clearance, 0.0003}};
constexpr Typical kClutch[] = {{Param::master_spring_force, 30},
                               {Param::master_cutoff1, 0.00065},
                               {Param::master_stroke1, 0.0315},
                               {Param::limit_effort, 150},
                               {Param::limit_travel, 0.150}};
constexpr Typical kHydraulic[] = {
    {Param::assist_gain, 6}, {Param::assist_jump_in, 150}, {Param::assist_dead_force, 60}};
constexpr Typical kElectric[] = {
    {Param::assist_cut_in, 15}, {Param::assist_jump_in, 0}, {Param::assist_dead_force, 60}};
constexpr Typical kRemote[] = {{Param::assist_efficiency, 0.9}};

std::optional<double> look_up(std::span<const Typical> list, Param p) {
  for (const Typical& t : list)
    if (t.param == p) return t.si;
  return std::nullopt;
}

std::optional<double> by_kind(const Job& job, As which, Param p) {
  // What is chosen decides the others, never itself.
  if (info(p).kind == Kind::choice) return std::nullopt;
  const Group g = info(p).group;
  if (g == Group::assist) {
    if (is(job, which, choice::AssistKind::hydraulic)) return look_up(kHydraulic, p);
    if (is(job, which, choice::AssistKind::electric)) return look_up(kElectric, p);
    if (is(job, which, choice::AssistKind::remote)) return look_up(kRemote, p);
    return std::nullopt;
  }
  if (p == Param::supply_vacuum_volume) {
    const Value second = value_of(job, which, Param::assist_diaphragm2);
    return second.known() && second.si > 0 ? std::optional(0.0028) : std::nullopt;
  }
  if (p == Param::front_wear && is(job, which, Param::front_kind, choice::BrakeKind::drum))
    return 0.003;
  if (p == Param::rear_wear && is(job, which, Param::rear_kind, choice::BrakeKind::drum))
    return 0.003;
  if (g != Group::control && g != Group::master && g != Group::target && g != Group::front &&
      g != Group::rear)
    return std::nullopt;
  if (is(job, which, choice::ControlUse::clutch))
    if (const auto v = look_up(kClutch, p)) return v;
  if (is(job, which, choice::ControlKind::lever_radial) ||
      is(job, which, choice::ControlKind::lever_axial))
    return look_up(kLever, p);
  return std::nullopt;
}

}  // namespace

std::optional<double> typical_of(const Job& job, As which, Param param) {
  if (const auto v = by_kind(job, which, param)) return v;
  return info(param).typical_si;
}

}  // namespace yoke
