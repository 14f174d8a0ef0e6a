// Bench arithmetic: lines, threads, off-axis, flange, pacing, shoe factor; the table as a whole.
#include <catch2/catch.hpp>
#include <cmath>

#include "calc/calculators.hpp"
#include "circuit/shoe.hpp"
#include "fitting/off_axis.hpp"
#include "lines/lines.hpp"
#include "lines/threads.hpp"
#include "work/pacing.hpp"

using namespace yoke;

namespace {
constexpr double kIn = 0.0254;
constexpr double kLbfFt = 1.3558179483314004;

Mating mating(const char* nut, Seat nut_seat, const char* port, Seat port_seat) {
  return mate(*find_thread(nut), nut_seat, *find_thread(port), port_seat).mating;
}
}  // namespace

TEST_CASE("crowfoot: 1.5 in on a 12 in wrench, set 10.7 to get 12 (common practice, no source)") {
  const auto at = [](double degrees) {
    return crowfoot_dial(Torque{12 * kLbfFt}, Length{12 * kIn}, Length{1.5 * kIn},
                         Angle{degrees * kPi / 180})
               ->value() /
           kLbfFt;
  };
  CHECK(at(0) == Approx(10.7).margin(0.04));
  CHECK(at(90) == Approx(12));
  CHECK(at(180) == Approx(13.7).margin(0.05));
  CHECK(crowfoot_dial(Torque{10.0}, Length{0.06}, Length{0.06}, Angle{kPi}).error().field ==
        "angle");
  CHECK(crowfoot_dial(Torque{0.0}, Length{0.3}, Length{0.03}, Angle{0.0}).error().field == "joint");
}

TEST_CASE("threads: what fits, leaks, strips (common practice, no source)") {
  using enum Seat;
  CHECK(mating("3/8-24", inverted_45, "3/8-24 UNF", inverted_45) == Mating::fits);
  CHECK(mating("3/8-24", inverted_45, "-3 AN", cone_37) == Mating::wrong_seat);
  CHECK(mating("M10x1", bubble, "3/8-24", inverted_45) == Mating::strips);
  CHECK(mating("m10 x 1.0", bubble, "M10X1.25", bubble) == Mating::strips);
  CHECK(mating("M12x1.25", banjo, "1/2-20", banjo) == Mating::strips);
  CHECK(mating("M14x1.5", banjo, "9/16-18", banjo) == Mating::strips);
  CHECK(mating("M10x1", bubble, "1/2-20", bubble) == Mating::no_thread);
  CHECK(mating("7/16-20", cone_37, "-4", cone_37) == Mating::fits);
  CHECK(english(find_thread("M11x1").error().range).find("M10×1") != std::string::npos);
  CHECK(*parse_seat("inverted") == inverted_45);
  CHECK_FALSE(parse_seat("round"));
  // M10 x 1 and 3/8-24 differ by half a millimetre outside and 6 % in pitch.
  for (const Thread& t : line_threads()) CHECK(mate(t, banjo, t, banjo).mating == Mating::fits);
}

TEST_CASE("lines: content, developed length, reservoirs, leaning") {
  // 3/16 in tube has a bore of about 3 mm (common practice, no source).
  const double bore = 0.0047625 - 2 * 0.00071;
  CHECK(bore == Approx(0.003).margin(0.0005));
  CHECK(line_volume(Length{bore}, Length{1.0})->value() * 1e6 == Approx(8.77).margin(0.02));
  CHECK(line_volume(Length{0.1}, Length{1.0}).error().field == "bore");
  // Four quarter turns of one radius are a whole circle.
  const std::vector<Bend> ring(4, Bend{Length{0.02}, Angle{kPi / 2}});
  CHECK(developed_length(Length{0.5}, ring, 2)->value() == Approx(0.5 + 2 * kPi * 0.02 + 0.010));
  CHECK(developed_length(Length{0.5}, ring, 9).error().field == "flares");
  const std::vector<Bend> sharp{Bend{Length{0.001}, Angle{1.0}}};
  CHECK(developed_length(Length{0.5}, sharp, 0).error().field == "bend.radius");
  const auto r =
      reservoir_check(Volume{60e-6}, Volume{10e-6}, wear_volume(Area{2 * 0.00181}, Length{0.016}));
  CHECK(r.drawn.value() == Approx(57.92e-6));
  CHECK_FALSE(r.enough);
  CHECK(reservoir_check(Volume{70e-6}, Volume{0.0}, r.drawn).enough);
  CHECK(head_when_leaning(Length{0.1}, Length{0.2}, Angle{0.0}).value() == Approx(0.1));
  // Raised by so much along the body, so much is left when it leans: no more and no less.
  for (const double lean : {0.0, 0.2, 0.35, 1.0}) {
    const Length higher = bottle_higher(Length{0.06}, Length{0.2}, Angle{lean}, Length{0.01});
    const double left = head_when_leaning(Length{0.06} + higher, Length{0.2}, Angle{lean}).value();
    CHECK(left >= 0.01 - 1e-12);
    if (higher.value() > 0) CHECK(left == Approx(0.01));
  }
  CHECK(head_when_leaning(Length{0.1}, Length{0.2}, Angle{kPi / 4}).value() ==
        Approx((0.1 - 0.2) * std::sqrt(0.5)));
}

TEST_CASE("off-axis: two half moves need not add up to the gap") {
  OffAxis o;
  o.side = Length{0.025};
  o.unit_shift = Length{0.010};
  o.pedal_shift = Length{0.010};
  o.rod = Length{0.127};
  const auto r = off_axis(o);
  CHECK(r->side_left.value() == Approx(0.005));
  CHECK_FALSE(r->closed);
  CHECK(r->angle.value() == Approx(std::asin(0.005 / 0.127)));
  CHECK(lug_to_close(o).value() == Approx(0.005));
  o.lug = lug_to_close(o);
  CHECK(off_axis(o)->closed);
  CHECK(off_axis(o)->twist_m == Approx(0.005));
  // 0.5 in on a 5 in rod 5.7 degrees, on 8 in 3.6 (common practice, no source).
  OffAxis bare;
  bare.side = Length{0.5 * kIn};
  bare.rod = Length{5 * kIn};
  CHECK(off_axis(bare)->angle.value() * 180 / kPi == Approx(5.7).margin(0.05));
  bare.rod = Length{8 * kIn};
  CHECK(off_axis(bare)->angle.value() * 180 / kPi == Approx(3.6).margin(0.05));
  bare.side = Length{0.25};
  CHECK(off_axis(bare).error().field == "rod");
}

TEST_CASE("flange stack: engagement, crush, and the rod that follows") {
  FlangeStack f{Length{0.030}, Length{0.012}, Length{0.0015}, Length{0.0015},
                Length{0.008}, false,         false,          false};
  CHECK(flange_stack(f)->engaged.value() == Approx(0.015));
  CHECK(flange_stack(f)->enough);
  CHECK(flange_stack(f)->rod_longer.value() == Approx(0.012));
  f.spacers = Length{0.021};
  CHECK_FALSE(flange_stack(f)->enough);
  f.spacers = Length{0.017};
  CHECK(flange_stack(f)->enough);
  f.aluminium = true;
  CHECK_FALSE(flange_stack(f)->enough);
  f.boxed = true;
  CHECK(flange_stack(f)->crushes);
  f.crush_sleeve = true;
  CHECK_FALSE(flange_stack(f)->crushes);
  f.stud = Length{0.0};
  CHECK(flange_stack(f).error().field == "stud");
}

TEST_CASE("steering sweeps: half-inch steps, half an hour at least (common practice, no source)") {
  const auto p = sweep_pace(3.5, Length{0.38}, Length{0.0127}, Time{1800.0});
  CHECK(p->rim.value() == Approx(kPi * 0.38 * 3.5));
  CHECK(p->steps == 330);
  CHECK(p->each.value() * p->steps == Approx(1800));
  CHECK(p->way.value() == Approx(0.0127 * 330 * 331 / 2));
  CHECK(sweep_pace(3.5, Length{0.38}, Length{0.0127}, Time{60.0}).error().field == "least");
}

TEST_CASE("a steering sweep by hand: steps, way, time and mean speed") {
  const auto p = sweep_pace(3, Length{0.4}, Length{0.05}, Time{1800.0});
  REQUIRE(p);
  const double rim = 3.14159265358979 * 0.4 * 3;
  CHECK(p->rim.value() == Approx(rim));
  CHECK(p->steps == 76);  // 3.770 m by 50 mm, rounded up
  CHECK(p->way.value() == Approx(0.05 * 76 * 77 / 2));
  CHECK(p->each.value() == Approx(1800.0 / 76));
  CHECK(p->rim_speed.value() == Approx(0.05 * 76 * 77 / 2 / 1800));
}

TEST_CASE("shoe factor: leading and trailing sum, friction cancels for two equal shoes at n = 0") {
  const ShoeGeometry g{Length{0.200}, Length{0.100}, Length{0.090}};
  // Gillespie's formulas, from memory, by hand: 0.38 x 0.2/(0.1 -+ 0.0342).
  CHECK(*shoe_factor(g, 0.38, Shoes::leading_trailing) == Approx(0.076 / 0.0658 + 0.076 / 0.1342));
  CHECK(*shoe_factor(g, 0.38, Shoes::two_leading) == Approx(2 * 0.076 / 0.0658));
  // The usual ranges: 2.0 ... 2.3 and about 3.0 (common practice, no source; Limpert, from memory).
  const ShoeGeometry usual{Length{0.200}, Length{0.090}, Length{0.065}};
  CHECK(*shoe_factor(usual, 0.38, Shoes::leading_trailing) == Approx(1.9).margin(0.3));
  CHECK(shoe_factor(g, 0.7, Shoes::two_leading).has_value());
  const ShoeGeometry grabs{Length{0.200}, Length{0.050}, Length{0.100}};
  CHECK(english(shoe_factor(grabs, 0.5, Shoes::two_leading).error().reason).find("grabs") !=
        std::string::npos);
  CHECK_FALSE(shoe_factor(g, 0.38, Shoes::linked));
  CHECK(factor_at(2.15, 0.7 * 0.38, 0.38, 1.45) == Approx(2.15 * std::pow(0.7, 1.45)));
  // The exponent of leading/trailing is the slope of the geometry's own curve.
  const double a = *shoe_factor(g, 0.36, Shoes::leading_trailing);
  const double b = *shoe_factor(g, 0.40, Shoes::leading_trailing);
  CHECK(std::log(b / a) / std::log(0.40 / 0.36) == Approx(1.45).margin(0.2));
}

TEST_CASE("every bench calculation: runs from its usual values, refuses what cannot be") {
  for (const Calculator& c : calculators()) {
    INFO(c.id);
    CHECK_FALSE(std::string(c.title).empty());
    CHECK_FALSE(std::string(c.source).empty());
    std::vector<double> usual;
    for (const CalcInput& in : c.inputs) usual.push_back(in.start);
    const auto figures = calculate(c, usual);
    REQUIRE(figures);
    CHECK_FALSE(figures->empty());
    for (const Figure& f : *figures) {
      CHECK_FALSE(f.words.empty());
      if (f.si) CHECK(std::isfinite(*f.si));
    }
    // Each input in turn, far out and not a number: words, or finite figures, never a crash.
    for (std::size_t i = 0; i < usual.size(); ++i)
      for (const double wild : {-1e9, 1e9, 0.0, std::nan("")}) {
        std::vector<double> v = usual;
        v[i] = wild;
        const auto r = calculate(c, v);
        if (!r) {
          CHECK_FALSE(r.error().field.empty());
          CHECK_FALSE(r.error().reason.empty());
          continue;
        }
        for (const Figure& f : *r)
          if (f.si) CHECK(std::isfinite(*f.si));
      }
    CHECK_FALSE(calculate(c, std::vector<double>(usual.size() + 1, 1.0)));
  }
  CHECK(find_calculator("crowfoot"));
  CHECK(english(find_calculator("nothing").error().range).find("crowfoot") != std::string::npos);
  const Calculator& t = **find_calculator("thread");
  CHECK(*parse_input(t.inputs[0], "M10x1", UnitStyle::both) == 5);
  CHECK(*parse_input(t.inputs[0], "M10×1", UnitStyle::both) == 5);
  CHECK(*parse_input(t.inputs[0], "2", UnitStyle::both) == 1);
  CHECK_FALSE(parse_input(t.inputs[0], "left", UnitStyle::both));
}
