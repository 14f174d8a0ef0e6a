// Record: the whole job on paper, and how it stands.
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QLayout>
#include <QLineEdit>
#include <QTextBrowser>
#include <QTimer>
#include <memory>

#include "session/certify.hpp"
#include "session/session.hpp"
#include "session/sheet.hpp"
#include "ui/dialogs.hpp"
#include "ui/face.hpp"

namespace yoke {

/// The sheet with its pictures.
class SheetView : public QTextBrowser {
  Q_OBJECT
 public:
  explicit SheetView(QWidget* parent) : QTextBrowser(parent) {
    setOpenLinks(false);
    document()->setDocumentMargin(2);  // in a small window its widest table fills the room
  }
  void show_sheet(const QString& html, SheetPictures pictures);
  /// Its own two drawings, and nothing else whatever a text in it asks for.
  QVariant loadResource(int type, const QUrl& name) override;

 protected:
  void resizeEvent(QResizeEvent* e) override;

 private:
  SheetPictures pictures_;
};

class SheetFace : public Face {
  Q_OBJECT
 public:
  SheetFace(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh() override;
  /// Asks for a place and writes the sheet.
  void save_sheet();
  /// Asks for a printer, or shows the pages first.
  void print_sheet();
  void preview_sheet();
  /// What a licensed inspector is given: one PDF, or the same as an open folder.
  void save_pack();
  void save_open_pack();
  [[nodiscard]] QCheckBox* all_values() const { return all_values_; }

 protected:
  void hideEvent(QHideEvent* e) override;

 private:
  QLayout* build_left();
  QLayout* build_right();
  void write_sheet();
  [[nodiscard]] std::vector<Chapter> chapters() const;
  void set_state(JobState state);
  [[nodiscard]] QString html(const std::vector<JudgedRule>& rules) const;
  [[nodiscard]] std::unique_ptr<QTextDocument> document() const;
  Session& session_;
  Dialogs& dialogs_;
  QTimer sheet_timer_;  ///< the sheet follows an edit when the hand rests: it takes many frames
  bool sheet_stands_ = false;
  SheetView* sheet_;
  QCheckBox* all_values_;
  QLabel* state_;
  QLineEdit* title_;
  QLineEdit* vehicle_;
};

}  // namespace yoke
