#define CATCH_CONFIG_RUNNER
#include <QApplication>
#include <QTemporaryDir>
#include <catch2/catch.hpp>
#include <clocale>

/// Read by the leak checker when there is one: caches of the font and bus libraries, not ours.
extern "C" const char* __lsan_default_suppressions();
extern "C" const char* __lsan_default_suppressions() {
  return "leak:libfontconfig.so\nleak:libdbus-1.so\n";
}

int main(int argc, char** argv) {
  if (qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM")) qputenv("QT_QPA_PLATFORM", "offscreen");
  QTemporaryDir home;  // before QApplication: settings cache their path
  qputenv("XDG_CONFIG_HOME", home.filePath("config").toUtf8());
  qputenv("XDG_DATA_HOME", home.filePath("data").toUtf8());
  qputenv("XDG_CACHE_HOME", home.filePath("cache").toUtf8());
  qputenv("XDG_RUNTIME_DIR", home.path().toUtf8());
  QApplication app(argc, argv);
  std::setlocale(LC_NUMERIC, "C");
  QApplication::setApplicationName("Yoke Step test");
  QApplication::setOrganizationName("yokestep-test");
  return Catch::Session().run(argc, argv);
}
