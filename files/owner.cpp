#include "files/owner.hpp"

#include <unistd.h>

#include <cerrno>
#include <csignal>
#include <fstream>
#include <nlohmann/json.hpp>
#include <sstream>

namespace yoke {

namespace {

std::string first_line(const std::string& path) {
  std::ifstream in(path);
  std::string line;
  std::getline(in, line);
  return line;
}

/// Field 22 of the kernel's line on a process; the name in it may hold blanks and brackets.
long long start_ticks(long pid) {
  const std::string line = first_line("/proc/" + std::to_string(pid) + "/stat");
  const auto name_end = line.rfind(')');
  if (name_end == std::string::npos) return 0;
  std::istringstream rest(line.substr(name_end + 1));
  std::string field;
  constexpr int kFieldsBefore = 20;
  for (int i = 0; i < kFieldsBefore; ++i) rest >> field;
  return std::strtoll(field.c_str(), nullptr, 10);
}

std::string host_name() {
  char name[256] = {};
  return ::gethostname(name, sizeof name - 1) == 0 ? std::string(name) : std::string("?");
}

std::string boot_id() {
  static const std::string id = first_line("/proc/sys/kernel/random/boot_id");
  return id;
}

}  // namespace

const Process& this_process() {
  // A child after fork() is another process.
  thread_local Process me;
  if (me.pid != ::getpid()) me = {::getpid(), host_name(), boot_id(), start_ticks(::getpid())};
  return me;
}

std::string process_text(const Process& p) {
  return nlohmann::json{{"pid", p.pid}, {"host", p.host}, {"boot", p.boot}, {"started", p.started}}
             .dump(-1, ' ', false, nlohmann::json::error_handler_t::replace) +
         "\n";
}

std::optional<Process> read_process(std::string_view text) {
  const auto j = nlohmann::json::parse(text.begin(), text.end(), nullptr, false);
  if (!j.is_object()) return std::nullopt;
  Process p;
  const auto number = [&j](const char* key) {
    const auto it = j.find(key);
    return it != j.end() && it->is_number_integer() ? it->get<long long>() : 0;
  };
  const auto word = [&j](const char* key) {
    const auto it = j.find(key);
    return it != j.end() && it->is_string() ? it->get<std::string>() : std::string();
  };
  p.pid = static_cast<long>(number("pid"));
  p.started = number("started");
  p.host = word("host");
  p.boot = word("boot");
  if (p.pid <= 0 || p.host.empty()) return std::nullopt;
  return p;
}

std::optional<bool> lives(const Process& p) {
  if (p.host != host_name()) return std::nullopt;
  if (!p.boot.empty() && p.boot != boot_id()) return false;
  if (::kill(static_cast<pid_t>(p.pid), 0) != 0 && errno == ESRCH) return false;
  const long long now = start_ticks(p.pid);
  return p.started == 0 || now == 0 || now == p.started;
}

}  // namespace yoke
