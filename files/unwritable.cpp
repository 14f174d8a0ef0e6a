// The check of every edit: what the reader would refuse is never let into a job.
#include <fmt/format.h>

#include <cmath>

#include "files/json_check.hpp"
#include "files/json_job.hpp"
#include "files/records.hpp"
#include "quantity/text.hpp"

namespace yoke {

namespace {

Error refused(std::string field, std::string value, Message range, Message reason) {
  return {std::move(field), std::move(value), std::move(range), std::move(reason),
          "Nothing was changed; enter it differently"};
}

std::optional<Error> text_problem(const std::string& field, const Message& words,
                                  const std::string& text) {
  if (text.size() > kMostText)
    return refused(field, "", say("up to {} letters", kMostText),
                   say("{}: the text is too long, {} letters", words, text.size()));
  if (!is_utf8(text))
    return refused(field, "", "", say("{}: the text holds broken letters", words));
  return std::nullopt;
}

std::optional<Error> value_problem(const ParamInfo& p, const Measured& m) {
  if (auto e =
          text_problem(std::string(p.id), say("Note on {}", Message::of_table(p.words)), m.note))
    return e;
  if (!m.known()) return std::nullopt;
  if (const auto ok = check_range(p.param, m.si); !ok) return ok.error();
  const double most = most_uncertainty_si(p.param);
  if (std::isfinite(m.uncertainty_si) && m.uncertainty_si >= 0 && m.uncertainty_si <= most)
    return std::nullopt;
  return refused(std::string(p.id), fmt::format("±{:g}", m.uncertainty_si),
                 say("± up to {}", amount(most, p.kind, p.digits)),
                 say("{}: ± cannot be that", Message::of_table(p.words)));
}

/// Bytes that a text takes in the file: escapes are longer than what they stand for.
std::size_t written_bytes(const std::string& text) {
  std::size_t n = 0;
  for (const char c : text)
    n += static_cast<unsigned char>(c) < 0x20 ? 6 : c == '"' || c == '\\' ? 2 : 1;
  return n;
}

/// Adds up the bytes of a record, never less than it takes.
template <class Record>
class RecordBytes {
 public:
  explicit RecordBytes(const Record& record) : r_(record) {
    for (const auto& [key, text] : record.unread) bytes += 2 * (key.size() + 4 * text.size() + 8);
  }
  std::size_t bytes = 60;

  void flag(const char* key, bool Record::*) { line(key, 6); }
  void text(const char* key, const char*, std::string Record::*member) {
    line(key, written_bytes(r_.*member));
  }
  void day(const char* key, const char*, std::string Record::*) { line(key, 12); }
  void count(const char* key, const char*, int Record::*) { line(key, 8); }
  void number(const char* key, const char*, double Record::*, const Range&) { line(key, 26); }
  void maybe(const char* key, const char*, std::optional<double> Record::*, const Range&, Absent) {
    line(key, 26);
  }
  template <class Enum>
  void word(const char* key, const char*, Enum Record::*) {
    line(key, 20);
  }
  void values(const char* key, MeasuredSet Record::*member);
  void words(const char* key, const char*, std::map<std::string, std::string> Record::*member) {
    std::size_t all = 4;
    for (const auto& [name, text] : r_.*member)
      all += written_bytes(name) + written_bytes(text) + 20;
    line(key, all);
  }

 private:
  void line(const char* key, std::size_t value) {
    bytes += std::string_view(key).size() + 14 + value;
  }
  const Record& r_;
};

std::size_t bytes_of(const MeasuredSet& sheet) {
  std::size_t n = 40;
  for (const ParamInfo& p : all_params())
    if (const auto& m = sheet.at(p.param)) n += 170 + p.id.size() + written_bytes(m->note);
  for (const auto& [key, text] : sheet.unread) n += 2 * (key.size() + 4 * text.size() + 8);
  for (const auto& [p, unread] : sheet.unread_of)
    for (const auto& [key, text] : unread) n += 2 * (key.size() + 4 * text.size() + 8);
  return n;
}

template <class Record>
void RecordBytes<Record>::values(const char* key, MeasuredSet Record::*member) {
  line(key, bytes_of(r_.*member));
}

template <class Record>
std::size_t bytes_of(const Record& record) {
  RecordBytes<Record> sum(record);
  describe(sum, Tag<Record>{});
  return sum.bytes;
}

std::size_t bytes_of_job(const Job& job) {
  std::size_t n = 400 + bytes_of(job) + bytes_of(job.pump);
  each_sheet([&](const char*, auto sheet) { n += bytes_of(job.*sheet); });
  each_list([&](const char*, const char*, auto list, size_t, Empty) {
    for (const auto& record : job.*list) n += bytes_of(record);
  });
  each_map([&](const char*, const char*, auto map, Empty) {
    for (const auto& [id, record] : job.*map) n += written_bytes(id) + 12 + bytes_of(record);
  });
  return n;
}

/// Finds the first member of a record that the reader would refuse.
template <class Record>
class RecordCheck {
 public:
  RecordCheck(const Record& record, Message name) : r_(record), name_(std::move(name)) {}
  std::optional<Error> problem;

  void flag(const char*, bool Record::*) {}
  void text(const char*, const char* words, std::string Record::*member) {
    if (!problem)
      problem = text_problem(english(name_) + words, say("{}{}", name_, words), r_.*member);
  }
  void day(const char*, const char* words, std::string Record::*member) {
    if (!(r_.*member).empty() && !is_day(r_.*member))
      tell(words, clipped(r_.*member, 40), "a day such as 2026-05-31");
  }
  void count(const char*, const char* words, int Record::*member) {
    if (r_.*member < 0 || r_.*member > kMostCount)
      tell(words, std::to_string(r_.*member), say("0 to {}", kMostCount));
  }
  void number(const char*, const char* words, double Record::*member, const Range& range) {
    check(words, r_.*member, range);
  }
  void maybe(const char*, const char* words, std::optional<double> Record::*member,
             const Range& range, Absent) {
    if (r_.*member) check(words, *(r_.*member), range);
  }
  template <class Enum>
  void word(const char*, const char* words, Enum Record::*member) {
    if (static_cast<std::size_t>(r_.*member) >= EnumWords<Enum>::all.size())
      tell(words, "", "one of the choices");
  }
  void values(const char*, MeasuredSet Record::*member) {
    if (!problem) problem = unwritable(r_.*member);
  }
  void words(const char*, const char* words, std::map<std::string, std::string> Record::*member) {
    if ((r_.*member).size() > kMostEntries)
      tell(words, std::to_string((r_.*member).size()), say("up to {} entries", kMostEntries));
    for (const auto& [name, text] : r_.*member) {
      if (name.size() > kMostKey) tell(words, clipped(name, 40), say("up to {} letters", kMostKey));
      if (!problem)
        problem = text_problem(english(name_) + words, say("{}{}", name_, words), name + text);
    }
  }

 private:
  void check(const char* words, double v, const Range& range) {
    if (!std::isfinite(v) || !range.holds(v)) tell(words, fmt::format("{:g}", v), range_of(range));
  }
  void tell(const char* words, std::string value, Message range) {
    if (!problem)
      problem = refused(english(name_) + words, std::move(value), std::move(range),
                        say("{}{} cannot be that", name_, words));
  }
  const Record& r_;
  Message name_;
};

template <class Record>
std::optional<Error> record_problem(const Record& record, Message name) {
  RecordCheck<Record> check(record, std::move(name));
  describe(check, Tag<Record>{});
  return std::move(check.problem);
}

}  // namespace

std::optional<Error> unwritable(const MeasuredSet& sheet) {
  for (const ParamInfo& p : all_params())
    if (const auto& m = sheet.at(p.param))
      if (auto e = value_problem(p, *m)) return e;
  if (sheet.unread.size() + all_params().size() > kMostEntries)
    return refused("", "", "", "Too many values of a newer version hang on this job");
  return std::nullopt;
}

std::optional<Error> unwritable(const Job& job) {
  std::optional<Error> e = record_problem(job, "Job, ");
  each_sheet([&](const char*, auto sheet) {
    if (!e) e = unwritable(job.*sheet);
  });
  each_list([&](const char*, const char* words, auto list, size_t most, Empty) {
    const auto& records = job.*list;
    if (!e && records.size() > most)
      e = refused(words, std::to_string(records.size()), say("{} at most", most),
                  say("{}: a job keeps {} of them at most", words, most));
    for (size_t i = 0; i < records.size() && !e; ++i)
      e = record_problem(records[i], say("{} {}, ", words, i + 1));
  });
  each_map([&](const char*, const char* words, auto map, Empty) {
    const auto& records = job.*map;
    if (!e && records.size() > kMostEntries)
      e = refused(words, "", say("{} at most", kMostEntries),
                  say("{}: a job cannot keep so many", words));
    for (auto it = records.begin(); it != records.end() && !e; ++it) {
      if (it->first.size() > kMostKey || !is_utf8(it->first))
        e = refused(words, clipped(it->first, 40), "", say("{}: its name cannot be", words));
      else
        e = record_problem(it->second, say("{}, ", words));
    }
  });
  if (!e) e = record_problem(job.pump, "Pump test, ");
  // Only a job that grows towards the limit is weighed to the byte.
  if (!e && bytes_of_job(job) > kMostFileBytes && write_job(job).size() > kMostFileBytes)
    e = refused("", "", say("up to {} MB", kMostFileBytes >> 20),
                "The job has grown too large: its notes are too long altogether");
  return e;
}

}  // namespace yoke
