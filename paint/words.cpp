#include "paint/words.hpp"

#include <QCoreApplication>

namespace yoke {

namespace {

/// The catalogue of the core's texts; the English text is the id.
std::string translated(std::string_view english, const long* count) {
  const QByteArray id(english.data(), static_cast<qsizetype>(english.size()));
  const int n = count ? static_cast<int>(*count) : -1;
  QString words = QCoreApplication::translate("core", id.constData(), nullptr, n);
  return words.toStdString();
}

}  // namespace

QString text_of(const Message& message, const Style& style) {
  return QString::fromStdString(render(message, style, translated));
}

QString words_of(std::string_view table_text) {
  return QString::fromStdString(translated(table_text, nullptr));
}

}  // namespace yoke
