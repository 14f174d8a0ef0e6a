// Findings, not booleans: every check returns values and a list of these. The window lists them,
// the command line prints them, the sheet quotes them, gates read them.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "document/codes.hpp"
#include "quantity/message.hpp"

namespace yoke {

enum class Severity { note, warning, hard };
enum class Stage { survey, size, fit, rod, plumb, install, bleed, prove, record };
inline constexpr Stage kStages[] = {Stage::survey, Stage::size,  Stage::fit,
                                    Stage::rod,    Stage::plumb, Stage::install,
                                    Stage::bleed,  Stage::prove, Stage::record};
[[nodiscard]] std::string_view stage_words(Stage stage);
[[nodiscard]] std::string_view severity_words(Severity severity);

struct Finding {
  Severity severity = Severity::note;
  Stage stage = Stage::survey;
  FindingCode code{};
  Message message;  ///< what is the matter, with the actual figure
  Message limit;    ///< what it is held against
  Message remedy;
  Message source;  ///< where the limit comes from
  bool operator==(const Finding&) const = default;
};

}  // namespace yoke
