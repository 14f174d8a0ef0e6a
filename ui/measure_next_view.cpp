#include "ui/measure_next_view.hpp"

#include <QHeaderView>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

MeasureNextView::MeasureNextView(Session& session, QWidget* parent)
    : Face(parent), session_(session) {
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(6);
  sentence_ = label({}, "answer", this);
  box->addWidget(sentence_);
  table_ = new QTableWidget(0, 4, this);
  table_->setHorizontalHeaderLabels(
      {tr("Measure"), tr("Of"), tr("Known now by"), tr("What it buys")});
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setStretchLastSection(true);
  table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  table_->verticalHeader()->setDefaultSectionSize(34);
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  table_->setAccessibleName(tr("What to measure next"));
  table_->setTabKeyNavigation(false);
  box->addWidget(table_, 1);
  auto* enter = new QPushButton(tr("Enter the chosen one"), this);
  enter->setObjectName(QStringLiteral("main"));
  box->addWidget(enter, 0, Qt::AlignLeft);
  connect(enter, &QPushButton::clicked, this, [this] { go(std::max(0, table_->currentRow())); });
  connect(table_, &QTableWidget::cellActivated, this, [this](int row, int) { go(row); });
}

void MeasureNextView::go(int row) {
  if (row < 0 || static_cast<std::size_t>(row) >= list_.size()) return;
  const NextMeasure n = list_[static_cast<std::size_t>(row)];
  emit wanted(n.which, n.param);
}

void MeasureNextView::refresh() {
  const As which = as_of(session_.shown());
  list_ = measure_next(session_.job(), which);
  const auto blocking =
      std::count_if(list_.begin(), list_.end(), [](const NextMeasure& n) { return n.blocks; });
  sentence_->setText(
      list_.empty() ? tr("Nothing is worth measuring better for what is asked.")
      : blocking > 0
          ? tr("Missing for a whole answer: %1. Below them, what narrows it most.").arg(blocking)
          : tr("All that is needed is known. These would narrow the answer most."));
  table_->setRowCount(static_cast<int>(list_.size()));
  for (std::size_t i = 0; i < list_.size(); ++i) {
    const NextMeasure& n = list_[i];
    const int row = static_cast<int>(i);
    const QString cells[] = {
        words_of(info(n.param).words), n.which == As::found ? tr("as found") : tr("plan"),
        text_of(origin_words(session_.job(), n.which, n.param), session_.style()),
        text_of(n.buys, session_.style())};
    for (int c = 0; c < 4; ++c) {
      auto* item = new QTableWidgetItem(cells[c]);
      item->setToolTip(plain_tip(words_of(info(n.param).help)));
      if (n.blocks && c == 0) {
        QFont bold = table_->font();
        bold.setBold(true);
        item->setFont(bold);
      }
      table_->setItem(row, c, item);
    }
  }
}

}  // namespace yoke
