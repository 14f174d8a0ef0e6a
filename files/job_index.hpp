// An index of a folder of jobs (SQLite, full text by FTS5): made from the files, never the truth
// itself. It may be thrown away at any time; whatever happened to it, after `refresh` it says what
// the files say. Listing and searching compute nothing of a job.
#pragma once

#include <filesystem>
#include <functional>
#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "document/job.hpp"
#include "quantity/error.hpp"

struct sqlite3;

namespace yoke {

/// One job as the list shows it.
struct IndexedJob {
  std::string file;  ///< name in the folder
  std::string title, vehicle;
  std::string state;  ///< key of a JobState
  std::string kind;   ///< key of what is done in it; empty: not said
  std::string last;   ///< moment of the last thing that happened in it
  int hard = -1;      ///< hard findings when it was saved; -1: the file does not say
  std::string error;  ///< not readable: why
  bool operator==(const IndexedJob&) const = default;
};

/// What is looked for: words that all must be there, and values that all must fit.
struct IndexQuery {
  struct Wanted {
    std::vector<std::string> params;      ///< ids, any of them
    double least = -1e300, most = 1e300;  ///< SI
  };
  std::vector<std::string> words;
  std::vector<Wanted> values;
  bool operator==(const IndexQuery&) const = default;
};
bool operator==(const IndexQuery::Wanted& a, const IndexQuery::Wanted& b);
/// "bore 15/16; air > 2 cm3; tender": parts are set apart by a comma that no digit stands before
/// and after, or by a semicolon. A part whose words are of a value and that ends in a number looks
/// for the value, as near as a caliper measures it or beyond a sign (<, >); anything else is words.
[[nodiscard]] IndexQuery read_query(std::string_view text, const Style& style);

class JobIndex {
 public:
  /// Opens or makes it; one that is broken, or of another version, is thrown away and made anew.
  static Expected<JobIndex> open(const std::filesystem::path& database);
  JobIndex(JobIndex&&) noexcept;
  JobIndex& operator=(JobIndex&&) noexcept;
  ~JobIndex();

  struct Refreshed {
    int read = 0;       ///< files that were new or changed
    int gone = 0;       ///< files that are there no more
    bool more = false;  ///< stopped before all was read
  };
  /// Takes up what came, went or was changed in the folder; those that stand as they did are not
  /// opened. `go_on` is asked between files: false stops it, what was read so far is kept.
  [[nodiscard]] Expected<Refreshed> refresh(const std::filesystem::path& folder,
                                            const std::function<bool()>& go_on = {});
  /// In the order of their file names, at most so many.
  [[nodiscard]] std::vector<IndexedJob> find(const IndexQuery& query, std::size_t most = 500) const;
  [[nodiscard]] std::size_t size() const;
  /// Values of one job that the list may show, by their ids; SI.
  [[nodiscard]] std::vector<std::pair<std::string, double>> values_of(
      const std::string& file) const;
  /// Everything in it, in one text: two indexes of the same files say the same.
  [[nodiscard]] std::string dump() const;
  /// For synthetic tests: puts a job in as if its file had been read.
  [[nodiscard]] Expected<bool> put(const std::vector<std::pair<std::string, Job>>& jobs);

 private:
  explicit JobIndex(sqlite3* db) : db_(db) {}
  sqlite3* db_;
};

}  // namespace yoke
