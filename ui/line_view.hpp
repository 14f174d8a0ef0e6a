// The line of force on screen: touch a dimension, drag the pad. And its folded form.
#pragma once

#include "job/params.hpp"
#include "paint/line_of_force.hpp"
#include "session/session.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

[[nodiscard]] LineInput line_input(const Session& session);

class LineView : public PictureView {
  Q_OBJECT

 public:
  LineView(Session& session, bool folded, QWidget* parent = nullptr);

 signals:
  void dimension_touched(Which which, Param param);

 private:
  void drag(const QString& id, QPointF from, QPointF to);
  Session& session_;
  double pressed_before_m_ = 0;
};

}  // namespace yoke
