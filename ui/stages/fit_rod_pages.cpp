#include <QFileInfo>
#include <QHBoxLayout>
#include <QLocale>

#include "assembly/assemble.hpp"
#include "paint/fit_pictures.hpp"
#include "paint/sections.hpp"
#include "rod/ends.hpp"
#include "session/curves.hpp"
#include "session/template_out.hpp"
#include "session/texts.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

FitPage::FitPage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::fit,
                tr("Will it bolt on square: pattern, plates, offset, rod angle, room?"), parent),
      dialogs_(dialogs) {
  const auto faces = make_faces({tr("Square"), tr("Off axis"), tr("Pattern and template"),
                                 tr("Stack"), tr("Room"), tr("How it hangs")});
  build_square(session);
  build_faces(session, faces);
}

void FitPage::build_faces(Session& session, const std::vector<QVBoxLayout*>& faces) {
  using P = Param;
  const auto plan = [](std::initializer_list<Param> list) {
    std::vector<std::pair<Which, Param>> out;
    for (const Param p : list) out.emplace_back(Which::plan, p);
    return out;
  };
  offset_ = new DrawnFace(
      session, tr("Gaps, and what was done against them"),
      plan({P::fit_gap_side, P::fit_shift_unit, P::fit_shift_pedal, P::fit_lug, P::fit_gap_up,
            P::fit_shift_up, P::control_rod_length}),
      tr("Offset from above"),
      [this](QSizeF size) { return offset_picture(session_.job(), session_.style(), size); },
      {"offset"}, this);
  faces[0]->addWidget(offset_, 1);
  auto both = plan({P::unit_studs, P::unit_stud_pitch, P::unit_stud_pitch2, P::unit_stud_size,
                    P::unit_pilot, P::fit_turn});
  for (const Param p : {P::unit_studs, P::unit_stud_pitch, P::unit_stud_pitch2, P::unit_stud_size,
                        P::unit_pilot, P::fit_turn_old})
    both.emplace_back(Which::found, p);
  for (const Param p : {P::fit_edge_left, P::fit_edge_right, P::fit_edge_up, P::fit_edge_down,
                        P::fit_plate, P::fit_plate_width, P::fit_plate_height, P::fit_opening})
    both.emplace_back(Which::plan, p);
  pattern_ = new DrawnFace(
      session, tr("New unit, then the old one, then the sheet"), both, tr("Bolt patterns"),
      [this](QSizeF size) { return pattern_picture(session_.job(), session_.style(), size); },
      {"pattern", "openings"}, this);
  auto* buttons = new QHBoxLayout;
  auto* drilling = new QPushButton(tr("Drilling template…"), this);
  drilling->setObjectName(QStringLiteral("main"));
  auto* plate = new QPushButton(tr("Adapter plate…"), this);
  buttons->addWidget(drilling);
  buttons->addWidget(plate);
  pattern_->left()->addLayout(buttons);
  template_line_ = label(tr("Full size as PDF, SVG or DXF, with a 100 mm and a 4 in check rule. A "
                            "printer is checked by measuring both before any hole is drilled."),
                         "soft", this);
  template_line_->setAccessibleName(tr("Template"));
  pattern_->left()->addWidget(template_line_);
  connect(drilling, &QPushButton::clicked, this, [this] { save_template(TemplateKind::drilling); });
  connect(plate, &QPushButton::clicked, this, [this] { save_template(TemplateKind::plate); });
  faces[1]->addWidget(pattern_, 1);
  stack_ = new DrawnFace(
      session, tr("What the studs pass through"),
      plan({P::unit_stud_length, P::unit_stud_size, P::unit_flange, P::rod_stack, P::fit_plate,
            P::fit_plate_metal, P::fit_panel, P::fit_boxed, P::fit_washer}),
      tr("Stack in section"),
      [this](QSizeF size) { return stack_picture(session_.job(), session_.style(), size); },
      {"flange"}, this);
  faces[2]->addWidget(stack_, 1);
  room_ = new RoomFace(session, this);
  faces[3]->addWidget(room_, 1);
  attitude_ = new DrawnFace(
      session, tr("Angles by a phone's level, and the bottle's height"),
      plan({P::fit_master_nose, P::fit_servo_nose, P::fit_breather, P::fit_head, P::fit_head_side,
            P::fit_lean}),
      tr("How it hangs"),
      [this](QSizeF size) { return attitude_picture(session_.job(), session_.style(), size); },
      {"attitude"}, this);
  faces[4]->addWidget(attitude_, 1);
}

void FitPage::save_template(TemplateKind kind) {
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
  const QPageSize::PageSizeId paper = QLocale().measurementSystem() == QLocale::ImperialUSSystem
                                          ? QPageSize::Letter
                                          : QPageSize::A4;
  const auto ok = write_template(path, *t, paper);
  const auto pages = template_pages(*t, paper);
  template_line_->setText(
      !ok ? error_text(ok.error(), session_.style())
          : tr("Written: %1. Print at 100 %, never “fit to page”; measure both rules on %2.")
                .arg(QFileInfo(path).fileName(),
                     pages && *pages > 1 ? tr("each of %1 sheets").arg(*pages) : tr("the sheet")));
}

void FitPage::build_square(Session& session) {
  answer_ = label({}, "answer", this);
  body()->addWidget(answer_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  auto* left = new QVBoxLayout;
  left->addWidget(label(tr("Geometry of the plan"), "heading", this));
  auto* panel = new ParamPanel(session, 1, this);
  panel->show_params({{Which::plan, Param::control_pad_arm},
                      {Which::plan, Param::control_pin_arm},
                      {Which::plan, Param::control_axis_height},
                      {Which::plan, Param::control_offset},
                      {Which::plan, Param::control_rest_angle},
                      {Which::plan, Param::control_rod_length}});
  left->addWidget(panel, 1);
  left->addWidget(label(tr("In-plane and sideways offset count alike: a rod that pushes across "
                           "wears the bore on one side."),
                        "soft", this));
  row->addLayout(left, 5);
  auto* right = new QVBoxLayout;
  drawing_ = new PictureView(tr("Rod and bore"), this);
  drawing_->set_maker([this](QSizeF size) {
    return rod_angle_picture(session_.job(), angle_report(session_.job(), Which::plan),
                             session_.style(), size);
  });
  plot_ = new PictureView(tr("Rod angle over the stroke"), this);
  plot_->set_maker([this](QSizeF size) { return plot(angle_plot(session_), size); });
  right->addWidget(drawing_, 1);
  right->addWidget(plot_, 1);
  row->addLayout(right, 6);
  body()->addLayout(row, 1);
}

void FitPage::refresh() {
  switch (face()) {
    case 1:
      return offset_->refresh();
    case 2:
      return pattern_->refresh();
    case 3:
      return stack_->refresh();
    case 4:
      return room_->refresh();
    case 5:
      return attitude_->refresh();
    default:
      return refresh_square();
  }
}

void FitPage::refresh_square() {
  const AngleReport r = angle_report(session_.job(), Which::plan);
  if (!r.missing.empty())
    answer_->setText(tr("The rod's angle is unknown, not zero. Measure: %1.")
                         .arg(text_of(param_list(r.missing), session_.style())));
  else if (r.points.empty())
    answer_->setText(tr("This geometry cannot be."));
  else
    answer_->setText(tr("Up to %1° off the bore%2")
                         .arg(r.largest_rad * 180 / kPi, 0, 'f', 1)
                         .arg(r.force_known ? tr(", side force up to %1.")
                                                  .arg(full_text(r.largest_side_n, Kind::force, 0,
                                                                 session_.style()))
                                            : tr("; the side force needs brakes and assist.")));
  drawing_->redraw();
  plot_->redraw();
}

RodPage::RodPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::rod, tr("How long, how many turns, how much thread is left?"),
                parent) {
  const auto faces = make_faces(
      {tr("Length"), tr("Ends and turns"), tr("Clearances"), tr("Pedal, accelerator, lamp")});
  build_length(session);
  using P = Param;
  const auto plan = [](std::initializer_list<Param> list) {
    std::vector<std::pair<Which, Param>> out;
    for (const Param p : list) out.emplace_back(Which::plan, p);
    return out;
  };
  const auto section = [this](QSizeF size) {
    return rod_section_picture(session_.job(), rod_report(session_.job()), session_.style(), size);
  };
  const auto gap = [this, section](QSizeF size) {
    return has_assist(session_.job(), Which::plan)
               ? gap_picture(session_.job(), session_.style(), size)
               : section(size);
  };
  ends_ = new DrawnFace(session, tr("Threads of both ends"),
                        plan({P::rod_end, P::rod_coupling, P::rod_pitch, P::rod_pitch2,
                              P::rod_diameter, P::rod_engaged, P::rod_thread_spare, P::rod_engaged2,
                              P::rod_thread_spare2, P::rod_jam, P::rod_height_wish}),
                        tr("Old and new unit"), section, {"ends"}, this);
  faces[0]->addWidget(ends_, 1);
  gaps_ = new DrawnFace(session, tr("Gaps, proofs, and what keeps the rod in"),
                        plan({P::control_rod_clearance, P::rod_recess, P::rod_gasket,
                              P::rod_stick_off, P::rod_stick_on, P::rod_returns, P::rod_returns_hot,
                              P::unit_rod_kept, P::rod_pull, P::rod_staked, P::rod_signed}),
                        tr("Output rod"), gap, {"gaps", "retained"}, this);
  faces[1]->addWidget(gaps_, 1);
  auto heights =
      plan({P::rod_height_wish, P::rod_pedal_stop, P::rod_accelerator, P::rod_lamp_travel});
  heights.insert(heights.begin(), {Which::found, P::control_rest_height});
  heights_ = new DrawnFace(
      session, tr("Heights and the lamp's switch"), heights, tr("Heights"),
      [this](QSizeF size) { return heights_picture(session_.job(), session_.style(), size); },
      {"heights"}, this);
  faces[2]->addWidget(heights_, 1);
}

void RodPage::build_length(Session& session) {
  answer_ = label({}, "answer", this);
  answer_->setAccessibleName(tr("Rod change"));
  details_ = label({}, "question", this);
  body()->addWidget(answer_);
  body()->addWidget(details_);
  auto* heads = new QHBoxLayout;
  heads->addWidget(label(tr("Old unit, as found"), "heading", this), 1);
  heads->addWidget(label(tr("New unit, measured, never carried over"), "heading", this), 1);
  body()->addLayout(heads);
  panel_ = new ParamPanel(session, 2, this);
  panel_->show_params({{Which::found, Param::rod_snout},
                       {Which::found, Param::rod_socket},
                       {Which::found, Param::rod_stack},
                       {Which::found, Param::control_rod_length},
                       {Which::plan, Param::rod_snout},
                       {Which::plan, Param::rod_socket},
                       {Which::plan, Param::rod_stack},
                       {Which::plan, Param::control_rod_clearance}});
  panel_->setFixedHeight(154);
  body()->addWidget(panel_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  drawing_ = new PictureView(tr("Old and new unit in section"), this);
  drawing_->set_maker([this](QSizeF size) {
    return rod_section_picture(session_.job(), rod_report(session_.job()), session_.style(), size);
  });
  row->addWidget(drawing_, 3);
  auto* side = new QVBoxLayout;
  side->addWidget(label(tr("Wishes"), "heading", this));
  auto* wishes = new ParamPanel(session, 1, this);
  wishes->show_params(
      {{Which::plan, Param::rod_height_wish}, {Which::plan, Param::rod_clearance_more}});
  wishes->setMinimumWidth(452);
  wishes->setFixedHeight(88);
  side->addWidget(wishes);
  side->addStretch(1);
  side->addWidget(label(tr("The rod is pulled each time a foot lifts the pedal: it must be "
                           "captive, lock nut tight, clip in."),
                        "caution", this));
  row->addLayout(side, 2);
  body()->addLayout(row, 1);
}

void RodPage::refresh() {
  switch (face()) {
    case 1:
      return ends_->refresh();
    case 2:
      return gaps_->refresh();
    case 3:
      return heights_->refresh();
    default:
      return refresh_length();
  }
}

void RodPage::refresh_length() {
  const RodReport r = rod_report(session_.job());
  const Style& style = session_.style();
  answer_->setText(text_of(rod_words(r), style));
  QStringList d;
  if (r.pad_doubt)
    d << tr("that doubt is %1 at the pad")
             .arg(full_text(r.pad_doubt->value(), Kind::length, 1, style));
  if (r.turns && r.total)
    d << (std::abs(r.total->value()) < kLeastRodChange_m
              ? tr("no turn")
              : tr("%1 turns %2")
                    .arg(std::abs(*r.turns), 0, 'f', 1)
                    .arg(*r.turns > 0 ? tr("longer") : tr("shorter")));
  if (r.height_turns && std::abs(*r.height_turns) > 0.01)
    d << tr("of them %1 %2 for the pad height")
             .arg(std::abs(*r.height_turns), 0, 'f', 1)
             .arg(*r.height_turns > 0 ? tr("longer") : tr("shorter"));
  if (r.new_length)
    d << tr("new rod %1").arg(full_text(r.new_length->value(), Kind::length, 1, style));
  if (r.engaged_after)
    d << tr("thread engaged after, uncut: %1")
             .arg(quantity_text(r.engaged_after->value(), Kind::length, 1, style));
  if (r.spare_after)
    d << tr("free behind: %1").arg(quantity_text(r.spare_after->value(), Kind::length, 1, style));
  d << text_of(ends_report(session_.job(), r).cut, session_.style());
  if (r.free_play)
    d << tr("free play at the pad %1").arg(full_text(r.free_play->value(), Kind::length, 1, style));
  if (!r.missing_turns.empty())
    d << tr("turns: %1 not known").arg(text_of(param_list(r.missing_turns), session_.style()));
  details_->setText(d.join(QStringLiteral("  ·  ")));
  drawing_->redraw();
}

}  // namespace yoke
