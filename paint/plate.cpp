#include "paint/plate.hpp"

#include <QFontMetricsF>
#include <algorithm>

#include "assembly/relevance.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

constexpr double kWide = 600;
constexpr double kTitle = 28;
constexpr double kLabel_h = 36;
constexpr double kHeading_h = 22;
constexpr double kGap = 6;

enum class Surety { measured, guess, typical, unknown };

Surety surety_of(const Value& v) {
  if (!v.known() || v.said_unknown) return Surety::unknown;
  if (v.origin == Origin::typical) return Surety::typical;
  return v.how == How::estimate ? Surety::guess : Surety::measured;
}

QString text_of_value(Param p, const Value& v, const Style& style) {
  if (surety_of(v) == Surety::unknown) return QStringLiteral("?");
  const QString text = info(p).kind == Kind::choice
                           ? words_of(info(p)
                                          .options[static_cast<std::size_t>(std::clamp<double>(
                                              v.si, 0, double(info(p).options.size() - 1)))]
                                          .words)
                           : q(format_value(p, v.si, style));
  return surety_of(v) == Surety::typical ? QStringLiteral("≈ ") + text : text;
}

QColor ink_of(Surety s) {
  return s == Surety::measured  ? theme::kScribe
         : s == Surety::typical ? theme::kScribeSoft
                                : theme::kMarkOnDye;
}

void draw_number(QPainter& p, QPointF at, int number, const QColor& ink) {
  theme::draw_once(p, at, QRectF(-11, -11, 22, 22), QStringLiteral("ring:%1").arg(ink.rgba()),
                   [&](QPainter& once) {
                     once.setBrush(theme::kDyeDeep);
                     once.setPen(QPen(ink, 1.4));
                     once.drawEllipse(QPointF(0, 0), 9, 9);
                   });
  p.setPen(QPen(ink, 1.4));
  p.setFont(theme::figure(12, true));
  p.drawText(QRectF(at - QPointF(9, 9), QSizeF(18, 18)), Qt::AlignCenter, QString::number(number));
}

/// Around one value; many of a plate are alike.
void draw_frame(QPainter& p, const QRectF& box, const QPen& pen) {
  const QRectF own(QPointF(0, 0), box.size());
  theme::draw_once(p, box.topLeft(), own.adjusted(-2, -2, 2, 2),
                   QStringLiteral("frame:%1:%2:%3:%4:%5")
                       .arg(pen.color().rgba())
                       .arg(pen.widthF())
                       .arg(static_cast<int>(pen.style()))
                       .arg(box.width())
                       .arg(box.height()),
                   [&](QPainter& once) {
                     once.setPen(pen);
                     once.setBrush(theme::kDyeDeep);
                     once.drawRoundedRect(own, 4, 4);
                   });
}

}  // namespace

Plate::Plate(const PlateInput& in, const QString& title, QSizeF size)
    : in_(in), title_(title), size_(size) {}

void Plate::value(Param param, std::optional<QPointF> at, As which) {
  if (!relevant(in_.job, which, param)) return;
  const Value v = value_of(in_.job, which, param);
  const Surety surety = surety_of(v);
  const QString of = which == in_.which   ? QStringLiteral("param")
                     : which == As::found ? QStringLiteral("found")
                                          : QStringLiteral("plan");
  Told l;
  l.id = QStringLiteral("%1:%2").arg(of, q(std::string(info(param).id)));
  l.words = words_of(info(param).words);
  l.text = text_of_value(param, v, in_.style);
  l.said =
      l.words + QStringLiteral(": ") + (surety == Surety::unknown ? Drawn::tr("unknown") : l.text);
  l.tip = l.said + QStringLiteral("\n") + words_of(info(param).help);
  l.ink = ink_of(surety);
  l.sure = surety == Surety::measured;
  l.asks = surety == Surety::unknown;
  l.selected = in_.selected == param;
  labels_.push_back({std::move(l), at, {}});
}

void Plate::told(Told label, std::optional<QPointF> at) {
  labels_.push_back({std::move(label), at, {}});
}

void Plate::part(const QString& words) {
  labels_.push_back({{}, {}, words});
}

void Plate::place(Picture& pic, const Label& label, int number, const QRectF& box,
                  double zoom) const {
  const Told& l = label.told;
  const auto at = label.at;
  pic.layers.emplace_back([l, at, box, number, zoom](QPainter& p) {
    p.scale(zoom, zoom);
    p.setRenderHint(QPainter::Antialiasing);
    draw_frame(p, box,
               l.selected ? QPen(theme::kMarkOnDye, 2.4)
                          : QPen(l.sure ? theme::kScribeFaint : l.ink, 1.1,
                                 l.asks ? Qt::DashLine : Qt::SolidLine));
    double x = box.left() + 6;
    if (at) {
      draw_number(p, {box.left() + 13, box.center().y()}, number, l.ink);
      draw_number(p, *at, number, l.ink);
      x = box.left() + 27;
    }
    const QFont small = theme::text(12);
    p.setFont(small);
    p.setPen(theme::kScribeSoft);
    const double w = box.right() - x - 4;
    p.drawText(QRectF(x, box.top() + 1, w, 16), Qt::AlignVCenter, theme::elided(small, l.words, w));
    const QFont large = theme::figure(15, true);
    p.setFont(large);
    p.setPen(l.ink);
    p.drawText(QRectF(x, box.top() + 16, w, 19), Qt::AlignVCenter, theme::elided(large, l.text, w));
  });
  const auto scaled = [zoom](const QRectF& r) {
    return QRectF(r.topLeft() * zoom, r.size() * zoom);
  };
  if (at) pic.spots.push_back({scaled(QRectF(*at - QPointF(14, 14), QSizeF(28, 28))), l.id, l.tip});
  pic.spots.push_back({scaled(box), l.id, l.tip});
  pic.said << l.said;
}

Picture Plate::done(double drawn) && {
  Picture pic;
  pic.size = size_;
  pic.covers = true;
  const double zoom = std::clamp(size_.width() / kWide, 0.75, 2.0);
  const double wide = size_.width() / zoom;
  const int columns = std::max(2, static_cast<int>(wide / 190));
  const double cell = (wide - 16 - (columns - 1) * kGap) / columns;
  pic.layers.emplace_back([size = size_, title = title_, zoom](QPainter& p) {
    p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye);
    p.scale(zoom, zoom);
    p.setPen(theme::kScribe);
    p.setFont(theme::text(14, true));
    p.drawText(QRectF(12, 5, size.width() / zoom - 24, 22), Qt::AlignLeft | Qt::AlignVCenter,
               theme::elided(p.font(), title, size.width() / zoom - 24));
  });
  pic.said << title_;
  for (const Layer& layer : layers_)
    pic.layers.emplace_back([layer, zoom](QPainter& p) {
      p.scale(zoom, zoom);
      p.setRenderHint(QPainter::Antialiasing);
      layer(p);
    });
  double y = drawn > 0 ? drawn + 4 : kTitle + 2;
  int column = 0;
  int number = 0;
  for (const Label& l : labels_) {
    if (!l.heading.isEmpty()) {
      if (column > 0) y += kLabel_h + kGap;
      column = 0;
      pic.layers.emplace_back([=](QPainter& p) {
        p.scale(zoom, zoom);
        p.setPen(theme::kScribeSoft);
        p.setFont(theme::text(13, true));
        p.drawText(QRectF(10, y, wide - 20, 20), Qt::AlignVCenter, l.heading);
      });
      y += kHeading_h;
      continue;
    }
    if (l.at) ++number;
    place(pic, l, number, QRectF(8 + column * (cell + kGap), y, cell, kLabel_h), zoom);
    if (++column == columns) {
      column = 0;
      y += kLabel_h + kGap;
    }
  }
  // As high as it came to be: who shows it makes the room.
  pic.size = QSizeF(size_.width(), (y + (column > 0 ? kLabel_h + kGap : 0) + 2) * zoom);
  return pic;
}

bool has_plate(Group group) {
  switch (group) {
    case Group::unit:
    case Group::symptom:
    case Group::ageing:
    case Group::gauge:
    case Group::kit:
      return true;
    default:
      return false;
  }
}

Picture plate_of(Group group, const PlateInput& in, QSizeF size) {
  switch (group) {
    case Group::unit:
      return unit_plate(in, size);
    case Group::symptom:
      return symptom_plate(in, size);
    case Group::ageing:
      return ageing_plate(in, size);
    case Group::gauge:
      return gauge_plate(in, size);
    case Group::kit:
      return kit_plate(in, size);
    default:
      return {};
  }
}

}  // namespace yoke
