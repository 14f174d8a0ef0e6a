// The one error value of the core: it names the field, the value, the allowed range and the remedy.
#pragma once

#include <string>
#include <tl/expected.hpp>
#include <utility>

namespace yoke {

struct Error {
  std::string field;   ///< parameter id ("master.bore") or a place in a file
  std::string value;   ///< what was given, as text; empty when nothing was given
  std::string range;   ///< what is allowed, as text; empty when not a matter of range
  std::string reason;  ///< plain words: what is wrong
  std::string remedy;  ///< what to do or to measure instead

  /// The whole message in one line.
  [[nodiscard]] std::string text() const {
    std::string t = reason;
    if (!value.empty() && reason.find(value) == std::string::npos) t += " (given: " + value + ")";
    if (!range.empty()) t += "; allowed: " + range;
    if (!remedy.empty()) t += ". " + remedy;
    return t;
  }
  bool operator==(const Error&) const = default;
};

template <class T>
using Expected = tl::expected<T, Error>;

/// Builds the failed side of an Expected.
inline tl::unexpected<Error> fail(Error error) {
  return tl::unexpected<Error>(std::move(error));
}

}  // namespace yoke
