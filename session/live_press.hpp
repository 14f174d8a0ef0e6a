// A press at the instrument, the same wherever it is shown: the line, how it is pressed, what was
// recorded and what was read from it. The page and the bench look at one of it; a session has one.
#pragma once

#include <QObject>
#include <QTemporaryDir>
#include <memory>

#include "paint/live_figures.hpp"
#include "session/instrument_link.hpp"
#include "session/live_edits.hpp"
#include "session/session.hpp"

namespace yoke {

class LivePress : public QObject {
  Q_OBJECT

 public:
  /// The one of a session; made when it is first asked for.
  static LivePress& of(Session& session);

  [[nodiscard]] InstrumentLink* link() { return &link_; }
  [[nodiscard]] const InstrumentLink* link() const { return &link_; }
  void open(const QString& path, int baud);
  /// Starts the stand-in with a fault by name; "hidden": one that is drawn.
  void stand_in(const QString& fault);
  [[nodiscard]] const PressWay& way() const { return way_; }
  void press_as(const PressWay& way);
  /// Begins to record, or ends it, reads what was recorded and takes it into the job.
  void record();

  /// How the line stands.
  [[nodiscard]] QString line_words() const;
  /// What was read last, or why nothing was.
  [[nodiscard]] const QString& says() const { return says_; }
  void tell(const QString& words);
  /// The last presses, the newest last.
  [[nodiscard]] const std::vector<Trace>& ghosts() const { return ghosts_; }
  /// What came in the last seconds while nothing is recorded.
  [[nodiscard]] Trace trail() const;
  /// What is being pressed now: recorded, or as it comes.
  [[nodiscard]] Trace now() const { return link_.recording() ? link_.trace() : trail(); }
  /// Works out the prediction and its band behind the press, where what they rest on was changed.
  void lay_ground();
  /// Push over travel: the press over its prediction.
  [[nodiscard]] PlotInput plot() const;
  /// What a channel tells now; nothing: it tells nothing, or its points are not set.
  [[nodiscard]] std::optional<double> told(ChannelWhat what) const;

 signals:
  void said();  ///< says() is another
  void way_changed();
  void line_changed();  ///< line_words() may be others, or recording began or ended

 private:
  explicit LivePress(Session& session);
  void look_whose();
  Session& session_;
  QString path_;  ///< of the job whose presses these are
  InstrumentLink link_;
  PressWay way_;
  QString says_;
  std::vector<Trace> ghosts_;
  PlotInput base_;
  struct BandOf {
    MeasuredSet found, plan, built;
    bool assist = false;
    double share = 0;
  };
  std::optional<BandOf> band_;
  std::vector<Reading> practice_;        ///< of the stand-in that was started last
  std::unique_ptr<QTemporaryDir> lent_;  ///< the job as the stand-in reads it
};

/// What the line tells now, channel by channel.
[[nodiscard]] std::vector<LiveFigure> live_figures(const Session& session, const LivePress& live);

}  // namespace yoke
