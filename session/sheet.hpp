// The job sheet: what was, what is, every number with its source, open gates. HTML for the screen,
// PDF for the folder.
#pragma once

#include <QDate>
#include <QPageSize>
#include <QString>

#include "judge/findings.hpp"
#include "judge/rule_book.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// `printed_on` is passed in: the sheet itself reads no clock.
[[nodiscard]] QString sheet_html(const Job& job, const std::vector<ConditionReport>& strip,
                                 const std::vector<Finding>& findings,
                                 const std::vector<JudgedRule>& rules, const Style& style,
                                 const QDate& printed_on);
/// Writes the sheet as PDF, atomically; an error names the file and the reason.
[[nodiscard]] Expected<bool> write_sheet_pdf(const QString& path, const QString& html,
                                             const QString& title, QPageSize::PageSizeId paper);

}  // namespace yoke
