// Job files (.yoke): JSON text, UTF-8, sorted keys, an integer format version. Reading validates
// every field by the parameter table; members this version does not know survive a round trip.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "document/job.hpp"
#include "files/limits.hpp"

namespace yoke {

inline constexpr int kFormatVersion = 1;
/// Oldest reader that can read what this version writes.
inline constexpr int kMinimumReader = 1;

/// What was found in a job when it was saved; it stands in the file beside the job.
struct Standing {
  int hard_findings = 0;
  bool operator==(const Standing&) const = default;
};

/// Writes a job. Same job, same bytes.
[[nodiscard]] std::string write_job(const Job& job, const std::optional<Standing>& standing = {});
/// What the file says was found in this very job; nothing if it does not say, or was changed since
/// by something that did not look.
[[nodiscard]] std::optional<Standing> read_standing(std::string_view text, const Job& job);
/// Reads a job; an error names the place in the file ("found.master.bore") and the reason.
[[nodiscard]] Expected<Job> read_job(std::string_view text);
/// What of a job could not be read again once it was written: which value, and its limit. Every
/// edit is held against it, and so is saving.
[[nodiscard]] std::optional<Error> unwritable(const Job& job);
/// The same for a single sheet of values, as a candidate or an import brings it.
[[nodiscard]] std::optional<Error> unwritable(const MeasuredSet& sheet);
/// The JSON Schema (draft 2020-12) of the format, made from the parameter table.
[[nodiscard]] std::string job_schema();

}  // namespace yoke
