// Paper: a print dialog, and the pages looked at before they are printed.
#pragma once

#include <QPagedPaintDevice>
#include <QString>
#include <functional>

class QWidget;

namespace yoke {

using DrawPages = std::function<void(QPagedPaintDevice&)>;
/// Asks for a printer; false when the builder changed his mind.
bool print_pages(QWidget* parent, const QString& title, const DrawPages& draw);
/// Shows the pages; they can be printed from there.
void preview_pages(QWidget* parent, const QString& title, const DrawPages& draw);
/// The same of a text.
void preview_html(QWidget* parent, const QString& title, const QString& html);

}  // namespace yoke
