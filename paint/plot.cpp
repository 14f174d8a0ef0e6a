#include "paint/plot.hpp"

#include <QFontMetricsF>
#include <QPainterPath>
#include <QPolygonF>
#include <algorithm>
#include <cmath>

#include "paint/theme.hpp"
#include "paint/thinned.hpp"
#include "paint/words.hpp"

namespace yoke {

std::vector<double> round_ticks(double lo, double hi, int count) {
  std::vector<double> ticks;
  if (!(hi > lo) || count < 1) return ticks;
  const double raw = (hi - lo) / count;
  const double decade = std::pow(10.0, std::floor(std::log10(raw)));
  double step = decade;
  for (const double m : {1.0, 2.0, 2.5, 5.0, 10.0})
    if (decade * m >= raw) {
      step = decade * m;
      break;
    }
  for (double v = std::ceil(lo / step - 1e-9) * step; v <= hi + step * 1e-9; v += step)
    ticks.push_back(std::abs(v) < step * 1e-9 ? 0.0 : v);
  return ticks;
}

double round_end(double largest) {
  if (!(largest > 0)) return 1;
  const double want = largest * 1.08;
  const double decade = std::pow(10.0, std::floor(std::log10(want)));
  for (const double m : {1.0, 1.2, 1.5, 2.0, 2.5, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0})
    if (decade * m >= want) return decade * m;
  return want;
}

namespace {

struct Frame {
  QRectF area;
  Scale x;
  Scale y;
  [[nodiscard]] QPointF at(QPointF v) const { return {x.pixel(v.x()), y.pixel(v.y())}; }
};

/// In a low plot the words of the x axis stand inside: the curves get the height.
bool is_low(QSizeF size) {
  return size.height() < 190;
}

/// One entry of the key: a sample of the stroke, or a square for readings, and its name.
struct KeyEntry {
  const PlotCurve* curve = nullptr;
  QString name;
};

constexpr double kSample = 22;
constexpr double kSquare = 7;

std::vector<KeyEntry> key_of(const PlotInput& in) {
  std::vector<KeyEntry> list;
  if (in.curves.size() < 2) return list;  // one curve needs no key: the title names it
  for (const auto& c : in.curves)
    if (!c.name.isEmpty() && !c.points.empty()) list.push_back({&c, c.name});
  for (const auto& q : in.points)
    if (q.soft) {
      list.push_back({nullptr, q.name});
      break;
    }
  return list;
}

double key_width(const std::vector<KeyEntry>& key) {
  const QFontMetricsF fm(theme::text(13));
  double w = 0;
  for (const KeyEntry& k : key)
    w += 12 + (k.curve ? kSample : kSquare) + 6 + fm.horizontalAdvance(k.name);
  return w;
}

/// The key in rows that fit the width: a narrow plot gives height for it.
std::vector<std::vector<KeyEntry>> key_rows(const PlotInput& in, double width) {
  std::vector<std::vector<KeyEntry>> rows(1);
  for (const KeyEntry& k : key_of(in)) {
    std::vector<KeyEntry> longer = rows.back();
    longer.push_back(k);
    if (!rows.back().empty() && key_width(longer) > width - 28)
      rows.push_back({k});
    else
      rows.back() = std::move(longer);
  }
  return rows;
}
constexpr double kKeyRow = 20;

Frame frame_of(const PlotInput& in, QSizeF size) {
  const double top = (in.title.isEmpty() ? 14
                      : is_low(size)     ? 33
                                         : 38) +
                     kKeyRow * static_cast<double>(key_rows(in, size.width()).size() - 1);
  const QRectF area(58, top, size.width() - 58 - 18,
                    size.height() - top - (is_low(size) ? 25 : 46));
  return {area,
          {in.x.lo, in.x.hi, area.left(), area.right()},
          {in.y.lo, in.y.hi, area.bottom(), area.top()}};
}

QString number_text(double v) {
  return QString::number(v, 'g', 6);
}

/// Without anything to show there is only the ground under the title: made-up axes would mislead.
/// Along the pixels: crisp, and a fraction of the work of a softened edge.
void grid_line(QPainter& p, QPointF from, QPointF to) {
  const QPointF by = to - from;
  p.fillRect(QRect(from.toPoint(), QSize(std::max(1, qRound(by.x())), std::max(1, qRound(by.y())))),
             theme::kScribeFaint);
}

void draw_axes(QPainter& p, const PlotInput& in, const Frame& f, QSizeF size, bool axes) {
  p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye);
  if (!axes) return;
  p.setFont(theme::figure(13));
  for (const double v :
       round_ticks(in.x.lo, in.x.hi, std::max(2, static_cast<int>(f.area.width() / 80)))) {
    const double x = f.x.pixel(v);
    grid_line(p, QPointF(x, f.area.top()), QPointF(x, f.area.bottom()));
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(x - 30, f.area.bottom() + 3, 60, 18), Qt::AlignCenter, number_text(v));
  }
  for (const double v :
       round_ticks(in.y.lo, in.y.hi, std::max(2, static_cast<int>(f.area.height() / 45)))) {
    const double y = f.y.pixel(v);
    grid_line(p, QPointF(f.area.left(), y), QPointF(f.area.right(), y));
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(0, y - 9, 52, 18), Qt::AlignRight | Qt::AlignVCenter, number_text(v));
  }
  p.setPen(QPen(theme::kScribe, 1.4));
  p.drawLine(f.area.bottomLeft(), f.area.bottomRight());
  p.drawLine(f.area.bottomLeft(), f.area.topLeft());
  p.setFont(theme::text(13));
  p.setPen(theme::kScribe);
  QRectF words(f.area.left(), f.area.bottom() + 22, f.area.width() - 2, 20);
  if (is_low(size)) {
    const double w = QFontMetricsF(p.font()).horizontalAdvance(in.x.words);
    words.moveTop(f.area.bottom() - 21);
    p.fillRect(QRectF(words.right() - w - 3, words.top() + 1, w + 4, 18),
               QColor(0x10, 0x2a, 0x4c, 200));
  }
  p.drawText(words, Qt::AlignRight | Qt::AlignVCenter, in.x.words);
  p.fillRect(QRectF(f.area.left() + 3, f.area.top() - 1, 92, 19), QColor(0x10, 0x2a, 0x4c, 200));
  p.drawText(QRectF(f.area.left() + 6, f.area.top() - 1, f.area.width() / 2, 20),
             Qt::AlignLeft | Qt::AlignVCenter, in.y.words);
}

/// What no eye tells from the whole line, at any scale of the screen.
constexpr double kUnseen_px = 0.1;

QPen pen_of(const PlotCurve& c) {
  // A round end for each dash, and a round corner at each of hundreds of points, is most of the
  // work of a curve and seen by nobody.
  const bool whole = c.stroke == Stroke::solid;
  QPen pen(c.colour, c.width, Qt::SolidLine, whole ? Qt::RoundCap : Qt::FlatCap, Qt::BevelJoin);
  if (c.stroke == Stroke::dashed) pen.setDashPattern({5, 4});
  if (c.stroke == Stroke::dotted) pen.setDashPattern({1, 3});
  return pen;
}

void draw_curves(QPainter& p, const PlotInput& in, const Frame& f) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setClipRect(f.area.adjusted(-1, -1, 1, 1));
  for (const auto& c : in.curves) {
    if (c.points.empty()) continue;
    QPolygonF line;
    for (const QPointF& v : c.points) line << f.at(v);
    p.setPen(pen_of(c));
    theme::draw_run(p, thinned(line, kUnseen_px));
  }
}

void draw_bands(QPainter& p, const PlotInput& in, const Frame& f) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setClipRect(f.area.adjusted(-1, -1, 1, 1));
  p.setPen(Qt::NoPen);
  for (const auto& b : in.bands) {
    QPolygonF area;
    for (const QPointF& v : b.low) area << f.at(v);
    for (auto it = b.high.rbegin(); it != b.high.rend(); ++it) area << f.at(*it);
    QColor c = b.colour;
    c.setAlpha(70);
    p.setBrush(c);
    p.drawPolygon(area);
  }
}

/// y of a curve at an x, straight between its points.
std::optional<double> y_at(const PlotCurve& c, double x) {
  for (size_t i = 1; i < c.points.size(); ++i) {
    const QPointF a = c.points[i - 1];
    const QPointF b = c.points[i];
    if (x < a.x() || x > b.x() || b.x() <= a.x()) continue;
    return a.y() + (b.y() - a.y()) * (x - a.x()) / (b.x() - a.x());
  }
  return std::nullopt;
}

void draw_cursor(QPainter& p, const PlotInput& in, const Frame& f) {
  if (!in.cursor) return;
  p.setRenderHint(QPainter::Antialiasing);
  const double x = f.x.pixel(*in.cursor);
  p.setPen(QPen(theme::kScribe, 1, Qt::DotLine));
  p.drawLine(QPointF(x, f.area.top()), QPointF(x, f.area.bottom()));
  for (const auto& c : in.curves)
    if (const auto y = y_at(c, *in.cursor); y && *y <= in.y.hi) {
      p.setPen(Qt::NoPen);
      p.setBrush(c.colour);
      p.drawEllipse(QPointF(x, f.y.pixel(*y)), 4, 4);
    }
  const QStringList lines = read_out(in);
  p.setFont(theme::figure(13));
  const QFontMetricsF fm(p.font());
  double w = 0;
  for (const QString& l : lines) w = std::max(w, fm.horizontalAdvance(l));
  const double h = 19.0 * static_cast<double>(lines.size()) + 8;
  // On the side with room, at the foot: curves start low and climb away.
  const double left = x + 10 + w + 16 < f.area.right() ? x + 10 : x - 26 - w;
  const QRectF box(std::max(f.area.left(), left), std::max(2.0, f.area.bottom() - h - 6), w + 16,
                   h);
  p.setPen(QPen(theme::kScribeSoft, 1));
  p.setBrush(theme::kDyeDeep);
  p.drawRoundedRect(box, 3, 3);
  p.setPen(theme::kScribe);
  for (qsizetype i = 0; i < lines.size(); ++i)
    p.drawText(QRectF(box.left() + 8, box.top() + 4 + 19.0 * static_cast<double>(i), w, 19),
               Qt::AlignVCenter, lines[i]);
}

void draw_limits(QPainter& p, const PlotInput& in, const Frame& f) {
  p.setFont(theme::text(13));
  for (const auto& l : in.limits) {
    p.setPen(QPen(theme::kMarkOnDye, 1.2, Qt::DashDotLine));
    if (l.vertical) {
      const double x = f.x.pixel(l.at);
      if (x < f.area.left() || x > f.area.right()) continue;
      p.drawLine(QPointF(x, f.area.top()), QPointF(x, f.area.bottom()));
      p.save();
      p.translate(x - 3, f.area.top() + 6);
      p.rotate(90);
      p.drawText(QRectF(0, 0, f.area.height() - 8, 18), Qt::AlignLeft | Qt::AlignVCenter, l.name);
      p.restore();
    } else {
      const double y = f.y.pixel(l.at);
      if (y < f.area.top() || y > f.area.bottom()) continue;
      p.drawLine(QPointF(f.area.left(), y), QPointF(f.area.right(), y));
      p.drawText(QRectF(f.area.left() + 6, y - 20, f.area.width() - 12, 18),
                 Qt::AlignRight | Qt::AlignVCenter, l.name);
    }
  }
}

void draw_points(QPainter& p, const PlotInput& in, const Frame& f) {
  p.setRenderHint(QPainter::Antialiasing);
  for (const auto& q : in.points) {
    const QPointF c = f.at(q.at);
    p.setPen(QPen(theme::kMarkOnDye, 1.3));
    p.drawLine(QPointF(f.x.pixel(q.at.x() - q.half_x), c.y()),
               QPointF(f.x.pixel(q.at.x() + q.half_x), c.y()));
    p.drawLine(QPointF(c.x(), f.y.pixel(q.at.y() - q.half_y)),
               QPointF(c.x(), f.y.pixel(q.at.y() + q.half_y)));
    if (q.soft) {
      p.setBrush(theme::kDye);
      p.drawRect(QRectF(c.x() - 3.5, c.y() - 3.5, 7, 7));
    } else {
      p.fillRect(QRectF(c.x() - 3.5, c.y() - 3.5, 7, 7), theme::kMarkOnDye);
    }
  }
  for (const auto& q : in.marks) {
    const QPointF c = f.at(q.at);
    p.setPen(QPen(theme::kScribe, 2));
    p.setBrush(theme::kDye);
    p.drawEllipse(c, 5.5, 5.5);
  }
}

/// The key stands to the right of the title: the plot keeps its height. Where both do not fit the
/// key stays, for the axes say the rest.
bool title_fits(const PlotInput& in, QSizeF size) {
  return QFontMetricsF(theme::text(14, true)).horizontalAdvance(in.title) + key_width(key_of(in)) +
             28 <=
         size.width();
}

void draw_head(QPainter& p, const PlotInput& in, QSizeF size) {
  p.setPen(theme::kScribe);
  p.setFont(theme::text(14, true));
  if (title_fits(in, size))
    p.drawText(QRectF(14, 8, size.width() - 28, 24), Qt::AlignLeft | Qt::AlignVCenter, in.title);
  p.setFont(theme::text(13));
  const QFontMetricsF fm(p.font());
  double y = 8;
  for (const auto& row : key_rows(in, size.width())) {
    double x = size.width() - 14 - key_width(row);
    for (const KeyEntry& k : row) {
      x += 12;
      if (k.curve) {
        p.setPen(pen_of(*k.curve));
        p.drawLine(QPointF(x, y + 12), QPointF(x + kSample, y + 12));
      } else {
        p.setPen(QPen(theme::kMarkOnDye, 1.3));
        p.drawRect(QRectF(x, y + 8.5, kSquare, kSquare));
      }
      x += (k.curve ? kSample : kSquare) + 6;
      const double w = fm.horizontalAdvance(k.name);
      p.setPen(theme::kScribe);
      p.drawText(QRectF(x, y, w + 2, 24), Qt::AlignVCenter, k.name);
      x += w;
    }
    y += kKeyRow;
  }
}

}  // namespace

QStringList read_out(const PlotInput& in) {
  QStringList lines;
  if (!in.cursor) return lines;
  // "pedal travel, mm": the unit stands behind the comma.
  const auto unit = [](const PlotAxis& a) { return a.words.section(QStringLiteral(", "), -1); };
  lines << Drawn::tr("at %1 %2").arg(*in.cursor, 0, 'f', in.x_digits).arg(unit(in.x));
  for (const auto& c : in.curves) {
    if (c.points.empty()) continue;
    const auto y = y_at(c, *in.cursor);
    lines
        << (y ? QStringLiteral("%1: %2 %3").arg(c.name).arg(*y, 0, 'f', in.y_digits).arg(unit(in.y))
              : c.name + Drawn::tr(": not reached"));
  }
  return lines;
}

double plot_x(const PlotInput& input, QSizeF size, double pixel) {
  const Frame f = frame_of(input, size);
  return std::clamp(f.x.value(pixel), input.x.lo, input.x.hi);
}

Picture plot(const PlotInput& input, QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  const Frame f = frame_of(input, size);
  const bool nothing = std::all_of(input.curves.begin(), input.curves.end(),
                                   [](const PlotCurve& c) { return c.points.empty(); }) &&
                       input.points.empty();
  pic.layers.emplace_back([=](QPainter& p) { draw_axes(p, input, f, size, !nothing); });
  pic.layers.emplace_back([=](QPainter& p) { draw_bands(p, input, f); });
  pic.layers.emplace_back([=](QPainter& p) { draw_curves(p, input, f); });
  if (!nothing) pic.layers.emplace_back([=](QPainter& p) { draw_limits(p, input, f); });
  pic.layers.emplace_back([=](QPainter& p) { draw_points(p, input, f); });
  pic.layers.emplace_back([=](QPainter& p) { draw_head(p, input, size); });
  if (!nothing) pic.layers.emplace_back([=](QPainter& p) { draw_cursor(p, input, f); });
  if (nothing && !input.empty.isEmpty())
    pic.layers.emplace_back([=](QPainter& p) {
      p.setFont(theme::text(15));
      p.setPen(theme::kMarkOnDye);
      const QRectF room(16, 34, size.width() - 32, size.height() - 38);
      // In a low plot one line says as much as it can; the whole is one touch away.
      const bool whole =
          QFontMetricsF(p.font()).boundingRect(room, Qt::TextWordWrap, input.empty).height() <=
          room.height();
      p.drawText(room, Qt::AlignCenter | Qt::TextWordWrap,
                 whole ? input.empty : theme::elided(p.font(), input.empty, room.width() - 4));
    });
  pic.said << input.title;
  for (const auto& c : input.curves)
    if (!c.points.empty())
      pic.said << Drawn::tr("%1 ends at %2, %3")
                      .arg(c.name, number_text(c.points.back().x()),
                           number_text(c.points.back().y()));
  for (const auto& q : input.marks) pic.said << q.name;
  if (input.cursor && !nothing) pic.said << read_out(input);
  if (nothing) {
    pic.said << input.empty;
    pic.spots.push_back({QRectF(QPointF(0, 0), size), QString(), input.empty});
  }
  return pic;
}

}  // namespace yoke
