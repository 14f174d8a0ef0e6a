// What the work waits for and what must not be forgotten: parts in hand, later conversions with
// their day, valves to fit or remove, and what a larger bore conceals.
#pragma once

#include <QComboBox>
#include <QDate>
#include <QLineEdit>
#include <QPushButton>
#include <QTableWidget>

#include "ui/face.hpp"
#include "ui/figures_view.hpp"

namespace yoke {

class TableFill;
struct PartsGate;

class LaterFace : public Face {
  Q_OBJECT

 public:
  LaterFace(Session& session, QWidget* parent);
  void refresh() override;
  /// The day the face counts from; today unless set.
  void set_today(const QDate& day) { today_ = day; }
  [[nodiscard]] QTableWidget* parts() const { return parts_; }
  [[nodiscard]] QLineEdit* part_name() const { return name_; }
  [[nodiscard]] QLineEdit* part_day() const { return day_; }
  [[nodiscard]] QLabel* sentence() const { return sentence_; }
  [[nodiscard]] QComboBox* what() const { return what_; }
  [[nodiscard]] QLineEdit* when() const { return when_; }
  [[nodiscard]] QTableWidget* reminders() const { return later_; }
  void add_part();
  void add_later();

 private:
  QLayout* build_parts();
  QLayout* build_later();
  void refresh_parts();
  void fill_part(TableFill& fill, int row, const PartsGate& gate, std::size_t part);
  void refresh_later();
  void tick(int row, int column);
  /// An ISO day of what was typed, empty for nothing; nothing when it is no day.
  [[nodiscard]] std::optional<std::string> day_of(const QString& typed) const;
  [[nodiscard]] std::string today() const;
  Session& session_;
  QDate today_;
  QLabel* sentence_;
  QTableWidget* parts_;
  QLineEdit* name_;
  QLineEdit* day_;
  QLabel* refusal_;
  QTableWidget* later_;
  QComboBox* what_;
  QLineEdit* when_;
  QLabel* later_refusal_;
  FiguresView* figures_;
  std::vector<std::size_t> order_;  ///< parts as shown
  bool writing_ = false;
};

}  // namespace yoke
