#include "ui/line_view.hpp"

#include "session/texts.hpp"

namespace yoke {

LineInput line_input(const Session& s) {
  LineInput in;
  in.job = s.job();
  in.which = which_of(s.shown());
  const ConditionReport& report = s.shown_report();
  in.title = QStringLiteral("Shown: ") + text_of(report.title);
  in.point = s.pressed_point();
  in.cannot = text_of(report.reason);
  if (!in.point && report.effort_only_n)
    in.cannot += QStringLiteral(". Effort at the wanted pressure: ") +
                 full_text(*report.effort_only_n, Kind::force, 0, s.style());
  in.style = s.style();
  return in;
}

LineView::LineView(Session& session, bool folded, QWidget* parent)
    : PictureView(folded ? tr("Stations from pad to car") : tr("Line of force"), parent),
      session_(session) {
  set_maker([this, folded](QSizeF size) {
    return folded ? stations_picture(line_input(session_), size)
                  : line_of_force_picture(line_input(session_), size);
  });
  for (auto signal : {&Session::changed, &Session::pressed, &Session::style_changed})
    connect(&session_, signal, this, &PictureView::redraw);
  connect(this, &PictureView::spot_clicked, this, [this](const QString& id) {
    pressed_before_m_ = session_.pressed_m();
    if (!id.startsWith(QStringLiteral("param:"))) return;
    if (const auto p = find_param(id.mid(6).toStdString()))
      emit dimension_touched(which_of(session_.shown()), *p);
  });
  connect(this, &PictureView::dragged, this, &LineView::drag);
}

void LineView::drag(const QString& id, QPointF from, QPointF to) {
  if (id != QStringLiteral("pad")) return;
  const double mm = line_of_force_mm_per_pixel(line_input(session_), QSizeF(size()));
  session_.press(pressed_before_m_ + (to.x() - from.x()) * mm * 1e-3);
}

}  // namespace yoke
