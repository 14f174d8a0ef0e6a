// What raises each finding code there is, and what mends it again.
#pragma once

#include <span>
#include <string_view>

#include "document/as_built.hpp"
#include "document/codes.hpp"
#include "support/build.hpp"

namespace yoke::test {

using Change = void (*)(Job&);

struct CodeRow {
  FindingCode code;
  const char* raise;  ///< "found:" for the fitted system, else of the plan: "rod.engaged=3 mm; …"
  const char* clear;
  Change also_raise = nullptr;
  Change also_clear = nullptr;
};

/// Sets values as a builder types them; "id=?" forgets one.
void set(Job& job, std::string_view text);
/// What was typical or taken over is measured on the very thing: nothing rests on a guess.
void state_everything(Job& job);
void wants(Job& job, LaterKind what);

inline constexpr const char* kClutchJob =
    "control.use=clutch; clutch.kind=push; clutch.slave_bore=22.22 mm; clutch.slave_stroke=30 mm; "
    "clutch.fork_slave=90 mm; clutch.fork_bearing=50 mm; clutch.peak=1400 N";

/// The rows, one or more for each code.
std::span<const CodeRow> code_rows();
/// The job in which a row's finding stands.
Job job_with(const CodeRow& row);

}  // namespace yoke::test
