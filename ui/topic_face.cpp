#include "ui/topic_face.hpp"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <algorithm>

#include "paint/plate.hpp"
#include "session/texts.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

TopicFace::TopicFace(Session& session, std::vector<Group> groups, std::vector<std::string> figures,
                     const QString& empty, QWidget* parent)
    : Face(parent), groups_(std::move(groups)), group_(groups_.front()) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(28);
  left_ = new QVBoxLayout;
  left_->setSpacing(6);
  auto* bar = new QHBoxLayout;
  bar->setSpacing(6);
  if (groups_.size() > 1) {
    auto* group = new QButtonGroup(this);
    for (const Group g : groups_) {
      auto* b = new QPushButton(words_of(group_words(g)), this);
      b->setObjectName(QStringLiteral("small"));
      b->setCheckable(true);
      group->addButton(b);
      buttons_.push_back(b);
      bar->addWidget(b);
      connect(b, &QPushButton::clicked, this, [this, g] { show_group(g); });
    }
  }
  head_ = label({}, "heading", this);
  head_->setWordWrap(false);
  bar->addWidget(head_);
  bar->addStretch(1);
  all_values_ = new QPushButton(tr("All values"), this);
  all_values_->setObjectName(QStringLiteral("small"));
  all_values_->setCheckable(true);
  all_values_->setToolTip(tr("The list of all values in place of the drawing"));
  connect(all_values_, &QPushButton::toggled, this, &TopicFace::show_list);
  bar->addWidget(all_values_);
  left_->addLayout(bar);
  plate_ = new PlateView(session, this);
  plate_area_ = moved_area(plate_, this);
  left_->addWidget(plate_area_, 1);
  panel_ = new ParamPanel(session, 1, this);
  left_->addWidget(panel_, 1);
  help_ = label({}, "soft", this);
  help_->setMinimumHeight(38);
  help_->setAlignment(Qt::AlignTop);
  left_->addWidget(help_);
  connect(panel_, &ParamPanel::entered, this,
          [this](Param p) { help_->setText(words_of(info(p).help)); });
  row->addLayout(left_, 13);
  figures_ = new FiguresView(session, std::move(figures), empty, this);
  row->addWidget(figures_, 9);
  show_group(group_);
}

bool TopicFace::has(Group group) const {
  return std::find(groups_.begin(), groups_.end(), group) != groups_.end();
}

void TopicFace::show_system(As which) {
  which_ = which;
  show_group(group_);
}

void TopicFace::show_group(Group group) {
  group_ = group;
  for (std::size_t i = 0; i < buttons_.size(); ++i)
    if (groups_[i] == group) buttons_[i]->setChecked(true);
  show_list(all_values_->isChecked());
  show_questions();
}

void TopicFace::show_list(bool on) {
  if (all_values_->isChecked() != on) return all_values_->setChecked(on);
  const bool drawn = has_plate(group_) && !on;
  all_values_->setVisible(has_plate(group_));
  plate_area_->setVisible(drawn);
  panel_->setVisible(!drawn);
  help_->setVisible(!drawn);
  if (drawn) plate_->show_plate(found_only(group_) ? As::found : which_, group_);
}

bool TopicFace::focus_param(As which, Param param) {
  if (plate_area_->isVisibleTo(this) && plate_->edit(which, param)) return true;
  auto* f = panel_->field(which, param);
  if (!f) return false;
  show_list(true);
  f->focus_entry();
  return true;
}

void TopicFace::show_questions() {
  const Group group = group_;
  // Signs and age belong to what is fitted, whichever system is looked at.
  head_->setText(group == Group::kit                        ? tr("In the unit, then in the kit")
                 : found_only(group) || which_ == As::found ? tr("As found")
                                                            : tr("Plan: what goes in"));
  if (group != Group::kit) return panel_->show_group(found_only(group) ? As::found : which_, group);
  // A kit is compared: what is in the unit first, then what the kit holds.
  std::vector<std::pair<As, Param>> both;
  for (const As w : {As::found, As::plan})
    for (const ParamInfo& p : all_params())
      if (p.group == Group::kit) both.emplace_back(w, p.param);
  panel_->show_params(both);
}

void TopicFace::refresh() {
  figures_->refresh();
}

}  // namespace yoke
