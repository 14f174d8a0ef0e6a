// Choices are enums: which enum belongs to which parameter is said by the headers of the sections,
// document/param/SECTION.hpp.
#pragma once

#include "document/param_id.hpp"

namespace yoke {

/// The enum of a parameter that is a choice.
template <Param p>
struct ChoiceOf;
/// The parameter that alone has this choice; of several alike the parameter is named.
template <class Choice>
struct ParamOf;
template <class T>
inline constexpr bool is_choice = false;

}  // namespace yoke
