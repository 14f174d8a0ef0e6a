// Words that keep clear of each other and of the edge, wherever they would like to stand.
#include <QImage>
#include <catch2/catch.hpp>
#include <random>

#include "paint/lettering.hpp"
#include "paint/theme.hpp"
#include "support/painted_texts.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("words that want the same place stand beside one another, inside the picture") {
  std::mt19937 rng(7);
  std::uniform_real_distribution<double> u(0, 1);
  for (int round = 0; round < 60; ++round) {
    Picture pic;
    pic.size = {420, 260};
    std::vector<QPointF> wanted;
    for (int i = 0; i < 9; ++i)
      wanted.emplace_back(round % 3 == 0 ? 210 : u(rng) * 420, round % 3 == 0 ? 130 : u(rng) * 260);
    pic.layers.emplace_back([wanted](QPainter& p) {
      p.setFont(theme::text(13));
      Lettering letters(QRectF(0, 0, 420, 260));
      letters.keep_free(QRectF(0, 0, 420, 30));
      for (std::size_t i = 0; i < wanted.size(); ++i)
        letters.write(p, wanted[i], QStringLiteral("word %1").arg(i));
    });
    const auto texts = painted_texts(pic);
    REQUIRE(texts.size() == wanted.size());
    for (std::size_t i = 0; i < texts.size(); ++i) {
      CHECK(QRectF(0, 30, 420, 230).contains(texts[i].area));
      for (std::size_t k = i + 1; k < texts.size(); ++k) CHECK_FALSE(crosses(texts[i], texts[k]));
    }
  }
}

TEST_CASE("a word that has its place to itself stands where it wants to") {
  Lettering letters(QRectF(0, 0, 400, 300));
  CHECK(letters.place({200, 150}, {60, 18}).center() == QPointF(200, 150));
  // At the edge it is moved in, never cut.
  CHECK(letters.place({2, 150}, {60, 18}).left() >= 0);
  CHECK(letters.place({399, 299}, {60, 18}).right() <= 400);
}
