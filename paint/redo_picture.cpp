#include "paint/redo_picture.hpp"

#include <QFontMetricsF>

#include "paint/drawing_ground.hpp"

namespace yoke {

namespace {

constexpr double kPad = 14;

struct Card {
  QRectF box;
  QString fault, what, place, opens;
  double weight = 0;
  double opens_high = 0, what_high = 0;
};

double height_of(const QFont& font, const QString& text, double width) {
  return QFontMetricsF(font)
      .boundingRect(QRectF(0, 0, width, 4000), Qt::TextWordWrap | Qt::AlignLeft, text)
      .height();
}

/// How likely, as a filled part of a bar, and in figures.
void draw_share(QPainter& p, QRectF bar, double share) {
  p.setPen(QPen(theme::kScribeFaint, 1));
  p.setBrush(theme::kDye);
  p.drawRect(bar);
  p.fillRect(QRectF(bar.left() + 1, bar.top() + 1, (bar.width() - 2) * share, bar.height() - 2),
             theme::kMarkOnDye);
  p.setPen(theme::kScribe);
  p.setFont(theme::figure(20, true));
  p.drawText(QRectF(bar.right() + 8, bar.top() - 8, 70, bar.height() + 16), Qt::AlignVCenter,
             QStringLiteral("%1 %").arg(qRound(100 * share)));
}

void draw_card(QPainter& p, const Card& c) {
  p.setBrush(theme::kDyeDeep);
  p.setPen(QPen(theme::kScribeFaint, 1.4));
  p.drawRoundedRect(c.box.adjusted(6, 2, -6, -6), 6, 6);
  const double left = c.box.left() + 6 + kPad, wide = c.box.width() - 12 - 2 * kPad;
  double y = c.box.top() + 10;
  p.setPen(theme::kMarkOnDye);
  p.setFont(theme::text(20, true));
  p.drawText(QRectF(left, y, wide - 200, 28), Qt::AlignVCenter,
             theme::elided(p.font(), c.fault, wide - 200));
  draw_share(p, QRectF(left + wide - 186, y + 8, 110, 12), c.weight);
  y += 34;
  p.setPen(theme::kScribe);
  p.setFont(theme::text(18));
  p.drawText(QRectF(left, y, wide, c.what_high), Qt::TextWordWrap, c.what);
  y += c.what_high + 4;
  p.setFont(theme::text(16, true));
  p.drawText(QRectF(left, y, wide, 24), Qt::AlignVCenter,
             QStringLiteral("→ ") + theme::elided(p.font(), c.place, wide - 24));
  y += 28;
  p.setPen(theme::kScribeSoft);
  p.setFont(theme::text(14));
  p.drawText(QRectF(left, y, wide, c.opens_high), Qt::TextWordWrap, c.opens);
}

}  // namespace

QString redo_place(const Redo& r) {
  const QString stage = words_of(stage_words(r.stage));
  if (!r.nipple.empty()) {
    for (const Wheel w :
         {Wheel::front_left, Wheel::front_right, Wheel::rear_left, Wheel::rear_right})
      if (wheel_key(w) == r.nipple)
        return Drawn::tr("Go to %1: %2").arg(stage, words_of(wheel_words(w)));
  }
  return Drawn::tr("Go to %1").arg(stage);
}

Picture redo_picture(const std::vector<Redo>& list, const QString& instead, const Style& style,
                     QSizeF size) {
  Picture pic;
  const double wide = std::max(320.0, size.width());
  pic.size = QSizeF(wide, std::max(size.height(), 60.0));
  std::vector<Card> cards;
  double y = 38;
  for (std::size_t i = 0; i < list.size(); ++i) {
    const Redo& r = list[i];
    Card c;
    c.fault = text_of(r.fault, style);
    c.what = text_of(r.what, style);
    c.place = redo_place(r);
    c.weight = r.weight;
    QStringList opens;
    for (const Message& m : r.opens) opens << text_of(m, style);
    c.opens = opens.isEmpty()
                  ? Drawn::tr("It opens no gate again.")
                  : Drawn::tr("It opens again: %1").arg(opens.join(QStringLiteral("; ")));
    const double inner = wide - 12 - 2 * kPad;
    c.what_high = height_of(theme::text(18), c.what, inner);
    c.opens_high = height_of(theme::text(14), c.opens, inner);
    c.box = QRectF(0, y, wide, 10 + 34 + c.what_high + 4 + 28 + c.opens_high + 20);
    y += c.box.height() + 6;
    const QString said = QStringLiteral("%1, %2 %: %3. %4. %5")
                             .arg(c.fault)
                             .arg(qRound(100 * c.weight))
                             .arg(c.what, c.place, c.opens);
    pic.said << said;
    pic.spots.push_back({c.box, QStringLiteral("redo:%1").arg(i), said});
    cards.push_back(std::move(c));
  }
  pic.size.setHeight(std::max(pic.size.height(), y + 8));
  ground(pic, Drawn::tr("What to do again"));
  if (list.empty()) pic.said << instead;
  const QSizeF all = pic.size;
  pic.layers.emplace_back([cards, instead, all](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    for (const Card& c : cards) draw_card(p, c);
    if (!cards.empty()) return;
    p.setPen(theme::kScribe);
    p.setFont(theme::text(20));
    p.drawText(QRectF(24, 44, all.width() - 48, all.height() - 60),
               Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, instead);
  });
  return pic;
}

}  // namespace yoke
