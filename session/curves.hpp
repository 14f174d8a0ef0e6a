// What the plots show: feel curves, travel budgets, readings against prediction.
#pragma once

#include "paint/plot.hpp"
#include "proving/fit.hpp"
#include "session/session.hpp"

namespace yoke {

/// Feel curves of today and plan, with the limits and the wished stop marked.
[[nodiscard]] PlotInput feel_plot(const Session& session);
/// Rod angle over pad travel.
[[nodiscard]] PlotInput angle_plot(const Session& session);
/// Readings on the predicted curve of the plan, assist off and on.
[[nodiscard]] PlotInput prove_plot(const Session& session);
/// What the readings say, in words, with their doubt, or that they cannot tell.
[[nodiscard]] QStringList prove_words(const Session& session);
/// Pad travel of today and plan as layers, in one line each.
[[nodiscard]] QString budget_words(const ConditionReport& report, const Style& style);

}  // namespace yoke
