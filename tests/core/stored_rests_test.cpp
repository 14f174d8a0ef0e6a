// What each gate rests on, and what it says when something of it changes after it was passed, as it
// was stored.
#include <catch2/catch.hpp>
#include <functional>
#include <sstream>

#include "support/every_code.hpp"
#include "support/stored.hpp"
#include "support/work_done.hpp"
#include "work/disturbed.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// Every value stated, every step done, bled, two parts in the hand.
Job whole_job() {
  Job job = known_job();
  for (const ParamInfo& p : all_params()) {
    const Value v = value_of(job, As::plan, p.param);
    if (v.origin == Origin::measured) continue;
    const double si = v.known() ? v.si : 0.5 * (p.min_si + p.max_si);
    job.plan.set(p.param, {p.kind == Kind::choice ? 0 : si, How::stated, 0, {}});
  }
  do_all_work(job);
  for (auto& [id, r] : job.steps) r.date = "2026-05-29";
  job.parts = {{"Hose", "", true, true, true, true, true, "", {}},
               {"Calipers", "", true, false, false, false, true, "", {}}};
  return job;
}

struct Altered {
  std::string name;
  std::function<void(Job&)> make;
};

/// One change of every kind: the first value of each group, a choice, what is forgotten, steps,
/// parts, strokes.
std::vector<Altered> changes(const Job& job) {
  std::vector<Altered> list;
  std::optional<Group> last;
  for (const ParamInfo& p : all_params()) {
    if (last == p.group || p.kind == Kind::choice) continue;
    last = p.group;
    list.push_back({"other " + std::string(p.id), [&p](Job& j) {
                      j.plan.set(p.param, {p.max_si, How::stated, 0, {}});
                    }});
    list.push_back({"unknown " + std::string(p.id), [&p](Job& j) {
                      j.found.set(p.param, Measured{});
                      j.plan.set(p.param, Measured{});
                    }});
  }
  list.push_back({"other kind of master", [](Job& j) { set(j, "master.kind=single"); }});
  for (const auto& [id, r] : job.steps)
    list.push_back({"again " + id, [id = id](Job& j) { j.steps[id].date = "2026-06-02"; }});
  for (const auto& [id, r] : job.steps)
    list.push_back({"not done " + id, [id = id](Job& j) { j.steps[id].done = false; }});
  for (const auto& [place, r] : job.bleeding)
    list.push_back({"bled " + place, [place = place](Job& j) { ++j.bleeding[place].strokes; }});
  for (bool PartInHand::*has :
       {&PartInHand::here, &PartInHand::thread, &PartInHand::seat, &PartInHand::place})
    list.push_back({"part", [has](Job& j) { j.parts[0].*has = false; }});
  list.push_back({"part gone", [](Job& j) { j.parts.pop_back(); }});
  list.push_back({"part named", [](Job& j) { j.parts[0].name = "Tube"; }});
  return list;
}

}  // namespace

TEST_CASE("each gate rests on what was stored, and lapses with it by name", "[golden]") {
  std::ostringstream out;
  const Job job = whole_job();
  const auto all = changes(job);
  for (std::size_t i = 0; i < static_cast<std::size_t>(GateId::count_); ++i) {
    const auto id = static_cast<GateId>(i);
    out << key(id) << "\n";
    for (const auto& [what, is] : rests_on(job, id)) out << "  " << what << " = " << is << "\n";
    Job passed = job;
    GateEvidence e;
    e.seen = "seen";
    e.who = "A. Builder";
    e.when = "2026-05-30T10:00:00";
    answer_gate(passed, id, GateState::passed, e);
    CHECK(lapsed(passed, id).empty());
    for (const Altered& c : all) {
      Job later = passed;
      c.make(later);
      if (const Message m = lapsed(later, id); !m.empty())
        out << "  " << c.name << ": " << english(m) << "\n";
    }
  }
  compare_with_stored("every-rest.txt", out.str());
}
