// What a pedal does in each condition, to be read from two metres; nothing is worked on.
#pragma once

#include "ui/bench/matter.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class LookMatter : public BenchMatter {
  Q_OBJECT

 public:
  LookMatter(Session& session, QWidget* parent);
  [[nodiscard]] std::vector<BenchKey> keys() override;
  void refresh() override;

 private:
  PictureView* table_;
};

}  // namespace yoke
