// Bore over ratio: the map, the feel curves and travel budgets of what is planned, and how sure.
#pragma once

#include <QHBoxLayout>
#include <QPushButton>

#include "session/doubt_runner.hpp"
#include "ui/calm_stack.hpp"
#include "ui/curve_view.hpp"
#include "ui/face.hpp"
#include "ui/line_view.hpp"
#include "ui/param_panel.hpp"

namespace yoke {

/// The map with a keyboard cursor.
class MapView : public PictureView {
  Q_OBJECT
 public:
  MapView(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QString cursor_words() const;
  /// Which assist option the map shows; 0 as planned.
  void show_assist(std::size_t option);
  [[nodiscard]] std::size_t assist() const { return assist_; }
  /// Names of the options; empty while there is no map.
  [[nodiscard]] QStringList assist_names() const;
  /// How sure each cell of the whole map is; empty: not known yet.
  void set_bands(std::vector<CellBand> bands);
  [[nodiscard]] const std::vector<CellBand>& bands() const { return bands_; }

 signals:
  void cursor_moved();

 protected:
  void keyPressEvent(QKeyEvent* e) override;

 private:
  void choose(const QString& id);
  void take(const Cell& cell, const QString& merge);
  /// The part of the map that is shown; nothing while there is none.
  [[nodiscard]] std::optional<Sweep> shown() const;
  int presses_ = 0;
  std::size_t assist_ = 0;
  Session& session_;
  std::optional<std::pair<size_t, size_t>> cursor_;
  std::vector<CellBand> bands_;
};

class MapFace : public Face {
  Q_OBJECT

 public:
  MapFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] MapView* map() const { return map_; }
  [[nodiscard]] ParamPanel* panel() const { return panel_; }
  [[nodiscard]] LineText* sentence() const { return sentence_; }
  [[nodiscard]] LineText* doubt_line() const { return doubt_; }
  [[nodiscard]] LineText* cell_line() const { return cell_; }
  [[nodiscard]] CurveView* curve() const { return curve_; }
  /// The buttons of a choice: 0 light, 1 short, 2 firm; 0 inch, 1 any,
  /// 2 millimetres, 3 both.
  [[nodiscard]] QPushButton* preference(std::size_t i) const { return wishes_[i]; }
  [[nodiscard]] QPushButton* sizes(std::size_t i) const { return wishes_[3 + i]; }
  /// What gives the same feel as found, for the page's heading.
  [[nodiscard]] QString note() const;

 private:
  void build();
  QLayout* build_wishes();
  void refresh_assists();
  /// Of the cell under the cursor; else how what fits ranks.
  [[nodiscard]] QString chosen_words() const;
  Session& session_;
  ParamPanel* panel_ = nullptr;
  LineText* sentence_;
  LineText* cell_;
  QHBoxLayout* assists_;
  QStringList assists_shown_;
  std::vector<QPushButton*> assist_buttons_;
  std::vector<QPushButton*> wishes_;
  LineText* doubt_;
  DoubtRunner* runner_ = nullptr;
  MapView* map_;
  CurveView* curve_;
  PictureView* budget_;
};

}  // namespace yoke
