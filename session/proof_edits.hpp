// What is entered press by press under Prove: each press knows where what was got is kept.
#pragma once

#include "protocol/protocol.hpp"
#include "session/entries.hpp"
#include "session/session.hpp"

namespace yoke {

struct PressEntry {
  std::string force;  ///< what the scale read; empty: the push that was asked
  std::string got;    ///< number, or what was seen
  std::string who;    ///< of a gate
  std::string instrument;
  std::string note;
  std::string opened{};  ///< keys of the nipples that were opened for it
};
/// `holds` false: the builder himself says that it fails (a gate).
[[nodiscard]] Expected<bool> take_press(Session& session, const ProofPress& press,
                                        const PressEntry& entry, bool holds = true);
/// An option of a press that is looked at, by its place in the list of options.
[[nodiscard]] Expected<bool> choose_press(Session& session, const ProofPress& press, int option);
/// What was got does not count: a reading stays in the job, rejected, with the reason.
[[nodiscard]] Expected<bool> reject_press(Session& session, const ProofPress& press,
                                          const std::string& why);

}  // namespace yoke
