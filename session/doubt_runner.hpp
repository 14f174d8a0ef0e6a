// Runs the doubt computation beside the window: cancellable, always for the newest job.
#pragma once

#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <atomic>
#include <optional>

#include "doubt/doubt.hpp"

namespace yoke {

class DoubtRunner : public QObject {
  Q_OBJECT

 public:
  explicit DoubtRunner(QObject* parent = nullptr);
  ~DoubtRunner() override;
  /// Asks for the bands of a condition; an older run is cancelled. Starts a moment later, so that
  /// dragging does not start one run a frame.
  /// With `forces` the bands of the curves at these pad forces are computed too.
  void ask(const Job& job, ConditionId id, std::vector<double> forces = {});
  /// Of the plan, of the system as found, of each pinned candidate; empty where there is no press.
  [[nodiscard]] const std::vector<CurveBand>& bands() const { return bands_; }
  [[nodiscard]] const std::optional<ConditionDoubt>& report() const { return report_; }

 signals:
  void progressed(int percent);
  void finished();

 private:
  void start();
  QThreadPool pool_;
  QTimer delay_;
  Job job_;
  ConditionId id_ = ConditionId::plan;
  std::atomic<unsigned> generation_{0};
  std::vector<double> forces_;
  std::optional<ConditionDoubt> report_;
  std::vector<CurveBand> bands_;
};

/// "Effort 169 to 286 N, travel 78 to 85 mm (8 of 10). Measure next: seal efficiency, …"
[[nodiscard]] QString doubt_words(const ConditionDoubt& report, const Style& style);

}  // namespace yoke
