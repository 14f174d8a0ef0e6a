#include "ui/bench/sound.hpp"

#include <QApplication>

#include "speech.hpp"
#include "ui/preferences.hpp"
#if YOKE_SPEECH
#include <QPointer>
#include <QTextToSpeech>
#endif

namespace yoke {

namespace {

#if YOKE_SPEECH
/// Made when it is first asked for: an engine takes its time. The application keeps it.
QTextToSpeech* voice() {
  static QPointer<QTextToSpeech> speech;
  if (!speech && !QTextToSpeech::availableEngines().isEmpty())
    speech = new QTextToSpeech(QCoreApplication::instance());
  return speech && speech->state() != QTextToSpeech::Error ? speech.data() : nullptr;
}

bool speak(const QString& words) {
  QTextToSpeech* v = voice();
  if (!v) return false;
  v->stop();  // the stroke now, not the one before
  v->say(words);
  return true;
}
#else
bool speak(const QString&) {
  return false;
}
#endif

}  // namespace

bool can_speak() {
#if YOKE_SPEECH
  return voice() != nullptr;
#else
  return false;
#endif
}

void sound_at_bench(const QString& spoken) {
  switch (preferences().sound) {
    case BenchSound::quiet:
      return;
    case BenchSound::spoken:
      if (!spoken.isEmpty() && speak(spoken)) return;
      [[fallthrough]];
    case BenchSound::click:
      QApplication::beep();
  }
}

}  // namespace yoke
