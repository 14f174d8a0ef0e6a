#include "files/catalogue.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <nlohmann/json.hpp>

#include "files/csv.hpp"
#include "files/json_parse.hpp"
#include "files/unit_key.hpp"
#include "quantity/text.hpp"

namespace yoke {

using nlohmann::json;

namespace {

constexpr std::size_t kMostText = 400;

void tell(Catalogue& c, RowProblem p) {
  if (c.problems.size() < kMostProblems)
    c.problems.push_back(std::move(p));
  else
    ++c.more_problems;
}

/// What a column holds.
struct Column {
  enum class Role { unknown, kind, id, maker, name, note, dimension } role = Role::unknown;
  Param param = Param::count_;
  std::string heading;
  double factor = 1;  ///< SI per bare number
  double offset = 0;
};

std::string trimmed(std::string_view t) {
  while (!t.empty() && (t.front() == ' ' || t.front() == '\t')) t.remove_prefix(1);
  while (!t.empty() && (t.back() == ' ' || t.back() == '\t')) t.remove_suffix(1);
  return std::string(t);
}

/// "master.bore [mm]": the id and the unit of bare numbers.
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
  return fail({heading, unit, "", "The unit “" + unit + "” is not one of this dimension",
               "Name a unit it knows, or none for SI"});
}

/// Without an exponent: people and spreadsheets read it, and so does the quantity reader.
std::string plain_number(double v) {
  if (!std::isfinite(v) || std::abs(v) > 1e15) return "not a number";
  std::string t = fmt::format("{:.12f}", v);
  t.erase(t.find_last_not_of('0') + 1);
  if (t.back() == '.') t.pop_back();
  return t;
}

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

void read_cell(Catalogue& out, Part& part, const Column& c, const std::string& cell,
               std::size_t row) {
  using R = Column::Role;
  const std::string text = trimmed(cell);
  if (c.role == R::unknown || c.role == R::kind || text.empty()) return;
  if (text.size() > kMostText)
    return tell(out, {row, c.heading, clipped(text, 40), "the text is too long", false});
  if (c.role == R::id) part.id = text;
  if (c.role == R::maker) part.maker = text;
  if (c.role == R::name) part.name = text;
  if (c.role == R::note) part.note = text;
  if (c.role != R::dimension) return;
  const auto v = value_in(c, text);
  if (!v)
    return tell(
        out, {row, c.heading, clipped(text, 40),
              v.error().reason + (v.error().range.empty() ? "" : "; " + v.error().range), false});
  if (!describes(part.kind, c.param))
    return tell(out, {row, c.heading, clipped(text, 40),
                      "does not describe a " + std::string(part_kind_key(part.kind)), false});
  keep_dim(part, c.param, *v);
}

void finish(Catalogue& out, Part part, std::size_t row) {
  if (part.name.empty()) part.name = part.id;
  if (part.name.empty()) return tell(out, {row, "name", "", "a part needs a name or an id", true});
  if (part.dims.empty())
    return tell(out, {row, "", "", "a part without any dimension compares with nothing", true});
  if (out.parts.size() >= kMostCatalogueParts)
    return tell(out, {row, "", "", fmt::format("over {} parts", kMostCatalogueParts), true});
  out.parts.push_back(std::move(part));
}

Expected<std::vector<Column>> headings(const CsvRow& row, Catalogue& out) {
  std::vector<Column> columns;
  bool kind = false;
  bool dimension = false;
  for (const std::string& cell : row.cells) {
    const auto c = column_of(trimmed(cell));
    if (!c) return fail(c.error());
    kind = kind || c->role == Column::Role::kind;
    dimension = dimension || c->role == Column::Role::dimension;
    if (c->role == Column::Role::unknown && !c->heading.empty())
      tell(out, {row.line, c->heading, "", "not a column of a catalogue: passed over", false});
    for (const Column& other : columns)
      if (!c->heading.empty() && (c->role == Column::Role::dimension
                                      ? other.param == c->param
                                      : other.role == c->role && c->role != Column::Role::unknown))
        return fail({"heading", c->heading, "",
                     "The column “" + clipped(c->heading, 60) + "” stands in the heading twice",
                     "Take one of the two out"});
    columns.push_back(*c);
  }
  if (!kind || !dimension)
    return fail({"heading", "", "kind, name, master.bore …",
                 "The first line does not name the columns of a catalogue",
                 "Begin with: kind,maker,name,master.bore [mm]"});
  return columns;
}

Expected<Catalogue> read_csv(std::string_view text) {
  Catalogue out;
  CsvReader csv(text);
  const auto first = csv.next();
  if (!first) return fail({"file", "", "", "The file holds no line", "Choose a catalogue"});
  const auto columns = headings(*first, out);
  if (!columns) return fail(columns.error());
  const auto kind_at = static_cast<std::size_t>(
      std::find_if(columns->begin(), columns->end(),
                   [](const Column& c) { return c.role == Column::Role::kind; }) -
      columns->begin());
  std::size_t rows = 0;
  while (const auto row = csv.next()) {
    if (++rows > kMostCatalogueParts) {
      tell(out, {row->line, "", "",
                 fmt::format("over {} rows: the rest was not read", kMostCatalogueParts), true});
      break;
    }
    if (row->broken) {
      tell(out, {row->line, "", "", "a quote is not closed: the rest was not read", true});
      break;
    }
    if (row->cells.size() == 1 && trimmed(row->cells[0]).empty()) continue;
    if (row->cells.size() != columns->size()) {
      tell(out,
           {row->line, "", "",
            fmt::format("{} cells where the heading has {}", row->cells.size(), columns->size()),
            true});
      continue;
    }
    const std::string key = trimmed(row->cells[kind_at]);
    const auto kind = find_part_kind(key);
    if (!kind) {
      tell(out, {row->line, "kind", clipped(key, 40), "master, booster, slave or lever is expected",
                 true});
      continue;
    }
    Part part;
    part.kind = *kind;
    for (std::size_t i = 0; i < columns->size(); ++i)
      read_cell(out, part, (*columns)[i], row->cells[i], row->line);
    finish(out, std::move(part), row->line);
  }
  return out;
}

Expected<Catalogue> read_json_catalogue(std::string_view text) {
  // A part says more than six letters a value: what does not is no catalogue, and is left early.
  const auto root = parse_json(text, {"catalogue", kMostCatalogueBytes, 200 + text.size() / 6, 8});
  if (!root) return fail(root.error());
  const auto parts = root->find("parts");
  if (root->value("format", json()) != "yoke-catalogue" || parts == root->end() ||
      !parts->is_array())
    return fail({"file", "", "", "This is no catalogue",
                 "A JSON catalogue has “format”: “yoke-catalogue” and a list “parts”"});
  Catalogue out;
  std::size_t row = 0;
  for (const json& v : *parts) {
    if (++row > kMostCatalogueParts) {
      tell(out, {row, "", "",
                 fmt::format("over {} parts: the rest was not read", kMostCatalogueParts), true});
      break;
    }
    const auto word = [&](const char* key) {
      return v.is_object() && v.contains(key) && v[key].is_string() ? v[key].get<std::string>()
                                                                    : std::string();
    };
    const auto kind = find_part_kind(word("kind"));
    if (!kind) {
      tell(out, {row, "kind", clipped(word("kind"), 40),
                 "master, booster, slave or lever is expected", true});
      continue;
    }
    Part part;
    part.kind = *kind;
    for (const auto& [key, cell] : v.items()) {
      const auto c = column_of(key);
      if (!c) {
        tell(out, {row, clipped(key, 60), "", c.error().reason, false});
        continue;
      }
      if (c->role == Column::Role::unknown)
        tell(out, {row, clipped(key, 60), "", "not a member of a part: passed over", false});
      else if (cell.is_string())
        read_cell(out, part, *c, cell.get<std::string>(), row);
      else if (cell.is_number())
        read_cell(out, part, *c, plain_number(cell.get<double>()), row);
      else if (!cell.is_null())
        tell(out, {row, clipped(key, 60), "", "a number or text is expected here", false});
    }
    finish(out, std::move(part), row);
  }
  return out;
}

std::string low(std::string_view t) {
  std::string s(t);
  for (char& c : s)
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c + 32);
  return s;
}

/// Each word must occur somewhere.
bool has_words(const Part& p, const std::vector<std::string>& words) {
  if (words.empty()) return true;
  const std::string all = low(p.name + ' ' + p.maker + ' ' + p.id + ' ' + p.note);
  return std::all_of(words.begin(), words.end(),
                     [&](const std::string& w) { return all.find(w) != std::string::npos; });
}

std::string cell_of(const Part& part, Param p) {
  const auto v = part.at(p);
  if (!v) return {};
  if (info(p).kind == Kind::choice)
    return std::string(info(p).options[static_cast<std::size_t>(*v)].key);
  return plain_number(*v);
}

}  // namespace

std::string RowProblem::text() const {
  std::string t = fmt::format("Row {}", row);
  if (!column.empty()) t += ", " + column;
  t += ": ";
  if (!value.empty()) t += "“" + value + "”: ";
  return t + reason +
         (row_dropped ? ". The part was left out." : ". Only this value was left out.");
}

Expected<Catalogue> read_catalogue(std::string_view text) {
  if (text.size() > kMostCatalogueBytes)
    return fail({"file", "", "", fmt::format("The file is too large: {} MB", text.size() >> 20),
                 "A catalogue is far below 32 MB"});
  if (text.substr(0, 3) == "\xef\xbb\xbf") text.remove_prefix(3);
  const auto start = text.find_first_not_of(" \t\r\n");
  if (start == std::string_view::npos)
    return fail({"file", "", "", "The file is empty", "Choose a catalogue"});
  return text[start] == '{' ? read_json_catalogue(text) : read_csv(text);
}

std::string write_catalogue_csv(const std::vector<Part>& parts) {
  std::vector<Param> used;
  for (const ParamInfo& p : all_params())
    if (std::any_of(parts.begin(), parts.end(),
                    [&](const Part& q) { return q.at(p.param).has_value(); }))
      used.push_back(p.param);
  std::vector<std::string> cells{"kind", "id", "maker", "name"};
  for (const Param p : used) {
    const Kind kind = info(p).kind;
    const std::string unit(unit_key(kind));
    cells.push_back(std::string(info(p).id) + (kind == Kind::choice ? "" : " [" + unit + "]"));
  }
  cells.emplace_back("note");
  std::string out = csv_line(cells);
  for (const Part& part : parts) {
    cells = {std::string(part_kind_key(part.kind)), part.id, part.maker, part.name};
    for (const Param p : used) cells.push_back(cell_of(part, p));
    cells.push_back(part.note);
    out += csv_line(cells);
  }
  return out;
}

std::string write_catalogue_json(const std::vector<Part>& parts) {
  json root = {{"format", "yoke-catalogue"}, {"version", 1}, {"parts", json::array()}};
  for (const Part& part : parts) {
    json v = {{"kind", part_kind_key(part.kind)}, {"name", part.name}};
    if (!part.id.empty()) v["id"] = part.id;
    if (!part.maker.empty()) v["maker"] = part.maker;
    if (!part.note.empty()) v["note"] = part.note;
    for (const auto& [p, si] : part.dims) {
      if (info(p).kind == Kind::choice)
        v[std::string(info(p).id)] = cell_of(part, p);
      else
        v[std::string(info(p).id) + " [" + std::string(unit_key(info(p).kind)) + "]"] = si;
    }
    root["parts"].push_back(std::move(v));
  }
  return root.dump(1, ' ', false, json::error_handler_t::replace) + "\n";
}

std::vector<std::size_t> filter_parts(const std::vector<Part>& parts, const PartFilter& f) {
  std::vector<std::string> words;
  std::string word;
  for (const char c : low(f.words) + " ") {
    if (c != ' ') {
      word += c;
    } else if (!word.empty()) {
      words.push_back(std::move(word));
      word.clear();
    }
  }
  std::vector<std::size_t> list;
  for (std::size_t i = 0; i < parts.size(); ++i) {
    const Part& p = parts[i];
    if (f.kind && p.kind != *f.kind) continue;
    if (f.bore_m) {
      const auto bore =
          p.at(p.kind == PartKind::slave ? Param::clutch_slave_bore : Param::master_bore);
      if (!bore || std::abs(*bore - *f.bore_m) > f.bore_within_m) continue;
    }
    if (has_words(p, words)) list.push_back(i);
  }
  return list;
}

}  // namespace yoke
