#include "session/texts.hpp"

#include <QCoreApplication>
#include <algorithm>

namespace yoke {

QString value_text(const Job& job, As which, Param param, const Style& style) {
  const Value v = value_of(job, which, param);
  if (!v.known()) return QCoreApplication::translate("core", "unknown");
  return shown_value(param, v.si, style);
}

QString shown_value(Param param, double si, const Style& style) {
  const ParamInfo& p = info(param);
  const QString words = QString::fromStdString(format_value(param, si, style));
  return p.kind == Kind::choice ? words_of(words.toStdString()) : words;
}

QString quantity_text(double si, Kind kind, int digits, const Style& style) {
  return QString::fromStdString(format_quantity(si, kind, digits, style));
}

QString full_text(double si, Kind kind, int digits, const Style& style) {
  return QString::fromStdString(format_full(si, kind, digits, style));
}

QString doubt_text(double si, Kind kind, int digits, const Style& style) {
  constexpr int kMostDigits = 4;
  QString text;
  for (int d = digits; d <= digits + kMostDigits; ++d) {
    text = quantity_text(si, kind, d, style);
    if (std::any_of(text.begin(), text.end(), [](QChar c) { return c >= u'1' && c <= u'9'; }))
      break;
  }
  return QStringLiteral("±") + text;
}

QString error_text(const Error& error, const Style& style) {
  return text_of(error.text(), style);
}

}  // namespace yoke
