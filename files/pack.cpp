#include "files/pack.hpp"

#include <zip.h>

#include <algorithm>
#include <memory>
#include <system_error>

#include "files/disk.hpp"
#include "files/limits.hpp"

namespace yoke {

namespace {

constexpr const char* kJobName = "job.yoke";
constexpr const char* kCatalogueName = "catalogue.csv";
constexpr std::size_t kMostCatalogue = 4u << 20;
constexpr std::string_view kPictures = "pictures/";
constexpr std::string_view kRecordings = "recordings/";

struct Close {
  void operator()(zip_t* z) const { zip_discard(z); }
  void operator()(zip_file_t* f) const { zip_fclose(f); }
};
using Zip = std::unique_ptr<zip_t, Close>;
using ZipFile = std::unique_ptr<zip_file_t, Close>;

tl::unexpected<Error> wrong(const std::filesystem::path& pack, const Message& reason,
                            const Message& remedy) {
  return fail({"pack", pack.filename().string(), "", reason, remedy});
}

/// One entry, no larger than it said and than is allowed.
Expected<std::string> read_entry(zip_t* zip, zip_uint64_t index, std::size_t most,
                                 const std::filesystem::path& pack) {
  zip_stat_t said;
  zip_stat_init(&said);
  if (zip_stat_index(zip, index, 0, &said) != 0 || (said.valid & ZIP_STAT_SIZE) == 0)
    return wrong(pack, "The pack is broken", "Ask for it anew");
  if (said.size > most)
    return wrong(pack, say("Something in the pack is larger than {} MB", most >> 20),
                 "Ask for it without that");
  const ZipFile file(zip_fopen_index(zip, index, 0));
  if (!file)
    return wrong(pack, "The pack is broken, or locked", "Ask for it anew, without a password");
  std::string bytes(static_cast<std::size_t>(said.size), '\0');
  std::size_t at = 0;
  while (at < bytes.size()) {
    const auto n = zip_fread(file.get(), bytes.data() + at, bytes.size() - at);
    if (n <= 0) return wrong(pack, "The pack is broken", "Ask for it anew");
    at += static_cast<std::size_t>(n);
  }
  // What unpacks to more than it said is no honest pack; the end also proves its checksum.
  char more = 0;
  if (zip_fread(file.get(), &more, 1) != 0)
    return wrong(pack, "The pack is broken", "Ask for it anew");
  return bytes;
}

bool add(zip_t* zip, const std::string& name, zip_source_t* source) {
  if (source == nullptr) return false;
  if (zip_file_add(zip, name.c_str(), source, ZIP_FL_ENC_UTF_8 | ZIP_FL_OVERWRITE) >= 0)
    return true;
  zip_source_free(source);
  return false;
}

}  // namespace

bool plain_name(const std::string& name) {
  return !name.empty() && name.size() <= 200 && name.front() != '.' &&
         std::none_of(name.begin(), name.end(), [](char c) {
           return c == '/' || c == '\\' || c == ':' || static_cast<unsigned char>(c) < 0x20;
         });
}

namespace {

/// Puts files into a folder of the pack; the name of one that is not there is told.
bool add_all(zip_t* zip, std::string_view folder, const std::vector<PackedPicture>& files,
             std::string& missing) {
  bool ok = true;
  std::error_code ignored;
  for (const PackedPicture& p : files) {
    if (!plain_name(p.name) || !std::filesystem::is_regular_file(p.from, ignored)) {
      missing = p.name;
      return false;
    }
    ok = ok && add(zip, std::string(folder) + p.name, zip_source_file(zip, p.from.c_str(), 0, -1));
  }
  return ok;
}

/// The name in one of the folders, where it is a plain one.
std::string name_in(std::string_view folder, const std::string& entry) {
  if (!entry.starts_with(folder)) return {};
  std::string name = entry.substr(folder.size());
  return plain_name(name) ? name : std::string();
}

}  // namespace

Expected<bool> write_pack(const std::filesystem::path& pack, const std::string& job,
                          const std::vector<PackedPicture>& pictures,
                          const std::vector<PackedPicture>& recordings,
                          const std::string& catalogue) {
  if (pictures.size() > kMostPackPictures)
    return wrong(pack, say("More than {} pictures", kMostPackPictures), "Take some off the job");
  if (recordings.size() > kMostPackRecordings)
    return wrong(pack, say("More than {} recordings", kMostPackRecordings),
                 "Take some off the job");
  const std::filesystem::path beside =
      pack.parent_path() / name_with(pack.filename().string(), ".new");
  std::error_code ignored;
  std::filesystem::remove(beside, ignored);
  Zip zip(zip_open(beside.c_str(), ZIP_CREATE | ZIP_EXCL, nullptr));
  if (!zip)
    return wrong(pack, "The pack cannot be written there", "Choose another folder, or make room");
  bool ok = add(zip.get(), kJobName, zip_source_buffer(zip.get(), job.data(), job.size(), 0));
  if (!catalogue.empty())
    ok = ok && add(zip.get(), kCatalogueName,
                   zip_source_buffer(zip.get(), catalogue.data(), catalogue.size(), 0));
  std::string missing;
  ok = ok && add_all(zip.get(), kPictures, pictures, missing) &&
       add_all(zip.get(), kRecordings, recordings, missing);
  if (!missing.empty()) {
    zip.reset();
    std::filesystem::remove(beside, ignored);
    return wrong(pack, say("{} is not beside the job any more", missing),
                 "Put it back, or take it off the job");
  }
  if (!ok || zip_close(zip.get()) != 0) {
    zip.reset();
    std::filesystem::remove(beside, ignored);
    return wrong(pack, "The pack could not be written whole", "Make room on the disk, then again");
  }
  static_cast<void>(zip.release());  // closed above
  std::error_code failed;
  std::filesystem::rename(beside, pack, failed);
  if (failed) {
    std::filesystem::remove(beside, ignored);
    return wrong(pack, "The pack cannot be written there", "Choose another folder");
  }
  return true;
}

Expected<UnpackedJob> read_pack(const std::filesystem::path& pack, std::size_t most) {
  std::error_code failed;
  const auto size = std::filesystem::file_size(pack, failed);
  if (failed || !std::filesystem::is_regular_file(pack, failed))
    return wrong(pack, "There is no such pack", "Choose another file");
  if (size > most)
    return wrong(pack, say("The pack is larger than {} MB", most >> 20), "Ask for a smaller one");
  const Zip zip(zip_open(pack.c_str(), ZIP_RDONLY | ZIP_CHECKCONS, nullptr));
  if (!zip) return wrong(pack, "This is not a pack, or it is broken", "Choose a .yokepack file");
  const auto entries = zip_get_num_entries(zip.get(), 0);
  if (entries < 0 ||
      static_cast<std::size_t>(entries) > 2 * (kMostPackPictures + kMostPackRecordings))
    return wrong(pack, "The pack holds too many files", "Ask for it anew");
  UnpackedJob out;
  bool job = false;
  std::size_t sum = 0;
  for (zip_uint64_t i = 0; i < static_cast<zip_uint64_t>(entries); ++i) {
    const char* const raw = zip_get_name(zip.get(), i, ZIP_FL_ENC_GUESS);
    const std::string name = raw ? raw : "";
    const bool is_job = name == kJobName;
    const std::string picture = name_in(kPictures, name);
    const std::string recording = name_in(kRecordings, name);
    const bool catalogue = name == kCatalogueName && out.catalogue.empty();
    if ((!is_job && !catalogue && picture.empty() && recording.empty()) || (is_job && job)) {
      out.left_out.push_back(name.substr(0, 100));
      continue;
    }
    const std::size_t room = std::min(is_job      ? kMostFileBytes
                                      : catalogue ? kMostCatalogue
                                                  : kMostPictureBytes,
                                      most - sum);
    auto bytes = read_entry(zip.get(), i, room, pack);
    if (!bytes) return fail(bytes.error());
    sum += bytes->size();
    if (is_job) {
      out.job = std::move(*bytes);
      job = true;
    } else if (catalogue) {
      out.catalogue = std::move(*bytes);
    } else if (!picture.empty()) {
      out.pictures.emplace_back(picture, std::move(*bytes));
    } else {
      out.recordings.emplace_back(recording, std::move(*bytes));
    }
  }
  if (!job) return wrong(pack, "There is no job in it", "Choose a .yokepack file of this program");
  return out;
}

}  // namespace yoke
