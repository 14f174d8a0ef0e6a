// Record, the folder: every job in it, found by words and by values, laid beside the open one, out
// as a table; and how right what was foretold came to be.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QTableWidget>
#include <QToolButton>

#include "session/folder_list.hpp"
#include "session/session.hpp"
#include "ui/compare_view.hpp"
#include "ui/dialogs.hpp"
#include "ui/face.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class FolderFace : public Face {
  Q_OBJECT

 public:
  FolderFace(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh() override;
  [[nodiscard]] FolderList& list() { return list_; }
  [[nodiscard]] QTableWidget* jobs() const { return jobs_; }
  [[nodiscard]] QLineEdit* search() const { return search_; }
  [[nodiscard]] CompareView* compared() const { return compared_; }
  [[nodiscard]] PictureView* right() const { return right_; }
  /// Columns of values beside those that every job has.
  void set_columns(std::vector<Param> columns);
  void export_table();
  /// The chosen job beside the open one.
  void compare();

 signals:
  void open_wanted(const QString& path);

 private:
  QLayout* build_top();
  void build_columns(QMenu* menu);
  void show_list();
  void open_row(int row);
  void weigh_right();
  void compare_two(const QString& first, const QString& second);
  [[nodiscard]] QString path_of(int row) const;
  Session& session_;
  Dialogs& dialogs_;
  FolderList list_;
  std::vector<IndexedJob> shown_;
  std::vector<Param> columns_;
  QLineEdit* search_;
  QTableWidget* jobs_;
  QLabel *folder_, *says_, *right_says_, *hint_;
  CompareView* compared_;
  PictureView* right_;
};

}  // namespace yoke
