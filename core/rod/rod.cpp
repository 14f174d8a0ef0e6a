#include "rod/rod.hpp"

#include <cmath>

#include "assembly/assemble.hpp"
#include "control/control.hpp"
#include "document/ahead.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/linkage.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"

namespace yoke {

namespace {

std::optional<UnitFace> read_face(const Job& job, As which, std::vector<Param>& missing) {
  const Value n = value_of(job, which, param::rod_snout);
  const Value t = value_of(job, which, param::rod_socket);
  const Value g = value_of(job, which, param::rod_stack);
  const Value* values[] = {&n, &t, &g};
  const Param params[] = {param::rod_snout, param::rod_socket, param::rod_stack};
  bool known = true;
  for (size_t i = 0; i < 3; ++i) {
    if (values[i]->known()) continue;
    missing.push_back(params[i]);
    known = false;
  }
  if (!known) return std::nullopt;
  const double doubt =
      std::sqrt(n.uncertainty_si * n.uncertainty_si + t.uncertainty_si * t.uncertainty_si +
                g.uncertainty_si * g.uncertainty_si);
  return UnitFace{Length{n.si}, Length{t.si}, Length{g.si}, Length{doubt}};
}

void check_thread(RodReport& r, const Job& job) {
  const Value diameter = value_of(job, As::plan, param::rod_diameter);
  if (!is(job, As::plan, choice::RodCoupling::fork)) return;  // both ends: ends_report
  const Value engaged = value_of(job, As::plan, param::rod_engaged);
  const Value spare = value_of(job, As::plan, param::rod_thread_spare);
  if (!r.total) return;
  if (engaged.known()) r.engaged_after = Length{engaged.si} - *r.total;
  if (spare.known()) r.spare_after = Length{spare.si} + *r.total;
  if (diameter.known()) r.engaged_wanted = Length{diameter.si};
  if (r.engaged_after && r.engaged_wanted && *r.engaged_after < *r.engaged_wanted)
    r.findings.push_back(
        {Severity::hard, Stage::rod, FindingCode::rod_thread_short,
         say("Only {} of thread would stay engaged", length(r.engaged_after->value(), 1)),
         say("at least 1.0 × diameter = {} in steel", length(r.engaged_wanted->value(), 1)),
         "Make a longer rod; never hang a pedal on less", "common practice, no source"});
  if (r.spare_after && r.spare_after->value() < 0)
    r.findings.push_back(
        {Severity::warning, Stage::rod, FindingCode::rod_thread_bottoms,
         say("The fork runs out of thread {} too soon", length(-r.spare_after->value(), 1)),
         "thread free behind the fork",
         "Cut more thread behind it, or cut the rod at its ball end if that end is plain; the lock "
         "nut needs its own height as well",
         "geometry"});
}

void check_clearance(RodReport& r, const Job& job) {
  const Value clearance = value_of(job, As::plan, param::control_rod_clearance);
  if (r.ratio) r.free_play = Length{clearance.si * *r.ratio};
  if (clearance.si <= 0)
    r.findings.push_back(
        {Severity::hard, Stage::rod, FindingCode::rod_preload,
         say("The rod holds the piston on: clearance {}", length(clearance.si, 2)),
         "more than 0; 0.5 to 1.0 mm is usual",
         "Shorten the rod. A covered return port makes the brakes drag, heat and lock",
         "common practice, no source"});
  const Value gap = value_of(job, As::plan, param::assist_output_gap);
  if (has_assist(job, As::plan) && gap.si <= 0)
    r.findings.push_back(
        {Severity::hard, Stage::rod, FindingCode::rod_output_preload,
         say("The booster's output rod holds the piston on: gap {}", length(gap.si, 2)),
         "more than 0; 0.5 mm (0.020 in) is usual", "Adjust or shim the output rod",
         "common practice, no source"});
}

double wished_height_m(const Job& job) {
  return value_of(job, As::plan, param::rod_height_wish).si;
}

/// The pedal's ratio at rest, or which arms it lacks.
void read_ratio(RodReport& r, const Job& job) {
  std::vector<Param> arms{param::control_pad_arm, param::control_pin_arm};
  if (value_of(job, As::plan, param::control_mid).is(choice::ControlMid::lever))
    arms.insert(arms.end(), {param::control_mid_in, param::control_mid_out});
  for (const Param p : arms)
    if (!value_of(job, As::plan, p).known()) r.missing_turns.push_back(p);
  if (wished_height_m(job) != 0) r.missing_height = r.missing_turns;
  if (!r.missing_turns.empty()) return;
  r.ratio = arm_ratio(job, As::plan);
  const Assembly a = assemble(job, As::plan);
  if (!a.system) return;
  if (const auto k = Kinematics::make(a.system->control)) r.ratio = k->ratio(Length{0.0});
}

/// A pad height that nobody wished for asks nothing of the rod; a wish needs the ratio.
void read_height(RodReport& r, const Job& job) {
  const double wish_m = wished_height_m(job);
  if (wish_m == 0)
    r.height_part = Length{0.0};
  else if (r.ratio)
    r.height_part = Length{rod_for_wish_m(job).value_or(wish_m / *r.ratio)};
  if (r.change && r.height_part) r.total = r.change->change + *r.height_part;
}

void read_turns(RodReport& r, const Values& plan) {
  r.per_turn = length_per_turn(plan);
  if (!r.per_turn) {
    r.missing_turns.push_back(param::rod_pitch);
    return;
  }
  if (r.per_turn->value() <= 0) return;  // the rod's ends say so
  if (r.height_part) r.height_turns = turns_for(*r.height_part, *r.per_turn, 1);
  if (r.total) r.turns = turns_for(*r.total, *r.per_turn, 1);
}

/// Parts of a sum, with their signs.
Amount mm(Length part) {
  return more_or_less(part.value(), Kind::length, 2);
}

}  // namespace

RodChange rod_change(const UnitFace& old_unit, const UnitFace& new_unit,
                     Length clearance_increase) {
  const Length q_old = old_unit.socket - old_unit.snout;
  const Length q_new = new_unit.socket - new_unit.snout;
  RodChange c;
  c.change = (q_new + new_unit.stack) - (q_old + old_unit.stack) - clearance_increase;
  c.uncertainty = Length{std::hypot(old_unit.uncertainty.value(), new_unit.uncertainty.value())};
  return c;
}

double turns_for(Length change, Length pitch, int pitches_per_turn) {
  return change.value() / (pitch.value() * pitches_per_turn);
}

Length rod_for_height(Length height, double ratio) {
  return height / ratio;
}

RodReport rod_report(const Job& job) {
  RodReport r;
  const auto old_unit = read_face(job, As::found, r.missing_change);
  const auto new_unit = read_face(job, As::plan, r.missing_change);
  r.clearance_more = Length{value_of(job, As::plan, param::rod_clearance_more).si};
  if (old_unit && new_unit) r.change = rod_change(*old_unit, *new_unit, r.clearance_more);
  read_ratio(r, job);
  if (r.change && r.ratio) r.pad_uncertainty = r.change->uncertainty * *r.ratio;
  read_height(r, job);
  read_turns(r, resolve(job, As::plan));
  const Value length = value_of(job, As::found, param::control_rod_length);
  if (length.known() && r.total) r.new_length = Length{length.si} + *r.total;
  if (r.new_length && r.new_length->value() <= 0)
    r.findings.push_back({Severity::hard, Stage::rod, FindingCode::rod_inside_out,
                          "The rod would be shorter than nothing", "more than 0 mm",
                          "Measure noses, seat depths and the old rod again", "geometry"});
  check_thread(r, job);
  check_clearance(r, job);
  return r;
}

std::optional<Length> length_per_turn(const Values& v) {
  if (!v.known(param::rod_pitch)) return std::nullopt;
  const double p1 = v.si(param::rod_pitch);
  const double p2 = v.known(param::rod_pitch2) ? v.si(param::rod_pitch2) : p1;
  const double moved = v.is(choice::RodCoupling::coupling) ? p1 + p2
                       : v.is(choice::RodCoupling::same)   ? std::abs(p1 - p2)
                                                           : p1;
  return Length{moved < 1e-6 ? 0.0 : moved};
}

Message rod_words(const RodReport& r) {
  if (!r.change) return cannot_say(r.missing_change);
  const Length unit = r.change->change + r.clearance_more;
  std::vector<Message> parts;
  const auto part = [&](Length by, auto words) {
    if (std::abs(by.value()) >= kLeastRodChange_m) parts.push_back(words(mm(by)));
  };
  part(unit, [](Amount a) { return say("{} for the other unit", a); });
  part(-r.clearance_more, [](Amount a) { return say("{} for the clearance", a); });
  part(r.height_part.value_or(Length{}),
       [](Amount a) { return say("{} for the pedal height", a); });
  const Message each = joined(parts, ", ");
  if (!r.total) {
    const Message why = r.missing_height.empty() ? Message("The pedal's ratio is not known")
                                                 : cannot_say(r.missing_height);
    return parts.empty() ? say("{}, for the pedal height", why)
                         : say("{}, for the pedal height; without it {}", why, each);
  }
  const double v = r.total->value();
  Message all = "The rod stays as long as it is";
  if (std::abs(v) >= kLeastRodChange_m) {
    const Amount much = in_full(std::abs(v), Kind::length, 2);
    const Amount doubt = length(r.change->uncertainty.value(), 2);
    all = v < 0 ? say("Shorten by {} ± {}", much, doubt) : say("Lengthen by {} ± {}", much, doubt);
  }
  return parts.size() > 1 ? say("{}: {}", all, each) : all;
}

Message rod_status(const RodReport& r) {
  if (!r.change) return say("{} unknown", param_list({r.missing_change.front()}));
  if (!r.total)
    return r.missing_height.empty() ? Message("ratio unknown")
                                    : say("{} unknown", param_list({r.missing_height.front()}));
  const double total_m = r.total->value();
  if (std::abs(total_m) < kLeastRodChange_m) return "rod length stays";
  return total_m < 0 ? say("shorten {}", length(-total_m, 1))
                     : say("lengthen {}", length(total_m, 1));
}

AngleReport angle_report(const Job& job, As which) {
  AngleReport r;
  for (const Param p :
       {param::control_pad_arm, param::control_pin_arm, param::control_axis_height,
        param::control_offset, param::control_rest_angle, param::control_rod_length})
    if (!value_of(job, which, p).known()) r.missing.push_back(p);
  if (!r.missing.empty()) return r;
  const Values values = resolve(job, which);
  const Assembly a = assemble(values);
  const Control control = assemble_control(values, r.missing);
  if (!r.missing.empty()) return r;
  const auto k = Kinematics::make(control);
  if (!k) {
    r.findings.push_back({Severity::hard, Stage::fit, FindingCode::fit_geometry, k.error().reason,
                          k.error().range, k.error().remedy, "geometry"});
    return r;
  }
  double end_m = k->limit().value();
  std::optional<FeelCurve> curve;
  if (a.system)
    if (const auto model = FeelModel::make(*a.system, {})) {
      curve = model->curve(128);
      const Limits l = limits_of(job);
      const TargetReport t =
          a.system->vehicle ? model->at_z(l.z) : model->at_pressure(l.pressure_pa);
      end_m = t.at.pad_travel_m;
    }
  r.force_known = curve.has_value();
  constexpr int kSteps = 60;
  for (int i = 0; i <= kSteps; ++i) {
    AnglePoint p;
    p.pad_travel_m = end_m * i / kSteps;
    p.angle_rad = k->rod_angle(Length{p.pad_travel_m})->value();
    if (curve)
      p.side_force_n =
          point_at_travel(*curve, p.pad_travel_m).input_force_n * std::tan(p.angle_rad);
    r.largest_rad = std::max(r.largest_rad, p.angle_rad);
    r.largest_side_n = std::max(r.largest_side_n, p.side_force_n);
    r.points.push_back(p);
  }
  const double degrees = r.largest_rad * 180 / kPi;
  if (degrees > 3.0)
    r.findings.push_back(
        {degrees > 5.0 ? Severity::warning : Severity::note, Stage::fit, FindingCode::fit_rod_angle,
         say("The rod stands {}° off the bore within the working stroke", Plain{degrees, 1}),
         "3° good, 5° the most", "Move the unit towards the pedal's line, or lengthen the rod",
         "common practice, no source"});
  return r;
}

}  // namespace yoke
