// Which assist, and whether any: each type pressed at its worst (hot idle vacuum, the altitude of
// use) and dead, with its room and its supply. Sizes of a usual unit of each type are common
// practice, no source; what the job states of its own type wins.
#pragma once

#include <string>
#include <vector>

#include "document/verdict.hpp"
#include "quantity/message.hpp"
#include "strip/conditions.hpp"

namespace yoke {

namespace choice {
enum class AssistKind;
}

struct AssistChoice {
  Message words;  ///< "Vacuum, 9 in"
  choice::AssistKind kind{};
  std::optional<double> effort_n;       ///< at the target stop, worst supply
  std::optional<double> dead_effort_n;  ///< at the stop to reach with a failure
  Message because;                      ///< why a figure cannot be said
  Verdict verdict =
      Verdict::cannot_say;       ///< the worst of all conditions, as the foot strip says it
  bool works = false;            ///< no condition fails
  Message fails;                 ///< the first that does, and why: "hot: 23 N too hard"
  double needs_depth_m = 0;      ///< room before the firewall, 0: none
  double needs_across_m = 0;     ///< and across
  bool possible = true;          ///< room and supply allow it
  std::vector<Message> against;  ///< why not
  std::vector<Message> unknown;  ///< what was not told
  Message when_it_fails;
  MeasuredSet values;  ///< what choosing it writes into the plan
};
/// Best first: possible, then within limits, then the least force when it is dead, then the least
/// effort.
[[nodiscard]] std::vector<AssistChoice> assist_choices(const Job& job);

/// Is assist needed at all?
struct AssistNeed {
  Message because;      ///< why nothing can be said; empty when it can
  double effort_n = 0;  ///< by the leg alone, at the target stop
  double limit_n = 0;
  bool reached = false;  ///< the target stop is reached by the leg at all
  bool needed = false;
  std::optional<double> ratio;   ///< least ratio that avoids it with the plan's bore
  std::optional<double> bore_m;  ///< largest standard bore that avoids it with this ratio
  std::optional<std::pair<double, double>> both;  ///< nearest bore and ratio when neither does
};
[[nodiscard]] AssistNeed assist_need(const Job& job);

}  // namespace yoke
