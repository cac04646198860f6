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
    b.corner = outer;
    holdStraight(b, outer, 0);
    b.volume = pi * outer * outer * (b.z1 - b.z0);
    b.density = b.woods[0]->density;
    b.cells = {{b.woods[0], 0, segmentSeed(site.index, 0)}};
    constexpr int facets = 48;  // of the bandsawn edge, where a solid of flat faces is asked for
    for (int k = 0; k < facets; ++k) b.cells[0].faces.push_back({outwards(k * 360.0 / facets), outer, false});
    b.cells[0].board = flatFrame(b.z0, 0);
}

void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    const double d = b.stock.outer, thick = gluedThickness(site.layer()) + 2 * site.layer().sandingLoss;
    out.push_back(squarePart(site, "", "disc", b.woods[0], 1, d, d, thick, "across the axis"));
}

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe)
{
    recipe.push_back({site.key("cut"),
                      Action::Cut,
                      "Cut the disc of " + site.sheet(),
                      parts,
                      {site.key("disc")},
                      {},
                      "one board, planed to " + fixed(b.planeTo, 1) + " mm, so that the growth rings run one way across it",
                      "bandsaw, " + fixed(b.stock.outer, 1) + " mm circle",
                      8,
                      0,
                      {"bandsaw"},
                      static_cast<int>(site.index)});
    recipe.push_back(flattenStep(site, site.key("disc"), site.key("cut"), 6));
}

}  // namespace

const Construction discConstruction{build, parts, steps, "solid disc", "disc", false, false};

}  // namespace vl
