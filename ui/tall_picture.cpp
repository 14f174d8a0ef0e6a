#include "ui/tall_picture.hpp"

#include <QResizeEvent>
#include <QVBoxLayout>

namespace yoke {

TallPicture::TallPicture(const QString& name, QWidget* parent) : PictureView(name, parent) {
  set_walkable();
  setFixedHeight(240);  // until the picture tells its own
}

void TallPicture::renew() {
  redraw();
  if (isVisible()) fit();
}

void TallPicture::fit() {
  if (width() < 10) return;
  const int high = static_cast<int>(picture().size.height()) + 1;
  if (high > 20 && high != height()) setFixedHeight(high);
}

void TallPicture::resizeEvent(QResizeEvent* e) {
  PictureView::resizeEvent(e);
  if (e->size().width() != e->oldSize().width()) fit();
}

void TallPicture::showEvent(QShowEvent* e) {
  PictureView::showEvent(e);
  fit();
}

QScrollArea* moved_area(TallPicture* picture, QWidget* parent) {
  auto* area = new QScrollArea(parent);
  area->setWidgetResizable(true);
  area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  // A bar that came and went would change the width, the width the picture's height, and that the
  // bar.
  area->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
  area->setFocusPolicy(Qt::NoFocus);
  auto* under = new QWidget(area);  // the picture keeps its own height
  auto* column = new QVBoxLayout(under);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(picture);
  column->addStretch(1);
  area->setWidget(under);
  return area;
}

}  // namespace yoke
