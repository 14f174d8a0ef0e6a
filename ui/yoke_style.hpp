// The look of every part that is not a drawing: paper and steel, large enough for a glove. One
// style class in place of a style sheet: a part's role is the name it was made with ("answer",
// "main", "card"), and fonts, colours and room follow from it.
#pragma once

#include <QFont>
#include <QPalette>
#include <QProxyStyle>

namespace yoke {

/// What text of a role looks like; `nullptr`: no such role.
struct TextRole {
  const char* name;
  int px;
  bool bold;
  bool figures;  ///< in the face of the figures
  QRgb colour;
};
[[nodiscard]] const TextRole* text_role(const QString& name);

class YokeStyle : public QProxyStyle {
  Q_OBJECT

 public:
  YokeStyle();
  [[nodiscard]] QPalette standardPalette() const override;
  void polish(QWidget* widget) override;
  void drawPrimitive(PrimitiveElement e, const QStyleOption* o, QPainter* p,
                     const QWidget* w) const override;
  void drawControl(ControlElement e, const QStyleOption* o, QPainter* p,
                   const QWidget* w) const override;
  void drawComplexControl(ComplexControl c, const QStyleOptionComplex* o, QPainter* p,
                          const QWidget* w) const override;
  [[nodiscard]] QSize sizeFromContents(ContentsType t, const QStyleOption* o, const QSize& contents,
                                       const QWidget* w) const override;
  [[nodiscard]] QRect subElementRect(SubElement e, const QStyleOption* o,
                                     const QWidget* w) const override;
  [[nodiscard]] QRect subControlRect(ComplexControl c, const QStyleOptionComplex* o, SubControl s,
                                     const QWidget* w) const override;
  [[nodiscard]] int pixelMetric(PixelMetric m, const QStyleOption* o,
                                const QWidget* w) const override;
  [[nodiscard]] int styleHint(StyleHint h, const QStyleOption* o, const QWidget* w,
                              QStyleHintReturn* r) const override;
  using QProxyStyle::polish;
};

}  // namespace yoke
