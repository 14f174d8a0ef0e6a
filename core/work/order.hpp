// An order for steps that need each other.
#pragma once

#include <vector>

#include "work/steps.hpp"

namespace yoke {

/// Adds the builder's facts as needs, one after the other; one that would close a circle is left
/// out and returned as an error that names the circle. Facts about steps that the job has not are
/// passed over.
[[nodiscard]] std::vector<Error> add_facts(const std::vector<OrderFact>& facts,
                                           std::vector<Step>& steps);

/// Every step after what it needs. Of those that could be next: one whose waits are over, at the
/// place where one stands, with as many hands as are there, else the first of the table. A wait is
/// started as soon as it can, so that other work fills it. Steps that wait for each other are all
/// there, the first of the table first.
[[nodiscard]] std::vector<Step> ordered(std::vector<Step> steps);

}  // namespace yoke
