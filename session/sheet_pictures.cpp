#include "session/sheet_pictures.hpp"

#include <QPainter>

#include "paint/theme.hpp"
#include "session/curves.hpp"
#include "session/line_state.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {

constexpr QSizeF kLine_px{680, 250};
constexpr QSizeF kCurve_px{680, 300};

/// 0 on the dye, 1 on a scribed line.
int inked(QRgb c) {
  const int ground = qGray(theme::kDye.rgb());
  const int line = qGray(theme::kScribe.rgb());
  return std::clamp((qGray(c) - ground) * 255 / (line - ground), 0, 255);
}

}  // namespace

QImage for_paper(const Picture& picture, double sharp) {
  QImage image((picture.size * sharp).toSize(), QImage::Format_RGB32);
  image.fill(theme::kDye);
  QPainter p(&image);
  p.scale(sharp, sharp);
  picture.paint(p);
  p.end();
  const QColor ink = theme::kInk;
  for (int y = 0; y < image.height(); ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < image.width(); ++x) {
      const int t = inked(line[x]);
      const auto mix = [t](int dark) { return 255 - (255 - dark) * t / 255; };
      line[x] = qRgb(mix(ink.red()), mix(ink.green()), mix(ink.blue()));
    }
  }
  // As wide on the page as it was drawn.
  image.setDevicePixelRatio(sharp);
  return image;
}

SheetPictures sheet_pictures(const Session& session, double sharp) {
  LineInput line = line_input(session);
  line.which = As::plan;
  line.selected.reset();
  line.point.reset();
  for (const ConditionReport& c : session.strip())
    if (c.id == ConditionId::plan) {
      line.title = text_of(c.title, session.style());
      line.cannot = text_of(c.reason, session.style());
      if (c.target) line.point = c.target->at;
    }
  return {for_paper(line_of_force_picture(line, kLine_px), sharp),
          for_paper(plot(feel_plot(session), kCurve_px), sharp)};
}

}  // namespace yoke
