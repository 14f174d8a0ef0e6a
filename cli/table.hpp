// What a command prints: one table, written as text, JSON or CSV.
#pragma once

#include <string>
#include <vector>

#include "quantity/message.hpp"

namespace yoke::cli {

enum class Format { text, json, csv };

struct Cell {
  std::string words;  ///< for people
  double number = 0;  ///< SI, when `numeric`
  bool numeric = false;
};

struct Table {
  std::vector<std::string> keys;  ///< column keys; the unit of a number stands in its key
  std::vector<std::vector<Cell>> rows;
  std::vector<std::string> notes;  ///< sentences below the table (text), "notes" (JSON)
};

[[nodiscard]] Cell text(std::string words);
/// In English, in the units asked for.
[[nodiscard]] Cell text(const Message& words, const Style& style);
[[nodiscard]] Cell number(double si, std::string words);
[[nodiscard]] std::string print(const Table& table, Format format);

}  // namespace yoke::cli
