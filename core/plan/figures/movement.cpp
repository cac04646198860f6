#include "core/plan/figures/movement.h"

#include "core/plan/figures/moisture_book.h"
#include "core/wood/moisture.h"

#include <algorithm>
#include <cmath>

namespace vl {

double FaceMovement::at(double angle) const
{
    const double turned = std::sin((angle - angleDeg) * degrees);
    return along + (across - along) * turned * turned;
}

FaceMovement faceMovement(const BuiltLayer& layer, bool upper)
{
    if (layer.segmented) return {};
    // A tenon that stands in it is another layer's wood.
    const auto own = [](const Cell& c) { return c.segment >= 0; };
    const Cell *first = nullptr, *last = nullptr;
    double most = 0;
    for (const Cell& c : layer.cells) {
        if (!own(c) && std::ranges::any_of(layer.cells, own)) continue;
        if (!first) first = &c;
        last = &c;
        most = std::max(most, c.wood->shrinkTangential);
    }
    const Eigen::Vector3d grain = (upper ? last : first)->board.axes.row(0);
    if (std::abs(grain.x()) > 0.7) return {most, most, 0};
    return {0, most, std::atan2(grain.z(), grain.y()) / degrees};
}

double differs(const FaceMovement& a, const FaceMovement& b, double width, double change)
{
    double most = 0;
    for (int k = 0; k < 36; ++k) most = std::max(most, std::abs(a.at(5.0 * k) - b.at(5.0 * k)));
    return std::abs(movement(width, most, change));
}

double seasonOf(const Shop& shop)
{
    return equilibriumMoisture(20, shop.dampHumidity) - equilibriumMoisture(20, shop.dryHumidity);
}

std::vector<JointMovement> movementsOf(const Assembly& assembly, const TurnedSurfaces& surfaces, const Shop& shop)
{
    constexpr double veneer = 3;  // mm
    std::vector<JointMovement> out;
    for (size_t i = 0; i + 1 < assembly.layers.size(); ++i) {
        const BuiltLayer &a = assembly.layers[i], &b = assembly.layers[i + 1];
        if (a.tenon.above > 0 || b.tenon.below > 0 || std::min(a.z1 - a.z0, b.z1 - b.z0) < veneer) continue;
        JointMovement m{.below = static_cast<int>(i), .z = a.z1};
        double r = std::min(a.outerHold.back().y(), b.outerHold.front().y());
        for (const double turned : {radiusBefore(surfaces.outside, m.z), radiusAfter(surfaces.outside, m.z)})
            if (turned < r) r = turned;
        m.width = 2 * r;
        m.moves = differs(faceMovement(a, true), faceMovement(b, false), m.width, seasonOf(shop));
        out.push_back(m);
    }
    return out;
}

ToHome toHome(const Shop& shop, const Reading& here)
{
    const double season = seasonOf(shop), now = roomMoisture(here);
    if (!(season > 0)) return {};
    constexpr double celsius = 20;
    return {(equilibriumMoisture(celsius, shop.dryHumidity) - now) / season,
            (equilibriumMoisture(celsius, shop.dampHumidity) - now) / season};
}

}  // namespace vl
