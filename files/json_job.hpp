// Job files (.yoke): JSON text, UTF-8, sorted keys, an integer format version. Reading validates
// every field by the parameter table; members this version does not know survive a round trip.
#pragma once

#include <string>
#include <string_view>

#include "job/job.hpp"

namespace yoke {

inline constexpr int kFormatVersion = 1;
/// Oldest reader that can read what this version writes.
inline constexpr int kMinimumReader = 1;
/// Larger files are refused unread.
inline constexpr std::size_t kMostFileBytes = 4u << 20;

/// Writes a job. Same job, same bytes.
[[nodiscard]] std::string write_job(const Job& job);
/// Reads a job; an error names the place in the file ("found.master.bore") and the reason.
[[nodiscard]] Expected<Job> read_job(std::string_view text);
/// The JSON Schema (draft 2020-12) of the format, made from the parameter table.
[[nodiscard]] std::string job_schema();

}  // namespace yoke
