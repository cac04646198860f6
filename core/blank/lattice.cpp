#include "core/blank/lattice.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace vl {
namespace {

/// Which of the stretches between the edges holds v.
size_t stretch(const std::vector<double>& edges, double v)
{
    const auto it = std::upper_bound(edges.begin() + 1, edges.end() - 1, v);
    return static_cast<size_t>(it - edges.begin()) - 1;
}

/// A stretch, the outermost ones going on for ever.
std::pair<double, double> between(const std::vector<double>& edges, size_t i)
{
    constexpr double far = 1e5;  // mm
    return {i == 0 ? -far : edges[i], i + 2 == edges.size() ? far : edges[i + 1]};
}

double nearestTo0(double low, double high) { return low > 0 ? low : high < 0 ? -high : 0; }

}  // namespace

Lattice::Reach Lattice::reachOf(size_t place) const
{
    const size_t row = (place - first) / strips();
    const auto [x0, x1] = between(edgesOf(row), (place - first) % strips());
    const auto [y0, y1] = between(along, row);
    Reach reach{.low = std::hypot(nearestTo0(x0, x1), nearestTo0(y0, y1)),
                .high = std::hypot(std::max(-x0, x1), std::max(-y0, y1))};
    if (reach.low <= 0) return reach;
    // Seen from the axis the rectangle spans less than half the circle: its corners bound it.
    const Eigen::Vector3d middle = x * std::clamp(0.0, x0, x1) + y * std::clamp(0.0, y0, y1);
    const double mid = std::atan2(middle.z(), middle.y());
    double least = 0, most = 0;
    for (const double u : {x0, x1})
        for (const double v : {y0, y1}) {
            const Eigen::Vector3d corner = x * u + y * v;
            const double off = std::remainder(std::atan2(corner.z(), corner.y()) - mid, 2 * std::numbers::pi);
            least = std::min(least, off);
            most = std::max(most, off);
        }
    reach.from = (mid + least) * 180 / std::numbers::pi;
    reach.to = (mid + most) * 180 / std::numbers::pi;
    return reach;
}

size_t Lattice::at(const Eigen::Vector3d& p) const
{
    const size_t row = stretch(along, y.dot(p));
    return first + row * strips() + stretch(edgesOf(row), x.dot(p));
}

}  // namespace vl
