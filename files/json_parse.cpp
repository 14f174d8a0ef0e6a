#include "files/json_parse.hpp"

#include <fmt/format.h>

#include <algorithm>

#include "quantity/text.hpp"

namespace yoke {

using nlohmann::json;

namespace {

/// Builds the values. Its parser calls it once a token, so whatever is kept here is linear.
class Builder : public nlohmann::json_sax<json> {
 public:
  explicit Builder(const JsonBounds& bounds) : bounds_(bounds) {}
  json root;
  std::string wrong;  ///< why reading was stopped, when it was not the text itself
  std::size_t broken_at = 0;
  bool out_of_range = false;

  bool null() override { return add(nullptr); }
  bool boolean(bool v) override { return add(v); }
  bool number_integer(number_integer_t v) override { return add(v); }
  bool number_unsigned(number_unsigned_t v) override { return add(v); }
  bool number_float(number_float_t v, const string_t&) override { return add(v); }
  bool string(string_t& v) override { return add(std::move(v)); }
  bool binary(binary_t&) override { return false; }
  bool start_object(std::size_t) override { return open(json::object()); }
  bool start_array(std::size_t) override { return open(json::array()); }
  bool end_object() override { return close(); }
  bool end_array() override { return close(); }
  bool key(string_t& name) override {
    auto& members = open_.back()->get_ref<json::object_t&>();
    const auto [it, fresh] = members.try_emplace(name);
    if (!fresh) {
      wrong = "“" + clipped(place() + name, 120) + "” stands in it twice";
      return false;
    }
    slot_ = &it->second;
    return true;
  }
  bool parse_error(std::size_t at, const std::string&, const json::exception& e) override {
    broken_at = at;
    constexpr int kNumberOverflow = 406;
    out_of_range = e.id == kNumberOverflow;
    return false;
  }

 private:
  template <class V>
  bool add(V&& v) {
    return put(json(std::forward<V>(v))) != nullptr;
  }
  json* put(json v) {
    if (++count_ > bounds_.most_values) {
      wrong = fmt::format("it holds more entries than a {} can", bounds_.what);
      return nullptr;
    }
    if (open_.empty()) {
      root = std::move(v);
      return &root;
    }
    if (open_.back()->is_array()) return &open_.back()->emplace_back(std::move(v));
    *slot_ = std::move(v);
    return slot_;
  }
  bool open(json v) {
    if (static_cast<int>(open_.size()) >= bounds_.most_depth) {
      wrong = fmt::format("it is nested too deeply for a {}", bounds_.what);
      return false;
    }
    json* at = put(std::move(v));
    if (at) open_.push_back(at);
    return at != nullptr;
  }
  bool close() {
    open_.pop_back();
    return true;
  }
  /// "found.master.bore.": where the innermost open object stands.
  [[nodiscard]] std::string place() const {
    std::string p;
    for (std::size_t i = 1; i < open_.size(); ++i) {
      if (open_[i - 1]->is_array()) {
        p += fmt::format("[{}].", open_[i - 1]->size() - 1);
        continue;
      }
      for (const auto& [name, v] : open_[i - 1]->items())
        if (&v == open_[i]) p += name + ".";
    }
    return p;
  }

  JsonBounds bounds_;
  std::vector<json*> open_;
  json* slot_ = nullptr;
  std::size_t count_ = 0;
};

Error whole_file(Message reason, Message remedy) {
  return {"file", "", "", std::move(reason), std::move(remedy)};
}

}  // namespace

Expected<json> parse_json(std::string_view text, const JsonBounds& bounds) {
  const Message what(bounds.what);
  if (text.size() > bounds.most_bytes)
    return fail(whole_file(
        say("The file is too large for a {}: {} MB", what, text.size() >> 20),
        say("A {} file is below {} MB; this is something else", what, bounds.most_bytes >> 20)));
  Builder b(bounds);
  if (!json::sax_parse(text.begin(), text.end(), &b)) {
    if (!b.wrong.empty())
      return fail(whole_file(say("The file cannot be a {}: {}", what, b.wrong),
                             "Open an older copy beside it, or it is something else"));
    if (b.out_of_range)
      return fail(whole_file(say("The file holds a number no {} can hold", what),
                             "Open an older copy beside it"));
    const std::size_t at = std::min<std::size_t>(b.broken_at, text.size());
    const auto line = 1 + std::count(text.begin(), text.begin() + static_cast<long>(at), '\n');
    return fail(whole_file(say("The file is broken or cut off at line {} (byte {})", line, at),
                           "Open an older copy beside it (name.yoke.old-1 …)"));
  }
  if (!b.root.is_object())
    return fail(whole_file(say("This is not a {} file", what), "It is something else"));
  return std::move(b.root);
}

}  // namespace yoke
