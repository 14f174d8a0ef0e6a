#include "ui/faces/dimensions_face.hpp"

#include <QButtonGroup>
#include <QVBoxLayout>

#include "assembly/relevance.hpp"
#include "session/texts.hpp"
#include "ui/flow_layout.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {
constexpr Group kGroups[] = {Group::control, Group::assist,  Group::supply, Group::master,
                             Group::front,   Group::rear,    Group::lines,  Group::circuit,
                             Group::clutch,  Group::vehicle, Group::target};
}  // namespace

DimensionsFace::DimensionsFace(Session& session, QWidget* parent)
    : Face(parent), session_(session) {
  auto* body = new QVBoxLayout(this);
  body->setContentsMargins(0, 0, 0, 0);
  body->setSpacing(8);
  line_ = new LineView(session_, false, this);
  line_->set_editable();
  line_->setMinimumHeight(220);
  body->addWidget(line_, 9);
  auto* bar = new FlowLayout(4);
  auto* group_buttons = new QButtonGroup(this);
  whole_ = new QPushButton(tr("Whole"), this);
  whole_->setObjectName(QStringLiteral("small"));
  whole_->setCheckable(true);
  whole_->setToolTip(tr("The whole line of force, from the pedal to the wheels"));
  group_buttons->addButton(whole_);
  bar->addWidget(whole_);
  connect(whole_, &QPushButton::clicked, this, [this] { show_whole(); });
  for (const Group g : kGroups) {
    auto* b = new QPushButton(words_of(group_words(g)), this);
    b->setObjectName(QStringLiteral("small"));
    b->setCheckable(true);
    group_buttons->addButton(b);
    groups_.push_back(b);
    bar->addWidget(b);
    connect(b, &QPushButton::clicked, this, [this, g] { show_group(g); });
  }
  body->addLayout(bar);
  auto* lower = new QVBoxLayout;
  lower->setSpacing(4);
  panel_ = new ParamPanel(session_, 2, this);
  panel_->setMinimumHeight(96);
  lower->addWidget(panel_, 1);
  help_ = label(tr("Type a value as you read it: 7/8 in, 19,05 mm, 13/64\". “?” marks it unknown. "
                   "F9 walks to what is worth measuring next."),
                "soft", this);
  lower->addWidget(help_);
  body->addLayout(lower, 7);
  connect(panel_, &ParamPanel::entered, this,
          [this](Param p) { help_->setText(words_of(info(p).help)); });
  groups_.front()->setChecked(true);
  show_group(group_);
}

void DimensionsFace::show_system(As which) {
  which_ = which;
  show_group(group_);
}

/// The drawing alone, as large as there is room.
void DimensionsFace::show_whole() {
  whole_->setChecked(true);
  panel_->hide();
  line_->focus_group({});
}

void DimensionsFace::show_group(Group group) {
  group_ = group;
  panel_->show();
  for (std::size_t i = 0; i < groups_.size(); ++i)
    if (kGroups[i] == group) groups_[i]->setChecked(true);
  panel_->show_group(which_, group_);
  line_->focus_group(group_);
}

void DimensionsFace::refresh() {
  // A group without a question for what is fitted is not shown.
  for (std::size_t i = 0; i < groups_.size(); ++i) {
    const bool asked = !relevant_params(session_.job(), which_, kGroups[i]).empty();
    groups_[i]->setVisible(asked);
    if (!asked && kGroups[i] == group_) show_group(Group::control);
  }
}

}  // namespace yoke
