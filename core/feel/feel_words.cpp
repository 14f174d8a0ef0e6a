#include <algorithm>

#include "feel/feel.hpp"

namespace yoke {

std::string_view stop_words(Stop stop) {
  switch (stop) {
    case Stop::pad_stop:
      return "the pedal meets the floor or its stop";
    case Stop::geometry:
      return "the rod's geometry ends";
    case Stop::primary_stroke:
      return "the primary piston is at the end of its stroke";
    case Stop::secondary_stroke:
      return "the secondary piston is at the end of its stroke";
    case Stop::booster_stroke:
      return "the booster is at the end of its stroke";
    case Stop::locked:
      return "the wheels are locked";
    case Stop::pressure_limit:
      return "20 MPa reached";
  }
  return "";
}

std::string_view layer_words(TravelLayer layer) {
  switch (layer) {
    case TravelLayer::free_play:
      return "free play";
    case TravelLayer::booster:
      return "booster";
    case TravelLayer::gap:
      return "output gap";
    case TravelLayer::cut_off:
      return "cut-off";
    case TravelLayer::take_up:
      return "lining take-up";
    case TravelLayer::brake:
      return "brake flex";
    case TravelLayer::hose:
      return "hoses";
    case TravelLayer::tube:
      return "tubes";
    case TravelLayer::fluid:
      return "fluid";
    case TravelLayer::air:
      return "air";
    case TravelLayer::slave:
      return "slave";
    case TravelLayer::count_:
      break;
  }
  return "";
}

Expected<Force> effort_at_pressure(const Control& control, const Assist& assist,
                                   const Master& master, Pressure p, bool assist_alive) {
  auto k = Kinematics::make(control);
  if (!k) return fail(k.error());
  if (const auto a = check_assist(assist); !a) return fail(a.error());
  if (!(master.bore.value() > 0))
    return fail({.field = "master.bore",
                 .value = "",
                 .range = "more than 0",
                 .reason = "The master has no bore",
                 .remedy = "Measure the bore"});
  const Force out = piston_force(master, p);
  const Force in = assist_alive ? assist_input(assist, out) : dead_input(assist, out);
  return k->pad_force(in, Length{0.0});
}

namespace {
double mix(double a, double b, double t) {
  return a + (b - a) * t;
}
}  // namespace

FeelPoint point_at_travel(const FeelCurve& curve, double s) {
  const auto& pts = curve.points;
  if (pts.empty()) return {};
  const auto above = std::upper_bound(
      pts.begin(), pts.end(), s, [](double v, const FeelPoint& p) { return v < p.pad_travel_m; });
  if (above == pts.begin()) return pts.front();
  if (above == pts.end()) return pts.back();
  const FeelPoint& a = *(above - 1);
  const FeelPoint& b = *above;
  const double span = b.pad_travel_m - a.pad_travel_m;
  const double t = span > 0 ? (s - a.pad_travel_m) / span : 0;
  FeelPoint f = t < 0.5 ? a : b;
  f.pad_travel_m = mix(a.pad_travel_m, b.pad_travel_m, t);
  f.pad_force_n = mix(a.pad_force_n, b.pad_force_n, t);
  f.rod_travel_m = mix(a.rod_travel_m, b.rod_travel_m, t);
  f.input_force_n = mix(a.input_force_n, b.input_force_n, t);
  f.output_force_n = mix(a.output_force_n, b.output_force_n, t);
  f.stroke_m = mix(a.stroke_m, b.stroke_m, t);
  f.piston1_m = mix(a.piston1_m, b.piston1_m, t);
  f.piston2_m = mix(a.piston2_m, b.piston2_m, t);
  f.pressure_pa = mix(a.pressure_pa, b.pressure_pa, t);
  f.front_pa = mix(a.front_pa, b.front_pa, t);
  f.rear_pa = mix(a.rear_pa, b.rear_pa, t);
  f.z = mix(a.z, b.z, t);
  return f;
}

}  // namespace yoke
