#include "core/process/finish_book.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {
namespace {

constexpr std::array usualGrits{80, 120, 150, 180, 220, 280, 320, 400, 600, 800, 1000};

}  // namespace

std::vector<int> gritsFrom(int first, int last)
{
    std::vector<int> row;
    for (const int g : usualGrits)
        if (g >= first && g <= last) row.push_back(g);
    if (row.empty()) row.push_back(first);
    return row;
}

FinishSum sumOf(const Finish& finish, double areaMm2, double leastMix)
{
    FinishSum sum;
    for (const FinishLayer& l : finish.layers) {
        sum.grams += coatMass(l, areaMm2, leastMix).all * l.coats;
        sum.minutes += l.waitMinutes * l.coats;
    }
    return sum;
}

CoatMass coatMass(const FinishLayer& layer, double areaMm2, double leastMix)
{
    constexpr double spare = 1.125, perM2 = 1e-6;
    const double lies = areaMm2 * perM2 * layer.gramsPerM2;
    const std::vector<MixPart> mix = mixOf(layer);
    CoatMass m{.all = mix.empty() ? lies * spare : std::max(lies * spare, leastMix)};
    m.left = m.all - lies;
    double parts = 0;
    for (const MixPart& p : mix) parts += p.parts;
    const double amount = layer.mixBy == FinishLayer::Volume ? m.all / layer.gramsPerMl : m.all;
    for (const MixPart& p : mix) m.shares.push_back({p.name, amount * p.parts / parts});
    return m;
}

int moreCoats(const FinishLayer& layer, const Absorbency& absorbency)
{
    constexpr double thirsty = 1.0 / 3, sated = 0.05, soft = 480, hard = 800;  // shares, kg/m³
    // What goes on once is made for one coat.
    if ((layer.kind != FinishLayer::Sealer && layer.kind != FinishLayer::Body) || layer.coats < 2) return 0;
    if (absorbency.endGrain > thirsty || absorbency.density < soft) return 1;
    return layer.coats > 2 && absorbency.endGrain < sated && absorbency.density > hard ? -1 : 0;
}

Finish suited(Finish finish, const Absorbency& absorbency)
{
    for (FinishLayer& l : finish.layers) l.coats += moreCoats(l, absorbency);
    return finish;
}

}  // namespace vl
