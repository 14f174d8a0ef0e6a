#include "files/record_table.hpp"

#include "files/records.hpp"

namespace yoke {

namespace {

/// Names the members of a record in the order of the file.
template <class Record>
class Keys {
 public:
  std::vector<std::string> keys;
  void flag(const char* key, bool Record::*) { keys.emplace_back(key); }
  void text(const char* key, const char*, std::string Record::*) { keys.emplace_back(key); }
  void day(const char* key, const char*, std::string Record::*) { keys.emplace_back(key); }
  void count(const char* key, const char*, int Record::*) { keys.emplace_back(key); }
  void number(const char* key, const char*, double Record::*, const Range&) {
    keys.emplace_back(key);
  }
  void maybe(const char* key, const char*, std::optional<double> Record::*, const Range&, Absent) {
    keys.emplace_back(key);
  }
  template <class Enum>
  void word(const char* key, const char*, Enum Record::*) {
    keys.emplace_back(key);
  }
  /// How many values hang on it; the values themselves are a table of their own.
  void values(const char* key, MeasuredSet Record::*) { keys.emplace_back(key); }
  void words(const char* key, const char*, std::map<std::string, std::string> Record::*) {
    keys.emplace_back(key);
  }
};

template <class Record>
class Cells {
 public:
  explicit Cells(const Record& record) : r_(record) {}
  std::vector<RecordCell> cells;
  void flag(const char*, bool Record::*member) { put(r_.*member ? "true" : "false"); }
  void text(const char*, const char*, std::string Record::*member) { put(r_.*member); }
  void day(const char*, const char*, std::string Record::*member) { put(r_.*member); }
  void count(const char*, const char*, int Record::*member) { put(r_.*member); }
  void number(const char*, const char*, double Record::*member, const Range&) { put(r_.*member); }
  void maybe(const char*, const char*, std::optional<double> Record::*member, const Range&,
             Absent) {
    if (r_.*member)
      put(*(r_.*member));
    else
      put(std::string());
  }
  template <class Enum>
  void word(const char*, const char*, Enum Record::*member) {
    put(std::string(key_of(r_.*member)));
  }
  void values(const char*, MeasuredSet Record::*member) {
    int known = 0;
    for (const ParamInfo& p : all_params())
      if (const auto& m = (r_.*member).at(p.param); m && m->known()) ++known;
    put(known);
  }
  void words(const char*, const char*, std::map<std::string, std::string> Record::*member) {
    if ((r_.*member).empty())
      put(std::string());
    else
      put(static_cast<int>((r_.*member).size()));
  }

 private:
  void put(std::string text) { cells.push_back({std::move(text), 0, false}); }
  void put(double number) { cells.push_back({{}, number, true}); }
  void put(int count) { put(static_cast<double>(count)); }
  const Record& r_;
};

template <class Record>
std::vector<RecordCell> cells_of(const Record& record) {
  Cells<Record> c(record);
  describe(c, Tag<Record>{});
  return std::move(c.cells);
}

template <class Record>
std::vector<std::string> keys_of_record() {
  Keys<Record> k;
  describe(k, Tag<Record>{});
  return std::move(k.keys);
}

}  // namespace

std::vector<std::string_view> record_lists() {
  std::vector<std::string_view> names;
  each_list([&](const char* name, const char*, auto, size_t, Empty) { names.emplace_back(name); });
  each_map([&](const char* name, const char*, auto, Empty) { names.emplace_back(name); });
  return names;
}

Expected<RecordTable> record_table(const Job& job, const std::string& list) {
  std::optional<RecordTable> table;
  each_list([&](const char* name, const char*, auto member, size_t, Empty) {
    if (list != name) return;
    using Record = typename std::decay_t<decltype(job.*member)>::value_type;
    table = RecordTable{keys_of_record<Record>(), {}};
    for (const Record& r : job.*member) table->rows.push_back(cells_of(r));
  });
  each_map([&](const char* name, const char*, auto member, Empty) {
    if (list != name) return;
    using Record = typename std::decay_t<decltype(job.*member)>::mapped_type;
    table = RecordTable{keys_of_record<Record>(), {}};
    table->keys.insert(table->keys.begin(), "id");
    for (const auto& [id, r] : job.*member) {
      auto cells = cells_of(r);
      cells.insert(cells.begin(), {id, 0, false});
      table->rows.push_back(std::move(cells));
    }
  });
  if (table) return std::move(*table);
  std::string all;
  for (const std::string_view name : record_lists())
    all += (all.empty() ? "" : ", ") + std::string(name);
  return fail({"--list", list, Message::data(all), say("A job keeps no list “{}”", list),
               "Use one of the names"});
}

}  // namespace yoke
