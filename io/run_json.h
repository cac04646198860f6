#pragma once

#include "core/plan/plan.h"
#include "io/json_reader.h"

namespace vl::io {

/// What is set in a step, and then what its how says, sentence by sentence: kind and text.
Json linesJson(const Step& step);
/// Every edge of the order that a rule gives.
Json rulesJson(const Plan& plan);
/// The workpiece after every step that touches wood.
Json runJson(const Piece& piece, const Plan& plan);

}  // namespace vl::io
