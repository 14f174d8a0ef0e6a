#include "paint/begin.hpp"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "document/param/limits.hpp"
#include "paint/theme.hpp"

namespace yoke {

namespace {

using choice::TargetJob;

/// Scribes into a box of 100 x 50, whatever its size on the screen.
class Scriber {
 public:
  Scriber(QPainter& p, const QRectF& box) : p_(p) {
    scale_ = std::min(box.width() / 100, box.height() / 50);
    origin_ = box.center() - QPointF(50, 25) * scale_;
    soft(false);
  }
  [[nodiscard]] QPointF at(double x, double y) const { return origin_ + QPointF(x, y) * scale_; }
  [[nodiscard]] QRectF rect(double x, double y, double w, double h) const {
    return {at(x, y), QSizeF(w, h) * scale_};
  }
  void soft(bool on) {
    p_.setPen(QPen(on ? theme::kScribeSoft : theme::kScribe, on ? 1.4 : 2.0, Qt::SolidLine,
                   Qt::RoundCap, Qt::RoundJoin));
    p_.setBrush(Qt::NoBrush);
  }
  void mark() {
    p_.setPen(QPen(theme::kMarkOnDye, 2.0, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
  }
  void line(double x1, double y1, double x2, double y2) { p_.drawLine(at(x1, y1), at(x2, y2)); }
  void circle(double x, double y, double r) { p_.drawEllipse(at(x, y), r * scale_, r * scale_); }
  void box(double x, double y, double w, double h) { p_.drawRect(rect(x, y, w, h)); }
  void fill(double x, double y, double w, double h) {
    p_.fillRect(rect(x, y, w, h), p_.pen().color());
  }
  void arc(double x, double y, double r, double from_deg, double span_deg) {
    p_.drawArc(rect(x - r, y - r, 2 * r, 2 * r), static_cast<int>(from_deg * 16),
               static_cast<int>(span_deg * 16));
  }
  void becomes() {
    mark();
    line(44, 25, 56, 25);
    theme::draw_arrow_head(p_, at(57, 25), 0, 3.4 * scale_);
    soft(false);
  }
  void drum(double x, double y, double r) {
    soft(true);
    circle(x, y, r);
    soft(false);
    arc(x, y, r * 0.78, 110, 140);
    arc(x, y, r * 0.78, 290, 140);
    box(x - 5, y - r * 0.78 - 2, 10, 5);
  }
  void disc(double x, double y, double r) {
    soft(true);
    circle(x, y, r);
    circle(x, y, r * 0.45);
    soft(false);
    arc(x, y, r + 3, 140, 80);
    arc(x, y, r * 0.6, 140, 80);
    line(x - (r + 3) * 0.77, y - (r + 3) * 0.64, x - r * 0.46, y - r * 0.39);
    line(x - (r + 3) * 0.77, y + (r + 3) * 0.64, x - r * 0.46, y + r * 0.39);
  }
  /// A master lying down, its rod on the left; `ports` lines leave it downwards.
  void master(double x, double y, double w, double h, int ports) {
    soft(false);
    box(x, y - h / 2, w, h);
    line(x - 8, y, x + w * 0.2, y);
    line(x + w * 0.2, y - h / 2, x + w * 0.2, y + h / 2);
    if (ports == 2) line(x + w * 0.6, y - h / 2, x + w * 0.6, y + h / 2);
    soft(true);
    box(x + w * 0.15, y - h / 2 - 7, w * 0.7, 5);
    mark();
    line(x + w * 0.45, y + h / 2, x + w * 0.45, y + h / 2 + 7);
    if (ports == 2) line(x + w * 0.85, y + h / 2, x + w * 0.85, y + h / 2 + 7);
    soft(false);
  }
  void pedal(double x, double y) {
    soft(false);
    circle(x, y, 2.2);
    line(x, y, x - 12, y + 30);
    line(x - 17, y + 27, x - 7, y + 32);
  }

 private:
  QPainter& p_;
  double scale_ = 1;
  QPointF origin_;
};

void draw_clutch(Scriber& s, double x) {
  s.soft(true);
  s.circle(x, 25, 18);
  s.circle(x, 25, 6);
  s.soft(false);
  for (int i = 0; i < 12; ++i) {
    const double a = i * 3.14159265 / 6;
    s.line(x + 8 * std::cos(a), 25 + 8 * std::sin(a), x + 16 * std::cos(a), 25 + 16 * std::sin(a));
  }
}

void draw_kind(Scriber& s, TargetJob kind) {
  switch (kind) {
    case TargetJob::brakes:
      s.drum(22, 25, 18);
      s.becomes();
      s.disc(79, 25, 17);
      break;
    case TargetJob::master:
      s.master(14, 26, 22, 12, 1);
      s.becomes();
      s.master(70, 26, 24, 19, 1);
      break;
    case TargetJob::circuits:
      s.master(14, 26, 22, 14, 1);
      s.becomes();
      s.master(70, 26, 26, 14, 2);
      break;
    case TargetJob::assist:
      s.master(14, 26, 22, 12, 1);
      s.becomes();
      s.soft(false);
      s.circle(72, 26, 14);
      s.line(58, 26, 54, 26);
      s.box(86, 20, 12, 12);
      break;
    case TargetJob::cable:
      s.soft(true);
      s.line(8, 40, 14, 20);
      s.arc(26, 20, 12, 0, 180);
      s.line(38, 20, 38, 40);
      s.becomes();
      s.master(68, 16, 18, 9, 1);
      s.box(74, 34, 16, 9);
      s.line(90, 38, 97, 38);
      break;
    case TargetJob::clutch:
      draw_clutch(s, 24);
      s.becomes();
      draw_clutch(s, 80);
      s.mark();
      s.circle(80, 25, 3.4);
      break;
    case TargetJob::lever:
      s.soft(false);
      s.line(10, 34, 62, 34);
      s.arc(40, 40, 28, 60, 70);
      s.circle(58, 17, 2.2);
      s.box(64, 12, 20, 10);
      s.soft(true);
      s.box(67, 4, 12, 6);
      s.mark();
      s.line(84, 17, 92, 17);
      break;
    case TargetJob::feel:
      s.pedal(40, 8);
      s.soft(true);
      s.line(12, 44, 70, 44);
      s.mark();
      s.line(62, 10, 62, 30);
      s.line(56, 24, 62, 30);
      s.line(68, 24, 62, 30);
      s.line(50, 38, 74, 38);
      break;
    case TargetJob::bores:
      s.soft(false);
      s.circle(24, 23, 13);
      s.circle(76, 23, 18);
      s.mark();
      s.line(11, 46, 37, 46);
      s.line(58, 46, 94, 46);
      s.soft(true);
      s.line(11, 23, 11, 48);
      s.line(37, 23, 37, 48);
      s.line(58, 23, 58, 48);
      s.line(94, 23, 94, 48);
      break;
  }
}

void draw_plate(QPainter& p, const QRectF& box, const BeginPlate& plate) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(QPen(theme::kScribeFaint, 1));
  p.setBrush(theme::kDye);
  p.drawRoundedRect(box, 4, 4);
  // The drawing takes what the words leave; beside them where the plate is low.
  const bool beside = box.height() < 120;
  const double words = beside ? 0 : 58;
  const QRectF drawn =
      beside ? QRectF(box.left() + 8, box.top() + 8, box.height() * 1.2, box.height() - 16)
             : QRectF(box.left() + 16, box.top() + 12, box.width() - 32, box.height() - words - 18);
  Scriber s(p, drawn);
  draw_kind(s, plate.kind);
  const double left = beside ? drawn.right() + 10 : box.left() + 16;
  const double width = box.right() - left - 10;
  const double top = beside ? box.center().y() - 24 : box.bottom() - words;
  p.setFont(theme::text(17, true));
  p.setPen(theme::kScribe);
  p.drawText(QRectF(left, top, width, 24), Qt::AlignLeft | Qt::AlignVCenter,
             theme::elided(p.font(), plate.title, width));
  p.setFont(theme::text(14));
  p.setPen(theme::kScribeSoft);
  p.drawText(QRectF(left, top + 24, width, 22), Qt::AlignLeft | Qt::AlignVCenter,
             theme::elided(p.font(), plate.line, width));
}

}  // namespace

Picture begin_picture(const std::vector<BeginPlate>& plates, int columns, QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.layers.emplace_back(
      [size](QPainter& p) { p.fillRect(QRectF(QPointF(0, 0), size), theme::kDyeDeep); });
  const int count = static_cast<int>(plates.size());
  const int rows = std::max(1, (count + columns - 1) / columns);
  constexpr double kGap = 10;
  const double w = (size.width() - kGap * (columns + 1)) / columns;
  const double h = (size.height() - kGap * (rows + 1)) / rows;
  for (int i = 0; i < count; ++i) {
    const QRectF box(kGap + (w + kGap) * (i % columns), kGap + (h + kGap) * (i / columns), w, h);
    const BeginPlate& plate = plates[static_cast<std::size_t>(i)];
    pic.layers.emplace_back([box, plate](QPainter& p) { draw_plate(p, box, plate); });
    const QString said = plate.title + QStringLiteral(": ") + plate.line;
    pic.spots.push_back({box, plate.id, said});
    pic.said << said;
  }
  return pic;
}

}  // namespace yoke
