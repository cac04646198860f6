#include "core/blank/construction.h"

#include "core/geometry/stave.h"
#include "core/measure/format.h"
#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The flat stave that a curved wall fits into: its outer face clears the outside by the allowance everywhere, its inner face
/// the inside.
Stave fittingStave(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    Stave s;
    s.sides = l.segments;
    s.height = b.z1 - b.z0;
    const Polyline outside = clipped(site.sides.outside, b.z0, b.z1), inside = site.sides.inside.empty() ? Polyline{} : clipped(site.sides.inside, b.z0, b.z1);
    if (l.slope)
        s.slopeDeg = *l.slope;
    else if (outside.size() > 1)
        s.slopeDeg = std::clamp(std::atan2(outside.back().y() - outside.front().y(), s.height) / degrees, limits::slope.low, limits::slope.high);
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

void build(const Site& site, BuiltLayer& b)
{
    const Layer& l = site.layer();
    const Stave s = fittingStave(site, b);
    const int n = s.sides;
    const double rise = std::tan(s.slopeDeg * degrees), slope = s.slopeDeg * degrees;
    b.stock = {n, std::max(s.bottom, s.top()), 0};
    b.sectors = n;
    b.outerHold = {{b.z0, s.bottom / 2}, {b.z1, s.top() / 2}};
    const double in0 = s.innerCorner(s.bottom), in1 = s.innerCorner(s.top());
    if (in0 > 0 || in1 > 0) b.innerHold = {{b.z0, in0}, {b.z1, in1}};
    b.stock.inner = 2 * std::min(in0, in1);
    b.corner = std::max(s.bottom, s.top()) / 2 / std::cos(pi / n);
    double density = 0;
    for (int k = 0; k < n; ++k) {
        b.woods.push_back(woodAt(l, k));
        density += b.woods.back()->density;
        const double mid = b.phaseDeg + 360.0 * k / n;
        Cell c{b.woods.back(), k, segmentSeed(site.index, static_cast<size_t>(k)), mid - 180.0 / n, mid + 180.0 / n};
        const Eigen::Vector3d out = std::cos(slope) * outwards(mid) - std::sin(slope) * Eigen::Vector3d::UnitX();
        const double face = out.dot(pointAt(b.z0, s.bottom / 2, mid));
        c.faces = {{out, face, false}, {-out, s.thickness - face, false}};
        const Eigen::Vector3d up = std::cos(slope) * Eigen::Vector3d::UnitX() + std::sin(slope) * outwards(mid);
        const bool along = site.piece.choices.staves == StaveSchool::TaperJig;
        c.board.axes.row(0) = along ? up : onwards(mid);
        c.board.axes.row(1) = along ? onwards(mid) : up;
        c.board.axes.row(2) = out;
        c.board.origin = pointAt(b.z0, s.bottom / 2, mid);
        b.cells.push_back(c);
    }
    b.density = density / n;
    // Of the flat-faced body itself: thick staves run to an edge on the axis, which no formula of two frustums holds.
    b.volume = n * volumeOf(convexBody(b.body(b.cells[0]), 4 * std::max(b.corner, b.z1)));
    b.planeTo = s.thickness;

    const char* pyramid = "geometry of the regular pyramid";
    using enum Setting::Unit;
    b.settings = {{"saw", "blade tilt", s.bladeTiltDeg(), Angle, "asin(cos s · sin(180°/n))", pyramid},
                  {"saw", site.piece.choices.staves == StaveSchool::TaperJig ? "taper jig" : "miter gauge", s.edgeTaperDeg(), Angle, "atan(sin s · tan(180°/n))", pyramid},
                  {"", "slope of the wall", s.slopeDeg, Angle, "atan((r at the top − r at the bottom) / height)", pyramid},
                  {"thicknesser", "stave thickness", s.thickness, Length, "what holds the curve between two flat faces", "measured on the drawing"},
                  {"saw", "stave length", s.slant(), Length, "height / cos s", pyramid},
                  {"", "width at the top", s.faceWidth(s.top()), Length, "D · tan(180°/n)", pyramid},
                  {"", "width at the bottom", s.faceWidth(s.bottom), Length, "D · tan(180°/n)", pyramid}};
    if (std::abs(rise) > 1e-9)
        b.settings.push_back({"saw", "end bevel", std::abs(s.slopeDeg), Angle, "the slope: both ends then lie flat on the stack", pyramid});
    const double turned = b.finishedOuter.high - b.finishedInner.low;
    if (!site.sides.inside.empty() && s.thickness > 2.2 * std::max(turned, 4.0) && s.thickness > 45)
        b.concerns.push_back({"stave-thick", false, s.thickness, 45, "mm", "the curve is deep for flat staves: most of such a thick board is turned away; a stack of shorter staves follows it better", "", {}});
}

void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    const Stave s = fittingStave(site, b);
    const bool jig = site.piece.choices.staves == StaveSchool::TaperJig;
    const double top = s.faceWidth(s.top()), bottom = s.faceWidth(s.bottom), wide = std::max(top, bottom), mean = (top + bottom) / 2;
    for (const Species* w : distinctWoods(b)) {
        Part p;
        p.id = "L" + site.number() + "-" + w->id;
        p.name = std::string(w->name) + " stave of layer " + site.number();
        p.count = static_cast<int>(std::ranges::count(b.woods, w));
        p.species = w;
        p.thickness = s.thickness;
        p.volume = b.volume / s.sides;
        if (jig) {
            p.length = s.slant();
            p.shortEdge = s.slant();
            p.width = wide;
            p.left = p.right = {0, std::abs(s.slopeDeg)};
            p.grain = "along the stave";
            p.pitch = p.length + site.shop.kerf;
        } else {
            p.length = wide;
            p.shortEdge = std::min(top, bottom);
            p.width = s.slant();
            p.left = p.right = {std::abs(s.edgeTaperDeg()), s.bladeTiltDeg()};
            p.grain = "across the stave";
            p.pitch = mean + site.shop.kerf / std::cos(s.bladeTiltDeg() * degrees);
            p.lead = p.width * std::tan(std::abs(s.edgeTaperDeg()) * degrees) + 2 * s.thickness * std::tan(s.bladeTiltDeg() * degrees);
        }
        out.push_back(p);
    }
}

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe)
{
    const Stave s = fittingStave(site, b);
    const int n = s.sides, layer = static_cast<int>(site.index);
    const bool jig = site.piece.choices.staves == StaveSchool::TaperJig;
    const std::string tilt = fixed(s.bladeTiltDeg(), 3) + "°", taper = fixed(std::abs(s.edgeTaperDeg()), 3) + "°";
    recipe.push_back({site.key("cut"), Action::Cut, "Cut " + std::to_string(n) + " staves of " + site.sheet(), parts, {site.key("staves")}, {},
                      "all edges in one set-up: the same error in every joint is one that can be measured and taken out",
                      (jig ? "saw tilted " + tilt + ", taper jig " + taper + ", wide face down; one edge of all, then the other"
                           : "saw tilted " + tilt + ", mitre gauge " + taper + " from square, turn the strip over after each cut") +
                          "; trial joint of two offcuts first",
                      10 + 1.5 * n, 0, {"saw"}, layer});
    recipe.push_back({site.key("dry"), Action::Sand, "Dry-fit " + site.sheet() + " with tape for hinges", {site.key("staves")}, {site.key("fitted")}, {site.key("cut")},
                      "rolled up dry, the last joint shows the error of all", "outer faces up side by side, tape across every joint, roll up, look against the light", 8, 0, {}, layer});
    recipe.push_back({site.key("glue"), Action::Glue, "Glue up " + site.sheet(), {site.key("fitted")}, {site.key("raw")}, {site.key("dry")},
                      "all joints at once while the tape still holds them in line", "lay the strip of staves open, glue in every groove, roll up, hose clamps or bands top, middle and bottom", 6 + 0.5 * n, 0,
                      {"band clamp"}, layer, {JointFaces::LongGrain, n * s.thickness * s.slant(), n, b.woods}});
    recipe.push_back(clampWait(site, site.key("wait"), site.key("raw"), site.key("set"), site.key("glue"), "band clamp"));
    Step flat = flattenStep(site, site.key("set"), site.key("wait"), 8);
    flat.title = "Flatten both ends of " + site.sheet();
    recipe.push_back(flat);
}

std::vector<LayerHandle> handles(const Site&, const BuiltLayer& b)
{
    const double bottom = b.outerHold.front().y(), height = b.z1 - b.z0;
    return {{"slope of the staves", {b.z1 - height * 0.04, b.outerHold.back().y()}, std::atan2(b.outerHold.back().y() - bottom, height) / degrees, Setting::Unit::Angle,
             [bottom, height](Layer& q, const Point& p) { q.slope = std::clamp(std::atan2(p.y() - bottom, height) / degrees, limits::slope.low, limits::slope.high); }}};
}

}  // namespace

const Construction stavesConstruction{build, parts, steps, "staves", "stave", true, true, handles};

}  // namespace vl
