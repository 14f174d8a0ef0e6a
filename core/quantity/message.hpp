// What the core says to people, before it is in any language: an English text that is also its id,
// and its arguments, typed. Quantities stay quantities: they are written in the reader's units
// where they are read. The window renders in its language, the command line in English.
#pragma once

#include <concepts>
#include <functional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

#include "quantity/kind.hpp"

namespace yoke {

/// A quantity in a text: SI, and how many decimals its metric unit shows.
struct Amount {
  double si = 0;
  Kind kind = Kind::number;
  int digits = 0;
  bool both = false;  ///< in both units where the reader wants both; else in one
  bool sign = false;  ///< a difference: more is told with its plus
  bool operator==(const Amount&) const = default;
};
/// A plain number in a text.
struct Plain {
  double value = 0;
  int digits = 0;
  bool sign = false;
  bool operator==(const Plain&) const = default;
};

struct Argument;

class Message {
 public:
  Message();
  ~Message();
  Message(const Message& other);
  Message(Message&& other) noexcept;
  Message& operator=(const Message& other);
  Message& operator=(Message&& other) noexcept;
  /// A text of the program itself: its English words are its id. "{}" and "{0}", "{1}" … stand
  /// where arguments go. Only for literals and tables of the program: the text must live as long as
  /// the program.
  Message(const char* text);  // NOLINT(google-explicit-constructor)
  /// A text of a table of the program: it lives as long as the program.
  static Message of_table(std::string_view text);
  /// What is nobody's language: a name the builder gave, a key, a number as it was typed.
  static Message data(std::string text);
  /// Words put together beforehand stay English in every language: not taken.
  Message(std::string text) = delete;
  Message(std::string_view text, std::vector<Argument> arguments);

  [[nodiscard]] bool empty() const;
  [[nodiscard]] std::string_view text() const { return text_; }
  [[nodiscard]] const std::vector<Argument>& arguments() const { return arguments_; }
  /// Of a text with a plural: the words for one.
  [[nodiscard]] std::string_view text_of_one() const { return one_; }
  bool operator==(const Message& other) const;
  /// Words are compared by nobody: they change with the language.
  bool operator==(const char*) const = delete;
  bool operator==(const std::string&) const = delete;

 private:
  friend Message plural(long count, std::string_view one, std::string_view many,
                        std::vector<Argument> arguments);
  std::string_view text_;
  std::string_view one_;
  std::string data_;
  std::vector<Argument> arguments_;
  long count_ = 0;

 public:
  [[nodiscard]] const std::string& own_words() const { return data_; }
  [[nodiscard]] long count() const { return count_; }
};

struct Argument {
  std::variant<std::string, Amount, Plain, Message> value;
  Argument(std::string data) : value(std::move(data)) {}  // NOLINT(google-explicit-constructor)
  /// Words of a table go in by `Message::of_table`, what somebody typed as a string of its own.
  Argument(std::string_view) = delete;
  Argument(Amount amount) : value(amount) {}  // NOLINT
  Argument(Plain number) : value(number) {}   // NOLINT
  template <std::integral Number>
  Argument(Number number) : value(Plain{static_cast<double>(number), 0}) {}  // NOLINT
  Argument(Message message) : value(std::move(message)) {}                   // NOLINT
  Argument(const char* text) : value(Message(text)) {}                       // NOLINT
  bool operator==(const Argument& other) const;
};

/// "{} stands {} from {}" with its arguments.
template <std::size_t n, class... A>
[[nodiscard]] Message say(const char (&text)[n], A&&... arguments) {
  return Message(std::string_view(text, n - 1), {Argument(std::forward<A>(arguments))...});
}
/// The words that go with a count; the first argument of both is the count itself.
[[nodiscard]] Message plural(long count, std::string_view one, std::string_view many,
                             std::vector<Argument> arguments = {});

[[nodiscard]] inline Amount length(double si, int digits) {
  return {.si = si, .kind = Kind::length, .digits = digits};
}
[[nodiscard]] inline Amount force(double si, int digits = 0) {
  return {.si = si, .kind = Kind::force, .digits = digits};
}
/// A difference, with its sign.
[[nodiscard]] inline Amount more_or_less(double si, Kind kind, int digits) {
  return {.si = si, .kind = kind, .digits = digits, .sign = true};
}
/// Both units, where the reader wants both.
[[nodiscard]] inline Amount in_full(double si, Kind kind, int digits) {
  return {.si = si, .kind = kind, .digits = digits, .both = true};
}
[[nodiscard]] inline Amount amount(double si, Kind kind, int digits) {
  return {.si = si, .kind = kind, .digits = digits};
}

/// The text of an id in the reader's language. `count` is there for texts with a plural.
using Translate = std::function<std::string(std::string_view english, const long* count)>;
[[nodiscard]] std::string render(const Message& message, const Style& style,
                                 const Translate& translate = {});
/// In English, as the command line and the tests read it.
[[nodiscard]] std::string english(const Message& message, const Style& style = {});
/// Several in one: "a; b; c".
[[nodiscard]] Message joined(const std::vector<Message>& parts, std::string_view between);

}  // namespace yoke
