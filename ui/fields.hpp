// Entry of one parameter: the quantity field (one class for every quantity) and the choice field.
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QWidget>

#include "session/session.hpp"

namespace yoke {

/// A combo box the mouse wheel cannot change in passing.
class Combo : public QComboBox {
  Q_OBJECT
 public:
  using QComboBox::QComboBox;

 protected:
  void wheelEvent(QWheelEvent* e) override;
};

/// What both fields share: which parameter of which system, a label, a line for refusals.
class ParamField : public QWidget {
  Q_OBJECT

 public:
  ParamField(Session& session, As which, Param param, QWidget* parent);
  [[nodiscard]] Param param() const { return param_; }
  [[nodiscard]] As which() const { return which_; }
  [[nodiscard]] QString refusal() const { return refusal_->text(); }
  /// Half a line, without how it was measured; `says_whose`: found and plan stand in one panel.
  virtual void set_compact(bool says_whose);
  virtual void focus_entry() = 0;
  virtual void refresh() = 0;

 signals:
  void entered(Param param);  ///< the entry got the focus

 protected:
  void showEvent(QShowEvent* e) override;
  void refuse(const QString& why);
  Session& session_;
  As which_;
  Param param_;
  QLabel* label_;
  QLabel* refusal_;
};

/// Reads any quantity as people write it, shows the other unit beside it, keeps how it was
/// measured, says plainly what is wrong, and gives the old value back on Escape.
class QuantityField : public ParamField {
  Q_OBJECT

 public:
  QuantityField(Session& session, As which, Param param, QWidget* parent = nullptr);
  [[nodiscard]] QLineEdit* entry() const { return entry_; }
  [[nodiscard]] QComboBox* how() const { return how_; }
  void set_compact(bool says_whose) override;
  void focus_entry() override;
  void refresh() override;

 protected:
  bool eventFilter(QObject* watched, QEvent* e) override;

 private:
  void commit();
  void restore();
  void commit_how(int index);
  QLineEdit* entry_;
  QLabel* other_;
  Combo* how_;
  bool writing_ = false;
};

class ChoiceField : public ParamField {
  Q_OBJECT

 public:
  ChoiceField(Session& session, As which, Param param, QWidget* parent = nullptr);
  [[nodiscard]] QComboBox* entry() const { return entry_; }
  void focus_entry() override;
  void refresh() override;

 protected:
  bool eventFilter(QObject* watched, QEvent* e) override;

 private:
  void commit(int index);
  void commit_text();
  Combo* entry_;
  bool writing_ = false;
};

[[nodiscard]] ParamField* make_field(Session& session, As which, Param param, QWidget* parent);

}  // namespace yoke
