#include "core/process/box_recipe.h"

#include "core/holding/foot_hold.h"
#include "core/process/axis_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/shared_steps.h"
#include "core/process/turn_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/box.h"
#include "core/words/build.h"
#include "core/words/turn.h"
#include "core/workpiece/lid_sides.h"
#include "core/workpiece/turning.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

class BoxWriter {
public:
    BoxWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Recipe& recipe)
        : piece_(piece), shop_(shop), surfaces_(surfaces), joint_(lidJoint(piece, shop.fits, surfaces)),
          bench_(recipe, "", -1, Text()), recipe_(recipe), height_(outlineHeight(piece))
    {
        double widest = 0;
        for (const Point& p : surfaces.outside) widest = std::max(widest, 2 * p.y());
        const Jaws& jaws = jawsFor(shop, true, 0.75 * widest);
        tenon_.value = std::clamp(0.75 * widest, jaws.gripLeast, std::max(jaws.gripLeast, jaws.gripMost));
        tenon_.value = std::min(tenon_.value, widest);
        high_.value = std::min(endTenon, jaws.depth);
        jaws_ = jaws.name;
        snug_ = clearanceOf(Fit::Jam, shop.fits);
    }

    void write(const WorkItem& blank)
    {
        const WorkItem sawn = onTheBlank(piece_, surfaces_, bench_, blank);
        const WorkItem round = fillCracks(piece_, surfaces_, bench_, turnRound(sawn));
        auto [box, lid] = part(sidesCut(round));
        lid = makeLid(lid);
        box = makeBox(box, lid);
        finish(box);
    }

private:
    bool onBox() const { return piece_.lid.joint == Lid::OnBox; }

    WorkItem turnRound(const WorkItem& blank)
    {
        const WorkItem marked = hasMarkedCenters(piece_) ? markCenters(piece_, bench_, blank) : blank;
        WorkItem now =
            bench_.step(Action::Mount, "mount-centres", {marked}, "mounted",
                        {.title = says(words::mountCenters, says(words::layerNumber, 1)),
                         .why = says(words::endsHold),
                         .how = says(words::spurAndCup),
                         .minutes = 5,
                         .uses = {Resource::Lathe},
                         .held = {.set = true, .by = Hold::Centers, .diameter = 20, .depth = 5, .tailstock = true}});
        return bench_.step(Action::Turn, "rough", {now}, "rough-turned",
                           {.title = says(words::turnCylinder),
                            .why = says(words::bothWillBeHeld),
                            .how = says(words::tenonsOnEnds, tenon_, high_).also(says(words::lowestSpeed)),
                            .settings = {tenon_, high_},
                            .minutes = 20,
                            .uses = {Resource::Lathe},
                            .effect = roundWithTenons()});
    }

    /// Round, with a tenon at both ends.
    effect::Turn roundWithTenons() const
    {
        const EndWaste waste = endWaste(piece_, shop_, surfaces_);
        effect::Turn turn = outsideTurned(surfaces_, roughLeft);
        // What the parting cut and the spigot take lies above the drawing: it is turned as round as the rest.
        turn.away = turn.away | tenonTurned({height_, height_ + waste.rim}, surfaces_.widest() + roughLeft).away;
        for (const double from : {-waste.foot, height_ + waste.rim - high_.value})
            turn.away = turn.away | tenonTurned({from, from + high_.value}, tenon_.value / 2).away;
        return turn;
    }

    /// Sides on other axes are cut while the wood that carries them is solid and both centers hold it.
    WorkItem sidesCut(const WorkItem& round)
    {
        if (piece_.axes.empty()) return round;
        const WorkItem outside = bench_.step(Action::Turn, "fine-outside", {round}, "outside-turned",
                                             {.title = says(words::finishOutside),
                                              .why = says(words::sidesNeedOutside),
                                              .how = says(words::lightCuts),
                                              .minutes = 15,
                                              .uses = {Resource::Lathe},
                                              .effect = outsideTurned(surfaces_)});
        return turnAxes(piece_, shop_, surfaces_, true, bench_, outside);
    }

    std::pair<WorkItem, WorkItem> part(const WorkItem& round)
    {
        const double spigot = onBox() ? 0 : piece_.lid.spigot;
        const Setting length = lengthAt(Resource::Lathe, "lid, with its tenon",
                                        std::max(0.0, height_ - piece_.lid.at + spigot + high_.value),
                                        onBox() ? "lid + tenon" : "lid + spigot + tenon"),
                      tool = lengthAt(Resource::Lathe, "parting tool", piece_.lid.parting, "chosen");
        bench_.step(Action::PartOff, "part-lid", {round}, "box",
                    {.title = says(words::partLid),
                     .why = says(words::grainRunsOn),
                     .how = says(words::partWhere, length, tool),
                     .settings = {length, tool},
                     .minutes = 8,
                     .uses = {Resource::Lathe},
                     .effect = effect::Part{effect::Part::Lid, {piece_.lid.at, piece_.lid.at}}});
        recipe_.back().outputs.push_back("lid");
        return {{"box", "part-lid"}, {"lid", "part-lid"}};
    }

    WorkItem mount(const char* id, const WorkItem& what, const char* gives, const Pattern& title, const Pattern& why,
                   double overhang, bool lid)
    {
        Text how = says(words::jawsOnEnd, tenon_, high_);
        if (!jaws_.empty()) how.also(says(words::withJaws, jaws_));
        return bench_.step(Action::Mount, id, {what}, gives,
                           {.title = says(title),
                            .why = says(why),
                            .how = std::move(how),
                            .settings = {tenon_, high_},
                            .minutes = 5,
                            .uses = {Resource::Lathe},
                            .held = {.set = true,
                                     .by = Hold::Tenon,
                                     .diameter = tenon_.value,
                                     .depth = high_.value,
                                     .overhang = overhang,
                                     .round = true,
                                     .alongGrain = true,
                                     .rimToHead = lid,
                                     .jaws = jaws_,
                                     .from = lid ? piece_.lid.at : 0,
                                     .to = lid ? height_ : piece_.lid.at}});
    }

    effect::Turn insideOf(double from, double to) const
    {
        effect::Turn inside = insideTurned(surfaces_);
        inside.away = inside.away.between(from, to);
        return inside;
    }

    WorkItem insideDone(const char* id, const WorkItem& what, const char* gives, const Pattern& title)
    {
        StepSpec sand{.title = says(title),
                      .why = says(words::insideNow),
                      .how = says(words::notTheJoint),
                      .minutes = 12,
                      .uses = {Resource::Lathe}};
        saySanding(piece_, shop_, surfaces_, Sanded::Inside, sand.settings, sand.how);
        return bench_.step(Action::Sand, id, {what}, gives, std::move(sand));
    }

    WorkItem makeLid(WorkItem lid)
    {
        lid =
            mount("mount-lid", lid, "lid-mounted", words::mountLid, words::smallerFirst, height_ - piece_.lid.at, true);
        const double spigot = onBox() ? 0 : piece_.lid.spigot;
        const Setting deep = lengthAt(Resource::Lathe, "lid's hollow, deep",
                                      std::max(0.0, surfaces_.inside.back().x() - piece_.lid.at + spigot),
                                      "lid − its top"),
                      top = lengthAt(Resource::Lathe, "left on top", piece_.lid.top, "chosen");
        const Setting wide = onBox() ? lengthAt(Resource::Lathe, "recess, Ø", 2 * joint_.recess, "spigot + fit", 2)
                                     : lengthAt(Resource::Lathe, "spigot, Ø", 2 * joint_.spigot, "bore − fit", 2),
                      long_ = onBox() ? lengthAt(Resource::Lathe, "recess, deep", joint_.deep, "spigot + 0.5 mm")
                                      : lengthAt(Resource::Lathe, "spigot, long", piece_.lid.spigot, "chosen");
        lid = bench_.step(Action::Turn, "hollow-lid", {lid}, "lid-hollowed",
                          {.title = says(words::hollowLid),
                           .why = says(words::smallerFirst),
                           .how = says(words::lidDepth, deep, top)
                                      .also(says(onBox() ? words::lidRecess : words::lidSpigot, wide, long_)),
                           .settings = {deep, top, wide, long_},
                           .minutes = 20,
                           .uses = {Resource::Lathe},
                           .effect = insideOf(piece_.lid.at, height_)});
        return insideDone("sand-lid", lid, "lid-done", words::sandLidInside);
    }

    /// What the lid is fitted to is left a little tight until it is tried.
    void saySeat(StepSpec& hollow) const
    {
        constexpr double tight = 0.5;  // mm; own value
        const double seat = onBox() ? 2 * joint_.recess - snug_ + tight : 2 * joint_.spigot + snug_ - tight;
        const Setting now = lengthAt(Resource::Lathe, "lid’s seat for now, Ø", std::max(0.0, seat),
                                     onBox() ? "its fit + 0.5 mm" : "its fit − 0.5 mm", 2),
                      over = lengthAt(Resource::Lathe, "seat’s length", onBox() ? piece_.lid.spigot : joint_.deep);
        hollow.settings.insert(hollow.settings.end(), {now, over});
        hollow.how.also(says(words::leaveSeat, now, over));
    }

    WorkItem makeBox(WorkItem box, const WorkItem& lid)
    {
        box = mount("mount-box", box, "box-mounted", words::mountBox, words::bothWillBeHeld, piece_.lid.at, false);
        recipe_.back().after.push_back(lid.step);  // one chuck: the lid is done before the box is in it
        const double rim = piece_.lid.at + (onBox() ? piece_.lid.spigot : 0);
        const Setting deep = lengthAt(Resource::Lathe, "box's hollow, deep",
                                      std::max(0.0, rim - surfaces_.inside.front().x()), "rim − floor");
        StepSpec hollow{.title = says(words::hollowBox),
                        .why = says(words::insideNow),
                        .how = says(words::boxDepth, deep),
                        .settings = {deep},
                        .minutes = 30,
                        .uses = {Resource::Lathe},
                        .effect = insideOf(0, piece_.lid.at)};
        sayDepthRod(surfaces_, rim, hollow.settings, hollow.how);
        saySeat(hollow);
        box = bench_.step(Action::Turn, "hollow", {box}, "box-hollowed", std::move(hollow));
        box = insideDone("sand-box", box, "box-sanded", words::sandBoxInside);
        // Snug: what the fit in use leaves between them is not there yet.
        const Setting wide = onBox() ? lengthAt(Resource::Lathe, "spigot, Ø, snug",
                                                std::max(0.0, 2 * joint_.recess - snug_), "recess − jam fit", 2)
                                     : lengthAt(Resource::Lathe, "bore, Ø, snug", 2 * joint_.spigot + snug_,
                                                "spigot + jam fit", 2),
                      long_ = lengthAt(Resource::Lathe, "over a length of", onBox() ? piece_.lid.spigot : joint_.deep,
                                       "the spigot's length");
        box = bench_.step(Action::Turn, "fit-lid", {box, lid}, "closed",
                          {.title = says(words::fitLid),
                           .why = says(words::snugFirst),
                           .how = says(onBox() ? words::spigotSnug : words::boreSnug, wide, long_),
                           .settings = {wide, long_},
                           .minutes = 15,
                           .uses = {Resource::Lathe}});
        const bool sides = !piece_.axes.empty();
        box = bench_.step(Action::Turn, "fine", {box}, "turned",
                          {.title = says(sides ? words::lidTenonOnly : words::turnTogether),
                           .why = says(sides ? words::sidesAreDone : words::joinsDisappear),
                           .how = says(words::lidTenonOff),
                           .minutes = 20,
                           .uses = {Resource::Lathe},
                           .effect = outsideTurned(surfaces_)});
        box = beforeSanding(piece_, surfaces_, bench_, box);
        StepSpec sand{.title = says(words::sand),
                      .why = says(words::throughGrits),
                      .how = says(words::restOff),
                      .minutes = 20,
                      .uses = {Resource::Lathe}};
        saySanding(piece_, shop_, surfaces_, Sanded::Outside, sand.settings, sand.how);
        box = bench_.step(Action::Sand, "sand", {box}, "sanded", std::move(sand));
        return onceSanded(piece_, surfaces_, bench_, box);
    }

    void finish(WorkItem box)
    {
        const char* name = choicesOf<Fit>()[static_cast<size_t>(piece_.lid.fit)].words;
        const Setting by =
            lengthAt(Resource::Lathe, "eased by", std::max(0.0, clearanceOf(piece_.lid.fit, shop_.fits) - snug_),
                     "fit in use − jam fit", 2);
        box = bench_.step(Action::Turn, "ease", {box}, "eased",
                          {.title = says(words::easeFit, name),
                           .why = says(words::oneHandOpens),
                           .how = says(onBox() ? words::easeSpigot : words::easeBore, by),
                           .settings = {by},
                           .minutes = 8,
                           .uses = {Resource::Lathe}});
        const Setting rim =
            lengthAt(Resource::Lathe, "jam chuck, Ø", onBox() ? 2 * joint_.spigot : 2 * joint_.recess, "the box's rim");
        box = bench_.step(Action::Mount, "mount-last", {box}, "on-its-rim",
                          {.title = says(words::boxOnJam),
                           .why = says(words::tenonHasServed),
                           .how = says(words::jamInRim, rim),
                           .settings = {rim},
                           .minutes = 8,
                           .uses = {Resource::Lathe},
                           .held = {.set = true,
                                    .by = Hold::Jam,
                                    .diameter = rim.value,
                                    .depth = piece_.lid.spigot,
                                    .overhang = piece_.lid.at,
                                    .tailstock = true,
                                    .round = true,
                                    .alongGrain = true,
                                    .rimToHead = true,
                                    .to = piece_.lid.at}});
        box = bench_.step(Action::Turn, "foot-off", {box}, "foot-turned",
                          {.title = says(words::tenonOff),
                           .why = says(words::floorIsKnown),
                           .how = says(words::footALittleHollow),
                           .minutes = 10,
                           .uses = {Resource::Lathe}});
        finished(piece_, shop_, bench_, onceFree(piece_, shop_, surfaces_, bench_, box, true));
    }

    const Piece& piece_;
    const Shop& shop_;
    const TurnedSurfaces& surfaces_;
    LidJoint joint_;
    Bench bench_;
    Recipe& recipe_;
    double height_, snug_ = 0;
    std::string jaws_;  // that take both tenons; empty: those on the chuck
    Setting tenon_ = lengthAt(Resource::Lathe, "tenons, Ø", 0, "3/4 · Ø, within the jaws' range"),
            high_ = {.machine = Resource::Lathe, .name = "their height", .source = "common practice", .decimals = 1};
};

}  // namespace

void boxRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, const WorkItem& blank,
               Recipe& recipe)
{
    BoxWriter(piece, shop, surfaces, recipe).write(blank);
}

}  // namespace vl
