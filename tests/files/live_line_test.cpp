// A line listened to where it stands: a pseudo-terminal, a pipe, a file; garbage, silence and no
// device are told, and the command line proves by what was pressed.
#include "files/live_line.hpp"

#include <fcntl.h>
#include <stdlib.h>
#include <termios.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <thread>

#include "cli/commands.hpp"
#include "files/json_job.hpp"
#include "simulated/rig.hpp"
#include "support/build.hpp"
#include "support/folder.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::string pressed(const RigFaults& faults, double seconds) {
  auto rig = Rig::make(known_job(), faults, {"Bench box", 100, 1, 1e-4, 2e4, 0, 0, 0}, {}, 3);
  REQUIRE(rig);
  rig->press({{420, 1, 5, 2, 1}});
  return rig->lines(seconds);
}

}  // namespace

TEST_CASE("live line: a device is heard for as long as it is asked, and no longer") {
  const int master = ::posix_openpt(O_RDWR | O_NOCTTY);
  REQUIRE(master >= 0);
  REQUIRE(::grantpt(master) == 0);
  REQUIRE(::unlockpt(master) == 0);
  const std::string device = ::ptsname(master);
  termios raw{};
  ::tcgetattr(master, &raw);
  ::cfmakeraw(&raw);
  ::tcsetattr(master, TCSANOW, &raw);
  const std::string lines = pressed({}, 3);
  std::thread sender([&] {
    ::usleep(150000);
    for (std::size_t at = 0; at < lines.size(); at += 500) {
      const std::string part = lines.substr(at, 500);
      if (::write(master, part.data(), part.size()) < 0) return;
      ::usleep(1000);
    }
  });
  LineCounts counts;
  const auto trace = listen(device, 1.2, 115200, &counts);
  sender.join();
  ::close(master);
  REQUIRE(trace);
  CHECK(trace->samples.size() == 300);
  CHECK(counts.lost == 0);
  CHECK(trace->head.name == "Bench box");
}

TEST_CASE("live line: no device, silence and noise are told, each by its name") {
  const Folder f;
  CHECK(english(listen("/dev/none-such", 1, 115200).error().reason) == "The line cannot be opened");
  put(f.path / "empty", "");
  CHECK(english(listen((f.path / "empty").string(), 1, 115200).error().reason) ==
        "Nothing came that is a sample");
  std::string noise;
  for (int i = 0; i < 3000; ++i) noise += static_cast<char>(33 + i * 7 % 200);
  put(f.path / "noise", noise);
  CHECK(english(listen((f.path / "noise").string(), 1, 115200).error().reason) ==
        "What comes cannot be read");
}

TEST_CASE(
    "live line: the command line proves by what is pressed, pressure at rest forbids to drive") {
  const Folder f;
  put(f.path / "job.yoke", write_job(known_job()));
  put(f.path / "sound", pressed({}, 9));
  RigFaults preload;
  preload.preload_pa = 4e5;
  put(f.path / "preload", pressed(preload, 9));
  const std::string job = (f.path / "job.yoke").string();
  const auto sound =
      cli::run({"prove", job, "--line", (f.path / "sound").string(), "--seconds", "2"});
  CHECK(sound.out.find("something holds the brakes on") == std::string::npos);
  CHECK(sound.out.find("Bench box: 900 samples") != std::string::npos);
  CHECK(sound.out.find("press_150") != std::string::npos);
  const auto held =
      cli::run({"prove", job, "--line", (f.path / "preload").string(), "--seconds", "2"});
  CHECK(held.status == 1);
  CHECK(held.out.find("something holds the brakes on") != std::string::npos);
  CHECK(cli::run({"prove", job, "--line", "x", "--seconds", "nine"}).status == 2);
}
