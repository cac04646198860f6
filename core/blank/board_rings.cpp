#include "core/geometry/board_rings.h"

#include "core/blank/construction.h"
#include "core/blank/flipped_board.h"
#include "core/measure/format.h"
#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The cone that holds the outline: its largest radius is what the outline needs, measured along the cut.
BoardRings coneOf(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    const BoardRingForm& f = l.boardRings;
    BoardRings c;
    c.board = (b.z1 - b.z0) / f.rings;
    c.angleDeg = f.angle;
    c.kerf = f.kerf;
    double outer = 1;
    for (const Point& p : clipped(site.sides.outside, b.z0, b.z1)) outer = std::max(outer, p.y() + l.outerAllowance + (b.z1 - p.x()) / std::tan(f.angle * degrees));
    c.outer = l.stockOuter ? *l.stockOuter : 2 * outer;
    // The bottom disc keeps a face to stand on.
    c.outer = std::max(c.outer, 2 * (c.step() * f.rings + 5));
    c.base = std::max(0.0, c.outer - 2 * c.step() * f.rings);
    return c;
}

void build(const Site& site, BuiltLayer& b)
{
    const Layer& l = site.layer();
    const BoardRingForm& f = l.boardRings;
    const BoardRings c = coneOf(site, b);
    const double t = c.board, top = c.outer / 2, width = std::max(1.0, c.ringWidth());
    b.stock = {1, c.outer, 0};
    b.corner = top;
    b.outerHold = {{b.z0, top - c.step() * f.rings}, {b.z1, top}};
    if (f.rings > 1) b.innerHold = {{b.z0, 0}, {b.z0 + t, 0}, {b.z0 + t, std::max(0.0, top - c.step() * (f.rings - 1) - width)}, {b.z1, top - width}};
    b.planeTo = t;
    const int strips = l.slab.kind == SlabForm::Plain ? 1 : std::clamp(static_cast<int>(std::ceil(c.outer / l.slab.strip - 1e-9)), 2, 96);
    const int rows = l.slab.kind == SlabForm::Checkered ? std::clamp(static_cast<int>(std::ceil(c.outer / l.slab.row - 1e-9)), 2, 96) : 1;
    const double strip = strips > 1 ? l.slab.strip : c.outer, row = rows > 1 ? l.slab.row : c.outer;
    for (int i = 0; i < strips; ++i) b.woods.push_back(woodAt(l, i));
    for (int ring = 0; ring < f.rings; ++ring) {
        const double turned = ring * f.rotate;
        const Eigen::Vector3d x = onwards(turned), y = outwards(turned);
        for (int j = 0; j < rows; ++j)
            for (int i = 0; i < strips; ++i) {
                const int which = j % 2 ? strips - 1 - i : i;
                // All rings are the same board: the same strip has the same figure in each.
                Cell cell{b.woods[static_cast<size_t>(which)], which, segmentSeed(site.index, static_cast<size_t>(which))};
                if (ring > 0) cell.bounds.push_back({-Eigen::Vector3d::UnitX(), -(b.z0 + ring * t), false});
                if (ring + 1 < f.rings) cell.bounds.push_back({Eigen::Vector3d::UnitX(), b.z0 + (ring + 1) * t, false});
                // The board's own edges are sawn away with the first cut.
                (i > 0 ? cell.bounds : cell.faces).push_back({-x, -(i * strip - strips * strip / 2), false});
                (i + 1 < strips ? cell.bounds : cell.faces).push_back({x, (i + 1) * strip - strips * strip / 2, false});
                (j > 0 ? cell.bounds : cell.faces).push_back({-y, -(j * row - rows * row / 2), false});
                (j + 1 < rows ? cell.bounds : cell.faces).push_back({y, (j + 1) * row - rows * row / 2, false});
                cell.board.axes.row(0) = y;
                cell.board.axes.row(1) = x;
                cell.board.axes.row(2) = Eigen::Vector3d::UnitX();
                cell.board.origin = {b.z0 + ring * t, 0, 0};
                b.cells.push_back(cell);
            }
    }
    auto cone = [](double r0, double r1, double h) { return pi * h * (r0 * r0 + r0 * r1 + r1 * r1) / 3; };
    b.volume = 0;
    for (int ring = 0; ring < f.rings; ++ring) {
        const double high = top - c.step() * (f.rings - 1 - ring), low = high - c.step();
        b.volume += cone(low, high, t) - (ring > 0 ? cone(std::max(0.0, low - width), std::max(0.0, high - width), t) : 0);
    }
    const char* plane = "plane geometry";
    using enum Setting::Unit;
    b.settings = {{f.tool == BoardRingForm::Bandsaw ? "bandsaw" : "lathe", "angle of the cut to the face", f.angle, Angle, "chosen", ""},
                  {"thicknesser", "board thickness", t, Length, "height / rings", plane},
                  {"", "ring width on the face", c.ringWidth(), Length, "t / tan φ − k / sin φ", plane},
                  {"", "wall square to the cut", c.wall(), Length, "t · cos φ − k", plane},
                  {f.tool == BoardRingForm::Bandsaw ? "bandsaw" : "lathe", "depth of cut", c.cutDepth(), Length, "t / sin φ", plane},
                  {"", "stripes stretch on the wall", c.stretch(), Count, "1 / cos φ", plane}};
    for (int ring = f.rings - 1; ring >= 0; --ring) {
        const double r = top - c.step() * (f.rings - 1 - ring);
        b.settings.push_back({"", "scribe " + std::to_string(f.rings - ring) + ", top face, radius", r, Length, "R − i · t / tan φ", plane});
        b.settings.push_back({"", "scribe " + std::to_string(f.rings - ring) + ", lower face, radius", r - c.step(), Length, "the same less t / tan φ", plane});
    }
    if (c.wall() < 3)
        b.concerns.push_back({"cone", c.wall() <= 0, c.wall(), 3, "mm", "the cut is so steep or the kerf so wide that hardly any wall is left between two cuts", "an angle of 45°", [](Layer& q) { q.boardRings.angle = std::min(q.boardRings.angle, 45.0); }});
    if (const int lost = strips > 1 ? ringsUntilLost(strip, top, f.rotate) : 0; lost > 0 && lost < f.rings)
        b.concerns.push_back({"pattern-lost", false, static_cast<double>(f.rings), static_cast<double>(lost), "rings", "turned " + fixed(f.rotate, 1) + "° each, the stripes no longer follow one another after " + std::to_string(lost) + " rings",
                              "rings not turned", [](Layer& q) { q.boardRings.rotate = 0; }});
}

void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    const BoardRings c = coneOf(site, b);
    const SlabForm& f = site.layer().slab;
    const double size = c.outer + 10;
    if (f.kind == SlabForm::Plain) {
        out.push_back(squarePart(site, "", "board", b.woods[0], 1, size, size, c.board, "across the axis"));
        return;
    }
    FlippedBoard board;
    board.strips = b.count();
    board.strip = f.strip;
    board.rows = f.kind == SlabForm::Checkered ? static_cast<int>(std::ceil(c.outer / f.row - 1e-9)) : 1;
    board.row = board.rows > 1 ? f.row : size;
    board.thickness = c.board;
    board.jointing = f.jointing;
    board.flattening = f.flattening;
    board.kerf = site.shop.kerf;
    for (int i = 0; i < b.count(); ++i) {
        const Species* wood = b.woods[static_cast<size_t>(i)];
        addPart(out, squarePart(site, wood->id, std::string(wood->name) + " strip", wood, 1, board.stockLength(), board.stripSawn(), board.stockThickness(), "along the strip"));
    }
}

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe)
{
    const BoardRings c = coneOf(site, b);
    const BoardRingForm& f = site.layer().boardRings;
    const int layer = static_cast<int>(site.index), n = f.rings;
    const bool saw = f.tool == BoardRingForm::Bandsaw, striped = site.layer().slab.kind != SlabForm::Plain;
    const std::string angle = fixed(f.angle, 2) + "°";
    std::string thing = site.key("board"), after = site.key("cut");
    recipe.push_back({site.key("cut"), Action::Cut, striped ? "Rip the strips of the board for " + site.sheet() : "Plane the board for " + site.sheet(), parts, {thing}, {},
                      "every ring comes from this one board", "planed to " + fixed(c.board, 2) + " mm all over: its thickness is every ring's height", striped ? 8.0 + b.count() : 10.0, 0, {"saw"}, layer});
    if (striped) {
        recipe.push_back({site.key("glue-board"), Action::Glue, "Glue the strips of the board for " + site.sheet(), {thing}, {site.key("striped")}, {after},
                          "a joint on the middle line, so that the two halves are alike", "glue on one face, cauls across", 6.0 + 0.5 * b.count(), 0, {"clamp"}, layer,
                          {JointFaces::LongGrain, (b.count() - 1) * c.outer * c.board, b.count() - 1, b.woods}});
        Step wait = clampWait(site, site.key("wait-board"), site.key("striped"), site.key("board-set"), site.key("glue-board"), "clamp");
        wait.title = "Leave the board for " + site.sheet() + " in the clamp";
        recipe.push_back(wait);
        thing = site.key("board-set");
        after = wait.id;
    }
    recipe.push_back({site.key("scribe"), Action::Flatten, "Flatten the board of " + site.sheet() + " and scribe " + std::to_string(n) + " circles", {thing}, {site.key("scribed")}, {after},
                      "both faces: the cut leans, so each circle comes out smaller below", "beam compass; the radii of both faces stand with the layer and on the full-size sheet; draw a witness line across all of them", 12, 0, {}, layer});
    std::string rings = site.key("rings"), last;
    if (saw) {
        recipe.push_back({site.key("halve"), Action::Split, "Saw the board of " + site.sheet() + " in two down the middle", {site.key("scribed")}, {site.key("halves")}, {site.key("scribe")},
                          "the blade enters each ring from the open side", "bandsaw, along the joint on the middle line", 4, 0, {"bandsaw"}, layer});
        recipe.push_back({site.key("saw-rings"), Action::Cut, "Saw the half rings of " + site.sheet(), {site.key("halves")}, {site.key("half-rings")}, {site.key("halve")},
                          "outermost first: what is left stays large enough to hold", "bandsaw table at " + fixed(90 - f.angle, 2) + "° (" + angle + " to the face), narrow blade, slowly; the manual's limits for tilted work come first", 6.0 + 4 * n, 0, {"bandsaw"}, layer});
        recipe.push_back({site.key("rejoin"), Action::Glue, "Rejoin the halves of every ring of " + site.sheet(), {site.key("half-rings")}, {site.key("rings-raw")}, {site.key("saw-rings")},
                          "pairs from the same circle: the figure runs on across the joint", "true both ends on a flat board with paper, glue, tape or rubber bands on a plate", 5.0 * n, inClamp, {"clamp"}, layer,
                          {JointFaces::EndGrain, 2.0 * n * c.ringWidth() * c.board, 2 * n, b.woods}});
        last = site.key("rejoin");
        rings = site.key("rings-raw");
    } else {
        recipe.push_back({site.key("mount-board"), Action::Mount, "Mount the board of " + site.sheet() + " on the faceplate, centred", {site.key("scribed")}, {site.key("on-lathe")}, {site.key("scribe")},
                          "the screws stand in the bottom disc, clear of every cut", "faceplate ring no larger than the bottom; screws short", 8, 0, {"lathe"}, layer});
        recipe.push_back({site.key("part-rings"), Action::PartOff, "Part the rings of " + site.sheet(), {site.key("on-lathe")}, {site.key("rings-raw")}, {site.key("mount-board")},
                          "the outermost first; halfway from one side, then from the other, so that no ring flies when it comes free",
                          "thin parting tool at " + angle + " to the face, about 500 rpm, tool rest close; stop before the ring is loose and break it off by hand", 6.0 * n, 0, {"lathe"}, layer});
        last = site.key("part-rings");
        rings = site.key("rings-raw");
    }
    recipe.push_back({site.key("faces"), Action::Flatten, "Flatten both faces of the rings of " + site.sheet(), {rings}, {site.key("rings-flat")}, {last}, "only as much as takes the unevenness out: the pattern follows the thickness",
                      "sanding board, 0.2 mm", 3.0 * n, 0, {"sanding board"}, layer});
    std::string stack = site.key("rings-flat");
    last = site.key("faces");
    if (n > 1) {
        recipe.push_back({site.key("glue-stack"), Action::Glue, "Stack and glue the rings of " + site.sheet(), {stack}, {site.key("cone")}, {last},
                          "witness lines in line" + (f.rotate == 0 ? std::string() : ", each ring " + fixed(f.rotate, 2) + "° on"), "largest ring down on paper, tack two spots with hot melt so that the rings do not slide under the clamp, weight or press", 4.0 * n, inClamp, {"clamp"}, layer,
                          {JointFaces::LongGrain, (n - 1) * pi * c.outer / 2 * c.ringWidth(), n - 1, b.woods}});
        stack = site.key("cone");
        last = site.key("glue-stack");
    }
    recipe.push_back(flattenStep(site, stack, last, 6));
}

std::vector<LayerHandle> handles(const Site& site, const BuiltLayer& b)
{
    const double top = b.outerHold.back().y(), height = b.z1 - b.z0;
    return {{"angle of the cut", {b.z0 + height * 0.03, b.outerHold.front().y()}, site.layer().boardRings.angle, Setting::Unit::Angle,
             [top, height](Layer& q, const Point& p) { q.boardRings.angle = std::clamp(std::atan2(height, std::max(1.0, top - p.y())) / degrees, limits::boardAngle.low, limits::boardAngle.high); }}};
}

}  // namespace

const Construction boardRingsConstruction{build, parts, steps, "rings from one board", "strip", false, false, handles};

}  // namespace vl
