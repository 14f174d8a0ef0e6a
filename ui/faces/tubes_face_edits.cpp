// What the face of the lines does to the job.
#include <QFileInfo>
#include <QTableWidget>
#include <algorithm>
#include <cmath>

#include "files/limits.hpp"
#include "paint/tube_picture.hpp"
#include "plumbing/legs.hpp"
#include "session/entries.hpp"
#include "session/template_out.hpp"
#include "session/texts.hpp"
#include "ui/faces/tubes_face.hpp"
#include "ui/preferences.hpp"
#include "work/line_template.hpp"

namespace yoke {

namespace {
constexpr double TubeCorner::*kAxes[] = {&TubeCorner::x_m, &TubeCorner::y_m, &TubeCorner::z_m};
}  // namespace

void TubesFace::add_line() {
  const auto& tubes = session_.job().tubes;
  if (tubes.size() >= kMostTubes) return refuse(tr("60 lines are the most a job keeps."));
  TubeLine t;
  const auto taken = [&tubes](const std::string& name) {
    return std::any_of(tubes.begin(), tubes.end(),
                       [&](const TubeLine& o) { return o.name == name; });
  };
  int n = static_cast<int>(tubes.size());
  do t.name = tr("Line %1").arg(++n).toStdString();
  while (taken(t.name));
  shown_ = tubes.size();
  session_.edit(tr("a line to make"), [&](Job& j) {
    j.tubes.push_back(t);
    j.tube_corners.push_back({t.name, 0, 0, 0, {}});
    j.tube_corners.push_back({t.name, 0.3, 0, 0, {}});
  });
  name_->setFocus();
  name_->selectAll();
}

void TubesFace::remove_line() {
  const TubeLine* const t = tube();
  if (t == nullptr) return;
  const std::string name = t->name;
  const std::size_t at = shown_;
  shown_ = at > 0 ? at - 1 : 0;
  session_.edit(tr("line %1 removed").arg(text_of(name)), [&](Job& j) {
    j.tubes.erase(j.tubes.begin() + static_cast<std::ptrdiff_t>(at));
    std::erase_if(j.tube_corners, [&](const TubeCorner& c) { return c.line == name; });
  });
}

void TubesFace::legs_typed() {
  const TubeLine* const t = tube();
  if (t == nullptr) return;
  const auto legs = parse_legs(legs_->text().toStdString(), session_.style().units);
  if (!legs) return refuse(error_text(legs.error(), session_.style()));
  const std::string name = t->name;
  const auto ok = session_.edit(tr("line by legs"), [&](Job& j) {
    std::erase_if(j.tube_corners, [&](const TubeCorner& c) { return c.line == name; });
    for (const Point3& p : corners_of_legs(*legs))
      j.tube_corners.push_back({name, p.x, p.y, p.z, {}});
  });
  if (!ok) return;
  refuse({});
  legs_->clear();
}

void TubesFace::rename() {
  const TubeLine* const t = tube();
  const std::string now = name_->text().simplified().toStdString();
  if (t == nullptr || now == t->name) return;
  const auto& tubes = session_.job().tubes;
  const bool taken =
      std::any_of(tubes.begin(), tubes.end(), [&](const TubeLine& o) { return o.name == now; });
  if (now.empty() || taken) {
    refuse(taken ? tr("Another line has this name.") : tr("A line needs a name."));
    return show_tube();
  }
  const std::string was = t->name;
  const std::size_t at = shown_;
  session_.edit(tr("name of a line"), [&](Job& j) {
    j.tubes[at].name = now;
    for (TubeCorner& c : j.tube_corners)
      if (c.line == was) c.line = now;
  });
}

void TubesFace::edit_tube(const QString& what, const std::function<void(TubeLine&)>& fn) {
  if (tube() == nullptr) return;
  const std::size_t at = shown_;
  session_.edit(what, [&](Job& j) { fn(j.tubes[at]); });
}

void TubesFace::tube_typed(QLineEdit* entry, std::optional<double> TubeLine::*member,
                           const char* words) {
  if (!entry->isModified() || tube() == nullptr) return;
  entry->setModified(false);
  if (entry->text().trimmed().isEmpty()) {
    refuse({});
    edit_tube(tr(words), [&](TubeLine& t) { t.*member = std::nullopt; });
    return;
  }
  const auto v = typed_quantity(entry->text().toStdString(), Message(words), Kind::length,
                                member == &TubeLine::outside_m   ? kTubeOutside
                                : member == &TubeLine::support_m ? kTubeSupport
                                                                 : kTubeRadius,
                                session_.style());
  refuse(v ? QString() : error_text(v.error(), session_.style()));
  if (v) edit_tube(tr(words), [&](TubeLine& t) { t.*member = *v; });
  show_tube();
}

void TubesFace::add_corner() {
  const auto at = places();
  if (at.empty() || session_.job().tube_corners.size() >= kMostTubeCorners) return;
  const std::size_t row =
      table_->currentRow() < 0 ? at.size() - 1 : static_cast<std::size_t>(table_->currentRow());
  const auto& all = session_.job().tube_corners;
  const std::size_t here = at[std::min(row, at.size() - 1)];
  TubeCorner c = all[here];
  // Half way to the next; after the last one 100 mm further.
  if (row + 1 < at.size()) {
    const TubeCorner& next = all[at[row + 1]];
    for (const auto axis : kAxes) c.*axis = (all[here].*axis + next.*axis) / 2;
  } else {
    c.x_m += 0.1;
  }
  c.unread = {};
  session_.edit(tr("a corner"), [&](Job& j) {
    j.tube_corners.insert(j.tube_corners.begin() + static_cast<std::ptrdiff_t>(here) + 1, c);
  });
  table_->setCurrentCell(static_cast<int>(row) + 1, 0);
}

void TubesFace::remove_corner() {
  const auto at = places();
  const int row = table_->currentRow();
  if (row < 0 || static_cast<std::size_t>(row) >= at.size()) return;
  if (at.size() <= 2) return refuse(tr("A line has two ends at least."));
  session_.edit(tr("a corner removed"), [&](Job& j) {
    j.tube_corners.erase(j.tube_corners.begin() +
                         static_cast<std::ptrdiff_t>(at[static_cast<std::size_t>(row)]));
  });
}

void TubesFace::corner_typed(int row, int column) {
  const auto at = places();
  if (writing_ || row < 0 || static_cast<std::size_t>(row) >= at.size() || column > 2) return;
  const auto v = typed_quantity(
      table_->item(row, column)->text().trimmed().toStdString(),
      Message::data(table_->horizontalHeaderItem(column)->text().section('\n', 0, 0).toStdString()),
      Kind::length, kTubePlace, session_.style());
  refuse(v ? QString() : error_text(v.error(), session_.style()));
  if (!v) return show_corners();
  const std::size_t corner = at[static_cast<std::size_t>(row)];
  session_.edit(tr("corner %1").arg(row + 1),
                [&](Job& j) { j.tube_corners[corner].*kAxes[column] = *v; });
}

void TubesFace::drag(const QString& id, QPointF from, QPointF to) {
  if (!id.startsWith(QStringLiteral("corner:"))) return;
  const auto at = places();
  const auto row = id.section(QLatin1Char(':'), 2).toUInt();
  if (row >= at.size()) return;
  const std::size_t corner = at[row];
  if (!grabbed_) {
    table_->setCurrentCell(static_cast<int>(row), 0);
    const auto lines = planned_lines(session_.job());
    // The scale of the beginning holds while it is dragged, whatever room it then takes.
    grabbed_ = {session_.job().tube_corners[corner],
                tube_pixels_per_metre(lines[shown_], QSizeF(drawing_->size()))};
  }
  if (grabbed_->second <= 0) return;
  const QPointF by = (to - from) / grabbed_->second;
  const auto whole_mm = [](double m) { return std::round(m * 1e3) / 1e3; };
  const bool above = id.startsWith(QStringLiteral("corner:above"));
  const TubeCorner start = grabbed_->first;
  session_.edit(
      tr("corner %1 moved").arg(row + 1),
      [&](Job& j) {
        j.tube_corners[corner].x_m = whole_mm(start.x_m + by.x());
        if (above)
          j.tube_corners[corner].y_m = whole_mm(start.y_m + by.y());
        else
          j.tube_corners[corner].z_m = whole_mm(start.z_m - by.y());
      },
      QStringLiteral("corner %1").arg(corner));
}

void TubesFace::save_print() {
  const auto lines = planned_lines(session_.job());
  if (shown_ >= lines.size()) return refuse(tr("Add a line first."));
  const PlannedLine& line = lines[shown_];
  if (!line.list) return refuse(error_text(line.list.error(), session_.style()));
  const Template t = line_template(*line.tube, *line.list);
  const QString path =
      save_target(dialogs_, this, tr("Save the line full size"), tr("line.pdf"),
                  tr("PDF (*.pdf);;SVG (*.svg);;DXF (*.dxf)"),
                  {QStringLiteral(".pdf"), QStringLiteral(".svg"), QStringLiteral(".dxf")});
  if (path.isEmpty()) return;
  const auto ok = write_template(path, t, preferences().paper);
  refuse(!ok ? error_text(ok.error(), session_.style())
             : tr("Written: %1. Print at 100 %, never “fit to page”; measure both rules.")
                   .arg(QFileInfo(path).fileName()));
}

}  // namespace yoke
