// What two states of a job differ in, in words: "Bore: 25.40 mm → 23.81 mm", "3 readings more".
#pragma once

#include <QStringList>

#include "document/job.hpp"

namespace yoke {

/// At most `most` lines; what is left out is counted in a last one.
[[nodiscard]] QStringList differences(const Job& before, const Job& after, const Style& style,
                                      int most = 6);

}  // namespace yoke
