#include "core/blank/construction.h"

#include "core/measure/format.h"
#include "core/wood/figure.h"
#include "core/wood/moisture.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The disc's own layer: its diameter is that of the recess less the clearance all round.
double recess(const LetInForm& f) { return f.diameter / 2 + f.clearance; }

void build(const Site& site, BuiltLayer& b)
{
    ringConstruction.build(site, b);
    const Layer& l = site.layer();
    const LetInForm& f = l.letIn;
    const Species* wood = &speciesOf(f.discWood);
    b.stock.inner = std::clamp(2 * (recess(f) - l.innerAllowance), 0.0, b.stock.outer - 0.5);
    for (Cell& c : b.cells) {
        c.low = recess(f);
        c.faces = b.sawnFaces(c);
    }
    // The joint's clearance is air, but too fine to draw: the disc is shown up to the ring.
    Cell disc{wood, -1, segmentSeed(site.index, 900)};
    disc.high = recess(f);
    disc.board = flatFrame(b.z0, 0);
    b.cells.push_back(disc);
    b.sectors = 0;
    holdStraight(b, b.stock.apothem(), 0);
    b.volume = b.stock.segmentArea() * b.stock.sides * (b.z1 - b.z0) + pi * f.diameter * f.diameter / 4 * (b.z1 - b.z0);
    b.density = 0;
    b.fill = 1;

    const double change = equilibriumMoisture(20, site.shop.dampHumidity) - equilibriumMoisture(20, site.shop.dryHumidity);
    const double moves = std::abs(movement(f.diameter, wood->shrinkTangential, change)) / 2;
    using enum Setting::Unit;
    b.settings = {{"lathe", "recess diameter", 2 * recess(f), Length, "disc + 2 · clearance", "plane arithmetic"},
                  {"bandsaw", "disc diameter", f.diameter, Length, "chosen", ""},
                  {"", "the disc moves, each side", moves, Length, "D · S / 28 % · ΔM / 2, across the grain", "Wood Handbook, ch. 13, from memory"}};
    if (f.clearance < moves)
        b.concerns.push_back({"let-in", false, f.clearance, moves, "mm", "between dry and damp rooms the disc grows more than its clearance: it will push the ring apart", "more clearance",
                              [to = std::ceil((moves + 0.05) * 10) / 10](Layer& q) { q.letIn.clearance = to; }});
    if (recess(f) + 4 > b.finishedOuter.high)
        b.concerns.push_back({"let-in-wide", true, f.diameter, 2 * (b.finishedOuter.high - 4 - f.clearance), "mm", "the disc leaves less than 4 mm of ring round it", "a smaller disc",
                              [to = 2 * (b.finishedOuter.high * 0.75)](Layer& q) { q.letIn.diameter = std::max(limits::inset.low, to); }});
}

void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    ringConstruction.parts(site, b, out);
    const LetInForm& f = site.layer().letIn;
    out.push_back(squarePart(site, "disc", "let-in disc", &speciesOf(f.discWood), 1, f.diameter, f.diameter, b.planeTo, "across the axis"));
}

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe)
{
    const LetInForm& f = site.layer().letIn;
    const int layer = static_cast<int>(site.index);
    std::vector<std::string> ring(parts.begin(), parts.end() - 1);
    ringConstruction.steps(site, b, ring, recipe);
    // The ring's own last step yields the ring; the layer is ready when the disc is in it.
    Step& last = recipe.back();
    last.id = site.key("flatten-ring");
    last.outputs = {site.key("flat-ring")};
    recipe.push_back({site.key("disc"), Action::Cut, "Cut the disc to be let into " + site.sheet(), {parts.back()}, {site.key("inset")}, {},
                      "one board: it moves across its grain and must be free to", "bandsaw, " + fixed(f.diameter, 1) + " mm circle, then turned to size", 10, 0, {"bandsaw"}, layer});
    recipe.push_back({site.key("recess"), Action::Turn, "Turn the recess in " + site.sheet(), {site.key("flat-ring")}, {site.key("recessed")}, {site.key("flatten-ring")},
                      "before it goes onto the stack, while both sides can be reached", "to " + fixed(2 * recess(f), 2) + " mm: the disc's diameter and " + fixed(f.clearance, 2) + " mm all round", 15, 0, {"lathe"}, layer});
    recipe.push_back({site.key("flatten"), Action::Glue, "Let the disc into " + site.sheet(), {site.key("recessed"), site.key("inset")}, {site.key("flat")}, {site.key("recess"), site.key("disc")},
                      "glued at two points along the grain's middle line only, so that it moves with the seasons and stays in the middle",
                      "finish the disc's edge first; two spots of glue, the rest dry; paper shims keep the clearance even", 8, inClamp, {"clamp"}, layer,
                      {JointFaces::CrossGrain, 200, 2, {&speciesOf(f.discWood), b.woods[0]}}});
}

std::vector<LayerHandle> handles(const Site& site, const BuiltLayer& b)
{
    const double d = site.layer().letIn.diameter;
    return {{"let-in disc, Ø", {(b.z0 + b.z1) / 2, d / 2}, d, Setting::Unit::Length, [](Layer& q, const Point& p) { q.letIn.diameter = std::clamp(2 * p.y(), limits::inset.low, limits::inset.high); }}};
}

}  // namespace

const Construction letInConstruction{build, parts, steps, "ring with a disc let in", "segment", true, true, handles};

}  // namespace vl
