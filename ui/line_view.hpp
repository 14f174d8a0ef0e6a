// The line of force on screen: touch a dimension, drag the pad. And its folded form.
#pragma once

#include "document/params.hpp"
#include "session/line_state.hpp"
#include "session/session.hpp"
#include "ui/callout_editor.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class LineView : public PictureView {
  Q_OBJECT

 public:
  LineView(Session& session, bool folded, QWidget* parent = nullptr);
  /// Dimensions are typed on the drawing; without this a touch is only told.
  void set_editable();
  /// All dimensions of this group are scribed.
  void focus_group(std::optional<Group> group);
  /// Opens the entry of a dimension, when it is scribed.
  bool edit(As which, Param param);
  [[nodiscard]] CalloutEditor* editor() const { return editor_; }

 signals:
  void dimension_touched(As which, Param param);

 protected:
  void keyPressEvent(QKeyEvent* e) override;

 private:
  void drag(const QString& id, QPointF from, QPointF to);
  void step(int by);
  Session& session_;
  CalloutEditor* editor_ = nullptr;
  std::optional<Group> group_;
  std::optional<Param> selected_;
  double pressed_before_m_ = 0;
};

}  // namespace yoke
