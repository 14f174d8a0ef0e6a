// Record, the logbook: the job's time drawn by stage, its lines below, and what is written down by
// hand; and what would have saved some of it.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableWidget>

#include "session/log_edits.hpp"
#include "ui/face.hpp"
#include "ui/fields.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class LogFace : public Face {
  Q_OBJECT

 public:
  LogFace(Session& session, QWidget* parent);
  void refresh() override;
  /// Ready to write down what was moved by hand.
  void ask_moved();
  [[nodiscard]] PictureView* time_line() const { return line_; }
  [[nodiscard]] QTableWidget* lines() const { return lines_; }
  [[nodiscard]] Combo* kind() const { return kind_; }
  [[nodiscard]] Combo* stage() const { return stage_; }
  [[nodiscard]] QLineEdit* amount() const { return amount_; }
  [[nodiscard]] QLineEdit* note() const { return note_; }
  [[nodiscard]] QPushButton* write() const { return write_; }
  [[nodiscard]] QLabel* savings() const { return savings_; }
  [[nodiscard]] QLabel* refusal() const { return refusal_; }

 private:
  QWidget* build_entry();
  void write_line();
  void fill_lines();
  void fill_steps();
  void ask_amount();
  Session& session_;
  std::optional<Stage> shown_;
  PictureView* line_;
  QTableWidget* lines_;
  Combo *kind_, *stage_, *step_;
  QLineEdit *amount_, *note_, *who_;
  QPushButton* write_;
  QLabel *savings_, *refusal_;
};

}  // namespace yoke
