#include "proving/estimate.hpp"

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
          say("Pumping raises the pad by {}: {} is taken up by clearance. "
              "Air would stay.",
              length(gain_m, 0), amount(r.take_up->value(), Kind::volume, 1)));
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
      r.words.push_back(long_enough
                            ? say("The pad sinks {} in {} s: {} a minute pass a cup "
                                  "or leak out. Do not drive.",
                                  length(*test.sink_m, 0), Plain{*test.hold_s, 0},
                                  amount(*r.sink_m3_per_s * 60, Kind::volume, 2))
                            : say("The pad sinks {} though it was held for a moment only. Do not "
                                  "drive.",
                                  length(*test.sink_m, 0)));
    else
      r.words.emplace_back(long_enough
                               ? "The pad holds under a steady foot."
                               : "Held too short to tell whether it sinks: hold for 30 to 60 s.");
  }
  return r;
}

}  // namespace yoke
