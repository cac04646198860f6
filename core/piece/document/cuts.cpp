#include "core/piece/document/cuts.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

namespace vl {

void checkHole(const Hole& hole, const std::string& path)
{
    if (hole.wide > 0 && hole.wide <= hole.diameter)
        throw InputError(path + ".wide_mm", exact(hole.wide),
                         "0, or wider than the hole, " + exact(hole.diameter) + " mm, is");
    if (hole.wide > 0 && hole.taper > 0)
        throw InputError(path + ".taper_deg", exact(hole.taper), "0, where its mouth is a wider step, is");
    if (hole.filled && (hole.taper > 0 || hole.ease > 0))
        throw InputError(path + ".filled", "a rod in a hole that is not straight",
                         "a straight or stepped one, its mouth neither reamed nor rounded, is");
    if (hole.filled && hole.fit >= hole.diameter)
        throw InputError(path + ".fit_mm", exact(hole.fit), "less than the hole, " + exact(hole.diameter) + " mm, is");
    checkIndex(hole.count, hole.plate, hole.start, path);
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
