#include "protocol/curve.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "doubt/doubt.hpp"
#include "proving/estimate.hpp"
#include "proving/telling.hpp"

namespace yoke {

namespace {

constexpr double kFoot_m = 0.002;     // a foot is not still
constexpr double kAssistShare = 0.5;  // of the band, when the rest of it was seen already
constexpr double kLeastBits = 0.05;   // less is no press worth

Condition off_condition() {
  Condition c;
  c.assist_alive = false;
  return c;
}

std::optional<FeelModel> model_of(const System& s, bool second, bool clamped,
                                  ClampedHoses whose = ClampedHoses::all) {
  const ReadingRow row{0, 0, 0, false, second, clamped, whose};
  auto m = FeelModel::make(s, row_condition(off_condition(), row));
  return m ? std::optional(*m) : std::nullopt;
}

ConditionId off_id(bool boosted) {
  return boosted ? ConditionId::assist_lost : ConditionId::plan;
}

/// Pad travel that leaves too little before the floor; without a way that is known: none is told.
double floor_of(const Job& job, const std::vector<ConditionReport>& strip, bool boosted) {
  const ConditionReport* r = report_of(strip, off_id(boosted));
  if (!r || !r->target) r = report_of(strip, ConditionId::plan);
  if (!r || !r->target) return 1e9;
  const Limits l = limits_of(job);
  const double way = r->target->available_m;
  return way - std::max(l.reserve_failed_share * way, l.reserve_failed_m);
}

}  // namespace

CurveAsked curve_of(const Job& job, const std::vector<ConditionReport>& strip) {
  CurveAsked e;
  e.job = &job;
  e.strip = &strip;
  const Assembly a = assemble(job, As::plan);
  e.boosted = has_assist(job, As::plan);
  e.floor_m = floor_of(job, strip, e.boosted);
  e.hand = pulled_by_hand(resolve(job, As::plan));
  if (!a.system || !a.system->wheels) return e;
  e.once = model_of(*a.system, false, false);
  e.again = model_of(*a.system, true, false);
  e.clamped = model_of(*a.system, false, true);
  if (e.boosted)
    if (auto m = FeelModel::make(*a.system, {})) e.helped = *m;
  const auto feeds = [&a](Outlet o) {
    return std::any_of(a.system->wheels->begin(), a.system->wheels->end(),
                       [o](const WheelBrake& w) { return w.fitted && w.outlet == o; });
  };
  if (!has_two_circuits(job, As::plan) || !feeds(Outlet::primary) || !feeds(Outlet::secondary))
    return e;
  e.first = model_of(*a.system, false, true, ClampedHoses::first);
  e.second = model_of(*a.system, false, true, ClampedHoses::second);
  return e;
}

namespace {

double share_of(CurveAsked& e) {
  if (!e.share) e.share = proof_share(*e.job, *e.strip);
  return *e.share;
}

const FeelModel* model_for(const CurveAsked& e, ProofId id) {
  const auto& m = id == ProofId::second                                    ? e.again
                  : id == ProofId::clamped                                 ? e.clamped
                  : id == ProofId::clamped_first                           ? e.first
                  : id == ProofId::clamped_second                          ? e.second
                  : id == ProofId::helped_100 || id == ProofId::helped_250 ? e.helped
                                                                           : e.once;
  return m ? &*m : nullptr;
}

/// A reading's own doubt in travel: the tape's, and the scale's by the slope there.
double doubt_m(const FeelModel& m, const Reading& r) {
  const double step = std::max(2.0, r.force_n * 0.02);
  const auto here = predicted_travel_m(m, r.force_n);
  const auto beside = predicted_travel_m(m, r.force_n + step);
  const double slope = here && beside ? (*beside - *here) / step : 0;
  return std::hypot(r.travel_uncertainty_m, slope * r.force_uncertainty_n);
}

/// How far the same push was off with the assist dead; nothing while it was not pressed so.
std::optional<double> off_without_assist(const CurveAsked& e, const ProofPress& p) {
  if (!e.once) return std::nullopt;
  ProofPress dead = p;
  dead.assist_on = false;
  const auto at = reading_of(*e.job, dead);
  if (!at) return std::nullopt;
  const Reading& r = e.job->readings[*at];
  const auto expect = predicted_travel_m(*e.once, r.force_n);
  return expect ? std::optional(r.travel_m - *expect) : std::nullopt;
}

void judge_press(const Job& job, CurveAsked& e, ProofPress& p) {
  const FeelModel* m = model_for(e, p.id);
  if (!m) {
    p.says = "cannot be predicted: the brakes are not known well enough";
    return;
  }
  const auto at = reading_of(job, p);
  // Before anything is predicted: a pad on the floor stops it, whatever the model makes of it.
  if (at && job.readings[*at].travel_m >= e.floor_m) {
    p.got = job.readings[*at].travel_m;
    p.expect = predicted_travel_m(*m, job.readings[*at].force_n);
    p.state = ProofState::stop;
    p.says = "Do not drive: the pad is nearly on the floor";
    return;
  }
  const double push_n = at ? job.readings[*at].force_n : *p.push_n;
  const auto expect = predicted_travel_m(*m, push_n);
  if (!expect) {
    p.says = "cannot be predicted at this push";
    if (at) p.got = job.readings[*at].travel_m;
    return;
  }
  p.expect = *expect;
  const auto half_m = [&] { return kEightInTen * share_of(e) * *expect; };
  if (e.bands == ProofBands::all || e.share) {
    p.low = std::max(0.0, *expect - half_m());
    p.high = *expect + half_m();
  }
  if (!at) return;
  const Reading& r = job.readings[*at];
  p.got = r.travel_m;
  const auto common_m = p.assist_on ? off_without_assist(e, p) : std::nullopt;
  const double off_m = r.travel_m - *expect - common_m.value_or(0);
  const double own_m = doubt_m(*m, r) + kFoot_m;
  // What master, lines and brakes leave open was seen without the assist: only its own is left.
  const double share = common_m ? kAssistShare : 1;
  if (std::abs(off_m) <= own_m || std::abs(off_m) <= own_m + share * half_m()) {
    p.state = ProofState::good;
    p.says = "as expected";
  } else {
    p.state = ProofState::off;
    const Amount by = amount(std::abs(off_m), Kind::length, 0);
    p.says = off_m > 0 ? say("{} further than expected: air, slack or clearance", by)
                       : say("{} less than expected: is the assist off, is the port open?", by);
  }
}

}  // namespace

ProofPress press_of(ProofId id, const Message& name, const Message& how, const Message& tells) {
  ProofPress p;
  p.id = id;
  p.name = name;
  p.how = how;
  p.tells = tells;
  return p;
}

namespace {

/// Presses that are there to tell causes apart.
bool tells_apart(ProofId id) {
  return id == ProofId::second || is_clamped(id);
}

/// What is left open tells causes apart, or nothing more: those that tell most come first.
void order_by_telling(const Job& job, std::vector<ProofPress>& list) {
  const auto open = [](const ProofPress& p) {
    return tells_apart(p.id) && p.state == ProofState::open;
  };
  if (std::none_of(list.begin(), list.end(), open)) return;
  const Assembly a = assemble(job, As::plan);
  if (!a.system || !a.system->wheels) return;
  const Diagnosis d = diagnose(*a.system, kept_readings(job.readings), job.pump,
                               bore_is_known(resolve(job, As::plan)));
  if (!d.refusal.empty() || d.unexplained) return;
  std::vector<ToPress> presses;
  for (const ProofPress& p : list)
    if (open(p)) presses.push_back({ToPress::What::travel, row_of(proof_reading(p, *p.push_n, 0))});
  const std::vector<double> bits = expected_bits(*a.system, d, presses);
  std::size_t at = 0;
  for (ProofPress& p : list) {
    if (!open(p)) continue;
    p.bits = bits[at++];
    if (p.bits >= kLeastBits) continue;
    p.state = ProofState::not_asked;
    p.says = say("the readings already say: {}. This would tell nothing more", d.ranked[0].words);
  }
  // In their places among the others, the most telling first.
  std::vector<std::size_t> places;
  std::vector<ProofPress> sorted;
  for (std::size_t i = 0; i < list.size(); ++i)
    if (open(list[i])) {
      places.push_back(i);
      sorted.push_back(list[i]);
    }
  std::stable_sort(sorted.begin(), sorted.end(),
                   [](const ProofPress& x, const ProofPress& y) { return x.bits > y.bits; });
  for (std::size_t i = 0; i < places.size(); ++i) list[places[i]] = sorted[i];
  if (places.empty()) return;
  ProofPress& first = list[places.front()];
  first.most = true;
  first.says = d.ranked.size() > 1
                   ? say("tells most now: is it {}, or {}?", d.ranked[0].words, d.ranked[1].words)
                   : Message("tells most now");
}

template <class Add>
void add_helped(double share, const Add& add) {
  const std::pair<ProofId, double> presses[] = {{ProofId::helped_100, 100},
                                                {ProofId::helped_250, 250}};
  for (const auto& [id, at_n] : presses) {
    const double push_n = share * at_n;
    ProofPress p =
        press_of(id, say("Press with {}, engine on", amount(push_n, Kind::force, 0)),
                 say("Engine running, wait until the assist is full; press slowly to {} and read "
                     "the tape",
                     amount(push_n, Kind::force, 0)),
                 at_n < 200 ? Message("where the assist sets in: its valve, its first push")
                            : Message("how much it helps: its gain and its knee"));
    p.care = "In neutral, parking brake on, wheels chocked; never run it in a closed room";
    p.assist_on = true;
    add(std::move(p), push_n);
  }
}

}  // namespace

void add_curve(const Job& job, CurveAsked e, std::vector<ProofPress>& list) {
  static constexpr ProofId kIds[] = {ProofId::press_50, ProofId::press_100, ProofId::press_150,
                                     ProofId::press_250, ProofId::press_400};
  const double share = e.hand ? kHandShare : 1;
  const auto add = [&](ProofPress p, double push_n) {
    p.where = ProofWhere::reading;
    p.push_n = push_n;
    p.assisted = e.boosted;
    judge_press(job, e, p);
    list.push_back(std::move(p));
  };
  const Message off =
      e.boosted ? Message("Engine off, assist emptied by four presses. ") : Message();
  bool all_good = true;
  for (std::size_t i = 0; i < std::size(kIds); ++i) {
    const double push_n = share * kProofForces_n[i];
    add(press_of(
            kIds[i], say("Press with {}", amount(push_n, Kind::force, 0)),
            say("{}Scale between foot and pad, tape from the seat to the pad; press slowly to {} "
                "and read the tape",
                off, amount(push_n, Kind::force, 0)),
            push_n < 0.3 * share * 400 ? Message("slack and air: they show at a light push")
                                       : Message("what gives: hoses, calipers, drums")),
        push_n);
    all_good = all_good && list.back().state == ProofState::good;
  }
  const double firm_n = share * kProofForces_n[2];
  add(press_of(ProofId::second, "The second press in a row",
               say("{}Press with {}, let up, press again at once, and read the second", off,
                   amount(firm_n, Kind::force, 0)),
               "clearance: pumping takes it up, air stays"),
      firm_n);
  add(press_of(ProofId::clamped, "With the hoses clamped",
               say("{}Clamp the flexible hoses, press with {} and read", off,
                   amount(firm_n, Kind::force, 0)),
               "hoses and what lies behind them, from the master and its tubes"),
      firm_n);
  const char* care = "Clamps made for hoses; never on braided ones, never with pliers";
  list.back().care = care;
  if (e.first && e.second) {
    const double light_n = share * kProofForces_n[1];
    const auto one = [&](ProofId id, const Message& outlet) {
      add(press_of(id, say("With {}'s hoses clamped", outlet),
                   say("{}Clamp the hoses of {} alone, press lightly with {} and read", off, outlet,
                       amount(light_n, Kind::force, 0)),
                   "air: it stands in the circuit that is left"),
          light_n);
      list.back().care = care;
    };
    one(ProofId::clamped_first, "outlet 1");
    one(ProofId::clamped_second, "outlet 2");
  }
  if (e.boosted) add_helped(share, add);
  // When the curve is as it should be nothing is left that these could tell apart.
  if (all_good) {
    for (ProofPress& p : list)
      if (tells_apart(p.id) && p.state == ProofState::open) {
        p.state = ProofState::not_asked;
        p.says = "the curve is as expected: nothing is left to tell apart";
      }
  } else if (e.shorten) {
    order_by_telling(job, list);
  }
}

double proof_share(const Job& job, const std::vector<ConditionReport>& strip, bool helped) {
  const ConditionId id = helped ? ConditionId::plan : off_id(has_assist(job, As::plan));
  const ConditionReport* r = report_of(strip, id);
  if (!r || !r->target || r->target->at.pad_travel_m <= 0) return 0;
  double sum = 0;
  for (const Sensitivity& s : sensitivities(job, id))
    sum += std::pow(s.of(PressQuantity::travel), 2);
  return std::sqrt(sum) / r->target->at.pad_travel_m;
}

}  // namespace yoke
