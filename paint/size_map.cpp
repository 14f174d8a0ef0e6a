#include "paint/size_map.hpp"

#include <QFontMetricsF>
#include <QPaintEngine>
#include <QPixmap>
#include <QPolygonF>
#include <algorithm>
#include <cmath>
#include <map>
#include <memory>

#include "master/bores.hpp"
#include "paint/limit_shape.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"
#include "sizing/equal_lines.hpp"

namespace yoke {

namespace {

QString bore_words(double bore_m, const Style& style) {
  if (const BoreSize* b = named_bore(Length{bore_m}))
    return QString::fromUtf8(b->name.data(), static_cast<qsizetype>(b->name.size()));
  return q(format_quantity(bore_m, Kind::length, 2, style));
}

/// Each shape is drawn once and stamped on its cells, so that a drag stays fluent; on paper and in
/// files it is drawn as lines.
class Stamps {
 public:
  Stamps(double size, const QPainter& p) : size_(size) {
    const int type = p.device()->devType();
    lines_ = type == QInternal::Printer || type == QInternal::Picture ||
             p.paintEngine()->type() == QPaintEngine::SVG ||
             p.paintEngine()->type() == QPaintEngine::Pdf;
    ratio_ = p.device()->devicePixelRatioF();
  }
  void draw(QPainter& p, QPointF c, Limit limit) {
    if (lines_) return draw_shape(p, c, size_, limit);
    QPixmap& stamp = made_[limit];
    const double half = std::ceil(size_ + 2);
    if (stamp.isNull()) {
      stamp = QPixmap(QSizeF(2 * half * ratio_, 2 * half * ratio_).toSize());
      stamp.setDevicePixelRatio(ratio_);
      stamp.fill(Qt::transparent);
      QPainter one(&stamp);
      one.setRenderHint(QPainter::Antialiasing);
      draw_shape(one, {half, half}, size_, limit);
    }
    p.drawPixmap(QPointF(std::round(c.x() - half), std::round(c.y() - half)), stamp);
  }

 private:
  double size_;
  bool lines_ = false;
  double ratio_ = 1;
  std::map<Limit, QPixmap> made_;
};

struct Grid {
  QRectF area;
  double w = 1;
  double h = 1;
  [[nodiscard]] QRectF cell(size_t bore, size_t ratio, size_t bores) const {
    // Large bores on top: harder and shorter goes up.
    return {area.left() + w * static_cast<double>(ratio),
            area.top() + h * static_cast<double>(bores - 1 - bore), w, h};
  }
};

size_t nearest(const std::vector<double>& list, double v) {
  size_t best = 0;
  for (size_t i = 1; i < list.size(); ++i)
    if (std::abs(list[i] - v) < std::abs(list[best] - v)) best = i;
  return best;
}

const std::vector<double>& columns_of(const Sweep& s) {
  return s.pairs() ? s.bores2_m : s.ratios;
}

/// Light ground as high as the share of draws that pass; all or nothing until they are known.
double filled(const Sweep& s, const std::vector<CellDoubt>& doubts, size_t cell) {
  if (cell < doubts.size()) return std::clamp(doubts[cell].passes, 0.0, 1.0);
  return s.cells[cell].fails == Limit::none ? 1.0 : 0.0;
}

void draw_grid(QPainter& p, const Sweep& s, const std::vector<CellDoubt>& doubts, const Grid& g,
               const Style& style, QSizeF size) {
  p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye);
  // Grounds end at whole pixels: crisp, and a fraction of the work that softened edges are.
  p.setRenderHint(QPainter::Antialiasing, false);
  for (size_t b = 0; b < s.bores_m.size(); ++b)
    for (size_t r = 0; r < s.columns(); ++r) {
      const QRectF box = g.cell(b, r, s.bores_m.size());
      const QRectF ground = box.adjusted(1, 1, -1, -1);
      const double share = filled(s, doubts, b * s.columns() + r);
      const double dark = ground.height() * (1 - share);
      if (share < 1) p.fillRect(ground.adjusted(0, 0, 0, dark - ground.height()), theme::kDyeDeep);
      if (share > 0) p.fillRect(ground.adjusted(0, dark, 0, 0), theme::kSteel);
    }
  p.setRenderHint(QPainter::Antialiasing);
  Stamps stamps(std::min(g.w, g.h) * 0.24, p);
  for (size_t b = 0; b < s.bores_m.size(); ++b)
    for (size_t r = 0; r < s.columns(); ++r)
      stamps.draw(p, g.cell(b, r, s.bores_m.size()).center(), s.at(b, r).fails);
  p.setFont(theme::figure(13));
  p.setPen(theme::kScribe);
  for (size_t b = 0; b < s.bores_m.size(); ++b)
    p.drawText(QRectF(0, g.cell(b, 0, s.bores_m.size()).top(), g.area.left() - 8, g.h),
               Qt::AlignRight | Qt::AlignVCenter, bore_words(s.bores_m[b], style));
  double last = -100;
  for (size_t r = 0; r < s.columns(); ++r) {
    const double x = g.cell(0, r, s.bores_m.size()).center().x();
    const double v = columns_of(s)[r];
    const bool round = s.pairs() || std::abs(v * 2 - std::round(v * 2)) < 1e-6;
    if (!round || x - last < (s.pairs() ? 70 : 36)) continue;
    last = x;
    p.drawText(QRectF(x - 40, g.area.bottom() + 2, 80, 18), Qt::AlignCenter,
               s.pairs() ? bore_words(v, style) : QString::number(v, 'f', 1));
  }
  p.setFont(theme::text(13));
  p.drawText(QRectF(g.area.left(), g.area.bottom() + 19, g.area.width(), 18),
             Qt::AlignRight | Qt::AlignVCenter,
             s.pairs() ? Drawn::tr("second master's bore") : Drawn::tr("pedal ratio"));
  // Words of a column stand under it: the rows' own word goes a line lower there.
  p.drawText(QRectF(8, g.area.bottom() + (s.pairs() ? 19 : 2), g.area.left() - 16, 18),
             Qt::AlignRight, s.pairs() ? Drawn::tr("first bore") : Drawn::tr("bore"));
}

/// The grid looks the same while this is the same: what each cell shows, and the words around it.
std::size_t grid_key(const Sweep& s, const MapMarks& marks, const Style& style) {
  std::size_t key = 1469598103934665603ULL;
  const auto add = [&key](std::size_t value) { key = (key ^ value) * 1099511628211ULL; };
  const auto add_number = [&](double value) { add(std::hash<double>{}(value)); };
  for (std::size_t i = 0; i < s.cells.size(); ++i) {
    add(static_cast<std::size_t>(s.cells[i].fails));
    add_number(filled(s, marks.doubts, i));
  }
  for (const double b : s.bores_m) add_number(b);
  for (const double c : columns_of(s)) add_number(c);
  add(s.pairs() ? 1 : 2);
  add(marks.doubts.empty() ? 1 : 2);
  add_number(marks.found_effort_n);
  add_number(marks.found_travel_m);
  add(static_cast<std::size_t>(style.units));
  add(style.decimal_comma ? 1 : 2);
  return key == 0 ? 1 : key;
}

/// All pixels that the box touches, and one around.
QRegion whole(const QRectF& box) {
  return box.toAlignedRect().adjusted(-1, -1, 1, 1);
}

QRectF flag_of(const QRectF& box, const QString& word) {
  const double w = QFontMetricsF(theme::text(13, true)).horizontalAdvance(word) + 10;
  return {box.right() + 3, box.center().y() - 9, w, 18};
}

void draw_place(QPainter& p, const QRectF& box, const QString& word, bool solid) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(QPen(theme::kMarkOnDye, 2.4, solid ? Qt::SolidLine : Qt::DashLine));
  p.setBrush(Qt::NoBrush);
  p.drawRoundedRect(box.adjusted(-1, -1, 1, 1), 3, 3);
  p.setFont(theme::text(13, true));
  const QRectF flag = flag_of(box, word);
  p.fillRect(flag, theme::kMarkOnDye);
  p.setPen(theme::kDyeDeep);
  p.drawText(flag, Qt::AlignCenter, word);
}

/// What stands on a cell: several may stand on the same.
struct Place {
  size_t bore = 0;
  size_t column = 0;
  QString word;
  bool solid = false;
};

/// Pixel of a column value, between the middles of the columns beside it.
double column_x(const Grid& g, const std::vector<double>& columns, double v) {
  for (size_t i = 0; i + 1 < columns.size(); ++i)
    if (v >= columns[i] && v <= columns[i + 1])
      return g.area.left() + g.w * (static_cast<double>(i) + 0.5 +
                                    (v - columns[i]) / (columns[i + 1] - columns[i]));
  return g.area.left() + g.w * 0.5;
}

void draw_equal(QPainter& p, const Sweep& s, const Grid& g, const EqualLine& line,
                const QString& word, bool dashed) {
  p.setRenderHint(QPainter::Antialiasing);
  QPen pen(theme::kMarkOnDye, 1.8);
  if (dashed) pen.setDashPattern({5, 3});
  QPointF end;
  for (const auto& piece : line.pieces) {
    QPolygonF path;
    for (const auto& [bore, column] : piece)
      path << QPointF(column_x(g, columns_of(s), column),
                      g.cell(nearest(s.bores_m, bore), 0, s.bores_m.size()).center().y());
    p.setPen(pen);
    p.drawPolyline(path);
    end = dashed ? path.front() : path.back();
  }
  if (line.pieces.empty()) return;
  p.setFont(theme::text(13));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(word) + 8;
  const double left = std::min(end.x() + 6, g.area.right() + 56 - w);
  const QRectF tag(left, std::clamp(end.y() - 9, g.area.top(), g.area.bottom() - 18), w, 18);
  p.fillRect(tag, theme::kDyeDeep);
  p.setPen(theme::kMarkOnDye);
  p.drawText(tag, Qt::AlignCenter, word);
}

/// A word of the key with its shape; the last may tell of levels and has none.
struct KeyWord {
  QString word;
  std::optional<Limit> limit;
};
constexpr double kKeyGap = 32;
constexpr double kKeyRow = 18;

std::vector<KeyWord> key_words(const Sweep& s, bool levels) {
  std::vector<Limit> used;
  for (const auto& c : s.cells)
    if (std::find(used.begin(), used.end(), c.fails) == used.end()) used.push_back(c.fails);
  std::sort(used.begin(), used.end());
  std::vector<KeyWord> list;
  for (const Limit l : used) list.push_back({words_of(limit_words(l)), l});
  if (levels) list.push_back({Drawn::tr("level: how sure"), std::nullopt});
  return list;
}

/// The words in as many rows as they take.
std::vector<std::vector<KeyWord>> key_rows(const Sweep& s, bool levels, double width) {
  const QFontMetricsF fm(theme::text(12));
  std::vector<std::vector<KeyWord>> rows(1);
  double x = 14;
  for (const KeyWord& k : key_words(s, levels)) {
    const double w = fm.horizontalAdvance(k.word) + kKeyGap;
    if (x + w > width && !rows.back().empty()) {
      rows.emplace_back();
      x = 14;
    }
    rows.back().push_back(k);
    x += w;
  }
  return rows;
}

/// Key of shapes in use, in words, along the bottom.
void draw_key(QPainter& p, const Sweep& s, bool levels, QSizeF size) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setFont(theme::text(12));
  const auto rows = key_rows(s, levels, size.width());
  double y = size.height() - 25 - kKeyRow * static_cast<double>(rows.size() - 1);
  for (const auto& row : rows) {
    double x = 14;
    for (const KeyWord& k : row) {
      if (k.limit) {
        draw_shape(p, QPointF(x + 8, y + 10), 7, *k.limit);
      } else {
        p.fillRect(QRectF(x, y + 2, 16, 16), theme::kDyeDeep);
        p.fillRect(QRectF(x, y + 8, 16, 10), theme::kSteel);
      }
      p.setPen(theme::kScribe);
      const double w = QFontMetricsF(p.font()).horizontalAdvance(k.word);
      p.drawText(QRectF(x + 22, y, w + 4, 20), Qt::AlignVCenter, k.word);
      x += w + kKeyGap;
    }
    y += kKeyRow;
  }
}

}  // namespace

QString cell_words(const Cell& c, const Style& style, const CellDoubt* doubt) {
  const QString second =
      c.bore2_m > 0 ? Drawn::tr(" and ") + bore_words(c.bore2_m, style) : QString();
  QString w = Drawn::tr("%1%2 at %3: %4")
                  .arg(bore_words(c.bore_m, style), second, QString::number(c.ratio, 'f', 2),
                       text_of(c.reason, style));
  if (c.fails == Limit::none)
    w += Drawn::tr(", %1, %2, %3 % left")
             .arg(q(format_quantity(c.effort_n, Kind::force, 0, style)),
                  q(format_quantity(c.travel_m, Kind::length, 0, style)))
             .arg(c.reserve_share * 100, 0, 'f', 0);
  if (c.own && sums_pass(c.verdict))
    w += QStringLiteral(", ") + words_of(words_of_value(c.verdict));
  if (doubt)
    w += Drawn::tr("; of 100 draws within the ± %1 pass, 80 % likely between %2 and %3, %4 and %5")
             .arg(doubt->passes * 100, 0, 'f', 0)
             .arg(q(format_quantity(doubt->effort_low_n, Kind::force, 0, style)),
                  q(format_quantity(doubt->effort_high_n, Kind::force, 0, style)),
                  q(format_quantity(doubt->travel_low_m, Kind::length, 0, style)),
                  q(format_quantity(doubt->travel_high_m, Kind::length, 0, style)));
  return w;
}

Picture size_map_picture(const Sweep& s, const MapMarks& marks, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  Grid g;
  // Room for the key as long as it may become: nothing moves when it is known how sure the cells
  // are.
  const double key_h = kKeyRow * static_cast<double>(key_rows(s, true, size.width()).size() - 1);
  g.area = QRectF(92, 10, size.width() - 92 - 60, size.height() - 10 - 68 - key_h);
  g.w = g.area.width() / static_cast<double>(s.columns());
  g.h = g.area.height() / static_cast<double>(s.bores_m.size());
  const size_t bores = s.bores_m.size();
  const auto doubt_of = [&](size_t cell) {
    return cell < marks.doubts.size() ? &marks.doubts[cell] : nullptr;
  };
  const auto said_of = [&](size_t b, size_t r) {
    return cell_words(s.at(b, r), style, doubt_of(b * s.columns() + r));
  };
  // One copy for all that is painted or said later: a map has hundreds of cells.
  struct Kept {
    Sweep sweep;
    std::vector<CellDoubt> doubts;
  };
  const auto kept = std::make_shared<const Kept>(Kept{s, marks.doubts});
  pic.layers.emplace_back(
      [=](QPainter& p) { draw_grid(p, kept->sweep, kept->doubts, g, style, size); });
  for (size_t b = 0; b < bores; ++b)
    for (size_t r = 0; r < s.columns(); ++r)
      pic.spots.push_back(
          {g.cell(b, r, bores), QStringLiteral("cell:%1:%2").arg(b).arg(r), {}, [=] {
             const std::size_t at = b * kept->sweep.columns() + r;
             return cell_words(kept->sweep.at(b, r), style,
                               at < kept->doubts.size() ? &kept->doubts[at] : nullptr);
           }});
  if (marks.found_effort_n > 0) {
    const EqualLine effort = equal_line(s, MapFigure::effort, marks.found_effort_n);
    const EqualLine travel = equal_line(s, MapFigure::travel, marks.found_travel_m);
    pic.layers.emplace_back([=](QPainter& p) {
      draw_equal(p, kept->sweep, g, effort, Drawn::tr("as hard as today"), false);
      draw_equal(p, kept->sweep, g, travel, Drawn::tr("as long as today"), true);
    });
    pic.said << (effort.pieces.empty() ? Drawn::tr("no cell is as hard as today")
                                       : Drawn::tr("a line shows where it is as hard as today"))
             << (travel.pieces.empty() ? Drawn::tr("no cell is as long as today")
                                       : Drawn::tr("a line shows where it is as long as today"));
  }
  pic.layers.emplace_back(
      [=, levels = !marks.doubts.empty()](QPainter& p) { draw_key(p, kept->sweep, levels, size); });
  pic.still = pic.layers.size();
  pic.still_key = grid_key(s, marks, style);
  const double found_column = s.pairs() ? marks.found_bore2_m : marks.found_ratio;
  const double plan_column = s.pairs() ? marks.plan_bore2_m : marks.plan_ratio;
  std::vector<Place> places;
  const auto place = [&](const QString& word, double bore_m, double column, bool solid) {
    if (bore_m <= 0 || column <= 0) return;
    const size_t b = nearest(s.bores_m, bore_m);
    const size_t r = nearest(columns_of(s), column);
    pic.said << word + QStringLiteral(": ") + said_of(b, r);
    for (Place& p : places)
      if (p.bore == b && p.column == r) {
        p.word += QStringLiteral(" = ") + word;
        p.solid = p.solid || solid;
        return;
      }
    places.push_back({b, r, word, solid});
  };
  place(Drawn::tr("today"), marks.found_bore_m, found_column, false);
  place(Drawn::tr("plan"), marks.plan_bore_m, plan_column, true);
  for (const MapPin& pin : marks.pins)
    if (!s.pairs()) place(pin.name, pin.bore_m, pin.ratio, false);
  for (const Place& p : places) {
    const QRectF box = g.cell(p.bore, p.column, bores);
    pic.layers.emplace_back([=](QPainter& painter) { draw_place(painter, box, p.word, p.solid); });
    pic.moving |= whole(box.adjusted(-4, -4, 4, 4)) | whole(flag_of(box, p.word));
  }
  if (marks.cursor) {
    const QRectF box = g.cell(marks.cursor->first, marks.cursor->second, bores);
    pic.layers.emplace_back([=](QPainter& p) {
      p.setPen(QPen(theme::kScribe, 2));
      p.drawRect(box);
    });
    pic.moving |= whole(box.adjusted(-2, -2, 2, 2));
    pic.said << Drawn::tr("cursor: ") + said_of(marks.cursor->first, marks.cursor->second);
  }
  std::vector<Limit> seen;
  for (const auto& c : s.cells)
    if (std::find(seen.begin(), seen.end(), c.fails) == seen.end()) seen.push_back(c.fails);
  QStringList key;
  for (const Limit l : seen) key << words_of(limit_words(l));
  key.removeDuplicates();
  pic.spots.push_back(
      {QRectF(0, size.height() - 28, size.width(), 28), QString(), key.join(QStringLiteral(", "))});
  const auto inside = std::count_if(s.cells.begin(), s.cells.end(),
                                    [](const Cell& c) { return c.fails == Limit::none; });
  pic.said << Drawn::tr("%1 of %2 cells within limits").arg(inside).arg(s.cells.size());
  return pic;
}

}  // namespace yoke
