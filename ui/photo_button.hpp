// A button that takes a photo along: the picture is copied beside the job, its name is told, and it
// is shown on the button.
#pragma once

#include <QPushButton>

#include "session/session.hpp"
#include "ui/dialogs.hpp"

namespace yoke {

class PhotoButton : public QPushButton {
  Q_OBJECT

 public:
  /// `of`: what the photo shows, as a screen reader says it.
  PhotoButton(Session& session, Dialogs& dialogs, const QString& of, QWidget* parent);
  void show_photo(const std::string& name);
  [[nodiscard]] const std::string& photo() const { return name_; }

 signals:
  void taken(const QString& name);
  void refused(const QString& why);

 private:
  void choose();
  Session& session_;
  Dialogs& dialogs_;
  QString of_;
  std::string name_;
};

}  // namespace yoke
