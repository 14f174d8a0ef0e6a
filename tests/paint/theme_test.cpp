// The look: contrast, state by shape, nothing below 13 px, fonts of our own.
#include <QImage>
#include <QLabel>
#include <catch2/catch.hpp>
#include <cmath>

#include "paint/theme.hpp"

using namespace yoke;

namespace {

/// Relative luminance and contrast as WCAG 2.1 defines them (published standard, from memory).
double luminance(const QColor& c) {
  const auto part = [](double v) {
    return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
  };
  return 0.2126 * part(c.redF()) + 0.7152 * part(c.greenF()) + 0.0722 * part(c.blueF());
}
double contrast(const QColor& a, const QColor& b) {
  const double la = luminance(a);
  const double lb = luminance(b);
  return (std::max(la, lb) + 0.05) / (std::min(la, lb) + 0.05);
}

QImage mark(theme::Mark m) {
  QImage image(24, 24, QImage::Format_RGB32);
  image.fill(theme::kDye);
  QPainter p(&image);
  theme::draw_mark(p, QRectF(2, 2, 20, 20), m, theme::kScribe);
  return image;
}

}  // namespace

TEST_CASE("text keeps a contrast of 4.5 to 1 on its ground") {
  CHECK(contrast(Qt::black, Qt::white) == Approx(21).margin(0.01));
  for (const QColor& ground : {theme::kDye, theme::kDyeDeep})
    for (const QColor& ink : {theme::kScribe, theme::kScribeSoft, theme::kMarkOnDye}) {
      INFO(ink.name().toStdString() << " on " << ground.name().toStdString());
      CHECK(contrast(ink, ground) >= 4.5);
    }
  for (const QColor& ground : {theme::kPaper, theme::kPaperRaised})
    for (const QColor& ink : {theme::kInk, theme::kInkSoft, theme::kMark, theme::kSteel}) {
      INFO(ink.name().toStdString() << " on " << ground.name().toStdString());
      CHECK(contrast(ink, ground) >= 4.5);
    }
  CHECK(contrast(theme::kDyeDeep, theme::kMarkOnDye) >= 4.5);  // flags on the map
}

TEST_CASE("state is told by shape: the marks differ in one colour too") {
  CHECK(mark(theme::Mark::tick) != mark(theme::Mark::cross));
  CHECK(mark(theme::Mark::tick) != mark(theme::Mark::query));
  CHECK(mark(theme::Mark::cross) != mark(theme::Mark::query));
}

TEST_CASE("a run of many points looks as one line, whole or broken") {
  QPolygonF arc;
  for (int i = 0; i <= 60; ++i)
    arc << QPointF(10 + 180 * i / 60.0, 90 - 80 * std::pow(i / 60.0, 3));
  const auto drawn = [&](const QList<qreal>& dashes, bool run) {
    QImage image(200, 100, QImage::Format_RGB32);
    image.fill(Qt::black);
    QPainter p(&image);
    p.setRenderHint(QPainter::Antialiasing);
    QPen pen(Qt::white, 2.2, Qt::SolidLine, Qt::FlatCap, Qt::BevelJoin);
    if (!dashes.isEmpty()) pen.setDashPattern(dashes);
    p.setPen(pen);
    run ? theme::draw_run(p, arc) : p.drawPolyline(arc);
    return image;
  };
  const auto light = [](const QImage& i) {
    double sum = 0;
    for (int y = 0; y < i.height(); ++y)
      for (int x = 0; x < i.width(); ++x) sum += qGray(i.pixel(x, y));
    return sum / 255;
  };
  for (const QList<qreal>& dashes : {QList<qreal>{}, QList<qreal>{5, 4}, QList<qreal>{1, 3}}) {
    const QImage run = drawn(dashes, true);
    const QImage line = drawn(dashes, false);
    INFO(dashes.size() << " parts: " << light(run) << " against " << light(line));
    CHECK(light(run) == Approx(light(line)).epsilon(0.06));
    int apart = 0;
    for (int y = 0; y < 100; ++y)
      for (int x = 0; x < 200; ++x)
        if (std::abs(qGray(run.pixel(x, y)) - qGray(line.pixel(x, y))) > 128) ++apart;
    CHECK(apart <= 12);
  }
  // A point beyond any screen is no reason to draw dashes for ever.
  QImage small(20, 20, QImage::Format_RGB32);
  small.fill(Qt::black);
  QPainter p(&small);
  QPen pen(Qt::white, 1);
  pen.setDashPattern({1, 3});
  p.setPen(pen);
  theme::draw_run(p, QPolygonF({QPointF(0, 0), QPointF(1e300, 5), QPointF(INFINITY, NAN)}));
}

TEST_CASE("what is laid down once looks as it was drawn, at any scale") {
  const auto drawn = [](bool once, double scale) {
    QImage image(60, 60, QImage::Format_RGB32);
    image.fill(theme::kDye);
    QPainter p(&image);
    p.scale(scale, scale);
    const QPointF at(24 / scale, 24 / scale);
    const auto ring = [](QPainter& q) {
      q.setRenderHint(QPainter::Antialiasing);
      q.setPen(QPen(Qt::white, 1.4));
      q.drawEllipse(QPointF(0, 0), 6, 6);
    };
    if (once) {
      theme::draw_once(p, at, QRectF(-8, -8, 16, 16), QStringLiteral("test ring"), ring);
    } else {
      p.translate(at);
      ring(p);
    }
    return image;
  };
  for (const double scale : {1.0, 2.0, 1.5, 0.75, 1.0}) {
    const QImage once = drawn(true, scale);
    const QImage each = drawn(false, scale);
    int most = 0;
    for (int y = 0; y < 60; ++y)
      for (int x = 0; x < 60; ++x)
        most = std::max(most, std::abs(qGray(once.pixel(x, y)) - qGray(each.pixel(x, y))));
    INFO("scaled by " << scale);
    CHECK(most <= 10);  // a softened edge is rounded otherwise
  }
}

TEST_CASE("text is shortened only where it must be, and says so") {
  const QFont f = theme::text(14);
  CHECK(theme::elided(f, "short", 400) == "short");
  CHECK(theme::elided(f, "a rather long sentence about a pedal", 60).endsWith(QChar(0x2026)));
}
