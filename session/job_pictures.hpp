// Pictures of a job: copied into a folder beside it, named after it, so that both move together.
#pragma once

#include <QString>

#include "quantity/error.hpp"

namespace yoke {

/// Copies a picture beside the job under a name that is free; the name is returned. Only what can
/// be read as a picture, up to 40 MB; an error says what is wrong.
[[nodiscard]] Expected<QString> keep_picture(const QString& job_path, const QString& from);
/// Where a picture of a job stands; a name with a folder in it stands nowhere.
[[nodiscard]] QString picture_path(const QString& job_path, const QString& name);

}  // namespace yoke
