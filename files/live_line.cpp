#include "files/live_line.hpp"

#include <fcntl.h>
#include <poll.h>
#include <termios.h>
#include <unistd.h>

#include <array>
#include <cerrno>
#include <chrono>
#include <cmath>

namespace yoke {

namespace {

tl::unexpected<Error> wrong(const std::string& device, Message reason, Message remedy) {
  return fail({.field = "--line",
               .value = device,
               .range = "",
               .reason = std::move(reason),
               .remedy = std::move(remedy)});
}

speed_t speed_of(int baud) {
  switch (baud) {
    case 9600:
      return B9600;
    case 19200:
      return B19200;
    case 38400:
      return B38400;
    case 57600:
      return B57600;
    case 230400:
      return B230400;
    default:
      return B115200;
  }
}

/// Closes what it opened; what was piped in stays open.
class Opened {
 public:
  explicit Opened(const std::string& device)
      : own_(device != "-"),
        fd_(own_ ? ::open(device.c_str(), O_RDONLY | O_NOCTTY | O_NONBLOCK | O_CLOEXEC)
                 : STDIN_FILENO) {}
  ~Opened() {
    if (own_ && fd_ >= 0) ::close(fd_);
  }
  Opened(const Opened&) = delete;
  Opened& operator=(const Opened&) = delete;
  [[nodiscard]] int fd() const { return fd_; }
  [[nodiscard]] bool own() const { return own_; }

 private:
  bool own_;
  int fd_;
};

void set_raw(int fd, int baud) {
  termios t{};
  if (::isatty(fd) == 0 || ::tcgetattr(fd, &t) != 0) return;
  ::cfmakeraw(&t);
  t.c_cflag |= CLOCAL | CREAD;
  ::cfsetspeed(&t, speed_of(baud));
  ::tcsetattr(fd, TCSANOW, &t);
}

}  // namespace

Expected<Trace> listen(const std::string& device, double seconds, int baud, LineCounts* counts) {
  const Opened line(device);
  if (line.fd() < 0)
    return wrong(device, "The line cannot be opened",
                 "Is it plugged in, and may you read it? On many systems that takes the group "
                 "“dialout”");
  if (line.own()) set_raw(line.fd(), baud);
  const auto begin = std::chrono::steady_clock::now();
  const auto now_s = [begin] {
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
  };
  LineReader reader;
  Trace trace;
  std::array<char, 4096> bytes{};
  while (now_s() < seconds && trace.samples.size() < kMostTrace) {
    pollfd p{line.fd(), POLLIN, 0};
    const double left_ms = std::min(200.0, std::ceil(1e3 * (seconds - now_s())));
    const int ready = ::poll(&p, 1, std::max(1, static_cast<int>(left_ms)));
    if (ready < 0 && errno != EINTR) break;
    if (ready <= 0) continue;
    const ssize_t n = ::read(line.fd(), bytes.data(), bytes.size());
    if (n == 0 || (n < 0 && errno != EAGAIN && errno != EINTR)) break;
    if (n < 0) continue;
    reader.take(std::string_view(bytes.data(), static_cast<std::size_t>(n)), now_s());
    for (LineSample& s : reader.drain())
      if (trace.samples.size() < kMostTrace) trace.samples.push_back(s);
  }
  if (counts) *counts = reader.counts();
  if (!reader.head() || trace.samples.empty())
    return wrong(device,
                 reader.wrong_speed() ? Message("What comes cannot be read")
                                      : Message("Nothing came that is a sample"),
                 reader.wrong_speed() ? Message("Try another speed of the line")
                                      : Message("Is the instrument on? Listen for longer"));
  trace.head = *reader.head();
  return trace;
}

}  // namespace yoke
