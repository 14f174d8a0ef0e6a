#include "session/job_pictures.hpp"

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QImageReader>
#include <algorithm>

namespace yoke {

namespace {

constexpr qint64 kMostBytes = 40LL << 20;

QString folder_of(const QString& job_path) {
  const QFileInfo job(job_path);
  return job.absolutePath() + QLatin1Char('/') + job.completeBaseName() +
         QStringLiteral(".pictures");
}

tl::unexpected<Error> wrong(const QString& from, const Message& reason, const Message& remedy) {
  return fail({"photo", QFileInfo(from).fileName().toStdString(), "", reason, remedy});
}

}  // namespace

QString picture_path(const QString& job_path, const QString& name) {
  if (name.isEmpty() || QFileInfo(name).fileName() != name || name.startsWith(QLatin1Char('.')))
    return {};
  return folder_of(job_path) + QLatin1Char('/') + name;
}

std::vector<std::string> picture_names(const Job& job) {
  std::vector<std::string> names;
  const auto add = [&names](const std::string& photo) {
    if (!photo.empty() && std::find(names.begin(), names.end(), photo) == names.end())
      names.push_back(photo);
  };
  for (const TakenOff& t : job.taken_off) add(t.photo);
  for (const auto& [key, step] : job.steps) add(step.photo);
  for (const auto& [key, gate] : job.gates) add(gate.photo);
  return names;
}

int carry_pictures(const QString& from_job, const QString& to_job,
                   const std::vector<std::string>& names) {
  int left = 0;
  for (const std::string& name : names) {
    const QString from = picture_path(from_job, QString::fromStdString(name));
    const QString to = picture_path(to_job, QString::fromStdString(name));
    if (from.isEmpty() || from == to || QFile::exists(to)) continue;
    if (!QDir().mkpath(folder_of(to_job)) || !QFile::copy(from, to)) ++left;
  }
  return left;
}

Expected<QString> keep_picture(const QString& job_path, const QString& from) {
  const QFileInfo file(from);
  if (!file.isFile()) return wrong(from, "There is no such picture", "Choose another one");
  if (file.size() > kMostBytes)
    return wrong(from, "The picture is larger than 40 MB", "Save it smaller");
  if (!QImageReader(from).canRead())
    return wrong(from, "It cannot be read as a picture", "JPEG, PNG, BMP or SVG");
  const QString folder = folder_of(job_path);
  if (!QDir().mkpath(folder))
    return wrong(from, "The folder for pictures cannot be made",
                 "Look whether the job's folder can be written");
  QString name = file.completeBaseName().left(60) + QLatin1Char('.') + file.suffix().toLower();
  if (name.startsWith(QLatin1Char('.'))) name.prepend(QLatin1Char('p'));
  for (int n = 2; QFile::exists(folder + QLatin1Char('/') + name) && n < 10000; ++n)
    name = QStringLiteral("%1-%2.%3")
               .arg(file.completeBaseName().left(60))
               .arg(n)
               .arg(file.suffix().toLower());
  if (!QFile::copy(from, folder + QLatin1Char('/') + name))
    return wrong(from, "The picture could not be copied", "Look for room on the disk");
  return name;
}

}  // namespace yoke
