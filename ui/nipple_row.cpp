#include "ui/nipple_row.hpp"

#include <QHBoxLayout>

#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "work/bleeding.hpp"

namespace yoke {

NippleRow::NippleRow(QWidget* parent) : QWidget(parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(6);
  auto* head = plain_label(tr("Opened at"), "question", this);
  head->setToolTip(plain_tip(tr("What was opened is bled and wiped once more")));
  row->addWidget(head);
}

void NippleRow::show_job(const Job& job) {
  std::vector<std::string> names;
  std::vector<QString> words;
  for (const BleedWheel& w : bleed_plan(job).wheels) {
    names.emplace_back(wheel_key(w.wheel));
    words.push_back(words_of(wheel_words(w.wheel)));
  }
  if (names == names_) return;
  for (QPushButton* b : buttons_) b->deleteLater();
  buttons_.clear();
  names_ = names;
  for (const QString& word : words) {
    auto* b = new QPushButton(word, this);
    b->setCheckable(true);
    b->setObjectName(QStringLiteral("small"));
    b->setMinimumHeight(36);
    b->setAccessibleName(tr("Opened: %1").arg(word));
    layout()->addWidget(b);
    buttons_.push_back(b);
  }
}

std::string NippleRow::keys() const {
  std::string all;
  for (std::size_t i = 0; i < buttons_.size(); ++i)
    if (buttons_[i]->isChecked()) all += (all.empty() ? "" : " ") + names_[i];
  return all;
}

void NippleRow::clear() {
  for (QPushButton* b : buttons_) b->setChecked(false);
}

}  // namespace yoke
