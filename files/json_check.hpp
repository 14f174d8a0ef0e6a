// Reading of hostile JSON: the first thing that is wrong ends it, named by its place.
#pragma once

#include <fmt/format.h>

#include <cmath>
#include <nlohmann/json.hpp>

#include "files/json_job.hpp"
#include "files/limits.hpp"

namespace yoke {

using nlohmann::json;

inline constexpr size_t kMostText = 20000;
inline constexpr size_t kMostEntries = 2000;
constexpr int kMostDepth = 32;

/// Carries the first error; every reader gives up once there is one.
class Checker {
 public:
  [[nodiscard]] bool ok() const { return !error_; }
  [[nodiscard]] const Error& error() const { return *error_; }
  void fail_at(const std::string& place, std::string reason, std::string range = "") {
    if (error_) return;
    error_ = Error{place, "", std::move(range), "In “" + place + "”: " + std::move(reason),
                   "The file was not opened; an older copy may stand beside it"};
  }
  std::string text(const json& o, const char* key, const std::string& place) {
    const auto it = o.find(key);
    if (it == o.end()) return {};
    if (!it->is_string()) {
      fail_at(place + key, "text is expected here");
      return {};
    }
    auto s = it->get<std::string>();
    if (s.size() > kMostText) fail_at(place + key, "the text is too long");
    return s;
  }
  double number(const json& v, const std::string& place, double lo, double hi) {
    if (!v.is_number()) {
      fail_at(place, "a number is expected here");
      return lo;
    }
    const double d = v.get<double>();
    if (!std::isfinite(d) || d < lo || d > hi) {
      fail_at(place, fmt::format("{:g} is out of range", d), fmt::format("{:g} to {:g}", lo, hi));
      return lo;
    }
    return d;
  }
  double number_of(const json& o, const char* key, const std::string& place, double lo, double hi,
                   double fallback) {
    const auto it = o.find(key);
    return it == o.end() ? fallback : number(*it, place + key, lo, hi);
  }
  const json* object(const json& root, const char* key) {
    const auto it = root.find(key);
    if (it == root.end()) return nullptr;
    if (!it->is_object()) {
      fail_at(key, "an object is expected here");
      return nullptr;
    }
    if (it->size() > kMostEntries) fail_at(key, "there are too many entries");
    return &*it;
  }

 private:
  std::optional<Error> error_;
};

/// Keeps a member this version does not know, so that writing gives it back.
inline void keep(Job& job, const std::string& pointer, const json& v) {
  job.unread[pointer] = v.dump(-1, ' ', false, json::error_handler_t::replace);
}

inline std::string escape(const std::string& key) {
  std::string out;
  for (const char c : key) {
    if (c == '~')
      out += "~0";
    else if (c == '/')
      out += "~1";
    else
      out += c;
  }
  return out;
}

inline void keep_others(Job& job, const json& o, const std::string& pointer,
                        std::initializer_list<std::string_view> known) {
  for (const auto& [key, v] : o.items()) {
    bool is_known = false;
    for (const auto k : known) is_known = is_known || key == k;
    if (!is_known) keep(job, pointer + "/" + escape(key), v);
  }
}

/// Index of one of some words; 0 when the member is not there.
inline size_t word_of(Checker& c, const json& v, const char* key, const std::string& place,
                      std::initializer_list<std::string_view> words) {
  const std::string w = c.text(v, key, place);
  size_t i = 0;
  for (const auto known : words) {
    if (w == known) return i;
    ++i;
  }
  if (v.contains(key)) c.fail_at(place + key, "“" + w.substr(0, 40) + "” is not known here");
  return 0;
}

/// The parts of a job beside its three sheets.
void read_logs(Checker& c, Job& job, const json& root);
/// One sheet of values; ids that are not known are kept.
void read_sheet(Checker& c, Job& job, const json& root, const char* name, Sheet& sheet);
/// The values of an object by their ids; `pointer` is its place.
void read_values(Checker& c, Job& job, const json& o, const std::string& place,
                 const std::string& pointer, Sheet& sheet);
/// Writes what `read_logs` reads.
[[nodiscard]] json write_logs(const Job& job, json root);
[[nodiscard]] json write_sheet(const Sheet& sheet);

}  // namespace yoke
