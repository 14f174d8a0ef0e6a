// A face that is one drawing.
#pragma once

#include <QVBoxLayout>

#include "ui/face.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class PictureFace : public Face {
 public:
  PictureFace(const QString& name, PictureView::Make make, QWidget* parent) : Face(parent) {
    auto* box = new QVBoxLayout(this);
    box->setContentsMargins(0, 0, 0, 0);
    drawing_ = new PictureView(name, this);
    drawing_->set_maker(std::move(make));
    box->addWidget(drawing_);
  }
  void refresh() override { drawing_->redraw(); }
  [[nodiscard]] PictureView* drawing() const { return drawing_; }

 private:
  PictureView* drawing_;
};

}  // namespace yoke
