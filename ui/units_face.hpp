// Old against candidate: one laid over the fitted unit as a drawing, all of them side by side in a
// matrix of dimensions one key away, and the catalogue they come from.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTableWidget>
#include <QTimer>

#include "session/candidates.hpp"
#include "session/part_list.hpp"
#include "ui/face.hpp"
#include "ui/flow_layout.hpp"
#include "ui/ghost_view.hpp"
#include "ui/picture_view.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

class UnitsFace : public Face {
  Q_OBJECT

 public:
  UnitsFace(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh() override;
  [[nodiscard]] GhostView* ghost() const { return ghost_; }
  [[nodiscard]] QTableWidget* matrix() const { return matrix_; }
  [[nodiscard]] QListWidget* list() const { return list_; }
  [[nodiscard]] QLineEdit* words() const { return words_; }
  [[nodiscard]] QLabel* sentence() const { return sentence_; }
  [[nodiscard]] PartList& catalogue() { return parts_; }
  [[nodiscard]] QCheckBox* with_shipped() const { return with_shipped_; }
  /// Opens a builder's own catalogue.
  void open_catalogue();

 private:
  QLayout* build_matrix();
  QLayout* build_catalogue();
  void narrow();
  void refresh_matrix();
  void refresh_pins();
  void add_pin(const QString& words, std::optional<std::size_t> pin);
  void fill_matrix(const std::vector<std::pair<QString, Matrix>>& columns);
  void show_dimension(Param param);
  [[nodiscard]] const Part* chosen() const;
  Session& session_;
  Dialogs& dialogs_;
  PartList parts_;
  std::vector<std::size_t> shown_;
  PartKind kind_ = PartKind::master;
  bool kind_asked_ = false;  ///< the builder chose a kind himself
  QComboBox* kinds_;
  QLineEdit* words_;
  QListWidget* list_;
  QCheckBox* with_shipped_;
  QLabel* state_;
  QLabel* sentence_;
  QLabel* detail_;
  QLabel* refusal_;
  GhostView* ghost_;
  QPushButton* all_dimensions_;
  QTableWidget* matrix_;
  std::optional<std::size_t> shown_pin_;  ///< what lies over the fitted unit; nothing: the plan
  std::size_t pin_count_ = 0;
  FlowLayout* pins_;
  std::vector<QWidget*> pin_buttons_;
  PictureView* budget_;
  QTimer delay_;
};

}  // namespace yoke
