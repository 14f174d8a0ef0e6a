// The job sheet: what was decided, what the foot meets, what must hold before a drive, on four
// pages at most; and an appendix with every number and its source. HTML for the screen, PDF for the
// folder, paper from a printer: one document for all three.
#pragma once

#include <QDate>
#include <QImage>
#include <QPageSize>
#include <QString>
#include <memory>

#include "judge/findings.hpp"
#include "judge/rule_book.hpp"
#include "strip/conditions.hpp"

class QPagedPaintDevice;
class QTextDocument;

namespace yoke {

enum class SheetPart { sheet, appendix, whole };

/// `printed_on` is passed in: the sheet itself reads no clock.
[[nodiscard]] QString sheet_html(const Job& job, const std::vector<ConditionReport>& strip,
                                 const std::vector<Finding>& findings,
                                 const std::vector<JudgedRule>& rules, const Style& style,
                                 const QDate& printed_on, SheetPart part = SheetPart::whole);

/// The pictures that a sheet shows, by the names that its text calls them.
inline constexpr const char* kLinePicture = "sheet:line";
inline constexpr const char* kCurvePicture = "sheet:curve";
struct SheetPictures {
  QImage line;   ///< the line of force of the plan
  QImage curve;  ///< effort over travel, every condition
};

/// The document that is shown, saved and printed; it loads nothing from outside.
[[nodiscard]] std::unique_ptr<QTextDocument> sheet_document(const QString& html,
                                                            const SheetPictures& pictures);
/// How many pages it takes.
[[nodiscard]] int sheet_pages(const QTextDocument& document, QPageSize::PageSizeId paper);
/// Draws all pages with their numbers.
void print_sheet(const QTextDocument& document, QPagedPaintDevice& device);
/// Writes it as PDF, atomically; an error names the file and the reason.
[[nodiscard]] Expected<bool> write_sheet_pdf(const QString& path, const QTextDocument& document,
                                             const QString& title, QPageSize::PageSizeId paper);

}  // namespace yoke
