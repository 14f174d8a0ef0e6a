// The certifier's pack on paper and as a folder.
#include <fmt/format.h>
#include <QAbstractTextDocumentLayout>
#include <QBuffer>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QPainter>
#include <QPdfWriter>
#include <QTextBlock>
#include <QTextCursor>
#include <QTextDocument>
#include <QUrl>
#include <cmath>

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
constexpr double kBelowHeading_px = 90;  // less below a heading, and it stands alone
constexpr double kBetween_px = 24;       // of two chapters on one page
constexpr const char* kHead =
    "<html><head><style>body{font-family:Roboto;font-size:13px;color:#23262b}"
    "h1{font-size:23px;margin:0}h2{font-size:16px;margin-top:8px;margin-bottom:3px}"
    "th{background:#e9e1d0;text-align:left}td,th{font-size:12px}</style></head><body>";

/// Loads nothing from outside, whatever a text in it asks for.
class Paper : public QTextDocument {
 protected:
  QVariant loadResource(int, const QUrl&) override { return {}; }
};

/// Too low on its page to stand there without what follows it.
bool is_stranded(const QTextDocument& d, const QTextBlock& heading) {
  const auto* layout = d.documentLayout();
  const double high = d.pageSize().height();
  const QRectF at = layout->blockBoundingRect(heading);
  const int on = static_cast<int>(at.top() / high);
  if (high * (on + 1) - at.bottom() < kBelowHeading_px) return true;
  const QTextBlock next = heading.next();
  return next.isValid() && static_cast<int>(layout->blockBoundingRect(next).bottom() / high) > on;
}

/// A heading goes over to the next page with what it heads.
void keep_headings(QTextDocument& d) {
  for (QTextBlock b = d.begin().next(); b.isValid(); b = b.next()) {
    if (b.blockFormat().headingLevel() == 0 || !is_stranded(d, b)) continue;
    QTextCursor at(b);
    QTextBlockFormat format = b.blockFormat();
    format.setPageBreakPolicy(QTextFormat::PageBreak_AlwaysBefore);
    at.setBlockFormat(format);
    d.markContentsDirty(0, d.characterCount());  // else a table below stays where it was
  }
}

/// Chapters that stand on the same pages.
std::unique_ptr<QTextDocument> laid_out(const std::vector<const Chapter*>& chapters, QSizeF page) {
  auto d = std::make_unique<Paper>();
  d->setDefaultFont(theme::text(13));
  QString html = QString::fromLatin1(kHead);
  for (const Chapter* c : chapters) {
    for (const auto& [name, image] : c->images)
      d->addResource(QTextDocument::ImageResource, QUrl(name), image);
    html += QStringLiteral("<h1>%1</h1>").arg(c->title.toHtmlEscaped()) + c->html;
  }
  // Its page first: each of these lays a text out anew.
  d->setDocumentMargin(0);
  d->setPageSize({page.width(), page.height() - kFoot_px});
  d->documentLayout();
  d->setHtml(html);
  keep_headings(*d);
  return d;
}

/// On which of its pages each chapter of a document begins.
std::vector<int> pages_of(const QTextDocument& d, const std::vector<const Chapter*>& chapters) {
  std::vector<int> pages;
  for (QTextBlock b = d.begin(); b.isValid() && pages.size() < chapters.size(); b = b.next())
    if (b.blockFormat().headingLevel() == 1 && b.text() == chapters[pages.size()]->title)
      pages.push_back(static_cast<int>(d.documentLayout()->blockBoundingRect(b).center().y() /
                                       d.pageSize().height()));
  return pages;
}

struct OnPages {
  std::vector<const Chapter*> chapters;
  std::unique_ptr<QTextDocument> text;
};

/// Which chapters stand on the same pages: a short one follows where there is room for all of it.
std::vector<OnPages> on_pages(const std::vector<Chapter>& chapters, QSizeF page) {
  std::vector<OnPages> groups;
  double left = 0;
  for (const Chapter& c : chapters) {
    auto alone = laid_out({&c}, page);
    const double body = alone->pageSize().height();
    const double high = alone->documentLayout()->documentSize().height();
    const double needs = std::fmod(high, body) + kBetween_px;
    if (!groups.empty() && alone->pageCount() == 1 && high + kBetween_px < left) {
      groups.back().chapters.push_back(&c);
      left -= high + kBetween_px;
      continue;
    }
    groups.push_back({{&c}, std::move(alone)});
    left = body - needs;
  }
  for (OnPages& g : groups)
    if (g.chapters.size() > 1) g.text = laid_out(g.chapters, page);
  return groups;
}

Chapter contents(const std::vector<Chapter>& chapters, const std::vector<int>& begins,
                 const QString& title, const QString& cover) {
  Chapter c{title, {}, {}};
  QStringList rows;
  for (std::size_t i = 0; i < chapters.size(); ++i)
    rows << sheet::row({sheet::esc(chapters[i].title), QString::number(begins[i] + 1)});
  c.html = cover + sheet::title(Printed::tr("Contents")) + sheet::table(rows);
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
                                                const QString& title, QPageSize::PageSizeId paper,
                                                const QString& cover) {
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
    int all = 1;  // the contents
    const std::vector<OnPages> groups = on_pages(chapters, page);
    for (const OnPages& g : groups) {
      for (const int on : pages_of(*g.text, g.chapters)) begins.push_back(all + on);
      all += g.text->pageCount();
    }
    int number = 0;
    const Chapter first = contents(chapters, begins, title, cover);
    draw(*laid_out({&first}, page), p, writer, page, scale, number, all);
    for (const OnPages& g : groups) draw(*g.text, p, writer, page, scale, number, all);
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
                                      QPageSize::PageSizeId paper, const QString& cover) {
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
  if (const auto ok = write_certifier_pack(dir.filePath(QStringLiteral("pack.pdf")), chapters,
                                           title, paper, cover);
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
  NetDrawing lines = net_drawing(s.job(), {});
  lines.paper = true;
  const std::pair<QString, Picture> drawn[] = {
      {QStringLiteral("curve.svg"), plot(feel_plot(s), QSizeF(900, 560))},
      {QStringLiteral("proof.svg"), plot(prove_plot(s), QSizeF(900, 560))},
      {QStringLiteral("lines.svg"), net_picture(lines, QSizeF(1000, 640))}};
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
