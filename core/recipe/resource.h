#pragma once

#include <string_view>

namespace vl {

/// What a step occupies while it is done or waits, and what its settings are set at. None: a bench, or a measure that
/// is set nowhere.
enum class Resource {
    None,
    Saw,
    Bandsaw,
    Thicknesser,
    Drill,
    DiscSander,
    Sander,
    SandingBoard,
    Router,
    Lathe,
    Index,
    Wedge,
    Caliper,
    Knife,
    Plate,
    Clamp,
    BandClamp,
    Glue,
    Finish
};

/// As it is printed and written in plans: "band clamp"; empty for none.
std::string_view resourceName(Resource resource);

}  // namespace vl
