// Job files: read or refused with words; what is read is written and read back the same.
#include <cstdint>
#include <cstdlib>

#include "files/json_job.hpp"
#include "quantity/text.hpp"

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const auto job = yoke::read_job({reinterpret_cast<const char*>(data), size});
  if (!job) {
    if (job.error().reason.empty() || !yoke::is_utf8(job.error().text())) std::abort();
    return 0;
  }
  if (yoke::unwritable(*job)) std::abort();
  const std::string text = yoke::write_job(*job);
  const auto again = yoke::read_job(text);
  if (!again || !(*again == *job) || yoke::write_job(*again) != text) std::abort();
  return 0;
}
