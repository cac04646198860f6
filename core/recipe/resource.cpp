#include "core/recipe/resource.h"

#include <array>

namespace vl {

std::string_view resourceName(Resource resource)
{
    static constexpr std::array<std::string_view, 19> names{
        "",           "saw",   "bandsaw", "thicknesser", "drill",   "disc sander", "sander", "sanding board",
        "router",     "lathe", "index",   "wedge",       "caliper", "knife",       "plate",  "clamp",
        "band clamp", "glue",  "finish"};
    return names.at(static_cast<size_t>(resource));
}

}  // namespace vl
