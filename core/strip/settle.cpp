#include "strip/settle.hpp"
#include "document/param/assist.hpp"
#include "document/param/bolting.hpp"
#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/hoses.hpp"
#include "document/param/lines.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/rod.hpp"
#include "document/param/room.hpp"
#include "document/param/valves.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

bool open(const Value& v, Kind kind) {
  return v.known() && !v.settled() && (kind == Kind::choice || v.uncertainty_si > 0);
}

/// Choices that say what a thing is like, which only a look at it tells. Not those that make the
/// job the one it is, or that put in a part which nobody spoke of.
bool looked_at(const ParamInfo& p) {
  static constexpr Param kNature[] = {
      param::control_hinge,    param::master_springs,      param::assist_servo_feeds,
      param::front_shoes,      param::rear_shoes,          param::front_hose_kind,
      param::rear_hose_kind,   param::lines_tube_material, param::lines_hose_bore,
      param::lines_hose_grade, param::fluid_grade,         param::valve_place,
      param::valve_bypass,     param::clutch_hose_kind,    param::clutch_bell,
      param::fit_boxed,        param::fit_plate_metal,     param::rod_coupling};
  return std::find(std::begin(kNature), std::end(kNature), p.param) != std::end(kNature);
}

/// What a look at the thing may show instead; "not known" is counted as the worse already.
std::vector<double> tries_of(const ParamInfo& p, const Value& v) {
  if (p.kind != Kind::choice)
    return {std::clamp(v.si - v.uncertainty_si, p.min_si, p.max_si),
            std::clamp(v.si + v.uncertainty_si, p.min_si, p.max_si)};
  std::vector<double> list;
  for (std::size_t i = 0; i < p.options.size(); ++i)
    if (p.options[i].key != "unknown" && static_cast<double>(i) != v.si)
      list.push_back(static_cast<double>(i));
  return list;
}

/// A report whose rules pass and wait for a name.
struct Waiting {
  ConditionReport* report;
  Condition condition;
  PressMargins margins;  ///< as they are
  std::optional<ClutchSystem> clutch;
  std::vector<RuleVerdict*> rules;
  bool again = false;  ///< the end that is tried next may matter to it
};

void blame(RuleVerdict& r, Param param) {
  if (std::find(r.decided_by.begin(), r.decided_by.end(), param) == r.decided_by.end())
    r.decided_by.push_back(param);
}

/// Of these the margin tells no distance.
bool by_sign(PressRule rule) {
  return rule == PressRule::bar;
}

/// How a report's rules fare with a value at one end: those that fail are its; a press that does
/// not get there takes with it what is judged there. Marks it where the other end may matter.
void weigh(Waiting& w, const std::optional<PressMargins>& there, Param param) {
  constexpr double kSafety = 3;
  if (there)
    for (std::size_t i = 0; i < there->reach.size(); ++i)
      if (w.margins.reach[i] < kSafety * (there->reach[i] - w.margins.reach[i])) w.again = true;
  for (RuleVerdict* r : w.rules) {
    if (!there || !there->applies(r->rule) || there->fails(r->rule)) {
      blame(*r, param);
      continue;
    }
    const double better = there->of(r->rule) - w.margins.of(r->rule);
    const bool unlocked = w.margins.no_lock || there->no_lock;
    if (by_sign(r->rule) || (r->rule == PressRule::lock_order && unlocked) ||
        w.margins.of(r->rule) < kSafety * better)
      w.again = true;
  }
}

class Settler {
 public:
  Settler(const StripInputs& in, std::vector<ConditionReport>& strip) : in_(in) {
    for (ConditionReport& c : strip) {
      Waiting w{&c, condition_of(in.values(c.id), c.id), {}, {}, {}};
      for (RuleVerdict& r : c.rules)
        if (r.verdict == Verdict::if_typical) w.rules.push_back(&r);
      if (!w.rules.empty() && look(w)) waiting_.push_back(std::move(w));
    }
  }

  void run() {
    if (waiting_.empty()) return;
    for (const Unmeasured& u : unmeasured(in_.found, in_.plan, pressed_by)) {
      if (u.plan) try_ends(As::plan, u);
      if (u.found) try_ends(As::found, u);
    }
    try_driver();
    for (Waiting& w : waiting_) {
      for (RuleVerdict* r : w.rules)
        if (r->decided_by.empty()) r->verdict = Verdict::holds;
      conclude(*w.report);
    }
  }

 private:
  /// The margins as they are.
  bool look(Waiting& w) const {
    if (in_.clutch) {
      const ClutchAssembly a = clutch_in(in_.values(w.report->id), w.condition);
      if (!a.system || !w.report->clutch) return false;
      w.clutch = a.system;
      w.margins = clutch_margins(w.report->id, *w.report->clutch, a.system->unit, in_.limits);
      return true;
    }
    const auto there = pressed(*in_.assembly(w.report->id).system, w);
    if (there) w.margins = *there;
    return there.has_value();
  }

  std::optional<PressMargins> pressed(const System& s, const Waiting& w) const {
    const auto judged = judge_press(w.report->id, s, w.condition, in_.limits);
    return judged ? std::optional(judged->margins) : std::nullopt;
  }

  [[nodiscard]] bool any_again() const {
    return std::any_of(waiting_.begin(), waiting_.end(), [](const Waiting& w) { return w.again; });
  }

  void try_ends(As which, const Unmeasured& u) {
    for (Waiting& w : waiting_) w.again = as_of(w.report->id) == which;
    const double now = (which == As::plan ? in_.plan : in_.found).si(u.param);
    const bool choice = info(u.param).kind == Kind::choice;
    // At the end of its range a value has one way to go.
    for (const double si : u.tries) {
      // One option says nothing of the next.
      if (choice)
        for (Waiting& w : waiting_) w.again = as_of(w.report->id) == which;
      if (std::abs(si - now) > 0 && any_again()) try_end(which, u.param, si);
    }
  }

  /// The driver's push is no part of what is pressed: it moves the limits.
  void try_driver() {
    const Value& push = in_.plan.at(param::room_driver);
    if (in_.clutch || !open(push, Kind::force)) return;
    Limits limits = in_.limits;
    for (const double si : tries_of(info(param::room_driver), push)) {
      limits.effort_n = std::min(limits.effort_n, si);
      limits.effort_failed_n = std::min(limits.effort_failed_n, si);
    }
    for (Waiting& w : waiting_) {
      const auto judged =
          judge_press(w.report->id, *in_.assembly(w.report->id).system, w.condition, limits);
      if (judged) weigh(w, judged->margins, param::room_driver);
    }
  }

  void try_end(As which, Param param, double si) {
    Values& v = which == As::plan ? plan_ : found_;
    const double was = v.si(param);
    v.set_si(param, si);
    if (in_.clutch)
      try_clutch(v, param);
    else
      try_brakes(which, v, param);
    v.set_si(param, was);
  }

  void try_brakes(As which, const Values& v, Param param) {
    const System& now = *(which == As::plan ? in_.plan_system : in_.found_system).system;
    const Assembly a = assemble(v, now);
    if (!a.system) return;  // it cannot be so: the other end is tried
    // Air left in it is not of the system but of one condition alone.
    const bool air = param == param::air_left;
    const bool same = !air && *a.system == now;
    for (Waiting& w : waiting_) {
      if (!w.again) continue;
      w.again = false;
      if (same || (air && w.report->id != ConditionId::air_left)) continue;
      const Condition before = w.condition;
      if (air) w.condition = condition_of(v, w.report->id);
      weigh(w, pressed(*a.system, w), param);
      w.condition = before;
    }
  }

  void try_clutch(const Values& v, Param param) {
    for (Waiting& w : waiting_) {
      if (!w.again) continue;
      const ClutchAssembly a = clutch_in(v, condition_of(v, w.report->id));
      if (!a.system) continue;
      w.again = false;
      if (*a.system == *w.clutch) continue;
      const auto r = clutch_report(*a.system);
      weigh(w,
            r ? std::optional(clutch_margins(w.report->id, *r, a.system->unit, in_.limits))
              : std::nullopt,
            param);
    }
  }

  const StripInputs& in_;
  Values plan_ = in_.plan;
  Values found_ = in_.found;
  std::vector<Waiting> waiting_;
};

}  // namespace

std::vector<Unmeasured> unmeasured(const Values& found, const Values& plan, bool (*counts)(Group)) {
  std::vector<Unmeasured> list;
  for (const ParamInfo& p : all_params()) {
    if (!counts(p.group) || (p.kind == Kind::choice && !looked_at(p))) continue;
    const Value& f = found.at(p.param);
    const Value& n = plan.at(p.param);
    const bool both = open(f, p.kind) && open(n, p.kind);
    const bool same = both && f.si == n.si && f.uncertainty_si == n.uncertainty_si;
    if (open(n, p.kind)) list.push_back({p.param, same, true, tries_of(p, n)});
    if (open(f, p.kind) && !same) list.push_back({p.param, true, false, tries_of(p, f)});
  }
  return list;
}

Job with_value(const Job& job, const Unmeasured& u, double si) {
  Job other = job;
  Measured m{si, How::stated, 0, {}};
  // The wished pad height is taken off what is entered: the value meant is the one that counts.
  const double taken_off = u.param == param::control_pad_stop
                               ? std::min(0.0, value_of(job, As::plan, param::rod_height_wish).si)
                               : 0.0;
  if (u.found) other.found.set(u.param, m);
  // The plan keeps what it counted with: it would take over what is measured on the fitted part.
  if (u.found && !u.plan && !job.plan.at(u.param) && !found_only(info(u.param).group))
    if (const Value own = value_of(job, As::plan, u.param); own.known())
      other.plan.set(u.param, {own.si - taken_off, How::estimate, own.uncertainty_si, {}});
  if (u.plan) {
    other.built.clear(u.param);
    m.si -= taken_off;
    other.plan.set(u.param, m);
  }
  return other;
}

void settle(const StripInputs& inputs, std::vector<ConditionReport>& strip) {
  Settler(inputs, strip).run();
}

}  // namespace yoke
