#include "paint/proof_pictures.hpp"

#include <QFontMetricsF>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "paint/drawing_ground.hpp"

namespace yoke {

namespace {

QString figure_text(double si, const ProofPress& p, const Style& style) {
  return text_of(say("{}", amount(si, p.kind, p.digits)), style);
}

QString got_text(const ProofPress& p, const Style& style) {
  if (p.got) return figure_text(*p.got, p, style);
  return text_of(p.seen, style);
}

theme::Mark mark_of(ProofState s) {
  return s == ProofState::good        ? theme::Mark::tick
         : s == ProofState::open      ? theme::Mark::query
         : s == ProofState::not_asked ? theme::Mark::rests
                                      : theme::Mark::cross;
}

QString state_text(const ProofPress& p) {
  switch (p.state) {
    case ProofState::open:
      return Drawn::tr("not pressed yet");
    case ProofState::good:
      return Drawn::tr("as it should be");
    case ProofState::off:
      return Drawn::tr("not as expected");
    case ProofState::stop:
      return Drawn::tr("STOP: do not drive");
    case ProofState::not_asked:
      break;
  }
  return Drawn::tr("nothing left to tell");
}

struct Row {
  QRectF box;
  QString number, name, expect, got;
  ProofState state{};
  bool at = false;
};

void draw_row(QPainter& p, const Row& r) {
  const bool bad = r.state == ProofState::off || r.state == ProofState::stop;
  const QColor ink = bad                                ? theme::kMarkOnDye
                     : r.state == ProofState::not_asked ? theme::kScribeSoft
                                                        : theme::kScribe;
  if (r.at) {
    p.setBrush(theme::kDyeDeep);
    p.setPen(QPen(theme::kMarkOnDye, 2.2));
    p.drawRoundedRect(r.box.adjusted(4, 1, -4, -1), 5, 5);
  }
  theme::draw_mark(p, QRectF(r.box.left() + 12, r.box.center().y() - 9, 18, 18), mark_of(r.state),
                   ink);
  p.setPen(ink);
  p.setFont(theme::figure(17, true));
  const double wide = QFontMetricsF(p.font()).horizontalAdvance(r.got);
  const double right = r.got.isEmpty() ? 0 : std::min(150.0, wide + 10);
  p.setFont(theme::text(15, r.at));
  p.drawText(QRectF(r.box.left() + 40, r.box.top() + 3, r.box.width() - 48 - right, 22),
             Qt::AlignVCenter, theme::elided(p.font(), r.name, r.box.width() - 48 - right));
  p.setFont(theme::figure(17, true));
  p.drawText(QRectF(r.box.right() - right - 12, r.box.top() + 3, right, 22),
             Qt::AlignRight | Qt::AlignVCenter, theme::elided(p.font(), r.got, right));
  p.setFont(theme::text(13));
  p.setPen(theme::kScribeSoft);
  p.drawText(QRectF(r.box.left() + 40, r.box.top() + 24, r.box.width() - 52, 18), Qt::AlignVCenter,
             theme::elided(p.font(), r.expect, r.box.width() - 52));
}

/// A ruler along the pad's way: band, expected, limit, floor and what was got.
struct Ruler {
  QRectF box;
  double full = 1;  ///< SI at its right end
  std::optional<double> expect, low, high, least, most, got;
  double floor = 0;
  QString expect_words, got_words;
  bool bad = false, small = false;
  double larger = 1;  ///< of its flags and figures, where there is room
};

void draw_flag(QPainter& p, const Ruler& r, double si, const QString& words, bool above,
               const QColor& ink, int px) {
  const double x = r.box.left() + r.box.width() * std::clamp(si / r.full, 0.0, 1.0);
  const double tip = above ? r.box.top() : r.box.bottom();
  p.setPen(QPen(ink, 2.4));
  p.setBrush(ink);
  const double stem = r.small ? 14 : 24 * r.larger;
  p.drawLine(QPointF(x, tip + (above ? -stem : stem)), QPointF(x, tip));
  theme::draw_arrow_head(p, QPointF(x, tip), above ? -90 : 90, 11);
  p.setFont(theme::figure(px, true));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(words) + 8;
  QRectF at(x - w / 2, above ? tip - stem - 2 - px * 1.3 : tip + stem + 2, w, px * 1.3);
  at.moveLeft(
      std::clamp(at.left(), r.box.left() - 8, std::max(r.box.left() - 8, r.box.right() + 8 - w)));
  p.drawText(at, Qt::AlignCenter, words);
}

void draw_ruler(QPainter& p, const Ruler& r) {
  const auto x = [&](double si) {
    return r.box.left() + r.box.width() * std::clamp(si / r.full, 0.0, 1.0);
  };
  p.setBrush(theme::kDyeDeep);
  p.setPen(QPen(theme::kScribe, 1.6));
  p.drawRect(r.box);
  p.setPen(QPen(theme::kScribeFaint, 1));
  for (int i = 1; i < 20; ++i) {
    const double at = r.box.left() + r.box.width() * i / 20;
    p.drawLine(QPointF(at, r.box.bottom()), QPointF(at, r.box.bottom() - (i % 5 == 0 ? 14 : 8)));
  }
  if (r.low && r.high)
    p.fillRect(QRectF(QPointF(x(*r.low), r.box.top() + 2), QPointF(x(*r.high), r.box.bottom() - 2)),
               QColor(theme::kSteel.red(), theme::kSteel.green(), theme::kSteel.blue(), 190));
  const auto forbid = [&](double from, double to) {
    const QRectF no(QPointF(x(from), r.box.top()), QPointF(x(to), r.box.bottom()));
    p.save();
    p.setClipRect(no);
    p.setPen(QPen(theme::kMarkOnDye, 1.6));
    constexpr double kStep = 11;
    const int lines = static_cast<int>((no.width() + no.height()) / kStep) + 1;
    for (int n = 0; n < lines; ++n) {
      const double at = no.left() - no.height() + kStep * n;
      p.drawLine(QPointF(at, no.bottom()), QPointF(at + no.height(), no.top()));
    }
    p.restore();
  };
  if (r.most) forbid(*r.most, r.full);
  if (r.least) forbid(0, *r.least);
  if (r.floor > 0 && r.floor < r.full) forbid(r.floor, r.full);
  if (r.expect)
    draw_flag(p, r, *r.expect, r.expect_words, true, theme::kScribe,
              r.small ? 19 : static_cast<int>(30 * r.larger));
  if (r.got)
    draw_flag(p, r, *r.got, r.got_words, false, r.bad ? theme::kMarkOnDye : theme::kScribe,
              r.small ? 24 : static_cast<int>(40 * r.larger));
}

/// Pad, foot, what is read between them, and the tape from the seat.
void draw_foot(QPainter& p, QRectF box, bool hand, bool scale, bool tape) {
  p.save();
  p.translate(box.left(), box.top());
  const double s = std::min(box.width() / 250, box.height() / 180);
  p.translate((box.width() - 250 * s) / 2, (box.height() - 180 * s) / 2);
  p.scale(s, s);
  p.setBrush(Qt::NoBrush);
  p.setPen(QPen(theme::kScribe, 2.4));
  if (hand) {
    p.drawLine(QPointF(60, 30), QPointF(240, 44));  // the bar's grip
    p.drawLine(QPointF(60, 52), QPointF(240, 66));
    QPainterPath lever(QPointF(56, 96));
    lever.quadTo(150, 90, 246, 108);
    p.drawPath(lever);
  } else {
    p.drawLine(QPointF(196, 4), QPointF(168, 76));  // the arm
    p.drawLine(QPointF(150, 62), QPointF(184, 100));
    p.setPen(QPen(theme::kScribe, 6));
    p.drawLine(QPointF(148, 60), QPointF(186, 102));  // the pad
    p.setPen(QPen(theme::kScribeSoft, 2.4));
    QPainterPath shoe(QPointF(20, 120));
    shoe.lineTo(28, 84);
    shoe.quadTo(60, 92, 96, 60);
    shoe.quadTo(120, 44, 138, 66);
    shoe.lineTo(166, 110);
    shoe.quadTo(140, 128, 110, 122);
    shoe.closeSubpath();
    p.drawPath(shoe);
  }
  if (scale) {
    p.setPen(QPen(theme::kMarkOnDye, 5));
    if (hand)
      p.drawLine(QPointF(210, 100), QPointF(226, 66));
    else
      p.drawLine(QPointF(137, 66), QPointF(172, 110));
  }
  if (tape) {
    p.setPen(QPen(theme::kMarkOnDye, 1.8, Qt::DashLine));
    if (hand)
      p.drawLine(QPointF(120, 58), QPointF(120, 94));
    else
      p.drawLine(QPointF(2, 70), QPointF(150, 74));
  }
  p.restore();
}

Ruler ruler_of(const ProofPress& press, double floor_m, const Style& style) {
  Ruler r;
  r.expect = press.expect;
  r.low = press.low;
  r.high = press.high;
  r.least = press.least;
  r.most = press.largest;
  r.got = press.got;
  r.bad = press.state == ProofState::off || press.state == ProofState::stop;
  r.floor = press.kind == Kind::length && press.push_n ? floor_m : 0;
  r.full = r.floor;
  for (const auto& v : {r.expect, r.high, r.least, r.most, r.got})
    if (v) r.full = std::max(r.full, *v);
  r.full = r.full > 0 ? 1.12 * r.full : 1;
  if (press.expect)
    r.expect_words = Drawn::tr("expect %1").arg(figure_text(*press.expect, press, style));
  if (press.got) r.got_words = Drawn::tr("got %1").arg(figure_text(*press.got, press, style));
  return r;
}

}  // namespace

QString expect_text(const ProofPress& p, const Style& style) {
  QStringList parts;
  if (p.expect) parts << Drawn::tr("expect %1").arg(figure_text(*p.expect, p, style));
  if (p.low && p.high)
    parts << Drawn::tr("8 in 10 between %1 and %2")
                 .arg(figure_text(*p.low, p, style), figure_text(*p.high, p, style));
  if (p.least) parts << Drawn::tr("at least %1").arg(figure_text(*p.least, p, style));
  if (p.largest) parts << Drawn::tr("at most %1").arg(figure_text(*p.largest, p, style));
  return parts.join(QStringLiteral(", "));
}

Picture proof_path_picture(const std::vector<ProofPress>& presses, std::size_t at,
                           const Style& style, QSizeF size) {
  constexpr double kRow = 46;
  Picture pic;
  pic.size = QSizeF(size.width(), 36 + kRow * static_cast<double>(presses.size()) + 8);
  ground(pic, Drawn::tr("Press by press"));
  std::vector<Row> rows;
  for (std::size_t i = 0; i < presses.size(); ++i) {
    const ProofPress& p = presses[i];
    Row r;
    r.box = QRectF(0, 34 + kRow * static_cast<double>(i), size.width(), kRow);
    r.name = text_of(p.name, style);
    const QString expect = expect_text(p, style);
    r.expect = p.state == ProofState::open && !expect.isEmpty()
                   ? expect
                   : state_text(p) + (expect.isEmpty() ? QString() : QStringLiteral(", ") + expect);
    r.got = p.got ? figure_text(*p.got, p, style) : QString();
    r.state = p.state;
    r.at = i == at;
    const QString said =
        QStringLiteral("%1: %2%3")
            .arg(r.name, state_text(p), r.got.isEmpty() ? QString() : QStringLiteral(", ") + r.got);
    pic.said << said;
    pic.spots.push_back({r.box, QStringLiteral("press:") + q(proof_key(p.id)),
                         said + (expect.isEmpty() ? QString() : QStringLiteral("\n") + expect)});
    rows.push_back(std::move(r));
  }
  pic.layers.emplace_back([rows](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    for (const Row& r : rows) draw_row(p, r);
  });
  return pic;
}

Picture press_picture(const ProofPress& press, bool hand, double floor_m, const Style& style,
                      QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, text_of(press.name, style), 0.5);
  const bool bad = press.state == ProofState::off || press.state == ProofState::stop;
  const QString state = state_text(press);
  const QString expect = expect_text(press, style);
  const QString got = got_text(press, style);
  pic.said << state;
  if (!expect.isEmpty()) pic.said << expect;
  if (!got.isEmpty()) pic.said << Drawn::tr("got %1").arg(got);
  const bool on_ruler = press.number && (press.expect || press.got || press.least || press.largest);
  Ruler r = ruler_of(press, floor_m, style);
  r.small = size.height() < 250;
  r.larger = std::clamp(std::min(size.height() / 330, size.width() / 620), 1.0, 1.8);
  const double left = std::min(size.width() * 0.34, 300.0 * r.larger);
  const double high = r.small ? 26 : 44 * r.larger;
  const double above = r.small ? 28 + 46 : 36 + 76 * r.larger;
  r.box = QRectF(left + 40, std::max(above, size.height() * 0.5 - high / 2),
                 size.width() - left - 72, high);
  const double push_high = !press.push_n ? 0 : r.small ? 38 : 62 * r.larger;
  const QRectF foot(18, 34, left, size.height() - 44 - push_high);
  const bool reads_tape = press.kind == Kind::length && press.number;
  const bool reads_scale = press.push_n.has_value() || press.kind == Kind::force;
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    draw_foot(p, foot, hand, reads_scale, reads_tape);
    p.setPen(bad ? theme::kMarkOnDye : theme::kScribe);
    p.setFont(theme::text(16, true));
    p.drawText(QRectF(size.width() * 0.5, 5, size.width() * 0.5 - 14, 24),
               Qt::AlignRight | Qt::AlignVCenter, state);
    if (press.push_n) {
      p.setPen(theme::kScribe);
      p.setFont(theme::figure(r.small ? 26 : static_cast<int>(44 * r.larger), true));
      p.drawText(QRectF(18, size.height() - push_high, left, push_high - 4),
                 Qt::AlignHCenter | Qt::AlignVCenter,
                 text_of(say("{}", amount(*press.push_n, Kind::force, 0)), style));
    }
    if (on_ruler) {
      draw_ruler(p, r);
    } else {
      p.setFont(theme::text(22, true));
      p.drawText(QRectF(left + 30, 40, size.width() - left - 50, size.height() - 50),
                 Qt::AlignCenter | Qt::TextWordWrap,
                 got.isEmpty() ? Drawn::tr("Look, then say what was seen") : got);
    }
  });
  return pic;
}

}  // namespace yoke
