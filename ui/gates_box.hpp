// The gates of a job: a list, and under the one that is worked on the place for its evidence: the
// number read against what this job predicts, or what was seen; by whom.
#pragma once

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <vector>

#include "session/session.hpp"
#include "session/stage_views.hpp"
#include "ui/nipple_row.hpp"
#include "ui/photo_button.hpp"

namespace yoke {

class GatesBox : public QScrollArea {
  Q_OBJECT

 public:
  GatesBox(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh();
  /// Opens the place for the evidence of a gate.
  void work_on(GateId id);
  [[nodiscard]] QLineEdit* read() const { return read_; }
  [[nodiscard]] QComboBox* seen() const { return seen_; }
  [[nodiscard]] QLineEdit* who() const { return who_; }
  [[nodiscard]] NippleRow* opened() const { return opened_; }
  [[nodiscard]] PhotoButton* photo() const { return photo_; }
  [[nodiscard]] QLabel* refusal() const { return refusal_; }

 private:
  void add_row(QGridLayout* list, int row, const GateRow& gate);
  QWidget* evidence_card(const GateRow& gate, QWidget* parent);
  void answer(const GateRow& gate, GateState state);
  void tell(const QString& why);
  Session& session_;
  Dialogs& dialogs_;
  std::optional<GateId> open_;
  QStringList shown_;
  std::vector<QLabel*> remarks_;  ///< one a row
  QWidget* card_ = nullptr;
  QLineEdit* read_ = nullptr;
  QComboBox* instrument_ = nullptr;
  QComboBox* seen_ = nullptr;
  QLineEdit* who_ = nullptr;
  NippleRow* opened_ = nullptr;
  PhotoButton* photo_ = nullptr;
  QLabel* refusal_ = nullptr;
};

/// What a gate's number is read with.
[[nodiscard]] QStringList instruments(Kind kind);

}  // namespace yoke
