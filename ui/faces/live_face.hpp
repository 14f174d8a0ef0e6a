// Prove at an instrument: the line to it, push, travel and pressures as they come, the press drawn
// over its prediction while the foot moves, recorded, and read at the pushes that the proof asks.
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTemporaryDir>
#include <QTimer>
#include <memory>

#include "paint/live_figures.hpp"
#include "session/instrument_link.hpp"
#include "session/live_edits.hpp"
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
  /// Starts the stand-in with a fault by name.
  void stand_in(const QString& fault);
  /// Begins to record, or ends it and reads what was recorded.
  void record();
  /// One of the two points of the chosen channel is what the instrument tells now.
  void set_point(bool upper);
  [[nodiscard]] InstrumentLink* link() { return &link_; }
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
  /// The band behind the prediction, worked out when what it rests on was changed.
  void press_band();
  void tell(const QString& words);
  void export_samples();
  [[nodiscard]] std::vector<LiveFigure> live_figures() const;
  [[nodiscard]] Trace trail() const;
  [[nodiscard]] PressWay pressed_how() const;

  Session& session_;
  Dialogs& dialogs_;
  InstrumentLink link_;
  QTimer frame_;
  bool dirty_ = false;
  int frames_ = 0;
  PlotInput base_;
  struct BandOf {
    MeasuredSet found, plan, built;
    bool assist = false;
    double share = 0;
  };
  std::optional<BandOf> band_;
  std::vector<Trace> ghosts_;
  std::vector<Reading> practice_;  ///< of the stand-in that was started last
  std::optional<double> low_raw_, low_;
  ChannelWhat low_of_ = ChannelWhat::count_;
  std::unique_ptr<QTemporaryDir> lent_;  ///< the job as the stand-in reads it
  Combo *line_, *speed_, *fault_, *how_, *channel_;
  QPushButton *join_, *start_, *record_, *export_;
  QCheckBox* assist_;
  QLineEdit *known_, *doubt_;
  QLabel *state_, *says_, *points_;
  QWidget* points_row_;
  PictureView *figures_, *press_, *pressure_;
};

}  // namespace yoke
