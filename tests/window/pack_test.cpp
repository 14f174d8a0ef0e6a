// The job and its photos in one file, from the menu and back.
#include <QImage>

#include "session/job_pictures.hpp"
#include "session/packing.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("a packed job is opened elsewhere with its photos, and nothing there is touched") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  QImage image(8, 8, QImage::Format_RGB32);
  image.fill(Qt::red);
  REQUIRE(image.save(b.dir.filePath("clip.png")));
  const auto kept = keep_picture(b.session.path(), b.dir.filePath("clip.png"));
  REQUIRE(kept);
  b.session.edit("clip", [&](Job& j) {
    TakenOff t;
    t.name = "clip";
    t.photo = kept->toStdString();
    j.taken_off.push_back(t);
  });
  REQUIRE(b.session.save(false));
  const Job packed = b.session.job();
  b.next_file = b.dir.filePath("travels.yokepack");
  b.window->action("pack")->trigger();
  REQUIRE(QFile::exists(b.next_file));
  CHECK(b.told.back().contains("travels.yokepack"));
  // Opened by the same door as a job; the folder is asked for, and holds one of that name already.
  QFile there(b.dir.filePath("travels.yoke"));
  REQUIRE(there.open(QIODevice::WriteOnly));
  there.write("mine");
  there.close();
  REQUIRE(b.window->open_path(b.next_file));
  CHECK(b.session.path() == b.dir.filePath("travels-2.yoke"));
  CHECK(b.session.job() == packed);
  CHECK(QImage(picture_path(b.session.path(), *kept)).pixel(3, 3) == image.pixel(3, 3));
  REQUIRE(there.open(QIODevice::ReadOnly));
  CHECK(there.readAll() == "mine");
  // A photo that is gone is named, and no half pack is left.
  QFile::remove(picture_path(b.session.path(), *kept));
  b.next_file = b.dir.filePath("half.yokepack");
  b.window->action("pack")->trigger();
  CHECK(b.told.back().contains("clip.png"));
  CHECK_FALSE(QFile::exists(b.next_file));
  // What is no pack opens nothing.
  QFile broken(b.dir.filePath("broken.yokepack"));
  REQUIRE(broken.open(QIODevice::WriteOnly));
  broken.write("nothing");
  broken.close();
  CHECK_FALSE(b.window->open_path(broken.fileName()));
  CHECK(b.session.job() == packed);
}
