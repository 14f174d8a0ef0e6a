#include "ui/finder.hpp"

#include <QKeyEvent>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>

namespace yoke {

Finder::Finder(const QString& title, std::vector<FinderEntry> entries, QWidget* parent)
    : QDialog(parent), entries_(std::move(entries)) {
  setWindowTitle(title);
  resize(620, 460);
  auto* box = new QVBoxLayout(this);
  search_ = new QLineEdit(this);
  search_->setPlaceholderText(tr("type a word"));
  search_->setAccessibleName(tr("Search"));
  search_->installEventFilter(this);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("What was found"));
  box->addWidget(search_);
  box->addWidget(list_, 1);
  connect(search_, &QLineEdit::textChanged, this, &Finder::filter);
  connect(search_, &QLineEdit::returnPressed, this, &Finder::run);
  connect(list_, &QListWidget::itemActivated, this, [this] { run(); });
  filter({});
}

/// Every word that is typed must be in it, in any order.
void Finder::filter(const QString& words) {
  list_->clear();
  const QStringList wanted = words.split(QLatin1Char(' '), Qt::SkipEmptyParts);
  for (std::size_t i = 0; i < entries_.size(); ++i) {
    const QString& text = entries_[i].text;
    if (!std::all_of(wanted.begin(), wanted.end(),
                     [&text](const QString& w) { return text.contains(w, Qt::CaseInsensitive); }))
      continue;
    const QString& aside = entries_[i].aside;
    auto* item = new QListWidgetItem(
        aside.isEmpty() ? text : QStringLiteral("%1\t%2").arg(text, aside), list_);
    item->setData(Qt::UserRole, static_cast<int>(i));
  }
  list_->setCurrentRow(0);
}

void Finder::run() {
  const auto* item = list_->currentItem();
  if (!item) return;
  const auto does = entries_[static_cast<std::size_t>(item->data(Qt::UserRole).toInt())].does;
  accept();
  // After the dialog is gone: the focus goes where the choice puts it.
  QTimer::singleShot(0, parentWidget(), does);
}

bool Finder::eventFilter(QObject* watched, QEvent* e) {
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
