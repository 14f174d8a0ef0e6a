#include "fitting/pattern.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "document/param/bolting.hpp"
#include "document/param/rod.hpp"
#include "document/param/unit.hpp"
#include "quantity/drills.hpp"
#include "quantity/units.hpp"

namespace yoke {

namespace {

constexpr double kWebDiameters = 1.0;
constexpr double kEdgeDiameters = 1.5;
constexpr double kClearance_m = 0.39e-3;  // of a clearance hole, all around half of it

Hole turned(double x, double z, double angle, double d) {
  return {x * std::cos(angle) - z * std::sin(angle), x * std::sin(angle) + z * std::cos(angle), d};
}

void add_edges(const Values& plan, PatternReport& r) {
  struct Edge {
    Param param;
    double x, z;
    const char* words;
  };
  constexpr Edge kEdges[] = {{param::fit_edge_left, -1, 0, "left"},
                             {param::fit_edge_right, 1, 0, "right"},
                             {param::fit_edge_up, 0, 1, "above"},
                             {param::fit_edge_down, 0, -1, "below"}};
  for (const Edge& e : kEdges) {
    if (!plan.known(e.param)) continue;
    double left = 1;
    double need = 0;
    for (const Hole& h : r.new_pattern.studs) {
      const double far = h.x_m * e.x + h.z_m * e.z + h.diameter_m / 2;
      left = std::min(left, plan.si(e.param) - far);
      need = std::max(need, kEdgeDiameters * h.diameter_m);
    }
    if (left < need)
      r.findings.push_back(
          {left <= 0 ? Severity::hard : Severity::warning, Stage::fit, FindingCode::fit_edge,
           say("A hole stands {} from the edge or crease {}", length(left, 1), e.words),
           say("{}, one and a half diameters", length(need, 1)),
           "Move or turn the pattern, or carry it on a plate", "common practice, no source"});
  }
}

void match_studs(PatternReport& r) {
  for (const Hole& n : r.new_pattern.studs) {
    StudMatch m;
    m.off_m = 1;
    double nearest_d = n.diameter_m;
    for (const Hole& o : r.old_pattern.studs) {
      const double off = std::hypot(n.x_m - o.x_m, n.z_m - o.z_m);
      if (off >= m.off_m) continue;
      m.off_m = off;
      nearest_d = o.diameter_m;
    }
    if (!r.old_pattern.studs.empty()) {
      // The old hole is drilled for the old stud; a thinner new one has more room in it.
      m.serves = n.diameter_m <= nearest_d + kClearance_m &&
                 m.off_m <= (nearest_d + kClearance_m - n.diameter_m) / 2 + kClearance_m / 2;
      const double web = m.off_m - (n.diameter_m + nearest_d) / 2;
      m.meets = !m.serves && web < kWebDiameters * std::max(n.diameter_m, nearest_d);
      m.overlaps =
          !m.serves && m.off_m < (clearance_hole_m(n.diameter_m) + clearance_hole_m(nearest_d)) / 2;
    }
    r.matches.push_back(m);
  }
}

void plate_around(PatternReport& r) {
  double w = 0;
  double h = 0;
  for (const Pattern* p : {&r.old_pattern, &r.new_pattern}) {
    for (const Hole& s : p->studs) {
      w = std::max(w, std::abs(s.x_m) + (0.5 + kEdgeDiameters) * s.diameter_m);
      h = std::max(h, std::abs(s.z_m) + (0.5 + kEdgeDiameters) * s.diameter_m);
    }
    const double collar = p->pilot_m.value_or(0) / 2 + 0.008;
    w = std::max(w, collar);
    h = std::max(h, collar);
  }
  r.plate_width_m = 2 * w;
  r.plate_height_m = 2 * h;
}

/// The blank against what both patterns need.
void check_blank(const Values& plan, PatternReport& r) {
  const auto check = [&](Param p, double need, const char* words) {
    if (plan.known(p) && plan.si(p) < need)
      r.findings.push_back({Severity::hard, Stage::fit, FindingCode::fit_plate_small,
                            say("The patterns are larger than the plate: {} {}, {} needed",
                                length(plan.si(p), 0), words, Plain{need * 1e3, 0}),
                            "both patterns with an edge of one and a half diameters",
                            "A larger blank; measure both patterns again if that surprises",
                            "geometry"});
  };
  check(param::fit_plate_width, r.plate_width_m, "wide");
  check(param::fit_plate_height, r.plate_height_m, "high");
}

/// Both patterns in one plate: no hole may run into another, nor an old bolt stand in the collar.
void check_plate_holes(const Values& plan, PatternReport& r) {
  const bool in_collar =
      std::any_of(r.old_pattern.studs.begin(), r.old_pattern.studs.end(), [&](const Hole& h) {
        return std::hypot(h.x_m, h.z_m) < (r.pilot_hole_m + clearance_hole_m(h.diameter_m)) / 2;
      });
  r.plate_holes_meet = in_collar || std::any_of(r.matches.begin(), r.matches.end(),
                                                [](const StudMatch& m) { return m.overlaps; });
  if (r.plate_holes_meet && r.plate && plan.si(param::fit_plate) > 0)
    r.findings.push_back(
        {Severity::hard, Stage::fit, FindingCode::fit_plate_holes,
         "One plate cannot carry both patterns: its holes run into each other",
         "no hole of the old pattern meets one of the new",
         "Turn the new pattern, or hold the plate by other bolts; measure both stud circles again",
         "geometry"});
}

void judge(const Values& plan, PatternReport& r) {
  const auto serving = std::count_if(r.matches.begin(), r.matches.end(),
                                     [](const StudMatch& m) { return m.serves; });
  const bool meets =
      std::any_of(r.matches.begin(), r.matches.end(), [](const StudMatch& m) { return m.meets; });
  r.bolts_on = !r.matches.empty() && static_cast<std::size_t>(serving) == r.matches.size();
  r.plate = !r.bolts_on && !r.old_pattern.studs.empty();
  if (r.bolts_on) {
    r.because.emplace_back("every new stud finds an old hole");
    return;
  }
  r.because.push_back(say("{} of {} old holes serve", serving, r.matches.size()));
  check_plate_holes(plan, r);
  if (meets) {
    r.because.push_back(
        r.plate_holes_meet ? "new holes would meet old ones: weld the old ones up, or turn the new "
                             "pattern"
                           : "new holes would meet old ones: weld the old ones up, or use a plate");
    r.findings.push_back(
        {Severity::warning, Stage::fit, FindingCode::fit_holes_meet,
         "New holes in the firewall would run into old ones", "a web of one diameter between holes",
         r.plate_holes_meet ? "Close the old holes first, or turn the new pattern on a plate"
                            : "Carry the unit on an adapter plate, or close the old holes first",
         "common practice, no source"});
  }
  if (plan.known(param::rod_stack) && plan.si(param::rod_stack) + 1e-6 < plan.si(param::fit_plate))
    r.findings.push_back({Severity::warning, Stage::fit, FindingCode::fit_plate_uncounted,
                          say("The plate's {} are not counted in the rod's spacers and gaskets",
                              length(plan.si(param::fit_plate), 1)),
                          "the rod follows every plate", "Measure the whole stack under Rod",
                          "geometry"});
  const double thread = r.new_pattern.studs.front().diameter_m *
                        (plan.is(choice::FitPlateMetal::aluminium) ? 1.5 : 1.0);
  if (r.plate && plan.si(param::fit_plate) > 0 && plan.si(param::fit_plate) < thread)
    r.findings.push_back({Severity::warning, Stage::fit, FindingCode::fit_plate_thin,
                          say("The plate is {} thick", length(plan.si(param::fit_plate), 1)),
                          say("{} of thread", length(thread, 1)),
                          "A thicker plate, or studs through it with nuts behind",
                          "common practice, no source"});
}

}  // namespace

Pattern pattern_of(const Values& v, double a) {
  Pattern p;
  if (v.known(param::unit_pilot)) p.pilot_m = v.si(param::unit_pilot);
  for (const Param need : {param::unit_studs, param::unit_stud_pitch, param::unit_stud_size})
    if (!v.known(need)) p.missing.push_back(need);
  const int count = stud_count(v).value_or(0);
  if (v.known(param::unit_studs) && count == 4 && !v.known(param::unit_stud_pitch2))
    p.missing.push_back(param::unit_stud_pitch2);
  if (!p.missing.empty()) return p;
  const double pitch = v.si(param::unit_stud_pitch);
  const double d = v.si(param::unit_stud_size);
  if (count == 2) {
    p.studs = {turned(-pitch / 2, 0, a, d), turned(pitch / 2, 0, a, d)};
  } else if (count == 3) {
    for (int i = 0; i < 3; ++i) {
      const double at = kPi / 2 + i * 2 * kPi / 3;
      p.studs.push_back(turned(pitch / 2 * std::cos(at), pitch / 2 * std::sin(at), a, d));
    }
  } else {
    const double short_side = v.si(param::unit_stud_pitch2);
    for (const auto& [sx, sz] : {std::pair{-1, 1}, {1, 1}, {1, -1}, {-1, -1}})
      p.studs.push_back(turned(sx * pitch / 2, sz * short_side / 2, a, d));
  }
  return p;
}

PatternReport pattern_report(const Job& job) {
  PatternReport r;
  const Values found = resolve(job, As::found);
  const Values plan = resolve(job, As::plan);
  r.old_pattern = pattern_of(found, plan.si(param::fit_turn_old));
  r.new_pattern = pattern_of(plan, plan.si(param::fit_turn));
  if (r.new_pattern.pilot_m) r.pilot_hole_m = *r.new_pattern.pilot_m + 0.3e-3;
  if (r.new_pattern.studs.empty()) return r;
  // Studs through one another, or through the collar's hole, cannot be.
  for (std::size_t i = 0; i < r.new_pattern.studs.size(); ++i) {
    const Hole& h = r.new_pattern.studs[i];
    const double to_centre = std::hypot(h.x_m, h.z_m) - h.diameter_m / 2;
    if (r.pilot_hole_m > 0 && to_centre < r.pilot_hole_m / 2) {
      r.findings.push_back(
          {Severity::hard, Stage::fit, FindingCode::fit_pattern_impossible,
           "The studs stand inside the collar's hole",
           say("more than {} from the centre", length(r.pilot_hole_m / 2, 1)),
           "Measure stud to stud, middle to middle, and the pilot's diameter again", "geometry"});
      break;
    }
  }
  match_studs(r);
  plate_around(r);
  judge(plan, r);
  if (r.plate) check_blank(plan, r);
  add_edges(plan, r);
  return r;
}

}  // namespace yoke
