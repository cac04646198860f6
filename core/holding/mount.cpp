#include "core/holding/mount.h"

#include "core/geometry/point.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// N/mm² that the bar may see.
double stressOf(Hold by, const Grips& g)
{
    switch (by) {
    case Hold::Centers:
        return g.centers;
    case Hold::Tenon:
        return g.tenon;
    case Hold::Recess:
        return g.recess;
    case Hold::GlueBlock:
        return g.glueBlock;
    case Hold::Faceplate:
        return g.faceplate;
    case Hold::Screw:
        return g.screw;
    case Hold::Jam:
        return g.jam;
    case Hold::Cushion:
        return g.cushion;
    case Hold::Buttons:
        return g.buttons;
    case Hold::RimPlates:
        return g.rimPlates;
    case Hold::Sleeve:
        return g.sleeve;
    case Hold::Mandrel:
        return g.mandrel;
    case Hold::Eccentric:
        return g.eccentric;
    case Hold::Tilted:
        return g.tilted;
    case Hold::Vacuum:
        return 4 * g.vacuum / 1000;  // π·d³/8 against π·d³/32; kPa to N/mm²
    }
    return 0;
}

void within(const char* field, double value, double low, double high, const char* unit)
{
    if (!(value >= low && value <= high))
        throw InputError(field, exact(value), exact(low) + " to " + exact(high) + " " + unit + " is");
}

}  // namespace

double fullDepth(Hold by)
{
    switch (by) {
    case Hold::Tenon:
    case Hold::Recess:
    case Hold::Tilted:
    case Hold::Eccentric:
        return 9.525;  // 3/8 in
    case Hold::Screw:
        return 20;
    default:
        return 0;
    }
}

MountProof proveMount(Hold by, double diameter, double depth, double overhang, double load, const Grips& grips,
                      double strength)
{
    within("diameter", diameter, 1, 2000, "mm");
    within("depth", depth, 0, 500, "mm");
    within("overhang", overhang, 0, 3000, "mm");
    within("load", load, 0, 100000, "N");
    MountProof p;
    p.moment = load * overhang / 1000;
    const double full = fullDepth(by), share = full > 0 ? std::min(1.0, depth / full) : 1;
    const double perCube = strength * stressOf(by, grips) * share * pi / 32 / 1000;
    p.limit = perCube * std::pow(diameter, 3);
    p.holds = p.moment <= p.limit;
    p.wouldHold = perCube > 0 ? std::cbrt(p.moment / perCube) : 0;
    return p;
}

}  // namespace vl
