// One step of the procedure: tick, words, caution, note, and where the step asks for it the
// as-built measurement.
#pragma once

#include <QCheckBox>
#include <QFrame>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>

#include "session/session.hpp"
#include "session/stage_views.hpp"
#include "ui/photo_button.hpp"

namespace yoke {

class StepCard : public QFrame {
  Q_OBJECT

 public:
  StepCard(Session& session, Dialogs& dialogs, const Step& step, QWidget* parent);
  /// Shows what the job says of the step.
  void show(const StepRow& now);
  [[nodiscard]] PhotoButton* photo() const { return photo_; }
  [[nodiscard]] const std::string& key() const { return step_.key; }
  /// Its reasons stand beside the list.
  void set_chosen(bool on);

 signals:
  /// Pressed anywhere, or the keys came to it.
  void touched();

 protected:
  void mousePressEvent(QMouseEvent* e) override;
  bool eventFilter(QObject* watched, QEvent* e) override;

 private:
  void build_note();
  void build_photo(Dialogs& dialogs);
  void build_measure(Param param);
  void show_measure();
  void commit_measure();
  Session& session_;
  Step step_;
  QString words_;
  QGridLayout* grid_;
  QCheckBox* box_;
  QLineEdit* note_ = nullptr;
  PhotoButton* photo_ = nullptr;
  std::optional<Param> measure_;
  QLineEdit* entry_ = nullptr;
  QLabel* refusal_ = nullptr;
  QLabel* held_ = nullptr;    ///< what was built is as planned
  QLabel* missed_ = nullptr;  ///< or is not
  [[nodiscard]] QString state_words(const StepRow& now) const;
  void show_words();
  QLabel* text_;
  QLabel* caution_;
  Style style_;                 ///< in which the words were written
  QLabel* state_ = nullptr;     ///< hands, tools, what it waits for
  QLabel* too_soon_ = nullptr;  ///< ticked before what it needs: what that costs
};

}  // namespace yoke
