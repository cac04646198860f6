#include "core/blank/construction.h"

#include "core/measure/format.h"
#include "core/wood/figure.h"

#include <cmath>

namespace vl {
namespace {

void build(const Site& site, BuiltLayer& b)
{
    const double outer = wantedOuter(site, b);
    b.stock = {1, 2 * outer, 0};
    b.woods = {woodAt(site.layer(), 0)};
    b.corner = outer * std::sqrt(2.0);
    holdStraight(b, outer, 0);
    b.volume = 4 * outer * outer * (b.z1 - b.z0);
    b.density = b.woods[0]->density;
    b.cells = {{b.woods[0], 0, segmentSeed(site.index, 0)}};
    b.cells[0].board = flatFrame(b.z0, 0);
    for (const double a : {0.0, 90.0, 180.0, 270.0}) b.cells[0].faces.push_back({outwards(a), outer, false});
    b.planeTo = gluedThickness(site.layer());
    if (site.layer().thickness > 6)
        b.concerns.push_back({"sheet", false, site.layer().thickness, 6, "mm", "a sheet this thick is a board: it moves across its grain against the ring it is glued to", "a sheet of 1.5 mm",
                              [](Layer& l) { l.thickness = 1.5; }});
}

void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    out.push_back(squarePart(site, "", site.layer().partedFrom ? "sheet" : "veneer", b.woods[0], 1, b.stock.outer, b.stock.outer, b.planeTo, "across the axis"));
}

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe)
{
    recipe.push_back({site.key("flatten"), Action::Cut, "Cut the sheet of " + site.sheet(), parts, {site.key("flat")}, {},
                      "square and oversize: its edge is turned with everything else", "knife and straightedge, " + fixed(b.stock.outer, 0) + " mm square; tape over the cut so that it does not split", 4, 0, {},
                      static_cast<int>(site.index)});
}

}  // namespace

const Construction sheetConstruction{build, parts, steps, "veneer or sheet", "sheet", false, false};

}  // namespace vl
