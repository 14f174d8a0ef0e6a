// At the instrument with gloves on: what it tells in figures for two metres, the press over its
// prediction, one key to record and to read it. The page of the stage shows the same line.
#pragma once

#include <QTimer>

#include "session/live_press.hpp"
#include "ui/bench/matter.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class InstrumentMatter : public BenchMatter {
  Q_OBJECT

 public:
  InstrumentMatter(Session& session, QWidget* parent);
  [[nodiscard]] std::vector<BenchKey> keys() override;
  void refresh() override;
  [[nodiscard]] QLabel* line() const { return line_; }
  [[nodiscard]] QLabel* says() const { return says_; }
  [[nodiscard]] QLabel* way() const { return way_; }
  [[nodiscard]] PictureView* figures() const { return figures_; }

 private:
  void show_line();
  void show_way();
  void open_line();
  void next_way();
  void frame();
  LivePress& live_;
  QTimer frame_;
  bool dirty_ = false;
  int speed_ = 0;  ///< of those that are tried in turn
  QLabel *line_, *way_, *says_;
  PictureView *figures_, *press_;
};

}  // namespace yoke
