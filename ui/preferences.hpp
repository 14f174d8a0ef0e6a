// What the builder chose for all jobs: units, size of text, paper, decimal sign, language, sound.
#pragma once

#include <QPageSize>
#include <QSize>
#include <QString>

#include "quantity/quantity.hpp"

class QWidget;

namespace yoke {

enum class BenchSound { quiet, click, spoken };

struct Preferences {
  Style style;      ///< units and decimal sign
  double zoom = 0;  ///< of text and drawings together; 0: as large as the screen allows
  QPageSize::PageSizeId paper = QPageSize::A4;
  BenchSound sound = BenchSound::quiet;
  QString language = QStringLiteral("en");
};
/// As they were chosen; where nothing was, as the desktop is set.
[[nodiscard]] Preferences preferences();
void keep_preferences(const Preferences& chosen);

/// How much larger a screen of that size can show all: 1 to 2, in quarters. At 1 the window takes
/// 1280x800.
[[nodiscard]] double zoom_for_screen(QSize screen);
/// Has text and drawings made larger from the start; call before the application is made.
void apply_zoom(int argc, char** argv);

/// Asks for all of them; false when the builder changed his mind.
bool edit_preferences(QWidget* parent, Preferences& chosen);

}  // namespace yoke
