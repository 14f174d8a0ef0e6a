#include "quantity/text.hpp"

namespace yoke {

namespace {

constexpr std::string_view kReplacement = "\xef\xbf\xbd";

unsigned char byte(std::string_view t, std::size_t i) {
  return static_cast<unsigned char>(t[i]);
}

/// Bytes of the well-formed character that begins at `i`; 0 when none does.
std::size_t character(std::string_view t, std::size_t i) {
  const unsigned char lead = byte(t, i);
  if (lead < 0x80) return 1;
  const std::size_t n = lead >= 0xC2 && lead <= 0xDF   ? 2
                        : lead >= 0xE0 && lead <= 0xEF ? 3
                        : lead >= 0xF0 && lead <= 0xF4 ? 4
                                                       : 0;
  if (n == 0 || i + n > t.size()) return 0;
  for (std::size_t k = 1; k < n; ++k)
    if ((byte(t, i + k) & 0xC0) != 0x80) return 0;
  const unsigned char second = byte(t, i + 1);
  // Overlong forms, surrogates, and what lies beyond U+10FFFF.
  if ((lead == 0xE0 && second < 0xA0) || (lead == 0xED && second > 0x9F) ||
      (lead == 0xF0 && second < 0x90) || (lead == 0xF4 && second > 0x8F))
    return 0;
  return n;
}

bool xml_allows(std::string_view c) {
  if (c.size() == 1) {
    const unsigned char b = byte(c, 0);
    return b >= 0x20 || b == '\t' || b == '\n' || b == '\r';
  }
  return c != "\xef\xbf\xbe" && c != "\xef\xbf\xbf";
}

}  // namespace

std::string clipped(std::string_view text, std::size_t most) {
  if (text.size() <= most) return std::string(text);
  while (most > 0 && (byte(text, most) & 0xC0) == 0x80) --most;
  return std::string(text.substr(0, most));
}

bool is_utf8(std::string_view text) {
  for (std::size_t i = 0; i < text.size();) {
    const std::size_t n = character(text, i);
    if (n == 0) return false;
    i += n;
  }
  return true;
}

std::string as_utf8(std::string_view text) {
  if (is_utf8(text)) return std::string(text);
  std::string out;
  for (std::size_t i = 0; i < text.size();) {
    const std::size_t n = character(text, i);
    out += n == 0 ? kReplacement : text.substr(i, n);
    i += n == 0 ? 1 : n;
  }
  return out;
}

std::string xml_escaped(std::string_view text) {
  const std::string clean = as_utf8(text);
  const std::string_view t = clean;
  std::string out;
  for (std::size_t i = 0; i < t.size();) {
    const std::string_view c = t.substr(i, character(t, i));
    i += c.size();
    if (c == "&")
      out += "&amp;";
    else if (c == "<")
      out += "&lt;";
    else if (c == ">")
      out += "&gt;";
    else if (c == "\"")
      out += "&quot;";
    else
      out += xml_allows(c) ? c : kReplacement;
  }
  return out;
}

}  // namespace yoke
