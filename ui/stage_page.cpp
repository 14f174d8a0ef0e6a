#include "ui/stage_page.hpp"

#include <QFileDialog>
#include <QMessageBox>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>

#include "session/texts.hpp"
#include "ui/figures_view.hpp"

namespace yoke {

Dialogs real_dialogs() {
  Dialogs d;
  d.open_file = [](QWidget* w, const QString& title) {
    return QFileDialog::getOpenFileName(w, title, {}, QObject::tr("Jobs (*.yoke);;All files (*)"));
  };
  d.save_file = [](QWidget* w, const QString& title, const QString& suggestion,
                   const QString& filter) {
    return QFileDialog::getSaveFileName(w, title, suggestion, filter);
  };
  d.pick_folder = [](QWidget* w, const QString& title) {
    return QFileDialog::getExistingDirectory(w, title);
  };
  d.keep_work = [](QWidget* w, const QString& question) {
    QMessageBox box(QMessageBox::NoIcon, QObject::tr("Yoke Step"), question, QMessageBox::NoButton,
                    w);
    QAbstractButton* save = box.addButton(QObject::tr("Save"), QMessageBox::AcceptRole);
    QAbstractButton* drop = box.addButton(QObject::tr("Discard"), QMessageBox::DestructiveRole);
    box.addButton(QObject::tr("Cancel"), QMessageBox::RejectRole);
    box.exec();
    return box.clickedButton() == save ? 0 : box.clickedButton() == drop ? 1 : 2;
  };
  d.tell = [](QWidget* w, const QString& message) {
    QMessageBox(QMessageBox::NoIcon, QObject::tr("Yoke Step"), message, QMessageBox::Ok, w).exec();
  };
  return d;
}

QLabel* label(const QString& text, const char* role, QWidget* parent) {
  auto* l = new QLabel(text, parent);
  l->setObjectName(QString::fromLatin1(role));
  l->setWordWrap(true);
  return l;
}

void replace_inner(QScrollArea* area, QWidget* inner) {
  QString focused;  // asked before the old widget leaves: leaving takes the focus away
  if (const QWidget* now = area->widget();
      now && now->focusWidget() && now->focusWidget()->hasFocus())
    focused = now->focusWidget()->accessibleName();
  QWidget* old = area->takeWidget();
  const int scrolled = area->verticalScrollBar()->value();
  area->setWidget(inner);
  if (old) old->deleteLater();
  inner->show();
  area->verticalScrollBar()->setValue(scrolled);
  if (focused.isEmpty()) return;
  for (QWidget* w : inner->findChildren<QWidget*>())
    if (w->accessibleName() == focused) {
      w->setFocus(Qt::OtherFocusReason);
      return;
    }
}

StagePage::StagePage(Session& session, Stage stage, const QString& question, QWidget* parent)
    : QWidget(parent), session_(session), stage_(stage) {
  setObjectName(QStringLiteral("page"));
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(16, 8, 16, 8);
  outer->setSpacing(6);
  heading_ = new QHBoxLayout;
  heading_->setSpacing(14);
  auto* title = new QLabel(text_of(stage_words(stage)), this);
  title->setObjectName(QStringLiteral("title"));
  heading_->addWidget(title);
  auto* q = new QLabel(question, this);
  q->setObjectName(QStringLiteral("question"));
  heading_->addWidget(q, 1);
  outer->addLayout(heading_);
  sides_ = new QStackedWidget(this);
  auto* work = new QWidget(this);
  body_ = new QVBoxLayout(work);
  body_->setContentsMargins(0, 0, 0, 0);
  body_->setSpacing(8);
  sides_->addWidget(work);
  outer->addWidget(sides_, 1);
  if (has_figures(stage)) {
    figures_button_ = new QPushButton(tr("Figures"), this);
    figures_button_->setCheckable(true);
    figures_button_->setToolTip(
        tr("All figures of this stage and its bench calculations (Ctrl+G)"));
    heading_->addWidget(figures_button_);
    connect(figures_button_, &QPushButton::toggled, this, &StagePage::show_figures);
  }
  const auto again = [this] {
    if (!isVisible()) return;
    refresh();
    if (figures_ && sides_->currentWidget() == figures_) figures_->refresh();
  };
  connect(&session_, &Session::changed, this, again);
  connect(&session_, &Session::style_changed, this, again);
}

void StagePage::show_figures(bool on) {
  if (!figures_button_) return;
  figures_button_->setChecked(on);
  if (on && !figures_) {
    figures_ = new FiguresView(session_, stage_, this);
    sides_->addWidget(figures_);
  }
  if (on) figures_->refresh();
  sides_->setCurrentIndex(on ? 1 : 0);
  if (on) figures_->setFocus();
}

void StagePage::showEvent(QShowEvent* e) {
  QWidget::showEvent(e);
  refresh();
  if (figures_ && sides_->currentWidget() == figures_) figures_->refresh();
}

}  // namespace yoke
