#include "core/process/block_writer.h"

#include "core/process/undercut_recipe.h"
#include "core/process/worked_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/turn.h"
#include "core/workpiece/turning.h"

#include <algorithm>
#include <array>

namespace vl {
namespace {

constexpr double screwLong = 25, screwFlange = 60;  // mm, a usual worm screw; common practice
constexpr double nub = 20;                          // mm, that stands under the live cup; own value
constexpr double margin = 6;                        // mm left under a screw's point or a recess; own value

}  // namespace

void BlockWriter::mountFirst(const std::string& id)
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

Setting BlockWriter::footDiameter() const
{
    return {.machine = Resource::Lathe,
            .name = foot_.by == Hold::Recess ? "recess, Ø" : "tenon, Ø",
            .value = foot_.diameter,
            .formula = "from the jaws' range and the foot",
            .decimals = 1};
}

Setting BlockWriter::footDepth() const
{
    return {.machine = Resource::Lathe,
            .name = foot_.by == Hold::Recess ? "its depth" : "its height",
            .value = foot_.depth,
            .source = "common practice",
            .decimals = 1};
}

effect::Turn BlockWriter::footTurned() const
{
    if (foot_.by == Hold::Tenon) return tenonTurned({-waste_.foot, foot_.depth - waste_.foot}, foot_.diameter / 2);
    return {effect::Turn::Foot, Region::box({0, foot_.depth}, {nub / 2, foot_.diameter / 2})};
}

void BlockWriter::turnFoot(const char* id, const char* gives)
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
               .effect = {}};
    if (!recessOpen_) d.effect = footTurned();  // once it is there, it is only made round again
    if (!recess) {
        auto notch = [](const char* name, double mm) -> Setting {
            return {.name = name, .value = mm, .formula = "the jaws' range", .decimals = 1};
        };
        const Jaws& jaws = jawsNamed(shop_, foot_.jaws);
        const Setting go = notch("goes over it", jaws.gripMost), no = notch("does not", jaws.gripLeast);
        d.settings.insert(d.settings.end(), {go, no});
        d.how.also(says(words::goNoGo, go, no));
    } else if (!recessOpen_) {
        const Setting stays = lengthAt(Resource::Lathe, "nub left under the cup, Ø", nub, "own value");
        d.settings.push_back(stays);
        d.how.also(says(words::nubUnderCup, stays));
        recessOpen_ = true;
        nubStep_ = std::string("nub-of-") + id;
    }
    step(Action::Turn, id, gives, std::move(d));
}

Held BlockWriter::footHeld(bool round) const
{
    return {.set = true,
            .by = foot_.by,
            .diameter = foot_.diameter,
            .depth = foot_.depth,
            .overhang = height_ + waste_.both() - foot_.depth,
            .round = round,
            .alongGrain = vessel_,
            .jaws = foot_.jaws};
}

void BlockWriter::cutNubOff()
{
    if (nubStep_.empty()) return;
    step(Action::Carve, nubStep_, nubStep_ + "-off",
         {.title = says(words::cutNub),
          .why = says(words::jawsNeedFloor),
          .how = says(words::cutNubWay),
          .minutes = 4,
          .effect = effect::Turn{effect::Turn::Foot, Region::box({0, foot_.depth}, {0, nub / 2})}});
    nubStep_.clear();
}

void BlockWriter::mountByFoot(const std::string& id, const Moment& moment)
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
    cutNubOff();
    StepSpec d{.title = says(moment.first ? words::mountFaceplate : words::reverse),
               .why = says(moment.first ? words::oneHoldForBoth : words::insideFree),
               .how = plate ? says(words::onFaceplate, circle, into)
                            : says(foot_.by == Hold::Recess ? words::jawsInFoot : words::jawsOnFoot, wide, deep),
               .settings = plate ? std::vector{circle, into} : std::vector{wide, deep},
               .minutes = 6,
               .uses = {Resource::Lathe},
               .held = footHeld(moment.round)};
    if (!foot_.jaws.empty()) d.how.also(says(words::withJaws, foot_.jaws));
    if (moment.first) d.how.also(says(words::tailstockForOutside));
    step(Action::Mount, id, ("reversed-" + id).c_str(), std::move(d));
}

void BlockWriter::partRingOff()
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

void BlockWriter::mountRing()
{
    const Setting wide = lengthAt(Resource::Lathe, "held on, Ø", 2 * rimEnd(surfaces_).radius, "the rim, outside");
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

void BlockWriter::trueRing()
{
    StepSpec d{.title = says(words::trueFoot),
               .why = says(words::partedFaceRough),
               .how = says(words::trueFootWay),
               .minutes = 8,
               .uses = {Resource::Lathe}};
    sayFootRecess(piece_, surfaces_, d);
    step(Action::Turn, "foot-off", "foot-turned", std::move(d));
}

void BlockWriter::mountLast()
{
    struct Last {
        Hold by;
        const Pattern& how;
    };
    static const std::array<Last, 4> all{Last{Hold::Jam, words::inJam}, Last{Hold::Cushion, words::onCushion},
                                         Last{Hold::Buttons, words::inButtons}, Last{Hold::Vacuum, words::onVacuum}};
    // A square edge goes into no round recess and between no buttons: a form that fits the hollow takes it.
    const LastMethod chosen = piece_.choices.last;
    const bool rim = chosen == LastMethod::Jam || chosen == LastMethod::Buttons;
    const bool edgedRim = edged_ && rimEnd(surfaces_).radius > air_.low;
    const Last& last = all[static_cast<size_t>(edgedRim && rim ? LastMethod::Cushion : chosen)];
    // Outside where it goes into something, inside where something goes into it.
    const bool outside = last.by == Hold::Jam || last.by == Hold::Buttons || rim_ <= 0;
    // A cushion bears where there is a circle inside, not on wings or corners.
    const double inside = edgedRim ? std::min(rim_, air_.low) : rim_;
    const RimEnd end = rimEnd(surfaces_);
    const double across = std::max(20.0, 2 * (outside ? end.radius : inside));
    const Setting wide{.machine = Resource::Lathe,
                       .name = "held on, Ø",
                       .value = across,
                       .formula = outside    ? "the rim, outside"
                                  : edgedRim ? "its largest circle inside"
                                             : "the rim, inside",
                       .decimals = 1};
    StepSpec d{.title = says(words::mountForFoot),
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
                        .rimToHead = true}};
    sayRoomForPost(end, d);
    step(Action::Mount, "mount-last", "on-its-rim", std::move(d));
}

void BlockWriter::turnFootOff()
{
    StepSpec d{.title = says(foot_.by == Hold::Faceplate ? words::holesOff : words::tenonOff),
               .why = says(words::floorIsKnown),
               .how = {},
               .minutes = 12,
               .uses = {Resource::Lathe},
               .effect = effect::Turn{effect::Turn::Foot, Region::box({-waste_.foot, 0}, {0, farOut})}};
    sayFootFreed(piece_, surfaces_, d);
    step(Action::Turn, "foot-off", "foot-turned", std::move(d));
}

}  // namespace vl
