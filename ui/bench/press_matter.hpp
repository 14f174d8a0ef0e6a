// A press to prove: two numbers, what is expected and what was got; or what is to be seen.
#pragma once

#include <QComboBox>

#include "session/stage_views.hpp"
#include "ui/bench/matter.hpp"
#include "ui/nipple_row.hpp"

namespace yoke {

class PressMatter : public BenchMatter {
  Q_OBJECT

 public:
  PressMatter(Session& session, QWidget* parent);
  [[nodiscard]] std::vector<BenchKey> keys() override;
  void refresh() override;
  [[nodiscard]] QLineEdit* entry() const override { return got_; }
  [[nodiscard]] QLineEdit* who() const { return who_; }
  [[nodiscard]] NippleRow* opened() const { return opened_; }

 private:
  void answer(GateState state);
  void step(int by);
  void show_gate();
  [[nodiscard]] const GateRow* now() const;
  std::vector<GateRow> gates_;
  std::size_t at_ = 0;
  QLabel* words_;
  QLabel* how_;
  QLabel* expect_;
  QLabel* asked_;
  QLabel* state_;
  QLabel* refusal_;
  QComboBox* with_;  ///< what it was read with: never assumed unseen
  QLineEdit* got_;
  QLineEdit* who_;
  NippleRow* opened_;
};

}  // namespace yoke
