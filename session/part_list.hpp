// The catalogue in use: the shipped one, or the builder's own file; read beside the window.
#pragma once

#include <QObject>
#include <QString>
#include <QThreadPool>

#include "files/catalogue.hpp"

namespace yoke {

class PartList : public QObject {
  Q_OBJECT

 public:
  explicit PartList(QObject* parent = nullptr);
  ~PartList() override;
  /// Reads a file in the background; `changed` follows. An empty path reads the shipped catalogue.
  /// `with_shipped`: an own file adds to the shipped parts instead of replacing them.
  void load(const QString& path, bool with_shipped = false);
  [[nodiscard]] const std::vector<Part>& parts() const { return catalogue_.parts; }
  [[nodiscard]] const std::vector<RowProblem>& problems() const { return catalogue_.problems; }
  /// What was read, in one line: name, parts, problems; or why it could not be.
  [[nodiscard]] QString state() const { return state_; }
  [[nodiscard]] bool reading() const { return reading_; }
  [[nodiscard]] QString path() const { return path_; }

 signals:
  void changed();

 private:
  void take(unsigned generation, const QString& path, const Expected<Catalogue>& read);
  Catalogue catalogue_;
  QString path_;
  QString state_;
  bool reading_ = false;
  unsigned generation_ = 0;
  QThreadPool pool_;
};

}  // namespace yoke
