// Tables for the bench in a window of their own: searched by word or size, printed.
#pragma once

#include <QComboBox>
#include <QDialog>
#include <QLineEdit>
#include <QTableWidget>

namespace yoke {

class TablesWindow : public QDialog {
  Q_OBJECT

 public:
  explicit TablesWindow(QWidget* parent);
  [[nodiscard]] QComboBox* which() const { return which_; }
  [[nodiscard]] QLineEdit* search() const { return search_; }
  [[nodiscard]] QTableWidget* table() const { return table_; }
  /// The rows that are shown, as a page.
  [[nodiscard]] QString page_html() const;

 private:
  void show_rows();
  void print();
  QComboBox* which_;
  QLineEdit* search_;
  QTableWidget* table_;
  class QLabel* source_;
};

}  // namespace yoke
