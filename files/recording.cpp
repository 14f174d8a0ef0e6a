#include "files/recording.hpp"

#include <fmt/format.h>
#include <zlib.h>

#include <cmath>

#include "files/disk.hpp"

namespace yoke {

namespace {

constexpr int kGzip = 15 + 16;  // the largest window, with a gzip head (zlib's manual)

tl::unexpected<Error> wrong(Message reason, Message remedy) {
  return fail({.field = "recording",
               .value = "",
               .range = "",
               .reason = std::move(reason),
               .remedy = std::move(remedy)});
}

Expected<std::string> packed(const std::string& text) {
  z_stream z{};
  if (deflateInit2(&z, Z_BEST_SPEED, Z_DEFLATED, kGzip, 8, Z_DEFAULT_STRATEGY) != Z_OK)
    return wrong("The recording could not be packed", "Close other programs and try again");
  std::string out(deflateBound(&z, static_cast<uLong>(text.size())) + 32, '\0');
  z.next_in = reinterpret_cast<Bytef*>(const_cast<char*>(text.data()));
  z.avail_in = static_cast<uInt>(text.size());
  z.next_out = reinterpret_cast<Bytef*>(out.data());
  z.avail_out = static_cast<uInt>(out.size());
  const int done = deflate(&z, Z_FINISH);
  out.resize(z.total_out);
  deflateEnd(&z);
  if (done != Z_STREAM_END)
    return wrong("The recording could not be packed", "Close other programs and try again");
  return out;
}

/// At most so many bytes come out, whatever the head claims.
Expected<std::string> unpacked(const std::string& bytes) {
  z_stream z{};
  if (inflateInit2(&z, kGzip) != Z_OK)
    return wrong("The recording could not be opened", "Close other programs and try again");
  z.next_in = reinterpret_cast<Bytef*>(const_cast<char*>(bytes.data()));
  z.avail_in = static_cast<uInt>(bytes.size());
  std::string out;
  int state = Z_OK;
  while (state == Z_OK && out.size() < kMostTraceText) {
    const std::size_t had = out.size();
    out.resize(std::min(kMostTraceText, had + (1u << 16)));
    z.next_out = reinterpret_cast<Bytef*>(out.data() + had);
    z.avail_out = static_cast<uInt>(out.size() - had);
    state = inflate(&z, Z_NO_FLUSH);
    out.resize(out.size() - z.avail_out);
    if (state == Z_BUF_ERROR) break;
  }
  inflateEnd(&z);
  if (state != Z_STREAM_END)
    return wrong(out.size() >= kMostTraceText ? Message("The recording is too long")
                                              : Message("The recording is broken"),
                 "Record the press again");
  return out;
}

}  // namespace

std::string trace_text(const Trace& trace) {
  std::string out = head_lines(trace.head);
  for (LineSample s : trace.samples) {
    s.number = static_cast<std::uint32_t>(std::lround(s.t_s * trace.head.rate_hz));
    out += sample_line(trace.head, s, static_cast<std::uint32_t>(std::lround(1e3 * s.t_s)));
  }
  return out;
}

Expected<Trace> trace_of_text(std::string_view text, LineCounts* counts) {
  LineReader reader;
  Trace t;
  // In pieces: what is longer than a recording may be is not held in memory first.
  constexpr std::size_t kPiece = 1u << 16;
  for (std::size_t at = 0; at < text.size() && t.samples.size() < kMostTrace; at += kPiece) {
    reader.take(text.substr(at, kPiece), 0);
    if (at + kPiece >= text.size()) reader.take("\n", 0);
    const auto more = reader.drain();
    t.samples.insert(t.samples.end(), more.begin(), more.end());
  }
  if (counts) *counts = reader.counts();
  if (!reader.head())
    return wrong("No instrument speaks in it", "Record it from an instrument of this kind");
  t.head = *reader.head();
  if (t.samples.empty()) return wrong("There is not one sample in it", "Record the press again");
  if (t.samples.size() > kMostTrace) t.samples.resize(kMostTrace);
  return t;
}

Expected<bool> save_trace(const std::filesystem::path& path, const Trace& trace) {
  const auto bytes = packed(trace_text(trace));
  if (!bytes) return fail(bytes.error());
  const auto done = write_safely(path, *bytes, {});
  if (!done) return fail(done.error());
  return true;
}

Expected<Trace> load_trace(const std::filesystem::path& path, LineCounts* counts) {
  const auto bytes = read_file(path, kMostPackedTrace, "recording");
  if (!bytes) return fail(bytes.error());
  if (!bytes->starts_with("\x1f\x8b")) return trace_of_text(*bytes, counts);
  const auto text = unpacked(*bytes);
  if (!text) return fail(text.error());
  return trace_of_text(*text, counts);
}

std::string trace_csv(const Trace& trace, const TraceScale& scale) {
  std::string out = "time_s";
  for (const Channel& c : trace.head.channels)
    out += fmt::format(",{}_SI,{}_{}", key_of(c.what), key_of(c.what), c.unit);
  out += "\n";
  for (const LineSample& s : trace.samples) {
    out += fmt::format("{:.3f}", s.t_s);
    for (const Channel& c : trace.head.channels) {
      const auto si = scale.si(s, c.what);
      const auto& told = s.told[static_cast<std::size_t>(c.what)];
      out += si ? fmt::format(",{:.6g}", *si) : std::string(",");
      out += told ? fmt::format(",{:.6g}", *told) : std::string(",");
    }
    out += "\n";
  }
  return out;
}

}  // namespace yoke
