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
  job_ = job;
  id_ = id;
  forces_ = std::move(forces);
  report_.reset();
  bands_.clear();
  delay_.start();
}

void DoubtRunner::start() {
  const unsigned mine = generation_;
  pool_.start([this, mine, job = job_, id = id_, forces = forces_] {
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
    Expected<ConditionDoubt> result = fail({"doubt", "", "", "The machine has no memory left", ""});
    std::vector<CurveBand> bands;
    try {  // an exception here would end the program
      result = doubt(job, id, q);
      if (result && !forces.empty())
        bands = bands_of(job, forces, q, [this, mine] { return mine == generation_; });
    } catch (const std::exception&) {
      bands.clear();
    }
    QMetaObject::invokeMethod(
        this,
        [this, mine, result, bands] {
          if (mine != generation_) return;
          if (result) report_ = *result;
          bands_ = bands;
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
  return QObject::
      tr("With all doubts, 8 of 10: effort %1, travel %2; the plan alone, sound, passes in %3 %. "
         "Measure next: %4.")
          .arg(range(r.band(PressQuantity::effort), Kind::force),
               range(r.band(PressQuantity::travel), Kind::length))
          .arg(r.pass_share * 100, 0, 'f', 0)
          .arg(next.isEmpty() ? QObject::tr("nothing, all is stated")
                              : next.join(QStringLiteral(", ")));
}

}  // namespace yoke
