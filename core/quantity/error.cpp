#include "quantity/error.hpp"

namespace yoke {

Message Error::text() const {
  Message t = reason;
  // A reason that quotes what was given does not need it twice.
  if (!value.empty() && english(reason).find(value) == std::string::npos)
    t = say("{} (given: {})", t, value);
  if (!range.empty()) t = say("{}; allowed: {}", t, range);
  if (!remedy.empty()) t = say("{}. {}", t, remedy);
  return t;
}

}  // namespace yoke
