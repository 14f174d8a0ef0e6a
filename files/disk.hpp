// Files on a disk that may fail at any moment: whole regular files read within a bound, and written
// beside, synced, read back and renamed, so that the old file stays whole until the new one is.
#pragma once

#include <cstdint>
#include <filesystem>
#include <functional>
#include <optional>
#include <string>

#include "quantity/error.hpp"

namespace yoke {

/// What the file held when it was read or written; not there: `exists` is false.
struct FileStamp {
  std::size_t size = 0;
  std::uint64_t hash = 0;  ///< FNV-1a: the same in every version and on every machine
  bool exists = false;
  bool operator==(const FileStamp&) const = default;
};
[[nodiscard]] FileStamp stamp_of_text(std::string_view text);
/// FNV-1a, 64 bit.
[[nodiscard]] std::uint64_t fnv1a(std::string_view text);

/// Reads a whole regular file, refusing one above `most` bytes before reading it; never a pipe, a
/// device or a folder. `what` names it in errors: "job", "catalogue".
[[nodiscard]] Expected<std::string> read_file(const std::filesystem::path& path, std::size_t most,
                                              const char* what = "job");

/// Fields of errors that a question can settle.
inline constexpr const char* kReadOnlyField = "file.read_only";
inline constexpr const char* kChangedField = "file.changed";

struct WriteRules {
  bool keep_old = false;        ///< the last three versions stay as name.old-1 … old-3
  bool into_read_only = false;  ///< the builder said so
  /// Looks at the bytes as they stand on the disk, before they take the file's place.
  std::function<Expected<bool>(const std::string&)> verify;
};
/// Writes a file. A link is followed to the file it names; mode and owner stay where that is
/// possible; a file with several names (hard links) keeps them all. On any failure the old file
/// stays whole and no older copy is made.
[[nodiscard]] Expected<FileStamp> write_safely(const std::filesystem::path& path,
                                               const std::string& text, const WriteRules& rules);

/// The file a name leads to, links followed; an error for a ring of links.
[[nodiscard]] Expected<std::filesystem::path> target_of(const std::filesystem::path& path);
/// `name` + `ending` as a file name of at most 255 bytes: too long a name is cut and told apart by
/// its hash.
[[nodiscard]] std::string name_with(const std::string& name, const std::string& ending);
[[nodiscard]] Error io_error(const std::filesystem::path& path, const Message& what, int code,
                             Message remedy);

/// A file descriptor that closes itself.
class Descriptor {
 public:
  explicit Descriptor(int fd = -1) : fd_(fd) {}
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  Descriptor(Descriptor&& other) noexcept : fd_(other.fd_) { other.fd_ = -1; }
  Descriptor& operator=(Descriptor&& other) noexcept;
  ~Descriptor();
  [[nodiscard]] int get() const { return fd_; }
  [[nodiscard]] bool open() const { return fd_ >= 0; }
  int close();

 private:
  int fd_;
};

}  // namespace yoke
