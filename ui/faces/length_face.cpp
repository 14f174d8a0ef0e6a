#include "ui/faces/length_face.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "paint/sections.hpp"
#include "rod/ends.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

LengthFace::LengthFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* body = new QVBoxLayout(this);
  body->setContentsMargins(0, 0, 0, 0);
  body->setSpacing(8);
  answer_ = label({}, "answer", this);
  answer_->setAccessibleName(tr("Rod change"));
  details_ = label({}, "question", this);
  body->addWidget(answer_);
  body->addWidget(details_);
  auto* heads = new QHBoxLayout;
  heads->addWidget(label(tr("Old unit, as found"), "heading", this), 1);
  heads->addWidget(label(tr("New unit, measured, never carried over"), "heading", this), 1);
  body->addLayout(heads);
  panel_ = new ParamPanel(session_, 2, this);
  panel_->show_params({{Which::found, Param::rod_snout},
                       {Which::found, Param::rod_socket},
                       {Which::found, Param::rod_stack},
                       {Which::found, Param::control_rod_length},
                       {Which::plan, Param::rod_snout},
                       {Which::plan, Param::rod_socket},
                       {Which::plan, Param::rod_stack},
                       {Which::plan, Param::control_rod_clearance}});
  panel_->setFixedHeight(154);
  body->addWidget(panel_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  drawing_ = new PictureView(tr("Old and new unit in section"), this);
  drawing_->set_maker([this](QSizeF size) {
    return rod_section_picture(session_.job(), rod_report(session_.job()), session_.style(), size);
  });
  row->addWidget(drawing_, 3);
  auto* side = new QVBoxLayout;
  side->addWidget(label(tr("Wishes"), "heading", this));
  auto* wishes = new ParamPanel(session_, 1, this);
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
  body->addLayout(row, 1);
}

void LengthFace::refresh() {
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
