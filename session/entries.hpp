// What is typed for a record (a reading, a pump test, a box), read and held to what a job file
// allows.
#pragma once

#include <string>

#include "document/job.hpp"
#include "files/limits.hpp"
#include "proving/evidence.hpp"

namespace yoke {

/// A quantity of a record. `words` names it in the refusal: "Pedal force".
[[nodiscard]] Expected<double> typed_quantity(const std::string& typed, const Message& words,
                                              Kind kind, const Range& range, const Style& style);

/// What is typed to answer a gate: the number with its ±, or what was seen.
struct GateEntry {
  std::string read;
  std::string instrument;
  std::string seen;
  std::string who;
  std::string opened{};  ///< keys of the nipples that were opened for it: "fl rr"
  std::string photo{};   ///< name of a picture beside the job
};
/// `when`: this moment. An error names what cannot be read or what is lacking for a pass.
[[nodiscard]] Expected<GateEvidence> typed_evidence(const GateAsk& ask, const GateEntry& entry,
                                                    const std::string& when, const Style& style);

/// A reading as typed; an empty gauge means that none was read.
struct ReadingEntry {
  std::string force;
  std::string travel;
  std::string gauge;
  bool assist_alive = false;
  bool second_apply = false;
  bool hoses_clamped = false;
  ClampedHoses clamped = ClampedHoses::all;
};
[[nodiscard]] Expected<Reading> typed_reading(const ReadingEntry& entry, const Style& style);

}  // namespace yoke
