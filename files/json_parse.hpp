// JSON of others into values, in time proportional to its size: bounded in depth and count while it
// is read, a key that stands twice refused by name.
#pragma once

#include <nlohmann/json.hpp>
#include <string_view>

#include "quantity/error.hpp"

namespace yoke {

struct JsonBounds {
  const char* what;  ///< "job", "catalogue": named in errors
  std::size_t most_bytes;
  std::size_t most_values;
  int most_depth;
};
/// The root, always an object.
[[nodiscard]] Expected<nlohmann::json> parse_json(std::string_view text, const JsonBounds& bounds);

}  // namespace yoke
