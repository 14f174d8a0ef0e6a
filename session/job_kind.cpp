#include "session/job_kind.hpp"

#include <algorithm>

#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "document/param/symptom.hpp"
#include "document/values.hpp"
#include "plumbing/supply_lines.hpp"
#include "session/session.hpp"
#include "work/clean_change.hpp"

namespace yoke {

namespace {

using choice::TargetJob;

std::optional<TargetJob> kind_of(const Job& job) {
  return value_of(job, As::plan, param::target_job).as<TargetJob>();
}

template <class Choice>
void put(MeasuredSet& set, Param param, Choice choice) {
  set.set(param, {static_cast<double>(choice), How::stated, 0, {}});
}

bool one_of(Stage stage, std::initializer_list<Stage> list) {
  return std::find(list.begin(), list.end(), stage) != list.end();
}

bool is_clutch(const Job& job) {
  return is(job, As::plan, choice::ControlUse::clutch);
}

}  // namespace

Job begun_job(TargetJob kind) {
  Job job = blank_job();
  put(job.found, param::target_job, kind);
  const bool clutch = kind == TargetJob::cable || kind == TargetJob::clutch;
  put(job.found, param::control_use,
      clutch ? choice::ControlUse::clutch : choice::ControlUse::brake);
  if (kind == TargetJob::circuits) {
    put(job.found, param::master_kind, choice::MasterKind::single);
    put(job.plan, param::master_kind, choice::MasterKind::tandem);
  }
  if (kind == TargetJob::lever) {
    put(job.found, param::control_kind, choice::ControlKind::lever_radial);
    put(job.found, param::assist_kind, choice::AssistKind::none);
  }
  return job;
}

FirstMeasure first_measure(TargetJob kind) {
  switch (kind) {
    case TargetJob::bores:
    case TargetJob::master:
      return {As::found, param::master_bore};
    case TargetJob::feel:
      return {As::found, param::symptom_first};
    default:
      return {As::found, param::control_pad_arm};
  }
}

bool has_stage(const Job& job, const std::vector<Finding>& findings, Stage stage) {
  const auto kind = kind_of(job);
  if (!kind) return true;
  const bool hard = std::any_of(findings.begin(), findings.end(), [stage](const Finding& f) {
    return f.stage == stage && f.severity == Severity::hard;
  });
  if (hard) return true;
  if (*kind == TargetJob::bores) return one_of(stage, {Stage::survey, Stage::size, Stage::record});
  // What merely feels wrong is found and mended: nothing new is fitted or drilled.
  if (*kind == TargetJob::feel) return !one_of(stage, {Stage::fit, Stage::install});
  return true;
}

bool has_calculator(const Job& job, std::string_view id) {
  return id != "height" || !pulled_by_hand(job);
}

bool has_face(const Job& job, Stage stage, std::string_view face) {
  if (stage == Stage::plumb && face == "feeds") return !feed_rows(job).empty();
  if (stage == Stage::bleed && face == "change") return !clean_change(job).steps.empty();
  if (stage == Stage::bleed && face == "purge")
    return !is_clutch(job) && is(job, As::plan, choice::AssistKind::hydraulic);
  const auto kind = kind_of(job);
  if (is_clutch(job) && stage == Stage::size && face == "assist") return false;
  if (!kind) return true;
  // A first hydraulic clutch has no old unit to look at.
  if (*kind == TargetJob::cable && stage == Stage::survey)
    return face != "wrong" && face != "state";
  if (*kind == TargetJob::bores) {
    if (stage == Stage::survey) return face == "dimensions" || face == "next";
    if (stage == Stage::size) return face == "map" || face == "units";
  }
  if (*kind == TargetJob::lever && stage == Stage::size) return face != "assist";
  if (*kind == TargetJob::feel && stage == Stage::size) return face != "later";
  return true;
}

}  // namespace yoke
