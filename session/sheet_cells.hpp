// What the sheet's parts share: cells, rows and tables of text that is never read as markup.
#pragma once

#include <QString>
#include <QStringList>

#include "session/sheet.hpp"
#include "session/texts.hpp"

namespace yoke::sheet {

[[nodiscard]] inline QString esc(const QString& s) {
  return s.toHtmlEscaped();
}
[[nodiscard]] inline QString esc(std::string_view s) {
  return text_of(s).toHtmlEscaped();
}
[[nodiscard]] inline QString esc(const Message& m, const Style& style) {
  return text_of(m, style).toHtmlEscaped();
}
[[nodiscard]] inline QString row(const QStringList& cells, const char* tag = "td") {
  QString r = QStringLiteral("<tr>");
  for (const auto& c : cells) r += QStringLiteral("<%1>%2</%1>").arg(QString::fromLatin1(tag), c);
  return r + QStringLiteral("</tr>");
}
/// A first row of heads is printed again on every page that the table goes over to.
[[nodiscard]] inline QString table(const QStringList& rows) {
  QString body = rows.join(QString());
  if (!rows.isEmpty() && rows.front().startsWith(QLatin1String("<tr><th>")))
    body = QStringLiteral("<thead>%1</thead>").arg(rows.front()) + rows.mid(1).join(QString());
  return QStringLiteral(
             "<table width='100%' cellspacing='0' cellpadding='2' border='1' "
             "style='border-collapse:collapse;border-color:#b9b09d'>") +
         body + QStringLiteral("</table>");
}

[[nodiscard]] inline QString title(const QString& words) {
  return QStringLiteral("<h2>%1</h2>").arg(esc(words));
}
/// A list that may grow: the sheet prints so many of its rows, the appendix the others.
struct LongList {
  QString words;
  QString line;      ///< one sentence under the title
  QStringList rows;  ///< the first names the columns
  qsizetype most = 0;
};
[[nodiscard]] LongList finding_list(const std::vector<Finding>& findings, const Style& style);
/// What holds for want of a measurement only, and which would settle it.
[[nodiscard]] LongList rests_list(const std::vector<JudgedRule>& rules, const Style& style);
/// The steps that are still to do, with a box for a pencil.
[[nodiscard]] LongList step_list(const Job& job, const Style& style);
[[nodiscard]] LongList part_list(const Job& job, const Style& style, const QDate& on);
[[nodiscard]] LongList later_list(const Job& job, const Style& style);
[[nodiscard]] LongList reading_list(const Job& job, const Style& style);
/// As the sheet prints it; nothing where the list is empty.
[[nodiscard]] QString printed(const LongList& list);
/// What the sheet left out.
[[nodiscard]] QString left_out(const LongList& list);
/// As found, units compared, all steps, every number and its source.
[[nodiscard]] QString appendix_html(const Job& job, const Style& style);

}  // namespace yoke::sheet
