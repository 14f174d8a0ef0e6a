// The sheet's own pages: what a builder needs at the bench.
#include "session/sheet.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/lines.hpp"
#include "master/bores.hpp"
#include "proving/gates.hpp"
#include "rod/rod.hpp"
#include "session/sheet_cells.hpp"
#include "session/stage_views.hpp"
#include "work/bleed_methods.hpp"
#include "work/bleeding.hpp"
#include "work/parts_gate.hpp"
#include "work/steps.hpp"
#include "work/wetness.hpp"

namespace yoke {

namespace {

using namespace sheet;

QString head(const Job& job, const std::vector<Finding>& findings, const QDate& on) {
  QString h = QStringLiteral("<h1>%1</h1><p>%2</p>")
                  .arg(esc(std::string_view(job.title)), esc(std::string_view(job.vehicle)));
  if (!job.notes.empty()) h += QStringLiteral("<p>%1</p>").arg(esc(std::string_view(job.notes)));
  if (job.state == JobState::left_unsafe)
    h += QStringLiteral("<h1 style='color:#a83e00'>%1</h1>")
             .arg(esc(Printed::tr("LEFT UNSAFE – DO NOT DRIVE")));
  else if (proved_now(job, findings))
    h += QStringLiteral("<p><b>%1</b></p>").arg(esc(Printed::tr("Proved: every gate passed.")));
  else if (job.state == JobState::proved)
    h += QStringLiteral("<h1 style='color:#a83e00'>%1</h1><p>%2</p>")
             .arg(esc(Printed::tr("PROVED NO LONGER – DO NOT DRIVE")),
                  esc(Printed::tr("Something was changed after the gates were passed; see the open "
                                  "findings.")));
  else
    h += QStringLiteral("<p><b>%1</b></p>")
             .arg(esc(Printed::tr("In work: not proved. Do not drive on it.")));
  return h + QStringLiteral("<p>%1</p>")
                 .arg(esc(Printed::tr(
                              "Sheet of %1. Figures are a builder's help, not an approval: local "
                              "rules and licensed inspection win over anything printed here.")
                              .arg(on.toString(Qt::ISODate))));
}

QString bore_text(const Values& v, const Style& style) {
  if (!v.known(param::master_bore)) return Printed::tr("unknown");
  const double si = v.si(param::master_bore);
  const BoreSize* named = named_bore(Length{si});
  return named ? QStringLiteral("%1 (%2)").arg(text_of(named->name),
                                               quantity_text(si, Kind::length, 2, style))
               : full_text(si, Kind::length, 2, style);
}

QString ratio_text(const Values& v) {
  const auto ratio = arm_ratio(v);
  return ratio ? QString::number(*ratio, 'f', 2) : Printed::tr("unknown");
}

QString press_text(const ConditionReport& c, const Style& style) {
  if (!c.target) return text_of(c.reason, style);
  return text_of(say("{} at {}, {} of travel", force(c.target->at.pad_force_n), c.at,
                     length(c.target->at.pad_travel_m, 0)),
                 style);
}

QString bleeding_text(const Job& job, const Style& style) {
  const BleedPlan plan = bleed_plan(job);
  QStringList order;
  for (const BleedWheel& w : plan.wheels) order << words_of(wheel_words(w.wheel));
  QString text = order.join(QStringLiteral(" → "));
  if (plan.clutch) text = Printed::tr("the slave");
  if (text.isEmpty())
    text = plan.refused
               ? text_of(plan.order_reason, style)
               : Printed::tr("cannot be said: %1").arg(text_of(cannot_say(plan.missing), style));
  if (plan.fluid.value() > 0)
    text += QStringLiteral("; ") +
            text_of(say("{} of fluid to have", amount(plan.fluid.value(), Kind::volume, 0)), style);
  return text;
}

/// A way that nobody chose is an offer, and is called one.
QString way_text(const Job& job, const Style& style) {
  QStringList ways;
  const auto add = [&](std::optional<BleedWayId> chosen, std::optional<BleedWayId> offered) {
    if (chosen)
      ways << text_of(method_of(*chosen).words, style);
    else if (offered)
      ways
          << Printed::tr("%1 (offered, not chosen)").arg(text_of(method_of(*offered).words, style));
  };
  add(chosen_bench(job), offered_bench(job));
  add(chosen_way(job), offered_way(job));
  return ways.join(QStringLiteral("; "));
}

QString wiped_text(const Job& job) {
  const auto all = wipe_map(job);
  const auto dry = std::count_if(
      all.begin(), all.end(), [](const WipedJoint& w) { return w.dry_through(WipeRound::driven); });
  return Printed::tr("%1 of %2 joints seen dry three times").arg(dry).arg(all.size());
}

/// What was decided, in the order in which it is fitted.
QString decided(const Job& job, const std::vector<ConditionReport>& strip, const Style& style) {
  const Values found = resolve(job, As::found);
  const Values plan = resolve(job, As::plan);
  const auto press = [&](ConditionId id) {
    for (const ConditionReport& c : strip)
      if (c.id == id) return press_text(c, style);
    return QString();
  };
  QStringList rows{row({QString(), Printed::tr("As found"), Printed::tr("Plan")}, "th")};
  rows << row({esc(Printed::tr("Master bore")), esc(bore_text(found, style)),
               esc(bore_text(plan, style))})
       << row({esc(Printed::tr("Pedal ratio")), ratio_text(found), ratio_text(plan)})
       << row({esc(words_of(info(param::assist_kind).words)),
               esc(value_text(job, As::found, param::assist_kind, style)),
               esc(value_text(job, As::plan, param::assist_kind, style))})
       << row({esc(Printed::tr("Pedal to expect")), esc(press(ConditionId::found)),
               esc(press(ConditionId::plan))})
       << row({esc(Printed::tr("Push rod")), QString(), esc(rod_words(rod_report(job)), style)})
       << row({esc(Printed::tr("Bleeding and fluid")),
               esc(value_text(job, As::found, param::fluid_grade, style)),
               esc(QStringList{bleeding_text(job, style),
                               value_text(job, As::plan, param::fluid_grade, style),
                               way_text(job, style), wiped_text(job)}
                       .join(QStringLiteral("; ")))});
  return table(rows);
}

QString foot(const std::vector<ConditionReport>& strip, const Style& style) {
  QStringList rows{row({Printed::tr("Condition"), Printed::tr("Effort"),
                        Printed::tr("Pedal travel"), Printed::tr("Reserve"), Printed::tr("Reached"),
                        Printed::tr("Target"), Printed::tr("Limits"), Printed::tr("Verdict")},
                       "th")};
  for (const auto& c : strip) {
    QString verdict = words_of(words_of_value(c.verdict));
    // A reason that says so itself is not told twice.
    if (const QString why = text_of(c.reason, style); why.startsWith(verdict, Qt::CaseInsensitive))
      verdict = why;
    else if (!why.isEmpty())
      verdict += QStringLiteral(": ") + why;
    QStringList cells{esc(c.title, style)};
    if (c.target) {
      cells << full_text(c.target->at.pad_force_n, Kind::force, 0, style)
            << full_text(c.target->at.pad_travel_m, Kind::length, 0, style)
            << QStringLiteral("%1 %").arg(c.target->reserve_share * 100, 0, 'f', 0)
            << (c.by_pressure ? full_text(c.target->at.pressure_pa, Kind::pressure, 2, style)
                              : QStringLiteral("%1 g").arg(c.target->at.z, 0, 'f', 2))
            << esc(c.at, style) << esc(c.within, style);
    } else {
      cells << (c.effort_only_n ? full_text(*c.effort_only_n, Kind::force, 0, style)
                                : QStringLiteral("–"))
            << QStringLiteral("–") << QStringLiteral("–") << QStringLiteral("–")
            << QStringLiteral("–") << QStringLiteral("–");
    }
    cells << esc(verdict);
    rows << row(cells);
  }
  return QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("What the foot meets"))) + table(rows);
}

QString gates(const Job& job, const std::vector<ConditionReport>& strip,
              const std::vector<Finding>& findings, const Style& style) {
  QStringList rows{row(
      {Printed::tr("Gate"), Printed::tr("State"), Printed::tr("How to prove it, or why it stands")},
      "th")};
  for (const Gate& g : gates_of(job, strip, findings)) {
    // What stands failed is printed louder than what is merely open.
    const QString state =
        g.state == GateState::failed ? Printed::tr("FAILED") : words_of(words_of_value(g.state));
    const QString said = state + (g.date.empty() ? "" : " ") + text_of(g.date);
    rows << row({esc(g.words, style), esc(said),
                 esc(g.state == GateState::passed && !g.evidence.empty() ? g.evidence
                     : g.why.empty()                                     ? g.how
                                                                         : g.why,
                     style)});
  }
  return title(Printed::tr("Gates")) + table(rows);
}

/// As wide as the page; the picture itself comes with the document.
QString picture(const char* name) {
  return QStringLiteral("<p><img src='%1' width='680'></p>").arg(QLatin1String(name));
}

}  // namespace

QString sheet_html(const Job& job, const std::vector<ConditionReport>& strip,
                   const std::vector<Finding>& findings, const std::vector<JudgedRule>& rules,
                   const Style& style, const QDate& printed_on, SheetPart part) {
  QString h = QStringLiteral(
      "<html><head><style>body{font-family:Roboto;font-size:13px;color:#23262b}"
      "h1{font-size:23px;margin:0}h2{font-size:16px;margin-top:8px;margin-bottom:3px}"
      "th{background:#e9e1d0;text-align:left}"
      "td,th{font-size:12px}</style></head><body>");
  if (part != SheetPart::appendix)
    h += head(job, findings, printed_on) + decided(job, strip, style) + foot(strip, style) +
         printed(finding_list(findings, style)) + gates(job, strip, findings, style) +
         picture(kLinePicture) + printed(rests_list(rules, style)) + picture(kCurvePicture) +
         printed(step_list(job, style)) + printed(part_list(job, style, printed_on)) +
         printed(later_list(job, style)) + printed(reading_list(job, style));
  if (part != SheetPart::sheet)
    h += QStringLiteral("<h1>%1</h1>").arg(esc(Printed::tr("Appendix: all values"))) +
         left_out(finding_list(findings, style)) + left_out(rests_list(rules, style)) +
         left_out(part_list(job, style, printed_on)) + left_out(later_list(job, style)) +
         left_out(reading_list(job, style)) + appendix_html(job, style);
  return h + QStringLiteral("</body></html>");
}

}  // namespace yoke
