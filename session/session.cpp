#include "session/session.hpp"

#include <algorithm>

#include "session/texts.hpp"

namespace yoke {

namespace {
constexpr int kJournalDelay_ms = 1000;
constexpr std::size_t kMostUndo = 500;

/// A wish belongs to the job; a planned value replaces what was measured as built.
void put(Job& job, Which which, Param param, const Measured& value) {
  const bool is_wish = info(param).group == Group::target;
  (which == Which::found || is_wish ? job.found : job.plan).set(param, value);
  if (which == Which::plan) job.built.clear(param);
}
}  // namespace

Job blank_job() {
  Job job;
  job.title = "New job";
  return job;
}

Session::Session(QObject* parent) : QObject(parent) {
  journal_timer_.setSingleShot(true);
  journal_timer_.setInterval(kJournalDelay_ms);
  connect(&journal_timer_, &QTimer::timeout, this, &Session::write_journal_now);
  load(blank_job(), {});
}

Session::~Session() {
  write_journal_now();
}

QString Session::path() const {
  return QString::fromStdString(path_.string());
}

void Session::load(Job job, std::filesystem::path path) {
  job_ = std::move(job);
  saved_ = job_;
  path_ = std::move(path);
  undo_.clear();
  redo_.clear();
  recovered_ = false;
  pressed_m_ = 0;
  recompute();
}

void Session::edit(const QString& name, const std::function<void(Job&)>& fn, const QString& merge) {
  Job next = job_;
  fn(next);
  if (next == job_) return;
  const bool joins = !merge.isEmpty() && !undo_.empty() && undo_.back().merge == merge;
  if (joins)
    undo_.back().name = name;
  else
    undo_.push_back({name, merge, job_});
  if (undo_.size() > kMostUndo) undo_.erase(undo_.begin());
  redo_.clear();
  job_ = std::move(next);
  announce();
}

void Session::set_value(Which which, Param param, const Measured& value, const QString& merge) {
  const QString before = value_text(job_, which, param, style_);
  const QString after =
      value.known() ? QString::fromStdString(format_value(param, value.si, style_)) : tr("unknown");
  const QString words =
      QString::fromUtf8(info(param).words.data(), static_cast<qsizetype>(info(param).words.size()));
  edit(
      tr("%1 %2 → %3").arg(words, before, after), [&](Job& job) { put(job, which, param, value); },
      merge);
}

std::optional<Error> Session::objection(Which which, Param param, const Measured& value) const {
  Job after = job_;
  put(after, which, param, value);
  return new_impossibility(job_, after);
}

void Session::clear_value(Which which, Param param) {
  const QString words =
      QString::fromUtf8(info(param).words.data(), static_cast<qsizetype>(info(param).words.size()));
  edit(which == Which::plan ? tr("%1 as found").arg(words) : tr("%1 cleared").arg(words),
       [&](Job& job) {
         const bool is_wish = info(param).group == Group::target;
         (which == Which::found || is_wish ? job.found : job.plan).clear(param);
         if (which == Which::plan) job.built.clear(param);
       });
}

void Session::undo() {
  if (undo_.empty()) return;
  Undo step = std::move(undo_.back());
  undo_.pop_back();
  redo_.push_back({step.name, {}, job_});
  job_ = std::move(step.job);
  announce();
}

void Session::redo() {
  if (redo_.empty()) return;
  Undo step = std::move(redo_.back());
  redo_.pop_back();
  undo_.push_back({step.name, {}, job_});
  job_ = std::move(step.job);
  announce();
}

void Session::announce() {
  recompute();
  // Not restarted by each edit: a long drag must not keep the journal waiting.
  if (!journal_timer_.isActive()) journal_timer_.start();
  emit changed();
  emit file_changed();
}

void Session::recompute() {
  strip_ = foot_strip(job_);
  findings_ = find_all(job_, strip_);
  map_.reset();
  // A clutch has fewer conditions than brakes.
  if (shown_report().id != shown_) shown_ = ConditionId::plan;
  const auto& report = shown_report();
  if (report.curve)
    pressed_m_ = std::min(pressed_m_, report.curve->points.back().pad_travel_m);
  else
    pressed_m_ = 0;
}

Session::MapKey Session::map_key(const SweepRequest& q) const {
  MapKey k{job_.found, job_.plan, job_.built, q.bores_m, q.bores2_m, q.ratios};
  for (const Param p : {Param::master_bore, Param::master_bore2, Param::control_pin_arm}) {
    k.plan.clear(p);
    k.built.clear(p);
  }
  return k;
}

const Expected<Sweep>& Session::map() const {
  if (map_) return *map_;
  const SweepRequest q = default_request(job_);
  MapKey key = map_key(q);
  if (last_map_ && last_map_->first == key && score_again(job_, q, last_map_->second)) {
    map_ = last_map_->second;
    return *map_;
  }
  map_ = sweep(job_, q);
  last_map_.reset();
  if (*map_) last_map_.emplace(std::move(key), **map_);
  return *map_;
}

QString Session::status_of(Stage stage) const {
  return QString::fromStdString(stage_status(job_, stage, strip_, findings_));
}

void Session::new_job() {
  journal_timer_.stop();
  load(blank_job(), {});
  stamp_.reset();
  emit changed();
  emit pressed();
  emit file_changed();
}

Expected<bool> Session::open(const QString& path) {
  const std::filesystem::path file = path.toStdString();
  auto opened = open_job(file);
  if (!opened) return fail(opened.error());
  journal_timer_.stop();
  load(std::move(opened->job), file);
  stamp_ = opened->stamp;
  if (auto unsaved = recover(file, job_)) {
    undo_.push_back({tr("bringing back unsaved work"), {}, job_});
    job_ = std::move(*unsaved);
    recovered_ = true;
    recompute();
  }
  emit changed();
  emit pressed();
  emit file_changed();
  return true;
}

Expected<bool> Session::save() {
  if (path_.empty())
    return fail({"file", "", "", "The job has no file yet", "Save it under a name"});
  const auto stamp = save_job(path_, job_, stamp_);
  if (!stamp) return fail(stamp.error());
  stamp_ = *stamp;
  saved_ = job_;
  recovered_ = false;
  journal_timer_.stop();
  emit file_changed();
  return true;
}

Expected<bool> Session::save_as(const QString& path) {
  std::filesystem::path file = path.toStdString();
  if (file.extension() != ".yoke") file += ".yoke";
  const auto stamp = save_job(file, job_, std::nullopt);
  if (!stamp) return fail(stamp.error());
  discard_journal();
  path_ = file;
  stamp_ = *stamp;
  saved_ = job_;
  recovered_ = false;
  emit file_changed();
  return true;
}

std::filesystem::path Session::journal_anchor() const {
  if (!path_.empty()) return path_;
  return scratch_.empty() ? std::filesystem::path() : scratch_ / "unnamed.yoke";
}

void Session::write_journal_now() {
  journal_timer_.stop();
  const auto anchor = journal_anchor();
  if (anchor.empty()) return;
  if (!dirty()) {
    drop_journal(anchor);
    return;
  }
  // A journal that cannot be written is no reason to disturb the builder: saving itself will tell.
  (void)write_journal(anchor, job_);
}

void Session::discard_journal() {
  journal_timer_.stop();
  if (const auto anchor = journal_anchor(); !anchor.empty()) drop_journal(anchor);
  saved_ = job_;
}

bool Session::recover_scratch() {
  if (scratch_.empty()) return false;
  auto unsaved = recover(scratch_ / "unnamed.yoke", blank_job());
  if (!unsaved) return false;
  load(blank_job(), {});
  undo_.push_back({tr("bringing back unsaved work"), {}, job_});
  job_ = std::move(*unsaved);
  recovered_ = true;
  recompute();
  emit changed();
  emit file_changed();
  return true;
}

void Session::set_style(const Style& style) {
  if (style == style_) return;
  style_ = style;
  emit style_changed();
}

void Session::show_condition(ConditionId id) {
  if (id == shown_) return;
  shown_ = id;
  press(pressed_m_);
  emit pressed();
}

const ConditionReport& Session::shown_report() const {
  const auto it = std::find_if(strip_.begin(), strip_.end(),
                               [this](const ConditionReport& c) { return c.id == shown_; });
  return it == strip_.end() ? strip_.front() : *it;
}

void Session::press(double pad_travel_m) {
  const auto& report = shown_report();
  const double most = report.curve ? report.curve->points.back().pad_travel_m : 0.0;
  const double next = std::clamp(pad_travel_m, 0.0, most);
  if (next == pressed_m_) return;
  pressed_m_ = next;
  emit pressed();
}

std::optional<FeelPoint> Session::pressed_point() const {
  const auto& report = shown_report();
  if (!report.curve) return std::nullopt;
  return point_at_travel(*report.curve, pressed_m_);
}

}  // namespace yoke
