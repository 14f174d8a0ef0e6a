// Record, earlier: versions that were named and copies that saving kept; each laid beside the job
// as it stands now, and brought back as an edit that can be undone.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <optional>

#include "files/versions.hpp"
#include "session/session.hpp"
#include "ui/compare_view.hpp"
#include "ui/face.hpp"

namespace yoke {

class VersionsFace : public Face {
  Q_OBJECT

 public:
  VersionsFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] QLineEdit* name() const { return name_; }
  [[nodiscard]] QPushButton* keep() const { return keep_; }
  [[nodiscard]] QPushButton* restore() const { return restore_; }
  [[nodiscard]] QListWidget* list() const { return list_; }
  [[nodiscard]] QLabel* words() const { return words_; }
  [[nodiscard]] QLabel* refusal() const { return refusal_; }
  [[nodiscard]] CompareView* compared() const { return compared_; }

 private:
  void keep_now();
  void restore_now();
  void show_chosen();
  Session& session_;
  std::vector<Version> versions_;
  std::optional<Job> chosen_;
  QLineEdit* name_;
  QPushButton *keep_, *restore_;
  QListWidget* list_;
  QLabel *words_, *refusal_;
  CompareView* compared_;
};

}  // namespace yoke
