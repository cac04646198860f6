#include "core/blank/faces.h"
#include "core/constructions/construction.h"

#include "core/geometry/stave.h"
#include "core/piece/records/field_items.h"
#include "core/wood/figure.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/glue.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr const char* pyramid = "geometry of the regular pyramid";

/// The flat stave that a curved wall fits into: its outer face clears the outside by the allowance everywhere, its
/// inner face the inside.
Stave fittingStave(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    const auto& form = site.form<StavesForm>();
    Stave s;
    s.sides = form.segments;
    s.height = b.z1 - b.z0;
    const Polyline outside = between(site.surfaces.outside, b.z0, b.z1);
    const Polyline inside = between(site.surfaces.inside, b.z0, b.z1);
    const Limit slopes = fieldOf(&StavesForm::slope).limit;
    if (form.slope)
        s.slopeDeg = *form.slope;
    else if (outside.size() > 1)
        s.slopeDeg = std::clamp(std::atan2(outside.back().y() - outside.front().y(), s.height) / degrees, slopes.low,
                                slopes.high);
    const double rise = std::tan(s.slopeDeg * degrees);
    double start = 0.5;
    for (const Point& p : outside) start = std::max(start, p.y() + l.outerAllowance - rise * (p.x() - b.z0));
    if (l.stockOuter) start = *l.stockOuter / 2;
    // Neither end may run to a point.
    s.bottom = 2 * std::max({start, 1.0, 1.0 - rise * s.height});
    double thick = 1;
    const double share = std::cos(pi / s.sides), slant = std::cos(s.slopeDeg * degrees);
    for (const double z : {b.z0, b.z1})
        if (inside.size() < 2) thick = std::max(thick, (s.bottom / 2 + rise * (z - b.z0)) * slant);
    for (const Point& p : inside) {
        const double bore = std::max(0.0, (l.stockInner ? *l.stockInner / 2 : p.y() - l.innerAllowance));
        thick = std::max(thick, (s.bottom / 2 + rise * (p.x() - b.z0) - bore * share) * slant);
    }
    s.thickness = thick;
    return s;
}

/// The stave as it is cut: longer by what flattening takes off its two ends, and by what is parted off the layer.
Stave asCut(Stave s, const BuiltLayer& b, double loss)
{
    const double rise = std::tan(s.slopeDeg * degrees);
    s.height = b.glued + 2 * loss;
    s.bottom = std::max({s.bottom - 2 * loss * rise, 0.5, 0.5 - 2 * s.height * rise});
    return s;
}

void layStaves(const Site& site, const Stave& s, bool along, BuiltLayer& b)
{
    const int n = s.sides;
    const double slope = s.slopeDeg * degrees;
    double density = 0;
    for (int k = 0; k < n; ++k) {
        b.woods.push_back(woodAt(site.layer(), k));
        density += b.woods.back()->density;
        const double mid = b.phaseDeg + 360.0 * k / n;
        Cell c{b.woods.back(), k, segmentSeed(site.index, static_cast<size_t>(k)), mid - 180.0 / n, mid + 180.0 / n};
        const Eigen::Vector3d up = std::cos(slope) * Eigen::Vector3d::UnitX() + std::sin(slope) * outwards(mid);
        const Eigen::Vector3d out = std::cos(slope) * outwards(mid) - std::sin(slope) * Eigen::Vector3d::UnitX();
        const double face = out.dot(pointAt(b.z0, s.bottom / 2, mid));
        c.faces = {{out, face, false}, {-out, s.thickness - face, false}};
        c.board.axes.row(0) = along ? up : onwards(mid);
        c.board.axes.row(1) = along ? onwards(mid) : up;
        c.board.axes.row(2) = out;
        c.board.origin = pointAt(b.z0, s.bottom / 2, mid);
        b.lay(c);
    }
    b.density = density / n;
}

/// What is set at the saw for it.
struct StaveSettings {
    Setting tilt, taper;
};
StaveSettings staveSettings(const Stave& s, bool jig)
{
    using enum Unit;
    return {.tilt = {Resource::Saw, "blade tilt", s.bladeTiltDeg(), Angle, "asin(cos s · sin(180°/n))", pyramid, 3},
            .taper = {Resource::Saw, jig ? "taper jig" : "miter gauge", std::abs(s.edgeTaperDeg()), Angle,
                      "atan(sin s · tan(180°/n))", pyramid, 3}};
}

/// Volume of one stave as it is cut, mm³: of the flat-faced body itself, as thick staves run to an edge on the axis,
/// which no formula of two frustums holds.
double volumeAsCut(BuiltLayer b, double loss)
{
    b.z0 -= loss;
    b.z1 = b.z0 + b.glued + 2 * loss;
    return volumeOf(convexBody(b.body(b.cells[0]), 4 * std::max(b.corner, b.z1)));
}

Part stavePart(const Site& site, const Stave& s, bool jig, const Species* wood, const BuiltLayer& b)
{
    const double top = s.faceWidth(s.top()), bottom = s.faceWidth(s.bottom), wide = std::max(top, bottom);
    const double tilt = s.bladeTiltDeg() * degrees, taper = std::abs(s.edgeTaperDeg());
    Part p;
    p.id = site.layer().id + "-" + wood->id;
    p.name = print(says(words::staveOfLayer, wood->name, site.number()));
    p.count = static_cast<int>(std::ranges::count(b.woods, wood));
    p.species = wood;
    p.thickness = s.thickness;
    p.volume = volumeAsCut(b, site.layer().sandingLoss);
    if (jig) {
        p.length = p.shortEdge = s.slant();
        p.width = wide;
        p.left = p.right = {0, std::abs(s.slopeDeg)};
        p.grain = "along the stave";
        const double slope = std::abs(s.slopeDeg) * degrees;
        p.pitch = p.length + site.shop.kerf / std::cos(slope);
        p.lead = s.thickness * std::tan(slope) + site.shop.kerf / std::cos(slope);
    } else {
        p.length = wide;
        p.shortEdge = std::min(top, bottom);
        p.width = s.slant() + s.thickness * std::tan(std::abs(s.slopeDeg) * degrees);
        p.left = p.right = {taper, s.bladeTiltDeg()};
        p.grain = "across the stave";
        p.pitch = (top + bottom) / 2 + site.shop.kerf / std::cos(tilt);
        p.lead = p.width * std::tan(taper * degrees) + 2 * s.thickness * std::tan(tilt);
    }
    return p;
}

void buildStaves(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const Layer& l = site.layer();
    const Stave s = fittingStave(site, b);
    const int n = s.sides;
    const bool jig = site.piece.choices.staves == StaveMethod::TaperJig;
    b.stock = {n, std::max(s.bottom, s.top()), 0};
    b.sectors = n;
    b.outerHold = {{b.z0, s.bottom / 2}, {b.z1, s.top() / 2}};
    const double in0 = s.innerCorner(s.bottom), in1 = s.innerCorner(s.top());
    if (in0 > 0 || in1 > 0) b.innerHold = {{b.z0, in0}, {b.z1, in1}};
    // Thick staves meet on the axis at one end: the bore begins where their inner faces come to it.
    const double closes = s.closesAt();
    if (closes > 0 && closes < s.height && (in0 <= 0) != (in1 <= 0))
        b.innerHold.insert(b.innerHold.begin() + 1, {b.z0 + closes, 0});
    b.stock.inner = 2 * std::min(in0, in1);
    b.corner = std::max(s.bottom, s.top()) / 2 / std::cos(pi / n);
    layStaves(site, s, jig, b);
    // Of the flat-faced body itself: thick staves run to an edge on the axis, which no formula of two frustums holds.
    b.volume = n * volumeOf(convexBody(b.body(b.cells[0]), 4 * std::max(b.corner, b.z1)));
    b.planeTo = s.thickness;

    const Stave cut = asCut(s, b, l.sandingLoss);
    const StaveSettings set = staveSettings(s, jig);
    using enum Unit;
    b.settings = {
        set.tilt,
        set.taper,
        {Resource::None, "slope of the wall", s.slopeDeg, Angle, "atan((r top − r bottom) / height)", pyramid, 2, false,
         "form.slope_deg"},
        {Resource::Thicknesser, "stave thickness", s.thickness, Length, "curve between flat faces",
         "measured on the drawing"},
        {Resource::Saw, "stave length", cut.slant(), Length, "(height + 2 · flattening) / cos s", pyramid},
        {Resource::None, "width at the top", cut.faceWidth(cut.top()), Length, "D · tan(180°/n)", pyramid},
        {Resource::None, "width at the bottom", cut.faceWidth(cut.bottom), Length, "D · tan(180°/n)", pyramid}};
    if (std::abs(s.slopeDeg) > 1e-9)
        b.settings.push_back({Resource::Saw, "end bevel", std::abs(s.slopeDeg), Angle, "the slope", pyramid});
    const double turned = b.finishedOuter.high - b.finishedInner.low;
    constexpr double thick = 45;  // mm
    if (!site.surfaces.inside.empty() && s.thickness > 2.2 * std::max(turned, 4.0) && s.thickness > thick)
        b.cautions.push_back({.kind = "stave-thick",
                              .measure = s.thickness,
                              .limit = thick,
                              .unit = "mm",
                              .message = says(words::stavesTooThick),
                              .fixes = {}});

    for (const Species* w : distinctWoods(b)) out.parts.push_back(stavePart(site, cut, jig, w, b));

    const GlueJoint joint{.faces = facesOf(b.cells[0], b.cells[1], onwards(b.phaseDeg + 180.0 / n)),
                          .area = n * cut.thickness * cut.slant(),
                          .joints = n,
                          .woods = woodsIn(b)};
    out.steps = [n, jig, set, joint, &l](Bench& bench, const WorkItems& parts) {
        const WorkItem staves =
            bench.step(Action::Cut, "cut", parts, "staves",
                       {.title = says(words::cutStaves, n, bench.name()),
                        .why = says(words::oneSetUpEdges),
                        .how = says(jig ? words::taperJig : words::tiltedGauge, set.tilt, set.taper),
                        .settings = {set.tilt, set.taper},
                        .minutes = 10 + 1.5 * n,
                        .uses = {Resource::Saw}});
        const WorkItem fitted = bench.step(Action::Sand, "dry", {staves}, "fitted",
                                           {.title = says(words::dryFitStaves, bench.name()),
                                            .why = says(words::lastJointShows),
                                            .how = says(words::rollUp),
                                            .minutes = 8});
        const WorkItem glued = bench.glue("glue", {fitted}, "raw",
                                          {.title = says(words::glueUp, bench.name()),
                                           .why = says(words::tapeHolds),
                                           .how = says(words::rollUpGlued),
                                           .joint = joint,
                                           .minutes = 6 + 0.5 * n,
                                           .uses = {Resource::BandClamp}});
        const Setting loss = sandingLoss(l);
        return bench.step(Action::Flatten, "flatten", {glued}, "flat",
                          {.title = says(words::flattenEnds, bench.name()),
                           .why = says(words::facesMeet),
                           .how = says(words::sandNoMore, loss),
                           .settings = {loss},
                           .minutes = 8,
                           .uses = {Resource::SandingBoard}});
    };
}

std::vector<LayerHandle> staveHandles(const Site&, const BuiltLayer& b)
{
    const double bottom = b.outerHold.front().y(), top = b.outerHold.back().y(), height = b.z1 - b.z0;
    return {{.name = "slope of the staves",
             .at = {b.z1 - height * 0.04, top},
             .value = std::atan2(top - bottom, height) / degrees,
             .unit = Unit::Angle,
             .drag = [bottom, height](Layer& q, const Point& p) {
                 q.as<StavesForm>()->slope = std::atan2(p.y() - bottom, height) / degrees;
             }}};
}

}  // namespace

const Construction& constructionOf(const StavesForm&)
{
    static constexpr Construction staves{
        .build = buildStaves, .segment = "stave", .stockDragged = false, .handles = staveHandles};
    return staves;
}

}  // namespace vl
