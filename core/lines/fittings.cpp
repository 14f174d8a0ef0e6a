#include "lines/fittings.hpp"

#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

namespace {

constexpr double kInch_m = 0.0254;

Fitting inch(std::string_view thread, double diameter_in, double per_inch, std::string_view seat,
             SeatLook look, std::string_view tube, std::string_view spanner) {
  return {thread, Length{diameter_in * kInch_m}, Length{kInch_m / per_inch}, seat, look, tube,
          spanner};
}
Fitting metric(std::string_view thread, double diameter_mm, double pitch_mm, std::string_view seat,
               SeatLook look, std::string_view tube, std::string_view spanner) {
  return {thread, Length{diameter_mm * 1e-3}, Length{pitch_mm * 1e-3}, seat, look, tube, spanner};
}

constexpr std::string_view kInverted = "45° inverted double flare";
constexpr std::string_view kBubble = "metric bubble flare";
constexpr std::string_view kCone37 = "37° single flare";
constexpr std::string_view kBanjo = "banjo with two washers";
constexpr std::string_view kTaper = "seals on its thread";

}  // namespace

std::string_view look_words(SeatLook look) {
  static constexpr std::string_view w[] = {"Not looked at yet",
                                           "A raised cone at the bottom",
                                           "A hollow cone, nut with a smooth lead",
                                           "A cone outside on a nipple",
                                           "A flat spot-faced boss",
                                           "No seat, the thread narrows"};
  return w[static_cast<std::size_t>(look)];
}

const std::vector<Fitting>& fittings() {
  using enum SeatLook;
  static const std::vector<Fitting> list = {
      inch("3/8-24", 0.375, 24, kInverted, cone_out, "3/16 in tube", "3/8 or 7/16 in"),
      inch("3/8-24", 0.375, 24, kCone37, cone_outside, "3/16 in tube, −3", "7/16 in"),
      inch("7/16-24", 0.4375, 24, kInverted, cone_out, "1/4 in tube, or 3/16 with a large nut",
           "7/16 in"),
      inch("7/16-20", 0.4375, 20, kCone37, cone_outside, "1/4 in tube, −4", "9/16 in"),
      inch("7/16-20", 0.4375, 20, kBanjo, flat, "banjo", "9/16 in"),
      inch("1/2-20", 0.5, 20, kInverted, cone_out, "outlet of a tandem master", "1/2 in"),
      inch("9/16-18", 0.5625, 18, kInverted, cone_out, "outlet of a tandem master", "9/16 in"),
      metric("M10×1", 10, 1, kBubble, cone_in, "4.75 mm tube", "10 or 11 mm"),
      metric("M10×1", 10, 1, kInverted, cone_out, "4.75 mm tube", "10 or 11 mm"),
      metric("M10×1", 10, 1, kBanjo, flat, "banjo", "14 mm head"),
      metric("M10×1.25", 10, 1.25, kBanjo, flat, "banjo, bleed nipple", "14 mm head"),
      metric("M12×1", 12, 1, kBubble, cone_in, "6 mm tube, or 4.75 with a large nut",
             "12, 13 or 14 mm"),
      inch("1/8-27 taper", 0.405, 27, kTaper, none, "gauges and test fittings only", "7/16 in")};
  return list;
}

std::vector<Fitting> find_fittings(Length outside, Length pitch, SeatLook look) {
  std::vector<Fitting> list;
  for (const Fitting& f : fittings()) {
    const double under = f.outside.value() - outside.value();
    if (under < -0.05e-3 || under > 0.30e-3) continue;
    if (std::abs(pitch.value() - f.pitch.value()) > 0.05 * f.pitch.value()) continue;
    if (look != SeatLook::not_looked && look != f.look) continue;
    list.push_back(f);
  }
  return list;
}

Expected<Length> counted_pitch(int threads, Length over) {
  const Check checks[] = {{"threads", "Threads counted", static_cast<double>(threads), 3, 60,
                           Kind::number, "From crest to crest, as many as can be seen"},
                          {"over", "The length counted over", over.value(), 0.002, 0.06,
                           Kind::length, "Crest to crest with the caliper"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  return Length{over.value() / threads};
}

std::string_view joint_words(Joint joint) {
  static constexpr std::string_view w[] = {"Flare nut",
                                           "Banjo",
                                           "Bleed nipple's seat",
                                           "Bleed nipple's thread",
                                           "Cups and bore",
                                           "Vacuum hose or booster grommet",
                                           "Reservoir hose on its barb",
                                           "Taper thread of a gauge"};
  return w[static_cast<std::size_t>(joint)];
}

std::string_view substance_words(Substance substance) {
  static constexpr std::string_view w[] = {"Nothing, dry",
                                           "New soft washers",
                                           "Thread tape",
                                           "Thread-locker",
                                           "Liquid sealant",
                                           "Brake fluid",
                                           "The kit's own paste",
                                           "Mineral oil or grease",
                                           "Water or rubber-safe paste",
                                           "A clamp"};
  return w[static_cast<std::size_t>(substance)];
}

namespace {

constexpr const char* kOilKills = "mineral oil swells brake rubber: cups lock or leak within days";
constexpr const char* kHides = "it hides a seat that does not seal, and crumbs of it block a port";

JointRule yes(const char* why) {
  return {true, why};
}
JointRule no(const char* why) {
  return {false, why};
}

JointRule on_flare(Substance s) {
  if (s == Substance::dry) return yes("the flare seals metal on metal");
  if (s == Substance::new_washers) return no("a washer keeps the flare off its seat");
  if (s == Substance::oil_or_grease) return no(kOilKills);
  if (s == Substance::brake_fluid)
    return no("dry: fluid on the nut hides a weep, and it turns further than its torque says");
  if (s == Substance::clamp) return no("a line under pressure blows out of a clamp");
  return no(kHides);
}

JointRule on_banjo(Substance s) {
  if (s == Substance::new_washers) return yes("one on each side of the eye, dry, new each time");
  if (s == Substance::dry) return no("without new washers it weeps: the old ones have set");
  if (s == Substance::oil_or_grease) return no(kOilKills);
  if (s == Substance::clamp) return no("a line under pressure blows out of a clamp");
  if (s == Substance::brake_fluid) return no("dry: a wet washer hides a weep");
  return no(kHides);
}

JointRule on_bleed_thread(Substance s) {
  if (s == Substance::dry) return yes("the seat seals, not the thread");
  if (s == Substance::tape)
    return yes(
        "only while it is bled by vacuum, so that no air comes past the thread; off again after");
  if (s == Substance::oil_or_grease) return no(kOilKills);
  if (s == Substance::brake_fluid) return yes("it keeps the thread from rusting in");
  return no("it is opened again next year");
}

JointRule on_rubber(Joint j, Substance s) {
  if (s == Substance::oil_or_grease) return no(kOilKills);
  if (j == Joint::cups) {
    if (s == Substance::brake_fluid || s == Substance::kit_paste)
      return yes("cups, bore and piston go together wet with it");
    if (s == Substance::dry) return no("a dry cup tears or rolls over");
    if (s == Substance::rubber_paste) return no("water rusts the bore");
    return no("nothing else belongs in the bore");
  }
  if (j == Joint::reservoir_barb) {
    if (s == Substance::clamp) return yes("a clamp on every hose that is pushed on");
    if (s == Substance::dry) return no("without a clamp it walks off its barb");
    if (s == Substance::brake_fluid) return yes("to slip it on; the clamp holds it");
    return no("the hose slides off, or the fluid takes it along");
  }
  if (s == Substance::rubber_paste) return yes("it slips in whole and holds when dry");
  if (s == Substance::clamp) return yes("on the hose, both ends");
  if (s == Substance::brake_fluid) return no("fluid is drawn into the booster and its diaphragm");
  if (s == Substance::dry) return no("a dry grommet tears: it leaks vacuum");
  return no("it is drawn into the booster");
}

}  // namespace

JointRule joint_rule(Joint joint, Substance substance) {
  switch (joint) {
    case Joint::flare:
      return on_flare(substance);
    case Joint::banjo:
      return on_banjo(substance);
    case Joint::bleed_seat:
      return substance == Substance::dry ? yes("the seat seals metal on metal")
             : substance == Substance::oil_or_grease
                 ? no(kOilKills)
                 : no("nothing on the seat: it would not close");
    case Joint::bleed_thread:
      return on_bleed_thread(substance);
    case Joint::taper:
      if (substance == Substance::tape)
        return yes(
            "two turns, clear of the first thread; test fittings only, off the car before it "
            "drives");
      if (substance == Substance::oil_or_grease) return no(kOilKills);
      return no("it seals on its thread: tape, and only on test fittings");
    case Joint::cups:
    case Joint::vacuum_hose:
    case Joint::reservoir_barb:
      break;
  }
  return on_rubber(joint, substance);
}

}  // namespace yoke
