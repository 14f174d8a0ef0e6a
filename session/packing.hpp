// A job that travels with its pictures, in one file.
#pragma once

#include <QString>
#include <QStringList>

#include "document/job.hpp"
#include "quantity/error.hpp"

namespace yoke {

inline constexpr const char* kPackEnding = ".yokepack";

/// Packs the job as it stands now and the pictures that it names beside `job_path`. A picture that
/// is not there any more is refused by its name: a pack is whole.
[[nodiscard]] Expected<bool> pack_job(const QString& pack, const Job& job, const QString& job_path);

struct UnpackedFiles {
  QString job_path;      ///< ready to be opened
  QStringList left_out;  ///< what the pack held besides, or held broken
};
/// Unpacks into a folder under a name that is free there; nothing that stands there is touched.
/// The job is looked at before anything is written.
[[nodiscard]] Expected<UnpackedFiles> unpack_job(const QString& pack, const QString& folder);

}  // namespace yoke
