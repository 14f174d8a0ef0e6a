#include "support/build.hpp"

#include <random>

#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/vehicle.hpp"

namespace yoke::test {

WheelBrake disc_wheel(double piston_mm, double radius_mm, double mu) {
  WheelBrake w;
  Disc d;
  d.side_area = circle_area(Length{piston_mm * 1e-3});
  d.effective_radius = Length{radius_mm * 1e-3};
  d.mu = mu;
  w.brake = d;
  w.tyre_radius = Length{0.298};
  w.tube.length = Length{1.5};
  w.hose.length = Length{0.4};
  return w;
}

WheelBrake drum_wheel(double cylinder_mm, double drum_mm) {
  WheelBrake w;
  Drum d;
  d.cylinder_area = circle_area(Length{cylinder_mm * 1e-3});
  d.radius = Length{drum_mm * 0.5e-3};
  w.brake = d;
  w.rear = true;
  w.outlet = Outlet::secondary;
  w.tyre_radius = Length{0.298};
  w.tube.length = Length{2.6};
  w.hose.length = Length{0.15};
  return w;
}

System car() {
  System s;
  s.control.pad_arm = Length{0.300};
  s.control.pin_arm = Length{0.050};
  s.assist = NoAssist{};
  s.master.bore = Length{0.022225};
  s.master.stroke1 = Length{0.018};
  s.master.stroke2 = Length{0.017};
  std::array<WheelBrake, 4> w{disc_wheel(), disc_wheel(), drum_wheel(), drum_wheel()};
  s.wheels = w;
  s.vehicle = Vehicle{Mass{1260}, Length{2.54}, Length{0.56}, 0.53, 0.9};
  return s;
}

Booster booster(double dp_pa, double diameter_m) {
  Booster b;
  b.max_assist =
      vacuum_assist(effective_diaphragm(Length{diameter_m}, Length{0.0}), Pressure{dp_pa}, 0.95);
  b.gain = 4.5;
  return b;
}

Job known_job() {
  Job job;
  job.title = "Known";
  const auto set = [&job](Param p, double v) { job.found.set(p, {v, How::stated, 0, {}}); };
  set(param::control_pad_arm, 0.300);
  set(param::control_pin_arm, 0.050);
  set(param::assist_kind, 0);
  set(param::master_kind, 1);
  set(param::master_bore, 0.022225);
  set(param::master_stroke1, 0.018);
  set(param::master_stroke2, 0.017);
  set(param::front_kind, 0);
  set(param::front_piston, 0.048);
  set(param::front_radius, 0.101);
  set(param::front_mu, 0.38);
  set(param::front_tyre, 0.298);
  set(param::rear_kind, 2);
  set(param::rear_cylinder, 0.01905);
  set(param::rear_drum, 0.2286);
  set(param::rear_tyre, 0.298);
  for (const Wheel w : kWheels) set(circuit_of(w), axle_of(w) == Axle::front ? 0 : 1);
  set(param::circuit_split, 0);
  set(param::vehicle_mass, 1260);
  set(param::vehicle_wheelbase, 2.54);
  set(param::vehicle_front_share, 0.53);
  set(param::vehicle_cg_height, 0.56);
  set(param::vehicle_steering, 0);
  return job;
}

Job known_clutch() {
  Job job;
  const auto set = [&job](Param p, double v) { job.found.set(p, {v, How::stated, 0, {}}); };
  set(param::control_use, 1);
  set(param::control_pad_arm, 0.300);
  set(param::control_pin_arm, 0.055);
  set(param::control_rest_height, 0.190);
  set(param::master_bore, 0.01905);
  set(param::master_stroke1, 0.032);
  set(param::clutch_kind, 0);
  set(param::clutch_slave_bore, 0.0222);
  set(param::clutch_slave_stroke, 0.030);
  set(param::clutch_fork_slave, 0.090);
  set(param::clutch_fork_bearing, 0.050);
  set(param::clutch_peak, 1400);
  set(param::clutch_limit, 0.014);
  set(param::clutch_retraction, 0.020);
  return job;
}

System random_system(unsigned seed) {
  std::mt19937 rng(seed);
  const auto u = [&rng](double lo, double hi) {
    return std::uniform_real_distribution<double>(lo, hi)(rng);
  };
  System s = car();
  s.control.pad_arm = Length{u(0.22, 0.40)};
  s.control.pin_arm = s.control.pad_arm / u(3.5, 8.0);
  s.control.return_force = Force{u(0, 40)};
  s.control.rod_clearance = Length{u(0, 0.0015)};
  s.control.pad_stop = Length{u(0.10, 0.20)};
  if (rng() % 2) {
    const double r = s.control.pin_arm.value();
    s.control.geometry = RodGeometry{Length{r * u(0.9, 1.05)}, Length{u(0, 0.012)},
                                     Angle{u(-0.4, 0.0)}, Length{u(0.10, 0.25)}};
  }
  if (rng() % 2) {
    Booster b = booster(u(20e3, 75e3), u(0.15, 0.28));
    b.gain = u(3, 7);
    b.cut_in = Force{u(0, 60)};
    b.dead_force = b.cut_in + Force{u(0, 100)};
    b.jump_in = Force{u(0, 400)};
    s.assist = b;
  }
  s.master.bore = Length{u(0.017, 0.032)};
  s.master.stroke1 = Length{u(0.012, 0.022)};
  s.master.stroke2 = Length{u(0.012, 0.022)};
  s.master.springs = static_cast<Springs>(rng() % 3);
  if (rng() % 4 == 0) s.master.kind = MasterKind::single;
  if (rng() % 5 == 0) {
    s.master.kind = MasterKind::fast_fill;
    s.master.step_bore = s.master.bore * u(1.1, 1.4);
    s.master.crack = Pressure{u(3e5, 9e5)};
  }
  if (rng() % 6 == 0) {
    s.master.kind = MasterKind::dual;
    s.master.bore2 = s.master.bore * u(0.85, 1.15);
    s.master.bar_a = Length{u(0.025, 0.040)};
    s.master.bar_b = Length{u(0.025, 0.040)};
    s.master.stroke1 = Length{u(0.022, 0.032)};
    s.master.stroke2 = Length{u(0.022, 0.032)};
  }
  if (rng() % 6 == 0) {
    s.assist = NoAssist{};
    s.servo = Servo{Pressure{u(0, 8e5)}, u(1.2, 4), Pressure{u(1e5, 6e6)}, rng() % 2 == 0, true};
  }
  for (auto& w : *s.wheels) {
    const bool rear = w.rear;
    w = rng() % 2 ? disc_wheel(u(30, 60), u(80, 140), u(0.3, 0.5))
                  : drum_wheel(u(14, 28), u(160, 300));
    w.rear = rear;
    w.outlet = rear ? Outlet::secondary : Outlet::primary;
    if (s.master.kind == MasterKind::single) w.outlet = Outlet::primary;
    w.tyre_radius = Length{u(0.26, 0.36)};
  }
  if (rng() % 3 == 0) s.rear_valve = Proportioning{Pressure{u(1e6, 5e6)}, u(0.2, 0.9)};
  if (rng() % 4 == 0) s.front_valve = Metering{Pressure{u(2e5, 8e5)}, Pressure{u(9e5, 2e6)}};
  if (rng() % 4 == 0) s.residual_rear = Pressure{u(0, 1e5)};
  s.vehicle = Vehicle{Mass{u(700, 2500)}, Length{u(2.0, 3.0)}, Length{u(0.4, 0.8)}, u(0.42, 0.62),
                      u(0.5, 1.1)};
  return s;
}

}  // namespace yoke::test
