#include "core/workpiece/reversed_parts.h"

#include "core/constructions/construction.h"
#include "core/recipe/settings.h"
#include "core/wood/figure.h"
#include "core/words/inside_out.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

double farthest(int parts, double side)
{
    return parts == 2 ? side * std::sqrt(2.0) : std::max(side, 2 * side * std::cos(pi / parts));
}

/// The outer faces of a part whose middle lies towards `mid`.
std::vector<HalfSpace> outerFaces(int parts, double side, double mid)
{
    if (parts == 2) return {{outwards(mid), side, false}, {onwards(mid), side, false}, {-onwards(mid), side, false}};
    const double half = 180.0 / parts, off = side * std::sin(2 * pi / parts);
    return {{onwards(mid - half), off, false}, {-onwards(mid + half), off, false}};
}

/// One of the parts as it is ripped, before it is cut to length.
struct Ripped {
    double width, thickness, tilt;  ///< mm, mm, degrees off square
};
Ripped ripped(int parts, double side)
{
    if (parts == 2) return {2 * side, side, 0};
    return {side, side * std::sin(2 * pi / parts), std::abs(90 - 360.0 / parts)};
}

struct Held {
    const Pattern &together, &apart;
};
const Held& heldWith(InsideOutForm::Hold hold)
{
    static const std::array<Held, 4> all{
        Held{words::paperBetween, words::splitPaper}, Held{words::tapeBetweenParts, words::peelTape},
        Held{words::hotMeltEnds, words::alcoholFrees}, Held{words::screwsInWaste, words::screwsOut}};
    return all[static_cast<size_t>(hold)];
}

WorkItem cutAndMark(Bench& bench, const WorkItems& parts, int n, double side)
{
    const Ripped one = ripped(n, side);
    const Setting thick{Resource::Thicknesser, "part's thickness", one.thickness,
                        Unit::Length,          "side · sin 2π/n",  planeGeometry},
        wide{Resource::Saw, "part's width on its face", one.width, Unit::Length, "from the outline", planeGeometry},
        tilt{Resource::Saw, "blade tilt", one.tilt, Unit::Angle, "|90° − 360°/n|", planeGeometry, 1};
    StepSpec d{.title = says(words::cutParts, n, bench.name()),
               .why = says(words::windowsAlike),
               .settings = {thick, wide},
               .minutes = 10 + 5.0 * n,
               .uses = {Resource::Saw}};
    if (n == 2)
        d.how = says(words::boardParts, thick);
    else if (one.tilt < 0.01)
        d.how = says(words::squareParts, thick);
    else {
        d.settings.push_back(tilt);
        d.how = says(words::rhombParts, thick, tilt, wide);
    }
    const WorkItem cut = bench.step(Action::Cut, "cut", parts, "parts", std::move(d));
    return bench.step(Action::Mark, "number", {cut}, "numbered",
                      {.title = says(words::markParts, bench.name()),
                       .why = says(words::neverMixed),
                       .how = says(words::numberFaces),
                       .minutes = 8});
}

WorkItem assembleFirst(Bench& bench, const WorkItem& numbered, const InsideOutForm& form, const GlueJoint& joint)
{
    const Pattern& how = heldWith(form.hold).together;
    if (form.hold == InsideOutForm::Paper)
        return bench.glue("assemble", {numbered}, "first-assembly",
                          {.title = says(words::firstAssembly, bench.name()),
                           .why = says(words::crossesTogether),
                           .how = says(how),
                           .joint = joint,
                           .minutes = 12,
                           .uses = {Resource::Clamp}});
    return bench.step(Action::Mount, "assemble", {numbered}, "first-assembly",
                      {.title = says(words::firstAssembly, bench.name()),
                       .why = says(words::crossesTogether),
                       .how = says(how),
                       .minutes = 12});
}

WorkItem turnFirst(Bench& bench, const WorkItem& assembled, const InsideOutForm& form, double sweep, double minutes)
{
    WorkItem now = bench.step(Action::Mount, "mount-first", {assembled}, "first-mounted",
                              {.title = says(words::mountFirstAxis, bench.name()),
                               .why = says(words::jointsAreCenter),
                               .how = says(words::cupOnJoint),
                               .minutes = 6,
                               .uses = {Resource::Lathe},
                               .held = {.set = true,
                                        .by = Hold::Centers,
                                        .diameter = 20,
                                        .depth = 3,
                                        .tailstock = true,
                                        .alongGrain = true,
                                        .forNow = true}});
    const Setting from = lengthAt(Resource::Lathe, "first turning from", form.from),
                  to = lengthAt(Resource::Lathe, "first turning to", form.to),
                  ends = lengthAt(Resource::Lathe, "Ø at both ends", 2 * form.ends),
                  middle = lengthAt(Resource::Lathe, "Ø in the middle", 2 * form.radius),
                  reach = lengthAt(Resource::Lathe, "corners sweep", sweep, "the parts' diagonal");
    now = bench.step(Action::Turn, turnFirstStep, {now}, "first-turned",
                     {.title = says(words::turnFirst, bench.name()),
                      .why = says(words::becomesWindow),
                      .how = says(words::firstOutline, from, to, ends, middle, reach).also(says(words::firstTemplate)),
                      .settings = {from, to, ends, middle, reach},
                      .minutes = 25,
                      .uses = {Resource::Lathe},
                      .effect = effect::TurnFirst{}});
    return bench.step(Action::Finish, "finish-first", {now}, "inside-finished",
                      {.title = says(words::sandFirst),
                       .why = says(words::lastTimeSeen),
                       .how = says(words::maskJoints),
                       .minutes = 25,
                       .uses = {Resource::Lathe},
                       .waitMinutes = minutes});
}

void buildParts(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const Layer& l = site.layer();
    const auto& form = site.form<InsideOutForm>();
    const int n = form.count();
    const double side = wantedOuter(site, b) / heldBy(n), length = b.z1 - b.z0;
    b.stock = {1, 2 * side * heldBy(n), 0};
    b.sectors = n;
    b.corner = farthest(n, side);
    holdStraight(b, side * heldBy(n), 0);
    const Ripped one = ripped(n, side);
    const double section = n == 2 ? 4 * side * side : n * side * side * std::sin(2 * pi / n);
    b.volume = section * length;
    b.planeTo = one.thickness;
    for (int k = 0; k < n; ++k) {
        b.woods.push_back(woodAt(l, k));
        const double mid = b.phaseDeg + 360.0 * k / n;
        Cell c{b.woods.back(), k, segmentSeed(site.index, static_cast<size_t>(k)), mid - 180.0 / n, mid + 180.0 / n};
        c.faces = outerFaces(n, side, mid);
        c.board.axes.row(0) = Eigen::Vector3d::UnitX();
        c.board.axes.row(1) = onwards(mid);
        c.board.axes.row(2) = outwards(mid);
        c.board.origin = {b.z0, 0, 0};
        b.lay(c);
    }
    for (const Species* wood : b.woods)
        addPart(out.parts, squarePart(site, {.id = wood->id,
                                             .name = std::string(wood->name) + " part",
                                             .wood = wood,
                                             .length = b.glued + 2 * l.sandingLoss,
                                             .width = one.width,
                                             .thickness = one.thickness,
                                             .grain = "along the axis"}));
    const GlueJoint joint{.faces = JointFaces::LongGrain,
                          .area = (n == 2 ? 2 : n) * side * length,
                          .joints = n == 2 ? 1 : n,
                          .woods = woodsIn(b)};
    GlueJoint left = joint;
    if (const auto blank = insideOutOf(site.piece, site.surfaces.outside))
        left.area = jointsLeft(site.piece, site.surfaces.outside, *blank);
    left.open = true;
    const Setting area{.name = "glue face in all, in square cm",
                       .value = left.area / 100,
                       .unit = Unit::Count,
                       .formula = "joints left at both ends",
                       .source = planeGeometry,
                       .decimals = 1};
    b.settings = {
        lengthAt(Resource::Lathe, "part's side", side, "held circle / share of the parts"),
        lengthAt(Resource::Lathe, "first axis from the second", InsideOut{side, 0, 0, n}.far(), "the parts' diagonal")};
    out.steps = [=, &l, finish = site.shop.finishMinutes](Bench& bench, const WorkItems& parts) {
        WorkItem now = cutAndMark(bench, parts, n, side);
        now = assembleFirst(bench, now, form, joint);
        now = turnFirst(bench, now, form, farthest(n, side), finish);
        now = bench.step(Action::Split, "apart", {now}, "apart",
                         {.title = says(words::takeApart, bench.name()),
                          .why = says(words::nothingLeft),
                          .how = says(heldWith(form.hold).apart),
                          .minutes = 12});
        now = bench.glue(reassembleStep, {now}, "reassembled",
                         {.title = says(words::reassemble, bench.name()),
                          .why = says(words::crossesInside),
                          .how = says(words::jointsThatStay, area),
                          .joint = left,
                          .settings = {area},
                          .minutes = 15,
                          .uses = {Resource::Clamp},
                          .effect = effect::Reassemble{}});
        return flattenFaces(bench, now, l, 5);
    };
}

/// The first outline seen in the second assembly, at 12 o'clock, where a part's diagonal lies: what is hollow there.
std::vector<LayerHandle> partHandles(const Site& site, const BuiltLayer& b)
{
    const auto& form = site.form<InsideOutForm>();
    const auto blank = insideOutOf(site.piece, site.surfaces.outside);
    if (!blank) return {};
    const double far = blank->at(b.z0, 1).far();
    const auto handle = [&](const char* name, double z, double radius, double value, auto drag) {
        return LayerHandle{name, {z, std::max(0.0, far - radius)}, value, Unit::Length, drag};
    };
    return {handle("first turning, middle", (form.from + form.to) / 2, form.radius, form.radius,
                   [far](Layer& q, const Point& p) { q.as<InsideOutForm>()->radius = far - p.y(); }),
            handle("first turning, from", form.from, form.ends, form.from,
                   [far](Layer& q, const Point& p) {
                       q.as<InsideOutForm>()->from = std::min(p.x(), q.as<InsideOutForm>()->to - 2);
                       q.as<InsideOutForm>()->ends = far - p.y();
                   }),
            handle("first turning, to", form.to, form.ends, form.to, [far](Layer& q, const Point& p) {
                q.as<InsideOutForm>()->to = std::max(p.x(), q.as<InsideOutForm>()->from + 2);
                q.as<InsideOutForm>()->ends = far - p.y();
            })};
}

}  // namespace

const Construction& constructionOf(const InsideOutForm&)
{
    static constexpr Construction insideOut{
        .build = buildParts, .segment = "part", .noun = "parts", .handles = partHandles};
    return insideOut;
}

}  // namespace vl
