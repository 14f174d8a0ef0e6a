// A folder of a test's own.
#pragma once

#include <unistd.h>

#include <filesystem>
#include <fstream>
#include <set>
#include <sstream>
#include <string>

namespace yoke::test {

/// Removes itself.
struct Folder {
  std::filesystem::path path;
  Folder() {
    std::string pattern =
        (std::filesystem::temp_directory_path() / "yoke-test-").string() + std::string(6, 'X');
    path = mkdtemp(pattern.data());
  }
  ~Folder() { std::filesystem::remove_all(path); }
  Folder(const Folder&) = delete;
  Folder& operator=(const Folder&) = delete;
  /// Names of what is in it, sorted.
  [[nodiscard]] std::string names() const {
    std::set<std::string> all;
    for (const auto& e : std::filesystem::directory_iterator(path))
      all.insert(e.path().filename().string());
    std::string list;
    for (const auto& n : all) list += (list.empty() ? "" : " ") + n;
    return list;
  }
};

inline void put(const std::filesystem::path& path, const std::string& text) {
  std::ofstream(path, std::ios::binary) << text;
}
inline std::string content(const std::filesystem::path& path) {
  std::ifstream in(path, std::ios::binary);
  std::stringstream s;
  s << in.rdbuf();
  return s.str();
}

}  // namespace yoke::test
