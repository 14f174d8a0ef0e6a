#include "ui/stage_rail.hpp"

#include <QKeyEvent>
#include <QPainter>
#include <QVBoxLayout>
#include <algorithm>

#include "paint/theme.hpp"
#include "session/job_kind.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {
constexpr int kWide = 208;
constexpr int kNarrow = 150;
}  // namespace

StageButton::StageButton(Stage stage, QWidget* parent) : QAbstractButton(parent), stage_(stage) {
  setCheckable(true);
  setAutoExclusive(true);
  setFocusPolicy(Qt::TabFocus);
  setCursor(Qt::PointingHandCursor);
  setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Expanding);
  setMinimumHeight(44);
  setMaximumHeight(72);
  setAccessibleName(words_of(stage_words(stage)));
}

void StageButton::set_status(const QString& status, bool hard) {
  status_ = status;
  hard_ = hard;
  setAccessibleDescription(status + (hard ? tr(", do not drive") : QString()));
  setToolTip(plain_tip(status));
  update();
}

void StageButton::keyPressEvent(QKeyEvent* e) {
  if (e->key() == Qt::Key_Return || e->key() == Qt::Key_Enter)
    click();
  else
    QAbstractButton::keyPressEvent(e);
}

void StageButton::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QColor ground = isChecked()    ? theme::kPaper
                        : underMouse() ? QColor(0x1b, 0x3c, 0x66)
                                       : theme::kDye;
  p.fillRect(rect(), ground);
  const QColor ink = isChecked() ? theme::kInk : theme::kScribe;
  const QColor soft = isChecked() ? theme::kInkSoft : theme::kScribeSoft;
  if (isChecked()) p.fillRect(QRect(0, 0, 5, height()), theme::kMark);
  if (hasFocus()) {
    p.setPen(QPen(isChecked() ? theme::kSteel : theme::kMarkOnDye, 2));
    p.drawRect(rect().adjusted(6, 2, -3, -3));
  }
  const int mid = height() / 2;
  p.setPen(ink);
  p.setFont(theme::text(16, true));
  p.drawText(QRect(18, mid - 22, width() - 50, 22), Qt::AlignVCenter,
             words_of(stage_words(stage_)));
  p.setPen(hard_ ? (isChecked() ? theme::kMark : theme::kMarkOnDye) : soft);
  const QFont small = theme::text(13);
  p.setFont(small);
  p.drawText(QRect(18, mid + 1, width() - 26, 19), Qt::AlignVCenter,
             theme::elided(small, status_, width() - 28));
  if (hard_)
    theme::draw_mark(p, QRectF(width() - 30, mid - 20, 17, 17), theme::Mark::cross,
                     isChecked() ? theme::kMark : QColor(0xc7, 0x54, 0x10));
}

StageRail::StageRail(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setFixedWidth(kWide);
  setAutoFillBackground(true);
  QPalette pal = palette();
  pal.setColor(QPalette::Window, theme::kDye);
  setPalette(pal);
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 4, 0, 4);
  box->setSpacing(0);
  for (const Stage s : kStages) {
    auto* b = new StageButton(s, this);
    b->setFixedWidth(kWide);
    buttons_[static_cast<size_t>(s)] = b;
    box->addWidget(b, 1);
    connect(b, &QAbstractButton::clicked, this, [this, s] { emit chosen(s); });
  }
  box->addStretch(0);
  connect(&session_, &Session::judged, this, &StageRail::refresh);
  refresh();
}

void StageRail::set_narrow(bool narrow) {
  const int wide = narrow ? kNarrow : kWide;
  if (width() == wide) return;
  setFixedWidth(wide);
  for (StageButton* b : buttons_) b->setFixedWidth(wide);
}

void StageRail::select(Stage stage) {
  button(stage)->setChecked(true);
}

void StageRail::refresh() {
  for (const Stage s : kStages) {
    const auto& all = session_.findings();
    const bool hard = std::any_of(all.begin(), all.end(), [s](const Finding& f) {
      return f.stage == s && f.severity == Severity::hard;
    });
    button(s)->set_status(session_.status_of(s), hard);
    // The stage that is worked on stays, whatever the job is said to be.
    button(s)->setVisible(button(s)->isChecked() || has_stage(session_.job(), all, s));
  }
}

}  // namespace yoke
