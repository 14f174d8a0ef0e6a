// Reading and writing a record by its one description (files/records.hpp).
#pragma once

#include "files/json_check.hpp"
#include "files/records.hpp"

namespace yoke {

/// Fills a record from an object; what is missing keeps the record's own default, what is not known
/// stays with the record.
template <class Record>
class RecordReader {
 public:
  RecordReader(Checker& c, const json& o, std::string place, Record& record)
      : c_(c), o_(o), place_(std::move(place)), r_(record) {}

  void flag(const char* key, bool Record::*member) {
    const auto it = know(key);
    if (it == o_.end()) return;
    if (!it->is_boolean()) return c_.fail_at(place_ + key, "true or false is expected here");
    r_.*member = it->template get<bool>();
  }
  void text(const char* key, const char*, std::string Record::*member) {
    know(key);
    r_.*member = c_.text(o_, key, place_, std::move(r_.*member));
  }
  void day(const char* key, const char* words, std::string Record::*member) {
    text(key, words, member);
    if (!(r_.*member).empty() && !is_day(r_.*member))
      c_.fail_at(place_ + key, "a day is expected, as 2026-05-31");
  }
  void count(const char* key, const char*, int Record::*member) {
    const auto it = know(key);
    if (it != o_.end())
      r_.*member =
          static_cast<int>(c_.number(*it, place_ + key, Range{0, static_cast<double>(kMostCount)}));
  }
  void number(const char* key, const char*, double Record::*member, const Range& range) {
    const auto it = know(key);
    if (it != o_.end()) r_.*member = c_.number(*it, place_ + key, range);
  }
  void maybe(const char* key, const char*, std::optional<double> Record::*member,
             const Range& range, Absent) {
    const auto it = know(key);
    if (it != o_.end() && !it->is_null()) r_.*member = c_.number(*it, place_ + key, range);
  }
  template <class Enum>
  void word(const char* key, const char*, Enum Record::*member) {
    if (know(key) == o_.end()) return;
    const std::string w = c_.text(o_, key, place_);
    if (const auto value = find_value<Enum>(w)) {
      r_.*member = *value;
      return;
    }
    c_.fail_at(place_ + key, say("“{}” is not known here", clipped(w, 40)));
  }
  void values(const char* key, MeasuredSet Record::*member) {
    know(key);
    if (const json* o = c_.object(o_, key, place_))
      read_values(c_, *o, place_ + key + ".", r_.*member);
  }
  /// Texts by their keys.
  void words(const char* key, const char*, std::map<std::string, std::string> Record::*member) {
    know(key);
    const json* const o = c_.object(o_, key, place_);
    if (o == nullptr) return;
    for (const auto& [name, v] : o->items()) {
      if (name.size() > kMostKey) return c_.fail_at(place_ + key, "a key is too long");
      (r_.*member)[name] = c_.text(*o, name.c_str(), place_ + key + ".");
    }
  }
  /// A member that something else reads.
  void also_known(const char* key) { know(key); }
  /// What nobody named.
  void keep_others() {
    for (const auto& [key, v] : o_.items())
      if (std::find(known_.begin(), known_.end(), key) == known_.end()) r_.unread[key] = kept(v);
  }

 private:
  json::const_iterator know(const char* key) {
    known_.emplace_back(key);
    return o_.find(key);
  }
  Checker& c_;
  const json& o_;
  std::string place_;
  Record& r_;
  std::vector<std::string_view> known_;
};

template <class Record>
[[nodiscard]] Record read_record(Checker& c, const json& o, const std::string& place) {
  Record record;
  RecordReader<Record> reader(c, o, place, record);
  describe(reader, Tag<Record>{});
  reader.keep_others();
  return record;
}

template <class Record>
class RecordWriter {
 public:
  RecordWriter(json& o, const Record& record) : o_(o), r_(record) {}
  void flag(const char* key, bool Record::*member) { o_[key] = r_.*member; }
  void text(const char* key, const char*, std::string Record::*member) { o_[key] = r_.*member; }
  void day(const char* key, const char*, std::string Record::*member) { o_[key] = r_.*member; }
  void count(const char* key, const char*, int Record::*member) { o_[key] = r_.*member; }
  void number(const char* key, const char*, double Record::*member, const Range&) {
    o_[key] = r_.*member;
  }
  void maybe(const char* key, const char*, std::optional<double> Record::*member, const Range&,
             Absent absent) {
    if (r_.*member)
      o_[key] = *(r_.*member);
    else if (absent == Absent::null)
      o_[key] = nullptr;
  }
  template <class Enum>
  void word(const char* key, const char*, Enum Record::*member) {
    const auto i = static_cast<std::size_t>(r_.*member);
    o_[key] = i < EnumWords<Enum>::all.size() ? key_of(r_.*member) : "";
  }
  void values(const char* key, MeasuredSet Record::*member) { o_[key] = write_values(r_.*member); }
  void words(const char* key, const char*, std::map<std::string, std::string> Record::*member) {
    if (!(r_.*member).empty()) o_[key] = r_.*member;
  }

 private:
  json& o_;
  const Record& r_;
};

template <class Record>
[[nodiscard]] json write_record(const Record& record) {
  json o = json::object();
  RecordWriter<Record> writer(o, record);
  describe(writer, Tag<Record>{});
  give_back(o, record.unread);
  return o;
}

}  // namespace yoke
