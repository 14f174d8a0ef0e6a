#include "assist/assist.hpp"

#include <algorithm>
#include <cmath>

#include "quantity/quantity.hpp"

namespace yoke {

namespace {
/// Share of the diaphragm's diameter that acts: the rolling lip gives the rest to the shell.
/// Common practice, no source.
constexpr double kLip = 0.90;
}  // namespace

Area effective_diaphragm(Length first, Length second) {
  return circle_area(first * kLip) + circle_area(second * kLip);
}

Expected<Pressure> ambient_pressure(double altitude_m) {
  if (!(altitude_m >= -1000 && altitude_m <= 11000))
    return fail({.field = "vehicle.altitude",
                 .value = format_quantity(altitude_m, Kind::altitude, 0, {}),
                 .range = "-1000 m to 11000 m",
                 .reason = "The standard atmosphere is not defined at that altitude",
                 .remedy = "Give the altitude above sea level"});
  return Pressure{101325.0 * std::pow(1.0 - 2.25577e-5 * altitude_m, 5.25588)};
}

Expected<Pressure> vacuum_difference(Pressure gauge_vacuum, double read_at_m, double used_at_m) {
  auto there = ambient_pressure(read_at_m);
  if (!there) return there;
  auto here = ambient_pressure(used_at_m);
  if (!here) return here;
  const Pressure manifold = *there - gauge_vacuum;
  if (manifold.value() < 0)
    return fail({.field = "assist.vacuum",
                 .value = format_quantity(gauge_vacuum.value(), Kind::pressure, 3, {}),
                 .range = "below the ambient pressure",
                 .reason = "No gauge can read more vacuum than the air's own pressure there",
                 .remedy = "Read the gauge again, and note the altitude it was read at"});
  return Pressure{std::max(0.0, (*here - manifold).value())};
}

Expected<Assist> check_assist(const Assist& assist) {
  const auto* b = std::get_if<Booster>(&assist);
  if (!b) return assist;
  const auto bad = [](const char* field, std::string value, const char* reason, const char* range) {
    return fail({.field = field,
                 .value = std::move(value),
                 .range = range,
                 .reason = reason,
                 .remedy = "Leave it unknown to use the typical figure"});
  };
  if (!(b->cut_in.value() >= 0 && b->cut_in <= b->dead_force))
    return bad("assist.cut_in", format_quantity(b->cut_in.value(), Kind::force, 0, {}),
               "A booster's cut-in force cannot be above its dead force", "0 to the dead force");
  if (!(b->gain > 1))
    return bad("assist.gain", format_number(b->gain, 2), "A booster's gain must be above 1",
               "1.5 to 12");
  if (!(b->max_assist.value() >= 0))
    return bad("assist.diaphragm1", format_quantity(b->max_assist.value(), Kind::force, 0, {}),
               "The booster's largest force cannot be below 0", "0 or more");
  return assist;
}

Force vacuum_assist(Area diaphragm, Pressure difference, double efficiency) {
  return Force{difference.value() * diaphragm.value() * efficiency};
}

Force hydraulic_assist(Pressure relief, Area power_piston) {
  return Force{relief.value() * power_piston.value()};
}

Force assist_max(const Assist& assist) {
  const auto* b = std::get_if<Booster>(&assist);
  return b ? b->max_assist : Force{0.0};
}

Force assist_output(const Assist& assist, Force input) {
  const auto* b = std::get_if<Booster>(&assist);
  if (!b) return Force{std::max(0.0, input.value())};
  if (input < b->cut_in) return Force{0.0};
  const Force boosted = b->jump_in + b->gain * (input - b->cut_in);
  const Force most = input - b->dead_force + assist_max(assist);
  return std::max(Force{0.0}, std::min(boosted, most));
}

Force assist_input(const Assist& assist, Force output) {
  if (output.value() <= 0) return Force{0.0};
  const auto* b = std::get_if<Booster>(&assist);
  if (!b) return output;
  const Force boosted = b->cut_in + (output - b->jump_in) / b->gain;
  const Force most = output + b->dead_force - assist_max(assist);
  return std::max(b->cut_in, std::max(boosted, most));
}

Force dead_output(const Assist& assist, Force input) {
  const auto* b = std::get_if<Booster>(&assist);
  return std::max(Force{0.0}, b ? input - b->dead_force : input);
}

Force dead_input(const Assist& assist, Force output) {
  if (output.value() <= 0) return Force{0.0};
  const auto* b = std::get_if<Booster>(&assist);
  return b ? output + b->dead_force : output;
}

Force run_out_input(const Booster& b) {
  const Force most = assist_max(Assist{b});
  return std::max(b.cut_in, (most - b.dead_force - b.jump_in + b.gain * b.cut_in) / (b.gain - 1.0));
}

Length assist_lost_travel(const Assist& assist, bool alive) {
  const auto* b = std::get_if<Booster>(&assist);
  if (!b) return Length{0.0};
  return alive ? b->travel_working : b->travel_dead;
}

Length assist_gap(const Assist& assist) {
  const auto* b = std::get_if<Booster>(&assist);
  return b ? b->output_gap : Length{0.0};
}

AssistState assist_state(const Assist& assist, Force input, bool alive) {
  const auto* b = std::get_if<Booster>(&assist);
  if (!b) return AssistState::none;
  if (!alive) return AssistState::dead;
  if (input <= b->cut_in) return AssistState::cut_in;
  return input > run_out_input(*b) ? AssistState::run_out : AssistState::working;
}

}  // namespace yoke
