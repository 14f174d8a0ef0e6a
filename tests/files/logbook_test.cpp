// The logbook: edits write their lines, fresh ones are joined, written ones never change; time and
// money by stage; what would have saved some; what may be given away holds nobody's name.
#include <catch2/catch.hpp>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "files/json_job.hpp"
#include "files/limits.hpp"
#include "logbook/anonymous.hpp"
#include "logbook/log.hpp"
#include "support/work_done.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void edit(Job& job, const std::string& when, const std::function<void(Job&)>& fn,
          std::size_t written = 0) {
  const Job before = job;
  fn(job);
  log_events(job, events_between(before, job, when), written);
}

std::string words(const Job& job, std::size_t at) {
  return english(event_words(job, job.events.at(at)));
}

}  // namespace

static_assert(kMostLogged == kMostEvents);

TEST_CASE("logbook: an edit writes what it changed, in words and in its stage") {
  Job job = known_job();
  edit(job, "2026-05-01T10:00:00", [](Job& j) {
    j.plan.set(param::master_bore, {0.0254, How::stated, 0, {}});
  });
  REQUIRE(job.events.size() == 1);
  CHECK(job.events[0].kind == EventKind::planned);
  CHECK(job.events[0].stage == Stage::survey);
  CHECK(words(job, 0).find("25.4") != std::string::npos);
  edit(job, "2026-05-01T10:20:00", [](Job& j) { record_for(j, StepId::out_crack).done = true; });
  CHECK(job.events.back().stage == Stage::install);
  CHECK(words(job, 1).find("done") != std::string::npos);
  edit(job, "2026-05-01T10:30:00",
       [](Job& j) { pass_gate(j, GateId::fluid, "2026-05-01T10:30:00"); });
  CHECK(words(job, 2).find("One known fluid, fresh") != std::string::npos);
  CHECK(words(job, 2).find("by A. Builder") != std::string::npos);
  edit(job, "2026-05-01T10:40:00", [](Job& j) {
    j.parts.push_back({"master", "", true, false, false, false, true, "", {}});
  });
  CHECK(words(job, 3) == "master: here");
  edit(job, "2026-05-01T10:50:00", [](Job&) {});
  CHECK(job.events.size() == 4);
}

TEST_CASE("logbook: fresh lines of the same thing are one, written ones and old ones are not") {
  Job job = known_job();
  const auto bore = [](double m) {
    return [m](Job& j) { j.plan.set(param::master_bore, {m, How::stated, 0, {}}); };
  };
  edit(job, "2026-05-01T10:00:00", bore(0.020));
  edit(job, "2026-05-01T10:00:02", bore(0.021));
  edit(job, "2026-05-01T10:00:04", bore(0.022));
  REQUIRE(job.events.size() == 1);
  CHECK(job.events[0].is == "0.022");
  edit(job, "2026-05-01T10:00:06", bore(0.023), 1);  // a file holds the first
  CHECK(job.events.size() == 2);
  CHECK(job.events[0].is == "0.022");
  edit(job, "2026-05-01T11:00:06", bore(0.024), 1);
  CHECK(job.events.size() == 3);
  // Undone to before what the file holds: its line stays, and one says so.
  Job older = known_job();
  log_undone(older, job, 2, "bore", "2026-05-01T11:01:00");
  REQUIRE(older.events.size() == 3);
  CHECK(older.events[0] == job.events[0]);
  CHECK(older.events[2].kind == EventKind::undone);
  Job never = known_job();
  log_undone(never, job, 0, "bore", "2026-05-01T11:01:00");
  CHECK(never.events.empty());
}

TEST_CASE("logbook: a full book stays full, what was entered by hand stays in it") {
  Job job = known_job();
  Event by_hand;
  by_hand.kind = EventKind::worked;
  by_hand.seconds = 3600;
  by_hand.when = "2026-01-01T08:00:00";
  job.events.push_back(by_hand);
  for (std::size_t i = 0; i < kMostLogged + 50; ++i) {
    Event e;
    e.kind = EventKind::step;
    e.subject = "s" + std::to_string(i);
    e.is = "done";
    e.when = "2026-02-01T08:00:00";
    log_events(job, {e}, 0);
  }
  CHECK(job.events.size() <= kMostLogged);
  CHECK(std::find(job.events.begin(), job.events.end(), by_hand) != job.events.end());
  CHECK(words(job, 0).find("earlier lines were left out") != std::string::npos);
}

TEST_CASE("logbook: time and money by stage are the sums of what was entered") {
  Job job;
  const auto put = [&](EventKind k, Stage s, double seconds, double money) {
    Event e;
    e.kind = k;
    e.stage = s;
    e.seconds = seconds;
    e.money = money;
    e.when = "2026-05-0" + std::to_string(1 + job.events.size()) + "T10:00:00";
    job.events.push_back(e);
  };
  put(EventKind::worked, Stage::install, 3600, 0);
  put(EventKind::worked, Stage::install, 1800, 0);
  put(EventKind::waited, Stage::install, 7200, 0);
  put(EventKind::cost, Stage::plumb, 0, 48.5);
  const auto by = time_by_stage(job);
  REQUIRE(by.size() == 9);
  const StageTime& install = by[static_cast<std::size_t>(Stage::install)];
  CHECK(install.worked_s == 5400);
  CHECK(install.waited_s == 7200);
  CHECK(install.first == "2026-05-01T10:00:00");
  CHECK(install.last == "2026-05-03T10:00:00");
  CHECK(by[static_cast<std::size_t>(Stage::plumb)].money == 48.5);
  CHECK(by[static_cast<std::size_t>(Stage::rod)].lines == 0);
  CHECK(english(time_words(5400)) == "1 h 30 min");
  CHECK(english(time_words(3 * 86400)) == "3 days");
  CHECK(english(time_words(1200)) == "20 min");
}

TEST_CASE("logbook: what would have saved time is read from the lines alone") {
  Job job = known_job();
  CHECK(would_have_saved(job).empty());
  job.parts.push_back({"rear hose", "", false, false, false, false, true, "", {}});
  edit(job, "2026-05-01T10:00:00", [](Job& j) { record_for(j, StepId::out_crack).done = true; });
  edit(job, "2026-05-06T10:00:00", [](Job& j) { j.parts[0].here = true; });
  auto list = would_have_saved(job);
  REQUIRE(list.size() == 1);
  CHECK(list[0].seconds == 5 * 86400);
  CHECK(english(list[0].what).find("rear hose came 5 days after the car was apart") == 0);
  // Measured a hair's breadth differently: nothing. By a millimetre: measured wrong before.
  edit(job, "2026-05-07T10:00:00", [](Job& j) {
    j.found.set(param::control_pin_arm, {0.05005, How::calliper, 0.00005, {}});
  });
  CHECK(would_have_saved(job).size() == 1);
  edit(job, "2026-05-08T10:00:00", [](Job& j) {
    j.found.set(param::control_pin_arm, {0.052, How::calliper, 0.00005, {}});
  });
  list = would_have_saved(job);
  REQUIRE(list.size() == 2);
  CHECK(english(list[1].what).find("entered anew after work had begun") != std::string::npos);
  edit(job, "2026-05-09T10:00:00", [](Job& j) { record_for(j, StepId::out_crack).done = false; });
  edit(job, "2026-05-09T12:00:00", [](Job& j) { record_for(j, StepId::out_crack).done = true; });
  list = would_have_saved(job);
  CHECK(std::any_of(list.begin(), list.end(), [](const Saving& s) {
    return english(s.what).find("was done 2 times") != std::string::npos;
  }));
}

TEST_CASE("logbook: a copy without names holds none, and every value still") {
  Job job = known_job();
  do_all_work(job);
  job.title = "SECRET car";
  job.vehicle = "SECRET";
  job.notes = "SECRET";
  job.points.push_back({"a clip", Stage::plumb, "2026-05-01", "", "SECRET", "SECRET", {}});
  pass_all_gates(job);
  for (auto& [key, g] : job.gates) g.who = g.note = g.photo = "SECRET";
  for (auto& [key, s] : job.steps) s.note = s.photo = "SECRET";
  RoadPermit p;
  p.who = p.place = "SECRET";
  job.permits["walking"] = p;
  Event e;
  e.who = e.note = "SECRET";
  job.events.push_back(e);
  auto bore = *job.found.at(param::master_bore);
  bore.note = "SECRET";
  job.found.set(param::master_bore, bore);
  const Job out = without_names(job);
  CHECK(write_job(out).find("SECRET") == std::string::npos);
  CHECK(out.found.at(param::master_bore)->si == job.found.at(param::master_bore)->si);
  CHECK(out.gates.size() == job.gates.size());
  CHECK(out.steps.size() == job.steps.size());
}
