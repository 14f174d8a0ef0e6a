#include "session/part_list.hpp"

#include <QFile>
#include <QFileInfo>
#include <memory>

#include "files/disk.hpp"
#include "session/texts.hpp"

static void load_resources() {
  Q_INIT_RESOURCE(yoke_parts);
}

namespace yoke {

namespace {

Expected<Catalogue> read_parts(const QString& path) {
  if (!path.isEmpty()) {
    const auto text = read_file(path.toStdString(), kMostCatalogueBytes, "catalogue");
    return text ? read_catalogue(*text) : Expected<Catalogue>(fail(text.error()));
  }
  load_resources();
  QFile shipped(QStringLiteral(":/catalogue/parts.csv"));
  if (!shipped.open(QIODevice::ReadOnly))
    return fail({"file", "", "", "The shipped catalogue is not there",
                 Message::data(shipped.errorString().toStdString())});
  return read_catalogue(shipped.readAll().toStdString());
}

}  // namespace

PartList::PartList(QObject* parent) : QObject(parent) {
  pool_.setMaxThreadCount(1);
}

PartList::~PartList() {
  ++generation_;
  pool_.waitForDone();
}

void PartList::load(const QString& path, bool with_shipped) {
  const unsigned mine = ++generation_;
  reading_ = true;
  state_ = tr("Reading %1 …").arg(path.isEmpty() ? tr("the shipped parts") : path);
  emit changed();
  pool_.start([this, mine, path, with_shipped] {
    auto read = std::make_shared<Expected<Catalogue>>(
        fail({"file", "", "", "The machine has no memory left", "Close something else"}));
    try {  // an exception here would end the program
      *read = read_parts(path);
      if (*read && with_shipped && !path.isEmpty())
        if (const auto shipped = read_parts({}))
          (*read)->parts.insert((*read)->parts.end(), shipped->parts.begin(), shipped->parts.end());
    } catch (const std::exception& e) {
      *read =
          fail({"file", "", "", say("Reading stopped: {}", std::string(e.what())), "Try again"});
    }
    QMetaObject::invokeMethod(
        this, [this, mine, path, read] { take(mine, path, *read); }, Qt::QueuedConnection);
  });
}

void PartList::take(unsigned generation, const QString& path, const Expected<Catalogue>& read) {
  if (generation != generation_) return;
  reading_ = false;
  const QString name = path.isEmpty() ? tr("Shipped parts") : QFileInfo(path).fileName();
  if (!read) {
    // The parts that were there stay: a broken file takes nothing away.
    state_ = tr("%1 was not read: %2").arg(name, error_text(read.error(), {}));
    emit changed();
    return;
  }
  catalogue_ = *read;
  path_ = path;
  state_ = tr("%1: %2 parts").arg(name).arg(catalogue_.parts.size());
  const auto bad = catalogue_.problems.size() + catalogue_.more_problems;
  if (bad > 0)
    state_ += (bad == 1 ? tr("; one problem: ") : tr("; %1 problems, the first: ").arg(bad)) +
              text_of(catalogue_.problems.front().text(), {});
  emit changed();
}

}  // namespace yoke
