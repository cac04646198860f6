#pragma once

#include "core/plan/plan.h"

#include <string>

namespace vl::io {

/// The cut list and the stations as comma-separated values (RFC 4180), two tables with a blank line between them; mm
/// and degrees.
std::string writeCsv(const Plan& plan);

/// One field, quoted where RFC 4180 asks for it.
std::string csvField(const std::string& text);

}  // namespace vl::io
