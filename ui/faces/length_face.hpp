// How long the new rod must be, from the depths of both units.
#pragma once

#include <QLabel>

#include "ui/face.hpp"
#include "ui/param_panel.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class LengthFace : public Face {
  Q_OBJECT

 public:
  LengthFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] ParamPanel* panel() const { return panel_; }

 private:
  Session& session_;
  QLabel* details_;
  ParamPanel* panel_;
  PictureView* drawing_;
};

}  // namespace yoke
