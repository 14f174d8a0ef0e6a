// The records of a job as tables: one column for each member, by the description that reader,
// writer and schema follow. From here they go out as CSV.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "document/job.hpp"

namespace yoke {

/// One value of a record as the file writes it; numbers are SI.
struct RecordCell {
  std::string text;
  double number = 0;
  bool numeric = false;
};
struct RecordTable {
  std::vector<std::string> keys;  ///< "id" first where records have one
  std::vector<std::vector<RecordCell>> rows;
};

/// Names of the lists and maps of a job: "readings", "parts", "gates" …
[[nodiscard]] std::vector<std::string_view> record_lists();
/// An error names the lists there are.
[[nodiscard]] Expected<RecordTable> record_table(const Job& job, const std::string& list);

}  // namespace yoke
