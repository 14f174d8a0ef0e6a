#include "session/shipped_jobs.hpp"

#include <QFile>

#include "files/json_job.hpp"

static void load_resources() {
  Q_INIT_RESOURCE(yoke_parts);
}

namespace yoke {

Expected<Job> shipped_job(const QString& resource) {
  load_resources();
  QFile file(resource);
  if (!file.open(QIODevice::ReadOnly))
    return fail({"file", resource.toStdString(), "", "That job is not shipped with this program",
                 "Choose another"});
  return read_job(file.readAll().toStdString());
}

}  // namespace yoke
