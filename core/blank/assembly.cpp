#include "core/blank/assembly.h"

#include <algorithm>
#include <cmath>

namespace vl {

double BuiltLayer::stockOuterRadius() const
{
    double least = outerHold.empty() ? 0 : outerHold.front().y();
    for (const Point& p : outerHold) least = std::min(least, p.y());
    return least;
}

double BuiltLayer::stockInnerRadius() const
{
    double most = 0;
    for (const Point& p : innerHold) most = std::max(most, p.y());
    return most;
}

size_t BuiltLayer::sectorAt(double angleDeg) const
{
    if (sectors < 2) return 0;
    const double turns = (angleDeg - phaseDeg) * sectors / 360.0 + 0.5;
    const long i = static_cast<long>(std::floor(turns)) % sectors;
    return static_cast<size_t>(i < 0 ? i + sectors : i);
}

const Cell* BuiltLayer::cellAt(double z, double r, double angleDeg) const
{
    const Eigen::Vector3d p = pointAt(z, r, angleDeg);
    for (auto i = insets.rbegin(); i != insets.rend(); ++i)
        if (i->holds(p, r, angleDeg)) return &i->cell;
    auto find = [&](size_t first, size_t count) -> const Cell* {
        for (size_t i = first; i < first + count; ++i)
            if (cells[i].spans(angleDeg) && cells[i].within(p, r)) return &cells[i];
        return nullptr;
    };
    if (!lattices.empty()) {
        const auto at = std::ranges::upper_bound(lattices, z, {}, &Lattice::z1);
        return find((at == lattices.end() ? lattices.back() : *at).at(p), 1);
    }
    if (sectors < 2) return find(0, cells.size());
    const auto n = static_cast<size_t>(sectors), each = cells.size() / n, k = sectorAt(angleDeg);
    if (each == 1 && cells[k].bounds.empty()) return &cells[k];
    // A spacer on the joint is shared by two sectors.
    for (const size_t s : {k, (k + n - 1) % n, (k + 1) % n})
        if (const Cell* cell = find(s * each, each)) return cell;
    return nullptr;
}

int BuiltLayer::segmentAt(double z, double r, double angleDeg) const
{
    if (radial() && !gaps && insets.empty() && cells.size() == static_cast<size_t>(sectors))
        return static_cast<int>(sectorAt(angleDeg));
    const Cell* cell = cellAt(z, r, angleDeg);
    return cell ? cell->segment : -1;
}

void BuiltLayer::lay(Cell cell)
{
    cell.place = static_cast<int>(cells.size());
    cells.push_back(std::move(cell));
}

std::vector<HalfSpace> BuiltLayer::sawnFaces(const Cell& cell) const
{
    if (!cell.faces.empty() || !radial() || cell.place < 0) return cell.faces;
    const int each = static_cast<int>(cells.size()) / sectors;  // in a sector
    const double mid = phaseDeg + 360.0 * (cell.place / each) / sectors;
    return {{outwards(mid), stock.apothem(), false},
            {-outwards(mid), -stock.innerCorner() * std::cos(stock.miterDeg() * degrees), false}};
}

BuiltLayer::Extent BuiltLayer::extentOf(const Cell& cell) const
{
    const auto place = static_cast<size_t>(cell.place);  // of one that is let in beyond them all
    const auto lattice = std::ranges::find_if(lattices, [&](const Lattice& l) { return l.holds(place); });
    constexpr double far = 1e6;  // mm: the outermost layers take what stands beyond them
    if (lattice == lattices.end()) return {{-far, far}, {cell.low, cell.high}, cell.from, cell.to};
    const Lattice::Reach reach = lattice->reachOf(place);
    return {{lattice == lattices.begin() ? -far : lattice->z0, lattice + 1 == lattices.end() ? far : lattice->z1},
            {reach.low, reach.high},
            reach.from,
            reach.to};
}

std::vector<HalfSpace> BuiltLayer::body(const Cell& cell) const
{
    std::vector<HalfSpace> halves{{{-1, 0, 0}, -z0, false}, {{1, 0, 0}, z1, false}};
    halves.insert(halves.end(), cell.bounds.begin(), cell.bounds.end());
    const std::vector<HalfSpace> faces = sawnFaces(cell);
    halves.insert(halves.end(), faces.begin(), faces.end());
    const std::vector<HalfSpace> wedge = cell.wedge();
    halves.insert(halves.end(), wedge.begin(), wedge.end());
    if (std::isfinite(cell.high))
        for (int k = 0; k < 64; ++k) halves.push_back({outwards(k * 360.0 / 64), cell.high, false});
    return halves;
}

std::vector<Point> BuiltLayer::planOf(const Cell& cell, double z) const
{
    const double far = 3 * corner;
    Face face{{z, -far, -far}, {z, far, -far}, {z, far, far}, {z, -far, far}};
    for (const HalfSpace& h : body(cell)) face = clipped(face, h);
    std::vector<Point> out;
    for (const Eigen::Vector3d& p : face) out.emplace_back(-p.z(), p.y());
    return out;
}

Point BuiltLayer::middleOf(int segment, double z) const
{
    Point sum(0, 0);
    double area = 0;
    // Where a segment is in several places, the first of them.
    for (const Cell& cell : cells) {
        if (cell.segment != segment) continue;
        const std::vector<Point> plan = planOf(cell, z);
        for (size_t i = 1; i + 1 < plan.size(); ++i) {
            const Point u = plan[i] - plan[0], v = plan[i + 1] - plan[0];
            const double a = std::abs(u.x() * v.y() - u.y() * v.x()) / 2;
            sum += a * (plan[0] + plan[i] + plan[i + 1]) / 3;
            area += a;
        }
        if (area > 0) break;
    }
    if (area > 0) sum /= area;
    return {sum.norm(), std::atan2(-sum.x(), sum.y()) / degrees};
}

std::vector<int> Assembly::segmentCounts() const
{
    std::vector<int> counts;
    for (const BuiltLayer& l : layers) counts.push_back(l.count());
    return counts;
}

bool Assembly::hasInsets() const
{
    return std::ranges::any_of(layers, [](const BuiltLayer& l) { return !l.insets.empty(); });
}

const BuiltLayer* Assembly::widestLayer() const
{
    return layers.empty() ? nullptr : &*std::ranges::max_element(layers, {}, &BuiltLayer::corner);
}

size_t Assembly::layerAt(double z) const
{
    const auto it =
        std::upper_bound(layers.begin(), layers.end(), z, [](double v, const BuiltLayer& l) { return v < l.z1; });
    return it == layers.end() ? layers.size() - 1 : static_cast<size_t>(it - layers.begin());
}

}  // namespace vl
