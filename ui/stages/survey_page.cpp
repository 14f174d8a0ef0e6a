#include <QButtonGroup>
#include <QHBoxLayout>

#include "ui/stages/pages.hpp"

namespace yoke {

SurveyPage::SurveyPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::survey,
                tr("What is on the car, how sure are we, what to measure next?"), parent) {
  const auto touched = [this](auto* face) {
    connect(face->line(), &LineView::dimension_touched, this, &SurveyPage::focus_param);
    return face;
  };
  register_faces(
      {{"dimensions", tr("Dimensions"),
        [&session, touched](QWidget* p) { return touched(new DimensionsFace(session, p)); }},
       {"wrong", tr("What is wrong"), [&session](QWidget* p) { return new WrongFace(session, p); }},
       {"unit", tr("The unit"),
        [&session](QWidget* p) {
          return new TopicFace(session, {Group::unit}, {"identity"},
                               tr("Nothing can be said of the unit yet."), p);
        }},
       {"state", tr("Age and rebuild"),
        [&session](QWidget* p) {
          return new TopicFace(
              session, {Group::ageing, Group::gauge, Group::kit, Group::changed},
              {"gauge", "kit", "ageing", "upstream"},
              tr("Answer what you see on the left: what breaks when it is disturbed, whether the "
                 "bore can be rebuilt, whether a kit fits and what an earlier change upset stand "
                 "here."),
              p);
        }},
       {"next", tr("Measure next"), [this, &session](QWidget* p) {
          auto* next = new MeasureNextView(session, p);
          connect(next, &MeasureNextView::wanted, this, &SurveyPage::focus_param);
          return next;
        }}});
  found_ = new QPushButton(tr("As found"), this);
  plan_ = new QPushButton(tr("Plan"), this);
  auto* systems = new QButtonGroup(this);
  for (auto* b : {found_, plan_}) {
    b->setCheckable(true);
    systems->addButton(b);
    heading()->addWidget(b);
  }
  connect(found_, &QPushButton::clicked, this, [this] { show_system(As::found); });
  connect(plan_, &QPushButton::clicked, this, [this] { show_system(As::plan); });
  found_->setChecked(true);
}

void SurveyPage::show_system(As which) {
  which_ = which;
  (which == As::found ? found_ : plan_)->setChecked(true);
  dimensions()->show_system(which);
  unit()->show_system(which);
  state()->show_system(which);
  if (as_of(session_.shown()) != which)
    session_.show_condition(which == As::found ? ConditionId::found : ConditionId::plan);
}

void SurveyPage::show_group(Group group) {
  for (const char* id : {"wrong", "unit", "state"})
    if (auto* topic = face_as<TopicFace>(id); topic->has(group)) {
      topic->show_group(group);
      show_face(id);
      return;
    }
  dimensions()->show_group(group);
}

ParamPanel* SurveyPage::panel() {
  for (const char* id : {"wrong", "unit", "state"})
    if (shows(id)) return face_as<TopicFace>(id)->panel();
  return dimensions()->panel();
}

void SurveyPage::focus_param(As which, Param param) {
  const Group group = info(param).group;
  if (group == Group::rod || group == Group::room) return;
  if (which != which_ && !found_only(group)) show_system(which);
  const bool topic = wrong()->has(group) || unit()->has(group) || state()->has(group);
  if (!topic && !shows("dimensions")) show_face("dimensions");
  if (topic || dimensions()->group() != group || !dimensions()->panel()->field(which, param))
    show_group(group);
  const As of = found_only(group) ? As::found : which;
  for (const char* id : {"wrong", "unit", "state"})
    if (shows(id)) {
      face_as<TopicFace>(id)->focus_param(of, param);
      return;
    }
  if (auto* f = panel()->field(of, param)) f->focus_entry();
}

void SurveyPage::refresh() {
  follow_condition();
  dimensions()->refresh();
  StagePage::refresh();
}

void SurveyPage::follow_condition() {
  const As shown = as_of(session_.shown());
  if (shown == which_) return;
  which_ = shown;
  (which_ == As::found ? found_ : plan_)->setChecked(true);
  dimensions()->show_system(which_);
  unit()->show_system(which_);
  state()->show_system(which_);
}

}  // namespace yoke
