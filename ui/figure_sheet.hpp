// Figures in columns on the page: mark, words, value with its other unit, note. Painted in one
// piece: a page of labels would cost hundreds of widgets each time a figure moves.
#pragma once

#include <QFont>
#include <QWidget>
#include <vector>

#include "figures/figures.hpp"

namespace yoke {

class FigureSheet : public QWidget {
  Q_OBJECT

 public:
  explicit FigureSheet(int columns, QWidget* parent);
  /// In groups, each with its title and its source.
  void show_groups(const std::vector<FigureGroup>& groups, const Style& style);
  /// Without a title: the results of one calculation.
  void show_figures(const std::vector<Figure>& figures, const Style& style);
  /// Everything that is shown, a line each.
  [[nodiscard]] const QStringList& said() const { return said_; }

 protected:
  void paintEvent(QPaintEvent*) override;
  void resizeEvent(QResizeEvent*) override;

 private:
  /// One text in its place, broken into lines where it must be.
  struct Piece {
    QString text;
    QFont font;
    QColor colour;
    QRect area{};
  };
  struct Row {
    Piece mark;
    Piece words;
    Piece value;
    Piece note;
  };
  struct Block {
    Piece title;
    std::vector<Row> rows;
    Piece source;
  };
  static Row row_of(const Figure& figure, const Style& style);
  static int placed(Piece& piece, int x, int y, int width);
  static int place(Block& block, int x, int y, int width);
  void say();
  void lay_out();
  std::vector<Block> blocks_;
  QStringList said_;
  int columns_;
};

}  // namespace yoke
