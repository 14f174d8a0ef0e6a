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

TEST_CASE("text is shortened only where it must be, and says so") {
  const QFont f = theme::text(14);
  CHECK(theme::elided(f, "short", 400) == "short");
  CHECK(theme::elided(f, "a rather long sentence about a pedal", 60).endsWith(QChar(0x2026)));
}
