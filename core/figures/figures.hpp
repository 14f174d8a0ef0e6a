// The figures of a job, gathered by question and stage: what the window's figure pages, the command
// line and the sheet show. Each figure is a value with its verdict, or says why it cannot be said.
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "document/finding.hpp"
#include "strip/conditions.hpp"

namespace yoke {

struct Figure {
  Message words;             ///< "Rod angle, largest"
  std::optional<double> si;  ///< absent: said in words only
  Kind kind = Kind::number;
  int digits = 0;
  Message note;                               ///< limit, reason, or what is missing
  Verdict verdict = Verdict::not_applicable;  ///< of one that is only told
  std::vector<Param> decided_by;  ///< of one that holds if typical: measured, they settle it
  std::optional<FigureId> id;     ///< of one that a finding hangs on
  std::optional<PressRule> rule;  ///< of one that the foot strip judges: its verdict is the plan's
  [[nodiscard]] bool judged() const { return verdict != Verdict::not_applicable; }

  /// The same figure, known by its id.
  [[nodiscard]] Figure as(FigureId known) && {
    id = known;
    return std::move(*this);
  }
};

struct FigureGroup {
  GroupId id{};
  Message title;  ///< "Holding still"
  Stage stage = Stage::size;
  Message source;  ///< of formulas and limits
  std::vector<Figure> figures;
};

/// A figure that is only told.
[[nodiscard]] Figure told(Message words, double si, Kind kind, int digits, Message note = {});
/// A figure that is judged.
[[nodiscard]] Figure judged(Message words, double si, Kind kind, int digits, bool good,
                            Message note = {});
/// A figure that cannot be said, and why.
[[nodiscard]] Figure unsaid(Message words, Message because);
/// Words alone.
[[nodiscard]] Figure words_only(Message words, Message note);

/// What the groups are computed from.
struct FigureInputs {
  const Job* job = nullptr;
  StripInputs strip;
};

/// All groups that apply to this job, in the order of the stages. What passes is said to hold only
/// when no value that nobody measured decides it.
[[nodiscard]] std::vector<FigureGroup> figure_groups(const Job& job);
/// Those of one stage: the others are not computed.
[[nodiscard]] std::vector<FigureGroup> figure_groups(const Job& job, Stage stage);
/// Those of the ids given that apply, in their order; what they share is computed once.
[[nodiscard]] std::vector<FigureGroup> figure_groups(const Job& job,
                                                     const std::vector<GroupId>& ids);
[[nodiscard]] FigureGroup figure_group(const Job& job, GroupId id);
/// One by its name on the command line.
[[nodiscard]] Expected<FigureGroup> figure_group(const Job& job, const std::string& name);
/// Ids in order, whether or not they apply.
[[nodiscard]] std::vector<GroupId> figure_group_ids();
/// What the hard ones mean for the job: one finding a failed figure that must not stay.
[[nodiscard]] std::vector<Finding> figure_findings(const Job& job);

/// The same as a message.
[[nodiscard]] Message figure_message(const Figure& figure);
/// One figure in one line: "68 N (15 lbf), 32 N under the limit".
[[nodiscard]] std::string figure_text(const Figure& figure, const Style& style);

}  // namespace yoke
