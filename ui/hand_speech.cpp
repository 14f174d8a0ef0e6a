#include "ui/hand_speech.hpp"

#include <QCoreApplication>
#include <cstring>

#include "quantity/hand_words.hpp"

namespace yoke {

namespace {

/// These speak of any job, not of the one that is open.
bool of_any_job(const char* context) {
  static constexpr const char* kAny[] = {"yoke::BeginPage", "yoke::AboutBox", "yoke::HelpWindow"};
  for (const char* any : kAny)
    if (std::strcmp(context, any) == 0) return true;
  return context[0] == 'Q' && std::strcmp(context, "QObject") != 0;
}

}  // namespace

HandSpeech::~HandSpeech() {
  set_spoken(false);
}

bool HandSpeech::set_spoken(bool on) {
  if (on == on_) return false;
  on_ = on;
  if (on)
    QCoreApplication::installTranslator(this);
  else
    QCoreApplication::removeTranslator(this);
  return true;
}

QString HandSpeech::translate(const char* context, const char* source, const char* disambiguation,
                              int n) const {
  if (of_any_job(context)) return {};
  const std::string hand = for_hand(source);
  if (hand == source) return {};  // the catalogues have it
  // Asked for anew: it speaks of no pedal, so this stands aside.
  return QCoreApplication::translate(context, hand.c_str(), disambiguation, n);
}

}  // namespace yoke
