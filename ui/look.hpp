// The application's own look: fonts from its resources, one style sheet.
#pragma once

#include <QString>

class QApplication;

namespace yoke {

/// Loads the fonts, sets the default font and the style sheet. Call before any widget is made.
/// False when a font did not load (the application still works with a system font).
bool apply_look(QApplication& app);
[[nodiscard]] QString style_sheet();

}  // namespace yoke
