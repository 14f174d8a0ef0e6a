// What is typed into the search of a folder, read.
#include <algorithm>
#include <cctype>

#include "files/job_index.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

namespace {

constexpr std::size_t kMostWords = 12;
constexpr double kAsNear =
    0.004;  // share by which two of a size are the same: 15/16 in and 23.8 mm

std::string lower(std::string_view text) {
  std::string out(text);
  std::transform(out.begin(), out.end(), out.begin(),
                 [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
  return out;
}

bool digit(char c) {
  return c >= '0' && c <= '9';
}

/// At semicolons, and at commas that stand in no number.
std::vector<std::string> parts_of(std::string_view text) {
  std::vector<std::string> list(1);
  for (std::size_t i = 0; i < text.size(); ++i) {
    const bool in_number =
        text[i] == ',' && i > 0 && i + 1 < text.size() && digit(text[i - 1]) && digit(text[i + 1]);
    if (text[i] == ';' || (text[i] == ',' && !in_number))
      list.emplace_back();
    else
      list.back() += text[i];
  }
  return list;
}

std::vector<std::string> words_of_part(const std::string& part) {
  std::vector<std::string> list(1);
  for (const char c : lower(part)) {
    // Signs that the full text takes for its own are left out.
    const bool letter = std::isalnum(static_cast<unsigned char>(c)) != 0 ||
                        static_cast<unsigned char>(c) >= 0x80 || c == '.' || c == '-' || c == '/';
    if (letter)
      list.back() += c;
    else if (!list.back().empty())
      list.emplace_back();
  }
  if (list.back().empty()) list.pop_back();
  return list;
}

/// Values whose words hold all of these.
std::vector<std::string> params_of(const std::vector<std::string>& words, Kind* kind) {
  std::vector<std::string> list;
  std::optional<Kind> first;
  for (const ParamInfo& p : all_params()) {
    if (p.kind == Kind::choice) continue;
    const std::string name = lower(p.words) + ' ' + lower(p.id);
    const bool all = std::all_of(words.begin(), words.end(), [&](const std::string& w) {
      return name.find(w) != std::string::npos;
    });
    if (!all) continue;
    if (!first) first = p.kind;
    if (p.kind == *first) list.emplace_back(p.id);
  }
  if (first) *kind = *first;
  return list;
}

struct Split {
  std::string name, sign, number;
};

/// "air > 2 cm3" in its three parts; a part without a number has no sign and no number.
Split split(const std::string& part) {
  Split s;
  std::size_t at = part.find_first_of("<>=");
  std::size_t number = at;
  if (at != std::string::npos) {
    while (number < part.size() && std::string("<>=").find(part[number]) != std::string::npos)
      s.sign += part[number++];
  } else {
    // The first number that words stand before.
    for (at = 1; at < part.size(); ++at)
      if (digit(part[at]) && part[at - 1] == ' ') break;
    number = at;
  }
  s.name = part.substr(0, std::min(at, part.size()));
  if (number < part.size()) s.number = part.substr(number);
  return s;
}

std::optional<IndexQuery::Wanted> value_in(const std::string& part, const Style& style) {
  const Split s = split(part);
  const auto words = words_of_part(s.name);
  if (words.empty() || s.number.empty()) return std::nullopt;
  IndexQuery::Wanted w;
  Kind kind = Kind::number;
  w.params = params_of(words, &kind);
  if (w.params.empty()) return std::nullopt;
  const auto v = parse_quantity(s.number, kind, style);
  if (!v) return std::nullopt;
  const double near = kAsNear * std::abs(*v);
  if (s.sign.empty() || s.sign == "=") {
    w.least = *v - near;
    w.most = *v + near;
  } else if (s.sign[0] == '<') {
    w.most = *v;
  } else {
    w.least = *v;
  }
  return w;
}

}  // namespace

IndexQuery read_query(std::string_view text, const Style& style) {
  IndexQuery q;
  for (const std::string& part : parts_of(text)) {
    if (const auto v = value_in(part, style)) {
      q.values.push_back(*v);
      continue;
    }
    for (std::string& w : words_of_part(part))
      if (q.words.size() < kMostWords) q.words.push_back(std::move(w));
  }
  return q;
}

}  // namespace yoke
