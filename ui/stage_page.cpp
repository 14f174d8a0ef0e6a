#include "ui/stage_page.hpp"

#include <QButtonGroup>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>

#include "session/job_kind.hpp"
#include "session/stage_sentence.hpp"
#include "session/texts.hpp"
#include "ui/calm_stack.hpp"
#include "ui/figures_view.hpp"
#include "ui/findings_box.hpp"

namespace yoke {

namespace {
constexpr QSize kLeastWork{780, 396};
constexpr int kNarrowPage = 960;
}  // namespace

void replace_inner(QScrollArea* area, QWidget* inner) {
  QString focused;  // asked before the old widget leaves: leaving takes the focus away
  if (const QWidget* now = area->widget();
      now && now->focusWidget() && now->focusWidget()->hasFocus())
    focused = now->focusWidget()->accessibleName();
  QWidget* old = area->takeWidget();
  const int scrolled = area->verticalScrollBar()->value();
  area->setWidget(inner);
  if (old) old->deleteLater();
  inner->show();
  area->verticalScrollBar()->setValue(scrolled);
  if (focused.isEmpty()) return;
  for (QWidget* w : inner->findChildren<QWidget*>())
    if (w->accessibleName() == focused) {
      w->setFocus(Qt::OtherFocusReason);
      return;
    }
}

StagePage::StagePage(Session& session, Stage stage, const QString& question, QWidget* parent)
    : QWidget(parent), session_(session), stage_(stage), question_text_(question) {
  setObjectName(QStringLiteral("page"));
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(16, 8, 16, 8);
  outer->setSpacing(6);
  heading_ = new QHBoxLayout;
  heading_->setSpacing(14);
  title_ = plain_label(words_of(stage_words(stage)), "title", this);
  heading_->addWidget(title_);
  question_ = new LineText("question", 1, this);
  question_->setText(question);
  heading_->addWidget(question_, 1);
  outer->addLayout(heading_);
  decision_ = new LineText("answer", 1, this);
  decision_->setAccessibleName(tr("How it stands"));
  outer->addWidget(decision_);
  next_ = new LineText("next", 1, this);
  next_->setAccessibleName(tr("What to do next"));
  outer->addWidget(next_);
  findings_ = new FindingsBox(session, stage, this);
  outer->addWidget(findings_);
  sides_ = new CalmStack(this);
  work_ = new QWidget(this);
  body_ = new QVBoxLayout(work_);
  body_->setContentsMargins(0, 0, 0, 0);
  body_->setSpacing(8);
  sides_->addWidget(work_);
  // In a small window the work keeps its size and is moved under it.
  auto* room = new QScrollArea(this);
  room->setWidgetResizable(true);
  room->setFocusPolicy(Qt::NoFocus);
  room->setWidget(new Room(sides_, kLeastWork, room));
  outer->addWidget(room, 1);
  if (has_figures(stage)) {
    figures_button_ = new QPushButton(tr("Figures"), this);
    figures_button_->setCheckable(true);
    figures_button_->setToolTip(
        tr("All figures of this stage and its bench calculations (Ctrl+G)"));
    heading_->addWidget(figures_button_);
    connect(figures_button_, &QPushButton::toggled, this, &StagePage::show_figures);
  }
  const auto again = [this] {
    if (!isVisible()) return;
    refresh();
    if (figures_ && sides_->currentWidget() == figures_) figures_->refresh();
  };
  const auto said = [this] {
    if (!isVisible()) return;
    show_faces_of_job();
    refresh_sentence();
  };
  connect(&session_, &Session::changed, this, again);
  connect(&session_, &Session::judged, this, said);
  connect(&session_, &Session::style_changed, this, said);
  connect(&session_, &Session::style_changed, this, again);
}

void StagePage::show_figures(bool on) {
  if (!figures_button_) return;
  figures_button_->setChecked(on);
  if (on && !figures_) {
    figures_ = new FiguresView(session_, stage_, this);
    sides_->addWidget(figures_);
  }
  if (on) figures_->refresh();
  sides_->setCurrentWidget(on               ? static_cast<QWidget*>(figures_)
                           : faces_.empty() ? work_
                                            : made(face_));
  if (on) figures_->setFocus();
}

void StagePage::register_faces(std::vector<FaceEntry> entries) {
  entries_ = std::move(entries);
  faces_.assign(entries_.size(), nullptr);
  auto* group = new QButtonGroup(this);
  for (std::size_t i = 0; i < entries_.size(); ++i) {
    auto* b = new QPushButton(entries_[i].name, this);
    b->setObjectName(QStringLiteral("face"));
    b->setCheckable(true);
    b->setChecked(i == 0);
    group->addButton(b);
    heading_->insertWidget(1 + static_cast<int>(i), b);
    face_buttons_.push_back(b);
    connect(b, &QPushButton::clicked, this, [this, i] { show_face(i); });
  }
  heading_->setSpacing(8);
  sides_->setCurrentWidget(made(0));
}

Face* StagePage::made(std::size_t face) {
  if (!faces_[face]) {
    faces_[face] = entries_[face].make(this);
    connect(faces_[face], &Face::wanted, this, &StagePage::wanted);
    sides_->addWidget(faces_[face]);
  }
  return faces_[face];
}

Face* StagePage::face_of(std::string_view id) {
  for (std::size_t i = 0; i < entries_.size(); ++i)
    if (id == entries_[i].id) return made(i);
  return nullptr;
}

bool StagePage::go_to_place(const QString& place) {
  if (!place.startsWith(QLatin1String("face:"))) return false;
  const std::string id = place.mid(5).toStdString();
  show_face(id);
  return shows(id);
}

bool StagePage::shows(std::string_view id) const {
  return face_ < entries_.size() && id == entries_[face_].id;
}

void StagePage::show_face(std::string_view id) {
  for (std::size_t i = 0; i < entries_.size(); ++i)
    if (id == entries_[i].id) show_face(i);
}

void StagePage::show_face(std::size_t face) {
  if (face >= face_count()) return;
  face_ = face;
  if (face < face_buttons_.size()) face_buttons_[face]->setChecked(true);
  if (figures_button_ && figures_button_->isChecked()) figures_button_->setChecked(false);
  if (faces_.empty())
    sides_->setCurrentWidget(work_);
  else
    sides_->setCurrentWidget(made(face));
  refresh();
}

/// Only the face that is looked at is computed.
void StagePage::refresh() {
  if (face_ < faces_.size() && faces_[face_]) faces_[face_]->refresh();
}

/// Faces that this kind of job does not have lose their button; the one that is open stays.
void StagePage::show_faces_of_job() {
  for (std::size_t i = 0; i < face_buttons_.size(); ++i)
    face_buttons_[i]->setVisible(i == face_ || has_face(session_.job(), stage_, entries_[i].id));
}

void StagePage::refresh_sentence() {
  const Sentence s = stage_sentence(session_, stage_);
  decision_->setText(text_of(s.decision, session_.style()));
  next_->setText(text_of(s.next, session_.style()));
  if (!s.next.empty()) next_->show();
}

void StagePage::set_note(const QString& note) {
  note_ = note;
  show_question();
}

void StagePage::show_question() {
  // Beside the faces' buttons the question has room in a large window only.
  constexpr int kRoomy = 1400;
  question_->setText(!note_.isEmpty()                             ? note_
                     : face_buttons_.empty() || width() >= kRoomy ? question_text_
                                                                  : QString());
}

void StagePage::resizeEvent(QResizeEvent* e) {
  QWidget::resizeEvent(e);
  // The rail names the stage; where the faces need the room it alone does.
  title_->setVisible(width() >= kNarrowPage);
  show_question();
}

void StagePage::showEvent(QShowEvent* e) {
  QWidget::showEvent(e);
  next_->hide();  // shown when it says something, and kept while the page is worked on
  findings_->refresh();
  show_faces_of_job();
  refresh_sentence();
  refresh();
  if (figures_ && sides_->currentWidget() == figures_) figures_->refresh();
}

}  // namespace yoke
