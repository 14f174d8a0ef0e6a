// The first page: what is this job? Beside it what was worked on last, and shipped jobs to practise
// on.
#pragma once

#include <QWidget>

#include "session/session.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

namespace choice {
enum class TargetJob;
}

class BeginPage : public QWidget {
  Q_OBJECT

 public:
  explicit BeginPage(QWidget* parent);
  /// Lists anew what was worked on last.
  void refresh();
  [[nodiscard]] PictureView* kinds() const { return kinds_; }
  [[nodiscard]] PictureView* recent() const { return recent_; }
  [[nodiscard]] PictureView* practice() const { return practice_; }

 signals:
  void begun(choice::TargetJob kind);
  void open_wanted(const QString& path);
  void practice_wanted(const QString& resource);
  /// Nothing of these: an empty job with every stage.
  void skipped();

 private:
  QStringList paths_;
  PictureView* kinds_;
  PictureView* recent_;
  PictureView* practice_;
};

}  // namespace yoke
