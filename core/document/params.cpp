#include "document/params.hpp"

#include <cmath>
#include <limits>
#include <unordered_map>

#include "document/param/all.hpp"
#include "quantity/text.hpp"

namespace yoke {

namespace {

constexpr double NONE = std::numeric_limits<double>::quiet_NaN();

std::vector<ParamOption> split_options(std::string_view text) {
  std::vector<ParamOption> options;
  while (!text.empty()) {
    const size_t bar = text.find('|');
    const std::string_view one = text.substr(0, bar);
    const size_t equals = one.find('=');
    options.push_back({one.substr(0, equals), one.substr(equals + 1)});
    text = bar == std::string_view::npos ? std::string_view{} : text.substr(bar + 1);
  }
  return options;
}

std::vector<ParamInfo> build_table() {
  std::vector<ParamInfo> table;
  const auto add = [&table](Param p, std::string_view id, std::string_view words, Group group,
                            Kind kind, double min, double max, double typical, int digits,
                            bool inherits, std::string_view options, std::string_view source,
                            std::string_view help) {
    table.push_back({p, id, words, group, kind, min, max,
                     std::isnan(typical) ? std::nullopt : std::optional<double>(typical), digits,
                     inherits, split_options(options), source, help});
  };
#define PARAM(name, id, words, group, kind, min, max, typical, digits, inherits, options, source, \
              help)                                                                               \
  add(param::name, id, words, Group::group, Kind::kind, min, max, typical, digits, inherits,      \
      options, source, help);
#include "document/params.def"
#undef PARAM
  return table;
}

const std::vector<ParamInfo>& table() {
  static const std::vector<ParamInfo> t = build_table();
  return t;
}

bool same_word(std::string_view a, std::string_view b) {
  if (a.size() != b.size()) return false;
  const auto low = [](char c) { return c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c; };
  for (size_t i = 0; i < a.size(); ++i)
    if (low(a[i]) != low(b[i])) return false;
  return true;
}

Expected<double> parse_choice(const ParamInfo& p, std::string_view text) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
  while (!text.empty() && text.back() == ' ') text.remove_suffix(1);
  for (size_t i = 0; i < p.options.size(); ++i)
    if (same_word(p.options[i].key, text) || same_word(p.options[i].words, text))
      return static_cast<double>(i);
  Error e{.field = std::string(p.id),
          .value = clipped(text, 64),
          .range = range_words(p),
          .reason = say("{}: “{}” is not one of the choices", Message::of_table(p.words),
                        clipped(text, 64)),
          .remedy = ""};
  if (p.param == param::fluid_grade) {
    e.reason = say("There is no fluid grade “{}”", clipped(text, 64));
    e.remedy =
        "Read the grade on the reservoir cap or the bottle; an unknown fluid is drained, "
        "not topped up";
  }
  return fail(e);
}

}  // namespace

std::size_t row_of(Param param) {
  static const std::array<std::size_t, kParamSpace> rows = [] {
    std::array<std::size_t, kParamSpace> at{};
    for (std::size_t i = 0; i < table().size(); ++i) at[number(table()[i].param)] = i;
    return at;
  }();
  return rows[number(param)];
}

const ParamInfo& info(Param param) {
  return table()[row_of(param)];
}

Param of_axle(Param front, Axle axle) {
  constexpr int block = static_cast<int>(param::rear_kind) - static_cast<int>(param::front_kind);
  return axle == Axle::front ? front : static_cast<Param>(static_cast<int>(front) + block);
}

Param circuit_of(Wheel wheel) {
  return static_cast<Param>(static_cast<int>(param::circuit_fl) + static_cast<int>(wheel));
}

std::span<const ParamInfo> all_params() {
  return table();
}

std::string_view words_within(Param param) {
  static const std::vector<std::string> all = [] {
    std::vector<std::string> words;
    for (const ParamInfo& p : table()) {
      std::string w = p.param == param::master_bore ? "bore of the master" : std::string(p.words);
      // An abbreviation ("MPa …") keeps its capitals.
      const bool word = w.size() > 1 && (w[1] < 'A' || w[1] > 'Z');
      if (word && w[0] >= 'A' && w[0] <= 'Z') w[0] = static_cast<char>(w[0] + 32);
      words.push_back(std::move(w));
    }
    return words;
  }();
  return all[row_of(param)];
}

std::optional<Param> find_param(std::string_view id) {
  static const std::unordered_map<std::string_view, Param> by_id = [] {
    std::unordered_map<std::string_view, Param> map;
    for (const auto& p : table()) map.emplace(p.id, p.param);
    return map;
  }();
  const auto it = by_id.find(id);
  return it == by_id.end() ? std::nullopt : std::optional(it->second);
}

std::string_view group_words(Group group) {
  switch (group) {
    case Group::control:
      return "Pedal";
    case Group::assist:
      return "Assist";
    case Group::supply:
      return "Assist supply";
    case Group::clutch:
      return "Clutch";
    case Group::master:
      return "Master";
    case Group::front:
      return "Front brakes";
    case Group::rear:
      return "Rear brakes";
    case Group::lines:
      return "Lines and fluid";
    case Group::circuit:
      return "Circuits";
    case Group::vehicle:
      return "Vehicle";
    case Group::target:
      return "Wishes and limits";
    case Group::rod:
      return "Push rod";
    case Group::fit:
      return "Bolting on";
    case Group::unit:
      return "The unit itself";
    case Group::kit:
      return "Repair kit";
    case Group::symptom:
      return "Symptoms";
    case Group::ageing:
      return "Age and state";
    case Group::gauge:
      return "Bore gauging";
    case Group::changed:
      return "Changed before";
    case Group::room:
      return "Room and power";
    case Group::bleed:
      return "Bleeding and fluid";
  }
  return "";
}

std::string_view wheel_words(Wheel wheel) {
  static constexpr std::string_view w[] = {"front left", "front right", "rear left", "rear right"};
  return w[static_cast<size_t>(wheel)];
}

std::string_view wheel_key(Wheel wheel) {
  static constexpr std::string_view w[] = {"fl", "fr", "rl", "rr"};
  return w[static_cast<size_t>(wheel)];
}

Message range_words(const ParamInfo& p) {
  if (p.kind == Kind::choice) {
    std::vector<Message> list;
    for (const auto& o : p.options) list.push_back(Message::of_table(o.words));
    return joined(list, ", ");
  }
  return say("{} to {}", amount(p.min_si, p.kind, p.digits), amount(p.max_si, p.kind, p.digits));
}

Expected<double> check_range(Param param, double si, const Style& style) {
  const ParamInfo& p = info(param);
  // A hair of slack, so that a limit written in the other unit is not refused by its last bit.
  const double slack = 1e-9 * std::max(std::abs(p.min_si), std::abs(p.max_si));
  bool ok = std::isfinite(si) && si >= p.min_si - slack && si <= p.max_si + slack;
  if (p.kind == Kind::choice) ok = ok && si == std::floor(si);
  if (ok) return si;
  Error e{.field = std::string(p.id),
          .value = std::isfinite(si) && p.kind != Kind::choice
                       ? format_quantity(si, p.kind, p.digits, style)
                       : std::string("not a number"),
          .range = range_words(p),
          .reason = say("{} cannot be that", Message::of_table(p.words)),
          .remedy = Message::of_table(p.help)};
  if (std::isfinite(si) && p.kind != Kind::choice) {
    e.reason = say("{} cannot be {}", Message::of_table(p.words), amount(si, p.kind, p.digits));
  }
  return fail(e);
}

Expected<double> parse_value(Param param, std::string_view text, const Style& style) {
  const ParamInfo& p = info(param);
  if (p.kind == Kind::choice) return parse_choice(p, text);
  auto v = parse_quantity(text, p.kind, style);
  if (!v && may_be_grouped(text)) {
    // Both readings, where the parameter's range leaves only one of them.
    std::string grouped(text);
    grouped.erase(grouped.find(','), 1);
    const auto thousands = read_quantity(grouped, p.kind, style.units);
    const auto decimal = read_quantity(text, p.kind, style.units);
    const bool first = thousands && check_range(param, *thousands, style);
    const bool second = decimal && check_range(param, *decimal, style);
    if (first != second) v = first ? thousands : decimal;
  }
  if (!v) {
    Error e = v.error();
    e.field = std::string(p.id);
    e.range = range_words(p);
    return fail(e);
  }
  return check_range(param, *v, style);
}

Expected<TypedValue> parse_with_doubt(Param param, std::string_view text, const Style& style) {
  const ParamInfo& p = info(param);
  if (p.kind == Kind::choice || text.size() > 64) {
    const auto v = parse_value(param, text, style);
    if (!v) return fail(v.error());
    return TypedValue{*v, {}};
  }
  const WithDoubt typed = split_doubt(text);
  const auto v = parse_value(param, typed.value, style);
  if (!v) return fail(v.error());
  if (typed.doubt.empty()) return TypedValue{*v, {}};
  const auto doubt = parse_quantity(typed.doubt, p.kind, style);
  const double most = std::max(p.max_si - p.min_si, std::abs(p.max_si));
  if (doubt && *doubt >= 0 && *doubt <= most) return TypedValue{*v, *doubt};
  return fail({.field = std::string(p.id),
               .value = std::string(text),
               .range = say("± up to {}", amount(most, p.kind, p.digits)),
               .reason = say("The ± of {} cannot be that", Message::of_table(words_within(param))),
               .remedy = "Write it as 48.0 mm ± 0.1 mm"});
}

std::string_view option_words(Param param, double index) {
  const ParamInfo& p = info(param);
  const auto i = static_cast<size_t>(std::max(index, 0.0));
  return i < p.options.size() ? p.options[i].words : "–";
}

std::string format_value(Param param, double si, const Style& style) {
  const ParamInfo& p = info(param);
  if (p.kind == Kind::choice) return std::string(option_words(param, si));
  return format_quantity(si, p.kind, p.digits, style);
}

}  // namespace yoke
