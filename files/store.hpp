// Opening, saving and listing job files.
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "files/disk.hpp"
#include "files/json_job.hpp"

namespace yoke {

namespace choice {
enum class TargetJob;
}

struct OpenedJob {
  Job job;
  FileStamp stamp;
};
[[nodiscard]] Expected<OpenedJob> open_job(const std::filesystem::path& path);
[[nodiscard]] FileStamp stamp_of(const std::filesystem::path& path);

struct SaveRules {
  /// What the file should still hold; nothing: do not ask.
  std::optional<FileStamp> expected;
  bool into_read_only = false;
  /// What was found in the job, for the list of its folder.
  std::optional<Standing> standing{};
};
/// Saves a job; keeps the last three versions. What could not be read again is not saved: the bytes
/// on the disk are read back and compared with the job before they take the file's place.
[[nodiscard]] Expected<FileStamp> save_job(const std::filesystem::path& path, const Job& job,
                                           const SaveRules& rules = {});

/// One line of a folder's list of jobs.
struct JobEntry {
  std::filesystem::path path;
  std::string title;
  std::string vehicle;
  JobState state = JobState::in_work;
  std::optional<choice::TargetJob> kind;  ///< what is done in it; nothing: it was not said
  std::optional<int> hard_findings;       ///< when it was saved; nothing: the file does not say
  Message error;                          ///< not readable: why
};
/// What one file says itself.
[[nodiscard]] JobEntry job_entry(const std::filesystem::path& file);
/// Job files of a folder (not below it), sorted by name, at most 1000. What the files say
/// themselves: nothing is computed.
[[nodiscard]] std::vector<JobEntry> list_jobs(const std::filesystem::path& folder);

}  // namespace yoke
