// A job and its pictures in one file: whole, and hostile ones refused.
#include "files/pack.hpp"

#include <zip.h>

#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <random>

#include "files/disk.hpp"
#include "files/json_job.hpp"
#include "support/build.hpp"

using namespace yoke;
namespace fs = std::filesystem;

namespace {

struct Folder {
  fs::path at;
  Folder() {
    at = fs::temp_directory_path() / ("pack-test-" + std::to_string(std::random_device{}()));
    fs::create_directories(at);
  }
  Folder(const Folder&) = delete;
  Folder& operator=(const Folder&) = delete;
  ~Folder() {
    std::error_code ignored;
    fs::remove_all(at, ignored);
  }
};

void put(const fs::path& p, const std::string& bytes) {
  std::ofstream(p, std::ios::binary) << bytes;
}

/// A ZIP by the library itself, with names as a stranger would choose them.
void zip_of(const fs::path& to, const std::vector<std::pair<std::string, std::string>>& entries) {
  zip_t* z = zip_open(to.c_str(), ZIP_CREATE | ZIP_TRUNCATE, nullptr);
  REQUIRE(z);
  for (const auto& [name, bytes] : entries)
    REQUIRE(zip_file_add(z, name.c_str(), zip_source_buffer(z, bytes.data(), bytes.size(), 0),
                         ZIP_FL_ENC_UTF_8) >= 0);
  REQUIRE(zip_close(z) == 0);
}

std::size_t files_below(const fs::path& p) {
  std::size_t n = 0;
  for (const auto& e : fs::recursive_directory_iterator(p)) n += e.is_regular_file() ? 1 : 0;
  return n;
}

}  // namespace

TEST_CASE("a pack gives back the very bytes of the job and of its pictures") {
  const Folder f;
  const std::string job = write_job(test::known_job());
  std::string noise(200000, '\0');
  std::mt19937 rng(7);
  for (char& c : noise) c = static_cast<char>(rng());
  put(f.at / "clip.jpg", noise);
  put(f.at / "p2", "small");
  const fs::path pack = f.at / "job.yokepack";
  REQUIRE(write_pack(pack, job, {{"clip.jpg", f.at / "clip.jpg"}, {"Bolzen-ä.png", f.at / "p2"}}));
  const auto got = read_pack(pack);
  REQUIRE(got);
  CHECK(got->job == job);
  REQUIRE(got->pictures.size() == 2);
  CHECK(got->pictures[0] == std::pair(std::string("clip.jpg"), noise));
  CHECK(got->pictures[1] == std::pair(std::string("Bolzen-ä.png"), std::string("small")));
  CHECK(got->left_out.empty());
  // A recorded press travels with it, in a folder of its own.
  put(f.at / "press.gz", noise);
  REQUIRE(write_pack(pack, job, {{"clip.jpg", f.at / "clip.jpg"}},
                     {{"press-1.line.gz", f.at / "press.gz"}}));
  REQUIRE(read_pack(pack)->recordings.size() == 1);
  CHECK(read_pack(pack)->recordings[0] == std::pair(std::string("press-1.line.gz"), noise));
  CHECK_FALSE(write_pack(pack, job, {}, {{"../out.gz", f.at / "press.gz"}}));
  REQUIRE(write_pack(pack, job, {}, {}, "id,kind\nx,master\n"));
  CHECK(read_pack(pack)->catalogue == "id,kind\nx,master\n");
  REQUIRE(write_pack(pack, job, {{"clip.jpg", f.at / "clip.jpg"}},
                     {{"press-1.line.gz", f.at / "press.gz"}}));
  CHECK(read_pack(pack)->recordings.size() == 1);
  // Written again over the old one; nothing is left beside it.
  REQUIRE(write_pack(pack, job, {}));
  CHECK(read_pack(pack)->pictures.empty());
  CHECK(files_below(f.at) == 4);
  // A picture that is gone: no half pack takes the place of a whole one.
  CHECK_FALSE(write_pack(pack, job, {{"gone.jpg", f.at / "gone.jpg"}}));
  CHECK(read_pack(pack)->job == job);
  CHECK(files_below(f.at) == 4);
}

TEST_CASE("a pack from a stranger leads nowhere and is bounded before it is read") {
  const Folder f;
  const fs::path pack = f.at / "x.yokepack";
  zip_of(pack, {{"job.yoke", "{}"},
                {"../out.yoke", "a"},
                {"pictures/../../out.jpg", "b"},
                {"/etc/out", "c"},
                {"pictures/.hidden", "d"},
                {"pictures/below/x.png", "i"},
                {"pictures/x/../../../y.png", "j"},
                {"pictures/a\\b", "e"},
                {"pictures/C:x", "f"},
                {"recordings/../up.gz", "k"},
                {"recordings/.x", "l"},
                {"pictures/", ""},
                {"notes.txt", "g"},
                {"pictures/ok.png", "h"}});
  const auto got = read_pack(pack);
  REQUIRE(got);
  CHECK(got->job == "{}");
  REQUIRE(got->pictures.size() == 1);
  CHECK(got->pictures[0].first == "ok.png");
  CHECK(got->left_out.size() == 12);
  CHECK(got->recordings.empty());
  // 300 MB of zeros pack into 300 kB.
  zip_of(pack, {{"job.yoke", "{}"}, {"pictures/bomb.png", std::string(300u << 20, '\0')}});
  CHECK(fs::file_size(pack) < (1u << 20));
  REQUIRE_FALSE(read_pack(pack));
  CHECK(english(read_pack(pack).error().reason).find("larger than 40 MB") != std::string::npos);
  // Many small ones are bounded together.
  std::vector<std::pair<std::string, std::string>> many{{"job.yoke", "{}"}};
  for (int i = 0; i < 20; ++i)
    many.emplace_back("pictures/" + std::to_string(i), std::string(1u << 20, 'x'));
  zip_of(pack, many);
  CHECK(read_pack(pack));
  CHECK_FALSE(read_pack(pack, 10u << 20));
  // A job larger than a job may be, none at all, two thousand entries, no ZIP, a folder, nothing.
  zip_of(pack, {{"job.yoke", std::string(5u << 20, ' ')}});
  CHECK_FALSE(read_pack(pack));
  zip_of(pack, {{"pictures/ok.png", "h"}});
  CHECK_FALSE(read_pack(pack));
  many.resize(1);
  for (int i = 0; i < 4000; ++i) many.emplace_back("pictures/" + std::to_string(i), "x");
  zip_of(pack, many);
  CHECK_FALSE(read_pack(pack));
  put(pack, "PK no zip");
  CHECK_FALSE(read_pack(pack));
  CHECK_FALSE(read_pack(f.at));
  CHECK_FALSE(read_pack(f.at / "none.yokepack"));
}

TEST_CASE("a thousand broken packs are refused or give what was packed") {
  const Folder f;
  const std::string job = write_job(test::known_job());
  std::string picture(3000, '\0');
  std::mt19937 rng(11);
  for (char& c : picture) c = static_cast<char>(rng());
  put(f.at / "p", picture);
  const fs::path good = f.at / "good.yokepack";
  REQUIRE(write_pack(good, job, {{"p.png", f.at / "p"}}));
  const auto bytes = read_file(good, 1u << 20);
  REQUIRE(bytes);
  std::size_t refused = 0;
  for (int i = 0; i < 1000; ++i) {
    std::string broken = *bytes;
    const auto at = rng() % broken.size();
    if (i % 4 == 0)
      broken.resize(at);
    else
      for (unsigned n = 0; n < 1 + rng() % 8; ++n)
        broken[rng() % broken.size()] = static_cast<char>(rng());
    put(f.at / "broken", broken);
    const auto got = read_pack(f.at / "broken");
    if (!got) {
      ++refused;
      continue;
    }
    // Names are not under the checksum; what they hold is.
    if (!got->job.empty()) CHECK(got->job == job);
    for (const auto& [name, held] : got->pictures) {
      CHECK(plain_name(name));
      CHECK(held == picture);
    }
  }
  CHECK(refused > 800);
}
