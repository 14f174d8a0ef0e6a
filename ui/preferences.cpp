#include "ui/preferences.hpp"

#include <QCoreApplication>
#include <QDialog>
#include <QDialogButtonBox>
#include <QGridLayout>
#include <QGuiApplication>
#include <QLocale>
#include <QScreen>
#include <QSettings>
#include <cmath>

#include "ui/fields.hpp"
#include "ui/language.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

struct Chosen {
  Q_DECLARE_TR_FUNCTIONS(Chosen)
};

constexpr const char* kUnits = "units";
constexpr const char* kZoom = "size_of_text";
constexpr const char* kPaper = "paper";
constexpr const char* kComma = "decimal_comma";
constexpr const char* kSound = "bench_sound";
constexpr const char* kLanguage = "language";

QVariant read(const char* key, const QVariant& otherwise) {
  return QSettings().value(QLatin1String(key), otherwise);
}

/// One question of the dialog: a name and the answers to choose from.
class Question {
 public:
  Question(QGridLayout* grid, const QString& words, const QStringList& answers, int chosen) {
    QWidget* parent = grid->parentWidget();
    const int row = grid->rowCount();
    auto* name = plain_label(words, "question", parent);
    box_ = new Combo(parent);
    box_->addItems(answers);
    box_->setCurrentIndex(chosen);
    box_->setAccessibleName(words);
    name->setBuddy(box_);
    grid->addWidget(name, row, 0);
    grid->addWidget(box_, row, 1);
  }
  [[nodiscard]] int answer() const { return box_->currentIndex(); }

 private:
  Combo* box_;
};

constexpr double kZooms[] = {0, 1, 1.25, 1.5, 1.75, 2};

int zoom_index(double zoom) {
  for (std::size_t i = 0; i < std::size(kZooms); ++i)
    if (std::abs(kZooms[i] - zoom) < 0.01) return static_cast<int>(i);
  return 0;
}

QStringList names_of(const std::vector<Language>& list) {
  QStringList names;
  for (const Language& l : list) names << l.name;
  return names;
}

int language_index(const std::vector<Language>& list, const QString& key) {
  for (std::size_t i = 0; i < list.size(); ++i)
    if (list[i].key == key) return static_cast<int>(i);
  return 0;
}

}  // namespace

Preferences preferences() {
  Preferences p;
  p.style.units = static_cast<UnitStyle>(qBound(0, read(kUnits, 2).toInt(), 2));
  p.style.decimal_comma = read(kComma, QLocale().decimalPoint() == QStringLiteral(",")).toBool();
  const double zoom = read(kZoom, 0.0).toDouble();
  p.zoom = std::isfinite(zoom) && zoom >= 1 && zoom <= 2 ? zoom : 0;
  const bool letter = QLocale().measurementSystem() == QLocale::ImperialUSSystem;
  p.paper = read(kPaper, letter ? QStringLiteral("letter") : QStringLiteral("a4")).toString() ==
                    QStringLiteral("letter")
                ? QPageSize::Letter
                : QPageSize::A4;
  p.sound = static_cast<BenchSound>(qBound(0, read(kSound, 0).toInt(), 2));
  const bool american = QLocale().name() == QStringLiteral("en_US");
  p.language =
      read(kLanguage, american ? QStringLiteral("en-US") : QStringLiteral("en")).toString();
  return p;
}

void keep_preferences(const Preferences& p) {
  QSettings s;
  s.setValue(QLatin1String(kUnits), static_cast<int>(p.style.units));
  s.setValue(QLatin1String(kComma), p.style.decimal_comma);
  s.setValue(QLatin1String(kZoom), p.zoom);
  s.setValue(QLatin1String(kPaper),
             p.paper == QPageSize::Letter ? QStringLiteral("letter") : QStringLiteral("a4"));
  s.setValue(QLatin1String(kSound), static_cast<int>(p.sound));
  s.setValue(QLatin1String(kLanguage), p.language);
}

double zoom_for_screen(QSize screen) {
  const double most = std::min(screen.width() / 1280.0, screen.height() / 800.0);
  return std::clamp(std::floor(most * 4) / 4, 1.0, 2.0);
}

void apply_zoom(int argc, char** argv) {
  if (qEnvironmentVariableIsSet("QT_SCALE_FACTOR")) return;  // said from outside
  double zoom = preferences().zoom;
  if (zoom <= 0) {
    // The size of a screen is known to an application alone: one is made to ask.
    QGuiApplication asks(argc, argv);
    const QScreen* screen = QGuiApplication::primaryScreen();
    zoom = screen ? zoom_for_screen(screen->size()) : 1;
  }
  if (zoom > 1) qputenv("QT_SCALE_FACTOR", QByteArray::number(zoom));
}

bool edit_preferences(QWidget* parent, Preferences& p) {
  QDialog d(parent);
  d.setWindowTitle(Chosen::tr("Preferences"));
  auto* grid = new QGridLayout(&d);
  grid->setHorizontalSpacing(18);
  grid->setVerticalSpacing(10);
  const Question units(grid, Chosen::tr("Units"),
                       {Chosen::tr("mm, N, MPa"), Chosen::tr("in, lbf, psi"), Chosen::tr("Both")},
                       static_cast<int>(p.style.units));
  const Question comma(grid, Chosen::tr("Decimal sign"),
                       {Chosen::tr("Point: 22.2"), Chosen::tr("Comma: 22,2")},
                       p.style.decimal_comma ? 1 : 0);
  const Question zoom(grid, Chosen::tr("Text and drawings"),
                      {Chosen::tr("As large as the screen allows"), QStringLiteral("100 %"),
                       QStringLiteral("125 %"), QStringLiteral("150 %"), QStringLiteral("175 %"),
                       QStringLiteral("200 %")},
                      zoom_index(p.zoom));
  const Question paper(grid, Chosen::tr("Paper"), {QStringLiteral("A4"), QStringLiteral("Letter")},
                       p.paper == QPageSize::Letter ? 1 : 0);
  const Question sound(
      grid, Chosen::tr("At the bench, each stroke"),
      {Chosen::tr("makes no sound"), Chosen::tr("clicks"), Chosen::tr("is counted aloud")},
      static_cast<int>(p.sound));
  const std::vector<Language> spoken = languages(catalogue_folder());
  const Question language(grid, Chosen::tr("Language"), names_of(spoken),
                          language_index(spoken, p.language));
  const int row = grid->rowCount();
  grid->addWidget(label(Chosen::tr("Language and the size of text and drawings are taken at the "
                                   "next start."),
                        "soft", &d),
                  row, 0, 1, 2);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, &d);
  QObject::connect(buttons, &QDialogButtonBox::accepted, &d, &QDialog::accept);
  QObject::connect(buttons, &QDialogButtonBox::rejected, &d, &QDialog::reject);
  grid->addWidget(buttons, row + 1, 0, 1, 2);
  if (d.exec() != QDialog::Accepted) return false;
  p.style.units = static_cast<UnitStyle>(units.answer());
  p.style.decimal_comma = comma.answer() == 1;
  p.zoom = kZooms[zoom.answer()];
  p.paper = paper.answer() == 1 ? QPageSize::Letter : QPageSize::A4;
  p.sound = static_cast<BenchSound>(sound.answer());
  p.language = spoken[static_cast<std::size_t>(std::max(0, language.answer()))].key;
  return true;
}

}  // namespace yoke
