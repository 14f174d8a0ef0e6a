#include "session/work_sheet.hpp"

#include "session/sheet_cells.hpp"
#include "session/stage_views.hpp"

namespace yoke {

namespace {

using sheet::esc;
using sheet::row;
using sheet::table;
using sheet::title;

QString head(const QString& words, const Job& job) {
  return QStringLiteral("<h1>%1</h1><p>%2</p>").arg(esc(words), esc(std::string_view(job.title)));
}

/// Text, then what is to be watched, measured, had in hand; in small letters below.
QString step_cell(const Job& job, const StepRow& r, const Style& style) {
  QString cell = esc(r.step.text, style);
  if (!r.step.caution.empty())
    cell += QStringLiteral("<br><b>▲ %1</b>").arg(esc(r.step.caution, style));
  QStringList tools;
  for (const Message& m : r.step.tools) tools << text_of(m, style);
  if (!tools.isEmpty()) cell += QStringLiteral("<br><small>%1</small>").arg(esc(tools.join(", ")));
  if (r.step.measure)
    cell +=
        QStringLiteral("<br>%1 ________________ <small>%2</small>")
            .arg(
                esc(Printed::tr("as built, %1:").arg(words_of(info(*r.step.measure).words))),
                esc(Printed::tr("plan %1").arg(value_text(job, As::plan, *r.step.measure, style))));
  return cell;
}

QString wait_words(long seconds) {
  if (seconds <= 0) return {};
  return seconds >= 3600 ? Printed::tr("then wait %1 h").arg(seconds / 3600)
                         : Printed::tr("then wait %1 min").arg((seconds + 59) / 60);
}

}  // namespace

QString work_plan_html(const Job& job, const Style& style, bool open_only) {
  const InstallView view = install_view(job);
  QString h = head(Printed::tr("The work in its order"), job);
  h += QStringLiteral("<p>%1</p>")
           .arg(esc(Printed::tr("Tick by pencil, then enter it under Install. Goggles and gloves; "
                                "never under a car held by a jack alone. Local rules win.")));
  QStringList rows;
  std::optional<WorkPlace> place;
  const auto close = [&] {
    if (!rows.isEmpty()) h += table(rows);
    rows.clear();
  };
  for (std::size_t i = 0; i < view.steps.size(); ++i) {
    const StepRow& r = view.steps[i];
    if (open_only && r.done) continue;
    if (place != r.step.place) {
      close();
      place = r.step.place;
      h += title(words_of(words_of_value(r.step.place)));
    }
    QStringList beside;
    if (r.step.hands > 1) beside << Printed::tr("two people");
    if (const QString wait = wait_words(r.step.wait_s); !wait.isEmpty()) beside << wait;
    for (const NeedRow& n : r.needs)
      if (!n.done) {
        beside << Printed::tr("after %1").arg(n.step + 1);
        break;
      }
    rows << row(
        {r.done ? QStringLiteral("☒ %1").arg(esc(std::string_view(r.date))) : QStringLiteral("☐"),
         QString::number(i + 1), step_cell(job, r, style), esc(beside.join(QStringLiteral(", ")))});
  }
  close();
  return h;
}

QString call_sheet_html(const Job& job, const Style& style) {
  const InstallView view = install_view(job);
  QString boxes;
  for (std::size_t i = 0; i < view.steps.size(); ++i) {
    const StepRow& r = view.steps[i];
    if (r.done || !r.step.call) continue;
    const Call& c = *r.step.call;
    const auto line = [&](const QString& who, const Message& what) {
      return what.empty() ? QString()
                          : row({QStringLiteral("<b>%1</b>").arg(esc(who)), esc(what, style)});
    };
    boxes +=
        QStringLiteral("<h2>%1. %2</h2><div style='font-size:22px'>%3</div>")
            .arg(i + 1)
            .arg(esc(r.step.text, style),
                 table({line(Printed::tr("You"), c.you), line(Printed::tr("Helper"), c.helper),
                        line(Printed::tr("Call"), c.words), line(Printed::tr("Alone"), c.alone)}));
  }
  if (boxes.isEmpty())
    boxes = QStringLiteral("<p>%1</p>").arg(esc(Printed::tr("No step that is open takes two.")));
  return head(Printed::tr("Who does what, and what is called"), job) + boxes;
}

}  // namespace yoke
