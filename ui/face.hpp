// One face of a stage's page, and how a page is told of its faces: an id, a name on its button, and
// what makes it. A face is made when it is first shown, and computes only while it is looked at.
#pragma once

#include <QString>
#include <QWidget>
#include <functional>

#include "document/finding.hpp"

namespace yoke {

class Face : public QWidget {
  Q_OBJECT

 public:
  using QWidget::QWidget;
  /// Shows the job as it is now.
  virtual void refresh() = 0;

 signals:
  /// Something of another stage is to be worked on: "step:rod.clearance", "nipple:fl",
  /// "value:master.bore"; empty: the stage alone.
  void wanted(Stage stage, const QString& place);
};

struct FaceEntry {
  const char* id;  ///< "rod.ends"
  QString name;    ///< on its button
  std::function<Face*(QWidget* parent)> make;
};

}  // namespace yoke
