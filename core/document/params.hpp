// The parameter table: each parameter is described once (id, words, kind, range, typical value,
// source, help). Entry fields, validation, files, the command line and the docs all read it.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "document/param_id.hpp"
#include "quantity/error.hpp"
#include "quantity/message.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

enum class Group {
  control,
  assist,
  supply,
  master,
  front,
  rear,
  lines,
  circuit,
  clutch,
  vehicle,
  target,
  rod,
  fit,      ///< bolting on, square to the pedal, how it hangs
  unit,     ///< the unit on the bench: what another one is compared by
  kit,      ///< a repair kit: found what is in it, plan what the kit holds
  symptom,  ///< of the fitted system only, as are the next four
  ageing,
  gauge,
  changed,
  room,
  bleed  ///< of the plan only: what bleeding is done with, and the fluid
};
/// What a press depends on; the others describe, compare and judge.
[[nodiscard]] constexpr bool pressed_by(Group g) {
  return g < Group::target;
}
/// Asked of the fitted system only.
[[nodiscard]] constexpr bool found_only(Group g) {
  return g == Group::symptom || g == Group::ageing || g == Group::gauge || g == Group::changed ||
         g == Group::room;
}

/// Asked of the plan only.
[[nodiscard]] constexpr bool plan_only(Group g) {
  return g == Group::bleed;
}

struct ParamOption {
  std::string_view key;    ///< in files and on the command line
  std::string_view words;  ///< on screen
};

struct ParamInfo {
  Param param;
  std::string_view id;
  std::string_view words;
  Group group;
  Kind kind;
  double min_si;
  double max_si;
  std::optional<double> typical_si;
  int digits;     ///< decimals of the metric unit
  bool inherits;  ///< a plan that says nothing takes the fitted system's value
  std::vector<ParamOption> options;
  std::string_view source;  ///< where the typical value comes from
  std::string_view help;    ///< how to measure
};

enum class Axle { front, rear };
enum class Wheel { front_left, front_right, rear_left, rear_right };
inline constexpr Wheel kWheels[] = {Wheel::front_left, Wheel::front_right, Wheel::rear_left,
                                    Wheel::rear_right};

[[nodiscard]] const ParamInfo& info(Param param);
[[nodiscard]] std::span<const ParamInfo> all_params();
/// Where a parameter stands in all_params().
[[nodiscard]] std::size_t row_of(Param param);
[[nodiscard]] std::optional<Param> find_param(std::string_view id);
[[nodiscard]] std::string_view group_words(Group group);

/// The same parameter of an axle: pass the front one.
[[nodiscard]] Param of_axle(Param front, Axle axle);
/// Which outlet a wheel hangs on.
[[nodiscard]] Param circuit_of(Wheel wheel);
[[nodiscard]] constexpr Axle axle_of(Wheel wheel) {
  return wheel == Wheel::front_left || wheel == Wheel::front_right ? Axle::front : Axle::rear;
}
[[nodiscard]] std::string_view wheel_words(Wheel wheel);
[[nodiscard]] std::string_view wheel_key(Wheel wheel);  ///< "fl", "fr", "rl", "rr"

/// The allowed range in words, "8.00 mm to 60.00 mm", or the options of a choice.
/// The words of a parameter within a sentence: "bore of the master", "stud length".
[[nodiscard]] std::string_view words_within(Param param);
[[nodiscard]] Message range_words(const ParamInfo& info);

/// Checks that a value is finite and within the parameter's range.
[[nodiscard]] Expected<double> check_range(Param param, double si, const Style& style = {});

/// Reads a value for this parameter as a person writes it, and checks its range. Choices are read
/// by key or by words.
[[nodiscard]] Expected<double> parse_value(Param param, std::string_view text, const Style& style);
/// A value with its doubt as people write it: "13 in ±1/16", "0.560 ± .002 in", "48 mm +/- 0.1". A
/// unit that stands at one of the two counts for both.
struct TypedValue {
  double si = 0;
  std::optional<double> uncertainty_si;  ///< nothing: no ± was typed
};
[[nodiscard]] Expected<TypedValue> parse_with_doubt(Param param, std::string_view text,
                                                    const Style& style);

/// Writes a value of this parameter in one unit, or the words of its option.
/// The words of a choice's option.
[[nodiscard]] std::string_view option_words(Param param, double index);
[[nodiscard]] std::string format_value(Param param, double si, const Style& style);

}  // namespace yoke
