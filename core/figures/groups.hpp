// The groups, each in the file of its subject; only `figures.cpp` reads this.
#pragma once

#include "figures/figures.hpp"

namespace yoke {
struct Diagnosis;
}

namespace yoke::groups {

/// The likeliest causes, one line each. A share is told only where some cause explains what was
/// read: among causes that all fail a share of 99 % says nothing.
void add_causes(FigureGroup& group, const Diagnosis& diagnosis, std::size_t most);

/// A figure of the plan's own press: the foot strip's rule judges it. One that the rule does not
/// apply to is only told.
[[nodiscard]] Figure by_rule(Figure figure, const PressMargins& margins, PressRule rule);

/// The plan's model in a condition, or why there is none.
[[nodiscard]] Expected<FeelModel> plan_model(const FigureInputs& in, const Condition& c = {});

[[nodiscard]] FigureGroup control(const FigureInputs& in);
[[nodiscard]] FigureGroup ratio(const FigureInputs& in);
[[nodiscard]] FigureGroup press(const FigureInputs& in);
[[nodiscard]] FigureGroup bands(const FigureInputs& in);
[[nodiscard]] FigureGroup ports(const FigureInputs& in);
[[nodiscard]] FigureGroup balance(const FigureInputs& in);
[[nodiscard]] FigureGroup benchmarks(const FigureInputs& in);
[[nodiscard]] FigureGroup holding(const FigureInputs& in);
[[nodiscard]] FigureGroup backward(const FigureInputs& in);
[[nodiscard]] FigureGroup reserve(const FigureInputs& in);
[[nodiscard]] FigureGroup supply(const FigureInputs& in);
[[nodiscard]] FigureGroup twin(const FigureInputs& in);
[[nodiscard]] FigureGroup clutch(const FigureInputs& in);
[[nodiscard]] FigureGroup clutch_stack(const FigureInputs& in);
[[nodiscard]] FigureGroup reservoir(const FigureInputs& in);
[[nodiscard]] FigureGroup work_stages(const FigureInputs& in);
[[nodiscard]] FigureGroup proof(const FigureInputs& in);
[[nodiscard]] FigureGroup causes(const FigureInputs& in);
[[nodiscard]] FigureGroup identity(const FigureInputs& in);
[[nodiscard]] FigureGroup symptoms(const FigureInputs& in);
[[nodiscard]] FigureGroup before(const FigureInputs& in);
[[nodiscard]] FigureGroup slack(const FigureInputs& in);
[[nodiscard]] FigureGroup ageing(const FigureInputs& in);
[[nodiscard]] FigureGroup gauge(const FigureInputs& in);
[[nodiscard]] FigureGroup kit(const FigureInputs& in);
[[nodiscard]] FigureGroup upstream(const FigureInputs& in);
[[nodiscard]] FigureGroup assist_need_group(const FigureInputs& in);
[[nodiscard]] FigureGroup assist_types(const FigureInputs& in);
[[nodiscard]] FigureGroup concealed(const FigureInputs& in);
[[nodiscard]] FigureGroup plain_bore(const FigureInputs& in);
[[nodiscard]] FigureGroup chambers(const FigureInputs& in);
[[nodiscard]] FigureGroup valves(const FigureInputs& in);
[[nodiscard]] FigureGroup disturbed(const FigureInputs& in);
[[nodiscard]] FigureGroup tools(const FigureInputs& in);
[[nodiscard]] FigureGroup pattern(const FigureInputs& in);
[[nodiscard]] FigureGroup flange(const FigureInputs& in);
[[nodiscard]] FigureGroup offset(const FigureInputs& in);
[[nodiscard]] FigureGroup envelope(const FigureInputs& in);
[[nodiscard]] FigureGroup attitude(const FigureInputs& in);
[[nodiscard]] FigureGroup openings(const FigureInputs& in);
[[nodiscard]] FigureGroup rod_ends(const FigureInputs& in);
[[nodiscard]] FigureGroup rod_gaps(const FigureInputs& in);
[[nodiscard]] FigureGroup rod_heights(const FigureInputs& in);
[[nodiscard]] FigureGroup lamps(const FigureInputs& in);
[[nodiscard]] FigureGroup rod_retained(const FigureInputs& in);
[[nodiscard]] FigureGroup bleeding(const FigureInputs& in);
[[nodiscard]] FigureGroup dead_stroke_group(const FigureInputs& in);
[[nodiscard]] FigureGroup expected(const FigureInputs& in);
[[nodiscard]] FigureGroup fluid(const FigureInputs& in);
[[nodiscard]] FigureGroup later(const FigureInputs& in);

}  // namespace yoke::groups
