#include "core/process/turn_recipe.h"

#include "core/holding/foot_hold.h"
#include "core/holding/holding.h"
#include "core/order/workpiece_writer.h"
#include "core/process/axis_recipe.h"
#include "core/process/cut_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/shared_steps.h"
#include "core/process/split_recipe.h"
#include "core/recipe/settings.h"
#include "core/wood/filler.h"
#include "core/words/build.h"
#include "core/words/inside_out.h"
#include "core/words/turn.h"
#include "core/workpiece/nest.h"
#include "core/workpiece/turning.h"

#include <algorithm>

namespace vl {
namespace {

/// Waste at foot and rim that is turned round with the piece, mm: none on a block.
Range wasteOf(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Turning how)
{
    const EndWaste waste = how == Turning::BetweenCenters ? endWaste(piece, shop, surfaces) : EndWaste{};
    return {waste.foot, waste.rim};
}

class TurnWriter : WorkpieceWriter {
public:
    TurnWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Turning how, Recipe& recipe)
        : WorkpieceWriter(recipe), piece_(piece), shop_(shop), surfaces_(surfaces), how_(how)
    {
    }

    void write(const WorkItem& blank)
    {
        now_ = onTheBlank(piece_, surfaces_, bench_, blank);
        const bool later = hasMoreOnceFree(piece_), ends = how_ == Turning::BetweenCenters;
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
        addSides(piece_, shop_, surfaces_, grip(), all);
        sand(all);
        free(all, later);
        all.write(bench_, now_);
    }

private:
    /// Turned inside out: windows come round.
    bool reversed() const { return piece_.layers.size() == 1 && piece_.layers[0].is<InsideOutForm>(); }
    Setting boreSetting() const { return {Resource::Drill, "bore", piece_.hollow.bore, Unit::Length, "chosen", "", 1}; }
    bool drilledThrough() const { return piece_.hollow.rule == WallRule::Bored && piece_.hollow.bore <= widestBit; }
    /// Bored before it is mounted, which cones then hold by its bore.
    bool boredFirst() const { return drilledThrough() && how_ == Turning::BetweenCenters && !hasTenon_; }

    /// Opened on its axis where a live center would stand, once it is held by its tenon.
    bool isOpened() const { return hasTenon_ && (drilledThrough() || std::ranges::any_of(piece_.holes, inRimsMiddle)); }

    /// Bored at the press, lined, and squared to its tube.
    void lineBore()
    {
        const Bought& tube = *tube_;
        const Setting bit = boreSetting(), speed = [&] {
            Setting s = boringSpeed(bit.value);
            s.machine = Resource::Drill;
            return s;
        }();
        Bench own = firstLayer();
        now_ = own.step(Action::Drill, "bore", {now_}, "bored",
                        {.title = says(words::boreThrough, bit),
                         .why = says(words::boreBeforeMounting),
                         .how = says(words::boreForTube, bit, speed),
                         .settings = {bit, speed},
                         .minutes = 12,
                         .uses = {Resource::Drill},
                         .effect = insideTurned(surfaces_)});
        const Setting wide = lengthAt({}, "tube, Ø", tube.diameter, "measured on it", 2),
                      length = lengthAt({}, "tube, long", tube.length, "measured on it"),
                      in = lengthAt({}, "inside both ends by", waste_.low, "what squaring takes");
        now_ = own.glue("tube", {now_}, "lined",
                        {.title = says(words::glueTube),
                         .why = says(words::tubeCarries),
                         .how = says(words::glueTubeWay, wide, length, in),
                         .joint = {.faces = JointFaces::LongGrain,
                                   .area = pi * tube.diameter * tube.length,
                                   .joints = 1,
                                   .woods = {&fillingOf("brass")}},
                         .settings = {wide, length, in},
                         .minutes = 6,
                         .waitTitle = says(words::leaveTube),
                         .effect = effect::LetIn{}});
        now_ = own.step(Action::Recut, "square", {now_}, "squared",
                        {.title = says(words::squareToTube),
                         .why = says(words::endsRunTrue),
                         .how = says(words::squareWay),
                         .minutes = 8,
                         .uses = {Resource::Drill},
                         .effect = effect::Part{.stays = {0, outlineHeight(piece_)}}});
    }
    void mountOnMandrel()
    {
        const auto bushing = [this](const char* name, double z) {
            return measured(name, 2 * radiusAt(surfaces_.outside, z), 2);
        };
        const Setting foot = bushing("bushing at the foot’s end, Ø", 0),
                      rim = bushing("bushing at the rim’s end, Ø", outlineHeight(piece_));
        step(Action::Mount, "mount-mandrel", "on-mandrel",
             {.title = says(words::mountOnMandrel),
              .why = says(words::trueToTube),
              .how = says(words::onMandrel, foot, rim),
              .settings = {foot, rim},
              .minutes = 5,
              .uses = {Resource::Lathe},
              .held = {.set = true, .by = Hold::Mandrel, .diameter = tube_->diameter, .depth = 5, .tailstock = true}});
    }

    Bench firstLayer() const { return {recipe_, piece_.layers[0].id, 0, says(words::layerNumber, 1)}; }

    void mountBetweenCenters()
    {
        if (tube_) return mountOnMandrel();
        Bench bench = firstLayer();
        now_ = bench.step(Action::Mount, "mount-centres", {now_}, "mounted",
                          {.title = says(words::mountCenters, bench.name()),
                           .why = says(words::endsHold),
                           // A point between parts wedges them apart.
                           .how = says(boredFirst()                    ? words::conesInBore
                                       : reversed() || piece_.split.on ? words::cupOnJoint
                                                                       : words::spurAndCup),
                           .minutes = 5,
                           .uses = {Resource::Lathe},
                           .held = {.set = true,
                                    .by = Hold::Centers,
                                    .diameter = boredFirst() ? piece_.hollow.bore : 20,
                                    .depth = 5,
                                    .tailstock = true}});
    }

    /// The step that mounted the block that it stands on; none where it stands on none.
    const Step* blockMounted() const
    {
        const auto mounted = std::ranges::find_if(
            recipe_, [](const Step& s) { return s.held.set && std::holds_alternative<effect::Bring>(s.effect); });
        return mounted == recipe_.end() ? nullptr : &*mounted;
    }
    /// The tenon that a chuck closes on: its own, or its block's.
    Held grip() const
    {
        if (hasTenon_)
            return {.by = Hold::Tenon,
                    .diameter = tenon_.diameter,
                    .depth = tenon_.depth,
                    .overhang = outlineHeight(piece_) + waste_.low + waste_.high - tenon_.depth,
                    .round = true,
                    .alongGrain = true,
                    .jaws = tenon_.jaws};
        const Step* mounted = how_ == Turning::BetweenCenters ? nullptr : blockMounted();
        return mounted ? mounted->held : Held{};
    }

    /// It stands on its block from the first; between sides on other axes it comes back to it.
    void offerBlock(Operations& all)
    {
        all.add(Mounting{.standing = true});
        if (piece_.axes.empty() || !blockMounted()) return;
        offers(all, {.needs = {Work::Side}}, [this](const Moment&) {
            Held again = grip();
            again.round = true;
            again.overhang = outlineHeight(piece_);
            step(Action::Mount, "mount-true", "true-again",
                 {.title = says(words::mountBlockAgain),
                  .why = says(words::restOnTrueAxis),
                  .how = says(words::blockAgainWay),
                  .minutes = 5,
                  .uses = {Resource::Lathe},
                  .held = again});
        });
    }

    /// Its tenon in the chuck once its sides are cut: for the bore, and with the tailstock up for what is left to do.
    void offerChuck(Operations& all)
    {
        const auto chuck = [this](const char* id, const char* gives, const Pattern& title, const Pattern& why,
                                  const Pattern& how, bool tailstock) {
            const Setting wide = lengthAt(Resource::Lathe, "tenon, Ø", tenon_.diameter),
                          high = lengthAt(Resource::Lathe, "its height", tenon_.depth);
            Held held = grip();
            held.set = true;
            held.tailstock = tailstock;
            held.onlyBored = !tailstock;
            Text said;
            const auto eccentric = [](const OffAxis& a) { return a.by == AxisBy::Eccentric; };
            if (std::ranges::any_of(piece_.axes, eccentric)) said = says(words::chuckAtZero);
            said.also(says(how, wide, high));
            if (!tenon_.jaws.empty()) said.also(says(words::withJaws, tenon_.jaws));
            step(Action::Mount, id, gives,
                 {.title = says(title),
                  .why = says(why),
                  .how = std::move(said),
                  .settings = {wide, high},
                  .minutes = 5,
                  .uses = {Resource::Lathe},
                  .held = held});
        };
        if (!isOpened()) {
            offers(all, {.center = true, .needs = {Work::Grip, Work::Side}}, [chuck](const Moment&) {
                chuck("mount-true", "true-again", words::mountTrue, words::restOnTrueAxis, words::trueInChuck, true);
            });
            return;
        }
        // Where the tenon must wait for the sides they come back to the centers for it.
        offerTrueCenters(piece_, false, all, {Work::Hollow});
        offers(all, {.only = {Work::Hollow}, .needs = {Work::Grip, Work::Side}}, [chuck](const Moment&) {
            chuck("mount-bore", "in-chuck", words::chuckForBore, words::solidForSides, words::chuckForBoreWay, false);
        });
        offers(all, {.center = true, .needs = {Work::Hollow}}, [chuck](const Moment&) {
            chuck("mount-cone", "on-cone", words::coneInBore, words::coneCarries, words::coneInBoreWay, true);
        });
    }

    void turn(Operations& all)
    {
        does(all, Work::Rough, Access::Outside, [this] {
            step(Action::Turn, "rough", "rough-turned",
                 {.title = says(words::roughOutside),
                  .why = says(words::strongestThick),
                  .how = says(words::lowestSpeed),
                  .minutes = 40,
                  .uses = {Resource::Lathe},
                  .effect = outsideTurned(surfaces_, left_, tube_ ? Range{} : waste_)});
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
            step(Action::Turn, "fine", "turned", std::move(fine));
        });
    }

    /// Whether the inside is opened on the lathe, by one of these operations.
    bool hollow(Operations& all)
    {
        if (piece_.hollow.rule == WallRule::Bored) {
            if (hasTenon_) return false;
            if (tube_) {
                does(all, Work::Bore, Access::AtRest, [this] { lineBore(); });
                return false;
            }
            const bool before = boredFirst();
            const auto bore = [this, before] {
                const Setting wide = boreSetting();
                StepSpec d{.title = says(words::boreThrough, wide),
                           .why = says(before ? words::boreBeforeMounting : words::boreFirst),
                           .how = says(before             ? words::fromBothEnds
                                       : drilledThrough() ? words::fromFreeEnd
                                                          : words::turnedOut),
                           .settings = {wide},
                           .minutes = 20,
                           .uses = {before ? Resource::Drill : Resource::Lathe},
                           .effect = insideTurned(surfaces_)};
                Bench own = before ? firstLayer() : bench_;
                now_ = own.step(drilledThrough() ? Action::Drill : Action::Turn, "bore", {now_},
                                before ? "bored" : "hollowed", std::move(d));
            };
            does(all, before ? Work::Bore : Work::Hollow, before ? Access::AtRest : Access::Rim, bore);
            return !before;
        }
        if (piece_.hollow.rule == WallRule::Solid || how_ == Turning::InSections) return false;
        does(all, Work::Hollow, Access::Rim, [this] {
            StepSpec d{.title = says(words::hollow),
                       .why = says(words::bothRoughed),
                       .how = says(words::byCaliper),
                       .minutes = 50,
                       .uses = {Resource::Lathe},
                       .effect = insideTurned(surfaces_, left_)};
            sayDepthRod(surfaces_, outlineHeight(piece_), d.settings, d.how);
            step(Action::Turn, "hollow", "hollowed", std::move(d));
        });
        return true;
    }

    /// Solid until its sides are cut. The waste at the free end comes off first; that under a bore closes it.
    void openOnAxis()
    {
        const double height = outlineHeight(piece_);
        const Setting off = lengthAt(Resource::Lathe, "off the free end", waste_.high, "the waste there");
        step(Action::Cut, "face-rim", "faced",
             {.title = says(words::faceFreeEnd),
              .why = says(words::noCenterAnyMore),
              .how = says(words::faceFreeEndWay, off),
              .settings = {off},
              .minutes = 6,
              .uses = {Resource::Lathe},
              .effect = effect::Turn{effect::Turn::Inside, Region::box({height, height + waste_.high}, {0, farOut})}});
        if (drilledThrough()) boreInChuck();
        now_ = drillHoles(piece_, surfaces_, bench_, now_, HolesOf::RimsMiddle);
    }
    void boreInChuck()
    {
        constexpr double into = 1;  // mm, so that parting meets the bore; own value
        const double height = outlineHeight(piece_);
        const Setting wide = boreSetting(), deep = lengthAt(Resource::Lathe, "deep", height + into, "height + 1 mm"),
                      left = lengthAt({}, "waste left to close the bore", waste_.low - tenon_.depth - into,
                                      "waste − tenon");
        Setting speed = boringSpeed(wide.value);
        speed.value = std::min(speed.value, heldAtOneEnd);
        effect::Turn bore = insideTurned(surfaces_);
        bore.away = bore.away | Region::box({-into, height}, {0, wide.value / 2});
        step(Action::Drill, "bore", "bored",
             {.title = says(words::boreThrough, wide),
              .why = says(words::solidForSides),
              .how = says(words::boreInChuck, deep, speed).also(says(words::boreBroken, left)),
              .settings = {wide, deep, left, speed},
              .minutes = 30,
              .uses = {Resource::Lathe},
              .effect = std::move(bore)});
    }
    void turnTenon()
    {
        const Setting wide = lengthAt(Resource::Lathe, "tenon, Ø", tenon_.diameter),
                      high = lengthAt(Resource::Lathe, "its height", tenon_.depth);
        step(Action::Turn, "foot", "footed",
             {.title = says(words::turnFootTenon),
              .why = says(words::servesAllMounts),
              .how = says(words::footTenonTo, wide, high),
              .settings = {wide, high},
              .minutes = 6,
              .uses = {Resource::Lathe},
              .effect = effect::Turn{effect::Turn::Outside,
                                     tenonTurned({-waste_.low, tenon_.depth - waste_.low}, tenon_.diameter / 2).away}});
    }

    void sand(Operations& all)
    {
        does(all, Work::LetIn, Access::Turning, [this] { now_ = beforeSanding(piece_, surfaces_, bench_, now_); });
        does(all, Work::Sand, Access::Turning, [this] {
            StepSpec sand{.title = says(words::sand),
                          .why = says(words::throughGrits),
                          .how = says(reversed() ? words::openWork : words::restOff),
                          .minutes = 30,
                          .uses = {Resource::Lathe}};
            saySanding(piece_, shop_, surfaces_, Sanded::All, sand.settings, sand.how);
            sayLightly(piece_, sand.how);
            step(Action::Sand, "sand", "sanded", std::move(sand));
        });
        does(all, Work::IndexWork, Access::Turning, [this] { now_ = onceSanded(piece_, surfaces_, bench_, now_); });
    }

    /// Off what held it, and finished; `later`: something is left to do once it is free.
    void free(Operations& all, bool later)
    {
        if (piece_.nest.on) {
            does(all, Work::PartOff, Access::Rim, [this] { nest(); });
            does(all, Work::Finish, Access::AtRest, [this] { now_ = finished(piece_, shop_, bench_, now_); });
            return;
        }
        if (tube_) {
            does(all, Work::Finish, Access::AtRest, [this] { now_ = finished(piece_, shop_, bench_, now_); });
            return;
        }
        // Halves that only their waste holds are not parted off as they turn: it is sawn off with the lathe at rest.
        if (!piece_.split.on) does(all, Work::PartOff, Access::Outside, [this] { partOff(); });
        if (later) {
            does(all, Work::OnceFree, Access::AtRest,
                 [this] { now_ = onceFree(piece_, shop_, surfaces_, bench_, now_, false); });
            does(all, Work::Finish, Access::AtRest, [this] { now_ = finished(piece_, shop_, bench_, now_); });
            return;
        }
        does(all, Work::Finish, Access::AtRest,
             [this] { now_ = putOnFinish(piece_, shop_, bench_, now_, "finished"); });
        does(all, Work::OnceFree, Access::AtRest, [this] {
            now_ = fitBought(piece_, bench_, finishTheFoot(piece_, shop_, bench_, now_, beforeFitting(piece_)));
        });
    }
    void partOff()
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

    void nest()
    {
        int number = 0;
        WorkItems rings;
        for (const NestedRing& ring : nestedRings(piece_.nest)) {
            const std::string k = std::to_string(++number);
            const Setting outer = measured("outside Ø", ring.outer), inner = measured("inside Ø", ring.inner);
            const Setting core = measured("groove's inner Ø", std::max(0.0, ring.inner - 2 * piece_.nest.tool));
            const Setting tool{Resource::Lathe, "parting tool", piece_.nest.tool, Unit::Length, "chosen", "", 1};
            step(Action::PartOff, "ring-" + k, "after-ring-" + k,
                 {.title = says(words::partRing, number, outer, inner),
                  .why = says(words::outermostFirst),
                  .how = says(words::groove, inner, core, tool),
                  .settings = {outer, inner, core, tool},
                  .minutes = 8,
                  .uses = {Resource::Lathe},
                  .effect = effect::Part{effect::Part::Nest, {core.value / 2, inner.value / 2}}});
            recipe_.back().outputs.push_back("ring-" + k + "-parted");
            rings.push_back({recipe_.back().outputs.back(), recipe_.back().id});
        }
        // Each of them is what comes out; what is left on the block is scrap.
        if (!rings.empty()) finishRings(rings);
    }

    /// Held by the outside for the inside, and the other way round; each turned over between.
    void finishRings(const WorkItems& rings)
    {
        const std::vector<NestedRing> all = nestedRings(piece_.nest);
        const auto number = static_cast<int>(rings.size());
        const auto held = [&](Hold by, double diameter, bool tailstock) -> Held {
            return {.set = true,
                    .by = by,
                    .diameter = diameter,
                    .depth = 5,
                    .overhang = outlineHeight(piece_),
                    .tailstock = tailstock,
                    .round = true};
        };
        const auto each = [&](const char* name, double NestedRing::*wide) {
            std::vector<Setting> settings;
            for (const NestedRing& ring : all) settings.push_back(measured(name, ring.*wide));
            return settings;
        };
        now_ = bench_.step(Action::Mount, "mount-rings", rings, "rings-held",
                           {.title = says(words::holdRingsOutside),
                            .why = says(words::edgesAndInside),
                            .how = says(words::ringsInJaws),
                            .settings = each("held on, Ø", &NestedRing::outer),
                            .minutes = 5.0 * number,
                            .uses = {Resource::Lathe},
                            .held = held(Hold::RimPlates, all.front().outer, false)});
        step(Action::Turn, "ring-insides", "ring-insides-done",
             {.title = says(words::finishRings, number),
              .why = says(words::edgesAndInside),
              .how = says(words::ringsInsideWay),
              .settings = each("inside Ø", &NestedRing::inner),
              .minutes = 8.0 * number,
              .uses = {Resource::Lathe}});
        step(Action::Mount, "mount-rings-inside", "rings-on-mandrel",
             {.title = says(words::holdRingsInside),
              .why = says(words::outsideWasHeld),
              .how = says(words::ringsOnMandrel),
              .settings = each("held on, Ø", &NestedRing::inner),
              .minutes = 5.0 * number,
              .uses = {Resource::Lathe},
              .held = held(Hold::Mandrel, all.front().inner, true)});
        step(Action::Turn, "ring-edges", "rings",
             {.title = says(words::finishRingEdges, number),
              .why = says(words::edgesAndInside),
              .how = says(words::ringEdgesWay),
              .minutes = 6.0 * number,
              .uses = {Resource::Lathe}});
    }

    const Piece& piece_;
    const Shop& shop_;
    const TurnedSurfaces& surfaces_;
    Turning how_;
    double left_ = leftByRoughing(piece_);  // mm
    Range waste_ = wasteOf(piece_, shop_, surfaces_, how_);
    const Bought* tube_ = how_ == Turning::BetweenCenters ? tubeInBore(piece_) : nullptr;
    bool hasTenon_ = how_ == Turning::BetweenCenters && hasChuckTenon(piece_);
    FootHold tenon_ = hasTenon_ ? chuckTenon(piece_, shop_, surfaces_) : FootHold{};
};

}  // namespace

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
