// Runs the doubt computation beside the window: cancellable, always for the newest job.
#pragma once

#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <atomic>
#include <optional>

#include "doubt/cell_bands.hpp"

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
  /// The same, and how sure each cell of a map is.
  void ask(const Job& job, ConditionId id, std::vector<double> forces, const Sweep& map);
  /// Of the map's cells, in its order; empty until they are known.
  [[nodiscard]] const std::vector<CellBand>& cells() const { return cells_; }
  /// Of the plan, of the system as found, of each pinned candidate; empty where there is no press.
  [[nodiscard]] const std::vector<CurveBand>& bands() const { return bands_; }
  [[nodiscard]] const std::optional<ConditionDoubt>& report() const { return report_; }

 signals:
  void progressed(int percent);
  void finished();

 private:
  struct Asked {
    Job job;
    ConditionId id = ConditionId::plan;
    std::vector<double> forces;
    std::optional<Sweep> map;
  };
  struct Told;
  void start();
  static Told run(const Asked& asked, const DoubtRequest& request,
                  const std::function<bool()>& wanted);
  QThreadPool pool_;
  QTimer delay_;
  Asked asked_;
  std::atomic<unsigned> generation_{0};
  std::optional<ConditionDoubt> report_;
  std::vector<CurveBand> bands_;
  std::vector<CellBand> cells_;
};

/// "80 % likely between: effort 169 to 286 N, … Measure next: seal efficiency, …"
[[nodiscard]] QString doubt_words(const ConditionDoubt& report, const Style& style);

}  // namespace yoke
