#include "calc/calculators.hpp"

#include <cmath>

#include "calc/runs.hpp"
#include "lines/fittings.hpp"
#include "lines/lines.hpp"
#include "lines/threads.hpp"
#include "quantity/text.hpp"

namespace yoke {

namespace {

using namespace calc;

constexpr const char* kPractice = "common practice, no source";
constexpr const char* kGeometry = "textbook geometry";

std::vector<std::string> thread_names() {
  std::vector<std::string> names;
  names.reserve(line_threads().size());
  for (const Thread& t : line_threads()) names.emplace_back(t.name);
  return names;
}
template <class Enum>
std::vector<std::string> names(int count, std::string_view (*words)(Enum)) {
  std::vector<std::string> list;
  for (int i = 0; i < count; ++i) list.emplace_back(words(static_cast<Enum>(i)));
  return list;
}
std::vector<std::string> look_names() {
  return names<SeatLook>(6, look_words);
}
std::vector<std::string> joint_names() {
  return names<Joint>(kJoints, joint_words);
}
std::vector<std::string> substance_names() {
  return names<Substance>(kSubstances, substance_words);
}
std::vector<std::string> seat_names() {
  std::vector<std::string> names;
  names.reserve(4);
  for (int i = 0; i < 4; ++i) names.emplace_back(seat_words(static_cast<Seat>(i)));
  return names;
}

std::vector<Calculator> build() {
  constexpr double kFootPound = 1.3558179483314004;
  constexpr double kInch = 0.0254;
  constexpr double kRight = 0.5 * kPi;
  return {
      {"vacuum",
       "Largest assist of a vacuum booster",
       Stage::size,
       kPractice,
       "",
       {{"first", "Diaphragm", Kind::length, 0, 0.2286, {}},
        {"second", "Second diaphragm", Kind::length, 0, 0, {}},
        {"vacuum", "Vacuum", Kind::pressure, 3, 65000, {}}},
       vacuum_force},
      {"pump",
       "Electric vacuum pump",
       Stage::size,
       "gas law, isothermal",
       "",
       {{"flow", "Flow at its inlet", Kind::flow, 1, 0.0003, {}},
        {"end", "End pressure, absolute", Kind::pressure, 3, 15000, {}},
        {"store", "Booster and reservoir", Kind::volume, 0, 0.0035, {}},
        {"vacuum", "Vacuum wanted", Kind::pressure, 3, 65000, {}}},
       pump_time},
      {"shoe",
       "Shoe factor by geometry",
       Stage::size,
       "Gillespie, Fundamentals of Vehicle Dynamics, not checked against its text",
       "",
       {{"push", "Pivot to push", Kind::length, 0, 0.2, {}},
        {"normal", "Pivot to lining's middle", Kind::length, 0, 0.1, {}},
        {"friction", "Pivot to rubbing face", Kind::length, 0, 0.09, {}},
        {"mu", "Lining friction", Kind::number, 2, 0.38, {}},
        {"shoes", "Shoes", Kind::choice, 0, 0, {"One leading, one trailing", "Two leading"}}},
       shoe},
      {"off-axis",
       "Off-axis budget",
       Stage::fit,
       kGeometry,
       "",
       {{"side", "Gap sideways", Kind::length, 1, 0, {}},
        {"height", "Gap in height", Kind::length, 1, 0, {}},
        {"unit_shift", "Unit shifted", Kind::length, 1, 0, {}},
        {"pedal_shift", "Pedal shifted", Kind::length, 1, 0, {}},
        {"lug", "Lug on the arm", Kind::length, 1, 0, {}},
        {"height_shift", "Height shifted", Kind::length, 1, 0, {}},
        {"rod", "Push rod", Kind::length, 0, 0.15, {}}},
       off_axis_sum},
      {"flange",
       "Flange stack",
       Stage::fit,
       kPractice,
       "",
       {{"stud", "Stud, out of its flange", Kind::length, 1, 0.030, {}},
        {"spacers", "Spacers and gasket", Kind::length, 1, 0.006, {}},
        {"panel", "Panel", Kind::length, 1, 0.0015, {}},
        {"washer", "Washer", Kind::length, 1, 0.0015, {}},
        {"diameter", "Thread", Kind::length, 1, 0.008, {}},
        {"nut", "Nut in", Kind::choice, 0, 0, {"Steel", "Aluminium"}},
        {"wall",
         "The panel is",
         Kind::choice,
         0,
         0,
         {"One sheet", "A box section", "A box with a sleeve"}}},
       flange},
      {"turns",
       "Turns for a pedal height",
       Stage::rod,
       kGeometry,
       "",
       {{"height", "Height at the pedal", Kind::length, 1, kInch, {}},
        {"ratio", "Pedal ratio", Kind::number, 2, 6, {}},
        {"pitch", "Pitch", Kind::pitch, 2, kInch / 24, {}},
        {"adjuster", "Adjuster", Kind::choice, 0, 0, {"Fork or nut", "Left and right thread"}}},
       turns},
      {"height",
       "Pedal above the accelerator",
       Stage::rod,
       kPractice,
       "",
       {{"above", "Height above it", Kind::length, 0, 2 * kInch, {}}},
       pedal_height},
      {"thread",
       "Does this nut belong in this port?",
       Stage::plumb,
       "thread sizes ISO 261 and ASME B1.1, not checked against their text; near misses are common "
       "practice",
       "No sealant and no thread-locker on flare or banjo joints.",
       {{"nut", "Nut's thread", Kind::choice, 0, 0, thread_names()},
        {"nut_seat", "Nut's flare", Kind::choice, 0, 0, seat_names()},
        {"port", "Port's thread", Kind::choice, 0, 0, thread_names()},
        {"port_seat", "Port's seat", Kind::choice, 0, 0, seat_names()}},
       thread_match},
      {"fitting",
       "Which fitting is this?",
       Stage::plumb,
       "common practice, no source; thread sizes not checked against a standard",
       "A nut that screws in proves the thread: not the seat, not the bore, not the circuit.",
       {{"outside", "Outside diameter", Kind::length, 2, 0.0099, {}},
        {"pitch", "Pitch, by gauge", Kind::pitch, 2, 0.001, {}},
        {"threads", "or threads counted", Kind::number, 0, 0, {}},
        {"over", "over a length of", Kind::length, 2, 0.01, {}},
        {"look", "What the port shows", Kind::choice, 0, 0, look_names()}},
       fitting_find},
      {"joint",
       "What belongs on this joint?",
       Stage::plumb,
       "common practice, no source; the maker's word wins",
       "",
       {{"joint", "Joint", Kind::choice, 0, 0, joint_names()},
        {"put", "Put on it", Kind::choice, 0, 0, substance_names()}},
       joint_check},
      {"restriction",
       "What a narrow place costs",
       Stage::plumb,
       "laminar flow, Hagen-Poiseuille; viscosity 49 CFR 571.116 not checked against its text, 20 "
       "°C common "
       "practice",
       "",
       {{"bore", "Line's bore", Kind::length, 2, 0.00334, {}},
        {"length", "Line's length", Kind::length, 1, 2, {}},
        {"narrow", "Smallest bore", Kind::length, 2, 0.001, {}},
        {"narrow_length", "its length", Kind::length, 1, 0.01, {}},
        {"moved", "Fluid moved", Kind::volume, 1, 2e-6, {}},
        {"behind", "Pressure behind it", Kind::pressure, 1, 2e6, {}}},
       restriction},
      {"cut-length",
       "Tube to cut",
       Stage::plumb,
       kGeometry,
       "",
       {{"straights", "Straights together", Kind::length, 0, 1, {}},
        {"radius", "Bend radius, middle", Kind::length, 0, 0.02, {}},
        {"angle", "Angle of one bend", Kind::angle, 0, kRight, {}},
        {"bends", "Bends", Kind::number, 0, 4, {}},
        {"flares", "Flares", Kind::number, 0, 2, {}},
        {"per_flare", "Each flare takes", Kind::length, 1, kFlareAllowance_m, {}}},
       cut_length},
      {"line",
       "Fluid in a line",
       Stage::plumb,
       kGeometry,
       "",
       {{"bore", "Bore", Kind::length, 2, 0.00334, {}},
        {"length", "Length", Kind::length, 0, 3, {}}},
       line},
      {"head",
       "Reservoir head when leaning",
       Stage::plumb,
       kGeometry,
       "",
       {{"head", "Level over the highest point", Kind::length, 0, 0.1, {}},
        {"sideways", "Distance to the side", Kind::length, 0, 0.15, {}},
        {"lean", "Lean or slope", Kind::angle, 1, 0.2, {}}},
       head},
      {"crowfoot",
       "Crowfoot on a torque wrench",
       Stage::install,
       kGeometry,
       "Where a part has no torque figure, use none: snug, creep by 1/16 turn, watch for weeping.",
       {{"joint", "Torque at the joint", Kind::torque, 1, 12 * kFootPound, {}},
        {"wrench", "Wrench", Kind::length, 0, 12 * kInch, {}},
        {"crowfoot", "Crowfoot", Kind::length, 0, 1.5 * kInch, {}},
        {"angle", "Angle to the wrench", Kind::angle, 0, 0, {}}},
       crowfoot},
      {"torque",
       "Usual torque of a joint",
       Stage::install,
       kPractice,
       "Where the part has a figure of its own, that one counts.",
       {{"joint",
         "Joint",
         Kind::choice,
         0,
         0,
         {"Steel line nut", "Plug with aluminium washer", "Motorcycle banjo", "Small top nipple"}}},
       usual_torque},
      {"hone",
       "Can this bore be honed?",
       Stage::install,
       kPractice,
       "A bore pitted where the cup sweeps is not honed but renewed.",
       {{"bore", "Bore", Kind::length, 2, 0.022225, {}}},
       hone},
      {"copper",
       "Volt drop of a cable",
       Stage::install,
       "IEC 60028 and 60228, not checked against their text",
       "Battery off first. Fuse at the battery's end.",
       {{"length", "Cable, one way", Kind::length, 0, 2, {}},
        {"area", "Copper", Kind::area, 1, 6e-6, {}},
        {"fuse", "Fuse", Kind::current, 0, 40, {}},
        {"allowed", "Allowed drop", Kind::fraction, 0, 0.03, {}}},
       copper},
      {"steering",
       "Steering sweeps of a steering-fed booster",
       Stage::bleed,
       kPractice,
       "Front wheels off the ground on rated stands.",
       {{"turns", "Turns lock to lock", Kind::number, 1, 3.5, {}},
        {"wheel", "Steering wheel", Kind::length, 0, 0.38, {}},
        {"step", "Step at the rim", Kind::length, 1, 0.0127, {}},
        {"least", "Least time", Kind::time, 0, 1800, {}}},
       steering},
      {"air",
       "What trapped air costs",
       Stage::bleed,
       "ideal gas, slow",
       "",
       {{"air", "Air", Kind::volume, 1, 1e-6, {}},
        {"pressure", "Line pressure", Kind::pressure, 2, 2757903, {}},
        {"bore", "Bore", Kind::length, 2, 0.022225, {}},
        {"ratio", "Pedal ratio", Kind::number, 2, 6, {}}},
       air},
      {"stop",
       "Deceleration from a stop",
       Stage::prove,
       "v²/2d, textbook mechanics",
       "A closed place, belts, alone, parking brake proved; walking pace first.",
       {{"speed", "Speed", Kind::speed, 0, 50 / 3.6, {}},
        {"distance", "Distance", Kind::altitude, 1, 16, {}}},
       stopping}};
}

}  // namespace

const std::vector<Calculator>& calculators() {
  static const std::vector<Calculator> list = build();
  return list;
}

Expected<const Calculator*> find_calculator(const std::string& id) {
  std::string all;
  for (const Calculator& c : calculators()) {
    if (id == c.id) return &c;
    all += (all.empty() ? "" : ", ") + std::string(c.id);
  }
  return fail({"calc", id, Message::data(all), say("There is no calculation “{}”", id),
               "Use one of the names"});
}

namespace {

/// As a keyboard writes it: a times sign is an x.
std::string typed(std::string option) {
  constexpr std::string_view times = "×";
  for (auto at = option.find(times); at != std::string::npos; at = option.find(times))
    option.replace(at, times.size(), "x");
  return option;
}

}  // namespace

Expected<double> parse_input(const CalcInput& input, std::string_view text, UnitStyle style) {
  if (input.kind == Kind::choice) {
    for (std::size_t i = 0; i < input.options.size(); ++i)
      if (text == input.options[i] || text == std::to_string(i + 1) ||
          text == typed(input.options[i]))
        return static_cast<double>(i);
    std::string all;
    for (const auto& o : input.options) all += (all.empty() ? "" : ", ") + o;
    return fail({input.id, clipped(text, 48), Message::data(all),
                 say("{}: that is not one of the choices", input.words),
                 "Give its words or its number"});
  }
  auto v = parse_quantity(text, input.kind, style);
  if (v) return v;
  Error e = v.error();
  e.field = input.id;
  e.reason = say("{}: {}", input.words, e.reason);
  return fail(e);
}

Expected<std::vector<Figure>> calculate(const Calculator& c, std::span<const double> values) {
  if (values.size() != c.inputs.size())
    return fail({c.id, std::to_string(values.size()),
                 Message::data(std::to_string(c.inputs.size())),
                 "Another count of values is needed", "Give one for each input"});
  for (std::size_t i = 0; i < values.size(); ++i) {
    const CalcInput& in = c.inputs[i];
    const bool choice = in.kind == Kind::choice;
    if (std::isfinite(values[i]) &&
        (!choice || (values[i] >= 0 && values[i] < static_cast<double>(in.options.size()))))
      continue;
    return fail({in.id, "", "", say("{} cannot be that", in.words), "Enter a number"});
  }
  return c.run(values);
}

}  // namespace yoke
