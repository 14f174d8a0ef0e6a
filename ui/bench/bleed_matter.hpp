// The bleeding counter: one nipple, one count, one key for each kind of stroke.
#pragma once

#include "session/stage_views.hpp"
#include "ui/bench/matter.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

/// What a hand under the car wants to hear: the warning first, else the count.
[[nodiscard]] QString spoken_count(const BleedLine& line, const Style& style);

class BleedMatter : public BenchMatter {
  Q_OBJECT

 public:
  BleedMatter(Session& session, QWidget* parent);
  [[nodiscard]] std::vector<BenchKey> keys() override;
  void refresh() override;
  /// With plugs the push is typed; else nothing is.
  [[nodiscard]] QLineEdit* entry() const override;

 private:
  enum class What { clear, bubbles, refill, dry };
  void count(What what);
  QLineEdit* push_;
  void step(int by);
  BleedView view_;
  std::size_t at_ = 0;
  QLabel* name_;
  QLabel* count_;
  QLabel* state_;
  QLabel* planned_;
  QLabel* caution_;
  PictureView* order_;
};

}  // namespace yoke
