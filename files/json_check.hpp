// Reading of hostile JSON: the first thing that is wrong ends it, named by its place.
#pragma once

#include <fmt/format.h>

#include <cmath>
#include <nlohmann/json.hpp>

#include "files/json_job.hpp"
#include "files/limits.hpp"
#include "quantity/text.hpp"

namespace yoke {

using nlohmann::json;

/// A range of a bare number of the file.
[[nodiscard]] inline Message range_of(const Range& range) {
  return say("{} to {}", fmt::format("{:g}", range.least), fmt::format("{:g}", range.most));
}

/// Carries the first error; every reader gives up once there is one.
class Checker {
 public:
  [[nodiscard]] bool ok() const { return !error_; }
  [[nodiscard]] const Error& error() const { return *error_; }
  void fail_at(const std::string& place, Message reason, Message range = {}) {
    if (error_) return;
    const std::string shown = clipped(place, 160);
    error_ = Error{shown, "", std::move(range), say("In “{}”: {}", shown, std::move(reason)),
                   "The file was not opened; an older copy may stand beside it"};
  }
  std::string text(const json& o, const char* key, const std::string& place,
                   std::string fallback = {}) {
    const auto it = o.find(key);
    if (it == o.end()) return fallback;
    if (!it->is_string()) {
      fail_at(place + key, "text is expected here");
      return {};
    }
    auto s = it->get<std::string>();
    if (s.size() > kMostText) fail_at(place + key, "the text is too long");
    return s;
  }
  double number(const json& v, const std::string& place, const Range& range) {
    if (!v.is_number()) {
      fail_at(place, "a number is expected here");
      return range.least;
    }
    const double d = v.get<double>();
    if (!std::isfinite(d) || !range.holds(d)) {
      fail_at(place, say("{} is out of range", fmt::format("{:g}", d)), range_of(range));
      return range.least;
    }
    return d;
  }
  const json* object(const json& root, const char* key, const std::string& place = {}) {
    const auto it = root.find(key);
    if (it == root.end()) return nullptr;
    if (!it->is_object()) {
      fail_at(place + key, "an object is expected here");
      return nullptr;
    }
    if (it->size() > kMostEntries) {
      fail_at(place + key, say("there are more than {} entries", kMostEntries));
      return nullptr;
    }
    return &*it;
  }

 private:
  std::optional<Error> error_;
};

/// A member this version does not know, as text, so that writing gives it back.
[[nodiscard]] inline std::string kept(const json& v) {
  return v.dump(-1, ' ', false, json::error_handler_t::replace);
}
/// Gives members of a newer writer back to the object they came with.
inline void give_back(json& o, const Unread& unread) {
  for (const auto& [key, text] : unread) {
    if (o.contains(key)) continue;
    if (json v = json::parse(text, nullptr, false); !v.is_discarded()) o[key] = std::move(v);
  }
}

/// The values of an object by their parameters' ids; `place` names it in errors.
void read_values(Checker& c, const json& o, const std::string& place, MeasuredSet& sheet);
[[nodiscard]] json write_values(const MeasuredSet& sheet);

}  // namespace yoke
