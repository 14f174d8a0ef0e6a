#include "ui/wet_entry.hpp"

#include <QGridLayout>
#include <QPushButton>
#include <QScrollArea>
#include <QVBoxLayout>

#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

WetEntry::WetEntry(Session& session, Stage stage, QWidget* parent)
    : QDialog(parent), session_(session), boxes_(wet_boxes(session, stage)) {
  setWindowTitle(tr("Typed back from the sheet"));
  setObjectName(QStringLiteral("page"));
  resize(760, 620);
  auto* outer = new QVBoxLayout(this);
  outer->addWidget(label(tr("%1: in the order of the paper; Enter goes on, an empty one is left as "
                            "it is; a tick is an x.")
                             .arg(words_of(stage_words(stage))),
                         "question", this));
  auto* area = new QScrollArea(this);
  area->setWidgetResizable(true);
  auto* inner = new QWidget;
  auto* grid = new QGridLayout(inner);
  for (std::size_t i = 0; i < boxes_.size(); ++i) {
    const int row = static_cast<int>(i);
    grid->addWidget(plain_label(QString::number(row + 1), "answer", inner), row, 0);
    grid->addWidget(label(boxes_[i].words, "plain", inner), row, 1);
    auto* e = new QLineEdit(inner);
    e->setAccessibleName(boxes_[i].words);
    e->setPlaceholderText(boxes_[i].tick ? tr("x") : boxes_[i].hint);
    e->setMaxLength(60);
    e->setMinimumHeight(40);
    connect(e, &QLineEdit::returnPressed, this, [this, i] { take(i); });
    grid->addWidget(e, row, 2);
    entries_.push_back(e);
  }
  grid->setColumnStretch(1, 3);
  grid->setColumnStretch(2, 2);
  grid->setRowStretch(static_cast<int>(boxes_.size()), 1);
  area->setWidget(inner);
  outer->addWidget(area, 1);
  refusal_ = label({}, "alarm", this);
  refusal_->hide();
  outer->addWidget(refusal_);
  auto* done = new QPushButton(tr("Done"), this);
  done->setAutoDefault(false);
  done->setMinimumHeight(42);
  connect(done, &QPushButton::clicked, this, &QDialog::accept);
  outer->addWidget(done);
  if (!entries_.empty()) entries_.front()->setFocus();
}

void WetEntry::take(std::size_t at) {
  const auto ok = take_wet(session_, boxes_[at], entries_[at]->text());
  refusal_->setVisible(!ok);
  if (!ok) {
    refusal_->setText(error_text(ok.error(), session_.style()));
    return entries_[at]->selectAll();
  }
  if (!entries_[at]->text().trimmed().isEmpty()) entries_[at]->setEnabled(false);
  for (std::size_t i = at + 1; i < entries_.size(); ++i)
    if (entries_[i]->isEnabled()) {
      entries_[i]->setFocus();
      return;
    }
}

}  // namespace yoke
