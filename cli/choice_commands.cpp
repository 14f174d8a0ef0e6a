// Parts, what to measure next, and what the work waits for, as tables.
#include <fmt/format.h>

#include "cli/options.hpp"
#include "document/param/bores.hpp"
#include "doubt/measure_next.hpp"
#include "files/catalogue.hpp"
#include "files/record_table.hpp"
#include "files/store.hpp"
#include "fitting/template.hpp"
#include "survey/rules.hpp"
#include "work/parts_gate.hpp"

namespace yoke::cli {

namespace {

Expected<Catalogue> catalogue_at(const std::string& path) {
  const auto text = read_file(path, kMostCatalogueBytes, "catalogue");
  if (!text) return fail(text.error());
  return read_catalogue(*text);
}

std::string value_words(Param p, const std::optional<double>& v, const Style& style) {
  if (!v) return "–";
  return info(p).kind == Kind::choice ? format_value(p, *v, style)
                                      : format_full(*v, info(p).kind, info(p).digits, style);
}

Cell value_cell(Param p, const std::optional<double>& v, const Style& style) {
  if (!v || info(p).kind == Kind::choice) return text(value_words(p, v, style));
  return number(*v, value_words(p, v, style));
}

Expected<PartKind> kind_named(const std::string& key) {
  if (const auto k = find_value<PartKind>(key)) return *k;
  return fail({"--kind", key, keys_listed<PartKind>(), say("There is no kind “{}”", key),
               "Use one of the names"});
}

/// The sheet that is compared, and of what kind.
struct Other {
  PartKind kind = PartKind::master;
  MeasuredSet sheet;
  std::string name;
};

Expected<Other> other_of(const Arguments& a, const Job& job) {
  Other o{part_kind_of(job), job.plan, "the plan"};
  if (const std::string k = option_of(a, "--kind"); !k.empty()) {
    const auto kind = kind_named(k);
    if (!kind) return fail(kind.error());
    o.kind = *kind;
  }
  if (const std::string path = option_of(a, "--catalogue"); !path.empty()) {
    const auto c = catalogue_at(path);
    if (!c) return fail(c.error());
    const std::string id = option_of(a, "--part");
    for (const Part& p : c->parts)
      if (p.id == id || p.name == id) {
        const Candidate one = candidate_of(p);
        return Other{p.kind, one.sheet, p.name};
      }
    return fail({"--part", id, "", say("The catalogue holds no part “{}”", id),
                 "yokestep-cli catalogue FILE lists them"});
  }
  if (const std::string name = option_of(a, "--candidate"); !name.empty()) {
    for (const Candidate& c : job.candidates)
      if (c.name == name) return Other{c.kind, c.sheet, c.name};
    return fail({"--candidate", name, "", say("The job holds no candidate “{}”", name),
                 "Pin one under Size"});
  }
  return o;
}

}  // namespace

Expected<Table> compare_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const auto other = other_of(a, *job);
  if (!other) return fail(other.error());
  const Matrix m = compare(*job, other->kind, other->sheet);
  Table t;
  t.keys = {"dimension", "fitted_SI", "candidate_SI", "verdict", "then"};
  for (const MatrixRow& r : m.rows)
    t.rows.push_back({text(std::string(info(r.param).words)),
                      value_cell(r.param, r.fitted, a.style),
                      value_cell(r.param, r.candidate, a.style), text(sameness_words(r), a.style),
                      text(r.consequence, a.style)});
  t.notes = {other->name + ": " + english(matrix_words(m), a.style)};
  return t;
}

Expected<Table> catalogue_table(const Arguments& a) {
  const auto c = catalogue_at(a.files.front());
  if (!c) return fail(c.error());
  PartFilter f;
  f.words = option_of(a, "--words");
  if (const std::string k = option_of(a, "--kind"); !k.empty()) {
    const auto kind = kind_named(k);
    if (!kind) return fail(kind.error());
    f.kind = *kind;
  }
  if (given(a, "--bore")) {
    const auto bore = option_like(a, "--bore", param::master_bore);
    if (!bore) return fail(bore.error());
    f.bore_m = *bore;
  }
  Table t;
  t.keys = {"kind", "id", "maker", "name", "dimensions"};
  for (const std::size_t i : filter_parts(c->parts, f)) {
    const Part& p = c->parts[i];
    t.rows.push_back({text(std::string(key_of(p.kind))), text(p.id), text(p.maker), text(p.name),
                      number(static_cast<double>(p.dims.size()), std::to_string(p.dims.size()))});
  }
  t.notes.push_back(fmt::format("{} of {} parts", t.rows.size(), c->parts.size()));
  for (const RowProblem& p : c->problems) t.notes.push_back(english(p.text(), a.style));
  if (c->more_problems > 0)
    t.notes.push_back(fmt::format("and {} more problems", c->more_problems));
  return t;
}

Expected<Table> next_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const std::string which = option_of(a, "--system");
  if (!which.empty() && which != "plan" && which != "found")
    return fail({"--system", which, "plan, found", say("There is no system “{}”", which),
                 "Use plan or found"});
  Table t;
  t.keys = {"measure", "id", "blocks", "effort_N", "travel_m", "buys"};
  for (const NextMeasure& n : measure_next(*job, which == "found" ? As::found : As::plan))
    t.rows.push_back(
        {text(std::string(info(n.param).words)),
         text(std::string(n.which == As::found ? "found:" : "") + std::string(info(n.param).id)),
         text(n.blocks ? "yes" : "no"), number(n.effort_n, fmt::format("{:.1f} N", n.effort_n)),
         number(n.travel_m, fmt::format("{:.2f} mm", n.travel_m * 1e3)), text(n.buys, a.style)});
  if (t.rows.empty()) t.notes = {"Nothing is worth measuring better."};
  return t;
}

Expected<Table> parts_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const std::string today = option_of(a, "--today");
  if (!is_day(today))
    return fail({"--today", today, "", "A day is needed, as 2026-05-31", "--today 2026-05-31"});
  const PartsGate g = parts_gate(*job, today);
  Table t;
  t.keys = {"part", "needed_first", "promised", "days", "lacks"};
  for (const PartState& s : g.parts) {
    const PartInHand& p = job->parts[s.index];
    const std::string lacks = english(joined(s.lacks, ", "), a.style);
    t.rows.push_back({text(p.name), text(p.before_apart ? "yes" : "no"),
                      text(p.promised.empty() ? "–" : p.promised),
                      s.days ? number(*s.days, std::to_string(*s.days)) : text("–"),
                      text(lacks.empty() ? "ready" : lacks)});
  }
  t.notes = {english(g.sentence, a.style)};
  for (const std::size_t i : due_reminders(*job, today, 30))
    t.notes.push_back("Due: " + std::string(words_of_value(job->later[i].what)) + ", " +
                      job->later[i].date);
  return t;
}

Expected<Table> records_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const auto records = record_table(*job, option_of(a, "--list"));
  if (!records) return fail(records.error());
  Table t;
  t.keys = records->keys;
  for (const auto& row : records->rows) {
    std::vector<Cell> cells;
    cells.reserve(row.size());
    for (const RecordCell& c : row)
      cells.push_back(c.numeric ? number(c.number, fmt::format("{:g}", c.number)) : text(c.text));
    t.rows.push_back(std::move(cells));
  }
  return t;
}

Expected<std::string> template_text(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const std::string kind = option_of(a, "--kind");
  const std::string as = option_of(a, "--as");
  if (!kind.empty() && kind != "drilling" && kind != "plate")
    return fail({"--kind", kind, "drilling, plate", say("There is no template “{}”", kind),
                 "Use one of the names"});
  if (!as.empty() && as != "svg" && as != "dxf")
    return fail({"--as", as, "svg, dxf", say("A template is not written as “{}” here", as),
                 "Use svg or dxf; the window writes PDF"});
  double scale = 1;
  if (const std::string s = option_of(a, "--scale"); !s.empty()) {
    const auto v = parse_number(s);
    if (!v) return fail(v.error());
    scale = *v;
  }
  const auto t =
      make_template(*job, kind == "plate" ? TemplateKind::plate : TemplateKind::drilling, scale);
  if (!t) return fail(t.error());
  return as == "dxf" ? template_dxf(*t) : template_svg(*t);
}

}  // namespace yoke::cli
