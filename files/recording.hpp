// A recorded press as a file: the instrument's own lines, packed with gzip (RFC 1952); and as CSV
// for a spreadsheet. Whoever wrote it, no more than so many bytes and samples come out of it.
#pragma once

#include <filesystem>
#include <string>
#include <string_view>

#include "instrument/trace.hpp"
#include "quantity/error.hpp"

namespace yoke {

inline constexpr std::size_t kMostPackedTrace = 8u << 20;
inline constexpr std::size_t kMostTraceText = 16u << 20;

/// Times are the trace's own; samples are numbered by them, so that what was lost stays lost.
[[nodiscard]] std::string trace_text(const Trace& trace);
/// An error where nothing in it is a sample of a head.
[[nodiscard]] Expected<Trace> trace_of_text(std::string_view text, LineCounts* counts = nullptr);

[[nodiscard]] Expected<bool> save_trace(const std::filesystem::path& path, const Trace& trace);
/// Packed, or plain text as it came off a line.
[[nodiscard]] Expected<Trace> load_trace(const std::filesystem::path& path,
                                         LineCounts* counts = nullptr);

/// time_s, then each channel: in SI by the scale, and as it was told in its own unit.
[[nodiscard]] std::string trace_csv(const Trace& trace, const TraceScale& scale);

}  // namespace yoke
