// A recorded press as a file: whole it comes back as it was, broken or swollen it is refused; the
// command line reads it as the window does.
#include <unistd.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <random>

#include "cli/commands.hpp"
#include "files/disk.hpp"
#include "files/recording.hpp"

using namespace yoke;
namespace fs = std::filesystem;

namespace {

Trace made(std::size_t n) {
  Trace t{{"Bench box",
           100,
           {{ChannelWhat::force, "lbf", 4.4482216152605}, {ChannelWhat::travel, "in", 0.0254}}},
          {}};
  for (std::size_t i = 0; i < n; ++i) {
    LineSample s;
    s.t_s = 0.01 * static_cast<double>(i);
    s.number = static_cast<std::uint32_t>(i);
    s.told[0] = std::round(10 * std::abs(std::sin(0.01 * static_cast<double>(i))) * 90) / 10;
    if (i % 7 != 0) s.told[1] = static_cast<double>(i % 2000) / 1000;
    t.samples.push_back(s);
  }
  return t;
}

struct Folder {
  fs::path path = fs::temp_directory_path() / ("yoke-recording-" + std::to_string(::getpid()));
  Folder() { fs::create_directories(path); }
  ~Folder() { fs::remove_all(path); }
};

void put(const fs::path& path, const std::string& bytes) {
  std::ofstream(path, std::ios::binary) << bytes;
}

}  // namespace

TEST_CASE("a recording comes back sample by sample, lost ones still lost") {
  const Folder folder;
  Trace t = made(4000);
  t.samples.erase(t.samples.begin() + 100, t.samples.begin() + 130);
  const fs::path path = folder.path / "press.line.gz";
  REQUIRE(save_trace(path, t));
  CHECK(fs::file_size(path) < trace_text(t).size() * 3 / 4);
  LineCounts counts;
  const auto back = load_trace(path, &counts);
  REQUIRE(back);
  CHECK(back->head == t.head);
  REQUIRE(back->samples.size() == t.samples.size());
  for (std::size_t i = 0; i < t.samples.size(); ++i) {
    CHECK(back->samples[i].t_s == Approx(t.samples[i].t_s).margin(1e-9));
    CHECK(back->samples[i].told == t.samples[i].told);
  }
  CHECK(counts.lost == 30);
  // The same without packing, as it comes off a line.
  put(folder.path / "plain.txt", trace_text(t));
  REQUIRE(load_trace(folder.path / "plain.txt"));
}

TEST_CASE("a recording that is broken, swollen or no recording is refused") {
  const Folder folder;
  const fs::path path = folder.path / "press.line.gz";
  REQUIRE(save_trace(path, made(2000)));
  const auto good = read_file(path, 1u << 20, "recording");
  REQUIRE(good);
  std::mt19937_64 draw(8);
  int refused = 0, taken = 0;
  for (int i = 0; i < 600; ++i) {
    std::string bytes = *good;
    if (i % 3 == 0)
      bytes.resize(draw() % bytes.size());
    else
      for (int k = 0; k < 1 + i % 5; ++k) bytes[draw() % bytes.size()] = static_cast<char>(draw());
    put(path, bytes);
    const auto t = load_trace(path);
    t ? ++taken : ++refused;
    if (t) CHECK(t->samples.size() <= 2000);
  }
  CHECK(refused > 400);  // what is not: a letter of the head that says nothing was hit
  put(path, "");
  CHECK_FALSE(load_trace(path));
  put(path, "no instrument");
  CHECK_FALSE(load_trace(path));
  put(path, head_lines(made(1).head));
  CHECK_FALSE(load_trace(path));
  CHECK_FALSE(load_trace(folder.path / "not there"));
  // Zeros without end pack to next to nothing: they come out no longer than a recording may be.
  Trace swollen = made(1);
  const fs::path bomb = folder.path / "bomb";
  {
    std::ofstream f(folder.path / "zeros", std::ios::binary);
    const std::string block(1u << 20, '0');
    for (int i = 0; i < 64; ++i) f << block;
  }
  REQUIRE(
      std::system(("gzip -c '" + (folder.path / "zeros").string() + "' > '" + bomb.string() + "'")
                      .c_str()) == 0);
  const auto t = load_trace(bomb);
  REQUIRE_FALSE(t);
  CHECK(english(t.error().reason).find("too long") != std::string::npos);
}

TEST_CASE("gzip's own program reads a recording") {
  const Folder folder;
  const fs::path path = folder.path / "press.line.gz";
  const Trace t = made(300);
  REQUIRE(save_trace(path, t));
  REQUIRE(
      std::system(("gzip -dc '" + path.string() + "' > '" + (folder.path / "out").string() + "'")
                      .c_str()) == 0);
  const auto text = read_file(folder.path / "out", 1u << 20, "recording");
  REQUIRE(text);
  CHECK(*text == trace_text(t));
}

TEST_CASE("samples as a table: in SI, and as they were told") {
  const Trace t = made(3);
  const std::string csv = trace_csv(t, TraceScale(t.head, {}));
  CHECK(csv.starts_with("time_s,force_SI,force_lbf,travel_SI,travel_in\n"));
  CHECK(csv.find("\n0.000,0,0,,\n") != std::string::npos);
  CHECK(csv.find("\n0.010,4.0034,0.9,2.54e-05,0.001\n") != std::string::npos);
}

TEST_CASE("the command line plays a rig, and reads what it told") {
  const Folder folder;
  const std::string job = YOKE_SOURCE_DIR "/data/demo/fire-tender.yoke";
  const auto played = cli::run({"rig", job, "--seconds", "9", "--fault", "air1"});
  REQUIRE(played.status == 0);
  CHECK(played.out.starts_with("@yoke 1 100 Yoke Step stand-in*"));
  const std::string file = (folder.path / "press.txt").string();
  put(file, played.out);
  const auto read = cli::run({"prove", job, "--trace", file, "--units", "metric"});
  INFO(read.err);
  CHECK(read.out.find("Practice on the stand-in") != std::string::npos);
  CHECK(read.out.find("900 samples, 0 lost, 0 spoiled") != std::string::npos);
  CHECK(read.out.find("readings on the way down") != std::string::npos);
  CHECK(read.out.find("further than expected") != std::string::npos);
  CHECK(cli::run({"rig", job, "--fault", "gremlin"}).status == 2);
  CHECK(cli::run({"rig", job, "--seconds", "many"}).status == 2);
  CHECK(cli::run({"prove", job, "--trace", job}).status == 2);
}
