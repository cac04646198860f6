#include "core/blank/recipe.h"

#include <array>

namespace vl {

const char* actionName(Action action)
{
    static constexpr std::array names{"cut", "glue", "wait", "flatten", "recut", "rotate", "drill", "mount", "turn", "sand", "finish", "split", "part off"};
    return names[static_cast<size_t>(action)];
}

}  // namespace vl
