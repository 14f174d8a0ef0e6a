// Colours, fonts and small marks of the drawing surface and the work surfaces around it.
#pragma once

#include <QColor>
#include <QFont>
#include <QPainter>
#include <QRectF>
#include <QString>
#include <functional>

namespace yoke::theme {

// The drawing surface: layout dye, scribed lines.
inline const QColor kDye{0x10, 0x2a, 0x4c};
inline const QColor kDyeDeep{0x0a, 0x1e, 0x38};
inline const QColor kScribe{0xe8, 0xf0, 0xf7};
inline const QColor kScribeSoft{0x9d, 0xb6, 0xd0};
inline const QColor kScribeFaint{0x3a, 0x57, 0x7c};
inline const QColor kMarkOnDye{0xff, 0xb8, 0x4d};  ///< what needs attention, on the dye
// The work surfaces.
inline const QColor kPaper{0xf6, 0xf1, 0xe6};
inline const QColor kPaperRaised{0xfc, 0xf9, 0xf2};
inline const QColor kPaperLine{0xcf, 0xc5, 0xb2};
inline const QColor kInk{0x23, 0x26, 0x2b};
inline const QColor kInkSoft{0x57, 0x5b, 0x60};
inline const QColor kMark{0xa8, 0x3e, 0x00};  ///< what needs attention, on paper (5.9:1)
inline const QColor kSteel{0x2c, 0x5a, 0x86};

/// Text face (Roboto) and figure face (Yoke Figures), in pixels.
[[nodiscard]] QFont text(int px, bool bold = false);
[[nodiscard]] QFont figure(int px, bool bold = false);

enum class Mark { tick, rests, cross, query };
/// State by shape: a tick in a ring, a wave over a line in a ring that is open below, a cross in a
/// square, a question mark in a broken ring.
void draw_mark(QPainter& p, const QRectF& box, Mark mark, const QColor& colour);
/// A line through many points in the painter's pen. On the screen it is laid down piece by
/// piece, a fraction of the work of one outline round all of it; elsewhere it stays one line.
void draw_run(QPainter& p, const QPolygonF& line);
/// What looks the same wherever it stands, laid down on the screen as it was drawn the first time.
/// `draw` draws it at (0, 0) and stays within `room` around there; `key` names everything it
/// depends on.
void draw_once(QPainter& p, QPointF at, const QRectF& room, const QString& key,
               const std::function<void(QPainter&)>& draw);
/// Slanting lines, as a used part of a way is shown.
void fill_hatched(QPainter& p, const QRectF& box, const QColor& colour);
/// A straight dimension line with small filled ticks at both ends and a label beside its middle.
void draw_dimension(QPainter& p, QPointF a, QPointF b, const QString& label, const QColor& colour,
                    bool unknown);
/// An arrow head at `tip`, pointing along `angle_deg` (0 = right, 90 = up).
void draw_arrow_head(QPainter& p, QPointF tip, double angle_deg, double size);
/// Text shortened with … to fit a width.
[[nodiscard]] QString elided(const QFont& font, const QString& text, double width);

}  // namespace yoke::theme
