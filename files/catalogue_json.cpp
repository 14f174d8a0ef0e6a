// A JSON catalogue, read part by part as its text comes: a list of a hundred thousand is never held
// as a tree.
#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <nlohmann/json.hpp>

#include "files/catalogue_cells.hpp"
#include "quantity/text.hpp"

namespace yoke {

using nlohmann::json;

namespace {

constexpr std::size_t kMostMembers = 400;

/// One member of a part as it stands in the file.
struct Member {
  enum class Is { text, number, nothing, other } is = Is::nothing;
  std::string key;
  std::string text;
  double number = 0;
};

class PartReader : public nlohmann::json_sax<json> {
 public:
  Catalogue out;
  std::string wrong;  ///< why reading was stopped, when it was not the text itself
  std::size_t broken_at = 0;
  bool is_catalogue = false;
  bool has_parts = false;

  bool null() override { return value({}); }
  bool boolean(bool) override { return other(); }
  bool number_integer(number_integer_t v) override { return number(static_cast<double>(v)); }
  bool number_unsigned(number_unsigned_t v) override { return number(static_cast<double>(v)); }
  bool number_float(number_float_t v, const string_t&) override { return number(v); }
  bool binary(binary_t&) override { return false; }
  bool string(string_t& v) override {
    if (depth_ == 1 && key_ == "format") is_catalogue = v == "yoke-catalogue";
    Member m;
    m.is = Member::Is::text;
    m.text = std::move(v);
    return value(std::move(m));
  }
  bool start_object(std::size_t) override { return open(true); }
  bool start_array(std::size_t) override { return open(false); }
  bool end_object() override {
    if (--depth_ == 2 && in_parts_) return end_part();
    return true;
  }
  bool end_array() override {
    if (--depth_ == 1) in_parts_ = false;
    return true;
  }
  bool key(string_t& name) override {
    if (depth_ != 1 && !(in_parts_ && depth_ == 3)) return true;
    key_ = std::move(name);
    if (depth_ == 1 && std::find(root_.begin(), root_.end(), key_) != root_.end())
      return twice(key_);
    if (depth_ == 1 && root_.size() < kMostMembers) root_.push_back(key_);
    return true;
  }
  bool parse_error(std::size_t at, const std::string&, const json::exception& e) override {
    broken_at = at;
    constexpr int kNumberOverflow = 406;
    if (e.id == kNumberOverflow) wrong = "it holds a number no catalogue can hold";
    return false;
  }

 private:
  bool twice(const std::string& name) {
    wrong = "“" + clipped(name, 60) + "” stands in it twice";
    return false;
  }
  bool number(double v) {
    Member m;
    m.is = Member::Is::number;
    m.number = v;
    return value(std::move(m));
  }
  bool other() {
    Member m;
    m.is = Member::Is::other;
    return value(std::move(m));
  }
  bool value(Member m) {
    if (in_parts_ && depth_ == 2) return begin_part() && end_part();  // not even an object
    if (!in_parts_ || depth_ != 3) return true;
    m.key = std::move(key_);
    if (members_.size() <= kMostMembers) members_.push_back(std::move(m));
    return true;
  }
  bool open(bool object) {
    constexpr int kMostDepth = 8;
    if (depth_ >= kMostDepth) {
      wrong = "it is nested too deeply for a catalogue";
      return false;
    }
    if (depth_ == 0 && !object) return false;
    if (depth_ == 1 && key_ == "parts" && !object) in_parts_ = has_parts = true;
    const bool part = in_parts_ && depth_ == 2;
    if (in_parts_ && depth_ == 3 && !other()) return false;
    ++depth_;
    return !part || begin_part();
  }
  bool begin_part() {
    members_.clear();
    if (++row_ <= kMostCatalogueParts) return !too_bad(out, row_);
    tell(out,
         {row_, "", "", say("over {} parts: the rest was not read", kMostCatalogueParts), true});
    return false;
  }
  const Member* member(const char* name) const {
    const auto it = std::find_if(members_.begin(), members_.end(),
                                 [name](const Member& m) { return m.key == name; });
    return it == members_.end() ? nullptr : &*it;
  }
  bool end_part() {
    if (members_.size() > kMostMembers) {
      tell(out, {row_, "", "", say("over {} members", kMostMembers), true});
      return true;
    }
    std::sort(members_.begin(), members_.end(),
              [](const Member& a, const Member& b) { return a.key < b.key; });
    const auto same =
        std::adjacent_find(members_.begin(), members_.end(),
                           [](const Member& a, const Member& b) { return a.key == b.key; });
    if (same != members_.end()) return twice(fmt::format("part {}, {}", row_, same->key));
    const Member* k = member("kind");
    const std::string kind_key = k && k->is == Member::Is::text ? k->text : std::string();
    const auto kind = find_value<PartKind>(kind_key);
    if (!kind) {
      tell(out, {row_, "kind", clipped(kind_key, 40), "master, booster, slave or lever is expected",
                 true});
      return true;
    }
    Part part;
    part.kind = *kind;
    for (const Member& m : members_) read_member(part, m);
    finish(out, std::move(part), row_);
    return true;
  }
  void read_member(Part& part, const Member& m) {
    // The same keys come in every part: each is understood once.
    if (known_.size() > 10 * kMostMembers) known_.clear();
    auto it = known_.find(m.key);
    if (it == known_.end()) it = known_.emplace(m.key, column_of(m.key)).first;
    const Expected<Column>& c = it->second;
    if (!c)
      tell(out, {row_, clipped(m.key, 60), "", c.error().reason, false});
    else if (c->role == Column::Role::unknown)
      tell(out, {row_, clipped(m.key, 60), "", "not a member of a part: passed over", false});
    else if (m.is == Member::Is::text)
      read_cell(out, part, *c, m.text, row_);
    else if (m.is == Member::Is::number)
      read_number(part, *c, m.number);
    else if (m.is == Member::Is::other)
      tell(out, {row_, clipped(m.key, 60), "", "a number or text is expected here", false});
  }
  /// In the unit its key names, without a way through text.
  void read_number(Part& part, const Column& c, double v) {
    if (c.role != Column::Role::dimension || info(c.param).kind == Kind::choice)
      return read_cell(out, part, c, plain_number(v), row_);
    const auto checked = check_range(c.param, v * c.factor + c.offset);
    keep_value(out, part, c, checked, checked ? std::string() : plain_number(v), row_);
  }

  int depth_ = 0;
  bool in_parts_ = false;
  std::string key_;
  std::vector<std::string> root_;
  std::vector<Member> members_;
  std::map<std::string, Expected<Column>> known_;
  std::size_t row_ = 0;
};

}  // namespace

Expected<Catalogue> read_json_catalogue(std::string_view text) {
  PartReader r;
  const bool whole = json::sax_parse(text.begin(), text.end(), &r);
  if (!r.wrong.empty())
    return fail({"file", "", "", say("The file cannot be a catalogue: {}", r.wrong),
                 "Mend it, or use CSV"});
  if (!whole && r.broken_at > 0) {
    const auto end = text.begin() + static_cast<long>(std::min(r.broken_at, text.size()));
    return fail(
        {"file", "", "",
         say("The file is broken or cut off at line {}", 1 + std::count(text.begin(), end, '\n')),
         "Write it again, or use CSV"});
  }
  // Left early on purpose (too many parts, too much wrong) is told among the problems.
  if (whole ? !r.is_catalogue || !r.has_parts : r.out.problems.empty())
    return fail({"file", "", "", "This is no catalogue",
                 "A JSON catalogue has “format”: “yoke-catalogue” and a list “parts”"});
  return std::move(r.out);
}

}  // namespace yoke
