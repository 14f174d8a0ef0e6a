#include "survey/gauging.hpp"
#include "document/param/age.hpp"
#include "document/param/bores.hpp"
#include "document/param/gauge.hpp"

#include <algorithm>
#include <array>
#include <cmath>

namespace yoke {

namespace {

Amount mm(double m) {
  return in_full(m, Kind::length, 3);
}

void bore_figures(const Values& v, GaugeReport& r) {
  constexpr Param kPairs[3][2] = {{param::gauge_a1, param::gauge_a2},
                                  {param::gauge_b1, param::gauge_b2},
                                  {param::gauge_c1, param::gauge_c2}};
  std::vector<double> means;
  for (const auto& pair : kPairs) {
    double sum = 0;
    int count = 0;
    for (const Param p : pair) {
      if (!v.known(p)) {
        r.missing.push_back(Message::of_table(info(p).words));
        continue;
      }
      sum += v.si(p);
      ++count;
      r.largest_m = std::max(r.largest_m.value_or(0), v.si(p));
    }
    if (count == 2)
      r.ovality_m = std::max(r.ovality_m.value_or(0), std::abs(v.si(pair[0]) - v.si(pair[1])));
    if (count > 0) means.push_back(sum / count);
  }
  if (means.size() >= 2) {
    const auto [lo, hi] = std::minmax_element(means.begin(), means.end());
    r.taper_m = *hi - *lo;
  }
}

/// Where the cup runs: from its rest position over the stroke.
void pit_figures(const Values& v, GaugeReport& r) {
  if (!v.known(param::gauge_pit)) return;
  if (!v.known(param::gauge_cup_rest) || !v.known(param::master_stroke1)) {
    r.missing.emplace_back("cup lip at rest and stroke, to tell whether it passes the pit");
    return;
  }
  const double from = v.si(param::gauge_cup_rest);
  const double to = from + v.si(param::master_stroke1);
  // A millimetre beyond the ends: the lip is not a line.
  constexpr double kLip_m = 1e-3;
  r.pit_in_sweep = v.si(param::gauge_pit) >= from - kLip_m && v.si(param::gauge_pit) <= to + kLip_m;
}

void judge(const Values& v, GaugeReport& r) {
  const double hone = v.known(param::gauge_hone) ? v.si(param::gauge_hone) : 0;
  bool sleeve = false;
  bool needs_hone = false;
  const auto bad = [&](bool is, Message why) {
    if (is) {
      sleeve = true;
      r.because.push_back(std::move(why));
    }
  };
  if (r.ovality_m) bad(*r.ovality_m > kMostOvality_m, say("out of round by {}", mm(*r.ovality_m)));
  if (r.taper_m) bad(*r.taper_m > kMostTaper_m, say("tapered by {}", mm(*r.taper_m)));
  if (r.clearance_m)
    bad(*r.clearance_m > kMostClearance_m,
        say("piston clearance {}, {} at most", mm(*r.clearance_m), mm(kMostClearance_m)));
  bad(hone > kMostHone_m, say("honing takes off {}, {} at most", mm(hone), mm(kMostHone_m)));
  if (r.squeeze)
    bad(*r.squeeze < kLeastSqueeze,
        say("the cup is squeezed by {} % only", Plain{*r.squeeze * 100, 1}));
  if (r.pit_in_sweep == true) {
    const bool deep = !v.known(param::gauge_pit_depth) || v.si(param::gauge_pit_depth) * 2 > hone;
    if (deep)
      bad(true, "a pit lies where the cup runs");
    else
      needs_hone = true;
  }
  if (r.clearance_m && *r.clearance_m < 0)
    r.missing.push_back(say("bore or piston again: the piston measures {} more than its bore",
                            mm(-*r.clearance_m)));
  if (!v.known(param::gauge_cup))
    r.missing.push_back(Message::of_table(info(param::gauge_cup).words));
  if (!v.known(param::age_pitting) && !v.known(param::gauge_pit))
    r.missing.push_back(Message::of_table(info(param::age_pitting).words));
  if (v.is(choice::AgePitting::pitted) && !v.known(param::gauge_pit))
    r.missing.emplace_back("where the pits stand");
  if (v.is(choice::AgePitting::stained)) needs_hone = true;
  // What is too far gone is said even when the rest was not measured.
  if (sleeve)
    r.verdict = v.known(param::gauge_pit_depth) && v.si(param::gauge_pit_depth) > 1.5e-3
                    ? RebuildVerdict::scrap
                    : RebuildVerdict::sleeve;
  else if (!r.missing.empty())
    r.verdict = RebuildVerdict::not_enough;
  else
    r.verdict = needs_hone || hone > 0 ? RebuildVerdict::hone : RebuildVerdict::rebuild;
}

}  // namespace

std::string_view rebuild_words(RebuildVerdict v) {
  static constexpr std::string_view w[] = {
      "Not enough measured", "Rebuild: clean, new rubber", "Hone, gauge again, new rubber",
      "Sleeve it: too far gone for honing",
      "Scrap: the wall under a pit this deep is not to be trusted"};
  return w[static_cast<std::size_t>(v)];
}

GaugeReport gauge_report(const Values& v) {
  GaugeReport r;
  bore_figures(v, r);
  const double hone = v.known(param::gauge_hone) ? v.si(param::gauge_hone) : 0;
  if (!v.known(param::gauge_piston))
    r.missing.push_back(Message::of_table(info(param::gauge_piston).words));
  else if (r.largest_m)
    r.clearance_m = *r.largest_m + hone - v.si(param::gauge_piston);
  if (v.known(param::gauge_cup) && r.largest_m)
    r.squeeze = 1 - (*r.largest_m + hone) / v.si(param::gauge_cup);
  pit_figures(v, r);
  judge(v, r);
  return r;
}

}  // namespace yoke
