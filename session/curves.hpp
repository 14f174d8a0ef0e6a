// What the plots show: feel curves, travel budgets, readings against prediction.
#pragma once

#include "doubt/doubt.hpp"
#include "paint/plot.hpp"
#include "proving/estimate.hpp"
#include "session/session.hpp"

namespace yoke {

/// Forces at which a band of the plan's curve is asked for: up to a little over the effort limit.
[[nodiscard]] std::vector<double> band_forces(const Session& session);
/// Feel curves of today, plan and pinned candidates; their `bands` where they were computed:
/// plan, found, candidates, with
/// the limits and the wished stop marked.
[[nodiscard]] PlotInput feel_plot(const Session& session, const std::vector<CurveBand>& bands = {});
/// Rod angle over pad travel.
[[nodiscard]] PlotInput angle_plot(const Session& session);
/// Readings on the predicted curve of the plan, assist off and on.
[[nodiscard]] PlotInput prove_plot(const Session& session);
/// Pad travel of today and plan as layers, in one line each.
[[nodiscard]] QString budget_words(const ConditionReport& report, const Style& style);

}  // namespace yoke
