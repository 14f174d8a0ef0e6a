// What is heard at the bench: a click a stroke, or its number aloud. Speech takes Qt's speech
// library and one of its engines; without either a click is heard in its place.
#pragma once

#include <QString>

namespace yoke {

/// As the preferences say: nothing, a click, or `spoken`.
void sound_at_bench(const QString& spoken);
/// Whether this machine can speak.
[[nodiscard]] bool can_speak();

}  // namespace yoke
