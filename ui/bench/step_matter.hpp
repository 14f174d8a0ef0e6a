// One step of the work: what to do, what it can cost, and a tick.
#pragma once

#include "session/stage_views.hpp"
#include "ui/bench/matter.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class StepMatter : public BenchMatter {
  Q_OBJECT

 public:
  StepMatter(Session& session, QWidget* parent);
  [[nodiscard]] std::vector<BenchKey> keys() override;
  void refresh() override;
  [[nodiscard]] QLineEdit* entry() const override { return entry_; }

 private:
  void tick();
  void step(int by);
  [[nodiscard]] const StepRow* now() const;
  InstallView view_;
  std::size_t at_ = 0;
  QLabel* place_;
  QLabel* text_;
  QLabel* because_;
  QLabel* caution_;
  QLabel* state_;
  QLabel* measure_;
  QLineEdit* entry_;
  QLabel* call_;
  QLabel* refusal_;
  PictureView* track_ = nullptr;
  PictureView* picture_ = nullptr;
};

}  // namespace yoke
