#include "paint/condition_table.hpp"

#include <algorithm>

#include "paint/foot_strip.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

struct Row {
  QString title;
  QString effort;
  QString travel;
  QString left;
  QString verdict;
  Verdict mark = Verdict::cannot_say;
};

Row row_of(const ConditionReport& c, const Style& style) {
  Row r{text_of(c.title, style), {}, {}, {}, verdict_line(c, false, style), c.verdict};
  if (!c.at.empty()) r.title += QStringLiteral(" · ") + text_of(c.at, style);
  if (c.target) {
    r.effort = q(format_quantity(c.target->at.pad_force_n, Kind::force, 0, style));
    r.travel = q(format_quantity(c.target->at.pad_travel_m, Kind::length, 0, style));
    r.left = Drawn::tr("%1 % left").arg(c.target->reserve_share * 100, 0, 'f', 0);
  } else if (c.effort_only_n) {
    r.effort = q(format_quantity(*c.effort_only_n, Kind::force, 0, style));
  }
  return r;
}

void draw_row(QPainter& p, const QRectF& box, const Row& r, int px) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(QPen(theme::kScribeFaint, 1));
  p.drawLine(box.bottomLeft(), box.bottomRight());
  const bool bad = r.mark == Verdict::fails;
  const double pad = 18;
  const double w = box.width() - 2 * pad;
  const auto cell = [&](double from, double share) {
    return QRectF(box.left() + pad + w * from, box.top(), w * share - 12, box.height());
  };
  const auto word = [&](const QRectF& where, const QFont& font, const QString& text,
                        const QColor& ink) {
    p.setFont(font);
    p.setPen(ink);
    p.drawText(where, Qt::AlignLeft | Qt::AlignVCenter, theme::elided(font, text, where.width()));
  };
  word(cell(0, 0.26), theme::text(px * 2 / 3, true), r.title, theme::kScribe);
  word(cell(0.26, 0.16), theme::figure(px, true), r.effort, theme::kScribe);
  word(cell(0.42, 0.14), theme::figure(px, true), r.travel, theme::kScribe);
  word(cell(0.56, 0.12), theme::text(px * 2 / 3), r.left, theme::kScribeSoft);
  const QRectF last = cell(0.68, 0.32);
  const double side = px * 0.8;
  theme::draw_mark(p, QRectF(last.left(), last.center().y() - side / 2, side, side),
                   mark_of(r.mark), bad ? theme::kMarkOnDye : theme::kScribe);
  p.setFont(theme::text(px / 2 + 2));
  p.setPen(bad ? theme::kMarkOnDye : theme::kScribe);
  p.drawText(last.adjusted(side + 10, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap,
             r.verdict);
}

}  // namespace

Picture condition_table_picture(const std::vector<ConditionReport>& strip, const Style& style,
                                QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  pic.layers.emplace_back(
      [size](QPainter& p) { p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye); });
  const double h = size.height() / static_cast<double>(std::max<std::size_t>(1, strip.size()));
  const int px = static_cast<int>(std::clamp(std::min(h * 0.5, size.width() / 34), 18.0, 72.0));
  for (std::size_t i = 0; i < strip.size(); ++i) {
    const Row row = row_of(strip[i], style);
    const QRectF box(0, h * static_cast<double>(i), size.width(), h);
    pic.layers.emplace_back([=](QPainter& p) { draw_row(p, box, row, px); });
    pic.said << row.title + QStringLiteral(": ") + row.effort + QStringLiteral(", ") + row.travel +
                    QStringLiteral(", ") + verdict_line(strip[i], true, style);
  }
  return pic;
}

}  // namespace yoke
