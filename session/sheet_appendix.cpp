// All values on demand: every number with its source, and what the sheet's lists left out.
#include "assembly/relevance.hpp"
#include "figures/figures.hpp"
#include "parts/part.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/net.hpp"
#include "plumbing/supply_lines.hpp"
#include "session/road_edits.hpp"
#include "session/sheet_cells.hpp"
#include "session/texts.hpp"
#include "survey/rules.hpp"
#include "work/as_built_check.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

using namespace sheet;

QString numbers(const Job& job, const Style& style) {
  QString h = QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("Every number and its source")));
  QStringList rows{row({Printed::tr("Value"), Printed::tr("As found"), Printed::tr("Source"),
                        Printed::tr("Plan / as built"), Printed::tr("Source")},
                       "th")};
  const auto cell = [&](As w, const ParamInfo& p) {
    const Value v = value_of(job, w, p.param);
    QString t = esc(value_text(job, w, p.param, style));
    if (v.uncertainty_si > 0 && p.kind != Kind::choice)
      t += QStringLiteral(" ") + esc(doubt_text(v.uncertainty_si, p.kind, p.digits, style));
    return t;
  };
  for (const ParamInfo& p : all_params()) {
    const bool said = job.found.at(p.param) || job.plan.at(p.param) || job.built.at(p.param);
    if (!said && !p.typical_si) continue;
    // A clutch has no booster: what nobody said and nothing rests on is no number of this job.
    if (!said && !relevant(job, As::found, p.param) && !relevant(job, As::plan, p.param)) continue;
    rows << row({esc(words_of(p.words)), cell(As::found, p),
                 esc(origin_words(job, As::found, p.param), style), cell(As::plan, p),
                 esc(origin_words(job, As::plan, p.param), style)});
  }
  return h + table(rows);
}

/// Survey in words: what was found wrong, how old, what was changed before.
QString survey(const Job& job, const Style& style) {
  QString h;
  for (const GroupId id : {GroupId::identity, GroupId::symptoms, GroupId::slack, GroupId::before,
                           GroupId::gauge, GroupId::kit, GroupId::ageing, GroupId::upstream}) {
    const FigureGroup g = figure_group(job, id);
    if (g.figures.empty()) continue;
    QStringList rows{row({esc(g.title, style), ""}, "th")};
    for (const Figure& f : g.figures)
      rows << row({esc(f.words, style), esc(figure_message(f), style)});
    h += table(rows);
  }
  return h.isEmpty() ? h
                     : QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("As it was found"))) + h;
}

/// Fitted unit against the plan and what was pinned: what was not compared stands there too.
QString units(const Job& job, const Style& style) {
  const PartKind kind = part_kind_of(job);
  std::vector<std::pair<QString, Matrix>> all{{Printed::tr("Plan"), compare(job, kind, job.plan)}};
  for (const Candidate& c : job.candidates)
    if (c.kind == kind) all.emplace_back(text_of(c.name), compare(job, kind, c.sheet));
  if (all.front().second.equal + all.front().second.differ == 0 && all.size() == 1) return {};
  QString h = QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("Units compared")));
  for (const auto& [name, matrix] : all) {
    QStringList rows{row({esc(name), Printed::tr("Verdict"), Printed::tr("Then")}, "th")};
    for (const MatrixRow& r : matrix.rows)
      if (r.sameness != Sameness::equal)
        rows << row({esc(words_of(info(r.param).words)), esc(sameness_words(r), style),
                     esc(r.consequence, style)});
    h += QStringLiteral("<p>%1: %2</p>").arg(esc(name), esc(matrix_words(matrix), style)) +
         table(rows);
  }
  return h;
}

QString whole_work(const Job& job, const Style& style) {
  QStringList rows{row({Printed::tr("Step"), Printed::tr("Done"), Printed::tr("Note")}, "th")};
  for (const Step& s : install_steps(job)) {
    const StepRecord* const record = record_of(job, s);
    const bool done = is_done(job, s);
    QStringList notes;
    if (record && !record->note.empty()) notes << esc(std::string_view(record->note));
    if (s.measure)
      if (const auto built = as_built_check(job, *s.measure))
        notes << esc(Printed::tr("as built %1, %2")
                         .arg(shown_value(*s.measure, built->built_si, style),
                              text_of(built->words, style)));
    // What is counted under Bleed has no day of its own.
    const QString when = !done                             ? QStringLiteral("–")
                         : record && !record->date.empty() ? esc(std::string_view(record->date))
                                                           : esc(Printed::tr("done"));
    rows << row({esc(s.text, style), when, notes.join(QStringLiteral("; "))});
  }
  return title(Printed::tr("All steps of the work")) + table(rows);
}

/// Which line goes from which old outlet to which new one.
QString old_to_new(const Job& job) {
  const PortMatching m = port_matching(job);
  if (m.lines.empty() && m.open.empty()) return {};
  const auto names = [](const std::vector<Wheel>& wheels) {
    QStringList list;
    for (const Wheel w : wheels) list << words_of(wheel_words(w));
    return esc(list.join(QStringLiteral(", ")));
  };
  const auto outlet = [](Outlet o) { return QString::number(o == Outlet::primary ? 1 : 2); };
  QStringList rows{
      row({Printed::tr("Line to"), Printed::tr("Old outlet"), Printed::tr("New outlet")}, "th")};
  for (const PortMatch& p : m.lines)
    rows << row({names(p.wheels), outlet(p.old_outlet), outlet(p.new_outlet)});
  if (!m.open.empty())
    rows << row({names(m.open), QStringLiteral("?"), Printed::tr("not traced on both units")});
  return title(Printed::tr("Old outlets to new")) + table(rows);
}

/// Every joint with what was seen of it, a box for a pencil where it is to be proved; what feeds
/// the assist unit, and what happens without.
QString plumbing(const Job& job, const Style& style) {
  QStringList rows{row({Printed::tr("Joint"), Printed::tr("Verdict"), Printed::tr("Spanner"),
                        Printed::tr("Tighten"), Printed::tr("By hand")},
                       "th")};
  for (const JudgedJoint& j : judged_joints(job, As::plan)) {
    const QString proved = j.proved        ? Printed::tr("proved")
                           : j.joint.fresh ? QStringLiteral("□")
                                           : QStringLiteral("–");
    rows << row(
        {esc(j.joint.name, style),
         esc(words_of(verdict_words(j.verdict)) + QStringLiteral(". ") + text_of(j.words, style)),
         esc(j.spanner, style), esc(j.tighten, style), proved});
  }
  QString h = title(Printed::tr("Joints")) + table(rows) + old_to_new(job);
  const auto feeds = feed_rows(job);
  if (feeds.empty()) return h;
  QStringList lines{row({Printed::tr("Feed"), Printed::tr("As it is"),
                         Printed::tr("As it should be"), Printed::tr("What happens without")},
                        "th")};
  for (const FeedRow& r : feeds)
    lines << row(
        {esc(r.what, style), esc(r.is, style), esc(r.should, style), esc(r.without, style)});
  return h + title(Printed::tr("What feeds the assist")) + table(lines);
}

}  // namespace

namespace {

/// Every stop with its figures, who answered for its stage, and what was due afterwards.
QString road(const Job& job, const Style& style) {
  if (job.stops.empty()) return {};
  QStringList rows{
      row({Printed::tr("When"), Printed::tr("Stage"), Printed::tr("Speed"), Printed::tr("Distance"),
           Printed::tr("Braking"), Printed::tr("Locked"), Printed::tr("Who and where")},
          "th")};
  for (const RoadStop& s : job.stops) {
    const auto f = stop_figures(s);
    const RoadPermit p = permit_of(job, s.stage);
    QStringList by;
    for (const std::string& words : {p.who, p.place, p.weather})
      if (!words.empty()) by << esc(std::string_view(words));
    rows << row({esc(std::string_view(s.when)).replace(QLatin1Char('T'), QLatin1Char(' ')),
                 esc(words_of(words_of_value(s.stage))),
                 quantity_text(s.speed_m_s, Kind::speed, 0, style),
                 s.distance_m > 0 ? quantity_text(s.distance_m, Kind::altitude, 1, style)
                                  : QStringLiteral("–"),
                 f ? esc(stop_words(*f), style) : QStringLiteral("–"),
                 esc(words_of(words_of_value(s.locked)) +
                     (s.pulled ? Printed::tr("; it pulled to one side") : QString())),
                 by.join(QStringLiteral(", "))});
  }
  QString h = title(Printed::tr("On the road")) + table(rows);
  QStringList due{
      row({Printed::tr("After the first run"), Printed::tr("Due"), Printed::tr("Done")}, "th")};
  for (const AfterRun& a : after_run(job))
    due << row({esc(a.words, style), esc(std::string_view(a.due)),
                a.done ? Printed::tr("done") : QStringLiteral("□")});
  return due.size() > 1 ? h + table(due) : h;
}

}  // namespace

QString sheet::appendix_html(const Job& job, const Style& style) {
  return survey(job, style) + units(job, style) + whole_work(job, style) + plumbing(job, style) +
         road(job, style) + numbers(job, style);
}

}  // namespace yoke
