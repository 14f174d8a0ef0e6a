#include "ui/printing.hpp"

#include <QPageSize>
#include <QPrintDialog>
#include <QPrintPreviewDialog>
#include <QPrinter>
#include <QTextDocument>

#include "session/sheet.hpp"
#include "ui/preferences.hpp"

namespace yoke {

namespace {

void prepare(QPrinter& printer, const QString& title) {
  printer.setDocName(title);
  printer.setPageSize(QPageSize(preferences().paper));
  printer.setPageMargins(QMarginsF(14, 14, 14, 14), QPageLayout::Millimeter);
}

}  // namespace

bool print_pages(QWidget* parent, const QString& title, const DrawPages& draw) {
  QPrinter printer(QPrinter::HighResolution);
  prepare(printer, title);
  QPrintDialog dialog(&printer, parent);
  dialog.setWindowTitle(title);
  if (dialog.exec() != QDialog::Accepted) return false;
  draw(printer);
  return true;
}

void preview_pages(QWidget* parent, const QString& title, const DrawPages& draw) {
  QPrinter printer(QPrinter::HighResolution);
  prepare(printer, title);
  QPrintPreviewDialog dialog(&printer, parent);
  dialog.setWindowTitle(title);
  dialog.resize(900, 700);
  QObject::connect(&dialog, &QPrintPreviewDialog::paintRequested, &dialog,
                   [&draw](QPrinter* p) { draw(*p); });
  dialog.exec();
}

void preview_html(QWidget* parent, const QString& title, const QString& html) {
  const auto pages = sheet_document(html, {});
  preview_pages(parent, title,
                [&pages](QPagedPaintDevice& device) { print_sheet(*pages, device); });
}

}  // namespace yoke
