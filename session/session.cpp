#include "session/session.hpp"

#include <QCoreApplication>
#include <QEvent>
#include <algorithm>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/master.hpp"
#include "logbook/log.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {
constexpr int kJournalDelay_ms = 1000;

/// A wish belongs to the job; a planned value replaces what was measured as built.
void put(Job& job, As which, Param param, const Measured& value) {
  const bool is_wish = info(param).group == Group::target;
  entered(job, is_wish ? As::found : which).set(param, value);
  if (which == As::plan) job.built.clear(param);
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
  connect(&journal_timer_, &QTimer::timeout, this, &Session::post_journal);
  connect(&journal_, &JournalWriter::problem_changed, this, &Session::file_changed);
  connect(&rule_watch_, &RuleWatch::made, this, &Session::rules_made);
  load(blank_job(), {});
}

Session::~Session() {
  write_journal_now();
}

QString Session::path() const {
  return QString::fromStdString(path_.string());
}

void Session::load(Job job, std::filesystem::path path) {
  job_ = std::make_shared<const Job>(std::move(job));
  saved_ = job_;
  path_ = std::move(path);
  undo_.clear();
  undo_bytes_ = 0;
  redo_.clear();
  recovered_ = false;
  leftovers_.clear();
  worked_on_elsewhere_ = false;
  pressed_m_ = 0;
  tools_.clear();
  journal_.start(journal_of());
  recompute();
}

Expected<bool> Session::edit(const QString& name, const std::function<void(Job&)>& fn,
                             const QString& merge) {
  const auto next = std::make_shared<Job>(*job_);
  fn(*next);
  if (*next == *job_) return false;
  if (auto e = unwritable(*next)) {
    emit refused(error_text(*e, style()));
    return fail(std::move(*e));
  }
  // What fn itself wrote into the logbook, or took over with it, is not written twice.
  if (next->events.size() == job_->events.size())
    log_events(*next, events_between(*job_, *next, wall_clock()), saved_->events.size());
  const bool joins = !merge.isEmpty() && !undo_.empty() && undo_.back().merge == merge;
  if (joins)
    undo_.back().name = name;
  else
    keep_for_undo({name, merge, job_});
  redo_.clear();
  job_ = next;
  announce();
  return true;
}

Expected<bool> Session::set_value(As which, Param param, const Measured& value,
                                  const QString& merge) {
  const QString before = value_text(*job_, which, param, style_);
  const QString after = value.known() ? shown_value(param, value.si, style_) : tr("unknown");
  const QString words = words_of(info(param).words);
  return edit(
      tr("%1 %2 → %3").arg(words, before, after), [&](Job& job) { put(job, which, param, value); },
      merge);
}

std::optional<Error> Session::objection(As which, Param param, const Measured& value) const {
  Job after = *job_;
  put(after, which, param, value);
  return new_impossibility(*job_, after);
}

How Session::tool_for(Param param, double si) const {
  const How usual = usual_tool(param, si);
  const auto it = tools_.find(info(param).group);
  if (it == tools_.end() || info(param).kind != Kind::length || it->second == How::estimate)
    return usual;
  // A calliper reaches no further than its jaws.
  return it->second == How::calliper && usual != How::calliper ? usual : it->second;
}

void Session::clear_value(As which, Param param) {
  const QString words = words_of(info(param).words);
  edit(which == As::plan ? tr("%1 as found").arg(words) : tr("%1 cleared").arg(words),
       [&](Job& job) {
         const bool is_wish = info(param).group == Group::target;
         entered(job, is_wish ? As::found : which).clear(param);
         if (which == As::plan) job.built.clear(param);
       });
}

void Session::announce() {
  recompute();
  // Not restarted by each edit: a long drag must not keep the journal waiting.
  if (!journal_timer_.isActive()) journal_timer_.start();
  tell();
  emit file_changed();
}

void Session::tell() {
  emit changed();
  judge_later();
}

/// Behind the painting of what changed: its event has a lower priority than a widget's update.
void Session::judge_later() {
  if (judging_) return;
  judging_ = true;
  QCoreApplication::postEvent(this, new QEvent(QEvent::User), Qt::LowEventPriority - 1);
}

void Session::customEvent(QEvent*) {
  judging_ = false;
  emit judged();
}

void Session::recompute() {
  strip_ = foot_strip(*job_);
  findings_ = find_all(*job_, strip_);
  rule_watch_.ask(*job_);
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
  MapKey k{job_->found, job_->plan, job_->built, q.bores_m, q.bores2_m, q.ratios};
  for (const Param p : {param::master_bore, param::master_bore2, param::control_pin_arm}) {
    k.plan.clear(p);
    k.built.clear(p);
  }
  return k;
}

const Expected<Sweep>& Session::map() const {
  if (map_) return *map_;
  const SweepRequest q = default_request(*job_);
  MapKey key = map_key(q);
  if (last_map_ && last_map_->first == key && score_again(*job_, q, last_map_->second)) {
    map_ = last_map_->second;
    return *map_;
  }
  map_ = sweep(*job_, q);
  last_map_.reset();
  if (*map_) last_map_.emplace(std::move(key), **map_);
  return *map_;
}

QString Session::status_of(Stage stage) const {
  return text_of(stage_status(*job_, stage, strip_, findings_), style_);
}

void Session::new_job() {
  take(blank_job());
}

void Session::take(Job job) {
  journal_timer_.stop();
  load(std::move(job), {});
  stamp_.reset();
  tell();
  emit pressed();
  emit file_changed();
}

Expected<bool> Session::open(const QString& path) {
  return open_file(path.toStdString());
}

Expected<bool> Session::open_file(const std::filesystem::path& file) {
  auto opened = open_job(file);
  if (!opened) return fail(opened.error());
  journal_timer_.stop();
  load(std::move(opened->job), file);
  stamp_ = opened->stamp;
  for (Leftover& left : yoke::leftovers(journal_of())) {
    if (left.owner == Leftover::Owner::alive)
      worked_on_elsewhere_ = true;
    else if (left.owner == Leftover::Owner::gone && left.job && *left.job == *job_)
      remove_leftover(left);  // what it holds is in the file: nothing goes with it
    else
      leftovers_.push_back(std::move(left));
  }
  tell();
  emit pressed();
  emit file_changed();
  return true;
}

void Session::settle(const FileStamp& stamp) {
  stamp_ = stamp;
  saved_ = job_;
  recovered_ = false;
  journal_timer_.stop();
  journal_.drop();
  emit file_changed();
  emit saved();
}

Standing Session::standing() const {
  return {static_cast<int>(std::count_if(findings_.begin(), findings_.end(), [](const Finding& f) {
    return f.severity == Severity::hard;
  }))};
}

Expected<bool> Session::save(bool into_read_only) {
  if (path_.empty())
    return fail({"file", "", "", "The job has no file yet", "Save it under a name"});
  const auto stamp = save_job(path_, *job_, {stamp_, into_read_only, standing()});
  if (!stamp) return fail(stamp.error());
  settle(*stamp);
  return true;
}

Expected<bool> Session::save_as(const QString& path, bool into_read_only) {
  const std::filesystem::path file = path.toStdString();
  const auto stamp = save_job(file, *job_, {std::nullopt, into_read_only, standing()});
  if (!stamp) return fail(stamp.error());
  journal_.drop();
  path_ = file;
  journal_.start(journal_of());
  settle(*stamp);
  return true;
}

void Session::set_state_folder(const QString& folder) {
  state_folder_ = folder.toStdString();
  journal_.start(journal_of());
}

void Session::post_journal() {
  journal_timer_.stop();
  if (dirty())
    journal_.write(*job_, stamp_.value_or(FileStamp{}));
  else
    journal_.drop();
}

void Session::write_journal_now() {
  post_journal();
  journal_.flush();
}

void Session::discard_journal() {
  journal_timer_.stop();
  journal_.drop();
  saved_ = job_;
}

std::vector<Leftover> Session::unnamed_leftovers() const {
  std::vector<Leftover> list = yoke::leftovers({{}, state_folder_});
  std::erase_if(list, [](const Leftover& l) { return l.owner == Leftover::Owner::alive; });
  return list;
}

bool Session::fits(const Leftover& left) const {
  return left.tells_state && left.grew_from == stamp_.value_or(FileStamp{});
}

Expected<bool> Session::bring_back(const Leftover& left) {
  if (!left.job)
    return fail({"journal", "", "", say("The unsaved work cannot be read: {}", left.error),
                 "It was left where it is"});
  if (left.file.empty()) {
    load(blank_job(), {});
    stamp_.reset();
  }
  const std::filesystem::path taken = left.path;  // `left` may stand in the list that shrinks below
  keep_for_undo({tr("bringing back unsaved work"), {}, job_});
  redo_.clear();
  job_ = std::make_shared<const Job>(*left.job);
  recovered_ = true;
  recompute();
  // The old journal goes only when a new one stands.
  write_journal_now();
  if (left.owner == Leftover::Owner::gone && journal_.stands()) remove_leftover(left);
  std::erase_if(leftovers_, [&](const Leftover& l) { return l.path == taken; });
  tell();
  emit pressed();
  emit file_changed();
  return true;
}

Expected<QString> Session::put_aside(const Leftover& left) {
  const std::filesystem::path taken = left.path;
  const auto to = set_aside(left, {left.file, state_folder_});
  if (!to) return fail(to.error());
  std::erase_if(leftovers_, [&](const Leftover& l) { return l.path == taken; });
  return QString::fromStdString(to->string());
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
