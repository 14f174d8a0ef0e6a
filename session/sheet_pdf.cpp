// The sheet as a document, on paper and in a file.
#include <QAbstractTextDocumentLayout>
#include <QBuffer>
#include <QPagedPaintDevice>
#include <QPainter>
#include <QPdfWriter>
#include <QTextDocument>
#include <QUrl>

#include "files/disk.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"
#include "session/sheet.hpp"

namespace yoke {

namespace {

constexpr double kMargin_mm = 14;

/// Loads nothing from outside, whatever a text in it asks for.
class Paper : public QTextDocument {
 protected:
  QVariant loadResource(int, const QUrl&) override { return {}; }
};

constexpr double kDots = 96;     ///< a page's own dots to the inch: sizes of text are told in them
constexpr double kFoot_px = 22;  ///< for the number of the page

QFont text_font() {
  QFont font = theme::text(13);
  // Joined letters ("fi") cannot be searched for in a PDF; spaced by next to nothing, none are
  // joined.
  font.setLetterSpacing(QFont::AbsoluteSpacing, 0.02);
  return font;
}

/// The same document on pages of that size, less the foot.
std::unique_ptr<QTextDocument> laid_out(const QTextDocument& document, QSizeF page) {
  std::unique_ptr<QTextDocument> copy(document.clone());
  copy->setDocumentMargin(0);
  copy->setPageSize({page.width(), page.height() - kFoot_px});
  return copy;
}

}  // namespace

std::unique_ptr<QTextDocument> sheet_document(const QString& html, const SheetPictures& pictures) {
  auto document = std::make_unique<Paper>();
  document->setDefaultFont(text_font());
  document->addResource(QTextDocument::ImageResource, QUrl(QLatin1String(kLinePicture)),
                        pictures.line);
  document->addResource(QTextDocument::ImageResource, QUrl(QLatin1String(kCurvePicture)),
                        pictures.curve);
  document->documentLayout();
  document->setHtml(html);
  return document;
}

int sheet_pages(const QTextDocument& document, QPageSize::PageSizeId paper) {
  const QSizeF mm = QPageSize::size(paper, QPageSize::Millimeter);
  const double dots = kDots / 25.4;
  return laid_out(document,
                  {(mm.width() - 2 * kMargin_mm) * dots, (mm.height() - 2 * kMargin_mm) * dots})
      ->pageCount();
}

void print_sheet(const QTextDocument& document, QPagedPaintDevice& device) {
  QPainter p(&device);
  const double scale = device.logicalDpiX() / kDots;
  const QSizeF page(device.width() / scale, device.height() / scale);
  const auto pages = laid_out(document, page);
  const double body = pages->pageSize().height();
  for (int i = 0; i < pages->pageCount(); ++i) {
    if (i > 0) device.newPage();
    p.save();
    p.scale(scale, scale);
    p.setFont(theme::text(11));
    p.setPen(theme::kInkSoft);
    p.drawText(QRectF(0, body + 4, page.width(), kFoot_px - 4), Qt::AlignRight | Qt::AlignVCenter,
               Printed::tr("page %1 of %2").arg(i + 1).arg(pages->pageCount()));
    p.translate(0, -i * body);
    QAbstractTextDocumentLayout::PaintContext context;
    context.clip = QRectF(0, i * body, page.width(), body);
    context.palette.setColor(QPalette::Text, theme::kInk);
    p.setClipRect(context.clip);
    pages->documentLayout()->draw(&p, context);
    p.restore();
  }
}

Expected<bool> write_sheet_pdf(const QString& path, const QTextDocument& document,
                               const QString& title, QPageSize::PageSizeId paper) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  {
    QPdfWriter writer(&buffer);
    writer.setTitle(title);
    writer.setPageSize(QPageSize(paper));
    writer.setPageMargins(QMarginsF(kMargin_mm, kMargin_mm, kMargin_mm, kMargin_mm),
                          QPageLayout::Millimeter);
    writer.setResolution(300);
    print_sheet(document, writer);
  }
  const auto wrote = write_safely(path.toStdString(), buffer.data().toStdString(), {});
  if (!wrote) return fail(wrote.error());
  return true;
}

}  // namespace yoke
