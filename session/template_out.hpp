// Templates on paper and in files: PDF at 1:1, tiled with register marks and a check rule on each
// page; SVG and DXF as text. Never scaled.
#pragma once

#include <QPageSize>
#include <QString>

#include "fitting/template.hpp"

namespace yoke {

/// By the file's ending: .pdf, .svg, .dxf. An error names the file or what is wrong.
[[nodiscard]] Expected<bool> write_template(const QString& path, const Template& drawing,
                                            QPageSize::PageSizeId paper = QPageSize::A4);
/// Pages of the PDF.
[[nodiscard]] Expected<int> template_pages(const Template& drawing, QPageSize::PageSizeId paper);

}  // namespace yoke
