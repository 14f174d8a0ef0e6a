#include <cstdio>

#include "cli/commands.hpp"

int main(int argc, char** argv) {
  const yoke::cli::Outcome o = yoke::cli::run({argv + 1, argv + argc});
  std::fwrite(o.out.data(), 1, o.out.size(), stdout);
  std::fwrite(o.err.data(), 1, o.err.size(), stderr);
  return o.status;
}
