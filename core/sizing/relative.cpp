#include "sizing/relative.hpp"

#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

Expected<Relative> relative(Length bore_old, Length bore_new, double ratio_old, double ratio_new) {
  const char* remedy = "Measure the bore with a caliper, and both arms of the pedal";
  const Check checks[] = {
      {"bore-old", "The old bore", bore_old.value(), 0.008, 0.06, Kind::length, remedy},
      {"bore-new", "The new bore", bore_new.value(), 0.008, 0.06, Kind::length, remedy},
      {"ratio-old", "The old ratio", ratio_old, 1, 12, Kind::number, remedy},
      {"ratio-new", "The new ratio", ratio_new, 1, 12, Kind::number, remedy}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  Relative r;
  r.area_factor = circle_area(bore_new).value() / circle_area(bore_old).value();
  r.force_factor = r.area_factor * ratio_old / ratio_new;
  r.travel_factor = 1 / r.force_factor;
  r.equal_bore = bore_old * std::sqrt(ratio_new / ratio_old);
  r.equal_ratio = ratio_old * r.area_factor;
  return r;
}

Message relative_words(const Relative& r) {
  const double f = (r.force_factor - 1) * 100;
  const double t = (r.travel_factor - 1) * 100;
  if (std::abs(f) < 0.5) return "Feels the same: neither harder nor longer.";
  if (f > 0)
    return say("{} % harder, {} % shorter at the same pressure.", Plain{f, 0}, Plain{-t, 0});
  return say("{} % lighter, {} % longer at the same pressure.", Plain{-f, 0}, Plain{t, 0});
}

}  // namespace yoke
