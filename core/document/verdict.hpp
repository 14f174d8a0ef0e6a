// What a rule says of a job. One set of words for strip, map, figures, findings, gates, sheet and
// command line.
#pragma once

#include "document/enum_words.hpp"

namespace yoke {

enum class Verdict {
  not_applicable,
  holds,       ///< and every value that decides it was measured or stated by a maker
  if_typical,  ///< the sums pass, but a value that nobody measured decides
  cannot_say,  ///< something that it needs is not known
  fails
};
template <>
struct EnumWords<Verdict> {
  static constexpr std::array all{EnumWord{"not_applicable", "does not apply"},
                                  EnumWord{"holds", "holds"},
                                  EnumWord{"if_typical", "holds if typical"},
                                  EnumWord{"cannot_say", "cannot say"}, EnumWord{"fails", "fails"}};
};
/// Of several, what is said of all: the worst.
[[nodiscard]] constexpr Verdict worst(Verdict a, Verdict b) {
  return static_cast<int>(a) < static_cast<int>(b) ? b : a;
}
/// The sums pass, by measured values or by typical ones.
[[nodiscard]] constexpr bool sums_pass(Verdict v) {
  return v == Verdict::holds || v == Verdict::if_typical;
}

}  // namespace yoke
