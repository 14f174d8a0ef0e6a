#include "work/as_built_check.hpp"

#include <algorithm>
#include <cmath>

#include "document/param/assist.hpp"
#include "document/param/clutch.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/values.hpp"
#include "rod/ends.hpp"

namespace yoke {

namespace {

/// How far a builder's hand may be off. Others: as far as their own measurement's ± goes.
struct Allowed {
  Param param;
  double si;
};
constexpr Allowed kAllowed[] = {{param::control_rod_length, 0.5e-3},
                                {param::control_rod_clearance, 0.25e-3},
                                {param::control_rest_height, 5e-3},
                                {param::assist_output_gap, 0.25e-3},
                                {param::assist_vacuum, 3.4e3},  // 1 inHg
                                {param::rod_pull, 0},
                                {param::clutch_stack_a, 0.3e-3},
                                {param::clutch_stack_b, 0.3e-3},
                                {param::clutch_spacer, 0.1e-3},
                                {param::clutch_retraction, 1e-3}};
/// More than planned is no miss.
constexpr Param kMoreIsGood[] = {param::assist_vacuum, param::rod_pull, param::clutch_retraction};

double allowed(Param p) {
  const auto* const it = std::find_if(std::begin(kAllowed), std::end(kAllowed),
                                      [p](const Allowed& a) { return a.param == p; });
  return it == std::end(kAllowed) ? 0 : it->si;
}

/// What the plan says without what was built; a typical figure is nobody's plan, nor is that of a
/// unit that goes.
std::optional<double> planned(const Job& job, Param p) {
  Job before = job;
  before.built.clear(p);
  // The pedal is to stand where it stood, and what was wished higher or lower.
  if (p == param::control_rest_height) return heights_report(before).pad_after_m;
  const Value v = value_of(before, As::plan, p);
  const bool own = v.known() && v.origin != Origin::typical && !v.other_unit;
  return own ? std::optional(v.si) : std::nullopt;
}

Amount amount(double si, Param p) {
  return in_full(si, info(p).kind, std::max(info(p).digits, 1));
}

}  // namespace

std::optional<AsBuiltCheck> as_built_check(const Job& job, Param p) {
  const auto& built = job.built.at(p);
  if (!built || !built->known() || info(p).kind == Kind::choice) return std::nullopt;
  AsBuiltCheck c;
  c.param = p;
  c.built_si = built->si;
  c.tolerance_si = allowed(p);
  c.planned_si = planned(job, p);
  if (!c.planned_si) {
    c.words = "the plan has no figure of its own to hold it against";
    return c;
  }
  const double off = c.built_si - *c.planned_si;
  const double room = c.tolerance_si + built->uncertainty_si;
  const bool more_is_good =
      std::find(std::begin(kMoreIsGood), std::end(kMoreIsGood), p) != std::end(kMoreIsGood);
  c.missed = (more_is_good ? -off : std::abs(off)) > room * (1 + 1e-9);
  const Amount was = amount(*c.planned_si, p);
  const Amount by = amount(std::abs(off), p);
  if (!c.missed)
    c.words = say("as planned: {}, {} allowed", was, amount(room, p));
  else if (off > 0)
    c.words = say("planned {}: {} more, {} allowed", was, by, amount(room, p));
  else
    c.words = say("planned {}: {} less, {} allowed", was, by, amount(room, p));
  return c;
}

std::vector<AsBuiltCheck> as_built_checks(const Job& job) {
  std::vector<AsBuiltCheck> list;
  for (const ParamInfo& p : all_params())
    if (auto c = as_built_check(job, p.param)) list.push_back(std::move(*c));
  return list;
}

std::vector<Finding> as_built_findings(const Job& job) {
  std::vector<Finding> list;
  for (const AsBuiltCheck& c : as_built_checks(job))
    if (c.missed)
      list.push_back({Severity::warning, Stage::install, FindingCode::install_off_plan,
                      say("As built, {}: {}", Message::of_table(info(c.param).words), c.words),
                      "the plan, within what a hand can set",
                      "Set it to the plan; or keep it, and look at strip and gates again: they "
                      "count with what was built",
                      "common practice, no source"});
  return list;
}

}  // namespace yoke
