#include "files/disk.hpp"

#include <fcntl.h>
#include <fmt/format.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <charconv>
#include <csignal>
#include <ctime>
#include <system_error>

#include "quantity/text.hpp"

namespace yoke {

namespace fs = std::filesystem;

Descriptor& Descriptor::operator=(Descriptor&& other) noexcept {
  if (this == &other) return *this;
  close();
  fd_ = other.fd_;
  other.fd_ = -1;
  return *this;
}
Descriptor::~Descriptor() {
  close();
}
int Descriptor::close() {
  const int r = fd_ >= 0 ? ::close(fd_) : 0;
  fd_ = -1;
  return r;
}

std::uint64_t fnv1a(std::string_view text) {
  std::uint64_t h = 0xcbf29ce484222325U;
  for (const char c : text) h = (h ^ static_cast<unsigned char>(c)) * 0x100000001b3U;
  return h;
}

FileStamp stamp_of_text(std::string_view text) {
  return {text.size(), fnv1a(text), true};
}

Error io_error(const fs::path& path, const Message& what, int code, Message remedy) {
  const std::string name = as_utf8(path.filename().string());
  return {"file", as_utf8(path.string()), "",
          say("{} {}: {}", what, name, std::generic_category().message(code)), std::move(remedy)};
}

namespace {

constexpr const char* kReadRemedy = "Check its name and whether the disk is there";
constexpr const char* kWriteRemedy =
    "Nothing on the disk was changed; save under another name or on another disk";

Expected<std::string> read_all(int fd, std::size_t size, const fs::path& path) {
  std::string text(size, '\0');
  std::size_t got = 0;
  while (got < text.size()) {
    const ssize_t n = ::read(fd, text.data() + got, text.size() - got);
    if (n < 0 && errno == EINTR) continue;
    if (n < 0) return fail(io_error(path, "Cannot read", errno, kReadRemedy));
    if (n == 0) break;
    got += static_cast<std::size_t>(n);
  }
  text.resize(got);
  return text;
}

}  // namespace

Expected<std::string> read_file(const fs::path& path, std::size_t most, const char* what) {
  const std::string name = as_utf8(path.filename().string());
  // Without waiting: opening a pipe that nobody writes to would never come back.
  const Descriptor fd(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK | O_NOCTTY));
  if (!fd.open()) return fail(io_error(path, "Cannot open", errno, kReadRemedy));
  struct stat st {};
  if (::fstat(fd.get(), &st) != 0) return fail(io_error(path, "Cannot open", errno, kReadRemedy));
  if (!S_ISREG(st.st_mode))
    return fail({"file", as_utf8(path.string()), "", say("{} is not a file", name),
                 say("Choose a {} file", what)});
  const auto size = static_cast<std::size_t>(st.st_size);
  if (size > most)
    return fail({"file", as_utf8(path.string()), say("up to {} MB", most >> 20),
                 say("{} is too large for a {}: {} MB", name, what, size >> 20),
                 "This is something else"});
  return read_all(fd.get(), size, path);
}

Expected<fs::path> target_of(const fs::path& path) {
  fs::path at = path;
  std::error_code ec;
  for (int i = 0; i < 40; ++i) {
    if (!fs::is_symlink(at, ec)) return at;
    const fs::path next = fs::read_symlink(at, ec);
    if (ec) return fail(io_error(at, "Cannot follow the link", ec.value(), kReadRemedy));
    at = next.is_absolute() ? next : at.parent_path() / next;
  }
  return fail(io_error(path, "Cannot follow the link", ELOOP, kReadRemedy));
}

std::string name_with(const std::string& name, const std::string& ending) {
  constexpr std::size_t kMostName = 255;
  if (name.size() + ending.size() <= kMostName) return name + ending;
  const std::string mark = fmt::format("~{:016x}", fnv1a(name));
  return clipped(name, kMostName - mark.size() - ending.size()) + mark + ending;
}

namespace {

int write_all(int fd, std::string_view text) {
  while (!text.empty()) {
    const ssize_t n = ::write(fd, text.data(), text.size());
    if (n < 0 && errno == EINTR) continue;
    if (n <= 0) return n < 0 ? errno : EIO;
    text.remove_prefix(static_cast<std::size_t>(n));
  }
  return 0;
}

fs::path folder_of(const fs::path& path) {
  return path.has_parent_path() ? path.parent_path() : fs::path(".");
}

constexpr std::string_view kPart = ".yoke-part-";

fs::path part_of(const fs::path& path) {
  return folder_of(path) /
         fmt::format("{}{}-{:016x}", kPart, ::getpid(), fnv1a(path.filename().string()));
}

/// Which process left a half-written file; 0 when the name is no such file's.
long part_owner(const std::string& file, const std::string& name) {
  std::string_view rest;
  if (file.rfind(kPart, 0) == 0)
    rest = std::string_view(file).substr(kPart.size());
  else if (file.rfind(name + ".part-", 0) == 0)  // as earlier versions named them
    rest = std::string_view(file).substr(name.size() + 6);
  long pid = 0;
  std::from_chars(rest.data(), rest.data() + rest.size(), pid);
  return pid;
}

/// Half-written files of processes that are gone; young ones stay, they may be another machine's.
void sweep_parts(const fs::path& path) {
  constexpr int kMostFiles = 20000;
  constexpr std::time_t kOld_s = 600;
  std::error_code ec;
  int seen = 0;
  for (fs::directory_iterator it(folder_of(path), ec), end; !ec && it != end && seen < kMostFiles;
       it.increment(ec), ++seen) {
    const long pid = part_owner(it->path().filename().string(), path.filename().string());
    if (pid <= 0 || pid == ::getpid() || ::kill(static_cast<pid_t>(pid), 0) == 0 || errno != ESRCH)
      continue;
    struct stat st {};
    if (::lstat(it->path().c_str(), &st) == 0 && S_ISREG(st.st_mode) &&
        std::time(nullptr) - st.st_mtime > kOld_s)
      ::unlink(it->path().c_str());
  }
}

/// What stood at the path before.
struct Before {
  struct stat st {};
  bool exists = false;
  [[nodiscard]] bool shared() const { return exists && st.st_nlink > 1; }
};

/// The new bytes beside the file, synced, with the old one's mode and owner; 0 or the error.
int write_part(const fs::path& part, const std::string& text, const Before& before) {
  constexpr int kFlags = O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC;
  Descriptor fd(::open(part.c_str(), kFlags, 0666));
  if (!fd.open() && errno == EEXIST) {  // our own, of a save that failed before
    ::unlink(part.c_str());
    fd = Descriptor(::open(part.c_str(), kFlags, 0666));
  }
  if (!fd.open()) return errno;
  if (before.exists) {
    if (::fchown(fd.get(), before.st.st_uid, before.st.st_gid) != 0)
      (void)!::fchown(fd.get(), static_cast<uid_t>(-1), before.st.st_gid);
    (void)::fchmod(fd.get(), before.st.st_mode & 07777);
  }
  int code = write_all(fd.get(), text);
  if (code == 0 && ::fsync(fd.get()) != 0) code = errno;
  if (fd.close() != 0 && code == 0) code = errno;
  return code;
}

void sync_folder(const fs::path& path) {
  const Descriptor dir(::open(folder_of(path).c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
  if (dir.open()) (void)::fsync(dir.get());
}

/// The file as it is, ready to become the newest older copy; empty when it could not be kept. A
/// hard link needs no room on a full disk, but must not join a file that has further names.
fs::path hold_old(const fs::path& path, const Before& before) {
  if (!before.exists || !S_ISREG(before.st.st_mode)) return {};
  fs::path held = part_of(path);
  held += "-old";
  std::error_code ec;
  fs::remove(held, ec);
  if (!before.shared()) fs::create_hard_link(path, held, ec);
  if (before.shared() || ec) {
    ec.clear();
    fs::copy_file(path, held, fs::copy_options::overwrite_existing, ec);
  }
  return ec ? fs::path{} : held;
}

void rotate_old(const fs::path& path, const fs::path& held) {
  if (held.empty()) return;
  std::error_code ec;
  const auto name = [&path](int n) {
    return folder_of(path) / name_with(path.filename().string(), fmt::format(".old-{}", n));
  };
  for (int n = 3; n > 1; --n) fs::rename(name(n - 1), name(n), ec);
  fs::rename(held, name(1), ec);
}

/// Into the file itself, for one that has several names: its bytes are replaced, not the file. The
/// part stays beside it until they are on the disk.
int write_in_place(const fs::path& path, const std::string& text) {
  Descriptor fd(::open(path.c_str(), O_WRONLY | O_CLOEXEC | O_NOFOLLOW));
  if (!fd.open()) return errno;
  int code = write_all(fd.get(), text);
  if (code == 0 && ::ftruncate(fd.get(), static_cast<off_t>(text.size())) != 0) code = errno;
  if (code == 0 && ::fsync(fd.get()) != 0) code = errno;
  if (fd.close() != 0 && code == 0) code = errno;
  return code;
}

/// Whether the file may be written at all.
std::optional<Error> objection(const fs::path& path, const Before& before, bool into_read_only) {
  const std::string name = as_utf8(path.filename().string());
  if (!before.exists) return std::nullopt;
  if (!S_ISREG(before.st.st_mode))
    return Error{"file", as_utf8(path.string()), "", say("Cannot save: {} is not a file", name),
                 "Save under another name"};
  const bool read_only = (before.st.st_mode & 0222) == 0 || ::access(path.c_str(), W_OK) != 0;
  if (read_only && !into_read_only)
    return Error{kReadOnlyField, as_utf8(path.string()), "", say("{} is marked read-only", name),
                 "Save under another name, or say that it may be replaced"};
  return std::nullopt;
}

Expected<bool> verify_part(const fs::path& part, const std::string& text, const WriteRules& rules) {
  const auto back = read_file(part, text.size());
  if (!back) return fail(back.error());
  if (*back != text)
    return fail({"file", "", "", "The disk did not keep what was written to it", kWriteRemedy});
  return rules.verify ? rules.verify(*back) : Expected<bool>(true);
}

}  // namespace

Expected<FileStamp> write_safely(const fs::path& asked, const std::string& text,
                                 const WriteRules& rules) {
  const auto target = target_of(asked);
  if (!target) return fail(target.error());
  const fs::path& path = *target;
  Before before;
  before.exists = ::lstat(path.c_str(), &before.st) == 0;
  if (auto e = objection(path, before, rules.into_read_only)) return fail(std::move(*e));
  if (rules.keep_old) sweep_parts(path);
  const fs::path part = part_of(path);
  const auto give_up = [&](int code, const fs::path& held = {}) {
    ::unlink(part.c_str());
    if (!held.empty()) ::unlink(held.c_str());
    return fail(io_error(path, "Cannot save", code, kWriteRemedy));
  };
  if (const int code = write_part(part, text, before)) return give_up(code);
  if (const auto fine = verify_part(part, text, rules); !fine) {
    ::unlink(part.c_str());
    return fail(fine.error());
  }
  const fs::path held = rules.keep_old || before.shared() ? hold_old(path, before) : fs::path{};
  if (before.shared()) {
    if (held.empty()) return give_up(EIO);
    if (const int code = write_in_place(path, text)) {
      // The file may be half written: its old bytes and the new ones both stay beside it.
      return fail(io_error(path, "Cannot save", code,
                           say("Its old contents stand beside it as {}, the new ones as {}",
                               held.filename().string(), part.filename().string())));
    }
    ::unlink(part.c_str());
    if (!rules.keep_old) ::unlink(held.c_str());
  } else if (::rename(part.c_str(), path.c_str()) != 0) {
    return give_up(errno, held);
  }
  if (rules.keep_old) rotate_old(path, held);
  sync_folder(path);
  return stamp_of_text(text);
}

}  // namespace yoke
