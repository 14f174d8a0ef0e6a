// The measuring walk: where the calliper goes, what it reads, with which tool, and what it buys.
#pragma once

#include <QPushButton>

#include "doubt/measure_next.hpp"
#include "ui/bench/matter.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class WalkMatter : public BenchMatter {
  Q_OBJECT

 public:
  WalkMatter(Session& session, QWidget* parent);
  [[nodiscard]] std::vector<BenchKey> keys() override;
  void refresh() override;
  [[nodiscard]] QLineEdit* entry() const override { return entry_; }
  /// What is asked for now; nothing when all is known.
  [[nodiscard]] const std::optional<NextMeasure>& asked() const { return asked_; }
  [[nodiscard]] How tool() const { return tool_; }

 private:
  void keep();
  void step(int by);
  void unknown();
  void choose_tool(How how);
  void show_asked();
  std::vector<NextMeasure> walked_;  ///< what was shown before, the newest last
  std::optional<NextMeasure> asked_;
  How tool_ = How::calliper;
  QLabel* name_;
  QLabel* help_;
  PictureView* drawing_;
  QLineEdit* entry_;
  QLabel* now_;
  QLabel* buys_;
  QLabel* refusal_;
  std::vector<std::pair<How, QPushButton*>> tools_;
};

}  // namespace yoke
