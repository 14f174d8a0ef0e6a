// What a picture paints in words, and where: a paint device that draws nothing and keeps the texts.
#pragma once

#include <QFontMetricsF>
#include <QPaintDevice>
#include <QPaintEngine>
#include <QPainter>
#include <vector>

#include "paint/picture.hpp"

namespace yoke::test {

struct PaintedText {
  QString text;
  QRectF area;      ///< of the ink, upright around it
  QPolygonF shape;  ///< of the ink, as it stands: turned texts are not their upright box
};

class TextKeeper : public QPaintEngine {
 public:
  TextKeeper() : QPaintEngine(AllFeatures) {}
  bool begin(QPaintDevice*) override { return true; }
  bool end() override { return true; }
  void updateState(const QPaintEngineState&) override {}
  void drawPixmap(const QRectF&, const QPixmap&, const QRectF&) override {}
  void drawImage(const QRectF&, const QImage&, const QRectF&, Qt::ImageConversionFlags) override {}
  void drawPath(const QPainterPath&) override {}
  void drawPolygon(const QPointF*, int, PolygonDrawMode) override {}
  void drawTextItem(const QPointF& at, const QTextItem& item) override {
    const QString text = item.text();
    if (text.trimmed().isEmpty()) return;
    const QRectF ink = QFontMetricsF(item.font()).tightBoundingRect(text).translated(at);
    const QPolygonF shape = painter()->combinedTransform().map(QPolygonF(ink));
    if (painter()->hasClipping() && !painter()
                                         ->combinedTransform()
                                         .mapRect(painter()->clipBoundingRect())
                                         .intersects(shape.boundingRect()))
      return;
    texts.push_back({text, shape.boundingRect(), shape});
  }
  Type type() const override { return User; }
  std::vector<PaintedText> texts;
};

class TextDevice : public QPaintDevice {
 public:
  explicit TextDevice(QSizeF size) : size_(size.toSize()) {}
  QPaintEngine* paintEngine() const override { return &keeper_; }
  [[nodiscard]] const std::vector<PaintedText>& texts() const { return keeper_.texts; }

 protected:
  int metric(PaintDeviceMetric m) const override {
    switch (m) {
      case PdmWidth:
        return size_.width();
      case PdmHeight:
        return size_.height();
      case PdmDpiX:
      case PdmDpiY:
      case PdmPhysicalDpiX:
      case PdmPhysicalDpiY:
        return 96;
      case PdmNumColors:
        return 1 << 24;
      case PdmDepth:
        return 32;
      case PdmDevicePixelRatioScaled:
        return static_cast<int>(devicePixelRatioFScale());
      default:
        return 1;
    }
  }

 private:
  QSize size_;
  mutable TextKeeper keeper_;
};

[[nodiscard]] inline std::vector<PaintedText> painted_texts(const Picture& picture) {
  TextDevice device(picture.size);
  QPainter p(&device);
  picture.paint(p);
  p.end();
  return device.texts();
}

/// Two texts whose ink crosses by more than a hair. The same words twice at one place are an
/// outline.
[[nodiscard]] inline bool crosses(const PaintedText& a, const PaintedText& b) {
  constexpr double kHair = 1.5;
  if (a.text == b.text && (a.area.center() - b.area.center()).manhattanLength() < 6) return false;
  const QRectF both = a.area & b.area;
  if (both.width() <= kHair || both.height() <= kHair) return false;
  const QPolygonF common = a.shape.intersected(b.shape);
  const QRectF box = common.boundingRect();
  return box.width() > kHair && box.height() > kHair;
}

}  // namespace yoke::test
