#include "session/road_edits.hpp"

#include <algorithm>
#include <cmath>

#include "files/limits.hpp"
#include "session/entries.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"

namespace yoke {

namespace {

bool blank(const std::string& text) {
  return text.find_first_not_of(' ') == std::string::npos;
}

/// Without a sign of doubt before it.
std::string bare(std::string text) {
  if (const auto at = text.find("±"); at != std::string::npos) text.erase(at, 2);
  return text;
}

}  // namespace

Expected<RoadStop> typed_stop(RoadStage stage, const StopEntry& e, const Style& style) {
  RoadStop s;
  s.stage = stage;
  s.locked = e.locked;
  s.pulled = e.pulled;
  s.note = e.note;
  struct Field {
    const std::string& typed;
    const char* words;
    Kind kind;
    Range range;
    double* to;
  };
  const Field fields[] = {
      {e.speed, "Speed", Kind::speed, kStopSpeed, &s.speed_m_s},
      {e.speed_doubt, "± of the speed", Kind::speed, kStopSpeed, &s.speed_plus_minus},
      {e.distance, "Distance", Kind::altitude, kStopDistance, &s.distance_m},
      {e.distance_doubt, "± of the distance", Kind::altitude, kStopDistance,
       &s.distance_plus_minus},
      {e.slope, "Slope", Kind::angle, kStopSlope, &s.slope_rad}};
  for (const Field& f : fields) {
    if (blank(f.typed)) continue;
    const auto v = typed_quantity(bare(f.typed), f.words, f.kind, f.range, style);
    if (!v) return fail(v.error());
    *f.to = *v;
  }
  return s;
}

std::vector<RoadStep> road_of(const Session& session) {
  return road_steps(session.job(), gates_of(session.job(), session.strip(), session.findings()));
}

Expected<bool> take_stop(Session& session, RoadStage stage, const StopEntry& entry,
                         const std::string& when) {
  auto s = typed_stop(stage, entry, session.style());
  if (!s) return fail(s.error());
  s->when = when;
  if (const auto ok = may_count(session.job(), road_of(session), *s); !ok) return fail(ok.error());
  return session.edit(QObject::tr("a stop on the road"), [&](Job& j) { j.stops.push_back(*s); });
}

Expected<bool> take_out_stop(Session& session, std::size_t at) {
  return session.edit(QObject::tr("take a stop out"), [at](Job& j) {
    if (at < j.stops.size()) j.stops.erase(j.stops.begin() + static_cast<long>(at));
  });
}

RoadPermit permit_of(const Job& job, RoadStage stage) {
  const auto it = job.permits.find(std::string(key_of(stage)));
  return it == job.permits.end() ? RoadPermit{} : it->second;
}

Expected<bool> answer_permit(Session& session, RoadStage stage, const RoadPermit& permit) {
  return session.edit(QObject::tr("what is answered for on the road"),
                      [&](Job& j) { j.permits[std::string(key_of(stage))] = permit; });
}

Expected<bool> set_heat(Session& session, const std::string& wheel, const std::string& typed,
                        const std::string& when) {
  if (blank(typed))
    return session.edit(QObject::tr("heat of a wheel"), [&](Job& j) { j.heat.erase(wheel); });
  const WithDoubt parts = split_doubt(typed);
  WheelHeat h;
  const auto v =
      typed_quantity(parts.value, "Heat of the wheel", Kind::temperature, kHeat, session.style());
  if (!v) return fail(v.error());
  h.celsius = *v;
  h.when = when;
  if (!parts.doubt.empty()) {
    // A doubt is a difference of temperatures: its unit is the figure's own, and has no zero.
    const bool fahrenheit = parts.value.find('F') != std::string::npos ||
                            (session.style().units == UnitStyle::imperial &&
                             parts.value.find('C') == std::string::npos);
    const std::size_t at = std::min(parts.doubt.find_first_of("0123456789"), parts.doubt.size());
    const std::string figures = parts.doubt.substr(at);
    const std::string bare_doubt = figures.substr(0, figures.find_first_not_of("0123456789.,"));
    const auto d = typed_quantity(bare_doubt, "±", Kind::number, kHeatDoubt, session.style());
    if (!d) return fail(d.error());
    h.plus_minus = fahrenheit ? *d / 1.8 : *d;
  }
  return session.edit(QObject::tr("heat of a wheel"), [&](Job& j) { j.heat[wheel] = h; });
}

Expected<bool> set_series(Session& session, Param param, const QString& typed) {
  return type_value(session, As::plan, param, typed, How::maker);
}

Expected<bool> tick_after(Session& session, const AfterRun& item, bool done) {
  return session.edit(text_of(item.words, session.style()), [&](Job& j) {
    StepRecord& r = j.steps[item.key];
    r.done = done;
    r.waits = done ? wall_clock() : std::string();
    r.date = r.waits.substr(0, 10);
  });
}

}  // namespace yoke
