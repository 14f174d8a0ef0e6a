#include <QButtonGroup>
#include <QHBoxLayout>

#include "assembly/relevance.hpp"
#include "session/curves.hpp"
#include "session/texts.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

namespace {
constexpr Group kGroups[] = {Group::control, Group::assist,  Group::supply, Group::master,
                             Group::front,   Group::rear,    Group::lines,  Group::circuit,
                             Group::clutch,  Group::vehicle, Group::target};
}  // namespace

SurveyPage::SurveyPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::survey,
                tr("What is on the car, how sure are we, what to measure next?"), parent) {
  const auto faces = make_faces({tr("Dimensions"), tr("What is wrong"), tr("The unit"),
                                 tr("Age and rebuild"), tr("Measure next")});
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
  build_dimensions(session);
  build_wrong(session, faces[0]);
  unit_ = new TopicFace(session, {Group::unit}, {"identity"},
                        tr("Nothing can be said of the unit yet."), this);
  faces[1]->addWidget(unit_, 1);
  state_ = new TopicFace(
      session, {Group::ageing, Group::gauge, Group::kit, Group::changed},
      {"gauge", "kit", "ageing", "upstream"},
      tr("Answer what you see on the left: what breaks when it is disturbed, whether the bore can "
         "be rebuilt, whether a kit fits and what an earlier change upset stand here."),
      this);
  faces[2]->addWidget(state_, 1);
  next_ = new MeasureNextView(session, this);
  faces[3]->addWidget(next_, 1);
  connect(next_, &MeasureNextView::wanted, this, &SurveyPage::focus_param);
  found_->setChecked(true);
  groups_.front()->setChecked(true);
  show_group(group_);
}

void SurveyPage::build_dimensions(Session& session) {
  line_ = new LineView(session, false, this);
  line_->set_editable();
  line_->setMinimumHeight(250);
  body()->addWidget(line_, 9);
  connect(line_, &LineView::dimension_touched, this, &SurveyPage::focus_param);
  auto* bar = new QHBoxLayout;
  bar->setSpacing(4);
  auto* group_buttons = new QButtonGroup(this);
  for (const Group g : kGroups) {
    auto* b = new QPushButton(words_of(group_words(g)), this);
    b->setObjectName(QStringLiteral("small"));
    b->setCheckable(true);
    group_buttons->addButton(b);
    groups_.push_back(b);
    bar->addWidget(b);
    connect(b, &QPushButton::clicked, this, [this, g] { show_group(g); });
  }
  bar->addStretch(1);
  body()->addLayout(bar);
  auto* lower = new QVBoxLayout;
  lower->setSpacing(4);
  panel_ = new ParamPanel(session, 2, this);
  lower->addWidget(panel_, 1);
  help_ = label(tr("Type a value as you read it: 7/8 in, 19,05 mm, 13/64\". “?” marks it unknown. "
                   "F9 walks to what is worth measuring next."),
                "soft", this);
  lower->addWidget(help_);
  body()->addLayout(lower, 7);
  connect(panel_, &ParamPanel::entered, this,
          [this](Param p) { help_->setText(words_of(info(p).help)); });
}

void SurveyPage::build_wrong(Session& session, QVBoxLayout* box) {
  wrong_ = new TopicFace(
      session, {Group::symptom}, {"symptoms", "slack", "before"},
      tr("Press the pedal as it is and enter what you see: which cause is likely, what it would "
         "cost, what would not help and the cheapest next test stand here. No part needs to be "
         "known for that; with the brakes known each cause is simulated."),
      this);
  before_ = new ReadingsBox(session, &Job::before,
                            tr("Before-curve: scale on the pad, tape to the seat"), this);
  before_->setMaximumHeight(196);
  wrong_->left()->addWidget(before_);
  box->addWidget(wrong_, 1);
}

void SurveyPage::show_system(Which which) {
  which_ = which;
  (which == Which::found ? found_ : plan_)->setChecked(true);
  show_group(group_);
  unit_->show_system(which);
  state_->show_system(which);
  if (which_of(session_.shown()) != which)
    session_.show_condition(which == Which::found ? ConditionId::found : ConditionId::plan);
}

void SurveyPage::show_group(Group group) {
  for (TopicFace* face : {wrong_, unit_, state_})
    if (face->has(group)) {
      face->show_group(group);
      show_face(face == wrong_ ? 1 : face == unit_ ? 2 : 3);
      return;
    }
  group_ = group;
  for (size_t i = 0; i < groups_.size(); ++i)
    if (kGroups[i] == group) groups_[i]->setChecked(true);
  panel_->show_group(which_, group_);
  line_->focus_group(group_);
}

ParamPanel* SurveyPage::panel() const {
  return face() == 1   ? wrong_->panel()
         : face() == 2 ? unit_->panel()
         : face() == 3 ? state_->panel()
                       : panel_;
}

void SurveyPage::focus_param(Which which, Param param) {
  const Group group = info(param).group;
  if (group == Group::rod || group == Group::room) return;
  if (which != which_ && !found_only(group)) show_system(which);
  const bool topic = wrong_->has(group) || unit_->has(group) || state_->has(group);
  if (!topic && face() != 0) show_face(0);
  if (topic || group_ != group || !panel_->field(which, param)) show_group(group);
  if (auto* f = panel()->field(found_only(group) ? Which::found : which, param)) f->focus_entry();
}

void SurveyPage::refresh() {
  follow_condition();
  // A group without a question for what is fitted is not shown.
  for (std::size_t i = 0; i < groups_.size(); ++i) {
    const bool asked = !relevant_params(session_.job(), which_, kGroups[i]).empty();
    groups_[i]->setVisible(asked);
    if (!asked && kGroups[i] == group_) show_group(Group::control);
  }
  // Only what is looked at is computed: causes are simulated one by one.
  switch (face()) {
    case 1:
      wrong_->refresh();
      before_->refresh();
      break;
    case 2:
      unit_->refresh();
      break;
    case 3:
      state_->refresh();
      break;
    case 4:
      next_->refresh();
      break;
    default:
      break;
  }
}

void SurveyPage::follow_condition() {
  const Which shown = which_of(session_.shown());
  if (shown == which_) return;
  which_ = shown;
  (which_ == Which::found ? found_ : plan_)->setChecked(true);
  panel_->show_group(which_, group_);
  unit_->show_system(which_);
  state_->show_system(which_);
}

}  // namespace yoke
