// A plate: a drawing of what lies on the bench, with numbered points where it is measured or looked
// at, and a label for each point that is touched to enter what was found. What nobody has measured
// yet stands dashed, in the colour that asks.
#pragma once

#include <optional>

#include "document/job.hpp"
#include "paint/picture.hpp"

namespace yoke {

struct PlateInput {
  Job job;
  As which = As::found;
  Style style;
  std::optional<Param> selected{};  ///< the label that the keyboard stands on
};

/// A label that is not a value's own: a difference, something not compared.
struct Told {
  QString id;
  QString words;  ///< small, above
  QString text;   ///< large
  QString said;   ///< for those who listen
  QString tip;
  QColor ink;
  bool sure = true;   ///< a quiet frame
  bool asks = false;  ///< a dashed one
  bool selected = false;
};

/// Collects a plate in coordinates of its own, 600 wide; it is shown as large as there is room.
class Plate {
 public:
  Plate(const PlateInput& in, const QString& title, QSizeF size);
  /// Draws in the plate's coordinates.
  void draw(Layer layer) { layers_.push_back(std::move(layer)); }
  /// A numbered point, and its label in the rows below the drawing. Without a point of its own
  /// the label stands alone. What is not asked of this job is left out.
  void value(Param param, std::optional<QPointF> at, As which);
  void value(Param param, std::optional<QPointF> at) { value(param, at, in_.which); }
  void told(Told label, std::optional<QPointF> at);
  /// A heading between the rows of labels.
  void part(const QString& words);
  [[nodiscard]] Value of(Param param) const { return value_of(in_.job, in_.which, param); }
  /// `drawn`: the height of the drawing itself.
  [[nodiscard]] Picture done(double drawn) &&;

 private:
  struct Label {
    Told told;
    std::optional<QPointF> at;
    QString heading;
  };
  void place(Picture& picture, const Label& label, int number, const QRectF& box,
             double zoom) const;
  PlateInput in_;
  QString title_;
  QSizeF size_;
  std::vector<Layer> layers_;
  std::vector<Label> labels_;
};

/// The plate of a group of questions; an empty picture where it has none.
[[nodiscard]] Picture unit_plate(const PlateInput& in, QSizeF size);
[[nodiscard]] Picture symptom_plate(const PlateInput& in, QSizeF size);
[[nodiscard]] Picture ageing_plate(const PlateInput& in, QSizeF size);
[[nodiscard]] Picture gauge_plate(const PlateInput& in, QSizeF size);
[[nodiscard]] Picture kit_plate(const PlateInput& in, QSizeF size);
[[nodiscard]] bool has_plate(Group group);
[[nodiscard]] Picture plate_of(Group group, const PlateInput& in, QSizeF size);

}  // namespace yoke
