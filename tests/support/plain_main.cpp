#define CATCH_CONFIG_RUNNER
#include <catch2/catch.hpp>
#include <clocale>

int main(int argc, char** argv) {
  std::setlocale(LC_ALL, "");  // as the desktop would; the decimal-comma run depends on it
  return Catch::Session().run(argc, argv);
}
