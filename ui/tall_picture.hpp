// A picture that is as high as it came to be, in an area that can be moved.
#pragma once

#include <QScrollArea>

#include "ui/picture_view.hpp"

namespace yoke {

class TallPicture : public PictureView {
  Q_OBJECT

 public:
  TallPicture(const QString& name, QWidget* parent);
  /// Drawn anew, and as high as that asks for.
  void renew();

 protected:
  void resizeEvent(QResizeEvent* e) override;
  void showEvent(QShowEvent* e) override;

 private:
  void fit();
};

/// The area in which such a picture is moved up and down; the picture becomes its child.
[[nodiscard]] QScrollArea* moved_area(TallPicture* picture, QWidget* parent);

}  // namespace yoke
