// The window's menus and what is found by searching: actions, values, help.
#include <QActionGroup>
#include <QFileInfo>
#include <QMenuBar>
#include <QSettings>

#include "assembly/relevance.hpp"
#include "session/choose.hpp"
#include "session/stage_sentence.hpp"
#include "session/texts.hpp"
#include "session/wet_sheet.hpp"
#include "ui/about.hpp"
#include "ui/fields.hpp"
#include "ui/finder.hpp"
#include "ui/help_window.hpp"
#include "ui/main_window.hpp"
#include "ui/plain.hpp"
#include "ui/preferences.hpp"
#include "ui/printing.hpp"
#include "ui/tables_window.hpp"
#include "ui/wet_entry.hpp"

namespace yoke {

QAction* MainWindow::add(QMenu* menu, const char* name, const QString& words,
                         const QKeySequence& keys, const std::function<void()>& fn) {
  auto* a = menu->addAction(words);
  a->setObjectName(QString::fromLatin1(name));
  a->setShortcut(keys);
  connect(a, &QAction::triggered, this, [fn] { fn(); });
  addAction(a);
  named_.insert(a->objectName(), a);
  return a;
}

QAction* MainWindow::action(const QString& name) const {
  return named_.value(name);
}

void MainWindow::build_menus() {
  auto* job = menuBar()->addMenu(tr("&Job"));
  add(job, "new", tr("&New job"), QKeySequence::New, [this] {
    if (!may_leave()) return;
    session_.new_job();
    show_begin();
  });
  add(job, "open", tr("&Open…"), QKeySequence::Open, [this] {
    if (!may_leave()) return;
    if (const QString f =
            dialogs_.open_file(this, tr("Open a job"), tr("Jobs (*.yoke *.yokepack)"));
        !f.isEmpty())
      open_path(f);
  });
  recent_ = job->addMenu(tr("Open &recent"));
  add(job, "save", tr("&Save"), QKeySequence::Save, [this] { save(); });
  add(job, "save_as", tr("Save &as…"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S),
      [this] { save_as(); });
  add(job, "pack", tr("Pac&k job and photos…"), QKeySequence(), [this] { save_pack(); });
  add(job, "nameless", tr("Copy without &names…"), QKeySequence(),
      [this] { save_without_names(); });
  add(job, "unsaved", tr("&Unsaved work left behind…"), QKeySequence(), [this] { offer_again(); });
  job->addSeparator();
  const auto record = [this] { return static_cast<RecordPage*>(page(Stage::record)); };
  add(job, "sheet", tr("Job sheet as P&DF…"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_P),
      [record] { record()->save_sheet(); });
  add(job, "preview", tr("&Look at its pages…"), QKeySequence(),
      [record] { record()->preview_sheet(); });
  add(job, "print", tr("&Print it…"), QKeySequence::Print, [record] { record()->print_sheet(); });
  add(job, "wet", tr("Sheet for &wet hands, this stage…"), QKeySequence(),
      [this] { preview_html(this, text_of(session_.job().title), wet_html(session_, stage_)); });
  add(job, "wet_back", tr("&Type that sheet back…"), QKeySequence(), [this] { type_back(); });
  job->addSeparator();
  add(job, "quit", tr("&Quit"), QKeySequence::Quit, [this] { close(); });

  auto* edit = menuBar()->addMenu(tr("&Edit"));
  add(edit, "undo", tr("Undo"), QKeySequence::Undo, [this] { session_.undo(); });
  add(edit, "redo", tr("Redo"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z),
      [this] { session_.redo(); });
  edit->addSeparator();
  add(edit, "next_measurement", tr("Next &measurement"), QKeySequence(Qt::Key_F9),
      [this] { next_measurement(); });
  add(edit, "figures", tr("Fi&gures of this stage"), QKeySequence(Qt::CTRL | Qt::Key_G), [this] {
    if (auto* p = qobject_cast<StagePage*>(stack_->currentWidget()); p && p->figures_button())
      p->show_figures(!p->figures_button()->isChecked());
  });
  add(edit, "find_value", tr("Find a &value…"), QKeySequence::Find, [this] { find_value(); });
  add(edit, "find_action", tr("&Find an action…"), QKeySequence(Qt::CTRL | Qt::Key_K),
      [this] { find_action(); });

  edit->addSeparator();
  add(edit, "copy_picture", tr("&Copy the drawing in view"),
      QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_C), [this] {
        if (PictureView* p = drawing_in_view()) p->copy_picture();
      });
  add(edit, "copy_numbers", tr("Copy its &numbers"), QKeySequence(), [this] {
    if (PictureView* p = drawing_in_view()) p->copy_numbers();
  });
  add(edit, "save_picture", tr("&Save the drawing in view…"),
      QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_D), [this] {
        if (PictureView* p = drawing_in_view())
          if (const auto ok = p->save_picture(dialogs_); !ok)
            dialogs_.tell(this, error_text(ok.error(), session_.style()));
      });
  edit->addSeparator();
  add(edit, "preferences", tr("&Preferences…"), QKeySequence(Qt::CTRL | Qt::Key_Comma),
      [this] { change_preferences(); });

  auto* stages = menuBar()->addMenu(tr("&Stage"));
  for (const Stage s : kStages) {
    const int n = static_cast<int>(s);
    add(stages, qPrintable(QStringLiteral("stage%1").arg(n)), words_of(stage_words(s)),
        QKeySequence(Qt::CTRL | static_cast<Qt::Key>(Qt::Key_1 + n)), [this, s] { show_stage(s); });
  }
  stages->addSeparator();
  add(stages, "bench", tr("&Bench mode: one thing at a time, large"), QKeySequence(Qt::Key_F11),
      [this] { show_bench(!at_bench()); });
  const auto face = [this](int by) {
    if (auto* p = qobject_cast<StagePage*>(stack_->currentWidget())) {
      const auto n = static_cast<int>(p->face_count());
      p->show_face(static_cast<std::size_t>((static_cast<int>(p->face()) + by + n) % n));
    }
  };
  add(stages, "face_after", tr("Next &face of this stage"),
      QKeySequence(Qt::CTRL | Qt::Key_PageDown), [face] { face(1); });
  add(stages, "face_before", tr("&Previous face"), QKeySequence(Qt::CTRL | Qt::Key_PageUp),
      [face] { face(-1); });
  auto* pedal = pedal_menu_ = menuBar()->addMenu(tr("&Pedal"));
  add(pedal, "condition_before", tr("Condition to the left"), QKeySequence(Qt::Key_F6),
      [this] { step_condition(-1); });
  add(pedal, "condition_after", tr("Condition to the right"), QKeySequence(Qt::Key_F7),
      [this] { step_condition(1); });
  add(pedal, "press_more", tr("Press further"), QKeySequence(Qt::CTRL | Qt::Key_Down),
      [this] { session_.press(session_.pressed_m() + 0.005); });
  add(pedal, "press_less", tr("Let up"), QKeySequence(Qt::CTRL | Qt::Key_Up),
      [this] { session_.press(session_.pressed_m() - 0.005); });
  add(pedal, "take_better", tr("Take the cell that passes"), QKeySequence(Qt::CTRL | Qt::Key_B),
      [this] {
        if (const auto cell = better_cell(session_)) choose_cell(session_, *cell, nullptr, {});
      });
  auto* hold = press_hint_ = pedal->addAction(tr("Hold F8 to press the pedal"));
  hold->setEnabled(false);

  auto* view = menuBar()->addMenu(tr("&Units"));
  auto* units = new QActionGroup(this);
  const std::pair<const char*, UnitStyle> kinds[] = {
      {"metric", UnitStyle::metric}, {"imperial", UnitStyle::imperial}, {"both", UnitStyle::both}};
  const QString words[] = {tr("&mm, N, MPa"), tr("&in, lbf, psi"), tr("&Both")};
  for (size_t i = 0; i < 3; ++i) {
    auto* a = add(view, kinds[i].first, words[i], QKeySequence(),
                  [this, u = kinds[i].second] { set_units(u); });
    a->setCheckable(true);
    a->setChecked(session_.style().units == kinds[i].second);
    units->addAction(a);
  }
  add(view, "units", tr("&Change units"), QKeySequence(Qt::CTRL | Qt::Key_U), [this] {
    set_units(static_cast<UnitStyle>((static_cast<int>(session_.style().units) + 1) % 3));
  });
  auto* help = menuBar()->addMenu(tr("&Help"));
  add(help, "tables", tr("&Tables for the bench"), QKeySequence(Qt::CTRL | Qt::Key_T),
      [this] { show_tables(); });
  add(help, "help", tr("&Help for what is shown"), QKeySequence::HelpContents,
      [this] { show_help(); });
  add(help, "about", tr("&About Yoke Step"), QKeySequence(), [this] { about_yoke_step(this); });
  menuBar()->setCornerWidget(status_);
  refresh_recent();
}

void MainWindow::type_back() {
  auto* entry = new WetEntry(session_, stage_, this);
  entry->setAttribute(Qt::WA_DeleteOnClose);
  entry->show();
}

void MainWindow::show_tables() {
  if (!tables_) tables_ = new TablesWindow(this);
  tables_->show();
  tables_->raise();
}

void MainWindow::change_preferences() {
  Preferences p = preferences();
  p.style = session_.style();
  if (!edit_preferences(this, p)) return;
  keep_preferences(p);
  session_.set_style(p.style);
  set_units(p.style.units);
}

void MainWindow::set_units(UnitStyle u) {
  Preferences p = preferences();
  p.style = session_.style();
  p.style.units = u;
  session_.set_style(p.style);
  keep_preferences(p);
  const char* names[] = {"metric", "imperial", "both"};
  if (auto* a = action(QString::fromLatin1(names[static_cast<int>(u)]))) a->setChecked(true);
}

void MainWindow::refresh_recent() {
  recent_->clear();
  const QStringList list = QSettings().value(QStringLiteral("recent")).toStringList();
  for (const QString& path : list)
    recent_
        ->addAction(plain_action(QFileInfo(path).fileName()), this,
                    [this, path] {
                      if (may_leave()) open_path(path);
                    })
        ->setToolTip(plain_tip(path));
  recent_->setEnabled(!list.isEmpty());
}

void MainWindow::remember(const QString& path) {
  QStringList list = QSettings().value(QStringLiteral("recent")).toStringList();
  const QString full = QFileInfo(path).absoluteFilePath();
  list.removeAll(full);
  list.prepend(full);
  while (list.size() > 8) list.removeLast();
  QSettings().setValue(QStringLiteral("recent"), list);
  refresh_recent();
}

/// The largest drawing of the page that is looked at.
PictureView* MainWindow::drawing_in_view() const {
  PictureView* largest = nullptr;
  const auto area = [](const PictureView* p) { return p ? p->width() * p->height() : 0; };
  for (auto* p : whole_->currentWidget()->findChildren<PictureView*>())
    if (p->isVisible() && p != strip_ && p != band_ && area(p) > area(largest)) largest = p;
  return largest;
}

void MainWindow::find_action() {
  std::vector<FinderEntry> entries;
  for (QAction* a : actions())
    entries.push_back({a->text().remove(QLatin1Char('&')),
                       a->shortcut().toString(QKeySequence::NativeText), [a] { a->trigger(); }});
  Finder(tr("Find an action"), std::move(entries), this).exec();
}

void MainWindow::find_value() {
  std::vector<FinderEntry> entries;
  for (const As which : {As::found, As::plan})
    for (const ParamInfo& p : all_params()) {
      if (!relevant(session_.job(), which, p.param)) continue;
      const Param param = p.param;
      entries.push_back(
          {(which == As::found ? tr("As found: %1") : tr("Plan: %1")).arg(words_of(p.words)),
           value_text(session_.job(), which, param, session_.style()),
           [this, which, param] { go_to(which, param); }});
    }
  Finder(tr("Find a value"), std::move(entries), this).exec();
}

bool MainWindow::go_to(As which, Param param) {
  const QString name =
      QStringLiteral("field:%1:%2")
          .arg(which == As::found ? QStringLiteral("found") : QStringLiteral("plan"),
               text_of(info(param).id));
  show_stage(Stage::survey);
  survey()->focus_param(which, param);
  if (auto* f = survey()->findChild<ParamField*>(name); f && f->isVisible()) return true;
  for (const Stage s : {Stage::size, Stage::fit, Stage::rod, Stage::plumb}) {
    StagePage* p = page(s);
    for (std::size_t face = 0; face < p->face_count(); ++face) {
      show_stage(s);
      p->show_face(face);
      for (auto* f : p->findChildren<ParamField*>(name))
        if (f->isVisible()) {
          f->focus_entry();
          return true;
        }
    }
  }
  show_stage(Stage::survey);
  return false;
}

void MainWindow::show_help() {
  const QString topic = begins()     ? QStringLiteral("begin")
                        : at_bench() ? QStringLiteral("bench")
                                     : text_of(stage_words(stage_)).toLower();
  if (!help_) help_ = new HelpWindow(this);
  help_->show_topic(topic);
  help_->show();
  help_->raise();
}

}  // namespace yoke
