#include "work/pacing.hpp"

#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

Expected<SweepPace> sweep_pace(double turns, Length wheel, Length step, Time least) {
  const Check checks[] = {
      {"turns", "Turns lock to lock", turns, 1, 8, Kind::number, "Count them, engine off"},
      {"wheel", "The steering wheel", wheel.value(), 0.2, 0.6, Kind::length, "Its diameter"},
      {"step", "The step", step.value(), 0.005, 0.1, Kind::length, "1/2 in at the rim is usual"},
      {"least", "The least time", least.value(), 600, 14400, Kind::time, "30 minutes at least"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  SweepPace p;
  p.rim = Length{kPi * wheel.value() * turns};
  p.steps = static_cast<int>(std::ceil(p.rim.value() / step.value() - 1e-9));
  p.way = Length{step.value() * p.steps * (p.steps + 1) / 2.0};
  p.each = least / static_cast<double>(p.steps);
  p.rim_speed = Speed{p.way.value() / least.value()};
  return p;
}

}  // namespace yoke
