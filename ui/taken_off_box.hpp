// Clips, pins, washers, boots and clamps: counted out with their order and a photo, counted in
// again.
#pragma once

#include <QFrame>
#include <QLabel>
#include <QTableWidget>

#include "session/session.hpp"
#include "ui/dialogs.hpp"

namespace yoke {

class TakenOffBox : public QFrame {
  Q_OBJECT
 public:
  TakenOffBox(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh();
  [[nodiscard]] QTableWidget* table() const { return table_; }
  [[nodiscard]] QString refusal() const { return refusal_->text(); }
  void add();
  void remove();
  /// Copies a picture beside the job and keeps its name.
  void add_photo();

 private:
  void typed(int row, int column);
  void show_photo();
  void refuse(const QString& why);
  Session& session_;
  Dialogs& dialogs_;
  QTableWidget* table_;
  QLabel* left_;
  QLabel* photo_;
  QLabel* refusal_;
  bool writing_ = false;
};

}  // namespace yoke
