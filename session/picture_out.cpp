#include "session/picture_out.hpp"

#include <QBuffer>
#include <QCoreApplication>
#include <QFileInfo>
#include <QImage>
#include <QPainter>
#include <QPdfWriter>
#include <QSvgGenerator>

#include "files/disk.hpp"

namespace yoke {

namespace {

struct PictureOut {
  Q_DECLARE_TR_FUNCTIONS(PictureOut)
};

QByteArray as_png(const Picture& picture) {
  constexpr double kScale = 2;  // sharp on paper too
  QImage image((picture.size * kScale).toSize(), QImage::Format_ARGB32);
  image.fill(Qt::transparent);
  QPainter p(&image);
  p.scale(kScale, kScale);
  picture.paint(p);
  p.end();
  QBuffer out;
  out.open(QIODevice::WriteOnly);
  image.save(&out, "PNG");
  return out.data();
}

QByteArray as_svg(const Picture& picture, const QString& title) {
  QBuffer out;
  out.open(QIODevice::WriteOnly);
  QSvgGenerator svg;
  svg.setOutputDevice(&out);
  svg.setSize(picture.size.toSize());
  svg.setViewBox(QRectF(QPointF(0, 0), picture.size));
  svg.setTitle(title);
  QPainter p(&svg);
  picture.paint(p);
  p.end();
  return out.data();
}

QByteArray as_pdf(const Picture& picture, const QString& title) {
  QBuffer out;
  out.open(QIODevice::WriteOnly);
  {
    QPdfWriter writer(&out);
    writer.setTitle(title);
    constexpr double kPoint_px = 0.75;
    writer.setPageSize(QPageSize(picture.size * kPoint_px, QPageSize::Point));
    writer.setPageMargins(QMarginsF());
    QPainter p(&writer);
    p.scale(writer.width() / picture.size.width(), writer.height() / picture.size.height());
    picture.paint(p);
  }
  return out.data();
}

QString quoted(QString text) {
  return QLatin1Char('"') + text.replace(QLatin1Char('"'), QStringLiteral("\"\"")) +
         QLatin1Char('"');
}

}  // namespace

QString picture_csv(const Picture& picture) {
  QString csv = QStringLiteral("name,value\r\n");
  for (const QString& line : picture.said) {
    const qsizetype at = line.indexOf(QStringLiteral(": "));
    csv += at < 0 ? quoted(line) + QStringLiteral(",\r\n")
                  : quoted(line.left(at)) + QLatin1Char(',') + quoted(line.mid(at + 2)) +
                        QStringLiteral("\r\n");
  }
  return csv;
}

QString picture_filter() {
  return PictureOut::tr("PNG (*.png);;SVG (*.svg);;PDF (*.pdf);;Numbers as CSV (*.csv)");
}

Expected<bool> write_picture(const QString& path, const Picture& picture, const QString& title) {
  const QString ending = QFileInfo(path).suffix().toLower();
  QByteArray bytes;
  if (ending == QStringLiteral("png"))
    bytes = as_png(picture);
  else if (ending == QStringLiteral("svg"))
    bytes = as_svg(picture, title);
  else if (ending == QStringLiteral("pdf"))
    bytes = as_pdf(picture, title);
  else if (ending == QStringLiteral("csv"))
    bytes = picture_csv(picture).toUtf8();
  else
    return fail({"file", ending.toStdString(), "png, svg, pdf, csv",
                 "A picture cannot be written in that form", "Give the name one of these endings"});
  const auto wrote = write_safely(path.toStdString(), bytes.toStdString(), {});
  if (!wrote) return fail(wrote.error());
  return true;
}

}  // namespace yoke
