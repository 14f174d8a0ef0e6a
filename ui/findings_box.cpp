#include "ui/findings_box.hpp"

#include <algorithm>

#include "session/texts.hpp"

namespace yoke {

FindingsBox::FindingsBox(Session& session, Stage stage, QWidget* parent, std::size_t most)
    : QLabel(parent), session_(session), stage_(stage), most_(most) {
  setWordWrap(true);
  setTextFormat(Qt::RichText);
  setTextInteractionFlags(Qt::TextSelectableByMouse);
  setAccessibleName(tr("Findings"));
  setAlignment(Qt::AlignTop | Qt::AlignLeft);
  connect(&session_, &Session::changed, this, &FindingsBox::refresh);
  refresh();
}

void FindingsBox::refresh() {
  std::vector<Finding> mine;
  for (const Finding& f : session_.findings())
    if (f.stage == stage_) mine.push_back(f);
  std::stable_sort(mine.begin(), mine.end(),
                   [](const Finding& a, const Finding& b) { return a.severity > b.severity; });
  QString html;
  const std::size_t more = mine.size() > most_ ? mine.size() - most_ : 0;
  mine.resize(mine.size() - more);
  for (const Finding& f : mine) {
    const QString message = text_of(f.message).toHtmlEscaped();
    const QString remedy = text_of(f.remedy).toHtmlEscaped();
    if (f.severity == Severity::note)
      html +=
          QStringLiteral("<p style='margin:2px 0'>○ %1. <span style='color:#575b60'>%2</span></p>")
              .arg(message, remedy);
    else
      html +=
          QStringLiteral("<p style='margin:2px 0'><b style='color:#a83e00'>%1 %2</b>. %3</p>")
              .arg(f.severity == Severity::hard ? QStringLiteral("■ HARD") : QStringLiteral("▲"),
                   message, remedy);
  }
  if (more > 0)
    html += QStringLiteral("<p style='margin:2px 0'>%1</p>")
                .arg(tr("and %1 more on the sheet (Record)").arg(more));
  if (html == text()) return;
  setText(html);
  setVisible(!html.isEmpty());
}

}  // namespace yoke
