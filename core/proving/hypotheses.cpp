#include "proving/hypotheses.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <boost/math/tools/minima.hpp>
#include <cmath>

namespace yoke {

namespace {

/// A system with a fault of some size, and what the pump test would show.
struct Faulty {
  System system;
  Condition condition;
  double slack_m = 0;
  double sink_m = 0;
  double gain_m = 0;  ///< pad rise from the first press to the third
};

struct CauseInfo {
  std::string_view words;
  std::string_view advice;
  double most;       ///< largest size looked for
  const char* form;  ///< how the size is written
  double shown;      ///< times the size
};

constexpr std::size_t kCauses = static_cast<std::size_t>(Cause::count_);
constexpr CauseInfo kInfo[kCauses] = {
    {"nothing beyond the prediction", "Nothing to buy.", 0, "", 1},
    {"air in circuit 1", "Bleed that circuit again: fluid and time. A new master would not help.",
     20e-6, "{:.1f} cm³", 1e6},
    {"air in circuit 2", "Bleed that circuit again: fluid and time. A new master would not help.",
     20e-6, "{:.1f} cm³", 1e6},
    {"shoes out of adjustment", "Adjust the shoes: nothing to buy. Bleeding would not help.", 4e-3,
     "{:.1f} mm more at each piston", 1e3},
    {"pads knocked back",
     "A wobbling disc or loose bearing: true the disc. Bleeding would not help.", 2e-3,
     "{:.2f} mm more clearance", 1e3},
    {"soft hoses", "Renew the hoses. A larger bore would only hide them.", 15,
     "{:.1f} times the give", 1},
    {"rod too short", "Lengthen the rod: nothing to buy. Bleeding would not help.", 12e-3,
     "{:.1f} mm at the rod", 1e3},
    {"rod too long", "Shorten the rod before driving: it covers the return port.", 5e-3,
     "{:.1f} mm at the rod", 1e3},
    {"fluid passing inside the master", "Rebuild or renew the master. Bleeding would not help.",
     0.15, "{:.0f} mm of sink", 1e3},
    {"a leak to the outside", "Find it and renew the part. The level falls.", 0.15,
     "{:.0f} mm of sink", 1e3},
    {"assist weak or short of vacuum",
     "Gauge the vacuum, try the check valve. A new master would not help.", 1.0,
     "{:.0f} % of it missing", 100},
    {"another bore than stated", "Measure the bore. If it is wrong, the master is.", 0.35,
     "{:+.1f} % of the diameter", 100},
    {"residual valve missing", "Fit the valve, or adjust the shoes closer.", 1.0, "", 1},
    {"front line blocked", "Find the crushed tube or swollen hose before driving.", 1.0, "", 1},
    {"rear line blocked", "Find the crushed tube or swollen hose before driving.", 1.0, "", 1}};

bool any_drum(const System& s) {
  return std::any_of(s.wheels->begin(), s.wheels->end(),
                     [](const WheelBrake& w) { return std::holds_alternative<Drum>(w.brake); });
}
bool any_disc(const System& s) {
  return std::any_of(s.wheels->begin(), s.wheels->end(),
                     [](const WheelBrake& w) { return std::holds_alternative<Disc>(w.brake); });
}

bool possible(const System& s, Cause c, bool assisted_reading, const PumpTest& pump) {
  switch (c) {
    case Cause::air_second:
      return two_circuits(s.master);
    case Cause::drums_out:
      return any_drum(s);
    case Cause::knock_back:
      return any_disc(s);
    case Cause::weak_assist:
      return assisted_reading && std::holds_alternative<Booster>(s.assist);
    case Cause::bypass:
    case Cause::leak:
      return pump.sink_m.has_value();
    case Cause::residual_missing:
      return s.residual_front.value() > 0 || s.residual_rear.value() > 0;
    default:
      return true;
  }
}

void block_axle(System& s, bool rear) {
  for (WheelBrake& w : *s.wheels) {
    if (w.rear != rear) continue;
    w.hose.length = Length{0.0};
    if (auto* d = std::get_if<Disc>(&w.brake)) d->side_area = Area{1e-12};
    if (auto* d = std::get_if<Drum>(&w.brake)) d->cylinder_area = Area{1e-12};
  }
}

/// Pad rise that taking up extra clearance gives: pumped up, the linings no longer fall back.
double pump_gain_m(const System& now, const System& sound) {
  const auto end = [](const System& s) {
    const auto m = FeelModel::make(s, {});
    return m ? m->at(std::min(m->end_drive_pa(), 1e6)).pad_travel_m : 0.0;
  };
  return std::max(0.0, end(now) - end(sound));
}

Faulty faulty(const System& sound, Cause cause, double size) {
  Faulty f{sound, {}, 0, 0, 0};
  switch (cause) {
    case Cause::air_first:
      f.condition.air1_m3 = size;
      break;
    case Cause::air_second:
      f.condition.air2_m3 = size;
      break;
    case Cause::drums_out:
    case Cause::knock_back:
      for (WheelBrake& w : *f.system.wheels) {
        if (auto* d = std::get_if<Drum>(&w.brake); d && cause == Cause::drums_out)
          d->shoe_clearance += Length{size};
        if (auto* d = std::get_if<Disc>(&w.brake); d && cause == Cause::knock_back)
          d->clearance += Length{size};
      }
      f.gain_m = pump_gain_m(f.system, sound);
      break;
    case Cause::soft_hoses:
      f.condition.hose_scale = 1 + size;
      break;
    case Cause::rod_short:
      f.system.control.rod_clearance += Length{size};
      break;
    case Cause::rod_long: {
      // The free play goes first, then the cut-off that the cups have already passed.
      const double kept = sound.control.rod_clearance.value() - size;
      f.system.control.rod_clearance = Length{std::max(0.0, kept)};
      const double beyond = std::max(0.0, -kept);
      f.system.master.cutoff1 = Length{std::max(0.0, sound.master.cutoff1.value() - beyond)};
      break;
    }
    case Cause::bypass:
    case Cause::leak:
      f.sink_m = size;
      break;
    case Cause::weak_assist:
      if (auto* b = std::get_if<Booster>(&f.system.assist)) b->max_assist *= 1 - size;
      break;
    case Cause::wrong_bore:
      f.system.master.bore *= 1 + size;
      break;
    case Cause::residual_missing:
      f.system.residual_front = f.system.residual_rear = Pressure{0.0};
      break;
    case Cause::front_blocked:
      block_axle(f.system, false);
      break;
    case Cause::rear_blocked:
      block_axle(f.system, true);
      break;
    case Cause::none:
    case Cause::count_:
      break;
  }
  return f;
}

constexpr double kTape_m = 0.0015;
constexpr double kImpossible = 100.0;  // miss of a reading that this fault could not produce

double chi2_of(const Faulty& f, const std::vector<FitRow>& rows, const PumpTest& pump) {
  double sum = 0;
  // One model for each way of reading: a fault is pressed many times while its size is sought.
  struct Made {
    const FitRow* of;
    Expected<FeelModel> model;
  };
  std::vector<Made> made;
  for (const FitRow& row : rows) {
    auto it = std::find_if(made.begin(), made.end(), [&](const Made& m) {
      return m.of->assist_alive == row.assist_alive && m.of->second_apply == row.second_apply &&
             m.of->hoses_clamped == row.hoses_clamped;
    });
    if (it == made.end()) {
      made.push_back({&row, FeelModel::make(f.system, row_condition(f.condition, row))});
      it = made.end() - 1;
    }
    const double miss = it->model ? row_miss(*it->model, row, f.slack_m) : kImpossible;
    sum += miss * miss;
  }
  if (pump.sink_m) sum += std::pow((*pump.sink_m - f.sink_m) / kTape_m, 2);
  if (pump.first_m && pump.third_m)
    sum += std::pow((*pump.first_m - *pump.third_m - f.gain_m) / (2 * kTape_m), 2);
  return sum;
}

/// Coarse search, then Brent around the best step: the misfit has one valley over the size.
Hypothesis fitted(const System& s, Cause cause, const std::vector<FitRow>& rows,
                  const PumpTest& pump, double count) {
  const CauseInfo& info = kInfo[static_cast<std::size_t>(cause)];
  const auto misfit = [&](double size) { return chi2_of(faulty(s, cause, size), rows, pump); };
  Hypothesis h;
  h.cause = cause;
  const bool sized = info.form[0] != '\0';
  if (!sized) {
    h.chi2 = misfit(1.0);
  } else {
    const double least = cause == Cause::wrong_bore ? -0.3 : 0.0;
    // Searched in steps of the range: the minimiser's tolerance is not made for cubic metres.
    constexpr int kSteps = 12;
    const double step = (info.most - least) / kSteps;
    const auto at_step = [&](double t) { return misfit(least + step * t); };
    int best = 0;
    double best_value = at_step(0);
    for (int i = 1; i <= kSteps; ++i)
      if (const double v = at_step(i); v < best_value) {
        best = i;
        best_value = v;
      }
    std::uintmax_t tries = 30;
    const auto [t, v] = boost::math::tools::brent_find_minima(
        at_step, std::max(0.0, best - 1.0), std::min<double>(kSteps, best + 1.0), 14, tries);
    h.size = least + step * (v <= best_value ? t : best);
    h.chi2 = std::min(v, best_value);
    h.size_words = fmt::format(fmt::runtime(info.form), h.size * info.shown);
  }
  const double k = sized ? 1 : 0;
  h.aicc = h.chi2 + 2 * k;
  if (count - k - 1 > 0) h.aicc += 2 * k * (k + 1) / (count - k - 1);
  return h;
}

/// A test a builder can make, and for each cause what it would show; causes with the same letter
/// look alike. In order of trouble.
struct Trial {
  std::string_view words;
  std::string_view shows;  ///< one letter a cause, in their order
};
constexpr Trial kTrials[] = {
    // none air air drum knock hose short long bypass leak weak bore resid front rear
    {"Pump three times at the same push: clearance rises, air and stretch do not",
     "nnnrrnnnnnnnrnn"},
    {"Hold a steady push for 60 s and watch the pad: it sinks only when fluid passes",
     "nnnnnnnnssnnnnn"},
    {"Look under every joint and at the level: a leak wets, a bypass does not", "nnnnnnnnnwnnnnn"},
    {"Engine off, exhaust the assist, hold, start: the pad must drop", "nnnnnnnnnnxnnnn"},
    {"Feel the free play at the rod by hand", "nnnnnnslnnnnnnn"},
    {"Lift each axle, press and let go: do all wheels turn freely, and do all of them brake",
     "nnnnnnndnnnnnfr"},
    {"Clamp the flexible hoses off one by one: soft hoses and air behind them go away",
     "n12nnhnnnnnnnnn"},
    {"Open one nipple of each circuit: bubbles show which one holds air", "n12nnnnnnnnnnnn"},
    {"Take off the wheels: shoe clearance by feeler, disc by dial gauge", "nnndknnnnnnnnnn"},
    {"Measure the bore with a calliper", "nnnnnnnnnnnbnnn"}};

static_assert(std::all_of(std::begin(kTrials), std::end(kTrials),
                          [](const Trial& t) { return t.shows.size() == kCauses; }));

std::string test_between(Cause a, Cause b) {
  for (const Trial& t : kTrials)
    if (t.shows[static_cast<std::size_t>(a)] != t.shows[static_cast<std::size_t>(b)])
      return std::string(t.words);
  return "Read more presses: three light ones, two firm ones, engine off and on";
}

}  // namespace

std::string_view cause_words(Cause cause) {
  return kInfo[static_cast<std::size_t>(cause)].words;
}

std::string_view cause_advice(Cause cause) {
  return kInfo[static_cast<std::size_t>(cause)].advice;
}

Diagnosis diagnose(const System& system, const std::vector<Reading>& readings,
                   const PumpTest& pump) {
  Diagnosis d;
  if (!system.wheels) {
    d.refusal = "Cannot say: the brakes at the wheels are not known";
    return d;
  }
  std::size_t low = 0;
  std::vector<FitRow> rows;
  // A soft pedal may read beyond the sound prediction: such a reading still counts, with its tape's
  // doubt alone.
  for (const Reading& r : readings) {
    const auto usable = usable_rows(system, {r}, std::nullopt, low);
    if (!usable.empty())
      rows.push_back(usable.front());
    else if (r.force_n > 0 && r.travel_m > 0)
      rows.push_back({r.force_n, r.travel_m, std::max(1e-3, r.travel_doubt_m), r.assist_alive,
                      r.second_apply, r.hoses_clamped});
  }
  if (rows.size() < 3) {
    d.refusal = "Three readings at least are needed to weigh causes";
    return d;
  }
  const bool assisted =
      std::any_of(rows.begin(), rows.end(), [](const FitRow& r) { return r.assist_alive; });
  const double count = static_cast<double>(rows.size()) + (pump.sink_m ? 1 : 0) +
                       (pump.first_m && pump.third_m ? 1 : 0);
  for (std::size_t i = 0; i < kCauses; ++i) {
    const auto cause = static_cast<Cause>(i);
    if (possible(system, cause, assisted, pump))
      d.ranked.push_back(fitted(system, cause, rows, pump, count));
  }
  std::stable_sort(d.ranked.begin(), d.ranked.end(),
                   [](const Hypothesis& a, const Hypothesis& b) { return a.aicc < b.aicc; });
  double sum = 0;
  for (Hypothesis& h : d.ranked) sum += h.weight = std::exp(-0.5 * (h.aicc - d.ranked[0].aicc));
  for (Hypothesis& h : d.ranked) h.weight /= sum;
  if (d.ranked.size() > 1) d.next_test = test_between(d.ranked[0].cause, d.ranked[1].cause);
  return d;
}

}  // namespace yoke
