// Causes by what was seen and felt, with or without a system that can be pressed.
#include <algorithm>

#include "document/param/symptom.hpp"
#include "proving/fault.hpp"

namespace yoke {

namespace {

/// What a symptom speaks for (+) and against (-), one letter a cause in their order; what is
/// against counts like a reading three standard uncertainties off, what is neither like one.
/// Common practice, no source.
double penalty(std::string_view letters, Cause c) {
  const char k = letters[static_cast<std::size_t>(c)];
  return k == '-' ? 9.0 : k == '+' ? 0.0 : 1.0;
}

double symptom_penalty(const Hypothesis& h, const Symptoms& s, bool pressed) {
  double sum = 0;
  // What one of two causes explains is explained; what neither does counts against the worse.
  const auto add = [&](bool applies, std::string_view letters) {
    if (!applies) return;
    const double one = penalty(letters, h.cause);
    const double other = h.second ? penalty(letters, *h.second) : one;
    sum += std::min(one, other) <= 0 ? 0.0 : std::max(one, other);
  };
  // none air air drum knock hose short long bypass leak weak bore resid front rear pivot dead
  // valve crossed cup
  add(s.leak == choice::SymptomLeak::none, "+........-..........");
  add(s.leak && s.leak != choice::SymptomLeak::none, "-........+..........");
  add(s.level == choice::SymptomLevel::stays, "+........-..........");
  add(s.level == choice::SymptomLevel::falls, "-........+..........");
  add(s.creep == choice::SymptomCreep::creeps, "-.......++.+...-...+");
  add(s.drag == choice::SymptomDrag::drag, "-------+---------+--");
  add(s.drag == choice::SymptomDrag::slow, "-----+.+---------+--");
  add(s.drag == choice::SymptomDrag::free, "+......-.........-..");
  add(s.lamp == choice::SymptomLamp::press, "-++.....++.........+");
  add(s.engine_m && *s.engine_m < 2e-3, "-.........+.........");
  add(s.engine_m && *s.engine_m >= 5e-3, "+.........-.........");
  add(!pressed && s.rod_play_m && *s.rod_play_m > 3e-3, "-.....+-............");
  add(!pressed && s.rod_play_m && *s.rod_play_m < 1.5e-3, "+.....-.............");
  add(s.rod_play_m && *s.rod_play_m < 0.2e-3, "-......+............");
  add(s.pivot_play_m && *s.pivot_play_m > 4e-3, "-..............+....");
  add(!pressed && s.pivot_play_m && *s.pivot_play_m < 2e-3, "+..............-....");
  if (pressed) return sum;
  // Without a system that can be pressed the pumps and the sink speak by themselves.
  const bool rises = s.first_m && s.third_m && *s.first_m - *s.third_m > 3e-3;
  const bool stays = s.first_m && s.third_m && !rises;
  add(rises, "-..++...--.--..----.");
  add(stays, "...---.......-......");
  add(s.sink_m && *s.sink_m > 2e-3, "--------++---------.");
  add(s.sink_m && *s.sink_m <= 2e-3, "+.......--..........");
  return sum;
}

/// A clutch has one line, no shoes and no booster to lose.
bool only_of_brakes(Cause c) {
  return c == Cause::drums_out || c == Cause::knock_back || c == Cause::air_secondary ||
         c == Cause::weak_assist || c == Cause::valve_sticks || c == Cause::crossed ||
         c == Cause::residual_missing || c == Cause::front_blocked || c == Cause::rear_blocked;
}

}  // namespace

bool Symptoms::any() const {
  return first_m || second_m || third_m || sink_m || engine_m || rod_play_m || pivot_play_m ||
         lamp || leak || level || creep || drag;
}

Symptoms symptoms_of(const Values& v) {
  const auto number = [&v](Param p) { return v.known(p) ? std::optional(v.si(p)) : std::nullopt; };
  Symptoms s;
  s.push_n = v.si(param::symptom_push);
  s.first_m = number(param::symptom_first);
  s.second_m = number(param::symptom_second);
  s.third_m = number(param::symptom_third);
  s.sink_m = number(param::symptom_sink);
  s.hold_s = v.si(param::symptom_hold);
  s.engine_m = number(param::symptom_engine);
  s.rod_play_m = number(param::symptom_rod_play);
  s.pivot_play_m = number(param::symptom_pivot_play);
  s.pin_wear_m = number(param::symptom_pin_wear);
  s.ratio = arm_ratio(v).value_or(0);
  s.bore_known = bore_is_known(v);
  s.clutch = works_clutch(v);
  s.lamp = v.choice<param::symptom_lamp>();
  s.leak = v.choice<param::symptom_leak>();
  s.level = v.choice<param::symptom_level>();
  s.creep = v.choice<param::symptom_creep>();
  s.drag = v.choice<param::symptom_drag>();
  return s;
}

Diagnosis diagnose_symptoms(const System* system, const std::vector<Reading>& readings,
                            const Symptoms& s) {
  Diagnosis d;
  if (!s.any() && readings.size() < 3) {
    d.refusal = "Nothing was felt or read yet: press the pedal three times and enter its depths";
    return d;
  }
  const bool pressed = system && system->wheels;
  PumpTest pump;
  pump.sink_m = s.sink_m;
  std::vector<ReadingRow> rows;
  if (pressed) {
    for (const Reading& r : readings)
      if (r.force_n > 0 && r.travel_m > 0) {
        rows.push_back(row_of(r));
        rows.back().sigma_m = std::max(1e-3, r.travel_uncertainty_m);
      }
  }
  const bool assisted =
      std::any_of(rows.begin(), rows.end(), [](const ReadingRow& r) { return r.assist_alive; });
  Felt felt{&s, s.pivot_play_m.value_or(0), 0, s.rod_play_m};
  if (pressed) felt.pin_m = s.pin_wear_m.value_or(0) * s.ratio;
  const auto told = [](const std::optional<double>& v) { return v ? 1.0 : 0.0; };
  const double count = static_cast<double>(rows.size()) + told(s.sink_m) + told(s.first_m) +
                       told(s.third_m ? s.third_m : s.second_m) + told(s.rod_play_m) +
                       told(s.pivot_play_m);
  const bool simulated = pressed && count > 0;
  const std::optional<Evidence> evidence =
      simulated ? std::optional<Evidence>({*system, rows, pump, count, felt}) : std::nullopt;
  for (std::size_t i = 0; i < kCauses; ++i) {
    const auto cause = static_cast<Cause>(i);
    if ((cause == Cause::wrong_bore && s.bore_known) || (s.clutch && only_of_brakes(cause)))
      continue;
    Hypothesis h;
    h.cause = cause;
    h.words = Message::of_table(cause_words(cause));
    if (simulated) {
      if (!possible(*system, cause, assisted || s.engine_m, pump, true)) continue;
      h = fitted(*evidence, cause);
    } else if (cause == Cause::residual_missing || cause == Cause::front_blocked ||
               cause == Cause::rear_blocked || cause == Cause::valve_sticks ||
               cause == Cause::crossed || cause == Cause::worn_cup) {
      continue;  // nothing felt at the pedal alone speaks for them
    }
    d.ranked.push_back(h);
  }
  if (evidence) add_pairs(*evidence, d);
  for (Hypothesis& h : d.ranked) h.aicc += symptom_penalty(h, s, simulated);
  weigh(d, &s);
  return d;
}

}  // namespace yoke
