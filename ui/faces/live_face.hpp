// Prove at an instrument: the line to it, push, travel and pressures as they come, the press drawn
// over its prediction while the foot moves, recorded, and read at the pushes that the proof asks.
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTimer>

#include "session/live_press.hpp"
#include "session/session.hpp"
#include "ui/dialogs.hpp"
#include "ui/face.hpp"
#include "ui/fields.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class LiveFace : public Face {
  Q_OBJECT

 public:
  LiveFace(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh() override;
  /// Opens what is named in the field for the line.
  void join();
  /// One of the two points of the chosen channel is what the instrument tells now.
  void set_point(bool upper);
  [[nodiscard]] InstrumentLink* link() { return live_.link(); }
  [[nodiscard]] QComboBox* line() const { return line_; }
  [[nodiscard]] QLineEdit* known() const { return known_; }
  [[nodiscard]] QComboBox* channel() const { return channel_; }
  [[nodiscard]] QComboBox* how() const { return how_; }
  [[nodiscard]] QPushButton* recorder() const { return record_; }
  [[nodiscard]] QLabel* state() const { return state_; }
  [[nodiscard]] QLabel* says() const { return says_; }
  [[nodiscard]] PictureView* figures() const { return figures_; }
  [[nodiscard]] PictureView* press() const { return press_; }
  /// Frames drawn since the face was made.
  [[nodiscard]] int frames() const { return frames_; }

 protected:
  void hideEvent(QHideEvent* e) override;
  void resizeEvent(QResizeEvent* e) override;

 private:
  QWidget* build_line();
  QWidget* build_keys();
  QWidget* build_points();
  void list_ports();
  void show_state();
  void frame();
  void take_way();
  void show_way();
  void export_samples();

  Session& session_;
  Dialogs& dialogs_;
  LivePress& live_;
  QTimer frame_;
  bool dirty_ = false;
  int frames_ = 0;
  std::optional<double> low_raw_, low_;
  ChannelWhat low_of_ = ChannelWhat::count_;
  Combo *line_, *speed_, *fault_, *how_, *channel_;
  QPushButton *join_, *start_, *record_, *export_;
  QCheckBox* assist_;
  QLineEdit *known_, *doubt_;
  QLabel *state_, *says_, *points_;
  QWidget* points_row_;
  PictureView *figures_, *press_, *pressure_;
};

}  // namespace yoke
