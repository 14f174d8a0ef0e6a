// Recomputes every worked example of docs/model: a page cannot drift from the code.
#include <catch2/catch.hpp>
#include <fstream>
#include <functional>
#include <map>
#include <string>

#include "document/param/arms.hpp"
#include "document/param/brakes.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/vehicle.hpp"
#include "doubt/doubt.hpp"
#include "proving/estimate.hpp"
#include "rod/rod.hpp"
#include "sizing/relative.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

constexpr double kPsi = 6894.757293168361;

Master bare() {
  Master m = car().master;
  m.efficiency = 1;
  m.spring_force = Force{0.0};
  m.bore = Length{0.0238};
  return m;
}
Control lever() {
  Control c;
  c.pad_arm = Length{0.310};
  c.pin_arm = Length{0.048};
  c.efficiency = 1;
  c.return_force = Force{0.0};
  return c;
}
PumpReport pumped() {
  PumpTest t;
  t.first_m = 0.080;
  t.third_m = 0.050;
  t.sink_m = 0.024;
  t.hold_s = 60;
  return pump_report(t, Length{0.022225}, 6);
}

/// The left side of each example, computed.
const std::map<std::string, std::function<double()>> kExamples{
    {"pedal.ratio 310 mm / 48 mm", [] { return Kinematics::make(lever())->ratio(Length{0.0}); }},
    {"pedal.rod_force 23.8 mm at 3.1 MPa",
     [] { return piston_force(bare(), Pressure{3.1e6}).value(); }},
    {"pedal.pad_force 1379.1 N over 6.458",
     [] { return Kinematics::make(lever())->pad_force(Force{1379.1}, Length{0.0}).value(); }},
    {"assist.max 203 mm at 65 kPa", [] { return assist_max(booster()).value(); }},
    {"assist.run_out", [] { return run_out_input(booster()).value(); }},
    {"assist.output 300 N", [] { return assist_output(booster(), Force{300.0}).value(); }},
    {"assist.ambient 1500 m", [] { return ambient_pressure(1500)->value(); }},
    {"master.area 22.225 mm", [] { return bore_area(car().master).value() * 1e6; }},
    {"master.piston_force at 4 MPa",
     [] { return piston_force(car().master, Pressure{4e6}).value(); }},
    {"master.dead primary lost",
     [] { return dead_stroke(car().master, LostCircuit::primary)->value() * 1e3; }},
    {"master.dead secondary lost",
     [] { return dead_stroke(car().master, LostCircuit::secondary)->value() * 1e3; }},
    {"circuit.air 1 cm³ at 3.1 MPa", [] { return air_volume_m3(1e-6, 3.1e6) * 1e6; }},
    {"circuit.hose 1 ft aged at 1000 psi",
     [] {
       return hose_volume_m3({Length{0.3048}, HoseKind::rubber_aged}, 1000 * kPsi) * 1e6;
     }},
    {"circuit.tube 2 m of 3/16 in at 10 MPa",
     [] {
       Tube t;
       t.length = Length{2.0};
       return tube_volume_m3(t, 1e7) * 1e6;
     }},
    {"circuit.fluid modulus at 120 °C",
     [] {
       return bulk_modulus_pa({false, 120}) / 1e6;
     }},
    {"vehicle.z front 0.7 rear 0.1",
     [] {
       return braking({Mass{1000.0}, Length{2.5}, Length{0.55}, 0.53, 0.9}, {0.7, 1}, {0.1, 1}).z;
     }},
    {"vehicle.stop 100 km/h at 0.656 g",
     [] { return stopping_distance(Speed{100 / 3.6}, 0.656, Time{0.0}).value(); }},
    {"feel.force 3/4 to 13/16 in",
     [] { return relative(Length{0.01905}, Length{0.0206375}, 6, 6)->force_factor; }},
    {"feel.travel 3/4 to 13/16 in",
     [] { return relative(Length{0.01905}, Length{0.0206375}, 6, 6)->travel_factor; }},
    {"rod.change 16.0 to 41.5 mm",
     [] {
       const UnitFace a{Length{0.0160}, Length{0.02}, Length{0.001}, Length{0.0}};
       const UnitFace b{Length{0.0415}, Length{0.02}, Length{0.001}, Length{0.0}};
       return rod_change(a, b, Length{0.0}).change.value() * 1e3;
     }},
    {"rod.turns 1 in at the pedal",
     [] { return turns_for(rod_for_height(Length{0.0254}, 6), Length{0.0254 / 24}, 1); }},
    {"doubt.pin_share ±1 mm on 50 mm",
     [] {
       Job job = known_job();
       for (const ParamInfo& p : all_params())
         if (p.typical_si && p.kind != Kind::choice)
           job.found.set(p.param, {*p.typical_si, How::stated, 0, {}});
       job.found.set(param::vehicle_mass, {1260, How::stated, 0, {}});
       job.found.set(param::vehicle_cg_height, {0.56, How::stated, 0, {}});
       job.found.set(param::front_mu, {0.38, How::stated, 0, {}});
       job.found.set(param::control_return_force, {0, How::stated, 0, {}});
       job.found.set(param::control_pin_arm, {0.05, How::calliper, 0.001, {}});
       DoubtRequest q;
       q.samples = 100;
       const auto r = doubt(job, ConditionId::plan, q);
       return std::abs(r->ranked.front().of(PressQuantity::effort)) /
              condition_report(job, ConditionId::plan).target->at.pad_force_n * 100;
     }},
    {"doubt.uniform 1 2 3", [] { return counter_uniform(1, 2, 3); }},
    {"proving.take_up 30 mm", [] { return pumped().take_up->value() * 1e6; }},
    {"proving.sink 24 mm in 60 s", [] { return *pumped().sink_m3_per_s * 60e6; }}};

}  // namespace

namespace yoke::test {
/// Examples of the units: in a file of their own.
const std::map<std::string, std::function<double()>>& unit_examples();
}  // namespace yoke::test

TEST_CASE("model pages: every worked example") {
  size_t seen = 0;
  auto examples = kExamples;
  examples.insert(unit_examples().begin(), unit_examples().end());
  for (const char* page :
       {"pedal", "assist", "master", "circuit", "vehicle", "feel", "rod", "proving", "doubt",
        "reserve", "servo", "clutch", "lines", "holding", "sizing", "survey", "fit"}) {
    std::ifstream in(std::string(YOKE_SOURCE_DIR) + "/docs/model/" + page + ".md");
    REQUIRE(in);
    for (std::string line; std::getline(in, line);) {
      if (line.rfind("= ", 0) != 0) continue;
      ++seen;
      const size_t equals = line.rfind(" = ");
      const std::string left = equals == 0 ? std::string() : line.substr(2, equals - 2);
      const std::string right = line.substr(equals + 3);
      INFO(line);
      REQUIRE(examples.count(left) == 1);
      // Which many digits as the page writes: half a unit of the last one.
      const std::string number = right.substr(0, right.find(' '));
      const size_t point = number.find('.');
      const double unit = point == std::string::npos
                              ? 1
                              : std::pow(10.0, -static_cast<double>(number.size() - point - 1));
      CHECK(examples.at(left)() == Approx(std::stod(number)).margin(0.51 * unit).epsilon(0));
    }
  }
  CHECK(seen == examples.size());
}
