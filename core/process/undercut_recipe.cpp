#include "core/process/undercut_recipe.h"

#include "core/recipe/settings.h"
#include "core/words/turn.h"

#include <algorithm>

namespace vl {
namespace {

Setting acrossAt(const char* name, double radius)
{
    return lengthAt(Resource::Lathe, name, 2 * radius, "measured on the drawing");
}

WorkItem hollowAtRim(const Undercut& u, int number, Bench& bench, const WorkItem& now)
{
    const std::string name = std::to_string(number + 1);
    const bool post = u.across.low > 0;
    const Setting from = acrossAt(post ? "post, Ø" : "from the middle, Ø", u.across.low),
                  to = acrossAt("hollowed out to, Ø", u.across.high),
                  deep = lengthAt(Resource::Lathe, "deep, from the rim beside it", u.along.high - u.along.low,
                                  "measured on the drawing");
    StepSpec d{.title = says(post ? words::hollowRoundPost : words::hollowRimEnd),
               .why = {},
               .how = post ? says(words::roundPostWay, to, from) : says(words::rimEndWay, to),
               .settings = post ? std::vector{from, to, deep} : std::vector{to, deep},
               .minutes = 30,
               .uses = {Resource::Lathe},
               .effect = effect::Turn{effect::Turn::Inside, u.air}};
    d.how.also(says(words::toDepth, deep));
    return bench.step(Action::Turn, "hollow-at-rim-" + name, {now}, "hollowed-at-rim-" + name, std::move(d));
}

WorkItem turnUnder(const Undercut& u, int number, Bench& bench, const WorkItem& now)
{
    const std::string name = std::to_string(number + 1);
    const auto station = [](const char* what, double z) {
        return lengthAt(Resource::Lathe, what, z, "station, from the foot");
    };
    const Setting from = station("from station", u.along.low), to = station("to station", u.along.high),
                  down = acrossAt("down to, Ø", u.across.low);
    return bench.step(Action::Turn, "undercut-" + name, {now}, "undercut-" + name,
                      {.title = says(words::turnUnder, down),
                       .why = {},
                       .how = says(words::turnUnderWay, from, to, down),
                       .settings = {from, to, down},
                       .minutes = 20,
                       .uses = {Resource::Lathe},
                       .effect = effect::Turn{effect::Turn::Outside, u.air}});
}

/// Recesses of the foot that the inside has not taken: a bore may be wider than they are.
std::vector<Undercut> footRecesses(const Piece& piece, const TurnedSurfaces& surfaces)
{
    std::vector<Undercut> all = undercutsOf(piece, OpensTo::Foot);
    if (all.empty()) return all;
    const Region hollow = surfaces.hollow();
    std::erase_if(all, [&](const Undercut& u) { return (u.air - hollow).cleaned().empty(); });
    return all;
}

}  // namespace

void addUndercuts(const Piece& piece, Operations& all)
{
    int number = 0;
    for (const Undercut& u : undercutsOf(piece, OpensTo::Side)) {
        all.add(Operation{Work::Undercut, Access::Outside, number,
                          [u, number](Bench& bench, const WorkItem& now) { return turnUnder(u, number, bench, now); }});
        ++number;
    }
    number = 0;
    for (const Undercut& u : undercutsOf(piece, OpensTo::Rim)) {
        all.add(Operation{Work::Hollow, Access::Rim, number, [u, number](Bench& bench, const WorkItem& now) {
                              return hollowAtRim(u, number, bench, now);
                          }});
        ++number;
    }
}

bool hasFootRecess(const Piece& piece, const TurnedSurfaces& surfaces)
{
    return !footRecesses(piece, surfaces).empty();
}

void sayFootRecess(const Piece& piece, const TurnedSurfaces& surfaces, StepSpec& doing)
{
    Region air;
    for (const Undercut& u : footRecesses(piece, surfaces)) {
        const Setting wide = acrossAt("recess in the foot, Ø", u.across.high),
                      deep = lengthAt(Resource::Lathe, "recess, deep", u.along.high - u.along.low,
                                      "measured on the drawing");
        doing.settings.insert(doing.settings.end(), {wide, deep});
        doing.how.also(says(words::recessTheFoot, wide, deep));
        if (u.across.low > 0) {
            doing.settings.push_back(acrossAt("what stands in it, Ø", u.across.low));
            doing.how.also(says(words::standsInRecess, doing.settings.back()));
        }
        air = air | u.air;
    }
    if (air.empty()) return;
    const auto* turned = std::get_if<effect::Turn>(&doing.effect);
    doing.effect = effect::Turn{effect::Turn::Foot, turned ? turned->away | air : air};
}

void sayRoomForPost(const RimEnd& rim, StepSpec& mounting)
{
    if (rim.post <= 0) return;
    mounting.settings.push_back(lengthAt(Resource::Lathe, "post beyond the rim", rim.post, "measured on the drawing"));
    mounting.how.also(says(words::roomForPost, mounting.settings.back()));
}

void addFootRecess(const Piece& piece, const TurnedSurfaces& surfaces, Operations& all)
{
    if (!hasFootRecess(piece, surfaces)) return;
    const RimEnd end = rimEnd(surfaces);
    Mounting jam{.rimToHead = true, .center = true, .needs = {Work::PartOff}};
    jam.write = [end, height = outlineHeight(piece)](Bench& bench, const WorkItem& now, const Moment&) {
        const Setting rim = acrossAt("held on, Ø", std::max(10.0, end.radius));
        StepSpec d{.title = says(words::mountForFoot),
                   .why = says(words::partedFaceRough),
                   .how = says(words::inJam, rim),
                   .settings = {rim},
                   .minutes = 10,
                   .uses = {Resource::Lathe},
                   .held = {.set = true,
                            .by = Hold::Jam,
                            .diameter = rim.value,
                            .depth = 10,
                            .overhang = height,
                            .tailstock = true,
                            .round = true,
                            .rimToHead = true}};
        sayRoomForPost(end, d);
        return bench.step(Action::Mount, "mount-recess", {now}, "on-its-rim-for-recess", std::move(d));
    };
    all.add(std::move(jam));
    all.add(Operation{Work::FreeFoot, Access::Foot, 0, [&piece, &surfaces](Bench& bench, const WorkItem& now) {
                          StepSpec d{.title = says(words::recessFoot),
                                     .why = says(words::floorIsKnown),
                                     .how = says(words::nubUnderCenter),
                                     .minutes = 15,
                                     .uses = {Resource::Lathe}};
                          sayFootRecess(piece, surfaces, d);
                          d.how.also(says(words::nubLast));
                          return bench.step(Action::Turn, "recess-foot", {now}, "foot-recessed", std::move(d));
                      }});
}

}  // namespace vl
