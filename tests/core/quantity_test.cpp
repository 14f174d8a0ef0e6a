#include <atomic>
#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <new>
#include <stdexcept>
#include <string>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/clutch.hpp"
#include "document/param/lines.hpp"
#include "document/param/vehicle.hpp"
#include "document/params.hpp"
#include "quantity/drills.hpp"
#include "quantity/quantity.hpp"
#include "quantity/workers.hpp"
#include "support/gnu_units.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct Reads {
  const char* text;
  Kind kind;
  double si;
};

}  // namespace

TEST_CASE("quantities are read as people write them", "[comma]") {
  const Reads table[] = {{"6-3/8 in", Kind::length, 0.161925},
                         {"13/64\"", Kind::length, 0.005159375},
                         {"19,05 mm", Kind::length, 0.01905},
                         {"19.05mm", Kind::length, 0.01905},
                         {"1 3/16 in", Kind::length, 0.0301625},
                         {"1 3/16\"", Kind::length, 0.0301625},
                         {"7/8in", Kind::length, 0.022225},
                         {"½ in", Kind::length, 0.0127},
                         {"1½ in", Kind::length, 0.0381},
                         {"3⁄16 in", Kind::length, 0.0047625},
                         {"0.020in", Kind::length, 0.000508},
                         {".5 in", Kind::length, 0.0127},
                         {"-12 mm", Kind::length, -0.012},
                         {"−12 mm", Kind::length, -0.012},
                         {"20 thou", Kind::length, 0.000508},
                         {"2 ft", Kind::length, 0.6096},
                         {"400psi", Kind::pressure, 2757902.917},
                         {"400 PSI", Kind::pressure, 2757902.917},
                         {"25 bar", Kind::pressure, 2.5e6},
                         {"19 inHg", Kind::pressure, 64341.39},
                         {"48 lbf", Kind::force, 213.514637},
                         {"20 kg", Kind::force, 196.133},
                         {"24 tpi", Kind::pitch, 0.0254 / 24},
                         {"1.25 mm", Kind::pitch, 0.00125},
                         {"68 °F", Kind::temperature, 20.0},
                         {"53 %", Kind::fraction, 0.53},
                         {"1 cc", Kind::volume, 1e-6},
                         {"6.5", Kind::number, 6.5},
                         {"6.5:1", Kind::number, 6.5},
                         {"2 min", Kind::time, 120},
                         {"9 deg", Kind::angle, 0.15707963268},
                         {"22", Kind::length, 0.022}};
  for (const auto& r : table) {
    INFO(r.text);
    const auto v = parse_quantity(r.text, r.kind, UnitStyle::metric);
    REQUIRE(v);
    CHECK(*v == Approx(r.si).epsilon(1e-7));
  }
}

TEST_CASE("a bare number takes the unit that is shown first") {
  CHECK(*parse_quantity("0.875", Kind::length, UnitStyle::imperial) == Approx(0.022225));
  CHECK(*parse_quantity("0.875", Kind::length, UnitStyle::both) == Approx(0.000875));
}

TEST_CASE("what is not a quantity is refused with a reason") {
  for (const char* text :
       {"", " ", "abc", "1,234.5 mm", "1/0 in", "1/ in", "--3", "1 2 3/4 in", "5 parsec", "12 psi",
        "0x10", "1e5", "nan", "inf", "mm", "1//2", "3/4/5", "9999999/2 in", "7 7/8/9 in"}) {
    INFO(text);
    const auto v = parse_quantity(text, Kind::length, UnitStyle::metric);
    REQUIRE_FALSE(v);
    CHECK_FALSE(v.error().reason.empty());
    CHECK_FALSE(v.error().remedy.empty());
  }
  CHECK_FALSE(parse_quantity(std::string(65, '1'), Kind::length, UnitStyle::metric));
  CHECK_FALSE(parse_quantity("0 tpi", Kind::pitch, UnitStyle::metric));
}

TEST_CASE("any bytes are read without harm") {
  unsigned state = 12345;
  for (int i = 0; i < 20000; ++i) {
    std::string s;
    const int n = static_cast<int>(state >> 8) % 12;
    for (int k = 0; k < n; ++k) {
      state = state * 1664525u + 1013904223u;
      static constexpr char letters[] = "0123456789 ./-+,inm\"'%psi\xc2\xbd\xe2\x81\x84";
      s += letters[(state >> 16) % (sizeof letters - 1)];
    }
    state = state * 1664525u + 1013904223u;
    const auto v = parse_quantity(s, Kind::length, UnitStyle::metric);
    if (v) CHECK(std::isfinite(*v));
  }
}

TEST_CASE("numbers are written in both units, inch fractions where they are exact", "[comma]") {
  const Style metric{UnitStyle::metric, false};
  const Style both{UnitStyle::both, false};
  CHECK(format_quantity(0.022225, Kind::length, 2, metric) == "22.23 mm");
  CHECK(format_full(0.022225, Kind::length, 2, both) == "22.23 mm (7/8 in)");
  CHECK(format_full(0.0254, Kind::length, 2, both) == "25.40 mm (1 in)");
  CHECK(format_full(-0.029718, Kind::length, 2, both) == "-29.72 mm (-1.170 in)");
  CHECK(format_quantity(0.0254 / 24, Kind::pitch, 2, {UnitStyle::imperial, false}) == "24 tpi");
  CHECK(format_quantity(0.01905, Kind::length, 2, {UnitStyle::metric, true}) == "19,05 mm");
  CHECK(format_number(-0.0001, 2) == "0.00");
  CHECK(format_number(std::nan(""), 2) == "–");
  CHECK(inch_fraction(0.0301625) == "1 3/16");
  CHECK(inch_fraction(0.0051) == "");
}

TEST_CASE("what is written is read back") {
  for (int i = 1; i < 400; ++i) {
    const double si = i * 0.000137;
    for (const UnitStyle u : {UnitStyle::metric, UnitStyle::imperial}) {
      const Style style{u, i % 2 == 0};
      const auto text = format_quantity(si, Kind::length, 3, style);
      CHECK(*parse_quantity(text, Kind::length, style) == Approx(si).margin(4e-6));
    }
  }
}

TEST_CASE("unit factors agree with GNU units") {
  struct Factor {
    Kind kind;
    const char* ours;
    const char* theirs;
    const char* si;
  };
  // GNU units writes lbf, psi, inHg, kgf itself; its definitions are independent of ours.
  const Factor table[] = {{Kind::length, "in", "inch", "m"},
                          {Kind::length, "ft", "foot", "m"},
                          {Kind::length, "thou", "0.001 inch", "m"},
                          {Kind::area, "in²", "inch^2", "m^2"},
                          {Kind::volume, "in³", "inch^3", "m^3"},
                          {Kind::volume, "l", "liter", "m^3"},
                          {Kind::force, "lbf", "lbf", "N"},
                          {Kind::force, "kgf", "kgf", "N"},
                          {Kind::pressure, "psi", "psi", "Pa"},
                          {Kind::pressure, "bar", "bar", "Pa"},
                          {Kind::pressure, "atm", "atm", "Pa"},
                          {Kind::mass, "lb", "lb", "kg"},
                          {Kind::angle, "deg", "degree", "radian"},
                          {Kind::torque, "lbf·ft", "lbf ft", "N m"},
                          {Kind::torque, "lbf in", "lbf inch", "N m"},
                          {Kind::spring_rate, "lbf/in", "lbf/inch", "N/m"},
                          {Kind::spring_rate, "N/mm", "N/mm", "N/m"},
                          {Kind::flow, "cfm", "ft^3/min", "m^3/s"},
                          {Kind::flow, "l/min", "liter/min", "m^3/s"},
                          {Kind::speed, "mph", "mile/hour", "m/s"},
                          {Kind::speed, "km/h", "km/hour", "m/s"}};
  for (const auto& f : table) {
    INFO(f.ours);
    const auto ours = parse_quantity(std::string("1 ") + f.ours, f.kind, UnitStyle::metric);
    REQUIRE(ours);
    CHECK(*ours == Approx(gnu_units(f.theirs, f.si)).epsilon(1e-7));
  }
  // Conventional inch of mercury differs in the fifth figure between 0 °C and 60 °F definitions.
  CHECK(*parse_quantity("1 inHg", Kind::pressure, UnitStyle::metric) ==
        Approx(gnu_units("inHg", "Pa")).epsilon(1e-4));
}

TEST_CASE("number drills agree with GNU units") {
  for (int n = 1; n <= 60; ++n) {
    INFO(n);
    const double theirs = gnu_units("drillgauge(" + std::to_string(n) + ")", "m");
    CHECK(*number_drill_m(n) == Approx(theirs).epsilon(1e-9));
  }
  CHECK_FALSE(number_drill_m(0));
  CHECK_FALSE(number_drill_m(61));
  // No. 7 is 0.201 in, 13/64 is 0.2031 in: not the same (common practice, no source).
  CHECK(*parse_quantity("#7", Kind::length, UnitStyle::metric) == Approx(0.201 * 0.0254));
  CHECK(*parse_quantity("13/64 in", Kind::length, UnitStyle::metric) / 0.0254 ==
        Approx(0.2031).margin(5e-5));
  CHECK_FALSE(parse_quantity("#99", Kind::length, UnitStyle::metric));
  CHECK_FALSE(parse_quantity("#", Kind::length, UnitStyle::metric));
}

TEST_CASE("the parameter table is complete and consistent") {
  for (const ParamInfo& p : all_params()) {
    INFO(p.id);
    CHECK(&info(p.param) == &p);
    CHECK(find_param(p.id) == p.param);
    CHECK_FALSE(p.words.empty());
    CHECK_FALSE(p.help.empty());
    CHECK(p.min_si < p.max_si);
    if (p.typical_si) {
      CHECK_FALSE(p.source.empty());
      CHECK(check_range(p.param, *p.typical_si));
    }
    if (p.kind == Kind::choice) CHECK(static_cast<double>(p.options.size()) == p.max_si + 1);
    CHECK_FALSE(check_range(
        p.param, p.max_si + std::abs(p.max_si) * 0.01 + 1e-3 + (p.kind == Kind::choice)));
    CHECK_FALSE(check_range(p.param, std::nan("")));
  }
}

TEST_CASE("impossible values are refused by name, range and remedy") {
  const Style s;
  const auto bore = parse_value(param::master_bore, "-20 mm", s);
  REQUIRE_FALSE(bore);
  CHECK(bore.error().field == "master.bore");
  CHECK(english(bore.error().text()).find("8.00 mm to 60.00 mm") != std::string::npos);
  CHECK_FALSE(parse_value(param::control_pin_arm, "0", s));
  const auto fluid = parse_value(param::fluid_grade, "5.2", s);
  REQUIRE_FALSE(fluid);
  CHECK(english(fluid.error().reason) == "There is no fluid grade “5.2”");
  CHECK(*parse_value(param::fluid_grade, "DOT 5.1", s) == 3);
  CHECK(*parse_value(param::fluid_grade, "5.1", s) == 3);
  CHECK_FALSE(parse_value(param::master_bore, "a big one", s));
}

TEST_CASE("a comma with three digits behind it is asked about, or settled by the range",
          "[comma]") {
  for (const char* text : {"1,200 lbf", "19,050 mm", "-1,500", "1,200"}) {
    INFO(text);
    CHECK(may_be_grouped(text));
    const auto v = parse_quantity(text, Kind::force, UnitStyle::metric);
    REQUIRE_FALSE(v);
  }
  const auto asked = parse_quantity("1,200 lbf", Kind::force, UnitStyle::metric);
  CHECK(english(asked.error().text()).find("1200 lbf or 1.200 lbf") != std::string::npos);
  // Where a comma is the decimal sign there is nothing to ask.
  CHECK(*parse_quantity("1,200 N", Kind::force, Style{UnitStyle::metric, true}) == Approx(1.2));
  for (const char* text : {"0,750", "19,05 mm", "1,2345", "1200,500", "1.200", "1,200.5", "1,2"})
    CHECK_FALSE(may_be_grouped(text));
  CHECK(parse_quantity("0,750 mm", Kind::length, UnitStyle::metric) == 0.75e-3);
  // Where only one of the two readings can be, it is taken.
  CHECK(*parse_value(param::master_bore, "19,050 mm", {}) == Approx(0.01905));
  CHECK(*parse_value(param::vehicle_mass, "1,200 kg", {}) == Approx(1200));
  CHECK(*parse_value(param::control_pad_arm, "0,330 m", {}) == Approx(0.33));
  CHECK_FALSE(parse_value(param::vehicle_wheelbase, "2,540", {UnitStyle::imperial}));
  CHECK_FALSE(parse_value(param::clutch_peak, "1,200 lbf", {UnitStyle::imperial}) == 1.2);
}

TEST_CASE("a bare fraction is one of an inch, whatever unit is shown") {
  for (const UnitStyle style : {UnitStyle::metric, UnitStyle::imperial, UnitStyle::both}) {
    CHECK(*parse_quantity("15/16", Kind::length, style) == Approx(0.0238125));
    CHECK(*parse_quantity("1 3/16", Kind::length, style) == Approx(0.0301625));
    CHECK(*parse_quantity("7/8 mm", Kind::length, style) == Approx(0.000875));
  }
  CHECK(*parse_quantity("1/2", Kind::number, UnitStyle::metric) == Approx(0.5));
}

TEST_CASE("an exception in a worker ends its work, not the program") {
  std::atomic<int> ran{0};
  CHECK(run_workers(3, [&](bool) { ++ran; }));
  CHECK(ran == 3);
  CHECK_FALSE(run_workers(3, [](bool first) {
    if (!first) throw std::bad_alloc();
  }));
  CHECK_FALSE(run_workers(1, [](bool) { throw std::runtime_error("x"); }));
}
