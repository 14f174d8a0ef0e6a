// The language of the window: English, English with American words, and every catalogue that lies
// beside the program.
#pragma once

#include <QString>
#include <QTranslator>
#include <vector>

namespace yoke {

struct Language {
  QString key;   ///< "en", "en-US", or the whole path of a catalogue
  QString name;  ///< in its own words
};
/// What can be chosen; the first is English. A catalogue is a file yokestep_LOCALE.qm in `folder`.
[[nodiscard]] std::vector<Language> languages(const QString& folder);
/// Where the catalogues of this installation lie.
[[nodiscard]] QString catalogue_folder();
/// From now on the application speaks it; call once, before any text is made. A catalogue that
/// cannot be read leaves English.
void speak_language(const QString& key);

/// Every text of the program in American words.
class AmericanSpeech : public QTranslator {
  Q_OBJECT
 public:
  using QTranslator::QTranslator;
  [[nodiscard]] bool isEmpty() const override { return false; }
  [[nodiscard]] QString translate(const char* context, const char* source, const char*,
                                  int) const override;
};

}  // namespace yoke
