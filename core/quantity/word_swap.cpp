#include "quantity/word_swap.hpp"

#include <cctype>

namespace yoke {

namespace {

bool letter(char c) {
  return std::isalpha(static_cast<unsigned char>(c)) != 0;
}

/// The word at this place, whole; its first letter may be a capital.
bool stands_at(std::string_view text, std::size_t at, std::string_view word) {
  if (at + word.size() > text.size() || (at > 0 && (letter(text[at - 1]) || text[at - 1] == '.')))
    return false;
  if (at + word.size() < text.size() && letter(text[at + word.size()])) return false;
  for (std::size_t i = 0; i < word.size(); ++i) {
    const char c = text[at + i];
    const char small = i == 0 ? static_cast<char>(std::tolower(static_cast<unsigned char>(c))) : c;
    if (small != word[i]) return false;
  }
  return true;
}

const WordPair* word_at(std::string_view text, std::size_t at, std::span<const WordPair> words) {
  for (const WordPair& p : words)
    if (stands_at(text, at, p.first)) return &p;
  return nullptr;
}

}  // namespace

std::string with_words(std::string_view text, std::span<const WordPair> words) {
  std::string out;
  for (std::size_t i = 0; i < text.size();) {
    const WordPair* const p = word_at(text, i, words);
    if (p == nullptr) {
      out += text[i++];
      continue;
    }
    const bool capital = std::isupper(static_cast<unsigned char>(text[i])) != 0;
    out += capital ? static_cast<char>(std::toupper(static_cast<unsigned char>(p->second.front())))
                   : p->second.front();
    out += p->second.substr(1);
    i += p->first.size();
  }
  return out;
}

}  // namespace yoke
