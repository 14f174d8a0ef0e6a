#include "files/catalogue.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <nlohmann/json.hpp>

#include "document/param/bores.hpp"
#include "document/param/clutch.hpp"
#include "files/catalogue_cells.hpp"
#include "files/csv.hpp"
#include "files/unit_key.hpp"
#include "quantity/text.hpp"

namespace yoke {

using nlohmann::json;

namespace {

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
                     say("The column “{}” stands in the heading twice", clipped(c->heading, 60)),
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
    if (too_bad(out, row->line)) break;
    if (++rows > kMostCatalogueParts) {
      tell(out, {row->line, "", "", say("over {} rows: the rest was not read", kMostCatalogueParts),
                 true});
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
            say("{} cells where the heading has {}", row->cells.size(), columns->size()), true});
      continue;
    }
    const std::string key = trimmed(row->cells[kind_at]);
    const auto kind = find_value<PartKind>(key);
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

Message RowProblem::text() const {
  const Message where = column.empty() ? say("Row {}", row) : say("Row {}, {}", row, column);
  const Message what = value.empty() ? reason : say("“{}”: {}", value, reason);
  return kept          ? say("{}: {}.", where, what)
         : row_dropped ? say("{}: {}. The part was left out.", where, what)
                       : say("{}: {}. Only this value was left out.", where, what);
}

Expected<Catalogue> read_catalogue(std::string_view text) {
  if (text.size() > kMostCatalogueBytes)
    return fail({"file", "", "", say("The file is too large: {} MB", text.size() >> 20),
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
    cells = {std::string(key_of(part.kind)), part.id, part.maker, part.name};
    for (const Param p : used) cells.push_back(cell_of(part, p));
    cells.push_back(part.note);
    out += csv_line(cells);
  }
  return out;
}

std::string write_catalogue_json(const std::vector<Part>& parts) {
  json root = {{"format", "yoke-catalogue"}, {"version", 1}, {"parts", json::array()}};
  for (const Part& part : parts) {
    json v = {{"kind", key_of(part.kind)}, {"name", part.name}};
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
          p.at(p.kind == PartKind::slave ? param::clutch_slave_bore : param::master_bore);
      if (!bore || std::abs(*bore - *f.bore_m) > f.bore_within_m) continue;
    }
    if (has_words(p, words)) list.push_back(i);
  }
  return list;
}

}  // namespace yoke
