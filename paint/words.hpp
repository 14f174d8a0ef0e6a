// The core's words as Qt text.
#pragma once

#include <QCoreApplication>
#include <QString>
#include <string>
#include <string_view>

#include "quantity/message.hpp"

namespace yoke {

[[nodiscard]] inline QString q(const std::string& s) {
  return QString::fromStdString(s);
}
[[nodiscard]] inline QString q(std::string_view s) {
  return QString::fromUtf8(s.data(), static_cast<qsizetype>(s.size()));
}

/// The words of the pictures, in a context of their own for translators: Drawn::tr("firewall").
struct Drawn {
  Q_DECLARE_TR_FUNCTIONS(Drawn)
};

/// The words of what is printed.
struct Printed {
  Q_DECLARE_TR_FUNCTIONS(Printed)
};

/// A text of the program in the reader's language and units.
[[nodiscard]] QString text_of(const Message& message, const Style& style);
/// Words of a table of the program (parameters, options, stages …) in the reader's language.
[[nodiscard]] QString words_of(std::string_view table_text);

}  // namespace yoke
