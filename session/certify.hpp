// The certifier's pack: what was changed and why, drawings, every number with its source and doubt,
// conditions and limits, the proof press by press with its instruments, what was signed, photos,
// templates, the logbook, and what it does not replace. One PDF (PDF/A-1b) with an outline and page
// numbers, or the same as an open folder: PDF, CSV, SVG, the job itself.
#pragma once

#include <QDate>
#include <QPageSize>
#include <QString>
#include <vector>

#include "judge/rule_book.hpp"
#include "session/session.hpp"

namespace yoke {

struct Chapter {
  QString title;
  QString html;                                    ///< body without a head of its own
  std::vector<std::pair<QString, QImage>> images;  ///< by the names that the html calls them
};
/// In their order; a chapter with nothing in it says so. `on`: the day that is printed.
[[nodiscard]] std::vector<Chapter> pack_chapters(const Session& session,
                                                 const std::vector<JudgedRule>& rules,
                                                 const QDate& on);
/// What the first page says above the contents: whose it is, how it stands, what it does not
/// replace.
[[nodiscard]] QString pack_cover(const Session& session, const QDate& on);
/// Written whole or not at all; a short chapter follows on the page of the one before. The pages of
/// each chapter: where it begins.
[[nodiscard]] Expected<std::vector<int>> write_certifier_pack(const QString& path,
                                                              const std::vector<Chapter>& chapters,
                                                              const QString& title,
                                                              QPageSize::PageSizeId paper,
                                                              const QString& cover = {});
/// Into a folder that is empty or not there yet: pack.pdf, job.yoke, lists as CSV, drawings as SVG,
/// photos. Names of what was written.
[[nodiscard]] Expected<QStringList> write_open_pack(const QString& folder, const Session& session,
                                                    const std::vector<Chapter>& chapters,
                                                    QPageSize::PageSizeId paper,
                                                    const QString& cover = {});

}  // namespace yoke
