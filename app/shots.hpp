// Draws each stage of a job into PNGs, without a display.
#pragma once

#include <QSize>
#include <QString>

namespace yoke {
/// Exit status: 0 when every picture was written.
int make_shots(const QString& folder, QSize size, const QString& job);
}  // namespace yoke
