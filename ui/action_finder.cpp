#include "ui/action_finder.hpp"

#include <QKeyEvent>
#include <QTimer>
#include <QVBoxLayout>

namespace yoke {

ActionFinder::ActionFinder(const QList<QAction*>& actions, QWidget* parent)
    : QDialog(parent), actions_(actions) {
  setWindowTitle(tr("Find an action"));
  resize(460, 420);
  auto* box = new QVBoxLayout(this);
  search_ = new QLineEdit(this);
  search_->setPlaceholderText(tr("type a word"));
  search_->setAccessibleName(tr("Search actions"));
  search_->installEventFilter(this);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("Actions and their keys"));
  box->addWidget(search_);
  box->addWidget(list_, 1);
  connect(search_, &QLineEdit::textChanged, this, &ActionFinder::filter);
  connect(search_, &QLineEdit::returnPressed, this, &ActionFinder::run);
  connect(list_, &QListWidget::itemActivated, this, [this] { run(); });
  filter({});
}

void ActionFinder::filter(const QString& words) {
  list_->clear();
  for (int i = 0; i < actions_.size(); ++i) {
    const QString name = actions_[i]->text().remove(QLatin1Char('&'));
    if (!name.contains(words, Qt::CaseInsensitive)) continue;
    const QString keys = actions_[i]->shortcut().toString(QKeySequence::NativeText);
    auto* item = new QListWidgetItem(
        keys.isEmpty() ? name : QStringLiteral("%1\t%2").arg(name, keys), list_);
    item->setData(Qt::UserRole, i);
  }
  list_->setCurrentRow(0);
}

void ActionFinder::run() {
  const auto* item = list_->currentItem();
  if (!item) return;
  QAction* a = actions_[item->data(Qt::UserRole).toInt()];
  accept();
  QTimer::singleShot(0, a, &QAction::trigger);
}

bool ActionFinder::eventFilter(QObject* watched, QEvent* e) {
  if (watched == search_ && e->type() == QEvent::KeyPress) {
    const int key = static_cast<QKeyEvent*>(e)->key();
    const int step = key == Qt::Key_Down ? 1 : key == Qt::Key_Up ? -1 : 0;
    if (step != 0) {
      list_->setCurrentRow(qBound(0, list_->currentRow() + step, list_->count() - 1));
      return true;
    }
  }
  return QDialog::eventFilter(watched, e);
}

}  // namespace yoke
