#include "files/pdf_outline.hpp"

#include <qpdf/qpdf-c.h>

#include <memory>

namespace yoke {

namespace {

struct Close {
  void operator()(_qpdf_data* p) const {
    qpdf_data q = p;
    qpdf_cleanup(&q);
  }
};
using Pdf = std::unique_ptr<_qpdf_data, Close>;

tl::unexpected<Error> wrong(qpdf_data q) {
  const qpdf_error e = qpdf_has_error(q) != 0 ? qpdf_get_error(q) : nullptr;
  const std::string why = e ? qpdf_get_error_message_detail(q, e) : "it is no PDF";
  return fail({"pdf", "", "", say("The pages could not be put together: {}", why), "Try again"});
}

/// One entry after the other, each knowing its neighbours (ISO 32000-1, 12.3.3).
void add_outline(qpdf_data q, const std::vector<std::pair<std::string, int>>& entries) {
  const int pages = qpdf_get_num_pages(q);
  const qpdf_oh root = qpdf_make_indirect_object(q, qpdf_oh_new_dictionary(q));
  std::vector<qpdf_oh> items;
  for (const auto& [title, page] : entries) {
    if (page < 0 || page >= pages) continue;
    const qpdf_oh item = qpdf_make_indirect_object(q, qpdf_oh_new_dictionary(q));
    qpdf_oh_replace_key(q, item, "/Title", qpdf_oh_new_unicode_string(q, title.c_str()));
    qpdf_oh_replace_key(q, item, "/Parent", root);
    const qpdf_oh to = qpdf_oh_new_array(q);
    qpdf_oh_append_item(q, to, qpdf_get_page_n(q, static_cast<std::size_t>(page)));
    qpdf_oh_append_item(q, to, qpdf_oh_new_name(q, "/Fit"));
    qpdf_oh_replace_key(q, item, "/Dest", to);
    if (!items.empty()) {
      qpdf_oh_replace_key(q, items.back(), "/Next", item);
      qpdf_oh_replace_key(q, item, "/Prev", items.back());
    }
    items.push_back(item);
  }
  if (items.empty()) return;
  qpdf_oh_replace_key(q, root, "/Type", qpdf_oh_new_name(q, "/Outlines"));
  qpdf_oh_replace_key(q, root, "/First", items.front());
  qpdf_oh_replace_key(q, root, "/Last", items.back());
  qpdf_oh_replace_key(q, root, "/Count",
                      qpdf_oh_new_integer(q, static_cast<long long>(items.size())));
  const qpdf_oh catalog = qpdf_get_root(q);
  qpdf_oh_replace_key(q, catalog, "/Outlines", root);
  qpdf_oh_replace_key(q, catalog, "/PageMode", qpdf_oh_new_name(q, "/UseOutlines"));
}

}  // namespace

Expected<std::string> with_outline(const std::string& pdf,
                                   const std::vector<std::pair<std::string, int>>& entries) {
  const Pdf in(qpdf_init());
  qpdf_data q = in.get();
  qpdf_set_suppress_warnings(q, QPDF_TRUE);
  qpdf_silence_errors(q);
  if ((qpdf_read_memory(q, "pack", pdf.data(), pdf.size(), nullptr) & QPDF_ERRORS) != 0)
    return wrong(q);
  add_outline(q, entries);
  if ((qpdf_init_write_memory(q) & QPDF_ERRORS) != 0) return wrong(q);
  qpdf_set_object_stream_mode(q, qpdf_o_disable);
  if ((qpdf_write(q) & QPDF_ERRORS) != 0) return wrong(q);
  const unsigned char* bytes = qpdf_get_buffer(q);
  return std::string(reinterpret_cast<const char*>(bytes), qpdf_get_buffer_length(q));
}

}  // namespace yoke
