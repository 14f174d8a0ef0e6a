// The figures of one stage, and the bench calculations that belong to it.
#pragma once

#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QScrollArea>
#include <QVBoxLayout>

#include "calc/calculators.hpp"
#include "session/session.hpp"
#include "ui/figure_sheet.hpp"

namespace yoke {

/// One bench calculation: its inputs, its results, its caution.
class CalcCard : public QWidget {
  Q_OBJECT

 public:
  CalcCard(Session& session, const Calculator& calculator, QWidget* parent);
  /// The entry of an input, by its id; a choice has none.
  [[nodiscard]] QLineEdit* entry(const QString& id) const;
  /// What it comes to, a line each; nothing while an input is refused.
  [[nodiscard]] QString result() const;
  /// What was asked and what it comes to, for a page at the bench.
  [[nodiscard]] QString card_html() const;

 private:
  void add_input(QGridLayout* grid, int row, std::size_t index);
  void commit(std::size_t index, QLineEdit* entry);
  void restyle();
  void compute();
  Session& session_;
  const Calculator& calculator_;
  std::vector<double> values_;
  std::vector<QLineEdit*> entries_;
  FigureSheet* results_;
  QLabel* refusal_;
};

class FiguresView : public QScrollArea {
  Q_OBJECT

 public:
  FiguresView(Session& session, Stage stage, QWidget* parent);
  /// Only the groups named, in one column, without bench calculations; `empty` is said when none of
  /// them has anything to tell yet.
  FiguresView(Session& session, std::vector<std::string> groups, const QString& empty,
              QWidget* parent);
  /// Computes and shows the figures anew; the bench calculations keep what was typed.
  void refresh();
  [[nodiscard]] CalcCard* card(const QString& id) const;
  /// All figures as one text, a line each.
  [[nodiscard]] QString text() const;

 private:
  void build(int columns, bool bench);
  void add_bench(QVBoxLayout* outer, QWidget* inner);
  [[nodiscard]] std::vector<FigureGroup> wanted() const;
  Session& session_;
  Stage stage_ = Stage::survey;
  std::vector<std::string> only_;
  QLabel* empty_ = nullptr;
  FigureSheet* groups_;
  std::vector<std::pair<QString, CalcCard*>> cards_;
};

/// Whether a stage has anything to show there.
[[nodiscard]] bool has_figures(Stage stage);

}  // namespace yoke
