// Saving and opening job files safely: written beside, synced, renamed; guarded against a file that
// changed on disk meanwhile; older copies kept; a journal beside the file brings back unsaved work.
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "files/json_job.hpp"

namespace yoke {

/// What the file held when it was read or written; empty when it did not exist.
struct FileStamp {
  std::size_t size = 0;
  std::size_t hash = 0;
  bool exists = false;
  bool operator==(const FileStamp&) const = default;
};

struct OpenedJob {
  Job job;
  FileStamp stamp;
};

/// Reads a whole file, refusing one above `most` bytes before reading it.
[[nodiscard]] Expected<std::string> read_file(const std::filesystem::path& path, std::size_t most);
[[nodiscard]] Expected<OpenedJob> open_job(const std::filesystem::path& path);
[[nodiscard]] FileStamp stamp_of(const std::filesystem::path& path);

/// Writes text beside the path, syncs and renames. On any failure the old file stays whole.
[[nodiscard]] Expected<FileStamp> write_atomically(const std::filesystem::path& path,
                                                   const std::string& text);
/// Saves a job. Refuses when the file is not what `expected` says it was (nullopt: do not ask).
/// Keeps the last three versions as name.yoke.old-1 … old-3.
[[nodiscard]] Expected<FileStamp> save_job(const std::filesystem::path& path, const Job& job,
                                           const std::optional<FileStamp>& expected);

/// The journal of a job file.
[[nodiscard]] std::filesystem::path journal_of(const std::filesystem::path& path);
[[nodiscard]] Expected<FileStamp> write_journal(const std::filesystem::path& path, const Job& job);
void drop_journal(const std::filesystem::path& path);
/// Unsaved work left by a crash, when there is any that differs from the file.
[[nodiscard]] std::optional<Job> recover(const std::filesystem::path& path, const Job& saved);

/// One line of a folder's list of jobs.
struct JobEntry {
  std::filesystem::path path;
  std::string title;
  std::string vehicle;
  JobState state = JobState::in_work;
  bool hard_findings = false;
  std::string error;  ///< not readable: why
};
/// Job files of a folder (not below it), sorted by name, at most 1000.
[[nodiscard]] std::vector<JobEntry> list_jobs(const std::filesystem::path& folder);

}  // namespace yoke
