// A drawing as a file, looked at by others: readers of PNG and XML, and what the picture
// says.
#include <QFile>
#include <QImage>
#include <QTemporaryDir>
#include <QXmlStreamReader>
#include <catch2/catch.hpp>

#include "paint/condition_table.hpp"
#include "session/picture_out.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

Picture some_picture() {
  return condition_table_picture(foot_strip(known_job(), 16), Style{}, QSizeF(640, 320));
}

}  // namespace

TEST_CASE("a drawing is saved as PNG, SVG, PDF and CSV, and nothing else") {
  QTemporaryDir dir;
  const Picture picture = some_picture();
  const auto write = [&](const char* name) {
    return write_picture(dir.filePath(name), picture, "What the foot meets");
  };
  REQUIRE(write("a.png"));
  const QImage png(dir.filePath("a.png"));
  CHECK(png.size() == QSize(1280, 640));
  CHECK(png.pixelColor(4, 4) == QColor(0x10, 0x2a, 0x4c));
  REQUIRE(write("a.svg"));
  QFile svg(dir.filePath("a.svg"));
  REQUIRE(svg.open(QIODevice::ReadOnly));
  QXmlStreamReader xml(&svg);
  int drawn = 0;
  while (!xml.atEnd())
    if (xml.readNext() == QXmlStreamReader::StartElement) {
      if (xml.name() == QStringLiteral("svg"))
        CHECK(xml.attributes().value("viewBox") == QStringLiteral("0 0 640 320"));
      drawn += xml.name() == QStringLiteral("text") ? 1 : 0;
    }
  CHECK_FALSE(xml.hasError());
  CHECK(drawn >= 7);  // one row a condition at least
  REQUIRE(write("a.pdf"));
  QFile pdf(dir.filePath("a.pdf"));
  REQUIRE(pdf.open(QIODevice::ReadOnly));
  CHECK(pdf.read(5) == "%PDF-");
  CHECK(pdf.size() > 2000);
  REQUIRE(write("a.csv"));
  QFile csv(dir.filePath("a.csv"));
  REQUIRE(csv.open(QIODevice::ReadOnly));
  const QString text = QString::fromUtf8(csv.readAll());
  CHECK(text.startsWith("name,value\r\n"));
  CHECK(text.count("\r\n") == picture.said.size() + 1);
  CHECK(text.contains("\"plan · "));
  CHECK_FALSE(write("a.bmp"));
  CHECK_FALSE(QFile::exists(dir.filePath("a.bmp")));
  CHECK_FALSE(write("no folder/a.png"));
}

TEST_CASE("a name with quotes and commas stays one field of the CSV") {
  Picture p;
  p.said << "bore \"A\", new: 22.2 mm, \"stated\""
         << "no value";
  CHECK(picture_csv(p) ==
        "name,value\r\n\"bore \"\"A\"\", new\",\"22.2 mm, \"\"stated\"\"\"\r\n\"no value\",\r\n");
}
