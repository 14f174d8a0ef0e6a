// Reading of hostile files: shapes of 4 MB that must not take time out of proportion, beside a
// plain file of the same size as the measure.
#include <benchmark/benchmark.h>

#include <string>

#include "files/catalogue.hpp"
#include "files/json_job.hpp"
#include "support/build.hpp"

namespace {

using namespace yoke;

constexpr std::size_t kBytes = (4u << 20) - 64;
const std::string kHead = R"({"format":"yoke-job","version":1,)";

/// `head`, then `one` again and again up to the size, then `tail`.
std::string filled(const std::string& head, const std::string& one, const std::string& tail) {
  std::string s = head;
  s.reserve(kBytes + one.size());
  while (s.size() + one.size() + tail.size() < kBytes) s += one;
  return s + tail;
}
/// Members with a number in their name.
std::string numbered(const std::string& head, const std::string& name, const std::string& value,
                     const std::string& tail) {
  std::string s = head;
  for (int i = 0; s.size() < kBytes - 100; ++i)
    s += "\"" + name + std::to_string(i) + "\":" + value + ",";
  return s + "\"end\":0" + tail;
}

std::string job_shape(int shape) {
  switch (shape) {
    case 0:  // a job of the largest size that people make: long notes
    {
      Job job = test::known_job();
      job.parts.resize(200);
      for (auto& p : job.parts) p.note = std::string(19000, 'n');
      return write_job(job);
    }
    case 1:
      return filled(kHead + "\"x\":[", "{},", "{}]}");
    case 2:
      return filled(kHead + "\"x\":[", "[],", "[]]}");
    case 3:
      return filled(kHead + "\"x\":[", "1,", "1]}");
    case 4:
      return filled(kHead + "\"x\":[", "\"\",", "\"\"]}");
    case 5:
      return filled(kHead + "\"x\":\"", "\\u0041", "\"}");
    case 6:
      return filled("", "[", "");
    case 7:
      return filled(kHead + "\"x\":", "{\"a\":", "1}");
    case 8:
      return numbered(kHead, "k", "1", "}");
    case 9:
      return numbered(kHead + "\"found\":{", "p", "{}", "}}");
    case 10:
      return filled(kHead, "\"same\":1,", "\"same\":1}");
    case 11:
      return filled(kHead + "\"x\":", "1", "}");
    case 12:
      return filled("", " ", "");
    case 13:
      return filled(kHead + "\"readings\":[", "{\"force_N\":1},", "{}]}");
    case 14:
      return filled("", "\xff\xfe{", "");
    default:
      return numbered(kHead + "\"steps\":{", "s", "{\"done\":true}", "}}");
  }
}

std::string catalogue_shape(int shape) {
  const std::string json = R"({"format":"yoke-catalogue","parts":[)";
  switch (shape) {
    case 0:  // a plain catalogue
      return filled("kind,name,master.bore [mm]\n", "master,a part of a list,22.2\n", "");
    case 1:
      return filled(json, "{},", "{}]}");
    case 2:
      return filled(json, R"({"kind":"master","name":"a part of a list","master.bore":0.0222},)",
                    "{}]}");
    case 3:
      return numbered(json + "{\"kind\":\"master\",", "x", "1", "}]}");
    case 4:
      return filled("kind,name,master.bore [mm]\n", "\n", "");
    case 5:
      return filled("kind,name,master.bore [mm]\n", "x\n", "");
    case 6:
      return filled("kind,name,master.bore [mm]\nmaster,\"", "\"\"", "");
    case 7:
      return filled("kind,name,master.bore [mm]", ",x", "\n");
    case 8:
      return filled("kind,name,master.bore [mm]\n", "master,a,1/0 in\n", "");
    default:
      return filled(json, "[],", "[]]}");
  }
}

void job_of_4_MB_by_shape(benchmark::State& state) {
  const std::string text = job_shape(static_cast<int>(state.range(0)));
  for (auto _ : state) benchmark::DoNotOptimize(read_job(text));
  state.SetBytesProcessed(static_cast<std::int64_t>(state.iterations() * text.size()));
}
BENCHMARK(job_of_4_MB_by_shape)->DenseRange(0, 15)->Unit(benchmark::kMillisecond);

void catalogue_of_4_MB_by_shape(benchmark::State& state) {
  const std::string text = catalogue_shape(static_cast<int>(state.range(0)));
  for (auto _ : state) benchmark::DoNotOptimize(read_catalogue(text));
  state.SetBytesProcessed(static_cast<std::int64_t>(state.iterations() * text.size()));
}
BENCHMARK(catalogue_of_4_MB_by_shape)->DenseRange(0, 9)->Unit(benchmark::kMillisecond);

void check_of_an_edit(benchmark::State& state) {
  Job job = test::known_job();
  job.readings.resize(static_cast<std::size_t>(state.range(0)));
  for (auto _ : state) benchmark::DoNotOptimize(unwritable(job));
}
BENCHMARK(check_of_an_edit)->Arg(5)->Arg(2000)->Unit(benchmark::kMicrosecond);

}  // namespace
