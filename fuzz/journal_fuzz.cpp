// Journals: whatever stands in one is read or told, and setting it aside loses nothing.
#include <unistd.h>

#include <cstdint>
#include <cstdlib>
#include <filesystem>
#include <fstream>

#include "files/journal.hpp"

namespace {

const std::filesystem::path& folder() {
  static const std::filesystem::path path = [] {
    std::string name =
        (std::filesystem::temp_directory_path() / "yoke-fuzz-").string() + std::string(6, 'X');
    return std::filesystem::path(mkdtemp(name.data()));
  }();
  return path;
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::filesystem::path journal = folder() / ".job.yoke.0123456789abcdef.journal";
  std::ofstream(journal, std::ios::binary)
      .write(reinterpret_cast<const char*>(data), static_cast<std::streamsize>(size));
  const yoke::JournalOf of{folder() / "job.yoke", {}};
  const auto list = yoke::leftovers(of);
  if (list.size() != 1 || (!list[0].job && list[0].error.empty())) std::abort();
  const auto aside = yoke::set_aside(list[0], of);
  if (!aside || std::filesystem::exists(journal)) std::abort();
  std::filesystem::remove(*aside);
  return 0;
}
