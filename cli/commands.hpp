// The commands of yokestep-cli; each takes the words after its name and returns what to print.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "cli/table.hpp"
#include "document/job.hpp"
#include "strip/conditions.hpp"

namespace yoke::cli {

struct Arguments {
  std::string command;
  std::vector<std::string> files;
  std::map<std::string, std::string> options;  ///< "--bore-old" → text
  std::vector<std::string> sets;               ///< "id=value", in order
  Format format = Format::text;
  Style style;
};

struct Outcome {
  std::string out;
  std::string err;
  int status = 0;  ///< 0 fine, 1 a hard finding stands, 2 the words were wrong or a file unreadable
};

[[nodiscard]] Expected<Arguments> read_arguments(const std::vector<std::string>& words);
[[nodiscard]] Outcome run(const std::vector<std::string>& words);

[[nodiscard]] Expected<Table> solve(const Arguments& a);
[[nodiscard]] Expected<Table> relative_table(const Arguments& a);
[[nodiscard]] Expected<Table> rod_table(const Arguments& a);
/// Groups of figures: lever, press, balance, holding, reserve, clutch …
[[nodiscard]] Expected<Table> figures_table(const Arguments& a);
/// Bench arithmetic; without a name the list of it.
[[nodiscard]] Expected<Table> calc_table(const Arguments& a);
/// Every cell of the map, and the first of the ranking.
[[nodiscard]] Expected<Table> map_table(const Arguments& a);
/// The press of one condition, point by point.
[[nodiscard]] Expected<Table> curve_table(const Arguments& a);
/// "plan", "first_lost" …
[[nodiscard]] Expected<ConditionId> condition_named(const std::string& name);
/// An error for a condition that a job lacks: a clutch has no second circuit.
[[nodiscard]] std::optional<Error> not_of_this_job(const Job& job, ConditionId id);
/// Old against the plan, a pinned candidate, or a part of a catalogue.
[[nodiscard]] Expected<Table> compare_table(const Arguments& a);
/// The parts of a catalogue, and what is wrong in it.
[[nodiscard]] Expected<Table> catalogue_table(const Arguments& a);
/// What is worth measuring next.
[[nodiscard]] Expected<Table> next_table(const Arguments& a);
/// What the work waits for.
[[nodiscard]] Expected<Table> parts_table(const Arguments& a);
/// The records of one of the job's lists, a column for each member.
[[nodiscard]] Expected<Table> records_table(const Arguments& a);
/// Lines to make: straight, rotate, bend, with what they are cut from.
[[nodiscard]] Expected<Table> plumb_table(const Arguments& a);
[[nodiscard]] Expected<Table> fitting_table(const Arguments& a);
[[nodiscard]] Expected<Table> line_table(const Arguments& a);
/// One line unrolled at full size, as SVG or DXF.
[[nodiscard]] Expected<std::string> line_text(const Arguments& a);
/// A full-size template as SVG or DXF.
[[nodiscard]] Expected<std::string> template_text(const Arguments& a);
[[nodiscard]] Table params_table(const Arguments& a);
/// Bands of effort, travel and reserve, and what to measure next.
[[nodiscard]] Expected<Table> doubt_table(const Arguments& a);
/// The rule book of a job; with --rules all those that hold too. Sets `hard` when a hard rule
/// fails.
[[nodiscard]] Expected<Table> judge_table(const Arguments& a, bool& hard);
/// Every rule there is, without a job.
[[nodiscard]] Table rules_table(const Arguments& a);
[[nodiscard]] Expected<Table> steps_table(const Arguments& a);
/// Order, strokes, refills and fluid.
/// Ids of parameters, a space between them.
[[nodiscard]] std::string param_ids(const std::vector<Param>& params);
/// A quantity as a cell, both unit systems in its words.
[[nodiscard]] Cell full(double si, Kind kind, int digits, const Style& style);
[[nodiscard]] Expected<Table> bleed_table(const Arguments& a);
/// Sets `hard` when a gate stands failed.
[[nodiscard]] Expected<Table> gates_table(const Arguments& a, bool& hard);
/// The proof standing still, press by press.
[[nodiscard]] Expected<Table> prove_table(const Arguments& a, bool& hard);
/// Whether bands held what they said, over proved jobs.
[[nodiscard]] Expected<Table> right_table(const Arguments& a);
/// The jobs of a folder, found by words and values.
[[nodiscard]] Expected<Table> folder_table(const Arguments& a);
/// One of the tables for the bench.
[[nodiscard]] Expected<Table> bench_table(const Arguments& a);
/// The road stage by stage, or a stop out of a phone's table.
[[nodiscard]] Expected<Table> road_table(const Arguments& a, bool& hard);
/// What an instrument on the pedal of a job would tell, with a chosen fault, as its own lines.
[[nodiscard]] Expected<std::string> rig_text(const Arguments& a);
/// Air, slack, clearance from the readings, with their intervals.
[[nodiscard]] Expected<Table> fit_table(const Arguments& a);
/// Every intermediate of one press.
[[nodiscard]] Expected<Table> state_table(const Arguments& a);
/// Sets `hard` when a hard finding stands.
[[nodiscard]] Expected<Table> check_table(const Arguments& a, bool& hard);
/// The job of the first file with the --set overrides applied (to the plan; "found:" before an id
/// sets the fitted system).
[[nodiscard]] Expected<Job> job_of(const Arguments& a);

}  // namespace yoke::cli
