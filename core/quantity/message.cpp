#include "quantity/message.hpp"

#include "quantity/hand_words.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

// Here, where an argument is a complete type: a message may stand in a message.
Message::Message() = default;
Message::~Message() = default;
Message::Message(const Message& other) = default;
Message::Message(Message&& other) noexcept = default;
Message& Message::operator=(const Message& other) = default;
Message& Message::operator=(Message&& other) noexcept = default;

Message::Message(const char* text) : text_(text) {}

Message Message::of_table(std::string_view text) {
  Message m;
  m.text_ = text;
  return m;
}

Message Message::data(std::string text) {
  Message m;
  m.data_ = std::move(text);
  return m;
}

Message::Message(std::string_view text, std::vector<Argument> arguments)
    : text_(text), arguments_(std::move(arguments)) {}

bool Message::empty() const {
  return text_.empty() && data_.empty() && arguments_.empty();
}

bool Argument::operator==(const Argument& other) const {
  return value == other.value;
}

bool Message::operator==(const Message& other) const {
  return text_ == other.text_ && one_ == other.one_ && data_ == other.data_ &&
         count_ == other.count_ && arguments_ == other.arguments_;
}

Message plural(long count, std::string_view one, std::string_view many,
               std::vector<Argument> arguments) {
  Message m;
  m.one_ = one;
  m.text_ = many;
  m.count_ = count;
  m.arguments_.reserve(arguments.size() + 1);
  m.arguments_.emplace_back(Plain{static_cast<double>(count), 0});
  for (Argument& a : arguments) m.arguments_.push_back(std::move(a));
  return m;
}

Message joined(const std::vector<Message>& parts, std::string_view between) {
  std::vector<Argument> arguments;
  for (const Message& part : parts) {
    if (!arguments.empty()) arguments.emplace_back(std::string(between));
    arguments.emplace_back(part);
  }
  // No words of its own: the arguments follow each other.
  return arguments.empty() ? Message() : Message(std::string_view{}, std::move(arguments));
}

namespace {

struct Renderer {
  const Style& style;
  const Translate& translate;

  /// A difference carries its sign, more or less.
  static std::string signed_text(std::string t, bool sign) {
    if (!sign || t.empty()) return t;
    const bool zero = t.find_first_of("123456789") == std::string::npos;
    if (t.front() == '-') return "−" + t.substr(1);
    return zero ? t : "+" + t;
  }
  std::string written(const Amount& a) const {
    return signed_text(format_quantity(a.si, a.kind, a.digits, style), a.sign) +
           (a.both && style.units == UnitStyle::both
                ? in_brackets(signed_text(format_other(a.si, a.kind, a.digits, style), a.sign))
                : std::string());
  }
  static std::string in_brackets(const std::string& t) { return t.empty() ? t : " (" + t + ")"; }

  std::string one(const Argument& a) const {
    if (const auto* data = std::get_if<std::string>(&a.value)) return *data;
    if (const auto* amount = std::get_if<Amount>(&a.value)) return written(*amount);
    if (const auto* plain = std::get_if<Plain>(&a.value))
      return signed_text(format_number(plain->value, plain->digits, style), plain->sign);
    return all(std::get<Message>(a.value));
  }

  std::string all(const Message& m) const {
    if (!m.own_words().empty()) return m.own_words();
    if (m.text().empty()) {
      std::string joint;
      for (const Argument& a : m.arguments()) joint += one(a);
      return joint;
    }
    const bool counted = !m.text_of_one().empty();
    const long count = m.count();
    std::string words(counted && count == 1 ? m.text_of_one() : m.text());
    if (translate) {
      // What no catalogue holds comes back as its id: then English, with its own singular.
      std::string other = translate(m.text(), counted ? &count : nullptr);
      if (other != m.text()) words = std::move(other);
    }
    return filled(style.hand ? for_hand(words) : words, m.arguments());
  }

  /// "{}" takes the next argument, "{1}" the second; anything else in braces stays.
  std::string filled(const std::string& words, const std::vector<Argument>& arguments) const {
    std::string out;
    std::size_t next = 0;
    for (std::size_t i = 0; i < words.size(); ++i) {
      if (words[i] == '{' && i + 1 < words.size()) {
        const bool numbered = words[i + 1] >= '0' && words[i + 1] <= '9' && i + 2 < words.size() &&
                              words[i + 2] == '}';
        if (numbered || words[i + 1] == '}') {
          const std::size_t which =
              numbered ? static_cast<std::size_t>(words[i + 1] - '0') : next++;
          if (which < arguments.size()) out += one(arguments[which]);
          i += numbered ? 2 : 1;
          continue;
        }
      }
      out += words[i];
    }
    return out;
  }
};

}  // namespace

std::string render(const Message& message, const Style& style, const Translate& translate) {
  return Renderer{style, translate}.all(message);
}

std::string english(const Message& message, const Style& style) {
  return render(message, style);
}

}  // namespace yoke
