#include "files/job_index.hpp"

#include <sqlite3.h>

#include <algorithm>
#include <chrono>
#include <unordered_map>
#include <utility>

#include "document/param/limits.hpp"
#include "files/disk.hpp"
#include "files/json_job.hpp"
#include "files/limits.hpp"
#include "files/store.hpp"

namespace yoke {

namespace fs = std::filesystem;

namespace {

constexpr int kVersion = 3;  // of the tables: another one is thrown away
constexpr std::size_t kMostFiles = 200000;

constexpr const char* kTables = R"(
CREATE TABLE job(
  id INTEGER PRIMARY KEY AUTOINCREMENT, file TEXT NOT NULL UNIQUE, size INTEGER, changed INTEGER,
  title TEXT, vehicle TEXT, state TEXT, kind TEXT, last TEXT, hard INTEGER, error TEXT);
CREATE TABLE value(param TEXT NOT NULL, si REAL NOT NULL, job INTEGER NOT NULL, side TEXT NOT NULL,
  PRIMARY KEY(param, si, job, side)) WITHOUT ROWID;
CREATE INDEX value_of ON value(job);
CREATE VIRTUAL TABLE words USING fts5(text, content='', tokenize='unicode61');
)";

Error database_error(sqlite3* db, const fs::path& file = {}) {
  return {"index", file.filename().string(), "",
          say("The list of the folder cannot be kept: {}",
              std::string(db ? sqlite3_errmsg(db) : "no room")),
          "The jobs themselves are not touched; look for room on the disk"};
}

/// A statement that is always ended.
class Statement {
 public:
  Statement(sqlite3* db, const char* sql) {
    ok_ = sqlite3_prepare_v2(db, sql, -1, &s_, nullptr) == SQLITE_OK;
  }
  ~Statement() { sqlite3_finalize(s_); }
  Statement(const Statement&) = delete;
  Statement& operator=(const Statement&) = delete;
  Statement& text(int at, const std::string& v) {
    sqlite3_bind_text(s_, at, v.data(), static_cast<int>(v.size()), SQLITE_TRANSIENT);
    return *this;
  }
  Statement& whole(int at, sqlite3_int64 v) {
    sqlite3_bind_int64(s_, at, v);
    return *this;
  }
  Statement& real(int at, double v) {
    sqlite3_bind_double(s_, at, v);
    return *this;
  }
  [[nodiscard]] bool row() { return ok_ && sqlite3_step(s_) == SQLITE_ROW; }
  [[nodiscard]] bool done() {
    const bool good = ok_ && sqlite3_step(s_) == SQLITE_DONE;
    sqlite3_reset(s_);
    return good;
  }
  [[nodiscard]] std::string text(int column) const {
    const auto* t = sqlite3_column_text(s_, column);
    return t ? std::string(reinterpret_cast<const char*>(t),
                           static_cast<std::size_t>(sqlite3_column_bytes(s_, column)))
             : std::string();
  }
  [[nodiscard]] sqlite3_int64 whole(int column) const { return sqlite3_column_int64(s_, column); }
  [[nodiscard]] double real(int column) const { return sqlite3_column_double(s_, column); }
  [[nodiscard]] bool good() const { return ok_; }

 private:
  sqlite3_stmt* s_ = nullptr;
  bool ok_ = false;
};

bool run(sqlite3* db, const char* sql) {
  return sqlite3_exec(db, sql, nullptr, nullptr, nullptr) == SQLITE_OK;
}

/// All or nothing.
class Transaction {
 public:
  explicit Transaction(sqlite3* db) : db_(db), open_(run(db, "BEGIN IMMEDIATE")) {}
  ~Transaction() {
    if (open_) run(db_, "ROLLBACK");
  }
  Transaction(const Transaction&) = delete;
  Transaction& operator=(const Transaction&) = delete;
  [[nodiscard]] bool commit() {
    const bool good = open_ && run(db_, "COMMIT");
    open_ = open_ && !good;
    return good;
  }
  [[nodiscard]] bool open() const { return open_; }

 private:
  sqlite3* db_;
  bool open_;
};

/// Opened, of this version and whole; null: it is not.
sqlite3* opened(const fs::path& file) {
  sqlite3* db = nullptr;
  if (sqlite3_open_v2(file.c_str(), &db, SQLITE_OPEN_READWRITE | SQLITE_OPEN_CREATE, nullptr) !=
      SQLITE_OK) {
    sqlite3_close(db);
    return nullptr;
  }
  sqlite3_busy_timeout(db, 2000);
  run(db, "PRAGMA journal_mode=WAL");
  run(db, "PRAGMA synchronous=NORMAL");
  int version = -1;
  bool whole = false;
  {
    Statement v(db, "PRAGMA user_version");
    if (v.row()) version = static_cast<int>(v.whole(0));
    Statement check(db, "PRAGMA quick_check(1)");
    whole = check.row() && check.text(0) == "ok";
  }
  if (whole && version == kVersion) return db;
  if (whole && version == 0) {
    Transaction t(db);
    if (t.open() && run(db, kTables) &&
        run(db, ("PRAGMA user_version=" + std::to_string(kVersion)).c_str()) && t.commit())
      return db;
  }
  sqlite3_close(db);
  return nullptr;
}

void throw_away(const fs::path& file) {
  std::error_code ec;
  for (const char* end : {"", "-wal", "-shm", "-journal"}) fs::remove(file.string() + end, ec);
}

std::string latest(const Job& job) {
  std::string last;
  const auto take = [&last](const std::string& when) { last = std::max(last, when); };
  for (const auto& [key, s] : job.steps) take(s.waits.empty() ? s.date : s.waits);
  for (const auto& [key, g] : job.gates) take(g.when.empty() ? g.date : g.when);
  for (const RoadStop& s : job.stops) take(s.when);
  if (!job.events.empty()) take(job.events.back().when);
  return last;
}

std::string words_in(const Job& job) {
  std::string all = job.title + '\n' + job.vehicle + '\n' + job.notes;
  for (const PartInHand& p : job.parts) all += '\n' + p.name + '\n' + p.note;
  for (const Candidate& c : job.candidates) all += '\n' + c.name + '\n' + c.maker;
  for (const OpenPoint& p : job.points) all += '\n' + p.what;
  for (const Event& e : job.events) all += '\n' + e.note;
  return all;
}

struct Row {
  std::string file;
  sqlite3_int64 size = 0, changed = 0;
  std::string error;
  std::optional<int> hard;
};

/// The statements that a job is put in and taken out with.
class Writer {
 public:
  explicit Writer(sqlite3* db)
      : db_(db),
        job_(db,
             "INSERT INTO job(file,size,changed,title,vehicle,state,kind,last,hard,error) "
             "VALUES(?,?,?,?,?,?,?,?,?,?)"),
        value_(db, "INSERT OR IGNORE INTO value(param,si,job,side) VALUES(?,?,?,?)"),
        words_(db, "INSERT INTO words(rowid,text) VALUES(?,?)"),
        text_(db, "SELECT id,title,vehicle FROM job WHERE file=?"),
        no_values_(db, "DELETE FROM value WHERE job=?"),
        no_job_(db, "DELETE FROM job WHERE id=?") {}

  [[nodiscard]] bool put(const Row& row, const Job& job) {
    std::string kind;
    if (const auto& k = job.found.at(param::target_job); k && k->known()) {
      const auto& options = info(param::target_job).options;
      const auto at = static_cast<std::size_t>(std::max(0.0, k->si));
      if (at < options.size()) kind = std::string(options[at].key);
    }
    job_.text(1, row.file).whole(2, row.size).whole(3, row.changed).text(4, job.title);
    job_.text(5, job.vehicle).text(6, std::string(key_of(job.state))).text(7, kind);
    job_.text(8, latest(job)).whole(9, row.hard.value_or(-1)).text(10, row.error);
    if (!job_.done()) return false;
    const sqlite3_int64 id = sqlite3_last_insert_rowid(db_);
    if (!words_.whole(1, id).text(2, words_in(job)).done()) return false;
    return values(id, job.found, "found") && values(id, job.plan, "plan") &&
           values(id, job.built, "built");
  }
  [[nodiscard]] bool take_out(const std::string& file) {
    text_.text(1, file);
    if (!text_.row()) return text_.done() || true;
    const sqlite3_int64 id = text_.whole(0);
    (void)text_.done();
    // What no longer has a row in `job` is found by no search: the words of it may stay.
    return no_values_.whole(1, id).done() && no_job_.whole(1, id).done();
  }

 private:
  bool values(sqlite3_int64 id, const MeasuredSet& sheet, const char* side) {
    for (const ParamInfo& p : all_params()) {
      const auto& m = sheet.at(p.param);
      if (!m || !m->known()) continue;
      if (!value_.text(1, std::string(p.id)).real(2, m->si).whole(3, id).text(4, side).done())
        return false;
    }
    return true;
  }
  sqlite3* db_;
  Statement job_, value_, words_, text_, no_values_, no_job_;
};

/// How a file stands: its size, and when it was changed in the clock of its own disk.
Row row_of(const fs::directory_entry& e) {
  std::error_code ec;
  Row r;
  r.file = e.path().filename().string();
  r.size = static_cast<sqlite3_int64>(e.file_size(ec));
  r.changed =
      std::chrono::duration_cast<std::chrono::nanoseconds>(e.last_write_time(ec).time_since_epoch())
          .count();
  return r;
}

std::vector<Row> files_of(const fs::path& folder) {
  std::vector<Row> list;
  std::error_code ec;
  for (fs::directory_iterator it(folder, fs::directory_options::skip_permission_denied, ec), end;
       !ec && it != end && list.size() < kMostFiles; it.increment(ec))
    if (it->path().extension() == ".yoke" && it->is_regular_file(ec)) list.push_back(row_of(*it));
  std::sort(list.begin(), list.end(), [](const Row& a, const Row& b) { return a.file < b.file; });
  return list;
}

/// What one file says.
bool take_up(Writer& writer, const fs::path& folder, Row row) {
  const auto text = read_file(folder / row.file, kMostFileBytes);
  const auto job = text ? read_job(*text) : fail(text.error());
  if (!job) {
    row.error = english(job.error().reason);
    return writer.put(row, Job{});
  }
  if (const auto standing = read_standing(*text, *job)) row.hard = standing->hard_findings;
  return writer.put(row, *job);
}

}  // namespace

bool operator==(const IndexQuery::Wanted& a, const IndexQuery::Wanted& b) {
  return a.params == b.params && a.least == b.least && a.most == b.most;
}

Expected<JobIndex> JobIndex::open(const fs::path& file) {
  std::error_code ec;
  fs::create_directories(file.parent_path(), ec);
  sqlite3* db = opened(file);
  if (!db) {
    throw_away(file);
    db = opened(file);
  }
  if (!db) return fail(database_error(nullptr, file));
  return JobIndex(db);
}

JobIndex::JobIndex(JobIndex&& o) noexcept : db_(std::exchange(o.db_, nullptr)) {}
JobIndex& JobIndex::operator=(JobIndex&& o) noexcept {
  std::swap(db_, o.db_);
  return *this;
}
JobIndex::~JobIndex() {
  sqlite3_close(db_);
}

Expected<JobIndex::Refreshed> JobIndex::refresh(const fs::path& folder,
                                                const std::function<bool()>& go_on) {
  constexpr int kBatch = 200;
  std::unordered_map<std::string, std::pair<sqlite3_int64, sqlite3_int64>> known;
  {
    Statement all(db_, "SELECT file,size,changed FROM job");
    while (all.row()) known[all.text(0)] = {all.whole(1), all.whole(2)};
  }
  Refreshed r;
  Writer writer(db_);
  auto batch = std::make_unique<Transaction>(db_);
  if (!batch->open()) return fail(database_error(db_));
  int in_batch = 0;
  for (const Row& row : files_of(folder)) {
    const auto it = known.find(row.file);
    const bool same = it != known.end() && it->second == std::pair(row.size, row.changed);
    const bool was = it != known.end();
    if (was) known.erase(it);
    if (same) continue;
    if (was && !writer.take_out(row.file)) return fail(database_error(db_));
    if (!take_up(writer, folder, row)) return fail(database_error(db_));
    ++r.read;
    if (++in_batch < kBatch) continue;
    in_batch = 0;
    if (!batch->commit()) return fail(database_error(db_));
    batch = std::make_unique<Transaction>(db_);
    if (go_on && !go_on()) {
      r.more = true;
      return r;
    }
  }
  for (const auto& [file, stood] : known) {
    if (!writer.take_out(file)) return fail(database_error(db_));
    ++r.gone;
  }
  if (!batch->commit()) return fail(database_error(db_));
  return r;
}

Expected<bool> JobIndex::put(const std::vector<std::pair<std::string, Job>>& jobs) {
  Writer writer(db_);
  Transaction t(db_);
  for (const auto& [file, job] : jobs)
    if (Row row{file, 0, 0, {}, {}}; !writer.put(row, job)) return fail(database_error(db_));
  return t.commit() ? Expected<bool>(true) : fail(database_error(db_));
}

std::size_t JobIndex::size() const {
  Statement s(db_, "SELECT count(*) FROM job");
  return s.row() ? static_cast<std::size_t>(s.whole(0)) : 0;
}

std::vector<IndexedJob> JobIndex::find(const IndexQuery& q, std::size_t most) const {
  std::string sql = "SELECT file,title,vehicle,state,kind,last,hard,error FROM job WHERE 1";
  if (!q.words.empty()) sql += " AND id IN (SELECT rowid FROM words WHERE words MATCH ?)";
  for (const IndexQuery::Wanted& w : q.values) {
    sql += " AND id IN (SELECT job FROM value WHERE param IN (";
    for (std::size_t i = 0; i < w.params.size(); ++i) sql += i == 0 ? "?" : ",?";
    sql += ") AND si BETWEEN ? AND ?)";
  }
  sql += " ORDER BY file LIMIT ?";
  Statement s(db_, sql.c_str());
  int at = 0;
  if (!q.words.empty()) {
    std::string match;
    for (const std::string& w : q.words) match += (match.empty() ? "\"" : " \"") + w + "\"*";
    s.text(++at, match);
  }
  for (const IndexQuery::Wanted& w : q.values) {
    for (const std::string& p : w.params) s.text(++at, p);
    s.real(++at, w.least);
    s.real(++at, w.most);
  }
  s.whole(++at, static_cast<sqlite3_int64>(most));
  std::vector<IndexedJob> list;
  while (s.row())
    list.push_back({s.text(0), s.text(1), s.text(2), s.text(3), s.text(4), s.text(5),
                    static_cast<int>(s.whole(6)), s.text(7)});
  return list;
}

std::vector<std::pair<std::string, double>> JobIndex::values_of(const std::string& file) const {
  // As planned where it is planned, else as found.
  Statement s(db_,
              "SELECT param,si,side FROM value WHERE job=(SELECT id FROM job WHERE file=?) "
              "ORDER BY param, CASE side WHEN 'built' THEN 0 WHEN 'plan' THEN 1 ELSE 2 END");
  s.text(1, file);
  std::vector<std::pair<std::string, double>> list;
  while (s.row())
    if (list.empty() || list.back().first != s.text(0)) list.emplace_back(s.text(0), s.real(1));
  return list;
}

std::string JobIndex::dump() const {
  std::string all;
  Statement jobs(db_,
                 "SELECT file,size,changed,title,vehicle,state,kind,last,hard,error,id FROM job "
                 "ORDER BY file");
  while (jobs.row()) {
    for (int c = 0; c < 10; ++c) all += jobs.text(c) + '\x1f';
    Statement values(db_, "SELECT param,si,side FROM value WHERE job=? ORDER BY param,si,side");
    values.whole(1, jobs.whole(10));
    while (values.row())
      all += values.text(0) + '=' + std::to_string(values.real(1)) + values.text(2) + ' ';
    all += '\n';
  }
  return all;
}

}  // namespace yoke
