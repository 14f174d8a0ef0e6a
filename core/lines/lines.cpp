#include "lines/lines.hpp"

#include <algorithm>
#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

Expected<Torque> crowfoot_dial(Torque joint, Length wrench, Length crowfoot, Angle angle) {
  const Check checks[] = {{"joint", "The torque at the joint", joint.value(), 0.1, 500,
                           Kind::torque, "From the part's sheet; without a figure use none"},
                          {"wrench", "The wrench", wrench.value(), 0.05, 2, Kind::length,
                           "From the middle of the drive to the middle of the grip"},
                          {"crowfoot", "The crowfoot", crowfoot.value(), 0, 0.3, Kind::length,
                           "From the middle of its square to the middle of the nut"},
                          {"angle", "The angle", angle.value(), -kPi - 1e-9, kPi + 1e-9,
                           Kind::angle, "0 in line with the wrench, 90° square to it"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const double reach = wrench.value() + crowfoot.value() * std::cos(angle.value());
  if (reach < 0.25 * wrench.value())
    return fail({"angle", "", "", "So folded back a crowfoot makes the dial meaningless",
                 "Set the crowfoot in line or square to the wrench"});
  return Torque{joint.value() * wrench.value() / reach};
}

Expected<Volume> line_volume(Length bore, Length length) {
  const Check checks[] = {{"bore", "The line's bore", bore.value(), 5e-4, 0.03, Kind::length,
                           "Outside diameter less two walls"},
                          {"length", "The line's length", length.value(), 0, 50, Kind::length,
                           "All of it, bends included"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  return Volume{circle_area(bore).value() * length.value()};
}

Expected<Length> developed_length(Length straights, std::span<const Bend> bends, int flares,
                                  Length per_flare) {
  const Check checks[] = {{"straights", "The straights", straights.value(), 0, 30, Kind::length,
                           "Between the ends of the bends"},
                          {"flares", "The flares", static_cast<double>(flares), 0, 4, Kind::number,
                           "Two on a plain line"},
                          {"per_flare", "The allowance a flare", per_flare.value(), 0, 0.03,
                           Kind::length, "Flare a test piece and measure what it took"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  double length = straights.value() + flares * per_flare.value();
  for (const Bend& b : bends) {
    const Check bend[] = {
        {"bend.radius", "A bend's radius", b.radius.value(), 0.003, 1, Kind::length,
         "At the middle of the tube"},
        {"bend.angle", "A bend's angle", b.angle.value(), 0, 2 * kPi, Kind::angle, "In degrees"}};
    if (const auto ok = check_all(bend); !ok) return fail(ok.error());
    length += b.radius.value() * b.angle.value();
  }
  return Length{length};
}

Volume wear_volume(Area pistons, Length lining_wear) {
  return Volume{pistons.value() * lining_wear.value()};
}

ReservoirCheck reservoir_check(Volume chamber, Volume bellows, Volume drawn) {
  ReservoirCheck r;
  r.drawn = drawn;
  r.left = chamber - bellows - drawn;
  r.enough = r.left.value() >= 0;
  return r;
}

Length head_when_leaning(Length head, Length sideways, Angle lean) {
  return Length{head.value() * std::cos(lean.value()) -
                std::abs(sideways.value()) * std::sin(std::abs(lean.value()))};
}

Length bottle_higher(Length head, Length sideways, Angle lean, Length wanted) {
  const Length lacks = wanted - head_when_leaning(head, sideways, lean);
  return Length{std::max(0.0, lacks.value()) / std::cos(lean.value())};
}

}  // namespace yoke
