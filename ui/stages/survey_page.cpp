#include <QButtonGroup>
#include <QHBoxLayout>

#include "job/relevance.hpp"
#include "session/texts.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

namespace {
constexpr Group kGroups[] = {Group::control, Group::assist,  Group::supply, Group::master,
                             Group::front,   Group::rear,    Group::lines,  Group::circuit,
                             Group::clutch,  Group::vehicle, Group::target};
}

SurveyPage::SurveyPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::survey,
                tr("What is on the car, how sure are we, what to measure next?"), parent) {
  found_ = new QPushButton(tr("As found"), this);
  plan_ = new QPushButton(tr("Plan"), this);
  auto* systems = new QButtonGroup(this);
  for (auto* b : {found_, plan_}) {
    b->setCheckable(true);
    systems->addButton(b);
    heading()->addWidget(b);
  }
  connect(found_, &QPushButton::clicked, this, [this] { show_system(Which::found); });
  connect(plan_, &QPushButton::clicked, this, [this] { show_system(Which::plan); });

  auto* line = new LineView(session, false, this);
  line->setMinimumHeight(250);
  body()->addWidget(line, 5);
  connect(line, &LineView::dimension_touched, this, &SurveyPage::focus_param);

  auto* lower = new QHBoxLayout;
  lower->setSpacing(12);
  auto* side = new QVBoxLayout;
  side->setSpacing(3);
  auto* group_buttons = new QButtonGroup(this);
  for (const Group g : kGroups) {
    auto* b = new QPushButton(text_of(group_words(g)), this);
    b->setObjectName(QStringLiteral("small"));
    b->setCheckable(true);
    b->setFixedWidth(148);
    group_buttons->addButton(b);
    groups_.push_back(b);
    side->addWidget(b);
    connect(b, &QPushButton::clicked, this, [this, g] { show_group(g); });
  }
  side->addStretch(1);
  lower->addLayout(side);
  auto* right = new QVBoxLayout;
  panel_ = new ParamPanel(session, 2, this);
  right->addWidget(panel_, 1);
  help_ = label(tr("Type a value as you read it: 7/8 in, 19,05 mm, 13/64\". “?” marks it unknown. "
                   "F9 walks to what is worth measuring next."),
                "soft", this);
  right->addWidget(help_);
  right->addWidget(new FindingsBox(session, Stage::survey, this));
  lower->addLayout(right, 1);
  body()->addLayout(lower, 6);
  connect(panel_, &ParamPanel::entered, this,
          [this](Param p) { help_->setText(text_of(info(p).help)); });
  found_->setChecked(true);
  groups_.front()->setChecked(true);
  panel_->show_group(which_, group_);
}

void SurveyPage::show_system(Which which) {
  which_ = which;
  (which == Which::found ? found_ : plan_)->setChecked(true);
  panel_->show_group(which_, group_);
  if (which_of(session_.shown()) != which)
    session_.show_condition(which == Which::found ? ConditionId::found : ConditionId::plan);
}

void SurveyPage::show_group(Group group) {
  group_ = group;
  for (size_t i = 0; i < groups_.size(); ++i)
    if (kGroups[i] == group) groups_[i]->setChecked(true);
  panel_->show_group(which_, group_);
}

void SurveyPage::focus_param(Which which, Param param) {
  if (info(param).group == Group::rod) return;
  if (which != which_) show_system(which);
  if (group_ != info(param).group || !panel_->field(which, param)) show_group(info(param).group);
  if (auto* f = panel_->field(which, param)) f->focus_entry();
}

void SurveyPage::refresh() {
  follow_condition();
  // A group without a question for what is fitted is not shown.
  for (std::size_t i = 0; i < groups_.size(); ++i) {
    const bool asked = !relevant_params(session_.job(), which_, kGroups[i]).empty();
    groups_[i]->setVisible(asked);
    if (!asked && kGroups[i] == group_) show_group(Group::control);
  }
}

void SurveyPage::follow_condition() {
  const Which shown = which_of(session_.shown());
  if (shown == which_) return;
  which_ = shown;
  (which_ == Which::found ? found_ : plan_)->setChecked(true);
  panel_->show_group(which_, group_);
}

}  // namespace yoke
