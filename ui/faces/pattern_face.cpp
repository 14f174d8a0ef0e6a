#include "ui/faces/pattern_face.hpp"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QLocale>
#include <QPushButton>
#include <algorithm>
#include <cmath>

#include "document/param/bolting.hpp"
#include "document/param/unit.hpp"
#include "paint/fit_pictures.hpp"
#include "quantity/units.hpp"
#include "session/template_out.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/preferences.hpp"

namespace yoke {

namespace {

/// The new unit, the old one, then the sheet between them.
std::vector<std::pair<As, Param>> asked() {
  namespace P = param;
  std::vector<std::pair<As, Param>> all =
      of_plan({P::unit_studs, P::unit_stud_pitch, P::unit_stud_pitch2, P::unit_stud_size,
               P::unit_pilot, P::fit_turn});
  for (const Param p : {P::unit_studs, P::unit_stud_pitch, P::unit_stud_pitch2, P::unit_stud_size,
                        P::unit_pilot, P::fit_turn_old})
    all.emplace_back(As::found, p);
  for (const auto& sheet :
       of_plan({P::fit_edge_left, P::fit_edge_right, P::fit_edge_up, P::fit_edge_down, P::fit_plate,
                P::fit_plate_width, P::fit_plate_height, P::fit_opening}))
    all.push_back(sheet);
  return all;
}

}  // namespace

PatternFace::PatternFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : DrawnFace(
          session, tr("New unit, then the old one, then the sheet"), asked(), tr("Bolt patterns"),
          [&session](QSizeF size) { return pattern_picture(session.job(), session.style(), size); },
          {"pattern", "openings"}, parent),
      session_(session),
      dialogs_(dialogs) {
  connect(this->drawing(), &PictureView::dragged, this, &PatternFace::drag);
  connect(this->drawing(), &PictureView::drag_ended, this, [this] { grabbed_.reset(); });
  auto* buttons = new QHBoxLayout;
  auto* drilling = new QPushButton(tr("Drilling template…"), this);
  drilling->setObjectName(QStringLiteral("main"));
  auto* plate = new QPushButton(tr("Adapter plate…"), this);
  buttons->addWidget(drilling);
  buttons->addWidget(plate);
  left()->addLayout(buttons);
  template_line_ = label(tr("Full size as PDF, SVG or DXF, with a 100 mm and a 4 in check rule. A "
                            "printer is checked by measuring both before any hole is drilled."),
                         "soft", this);
  template_line_->setAccessibleName(tr("Template"));
  left()->addWidget(template_line_);
  connect(drilling, &QPushButton::clicked, this, [this] { save_template(TemplateKind::drilling); });
  connect(plate, &QPushButton::clicked, this, [this] { save_template(TemplateKind::plate); });
}

void PatternFace::drag(const QString& id, QPointF from, QPointF to) {
  // The frame of the beginning holds while it is dragged, whatever room the drawing then takes.
  if (!grabbed_)
    grabbed_ = Grabbed{pattern_frame(session_.job(), QSizeF(drawing()->size())),
                       value_of(session_.job(), As::plan, param::fit_turn).si};
  const QPointF a = from - grabbed_->frame.centre;
  const QPointF b = to - grabbed_->frame.centre;
  const auto put = [&](Param p, double si, const char* step) {
    const double within = std::clamp(si, info(p).min_si, info(p).max_si);
    session_.edit(
        tr("%1 dragged").arg(words_of(info(p).words)),
        [&](Job& j) {
          j.plan.set(p, measured(p, within, How::estimate));
          j.built.clear(p);
        },
        QString::fromLatin1(step));
  };
  if (id.startsWith(QStringLiteral("turn:"))) {
    // Up is up in the drawing: the screen's y runs down. To half a degree.
    constexpr double kHalf = kPi / 360;
    const double by = std::atan2(-b.y(), b.x()) - std::atan2(-a.y(), a.x());
    const double turned = std::remainder(grabbed_->turn_rad + by, 2 * kPi);
    put(param::fit_turn, std::round(turned / kHalf) * kHalf, "pattern turned");
  } else if (id.startsWith(QStringLiteral("edge:"))) {
    const QString side = id.section(QLatin1Char(':'), 1);
    const bool across = side == QLatin1String("left") || side == QLatin1String("right");
    const double m = std::abs(across ? b.x() : b.y()) / grabbed_->frame.per_m;
    const Param p = side == QLatin1String("left")    ? param::fit_edge_left
                    : side == QLatin1String("right") ? param::fit_edge_right
                    : side == QLatin1String("up")    ? param::fit_edge_up
                                                     : param::fit_edge_down;
    put(p, std::round(m * 1e3) / 1e3, "edge dragged");
  }
}

void PatternFace::save_template(TemplateKind kind) {
  const auto t = make_template(session_.job(), kind);
  if (!t) {
    template_line_->setText(error_text(t.error(), session_.style()));
    return;
  }
  const QString name =
      kind == TemplateKind::drilling ? tr("drilling-template.pdf") : tr("adapter-plate.pdf");
  const QString path =
      save_target(dialogs_, this, tr("Save the template full size"), name,
                  tr("PDF (*.pdf);;SVG (*.svg);;DXF (*.dxf)"),
                  {QStringLiteral(".pdf"), QStringLiteral(".svg"), QStringLiteral(".dxf")});
  if (path.isEmpty()) return;
  const QPageSize::PageSizeId paper = preferences().paper;
  const auto ok = write_template(path, *t, paper);
  const auto pages = template_pages(*t, paper);
  template_line_->setText(
      !ok ? error_text(ok.error(), session_.style())
          : tr("Written: %1. Print at 100 %, never “fit to page”; measure both rules on %2.")
                .arg(QFileInfo(path).fileName(),
                     pages && *pages > 1 ? tr("each of %1 sheets").arg(*pages) : tr("the sheet")));
}

}  // namespace yoke
