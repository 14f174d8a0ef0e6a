// The certifier's pack on paper and as a folder.
#include <fmt/format.h>
#include <QAbstractTextDocumentLayout>
#include <QBuffer>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QPainter>
#include <QPdfWriter>
#include <QTextDocument>
#include <QUrl>

#include "files/csv.hpp"
#include "files/disk.hpp"
#include "files/json_job.hpp"
#include "files/pdf_outline.hpp"
#include "files/record_table.hpp"
#include "paint/net_picture.hpp"
#include "paint/theme.hpp"
#include "session/certify.hpp"
#include "session/curves.hpp"
#include "session/job_pictures.hpp"
#include "session/picture_out.hpp"
#include "session/sheet_cells.hpp"

namespace yoke {

namespace {

constexpr double kMargin_mm = 14, kDots = 96, kFoot_px = 22;
constexpr const char* kHead =
    "<html><head><style>body{font-family:Roboto;font-size:13px;color:#23262b}"
    "h1{font-size:23px;margin:0}h2{font-size:16px;margin-top:8px;margin-bottom:3px}"
    "th{background:#e9e1d0;text-align:left}td,th{font-size:12px}</style></head><body>";

/// Loads nothing from outside, whatever a text in it asks for.
class Paper : public QTextDocument {
 protected:
  QVariant loadResource(int, const QUrl&) override { return {}; }
};

std::unique_ptr<QTextDocument> laid_out(const Chapter& c, QSizeF page) {
  auto d = std::make_unique<Paper>();
  d->setDefaultFont(theme::text(13));
  for (const auto& [name, image] : c.images)
    d->addResource(QTextDocument::ImageResource, QUrl(name), image);
  d->documentLayout();
  d->setHtml(QString::fromLatin1(kHead) +
             QStringLiteral("<h1>%1</h1>").arg(c.title.toHtmlEscaped()) + c.html);
  d->setDocumentMargin(0);
  d->setPageSize({page.width(), page.height() - kFoot_px});
  return d;
}

Chapter contents(const std::vector<Chapter>& chapters, const std::vector<int>& begins,
                 const QString& title) {
  Chapter c{title, {}, {}};
  QStringList rows;
  for (std::size_t i = 0; i < chapters.size(); ++i)
    rows << sheet::row({sheet::esc(chapters[i].title), QString::number(begins[i] + 1)});
  c.html = sheet::title(Printed::tr("Contents")) + sheet::table(rows);
  return c;
}

void draw(QTextDocument& d, QPainter& p, QPagedPaintDevice& device, QSizeF page, double scale,
          int& number, int all) {
  const double body = d.pageSize().height();
  for (int i = 0; i < d.pageCount(); ++i) {
    if (number > 0) device.newPage();
    ++number;
    p.save();
    p.scale(scale, scale);
    p.setFont(theme::text(11));
    p.setPen(theme::kInkSoft);
    p.drawText(QRectF(0, body + 4, page.width(), kFoot_px - 4), Qt::AlignRight | Qt::AlignVCenter,
               Printed::tr("page %1 of %2").arg(number).arg(all));
    p.translate(0, -i * body);
    QAbstractTextDocumentLayout::PaintContext context;
    context.clip = QRectF(0, i * body, page.width(), body);
    context.palette.setColor(QPalette::Text, theme::kInk);
    p.setClipRect(context.clip);
    d.documentLayout()->draw(&p, context);
    p.restore();
  }
}

Expected<bool> written(const QString& path, const std::string& bytes) {
  const auto ok = write_safely(path.toStdString(), bytes, {});
  return ok ? Expected<bool>(true) : fail(ok.error());
}

std::string csv_of(const RecordTable& t) {
  std::string out = csv_line(t.keys);
  for (const auto& r : t.rows) {
    std::vector<std::string> cells;
    cells.reserve(r.size());
    for (const RecordCell& c : r)
      cells.push_back(c.numeric ? fmt::format("{:.9g}", c.number) : c.text);
    out += csv_line(cells);
  }
  return out;
}

}  // namespace

Expected<std::vector<int>> write_certifier_pack(const QString& path,
                                                const std::vector<Chapter>& chapters,
                                                const QString& title, QPageSize::PageSizeId paper) {
  QBuffer buffer;
  buffer.open(QIODevice::WriteOnly);
  std::vector<int> begins;
  {
    QPdfWriter writer(&buffer);
    writer.setPdfVersion(QPagedPaintDevice::PdfVersion_A1b);
    writer.setTitle(title);
    writer.setPageSize(QPageSize(paper));
    writer.setPageMargins(QMarginsF(kMargin_mm, kMargin_mm, kMargin_mm, kMargin_mm),
                          QPageLayout::Millimeter);
    writer.setResolution(300);
    QPainter p(&writer);
    const double scale = writer.logicalDpiX() / kDots;
    const QSizeF page(writer.width() / scale, writer.height() / scale);
    std::vector<std::unique_ptr<QTextDocument>> documents;
    int all = 1;  // the contents
    for (const Chapter& c : chapters) {
      documents.push_back(laid_out(c, page));
      begins.push_back(all);
      all += documents.back()->pageCount();
    }
    int number = 0;
    draw(*laid_out(contents(chapters, begins, title), page), p, writer, page, scale, number, all);
    for (const auto& d : documents) draw(*d, p, writer, page, scale, number, all);
  }
  std::vector<std::pair<std::string, int>> entries{{Printed::tr("Contents").toStdString(), 0}};
  for (std::size_t i = 0; i < chapters.size(); ++i)
    entries.emplace_back(chapters[i].title.toStdString(), begins[i]);
  const auto pdf = with_outline(buffer.data().toStdString(), entries);
  if (!pdf) return fail(pdf.error());
  if (const auto ok = written(path, *pdf); !ok) return fail(ok.error());
  return begins;
}

Expected<QStringList> write_open_pack(const QString& folder, const Session& s,
                                      const std::vector<Chapter>& chapters,
                                      QPageSize::PageSizeId paper) {
  const QDir dir(folder);
  if (dir.exists() && !dir.isEmpty())
    return fail({"folder", folder.toStdString(), "", "There is something in that folder already",
                 "Choose an empty one, or a new name"});
  if (!QDir().mkpath(folder))
    return fail({"folder", folder.toStdString(), "", "The folder cannot be made there",
                 "Choose another place"});
  QStringList names;
  const auto put = [&](const QString& name, const std::string& bytes) {
    names << name;
    return written(dir.filePath(name), bytes);
  };
  const QString title = text_of(s.job().title);
  if (const auto ok =
          write_certifier_pack(dir.filePath(QStringLiteral("pack.pdf")), chapters, title, paper);
      !ok)
    return fail(ok.error());
  names << QStringLiteral("pack.pdf");
  if (const auto ok = put(QStringLiteral("job.yoke"), write_job(s.job())); !ok)
    return fail(ok.error());
  for (const std::string_view list : record_lists()) {
    const auto t = record_table(s.job(), std::string(list));
    if (!t || t->rows.empty()) continue;
    if (const auto ok = put(q(list) + QStringLiteral(".csv"), csv_of(*t)); !ok)
      return fail(ok.error());
  }
  const std::pair<QString, Picture> drawn[] = {
      {QStringLiteral("curve.svg"), plot(feel_plot(s), QSizeF(900, 560))},
      {QStringLiteral("proof.svg"), plot(prove_plot(s), QSizeF(900, 560))},
      {QStringLiteral("lines.svg"), net_picture(net_drawing(s.job(), {}), QSizeF(1000, 640))}};
  for (const auto& [name, picture] : drawn) {
    if (const auto ok = write_picture(dir.filePath(name), picture, title); !ok)
      return fail(ok.error());
    names << name;
  }
  for (const std::string& photo : picture_names(s.job())) {
    const QString from = picture_path(s.path(), q(photo));
    if (QFile::copy(from, dir.filePath(QFileInfo(from).fileName()))) names << q(photo);
  }
  return names;
}

}  // namespace yoke
