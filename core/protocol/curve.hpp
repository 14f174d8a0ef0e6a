// The presses of the curve: on the way down, engine off and on, once and again, with hoses clamped;
// each held against the plan's own press. Part of the proof (protocol.hpp).
#pragma once

#include <optional>
#include <vector>

#include "feel/feel.hpp"
#include "protocol/protocol.hpp"

namespace yoke {

/// What the presses of the curve are held against.
struct CurveAsked {
  std::optional<FeelModel> once, again, clamped, first, second, helped;
  std::optional<double> share;  ///< standard uncertainty of a travel over the travel
  const Job* job = nullptr;
  const std::vector<ConditionReport>* strip = nullptr;
  ProofBands bands = ProofBands::all;
  bool shorten = false;  ///< leave out what would tell nothing more; weighing causes takes a while
  double floor_m = 1e9;  ///< pad travel that leaves too little
  bool boosted = false, hand = false;
};
[[nodiscard]] CurveAsked curve_of(const Job& job, const std::vector<ConditionReport>& strip);
void add_curve(const Job& job, CurveAsked asked, std::vector<ProofPress>& list);
[[nodiscard]] ProofPress press_of(ProofId id, const Message& name, const Message& how,
                                  const Message& tells);

}  // namespace yoke
