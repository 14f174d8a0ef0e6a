#include "ui/language.hpp"

#include <QCoreApplication>
#include <QDir>
#include <QLocale>
#include <cstring>

#include "quantity/american_words.hpp"

namespace yoke {

QString catalogue_folder() {
  return QCoreApplication::applicationDirPath() + QStringLiteral("/translations");
}

std::vector<Language> languages(const QString& folder) {
  std::vector<Language> list{{QStringLiteral("en"), QStringLiteral("English")},
                             {QStringLiteral("en-US"), QStringLiteral("English, American words")}};
  const QDir dir(folder);
  for (const QString& file : dir.entryList({QStringLiteral("yokestep_*.qm")}, QDir::Files)) {
    const QString locale = file.mid(9).chopped(3);
    const QString name = QLocale(locale).nativeLanguageName();
    list.push_back({dir.filePath(file), name.isEmpty() ? locale : name});
  }
  return list;
}

void speak_language(const QString& key) {
  if (key == QStringLiteral("en")) return;
  auto* speech = key == QStringLiteral("en-US") ? new AmericanSpeech(QCoreApplication::instance())
                                                : new QTranslator(QCoreApplication::instance());
  if (key != QStringLiteral("en-US") && !speech->load(key)) {
    delete speech;
    return;
  }
  QCoreApplication::installTranslator(speech);
}

QString AmericanSpeech::translate(const char* context, const char* source, const char*, int) const {
  // Qt's own texts have catalogues of their own.
  if (context[0] == 'Q' && std::strcmp(context, "QObject") != 0) return {};
  const std::string said = for_america(source);
  return said == source ? QString() : QString::fromStdString(said);
}

}  // namespace yoke
