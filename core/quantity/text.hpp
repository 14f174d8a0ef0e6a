// Text of others, handled safely: cut between characters, checked, made fit for XML.
#pragma once

#include <string>
#include <string_view>

namespace yoke {

/// At most `most` bytes, never cut inside a UTF-8 character.
[[nodiscard]] std::string clipped(std::string_view text, std::size_t most);
/// Well-formed UTF-8 without surrogates (RFC 3629).
[[nodiscard]] bool is_utf8(std::string_view text);
/// The same text; what is not UTF-8 becomes U+FFFD.
[[nodiscard]] std::string as_utf8(std::string_view text);
/// Escaped for XML text and attributes; characters that XML 1.0 cannot hold become U+FFFD.
[[nodiscard]] std::string xml_escaped(std::string_view text);

}  // namespace yoke
