// Catalogues, CSV and JSON: every part that is read is written and read back the same.
#include <cmath>
#include <cstdint>
#include <cstdlib>

#include "files/catalogue.hpp"
#include "quantity/text.hpp"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const auto c = yoke::read_catalogue({reinterpret_cast<const char*>(data), size});
  if (!c) {
    if (c.error().reason.empty()) std::abort();
    return 0;
  }
  for (const yoke::RowProblem& p : c->problems)
    if (p.text().empty()) std::abort();
  for (const yoke::Part& p : c->parts)
    for (const auto& [param, si] : p.dims)
      if (!yoke::check_range(param, si)) std::abort();
  const auto again = yoke::read_catalogue(yoke::write_catalogue_json(c->parts));
  if (!c->parts.empty() && (!again || again->parts.size() != c->parts.size())) std::abort();
  return 0;
}
