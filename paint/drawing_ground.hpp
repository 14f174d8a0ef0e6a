// What the drawings in section and from above share: the ground with its title, a word where
// something is missing, and lengths as the job shows them.
#pragma once

#include "paint/picture.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

/// `share` of the width that the title may take, where something else stands beside it.
inline void ground(Picture& pic, const QString& title, double share = 1) {
  const QSizeF size = pic.size;
  pic.spots.push_back({QRectF(0, 0, size.width() * share, 28), QString(), title});
  pic.layers.emplace_back([=](QPainter& p) {
    p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye);
    p.setPen(theme::kScribe);
    p.setFont(theme::text(14, true));
    p.drawText(QRectF(14, 6, size.width() - 28, 22), Qt::AlignLeft | Qt::AlignVCenter,
               theme::elided(p.font(), title, size.width() * share - 28));
  });
  pic.said << title;
}

inline void say_missing(Picture& pic, const QString& why) {
  const QSizeF size = pic.size;
  pic.said << why;
  pic.layers.emplace_back([=](QPainter& p) {
    p.setFont(theme::text(15));
    p.setPen(theme::kMarkOnDye);
    p.drawText(QRectF(30, 36, size.width() - 60, size.height() - 50),
               Qt::AlignCenter | Qt::TextWordWrap, why);
  });
}

[[nodiscard]] inline QString length_text(double m, const Style& style, int digits = 1) {
  return q(format_quantity(m, Kind::length, digits, style));
}

}  // namespace yoke
