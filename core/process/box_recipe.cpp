#include "core/process/box_recipe.h"

#include "core/holding/foot_hold.h"
#include "core/order/workpiece_writer.h"
#include "core/process/axis_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/shared_steps.h"
#include "core/process/turn_recipe.h"
#include "core/process/worked_recipe.h"
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

class BoxWriter : WorkpieceWriter {
public:
    BoxWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Recipe& recipe)
        : WorkpieceWriter(recipe), piece_(piece), shop_(shop), surfaces_(surfaces),
          joint_(lidJoint(piece, shop.fits, surfaces)), height_(outlineHeight(piece))
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
        now_ = onTheBlank(piece_, surfaces_, bench_, blank);
        if (hasMarkedCenters(piece_)) now_ = markCenters(piece_, bench_, now_);
        turnAsOne();
        const WorkItem lid = makeLid();
        makeBox({"box", "part-lid"}, lid);
    }

private:
    bool onBox() const { return piece_.lid.joint == Lid::OnBox; }

    /// The outside of both, and what stands above the lid.
    effect::Turn wholeOutside() const
    {
        effect::Turn turn = outsideTurned(surfaces_);
        turn.away = turn.away | Region::box({height_, farOut}, {0, farOut});
        return turn;
    }

    /// Between centers until the lid is parted off: round, weak places, sides on other axes.
    void turnAsOne()
    {
        Operations all(recipe_);
        offers(all, {.center = true}, [this](const Moment&) { mountBetweenCenters(); });
        offerTrueCenters(piece_, false, all);
        does(all, Work::Rough, Access::Outside, [this] { turnRound(); });
        if (tenonsApart_) does(all, Work::Grip, Access::Outside, [this] { turnTenons(); });
        does(all, Work::FillWeak, Access::Turning, [this] { now_ = fillCracks(piece_, surfaces_, bench_, now_); });
        // Sides on other axes are cut while the wood that carries them is solid and both centers hold it.
        if (!piece_.axes.empty())
            does(all, Work::LastOutside, Access::Outside, [this] {
                step(Action::Turn, "fine-outside", "outside-turned",
                     {.title = says(words::finishOutside),
                      .why = says(words::sidesNeedOutside),
                      .how = says(words::lightCuts),
                      .minutes = 15,
                      .uses = {Resource::Lathe},
                      .effect = outsideTurned(surfaces_)});
            });
        addSides(piece_, shop_, surfaces_, tenonHeld(), all);
        does(all, Work::PartOff, Access::Outside, [this] { partLid(); });
        now_ = all.write(bench_, now_);
    }
    void mountBetweenCenters()
    {
        step(Action::Mount, "mount-centres", "mounted",
             {.title = says(words::mountCenters, says(words::layerNumber, 1)),
              .why = says(words::endsHold),
              .how = says(words::spurAndCup),
              .minutes = 5,
              .uses = {Resource::Lathe},
              .held = {.set = true, .by = Hold::Centers, .diameter = 20, .depth = 5, .tailstock = true}});
    }
    void turnRound()
    {
        Text how = tenonsApart_ ? Text{} : says(words::tenonsOnEnds, tenon_, high_);
        step(Action::Turn, "rough", "rough-turned",
             {.title = says(tenonsApart_ ? words::roughOutside : words::turnCylinder),
              .why = says(words::bothWillBeHeld),
              .how = how.also(says(words::lowestSpeed)),
              .settings = tenonsApart_ ? std::vector<Setting>{} : std::vector{tenon_, high_},
              .minutes = 20,
              .uses = {Resource::Lathe},
              .effect = roundWithTenons()});
    }
    void turnTenons()
    {
        step(Action::Turn, "tenons", "tenons-turned",
             {.title = says(words::turnEndTenons),
              .why = says(words::bothWillBeHeld),
              .how = says(words::tenonsOnEnds, tenon_, high_),
              .settings = {tenon_, high_},
              .minutes = 8,
              .uses = {Resource::Lathe},
              .effect = effect::Turn{effect::Turn::Outside, endTenons()}});
    }

    /// Everything round the tenons at both ends.
    Region endTenons() const
    {
        const EndWaste waste = endWaste(piece_, shop_, surfaces_);
        Region away;
        for (const double from : {-waste.foot, height_ + waste.rim - high_.value})
            away = away | tenonTurned({from, from + high_.value}, tenon_.value / 2).away;
        return away;
    }
    /// Round, with a tenon at both ends.
    effect::Turn roundWithTenons() const
    {
        const EndWaste waste = endWaste(piece_, shop_, surfaces_);
        effect::Turn turn = outsideTurned(surfaces_, roughLeft);
        // What the parting cut and the spigot take lies beyond the drawing: it is turned as round as the rest.
        for (const Range z : {Range{-waste.foot, 0}, Range{height_, height_ + waste.rim}})
            turn.away = turn.away | tenonTurned(z, surfaces_.widest() + roughLeft).away;
        if (!tenonsApart_) turn.away = turn.away | endTenons();
        return turn;
    }

    void partLid()
    {
        const double spigot = onBox() ? 0 : piece_.lid.spigot;
        const Setting length = lengthAt(Resource::Lathe, "lid, with its tenon",
                                        std::max(0.0, height_ - piece_.lid.at + spigot + high_.value),
                                        onBox() ? "lid + tenon" : "lid + spigot + tenon"),
                      tool = lengthAt(Resource::Lathe, "parting tool", piece_.lid.parting, "chosen");
        step(Action::PartOff, "part-lid", "box",
             {.title = says(words::partLid),
              .why = says(words::grainRunsOn),
              .how = says(words::partWhere, length, tool),
              .settings = {length, tool},
              .minutes = 8,
              .uses = {Resource::Lathe},
              .effect = effect::Part{effect::Part::Lid, {piece_.lid.at, piece_.lid.at}}});
        recipe_.back().outputs.push_back("lid");
    }

    Held tenonHeld() const
    {
        return {.by = Hold::Tenon,
                .diameter = tenon_.value,
                .depth = high_.value,
                .round = true,
                .alongGrain = true,
                .jaws = jaws_};
    }
    void mount(const char* id, const char* gives, const Pattern& title, const Pattern& why, double overhang, bool lid)
    {
        Held held = tenonHeld();
        held.set = true;
        held.overhang = overhang;
        held.rimToHead = lid;
        held.from = lid ? piece_.lid.at : 0;
        held.to = lid ? height_ : piece_.lid.at;
        Text how = says(words::jawsOnEnd, tenon_, high_);
        if (!jaws_.empty()) how.also(says(words::withJaws, jaws_));
        step(Action::Mount, id, gives,
             {.title = says(title),
              .why = says(why),
              .how = std::move(how),
              .settings = {tenon_, high_},
              .minutes = 5,
              .uses = {Resource::Lathe},
              .held = held});
    }

    effect::Turn insideOf(double from, double to) const
    {
        effect::Turn inside = insideTurned(surfaces_);
        inside.away = inside.away.between(from, to);
        return inside;
    }

    void insideDone(const char* id, const char* gives, const Pattern& title)
    {
        StepSpec sand{.title = says(title),
                      .why = says(words::insideNow),
                      .how = says(words::notTheJoint),
                      .minutes = 12,
                      .uses = {Resource::Lathe}};
        saySanding(piece_, shop_, surfaces_, Sanded::Inside, sand.settings, sand.how);
        step(Action::Sand, id, gives, std::move(sand));
    }

    WorkItem makeLid()
    {
        Operations all(recipe_);
        offers(all, {}, [this](const Moment&) {
            mount("mount-lid", "lid-mounted", words::mountLid, words::smallerFirst, height_ - piece_.lid.at, true);
        });
        does(all, Work::Hollow, Access::Rim, [this] { hollowLid(); });
        does(all, Work::SandInside, Access::Rim, [this] { insideDone("sand-lid", "lid-done", words::sandLidInside); });
        return all.write(bench_, {"lid", "part-lid"});
    }
    void hollowLid()
    {
        const double spigot = onBox() ? 0 : piece_.lid.spigot;
        const Setting deep = lengthAt(Resource::Lathe, "lid's hollow, deep",
                                      std::max(0.0, surfaces_.inside.back().x() - piece_.lid.at + spigot),
                                      "lid − its top"),
                      top = lengthAt(Resource::Lathe, "left on top", piece_.lid.top, "chosen");
        const Setting wide = onBox() ? lengthAt(Resource::Lathe, "recess, Ø", 2 * joint_.recess, "spigot + fit", 2)
                                     : lengthAt(Resource::Lathe, "spigot, Ø", 2 * joint_.spigot, "bore − fit", 2),
                      long_ = onBox() ? lengthAt(Resource::Lathe, "recess, deep", joint_.deep, "spigot + 0.5 mm")
                                      : lengthAt(Resource::Lathe, "spigot, long", piece_.lid.spigot, "chosen");
        step(Action::Turn, "hollow-lid", "lid-hollowed",
             {.title = says(words::hollowLid),
              .why = says(words::smallerFirst),
              .how = says(words::lidDepth, deep, top)
                         .also(says(onBox() ? words::lidRecess : words::lidSpigot, wide, long_)),
              .settings = {deep, top, wide, long_},
              .minutes = 20,
              .uses = {Resource::Lathe},
              .effect = insideOf(piece_.lid.at, height_)});
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

    void makeBox(const WorkItem& box, const WorkItem& lid)
    {
        Operations all(recipe_);
        offers(all, {}, [this, &lid](const Moment&) {
            mount("mount-box", "box-mounted", words::mountBox, words::bothWillBeHeld, piece_.lid.at, false);
            recipe_.back().after.push_back(lid.step);  // one chuck: the lid is done before the box is in it
        });
        offers(all, {.rimToHead = true, .center = true, .needs = {Work::Hollow, Work::LastCuts, Work::Ease}},
               [this](const Moment&) { mountOnJam(); });
        does(all, Work::Hollow, Access::Rim, [this] { hollowBox(); });
        does(all, Work::SandInside, Access::Rim,
             [this] { insideDone("sand-box", "box-sanded", words::sandBoxInside); });
        does(all, Work::Fit, Access::Rim, [this, &lid] { fitLid(lid); });
        does(all, Work::LastCuts, Access::Rim, [this] {
            const bool sides = !piece_.axes.empty();
            step(Action::Turn, "fine", "turned",
                 {.title = says(sides ? words::lidTenonOnly : words::turnTogether),
                  .why = says(sides ? words::sidesAreDone : words::joinsDisappear),
                  .how = says(words::lidTenonOff),
                  .minutes = 20,
                  .uses = {Resource::Lathe},
                  .effect = wholeOutside()});
        });
        does(all, Work::LetIn, Access::Turning, [this] { now_ = beforeSanding(piece_, surfaces_, bench_, now_); });
        does(all, Work::Sand, Access::Turning, [this] {
            StepSpec sand{.title = says(words::sand),
                          .why = says(words::throughGrits),
                          .how = says(words::restOff),
                          .minutes = 20,
                          .uses = {Resource::Lathe}};
            saySanding(piece_, shop_, surfaces_, Sanded::Outside, sand.settings, sand.how);
            step(Action::Sand, "sand", "sanded", std::move(sand));
        });
        does(all, Work::IndexWork, Access::Turning, [this] { now_ = onceSanded(piece_, surfaces_, bench_, now_); });
        does(all, Work::Ease, Access::Rim, [this] { ease(); });
        does(all, Work::FreeFoot, Access::Foot, [this] {
            StepSpec d{.title = says(words::tenonOff),
                       .why = says(words::floorIsKnown),
                       .how = {},
                       .minutes = 10,
                       .uses = {Resource::Lathe},
                       .effect = effect::Turn{effect::Turn::Foot, Region::box({-farOut, 0}, {0, farOut})}};
            sayFootFreed(piece_, surfaces_, d);
            step(Action::Turn, "foot-off", "foot-turned", std::move(d));
        });
        does(all, Work::OnceFree, Access::AtRest,
             [this] { now_ = onceFree(piece_, shop_, surfaces_, bench_, now_, true); });
        does(all, Work::Finish, Access::AtRest, [this] { now_ = finished(piece_, shop_, bench_, now_); });
        all.write(bench_, box);
    }

    void hollowBox()
    {
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
        step(Action::Turn, "hollow", "box-hollowed", std::move(hollow));
    }
    void fitLid(const WorkItem& lid)
    {
        // Snug: what the fit in use leaves between them is not there yet.
        const Setting wide = onBox() ? lengthAt(Resource::Lathe, "spigot, Ø, snug",
                                                std::max(0.0, 2 * joint_.recess - snug_), "recess − jam fit", 2)
                                     : lengthAt(Resource::Lathe, "bore, Ø, snug", 2 * joint_.spigot + snug_,
                                                "spigot + jam fit", 2),
                      long_ = lengthAt(Resource::Lathe, "over a length of", onBox() ? piece_.lid.spigot : joint_.deep,
                                       "the spigot's length");
        now_ = bench_.step(Action::Turn, "fit-lid", {now_, lid}, "closed",
                           {.title = says(words::fitLid),
                            .why = says(words::snugFirst),
                            .how = says(onBox() ? words::spigotSnug : words::boreSnug, wide, long_),
                            .settings = {wide, long_},
                            .minutes = 15,
                            .uses = {Resource::Lathe}});
    }
    void ease()
    {
        const char* name = choicesOf<Fit>()[static_cast<size_t>(piece_.lid.fit)].words;
        const Setting by =
            lengthAt(Resource::Lathe, "eased by", std::max(0.0, clearanceOf(piece_.lid.fit, shop_.fits) - snug_),
                     "fit in use − jam fit", 2);
        step(Action::Turn, "ease", "eased",
             {.title = says(words::easeFit, name),
              .why = says(words::oneHandOpens),
              .how = says(onBox() ? words::easeSpigot : words::easeBore, by),
              .settings = {by},
              .minutes = 8,
              .uses = {Resource::Lathe}});
    }
    void mountOnJam()
    {
        const Setting rim =
            lengthAt(Resource::Lathe, "jam chuck, Ø", onBox() ? 2 * joint_.spigot : 2 * joint_.recess, "the box's rim");
        step(Action::Mount, "mount-last", "on-its-rim",
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
    }

    const Piece& piece_;
    const Shop& shop_;
    const TurnedSurfaces& surfaces_;
    LidJoint joint_;
    double height_, snug_ = 0;
    bool tenonsApart_ = !piece_.axes.empty();  // centers of other axes may lie beside them
    std::string jaws_;                         // that take both tenons; empty: those on the chuck
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
