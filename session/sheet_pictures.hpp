// The drawings of a job for its sheet: dark lines on white, so that a page takes little ink.
#pragma once

#include "paint/picture.hpp"
#include "session/session.hpp"
#include "session/sheet.hpp"

namespace yoke {

/// `sharp`: dots to a dot of the screen; three for paper.
inline constexpr double kPaperSharp = 3;
[[nodiscard]] SheetPictures sheet_pictures(const Session& session, double sharp = kPaperSharp);
/// A drawing on the dye as it is printed: the ground white, what is scribed dark.
[[nodiscard]] QImage for_paper(const Picture& picture, double sharp);

}  // namespace yoke
