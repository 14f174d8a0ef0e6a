// Hard gates: what must hold before a job may be called proved.
#pragma once

#include <string>
#include <vector>

#include "document/finding.hpp"
#include "proving/evidence.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// A gate is passed by evidence (a number read, or what was seen), or held shut by a finding. One
/// that an older file calls passed without any is claimed only: it stands open.
struct Gate {
  GateId id{};
  Message words;  ///< what must hold
  Message how;    ///< how to prove it
  GateAsk ask;    ///< what it is passed on
  GateState state = GateState::open;
  std::string date;   ///< ISO day on which the builder said so; empty: open
  bool held = false;  ///< failed by the numbers; the builder cannot open it
  /// Read from what was done (steps ticked, strokes counted), never said.
  bool by_facts = false;
  Message why;
  Message evidence;  ///< what it was passed on, by whom and when
};
[[nodiscard]] std::vector<Gate> gates_of(const Job& job, const std::vector<ConditionReport>& strip,
                                         const std::vector<Finding>& findings);
/// What must hold, by the key of a record; the key itself for one this version does not know.
[[nodiscard]] Message gate_words(std::string_view key);
/// Whether the job may be marked proved, and if not, what stands in the way.
[[nodiscard]] Expected<bool> may_be_proved(const std::vector<Gate>& gates);

}  // namespace yoke
