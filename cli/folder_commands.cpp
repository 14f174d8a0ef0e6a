// A folder of jobs, listed and searched; the tables for the bench.
#include <fmt/format.h>

#include "calc/bench_tables.hpp"
#include "cli/commands.hpp"
#include "cli/options.hpp"
#include "files/job_index.hpp"

namespace yoke::cli {

namespace {

/// Of "master.bore,control.pin_arm".
Expected<std::vector<Param>> columns_of(const std::string& typed) {
  std::vector<Param> list;
  std::size_t at = 0;
  while (at < typed.size()) {
    const std::size_t end = std::min(typed.find(',', at), typed.size());
    const std::string id = typed.substr(at, end - at);
    const auto p = find_param(id);
    if (!p)
      return fail(
          {"--columns", id, "", "There is no value of that name", "See yokestep-cli params"});
    list.push_back(*p);
    at = end + 1;
  }
  return list;
}

}  // namespace

Expected<Table> folder_table(const Arguments& a) {
  const auto columns = columns_of(option_of(a, "--columns"));
  if (!columns) return fail(columns.error());
  const std::filesystem::path folder = a.files.front();
  std::error_code ec;
  if (!std::filesystem::is_directory(folder, ec))
    return fail(
        {"folder", a.files.front(), "", "There is no such folder", "Name a folder of jobs"});
  // Nothing is left behind: an index that is not kept is made in memory.
  const std::string kept = option_of(a, "--index");
  auto index = JobIndex::open(kept.empty() ? std::string(":memory:") : kept);
  if (!index) return fail(index.error());
  if (const auto done = index->refresh(folder); !done) return fail(done.error());
  Table t;
  t.keys = {"file", "title", "vehicle", "state", "kind", "last", "error"};
  for (const Param p : *columns) t.keys.emplace_back(info(p).id);
  for (const IndexedJob& j : index->find(read_query(option_of(a, "--find"), a.style), 100000)) {
    std::vector<Cell> row{text(j.file), text(j.title), text(j.vehicle), text(j.state),
                          text(j.kind), text(j.last),  text(j.error)};
    const auto values = index->values_of(j.file);
    for (const Param p : *columns) {
      const auto it = std::find_if(values.begin(), values.end(),
                                   [p](const auto& v) { return v.first == info(p).id; });
      row.push_back(it == values.end() ? text("–")
                                       : full(it->second, info(p).kind, info(p).digits, a.style));
    }
    t.rows.push_back(std::move(row));
  }
  t.notes.push_back(fmt::format("{} of {} jobs", t.rows.size(), index->size()));
  return t;
}

Expected<Table> bench_table(const Arguments& a) {
  const std::string name = option_of(a, "--table");
  std::string names;
  for (const BenchTable& b : bench_tables()) {
    names += (names.empty() ? "" : ", ") + std::string(b.key);
    if (b.key != name) continue;
    Table t;
    for (const BenchColumn& c : b.columns) t.keys.emplace_back(c.words);
    for (const std::size_t r : bench_rows(b, option_of(a, "--find"))) {
      std::vector<Cell> row;
      for (std::size_t c = 0; c < b.columns.size(); ++c)
        row.push_back(text(bench_text(b.columns[c], b.rows[r][c])));
      t.rows.push_back(std::move(row));
    }
    t.notes.emplace_back(b.source);
    return t;
  }
  return fail({"--table", name, Message::data(names), "There is no table of that name",
               "Take one of these"});
}

}  // namespace yoke::cli
