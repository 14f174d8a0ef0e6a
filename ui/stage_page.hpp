// What every stage's page shares: its question, its heading, and a refresh when the job changes.
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QStackedWidget>
#include <QVBoxLayout>
#include <QWidget>

#include "session/session.hpp"
#include "ui/dialogs.hpp"
#include "ui/face.hpp"
#include "ui/plain.hpp"

namespace yoke {

/// From here on a window has room for a large drawing above its tables.
inline constexpr int kTallWindow = 960;

class FiguresView;
class FindingsBox;
class LineText;

class StagePage : public QWidget {
  Q_OBJECT

 public:
  StagePage(Session& session, Stage stage, const QString& question, QWidget* parent = nullptr);
  [[nodiscard]] Stage stage() const { return stage_; }
  /// Shows the stage's figures and bench calculations, or its work again.
  void show_figures(bool on);
  [[nodiscard]] FiguresView* figures() const { return figures_; }
  [[nodiscard]] FindingsBox* findings() const { return findings_; }
  /// What the stage has come to, and what to do next.
  [[nodiscard]] LineText* decision() const { return decision_; }
  [[nodiscard]] LineText* next_step() const { return next_; }
  /// Shows one of the page's faces, by its place or its id; the first is the work itself.
  void show_face(std::size_t face);
  void show_face(std::string_view id);
  [[nodiscard]] std::size_t face() const { return face_; }
  [[nodiscard]] std::size_t face_count() const { return std::max<std::size_t>(1, entries_.size()); }
  [[nodiscard]] QPushButton* figures_button() const { return figures_button_; }
  /// Brings what is named into view; false: this page has no such place.
  virtual bool go_to_place(const QString& place);

 signals:
  /// A face of this page leads to another one.
  void wanted(Stage stage, const QString& place);

 protected:
  /// Called after every change while the page is shown, and when it becomes shown.
  virtual void refresh();
  void showEvent(QShowEvent* e) override;
  [[nodiscard]] QVBoxLayout* body() const { return body_; }
  [[nodiscard]] QHBoxLayout* heading() const { return heading_; }
  /// The faces of a page that has several, each with a button in the heading: one line each.
  void register_faces(std::vector<FaceEntry> entries);
  /// A face by its id, made if it was not shown yet.
  Face* face_of(std::string_view id);
  template <class Kind>
  Kind* face_as(std::string_view id) {
    return static_cast<Kind*>(face_of(id));
  }
  [[nodiscard]] bool shows(std::string_view id) const;
  /// Something to say beside the faces, in place of the question.
  void set_note(const QString& note);
  void resizeEvent(QResizeEvent* e) override;
  Session& session_;

 private:
  Stage stage_;
  QString question_text_;
  QString note_;
  void show_question();
  QHBoxLayout* heading_;
  QLabel* title_;
  LineText* question_;
  Face* made(std::size_t face);
  QWidget* work_;  ///< of a page without faces
  std::vector<FaceEntry> entries_;
  std::vector<Face*> faces_;  ///< null: not made yet
  std::vector<QPushButton*> face_buttons_;
  std::size_t face_ = 0;
  QVBoxLayout* body_;
  QStackedWidget* sides_;
  QPushButton* figures_button_ = nullptr;
  void refresh_sentence();
  void show_faces_of_job();
  LineText* decision_;
  LineText* next_;
  FindingsBox* findings_ = nullptr;
  FiguresView* figures_ = nullptr;  ///< made when first asked for
};

/// Puts a new inner widget into a scroll area. The old one goes later: one of its own buttons may
/// be what caused this. Focus returns to the control of the same name.
void replace_inner(QScrollArea* area, QWidget* inner);

}  // namespace yoke
