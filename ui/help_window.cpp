#include "ui/help_window.hpp"

#include <QFile>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>

static void load_resources() {
  Q_INIT_RESOURCE(yoke_help);
}

namespace yoke {

QStringList help_topics() {
  return {QStringLiteral("begin"),   QStringLiteral("survey"), QStringLiteral("size"),
          QStringLiteral("fit"),     QStringLiteral("rod"),    QStringLiteral("plumb"),
          QStringLiteral("install"), QStringLiteral("bleed"),  QStringLiteral("prove"),
          QStringLiteral("record"),  QStringLiteral("bench"),  QStringLiteral("words")};
}

QString help_text(const QString& topic) {
  load_resources();
  QFile file(QStringLiteral(":/help/%1.md").arg(topic));
  // A page is one text of the language.
  return file.open(QIODevice::ReadOnly) ? HelpWindow::tr(file.readAll().constData()) : QString();
}

HelpWindow::HelpWindow(QWidget* parent) : QDialog(parent) {
  setWindowTitle(tr("Help"));
  resize(860, 620);
  auto* row = new QHBoxLayout(this);
  auto* left = new QVBoxLayout;
  search_ = new QLineEdit(this);
  search_->setPlaceholderText(tr("search the pages"));
  search_->setAccessibleName(tr("Search the help"));
  topics_ = new QListWidget(this);
  topics_->setAccessibleName(tr("Pages"));
  left->addWidget(search_);
  left->addWidget(topics_, 1);
  row->addLayout(left, 1);
  page_ = new QTextBrowser(this);
  page_->setOpenLinks(false);
  page_->setAccessibleName(tr("Page"));
  row->addWidget(page_, 3);
  connect(search_, &QLineEdit::textChanged, this, &HelpWindow::filter);
  connect(topics_, &QListWidget::currentItemChanged, this, [this](const QListWidgetItem* item) {
    if (item) show_topic(item->data(Qt::UserRole).toString());
  });
  filter({});
}

/// Pages that have every word that is typed.
void HelpWindow::filter(const QString& words) {
  const QSignalBlocker quiet(topics_);
  topics_->clear();
  const QStringList wanted = words.split(QLatin1Char(' '), Qt::SkipEmptyParts);
  for (const QString& topic : help_topics()) {
    const QString text = help_text(topic);
    if (!std::all_of(wanted.begin(), wanted.end(),
                     [&text](const QString& w) { return text.contains(w, Qt::CaseInsensitive); }))
      continue;
    const QString title = text.section(QLatin1Char('\n'), 0, 0).remove(QStringLiteral("# "));
    auto* item = new QListWidgetItem(title, topics_);
    item->setData(Qt::UserRole, topic);
    if (topic == topic_) topics_->setCurrentItem(item);
  }
}

void HelpWindow::show_topic(const QString& topic) {
  topic_ = topic;
  page_->setMarkdown(help_text(topic));
  const QSignalBlocker quiet(topics_);
  for (int i = 0; i < topics_->count(); ++i)
    if (topics_->item(i)->data(Qt::UserRole).toString() == topic) topics_->setCurrentRow(i);
}

}  // namespace yoke
