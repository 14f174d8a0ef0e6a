// A job with its pictures and recorded presses in one file (.yokepack, a plain ZIP): `job.yoke`,
// `pictures/NAME`, `recordings/NAME`, and `catalogue.csv` with the units that were thought about.
// A pack from a stranger is hostile: no name leads out of the folder, every size is bounded before
// it is read, what is not known is left out and told.
#pragma once

#include <filesystem>
#include <string>
#include <utility>
#include <vector>

#include "quantity/error.hpp"

namespace yoke {

inline constexpr std::size_t kMostPackPictures = 400;
inline constexpr std::size_t kMostPackRecordings = 400;
inline constexpr std::size_t kMostPictureBytes = 40u << 20;
inline constexpr std::size_t kMostPackBytes = 1u << 30;  ///< unpacked, all together

struct PackedPicture {
  std::string name;            ///< as the job calls it, without a folder
  std::filesystem::path from;  ///< where it stands now
};
/// Writes a pack whole or not at all: beside, then renamed. The job is its file's own bytes.
[[nodiscard]] Expected<bool> write_pack(const std::filesystem::path& pack, const std::string& job,
                                        const std::vector<PackedPicture>& pictures,
                                        const std::vector<PackedPicture>& recordings = {},
                                        const std::string& catalogue = {});

struct UnpackedJob {
  std::string job;  ///< bytes of the job file, not looked at
  std::vector<std::pair<std::string, std::string>> pictures;  ///< name and bytes
  std::vector<std::pair<std::string, std::string>> recordings;
  std::string catalogue;              ///< bytes, not looked at; empty: none
  std::vector<std::string> left_out;  ///< what was no picture of a job
};
/// Reads a whole pack into memory; nothing is written. `most` bounds all of it together.
[[nodiscard]] Expected<UnpackedJob> read_pack(const std::filesystem::path& pack,
                                              std::size_t most = kMostPackBytes);

/// A name that stands in one folder and hides nothing: no slash, no leading dot, no control sign.
[[nodiscard]] bool plain_name(const std::string& name);

}  // namespace yoke
