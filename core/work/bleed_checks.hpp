// What must be right before and while it is bled, each looked at once: the findings, the rules and
// the page read it here. What nobody said is open; it is never good. Common practice without a
// source; the makers' books win.
#pragma once

#include <vector>

#include "document/finding.hpp"
#include "document/job.hpp"

namespace yoke {

enum class BleedCheckState {
  not_asked,  ///< this job has no such thing
  open,       ///< nobody said, or looked
  good,
  wrong
};

struct BleedCheck {
  FindingCode code{};
  Severity severity = Severity::warning;
  BleedCheckState state = BleedCheckState::not_asked;
  Message says;  ///< what is wrong, or what is open
  Message remedy;
};
[[nodiscard]] std::vector<BleedCheck> bleed_checks(const Job& job);
/// One of them, without the others' work.
[[nodiscard]] BleedCheck bleed_check(const Job& job, FindingCode code);
/// Of what is wrong.
[[nodiscard]] std::vector<Finding> bleed_findings(const Job& job);

/// Pressure in the line and push on the rod that a full press would bring behind a closed line
/// connector, at a push of the foot; nothing while an arm or the bore is unknown.
struct ShutPress {
  double foot_n = 0;
  double rod_n = 0;
  double line_pa = 0;
};
[[nodiscard]] std::optional<ShutPress> shut_press(const Job& job);

}  // namespace yoke
