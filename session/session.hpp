// The open job: one door for edits, undo and redo, saving, the journal, and everything computed
// from the job, kept up to date. Widgets read from here and edit through here only.
#pragma once

#include <QObject>
#include <QString>
#include <QTimer>
#include <deque>
#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <vector>

#include "files/json_job.hpp"
#include "files/store.hpp"
#include "judge/findings.hpp"
#include "session/journal_writer.hpp"
#include "session/rule_watch.hpp"
#include "sizing/sweep.hpp"
#include "strip/conditions.hpp"

namespace yoke {

class Session : public QObject {
  Q_OBJECT

 public:
  explicit Session(QObject* parent = nullptr);
  ~Session() override;

  [[nodiscard]] const Job& job() const { return *job_; }
  [[nodiscard]] bool dirty() const { return job_ != saved_ && *job_ != *saved_; }
  [[nodiscard]] QString path() const;
  [[nodiscard]] bool has_path() const { return !path_.empty(); }

  /// The one door for edits: `fn` changes a copy. No change, no step. Edits with the same non-empty
  /// `merge` key in a row become one undo step. What could not be saved and opened again is
  /// refused: the job stays as it is, the error names value and limit, and `refused` is emitted.
  Expected<bool> edit(const QString& name, const std::function<void(Job&)>& fn,
                      const QString& merge = {});
  /// Sets or clears one value, named after what changes: "Undo bore 1 in → 15/16 in".
  Expected<bool> set_value(As which, Param param, const Measured& value, const QString& merge = {});
  /// What a value would make impossible together with the others; nothing when it is fine.
  [[nodiscard]] std::optional<Error> objection(As which, Param param, const Measured& value) const;
  void clear_value(As which, Param param);
  /// How a length is taken to be measured when nobody says: with the tool last chosen for its
  /// group, else with the one that fits its size.
  [[nodiscard]] How tool_for(Param param, double si) const;
  void remember_tool(Param param, How how) { tools_[info(param).group] = how; }

  [[nodiscard]] bool can_undo() const { return !undo_.empty(); }
  [[nodiscard]] bool can_redo() const { return !redo_.empty(); }
  [[nodiscard]] QString undo_name() const { return can_undo() ? undo_.back().name : QString(); }
  [[nodiscard]] QString redo_name() const { return can_redo() ? redo_.back().name : QString(); }
  void undo();
  void redo();

  void new_job();
  /// A job that has no file yet: one just begun, or a copy of a shipped one to practise on.
  void take(Job job);
  /// Opens a file. Unsaved work of a crash is not taken up by itself: see `leftovers`.
  [[nodiscard]] Expected<bool> open(const QString& path);
  [[nodiscard]] Expected<bool> open_file(const std::filesystem::path& file);
  /// An error with the field `kReadOnlyField` can be settled by saving again, into it.
  [[nodiscard]] Expected<bool> save(bool into_read_only = false);
  /// Takes the name as it is given.
  [[nodiscard]] Expected<bool> save_as(const QString& path, bool into_read_only = false);

  /// The user's folder for journals that a job's own folder cannot take, and of unnamed jobs.
  void set_state_folder(const QString& folder);
  /// Writes the journal now when there is unsaved work, and waits for it.
  void write_journal_now();
  /// The builder chose not to keep unsaved work.
  void discard_journal();
  /// Why unsaved work is not protected at this moment; nothing while it is.
  [[nodiscard]] std::optional<Error> journal_problem() const { return journal_.problem(); }
  [[nodiscard]] bool recovered() const { return recovered_; }
  /// Unsaved work on the open file that a process left which is gone, the newest first.
  [[nodiscard]] const std::vector<Leftover>& leftovers() const { return leftovers_; }
  /// Whether another window has unsaved work on the open file.
  [[nodiscard]] bool worked_on_elsewhere() const { return worked_on_elsewhere_; }
  /// Unsaved work of jobs that never had a file.
  [[nodiscard]] std::vector<Leftover> unnamed_leftovers() const;
  /// Whether the file is still in the state that the work grew from.
  [[nodiscard]] bool fits(const Leftover& left) const;
  /// Takes the work up as an edit that can be undone.
  [[nodiscard]] Expected<bool> bring_back(const Leftover& left);
  /// Makes a file of it beside the job; gives its path.
  [[nodiscard]] Expected<QString> put_aside(const Leftover& left);

  [[nodiscard]] const Style& style() const { return style_; }
  void set_style(const Style& style);

  [[nodiscard]] const std::vector<ConditionReport>& strip() const { return strip_; }
  [[nodiscard]] const std::vector<Finding>& findings() const { return findings_; }
  [[nodiscard]] const Expected<Sweep>& map() const;
  /// Every rule, with what it rests on; nothing while it is still being looked into.
  [[nodiscard]] const std::optional<std::vector<JudgedRule>>& rules() const {
    return rule_watch_.book();
  }
  [[nodiscard]] QString status_of(Stage stage) const;

  /// The condition the line of force shows, and how far its pad is pressed.
  [[nodiscard]] ConditionId shown() const { return shown_; }
  void show_condition(ConditionId id);
  [[nodiscard]] const ConditionReport& shown_report() const;
  [[nodiscard]] double pressed_m() const { return pressed_m_; }
  void press(double pad_travel_m);
  /// State of the shown condition at the pressed travel; nothing when no curve can be computed.
  [[nodiscard]] std::optional<FeelPoint> pressed_point() const;

 signals:
  void changed();        ///< the job, or what is computed from it
  void judged();         ///< after it, once what changed is painted: words around the work follow
  void pressed();        ///< the pad, or the shown condition
  void rules_made();     ///< the rule book of the job as it is
  void style_changed();  ///< units
  void file_changed();   ///< path, saved state, undo list, state of the journal
  void saved();          ///< a file was written
  void refused(const QString& why);

 private:
  struct Undo {
    QString name;
    QString merge;
    std::shared_ptr<const Job> job;  ///< shared with what was shown then: nothing is copied
  };
  void keep_for_undo(Undo step);
  [[nodiscard]] std::shared_ptr<const Job> written_on(std::shared_ptr<const Job> job,
                                                      const QString& what) const;
  void customEvent(QEvent* e) override;
  void judge_later();
  void tell();
  bool judging_ = false;
  void load(Job job, std::filesystem::path path);
  void recompute();
  void announce();
  void settle(const FileStamp& stamp);
  void post_journal();
  [[nodiscard]] JournalOf journal_of() const { return {path_, state_folder_}; }

  std::shared_ptr<const Job> job_;
  std::shared_ptr<const Job> saved_;
  std::filesystem::path path_;
  std::filesystem::path state_folder_;
  std::optional<FileStamp> stamp_;
  std::deque<Undo> undo_;
  std::size_t undo_bytes_ = 0;
  std::vector<Undo> redo_;
  bool recovered_ = false;
  std::vector<Leftover> leftovers_;
  bool worked_on_elsewhere_ = false;
  Style style_;
  std::vector<ConditionReport> strip_;
  [[nodiscard]] Standing standing() const;
  std::vector<Finding> findings_;
  /// What a map was computed from, the plan's own place in it left out.
  struct MapKey {
    MeasuredSet found, plan, built;
    std::vector<double> bores_m, bores2_m, ratios;
    bool operator==(const MapKey&) const = default;
  };
  [[nodiscard]] MapKey map_key(const SweepRequest& request) const;
  mutable std::optional<Expected<Sweep>> map_;
  mutable std::optional<std::pair<MapKey, Sweep>> last_map_;
  std::map<Group, How> tools_;  ///< last chosen, of lengths
  ConditionId shown_ = ConditionId::plan;
  double pressed_m_ = 0;
  QTimer journal_timer_;
  JournalWriter journal_;
  RuleWatch rule_watch_;
};

/// An empty job with a title.
[[nodiscard]] Job blank_job();

}  // namespace yoke
