// Writes two headers from the parameter table: document/param_ids.hpp, the ids alone, and
// document/choices.hpp, one enum for each kind of choice, so that no code compares a choice with a
// number. Run by the build; not part of the library. What they hold does not change with a range, a
// word or a typical value, so such a change compiles the table alone.
#include <cstdio>
#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace {

struct Row {
  std::string name;
  std::string kind;
  std::string options;
};

// The table's columns are read as text here: names such as NONE or T_ need no meaning.
#define NONE 0
const std::vector<Row> kRows{
#define PARAM(name, id, words, group, kind, min, max, typical, digits, inherits, options, source, \
              help)                                                                               \
  {#name, #kind, options},
#include "document/params.def"
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

void write_ids() {
  std::puts(
      "// Made by the build from document/params.def: not edited by hand.\n#pragma once\n\n"
      "#include <cstddef>\n\nnamespace yoke {\n\nenum class Param : int {");
  for (const Row& r : kRows) std::printf("  %s,\n", r.name.c_str());
  std::puts(
      "  count_\n};\n\n"
      "inline constexpr std::size_t kParamCount = static_cast<std::size_t>(Param::count_);\n\n"
      "}  // namespace yoke");
}

void write_choices() {
  struct Family {
    std::string options;
    std::vector<std::string> members;
  };
  std::vector<std::string> order;
  std::map<std::string, Family> families;
  for (const Row& r : kRows) {
    if (r.kind != "choice") continue;
    std::string name = family(r.name);
    // Alike by name only: then it has an enum of its own.
    if (families.count(name) && families[name].options != r.options) name = r.name;
    if (!families.count(name)) order.push_back(name);
    families[name].options = r.options;
    families[name].members.push_back(r.name);
  }
  std::puts(
      "// Made by the build from document/params.def: not edited by hand.\n#pragma once\n\n"
      "#include \"document/params.hpp\"\n\nnamespace yoke {\n\nnamespace choice {");
  for (const auto& name : order) {
    std::printf("enum class %s {", type_name(name).c_str());
    const char* comma = "";
    for (const auto& e : enumerators(families[name].options)) {
      std::printf("%s %s", comma, e.c_str());
      comma = ",";
    }
    std::puts(" };");
  }
  std::puts(
      "}  // namespace choice\n\ntemplate <Param p>\nstruct ChoiceOf;\n"
      "/// The parameter that alone has this choice; of several alike the parameter is named.\n"
      "template <class Choice>\nstruct ParamOf;\ntemplate <class T>\n"
      "inline constexpr bool is_choice = false;\n");
  for (const auto& name : order) {
    const std::string type = "choice::" + type_name(name);
    std::printf("template <>\ninline constexpr bool is_choice<%s> = true;\n", type.c_str());
    for (const auto& m : families[name].members)
      std::printf("template <>\nstruct ChoiceOf<Param::%s> {\n  using type = %s;\n};\n", m.c_str(),
                  type.c_str());
    if (families[name].members.size() == 1)
      std::printf(
          "template <>\nstruct ParamOf<%s> {\n  static constexpr Param value = Param::%s;\n};\n",
          type.c_str(), families[name].members[0].c_str());
  }
  std::puts("\n}  // namespace yoke");
}

}  // namespace

/// "ids" or "choices", to standard output.
int main(int argc, char** argv) {
  const std::string_view what = argc == 2 ? argv[1] : "";
  if (what == "ids")
    write_ids();
  else if (what == "choices")
    write_choices();
  else
    return 2;
  return std::fflush(stdout) == 0 ? 0 : 1;
}
