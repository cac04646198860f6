#include "core/piece/cuts.h"

#include "core/geometry/dividing.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

namespace vl {

void checkHole(const Hole& hole, const std::string& path)
{
    if (hole.wide > 0 && hole.wide <= hole.diameter)
        throw InputError(path + ".wide_mm", exact(hole.wide),
                         "0, or wider than the hole, " + exact(hole.diameter) + " mm, is");
    if (hole.plate == 0) return;
    try {
        dividedOn(hole.count, hole.plate, hole.start);
    } catch (const InputError& e) {
        throw InputError(path + "." + e.field(), e.value(), e.limit());
    }
}

void checkSawn(const Sawn& sawn, const std::string& path)
{
    checkOutline(sawn.curve, path + ".curve", mostCutNodes);
    if (sawn.curve.front().z != 0)
        throw InputError(path + ".curve[0].z_mm", exact(sawn.curve.front().z), "0, the axis, is");
    if (!(sawn.curve.back().z > 0))
        throw InputError(path + ".curve", "no way from the axis", "a curve that leads away from it is");
}

}  // namespace vl
