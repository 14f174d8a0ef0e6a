#include "paint/way_pictures.hpp"

#include <QFontMetricsF>
#include <algorithm>
#include <cmath>

#include "paint/drawing_ground.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

struct Tile {
  QRectF box;
  QString words, says;
  WayState state = WayState::open;
  bool chosen = false, looked = false;
};

theme::Mark mark_of(WayState s) {
  return s == WayState::ready     ? theme::Mark::tick
         : s == WayState::lacking ? theme::Mark::cross
                                  : theme::Mark::query;
}

void draw_tile(QPainter& p, const Tile& t) {
  const QColor ink = t.state == WayState::ready  ? theme::kScribe
                     : t.state == WayState::open ? theme::kScribeSoft
                                                 : theme::kMarkOnDye;
  p.setBrush(t.chosen ? theme::kDyeDeep : QBrush(Qt::NoBrush));
  p.setPen(QPen(t.looked ? theme::kMarkOnDye : theme::kScribeFaint, t.looked ? 2.4 : 1.2));
  p.drawRoundedRect(t.box, 5, 5);
  theme::draw_mark(p, QRectF(t.box.left() + 8, t.box.center().y() - 9, 18, 18), mark_of(t.state),
                   ink);
  const double w = t.box.width() - 40;
  const bool low = t.box.height() < 45;  // the rest is one touch away
  p.setFont(theme::text(14, t.chosen || t.looked));
  p.setPen(theme::kScribe);
  p.drawText(QRectF(t.box.left() + 34, low ? t.box.center().y() - 10 : t.box.top() + 4, w, 20),
             Qt::AlignVCenter, theme::elided(p.font(), t.words, w));
  if (low) return;
  p.setFont(theme::text(13));
  p.setPen(ink);
  p.drawText(QRectF(t.box.left() + 34, t.box.top() + 25, w, 18), Qt::AlignVCenter,
             theme::elided(p.font(), t.says, w));
}

QString said_of(const WayChoice& c, const Style& style) {
  const QString state = c.chosen                       ? Drawn::tr("chosen")
                        : c.state == WayState::ready   ? Drawn::tr("everything is at hand")
                        : c.state == WayState::lacking ? Drawn::tr("does not go")
                                                       : Drawn::tr("may go");
  return c.says.empty() ? state : state + QStringLiteral(": ") + text_of(c.says, style);
}

/// Text under text, each as high as it needs, in the largest letters in which all of it fits.
class Column {
 public:
  struct Line {
    QString words;
    bool loud = false;
    QColor ink;
    double indent = 0;
    QString number{};
  };
  void add(Line line) { lines_.push_back(std::move(line)); }
  void draw(QPainter& p, QRectF room) const {
    int px = 19;
    while (px > 13 && height(px, room.width()) > room.height()) --px;
    double y = room.top();
    for (const Line& l : lines_) {
      const double h = height(l, px, room.width());
      p.setFont(theme::text(px, l.loud));
      p.setPen(l.ink);
      if (!l.number.isEmpty())
        p.drawText(QRectF(room.left(), y, l.indent - 6, h), Qt::AlignRight | Qt::AlignTop,
                   l.number);
      p.drawText(QRectF(room.left() + l.indent, y, room.width() - l.indent, h + 2),
                 Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, l.words);
      y += h + gap(px);
    }
  }

 private:
  static double gap(int px) { return px > 14 ? 7 : 4; }
  static double height(const Line& l, int px, double width) {
    return QFontMetricsF(theme::text(px, l.loud))
        .boundingRect(QRectF(0, 0, width - l.indent, 2000), Qt::TextWordWrap, l.words)
        .height();
  }

 public:
  [[nodiscard]] double height(int px, double width) const {
    double all = 0;
    for (const Line& l : lines_) all += height(l, px, width) + gap(px);
    return all;
  }

 private:
  std::vector<Line> lines_;
};

}  // namespace

Picture ways_picture(const std::vector<WayChoice>& choices, std::optional<BleedWayId> looked_at,
                     const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Which way?"));
  std::vector<Tile> tiles;
  std::vector<std::pair<double, QString>> heads;
  constexpr double kHead = 24;
  const double room = size.height() - 46 - 2 * kHead;
  const double step =
      std::clamp(room / std::max(1.0, static_cast<double>(choices.size())), 24.0, 58.0);
  double y = 40;
  std::optional<bool> bench;
  for (const WayChoice& c : choices) {
    const BleedMethod& m = method_of(c.id);
    if (bench != m.bench) {
      bench = m.bench;
      heads.emplace_back(
          y, m.bench ? Drawn::tr("First the master") : Drawn::tr("Then at the nipples"));
      y += kHead;
    }
    Tile t;
    t.box = QRectF(14, y, size.width() - 28, std::max(20.0, step - 5));
    t.words = text_of(m.words, style);
    t.says = said_of(c, style);
    t.state = c.state;
    t.chosen = c.chosen;
    t.looked = looked_at == c.id;
    y += step;
    pic.said << t.words + QStringLiteral(": ") + t.says;
    pic.spots.push_back({t.box, QStringLiteral("way:%1").arg(static_cast<int>(c.id)),
                         t.words + QStringLiteral("\n") + t.says});
    tiles.push_back(std::move(t));
  }
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setFont(theme::text(13, true));
    p.setPen(theme::kScribeSoft);
    for (const auto& [at, words] : heads)
      p.drawText(QRectF(16, at, size.width() - 32, kHead), Qt::AlignVCenter, words);
    for (const Tile& t : tiles) draw_tile(p, t);
  });
  return pic;
}

Picture way_picture(std::optional<BleedWayId> way, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  if (!way) {
    ground(pic, Drawn::tr("How it is done"));
    return pic;
  }
  const BleedMethod& m = method_of(*way);
  QStringList tools;
  for (const Message& t : m.tools) tools << text_of(t, style);
  QStringList steps;
  for (const Message& s : m.steps) steps << text_of(s, style);
  const QString why = text_of(m.why, style);
  const QString pass = Drawn::tr("Clear when: %1").arg(text_of(m.pass, style));
  const QString cannot = Drawn::tr("What it does not do: %1").arg(text_of(m.cannot, style));
  const QString care = QStringLiteral("▲ ") + text_of(m.care, style);
  const QString safer =
      m.safer ? Drawn::tr("Safer: %1").arg(text_of(method_of(*m.safer).words, style)) : QString();
  const QString at_hand = Drawn::tr("At hand: %1").arg(tools.join(QStringLiteral(" · ")));
  pic.said << why << at_hand << steps << pass << cannot << safer << care;
  Column column;
  column.add({care, true, theme::kMarkOnDye});
  column.add({why, false, theme::kScribeSoft});
  column.add({at_hand, false, theme::kScribe});
  for (qsizetype i = 0; i < steps.size(); ++i)
    column.add({steps[i], false, theme::kScribe, 28, QString::number(i + 1)});
  column.add({pass, true, theme::kScribe});
  column.add({cannot, false, theme::kMarkOnDye});
  if (!safer.isEmpty()) column.add({safer, true, theme::kScribe});
  const double width = size.width() - 30;
  pic.size.setHeight(42 + column.height(width > 420 ? 17 : 15, width) + 6);
  ground(pic, text_of(m.words, style));
  pic.layers.emplace_back([column, size = pic.size, width](QPainter& p) {
    column.draw(p, QRectF(16, 38, width, size.height() - 40));
  });
  return pic;
}

Picture change_picture(const CleanChange& change, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Line by line, from plug to tube"));
  struct Line {
    QString words, loss;
  };
  std::vector<Line> lines;
  for (const ChangeStep& s : change.steps) {
    Line l{text_of(s.words, style), {}};
    if (s.loss_m3_s)
      l.loss = (s.typical ? Drawn::tr("left open it loses about %1 a minute, by typical lengths")
                          : Drawn::tr("left open it loses %1 a minute"))
                   .arg(text_of(say("{}", amount(*s.loss_m3_s * 60, Kind::volume, 0)), style));
    pic.said << l.words + (l.loss.isEmpty() ? QString() : QStringLiteral(": ") + l.loss);
    lines.push_back(std::move(l));
  }
  QStringList again;
  for (const Message& m : change.bleeds) again << text_of(m, style);
  const QString after = Drawn::tr("Bled again after it: %1").arg(again.join(QStringLiteral(", ")));
  const QString care = Drawn::tr(
      "▲ A cloth under each joint, goggles on. Fluid takes paint off: water on what drips.");
  pic.said << after << care;
  pic.layers.emplace_back([=](QPainter& p) {
    Column column;
    column.add({care, true, theme::kMarkOnDye});
    int n = 0;
    for (const Line& l : lines) {
      column.add({l.words, false, theme::kScribe, 34, QString::number(++n)});
      if (!l.loss.isEmpty()) column.add({l.loss, false, theme::kMarkOnDye, 34});
    }
    if (!again.isEmpty()) column.add({after, true, theme::kScribe});
    column.draw(p, QRectF(20, 42, size.width() - 40, size.height() - 48));
  });
  return pic;
}

}  // namespace yoke
