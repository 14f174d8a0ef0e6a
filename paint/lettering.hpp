// Words in a drawing that never cross each other and never leave it: a word takes the first free
// place beside the one it would like.
#pragma once

#include <QPainter>
#include <QRectF>
#include <QString>
#include <vector>

namespace yoke {

class Lettering {
 public:
  /// `all`: where words may stand.
  explicit Lettering(const QRectF& all) : all_(all.adjusted(2, 2, -2, -2)) {}
  /// Keeps a place free of words: of what is written by other means.
  void keep_free(const QRectF& place) { taken_.push_back(place); }
  /// Writes in the painter's font, left-aligned in a place of the text's own width whose middle is
  /// as near to `middle` as is free. `ground`: filled behind it when valid.
  void write(QPainter& p, QPointF middle, const QString& text, const QColor& ground = {});
  /// The place that `write` would take.
  [[nodiscard]] QRectF place(QPointF middle, QSizeF size) const;

 private:
  [[nodiscard]] bool free(const QRectF& place) const;
  [[nodiscard]] QRectF inside(QRectF place) const;
  QRectF all_;
  std::vector<QRectF> taken_;
};

}  // namespace yoke
