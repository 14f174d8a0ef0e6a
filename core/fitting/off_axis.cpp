#include "fitting/off_axis.hpp"

#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

namespace {
constexpr double kClosed_m = 1e-4;

double side_left_m(const OffAxis& o) {
  return (o.side - o.unit_shift - o.pedal_shift - o.lug).value();
}
}  // namespace

Expected<OffAxisReport> off_axis(const OffAxis& o) {
  const char* remedy = "Measure with a straight edge from the bore's line";
  const Check checks[] = {
      {"side", "The sideways gap", o.side.value(), -0.3, 0.3, Kind::length, remedy},
      {"height", "The gap in height", o.height.value(), -0.3, 0.3, Kind::length, remedy},
      {"unit_shift", "The unit's shift", o.unit_shift.value(), -0.3, 0.3, Kind::length, remedy},
      {"pedal_shift", "The pedal's shift", o.pedal_shift.value(), -0.3, 0.3, Kind::length, remedy},
      {"lug", "The lug", o.lug.value(), -0.3, 0.3, Kind::length, remedy},
      {"height_shift", "The shift in height", o.height_shift.value(), -0.3, 0.3, Kind::length,
       remedy},
      {"rod", "The push rod", o.rod.value(), 0.02, 1, Kind::length, "Pin to ball end"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  OffAxisReport r;
  r.side_left = Length{side_left_m(o)};
  r.height_left = o.height - o.height_shift;
  const double off = std::hypot(r.side_left.value(), r.height_left.value());
  if (off >= o.rod.value())
    return fail({"rod", format_quantity(o.rod.value(), Kind::length, 1, {}),
                 "longer than the offset", "The rod is shorter than its offset",
                 "Move the unit first, then measure the rod"});
  r.angle = Angle{std::asin(off / o.rod.value())};
  r.side_share = std::tan(r.angle.value());
  r.twist_m = std::abs(o.lug.value());
  r.closed =
      std::abs(r.side_left.value()) <= kClosed_m && std::abs(r.height_left.value()) <= kClosed_m;
  return r;
}

Length lug_to_close(const OffAxis& o) {
  return Length{side_left_m(o)} + o.lug;
}

Expected<FlangeReport> flange_stack(const FlangeStack& f) {
  const Check checks[] = {
      {"stud", "The stud", f.stud.value(), 0.003, 0.2, Kind::length,
       "From its own flange to its end"},
      {"spacers", "Spacers and gaskets", f.spacers.value(), 0, 0.15, Kind::length,
       "Everything between the flanges"},
      {"panel", "The panel", f.panel.value(), 0, 0.1, Kind::length, "Caliper at the hole's edge"},
      {"washer", "The washer", f.washer.value(), 0, 0.01, Kind::length, "0 when there is none"},
      {"diameter", "The thread", f.diameter.value(), 0.004, 0.02, Kind::length,
       "Outside of the thread"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  FlangeReport r;
  r.engaged = f.stud - f.spacers - f.panel - f.washer;
  r.wanted = f.diameter * (f.aluminium ? 1.5 : 1.0);
  r.enough = r.engaged >= r.wanted;
  r.crushes = f.boxed && !f.crush_sleeve;
  r.rod_longer = f.spacers;
  return r;
}

}  // namespace yoke
