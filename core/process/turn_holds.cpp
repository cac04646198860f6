#include "core/process/turn_writer.h"

#include "core/process/axis_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/inside_out.h"
#include "core/words/turn.h"

#include <algorithm>

namespace vl {

void TurnWriter::mountBetweenCenters()
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

void TurnWriter::mountOnMandrel()
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

const Step* TurnWriter::blockMounted() const
{
    const auto mounted = std::ranges::find_if(
        recipe_, [](const Step& s) { return s.held.set && std::holds_alternative<effect::Bring>(s.effect); });
    return mounted == recipe_.end() ? nullptr : &*mounted;
}

Held TurnWriter::grip() const
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

void TurnWriter::offerBlock(Operations& all)
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

void TurnWriter::offerChuck(Operations& all)
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

void TurnWriter::turnTenon()
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

}  // namespace vl
