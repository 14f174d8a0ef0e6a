#include "files/store.hpp"

#include <fcntl.h>
#include <fmt/format.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <functional>
#include <string_view>
#include <system_error>

#include "job/findings.hpp"

namespace yoke {

namespace fs = std::filesystem;

namespace {

Error io_error(const fs::path& path, const std::string& what, int code) {
  return {"file", path.string(), "",
          what + " " + path.filename().string() + ": " + std::generic_category().message(code),
          "The job stays open and unsaved; save it under another name or on another disk"};
}

/// A file descriptor that closes itself.
class Descriptor {
 public:
  explicit Descriptor(int fd) : fd_(fd) {}
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  ~Descriptor() {
    if (fd_ >= 0) ::close(fd_);
  }
  [[nodiscard]] int get() const { return fd_; }
  int close() {
    const int r = ::close(fd_);
    fd_ = -1;
    return r;
  }

 private:
  int fd_;
};

int write_all(int fd, std::string_view text) {
  while (!text.empty()) {
    const ssize_t n = ::write(fd, text.data(), text.size());
    if (n < 0 && errno == EINTR) continue;
    if (n <= 0) return n < 0 ? errno : EIO;
    text.remove_prefix(static_cast<size_t>(n));
  }
  return 0;
}

FileStamp stamp_of_text(const std::string& text) {
  return {text.size(), std::hash<std::string_view>{}(text), true};
}

/// Called only when the new text is safely beside the file: a save that fails must not push the
/// builder's older copies out. A hard link needs no room on a full disk.
void keep_old_copies(const fs::path& path) {
  std::error_code ec;
  constexpr int kCopies = 3;
  const auto name = [&path](int n) {
    return fs::path(path.string() + ".old-" + std::to_string(n));
  };
  for (int n = kCopies; n > 1; --n) fs::rename(name(n - 1), name(n), ec);
  fs::create_hard_link(path, name(1), ec);
  if (ec) fs::copy_file(path, name(1), fs::copy_options::overwrite_existing, ec);
}

}  // namespace

Expected<std::string> read_file(const fs::path& path, std::size_t most) {
  const Descriptor fd(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
  if (fd.get() < 0) return fail(io_error(path, "Cannot open", errno));
  struct stat st {};
  if (::fstat(fd.get(), &st) != 0) return fail(io_error(path, "Cannot open", errno));
  if (!S_ISREG(st.st_mode))
    return fail({"file", path.string(), "", path.filename().string() + " is not a file",
                 "Open a .yoke file"});
  if (static_cast<size_t>(st.st_size) > most)
    return fail({"file", path.string(), fmt::format("up to {} MB", most >> 20),
                 fmt::format("{} is too large for a job: {} MB", path.filename().string(),
                             st.st_size >> 20),
                 "A job file is far below 4 MB; this is something else"});
  std::string text(static_cast<size_t>(st.st_size), '\0');
  size_t got = 0;
  while (got < text.size()) {
    const ssize_t n = ::read(fd.get(), text.data() + got, text.size() - got);
    if (n < 0 && errno == EINTR) continue;
    if (n < 0) return fail(io_error(path, "Cannot read", errno));
    if (n == 0) break;
    got += static_cast<size_t>(n);
  }
  text.resize(got);
  return text;
}

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

namespace {

fs::path beside(const fs::path& path) {
  return path.string() + fmt::format(".part-{}", ::getpid());
}

/// Writes and syncs the text beside the path; 0 or the error.
int write_beside(const fs::path& path, const std::string& text) {
  Descriptor fd(::open(beside(path).c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0644));
  if (fd.get() < 0) return errno;
  int code = write_all(fd.get(), text);
  if (code == 0 && ::fsync(fd.get()) != 0) code = errno;
  if (fd.close() != 0 && code == 0) code = errno;
  if (code != 0) ::unlink(beside(path).c_str());
  return code;
}

/// Puts what was written beside into place; 0 or the error.
int put_in_place(const fs::path& path) {
  if (::rename(beside(path).c_str(), path.c_str()) != 0) {
    const int code = errno;
    ::unlink(beside(path).c_str());
    return code;
  }
  // The rename itself must reach the disk too.
  const fs::path folder = path.has_parent_path() ? path.parent_path() : fs::path(".");
  const Descriptor dir(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
  if (dir.get() >= 0) (void)::fsync(dir.get());
  return 0;
}

}  // namespace

Expected<FileStamp> write_atomically(const fs::path& path, const std::string& text) {
  if (const int code = write_beside(path, text)) return fail(io_error(path, "Cannot save", code));
  if (const int code = put_in_place(path)) return fail(io_error(path, "Cannot save", code));
  return stamp_of_text(text);
}

Expected<FileStamp> save_job(const fs::path& path, const Job& job,
                             const std::optional<FileStamp>& expected) {
  if (expected) {
    const FileStamp now = stamp_of(path);
    if (now != *expected && now.exists)
      return fail({"file", path.string(), "",
                   path.filename().string() + " was changed on disk by something else meanwhile",
                   "Save under another name, then compare the two"});
  }
  const std::string text = write_job(job);
  if (text.size() > kMostFileBytes)
    return fail({"file", path.string(), "up to 4 MB",
                 "The job has grown too large to be read again", "Shorten its notes"});
  if (const int code = write_beside(path, text)) return fail(io_error(path, "Cannot save", code));
  std::error_code ec;
  if (fs::is_regular_file(path, ec)) keep_old_copies(path);
  if (const int code = put_in_place(path)) return fail(io_error(path, "Cannot save", code));
  drop_journal(path);
  return stamp_of_text(text);
}

fs::path journal_of(const fs::path& path) {
  return path.parent_path() / ("." + path.filename().string() + ".journal");
}

Expected<FileStamp> write_journal(const fs::path& path, const Job& job) {
  return write_atomically(journal_of(path), write_job(job));
}

void drop_journal(const fs::path& path) {
  std::error_code ec;
  fs::remove(journal_of(path), ec);
}

std::optional<Job> recover(const fs::path& path, const Job& saved) {
  const auto text = read_file(journal_of(path), kMostFileBytes);
  if (!text) return std::nullopt;
  auto job = read_job(*text);
  if (!job || *job == saved) return std::nullopt;
  return std::move(*job);
}

std::vector<JobEntry> list_jobs(const fs::path& folder) {
  std::vector<JobEntry> list;
  std::error_code ec;
  constexpr size_t kMost = 1000;
  for (fs::directory_iterator it(folder, ec), end; !ec && it != end && list.size() < kMost;
       it.increment(ec)) {
    if (it->path().extension() != ".yoke") continue;
    JobEntry e;
    e.path = it->path();
    if (const auto opened = open_job(it->path())) {
      e.title = opened->job.title;
      e.vehicle = opened->job.vehicle;
      e.state = opened->job.state;
      e.hard_findings = any_hard(find_all(opened->job, foot_strip(opened->job, 8)));
    } else {
      e.error = opened.error().reason;
    }
    list.push_back(std::move(e));
  }
  std::sort(list.begin(), list.end(),
            [](const JobEntry& a, const JobEntry& b) { return a.path < b.path; });
  return list;
}

}  // namespace yoke
