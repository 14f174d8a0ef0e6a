#include "ui/flow_layout.hpp"

#include <QWidget>
#include <algorithm>

namespace yoke {

FlowLayout::FlowLayout(int gap, QWidget* parent) : QLayout(parent), gap_(gap) {
  setContentsMargins(0, 0, 0, 0);
}

FlowLayout::~FlowLayout() {
  qDeleteAll(items_);
}

QLayoutItem* FlowLayout::takeAt(int i) {
  return i >= 0 && i < items_.size() ? items_.takeAt(i) : nullptr;
}

QSize FlowLayout::minimumSize() const {
  QSize least;
  for (const QLayoutItem* item : items_)
    if (!item->isEmpty()) least = least.expandedTo(item->minimumSize());
  return least;
}

int FlowLayout::heightForWidth(int width) const {
  return place(QRect(0, 0, width, 0), false);
}

void FlowLayout::setGeometry(const QRect& rect) {
  QLayout::setGeometry(rect);
  place(rect, true);
}

/// How high it comes to be.
int FlowLayout::place(const QRect& rect, bool really) const {
  int x = rect.left();
  int y = rect.top();
  int line = 0;
  for (QLayoutItem* item : items_) {
    if (item->isEmpty()) continue;  // hidden
    const QSize size = item->sizeHint();
    if (x > rect.left() && x + size.width() > rect.right() + 1) {
      x = rect.left();
      y += line + gap_;
      line = 0;
    }
    if (really) item->setGeometry(QRect(QPoint(x, y), size));
    x += size.width() + gap_;
    line = std::max(line, size.height());
  }
  return y + line - rect.top();
}

}  // namespace yoke
