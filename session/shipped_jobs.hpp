// The shipped jobs, as copies to practise on.
#pragma once

#include <QString>

#include "document/job.hpp"
#include "quantity/error.hpp"

namespace yoke {

/// ":/demo/fire-tender.yoke"
[[nodiscard]] Expected<Job> shipped_job(const QString& resource);

}  // namespace yoke
