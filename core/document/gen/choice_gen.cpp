// Writes the headers of the parameter table's sections: document/param/NAME.hpp holds the ids of
// the section NAME and one enum for each kind of choice in it, so that no code compares a choice
// with a number; document/param/all.hpp holds all sections, document/param/space.hpp how many
// numbers there are. A header that comes out as it was is not touched. Run by the build; not part
// of the library.
//
// What they hold does not change with a range, a word or a typical value: such a change compiles
// the table alone. Each section keeps numbers free for more, so that a parameter added to one
// section changes the header of that section and no other.
#include <cstdio>
#include <fstream>
#include <map>
#include <sstream>
#include <string>
#include <string_view>
#include <vector>

namespace {

struct Row {
  std::string section;  ///< of a line that begins one; else nothing
  std::size_t room;     ///< numbers kept for it
  std::string name;
  std::string kind;
  std::string options;
};

// The table's columns are read as text here: names such as NONE or T_ need no meaning.
#define NONE 0
const std::vector<Row> kRows{
#define PARAM(name, id, words, group, kind, min, max, typical, digits, inherits, options, source, \
              help)                                                                               \
  {"", 0, #name, #kind, options},
#define SECTION(name, room) {#name, room, "", "", ""},
#include "document/params.def"
#undef SECTION
#undef PARAM
};

bool begins(const std::string& s, std::string_view with) {
  return s.rfind(with, 0) == 0;
}

/// Parameters that are alike share an enum: both axles, both outlets, the four wheels.
std::string family(std::string name) {
  if (begins(name, "front_")) name = "brake_" + name.substr(6);
  if (begins(name, "rear_")) name = "brake_" + name.substr(5);
  if (name == "circuit_fl" || name == "circuit_fr" || name == "circuit_rl" || name == "circuit_rr")
    name = "wheel_outlet";
  if (begins(name, "changed_")) name = "changed";
  if (begins(name, "unit_port1_") || begins(name, "unit_port2_")) name.erase(9, 1);
  if (begins(name, "bleed_turn")) name = "bleed_turn";
  if (begins(name, "bleed_") && name.ends_with("_screw")) name = "bleed_screw";
  if (name.back() == '1' || name.back() == '2') name.pop_back();
  return name;
}

/// "master_kind" → "MasterKind".
std::string type_name(const std::string& family_name) {
  std::string out;
  bool up = true;
  for (const char c : family_name) {
    if (c == '_') {
      up = true;
      continue;
    }
    out += up && c >= 'a' && c <= 'z' ? static_cast<char>(c - 32) : c;
    up = false;
  }
  return out;
}

/// A key as an identifier: "1/8" → "n1_8", "new" → "new_".
std::string enumerator(std::string_view key) {
  std::string out;
  for (const char c : key) {
    const bool fine = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9');
    out += fine ? c : '_';
  }
  if (!out.empty() && out[0] >= '0' && out[0] <= '9') out.insert(0, "n");
  for (const char* word :
       {"new", "default", "auto", "short", "long", "float", "double", "and", "or", "not"})
    if (out == word) out += '_';
  return out;
}

std::vector<std::string> enumerators(std::string_view options) {
  std::vector<std::string> list;
  while (!options.empty()) {
    const std::size_t bar = options.find('|');
    const std::string_view one = options.substr(0, bar);
    list.push_back(enumerator(one.substr(0, one.find('='))));
    options = bar == std::string_view::npos ? std::string_view{} : options.substr(bar + 1);
  }
  return list;
}

struct Section {
  std::string name;
  std::size_t room;
  std::vector<Row> rows;
};

std::vector<Section> sections() {
  std::vector<Section> list;
  for (const Row& r : kRows) {
    if (!r.section.empty())
      list.push_back({r.section, r.room, {}});
    else
      list.back().rows.push_back(r);
  }
  return list;
}

struct Family {
  std::string options;
  std::vector<std::string> members;
};

struct Families {
  std::vector<std::string> order;
  std::map<std::string, Family> all;
};

/// The choices of a section; parameters that are alike stand in one section.
Families families_of(const Section& s) {
  Families f;
  for (const Row& r : s.rows) {
    if (r.kind != "choice") continue;
    std::string name = family(r.name);
    // Alike by name only: then it has an enum of its own.
    if (f.all.count(name) && f.all[name].options != r.options) name = r.name;
    if (!f.all.count(name)) f.order.push_back(name);
    f.all[name].options = r.options;
    f.all[name].members.push_back(r.name);
  }
  return f;
}

constexpr const char* kMade =
    "// Made by the build from document/params.def: not edited by hand.\n";

std::string ids_and_choices(const Section& s, std::size_t first) {
  std::ostringstream out;
  out << kMade << "#pragma once\n\n#include \"document/choice.hpp\"\n\nnamespace yoke {\n"
      << "namespace param {\n";
  for (std::size_t i = 0; i < s.rows.size(); ++i)
    out << "inline constexpr Param " << s.rows[i].name << "{" << first + i << "};\n";
  out << "}  // namespace param\n";
  const Families families = families_of(s);
  if (!families.order.empty()) out << "namespace choice {\n";
  for (const auto& name : families.order) {
    out << "enum class " << type_name(name) << " {";
    const char* comma = "";
    for (const auto& e : enumerators(families.all.at(name).options)) {
      out << comma << " " << e;
      comma = ",";
    }
    out << " };\n";
  }
  if (!families.order.empty()) out << "}  // namespace choice\n";
  for (const auto& name : families.order) {
    const std::string type = "choice::" + type_name(name);
    const auto& members = families.all.at(name).members;
    out << "template <>\ninline constexpr bool is_choice<" << type << "> = true;\n";
    for (const auto& m : members)
      out << "template <>\nstruct ChoiceOf<param::" << m << "> {\n  using type = " << type
          << ";\n};\n";
    if (members.size() == 1)
      out << "template <>\nstruct ParamOf<" << type
          << "> {\n  static constexpr Param value = param::" << members[0] << ";\n};\n";
  }
  out << "}  // namespace yoke\n";
  return out.str();
}

/// Writes what differs from what lies there; whether it could.
bool keep(const std::string& path, const std::string& text) {
  std::ifstream in(path, std::ios::binary);
  std::ostringstream old;
  old << in.rdbuf();
  if (in && old.str() == text) return true;
  std::ofstream out(path, std::ios::binary);
  out << text;
  return static_cast<bool>(out.flush());
}

}  // namespace

/// The folder to write into.
int main(int argc, char** argv) {
  if (argc != 2) return 2;
  const std::string folder = std::string(argv[1]) + "/";
  bool fine = true;
  std::size_t first = 0;
  std::string all = std::string(kMade) + "#pragma once\n\n";
  for (const Section& s : sections()) {
    if (s.rows.size() > s.room) {
      std::fprintf(stderr, "params.def: SECTION(%s, %zu) has %zu rows: give it more room\n",
                   s.name.c_str(), s.room, s.rows.size());
      return 1;
    }
    fine = keep(folder + s.name + ".hpp", ids_and_choices(s, first)) && fine;
    all += "#include \"document/param/" + s.name + ".hpp\"\n";
    first += s.room;
  }
  fine = keep(folder + "all.hpp", all) && fine;
  fine = keep(folder + "space.hpp",
              std::string(kMade) +
                  "#pragma once\n\n#include <cstddef>\n\nnamespace yoke {\n/// Numbers that "
                  "parameters may have; not each of them is one.\ninline constexpr std::size_t "
                  "kParamSpace = " +
                  std::to_string(first) + ";\n}  // namespace yoke\n") &&
         fine;
  return fine ? 0 : 1;
}
