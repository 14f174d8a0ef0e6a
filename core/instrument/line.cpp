#include "instrument/line.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <utility>

namespace yoke {

namespace {

struct What {
  std::string_view key, words;
  Kind kind;
};
constexpr What kWhat[] = {{"force", "Push on the pad", Kind::force},
                          {"travel", "Travel of the pad", Kind::length},
                          {"pressure1", "Pressure at outlet 1", Kind::pressure},
                          {"pressure2", "Pressure at outlet 2", Kind::pressure},
                          {"vacuum", "Vacuum", Kind::pressure},
                          {"speed", "Speed of a wheel", Kind::speed}};
static_assert(std::size(kWhat) == kChannelKinds);

const What& of(ChannelWhat w) {
  return kWhat[static_cast<std::size_t>(w)];
}

std::vector<std::string_view> words_in(std::string_view text) {
  std::vector<std::string_view> list;
  while (!text.empty() && list.size() < 16) {
    const std::size_t end = std::min(text.find(' '), text.size());
    list.push_back(text.substr(0, end));
    text.remove_prefix(std::min(end + 1, text.size()));
  }
  return text.empty() ? list : std::vector<std::string_view>{};
}

template <class Number>
std::optional<Number> number_in(std::string_view text) {
  Number v{};
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), v);
  if (error != std::errc() || end != text.data() + text.size() || text.empty()) return std::nullopt;
  return v;
}

std::optional<double> told_in(std::string_view text) {
  const auto v = number_in<double>(text);
  return v && std::isfinite(*v) && std::abs(*v) <= kMostTold ? v : std::nullopt;
}

/// Without its checksum, where that is right.
std::optional<std::string_view> whole(std::string_view text) {
  if (text.size() < 10 || text[text.size() - 9] != '*') return std::nullopt;
  std::uint32_t told = 0;
  const std::string_view sum = text.substr(text.size() - 8);
  const auto [end, error] = std::from_chars(sum.data(), sum.data() + 8, told, 16);
  if (error != std::errc() || end != sum.data() + 8) return std::nullopt;
  text.remove_suffix(9);
  return crc32_of(text) == told ? std::optional(text) : std::nullopt;
}

}  // namespace

std::string_view key_of(ChannelWhat w) {
  return of(w).key;
}

std::string_view words_of(ChannelWhat w) {
  return of(w).words;
}

Kind kind_of(ChannelWhat w) {
  return of(w).kind;
}

bool is_stand_in(const InstrumentHead& head) {
  return head.name.starts_with(kStandInName);
}

std::optional<ChannelWhat> channel_of(std::string_view key) {
  for (std::size_t i = 0; i < kChannelKinds; ++i)
    if (kWhat[i].key == key) return static_cast<ChannelWhat>(i);
  return std::nullopt;
}

std::optional<double> unit_si(ChannelWhat what, std::string_view unit) {
  if (unit == "raw") return 0.0;
  // Exact by definition: kgf 9.80665 N, lbf 4.4482216152605 N, in 25.4 mm (NIST SP 811); inHg at
  // 0 C 3386.389 Pa (the same).
  static constexpr ChannelUnit forces[] = {
      {"N", 1}, {"kN", 1000}, {"kgf", 9.80665}, {"lbf", 4.4482216152605}};
  static constexpr ChannelUnit lengths[] = {{"mm", 1e-3}, {"m", 1}, {"in", 0.0254}};
  static constexpr ChannelUnit pressures[] = {{"Pa", 1},         {"kPa", 1e3},
                                              {"MPa", 1e6},      {"bar", 1e5},
                                              {"mbar", 100},     {"psi", 6894.757293168361},
                                              {"inHg", 3386.389}};
  static constexpr ChannelUnit speeds[] = {{"m/s", 1}, {"km/h", 1 / 3.6}, {"mph", 0.44704}};
  const auto find = [unit](const auto& list) -> std::optional<double> {
    for (const ChannelUnit& u : list)
      if (u.name == unit) return u.si;
    return std::nullopt;
  };
  switch (kind_of(what)) {
    case Kind::force:
      return find(forces);
    case Kind::length:
      return find(lengths);
    case Kind::pressure:
      return find(pressures);
    default:
      return find(speeds);
  }
}

std::uint32_t crc32_of(std::string_view text) {
  static constexpr auto table = [] {
    std::array<std::uint32_t, 256> t{};
    for (std::uint32_t i = 0; i < 256; ++i) {
      std::uint32_t c = i;
      for (int k = 0; k < 8; ++k) c = (c & 1U) != 0 ? 0xEDB88320U ^ (c >> 1U) : c >> 1U;
      t[i] = c;
    }
    return t;
  }();
  std::uint32_t c = 0xFFFFFFFFU;
  for (const char letter : text)
    c = table[(c ^ static_cast<unsigned char>(letter)) & 0xFFU] ^ (c >> 8U);
  return c ^ 0xFFFFFFFFU;
}

std::string line_of(std::string_view text) {
  return fmt::format("{}*{:08X}\n", text, crc32_of(text));
}

std::string head_lines(const InstrumentHead& head) {
  std::string out = line_of(fmt::format("@yoke 1 {} {}", head.rate_hz, head.name));
  for (std::size_t i = 0; i < head.channels.size(); ++i)
    out += line_of(fmt::format("@channel {} {} {}", i + 1, key_of(head.channels[i].what),
                               head.channels[i].unit));
  return out + line_of(fmt::format("@end {}", head.channels.size()));
}

std::string sample_line(const InstrumentHead& head, const LineSample& s, std::uint32_t ms) {
  std::string text = fmt::format("{} {}", s.number, ms);
  for (const Channel& c : head.channels) {
    const auto& v = s.told[static_cast<std::size_t>(c.what)];
    text += v ? fmt::format(" {:.6g}", *v) : std::string(" -");
  }
  return line_of(text);
}

void LineReader::take(std::string_view bytes, double host_s) {
  unread_bytes_ += bytes.size();
  for (const char letter : bytes) {
    if (letter == '\n') {
      if (!kept_.empty() && kept_.back() == '\r') kept_.pop_back();
      if (too_long_)
        ++counts_.spoiled;
      else if (!kept_.empty())
        line(kept_, host_s);
      kept_.clear();
      too_long_ = false;
    } else if (!too_long_) {
      kept_.push_back(letter);
      if (kept_.size() > kMostLine + 1) {
        too_long_ = true;
        kept_.clear();
      }
    }
  }
}

void LineReader::unplugged() {
  kept_.clear();
  too_long_ = false;
  coming_.reset();
  unread_bytes_ = 0;
  fresh_ = true;
}

std::vector<LineSample> LineReader::drain() {
  return std::exchange(samples_, {});
}

void LineReader::line(std::string_view text, double host_s) {
  const auto told = whole(text);
  const bool good = told && (told->front() == '@' ? head_line(*told) : sample_line(*told, host_s));
  if (good)
    unread_bytes_ = 0;
  else
    ++counts_.spoiled;
}

bool LineReader::head_line(std::string_view text) {
  if (text.starts_with("@yoke ")) {
    coming_.reset();
    const auto words = words_in(text);
    if (words.size() < 3 || words[1] != "1") return false;
    const auto rate = told_in(words[2]);
    if (!rate || *rate <= 0 || *rate > kMostRate_hz) return false;
    InstrumentHead head;
    head.rate_hz = *rate;
    const std::size_t name = 6 + words[1].size() + 1 + words[2].size() + 1;
    head.name = std::string(text.substr(std::min(name, text.size())).substr(0, 60));
    for (char& c : head.name)
      if (c < 0x20 || c > 0x7e) c = '?';
    coming_ = std::move(head);
    return true;
  }
  if (!coming_) return false;
  const auto words = words_in(text);
  if (words.size() == 4 && words[0] == "@channel") {
    const auto what = channel_of(words[2]);
    if (!what || number_in<std::size_t>(words[1]) != coming_->channels.size() + 1) return false;
    const auto si = unit_si(*what, words[3]);
    const bool twice = std::any_of(coming_->channels.begin(), coming_->channels.end(),
                                   [&](const Channel& c) { return c.what == *what; });
    if (!si || twice) return false;
    coming_->channels.push_back({*what, std::string(words[3]), *si});
    return true;
  }
  if (words.size() != 2 || words[0] != "@end" || coming_->channels.empty() ||
      number_in<std::size_t>(words[1]) != coming_->channels.size())
    return false;
  head_ = std::exchange(coming_, std::nullopt);
  return true;
}

bool LineReader::sample_line(std::string_view text, double host_s) {
  const auto words = words_in(text);
  if (words.size() < 3) return false;
  if (!head_) {
    ++counts_.unasked;
    return true;
  }
  const auto number = number_in<std::uint32_t>(words[0]);
  const auto ms = number_in<std::uint32_t>(words[1]);
  if (!number || !ms || words.size() != head_->channels.size() + 2) return false;
  LineSample s;
  s.number = *number;
  for (std::size_t i = 0; i < head_->channels.size(); ++i) {
    if (words[i + 2] == "-") continue;
    const auto v = told_in(words[i + 2]);
    if (!v) return false;
    s.told[static_cast<std::size_t>(head_->channels[i].what)] = *v;
  }
  place(s, *ms, host_s);
  samples_.push_back(s);
  ++counts_.good;
  return true;
}

void LineReader::place(LineSample& s, std::uint32_t ms, double host_s) {
  const double step = 1 / head_->rate_hz;
  if (!last_) {
    ++counts_.starts;
  } else if (const std::uint32_t on = s.number - last_->number;
             fresh_ || on == 0 || on > 1U << 16U) {
    // Plugged in again, or counted anew: what lies between is told by the host's clock alone.
    ++counts_.starts;
    s.t_s = last_->t_s + std::max(step, host_s - last_->host_s);
  } else {
    counts_.lost += on - 1;
    const double wanted = on * step;
    const double told = 1e-3 * static_cast<double>(ms - last_->ms);
    const bool leapt = std::abs(told - wanted) > std::max(0.05, 0.5 * wanted);
    counts_.jumps += leapt ? 1 : 0;
    s.t_s = last_->t_s + (leapt ? wanted : told);
  }
  fresh_ = false;
  last_ = Last{s.number, ms, s.t_s, host_s};
}

}  // namespace yoke
