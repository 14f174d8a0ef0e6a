// The core's words as Qt text.
#pragma once

#include <QString>
#include <string>
#include <string_view>

namespace yoke {

[[nodiscard]] inline QString q(const std::string& s) {
  return QString::fromStdString(s);
}
[[nodiscard]] inline QString q(std::string_view s) {
  return QString::fromUtf8(s.data(), static_cast<qsizetype>(s.size()));
}

}  // namespace yoke
