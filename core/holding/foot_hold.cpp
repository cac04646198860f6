#include "core/holding/foot_hold.h"

#include "core/holding/mount.h"
#include "core/piece/edits/log_middle.h"
#include "core/wood/drying.h"
#include "core/workpiece/drilled_holes.h"
#include "core/workpiece/lid_sides.h"
#include "core/workpiece/turning.h"
#include "core/workpiece/worked_cuts.h"

#include <algorithm>

namespace vl {
namespace {

constexpr double screwsDeep = 12;                              // mm, a faceplate's; common practice
constexpr double centerWaste = 12, closesBore = 6, faced = 2;  // mm; own values

bool standsAlongAxis(const Piece& piece) { return piece.layers.size() == 1 && piece.layers[0].standsAlongAxis(); }

bool goesThrough(const TurnedSurfaces& surfaces)
{
    return !surfaces.inside.empty() && surfaces.inside.front().x() <= 0;
}

/// As high as the shallowest of the shop's jaws hold, so that any of them take it.
double tenonHigh(const Shop& shop)
{
    double high = std::min(8.0, shop.jaws.depth);
    for (const Jaws& j : shop.otherJaws) high = std::min(high, j.depth);
    return high;
}

/// The widest tenon that what roughing leaves at the foot has a shoulder for, mm.
double widestTenon(const Piece& piece, const TurnedSurfaces& surfaces)
{
    return 2 * (footRadiusOf(surfaces) + leftByRoughing(piece) - tenonShoulder);
}

/// A tenon as wide as it is wanted (mm), within the jaws' range and no wider than there is wood for.
FootHold tenonHold(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, double wanted)
{
    const double most = widestTenon(piece, surfaces);
    const Jaws& jaws = jawsFor(shop, true, std::min(wanted, most));
    FootHold f{.by = Hold::Tenon, .depth = tenonHigh(shop), .jaws = jaws.name};
    f.diameter = std::clamp(wanted, jaws.gripLeast, std::max(jaws.gripLeast, jaws.gripMost));
    f.diameter = std::max(0.0, std::min(f.diameter, most));
    f.fits = f.diameter >= jaws.gripLeast;
    return f;
}

}  // namespace

bool hasChuckTenon(const Piece& piece)
{
    if (!staysBetweenCenters(piece) || piece.split.on || tubeInBore(piece)) return false;
    return std::ranges::any_of(piece.holes, inRimsMiddle) ||
           (piece.hollow.rule == WallRule::Bored && !piece.axes.empty()) ||
           std::ranges::any_of(piece.axes, [](const OffAxis& a) { return a.by != AxisBy::Centers; });
}

FootHold chuckTenon(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces)
{
    // Long work is held as wide as it can be.
    FootHold f = tenonHold(piece, shop, surfaces, widestTenon(piece, surfaces));
    f.left = piece.hollow.rule == WallRule::Bored ? closesBore : outlineHeight(piece);
    return f;
}

bool staysBetweenCenters(const Piece& piece)
{
    const Hollow& hollow = piece.hollow;
    const bool free = hollow.rule == WallRule::Solid || (hollow.rule == WallRule::Bored && hollow.bore <= widestBit);
    // A dish round a post is hollowed where a live center would stand.
    return standsAlongAxis(piece) && ((free && undercutsOf(piece, OpensTo::Rim).empty()) || piece.split.on);
}

bool isVessel(const Piece& piece)
{
    // On another block than waste it is built as a stack is.
    return standsAlongAxis(piece) && !staysBetweenCenters(piece) && !hasLid(piece) &&
           piece.choices.holding == HoldMethod::WasteBlock;
}

bool isWholeBlock(const Piece& piece)
{
    const BlockForm* block = piece.layers.size() == 1 ? piece.layers[0].as<BlockForm>() : nullptr;
    return isVessel(piece) || (block && !block->alongAxis() && piece.axes.empty());
}

double wetWall(const TurnedSurfaces& surfaces)
{
    constexpr double moves = 2;  // mm that a face moves as it dries, beside what roughing leaves; own value
    return std::max(roughWall(2 * surfaces.widest()), thinnestWall(surfaces) + 2 * (roughLeft + moves));
}

double roughDiameter(const TurnedSurfaces& surfaces)
{
    return 2 * surfaces.widest() + wetWall(surfaces) - thinnestWall(surfaces);
}

bool canBeTurnedWet(const Piece& piece, const TurnedSurfaces& surfaces, BlockForm::Wet wet)
{
    if (!isWholeBlock(piece) || piece.hollow.rule == WallRule::Solid || piece.edge.kind == Edge::Square ||
        piece.split.on || piece.lid.on)
        return false;
    const BlockForm& block = *piece.layers[0].as<BlockForm>();
    // A rim with bark has nothing that a jam chuck goes into.
    if (block.shape == BlockForm::HalfLog && block.bark == BlockForm::AtRim) return false;
    // Bark bears no second turning: it comes off a wall that has dried oval.
    if (logWithBark(piece) && wet == BlockForm::TurnedTwice) return false;
    constexpr double thin =
        15;  // mm: what is thicker cracks as it dries in one piece; common practice, the number ours
    return wet != BlockForm::TurnedOnce ||
           (thickestWall(surfaces) <= thin && piece.worked.empty() && piece.sawn.empty() && piece.decors.empty() &&
            piece.inlays.empty() && piece.holes.empty());
}

EndWaste endWaste(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces)
{
    if (!isWholeBlock(piece)) {
        if (hasLid(piece)) return {.foot = endTenon, .rim = lidWaste(piece) - endTenon};
        if (!staysBetweenCenters(piece) || piece.split.on) return {};
        // What it is parted down from has it already.
        const Layer& l = piece.layers[0];
        const double has = (l.gluedThickness() - l.thickness) / 2;
        constexpr double squared = 1.5;  // mm that squaring an end to its tube takes; own value
        if (tubeInBore(piece)) return {.foot = std::max(0.0, squared - has), .rim = std::max(0.0, squared - has)};
        const bool bored = piece.hollow.rule == WallRule::Bored;
        const double tenon = hasChuckTenon(piece) ? tenonHigh(shop) + (bored ? closesBore : tenonShoulder) : 0;
        return {.foot = std::max(0.0, std::max(centerWaste, tenon) - has), .rim = std::max(0.0, centerWaste - has)};
    }
    const FootMethod method = piece.choices.foot;
    EndWaste waste{.foot = method == FootMethod::Tenon       ? tenonHigh(shop)
                           : method == FootMethod::Faceplate ? screwsDeep
                                                             : 0};
    if (!isVessel(piece)) return waste;
    if (goesThrough(surfaces)) waste.foot += closesBore;
    // The hollow takes the drive's mark away where its mouth is wider than that.
    constexpr double drive = 15;  // mm, on the radius
    waste.rim = !surfaces.inside.empty() && surfaces.inside.back().y() > drive ? faced : centerWaste;
    return waste;
}

FootHold footHold(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces)
{
    FootHold f;
    const double foot = footRadiusOf(surfaces), widest = surfaces.widest();
    const double floor = surfaces.inside.empty() ? outlineHeight(piece) : surfaces.inside.front().x();
    switch (piece.choices.foot) {
    case FootMethod::Tenon:
        // Two fifths of the greatest diameter; common practice.
        f = tenonHold(piece, shop, surfaces, 0.8 * widest);
        // It stands below the foot, in wood that is turned off.
        f.left = isVessel(piece) && goesThrough(surfaces) ? closesBore : floor;
        break;
    case FootMethod::Recess: {
        const Jaws& jaws = jawsFor(shop, false, std::min(0.8 * widest, 2 * foot - 2 * fullDepth(Hold::Recess)));
        f.by = Hold::Recess;
        f.jaws = jaws.name;
        f.diameter = std::clamp(0.8 * widest, jaws.spreadLeast, std::max(jaws.spreadLeast, jaws.spreadMost));
        f.diameter = std::min(f.diameter, 2 * foot - 2 * fullDepth(Hold::Recess));
        f.depth = fullDepth(Hold::Recess) / 2;
        f.left = floor - f.depth;
        f.fits = f.diameter >= jaws.spreadLeast;
        break;
    }
    case FootMethod::Faceplate:
        f.by = Hold::Faceplate;
        f.diameter = std::min(100.0, 2 * foot - 20);
        f.depth = screwsDeep;
        // They end in wood that is turned off with them.
        f.left = floor;
        f.fits = f.diameter >= 40;
        break;
    }
    f.diameter = std::max(0.0, f.diameter);  // too slender for any: it does not fit, and that is said
    return f;
}

}  // namespace vl
