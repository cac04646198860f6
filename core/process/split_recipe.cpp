#include "core/process/split_recipe.h"

#include "core/recipe/settings.h"
#include "core/words/inlay.h"

#include <algorithm>

namespace vl {
namespace {

/// What the plane of the split cuts through, mm².
double splitArea(const TurnedSurfaces& surfaces)
{
    double area = 0;
    for (size_t i = 1; i < surfaces.outside.size(); ++i)
        area += (surfaces.outside[i].x() - surfaces.outside[i - 1].x()) *
                (surfaces.outside[i].y() + surfaces.outside[i - 1].y());
    return area;
}

std::vector<const Species*> woodsOfBlank(const Piece& piece)
{
    std::vector<const Species*> woods;
    for (const Layer& l : piece.layers)
        for (const std::string& id : l.woods)
            if (const Species* s = &speciesOf(id); std::ranges::find(woods, s) == woods.end()) woods.push_back(s);
    return woods;
}

}  // namespace

void sayTemplate(const Piece& piece, std::vector<Setting>& settings, Text& how)
{
    if (!piece.split.on) return;
    const Setting size = lengthAt(Resource::Lathe, "template's size", piece.split.size, "the blank's Ø as it came out");
    const double radius = sideRadius(piece.split);
    settings.push_back(size);
    if (radius > 0) {
        settings.push_back(lengthAt(Resource::Lathe, "sides' radius", radius, "chord and sagitta", 2));
        how.also(says(words::truToTemplate, size, settings.back()));
    } else
        how.also(says(words::straightTemplate, size));
}

void sayLightly(const Piece& piece, Text& how)
{
    if (piece.split.on) how.also(says(words::sandLightly));
}

WorkItem halved(const Piece& piece, Bench& bench, const WorkItem& blank)
{
    if (!piece.split.on) return blank;
    const Setting waste = lengthAt({}, "waste at each end", piece.split.waste);
    const WorkItem two = bench.step(Action::Cut, "halve", {blank}, "halves",
                                    {.title = says(words::halveBlank),
                                     .why = says(words::planeOfSplit),
                                     .how = says(words::halveWay),
                                     .minutes = 15,
                                     .uses = {Resource::Saw}});
    return bench.glue(glueWasteStep, {two}, "glued-in-waste",
                      {.title = says(words::glueWaste),
                       .why = says(words::wasteHolds),
                       .how = says(words::glueWasteWay, waste),
                       .joint = {.faces = JointFaces::LongGrain,
                                 .area = 2 * piece.split.waste * piece.split.size,
                                 .joints = 2,
                                 .woods = woodsOfBlank(piece)},
                       .settings = {waste},
                       .minutes = 10,
                       .uses = {Resource::Clamp},
                       .waitTitle = says(words::leaveHalves)});
}

WorkItem turnedOn(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, const WorkItem& turned)
{
    if (!piece.split.on) return turned;
    WorkItem now = bench.step(Action::Cut, "waste-off", {turned}, "tips-bare",
                              {.title = says(words::sawWasteOff),
                               .why = says(words::onlyTapeNow),
                               .how = says(words::sawWasteWay),
                               .minutes = 10,
                               .effect = effect::Part{.stays = {0, outlineHeight(piece)}}});
    now = bench.step(Action::Split, openStep, {now}, "opened",
                     {.title = says(words::wedgeOpen),
                      .why = says(words::alikeUnderTurn),
                      .how = says(words::turnOnWay),
                      .minutes = 12,
                      .effect = effect::Open{}});
    const Setting on = angleAt({}, "one half turned on by", 360.0 / piece.split.fold, "360° / fold");
    now = bench.glue(turnOnStep, {now}, "turned-on",
                     {.title = says(words::rotateHalf, on),
                      .why = says(words::alikeUnderTurn),
                      .how = says(words::bandsRound),
                      .joint = {.faces = JointFaces::LongGrain,
                                .area = splitArea(surfaces),
                                .joints = 1,
                                .woods = woodsOfBlank(piece)},
                      .settings = {on},
                      .minutes = 12,
                      .uses = {Resource::Clamp},
                      .waitTitle = says(words::leaveHalves),
                      .effect = effect::TurnOn{}});
    return bench.step(Action::Sand, "level-joint", {now}, "joint-level",
                      {.title = says(words::levelJoint),
                       .why = says(words::fingerFeels),
                       .how = says(words::levelJointWay),
                       .minutes = 10});
}

}  // namespace vl
