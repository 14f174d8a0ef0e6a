#include "session/doubt_runner.hpp"

#include <QMetaObject>
#include <algorithm>

#include "parts/part.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {
constexpr int kPause_ms = 350;
constexpr std::size_t kSamples = 4000;
constexpr std::size_t kBandSamples = 600;
constexpr std::size_t kCellSamples = 40;
/// Plan, as found, candidates.
std::vector<CurveBand> bands_of(const Job& job, const std::vector<double>& forces, DoubtRequest q,
                                const std::function<bool()>& wanted) {
  q.samples = kBandSamples;
  q.progress = [&wanted](double) { return wanted(); };
  std::vector<CurveBand> list;
  const auto add = [&](const Job& of, ConditionId id) {
    auto b = curve_band(of, id, forces, q);
    list.push_back(b ? std::move(*b) : CurveBand{});
  };
  add(job, ConditionId::plan);
  add(job, ConditionId::found);
  for (const Candidate& c : job.candidates) add(with_candidate(job, c), ConditionId::plan);
  return list;
}

}  // namespace

DoubtRunner::DoubtRunner(QObject* parent) : QObject(parent) {
  pool_.setMaxThreadCount(1);
  delay_.setSingleShot(true);
  delay_.setInterval(kPause_ms);
  connect(&delay_, &QTimer::timeout, this, &DoubtRunner::start);
}

DoubtRunner::~DoubtRunner() {
  ++generation_;
  pool_.waitForDone();
}

void DoubtRunner::ask(const Job& job, ConditionId id, std::vector<double> forces) {
  ++generation_;
  asked_ = {job, id, std::move(forces), std::nullopt};
  report_.reset();
  bands_.clear();
  cells_.clear();
  delay_.start();
}

void DoubtRunner::ask(const Job& job, ConditionId id, std::vector<double> forces,
                      const Sweep& map) {
  ask(job, id, std::move(forces));
  asked_.map = map;
}

/// What one run tells.
struct DoubtRunner::Told {
  Expected<ConditionDoubt> result = fail({"doubt", "", "", "The machine has no memory left", ""});
  std::vector<CurveBand> bands;
  std::vector<CellBand> cells;
};

/// On the pool: what was asked for, as long as nobody asks anew.
DoubtRunner::Told DoubtRunner::run(const Asked& asked, const DoubtRequest& q,
                                   const std::function<bool()>& wanted) {
  Told told;
  try {  // an exception here would end the program
    told.result = doubt(asked.job, asked.id, q);
    if (told.result && !asked.forces.empty())
      told.bands = bands_of(asked.job, asked.forces, q, wanted);
    if (told.result && asked.map) {
      DoubtRequest few = q;
      few.samples = kCellSamples;
      few.progress = [&wanted](double) { return wanted(); };
      if (auto cells = cell_bands(asked.job, default_request(asked.job), *asked.map, few))
        told.cells = std::move(*cells);
    }
  } catch (const std::exception&) {
    told.bands.clear();
    told.cells.clear();
  }
  return told;
}

void DoubtRunner::start() {
  const unsigned mine = generation_;
  pool_.start([this, mine, asked = asked_] {
    DoubtRequest q;
    q.samples = kSamples;
    q.progress = [this, mine](double share) {
      QMetaObject::invokeMethod(
          this,
          [this, mine, share] {
            if (mine == generation_) emit progressed(static_cast<int>(share * 100));
          },
          Qt::QueuedConnection);
      return mine == generation_;
    };
    const Told told = run(asked, q, [this, mine] { return mine == generation_; });
    QMetaObject::invokeMethod(
        this,
        [this, mine, told] {
          if (mine != generation_) return;
          if (told.result) report_ = *told.result;
          bands_ = told.bands;
          cells_ = told.cells;
          emit finished();
        },
        Qt::QueuedConnection);
  });
}

QString doubt_words(const ConditionDoubt& r, const Style& style) {
  const auto range = [&](const Band& b, Kind kind) {
    return quantity_text(b.low, kind, 0, style) + QObject::tr(" to ") +
           quantity_text(b.high, kind, 0, style);
  };
  QStringList next;
  for (size_t i = 0; i < std::min<size_t>(3, r.ranked.size()); ++i)
    next << words_of(info(r.ranked[i].param).words).toLower();
  return QObject::tr(
             "80 % likely between: effort %1, travel %2; the plan alone, sound, passes in %3 %. "
             "Measure next: %4.")
      .arg(range(r.band(PressQuantity::effort), Kind::force),
           range(r.band(PressQuantity::travel), Kind::length))
      .arg(r.pass_share * 100, 0, 'f', 0)
      .arg(next.isEmpty() ? QObject::tr("nothing, all is stated")
                          : next.join(QStringLiteral(", ")));
}

}  // namespace yoke
