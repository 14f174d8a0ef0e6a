// Fills a table anew: what is as it was is left alone, and the view hears of the rest once. Cell by
// cell it would measure its columns again for each of them.
#pragma once

#include <QString>
#include <QTableWidget>

namespace yoke {

class TableFill {
 public:
  TableFill(QTableWidget* table, int rows);
  ~TableFill();
  TableFill(const TableFill&) = delete;
  TableFill& operator=(const TableFill&) = delete;
  /// A text; the item may be given a font or a tip.
  QTableWidgetItem* text(int row, int column, const QString& words,
                         Qt::ItemFlags flags = Qt::ItemIsEnabled | Qt::ItemIsSelectable);
  /// A box to tick.
  void tick(int row, int column, bool on);

 private:
  QTableWidgetItem* item(int row, int column, Qt::ItemFlags flags);
  QTableWidget* table_;
  bool changed_;
};

}  // namespace yoke
