// The measuring walk: where the calliper goes, what it reads, with which tool, and what it buys.
#pragma once

#include <QPushButton>
#include <QVBoxLayout>

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
  [[nodiscard]] const std::vector<QPushButton*>& options() const { return options_; }

 private:
  [[nodiscard]] std::vector<BenchKey> fixed_keys();
  void keep();
  void step(int by);
  void unknown();
  void choose_tool(How how);
  void key_tool(How how);
  void show_asked();
  void show_options();
  [[nodiscard]] bool asks_outlets() const;
  void add_option(std::size_t number, const QString& words);
  void take_feeds(std::size_t option);
  void take_option(std::size_t option);
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
  QVBoxLayout* choices_;
  std::vector<QPushButton*> options_;  ///< of a choice: one large button each, with its number key
};

}  // namespace yoke
