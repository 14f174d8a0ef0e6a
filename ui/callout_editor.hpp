// A small card over the drawing in which one dimension is typed, with how it was measured.
#pragma once

#include <QFrame>
#include <QVBoxLayout>

#include "ui/fields.hpp"

namespace yoke {

class CalloutEditor : public QFrame {
  Q_OBJECT

 public:
  explicit CalloutEditor(Session& session, QWidget* over);
  /// Opens on a dimension beside a place of the drawing, with the focus in its entry.
  void open(As which, Param param, QPointF at);
  [[nodiscard]] ParamField* field() const { return field_; }
  /// Closes and gives the focus back to the drawing.
  void shut();

 protected:
  bool eventFilter(QObject* watched, QEvent* e) override;
  void keyPressEvent(QKeyEvent* e) override;

 private:
  void focus_moved(QWidget* now);
  Session& session_;
  QVBoxLayout* box_;
  ParamField* field_ = nullptr;
  QLabel* help_;
};

}  // namespace yoke
