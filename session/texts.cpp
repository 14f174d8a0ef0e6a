#include "session/texts.hpp"

namespace yoke {

QString value_text(const Job& job, Which which, Param param, const Style& style) {
  const Value v = value_of(job, which, param);
  if (!v.known()) return QStringLiteral("unknown");
  return QString::fromStdString(format_value(param, v.si, style));
}

QString quantity_text(double si, Kind kind, int digits, const Style& style) {
  return QString::fromStdString(format_quantity(si, kind, digits, style));
}

QString full_text(double si, Kind kind, int digits, const Style& style) {
  return QString::fromStdString(format_full(si, kind, digits, style));
}

QString error_text(const Error& error) {
  return QString::fromStdString(error.text());
}

}  // namespace yoke
