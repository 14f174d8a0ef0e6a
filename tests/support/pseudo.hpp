// A language that nobody speaks: every text is bracketed and a third longer. What stands on the
// screen without brackets was never offered for translation; what is cut off would be cut off in
// German.
#pragma once

#include <QRegularExpression>
#include <QString>
#include <QTranslator>
#include <set>
#include <utility>

namespace yoke::test {

class Pseudo : public QTranslator {
 public:
  using QTranslator::QTranslator;
  /// What was asked for: context, then the English text.
  mutable std::set<std::pair<QString, QString>> asked;
  [[nodiscard]] bool isEmpty() const override { return false; }
  [[nodiscard]] QString translate(const char* context, const char* source, const char*,
                                  int) const override {
    // Qt's own texts (dialog buttons, menus of its edits) have their own catalogues.
    const QString of = QString::fromLatin1(context);
    if (of.startsWith(QLatin1Char('Q')) && of != QLatin1String("QObject")) return {};
    const QString words = QString::fromUtf8(source);
    if (words.trimmed().isEmpty()) return words;
    asked.emplace(of, words);
    return QStringLiteral("⟦") + words + QString((words.size() * 3 + 9) / 10, QChar(0x00b7)) +
           QStringLiteral("⟧");
  }
};

/// What is left of a text once all that was translated, numbers, units and signs are gone.
inline QString untranslated(QString text, const QStringList& own) {
  // Inner ones first: a message may stand in a message.
  static const QRegularExpression inner(QStringLiteral("⟦[^⟦⟧]*⟧"));
  while (text.contains(inner)) text.replace(inner, QStringLiteral(" "));
  for (const QString& s : own)
    if (!s.isEmpty()) text.replace(s, QStringLiteral(" "));
  static const QRegularExpression units(QStringLiteral(
      "(?<![A-Za-z])(mm|cm³|mm²|in|in²|in³|ft|N·m|lbf·ft|N/"
      "mm|N|lbf|kN|MPa|kPa|psi|bar|inHg|kg|lb|g|fl oz|"
      "°C|°F|km/h|mph|s|min|ms|l|ml|L/min|tpi|A|V|m|x|y|z|No|DOT|FLARE|JIC)(?![A-Za-z])"));
  text.replace(units, QStringLiteral(" "));
  static const QRegularExpression letters(QStringLiteral("[A-Za-z]{2,}"));
  QStringList left;
  for (auto m = letters.globalMatch(text); m.hasNext();) left << m.next().captured();
  return left.join(QLatin1Char(' '));
}

}  // namespace yoke::test
