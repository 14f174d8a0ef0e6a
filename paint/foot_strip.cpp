#include "paint/foot_strip.hpp"

#include <QFontMetricsF>

#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

theme::Mark mark_of(Verdict v) {
  return v == Verdict::holds        ? theme::Mark::tick
         : v == Verdict::fails      ? theme::Mark::cross
         : v == Verdict::if_typical ? theme::Mark::rests
                                    : theme::Mark::query;
}

QString verdict_line(const ConditionReport& c, bool full, const Style& style) {
  const Message& reason = full || c.brief.empty() ? c.reason : c.brief;
  if (!reason.empty()) return text_of(reason, style);
  return c.verdict == Verdict::holds        ? Drawn::tr("passes")
         : c.verdict == Verdict::if_typical ? Drawn::tr("passes if typical")
                                            : Drawn::tr("cannot say");
}

namespace {

/// The pad's way from rest (top) to the floor (bottom): used part hatched, reserve clear.
void draw_way(QPainter& p, const QRectF& way, const ConditionReport& c) {
  p.setPen(QPen(theme::kScribeSoft, 1.2));
  p.setBrush(theme::kDyeDeep);
  p.drawRect(way);
  p.setPen(QPen(theme::kScribe, 3));
  p.drawLine(way.bottomLeft() + QPointF(-5, 0), way.bottomRight() + QPointF(5, 0));
  if (!c.target || c.target->available_m <= 0) return;
  const double used =
      std::clamp(c.target->at.pad_travel_m / c.target->available_m, 0.0, 1.0) * way.height();
  const QRectF fill(way.left(), way.top(), way.width(), used);
  const QColor ink = c.verdict == Verdict::fails ? theme::kMarkOnDye : theme::kScribeSoft;
  theme::fill_hatched(p, fill, ink);
  p.setBrush(ink);
  p.setPen(Qt::NoPen);
  p.drawRoundedRect(QRectF(way.left() - 5, way.top() + used - 4, way.width() + 10, 8), 2, 2);
}

/// The chosen unit leads; the other stands small beside it where both have room, never over it.
void draw_effort(QPainter& p, const QRectF& box, const std::optional<double>& effort,
                 const Style& style) {
  const QString own =
      effort ? q(format_quantity(*effort, Kind::force, 0, style)) : QStringLiteral("–");
  const QFont large = theme::figure(21, true);
  const QFont less = theme::figure(18, true);
  const bool fits = QFontMetricsF(large).horizontalAdvance(own) <= box.width();
  p.setFont(fits ? large : less);
  p.drawText(box, Qt::AlignVCenter, own);
  if (!effort || style.units != UnitStyle::both) return;
  const QString other = q(format_other(*effort, Kind::force, 0, style));
  const QFont small = theme::figure(13);
  constexpr double kGap = 8;
  if (QFontMetricsF(p.font()).horizontalAdvance(own) + kGap +
          QFontMetricsF(small).horizontalAdvance(other) >
      box.width())
    return;
  p.setFont(small);
  p.setPen(theme::kScribeSoft);
  p.drawText(box, Qt::AlignVCenter | Qt::AlignRight, other);
}

/// What a column shows of a report: its curve and rules stay where they are.
ConditionReport column_of(const ConditionReport& c) {
  ConditionReport k;
  k.id = c.id;
  k.title = c.title;
  k.at = c.at;
  k.within = c.within;
  k.verdict = c.verdict;
  k.reason = c.reason;
  k.brief = c.brief;
  k.target = c.target;
  k.effort_only_n = c.effort_only_n;
  return k;
}

void draw_column(QPainter& p, const QRectF& box, const ConditionReport& c, bool shown,
                 const Style& style) {
  p.setRenderHint(QPainter::Antialiasing);
  if (shown) p.fillRect(box, theme::kDyeDeep);
  p.setPen(QPen(theme::kScribeFaint, 1));
  p.drawLine(box.topRight(), box.bottomRight());
  if (shown) p.fillRect(QRectF(box.left(), box.top(), box.width() - 1, 4), theme::kMarkOnDye);
  // A narrow column gives the room of the pad's way to the figures: a stripe at its edge.
  const bool narrow = box.width() < 172;
  draw_way(p,
           narrow ? QRectF(box.left() + 7, box.top() + 12, 6, box.height() - 24)
                  : QRectF(box.left() + 14, box.top() + 16, 18, box.height() - 32),
           c);

  const double x = box.left() + (narrow ? 22 : 46);
  const double w = box.width() - (narrow ? 26 : 54);
  p.setPen(theme::kScribe);
  const QFont title = theme::text(14, true);
  p.setFont(title);
  const QFont small = theme::text(12);
  // What it is judged at stands beside its name, whatever the room: the name gives way.
  const QString at = text_of(c.at, style);
  const double at_w = QFontMetricsF(small).horizontalAdvance(at);
  p.drawText(QRectF(x, box.top() + 9, w, 20), Qt::AlignVCenter,
             theme::elided(title, text_of(c.title, style), w - (at.isEmpty() ? 0 : at_w + 6)));
  p.setFont(small);
  p.setPen(theme::kScribeSoft);
  p.drawText(QRectF(x, box.top() + 9, w, 20), Qt::AlignVCenter | Qt::AlignRight, at);
  if (!c.within.empty())
    p.drawText(QRectF(x, box.top() + 75, w, 16), Qt::AlignVCenter,
               theme::elided(small, Drawn::tr("within %1").arg(text_of(c.within, style)), w));
  p.setPen(theme::kScribe);
  std::optional<double> effort = c.effort_only_n;
  if (c.target) effort = c.target->at.pad_force_n;
  draw_effort(p, QRectF(x, box.top() + 30, w, 28), effort, style);
  p.setPen(theme::kScribe);
  p.setFont(theme::figure(13));
  QString travel = Drawn::tr("travel unknown");
  if (c.target)
    travel = Drawn::tr("%1 · %2 % left")
                 .arg(q(format_quantity(c.target->at.pad_travel_m, Kind::length, 0, style)))
                 .arg(qMax(0.0, c.target->reserve_share * 100), 0, 'f', 0);
  // A word gives way before a digit does.
  if (c.target && QFontMetricsF(p.font()).horizontalAdvance(travel) > w)
    travel = QStringLiteral("%1 · %2 %")
                 .arg(q(format_quantity(c.target->at.pad_travel_m, Kind::length, 0, style)))
                 .arg(qMax(0.0, c.target->reserve_share * 100), 0, 'f', 0);
  p.drawText(QRectF(x, box.top() + 58, w, 20), Qt::AlignVCenter,
             theme::elided(p.font(), travel, w));

  const QColor ink = sums_pass(c.verdict) ? theme::kScribe : theme::kMarkOnDye;
  theme::draw_mark(p, QRectF(x, box.top() + 95, 18, 18), mark_of(c.verdict), ink);
  p.setPen(ink);
  p.setFont(theme::text(13));
  p.drawText(QRectF(x + 24, box.top() + 93, w - 24, box.height() - 95),
             Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, verdict_line(c, false, style));
}

}  // namespace

Picture foot_strip_picture(const std::vector<ConditionReport>& strip, ConditionId shown,
                           const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  pic.layers.emplace_back(
      [size](QPainter& p) { p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye); });
  const double w = size.width() / static_cast<double>(strip.size());
  for (size_t i = 0; i < strip.size(); ++i) {
    const QRectF box(w * static_cast<double>(i), 0, w, size.height());
    const ConditionReport c = column_of(strip[i]);
    const bool is_shown = c.id == shown;
    pic.layers.emplace_back([=](QPainter& p) {
      p.setClipRect(box);
      draw_column(p, box, c, is_shown, style);
    });
    QString said = text_of(c.title, style) + QStringLiteral(": ");
    if (!c.at.empty())
      said += Drawn::tr("at %1, within %2: ").arg(text_of(c.at, style), text_of(c.within, style));
    if (c.target)
      said += QStringLiteral("%1, %2, ")
                  .arg(q(format_full(c.target->at.pad_force_n, Kind::force, 0, style)),
                       q(format_full(c.target->at.pad_travel_m, Kind::length, 0, style)));
    said += verdict_line(c, true, style);
    pic.said << said;
    pic.spots.push_back({box, QStringLiteral("condition:%1").arg(static_cast<int>(c.id)), said});
  }
  return pic;
}

}  // namespace yoke
