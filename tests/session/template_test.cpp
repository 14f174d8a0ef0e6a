// Templates on paper: the scale is measured on the rendered page, tiles carry their marks, nothing
// but 1:1 is written.
#include <QDir>
#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/unit.hpp"
#include "session/template_out.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

constexpr int kDpi = 300;
constexpr double kPixels = kDpi / 25.4;  // a millimetre

Template drawing(double pitch) {
  Job job;
  job.title = "Measured";
  for (const auto& [p, si] : {std::pair{param::unit_studs, 0.0},
                              {param::unit_stud_pitch, pitch},
                              {param::unit_stud_size, 0.008},
                              {param::unit_pilot, 0.0413}})
    job.plan.set(p, measured(p, si, How::calliper));
  const auto t = make_template(job, TemplateKind::drilling);
  REQUIRE(t);
  return *t;
}

/// Pages rendered by an independent program.
std::vector<QImage> rendered(const QString& pdf, const QTemporaryDir& dir) {
  QProcess p;
  p.start(QStringLiteral("pdftoppm"),
          {"-r", QString::number(kDpi), "-gray", "-png", pdf, dir.filePath("page")});
  REQUIRE(p.waitForFinished(60000));
  REQUIRE(p.exitCode() == 0);
  std::vector<QImage> pages;
  for (const QString& name : QDir(dir.path()).entryList({"page*.png"}, QDir::Files, QDir::Name))
    pages.emplace_back(dir.filePath(name));
  return pages;
}

bool dark(const QImage& page, int x, int y) {
  return page.valid(x, y) && qGray(page.pixel(x, y)) < 128;
}

/// Longest run of dark pixels in a row.
int longest_run(const QImage& page, int y) {
  int best = 0;
  int now = 0;
  for (int x = 0; x < page.width(); ++x) {
    now = dark(page, x, y) ? now + 1 : 0;
    best = std::max(best, now);
  }
  return best;
}

}  // namespace

TEST_CASE("a printed template is full size: both check rules and the collar's hole, in pixels") {
  QTemporaryDir dir;
  const QString pdf = dir.filePath("t.pdf");
  const Template t = drawing(0.080);
  REQUIRE(write_template(pdf, t, QPageSize::A4));
  const auto pages = rendered(pdf, dir);
  REQUIRE(pages.size() == 2);  // the drawing, and the order of drilling
  const QImage& page = pages[0];
  CHECK(page.width() == Approx(210 * kPixels).margin(1.5));
  CHECK(page.height() == Approx(297 * kPixels).margin(1.5));
  std::vector<int> rules;
  for (int y = page.height() * 3 / 4; y < page.height(); ++y)
    if (const int run = longest_run(page, y); run > 90 * kPixels) rules.push_back(run);
  REQUIRE(rules.size() >= 2);
  CHECK(rules.front() == Approx(100 * kPixels).margin(4));  // the pen's own width lies beyond
  CHECK(rules.back() == Approx(101.6 * kPixels).margin(4));
  // The collar's circle, 41.6 mm: a column 10 mm beside its centre meets it 36.48 mm apart.
  const auto tiles = tile_template(t, Paper{210, 297, 12});
  REQUIRE(tiles);
  const int x = static_cast<int>(std::lround((12 + 10 - tiles->front().x0) * kPixels));
  const double centre_y = (12 + tiles->front().y1) * kPixels;
  int top = 0;
  int bottom = 0;
  for (int y = static_cast<int>(centre_y - 21 * kPixels); y < centre_y + 21 * kPixels; ++y)
    if (dark(page, x, y) && std::abs(y - centre_y) > 10 * kPixels) {
      if (top == 0) top = y;
      bottom = y;
    }
  const double wanted = 2 * std::sqrt(20.8 * 20.8 - 100);
  CHECK((bottom - top) / kPixels == Approx(wanted).margin(0.5));
}

TEST_CASE("a template larger than the paper is tiled, each sheet with its rules") {
  QTemporaryDir dir;
  const QString pdf = dir.filePath("large.pdf");
  const Template t = drawing(0.290);
  const auto count = template_pages(t, QPageSize::Letter);
  REQUIRE(count);
  CHECK(*count >= 2);
  REQUIRE(write_template(pdf, t, QPageSize::Letter));
  const auto pages = rendered(pdf, dir);
  REQUIRE(pages.size() == static_cast<std::size_t>(*count) + 1);
  for (int i = 0; i < *count; ++i) {
    int best = 0;
    for (int y = pages[static_cast<std::size_t>(i)].height() * 3 / 4;
         y < pages[static_cast<std::size_t>(i)].height(); ++y)
      best = std::max(best, longest_run(pages[static_cast<std::size_t>(i)], y));
    CHECK(best == Approx(101.6 * kPixels).margin(4));
  }
}

TEST_CASE("a title with control characters and markup leaves the SVG and the DXF whole") {
  Template t = drawing(0.080);
  t.title = "a\x01\x0b<b>&\"z";
  const std::string svg = template_svg(t);
  for (const char c : svg) CHECK((static_cast<unsigned char>(c) >= 0x20 || c == '\n'));
  CHECK(svg.find("&lt;b&gt;&amp;&quot;z") != std::string::npos);
  for (const char c : template_dxf(t)) CHECK((static_cast<unsigned char>(c) >= 0x20 || c == '\n'));
}

TEST_CASE("templates as SVG and DXF, other endings and bad places are refused") {
  QTemporaryDir dir;
  const Template t = drawing(0.080);
  CHECK(write_template(dir.filePath("t.svg"), t));
  CHECK(write_template(dir.filePath("t.dxf"), t));
  QFile svg(dir.filePath("t.svg"));
  REQUIRE(svg.open(QIODevice::ReadOnly));
  CHECK(svg.readAll().contains("rule-100mm"));
  CHECK_FALSE(write_template(dir.filePath("t.bmp"), t));
  const auto bad = write_template(dir.filePath("t.svg") + "/below.pdf", t);
  REQUIRE_FALSE(bad);
  CHECK(english(bad.error().reason).find("Cannot save") == 0);
}
