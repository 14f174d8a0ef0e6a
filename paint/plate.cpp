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
  p.setBrush(theme::kDyeDeep);
  p.setPen(QPen(ink, 1.4));
  p.drawEllipse(at, 9, 9);
  p.setFont(theme::figure(12, true));
  p.drawText(QRectF(at - QPointF(9, 9), QSizeF(18, 18)), Qt::AlignCenter, QString::number(number));
}

}  // namespace

Plate::Plate(const PlateInput& in, const QString& title, QSizeF size)
    : in_(in), title_(title), size_(size) {}

void Plate::value(Param param, std::optional<QPointF> at, As which) {
  if (!relevant(in_.job, which, param)) return;
  labels_.push_back({param, which, at, {}});
}

void Plate::part(const QString& words) {
  labels_.push_back({kNoParam, in_.which, {}, words});
}

void Plate::place(Picture& pic, const Label& l, int number, const QRectF& box, double zoom) const {
  const Value v = value_of(in_.job, l.which, l.param);
  const Surety surety = surety_of(v);
  const QString words = words_of(info(l.param).words);
  const QString text = text_of_value(l.param, v, in_.style);
  const bool selected = in_.selected == l.param;
  const auto at = l.at;
  pic.layers.emplace_back([=](QPainter& p) {
    p.scale(zoom, zoom);
    p.setRenderHint(QPainter::Antialiasing);
    const QColor ink = ink_of(surety);
    p.setPen(selected ? QPen(theme::kMarkOnDye, 2.4)
                      : QPen(surety == Surety::measured ? theme::kScribeFaint : ink, 1.1,
                             surety == Surety::unknown ? Qt::DashLine : Qt::SolidLine));
    p.setBrush(theme::kDyeDeep);
    p.drawRoundedRect(box, 4, 4);
    double x = box.left() + 6;
    if (at) {
      draw_number(p, {box.left() + 13, box.center().y()}, number, ink);
      draw_number(p, *at, number, ink);
      x = box.left() + 27;
    }
    const QFont small = theme::text(12);
    p.setFont(small);
    p.setPen(theme::kScribeSoft);
    const double w = box.right() - x - 4;
    p.drawText(QRectF(x, box.top() + 1, w, 16), Qt::AlignVCenter, theme::elided(small, words, w));
    const QFont large = theme::figure(15, true);
    p.setFont(large);
    p.setPen(ink);
    p.drawText(QRectF(x, box.top() + 16, w, 19), Qt::AlignVCenter, theme::elided(large, text, w));
  });
  const QString id = QStringLiteral("%1:%2").arg(
      l.which == in_.which
          ? QStringLiteral("param")
          : (l.which == As::found ? QStringLiteral("found") : QStringLiteral("plan")),
      q(std::string(info(l.param).id)));
  const QString said =
      words + QStringLiteral(": ") + (surety == Surety::unknown ? Drawn::tr("unknown") : text);
  const QString tip = said + QStringLiteral("\n") + words_of(info(l.param).help);
  const auto scaled = [zoom](const QRectF& r) {
    return QRectF(r.topLeft() * zoom, r.size() * zoom);
  };
  if (at) pic.spots.push_back({scaled(QRectF(*at - QPointF(14, 14), QSizeF(28, 28))), id, tip});
  pic.spots.push_back({scaled(box), id, tip});
  pic.said << said;
}

Picture Plate::done(double drawn) && {
  Picture pic;
  pic.size = size_;
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
    if (!l.words.isEmpty()) {
      if (column > 0) y += kLabel_h + kGap;
      column = 0;
      pic.layers.emplace_back([=](QPainter& p) {
        p.scale(zoom, zoom);
        p.setPen(theme::kScribeSoft);
        p.setFont(theme::text(13, true));
        p.drawText(QRectF(10, y, wide - 20, 20), Qt::AlignVCenter, l.words);
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
