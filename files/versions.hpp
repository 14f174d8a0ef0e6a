// Named versions of a job in a folder beside it, NAME.versions: each is a whole job file of its
// own, and one list holds their names. Copies that saving keeps (NAME.yoke.old-1 …) are listed with
// them.
#pragma once

#include <filesystem>
#include <string>
#include <vector>

#include "document/job.hpp"
#include "quantity/error.hpp"

namespace yoke {

inline constexpr std::size_t kMostVersions = 200;
inline constexpr std::size_t kMostVersionName = 120;

struct Version {
  std::string name;  ///< empty: a copy that saving kept
  std::string when;  ///< moment it was kept; of a kept copy when its file was written
  std::filesystem::path file;
  bool operator==(const Version&) const = default;
};
/// The newest first. What the list names and is not there is left out; what is no plain name too.
[[nodiscard]] std::vector<Version> versions_of(const std::filesystem::path& job_file);
/// Keeps the job under a name that no other version has.
[[nodiscard]] Expected<Version> keep_version(const std::filesystem::path& job_file, const Job& job,
                                             const std::string& name, const std::string& when);
/// The job of a version as it was then.
[[nodiscard]] Expected<Job> job_of_version(const Version& version);
/// Takes the versions of a job along to where it is saved now; how many could not be copied.
[[nodiscard]] int carry_versions(const std::filesystem::path& from_job,
                                 const std::filesystem::path& to_job);

}  // namespace yoke
