#include "core/process/turn_writer.h"

#include "core/holding/holding.h"
#include "core/piece/edits/log_middle.h"
#include "core/process/axis_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/shared_steps.h"
#include "core/process/split_recipe.h"
#include "core/process/undercut_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/inside_out.h"
#include "core/words/turn.h"

#include <algorithm>

namespace vl {

TurnWriter::TurnWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Turning how,
                       Recipe& recipe)
    : WorkpieceWriter(recipe), piece_(piece), shop_(shop), surfaces_(surfaces), how_(how)
{
    if (how != Turning::BetweenCenters) return;
    const EndWaste waste = endWaste(piece, shop, surfaces);
    waste_ = {waste.foot, waste.rim};
}

void TurnWriter::write(const WorkItem& blank)
{
    now_ = onTheBlank(piece_, surfaces_, bench_, blank);
    const bool later = hasMoreOnceFree(piece_) || hasFootRecess(piece_, surfaces_),
               ends = how_ == Turning::BetweenCenters;
    // What is drilled or sawn once the piece is free is finished after that; so are nested rings.
    Operations all(recipe_, {.bothRoughed = piece_.axes.empty(), .finishedHeld = !later && !piece_.nest.on});
    if (ends) {
        if (hasMarkedCenters(piece_)) now_ = markCenters(piece_, bench_, now_);
        offers(all, {.center = true}, [this](const Moment&) { mountBetweenCenters(); });
        if (hasTenon_)
            offerChuck(all);
        else
            offerTrueCenters(piece_, false, all);
    } else
        offerBlock(all);
    turn(all);
    addUndercuts(piece_, all);
    addSides(piece_, shop_, surfaces_, grip(), all);
    sand(all);
    free(all, later);
    all.write(bench_, now_);
}

void TurnWriter::turn(Operations& all)
{
    does(all, Work::Rough, Access::Outside, [this] {
        StepSpec d{.title = says(words::roughOutside),
                   .why = says(words::strongestThick),
                   .how = says(words::lowestSpeed),
                   .minutes = 40,
                   .uses = {Resource::Lathe},
                   .effect = outsideTurned(surfaces_, left_, tube_ ? Range{} : waste_)};
        const auto slender = [&](const Point& end) { return !tube_ && end.y() < centerStandsOn; };
        if ((waste_.low > 0 && slender(surfaces_.outside.front())) ||
            (waste_.high > 0 && slender(surfaces_.outside.back()))) {
            d.settings = {lengthAt(Resource::Lathe, "waste under a center, Ø", 2 * centerStandsOn)};
            d.how.also(says(words::wasteStaysWide, d.settings.back()));
        }
        const BlockForm* log = logWithBark(piece_);
        sayAirSweep(air_, log ? log->log / 2 + logOffset(*log) : 0, d);
        if (log) d.how.also(says(words::barkFlies));
        step(Action::Turn, "rough", "rough-turned", std::move(d));
    });
    does(all, Work::FillWeak, Access::Turning, [this] { now_ = fillCracks(piece_, surfaces_, bench_, now_); });
    if (hasTenon_) does(all, Work::Grip, Access::Outside, [this] { turnTenon(); });
    const bool opened = hollow(all);
    if (isOpened()) does(all, Work::Hollow, Access::Rim, [this] { openOnAxis(); });
    if (opened && !piece_.axes.empty())
        does(all, Work::LastOutside, Access::Outside, [this] {
            step(Action::Turn, "fine-outside", "outside-turned",
                 {.title = says(words::finishOutside),
                  .why = says(words::sidesNeedOutside),
                  .how = says(words::lightCuts),
                  .minutes = 20,
                  .uses = {Resource::Lathe},
                  .effect = outsideTurned(surfaces_)});
        });
    // A bit leaves nothing for last cuts; the outside had its own before the sides.
    if (opened && drilledThrough() && !piece_.axes.empty()) return;
    // Where the inside is done or there is none the last cuts are the outside's.
    does(all, opened ? Work::LastCuts : Work::LastOutside, opened ? Access::Rim : Access::Outside, [this] {
        const bool outside = surfaces_.inside.empty() || isOpened() || tube_;
        StepSpec fine{.title = says(outside ? words::finishOutside : words::finishWall),
                      .why = says(words::shapeHasMoved),
                      .how = says(words::lightCuts),
                      .minutes = 30,
                      .uses = {Resource::Lathe},
                      .effect = outside ? outsideTurned(surfaces_) : bothTurned(surfaces_)};
        if (tube_) fine.how.also(says(words::toBushings));
        sayTemplate(piece_, fine.settings, fine.how);
        if (reversed()) fine.how.also(says(words::windowsCome));
        sayAirSweep(air_, 0, fine);
        step(Action::Turn, "fine", "turned", std::move(fine));
    });
}

void TurnWriter::sand(Operations& all)
{
    does(all, Work::LetIn, Access::Turning, [this] { now_ = beforeSanding(piece_, surfaces_, bench_, now_); });
    does(all, Work::Sand, Access::Turning, [this] {
        StepSpec sand{.title = says(words::sand),
                      .why = says(words::throughGrits),
                      .how = says(reversed()      ? words::openWork
                                  : air_.high > 0 ? words::blockNotFingers
                                                  : words::restOff),
                      .minutes = 30,
                      .uses = {Resource::Lathe}};
        saySanding(piece_, shop_, surfaces_, Sanded::All, sand.settings, sand.how);
        sayLightly(piece_, sand.how);
        step(Action::Sand, "sand", "sanded", std::move(sand));
    });
    does(all, Work::IndexWork, Access::Turning, [this] { now_ = onceSanded(piece_, surfaces_, bench_, now_); });
}

void TurnWriter::free(Operations& all, bool later)
{
    if (piece_.nest.on) {
        does(all, Work::PartOff, Access::Rim, [this] { nest(); });
        does(all, Work::Finish, Access::AtRest, [this] { now_ = finished(piece_, shop_, bench_, now_); });
        return;
    }
    if (tube_) {
        if (later)
            does(all, Work::OnceFree, Access::AtRest,
                 [this] { now_ = onceFree(piece_, shop_, surfaces_, bench_, now_, false); });
        does(all, Work::Finish, Access::AtRest, [this] { now_ = finished(piece_, shop_, bench_, now_); });
        return;
    }
    // Halves that only their waste holds are not parted off as they turn: it is sawn off with the lathe at rest.
    if (!piece_.split.on) does(all, Work::PartOff, Access::Outside, [this] { partOff(); });
    addFootRecess(piece_, surfaces_, all);
    if (later) {
        does(all, Work::OnceFree, Access::AtRest,
             [this] { now_ = onceFree(piece_, shop_, surfaces_, bench_, now_, false); });
        does(all, Work::Finish, Access::AtRest, [this] { now_ = finished(piece_, shop_, bench_, now_); });
        return;
    }
    does(all, Work::Finish, Access::AtRest, [this] { now_ = putOnFinish(piece_, shop_, bench_, now_, "finished"); });
    does(all, Work::OnceFree, Access::AtRest, [this] {
        now_ = fitBought(piece_, bench_, finishTheFoot(piece_, shop_, bench_, now_, beforeFitting(piece_)));
    });
}

void TurnWriter::partOff()
{
    const bool ends = how_ == Turning::BetweenCenters;
    const BlockHold& hold = blockHold(piece_.choices.holding);
    if (isOpened()) {
        const bool bored = drilledThrough();
        const Setting waste =
            lengthAt(Resource::Lathe, "waste under it", waste_.low, "the tenon, and what closes the bore");
        step(Action::PartOff, "part-off", "parted",
             {.title = says(words::partOffTenon),
              .why = says(bored ? words::wasteHasClosedBore : words::tenonHeldTrue),
              .how = bored ? says(words::partRingWay, waste) : says(words::partingThenHand),
              .settings = {waste},
              .minutes = 15,
              .uses = {Resource::Lathe},
              .effect = effect::Part{.stays = {0, outlineHeight(piece_)}}});
        return;
    }
    step(Action::PartOff, "part-off", "parted",
         {.title = says(ends ? words::sawEnds : hold.off),
          .why = says(ends ? words::endsHeldTrue : words::blockHeldTrue),
          .how = says(!ends          ? hold.offHow
                      : boredFirst() ? words::cutToBore
                                     : words::partingThenHand),
          .minutes = 15,
          .uses = {Resource::Lathe},
          .effect = effect::Part{.stays = {0, outlineHeight(piece_)}}});
}

void sayDepthRod(const TurnedSurfaces& surfaces, double rim, std::vector<Setting>& settings, Text& how)
{
    constexpr double margin = 2;  // mm
    if (surfaces.inside.empty() || surfaces.inside.front().x() <= 0) return;
    const double depth = rim - surfaces.inside.front().x() - margin;
    if (!(depth > 0)) return;
    const Setting out{.machine = Resource::Lathe,
                      .name = "depth rod stands out",
                      .value = depth,
                      .formula = "rim − floor − what is left",
                      .decimals = 1},
        left{.name = "left over the floor", .value = margin, .formula = "own value", .decimals = 1};
    settings.insert(settings.end(), {out, left});
    how.also(says(words::depthRod, out, left));
    if (surfaces.back.standing.empty()) return;
    const Setting post = measured("post that stands, Ø at most", 2 * surfaces.back.standing.across().high, 1),
                  under = measured("its end below the rim", rim - surfaces.back.standing.along().high, 1);
    settings.insert(settings.end(), {post, under});
    how.also(says(words::postStands, post, under));
}

Setting measured(const char* name, double mm, int decimals)
{
    return {.name = name, .value = mm, .formula = "measured on the drawing", .decimals = decimals};
}

bool heldByItsEnds(const Piece& piece, const std::vector<Building>& buildings)
{
    return buildings.size() == 1 && buildings[0].layer.cells[0].endGrain(Eigen::Vector3d::UnitX()) > 0.9 &&
           !piece.layers[0].is<StavesForm>() && (piece.layers[0].is<InsideOutForm>() || staysBetweenCenters(piece));
}

void turnRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, const WorkItem& blank,
                Turning how, Recipe& recipe)
{
    TurnWriter(piece, shop, surfaces, how, recipe).write(blank);
}

}  // namespace vl
