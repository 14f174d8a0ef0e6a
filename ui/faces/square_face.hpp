// Does the rod push along the bore: geometry of the plan, drawn, with its angle over the stroke.
#pragma once

#include <QLabel>

#include "ui/face.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class Session;

class SquareFace : public Face {
  Q_OBJECT

 public:
  SquareFace(Session& session, QWidget* parent);
  void refresh() override;

 private:
  Session& session_;
  PictureView* drawing_;
  PictureView* plot_;
};

}  // namespace yoke
