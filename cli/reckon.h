#pragma once

#include <stdexcept>
#include <string>
#include <vector>

namespace vl::cli {

/// One calculation, `reckon KIND key=value ...`, as JSON text. Lengths in any form the application takes, a bare number
/// is mm. Throws InputError on a bad or missing value, UsageError on an unknown kind or key.
std::string reckon(const std::string& kind, const std::vector<std::string>& arguments);

/// What a kind takes, answers, assumes and where it comes from.
std::string reckonHelp(const std::string& kind);

/// The kinds' names, in the order of the contract.
std::vector<std::string> reckonKinds();

struct UsageError : std::runtime_error {
    using std::runtime_error::runtime_error;
};

}  // namespace vl::cli
