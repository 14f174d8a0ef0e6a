#include "session/work_sheet.hpp"

#include <algorithm>

#include "session/sheet_cells.hpp"
#include "session/stage_views.hpp"
#include "work/bleed_count.hpp"

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

namespace {

/// Boxes for a pencil, by fives; where it is topped up a mark stands between them.
QString boxes(int n, int refill_every) {
  QString html;
  for (int i = 1; i <= n; ++i) {
    html += QStringLiteral("☐");
    if (refill_every > 0 && i % refill_every == 0)
      html += QStringLiteral(" <b>▲ %1</b> ").arg(esc(Printed::tr("top up")));
    else if (i % 5 == 0)
      html += QStringLiteral("&nbsp;&nbsp; ");
  }
  return html;
}

QString card(const BleedLine& line, const BleedRow& row, BleedWayId way, const Message& pass,
             const Style& style) {
  constexpr int kMostBoxes = 60;
  const bool fills = row.planned && row.planned->strokes > 0;
  const bool topped = fills && way != BleedWayId::pressure && way != BleedWayId::reverse;
  QString h = QStringLiteral("<h1>%1</h1>").arg(esc(line.name, style));
  if (!line.planned.empty()) h += QStringLiteral("<p>%1</p>").arg(esc(line.planned, style));
  h += QStringLiteral("<p><b>%1</b> / %2</p>")
           .arg(esc(line.clear_key, style), esc(line.bubbles_key, style));
  const int n = fills ? std::clamp(row.planned->strokes, kClearStrokes, kMostBoxes) : 20;
  h += QStringLiteral("<div style='font-size:30px'>%1</div>")
           .arg(boxes(n, topped ? row.planned->refill_every : 0));
  h += QStringLiteral("<p>%1 <span style='font-size:30px'>%2</span></p>")
           .arg(esc(Printed::tr("Without a bubble, in a row:")), boxes(kClearStrokes, 0));
  if (!pass.empty())
    h += QStringLiteral("<p>%1 %2</p>").arg(esc(Printed::tr("Clear when:")), esc(pass, style));
  return h + QStringLiteral("<p>%1 ______________ %2 ______________</p>")
                 .arg(esc(Printed::tr("day")), esc(Printed::tr("by")));
}

}  // namespace

QString bleed_cards_html(const Job& job, const Style& style) {
  const BleedPlan plan = bleed_plan(job);
  const BleedView view = bleed_view(job);
  const auto rows = bleed_rows(job, plan);
  const auto bench = offered_bench(job);
  QStringList cards;
  for (std::size_t i = 0; i < view.lines.size() && i < rows.size(); ++i) {
    const bool master = view.lines[i].key == "bench";
    if (master && !bench_asked(job)) continue;
    const std::optional<BleedWayId> way = master ? bench : std::optional(plan.way);
    cards << card(view.lines[i], rows[i], plan.way, way ? method_of(*way).pass : Message(), style);
  }
  const QString care =
      QStringLiteral("<p><b>▲ %1</b></p>")
          .arg(
              esc(Printed::tr("Goggles and gloves; fluid eats paint and eyes. Never let the pedal "
                              "up while a nipple is open. Tick here, then enter it under Bleed.")));
  const QString gap = QStringLiteral("<p style='page-break-before:always'></p>");
  return care + cards.join(gap + care);
}

}  // namespace yoke
