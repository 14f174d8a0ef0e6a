// The order of the work: laws over random jobs, and circles named.
#include <catch2/catch.hpp>
#include <map>

#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "support/random_job.hpp"
#include "work/order.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

using At = std::map<StepId, std::size_t>;

At at_of(const std::vector<Step>& steps) {
  At at;
  for (std::size_t i = 0; i < steps.size(); ++i) at[steps[i].id] = i;
  return at;
}

/// A job of any kind: what is fitted and what is planned drawn apart, so that units change.
Job changed_job(unsigned seed) {
  Job job = random_job(seed, 0.02);
  const Job other = random_job(seed + 500000, 0.02);
  for (const ParamInfo& p : all_params())
    if (pressed_by(p.group) && (seed >> (static_cast<unsigned>(p.group) % 7)) % 2 == 0)
      if (const auto& m = other.found.at(p.param); m && p.param != param::control_use)
        job.plan.set(p.param, *m);
  if (seed % 3 == 0)
    job.found.set(param::target_job, {static_cast<double>(seed % 9), How::stated, 0, {}});
  if (seed % 11 == 0) {  // clutches are too rare to be met by chance alone
    job.found.set(param::control_use, {1, How::stated, 0, {}});
    job.plan.set(param::clutch_kind, {static_cast<double>(seed / 11 % 3), How::stated, 0, {}});
  }
  if (seed % 5 == 0)
    job.found.set(param::control_kind, {static_cast<double>(seed % 3), How::stated, 0, {}});
  return job;
}

void check_laws(const std::vector<Step>& steps) {
  const At at = at_of(steps);
  const auto there = [&at](StepId id) { return at.count(id) != 0; };
  const auto before = [&](StepId a, StepId b) {
    if (there(a) && there(b)) {
      INFO(key(a) << " before " << key(b));
      CHECK(at.at(a) < at.at(b));
    }
  };
  std::map<std::string, std::size_t> place;
  for (std::size_t i = 0; i < steps.size(); ++i) CHECK(place.emplace(steps[i].key, i).second);
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const Step& s = steps[i];
    INFO(s.key);
    for (const Need& n : s.needs) {
      REQUIRE(place.count(n.key) == 1);
      CHECK(place[n.key] < i);
    }
    // Nothing is pressed before there is fluid.
    if (s.presses && there(StepId::fill_fluid)) CHECK(at.at(StepId::fill_fluid) < i);
    CHECK_FALSE(s.text.empty());
    // Nothing that is opened for good comes before the parts were tried and the pedal measured.
    if (english(s.part) == "Out") {
      before(StepId::before_parts, s.id);
      before(StepId::before_measure, s.id);
    }
    if (s.place == WorkPlace::under || s.place == WorkPlace::wheel)
      before(StepId::before_stands, s.id);
  }
  // What comes off goes on again, or its opening is closed.
  std::map<StepId, bool> back;
  for (const BackPair& p : back_pairs())
    if (there(p.out)) back[p.out] = back[p.out] || there(p.in);
  for (const auto& [out, in] : back) {
    INFO(key(out));
    CHECK(in);
  }
  for (const BackPair& p : back_pairs()) before(p.out, p.in);
  using enum StepId;
  before(before_discharge, out_pressure);
  before(before_battery, out_feeds);
  before(out_crack, out_unit);
  before(bench_bleed, mount_unit);
  before(bench_bleed, lines_start);
  before(lines_start, mount_tight);
  before(rod_retained_try, rod_retained_keep);
  before(rod_length, rod_pin);
  before(rod_clearance, lamp_switch);
  before(lines_tight, fill_fluid);
  before(fill_fluid, fill_bleed);
  before(fill_bleed, fill_weep);
  before(clutch_preload, fill_bleed);
  before(fill_bleed, clutch_short);
  before(out_gearbox, clutch_bearing);
  before(mount_close, mount_booster);
  before(fill_weep, down_wheels);
}

}  // namespace

TEST_CASE("5,000 random jobs: every need before its user, nothing pressed dry, all goes back") {
  std::size_t longest = 0;
  std::map<StepId, std::size_t> seen;
  for (unsigned seed = 0; seed < 5000; ++seed) {
    INFO("seed " << seed);
    const Job job = changed_job(seed);
    const WorkOrder order = work_order(job);
    CHECK(order.refused.empty());
    check_laws(order.steps);
    longest = std::max(longest, order.steps.size());
    for (const Step& s : order.steps) ++seen[s.id];
    // Only steps of what the job has.
    const WorkFacts f = work_facts(job);
    const At at = at_of(order.steps);
    CHECK((at.count(StepId::assist_purge) == 0 || f.hydraulic));
    CHECK((at.count(StepId::assist_feeds) == 0 || f.electric));
    CHECK((at.count(StepId::lamp_switch) == 0 || !f.clutch));
    CHECK((at.count(StepId::before_stands) == 0) == f.hand);
    CHECK((at.count(StepId::out_crack) == 0 || f.unit_out));
  }
  CHECK(longest > 40);
  // Each step of the families is some job's.
  std::size_t never = 0;
  for (const StepId id : {StepId::rod_cut, StepId::rod_retained_try, StepId::rod_retained_look,
                          StepId::rod_retained_keep, StepId::rod_retained_pull,
                          StepId::rod_deviation, StepId::mount_drill, StepId::rod_length})
    seen[id] += 1;  // asked of dimensions that random jobs have not
  for (const StepId id : all_ids<StepId>())
    if (id != StepId::own && seen[id] == 0) {
      WARN(key(id));
      ++never;
    }
  CHECK(never == 0);
}

TEST_CASE("facts of the builder: obeyed, and a circle refused by name") {
  Job job = known_job();
  job.own_steps = {{"Radiator out", WorkPlace::bay, true, {}},
                   {"Fetch Pat", WorkPlace::around, false, {}}};
  job.order_facts = {{"own:Radiator out", "out.unit", "the nut is behind it", {}},
                     {"own:Fetch Pat", "own:Radiator out", "", {}},
                     {"nothing.here", "out.unit", "", {}}};
  WorkOrder order = work_order(job);
  CHECK(order.refused.empty());
  const auto place = [&order](std::string_view key) {
    return std::find_if(order.steps.begin(), order.steps.end(),
                        [&](const Step& s) { return s.key == key; }) -
           order.steps.begin();
  };
  CHECK(place("own:Fetch Pat") < place("own:Radiator out"));
  CHECK(place("own:Radiator out") < place("out.unit"));
  const Step unit = order.steps[static_cast<std::size_t>(place("out.unit"))];
  bool told = false;
  for (const Need& n : unit.needs)
    told = told || (n.of_builder && n.key == "own:Radiator out" &&
                    english(n.why) == "the nut is behind it");
  CHECK(told);
  CHECK(order.steps[static_cast<std::size_t>(place("own:Radiator out"))].hands == 2);
  CHECK(order.steps[static_cast<std::size_t>(place("own:Radiator out"))].place == WorkPlace::bay);
  CHECK(order.steps[static_cast<std::size_t>(place("own:Fetch Pat"))].place == WorkPlace::around);
  CHECK(order.steps[static_cast<std::size_t>(place("own:Fetch Pat"))].hands == 1);
  CHECK(english(order.steps[static_cast<std::size_t>(place("own:Fetch Pat"))].text) == "Fetch Pat");
  // The same name twice is one step.
  Job twice = job;
  twice.own_steps.push_back(twice.own_steps.front());
  CHECK(work_order(twice).steps.size() == order.steps.size());
  // The unit cannot wait for its own capping.
  const std::size_t steps = order.steps.size();
  job.order_facts.push_back({"out.cap", "own:Fetch Pat", "", {}});
  order = work_order(job);
  REQUIRE(order.refused.size() == 1);
  const std::string said = english(order.refused.front().text());
  CHECK(said.find("wait for each other") != std::string::npos);
  CHECK(said.find("Fetch Pat") != std::string::npos);
  CHECK(said.find("Cap every open line") != std::string::npos);
  CHECK(order.steps.size() == steps);
  CHECK(place("own:Fetch Pat") < place("own:Radiator out"));
}

TEST_CASE("waits are filled with other work, places are kept together") {
  const auto step = [](const char* name, WorkPlace place, long wait,
                       std::vector<std::string> needs) {
    Step s;
    s.id = StepId::own;
    s.key = name;
    s.place = place;
    s.wait_s = wait;
    for (std::string& n : needs) s.needs.push_back({std::move(n), {}, false});
    return s;
  };
  const auto keys = [](const std::vector<Step>& steps) {
    std::string all;
    for (const Step& s : steps) all += s.key;
    return all;
  };
  using enum WorkPlace;
  // c waits an hour for a: b, d and e are done meanwhile.
  CHECK(keys(ordered({step("a", bay, 3600, {}), step("c", bay, 0, {"a"}), step("b", bay, 0, {}),
                      step("d", under, 0, {}), step("e", bay, 0, {})})) == "abedc");
  // Nothing else to do: it is waited for.
  CHECK(keys(ordered({step("a", bay, 3600, {}), step("b", bay, 0, {"a"})})) == "ab");
  // The place is kept while there is work at it.
  CHECK(keys(ordered({step("a", bay, 0, {}), step("b", under, 0, {}), step("c", bay, 0, {}),
                      step("d", under, 0, {})})) == "acbd");
  // Steps that wait for each other are all there.
  CHECK(keys(ordered(
            {step("a", bay, 0, {"b"}), step("b", bay, 0, {"a"}), step("c", bay, 0, {})})) == "cab");
  // What starts a wait goes first.
  CHECK(keys(ordered(
            {step("a", bay, 0, {}), step("b", bay, 7200, {}), step("c", bay, 0, {"b"})})) == "bac");
}

TEST_CASE("done out of order is allowed, and says what it costs") {
  Job job = known_job();
  const WorkOrder order = work_order(job);
  const auto step = [&order](StepId id) {
    return *std::find_if(order.steps.begin(), order.steps.end(),
                         [id](const Step& s) { return s.id == id; });
  };
  CHECK(out_of_order(job, order, step(StepId::out_rod)).empty());
  record_for(job, step(StepId::out_rod)).done = true;
  std::vector<std::string> said;
  for (const Message& m : out_of_order(job, order, step(StepId::out_rod)))
    said.push_back(english(m));
  CHECK(std::any_of(said.begin(), said.end(), [](const std::string& s) {
    return s.find("the order of washers is lost") != std::string::npos;
  }));
  for (const Need& n : step(StepId::out_rod).needs) job.steps[n.key].done = true;
  CHECK(out_of_order(job, order, step(StepId::out_rod)).empty());
}
