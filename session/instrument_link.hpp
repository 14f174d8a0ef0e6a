// The line to an instrument: opened, read, lost and found again; what came lately, and what is
// being recorded. Whatever comes, the window goes on.
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>
#include <deque>
#include <memory>

#include "instrument/trace.hpp"

class QProcess;
class QSerialPort;

namespace yoke {

/// A port that may be opened.
struct InstrumentPort {
  QString path;   ///< "/dev/ttyUSB0"
  QString words;  ///< "ttyUSB0, bench box"
};
[[nodiscard]] std::vector<InstrumentPort> instrument_ports();

class InstrumentLink : public QObject {
  Q_OBJECT

 public:
  enum class State {
    off,
    silent,       ///< open, nothing comes
    unread,       ///< something comes, no head yet
    wrong_speed,  ///< nothing of it can be read
    good,
    lost  ///< it went away; looked for until it is shut
  };

  explicit InstrumentLink(QObject* parent = nullptr);
  ~InstrumentLink() override;
  /// An error says why it cannot be opened.
  Expected<bool> open(const QString& path, int baud);
  void shut();
  /// A stand-in is started for a job's file and opened; `fault` by name, "hidden" for one that is
  /// drawn.
  Expected<bool> start_rig(const QString& program, const QString& job_file, const QString& fault);

  [[nodiscard]] State state() const { return state_; }
  [[nodiscard]] const QString& path() const { return path_; }
  [[nodiscard]] const LineReader& reader() const { return reader_; }
  /// The last minute, the oldest first.
  [[nodiscard]] const std::deque<LineSample>& lately() const { return lately_; }
  [[nodiscard]] std::optional<LineSample> newest() const;
  /// Seconds since the last sample.
  [[nodiscard]] double silent_s() const;

  void record();
  /// What was recorded; recording ends.
  [[nodiscard]] Trace recorded();
  [[nodiscard]] bool recording() const { return recording_; }
  [[nodiscard]] const Trace& trace() const { return trace_; }
  [[nodiscard]] int lost_in_recording() const;

  /// Bytes as they come from any line: the serial port's, and a test's.
  void take(const QByteArray& bytes);

 signals:
  void came();
  void state_changed();

 private:
  void reopen();
  void went_away();
  void look();
  void set(State state);

  std::unique_ptr<QSerialPort> port_;
  std::unique_ptr<QProcess> rig_;
  QString path_;
  int baud_ = 115200;
  LineReader reader_;
  State state_ = State::off;
  QTimer again_, watch_;
  QElapsedTimer clock_;
  double last_s_ = 0;
  std::deque<LineSample> lately_;
  bool recording_ = false;
  Trace trace_;
  LineCounts before_;
};

}  // namespace yoke
