// Quantities as people type them: a finite number or words; the first byte picks the kind.
#include <cmath>
#include <cstdint>
#include <cstdlib>

#include "document/params.hpp"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  if (size == 0) return 0;
  const std::string_view text(reinterpret_cast<const char*>(data) + 1, size - 1);
  const auto kind = static_cast<yoke::Kind>(data[0] % (static_cast<int>(yoke::Kind::choice) + 1));
  for (const auto style : {yoke::UnitStyle::metric, yoke::UnitStyle::imperial}) {
    const auto v = yoke::parse_quantity(text, kind, style);
    if (v ? !std::isfinite(*v) : v.error().reason.empty()) std::abort();
  }
  const auto param = yoke::all_params()[data[0] * 7u % yoke::all_params().size()].param;
  const auto value = yoke::parse_value(param, text, {});
  if (value && !yoke::check_range(param, *value)) std::abort();
  return 0;
}
