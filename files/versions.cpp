#include "files/versions.hpp"

#include <algorithm>
#include <chrono>
#include <ctime>
#include <nlohmann/json.hpp>

#include "files/disk.hpp"
#include "files/json_job.hpp"
#include "files/limits.hpp"
#include "files/pack.hpp"
#include "files/store.hpp"

namespace yoke {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr std::size_t kMostList = 1u << 20;

fs::path folder_of(const fs::path& job_file) {
  return job_file.parent_path() / (job_file.stem().string() + ".versions");
}

fs::path list_of(const fs::path& job_file) {
  return folder_of(job_file) / "names.json";
}

Error wrong(const std::string& name, Message reason, Message remedy) {
  return {"version", name, "", std::move(reason), std::move(remedy)};
}

/// What the list says, as far as it can be believed.
std::vector<Version> listed(const fs::path& job_file) {
  std::vector<Version> list;
  const auto text = read_file(list_of(job_file), kMostList, "list");
  if (!text) return list;
  const json root = json::parse(*text, nullptr, false);
  if (!root.is_array()) return list;
  for (const json& one : root) {
    if (list.size() >= kMostVersions || !one.is_object()) break;
    const auto word = [&one](const char* key) {
      const auto it = one.find(key);
      return it != one.end() && it->is_string() ? it->get<std::string>() : std::string();
    };
    Version v{word("name"), word("when"), folder_of(job_file) / word("file")};
    std::error_code ec;
    if (v.name.empty() || v.name.size() > kMostVersionName || !plain_name(word("file")) ||
        !fs::is_regular_file(v.file, ec))
      continue;
    list.push_back(std::move(v));
  }
  return list;
}

Expected<bool> write_list(const fs::path& job_file, const std::vector<Version>& list) {
  json root = json::array();
  for (const Version& v : list)
    root.push_back({{"name", v.name}, {"when", v.when}, {"file", v.file.filename().string()}});
  const auto ok = write_safely(list_of(job_file),
                               root.dump(1, ' ', false, json::error_handler_t::replace) + "\n", {});
  return ok ? Expected<bool>(true) : fail(ok.error());
}

std::string moment_of(const fs::path& file) {
  std::error_code ec;
  const auto at = fs::last_write_time(file, ec);
  if (ec) return {};
  const auto s =
      std::chrono::time_point_cast<std::chrono::seconds>(std::chrono::file_clock::to_sys(at));
  const std::time_t t = std::chrono::system_clock::to_time_t(s);
  std::tm local{};
  localtime_r(&t, &local);
  char text[32];
  return std::strftime(text, sizeof text, "%Y-%m-%dT%H:%M:%S", &local) > 0 ? text : "";
}

}  // namespace

std::vector<Version> versions_of(const fs::path& job_file) {
  std::vector<Version> list = listed(job_file);
  for (int i = 1; i <= 3; ++i) {
    const fs::path old = job_file.string() + ".old-" + std::to_string(i);
    std::error_code ec;
    if (fs::is_regular_file(old, ec)) list.push_back({"", moment_of(old), old});
  }
  std::stable_sort(list.begin(), list.end(),
                   [](const Version& a, const Version& b) { return a.when > b.when; });
  return list;
}

Expected<Version> keep_version(const fs::path& job_file, const Job& job, const std::string& name,
                               const std::string& when) {
  if (name.empty()) return fail(wrong(name, "It has no name", "Name what is special about it"));
  if (name.size() > kMostVersionName)
    return fail(wrong(name, "The name is too long", "Use fewer words"));
  std::vector<Version> list = listed(job_file);
  if (std::any_of(list.begin(), list.end(), [&](const Version& v) { return v.name == name; }))
    return fail(wrong(name, "Another version has that name", "Give it another one"));
  if (list.size() >= kMostVersions)
    return fail(wrong(name, "There are too many versions already",
                      "Take old ones out of the folder beside the job"));
  std::error_code ec;
  fs::create_directories(folder_of(job_file), ec);
  Version v{name, when, {}};
  for (std::size_t n = list.size() + 1; v.file.empty() || fs::exists(v.file, ec); ++n)
    v.file = folder_of(job_file) / ("version-" + std::to_string(n) + ".yoke");
  SaveRules rules;
  const auto saved = save_job(v.file, job, rules);
  if (!saved) return fail(saved.error());
  list.push_back(v);
  if (const auto ok = write_list(job_file, list); !ok) return fail(ok.error());
  return v;
}

Expected<Job> job_of_version(const Version& v) {
  auto opened = open_job(v.file);
  if (!opened) return fail(opened.error());
  return std::move(opened->job);
}

int carry_versions(const fs::path& from_job, const fs::path& to_job) {
  std::error_code ec;
  if (fs::equivalent(from_job, to_job, ec)) return 0;
  std::vector<Version> there = listed(to_job);
  int left = 0;
  for (const Version& v : listed(from_job)) {
    if (std::any_of(there.begin(), there.end(), [&](const Version& t) { return t.name == v.name; }))
      continue;
    const auto job = job_of_version(v);
    if (!job || !keep_version(to_job, *job, v.name, v.when)) ++left;
  }
  return left;
}

}  // namespace yoke
