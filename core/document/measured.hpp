// A measured value is one type: the number, how it was measured, its doubt, a note; or unknown.
#pragma once

#include <array>
#include <bitset>
#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <string_view>

#include "document/choice.hpp"
#include "document/enum_words.hpp"
#include "document/params.hpp"

namespace yoke {

/// How a value came to be known.
enum class How { unknown, calliper, rule, tape, maker, estimate, stated };
template <>
struct EnumWords<How> {
  static constexpr std::array all{EnumWord{"unknown", "unknown"},  EnumWord{"calliper", "caliper"},
                                  EnumWord{"rule", "rule"},        EnumWord{"tape", "tape"},
                                  EnumWord{"maker", "maker"},      EnumWord{"estimate", "guess"},
                                  EnumWord{"stated", "known fact"}};
};

/// Twice the standard uncertainty that goes with a way of measuring (common practice, no source):
/// calliper 0.05 mm, rule 0.5 mm, tape 1.5 mm, estimate 10 %, typical 20 %. A maker's figure or a
/// stated fact carries none; other kinds of quantity carry 2 % when measured.
[[nodiscard]] double default_uncertainty_si(How how, Kind kind, double si);

/// Members of a file that this version does not know, by their key, each as JSON text: they hang on
/// the record they came with, move and go with it, and are written back.
using Unread = std::map<std::string, std::string>;

/// Coverage factor of every ± here: an expanded uncertainty is twice the standard one, about 95 %.
inline constexpr double kCoverage = 2.0;
/// Standard uncertainties to either side of which eight in ten of a normal scatter lie: the 90 %
/// point of the standard normal distribution.
inline constexpr double kEightInTen = 1.2815515655446004;

struct Measured {
  double si = 0.0;              ///< SI, or the option index of a choice
  How how = How::unknown;       ///< unknown: `si` says nothing
  double uncertainty_si = 0.0;  ///< ±: expanded, with k = kCoverage
  std::string note;
  /// Of an as-built value: the mark of the plan it was measured on; 0: not told.
  std::uint64_t plan_mark = 0;
  [[nodiscard]] bool known() const { return how != How::unknown; }
  /// Of an unknown value the number says nothing.
  bool operator==(const Measured& o) const {
    return how == o.how && note == o.note && plan_mark == o.plan_mark &&
           (!known() || (si == o.si && uncertainty_si == o.uncertainty_si));
  }
};

/// The largest ± that still says anything: as wide as the parameter's whole range.
[[nodiscard]] double most_uncertainty_si(Param param);

/// A value with the doubt that goes with how it was measured.
[[nodiscard]] Measured measured(Param param, double si, How how);

/// An option that was stated.
template <class Choice>
requires is_choice<Choice>
[[nodiscard]] Measured chosen(Choice option) {
  return {static_cast<double>(option), How::stated, 0.0, {}};
}

/// All parameters of one system. An entry that is not there was never asked: in a plan it takes the
/// fitted system's value; an entry that is there but unknown is unknown on purpose.
class MeasuredSet {
 public:
  [[nodiscard]] const std::optional<Measured>& at(Param p) const {
    static const std::optional<Measured> nothing;
    return there_[number(p)] ? values_[number(p)] : nothing;
  }
  void set(Param p, Measured m) {
    values_[number(p)] = std::move(m);
    there_.set(number(p));
  }
  void clear(Param p) {
    values_[number(p)].reset();
    there_.reset(number(p));
    unread_of.erase(p);
  }
  bool operator==(const MeasuredSet&) const = default;

  Unread unread;                      ///< parameters of a newer writer, by id
  std::map<Param, Unread> unread_of;  ///< further members of a value that is there

 private:
  std::array<std::optional<Measured>, kParamSpace> values_;
  /// Most values of a set are missing, and every computation asks for all of them: what is not
  /// there is told by a few words that stay near, not by a walk through the whole of the memory.
  std::bitset<kParamSpace> there_;
};

/// What such a thing is usually measured with, when nobody says: a calliper as far as its jaws
/// reach, a rule for what is longer, a tape from a metre on. Common practice, no source.
[[nodiscard]] How usual_tool(Param param, double si);

}  // namespace yoke
