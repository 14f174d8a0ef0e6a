#include "ui/faces/wrong_face.hpp"

namespace yoke {

WrongFace::WrongFace(Session& session, QWidget* parent)
    : TopicFace(session, {Group::symptom}, {"symptoms", "slack", "before"},
                tr("Press the pedal as it is and enter what you see: which cause is likely, what "
                   "it would cost, what would not help and the cheapest next test stand here. No "
                   "part needs to be known for that; with the brakes known each cause is "
                   "simulated."),
                parent) {
  before_ = new ReadingsBox(session, &Job::before,
                            tr("The pedal before: scale on the pedal pad, tape to the seat"), this);
  before_->setMaximumHeight(196);
  left()->addWidget(before_);
}

void WrongFace::refresh() {
  TopicFace::refresh();
  before_->refresh();
}

}  // namespace yoke
