// Pinned candidates: other units that are compared with the fitted one and the plan.
#pragma once

#include "parts/part.hpp"
#include "session/session.hpp"
#include "sizing/assist_choice.hpp"

namespace yoke {

/// Most candidates that can be pinned: more cannot be told apart in one picture.
inline constexpr std::size_t kMostPinned = 3;

/// Pins a part; a full board refuses with what to do.
[[nodiscard]] Expected<bool> pin_part(Session& session, const Part& part);
void unpin(Session& session, std::size_t index);
/// Writes a candidate's dimensions into the plan, as stated by its maker.
void take_candidate(Session& session, const Candidate& candidate);
/// Writes an assist type into the plan.
void take_assist(Session& session, const AssistChoice& choice);

/// "A", "B", "C": how a pinned candidate is called in pictures.
[[nodiscard]] QString pin_letter(std::size_t index);

/// One pinned candidate pressed in the plan's place.
struct CandidateView {
  std::string name;
  ConditionReport report;  ///< of the plan's condition, titled with its name
  double bore_m = 0;       ///< 0 when not told
  double ratio = 0;
};
[[nodiscard]] std::vector<CandidateView> candidate_views(const Job& job, std::size_t points);

}  // namespace yoke
