#include "ui/drawn_face.hpp"

#include <QHBoxLayout>
#include <QTimer>

#include "assembly/relevance.hpp"
#include "session/texts.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

std::vector<std::pair<As, Param>> of_plan(std::initializer_list<Param> params) {
  std::vector<std::pair<As, Param>> all;
  for (const Param p : params) all.emplace_back(As::plan, p);
  return all;
}

DrawnFace::DrawnFace(Session& session, const QString& heading,
                     std::vector<std::pair<As, Param>> params, const QString& name,
                     PictureView::Make drawing, std::vector<std::string> figures, QWidget* parent)
    : Face(parent), session_(session), all_(std::move(params)) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(20);
  left_ = new QVBoxLayout;
  left_->setSpacing(6);
  left_->addWidget(label(heading, "heading", this));
  panel_ = new ParamPanel(session, 1, this);
  panel_->setMinimumWidth(448);
  left_->addWidget(panel_, 1);
  help_ =
      label(tr("Enter a field: what it means and how it is measured stands here."), "soft", this);
  help_->setMinimumHeight(38);
  help_->setAlignment(Qt::AlignTop);
  left_->addWidget(help_);
  connect(panel_, &ParamPanel::entered, this,
          [this](Param p) { help_->setText(words_of(info(p).help)); });
  row->addLayout(left_, 9);
  auto* right = new QVBoxLayout;
  right->setSpacing(8);
  drawing_ = new PictureView(name, this);
  drawing_->set_maker(std::move(drawing));
  drawing_->setMinimumHeight(240);
  // What is touched in the drawing is typed beside it.
  connect(drawing_, &PictureView::spot_clicked, this, [this](const QString& id) {
    if (!id.startsWith(QStringLiteral("param:"))) return;
    const auto p = find_param(id.mid(6).toStdString());
    if (!p) return;
    for (const As which : {As::plan, As::found})
      if (auto* f = panel_->field(which, *p)) return f->focus_entry();
  });
  right->addWidget(drawing_, 11);
  figures_ = new FiguresView(session, std::move(figures), {}, this);
  right->addWidget(figures_, 10);
  row->addLayout(right, 12);
  ask();
  panel_->show_params(asked_);
}

void DrawnFace::ask() {
  std::vector<std::pair<As, Param>> list;
  for (const auto& [which, p] : all_)
    if (relevant(session_.job(), which, p)) list.emplace_back(which, p);
  if (list == asked_) return;
  asked_ = list;
  // A field must not be deleted inside its own signal.
  QTimer::singleShot(0, this, [this] { panel_->show_params(asked_); });
}

void DrawnFace::say_whose() {
  panel_->set_compact();
  panel_->show_params(asked_);
}

void DrawnFace::refresh() {
  ask();
  drawing_->redraw();
  figures_->refresh();
}

}  // namespace yoke
