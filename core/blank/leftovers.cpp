#include "core/blank/leftovers.h"

#include "core/piece/records/field_items.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <numeric>

namespace vl {
namespace {

void longestFirst(std::vector<Leftover>& strips)
{
    std::erase_if(strips, [](const Leftover& s) { return !(s.width > 0 && s.length > 0); });
    std::ranges::stable_sort(strips, std::greater{}, &Leftover::length);
}

/// The radius of the largest circle about `center` within strips laid side by side from 0 on.
double radiusAbout(double center, const std::vector<Leftover>& laid, double width)
{
    double radius = std::min(center, width - center), at = 0;
    for (const Leftover& s : laid) {
        const double from = at - center, to = from + s.width, nearest = from > 0 ? from : to < 0 ? -to : 0;
        // Either its chord is no longer than the strip, or the circle does not reach it.
        radius = std::min(radius, std::hypot(s.length / 2, nearest));
        at += s.width;
    }
    return radius;
}

/// The best center; the radius rises and falls once on each strip, so every strip is searched by thirds.
double largestRadius(const std::vector<Leftover>& laid)
{
    const double width =
        std::accumulate(laid.begin(), laid.end(), 0.0, [](double sum, const Leftover& s) { return sum + s.width; });
    double best = radiusAbout(width / 2, laid, width), at = 0;
    for (const Leftover& s : laid) {
        double low = at, high = at + s.width;
        for (int k = 0; k < 60; ++k) {
            const double a = low + (high - low) / 3, b = high - (high - low) / 3;
            (radiusAbout(a, laid, width) < radiusAbout(b, laid, width) ? low : high) =
                radiusAbout(a, laid, width) < radiusAbout(b, laid, width) ? a : b;
        }
        best = std::max(best, radiusAbout((low + high) / 2, laid, width));
        at += s.width;
    }
    return best;
}

}  // namespace

std::vector<Leftover> leftoversOf(const std::vector<double>& widths, const std::vector<double>& lengths)
{
    std::vector<Leftover> out;
    if (lengths.empty()) return out;
    for (size_t i = 0; i < widths.size(); ++i) out.push_back({widths[i], lengths[std::min(i, lengths.size() - 1)]});
    return out;
}

LaidLeftovers largestSquare(std::vector<Leftover> strips)
{
    longestFirst(strips);
    LaidLeftovers best;
    double width = 0;
    for (size_t k = 0; k < strips.size(); ++k) {
        width += strips[k].width;
        const double side = std::min(width, strips[k].length);
        if (side <= best.size + 1e-9) continue;
        best.size = side;
        best.widths.clear();
        for (size_t i = 0; i <= k; ++i) best.widths.push_back(strips[i].width);
    }
    return best;
}

LaidLeftovers largestCircle(std::vector<Leftover> strips)
{
    constexpr size_t most = 10;
    longestFirst(strips);
    if (strips.size() > most) strips.resize(most);
    LaidLeftovers best;
    // The first k of the longest are used: to the left where their bit is set, outwards in the order of their length.
    for (size_t k = 1; k <= strips.size(); ++k)
        for (size_t left = 0; left < size_t{1} << (k - 1); ++left) {
            std::vector<Leftover> laid;
            for (size_t i = k; i-- > 1;)
                if (left >> (i - 1) & 1) laid.push_back(strips[i]);
            for (size_t i = 0; i < k; ++i)
                if (i == 0 || !(left >> (i - 1) & 1)) laid.push_back(strips[i]);
            const double diameter = 2 * largestRadius(laid);
            if (diameter <= best.size + 1e-6) continue;
            best.size = diameter;
            best.widths.clear();
            for (const Leftover& s : laid) best.widths.push_back(s.width);
        }
    return best;
}

Layer layerOf(Layer layer, const LaidLeftovers& laid)
{
    SlabForm* slab = layer.as<SlabForm>();
    if (!slab) return layer;
    if (slab->pattern == SlabForm::Plain) slab->pattern = SlabForm::Striped;
    slab->widths = laid.widths;
    for (double& w : slab->widths) w -= 2 * slab->jointing;
    layer.stockOuter = laid.size - 2 * slab->jointing * static_cast<double>(laid.widths.size());
    clampToLimits(layer);
    return layer;
}

}  // namespace vl
