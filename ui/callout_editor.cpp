#include "ui/callout_editor.hpp"

#include <QApplication>
#include <QKeyEvent>
#include <QTimer>
#include <algorithm>

#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {
constexpr int kWidth = 452;
}

CalloutEditor::CalloutEditor(Session& session, QWidget* over) : QFrame(over), session_(session) {
  setObjectName(QStringLiteral("card"));
  setFixedWidth(kWidth);
  setAutoFillBackground(true);
  box_ = new QVBoxLayout(this);
  box_->setContentsMargins(10, 8, 10, 8);
  box_->setSpacing(4);
  help_ = label({}, "soft", this);
  box_->addWidget(help_);
  hide();
  connect(qApp, &QApplication::focusChanged, this,
          [this](QWidget*, QWidget* now) { focus_moved(now); });
}

void CalloutEditor::open(As which, Param param, QPointF at) {
  delete field_;
  field_ = make_field(session_, which, param, this);
  box_->insertWidget(0, field_);
  help_->setText(words_of(info(param).help));
  for (QWidget* w : field_->findChildren<QWidget*>()) w->installEventFilter(this);
  field_->show();
  adjustSize();
  const QWidget* over = parentWidget();
  const int x =
      std::clamp(static_cast<int>(at.x()) - kWidth / 2, 4, std::max(4, over->width() - kWidth - 4));
  // Below the label, or above it where there is no room.
  int y = static_cast<int>(at.y()) + 16;
  if (y + height() > over->height() - 4) y = static_cast<int>(at.y()) - 16 - height();
  move(x, std::clamp(y, 4, std::max(4, over->height() - height() - 4)));
  show();
  raise();
  field_->focus_entry();
}

void CalloutEditor::shut() {
  if (!isVisible()) return;
  hide();
  parentWidget()->setFocus(Qt::OtherFocusReason);
}

bool CalloutEditor::eventFilter(QObject* watched, QEvent* e) {
  if (e->type() != QEvent::KeyPress || !isVisible()) return QFrame::eventFilter(watched, e);
  const int key = static_cast<QKeyEvent*>(e)->key();
  if (key == Qt::Key_Escape) {
    shut();
    return true;
  }
  // The entry takes the value first; what was refused stays open with its reason.
  if (key == Qt::Key_Return || key == Qt::Key_Enter)
    QTimer::singleShot(0, this, [this] {
      if (field_ && field_->refusal().isEmpty())
        shut();
      else
        adjustSize();
    });
  return QFrame::eventFilter(watched, e);
}

void CalloutEditor::keyPressEvent(QKeyEvent* e) {
  // What the entry leaves (Return, arrows) must not reach the drawing behind the card.
  e->accept();
}

void CalloutEditor::focus_moved(QWidget* now) {
  if (!isVisible() || !now) return;
  // The list of a combo box is a window of its own: only the chain of parents tells.
  for (const QObject* o = now; o; o = o->parent())
    if (o == this) return;
  hide();
}

}  // namespace yoke
