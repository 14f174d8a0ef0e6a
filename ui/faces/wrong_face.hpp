// What is wrong with the pedal as found: what is felt, and the curve before anything is changed.
#pragma once

#include "ui/readings_box.hpp"
#include "ui/topic_face.hpp"

namespace yoke {

class WrongFace : public TopicFace {
  Q_OBJECT

 public:
  WrongFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] ReadingsBox* before() const { return before_; }

 private:
  ReadingsBox* before_;
};

}  // namespace yoke
