#include "files/pdf_outline.hpp"

#define POINTERHOLDER_TRANSITION 4  // standard pointers alone
#include <exception>
#include <qpdf/QPDF.hh>
#include <qpdf/QPDFObjectHandle.hh>
#include <qpdf/QPDFWriter.hh>

namespace yoke {

namespace {

QPDFObjectHandle number(long long n) {
  return QPDFObjectHandle::newInteger(n);
}

/// One entry after the other, each knowing its neighbours (ISO 32000-1, 12.3.3).
void add_outline(QPDF& pdf, const std::vector<std::pair<std::string, int>>& entries) {
  const std::vector<QPDFObjectHandle>& pages = pdf.getAllPages();
  QPDFObjectHandle root = pdf.makeIndirectObject(QPDFObjectHandle::newDictionary());
  std::vector<QPDFObjectHandle> items;
  for (const auto& [title, page] : entries) {
    if (page < 0 || static_cast<std::size_t>(page) >= pages.size()) continue;
    QPDFObjectHandle item = pdf.makeIndirectObject(QPDFObjectHandle::newDictionary());
    item.replaceKey("/Title", QPDFObjectHandle::newUnicodeString(title));
    item.replaceKey("/Parent", root);
    QPDFObjectHandle to = QPDFObjectHandle::newArray();
    to.appendItem(pages[static_cast<std::size_t>(page)]);
    to.appendItem(QPDFObjectHandle::newName("/Fit"));
    item.replaceKey("/Dest", to);
    if (!items.empty()) {
      items.back().replaceKey("/Next", item);
      item.replaceKey("/Prev", items.back());
    }
    items.push_back(item);
  }
  if (items.empty()) return;
  root.replaceKey("/Type", QPDFObjectHandle::newName("/Outlines"));
  root.replaceKey("/First", items.front());
  root.replaceKey("/Last", items.back());
  root.replaceKey("/Count", number(static_cast<long long>(items.size())));
  pdf.getRoot().replaceKey("/Outlines", root);
  pdf.getRoot().replaceKey("/PageMode", QPDFObjectHandle::newName("/UseOutlines"));
}

}  // namespace

Expected<std::string> with_outline(const std::string& pdf,
                                   const std::vector<std::pair<std::string, int>>& entries) {
  // The library throws; nothing of it leaves this function.
  try {
    QPDF in;
    in.setSuppressWarnings(true);
    in.processMemoryFile("pack", pdf.data(), pdf.size());
    add_outline(in, entries);
    QPDFWriter out(in);
    out.setOutputMemory();
    out.setObjectStreamMode(qpdf_o_disable);
    out.setStaticID(false);
    out.write();
    const auto buffer = out.getBufferSharedPointer();
    return std::string(reinterpret_cast<const char*>(buffer->getBuffer()), buffer->getSize());
  } catch (const std::exception& e) {
    return fail({"pdf", "", "",
                 say("The pages could not be put together: {}", std::string(e.what())),
                 "Try again; tell us if it stays so"});
  }
}

}  // namespace yoke
