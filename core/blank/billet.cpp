#include "core/blank/construction.h"

#include "core/measure/format.h"
#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

void build(const Site& site, BuiltLayer& b)
{
    const Layer& l = site.layer();
    const double half = wantedOuter(site, b), board = 2 * half / l.segments;
    b.stock = {1, 2 * half, 0};
    // Corners knocked off to a regular octagon.
    b.corner = l.cornersOff ? half / std::cos(pi / 8) : half * std::sqrt(2.0);
    holdStraight(b, half, 0);
    const double area = 4 * half * half - (l.cornersOff ? 2 * std::pow(half * (2 - std::sqrt(2.0)), 2) : 0);
    b.volume = area * (b.z1 - b.z0);
    b.planeTo = board;
    const Eigen::Vector3d x = outwards(0), y = onwards(0);  // boards one upon another along x
    for (int i = 0; i < l.segments; ++i) {
        b.woods.push_back(woodAt(l, i));
        Cell c{b.woods.back(), i, segmentSeed(site.index, static_cast<size_t>(i))};
        const double x0 = -half + i * board;
        (i > 0 ? c.bounds : c.faces).push_back({-x, -x0, false});
        (i + 1 < l.segments ? c.bounds : c.faces).push_back({x, x0 + board, false});
        c.faces.push_back({y, half, false});
        c.faces.push_back({-y, half, false});
        if (l.cornersOff)
            for (const double a : {45.0, 135.0, 225.0, 315.0}) c.faces.push_back({outwards(a), half, false});
        c.board.axes.row(0) = Eigen::Vector3d::UnitX();
        c.board.axes.row(1) = y;
        c.board.axes.row(2) = x;
        c.board.origin = {b.z0, 0, 0};
        b.cells.push_back(c);
    }
    using enum Setting::Unit;
    b.settings = {{"thicknesser", "board thickness", board, Length, "side / boards", "plane arithmetic"}, {"saw", "board width", 2 * half, Length, "Ø + 2 · allowance", "plane arithmetic"}};
    if (l.cornersOff) {
        b.settings.push_back({"saw", "blade tilt for the corners", 45, Angle, "an octagon", "plane geometry"});
        b.settings.push_back({"saw", "each corner, along the face", half * (2 - std::sqrt(2.0)), Length, "side · (1 − 1/√2)", "plane geometry"});
    }
}

void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    const double length = b.z1 - b.z0 + 2 * site.layer().sandingLoss;
    for (int i = 0; i < b.count(); ++i) {
        const Species* wood = b.woods[static_cast<size_t>(i)];
        addPart(out, squarePart(site, wood->id, std::string(wood->name) + " board of the billet", wood, 1, length, b.stock.outer, b.planeTo, "along the axis"));
    }
}

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe)
{
    const int n = b.count(), layer = static_cast<int>(site.index);
    const double length = b.z1 - b.z0;
    recipe.push_back({site.key("cut"), Action::Cut, "Plane and cut " + std::to_string(n) + " boards of " + site.sheet(), parts, {site.key("boards")}, {},
                      "equal layers: the lamination lines lie even about the axis", "thicknesser " + fixed(b.planeTo, 2) + " mm for all, last pass without moving it", 6 + 2.0 * n, 0, {"thicknesser"}, layer});
    recipe.push_back({site.key("glue"), Action::Glue, "Glue the boards of " + site.sheet() + " face to face", {site.key("boards")}, {site.key("billet")}, {site.key("cut")},
                      "grain all one way; growth rings facing alternately, so that cupping cancels out", "glue on one face of each pair, rub, two brads or spots of hot melt at the ends against sliding, clamps every 100 mm from the middle out", 8.0 + n, 0,
                      {"clamp"}, layer, {JointFaces::LongGrain, (n - 1) * b.stock.outer * length, n - 1, b.woods}});
    recipe.push_back(clampWait(site, site.key("wait"), site.key("billet"), site.key("set"), site.key("glue"), "clamp"));
    std::string thing = site.key("set"), after = site.key("wait");
    if (site.layer().cornersOff) {
        recipe.push_back({site.key("corners"), Action::Cut, "Knock the corners off " + site.sheet(), {thing}, {site.key("octagon")}, {after},
                          "an octagon starts at the lathe with half the knocking of a square", "saw at 45°, blade guard and push stick on; or bandsaw on a V block", 8, 0, {"saw"}, layer});
        thing = site.key("octagon");
        after = site.key("corners");
    }
    recipe.push_back(flattenStep(site, thing, after, 5));
    recipe.back().title = "Square both ends of " + site.sheet() + " and mark the centres";
    recipe.back().how = "crosscut square, diagonals for the centre; the middle lamination must stand on it";
}

}  // namespace

const Construction billetConstruction{build, parts, steps, "billet of boards", "board", true, false};

}  // namespace vl
