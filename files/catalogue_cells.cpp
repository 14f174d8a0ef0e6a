#include "files/catalogue_cells.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "files/unit_key.hpp"
#include "quantity/text.hpp"

namespace yoke {

namespace {

constexpr std::size_t kMostPartText = 400;

bool describes(PartKind kind, Param p) {
  const auto dims = part_dims(kind);
  return std::any_of(dims.begin(), dims.end(), [p](const PartDim& d) { return d.param == p; });
}

/// A bare number in the column's unit, or a quantity as people write it; choices by key or words.
Expected<double> value_in(const Column& c, const std::string& text) {
  const ParamInfo& p = info(c.param);
  if (p.kind != Kind::choice)
    if (const auto bare = parse_number(text))
      return check_range(c.param, *bare * c.factor + c.offset);
  return parse_value(c.param, text, {});
}

void keep_dim(Part& part, Param p, double si) {
  const auto at = std::lower_bound(part.dims.begin(), part.dims.end(), p,
                                   [](const auto& d, Param x) { return d.first < x; });
  if (at == part.dims.end() || at->first != p) part.dims.insert(at, {p, si});
}

}  // namespace

void tell(Catalogue& c, RowProblem p) {
  if (c.problems.size() < kMostProblems)
    c.problems.push_back(std::move(p));
  else
    ++c.more_problems;
}

bool too_bad(Catalogue& c, std::size_t row) {
  constexpr std::size_t kMostBad = 10000;
  if (c.problems.size() + c.more_problems <= kMostBad) return false;
  c.problems.back() = {row, "", "", say("over {} problems: the rest was not read", kMostBad), true};
  return true;
}

std::string trimmed(std::string_view t) {
  while (!t.empty() && (t.front() == ' ' || t.front() == '\t')) t.remove_prefix(1);
  while (!t.empty() && (t.back() == ' ' || t.back() == '\t')) t.remove_suffix(1);
  return std::string(t);
}

Expected<Column> column_of(const std::string& heading) {
  Column c;
  c.heading = heading;
  std::string id = heading;
  std::string unit;
  if (const auto open = heading.find('['); open != std::string::npos && heading.back() == ']') {
    id = trimmed(std::string_view(heading).substr(0, open));
    unit = trimmed(std::string_view(heading).substr(open + 1, heading.size() - open - 2));
  }
  using R = Column::Role;
  for (const auto& [key, role] : {std::pair<const char*, R>{"kind", R::kind},
                                  {"id", R::id},
                                  {"maker", R::maker},
                                  {"name", R::name},
                                  {"note", R::note}})
    if (id == key) {
      c.role = role;
      return c;
    }
  const auto p = find_param(id);
  if (!p) return c;  // told once, then passed over
  c.role = R::dimension;
  c.param = *p;
  const Kind kind = info(*p).kind;
  if (unit.empty() || unit == "SI" || unit == unit_key(kind)) return c;
  for (const UnitWord& w : unit_words(kind))
    if (w.word == unit) {
      c.factor = w.factor;
      c.offset = w.offset;
      return c;
    }
  return fail({heading, unit, "", say("The unit “{}” is not one of this dimension", unit),
               "Name a unit it knows, or none for SI"});
}

std::string plain_number(double v) {
  if (!std::isfinite(v) || std::abs(v) > 1e15) return "not a number";
  std::string t = fmt::format("{:.12f}", v);
  t.erase(t.find_last_not_of('0') + 1);
  if (t.back() == '.') t.pop_back();
  return t;
}

void read_cell(Catalogue& out, Part& part, const Column& c, const std::string& cell,
               std::size_t row) {
  using R = Column::Role;
  const std::string text = as_utf8(trimmed(cell));
  if (c.role == R::unknown || c.role == R::kind || text.empty()) return;
  if (!is_utf8(cell))
    tell(out, {row, c.heading, clipped(text, 40), "letters that are no UTF-8 were replaced", false,
               true});
  if (text.size() > kMostPartText)
    return tell(out, {row, c.heading, clipped(text, 40), "the text is too long", false});
  if (c.role == R::id) part.id = text;
  if (c.role == R::maker) part.maker = text;
  if (c.role == R::name) part.name = text;
  if (c.role == R::note) part.note = text;
  if (c.role != R::dimension) return;
  keep_value(out, part, c, value_in(c, text), text, row);
}

void keep_value(Catalogue& out, Part& part, const Column& c, const Expected<double>& v,
                const std::string& text, std::size_t row) {
  if (!v)
    return tell(out, {row, c.heading, clipped(text, 40),
                      v.error().range.empty() ? v.error().reason
                                              : say("{}; {}", v.error().reason, v.error().range),
                      false});
  if (!describes(part.kind, c.param))
    return tell(out, {row, c.heading, clipped(text, 40),
                      say("does not describe a part of this kind: {}",
                          Message::of_table(words_of_value(part.kind))),
                      false});
  keep_dim(part, c.param, *v);
}

void finish(Catalogue& out, Part part, std::size_t row) {
  if (part.name.empty()) part.name = part.id;
  if (part.name.empty()) return tell(out, {row, "name", "", "a part needs a name or an id", true});
  if (part.dims.empty())
    return tell(out, {row, "", "", "a part without any dimension compares with nothing", true});
  if (out.parts.size() >= kMostCatalogueParts)
    return tell(out, {row, "", "", say("over {} parts", kMostCatalogueParts), true});
  out.parts.push_back(std::move(part));
}

}  // namespace yoke
