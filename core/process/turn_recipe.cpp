#include "core/process/turn_recipe.h"

#include "core/constructions/nest.h"
#include "core/holding/foot_hold.h"
#include "core/holding/holding.h"
#include "core/process/axis_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/shared_steps.h"
#include "core/process/split_recipe.h"
#include "core/words/build.h"
#include "core/words/inside_out.h"
#include "core/words/turn.h"
#include "core/workpiece/turning.h"

#include <algorithm>

namespace vl {
namespace {

/// What roughing leaves all round, mm: no more than half of what the blank has.
double leftByRoughing(const Piece& piece)
{
    double left = roughLeft;
    for (const Layer& l : piece.layers) left = std::min({left, l.outerAllowance / 2, l.innerAllowance / 2});
    return std::max(0.0, left);
}

/// Waste at foot and rim that is turned round with the piece, mm: none on a block.
Range wasteOf(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Turning how)
{
    const EndWaste waste = how == Turning::BetweenCenters ? endWaste(piece, shop, surfaces) : EndWaste{};
    return {waste.foot, waste.rim};
}

class TurnWriter {
public:
    TurnWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Turning how, Recipe& recipe)
        : piece_(piece), shop_(shop), surfaces_(surfaces), how_(how), recipe_(recipe), whole_(recipe, "", -1, Text())
    {
    }

    void write(const WorkItem& blank)
    {
        now_ = onTheBlank(piece_, surfaces_, whole_, blank);
        if (how_ == Turning::BetweenCenters) now_ = mountBetweenCenters(now_);
        next(Action::Turn, "rough", "rough-turned",
             {.title = says(words::roughOutside),
              .why = says(words::strongestThick),
              .how = says(words::lowestSpeed),
              .minutes = 40,
              .uses = {Resource::Lathe},
              .effect = outsideTurned(surfaces_, left_, waste_)});
        now_ = fillCracks(piece_, surfaces_, whole_, now_);
        const bool alongGrain = how_ == Turning::BetweenCenters;
        if (sidesFirst()) {
            next(Action::Turn, "fine-outside", "outside-turned",
                 {.title = says(words::finishOutside),
                  .why = says(words::sidesNeedOutside),
                  .how = says(words::lightCuts),
                  .minutes = 20,
                  .uses = {Resource::Lathe},
                  .effect = outsideTurned(surfaces_)});
            now_ = turnAxes(piece_, shop_, surfaces_, alongGrain, whole_, now_);
        }
        hollow();
        StepSpec fine{.title = says(surfaces_.inside.empty() ? words::finishOutside : words::finishWall),
                      .why = says(words::shapeHasMoved),
                      .how = says(words::lightCuts),
                      .minutes = 30,
                      .uses = {Resource::Lathe},
                      .effect = bothTurned(surfaces_)};
        sayTemplate(piece_, fine.settings, fine.how);
        if (reversed()) fine.how.also(says(words::windowsCome));
        next(Action::Turn, "fine", "turned", std::move(fine));
        if (!sidesFirst()) now_ = turnAxes(piece_, shop_, surfaces_, alongGrain, whole_, now_);
        now_ = beforeSanding(piece_, surfaces_, whole_, now_);
        StepSpec sand{.title = says(words::sand),
                      .why = says(words::throughGrits),
                      .how = says(reversed() ? words::openWork : words::restOff),
                      .minutes = 30,
                      .uses = {Resource::Lathe}};
        saySanding(piece_, shop_, surfaces_, Sanded::All, sand.settings, sand.how);
        sayLightly(piece_, sand.how);
        next(Action::Sand, "sand", "sanded", std::move(sand));
        now_ = onceSanded(piece_, surfaces_, whole_, now_);
        if (piece_.nest.on) {
            nest();
            finished(piece_, shop_, whole_, now_);
            return;
        }
        const bool later = hasMoreOnceFree(piece_);
        // What is drilled or sawn once the piece is free is finished after that.
        if (!later) now_ = putOnFinish(piece_, shop_, whole_, now_, "finished");
        const bool ends = how_ == Turning::BetweenCenters;
        const BlockHold& hold = blockHold(piece_.choices.holding);
        // Halves that only their waste holds are not parted off as they turn: it is sawn off with the lathe at rest.
        if (!piece_.split.on)
            next(Action::PartOff, "part-off", "parted",
                 {.title = says(ends ? words::sawEnds : hold.off),
                  .why = says(ends ? words::endsHeldTrue : words::blockHeldTrue),
                  .how = says(!ends              ? hold.offHow
                              : drilledThrough() ? words::cutToBore
                                                 : words::partingThenHand),
                  .minutes = 15,
                  .uses = {Resource::Lathe},
                  .effect = effect::Part{.stays = {0, outlineHeight(piece_)}}});
        if (later)
            finished(piece_, shop_, whole_, onceFree(piece_, shop_, surfaces_, whole_, now_, false));
        else
            fitBought(piece_, whole_, finishTheFoot(piece_, shop_, whole_, now_, beforeFitting(piece_)));
    }

private:
    /// Turned inside out: windows come round.
    bool reversed() const { return piece_.layers.size() == 1 && piece_.layers[0].is<InsideOutForm>(); }
    Setting boreSetting() const { return {Resource::Drill, "bore", piece_.hollow.bore, Unit::Length, "chosen", "", 1}; }
    bool drilledThrough() const { return piece_.hollow.rule == WallRule::Bored && piece_.hollow.bore <= widestBit; }

    /// Sides on other axes are cut before the wood that carries them is hollow.
    bool sidesFirst() const
    {
        const bool hollowed = piece_.hollow.rule != WallRule::Solid && how_ != Turning::InSections;
        return !piece_.axes.empty() && hollowed && !(drilledThrough() && how_ == Turning::BetweenCenters);
    }

    WorkItem mountBetweenCenters(const WorkItem& blank)
    {
        Bench bench(recipe_, piece_.layers[0].id, 0, says(words::layerNumber, 1));
        WorkItem made = blank;
        if (drilledThrough()) {
            const Setting bore = boreSetting();
            made = bench.step(Action::Drill, "bore", {made}, "bored",
                              {.title = says(words::boreThrough, bore),
                               .why = says(words::boreBeforeMounting),
                               .how = says(words::fromBothEnds),
                               .settings = {bore},
                               .minutes = 20,
                               .uses = {Resource::Drill},
                               .effect = insideTurned(surfaces_)});
        }
        if (hasMarkedCenters(piece_)) made = markCenters(piece_, whole_, made);
        return bench.step(Action::Mount, "mount-centres", {made}, "mounted",
                          {.title = says(words::mountCenters, bench.name()),
                           .why = says(words::endsHold),
                           // A point between parts wedges them apart.
                           .how = says(drilledThrough()                ? words::conesInBore
                                       : reversed() || piece_.split.on ? words::cupOnJoint
                                                                       : words::spurAndCup),
                           .minutes = 5,
                           .uses = {Resource::Lathe},
                           .held = {.set = true,
                                    .by = Hold::Centers,
                                    .diameter = drilledThrough() ? piece_.hollow.bore : 20,
                                    .depth = 5,
                                    .tailstock = true}});
    }

    /// The next of the steps on the whole piece.
    void next(Action action, const char* id, const char* gives, StepSpec doing)
    {
        now_ = whole_.step(action, id, {now_}, gives, std::move(doing));
    }

    void hollow()
    {
        if (piece_.hollow.rule == WallRule::Bored) {
            const Setting bore = boreSetting();
            if (drilledThrough() && how_ == Turning::BetweenCenters) return;  // before it was mounted
            next(drilledThrough() ? Action::Drill : Action::Turn, "bore", "hollowed",
                 {.title = says(words::boreThrough, bore),
                  .why = says(words::boreFirst),
                  .how = says(drilledThrough() ? words::fromFreeEnd : words::turnedOut),
                  .settings = {bore},
                  .minutes = 20,
                  .uses = {Resource::Lathe},
                  .effect = insideTurned(surfaces_)});
        } else if (piece_.hollow.rule != WallRule::Solid && how_ != Turning::InSections) {
            StepSpec d{.title = says(words::hollow),
                       .why = says(words::bothRoughed),
                       .how = says(words::byCaliper),
                       .minutes = 50,
                       .uses = {Resource::Lathe},
                       .effect = insideTurned(surfaces_, left_)};
            sayDepthRod(surfaces_, outlineHeight(piece_), d.settings, d.how);
            next(Action::Turn, "hollow", "hollowed", std::move(d));
        }
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
            next(Action::PartOff, ("ring-" + k).c_str(), ("after-ring-" + k).c_str(),
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
        if (rings.empty()) return;
        now_ = whole_.step(Action::Turn, "ring-insides", rings, "rings",
                           {.title = says(words::finishRings, number),
                            .why = says(words::edgesAndInside),
                            .how = says(words::fourChuckings),
                            .minutes = 15.0 * number,
                            .uses = {Resource::Lathe}});
    }

    const Piece& piece_;
    const Shop& shop_;
    const TurnedSurfaces& surfaces_;
    Turning how_;
    Recipe& recipe_;
    Bench whole_;
    WorkItem now_;
    double left_ = leftByRoughing(piece_);  // mm
    Range waste_ = wasteOf(piece_, shop_, surfaces_, how_);
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
