// Parts and what decides whether two of them are the same: the compatibility matrix. A dimension
// that was not compared is as loud as one that differs. Tolerances and consequences are common
// practice, no source.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"

namespace yoke {

/// A part of a catalogue, kept small: a builder's own list may have 20,000.
struct Part {
  PartKind kind = PartKind::master;
  std::string id;
  std::string maker;
  std::string name;
  std::string note;
  std::vector<std::pair<Param, double>> dims;  ///< SI, in the order of the parameter table
  [[nodiscard]] std::optional<double> at(Param p) const;
  bool operator==(const Part&) const = default;
};

/// One dimension of the matrix.
struct PartDim {
  Param param;
  double equal_within = 0;  ///< SI; choices must be the same
  std::string_view consequence;
};
/// What describes a kind of part, in the order of the matrix.
[[nodiscard]] std::span<const PartDim> part_dims(PartKind kind);
/// The kind of unit a job is about: a slave's master is a master, a hand lever a lever.
[[nodiscard]] PartKind part_kind_of(const Job& job);

/// A candidate with the part's dimensions, as stated by its maker.
[[nodiscard]] Candidate candidate_of(const Part& part);
/// The job with a candidate in the plan's place: what the candidate does not tell of itself is
/// unknown, never the fitted unit's.
[[nodiscard]] Job with_candidate(const Job& job, const Candidate& candidate);

enum class Sameness { equal, differs, not_compared };

struct MatrixRow {
  Param param = kNoParam;
  std::optional<double> fitted;
  std::optional<double> candidate;
  Sameness sameness = Sameness::not_compared;
  double by = 0;        ///< candidate less fitted; of choices nothing
  Message consequence;  ///< what the difference asks for, or what to measure
};
struct Matrix {
  std::vector<MatrixRow> rows;
  std::size_t equal = 0;
  std::size_t differ = 0;
  std::size_t not_compared = 0;
};

/// Fitted unit against one sheet of values (a candidate's, or the plan's own).
[[nodiscard]] Matrix compare(const Job& job, PartKind kind, const MeasuredSet& sheet);
/// "9 equal, 4 differ, 7 NOT COMPARED".
[[nodiscard]] Message matrix_words(const Matrix& matrix);
/// "equal", "differs by +1.20 mm (0.047 in)", "NOT COMPARED".
[[nodiscard]] Message sameness_words(const MatrixRow& row);

}  // namespace yoke
