#include "ui/figure_sheet.hpp"

#include <QPaintEvent>
#include <QPainter>
#include <QResizeEvent>
#include <algorithm>

#include "paint/theme.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {

constexpr int kGap = 36;     ///< between columns
constexpr int kMark = 28;    ///< room of the mark
constexpr int kBetween = 8;  ///< words and value
constexpr int kRowGap = 5;
constexpr int kBlockGap = 16;

QString mark_of(const Figure& f) {
  return f.verdict == Verdict::holds        ? QStringLiteral("✓")
         : f.verdict == Verdict::fails      ? QStringLiteral("✗")
         : f.verdict == Verdict::if_typical ? QStringLiteral("≈")
         : f.verdict == Verdict::cannot_say ? QStringLiteral("?")
                                            : QString();
}

}  // namespace

FigureSheet::FigureSheet(int columns, QWidget* parent) : QWidget(parent), columns_(columns) {}

FigureSheet::Row FigureSheet::row_of(const Figure& f, const Style& style) {
  const QFont text = theme::text(14);
  const bool fails = f.verdict == Verdict::fails;
  Row r;
  r.mark = {mark_of(f), theme::text(14, fails), fails ? theme::kMark : theme::kInkSoft};
  r.words = {text_of(f.words, style), text, theme::kInkSoft};
  if (f.si)
    r.value = {full_text(*f.si, f.kind, f.digits, style), theme::figure(16, true), theme::kInk};
  if (!f.note.empty()) {
    const bool plain = !f.si && !f.judged();
    r.note = {text_of(f.note, style), plain ? text : theme::text(13), theme::kInkSoft};
  }
  return r;
}

void FigureSheet::show_groups(const std::vector<FigureGroup>& groups, const Style& style) {
  blocks_.clear();
  for (const FigureGroup& g : groups) {
    Block b;
    b.title = {text_of(g.title, style), theme::text(15, true), theme::kInk};
    b.source = {text_of(g.source, style), theme::text(13), theme::kInkSoft};
    for (const Figure& f : g.figures) b.rows.push_back(row_of(f, style));
    blocks_.push_back(std::move(b));
  }
  say();
}

void FigureSheet::show_figures(const std::vector<Figure>& figures, const Style& style) {
  Block b;
  for (const Figure& f : figures) b.rows.push_back(row_of(f, style));
  blocks_ = {std::move(b)};
  say();
}

void FigureSheet::say() {
  said_.clear();
  for (const Block& b : blocks_) {
    if (!b.title.text.isEmpty()) said_ << b.title.text;
    for (const Row& r : b.rows) {
      QStringList after;
      for (const QString& t : {r.value.text, r.note.text})
        if (!t.isEmpty()) after << t;
      said_ << QStringLiteral("%1 %2: %3")
                   .arg(r.mark.text, r.words.text, after.join(QStringLiteral(", ")))
                   .trimmed();
    }
    if (!b.source.text.isEmpty()) said_ << b.source.text;
  }
  setAccessibleDescription(said_.join(QLatin1Char('\n')));
  lay_out();
}

/// Gives a text its place; how high it is.
int FigureSheet::placed(Piece& piece, int x, int y, int width) {
  if (piece.text.isEmpty()) {
    piece.area = {};
    return 0;
  }
  const QFontMetrics metrics(piece.font);
  const QRect need = metrics.boundingRect(QRect(0, 0, width, 100000),
                                          Qt::AlignLeft | Qt::TextWordWrap, piece.text);
  piece.area = {x, y, width, need.height()};
  return need.height();
}

int FigureSheet::place(Block& b, int x, int y, int width) {
  const int from = y;
  if (!b.title.text.isEmpty()) y += 4 + placed(b.title, x, y + 4, width) + 2;
  const int words = (width - kMark - kBetween) * 5 / 11;
  const int values = width - kMark - kBetween - words;
  for (Row& r : b.rows) {
    const int at = x + kMark + words + kBetween;
    placed(r.mark, x, y, kMark - 6);
    const int left = placed(r.words, x + kMark, y, words);
    const int value = placed(r.value, at, y, values);
    const int right = value + placed(r.note, at, y + value, values);
    y += std::max(left, right) + kRowGap;
  }
  if (!b.source.text.isEmpty()) y += placed(b.source, x, y, width);
  return y + (b.title.text.isEmpty() ? 0 : kBlockGap) - from;
}

void FigureSheet::lay_out() {
  const int width = (this->width() - (columns_ - 1) * kGap) / columns_;
  if (width < 40) return;
  std::vector<int> filled(static_cast<std::size_t>(columns_), 0);
  for (Block& b : blocks_) {
    const auto side = std::min_element(filled.begin(), filled.end());
    const int x = static_cast<int>(side - filled.begin()) * (width + kGap);
    *side += place(b, x, *side, width);
  }
  const int high = *std::max_element(filled.begin(), filled.end());
  if (high != minimumHeight() || high != maximumHeight()) setFixedHeight(high);
  update();
}

void FigureSheet::resizeEvent(QResizeEvent* e) {
  QWidget::resizeEvent(e);
  if (e->size().width() != e->oldSize().width()) lay_out();
}

void FigureSheet::paintEvent(QPaintEvent* e) {
  QPainter p(this);
  const auto draw = [&p, e](const Piece& piece) {
    if (piece.text.isEmpty() || !piece.area.intersects(e->rect())) return;
    p.setFont(piece.font);
    p.setPen(piece.colour);
    p.drawText(piece.area, Qt::AlignLeft | Qt::TextWordWrap, piece.text);
  };
  for (const Block& b : blocks_) {
    draw(b.title);
    for (const Row& r : b.rows)
      for (const Piece* piece : {&r.mark, &r.words, &r.value, &r.note}) draw(*piece);
    draw(b.source);
  }
}

}  // namespace yoke
