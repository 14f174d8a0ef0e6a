// The work as a graph: the steps that this very job has, what each needs, and an order that keeps
// every need, changes place as seldom as it can, and fills waits with other work. The steps lie as
// data under families/, one readable file a family.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"
#include "work/facts.hpp"

namespace yoke {

/// A step that must come before, and what goes wrong the other way round.
struct Need {
  std::string key;
  Message why;  ///< empty: it follows from the things themselves
  bool of_builder = false;
};

/// Two people: who does what, what is called, and a way for one where there is one.
struct Call {
  Message you, helper, words, alone;
};

/// The drawing of the job that shows what a step works on.
enum class StepPicture {
  none,
  heights,   ///< pedal, accelerator and lamp over the floor
  pattern,   ///< the holes, full face
  stack,     ///< what the studs pass through
  room,      ///< the unit and what is near it
  rod,       ///< rod, seat and bore in section
  gap,       ///< the booster's output rod before the piston
  net,       ///< every joint from outlet to wheel
  angles,    ///< servo and master by a phone's level
  bleeding,  ///< the order in which nipples are opened
};

struct Step {
  StepId id{};
  std::string key;  ///< of its record; of the builder's own steps "own:" and the name
  Message part;     ///< "Before", "Out", "Rod" …
  Message text;
  Message caution;               ///< shown at the point of use; empty for none
  std::optional<Param> measure;  ///< as-built value to enter
  StepPicture picture = StepPicture::none;
  Message because;  ///< the fact of the job that calls for it; empty for every job
  WorkPlace place = WorkPlace::bay;
  int hands = 1;
  long wait_s = 0;       ///< after it, before what needs it
  bool presses = false;  ///< moves the pistons
  /// Read from what was bled: nothing to tick.
  bool by_bleeding = false;
  /// Due when it was driven for the first time: the work is done without it.
  bool after_drive = false;
  std::vector<Need> needs;  ///< of the steps that this job has
  std::optional<Call> call;
  std::vector<Message> tools;
  std::vector<GateId> touches;  ///< proofs that it opens again
};
/// In working order.
[[nodiscard]] std::vector<Step> install_steps(const Job& job);

struct WorkOrder {
  std::vector<Step> steps;
  /// The builder's own facts that cannot hold: a circle of steps that wait for each other, named.
  std::vector<Error> refused;
};
[[nodiscard]] WorkOrder work_order(const Job& job);

[[nodiscard]] const StepRecord* record_of(const Job& job, const Step& step);
[[nodiscard]] StepRecord& record_for(Job& job, const Step& step);
/// Ticked, or read from what was bled.
[[nodiscard]] bool is_done(const Job& job, const Step& step);

/// "done before “…”: what goes wrong", of a need that stands open while its user is done.
[[nodiscard]] Message too_soon(const Need& need, const Step& needed);
/// What a ticked step cannot prove any more, because a need of it stands open: a sentence for each.
[[nodiscard]] std::vector<Message> out_of_order(const Job& job, const WorkOrder& order,
                                                const Step& step);

/// Seconds that a step which is done must still rest; nothing when it need not, has rested, or was
/// ticked where no moment was kept. `now`: "2026-05-31T14:05:09", the clock on the wall.
[[nodiscard]] std::optional<long long> wait_left(const Job& job, const Step& step,
                                                 std::string_view now);

/// Taken off by a step, put back by another: of the families' data.
struct BackPair {
  StepId out, in;
};
[[nodiscard]] const std::vector<BackPair>& back_pairs();

}  // namespace yoke
