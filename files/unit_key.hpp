// The unit that stands in a file's key: numbers in files are always SI.
#pragma once

#include <string_view>

#include "quantity/quantity.hpp"

namespace yoke {

[[nodiscard]] constexpr std::string_view unit_key(Kind kind) {
  switch (kind) {
    case Kind::length:
    case Kind::altitude:
    case Kind::pitch:
      return "m";
    case Kind::area:
      return "m2";
    case Kind::volume:
      return "m3";
    case Kind::force:
      return "N";
    case Kind::pressure:
      return "Pa";
    case Kind::mass:
      return "kg";
    case Kind::angle:
      return "rad";
    case Kind::temperature:
      return "degC";
    case Kind::time:
      return "s";
    case Kind::flow:
      return "m3/s";
    case Kind::spring_rate:
      return "N/m";
    case Kind::torque:
      return "N.m";
    case Kind::speed:
      return "m/s";
    case Kind::current:
      return "A";
    case Kind::fraction:
    case Kind::number:
    case Kind::choice:
      return "value";
  }
  return "value";
}

}  // namespace yoke
