#include "sizing/relative.hpp"

#include <fmt/format.h>

#include <cmath>

namespace yoke {

namespace {

Expected<double> within(double v, double lo, double hi, const char* field, const char* words,
                        const char* range) {
  if (v >= lo && v <= hi) return v;
  return fail({.field = field,
               .value = fmt::format("{:g}", v),
               .range = range,
               .reason = std::string(words) + " cannot be that",
               .remedy = "Measure the bore with a calliper, and both arms of the pedal"});
}

}  // namespace

Expected<Relative> relative(Length bore_old, Length bore_new, double ratio_old, double ratio_new) {
  struct Check {
    double value, lo, hi;
    const char *field, *words, *range;
  };
  const Check checks[] = {
      {bore_old.value(), 0.008, 0.06, "bore-old", "The old bore", "8 mm to 60 mm"},
      {bore_new.value(), 0.008, 0.06, "bore-new", "The new bore", "8 mm to 60 mm"},
      {ratio_old, 1, 12, "ratio-old", "The old ratio", "1 to 12"},
      {ratio_new, 1, 12, "ratio-new", "The new ratio", "1 to 12"}};
  for (const auto& c : checks)
    if (const auto ok = within(c.value, c.lo, c.hi, c.field, c.words, c.range); !ok)
      return fail(ok.error());
  Relative r;
  r.area_factor = circle_area(bore_new).value() / circle_area(bore_old).value();
  r.force_factor = r.area_factor * ratio_old / ratio_new;
  r.travel_factor = 1 / r.force_factor;
  r.equal_bore = bore_old * std::sqrt(ratio_new / ratio_old);
  r.equal_ratio = ratio_old * r.area_factor;
  return r;
}

std::string relative_words(const Relative& r) {
  const double f = (r.force_factor - 1) * 100;
  const double t = (r.travel_factor - 1) * 100;
  if (std::abs(f) < 0.5) return "Feels the same: neither harder nor longer.";
  if (f > 0) return fmt::format("{:.0f} % harder, {:.0f} % shorter at the same pressure.", f, -t);
  return fmt::format("{:.0f} % lighter, {:.0f} % longer at the same pressure.", -f, t);
}

}  // namespace yoke
