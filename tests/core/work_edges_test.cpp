// Edges of the work: counts of what stands open, days, readings too close together, the floor.
#include <catch2/catch.hpp>

#include "judge/findings.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"
#include "support/every_code.hpp"
#include "work/parts_gate.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("the gates that stand open are named, three at most, and said to be more") {
  std::vector<Gate> gates(3);
  for (Gate& g : gates) g.words = "something must hold";
  const auto says = [&gates] { return english(may_be_proved(gates).error().reason); };
  CHECK(says().find("3 gates") != std::string::npos);
  CHECK(says().find("…") == std::string::npos);
  gates.emplace_back();
  CHECK(says().find("4 gates") != std::string::npos);
  CHECK(says().find("…") != std::string::npos);
  gates.resize(1);
  CHECK(says().find("1 gate still stands") != std::string::npos);
}

TEST_CASE("the first part that nobody promised is the one that holds the work up") {
  Job job = known_job();
  for (const auto& [name, promised] :
       {std::pair("hose", "2026-06-01"), {"pipe", ""}, {"clip", ""}}) {
    PartInHand p;
    p.name = name;
    p.promised = promised;
    job.parts.push_back(p);
  }
  const PartsGate g = parts_gate(job, "2026-05-01");
  CHECK(english(g.sentence).find("No day promised for: pipe") != std::string::npos);
}

TEST_CASE("readings that lie too close together tell the slack alone, and what to read next") {
  const System s = car();
  std::vector<Reading> readings;
  for (const double push : {36.0, 36.5, 37.0, 37.5}) {
    const auto m = FeelModel::make(s, row_condition({}, {push, 0, 0, false, false, false}));
    REQUIRE(m);
    Reading r;
    r.force_n = push;
    r.travel_m = *predicted_travel_m(*m, push) + 0.003;
    r.force_uncertainty_n = 2;
    r.travel_uncertainty_m = 1e-3;
    r.assist_alive = false;
    readings.push_back(r);
  }
  const ReadingEstimate e = estimate_from_readings(s, readings, false);
  REQUIRE(e.slack_m());
  CHECK(e.slack_m()->value == Approx(0.003).margin(1e-3));
  CHECK_FALSE(e.air_m3());
  CHECK(english(e.refusal).find("trapped air") != std::string::npos);
  CHECK(english(e.next_measurement).find("light presses") != std::string::npos);
}

TEST_CASE("a pad within the carpet's 5 mm of its stop has reached the floor") {
  Job job = known_job();
  set(job, "found:control.pad_stop=150 mm");
  const auto floor = [&job](const char* depth) {
    Job j = job;
    set(j, std::string("found:symptom.second=") + depth);
    for (const Finding& f : find_all(j, foot_strip(j, 12)))
      if (f.code == FindingCode::survey_do_not_drive)
        return english(f.message).find("reaches the floor") != std::string::npos;
    return false;
  };
  CHECK(floor("145.4 mm"));
  CHECK_FALSE(floor("144.6 mm"));
}

TEST_CASE("a later conversion is due on the very day that was asked for, not the day after") {
  Job job = known_job();
  job.later = {{LaterKind::rear_discs, "2026-07-11", {}}};
  CHECK(due_reminders(job, "2026-07-01", 10).size() == 1);
  CHECK(due_reminders(job, "2026-07-01", 9).empty());
}

TEST_CASE("days are counted across a year, a century and a thousand years") {
  CHECK(days_between("2026-12-31", "2027-01-01") == 1);
  CHECK(days_between("1999-12-31", "2000-01-01") == 1);
  CHECK(days_between("1999-12-31", "2001-03-01") == 426);
  CHECK(days_between("2100-02-28", "2100-03-01") == 1);  // no leap year
  CHECK(days_between("2028-02-28", "2028-03-01") == 2);
  CHECK_FALSE(days_between("2026-02-30", "2026-03-01"));
}

TEST_CASE("silicone fluid has its own words where the system is filled") {
  const auto filled = [](const char* grade) {
    Job job = known_job();
    set(job, grade);
    for (const Step& s : install_steps(job))
      if (s.id == StepId::fill_fluid) return english(s.text);
    return std::string();
  };
  CHECK(filled("found:fluid.grade=5").find("silicone") != std::string::npos);
  CHECK(filled("found:fluid.grade=4").find("silicone") == std::string::npos);
  CHECK_FALSE(filled("found:fluid.grade=4").empty());
}

TEST_CASE("one condition that cannot be said is said to be one") {
  Job job = known_job();
  set(job,
      "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=0; "
      "found:limit.reserve_failed=0 %; found:limit.reserve_failed_m=0 mm; "
      "found:limit.effort_failed=1500 N; found:limit.z_failed=0.05; found:target.z=0.3");
  auto strip = foot_strip(job, 0);
  REQUIRE(strip.size() == 7);
  for (ConditionReport& c : strip) c.verdict = Verdict::holds;
  CHECK(english(stage_status(job, Stage::size, strip, {})) == "passes in all conditions");
  for (const auto& [verdict, one, two] :
       {std::tuple{Verdict::cannot_say, "1 condition cannot be said",
                   "2 conditions cannot be said"},
        {Verdict::fails, "1 condition fails", "2 conditions fail"},
        {Verdict::if_typical, "1 condition rests on what nobody measured",
         "2 conditions rest on what nobody measured"}}) {
    auto some = strip;
    some[3].verdict = verdict;
    CHECK(english(stage_status(job, Stage::size, some, {})) == one);
    some[5].verdict = verdict;
    CHECK(english(stage_status(job, Stage::size, some, {})) == two);
    // What is found is no condition of the plan.
    some = strip;
    some[0].verdict = verdict;
    CHECK(english(stage_status(job, Stage::size, some, {})) == "passes in all conditions");
  }
}

TEST_CASE("what may be fitted stays within what a pedal can have") {
  CHECK(unknown_bounds(Unknown::slack).least == -0.060);
  CHECK(unknown_bounds(Unknown::slack).most == 0.060);
  CHECK(unknown_bounds(Unknown::air).least == 0);
  CHECK(unknown_bounds(Unknown::air).most == 20e-6);
  CHECK(unknown_bounds(Unknown::clearance).most == 20);
  CHECK(unknown_bounds(Unknown::growth).least == 0.1);
  CHECK(unknown_bounds(Unknown::growth).most == 8);
  CHECK(unknown_bounds(Unknown::hose).least == 0.1);
  CHECK(unknown_bounds(Unknown::hose).most == 12);
}
