#include "ui/about.hpp"

#include <QCoreApplication>
#include <QDialog>
#include <QDialogButtonBox>
#include <QVBoxLayout>

#include "ui/plain.hpp"
#include "version.hpp"

namespace yoke {

namespace {
struct About {
  Q_DECLARE_TR_FUNCTIONS(About)
};
}  // namespace

void about_yoke_step(QWidget* parent) {
  QDialog d(parent);
  d.setWindowTitle(About::tr("About Yoke Step"));
  auto* box = new QVBoxLayout(&d);
  box->setSpacing(10);
  box->addWidget(
      plain_label(QStringLiteral("Yoke Step %1").arg(QLatin1String(kVersion)), "title", &d));
  for (const QString& line :
       {About::tr("Master cylinder bore, pedal ratio, push rod and assist for converted brakes and "
                  "hydraulic clutches: planned, fitted, bled and proved."),
        About::tr("Free software, GPL-3.0-or-later, without any warranty. Fonts: Roboto "
                  "(Apache-2.0), Yoke Figures (OFL-1.1)."),
        About::tr("It keeps everything on this machine and sends nothing.")})
    box->addWidget(label(line, "question", &d));
  box->addWidget(label(About::tr("Figures are help for a builder, not an approval: local rules and "
                                 "licensed inspection win over anything shown here."),
                       "caution", &d));
  auto* close = new QDialogButtonBox(QDialogButtonBox::Close, &d);
  QObject::connect(close, &QDialogButtonBox::rejected, &d, &QDialog::reject);
  box->addWidget(close);
  d.setMinimumWidth(480);
  d.exec();
}

}  // namespace yoke
