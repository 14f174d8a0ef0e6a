#include "paint/due_picture.hpp"

#include <QFontMetricsF>

#include "paint/drawing_ground.hpp"

namespace yoke {

namespace {

constexpr double kDays = 176, kPad = 14;

struct Card {
  QRectF box;
  QString day, off, what, why;
  double why_high = 0;
  bool late = false, chosen = false;
};

QString kind_words(DueKind k) {
  switch (k) {
    case DueKind::point:
      return Drawn::tr("open point");
    case DueKind::part:
      return Drawn::tr("a part");
    case DueKind::later:
      return Drawn::tr("later");
    case DueKind::fluid:
      return Drawn::tr("fluid");
    case DueKind::after_run:
      break;
  }
  return Drawn::tr("after the run");
}

void draw_card(QPainter& p, const Card& c) {
  p.setBrush(theme::kDyeDeep);
  p.setPen(QPen(c.chosen ? theme::kMarkOnDye : theme::kScribeFaint, c.chosen ? 2.4 : 1.4));
  p.drawRoundedRect(c.box.adjusted(6, 2, -6, -4), 6, 6);
  const double y = c.box.top() + 9;
  p.setPen(c.late ? theme::kMarkOnDye : theme::kScribe);
  p.setFont(theme::figure(20, true));
  p.drawText(QRectF(c.box.left() + kPad + 6, y, kDays - 20, 26), Qt::AlignVCenter, c.day);
  p.setFont(theme::text(14, c.late));
  p.drawText(QRectF(c.box.left() + kPad + 6, y + 26, kDays - 20, 20), Qt::AlignVCenter, c.off);
  const double left = c.box.left() + kDays + 12, wide = c.box.right() - left - kPad;
  p.setPen(theme::kScribe);
  p.setFont(theme::text(18, true));
  p.drawText(QRectF(left, y, wide, 26), Qt::AlignVCenter, theme::elided(p.font(), c.what, wide));
  p.setPen(theme::kScribeSoft);
  p.setFont(theme::text(14));
  p.drawText(QRectF(left, y + 28, wide, c.why_high), Qt::TextWordWrap, c.why);
}

}  // namespace

QString due_words(const DueThing& d) {
  if (!d.days) return Drawn::tr("no day was said");
  const int n = *d.days;
  if (d.kind == DueKind::point)
    return n == 0    ? Drawn::tr("since today")
           : n == -1 ? Drawn::tr("since yesterday")
                     : Drawn::tr("open for %1 days").arg(-n);
  if (n == 0) return Drawn::tr("today");
  if (n == 1) return Drawn::tr("tomorrow");
  if (n == -1) return Drawn::tr("yesterday");
  return n > 0 ? Drawn::tr("in %1 days").arg(n) : Drawn::tr("%1 days ago").arg(-n);
}

Picture due_picture(const std::vector<DueThing>& list, const std::string& chosen,
                    const Style& style, QSizeF size) {
  Picture pic;
  const double wide = std::max(360.0, size.width());
  std::vector<Card> cards;
  double y = 38;
  for (std::size_t i = 0; i < list.size(); ++i) {
    const DueThing& d = list[i];
    Card c;
    c.day = d.day.empty() ? QStringLiteral("–") : q(d.day);
    c.off = due_words(d);
    c.what = text_of(d.what, style);
    QStringList why{kind_words(d.kind)};
    for (const Message& m : d.why) why << text_of(m, style);
    c.why = why.join(QStringLiteral(" · "));
    c.late = d.days && *d.days < 0;
    c.chosen = d.key == chosen;
    c.why_high = QFontMetricsF(theme::text(14))
                     .boundingRect(QRectF(0, 0, wide - kDays - 12 - kPad, 4000),
                                   Qt::TextWordWrap | Qt::AlignLeft, c.why)
                     .height();
    c.box = QRectF(0, y, wide, std::max(66.0, 46 + c.why_high + 8));
    y += c.box.height() + 2;
    const QString said = QStringLiteral("%1, %2: %3. %4").arg(c.day, c.off, c.what, c.why);
    pic.said << said;
    pic.spots.push_back({c.box, QStringLiteral("due:%1").arg(i), said});
    cards.push_back(std::move(c));
  }
  pic.size = QSizeF(wide, std::max(size.height(), y + 8));
  ground(pic, Drawn::tr("Open, and due"));
  if (list.empty()) say_missing(pic, Drawn::tr("Nothing is open, and nothing falls due"));
  pic.layers.emplace_back([cards](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    for (const Card& c : cards) draw_card(p, c);
  });
  return pic;
}

}  // namespace yoke
