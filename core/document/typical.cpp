#include "document/typical.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/supply.hpp"

#include <array>
#include <span>

namespace yoke {

namespace {

struct Typical {
  Param param;
  double si;
};

constexpr Typical kLever[] = {
    {param::control_return_force, 4},      {param::control_pad_stop, 0.065},
    {param::master_spring_force, 20},      {param::master_cutoff1, 0.00065},
    {param::master_cutoff2, 0.00065},      {param::master_stroke1, 0.015},
    {param::master_reservoir, 15e-6},      {param::front_clearance, 0.00011},
    {param::rear_clearance, 0.00011},      {param::limit_effort, 120},
    {param::limit_travel, 0.045},          {param::limit_effort_failed, 200},
    {param::control_rod_clearance, 0.0003}};
constexpr Typical kClutch[] = {{param::master_spring_force, 30},
                               {param::master_cutoff1, 0.00065},
                               {param::master_stroke1, 0.0315},
                               {param::limit_effort, 150},
                               {param::limit_travel, 0.150}};
constexpr Typical kHydraulic[] = {
    {param::assist_gain, 6}, {param::assist_jump_in, 150}, {param::assist_dead_force, 60}};
constexpr Typical kElectric[] = {
    {param::assist_cut_in, 15}, {param::assist_jump_in, 0}, {param::assist_dead_force, 60}};
constexpr Typical kRemote[] = {{param::assist_efficiency, 0.9}};

struct ByAssist {
  choice::AssistKind kind;
  std::span<const Typical> table;
};
constexpr ByAssist kByAssist[] = {{choice::AssistKind::hydraulic, kHydraulic},
                                  {choice::AssistKind::electric, kElectric},
                                  {choice::AssistKind::remote, kRemote}};

std::optional<double> look_up(std::span<const Typical> list, Param p) {
  for (const Typical& t : list)
    if (t.param == p) return t.si;
  return std::nullopt;
}

std::optional<double> of_assist(const Job& job, As which, Param p) {
  for (const auto& [kind, table] : kByAssist)
    if (const auto v = look_up(table, p); v && is(job, which, kind)) return v;
  return std::nullopt;
}

/// A table is searched before the job is asked what it is: this runs for every value of a job.
std::optional<double> by_kind(const Job& job, As which, Param p) {
  // What is chosen decides the others, never itself.
  if (info(p).kind == Kind::choice) return std::nullopt;
  if (info(p).group == Group::assist) return of_assist(job, which, p);
  if (p == param::supply_vacuum_volume) {
    const Value second = value_of(job, which, param::assist_diaphragm2);
    return second.known() && second.si > 0 ? std::optional(0.0028) : std::nullopt;
  }
  if (p == param::front_wear && is(job, which, param::front_kind, choice::BrakeKind::drum))
    return 0.003;
  if (p == param::rear_wear && is(job, which, param::rear_kind, choice::BrakeKind::drum))
    return 0.003;
  if (const auto v = look_up(kClutch, p); v && is(job, which, choice::ControlUse::clutch)) return v;
  if (const auto v = look_up(kLever, p); v && (is(job, which, choice::ControlKind::lever_radial) ||
                                               is(job, which, choice::ControlKind::lever_axial)))
    return v;
  return std::nullopt;
}

}  // namespace

bool typical_by_kind(Param param) {
  for (const std::span<const Typical> table :
       {std::span<const Typical>(kLever), std::span<const Typical>(kClutch)})
    if (look_up(table, param)) return true;
  for (const ByAssist& a : kByAssist)
    if (look_up(a.table, param)) return true;
  return param == param::supply_vacuum_volume || param == param::front_wear ||
         param == param::rear_wear;
}

std::optional<double> typical_of(const Job& job, As which, Param param) {
  if (const auto v = by_kind(job, which, param)) return v;
  return info(param).typical_si;
}

}  // namespace yoke
