// Journals: unsaved work, written beside its file (or in the user's state folder where the file's
// own folder cannot take it) while it is being done. A journal belongs to one process, which holds
// a lock beside it as long as it lives; nobody else touches it until that process is gone. What a
// gone process left is offered, set aside or brought back, never deleted unseen.
//
// A journal is one line of JSON (whose, when, of which file in which state) and the job's own text.
#pragma once

#include <filesystem>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "document/job.hpp"
#include "files/disk.hpp"

namespace yoke {

/// Whose journals: of a file, or of a job that has none yet (empty path).
struct JournalOf {
  std::filesystem::path file;
  std::filesystem::path state_folder;  ///< the user's; empty: only beside the file
  bool operator==(const JournalOf&) const = default;
};

/// One process's own journal. Not copied; dropping the object leaves the journal to be found.
class Journal {
 public:
  explicit Journal(JournalOf of);
  ~Journal();
  Journal(Journal&&) noexcept;
  Journal& operator=(Journal&&) noexcept;
  Journal(const Journal&) = delete;
  Journal& operator=(const Journal&) = delete;

  /// Writes the unsaved job and the state of the file that it grew from. An error when neither the
  /// file's folder nor the state folder takes it.
  [[nodiscard]] Expected<bool> write(const Job& job, const FileStamp& grew_from);
  /// The work is saved, or the builder chose not to keep it.
  void drop();
  /// Where it stands; empty while there is none.
  [[nodiscard]] std::filesystem::path path() const;

 private:
  struct Impl;
  std::unique_ptr<Impl> impl_;
};

/// Unsaved work that somebody left, or is doing right now.
struct Leftover {
  std::filesystem::path path;  ///< the journal
  std::filesystem::path file;  ///< the job file it belongs to; empty: none yet
  enum class Owner {
    gone,      ///< its process ended without saving: the work may be brought back
    alive,     ///< another window works on it
    elsewhere  ///< another machine's: whether it still runs cannot be told
  } owner = Owner::gone;
  std::string host;
  long pid = 0;
  std::string written;       ///< local time, "2026-05-31 14:05"; empty: not told
  std::string title;         ///< of the job in it
  FileStamp grew_from;       ///< what its file held then
  bool tells_state = false;  ///< whether `grew_from` says anything
  std::optional<Job> job;    ///< nothing: it cannot be read, `error` says why
  Message error;
};

/// Unsaved work that belongs to a file, or to no file yet; the newest first.
[[nodiscard]] std::vector<Leftover> leftovers(const JournalOf& of);
/// Takes a gone process's journal away after its job was taken over and written elsewhere.
void remove_leftover(const Leftover& left);
/// Makes a job file of it, beside its own file where that works, and takes the journal away; one
/// that cannot be read is moved as it is. Gives the path of what was made.
[[nodiscard]] Expected<std::filesystem::path> set_aside(const Leftover& left, const JournalOf& of);

}  // namespace yoke
