// What a stage's page shows, as one value each: made of the job and its reports here, drawn by the
// page. Words are messages, still without a language; the pages decide nothing about brakes.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "files/store.hpp"
#include "proving/gates.hpp"
#include "session/bleed_view.hpp"
#include "work/as_built_check.hpp"
#include "work/steps.hpp"

namespace yoke {

/// The traced lines: a clutch has one line and nothing to trace.
struct PlumbView {
  bool clutch = false;
  Message answer;
  Message caution;
};
[[nodiscard]] PlumbView plumb_view(const Job& job);

/// Why a step stands where it does.
struct NeedRow {
  std::size_t step = 0;  ///< in the order
  bool done = false;
  Message words;  ///< "“Crack the line nuts”: only a bolted master holds against the spanner"
  Message why;    ///< the reason alone; empty: it follows from the things themselves
  bool of_builder = false;
  long long rests_s = 0;  ///< done, and still to soak or rest for so long
};
enum class StepState { done, ready, waits };
struct StepRow {
  Step step;
  bool done = false;
  StepState state = StepState::ready;
  std::string date;  ///< ISO day on which it was ticked
  std::string note;
  std::vector<NeedRow> needs;            ///< those that are open first
  std::vector<Message> opens;            ///< what it opens again
  std::vector<Message> too_soon;         ///< ticked before what it needs: what that costs
  std::optional<AsBuiltCheck> as_built;  ///< what was measured there, against the plan
};
struct InstallView {
  std::vector<StepRow> steps;  ///< in working order
  std::size_t done = 0;
  std::size_t ready = 0;
  std::size_t stale_as_built = 0;  ///< values measured on an earlier plan that still win
  std::vector<Error> refused;      ///< facts of the builder that cannot hold
};
/// `now`: the clock on the wall, "2026-05-31T14:05:09": what must rest holds what needs it until it
/// has. Without a clock nothing rests.
[[nodiscard]] InstallView install_view(const Job& job, std::string_view now = {});
/// The clock on the wall, as the views are told it.
[[nodiscard]] std::string wall_clock();

/// A gate as a page shows it.
struct GateRow {
  GateId id{};
  Message words;
  Message how;     ///< how to prove it
  Message remark;  ///< under the words: why it is held shut, else how to prove it
  GateState state = GateState::open;
  bool held = false;      ///< shut by the numbers: there is nothing to answer
  bool by_facts = false;  ///< read from what was done: nothing to answer either
  GateAsk ask;            ///< what it is passed on
  Message expected;       ///< "predicted 62 mm, at least 37 mm"
  Message evidence;       ///< what it was passed on, by whom and when
};
[[nodiscard]] std::vector<GateRow> gate_rows(const Job& job,
                                             const std::vector<ConditionReport>& strip,
                                             const std::vector<Finding>& findings);
/// Who answered a gate last; empty: nobody yet.
[[nodiscard]] std::string last_prover(const Job& job);
/// What the readings and the pump test say, a sentence each.
[[nodiscard]] std::vector<Message> prove_verdict(const Job& job);

struct RodView {
  Message answer;
  std::vector<Message> details;
};
[[nodiscard]] RodView rod_view(const Job& job);

/// The rod's angle in one sentence.
[[nodiscard]] Message square_answer(const Job& job);

/// How a job stands, and how one listed in a folder stood when it was saved.
[[nodiscard]] Message state_words(const Job& job, const std::vector<Finding>& findings);
[[nodiscard]] Message listed_state(const JobEntry& entry);

}  // namespace yoke
