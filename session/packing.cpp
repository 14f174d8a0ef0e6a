#include "session/packing.hpp"

#include <QBuffer>
#include <QDir>
#include <QFileInfo>
#include <QImageReader>
#include <QSaveFile>

#include "files/catalogue.hpp"
#include "files/json_job.hpp"
#include "files/pack.hpp"
#include "files/recording.hpp"
#include "session/job_pictures.hpp"
#include "session/live_edits.hpp"

namespace yoke {

namespace {

bool write_bytes(const QString& path, const std::string& bytes) {
  QSaveFile file(path);
  return file.open(QIODevice::WriteOnly) &&
         file.write(bytes.data(), static_cast<qint64>(bytes.size())) ==
             static_cast<qint64>(bytes.size()) &&
         file.commit();
}

bool is_picture(const std::string& bytes) {
  QByteArray raw = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
  QBuffer buffer(&raw);
  return buffer.open(QIODevice::ReadOnly) && QImageReader(&buffer).canRead();
}

/// A job's name that is free in the folder, its folder of pictures too.
QString free_path(const QString& pack, const QString& folder) {
  const QString base = folder + QLatin1Char('/') + QFileInfo(pack).completeBaseName().left(120);
  for (int n = 1; n < 10000; ++n) {
    const QString name = n == 1 ? base : QStringLiteral("%1-%2").arg(base).arg(n);
    if (!QFileInfo::exists(name + QStringLiteral(".yoke")) &&
        !QFileInfo::exists(name + QStringLiteral(".pictures")) &&
        !QFileInfo::exists(name + QStringLiteral(".recordings")))
      return name + QStringLiteral(".yoke");
  }
  return {};
}

}  // namespace

namespace {

/// The units that were thought about, as rows of a catalogue.
std::string catalogue_of(const Job& job) {
  std::vector<Part> parts;
  for (const Candidate& c : job.candidates) {
    Part p;
    p.kind = c.kind;
    p.id = "packed-" + std::to_string(parts.size() + 1);
    p.maker = c.maker;
    p.name = c.name;
    for (const ParamInfo& i : all_params())
      if (const auto& m = c.sheet.at(i.param); m && m->known()) p.dims.emplace_back(i.param, m->si);
    parts.push_back(std::move(p));
  }
  return parts.empty() ? std::string() : write_catalogue_csv(parts);
}

/// Beside the job, where it is one; what is none is left out and told.
bool put_catalogue(const std::string& bytes, UnpackedFiles& out) {
  if (bytes.empty()) return true;
  const auto read = read_catalogue(bytes);
  if (!read || read->parts.empty()) {
    out.left_out << QStringLiteral("catalogue.csv");
    return true;
  }
  const QString to = QFileInfo(out.job_path).absolutePath() + QLatin1Char('/') +
                     QFileInfo(out.job_path).completeBaseName() + QStringLiteral(".catalogue.csv");
  if (QFileInfo::exists(to)) return true;
  return write_bytes(to, bytes);
}

}  // namespace

Expected<bool> pack_job(const QString& pack, const Job& job, const QString& job_path) {
  std::vector<PackedPicture> pictures;
  for (const std::string& name : picture_names(job))
    pictures.push_back({name, picture_path(job_path, QString::fromStdString(name)).toStdString()});
  std::vector<PackedPicture> recordings;
  for (const Recording& r : job.recordings)
    if (const QString at = recording_path(job_path, QString::fromStdString(r.file)); !at.isEmpty())
      recordings.push_back({r.file, at.toStdString()});
  return write_pack(pack.toStdString(), write_job(job), pictures, recordings, catalogue_of(job));
}

Expected<UnpackedFiles> unpack_job(const QString& pack, const QString& folder) {
  auto read = read_pack(pack.toStdString());
  if (!read) return fail(read.error());
  const auto job = read_job(read->job);
  if (!job) return fail(job.error());
  UnpackedFiles out;
  out.job_path = free_path(pack, folder);
  for (const std::string& name : read->left_out) out.left_out << QString::fromStdString(name);
  bool ok = !out.job_path.isEmpty();
  for (const auto& [name, bytes] : read->pictures) {
    const QString to = picture_path(out.job_path, QString::fromStdString(name));
    if (to.isEmpty() || !is_picture(bytes)) {
      out.left_out << QString::fromStdString(name);
      continue;
    }
    ok = ok && QDir().mkpath(QFileInfo(to).absolutePath()) && write_bytes(to, bytes);
  }
  for (const auto& [name, bytes] : read->recordings) {
    const QString to = recording_path(out.job_path, QString::fromStdString(name));
    if (to.isEmpty()) {
      out.left_out << QString::fromStdString(name);
      continue;
    }
    ok = ok && QDir().mkpath(QFileInfo(to).absolutePath()) && write_bytes(to, bytes);
    // What is no recording is told, and not kept.
    if (ok && !load_trace(to.toStdString())) {
      QFile::remove(to);
      out.left_out << QString::fromStdString(name);
    }
  }
  ok = ok && put_catalogue(read->catalogue, out);
  // The job last: where it stands its pictures stand.
  if (ok && write_bytes(out.job_path, read->job)) return out;
  if (!out.job_path.isEmpty())
    for (const char* ending : {".pictures", ".recordings"})
      QDir(QFileInfo(out.job_path).absolutePath() + QLatin1Char('/') +
           QFileInfo(out.job_path).completeBaseName() + QString::fromLatin1(ending))
          .removeRecursively();
  return fail({"pack", QFileInfo(pack).fileName().toStdString(), "",
               "The pack could not be unpacked there", "Choose another folder, or make room"});
}

}  // namespace yoke
