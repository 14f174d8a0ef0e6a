// What a gate is passed on: a number that was read, held against this job's own prediction and its
// limit, or a thing that was seen; by whom and when. What it rests on is kept with it: when that
// changes later, the gate lapses and says what changed. Limits are common practice, no source,
// unless the job sets them.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// What a gate asks to be passed.
struct GateAsk {
  bool number = false;  ///< a reading; else something seen
  Message words;        ///< "Pedal left before the floor", or what to look at
  Kind kind = Kind::length;
  int digits = 0;
  std::optional<double> predicted;  ///< by this job's own figures
  std::optional<double> least;      ///< what it must be
  std::optional<double> most;
  std::vector<Message> usual;  ///< what is usually seen: ready sentences
  bool opens = false;  ///< nipples are opened for it: those are named, bled and wiped once more
};
[[nodiscard]] GateAsk gate_ask(const Job& job, const std::vector<ConditionReport>& strip,
                               GateId id);
/// "predicted 62 mm, at least 37 mm"; empty: nothing is expected in numbers.
[[nodiscard]] Message expectation_words(const GateAsk& ask);

/// What is entered when a gate is answered.
struct GateEvidence {
  std::optional<double> read;
  double uncertainty = 0;
  std::string instrument;
  std::string seen;
  std::string who;
  std::string when;      ///< "2026-05-31T14:05:09"
  std::string opened{};  ///< nipples opened for it, by their keys: "fl rr"
  std::string photo{};   ///< name of a picture beside the job
};
/// Why this does not pass the gate; empty: it does.
[[nodiscard]] Message evidence_lacks(const GateAsk& ask, const GateEvidence& evidence);
[[nodiscard]] GateEvidence evidence_of(const GateRecord& record);
/// A day and a time of day that exist.
[[nodiscard]] bool is_moment(std::string_view text);

/// Nipples that were opened: what was counted and wiped there counts no more.
void open_nipples(Job& job, const std::string& keys);
/// Answers a gate: the record, and what it rests on at this moment.
void answer_gate(Job& job, GateId id, GateState state, const GateEvidence& evidence);
/// "62 mm ± 2 mm by tape; A. Builder, 2026-05-31 14:05:09".
[[nodiscard]] Message evidence_words(const GateAsk& ask, const GateRecord& record);

/// Every value, step, part and stroke count that a gate rests on, as text by its key.
[[nodiscard]] std::map<std::string, std::string> rests_on(const Job& job, GateId id);
/// Why a gate that was passed stands open again: what changed since; empty: nothing did.
[[nodiscard]] Message lapsed(const Job& job, GateId id);

}  // namespace yoke
