// A drawing or plot as a file: PNG, SVG, PDF, or its numbers as CSV, by the file's ending.
#pragma once

#include <QString>

#include "paint/picture.hpp"
#include "quantity/error.hpp"

namespace yoke {

/// Written whole or not at all; an error names the file and the reason.
[[nodiscard]] Expected<bool> write_picture(const QString& path, const Picture& picture,
                                           const QString& title);
/// What a picture says, a row each: "name","value".
[[nodiscard]] QString picture_csv(const Picture& picture);
/// The endings that can be written, for a file dialog.
[[nodiscard]] QString picture_filter();

}  // namespace yoke
