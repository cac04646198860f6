#include "core/process/block_recipe.h"

#include "core/process/axis_recipe.h"
#include "core/process/block_writer.h"
#include "core/process/inlay_recipe.h"
#include "core/process/shared_steps.h"
#include "core/process/turn_recipe.h"
#include "core/process/undercut_recipe.h"
#include "core/words/order.h"
#include "core/words/turn.h"
#include "core/workpiece/turning.h"

#include <algorithm>

namespace vl {
namespace {

double rimOf(const TurnedSurfaces& surfaces) { return surfaces.inside.empty() ? 0 : surfaces.inside.back().y(); }

}  // namespace

BlockWriter::BlockWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, double corner,
                         Recipe& recipe)
    : WorkpieceWriter(recipe), piece_(piece), shop_(shop), surfaces_(surfaces), foot_(footHold(piece, shop, surfaces)),
      height_(outlineHeight(piece)), hollow_(piece.hollow.rule != WallRule::Solid && !surfaces.inside.empty()),
      depth_(hollow_ ? height_ - surfaces.inside.front().x() : 0), rim_(rimOf(surfaces)), sweeps_(corner)
{
}

void BlockWriter::write(const WorkItem& blank)
{
    now_ = onTheBlank(piece_, surfaces_, bench_, blank);
    if (hasMarkedCenters(piece_)) now_ = markCenters(piece_, bench_, now_);
    const BlockForm* block = piece_.layers[0].as<BlockForm>();
    const bool wet = block && block->isWet() && canBeTurnedWet(piece_, surfaces_, block->wet) && hollow_;
    const bool twice = wet && block->wet == BlockForm::TurnedTwice, once = wet && block->wet == BlockForm::TurnedOnce;
    if (twice) turnWet(*block);
    // What is hollowed with long tools from one end is finished outside while two centers still hold it, and so are
    // wings: thin, they bear no second cut.
    const bool together = !vessel_ && !edged_ && piece_.choices.sides == SideMethod::BothRoughed;
    Operations all(recipe_, {.bothRoughed = together && hollow_});
    offer(all, twice ? MountedBy::Hollow : MountedBy::Rim, twice ? "mount-dry" : "mount-first");
    offer(all, MountedBy::Foot, "mount-reversed");
    offerTrueCenters(piece_, true, all, {Work::StartBore, Work::ThinBand, Work::Hollow, Work::LastCuts});
    turnOutside(all, !once || !hollow_);
    addUndercuts(piece_, all);
    if (hollow_)
        turnInside(all, together, twice);
    else if (waste_.rim > 0)
        does(all, Work::StartBore, Access::Rim,
             [this] { now_ = faceRim(height_, waste_.rim, words::centerHasServed, bench_, now_); });
    does(all, Work::LetIn, Access::Rim, [this] { now_ = beforeSanding(piece_, surfaces_, bench_, now_); });
    if (once) {
        does(all, Work::Dry, Access::AtRest,
             [this, block] { dry(*block, thickest_, Coat::Bag, words::bagIt, words::bagWay, words::bendsNotCracks); });
        does(all, Work::SandAtRest, Access::AtRest, [this] { sandByHand(); });
    } else {
        does(all, Work::Sand, Access::Rim, [this] { sand("sand", words::sand, Sanded::Rest); });
        does(all, Work::IndexWork, Access::Turning, [this] { now_ = onceSanded(piece_, surfaces_, bench_, now_); });
    }
    freeTheFoot(all);
    does(all, Work::OnceFree, Access::AtRest,
         [this] { now_ = onceFree(piece_, shop_, surfaces_, bench_, now_, foot_.by != Hold::Recess); });
    does(all, Work::Finish, Access::AtRest, [this] { now_ = finished(piece_, shop_, bench_, now_); });
    all.write(bench_, now_);
}

void BlockWriter::offer(Operations& all, MountedBy by, const std::string& id)
{
    Mounting m{.rimToHead = by != MountedBy::Foot, .center = by != MountedBy::Foot};
    if (by == MountedBy::Foot)
        m.needs = {Work::Grip};
    else
        m.spoiledBy = {Work::StartBore, Work::ThinBand, Work::Hollow, Work::LastCuts, Work::Sand};
    offers(all, std::move(m), [this, by, id](const Moment& moment) {
        if (by == MountedBy::Foot)
            mountByFoot(id, moment);
        else if (by == MountedBy::Hollow)
            mountDry(*piece_.layers[0].as<BlockForm>());
        else
            mountFirst(id);
    });
}

void BlockWriter::turnOutside(Operations& all, bool sanded)
{
    does(all, Work::Rough, Access::Outside, [this] {
        turn("rough", words::roughOutside, words::strongestThick, words::lowestSpeed, 25,
             outsideTurned(surfaces_, leftByRoughing(piece_), {waste_.foot, waste_.rim}));
        sweeps_ = std::min(sweeps_, surfaces_.widest() + leftByRoughing(piece_));
    });
    if (foot_.by != Hold::Faceplate) does(all, Work::Grip, Access::Foot, [this] { turnFoot("foot", "footed"); });
    does(all, Work::FillWeak, Access::Turning, [this] { now_ = fillCracks(piece_, surfaces_, bench_, now_); });
    does(all, Work::LastOutside, Access::Outside, [this] {
        sharpen("outside");
        const bool stays = foot_.by == Hold::Faceplate;  // it is not reversed for the inside
        turn("fine-outside", words::finishOutside, stays ? words::roundFirst : words::outsideReached, words::lightCuts,
             15, outsideTurned(surfaces_));
        sweeps_ = std::min(sweeps_, surfaces_.widest());
    });
    // Not while it is wet: paper clogs and the wood goes on moving.
    if (sanded)
        does(all, Work::SandOutside, Access::Outside,
             [this] { sand("sand-outside", words::sandOutside, Sanded::OutsideFirst); });
    addSides(piece_, shop_, surfaces_, footHeld(true), all);
}

void BlockWriter::turnInside(Operations& all, bool together, bool twice)
{
    if (vessel_ && !twice) does(all, Work::StartBore, Access::Rim, [this] { startBore(); });
    thinWings(all);
    // Where the hollow is no wider than what roughing leaves, the last cuts take all of it.
    if (!insideTurned(surfaces_, roughLeft).away.empty())
        does(all, Work::Hollow, Access::Rim, [this, together] {
            StepSpec d{.title = says(words::hollow),
                       .why = says(together ? words::bothRoughed : words::thinLast),
                       .how = says(vessel_ ? words::fromHoleOutwards : words::byCaliper),
                       .minutes = 40,
                       .uses = {Resource::Lathe},
                       .rounds = {.usual = 1, .until = says(words::depthReached)},
                       .effect = insideTurned(surfaces_, roughLeft)};
            sayDepthRod(surfaces_, height_, d.settings, d.how);
            if (isRing()) sayDownToWaste(d);
            sayInwards(d);
            step(Action::Turn, "hollow", "hollow-turned", std::move(d));
        });
    does(all, Work::LastCuts, Access::Rim, [this, together] {
        sharpen("inside");
        turn("fine", together ? words::finishWall : words::finishInside,
             together ? words::shapeHasMoved : words::thinLast,
             wingTip() > 0 ? words::lightCutsInwards : words::lightCuts, 25, bothTurned(surfaces_));
    });
}

void BlockWriter::freeTheFoot(Operations& all)
{
    if (isRing()) does(all, Work::PartOff, Access::Outside, [this] { partRingOff(); });
    if (!isRing() && foot_.by == Hold::Recess) return;
    offers(all,
           {.rimToHead = true,
            .center = !isRing(),
            .needs = {Work::Hollow, Work::LastOutside, Work::LastCuts, Work::LetIn, Work::Sand, Work::IndexWork,
                      Work::PartOff}},
           [this](const Moment&) { isRing() ? mountRing() : mountLast(); });
    does(all, Work::FreeFoot, Access::Foot, [this] { isRing() ? trueRing() : turnFootOff(); });
}

void blockRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, double corner,
                 const WorkItem& blank, Recipe& recipe)
{
    BlockWriter(piece, shop, surfaces, corner, recipe).write(blank);
}

}  // namespace vl
