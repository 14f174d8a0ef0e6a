// The one error value of the core: it names the field, the value, the allowed range and the remedy.
#pragma once

#include <string>
#include <tl/expected.hpp>
#include <utility>

#include "quantity/message.hpp"

namespace yoke {

struct Error {
  std::string field;  ///< parameter id ("master.bore") or a place in a file
  std::string value;  ///< what was given, as text; empty when nothing was given
  Message range;      ///< what is allowed; empty when not a matter of range
  Message reason;     ///< plain words: what is wrong
  Message remedy;     ///< what to do or to measure instead

  /// The whole message in one line.
  [[nodiscard]] Message text() const;
  bool operator==(const Error&) const = default;
};

template <class T>
using Expected = tl::expected<T, Error>;

/// Builds the failed side of an Expected.
inline tl::unexpected<Error> fail(Error error) {
  return tl::unexpected<Error>(std::move(error));
}

}  // namespace yoke
