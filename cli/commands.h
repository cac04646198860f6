#pragma once

#include <iosfwd>

namespace vl::cli {

/// Runs the command line of the contract. Returns the exit status: 0 done, 2 the command's words are wrong, 3 the input
/// is bad, 4 done but the plan has a caution marked stop. Never throws.
int run(int argc, const char* const* argv, std::ostream& out, std::ostream& err);

}  // namespace vl::cli
