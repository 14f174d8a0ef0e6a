#include <cerrno>
#include <cstdio>
#include <cstring>

#include "cli/commands.hpp"

namespace {

/// Everything, and out of the buffer: a full disk shows only there.
bool put(const std::string& text, std::FILE* to) {
  errno = 0;
  return std::fwrite(text.data(), 1, text.size(), to) == text.size() && std::fflush(to) == 0;
}

}  // namespace

int main(int argc, char** argv) {
  const yoke::cli::Outcome o = yoke::cli::run({argv + 1, argv + argc});
  const bool out = put(o.out, stdout);
  const int code = errno;
  if (!out) std::fprintf(stderr, "The output could not be written: %s\n", std::strerror(code));
  const bool err = put(o.err, stderr);
  return out && err ? o.status : 2;
}
