#include "paint/feed_picture.hpp"

#include <QFontMetricsF>
#include <algorithm>

#include "document/param/assist_kind.hpp"
#include "document/values.hpp"
#include "paint/drawing_ground.hpp"

namespace yoke {

namespace {

theme::Mark mark_of(FeedState s) {
  return s == FeedState::good    ? theme::Mark::tick
         : s == FeedState::wrong ? theme::Mark::cross
                                 : theme::Mark::query;
}

struct RowWords {
  QString what, is, should, without;
  FeedState state = FeedState::open;
};

/// A wire by its kind: what carries the motor's current is thick, what only wakes it is dashed.
void draw_row(QPainter& p, const RowWords& r, QRectF box, bool electric, std::size_t row) {
  const QColor ink = r.state == FeedState::good ? theme::kScribe : theme::kMarkOnDye;
  const double y = box.top() + 26;
  QPen wire(ink, electric && row == 0 ? 4 : 2.2);
  if (r.state == FeedState::open) wire.setStyle(Qt::DashLine);
  p.setPen(wire);
  p.drawLine(QPointF(box.left() + 16, y), QPointF(box.right(), y));
  p.setBrush(theme::kDyeDeep);
  p.setPen(QPen(ink, 1.6));
  p.drawEllipse(QPointF(box.left() + 10, y), 6, 6);
  theme::draw_arrow_head(p, {box.right(), y}, 0, 9);
  p.setPen(theme::kScribe);
  const QFont bold = theme::text(14, true);
  p.setFont(bold);
  const QFont figure = theme::text(14);
  const double is_w =
      std::min(QFontMetricsF(figure).horizontalAdvance(r.is) + 4, box.width() * 0.5);
  const double is_x = box.right() - 16 - is_w;
  const double what_w = is_x - 30 - box.left() - 24;
  p.drawText(QRectF(box.left() + 24, y - 24, what_w, 20), Qt::AlignVCenter,
             theme::elided(bold, r.what, what_w));
  p.setFont(figure);
  p.setPen(ink);
  p.drawText(QRectF(is_x, y - 24, is_w, 20), Qt::AlignVCenter | Qt::AlignRight,
             theme::elided(figure, r.is, is_w));
  theme::draw_mark(p, QRectF(is_x - 24, y - 23, 18, 18), mark_of(r.state), ink);
  const QFont small = theme::text(12);
  p.setFont(small);
  p.setPen(theme::kScribeSoft);
  const double w = box.width() - 40;
  if (box.height() > 90) {  // room for all of it
    p.drawText(QRectF(box.left() + 24, y + 4, w, box.bottom() - y - 6),
               Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
               r.should + QLatin1Char('\n') + r.without);
    return;
  }
  p.drawText(QRectF(box.left() + 24, y + 3, w, 16), Qt::AlignVCenter,
             theme::elided(small, r.should, w));
  if (box.height() < 66) return;  // one touch away
  p.drawText(QRectF(box.left() + 24, y + 19, w, 16), Qt::AlignVCenter,
             theme::elided(small, r.without, w));
}

}  // namespace

FeedDrawing feed_drawing(const Job& job) {
  return {feed_rows(job),
          value_of(job, As::plan, param::assist_kind).is(choice::AssistKind::electric)};
}

Picture feed_picture(const FeedDrawing& d, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, d.electric ? Drawn::tr("From battery and ignition to the unit")
                         : Drawn::tr("From manifold to booster"));
  if (d.rows.empty()) {
    say_missing(pic, Drawn::tr("Nothing feeds the planned assist by wire or hose."));
    return pic;
  }
  std::vector<RowWords> rows;
  for (const FeedRow& r : d.rows) {
    RowWords w;
    w.what = text_of(r.what, style);
    w.is = text_of(r.is, style);
    w.should = Drawn::tr("should be: %1").arg(text_of(r.should, style));
    w.without = Drawn::tr("without: %1").arg(text_of(r.without, style));
    w.state = r.state;
    rows.push_back(std::move(w));
    pic.said << rows.back().what + QStringLiteral(": ") + rows.back().is + QStringLiteral("; ") +
                    rows.back().should + QStringLiteral("; ") + rows.back().without;
  }
  const double unit_w = std::min(120.0, size.width() * 0.2);
  const QRectF unit(size.width() - unit_w - 14, 40, unit_w, size.height() - 54);
  const double high = std::min(96.0, (size.height() - 54) / static_cast<double>(rows.size()));
  for (std::size_t i = 0; i < rows.size(); ++i) {
    const QRectF box(12, 40 + static_cast<double>(i) * high, unit.left() - 12, high);
    pic.layers.emplace_back([=, electric = d.electric](QPainter& p) {
      p.setRenderHint(QPainter::Antialiasing);
      draw_row(p, rows[i], box, electric, i);
    });
    pic.spots.push_back({box, QString(),
                         rows[i].what + QStringLiteral(": ") + rows[i].is + QStringLiteral("\n") +
                             rows[i].should + QStringLiteral("\n") + rows[i].without});
  }
  pic.layers.emplace_back([=, electric = d.electric](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(theme::kDyeDeep);
    p.setPen(QPen(theme::kScribe, 2));
    p.drawRoundedRect(unit, 8, 8);
    p.setFont(theme::text(14, true));
    p.drawText(unit, Qt::AlignCenter | Qt::TextWordWrap,
               electric ? Drawn::tr("electric unit") : Drawn::tr("booster"));
  });
  return pic;
}

}  // namespace yoke
