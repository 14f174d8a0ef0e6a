// The rig: opens a line (a pseudo-terminal), tells where it is, and speaks as an instrument on the
// pedal of a job would, in the time that it takes. What is wrong with the pedal is chosen, or drawn
// and kept to itself.
#include <fcntl.h>
#include <poll.h>
#include <pty.h>
#include <sys/prctl.h>
#include <termios.h>
#include <unistd.h>

#include <chrono>
#include <csignal>
#include <cstdio>
#include <cstdlib>
#include <string>
#include <thread>
#include <vector>

#include "files/json_job.hpp"
#include "files/store.hpp"
#include "simulated/rig.hpp"

namespace {

using namespace yoke;

volatile std::sig_atomic_t stopped = 0;
void stop(int) {
  stopped = 1;
}

struct Wanted {
  std::string job, fault = "none", link;
  std::uint64_t seed = 1;
  double noise = 1, drop = 0, spoil = 0, push_n = 400, hold_s = 3;
  bool assist = false, tell = false, help = false;
  std::string wrong;
};

constexpr const char* kUsage =
    "yokestep-rig JOB.yoke [--fault NAME|hidden] [--tell] [--seed N] [--assist]\n"
    "  [--push N] [--hold S] [--noise X] [--drop SHARE] [--spoil SHARE] [--link PATH]\n";

Wanted read_words(int argc, char** argv) {
  Wanted w;
  for (int i = 1; i < argc; ++i) {
    const std::string word = argv[i];
    const auto next = [&]() -> std::string {
      if (i + 1 < argc) return argv[++i];
      w.wrong = word + " lacks what comes after it";
      return "";
    };
    const auto number = [&](double least, double most) {
      const std::string text = next();
      char* end = nullptr;
      const double v = std::strtod(text.c_str(), &end);
      if (text.empty() || *end != '\0' || !(v >= least && v <= most))
        w.wrong = word + " takes a number";
      return v;
    };
    if (word == "--help")
      w.help = true;
    else if (word == "--fault")
      w.fault = next();
    else if (word == "--link")
      w.link = next();
    else if (word == "--child")
      ::prctl(PR_SET_PDEATHSIG, SIGTERM);  // whoever started it may fall; it goes with him
    else if (word == "--tell")
      w.tell = true;
    else if (word == "--assist")
      w.assist = true;
    else if (word == "--seed")
      w.seed = static_cast<std::uint64_t>(number(0, 1e15));
    else if (word == "--push")
      w.push_n = number(30, 2000);
    else if (word == "--hold")
      w.hold_s = number(0, 600);
    else if (word == "--noise")
      w.noise = number(0, 100);
    else if (word == "--drop")
      w.drop = number(0, 0.9);
    else if (word == "--spoil")
      w.spoil = number(0, 0.9);
    else if (word.starts_with("--"))
      w.wrong = "there is no " + word;
    else
      w.job = word;
  }
  if (w.job.empty() && !w.help && w.wrong.empty()) w.wrong = "name a job";
  return w;
}

std::string fault_of(const Wanted& w) {
  if (w.fault != "hidden") return w.fault;
  const auto names = rig_fault_names();
  std::mt19937_64 draw(w.seed);
  return names[draw() % names.size()];
}

/// Until it is stopped: what the sensors told in each hundredth of a second. Whoever does not read
/// loses lines, as a real instrument's reader would.
void speak(int line, Rig& rig) {
  using clock = std::chrono::steady_clock;
  auto next = clock::now();
  while (stopped == 0) {
    const std::string text = rig.lines(0.05);
    std::size_t at = 0;
    while (at < text.size()) {
      const ssize_t n = ::write(line, text.data() + at, text.size() - at);
      if (n <= 0) break;
      at += static_cast<std::size_t>(n);
    }
    next += std::chrono::milliseconds(50);
    std::this_thread::sleep_until(next);
  }
}

}  // namespace

int main(int argc, char** argv) {
  const Wanted w = read_words(argc, argv);
  if (w.help || !w.wrong.empty()) {
    std::fprintf(w.help ? stdout : stderr, "%s%s%s", w.wrong.c_str(), w.wrong.empty() ? "" : "\n",
                 kUsage);
    return w.help ? 0 : 2;
  }
  const auto told = [](const Error& e) {
    std::fprintf(stderr, "%s. %s.\n", english(e.reason, Style{}).c_str(),
                 english(e.remedy, Style{}).c_str());
    return 1;
  };
  const auto opened = open_job(w.job);
  if (!opened) return told(opened.error());
  const std::string fault = fault_of(w);
  const auto faults = rig_fault(fault);
  if (!faults) {
    std::fprintf(stderr, "There is no fault of that name; there are:");
    for (const std::string& n : rig_fault_names()) std::fprintf(stderr, " %s", n.c_str());
    std::fprintf(stderr, " hidden\n");
    return 2;
  }
  RigSenses senses;
  senses.noise_n *= w.noise;
  senses.noise_m *= w.noise;
  senses.noise_pa *= w.noise;
  senses.dropped_share = w.drop;
  senses.spoiled_share = w.spoil;
  auto rig = Rig::make(opened->job, *faults, senses, {.assist_alive = w.assist}, w.seed);
  if (!rig) return told(rig.error());
  rig->press({{w.push_n, 2, 4, w.hold_s, 1}});
  int line = -1, reader = -1;
  char name[256] = {};
  termios raw{};
  cfmakeraw(&raw);
  if (openpty(&line, &reader, name, &raw, nullptr) != 0) {
    std::perror("no line could be made");
    return 1;
  }
  // The reader's end stays open here: nobody listening is no hang-up.
  ::fcntl(line, F_SETFL, ::fcntl(line, F_GETFL) | O_NONBLOCK);
  if (!w.link.empty()) {
    ::unlink(w.link.c_str());
    if (::symlink(name, w.link.c_str()) != 0) std::perror(w.link.c_str());
  }
  std::printf("%s\n", name);
  if (w.tell) std::printf("%s\n", fault.c_str());
  std::fflush(stdout);
  std::signal(SIGINT, stop);
  std::signal(SIGTERM, stop);
  speak(line, *rig);
  if (!w.link.empty()) ::unlink(w.link.c_str());
  ::close(reader);
  ::close(line);
  return 0;
}
