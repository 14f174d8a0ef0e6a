// A stop out of a phone's table: which column is the time, which lies along the car, in what units,
// and which way braking points. Nothing is guessed: nothing is read before all of it is said.
#pragma once

#include <QLabel>
#include <QPushButton>

#include "files/phone_table.hpp"
#include "road/stops.hpp"
#include "session/session.hpp"
#include "ui/dialogs.hpp"
#include "ui/fields.hpp"

namespace yoke {

class PhoneBox : public QWidget {
  Q_OBJECT

 public:
  PhoneBox(Session& session, Dialogs& dialogs, QWidget* parent);
  /// Asks for a file, and shows its columns.
  void choose();
  void load(const QString& path);
  [[nodiscard]] Combo* time() const { return time_; }
  [[nodiscard]] Combo* time_unit() const { return time_unit_; }
  [[nodiscard]] Combo* along() const { return along_; }
  [[nodiscard]] Combo* unit() const { return unit_; }
  [[nodiscard]] QLabel* says() const { return says_; }

 signals:
  /// Read with what was said; `seconds` lie between its samples.
  void read(const PhoneStop& stop);
  void opened(bool open);

 private:
  void work_out();
  Session& session_;
  Dialogs& dialogs_;
  PhoneTable table_;
  QPushButton* open_;
  QWidget* asked_;
  Combo *time_, *time_unit_, *along_, *unit_;
  QLabel* says_;
};

}  // namespace yoke
