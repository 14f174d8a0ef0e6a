#include "paint/budget.hpp"

#include <QFontMetricsF>
#include <algorithm>

#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

constexpr Qt::BrushStyle kHatches[] = {Qt::SolidPattern,     Qt::Dense4Pattern, Qt::Dense6Pattern,
                                       Qt::VerPattern,       Qt::BDiagPattern,  Qt::Dense2Pattern,
                                       Qt::DiagCrossPattern, Qt::HorPattern,    Qt::FDiagPattern,
                                       Qt::Dense5Pattern,    Qt::BDiagPattern};

void draw_bar(QPainter& p, const QRectF& bar, const ConditionReport& r, double scale,
              const Style& style) {
  double x = bar.left();
  for (size_t i = 0; i < kLayerCount; ++i) {
    const double m = r.target->budget[i];
    const double w = m * scale;
    const QRectF part(x, bar.top(), w, bar.height());
    p.fillRect(part, theme::kDyeDeep);
    p.fillRect(part, QBrush(i % 2 == 0 ? theme::kScribeSoft : theme::kScribeFaint, kHatches[i]));
    p.setPen(QPen(theme::kScribe, 1));
    p.drawRect(part);
    const QString name = words_of(layer_words(static_cast<TravelLayer>(i)));
    const QString amount = QString::fromStdString(format_quantity(m, Kind::length, 0, style));
    p.setFont(theme::text(13));
    const QFontMetricsF fm(p.font());
    const QString both = name + QStringLiteral(" ") + amount;
    const QString shown = fm.horizontalAdvance(both) + 8 < w ? both : QString();
    if (!shown.isEmpty()) {
      const QRectF tag(part.center().x() - fm.horizontalAdvance(shown) / 2 - 3,
                       part.center().y() - 10, fm.horizontalAdvance(shown) + 6, 20);
      p.fillRect(tag, theme::kDyeDeep);
      p.setPen(theme::kScribe);
      p.drawText(tag, Qt::AlignCenter, shown);
    }
    x += w;
  }
  p.setPen(QPen(theme::kScribeSoft, 1, Qt::DashLine));
  const double end = bar.left() + r.target->available_m * scale;
  p.drawLine(QPointF(x, bar.center().y()), QPointF(end, bar.center().y()));
  p.setPen(QPen(theme::kScribe, 3));
  p.drawLine(QPointF(end, bar.top() - 3), QPointF(end, bar.bottom() + 3));
}

/// The layers in words, largest first; those below `least_m` left out.
QString in_words(const ConditionReport& r, const Style& style, double least_m) {
  std::vector<std::pair<double, size_t>> layers;
  for (size_t k = 0; k < kLayerCount; ++k)
    if (r.target->budget[k] >= least_m) layers.emplace_back(r.target->budget[k], k);
  std::sort(layers.rbegin(), layers.rend());
  QStringList parts;
  for (const auto& [m, k] : layers)
    parts << words_of(layer_words(static_cast<TravelLayer>(k))) + QStringLiteral(" ") +
                 QString::fromStdString(format_quantity(m, Kind::length, 0, style))
                     .section(QLatin1Char(' '), 0, -2);
  return parts.join(QStringLiteral(", ")) +
         (style.units == UnitStyle::imperial ? QStringLiteral(" in") : QStringLiteral(" mm"));
}

}  // namespace

Picture budget_picture(const std::vector<ConditionReport>& reports, const Style& style,
                       QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  pic.layers.emplace_back([size](QPainter& p) {
    p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye);
    p.setPen(theme::kScribe);
    p.setFont(theme::text(14, true));
    p.drawText(QRectF(14, 6, size.width() - 28, 22), Qt::AlignLeft,
               Drawn::tr("What eats the pedal's travel at the target stop, up to the floor"));
  });
  double longest = 0;
  for (const auto& r : reports)
    if (r.target) longest = std::max({longest, r.target->available_m, r.target->at.pad_travel_m});
  const double scale = longest > 0 ? (size.width() - 104) / longest : 0;
  const double h = (size.height() - 38) / std::max<double>(1, static_cast<double>(reports.size()));
  for (size_t i = 0; i < reports.size(); ++i) {
    const ConditionReport r = reports[i];
    const QRectF bar(86, 32 + h * static_cast<double>(i), size.width() - 104, h - 26);
    pic.layers.emplace_back([=](QPainter& p) {
      p.setFont(theme::text(13));
      p.setPen(theme::kScribe);
      p.drawText(QRectF(12, bar.top(), 72, bar.height()), Qt::AlignVCenter,
                 text_of(r.title, style));
      if (r.target) {
        draw_bar(p, bar, r, scale, style);
        const QFont small = theme::text(13);
        p.setFont(small);
        p.setPen(theme::kScribe);
        p.drawText(QRectF(bar.left(), bar.bottom() + 2, bar.width(), 20), Qt::AlignVCenter,
                   theme::elided(small, in_words(r, style, 0.001), bar.width()));
      } else {
        p.setPen(theme::kMarkOnDye);
        p.drawText(bar, Qt::AlignVCenter,
                   theme::elided(p.font(), text_of(r.brief.empty() ? r.reason : r.brief, style),
                                 bar.width()));
      }
    });
    if (!r.target) continue;
    // Where it is shortened, the whole is one touch away.
    pic.spots.push_back({QRectF(0, bar.top(), size.width(), h), QString(),
                         text_of(r.title, style) + QStringLiteral(": ") + in_words(r, style, 0)});
    pic.said << text_of(r.title, style) + QStringLiteral(": ") + in_words(r, style, 0);
  }
  return pic;
}

}  // namespace yoke
