#include "core/piece/document/inlay.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

namespace vl {

void checkInlay(const Inlay& inlay, const std::string& path)
{
    if (inlay.kind == Inlay::Rim && inlay.width >= inlay.center)
        throw InputError(path + ".width_mm", exact(inlay.width),
                         "less than the circle's Ø, " + exact(inlay.center) + " mm, is");
}

}  // namespace vl
