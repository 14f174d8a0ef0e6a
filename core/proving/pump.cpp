#include "proving/estimate.hpp"

namespace yoke {

namespace {

/// What a steady foot tells. A pedal that sank has sunk, however long it was held.
void add_sink(const PumpTest& test, std::optional<double> volume_m3, PumpReport& r) {
  constexpr double kTape_m = 0.002;
  constexpr double kLeastHold_s = 5;  // a rate over less says nothing, and grows without bound
  const Amount by = length(*test.sink_m, 0);
  const bool noted = test.hold_s.has_value();
  const bool long_enough = noted && *test.hold_s >= kLeastHold_s;
  r.sinking = *test.sink_m > kTape_m;
  if (volume_m3 && long_enough) r.sink_m3_per_s = *volume_m3 / *test.hold_s;
  if (!r.sinking)
    r.words.emplace_back(long_enough ? "The pedal holds under a steady foot."
                         : noted ? "Held too short to tell whether it sinks: hold for 30 to 60 s."
                                 : "How long it was held was not noted: hold for 30 to 60 s.");
  else if (!noted)
    r.words.push_back(
        say("The pedal sinks {}; how long it was held was not noted. Do not drive.", by));
  else if (!long_enough)
    r.words.push_back(
        say("The pedal sinks {} though it was held for a moment only. Do not drive.", by));
  else if (r.sink_m3_per_s)
    r.words.push_back(
        say("The pedal sinks {} in {} s: {} a minute pass a cup or leak out. Do not drive.", by,
            Plain{*test.hold_s, 0}, amount(*r.sink_m3_per_s * 60, Kind::volume, 2)));
  else
    r.words.push_back(
        say("The pedal sinks {} in {} s: fluid passes a cup or leaks out. Do not drive.", by,
            Plain{*test.hold_s, 0}));
}

}  // namespace

PumpReport pump_report(const PumpTest& test, std::optional<Length> bore,
                       std::optional<double> ratio) {
  PumpReport r;
  // Without bore and ratio no volume can be told, but what the pedal does all the same.
  const auto volume_m3 = [&](double pad_m) {
    return bore && ratio && *ratio > 0 ? std::optional(pad_m / *ratio * circle_area(*bore).value())
                                       : std::nullopt;
  };
  if (test.first_m && test.third_m) {
    const double gain_m = *test.first_m - *test.third_m;
    constexpr double kTape_m = 0.003;
    if (gain_m > kTape_m) {
      if (const auto v = volume_m3(gain_m)) r.take_up = Volume{*v};
      r.words.push_back(
          r.take_up ? say("Pumping raises the pedal by {}: {} is taken up by clearance. "
                          "Air would stay.",
                          length(gain_m, 0), amount(r.take_up->value(), Kind::volume, 1))
                    : say("Pumping raises the pedal by {}: clearance is taken up. Air would stay.",
                          length(gain_m, 0)));
    } else {
      r.words.push_back(
          "Pumping does not raise the pedal: no clearance to take up. What is soft is air or "
          "stretch.");
    }
  }
  if (test.sink_m) add_sink(test, volume_m3(*test.sink_m), r);
  return r;
}

}  // namespace yoke
