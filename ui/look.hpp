// The application's own look: fonts from its resources, one style class.
#pragma once

class QApplication;

namespace yoke {

/// Loads the fonts, sets the default font, the palette and the style. Call before any widget is
/// made. False when a font did not load (the application still works with a system font).
bool apply_look(QApplication& app);

}  // namespace yoke
