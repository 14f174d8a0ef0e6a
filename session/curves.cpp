#include "session/curves.hpp"

#include <algorithm>

#include "paint/theme.hpp"
#include "rod/rod.hpp"
#include "session/candidates.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {

/// Axis units of the shown style.
struct Axes {
  double length = 1e3;
  double force = 1;
  QString mm = QStringLiteral("mm");
  QString n = QStringLiteral("N");
};

Axes axes_of(const Style& style) {
  Axes a;
  if (style.units == UnitStyle::imperial) {
    a.length = 1 / 0.0254;
    a.force = 1 / 4.4482216152605;
    a.mm = QStringLiteral("in");
    a.n = QObject::tr("lbf");
  }
  return a;
}

/// An empty report for a condition that this job does not have.
const ConditionReport& report_of(const Session& s, ConditionId id) {
  static const ConditionReport none;
  const auto it = std::find_if(s.strip().begin(), s.strip().end(),
                               [id](const ConditionReport& c) { return c.id == id; });
  return it == s.strip().end() ? none : *it;
}

void add_curve(PlotInput& in, const FeelCurve& c, const QString& name, Stroke stroke,
               const QColor& colour, const Axes& a) {
  PlotCurve out{name, {}, stroke, colour, 2.2};
  for (const auto& f : c.points)
    out.points.emplace_back(f.pad_travel_m * a.length, f.pad_force_n * a.force);
  in.curves.push_back(std::move(out));
}

void fit_axes(PlotInput& in, double force_cap) {
  double x = 0;
  double y = 0;
  for (const auto& c : in.curves)
    for (const auto& q : c.points)
      if (q.y() <= force_cap) {
        x = std::max(x, q.x());
        y = std::max(y, q.y());
      }
  for (const auto& q : in.points) {
    x = std::max(x, q.at.x());
    y = std::max(y, q.at.y());
  }
  in.x.hi = round_end(x);
  in.y.hi = round_end(y);
}

}  // namespace

std::vector<double> band_forces(const Session& s) {
  std::vector<double> list;
  const double most = 1.6 * limits_of(s.job()).effort_n;
  for (int i = 1; i <= 24; ++i) list.push_back(most * i / 24);
  return list;
}

PlotInput feel_plot(const Session& s, const std::vector<CurveBand>& bands) {
  const Axes a = axes_of(s.style());
  PlotInput in;
  in.title = QObject::tr("What the foot feels");
  in.x.words = QObject::tr("pedal travel, ") + a.mm;
  in.y.words = QObject::tr("pedal force, ") + a.n;
  in.empty =
      QObject::tr("No curve yet. ") + text_of(report_of(s, ConditionId::plan).reason, s.style());
  const Limits l = limits_of(s.job());
  struct Wanted {
    ConditionId id;
    QString name;
    Stroke stroke;
    QColor colour;
  };
  const Wanted wanted[] = {
      {ConditionId::found, QObject::tr("as found"), Stroke::dashed, theme::kScribeSoft},
      {ConditionId::plan, QObject::tr("plan"), Stroke::solid, theme::kScribe}};
  for (const Wanted& w : wanted) {
    const ConditionReport& r = report_of(s, w.id);
    if (!r.curve) continue;
    add_curve(in, *r.curve, w.name, w.stroke, w.colour, a);
    // A clutch's effort is its largest on the way; the mark stands where it releases.
    const double mark_n = r.clutch   ? r.clutch->release.pad_force_n
                          : r.target ? r.target->at.pad_force_n
                                     : 0.0;
    if (r.target && r.target->reached)
      in.marks.push_back(
          {{r.target->at.pad_travel_m * a.length, mark_n * a.force},
           0,
           0,
           QObject::tr("%1 at the target stop: %2, %3")
               .arg(w.name, full_text(mark_n, Kind::force, 0, s.style()),
                    full_text(r.target->at.pad_travel_m, Kind::length, 0, s.style()))});
  }
  constexpr Stroke kPinned[] = {Stroke::dotted, Stroke::dashed, Stroke::solid};
  const auto pinned = candidate_views(s.job(), 128);
  for (std::size_t i = 0; i < pinned.size(); ++i)
    if (pinned[i].report.curve)
      add_curve(in, *pinned[i].report.curve, pin_letter(i), kPinned[std::min<std::size_t>(i, 2)],
                theme::kMarkOnDye, a);
  for (const Reading& r : s.job().before)
    in.points.push_back({{r.travel_m * a.length, r.force_n * a.force},
                         r.travel_uncertainty_m * a.length,
                         r.force_uncertainty_n * a.force,
                         QObject::tr("read as found"),
                         true});
  for (std::size_t k = bands.size(); k-- > 0;) {  // the plan's lies on top
    PlotBand b;
    b.colour = k == 0 ? theme::kScribe : k == 1 ? theme::kScribeSoft : theme::kMarkOnDye;
    for (std::size_t i = 0; i < bands[k].force_n.size(); ++i) {
      b.low.emplace_back(bands[k].travel_m[i].low * a.length, bands[k].force_n[i] * a.force);
      b.high.emplace_back(bands[k].travel_m[i].high * a.length, bands[k].force_n[i] * a.force);
    }
    if (!b.low.empty()) in.bands.push_back(std::move(b));
  }
  in.x_digits = s.style().units == UnitStyle::imperial ? 2 : 0;
  fit_axes(in, 2.2 * l.effort_n * a.force);
  in.limits.push_back({false, l.effort_n * a.force, QObject::tr("effort limit")});
  in.limits.push_back({true, l.travel_m * a.length, QObject::tr("travel limit")});
  return in;
}

PlotInput angle_plot(const Session& s) {
  const Axes a = axes_of(s.style());
  const AngleReport r = angle_report(s.job(), As::plan);
  PlotInput in;
  in.title = QObject::tr("Rod angle over the working stroke");
  in.x.words = QObject::tr("pedal travel, ") + a.mm;
  in.y.words = QObject::tr("off the bore, °");
  in.empty = r.missing.empty() ? QObject::tr("This geometry cannot be")
                               : QObject::tr("Unknown, not zero. Measure: ") +
                                     text_of(param_list(r.missing), s.style());
  PlotCurve angle{QObject::tr("rod angle"), {}, Stroke::solid, theme::kScribe, 2.2};
  for (const auto& p : r.points)
    angle.points.emplace_back(p.pad_travel_m * a.length, p.angle_rad * 180 / kPi);
  in.x.hi = r.points.empty() ? 100 : std::max(1e-3, r.points.back().pad_travel_m * a.length);
  in.y.hi = std::max(6.0, round_end(r.largest_rad * 180 / kPi));
  in.curves.push_back(std::move(angle));
  in.limits = {{false, 3, QStringLiteral("3° good")}, {false, 5, QObject::tr("5° the most")}};
  return in;
}

PlotInput prove_plot(const Session& s) {
  const Axes a = axes_of(s.style());
  PlotInput in;
  in.title = QObject::tr("Measured against predicted");
  in.x.words = QObject::tr("pedal travel, ") + a.mm;
  in.y.words = QObject::tr("pedal force, ") + a.n;
  in.empty = QObject::tr("No prediction yet. ") +
             text_of(report_of(s, ConditionId::plan).reason, s.style());
  const auto& dead = report_of(s, ConditionId::assist_lost);
  const auto& plan = report_of(s, ConditionId::plan);
  const bool boosted = has_assist(s.job(), As::plan);
  if (plan.curve)
    add_curve(in, *plan.curve,
              boosted ? QObject::tr("predicted, assist on") : QObject::tr("predicted"),
              Stroke::solid, theme::kScribe, a);
  if (boosted && dead.curve)
    add_curve(in, *dead.curve, QObject::tr("predicted, assist off"), Stroke::dashed,
              theme::kScribeSoft, a);
  // Before and after in one picture: what was read before the work lies on the curve as found.
  if (const auto& found = report_of(s, ConditionId::found); found.curve && !s.job().before.empty())
    add_curve(in, *found.curve, QObject::tr("as found"), Stroke::dotted, theme::kScribeSoft, a);
  for (const Reading& r : kept_readings(s.job().readings))
    in.points.push_back({{r.travel_m * a.length, r.force_n * a.force},
                         r.travel_uncertainty_m * a.length,
                         r.force_uncertainty_n * a.force,
                         r.assist_alive ? QObject::tr("assist on") : QObject::tr("assist off")});
  for (const Reading& r : s.job().before)
    in.points.push_back({{r.travel_m * a.length, r.force_n * a.force},
                         r.travel_uncertainty_m * a.length,
                         r.force_uncertainty_n * a.force,
                         QObject::tr("before the work"),
                         true});
  in.x_digits = s.style().units == UnitStyle::imperial ? 2 : 0;
  double largest = limits_of(s.job()).effort_n;
  for (const Reading& r : s.job().readings) largest = std::max(largest, r.force_n);
  fit_axes(in, 1.3 * largest * a.force);
  return in;
}

QString budget_words(const ConditionReport& report, const Style& style) {
  if (!report.target) return {};
  QStringList parts;
  for (size_t i = 0; i < kLayerCount; ++i) {
    const double m = report.target->budget[i];
    if (m < 0.0005) continue;
    parts << words_of(layer_words(static_cast<TravelLayer>(i))) + QStringLiteral(" ") +
                 quantity_text(m, Kind::length, 0, style);
  }
  return text_of(report.title, style) + QStringLiteral(": ") + parts.join(QStringLiteral(", "));
}

}  // namespace yoke
