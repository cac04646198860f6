#pragma once

#include "core/piece/limits.h"
#include "core/piece/shop.h"

#include <span>

namespace vl::io {

/// A number of the shop, of a board or of a glue, under the name that files and the shop book write it by.
template <class T> struct NumberField {
    const char* key;
    double T::*member;
    Limit limit;
};
/// A yes or no of a glue.
struct GlueFlag {
    const char* key;
    bool Glue::*member;
};

std::span<const NumberField<Shop>> shopNumbers();
std::span<const NumberField<Board>> boardNumbers();
std::span<const NumberField<Defect>> defectNumbers();
std::span<const NumberField<Glue>> glueNumbers();
std::span<const GlueFlag> glueFlags();

}  // namespace vl::io
