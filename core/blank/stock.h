#pragma once

#include "core/blank/assembly.h"
#include "core/workpiece/body.h"

namespace vl {

/// The wood of a blank before the lathe has touched it, as a recipe is carried out on it.
Stock stockOf(const Assembly& assembly);

}  // namespace vl
