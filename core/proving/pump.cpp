#include <fmt/format.h>

#include "proving/fit.hpp"

namespace yoke {

PumpReport pump_report(const PumpTest& test, Length bore, double ratio) {
  PumpReport r;
  const double area_m2 = circle_area(bore).value();
  if (test.first_m && test.third_m) {
    const double gain_m = *test.first_m - *test.third_m;
    constexpr double kTape_m = 0.003;
    if (gain_m > kTape_m) {
      r.take_up = Volume{gain_m / ratio * area_m2};
      r.words.push_back(
          fmt::format("Pumping raises the pad by {:.0f} mm: {:.1f} cm³ is taken up by clearance. "
                      "Air would stay.",
                      gain_m * 1e3, r.take_up->value() * 1e6));
    } else {
      r.words.push_back(
          "Pumping does not raise the pad: no clearance to take up. What is soft is air or "
          "stretch.");
    }
  }
  if (test.sink_m && test.hold_s) {
    constexpr double kTape_m = 0.002;
    constexpr double kLeastHold_s = 5;  // a rate over less says nothing, and grows without bound
    r.sinking = *test.sink_m > kTape_m;
    const bool long_enough = *test.hold_s >= kLeastHold_s;
    if (long_enough) r.sink_m3_per_s = *test.sink_m / ratio * area_m2 / *test.hold_s;
    if (r.sinking)
      r.words.push_back(
          long_enough
              ? fmt::format("The pad sinks {:.0f} mm in {:.0f} s: {:.2f} cm³ a minute pass a cup "
                            "or leak out. Do not drive.",
                            *test.sink_m * 1e3, *test.hold_s, *r.sink_m3_per_s * 60e6)
              : fmt::format("The pad sinks {:.0f} mm though it was held for a moment only. Do not "
                            "drive.",
                            *test.sink_m * 1e3));
    else
      r.words.emplace_back(long_enough
                               ? "The pad holds under a steady foot."
                               : "Held too short to tell whether it sinks: hold for 30 to 60 s.");
  }
  return r;
}

}  // namespace yoke
