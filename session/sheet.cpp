#include "session/sheet.hpp"

#include <QBuffer>
#include <QCoreApplication>
#include <QPdfWriter>
#include <QTextDocument>

#include "figures/figures.hpp"
#include "files/disk.hpp"
#include "parts/part.hpp"
#include "proving/gates.hpp"
#include "rod/rod.hpp"
#include "session/texts.hpp"
#include "survey/rules.hpp"
#include "work/parts_gate.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

QString esc(const QString& s) {
  return s.toHtmlEscaped();
}
QString esc(std::string_view s) {
  return text_of(s).toHtmlEscaped();
}
QString esc(const Message& m, const Style& style) {
  return text_of(m, style).toHtmlEscaped();
}
QString row(const QStringList& cells, const char* tag = "td") {
  QString r = QStringLiteral("<tr>");
  for (const auto& c : cells) r += QStringLiteral("<%1>%2</%1>").arg(QString::fromLatin1(tag), c);
  return r + QStringLiteral("</tr>");
}
QString table(const QStringList& rows) {
  return QStringLiteral(
             "<table width='100%' cellspacing='0' cellpadding='4' border='1' "
             "style='border-collapse:collapse;border-color:#b9b09d'>") +
         rows.join(QString()) + QStringLiteral("</table>");
}

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

QString foot(const std::vector<ConditionReport>& strip, const Style& style) {
  QStringList rows{row({Printed::tr("Condition"), Printed::tr("Effort"), Printed::tr("Pad travel"),
                        Printed::tr("Reserve"), Printed::tr("Reached"), Printed::tr("Wanted"),
                        Printed::tr("Limits"), Printed::tr("Verdict")},
                       "th")};
  for (const auto& c : strip) {
    QString verdict = words_of(words_of_value(c.verdict));
    if (!c.reason.empty()) verdict += QStringLiteral(": ") + text_of(c.reason, style);
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
    rows << row({esc(words_of(p.words)), cell(As::found, p),
                 esc(origin_words(job, As::found, p.param), style), cell(As::plan, p),
                 esc(origin_words(job, As::plan, p.param), style)});
  }
  return h + table(rows);
}

/// What holds for want of a measurement only, and which would settle it.
QString unsettled(const std::vector<JudgedRule>& rules, const Style& style) {
  QStringList rows{row(
      {Printed::tr("Holds if typical"), Printed::tr("Limit"), Printed::tr("Measure to settle it")},
      "th")};
  for (const JudgedRule& r : rules) {
    if (r.verdict != Verdict::if_typical) continue;
    const QString words = text_of(r.words, style);
    rows << row(
        {esc(r.condition.empty() ? words
                                 : text_of(r.condition, style) + QStringLiteral(": ") + words),
         esc(r.limit, style), esc(param_list(r.decided_by), style)});
  }
  if (rows.size() < 2) return {};
  return QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("What nobody measured decides"))) +
         table(rows);
}

QString open_points(const Job& job, const std::vector<ConditionReport>& strip,
                    const std::vector<Finding>& findings, const std::vector<JudgedRule>& rules,
                    const Style& style) {
  QString h = QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("Gates")));
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
  h += table(rows);
  if (!findings.empty()) {
    QStringList f{row({Printed::tr("Severity"), Printed::tr("Finding"), Printed::tr("Held against"),
                       Printed::tr("Remedy")},
                      "th")};
    for (const Finding& x : findings)
      f << row({esc(words_of(severity_words(x.severity))), esc(x.message, style),
                esc(x.limit, style), esc(x.remedy, style)});
    h += QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("Open findings"))) + table(f);
  }
  return h + unsettled(rules, style);
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

QString waits(const Job& job, const Style& style, const QDate& on) {
  QString h;
  const std::string today = on.toString(Qt::ISODate).toStdString();
  if (!job.parts.empty()) {
    const PartsGate g = parts_gate(job, today);
    QStringList rows{
        row({Printed::tr("Part"), Printed::tr("Promised"), Printed::tr("Lacks")}, "th")};
    for (const PartState& s : g.parts) {
      QStringList lacks;
      for (const Message& l : s.lacks) lacks << text_of(l, style);
      rows << row({esc(std::string_view(job.parts[s.index].name)),
                   esc(std::string_view(job.parts[s.index].promised)),
                   esc(lacks.isEmpty() ? Printed::tr("ready") : lacks.join(QStringLiteral(", ")))});
    }
    h += QStringLiteral("<h2>%1</h2><p>%2</p>")
             .arg(esc(Printed::tr("Parts in hand")), esc(g.sentence, style)) +
         table(rows);
  }
  if (!job.later.empty()) {
    QStringList rows{row(
        {Printed::tr("Later conversion"), Printed::tr("Planned for"), Printed::tr("Makes wrong")},
        "th")};
    const Values plan = resolve(job, As::plan);
    for (const Later& l : job.later) {
      QStringList wrong;
      for (const Consequence& c : later_consequences(l.what, plan)) wrong << text_of(c.what, style);
      rows << row({esc(words_of(words_of_value(l.what))), esc(std::string_view(l.date)),
                   esc(wrong.join(QStringLiteral("; ")))});
    }
    h += QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("Later"))) + table(rows);
  }
  return h;
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

QString work(const Job& job, const Style& style) {
  QString h = QStringLiteral("<h2>%1</h2><p>%2</p>")
                  .arg(esc(Printed::tr("Push rod")), esc(rod_words(rod_report(job)), style));
  QStringList rows{row({Printed::tr("Step"), Printed::tr("Done"), Printed::tr("Note")}, "th")};
  for (const Step& s : install_steps(job)) {
    const StepRecord* const record = record_of(job, s.id);
    const bool done = record && record->done;
    rows << row({esc(s.text, style),
                 done ? esc(std::string_view(record->date)) : QStringLiteral("–"),
                 record ? esc(std::string_view(record->note)) : QString()});
  }
  h += QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("Work"))) + table(rows);
  if (!job.readings.empty()) {
    QStringList r{
        row({Printed::tr("Pad force"), Printed::tr("Pad travel"), Printed::tr("Assist")}, "th")};
    for (const Reading& x : job.readings)
      r << row({full_text(x.force_n, Kind::force, 0, style),
                full_text(x.travel_m, Kind::length, 0, style),
                x.assist_alive ? Printed::tr("on") : Printed::tr("off")});
    h += QStringLiteral("<h2>%1</h2>").arg(esc(Printed::tr("Readings"))) + table(r);
  }
  return h;
}

}  // namespace

QString sheet_html(const Job& job, const std::vector<ConditionReport>& strip,
                   const std::vector<Finding>& findings, const std::vector<JudgedRule>& rules,
                   const Style& style, const QDate& printed_on) {
  return QStringLiteral(
             "<html><head><style>body{font-family:Roboto;font-size:10pt;color:#23262b}"
             "h1{font-size:17pt}h2{font-size:12pt}th{background:#e9e1d0;text-align:left}"
             "td,th{font-size:9pt}</style></head><body>") +
         head(job, findings, printed_on) + foot(strip, style) +
         open_points(job, strip, findings, rules, style) + survey(job, style) + units(job, style) +
         waits(job, style, printed_on) + work(job, style) + numbers(job, style) +
         QStringLiteral("</body></html>");
}

namespace {
/// Loads nothing from outside, whatever a text in it asks for.
class Paper : public QTextDocument {
 protected:
  QVariant loadResource(int, const QUrl&) override { return {}; }
};
}  // namespace

Expected<bool> write_sheet_pdf(const QString& path, const QString& html, const QString& title,
                               QPageSize::PageSizeId paper) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  {
    QPdfWriter writer(&buffer);
    writer.setTitle(title);
    writer.setPageSize(QPageSize(paper));
    writer.setPageMargins(QMarginsF(14, 14, 14, 14), QPageLayout::Millimeter);
    writer.setResolution(300);
    Paper document;
    document.setDefaultFont(QFont(QStringLiteral("Roboto"), 10));
    document.documentLayout();
    document.setHtml(html);
    document.print(&writer);
  }
  const auto wrote = write_safely(path.toStdString(), buffer.data().toStdString(), {});
  if (!wrote) return fail(wrote.error());
  return true;
}

}  // namespace yoke
