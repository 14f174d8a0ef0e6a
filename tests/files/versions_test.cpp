// Versions beside a job: kept under a name, given back as they were, hostile lists lead nowhere;
// and days for a calendar by the letter of RFC 5545.
#include "files/versions.hpp"

#include <catch2/catch.hpp>

#include "files/icalendar.hpp"
#include "files/json_job.hpp"
#include "files/store.hpp"
#include "support/build.hpp"
#include "support/folder.hpp"

using namespace yoke;
using namespace yoke::test;
namespace fs = std::filesystem;

TEST_CASE("versions: kept under a name, told by it, and given back as they were") {
  const Folder f;
  const fs::path file = f.path / "job.yoke";
  Job job = known_job();
  REQUIRE(save_job(file, job));
  CHECK(versions_of(file).empty());
  job.notes = "first";
  REQUIRE(keep_version(file, job, "before the bore", "2026-05-01T10:00:00"));
  job.notes = "second";
  REQUIRE(keep_version(file, job, "after it; \"quoted\" \xC3\xA4", "2026-05-02T10:00:00"));
  const auto list = versions_of(file);
  REQUIRE(list.size() == 2);
  CHECK(list[0].name == "after it; \"quoted\" \xC3\xA4");
  CHECK(job_of_version(list[0])->notes == "second");
  CHECK(job_of_version(list[1])->notes == "first");
  CHECK_FALSE(keep_version(file, job, "before the bore", "2026-05-03T10:00:00"));
  CHECK_FALSE(keep_version(file, job, "", "2026-05-03T10:00:00"));
  CHECK_FALSE(keep_version(file, job, std::string(500, 'x'), "2026-05-03T10:00:00"));
  // Saved twice more: the copies that saving keeps are listed too, without a name.
  job.notes = "third";
  REQUIRE(save_job(file, job));
  REQUIRE(versions_of(file).size() == 3);
  const auto three = versions_of(file);
  CHECK(std::count_if(three.begin(), three.end(),
                      [](const Version& v) { return v.name.empty(); }) == 1);
  const fs::path moved = f.path / "moved" / "job.yoke";
  fs::create_directories(moved.parent_path());
  REQUIRE(save_job(moved, job));
  CHECK(carry_versions(file, moved) == 0);
  CHECK(versions_of(moved).size() == 2);
  CHECK(carry_versions(file, file) == 0);
}

TEST_CASE("versions: a list that leads out of its folder, or is broken, leads nowhere") {
  const Folder f;
  const fs::path file = f.path / "job.yoke";
  REQUIRE(save_job(file, known_job()));
  fs::create_directories(f.path / "job.versions");
  put(f.path / "secret.yoke", write_job(known_job()));
  put(f.path / "job.versions" / "names.json",
      R"([{"name":"out","file":"../secret.yoke","when":""},{"name":"","file":"a","when":""},
          {"name":"gone","file":"gone.yoke"},{"name":7,"file":[]},42,
          {"name":"root","file":"/etc/passwd"}])");
  CHECK(versions_of(file).empty());
  put(f.path / "job.versions" / "names.json", "{{{{");
  CHECK(versions_of(file).empty());
  CHECK(keep_version(file, known_job(), "still", "2026-05-01T10:00:00"));
  CHECK(versions_of(file).size() == 1);
}

TEST_CASE("calendar: lines end in CR LF, are folded at 75 bytes and no letter is cut") {
  const std::string text =
      calendar_text({{"later:front_discs@job", "2026-06-01", "Discs; pads, hoses\\",
                      "one\ntwo " + std::string(90, 'x') + " \xC3\xA4\xC3\xA4\xC3\xA4"},
                     {"x", "", "without a day", ""}},
                    "20260531T140509Z");
  CHECK(text.rfind("BEGIN:VCALENDAR\r\nVERSION:2.0\r\n", 0) == 0);
  CHECK(text.find("DTSTART;VALUE=DATE:20260601\r\n") != std::string::npos);
  CHECK(text.find("SUMMARY:Discs\\; pads\\, hoses\\\\\r\n") != std::string::npos);
  CHECK(text.find("without a day") == std::string::npos);
  std::size_t at = 0;
  std::string unfolded;
  while (at < text.size()) {
    const std::size_t end = text.find("\r\n", at);
    REQUIRE(end != std::string::npos);
    const std::string line = text.substr(at, end - at);
    CHECK(line.size() <= 75);
    CHECK(line.find('\n') == std::string::npos);
    // A line never begins in the middle of a letter.
    if (line[0] == ' ') {
      CHECK((static_cast<unsigned char>(line[1]) & 0xC0U) != 0x80U);
      unfolded += line.substr(1);
    } else {
      unfolded += "\n" + line;
    }
    at = end + 2;
  }
  CHECK(unfolded.find("\nDESCRIPTION:one\\ntwo " + std::string(90, 'x') +
                      " \xC3\xA4\xC3\xA4\xC3\xA4\n") != std::string::npos);
}
