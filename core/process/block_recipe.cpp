#include "core/process/block_recipe.h"

#include "core/blank/shape.h"
#include "core/holding/foot_hold.h"
#include "core/holding/mount.h"
#include "core/order/operations.h"
#include "core/piece/records/reading.h"
#include "core/process/axis_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/inlay_recipe.h"
#include "core/process/shared_steps.h"
#include "core/process/turn_recipe.h"
#include "core/recipe/settings.h"
#include "core/wood/drying.h"
#include "core/words/order.h"
#include "core/words/turn.h"
#include "core/workpiece/air_sweep.h"
#include "core/workpiece/turning.h"
#include "core/workpiece/worked_cuts.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double screwLong = 25, screwFlange = 60;  // mm, a usual worm screw; common practice
constexpr double nub = 20;                          // mm, that stands under the live cup; own value
constexpr double startLeft = 3;                     // mm over the floor under the starting hole; own value
constexpr double margin = 6;                        // mm left under a screw's point or a recess; own value

class BlockWriter {
public:
    BlockWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, double corner, Recipe& recipe)
        : piece_(piece), shop_(shop), surfaces_(surfaces), foot_(footHold(piece, shop, surfaces)), recipe_(recipe),
          bench_(recipe, "", -1, Text()), height_(outlineHeight(piece)),
          hollow_(piece.hollow.rule != WallRule::Solid && !surfaces.inside.empty()),
          depth_(hollow_ ? height_ - surfaces.inside.front().x() : 0), rim_(rimOf(surfaces)), corner_(corner)
    {
    }

    void write(const WorkItem& blank)
    {
        now_ = onTheBlank(piece_, surfaces_, bench_, blank);
        if (hasMarkedCenters(piece_)) now_ = markCenters(piece_, bench_, now_);
        const BlockForm* block = piece_.layers[0].as<BlockForm>();
        const bool wet = block && block->isWet() && canBeTurnedWet(piece_, surfaces_, block->wet) && hollow_;
        const bool twice = wet && block->wet == BlockForm::TurnedTwice,
                   once = wet && block->wet == BlockForm::TurnedOnce;
        if (twice) turnWet(*block);
        // What is hollowed with long tools from one end is finished outside while two centers still hold it, and so are
        // wings: thin, they bear no second cut.
        const bool together = !vessel_ && !edged_ && piece_.choices.sides == SideMethod::BothRoughed;
        Operations all(recipe_, {.bothRoughed = together && hollow_});
        offer(all, twice ? MountedBy::Hollow : MountedBy::Rim, twice ? "mount-dry" : "mount-first");
        offer(all, MountedBy::Foot, "mount-reversed");
        turnOutside(all, !once || !hollow_);
        if (hollow_) turnInside(all, together, twice);
        does(all, Work::LetIn, Access::Rim, [this] { now_ = beforeSanding(piece_, surfaces_, bench_, now_); });
        if (once) {
            does(all, Work::Dry, Access::AtRest, [this, block] {
                dry(*block, thickest_, Coat::Bag, words::bagIt, words::bagWay, words::bendsNotCracks);
            });
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

private:
    /// What the headstock holds it by.
    enum class MountedBy { Rim, Hollow, Foot };

    /// An operation whose steps are written by `how`.
    void does(Operations& all, Work work, Access access, std::function<void()> how, int number = 0)
    {
        all.add(Operation{work, access, number, [this, how = std::move(how)](Bench&, const WorkItem& now) {
                              now_ = now;
                              how();
                              return now_;
                          }});
    }
    void offer(Operations& all, MountedBy by, const std::string& id)
    {
        Mounting m{.rimToHead = by != MountedBy::Foot, .center = by != MountedBy::Foot};
        if (by == MountedBy::Foot)
            m.needs = {Work::Grip};
        else
            m.spoiledBy = {Work::StartBore, Work::ThinBand, Work::Hollow, Work::LastCuts, Work::Sand};
        m.write = [this, by, id](Bench&, const WorkItem& now, const Moment& moment) {
            now_ = now;
            if (by == MountedBy::Foot)
                mountByFoot(id, moment);
            else if (by == MountedBy::Hollow)
                mountDry(*piece_.layers[0].as<BlockForm>());
            else
                mountFirst(id);
            return now_;
        };
        all.add(std::move(m));
    }

    /// Outside and foot, cracks, and sides on other axes.
    void turnOutside(Operations& all, bool sanded)
    {
        does(all, Work::Rough, Access::Outside, [this] {
            turn("rough", words::roughOutside, words::strongestThick, words::lowestSpeed, 25,
                 outsideTurned(surfaces_, roughLeft, {waste_.foot, waste_.rim}));
        });
        if (foot_.by != Hold::Faceplate) does(all, Work::Grip, Access::Foot, [this] { turnFoot("foot", "footed"); });
        does(all, Work::FillWeak, Access::Turning, [this] { now_ = fillCracks(piece_, surfaces_, bench_, now_); });
        does(all, Work::LastOutside, Access::Outside, [this] {
            sharpen("outside");
            const bool stays = foot_.by == Hold::Faceplate;  // it is not reversed for the inside
            turn("fine-outside", words::finishOutside, stays ? words::roundFirst : words::outsideReached,
                 words::lightCuts, 15, outsideTurned(surfaces_));
        });
        // Not while it is wet: paper clogs and the wood goes on moving.
        if (sanded)
            does(all, Work::SandOutside, Access::Outside,
                 [this] { sand("sand-outside", words::sandOutside, Sanded::OutsideFirst); });
        addSides(piece_, shop_, surfaces_, true, all);
    }

    /// From the rim's end: what is half air from its tips inwards, then the middle, then the last cuts.
    void turnInside(Operations& all, bool together, bool twice)
    {
        if (vessel_ && !twice) does(all, Work::StartBore, Access::Rim, [this] { startBore(startLeft); });
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

    /// The foot: nothing where its recess stays.
    void freeTheFoot(Operations& all)
    {
        if (isRing()) does(all, Work::PartOff, Access::Outside, [this] { partRingOff(); });
        if (!isRing() && foot_.by == Hold::Recess) return;
        all.add(Mounting{.rimToHead = true,
                         .center = !isRing(),
                         .needs = {Work::Hollow, Work::LastOutside, Work::LastCuts, Work::LetIn, Work::Sand,
                                   Work::IndexWork, Work::PartOff},
                         .write = [this](Bench&, const WorkItem& now, const Moment&) {
                             now_ = now;
                             isRing() ? mountRing() : mountLast();
                             return now_;
                         }});
        does(all, Work::FreeFoot, Access::Foot, [this] { isRing() ? trueRing() : turnFootOff(); });
    }

    /// End grain is hollowed from the middle out, from a hole that the tool begins in; the rim's waste comes off first.
    void startBore(double over)
    {
        constexpr double usual = 35, beside = 2;  // mm: a usual bit, and left all round it
        const double floor = surfaces_.inside.front().x(), top = height_ + waste_.rim;
        // The narrowest of the hollow above what the floor's round takes.
        const double narrow = radiusRange(surfaces_.inside, std::min(floor + over + usual / 2, height_), height_).low;
        const double most = std::max(4.0, 2 * (std::isnan(narrow) ? rim_ : narrow) - 2 * beside);
        const Setting bit = lengthAt(Resource::Drill, "bit, Ø", std::floor(std::min(usual, most)),
                                     "the hollow, at its narrowest"),
                      deep = lengthAt(Resource::Drill, "deep, from the finished rim",
                                      std::max(0.0, height_ - floor - over), "rim − floor − what is left"),
                      left = lengthAt({}, "left over the floor", over, "own value"),
                      off = lengthAt(Resource::Lathe, "off the rim’s end", waste_.rim, "the waste there");
        // A saw-tooth bit's usual speed: 500 rpm at 35 mm, faster as it is narrower; common practice, from memory.
        constexpr double turns = 17500, fastest = 1500;  // rpm · mm, rpm
        const Setting speed{.machine = Resource::Lathe,
                            .name = "bored at, at the most",
                            .value = std::floor(std::min(fastest, turns / bit.value) / 10) * 10,
                            .unit = Unit::Speed,
                            .formula = "17,500 / Ø",
                            .source = "common practice",
                            .decimals = 0};
        StepSpec d{.title = says(words::startBore, bit),
                   .why = says(words::endGrainFromMiddle),
                   .how = says(words::faceRimEnd, off).also(says(words::startBoreWay, bit, deep, left, speed)),
                   .settings = {off, bit, deep, left, speed},
                   .minutes = 12,
                   .uses = {Resource::Lathe},
                   .effect = effect::Turn{effect::Turn::Inside, Region::box({floor + over, top}, {0, bit.value / 2}) |
                                                                    Region::box({height_, top}, {0, farOut})}};
        step(Action::Drill, "bore-start", "bored-to-start", std::move(d));
    }
    static double rimOf(const TurnedSurfaces& surfaces)
    {
        return surfaces.inside.empty() ? 0 : surfaces.inside.back().y();
    }
    void step(Action action, const std::string& id, const char* gives, StepSpec doing)
    {
        now_ = bench_.step(action, id, {now_}, gives, std::move(doing));
    }
    void turn(const char* id, const Pattern& title, const Pattern& why, const Pattern& how, double minutes,
              effect::Turn effect)
    {
        StepSpec d{.title = says(title),
                   .why = says(why),
                   .how = says(how),
                   .minutes = minutes,
                   .uses = {Resource::Lathe},
                   .effect = std::move(effect)};
        sayAir(d);
        step(Action::Turn, id, (std::string(id) + "-turned").c_str(), std::move(d));
    }
    /// Where edges, wings or a bark rim come round, as a measure and in words.
    void sayAir(StepSpec& d) const
    {
        if (!(air_.high > 0)) return;
        const Setting from{.name = "wood all round to a radius of", .value = air_.low, .decimals = 0},
            to{.name = "sweeps a radius of", .value = std::max(air_.high, corner_), .decimals = 1};
        d.settings.insert(d.settings.end(), {from, to});
        d.how.also(says(words::cornersSweep, from, to));
    }
    effect::Turn bandTurned(double from, double to) const
    {
        effect::Turn band = insideTurned(surfaces_);
        band.away = band.away & Region::box({0, height_ + waste_.rim}, {from, to});
        return band;
    }
    /// Wings and corners are finished: the tool stays within what is wood all round.
    void sayInwards(StepSpec& d) const
    {
        if (wingTip() <= 0) return sayAir(d);
        const Setting within{.machine = Resource::Lathe,
                             .name = "within a radius of",
                             .value = air_.low,
                             .formula = "wood all round",
                             .decimals = 0};
        d.settings.push_back(within);
        d.how.also(says(words::withinRadius, within));
        sayAir(d);
    }
    /// How far out the hollow goes into what is half air, mm; 0 where it ends within the wood all round, and corners
    /// stay flat.
    double wingTip() const
    {
        if (!edged_ || surfaces_.inside.empty()) return 0;
        const double tip = std::min(air_.high, Region::under(surfaces_.inside).across().high);
        return tip > air_.low + 1 ? tip : 0;
    }
    /// What is half air is brought to its thickness from the tip inwards, each band finished before the next.
    void thinWings(Operations& all)
    {
        const double tip = wingTip();
        if (tip <= 0) return;
        // Ten times as wide as the wing is thick then, within one to three inches; own values.
        const double widest = std::clamp(10 * piece_.hollow.rimWall, 25.0, 75.0);
        const double whole = tip - air_.low;
        const auto bands = static_cast<int>(std::ceil(whole / widest));
        for (int k = 0; k < bands; ++k)
            does(
                all, Work::ThinBand, Access::Rim,
                [this, k, from = tip - whole * k / bands, to = tip - whole * (k + 1) / bands] {
                    thinBand(k, from, to);
                },
                k);
    }
    void thinBand(int number, double outer, double inner)
    {
        if (number == 0) sharpen("wings");
        const auto radius = [](const char* name, double mm) -> Setting {
            return {.machine = Resource::Lathe,
                    .name = name,
                    .value = mm,
                    .formula = "tip inwards, ten times the wall each",
                    .source = "common practice",
                    .decimals = 0};
        };
        const Setting from = radius("from a radius of", outer), to = radius("to a radius of", inner);
        StepSpec d{.title = says(words::thinBand, from, to),
                   .why = says(words::tipBearsNoMore),
                   .how = says(words::thinBandWay),
                   .settings = {from, to},
                   .minutes = 12,
                   .uses = {Resource::Lathe},
                   .effect = bandTurned(inner, outer)};
        sayAir(d);
        const std::string name = std::to_string(number + 1);
        step(Action::Turn, "wing-" + name, ("wing-turned-" + name).c_str(), std::move(d));
    }
    void sand(const char* id, const Pattern& title, Sanded what)
    {
        StepSpec d{.title = says(title),
                   .why = says(words::throughGrits),
                   // Corners that turn are not seen: no finger comes near them.
                   .how = says(edged_ ? words::blockNotFingers : words::restOff),
                   .minutes = 20,
                   .uses = {Resource::Lathe}};
        saySanding(piece_, shop_, surfaces_, what, d.settings, d.how);
        step(Action::Sand, id, (std::string(id) + "ed").c_str(), std::move(d));
    }
    void sharpen(const char* what)
    {
        step(Action::Turn, std::string("sharpen-") + what, (std::string("sharp-") + what).c_str(),
             {.title = says(words::sharpen),
              .why = says(words::lastCutsSharp),
              .how = says(words::byTheGrinder),
              .minutes = 3});
    }
    /// Rough while it is wet, with a thick wall all round; dried; held again to be turned as any dry blank is.
    void turnWet(const BlockForm& block)
    {
        const double wide = roughDiameter(surfaces_), wall = roughWall(2 * surfaces_.widest());
        const Setting rough{.name = "rough, Ø", .value = wide, .formula = "Ø + (rough − finished wall)", .decimals = 0},
            left{.name = "wall left all round",
                 .value = wall,
                 .formula = "Ø / 10",
                 .source = "common practice",
                 .decimals = 0};
        Operations all(recipe_);
        offer(all, MountedBy::Rim, "mount-first-wet");
        offer(all, MountedBy::Foot, "mount-reversed-wet");
        does(all, Work::Rough, Access::Outside, [&] {
            step(Action::Turn, "rough-wet", "rough-wet",
                 {.title = says(words::roughWet, rough),
                  .why = says(words::wetMoves),
                  .how = says(words::lowestSpeed),
                  .settings = {rough},
                  .minutes = 25,
                  .uses = {Resource::Lathe},
                  .effect = outsideTurned(surfaces_, (wide - 2 * surfaces_.widest()) / 2, {waste_.foot, waste_.rim})});
        });
        wetFoot(block);
        if (foot_.by != Hold::Faceplate)
            does(all, Work::Grip, Access::Foot, [&] { turnFoot("foot-wet", "footed-wet"); });
        if (vessel_)
            does(all, Work::StartBore, Access::Rim, [&] { startBore(startLeft + wide / 2 - surfaces_.widest()); });
        does(all, Work::Hollow, Access::Rim, [&] {
            step(Action::Turn, "hollow-wet", "hollow-wet",
                 {.title = says(words::hollowWet, left),
                  .why = says(words::evenWallDries),
                  .how = says(words::floorAsThick, left),
                  .settings = {left},
                  .minutes = 30,
                  .uses = {Resource::Lathe},
                  .rounds = {.usual = 1, .until = says(words::wallIsEven)},
                  .effect = insideTurned(surfaces_, wide / 2 - surfaces_.widest())});
        });
        now_ = all.write(bench_, now_);
        dry(block, wall, Coat::Wax, words::waxIt, words::waxWay, words::wetMoves);
        driedFoot(block);
    }
    /// Its hollow is oval now: what goes in is as wide as it is narrow.
    void mountDry(const BlockForm& block)
    {
        const double wide = roughDiameter(surfaces_), wall = roughWall(2 * surfaces_.widest());
        const Setting held{.machine = Resource::Lathe,
                           .name = "held on, Ø",
                           .value = dried(block, wide - 2 * wall),
                           .formula = "rough Ø − 2 walls, dried across the grain",
                           .decimals = 0};
        step(Action::Mount, "mount-dry", "mounted-dry",
             {.title = says(words::mountOval),
              .why = says(words::driedOval),
              .how = says(words::mountOvalWay, held),
              .settings = {held},
              .minutes = 10,
              .uses = {Resource::Lathe},
              .held = {.set = true,
                       .by = Hold::Jam,
                       .diameter = held.value,
                       .depth = 10,
                       .overhang = height_,
                       .tailstock = true,
                       .rimToHead = true}});
    }
    /// What a size of the wet blank comes to across the grain.
    double dried(const BlockForm& block, double size) const
    {
        return driedSize(size, woodAt(piece_.layers[0], 0)->shrinkTangential, block.moisture, dryEnough);
    }
    static constexpr double trued = 2;  // mm on the diameter, of a tenon that dried oval
    /// A tenon is turned so wide while it is wet that the jaws still close on it once it is dry and round again.
    void wetFoot(const BlockForm& block)
    {
        if (foot_.by != Hold::Tenon) return;
        const Jaws& jaws = jawsNamed(shop_, foot_.jaws);
        const double share = dried(block, 1), least = (jaws.gripLeast + trued) / share;
        foot_.diameter = std::clamp(foot_.diameter, std::min(least, jaws.gripMost), jaws.gripMost);
    }
    /// A tenon that dried oval is turned round again, smaller; a recess only round again.
    void driedFoot(const BlockForm& block)
    {
        if (foot_.by == Hold::Tenon) foot_.diameter = dried(block, foot_.diameter) - trued;
    }
    /// Waits for wet wood to dry, until the meter says so or, where none is asked, about as long as it takes.
    void dry(const BlockForm& block, double thickness, Coat coat, const Pattern& title, const Pattern& how,
             const Pattern& why)
    {
        constexpr double day = 24 * 60;  // minutes
        const Species& wood = *woodAt(piece_.layers[0], 0);
        const double days =
            daysInTheRoom(thickness, block.moisture, dryEnough, heatedRoom, wood.density, slowedBy(coat));
        step(Action::Inspect, "coat-wet", "coated-wet",
             {.title = says(title), .why = says(words::driesEvenly), .how = says(how), .minutes = 10});
        const Setting dryAt{
            .name = "dry at, %", .value = dryEnough, .unit = Unit::Count, .source = "common practice", .decimals = 0},
            about{.name = "about, days",
                  .value = days,
                  .unit = Unit::Count,
                  .formula = "an inch a year, by its square",
                  .source = "common practice",
                  .decimals = 0};
        step(Action::Wait, "dry-wet", "dried",
             {.title = says(words::waitUntilDry, dryAt),
              .why = says(why),
              .how = says(words::weighItWeekly, about),
              .settings = {dryAt, about},
              .waitMinutes = std::max(0.0, days) * day,
              .untilPercent = dryEnough});
    }
    /// What dried on its last wall is oval: nothing but a hand follows it.
    void sandByHand()
    {
        StepSpec d{.title = says(words::sandOval),
                   .why = says(words::throughGrits),
                   .how = says(words::sandOvalWay),
                   .minutes = 45};
        sayGrits(piece_, shop_, SandedBy::Hand, d.settings, d.how);
        step(Action::Sand, "sand", "sanded", std::move(d));
    }

    void mountFirst(const std::string& id)
    {
        // The screw's hole goes into what is hollowed away; where nothing deep enough is, or only end grain, the ends
        // hold it.
        const BlockForm* block = piece_.layers[0].as<BlockForm>();
        const bool bark = block && block->shape == BlockForm::HalfLog && block->bark == BlockForm::AtRim;
        const bool screw = !bark && !vessel_ && depth_ >= screwLong + margin && rim_ > screwFlange / 2;
        const Setting flange{.machine = Resource::Lathe,
                             .name = "screw's flange, Ø",
                             .value = screwFlange,
                             .source = "common practice",
                             .decimals = 0},
            deep{.machine = Resource::Drill,
                 .name = "hole's depth",
                 .value = screwLong + 1,
                 .formula = "screw + 1 mm",
                 .source = "common practice",
                 .decimals = 0};
        StepSpec d{.title = says(screw     ? words::mountScrew
                                 : vessel_ ? words::mountVessel
                                           : words::mountFaceCenters),
                   .why = says(vessel_ ? words::footThenFreeEnd : words::outsideFirst),
                   .how = screw ? says(words::screwInRim, flange, deep)
                                : says(bark      ? words::spurInBark
                                       : vessel_ ? words::spurInRimEnd
                                                 : words::spurInRim),
                   .minutes = 8,
                   .uses = {Resource::Lathe},
                   .held = {.set = true,
                            .by = screw ? Hold::Screw : Hold::Centers,
                            .diameter = screw ? screwFlange : 25,
                            .depth = screw ? screwLong : 6,
                            .overhang = height_ + waste_.both(),
                            .tailstock = true,
                            .alongGrain = vessel_,
                            .rimToHead = true}};
        if (screw) d.settings = {flange, deep};
        step(Action::Mount, id, ("on-lathe-" + id).c_str(), std::move(d));
    }

    Setting footDiameter() const
    {
        return {.machine = Resource::Lathe,
                .name = foot_.by == Hold::Recess ? "recess, Ø" : "tenon, Ø",
                .value = foot_.diameter,
                .formula = "from the jaws' range and the foot",
                .decimals = 1};
    }
    Setting footDepth() const
    {
        return {.machine = Resource::Lathe,
                .name = foot_.by == Hold::Recess ? "its depth" : "its height",
                .value = foot_.depth,
                .source = "common practice",
                .decimals = 1};
    }

    /// A tenon stands below the foot; a recess goes into it.
    effect::Turn footTurned() const
    {
        if (foot_.by == Hold::Tenon) return tenonTurned({-waste_.foot, foot_.depth - waste_.foot}, foot_.diameter / 2);
        return {effect::Turn::Foot, Region::box({0, foot_.depth}, {nub / 2, foot_.diameter / 2})};
    }

    void turnFoot(const char* id, const char* gives)
    {
        if (foot_.by == Hold::Faceplate) return;
        const Setting wide = footDiameter(), deep = footDepth();
        const bool recess = foot_.by == Hold::Recess;
        StepSpec d{.title = says(recess ? words::turnFootRecess : words::turnFootTenon),
                   .why = says(words::servesAllMounts),
                   .how = says(recess ? words::footRecessTo : words::footTenonTo, wide, deep),
                   .settings = {wide, deep},
                   .minutes = 6,
                   .uses = {Resource::Lathe},
                   .effect = footTurned()};
        if (!recess) {
            auto notch = [](const char* name, double mm) -> Setting {
                return {.name = name, .value = mm, .formula = "the jaws' range", .decimals = 1};
            };
            const Jaws& jaws = jawsNamed(shop_, foot_.jaws);
            const Setting go = notch("goes over it", jaws.gripMost), no = notch("does not", jaws.gripLeast);
            d.settings.insert(d.settings.end(), {go, no});
            d.how.also(says(words::goNoGo, go, no));
        } else {
            const Setting stays = lengthAt(Resource::Lathe, "nub left under the cup, Ø", nub, "own value");
            d.settings.push_back(stays);
            d.how.also(says(words::nubUnderCup, stays));
        }
        step(Action::Turn, id, gives, std::move(d));
    }

    /// On what was turned for it at the foot; by a faceplate that may be its first mounting.
    void mountByFoot(const std::string& id, const Moment& moment)
    {
        const bool plate = foot_.by == Hold::Faceplate;
        const Setting wide = footDiameter(), deep = footDepth();
        const Setting circle{.machine = Resource::Lathe,
                             .name = "screws' circle, Ø",
                             .value = foot_.diameter,
                             .formula = "the foot less the screws' heads",
                             .decimals = 0},
            into{.machine = Resource::Drill,
                 .name = "screws go in",
                 .value = foot_.depth,
                 .source = "common practice",
                 .decimals = 0};
        StepSpec d{.title = says(moment.first ? words::mountFaceplate : words::reverse),
                   .why = says(moment.first ? words::oneHoldForBoth : words::insideFree),
                   .how = plate ? says(words::onFaceplate, circle, into)
                                : says(foot_.by == Hold::Recess ? words::jawsInFoot : words::jawsOnFoot, wide, deep),
                   .settings = plate ? std::vector{circle, into} : std::vector{wide, deep},
                   .minutes = 6,
                   .uses = {Resource::Lathe},
                   .held = {.set = true,
                            .by = foot_.by,
                            .diameter = foot_.diameter,
                            .depth = foot_.depth,
                            .overhang = height_ + waste_.both() - foot_.depth,
                            .tailstock = false,
                            .round = moment.round,
                            .alongGrain = vessel_,
                            .jaws = foot_.jaws}};
        if (!foot_.jaws.empty()) d.how.also(says(words::withJaws, foot_.jaws));
        if (moment.first) d.how.also(says(words::tailstockForOutside));
        step(Action::Mount, id, ("reversed-" + id).c_str(), std::move(d));
    }

    /// Bored right through: the waste under it closes the bore until it is parted off.
    bool isRing() const { return vessel_ && hollow_ && surfaces_.inside.front().x() <= 0; }
    void sayDownToWaste(StepSpec& d) const
    {
        constexpr double into = 1;  // mm, so that parting meets the bore; own value
        const Setting deep = lengthAt(Resource::Lathe, "deep, from the finished rim", height_ + into, "height + 1 mm"),
                      left = lengthAt({}, "waste left to close the bore", waste_.foot - foot_.depth - into,
                                      "waste − grip");
        d.settings.insert(d.settings.end(), {deep, left});
        d.how.also(says(words::hollowToWaste, deep, left));
    }

    void partRingOff()
    {
        const Setting waste =
            lengthAt(Resource::Lathe, "waste under it", waste_.foot, "the grip, and what closes the bore");
        step(Action::PartOff, "part-off", "parted",
             {.title = says(words::partRingOff),
              .why = says(words::wasteHasClosedBore),
              .how = says(words::partRingWay, waste),
              .settings = {waste},
              .minutes = 8,
              .uses = {Resource::Lathe},
              .effect = effect::Part{.stays = {0, farOut}}});
    }
    /// What is bored right through is a ring: no center holds it once it is parted from its waste.
    void mountRing()
    {
        const Setting wide =
            lengthAt(Resource::Lathe, "held on, Ø", 2 * surfaces_.outside.back().y(), "the rim, outside");
        step(Action::Mount, "mount-last", "on-its-rim",
             {.title = says(words::mountRingForFoot),
              .why = says(words::partedFaceRough),
              .how = says(words::ringInJam, wide),
              .settings = {wide},
              .minutes = 10,
              .uses = {Resource::Lathe},
              .held = {.set = true,
                       .by = Hold::Jam,
                       .diameter = wide.value,
                       .depth = 10,
                       .overhang = height_,
                       .round = true,
                       .alongGrain = vessel_,
                       .rimToHead = true}});
    }
    void trueRing()
    {
        step(Action::Turn, "foot-off", "foot-turned",
             {.title = says(words::trueFoot),
              .why = says(words::partedFaceRough),
              .how = says(words::trueFootWay),
              .minutes = 8,
              .uses = {Resource::Lathe}});
    }

    void mountLast()
    {
        struct Last {
            Hold by;
            const Pattern& how;
        };
        static const std::array<Last, 4> all{Last{Hold::Jam, words::inJam}, Last{Hold::Cushion, words::onCushion},
                                             Last{Hold::Buttons, words::inButtons},
                                             Last{Hold::Vacuum, words::onVacuum}};
        // A square edge goes into no round recess and between no buttons: a form that fits the hollow takes it.
        const LastMethod chosen = piece_.choices.last;
        const bool rim = chosen == LastMethod::Jam || chosen == LastMethod::Buttons;
        const Last& last = all[static_cast<size_t>(edged_ && rim ? LastMethod::Cushion : chosen)];
        // Outside where it goes into something, inside where something goes into it.
        const bool outside = last.by == Hold::Jam || last.by == Hold::Buttons || rim_ <= 0;
        // A cushion bears where there is a circle inside, not on wings or corners.
        const double inside = edged_ ? std::min(rim_, air_.low) : rim_;
        const double across = std::max(20.0, 2 * (outside ? surfaces_.outside.back().y() : inside));
        const Setting wide{.machine = Resource::Lathe,
                           .name = "held on, Ø",
                           .value = across,
                           .formula = outside  ? "the rim, outside"
                                      : edged_ ? "its largest circle inside"
                                               : "the rim, inside",
                           .decimals = 1};
        step(Action::Mount, "mount-last", "on-its-rim",
             {.title = says(words::mountForFoot),
              .why = says(words::tenonHasServed),
              .how = says(last.how, wide),
              .settings = {wide},
              .minutes = 10,
              .uses = {Resource::Lathe},
              .held = {.set = true,
                       .by = last.by,
                       .diameter = across,
                       .depth = 10,
                       .overhang = height_,
                       .tailstock = true,
                       .round = true,
                       .rimToHead = true}});
    }
    void turnFootOff()
    {
        step(Action::Turn, "foot-off", "foot-turned",
             {.title = says(foot_.by == Hold::Faceplate ? words::holesOff : words::tenonOff),
              .why = says(words::floorIsKnown),
              .how = says(words::footALittleHollow),
              .minutes = 12,
              .uses = {Resource::Lathe},
              .effect = effect::Turn{effect::Turn::Foot, Region::box({-waste_.foot, 0}, {0, farOut})}});
    }

    const Piece& piece_;
    const Shop& shop_;
    const TurnedSurfaces& surfaces_;
    FootHold foot_;
    Recipe& recipe_;
    Bench bench_;
    double height_;
    Range air_ = airSweep(piece_, surfaces_);
    bool edged_ = air_.high > 0;  // what turns is not seen all round
    bool hollow_;
    double depth_, rim_, corner_;
    double thickest_ = thickestWall(surfaces_);
    EndWaste waste_ = endWaste(piece_, shop_, surfaces_);
    bool vessel_ = isVessel(piece_);
    WorkItem now_;
};

}  // namespace

void blockRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, double corner,
                 const WorkItem& blank, Recipe& recipe)
{
    BlockWriter(piece, shop, surfaces, corner, recipe).write(blank);
}

}  // namespace vl
