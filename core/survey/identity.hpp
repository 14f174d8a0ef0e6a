// What is fitted: the identity card of the old unit, two bores in one body, and hints that it is
// the wrong unit for this vehicle. Rules are common practice, no source; figures come from the
// model.
#pragma once

#include "document/finding.hpp"
#include "quantity/message.hpp"
#include "strip/conditions.hpp"
#include "survey/rules.hpp"

namespace yoke {

/// A cast number further than this from the measured bore is another bore, not wear.
inline constexpr double kCastTolerance_m = 0.30e-3;

enum class TwoBores { no, likely, measured, unknown };

struct Identity {
  Message name;  ///< "Tandem, 1 in bore, two studs 82.6 mm apart"
  TwoBores two_bores = TwoBores::unknown;
  Message two_bores_words;
  std::size_t known = 0;           ///< dimensions of the matrix that are known
  std::size_t asked = 0;           ///< of so many
  std::vector<Param> missing;      ///< most telling first
  std::vector<Consequence> wrong;  ///< hints that it does not belong to this vehicle
};
/// `found_report`: the press as found, where it can be computed.
[[nodiscard]] Identity identify(const Job& job, const Values& found,
                                const ConditionReport* found_report);

}  // namespace yoke
