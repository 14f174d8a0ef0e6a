#include "session/template_out.hpp"
#include "files/disk.hpp"

#include <QBuffer>
#include <QPainter>
#include <QPdfWriter>

#include "session/texts.hpp"

namespace yoke {

namespace {

constexpr int kDpi = 1200;

Paper paper_of(QPageSize::PageSizeId id) {
  const QSizeF mm = QPageSize::size(id, QPageSize::Millimeter);
  return {mm.width(), mm.height(), 12};
}

/// Draws one page in millimetres, y down from the page's upper left corner.
class PagePainter {
 public:
  PagePainter(QPainter& p, const Template& t, const Paper& paper) : p_(p), t_(t), paper_(paper) {}

  void draw(const Tile& tile, int page, int pages) {
    tile_ = tile;
    p_.save();
    p_.setClipRect(
        QRectF(paper_.margin_mm, paper_.margin_mm, tile.x1 - tile.x0, tile.y1 - tile.y0));
    drawing();
    p_.restore();
    if (pages > 1) register_marks();
    foot(page, pages);
  }

 private:
  [[nodiscard]] QPointF at(double x, double y) const {
    return {paper_.margin_mm + x - tile_.x0, paper_.margin_mm + tile_.y1 - y};
  }
  void words(QPointF place, double height_mm, const QString& text) {
    QFont font(QStringLiteral("Roboto"));
    // Pixels of this painter are millimetres: fonts are drawn larger and scaled down.
    constexpr double kFontScale = 100;
    font.setPixelSize(static_cast<int>(height_mm * kFontScale * 1.3));
    p_.save();
    p_.translate(place);
    p_.scale(1 / kFontScale, 1 / kFontScale);
    p_.setFont(font);
    p_.drawText(QPointF(0, 0), text);
    p_.restore();
  }
  void drawing() {
    for (const auto& l : t_.lines) {
      p_.setPen(QPen(Qt::black, l.thin ? 0.12 : 0.25));
      p_.drawLine(at(l.x0, l.y0), at(l.x1, l.y1));
    }
    for (const auto& c : t_.circles) {
      QPen pen(Qt::black, 0.25);
      if (c.thin) pen.setDashPattern({6, 4});
      p_.setPen(pen);
      p_.setBrush(Qt::NoBrush);
      p_.drawEllipse(at(c.x, c.y), c.diameter / 2, c.diameter / 2);
    }
    p_.setPen(Qt::black);
    for (const auto& w : t_.texts) words(at(w.x, w.y), w.height, text_of(w.words, {}));
  }
  /// Crosses in the overlap, at the same places of the drawing on both pages.
  void register_marks() {
    p_.setPen(QPen(Qt::black, 0.15));
    for (const double x : {tile_.x0 + kTileOverlap_mm / 2, tile_.x1 - kTileOverlap_mm / 2})
      for (const double y : {tile_.y0 + kTileOverlap_mm / 2, tile_.y1 - kTileOverlap_mm / 2}) {
        const QPointF c = at(x, y);
        p_.drawLine(c - QPointF(3, 0), c + QPointF(3, 0));
        p_.drawLine(c - QPointF(0, 3), c + QPointF(0, 3));
        p_.drawEllipse(c, 1.5, 1.5);
      }
  }
  void foot(int page, int pages) {
    const double y = paper_.height_mm - paper_.margin_mm - kRuleRoom_mm + 7;
    const double x = paper_.margin_mm;
    p_.setPen(QPen(Qt::black, 0.3));
    p_.drawLine(QPointF(x, y), QPointF(x + 100, y));
    for (int i = 0; i <= 10; ++i)
      p_.drawLine(QPointF(x + 10 * i, y), QPointF(x + 10 * i, y - (i % 5 == 0 ? 3 : 2)));
    p_.drawLine(QPointF(x, y + 6), QPointF(x + 101.6, y + 6));
    for (int i = 0; i <= 4; ++i)
      p_.drawLine(QPointF(x + 25.4 * i, y + 6), QPointF(x + 25.4 * i, y + 8));
    words({x + 105, y}, 2.6, QObject::tr("100 mm"));
    words({x + 105, y + 7}, 2.6, QObject::tr("4 in"));
    words(
        {x, y + 13}, 2.6,
        QObject::tr("Print at 100 %, never “fit to page”. Measure both rules: if either is off by "
                    "more than 0.5 mm, do not drill."));
    words({x, y + 17.5}, 2.6,
          QStringLiteral("%1 · %2").arg(text_of(t_.title, {}),
                                        QObject::tr("sheet %1 of %2").arg(page).arg(pages)));
  }
  QPainter& p_;
  const Template& t_;
  Paper paper_;
  Tile tile_;
};

void list_page(QPainter& p, QPdfWriter& writer, const Template& t, const Paper& paper) {
  // The order of drilling and the warnings: a page of words, not part of the scale.
  writer.newPage();
  double y = paper.margin_mm + 8;
  const auto line = [&](const QString& text, double height) {
    p.save();
    p.translate(paper.margin_mm, y);
    p.scale(0.01, 0.01);
    QFont f(QStringLiteral("Roboto"));
    f.setPixelSize(static_cast<int>(height * 130));
    p.setFont(f);
    const QRectF box(0, 0, (paper.width_mm - 2 * paper.margin_mm) * 100, 6000);
    QRectF used;
    p.drawText(box, Qt::TextWordWrap | Qt::AlignLeft | Qt::AlignTop, text, &used);
    p.restore();
    y += used.height() / 100 + 2;
  };
  p.setPen(Qt::black);
  line(text_of(t.title, {}), 5);
  int n = 0;
  for (const auto& o : t.order) line(QStringLiteral("%1. %2").arg(++n).arg(text_of(o, {})), 3.4);
  for (const Finding& f : t.findings)
    line(QStringLiteral("! %1. %2").arg(text_of(f.message, {}), text_of(f.remedy, {})), 3.4);
  line(QObject::tr(
           "Cracked or thin metal around the holes, and brakes altogether, are to be checked "
           "by somebody licensed where local rules ask for it."),
       3.4);
}

Expected<QByteArray> pdf_of(const Template& t, QPageSize::PageSizeId id) {
  const Paper paper = paper_of(id);
  const auto tiles = tile_template(t, paper);
  if (!tiles) return fail(tiles.error());
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  {
    QPdfWriter writer(&buffer);
    writer.setTitle(text_of(t.title, {}));
    writer.setPageSize(QPageSize(id));
    writer.setPageMargins(QMarginsF(0, 0, 0, 0), QPageLayout::Millimeter);
    writer.setResolution(kDpi);
    QPainter p(&writer);
    p.scale(kDpi / 25.4, kDpi / 25.4);
    PagePainter pages(p, t, paper);
    for (std::size_t i = 0; i < tiles->size(); ++i) {
      if (i > 0) writer.newPage();
      pages.draw((*tiles)[i], static_cast<int>(i) + 1, static_cast<int>(tiles->size()));
    }
    list_page(p, writer, t, paper);
  }
  return buffer.data();
}

}  // namespace

Expected<int> template_pages(const Template& t, QPageSize::PageSizeId id) {
  const auto tiles = tile_template(t, paper_of(id));
  if (!tiles) return fail(tiles.error());
  return static_cast<int>(tiles->size());
}

Expected<bool> write_template(const QString& path, const Template& t, QPageSize::PageSizeId id) {
  QByteArray bytes;
  if (path.endsWith(QStringLiteral(".svg"), Qt::CaseInsensitive)) {
    bytes = QByteArray::fromStdString(template_svg(t));
  } else if (path.endsWith(QStringLiteral(".dxf"), Qt::CaseInsensitive)) {
    bytes = QByteArray::fromStdString(template_dxf(t));
  } else if (path.endsWith(QStringLiteral(".pdf"), Qt::CaseInsensitive)) {
    const auto pdf = pdf_of(t, id);
    if (!pdf) return fail(pdf.error());
    bytes = *pdf;
  } else {
    return fail({"file", path.toStdString(), ".pdf, .svg, .dxf",
                 "A template is written as PDF, SVG or DXF", "End the name with one of them"});
  }
  const auto wrote = write_safely(path.toStdString(), bytes.toStdString(), {});
  if (!wrote) return fail(wrote.error());
  return true;
}

}  // namespace yoke
