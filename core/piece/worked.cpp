#include "core/piece/worked.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/check.h"

namespace vl {

void checkWorked(const Worked& w, const std::string& path)
{
    if (w.kind != Worked::Legs && w.to <= w.from)
        throw InputError(path + ".to_mm", exact(w.to), "more than where it begins, " + exact(w.from) + " mm, is");
    if (w.kind == Worked::Flutes && w.depth > w.cutter / 2)
        throw InputError(path + ".depth_mm", exact(w.depth),
                         "at most half the cutter's diameter, " + exact(w.cutter / 2) + " mm, is");
    if (w.kind == Worked::Legs && w.count > 12)
        throw InputError(path + ".count", std::to_string(w.count), "of legs 2 to 12 are");
    checkIndex(w.count, w.plate, w.start, path);
}

}  // namespace vl
