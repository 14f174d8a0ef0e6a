// The compatibility matrix, assist by type, what a bore conceals, chambers, parts in hand, lines of
// equal feel, bands of the curve.
#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/limits.hpp"
#include "document/param/master.hpp"
#include "document/param/room.hpp"
#include "document/param/symptom.hpp"
#include "document/param/unit.hpp"
#include "doubt/doubt.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "parts/part.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"
#include "sizing/assist_choice.hpp"
#include "sizing/changes.hpp"
#include "sizing/equal_lines.hpp"
#include "sizing/relative.hpp"
#include "support/work_done.hpp"
#include "work/disturbed.hpp"
#include "work/parts_gate.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void found(Job& job, Param p, double si, How how = How::stated) {
  job.found.set(p, measured(p, si, how));
}
void plan(Job& job, Param p, double si) {
  job.plan.set(p, measured(p, si, How::stated));
}

const MatrixRow& row_of(const Matrix& m, Param p) {
  const auto it =
      std::find_if(m.rows.begin(), m.rows.end(), [p](const MatrixRow& r) { return r.param == p; });
  REQUIRE(it != m.rows.end());
  return *it;
}

Part part(std::initializer_list<std::pair<Param, double>> dims) {
  Part p;
  p.name = "Invented";
  p.dims = dims;
  return p;
}

}  // namespace

TEST_CASE("the matrix: equal, differs by, and not compared counts like a difference") {
  Job job = known_job();
  found(job, param::unit_stud_pitch, 0.0790);
  found(job, param::unit_port1_seat, 0);
  const Candidate c = candidate_of(part({{param::master_bore, 0.0254},
                                         {param::unit_stud_pitch, 0.0790 + 0.2e-3},
                                         {param::unit_port1_seat, 1},
                                         {param::unit_pilot, 0.0413}}));
  const Matrix m = compare(job, PartKind::master, c.sheet);
  CHECK(m.equal + m.differ + m.not_compared == m.rows.size());
  CHECK(row_of(m, param::master_bore).sameness == Sameness::differs);
  CHECK(row_of(m, param::master_bore).by == Approx(0.003175));
  CHECK(english(sameness_words(row_of(m, param::master_bore))).find("differs by +3.1") == 0);
  CHECK(row_of(m, param::unit_stud_pitch).sameness == Sameness::equal);
  CHECK(row_of(m, param::unit_port1_seat).sameness == Sameness::differs);
  CHECK(english(row_of(m, param::unit_port1_seat).consequence).find("leaks") != std::string::npos);
  const MatrixRow& pilot = row_of(m, param::unit_pilot);
  CHECK(pilot.sameness == Sameness::not_compared);
  CHECK(english(pilot.consequence) == "measure the fitted unit");
  CHECK(english(row_of(m, param::unit_flange).consequence) == "measure both");
  CHECK(m.not_compared >= 10);
  CHECK(english(matrix_words(m)).find("NOT COMPARED") != std::string::npos);
  // Two 5/16 in holes 79 mm apart are not 3-1/8 in apart (79.375): common practice, no source.
  const Candidate near = candidate_of(part({{param::unit_stud_pitch, 0.079375}}));
  CHECK(row_of(compare(job, PartKind::master, near.sheet), param::unit_stud_pitch).sameness ==
        Sameness::differs);
}

TEST_CASE("a candidate takes the plan's place, what it does not tell stays unknown") {
  Job job = known_job();
  found(job, param::unit_stud_pitch, 0.079);
  plan(job, param::master_stroke1, 0.020);
  const Job tried = with_candidate(
      job, candidate_of(part({{param::master_kind, 1}, {param::master_bore, 0.0254}})));
  CHECK(value_of(tried, As::plan, param::master_bore).si == 0.0254);
  CHECK_FALSE(value_of(tried, As::plan, param::master_stroke1).known());
  CHECK(value_of(tried, As::found, param::master_stroke1).known());
  CHECK(value_of(tried, As::plan, param::control_pad_arm).known());
}

TEST_CASE("assist by type: all are judged, the engine's leaving rules two out") {
  Job job = known_job();
  found(job, param::master_bore, 0.0254);
  const auto all = assist_choices(job);
  REQUIRE(all.size() == 7);
  for (const AssistChoice& c : all) {
    CHECK_FALSE(c.when_it_fails.empty());
    CHECK((c.effort_n || !c.because.empty()));
    CHECK_FALSE(c.unknown.empty());  // room was not told
  }
  const auto by = [](const std::vector<AssistChoice>& list, const std::string& words) {
    return *std::find_if(list.begin(), list.end(), [&](const AssistChoice& c) {
      return english(c.words).find(words) != std::string::npos;
    });
  };
  // Help lightens the pedal, and leaves a heavier one when it is dead.
  CHECK(*by(all, "single").effort_n < *by(all, "No assist").effort_n);
  CHECK(*by(all, "single").dead_effort_n > 0);
  found(job, param::room_engine, 1);
  const auto gone = assist_choices(job);
  CHECK_FALSE(by(gone, "single").possible);
  CHECK_FALSE(by(gone, "Steering").possible);
  CHECK(by(gone, "electric pump").possible);
  CHECK(by(gone, "Electro").possible);
  CHECK(gone.front().possible);
  CHECK_FALSE(gone.back().possible);
  found(job, param::room_across, 0.150);
  CHECK_FALSE(by(assist_choices(job), "electric pump").possible);
  CHECK(assist_choices(Job{}).size() == 7);
}

TEST_CASE("is assist needed: no, or the smallest change that avoids it") {
  Job job = known_job();
  CHECK_FALSE(assist_need(Job{}).because.empty());
  job.found.set(param::limit_reserve_failed, measured(param::limit_reserve_failed, 0, How::stated));
  job.found.set(param::limit_reserve_failed_m,
                measured(param::limit_reserve_failed_m, 0, How::stated));
  AssistNeed n = assist_need(job);
  CHECK(n.because.empty());
  CHECK(n.effort_n > 50);
  // The hot press is the harder one: the same leg must do it.
  const double hot = condition_report(job, ConditionId::hot, 0).target->at.pad_force_n;
  CHECK(hot > n.effort_n);
  job.found.set(param::limit_travel, measured(param::limit_travel, 0.3, How::stated));
  job.found.set(param::limit_effort, measured(param::limit_effort, hot + 1, How::stated));
  CHECK_FALSE(assist_need(job).needed);
  job.found.set(param::limit_effort, measured(param::limit_effort, hot - 1, How::stated));
  CHECK(assist_need(job).needed);
  job.found.set(param::limit_effort, measured(param::limit_effort, hot * 0.9, How::stated));
  n = assist_need(job);
  CHECK(n.needed);
  REQUIRE((n.ratio || n.bore_m || n.both));
  if (n.ratio) CHECK(*n.ratio > 6);
  if (n.bore_m) CHECK(*n.bore_m < 0.022225);
}

TEST_CASE("a larger bore conceals a fault by the factor of the two bores") {
  // 7/8 to 1 in: travel x 0.766 for the same fault; common practice, no source.
  Job job = known_job();
  plan(job, param::master_bore, 0.0254);
  found(job, param::symptom_first, 0.110);
  found(job, param::symptom_third, 0.050);
  const ConcealReport r = concealed_faults(resolve(job, As::found), resolve(job, As::plan));
  REQUIRE(r.faults.size() == 1);
  CHECK(r.faults[0].before_m == Approx(0.060));
  CHECK(r.faults[0].after_m / 0.060 == Approx(0.766).epsilon(1e-3));
  CHECK(r.shorter_by_geometry == Approx(1 - 0.765625));
  const auto findings = find_all(job, foot_strip(job, 8));
  CHECK(std::any_of(findings.begin(), findings.end(),
                    [](const Finding& f) { return f.code == FindingCode::size_concealed; }));
  CHECK_FALSE(concealed_faults({}, {}).because.empty());
}

TEST_CASE("a plain master in place of a take-up one gives its volume away") {
  Job job = known_job();
  found(job, param::master_kind, 2);
  found(job, param::master_step_bore, 0.03175);
  CHECK_FALSE(plain_for_take_up(strip_inputs(job)).applies);
  plan(job, param::master_kind, 1);
  const StripInputs in = strip_inputs(job);
  const PlainBore r = plain_for_take_up(in);
  REQUIRE(r.applies);
  REQUIRE(r.because.empty());
  // Against the model itself: travel at the take-up's end with and without the step.
  const auto with = FeelModel::make(*in.found_system.system, {});
  const auto without = FeelModel::make(*in.plan_system.system, {});
  const double crack = in.found_system.system->master.crack.value();
  const double more = without->at(crack).stroke_m - with->at(crack).stroke_m;
  CHECK(r.extra_m / 6 == Approx(more).epsilon(0.02));
}

TEST_CASE("chambers: the axle that draws more gets the larger one") {
  Job job = known_job();
  found(job, param::master_reservoir, 30e-6);
  found(job, param::unit_chamber2, 90e-6);
  plan(job, param::unit_chamber2, 90e-6);
  const ChamberReport r = chamber_report(strip_inputs(job));
  REQUIRE(r.because.empty());
  REQUIRE(r.chambers.size() == 2);
  CHECK(r.chambers[0].front);
  CHECK_FALSE(r.chambers[0].rear);
  CHECK(r.front_m3 > r.rear_m3);
  CHECK(r.chambers[0].chamber_m3 == 30e-6);
  CHECK(r.swap);
  CHECK(r.needs_m3 == Approx(1.25 * (r.front_m3 + r.rear_m3)));
  // A 48 mm sliding caliper's piston follows both pads: 2 pistons x 1810 mm2 x 2 x wear.
  const double wear = value_of(job, As::plan, param::front_wear).si;
  CHECK(r.front_m3 == Approx(2 * 3.14159265 / 4 * 0.048 * 0.048 * 2 * wear));
  // A diagonal split draws half of each axle from each chamber, and nothing is swapped.
  plan(job, param::circuit_split, 1);
  plan(job, param::circuit_fl, 0);
  plan(job, param::circuit_rr, 0);
  plan(job, param::circuit_fr, 1);
  plan(job, param::circuit_rl, 1);
  const ChamberReport diagonal = chamber_report(strip_inputs(job));
  REQUIRE(diagonal.chambers.size() == 2);
  for (const ChamberUse& u : diagonal.chambers) {
    CHECK(u.front);
    CHECK(u.rear);
    CHECK(u.drawn_m3 == Approx((r.front_m3 + r.rear_m3) / 2));
  }
  CHECK_FALSE(diagonal.swap);
  // A chamber that nobody measured is not said to be enough.
  job.found.clear(param::master_reservoir);
  job.plan.clear(param::master_reservoir);
  const FigureGroup g = figure_group(job, GroupId::reservoir);
  std::size_t unsaid = 0;
  for (const Figure& f : g.figures) unsaid += f.verdict == Verdict::cannot_say ? 1 : 0;
  CHECK(unsaid == 1);  // the other one stands on the sheet
}

TEST_CASE("days are counted over months and leap years") {
  CHECK(*days_between("2026-11-26", "2026-12-01") == 5);
  CHECK(*days_between("2028-02-28", "2028-03-01") == 2);
  CHECK(*days_between("2027-03-01", "2027-02-28") == -1);
  CHECK_FALSE(days_between("2026-02-30", "2026-03-01"));
  CHECK_FALSE(days_between("soon", "2026-03-01"));
  for (const char* bad : {"", "2026-1-1", "2026-13-01", "2026-00-10", "20261101--", "2026-11-3x"})
    CHECK_FALSE(is_day(bad));
}

TEST_CASE("parts in hand: what is not proved holds the work up, the last promised is critical") {
  Job job;
  CHECK(parts_gate(job, "2026-11-26").may_start);
  job.parts = {{"hoses", "2026-12-01", false, false, false, false, true, ""},
               {"booster", "2026-12-20", false, false, false, false, true, ""},
               {"paint", "2027-02-01", false, false, false, false, false, ""},
               {"nuts", "", true, true, true, true, true, ""}};
  PartsGate g = parts_gate(job, "2026-11-26");
  CHECK_FALSE(g.may_start);
  REQUIRE(g.critical);
  CHECK(*g.critical == 1);
  CHECK(*g.earliest == "2026-12-20");
  CHECK(g.parts[0].index == 1);
  CHECK(*g.parts[0].days == 24);
  CHECK(english(g.sentence).find("booster") != std::string::npos);
  job.parts[0].promised.clear();
  g = parts_gate(job, "2026-11-26");
  CHECK(*g.critical == 0);
  CHECK_FALSE(g.earliest);
  // Here but not tried by hand still holds it up.
  for (PartInHand& p : job.parts) p.here = true;
  CHECK_FALSE(parts_gate(job, "2026-11-26").may_start);
  for (PartInHand& p : job.parts) p.thread = p.seat = p.place = true;
  CHECK(parts_gate(job, "2026-11-26").may_start);
  job.parts[1].here = false;
  CHECK(parts_gate(job, "2027-01-10").parts[0].late);
  job.later = {{LaterKind::rear_discs, "2027-01-20"}, {LaterKind::booster, ""}};
  CHECK(due_reminders(job, "2027-01-10", 30) == std::vector<std::size_t>{0});
  CHECK(due_reminders(job, "2026-01-10", 30).empty());
}

TEST_CASE("equal effort and equal travel run through the fitted cell and cross there") {
  const Job job = known_job();
  const auto s = sweep(job, default_request(job));
  REQUIRE(s);
  const Sweep one = s->slice(0);
  const Cell* at = nullptr;
  for (const Cell& c : one.cells)
    if (std::abs(c.bore_m - 0.022225) < 1e-6 && std::abs(c.ratio - 6) < 1e-6) at = &c;
  REQUIRE(at);
  for (const MapFigure f : {MapFigure::effort, MapFigure::travel}) {
    const EqualLine line = equal_line(one, f, f == MapFigure::effort ? at->effort_n : at->travel_m);
    double nearest = 1;
    for (const auto& piece : line.pieces)
      for (const auto& [bore, ratio] : piece)
        if (std::abs(bore - 0.022225) < 1e-6) nearest = std::min(nearest, std::abs(ratio - 6));
    CHECK(nearest < 1e-6);
  }
  // For effort the relative solver says the same: A/i stays, but for springs and lost force.
  const EqualLine effort = equal_line(one, MapFigure::effort, at->effort_n);
  for (const auto& [bore, ratio] : effort.pieces.front()) {
    const double alike = 6 * bore * bore / (0.022225 * 0.022225);
    CHECK(ratio == Approx(alike).epsilon(0.06));
  }
  CHECK(equal_line(one, MapFigure::effort, 0).pieces.empty());
  CHECK(equal_line({}, MapFigure::effort, 100).pieces.empty());
}

TEST_CASE("the curve's band holds the curve, widens with doubt, and can be cancelled") {
  Job job = known_job();
  const std::vector<double> forces{1, 50, 100, 150};  // 1 N does not move it
  DoubtRequest q;
  q.samples = 200;
  const auto sharp = curve_band(job, ConditionId::plan, forces, q);
  REQUIRE(sharp);
  found(job, param::control_pin_arm, 0.050, How::estimate);
  const auto wide = curve_band(job, ConditionId::plan, forces, q);
  REQUIRE(wide);
  REQUIRE(wide->force_n.size() == 3);
  const auto model = FeelModel::make(*assemble(job, As::plan).system, {});
  for (std::size_t i = 0; i < 3; ++i) {
    const double t = *predicted_travel_m(*model, wide->force_n[i]);
    CHECK(wide->travel_m[i].low < t);
    CHECK(wide->travel_m[i].high > t);
    CHECK(wide->travel_m[i].high - wide->travel_m[i].low >
          sharp->travel_m[i].high - sharp->travel_m[i].low);
  }
  CHECK(curve_band(job, ConditionId::plan, forces, q)->travel_m[1].high == wide->travel_m[1].high);
  q.progress = [](double) { return false; };
  CHECK_FALSE(curve_band(job, ConditionId::plan, forces, q));
  CHECK_FALSE(curve_band(Job{}, ConditionId::plan, forces, {}));
}

TEST_CASE("any sizes: the map is cut by half millimetres") {
  Job job = known_job();
  found(job, param::target_sizes, 1);
  found(job, param::target_preference, 2);
  const SweepRequest q = default_request(job);
  CHECK(q.preference == Preference::firm);
  CHECK(q.bores_m.size() > 20);
  CHECK(std::any_of(q.bores_m.begin(), q.bores_m.end(),
                    [](double b) { return std::abs(b - 0.0225) < 1e-9; }));
}

TEST_CASE("a gate opens again when a later step touches what it proves, the same day too") {
  Job job = known_job();
  job.steps["lines.start"] = {true, "2026-11-19", "", "", {}};
  const auto state = [&] {
    const auto strip = foot_strip(job, 0);
    for (const Gate& g : gates_of(job, strip, {}))
      if (g.id == GateId::weep) return g;
    return Gate{};
  };
  pass_gate(job, GateId::weep, "2026-11-20T09:00:00");
  CHECK(state().state == GateState::passed);
  job.steps["lines.start"].date = "2026-11-20";
  CHECK(state().state == GateState::open);
  CHECK(english(state().why).find("Prove it again") != std::string::npos);
  CHECK(english(state().why).find("2026-11-20 09:00:00") != std::string::npos);
  pass_gate(job, GateId::weep, "2026-11-20T10:00:00");
  CHECK(state().state == GateState::passed);
  pass_gate(job, GateId::firewall);
  CHECK(lapsed(job, GateId::firewall).empty());
  job.steps["mount.close"] = {true, "2026-11-05", "", "", {}};
  CHECK_FALSE(lapsed(job, GateId::firewall).empty());
  CHECK(disturbed_parts(job).size() >= 4);
  found(job, param::unit_switch, 1);
  const auto parts = disturbed_parts(job);
  CHECK(std::any_of(parts.begin(), parts.end(),
                    [](const DisturbedPart& p) { return english(p.part) == "Warning switch"; }));
}
