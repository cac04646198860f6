#include "core/process/block_writer.h"

#include "core/words/turn.h"
#include "core/workpiece/turning.h"

#include <algorithm>

namespace vl {
namespace {

constexpr double trued = 2;  // mm on the diameter, of a tenon that dried oval

}  // namespace

void BlockWriter::turnWet(const BlockForm& block)
{
    const double wide = roughDiameter(surfaces_), wall = wetWall(surfaces_);
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
    if (foot_.by != Hold::Faceplate) does(all, Work::Grip, Access::Foot, [&] { turnFoot("foot-wet", "footed-wet"); });
    if (vessel_) does(all, Work::StartBore, Access::Rim, [&] { startBore(wide / 2 - surfaces_.widest()); });
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

void BlockWriter::mountDry(const BlockForm& block)
{
    const double wide = roughDiameter(surfaces_), wall = wetWall(surfaces_);
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

double BlockWriter::dried(const BlockForm& block, double size) const
{
    return driedSize(size, woodAt(piece_.layers[0], 0)->shrinkTangential, block.moisture, dryEnough);
}

void BlockWriter::wetFoot(const BlockForm& block)
{
    if (foot_.by != Hold::Tenon) return;
    const Jaws& jaws = jawsNamed(shop_, foot_.jaws);
    const double share = dried(block, 1), least = (jaws.gripLeast + trued) / share;
    foot_.diameter = std::clamp(foot_.diameter, std::min(least, jaws.gripMost), jaws.gripMost);
}

void BlockWriter::driedFoot(const BlockForm& block)
{
    if (foot_.by == Hold::Tenon) foot_.diameter = dried(block, foot_.diameter) - trued;
}

void BlockWriter::dry(const BlockForm& block, double thickness, Coat coat, const Pattern& title, const Pattern& how,
                      const Pattern& why)
{
    constexpr double day = 24 * 60;  // minutes
    const Species& wood = *woodAt(piece_.layers[0], 0);
    const double days = daysInTheRoom(thickness, block.moisture, dryEnough, heatedRoom, wood.density, slowedBy(coat));
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

void BlockWriter::sandByHand()
{
    StepSpec d{.title = says(words::sandOval),
               .why = says(words::throughGrits),
               .how = says(words::sandOvalWay),
               .minutes = 45};
    sayGrits(piece_, shop_, SandedBy::Hand, d.settings, d.how);
    step(Action::Sand, "sand", "sanded", std::move(d));
}

}  // namespace vl
