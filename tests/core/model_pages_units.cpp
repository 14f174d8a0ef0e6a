// The worked examples of reserve, servo, clutch, lines, holding, sizing, levers and bars.
#include <cmath>
#include <functional>
#include <map>
#include <string>

#include "assist/reserve.hpp"
#include "assist/servo.hpp"
#include "assist/supply.hpp"
#include "circuit/shoe.hpp"
#include "clutch/clutch.hpp"
#include "document/param/bores.hpp"
#include "document/param/gauge.hpp"
#include "document/param/kit.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/symptom.hpp"
#include "document/param/unit.hpp"
#include "fitting/envelope.hpp"
#include "fitting/off_axis.hpp"
#include "fitting/pattern.hpp"
#include "lines/lines.hpp"
#include "quantity/drills.hpp"
#include "rod/ends.hpp"
#include "sizing/changes.hpp"
#include "sizing/sweep.hpp"
#include "strip/benchmarks.hpp"
#include "strip/holding.hpp"
#include "support/build.hpp"
#include "survey/gauging.hpp"
#include "survey/kit.hpp"
#include "survey/slack.hpp"

namespace yoke::test {

namespace {

Pressure push(int k) {
  VacuumStore s;
  s.swept = Volume{effective_diaphragm(Length{0.203}, Length{0.0}).value() * 0.015};
  s.start = Pressure{36325.0};
  return (*vacuum_pushes(s, k))[static_cast<std::size_t>(k) - 1];
}

std::vector<Pressure> stops() {
  Accumulator a;
  a.charged = Pressure{10e6};
  a.per_stop = Volume{1100e-6 * 0.013};
  return *accumulator_stops(a);
}

Concealed concealed() {
  Job job = known_job();
  for (const auto& [p, si] :
       {std::pair{param::symptom_first, 0.110}, {param::symptom_third, 0.050}})
    job.found.set(p, measured(p, si, How::tape));
  job.plan.set(param::master_bore, measured(param::master_bore, 0.0254, How::calliper));
  return concealed_faults(resolve(job, As::found), resolve(job, As::plan)).faults.front();
}

GaugeReport gauged() {
  Values v;
  for (const auto& [p, si] : {std::pair{param::gauge_a1, 0.022225},
                              {param::gauge_a2, 0.022225},
                              {param::gauge_b1, 0.022225},
                              {param::gauge_b2, 0.0223},
                              {param::gauge_c1, 0.022225},
                              {param::gauge_c2, 0.022225},
                              {param::gauge_piston, 0.02215}})
    v.set(p, {Origin::measured, si, 0, How::calliper, false, false});
  return gauge_report(v);
}

ClutchUnit unit() {
  ClutchUnit u;
  u.area = slave_area(SlaveKind::push, Length{0.0222}, Length{0.0});
  u.fork = 1.8;
  u.peak = Force{1800.0};
  return u;
}

Control linked() {
  Control c;
  c.pad_arm = Length{0.300};
  c.pin_arm = Length{0.060};
  c.mid = MidLever{Length{0.090}, Length{0.060}};
  HelperSpring h;
  h.rate_n_m = 8000;
  h.free_length = Length{0.060};
  h.body_x = Length{0.020};
  h.body_y = Length{0.090};
  h.pedal_x = Length{-0.015};
  h.pedal_y = Length{0.020};
  c.helper = h;
  return c;
}

Master bar() {
  Master m;
  m.kind = MasterKind::dual;
  m.bar_a = Length{0.030};
  m.bar_b = Length{0.034};
  m.bar_tilt = Angle{12 * kPi / 180};
  return m;
}

constexpr Servo kServo{Pressure{3e5}, 3, Pressure{4e6}, true, true};

double crowfoot_lbf_ft() {
  constexpr double kLbfFt = 1.3558179483314004;
  return crowfoot_dial(Torque{15 * kLbfFt}, Length{13 * 0.0254}, Length{2 * 0.0254}, Angle{0.0})
             ->value() /
         kLbfFt;
}

double half_inch_over_five() {
  OffAxis o;
  o.side = Length{0.5 * 0.0254};
  o.rod = Length{5 * 0.0254};
  return off_axis(o)->angle.value() * 180 / kPi;
}

double clutch_peak_mpa() {
  const ClutchUnit u = unit();
  return u.peak.value() / (u.fork * u.area.value() * u.efficiency) / 1e6;
}

}  // namespace

const std::map<std::string, std::function<double()>>& unit_examples();
const std::map<std::string, std::function<double()>>& unit_examples() {
  static const std::map<std::string, std::function<double()>> examples{
      {"reserve.push 1", [] { return push(1).value(); }},
      {"reserve.push 3", [] { return push(3).value(); }},
      {"reserve.pump 101 to 36 kPa",
       [] {
         return (*pump_down_time({0.0003, Pressure{15000.0}}, Volume{0.0035}, Pressure{101325.0},
                                 Pressure{36325.0}, Pressure{101325.0}))
             ->value();
       }},
      {"reserve.accumulator first stop", [] { return stops().front().value() / 1e6; }},
      {"reserve.accumulator stops", [] { return static_cast<double>(stops().size()); }},
      {"reserve.copper drop", [] { return supply_check(Length{2.0}, Area{6e-6}, 40)->drop_v; }},
      {"servo.output 2 MPa", [] { return servo_output_pa(kServo, 2e6) / 1e6; }},
      {"servo.input 5.4 MPa", [] { return servo_input_pa(kServo, 5.4e6) / 1e6; }},
      {"clutch.load at 0.8 of the release", [] { return bearing_load_n(unit(), 0.8 * 0.008); }},
      {"clutch.pressure at the peak", clutch_peak_mpa},
      {"clutch.wear", [] { return 20 / (unit().finger * unit().fork); }},
      {"clutch.gap with 4 mm",
       [] {
         return concentric_gap(false, Length{0.0600}, Length{0.0525}, Length{0.0}, Length{0.004})
                    .value() *
                1e3;
       }},
      {"lines.crowfoot", crowfoot_lbf_ft},
      {"lines.cut",
       [] {
         const std::vector<Bend> bends(4, Bend{Length{0.020}, Angle{kPi / 2}});
         return developed_length(Length{0.5}, bends, 2)->value() * 1e3;
       }},
      {"lines.wear",
       [] { return wear_volume(2 * circle_area(Length{0.048}), Length{0.016}).value() * 1e6; }},
      {"lines.off_axis", half_inch_over_five},
      {"holding.torque on 20 %",
       [] { return hold_on_slope(*FeelModel::make(car(), {}), Angle{std::atan(0.2)})->needed_nm; }},
      {"holding.rule sound", [] { return rule_distance_m(100, kCarSound); }},
      {"holding.rule failed", [] { return rule_distance_m(100, kCarFailed); }},
      {"holding.shoe leading and trailing",
       [] {
         return *shoe_factor({Length{0.2}, Length{0.1}, Length{0.09}}, 0.38,
                             Shoes::leading_trailing);
       }},
      {"fit.chord mm on 80",
       [] {
         Values v;
         for (const auto& [p, si] : {std::pair{param::unit_studs, 1.0},
                                     {param::unit_stud_pitch, 0.080},
                                     {param::unit_stud_size, 0.008}})
           v.set(p, {Origin::measured, si, 0, How::calliper, false, false});
         const Pattern p = pattern_of(v, 0);
         return std::hypot(p.studs[0].x_m - p.studs[1].x_m, p.studs[0].z_m - p.studs[1].z_m) * 1e3;
       }},
      {"fit.clearance mm of 5/16", [] { return clearance_hole_m(5.0 / 16 * 0.0254) * 1e3; }},
      {"fit.gap mm",
       [] {
         return box_gaps({{"unit", Box::Kind::unit, 0.1, 0, 0, 0.2, 0.2, 0.2, 0},
                          {"cover", Box::Kind::moving, 0.1, 0.34, 0.24, 0.2, 0.08, 0.08, 0.02}})[0]
                    .gap_m *
                1e3;
       }},
      {"fit.turn mm same hand",
       [] {
         Job job = known_job();
         for (const auto& [p, si] : {std::pair{param::rod_pitch, 0.0254 / 24},
                                     {param::rod_pitch2, 0.0254 / 20},
                                     {param::rod_coupling, 2.0}})
           job.plan.set(p, measured(p, si, How::calliper));
         return *ends_report(job, rod_report(job)).per_turn_m * 1e3;
       }},
      {"survey.slack mm at the pedal",
       [] {
         Values v = resolve(known_job(), As::found);
         for (const auto& [p, si] : {std::pair{param::symptom_rod_play, 0.002},
                                     {param::symptom_pivot_play, 0.015},
                                     {param::symptom_pin_wear, 0.0005}})
           v.set(p, {Origin::measured, si, 0, How::rule, false, false});
         return slack_budget(v).sum_m * 1e3;
       }},
      {"survey.volume cm3 behind 60 mm", [] { return concealed().volume_m3 * 1e6; }},
      {"survey.concealed mm with 1 in", [] { return concealed().after_m * 1e3; }},
      {"survey.ovality mm", [] { return *gauged().ovality_m * 1e3; }},
      {"survey.clearance mm", [] { return *gauged().clearance_m * 1e3; }},
      {"survey.kit rod mm",
       [] {
         Values in_it, kit;
         in_it.set(param::kit_socket, {Origin::measured, 0.010, 0, How::calliper, false, false});
         kit.set(param::kit_socket, {Origin::measured, 0.0115, 0, How::calliper, false, false});
         return *kit_report(in_it, kit).rod_change_m * 1e3;
       }},
      {"sizing.least_ratio",
       [] {
         const System s = car();
         return *least_ratio(s.control, s.assist, s.master, Pressure{3e6}, Force{330.0});
       }},
      {"pedal.mid 300 over 60 with 90 over 60",
       [] { return Kinematics::make(linked())->ratio(Length{0.0}); }},
      {"pedal.helper at rest",
       [] { return Kinematics::make(linked())->helper_moment(Length{0.0}).value(); }},
      {"master.bar share of rod 1", [] { return bar_share(bar(), false) * 100; }},
      {"master.bar lead", [] { return bar_lead(bar()).value() * 1e3; }}};
  return examples;
}

}  // namespace yoke::test
