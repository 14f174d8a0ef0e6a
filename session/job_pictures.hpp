// Pictures of a job: copied into a folder beside it, named after it, so that both move together.
#pragma once

#include <QString>
#include <string>
#include <vector>

#include "document/job.hpp"
#include "quantity/error.hpp"

namespace yoke {

/// Copies a picture beside the job under a name that is free; the name is returned. Only what can
/// be read as a picture, up to 40 MB; an error says what is wrong.
[[nodiscard]] Expected<QString> keep_picture(const QString& job_path, const QString& from);
/// Takes the pictures that a job names along to where it is saved now; those that are there stay as
/// they are. How many could not be copied.
[[nodiscard]] int carry_pictures(const QString& from_job, const QString& to_job,
                                 const std::vector<std::string>& names);
/// The pictures that a job names, each once.
[[nodiscard]] std::vector<std::string> picture_names(const Job& job);
/// Where a picture of a job stands; a name with a folder in it stands nowhere.
[[nodiscard]] QString picture_path(const QString& job_path, const QString& name);

}  // namespace yoke
