#include "ui/begin_page.hpp"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QPushButton>
#include <QSettings>
#include <QVBoxLayout>

#include "document/param/limits.hpp"
#include "files/store.hpp"
#include "paint/begin.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

using choice::TargetJob;
constexpr int kMostRecent = 4;

std::vector<BeginPlate> kind_plates() {
  const auto plate = [](TargetJob kind, const QString& line) {
    return BeginPlate{
        QStringLiteral("kind:%1").arg(static_cast<int>(kind)), kind,
        words_of(info(param::target_job).options[static_cast<std::size_t>(kind)].words), line};
  };
  return {plate(TargetJob::brakes, BeginPage::tr("drums to discs, larger cylinders")),
          plate(TargetJob::master, BeginPage::tr("another bore, stroke or maker")),
          plate(TargetJob::circuits, BeginPage::tr("a tandem for a single master")),
          plate(TargetJob::assist, BeginPage::tr("vacuum, hydraulic, electric, or none")),
          plate(TargetJob::cable, BeginPage::tr("master and slave in place of them")),
          plate(TargetJob::clutch, BeginPage::tr("what the pedal will weigh, and release")),
          plate(TargetJob::lever, BeginPage::tr("levers, one or two discs")),
          plate(TargetJob::feel, BeginPage::tr("spongy, long, hard, sinking")),
          plate(TargetJob::bores, BeginPage::tr("how much harder, how much shorter"))};
}

std::vector<BeginPlate> practice_plates() {
  return {{QStringLiteral(":/demo/fire-tender.yoke"), TargetJob::brakes,
           BeginPage::tr("Light fire tender"), BeginPage::tr("drums to front discs, 2.6 t")},
          {QStringLiteral(":/demo/airfield-tug.yoke"), TargetJob::cable,
           BeginPage::tr("Airfield tug"), BeginPage::tr("rods to a hydraulic clutch, proved")},
          {QStringLiteral(":/demo/sidecar-outfit.yoke"), TargetJob::lever,
           BeginPage::tr("Sidecar outfit"), BeginPage::tr("hand lever, three discs")},
          {QStringLiteral(":/demo/trials-special.yoke"), TargetJob::bores,
           BeginPage::tr("Trials special"), BeginPage::tr("two bores, nothing else")}};
}

/// What the file itself says of its job; the model is not run for a list.
std::vector<BeginPlate> recent_plates(QStringList& paths) {
  std::vector<BeginPlate> plates;
  paths.clear();
  for (const QString& path : QSettings().value(QStringLiteral("recent")).toStringList()) {
    if (plates.size() >= kMostRecent || !QFileInfo::exists(path)) continue;
    const JobEntry entry = job_entry(path.toStdString());
    const auto kind = entry.kind.value_or(TargetJob::brakes);
    plates.push_back({QStringLiteral("recent:%1").arg(paths.size()), kind,
                      entry.title.empty() ? QFileInfo(path).completeBaseName()
                                          : one_line(text_of(entry.title), 40),
                      text_of(listed_state(entry), Style{})});
    paths << path;
  }
  return plates;
}

QLabel* head(const QString& words, QWidget* parent) {
  return plain_label(words, "heading", parent);
}

}  // namespace

BeginPage::BeginPage(QWidget* parent) : QWidget(parent) {
  setObjectName(QStringLiteral("page"));
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(18, 12, 18, 14);
  auto* top = new QHBoxLayout;
  top->addWidget(plain_label(tr("What is this job?"), "title", this));
  top->addWidget(plain_label(tr("The choice leaves out what such a job does not have. It can be "
                                "changed later, and nothing is lost."),
                             "question", this),
                 1);
  auto* skip = new QPushButton(tr("None of these: show everything"), this);
  top->addWidget(skip);
  connect(skip, &QPushButton::clicked, this, &BeginPage::skipped);
  outer->addLayout(top);
  auto* row = new QHBoxLayout;
  row->setSpacing(16);
  kinds_ = new PictureView(tr("Kinds of job"), this);
  kinds_->set_walkable();
  kinds_->set_maker([](QSizeF size) {
    return begin_picture(kind_plates(), size.width() > 1200 && size.height() < 560 ? 5 : 3, size);
  });
  row->addWidget(kinds_, 7);
  auto* side = new QVBoxLayout;
  side->setSpacing(6);
  side->addWidget(head(tr("Go on with"), this));
  recent_ = new PictureView(tr("What was worked on last"), this);
  recent_->set_walkable();
  recent_->set_maker([this](QSizeF size) { return begin_picture(recent_plates(paths_), 1, size); });
  side->addWidget(recent_, 1);
  side->addWidget(head(tr("Practise on a copy of"), this));
  practice_ = new PictureView(tr("Shipped jobs"), this);
  practice_->set_walkable();
  practice_->set_maker([](QSizeF size) { return begin_picture(practice_plates(), 1, size); });
  side->addWidget(practice_, 1);
  row->addLayout(side, 3);
  outer->addLayout(row, 1);
  outer->addWidget(label(tr("Figures are help for a builder, not an approval: local rules and "
                            "licensed inspection win."),
                         "caution", this));
  connect(kinds_, &PictureView::spot_clicked, this, [this](const QString& id) {
    emit begun(static_cast<TargetJob>(id.section(QLatin1Char(':'), 1).toInt()));
  });
  connect(recent_, &PictureView::spot_clicked, this, [this](const QString& id) {
    const auto i = id.section(QLatin1Char(':'), 1).toInt();
    if (i < paths_.size()) emit open_wanted(paths_[i]);
  });
  connect(practice_, &PictureView::spot_clicked, this, &BeginPage::practice_wanted);
  refresh();
}

void BeginPage::refresh() {
  const bool any = !QSettings().value(QStringLiteral("recent")).toStringList().isEmpty();
  recent_->setVisible(any);
  recent_->redraw();
}

}  // namespace yoke
