#include "ui/table_fill.hpp"

namespace yoke {

TableFill::TableFill(QTableWidget* table, int rows)
    : table_(table), changed_(table->rowCount() != rows) {
  table_->setRowCount(rows);
  table_->model()->blockSignals(true);
}

TableFill::~TableFill() {
  table_->model()->blockSignals(false);
  if (!changed_) return;
  auto* model = table_->model();
  // The headers measure their columns on this alone, not on a new layout of the items.
  if (model->rowCount() > 0)
    emit model->dataChanged(model->index(0, 0),
                            model->index(model->rowCount() - 1, model->columnCount() - 1));
  table_->doItemsLayout();
}

QTableWidgetItem* TableFill::item(int row, int column, Qt::ItemFlags flags) {
  QTableWidgetItem* there = table_->item(row, column);
  if (!there) {
    there = new QTableWidgetItem;
    table_->setItem(row, column, there);
    changed_ = true;
  }
  if (there->flags() != flags) {
    there->setFlags(flags);
    changed_ = true;
  }
  return there;
}

QTableWidgetItem* TableFill::text(int row, int column, const QString& words, Qt::ItemFlags flags) {
  QTableWidgetItem* there = item(row, column, flags);
  if (there->text() != words) {
    there->setText(words);
    changed_ = true;
  }
  return there;
}

void TableFill::tick(int row, int column, bool on) {
  QTableWidgetItem* there =
      item(row, column, Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
  const Qt::CheckState state = on ? Qt::Checked : Qt::Unchecked;
  if (there->data(Qt::CheckStateRole).isValid() && there->checkState() == state) return;
  there->setCheckState(state);
  changed_ = true;
}

}  // namespace yoke
