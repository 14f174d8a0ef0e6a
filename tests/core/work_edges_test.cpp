// Edges of the work: counts of what stands open, days, readings too close together, the floor.
#include <catch2/catch.hpp>

#include "judge/findings.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"
#include "support/every_code.hpp"
#include "work/parts_gate.hpp"

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
