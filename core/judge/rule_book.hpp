// The rule book: every limit that the product knows, judged at once. A press's rules come from the
// foot strip, the others from the findings; nothing is judged a second time here.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "document/verdict.hpp"
#include "judge/findings.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// Whom a rule is asked of.
enum class AskedOf { both, brakes, clutch };

/// A rule that is no single press.
struct RuleInfo {
  FindingCode code{};
  Severity severity = Severity::warning;
  AskedOf of = AskedOf::both;
  std::string_view words;  ///< what must hold
  std::string_view limit;
  std::string_view source;  ///< of the limit
};
[[nodiscard]] const std::vector<RuleInfo>& rule_infos();

struct JudgedRule {
  std::string id;  ///< "plan.effort", "plumb.crossed": never changes
  Stage stage = Stage::size;
  Severity severity = Severity::warning;  ///< when it fails
  Message words;                          ///< what must hold
  Message condition;                      ///< of a press: "hot"
  Message at;                             ///< of a press: "0.60 g"
  Message actual;
  Message limit;
  Message source;
  Verdict verdict = Verdict::not_applicable;
  Message says;                       ///< of one that fails or cannot be said
  Message remedy;                     ///< likewise
  std::vector<Param> decided_by;      ///< of one that holds if typical: measured, they settle it
  std::optional<ConditionId> of;      ///< of a press
  std::optional<PressRule> rule;      ///< likewise
  std::optional<double> fails_share;  ///< of the draws, once `add_shares` was asked
};
/// How sure it is that a press's rule fails: the share of draws that fail it.
void add_shares(const Job& job, std::size_t samples, std::vector<JudgedRule>& book);
/// All of them, stage by stage; those that do not apply too.
[[nodiscard]] std::vector<JudgedRule> rule_book(const Job& job);

}  // namespace yoke
