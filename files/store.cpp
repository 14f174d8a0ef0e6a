#include "files/store.hpp"

#include "document/ahead.hpp"

#include <algorithm>
#include <system_error>

#include "document/param/limits.hpp"
#include "quantity/text.hpp"

namespace yoke {

namespace fs = std::filesystem;

FileStamp stamp_of(const fs::path& path) {
  const auto text = read_file(path, kMostFileBytes);
  if (text) return stamp_of_text(*text);
  std::error_code ec;
  FileStamp s;
  s.exists = fs::exists(path, ec);
  return s;
}

Expected<OpenedJob> open_job(const fs::path& path) {
  const auto text = read_file(path, kMostFileBytes);
  if (!text) return fail(text.error());
  auto job = read_job(*text);
  if (!job) return fail(job.error());
  return OpenedJob{std::move(*job), stamp_of_text(*text)};
}

Expected<FileStamp> save_job(const fs::path& path, const Job& job, const SaveRules& rules) {
  if (rules.expected) {
    const FileStamp now = stamp_of(path);
    if (now != *rules.expected && now.exists)
      return fail({kChangedField, as_utf8(path.string()), "",
                   say("{} was changed on disk by something else meanwhile",
                       as_utf8(path.filename().string())),
                   "Save under another name, then compare the two"});
  }
  if (auto e = unwritable(job)) {
    e->remedy = say("The job was not saved. {}", e->remedy);
    return fail(std::move(*e));
  }
  WriteRules how;
  how.keep_old = true;
  how.into_read_only = rules.into_read_only;
  how.verify = [&job](const std::string& bytes) -> Expected<bool> {
    auto back = read_job(bytes);
    if (!back) {
      back.error().remedy = "The job was not saved, for it could not be opened again";
      return fail(back.error());
    }
    if (*back == job) return true;
    return fail({"file", "", "", "What was written does not read back as the same job",
                 "The job was not saved; the file is as it was"});
  };
  return write_safely(path, write_job(job, rules.standing), how);
}

JobEntry job_entry(const fs::path& file) {
  JobEntry e;
  e.path = file;
  const auto text = read_file(file, kMostFileBytes);
  const auto job = text ? read_job(*text) : fail(text.error());
  if (!job) {
    e.error = job.error().reason;
    return e;
  }
  e.title = job->title;
  e.vehicle = job->vehicle;
  e.state = job->state;
  if (const auto& kind = job->found.at(param::target_job); kind && kind->known())
    e.kind = stated_value(*job, As::found, param::target_job).as<choice::TargetJob>();
  if (const auto standing = read_standing(*text, *job)) e.hard_findings = standing->hard_findings;
  return e;
}

std::vector<JobEntry> list_jobs(const fs::path& folder) {
  std::vector<JobEntry> list;
  std::error_code ec;
  constexpr size_t kMost = 1000;
  for (fs::directory_iterator it(folder, ec), end; !ec && it != end && list.size() < kMost;
       it.increment(ec))
    if (it->path().extension() == ".yoke") list.push_back(job_entry(it->path()));
  std::sort(list.begin(), list.end(),
            [](const JobEntry& a, const JobEntry& b) { return a.path < b.path; });
  return list;
}

}  // namespace yoke
