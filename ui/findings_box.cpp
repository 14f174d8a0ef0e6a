#include "ui/findings_box.hpp"

#include <QResizeEvent>
#include <algorithm>

#include "session/texts.hpp"

namespace yoke {

namespace {

/// `whole`: with limit and remedy; folded the message alone is one line.
QString line_of(const Finding& f, bool whole, const Style& style) {
  const QString message = text_of(f.message, style).toHtmlEscaped();
  const QString remedy = text_of(f.remedy, style).toHtmlEscaped();
  if (f.severity == Severity::note)
    return QStringLiteral("○ %1. <span style='color:#575b60'>%2</span>").arg(message, remedy);
  const bool says_so = message.startsWith(FindingsBox::tr("Do not drive"));
  const QString mark = f.severity != Severity::hard ? QStringLiteral("▲")
                       : says_so                    ? QStringLiteral("■")
                                                    : FindingsBox::tr("■ Do not drive:");
  if (!whole) return QStringLiteral("<b style='color:#a83e00'>%1 %2</b>").arg(mark, message);
  const QString limit = f.limit.empty() ? QString()
                                        : QStringLiteral(" <span style='color:#575b60'>(%1)</span>")
                                              .arg(FindingsBox::tr("held against: %1")
                                                       .arg(text_of(f.limit, style))
                                                       .toHtmlEscaped());
  return QStringLiteral("<b style='color:#a83e00'>%1 %2</b>%3. %4")
      .arg(mark, message, limit, remedy);
}

}  // namespace

FindingsBox::FindingsBox(Session& session, Stage stage, QWidget* parent)
    : QLabel(parent), session_(session), stage_(stage) {
  setObjectName(QStringLiteral("findings"));
  setWordWrap(true);
  setTextFormat(Qt::RichText);
  setTextInteractionFlags(Qt::TextBrowserInteraction);
  setOpenExternalLinks(false);
  setAccessibleName(tr("Findings"));
  setAlignment(Qt::AlignTop | Qt::AlignLeft);
  connect(this, &QLabel::linkActivated, this, [this] { unfold(!all_); });
  // Of a page that is not looked at it waits.
  const auto again = [this] {
    if (parentWidget()->isVisible()) refresh();
  };
  connect(&session_, &Session::judged, this, again);
  connect(&session_, &Session::rules_made, this, again);
  connect(&session_, &Session::style_changed, this, again);
  refresh();
}

void FindingsBox::unfold(bool all) {
  all_ = all;
  refresh();
}

void FindingsBox::showEvent(QShowEvent* e) {
  setMinimumHeight(0);
  refresh();
  QLabel::showEvent(e);
}

void FindingsBox::resizeEvent(QResizeEvent* e) {
  QLabel::resizeEvent(e);
  if (e->size().width() != e->oldSize().width()) setMinimumHeight(0);
}

/// While a page is worked on its findings take no room back: what stands below would move under the
/// pointer at each edit.
void FindingsBox::keep_height() {
  if (all_)
    setMinimumHeight(0);
  else if (const int high = heightForWidth(width()); high > minimumHeight() && !text().isEmpty())
    setMinimumHeight(high);
}

void FindingsBox::refresh() {
  std::vector<Finding> mine;
  for (const Finding& f : session_.findings())
    if (f.stage == stage_) mine.push_back(f);
  // The car as it stands is not driven, whatever stage is worked on.
  for (const Finding& f : session_.findings())
    if (f.stage != stage_ && f.code == FindingCode::survey_do_not_drive) mine.push_back(f);
  std::stable_sort(mine.begin(), mine.end(),
                   [](const Finding& a, const Finding& b) { return a.severity > b.severity; });
  // What can hurt is never counted away among notes.
  const auto hard = static_cast<int>(std::count_if(
      mine.begin(), mine.end(), [](const Finding& f) { return f.severity == Severity::hard; }));
  QStringList lines;
  for (const Finding& f : mine) lines << line_of(f, all_, session_.style());
  // What holds for want of a measurement stands last: it is no finding, and no tick either.
  if (const auto& book = session_.rules())
    if (const Message rests = rests_message(*book, stage_); !rests.empty())
      lines << QStringLiteral("<span style='color:#575b60'>◐ %1</span>")
                   .arg(text_of(rests, session_.style()).toHtmlEscaped());
  const qsizetype shown = all_ ? lines.size() : std::min<qsizetype>(1, lines.size());
  QString html;
  for (const QString& line : lines.first(shown))
    html += QStringLiteral("<p style='margin:1px 0'>%1").arg(line);
  const int more = static_cast<int>(lines.size() - shown);
  const QString link = QStringLiteral(" <a href='more' style='color:#23262b'>%1</a>");
  if (more > 0 && hard > 1)
    html += link.arg(tr("and %n more here, %1 of them: do not drive", nullptr, more).arg(hard - 1));
  else if (more > 0)
    html += link.arg(tr("and %n more here", nullptr, more));
  else if (all_ && !lines.isEmpty())
    html += link.arg(tr("show the first alone"));
  else if (!mine.empty() && mine.front().severity != Severity::note)
    html += link.arg(tr("limit and remedy"));
  if (html != text()) setText(html);
  keep_height();
  setVisible(!html.isEmpty() || minimumHeight() > 0);
}

}  // namespace yoke
