#include "files/journal.hpp"

#include <fcntl.h>
#include <fmt/format.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <atomic>
#include <cerrno>
#include <ctime>
#include <nlohmann/json.hpp>

#include "files/json_job.hpp"
#include "files/owner.hpp"
#include "quantity/text.hpp"

namespace yoke {

namespace fs = std::filesystem;
using nlohmann::json;

namespace {

constexpr int kJournalVersion = 1;
constexpr std::size_t kMostJournalBytes = kMostFileBytes + (64u << 10);
constexpr std::size_t kTokenLength = 16;
constexpr std::string_view kJournal = ".journal";
constexpr std::string_view kLock = ".lock";
constexpr const char* kRemedy = "Save the job now: a power cut would lose what was done since";

/// The name that the journals of a file share, in one of the two folders they may stand in.
struct Place {
  fs::path folder;
  std::string stem;  ///< ".job.yoke." or "9f0c….": then comes the token
};

std::string absolute_text(const fs::path& file) {
  std::error_code ec;
  const fs::path full = fs::absolute(file, ec);
  return (ec ? file : full).lexically_normal().string();
}

std::vector<Place> places(const JournalOf& of) {
  std::vector<Place> list;
  if (of.file.empty()) {
    if (!of.state_folder.empty()) list.push_back({of.state_folder, "unnamed."});
    return list;
  }
  const std::string name = of.file.filename().string();
  if (name.size() + 2 + kTokenLength + kJournal.size() <= 255)
    list.push_back(
        {of.file.has_parent_path() ? of.file.parent_path() : fs::path("."), "." + name + "."});
  if (!of.state_folder.empty())
    list.push_back({of.state_folder, fmt::format("{:016x}.", fnv1a(absolute_text(of.file)))});
  return list;
}

fs::path lock_of(const fs::path& journal) {
  std::string s = journal.string();
  s.replace(s.size() - kJournal.size(), kJournal.size(), kLock);
  return s;
}

std::string new_token() {
  static std::atomic<unsigned> count{0};
  const Process& me = this_process();
  return fmt::format("{:016x}", fnv1a(fmt::format("{} {} {} {} {}", me.host, me.boot, me.pid,
                                                  me.started, ++count)));
}

std::string local_time(std::time_t t, const char* form) {
  std::tm tm{};
  if (!::localtime_r(&t, &tm)) return {};
  char buffer[32] = {};
  return {buffer, std::strftime(buffer, sizeof buffer, form, &tm)};
}

/// Holds the lock for as long as the process lives; not open when the folder does not take it.
Descriptor take_lock(const fs::path& path) {
  Descriptor fd(::open(path.c_str(), O_RDWR | O_CREAT | O_EXCL | O_NOFOLLOW | O_CLOEXEC, 0644));
  if (!fd.open()) return fd;
  (void)::flock(fd.get(), LOCK_EX | LOCK_NB);
  const std::string who = process_text(this_process());
  if (::write(fd.get(), who.data(), who.size()) != static_cast<ssize_t>(who.size())) {
    ::unlink(path.c_str());
    return Descriptor();
  }
  return fd;
}

std::string journal_text(const Job& job, const JournalOf& of, const FileStamp& grew_from) {
  const std::string body = write_job(job);
  const std::time_t now = std::time(nullptr);
  const json head = {{"format", "yoke-journal"},
                     {"version", kJournalVersion},
                     {"file", of.file.empty() ? std::string() : absolute_text(of.file)},
                     {"title", job.title},
                     {"written", local_time(now, "%Y-%m-%d %H:%M")},
                     {"body_bytes", body.size()},
                     {"body_hash", fnv1a(body)},
                     {"file_there", grew_from.exists},
                     {"file_bytes", grew_from.size},
                     {"file_hash", grew_from.hash},
                     {"owner", json::parse(process_text(this_process()))}};
  return head.dump(-1, ' ', false, json::error_handler_t::replace) + "\n" + body;
}

}  // namespace

struct Journal::Impl {
  JournalOf of;
  std::string token;
  fs::path path;
  Descriptor lock;

  void leave() {
    if (path.empty()) return;
    ::unlink(path.c_str());
    ::unlink(lock_of(path).c_str());
    lock.close();
    path.clear();
  }
  /// First the lock, then the journal: one without a lock would look abandoned.
  Expected<bool> write_at(const Place& place, const std::string& text) {
    const fs::path here = place.folder / (place.stem + token + std::string(kJournal));
    if (here != path) {
      Descriptor fresh = take_lock(lock_of(here));
      if (!fresh.open()) return fail(io_error(here, "No journal", errno, kRemedy));
      const auto wrote = write_safely(here, text, {});
      if (!wrote) {
        ::unlink(lock_of(here).c_str());
        return fail(wrote.error());
      }
      leave();
      path = here;
      lock = std::move(fresh);
      return true;
    }
    const auto wrote = write_safely(here, text, {});
    if (!wrote) return fail(wrote.error());
    return true;
  }
};

Journal::Journal(JournalOf of) : impl_(std::make_unique<Impl>()) {
  impl_->of = std::move(of);
  impl_->token = new_token();
}
Journal::~Journal() {
  // Whoever finds the journal now may take the work up, though this process may live on.
  if (impl_ && !impl_->path.empty()) ::unlink(lock_of(impl_->path).c_str());
}
Journal::Journal(Journal&&) noexcept = default;
Journal& Journal::operator=(Journal&&) noexcept = default;

Expected<bool> Journal::write(const Job& job, const FileStamp& grew_from) {
  const std::string text = journal_text(job, impl_->of, grew_from);
  Error last{"journal", "", "", "There is no folder for unsaved work", kRemedy};
  for (const Place& place : places(impl_->of)) {
    if (place.folder == impl_->of.state_folder) {
      std::error_code ec;
      fs::create_directories(place.folder, ec);
    }
    const auto wrote = impl_->write_at(place, text);
    if (wrote) return true;
    last = wrote.error();
  }
  last.field = "journal";
  last.remedy = kRemedy;
  return fail(std::move(last));
}

void Journal::drop() {
  impl_->leave();
}

fs::path Journal::path() const {
  return impl_->path;
}

namespace {

/// Whose a journal is, by its lock: a lock that is held, or names a process that lives, is alive.
Leftover::Owner owner_of(const fs::path& journal, Leftover& left) {
  const Descriptor fd(::open(lock_of(journal).c_str(), O_RDONLY | O_CLOEXEC | O_NOFOLLOW));
  if (!fd.open()) return Leftover::Owner::gone;
  const bool held = ::flock(fd.get(), LOCK_EX | LOCK_NB) != 0 && errno == EWOULDBLOCK;
  const auto text = read_file(lock_of(journal), 4096);
  const auto owner = text ? read_process(*text) : std::nullopt;
  if (owner) {
    left.host = owner->host;
    left.pid = owner->pid;
  }
  if (held) return Leftover::Owner::alive;
  if (!owner) return Leftover::Owner::gone;
  const auto alive = lives(*owner);
  return !alive   ? Leftover::Owner::elsewhere
         : *alive ? Leftover::Owner::alive
                  : Leftover::Owner::gone;
}

void read_head(const json& head, Leftover& left) {
  const auto word = [&head](const char* key) {
    const auto it = head.find(key);
    return it != head.end() && it->is_string() ? clipped(it->get<std::string>(), 400)
                                               : std::string();
  };
  const auto number = [&head](const char* key) -> std::uint64_t {
    const auto it = head.find(key);
    return it != head.end() && it->is_number_unsigned() ? it->get<std::uint64_t>() : 0;
  };
  left.title = word("title");
  left.written = word("written");
  const auto there = head.find("file_there");
  left.tells_state = there != head.end() && there->is_boolean();
  if (left.tells_state)
    left.grew_from = {static_cast<std::size_t>(number("file_bytes")), number("file_hash"),
                      there->get<bool>()};
}

/// The job's own text, checked against what the head says of it.
std::string_view body_of(std::string_view text, Leftover& left) {
  const auto end = text.find('\n');
  if (end == std::string_view::npos ||
      text.substr(0, end).find("\"yoke-journal\"") == std::string_view::npos)
    return text;  // as earlier versions wrote it: the job alone
  const json head =
      json::parse(text.begin(), text.begin() + static_cast<long>(end), nullptr, false);
  if (!head.is_object()) return text;
  read_head(head, left);
  const std::string_view body = text.substr(end + 1);
  const auto version = head.find("version");
  if (version == head.end() || !version->is_number_integer() ||
      version->get<long long>() > kJournalVersion)
    left.error = "It was written by a newer Yoke Step";
  else if (head.value("body_bytes", json()) != body.size() ||
           head.value("body_hash", json()) != fnv1a(body))
    left.error = "It is cut off or was changed";
  return body;
}

Leftover read_leftover(const fs::path& path, const JournalOf& of) {
  Leftover left;
  left.path = path;
  left.file = of.file;
  left.owner = owner_of(path, left);
  struct stat st {};
  if (::stat(path.c_str(), &st) == 0) left.written = local_time(st.st_mtime, "%Y-%m-%d %H:%M");
  const auto text = read_file(path, kMostJournalBytes, "journal");
  if (!text) {
    left.error = text.error().reason;
    return left;
  }
  const std::string_view body = body_of(*text, left);
  auto job = read_job(body);
  if (left.error.empty() && !job) left.error = job.error().reason;
  if (!left.error.empty()) return left;
  left.title = job->title;
  left.job = std::move(*job);
  return left;
}

/// ".job.yoke.<16 hex digits>.journal", or ".job.yoke.journal" as earlier versions named it.
bool is_journal(const std::string& name, const std::string& stem) {
  if (name.size() < stem.size() + kJournal.size() - 1 || name.rfind(stem, 0) != 0) return false;
  if (name == stem + std::string(kJournal.substr(1))) return true;
  if (name.size() != stem.size() + kTokenLength + kJournal.size()) return false;
  if (name.compare(name.size() - kJournal.size(), kJournal.size(), kJournal) != 0) return false;
  const std::string token = name.substr(stem.size(), kTokenLength);
  return token.find_first_not_of("0123456789abcdef") == std::string::npos;
}

}  // namespace

std::vector<Leftover> leftovers(const JournalOf& of) {
  std::vector<Leftover> list;
  constexpr int kMostFiles = 20000;
  for (const Place& place : places(of)) {
    std::error_code ec;
    int seen = 0;
    for (fs::directory_iterator it(place.folder, ec), end; !ec && it != end && seen < kMostFiles;
         it.increment(ec), ++seen)
      if (is_journal(it->path().filename().string(), place.stem))
        list.push_back(read_leftover(it->path(), of));
  }
  std::stable_sort(list.begin(), list.end(),
                   [](const Leftover& a, const Leftover& b) { return a.written > b.written; });
  return list;
}

void remove_leftover(const Leftover& left) {
  ::unlink(left.path.c_str());
  ::unlink(lock_of(left.path).c_str());
}

namespace {

/// "job unsaved 2026-05-31 14.05.yoke"
std::string aside_name(const Leftover& left, int n) {
  std::string stem = left.file.empty() ? std::string("unnamed") : left.file.stem().string();
  std::string when = left.written;
  std::replace(when.begin(), when.end(), ':', '.');
  std::string ending = " unsaved" + (when.empty() ? "" : " " + when);
  if (n > 1) ending += fmt::format(" ({})", n);
  return name_with(stem, ending + (left.job ? ".yoke" : ".unreadable"));
}

}  // namespace

Expected<fs::path> set_aside(const Leftover& left, const JournalOf& of) {
  const auto raw = read_file(left.path, kMostJournalBytes, "journal");
  if (!raw) return fail(raw.error());
  const std::string text = left.job ? write_job(*left.job) : *raw;
  std::vector<fs::path> folders;
  if (!of.file.empty()) folders.push_back(of.file.parent_path());
  folders.push_back(left.path.parent_path());
  Error last;
  for (const fs::path& folder : folders)
    for (int n = 1; n < 1000; ++n) {
      const fs::path to = folder / aside_name(left, n);
      // Made new: what stands there already is not written over.
      const Descriptor fd(::open(to.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, 0644));
      if (!fd.open() && errno == EEXIST) continue;
      if (!fd.open()) {
        last = io_error(to, "Cannot set unsaved work aside", errno, "It was left where it is");
        break;
      }
      if (const auto wrote = write_safely(to, text, {}); !wrote) {
        ::unlink(to.c_str());
        last = wrote.error();
        break;
      }
      remove_leftover(left);
      return to;
    }
  return fail(std::move(last));
}

}  // namespace yoke
