// Readings of a pressed pedal, entered by hand: force and travel, how each was taken, with its
// doubt.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QTableWidget>
#include <QWidget>

#include "session/session.hpp"

namespace yoke {

class ReadingsBox : public QWidget {
  Q_OBJECT

 public:
  /// `list`: which readings of the job.
  ReadingsBox(Session& session, std::vector<Reading> Job::*list, const QString& title,
              QWidget* parent);
  [[nodiscard]] QLineEdit* force() const { return force_; }
  [[nodiscard]] QLineEdit* travel() const { return travel_; }
  [[nodiscard]] QLineEdit* gauge() const { return gauge_; }
  void refresh();
  /// Shows why something typed here or beside was refused; empty hides it.
  void refuse(const QString& why);

 private:
  void add_reading();
  Session& session_;
  std::vector<Reading> Job::*list_;
  QTableWidget* table_;
  QLineEdit* force_;
  QLineEdit* travel_;
  QLineEdit* gauge_;
  QCheckBox* assist_;
  QCheckBox* second_;
  QComboBox* clamped_;
  QLabel* refusal_;
  std::vector<Reading> shown_;
  Style shown_in_;
};

/// An entry for figures: their face, a hint, a name for screen readers.
[[nodiscard]] QLineEdit* figure_entry(const QString& name, const QString& hint, QWidget* parent);

}  // namespace yoke
