// The window's texts for a job whose master is pulled by fingers: lever, hand and grip.
#pragma once

#include <QTranslator>

namespace yoke {

/// Stands before the catalogues: a text that speaks of the pedal is asked for as it is said of a
/// lever. A language that has no such text yet keeps its own words for the pedal.
class HandSpeech : public QTranslator {
  Q_OBJECT
 public:
  using QTranslator::QTranslator;
  ~HandSpeech() override;
  /// True when it changed: what was made before speaks the other way.
  bool set_spoken(bool on);
  [[nodiscard]] bool isEmpty() const override { return false; }
  [[nodiscard]] QString translate(const char* context, const char* source,
                                  const char* disambiguation, int n) const override;

 private:
  bool on_ = false;
};

}  // namespace yoke
