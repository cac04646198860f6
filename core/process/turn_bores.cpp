#include "core/process/turn_writer.h"

#include "core/process/cut_recipe.h"
#include "core/process/shared_steps.h"
#include "core/recipe/settings.h"
#include "core/wood/filler.h"
#include "core/words/turn.h"

#include <algorithm>

namespace vl {

bool TurnWriter::hollow(Operations& all)
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

void TurnWriter::openOnAxis()
{
    now_ = faceRim(outlineHeight(piece_), waste_.high, words::noCenterAnyMore, bench_, now_);
    if (drilledThrough()) boreInChuck();
    now_ = drillHoles(piece_, surfaces_, bench_, now_, HolesOf::RimsMiddle);
}

void TurnWriter::boreInChuck()
{
    constexpr double into = 1;  // mm, so that parting meets the bore; own value
    const double height = outlineHeight(piece_);
    const Setting wide = boreSetting(), deep = lengthAt(Resource::Lathe, "deep", height + into, "height + 1 mm"),
                  left =
                      lengthAt({}, "waste left to close the bore", waste_.low - tenon_.depth - into, "waste − tenon");
    Setting speed = boringSpeed(wide.value);
    if (speed.value > heldAtOneEnd) {
        speed.value = heldAtOneEnd;
        speed.formula = "own value for what one end holds";
        speed.source = "";
    }
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

void TurnWriter::lineBore()
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

}  // namespace vl
