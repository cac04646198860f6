#include "core/recipe/step.h"

#include <array>

namespace vl {

const char* actionName(Action action)
{
    static constexpr std::array names{"cut",      "glue",    "wait", "flatten", "recut",  "rotate",
                                      "drill",    "mount",   "turn", "sand",    "finish", "split",
                                      "part off", "inspect", "mark", "colour",  "carve",  "fill"};
    return names[static_cast<size_t>(action)];
}

const char* jointName(JointFaces faces)
{
    static constexpr std::array names{"long grain to long grain",
                                      "mitred ends",
                                      "end grain to long grain",
                                      "end grain to end grain",
                                      "long grain across long grain",
                                      "veneer",
                                      "glue block"};
    return names[static_cast<size_t>(faces)];
}

}  // namespace vl
