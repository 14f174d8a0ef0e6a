// Plumb: which outlet feeds which wheel, touched in the picture; of a clutch its one line.
#pragma once

#include <QLabel>

#include "session/session.hpp"
#include "ui/face.hpp"
#include "ui/param_panel.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class OutletsFace : public Face {
  Q_OBJECT
 public:
  OutletsFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] PictureView* drawing() const { return drawing_; }

 private:
  Session& session_;
  PictureView* drawing_;
  ParamPanel* panel_;
  ParamPanel* line_;
  QLabel* caution_;
};

}  // namespace yoke
