#include "core/workpiece/decor_grid.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The surface's line in the plane of the axis within the grid's range, in the order in which its rings are counted.
Polyline lineOf(const Decor& d, const TurnedSurfaces& surfaces)
{
    if (d.on != Decor::Face) {
        const Polyline& wall = d.on == Decor::Wall ? surfaces.outside : surfaces.inside;
        return wall.empty() ? Polyline{} : clipped(wall, d.from, d.to);
    }
    // What the tailstock sees: the rim's face, and a dish's inside down from it.
    Polyline seen{{surfaces.outside.back()}};
    if (surfaces.inside.empty())
        seen.emplace_back(surfaces.outside.back().x(), 0);
    else
        for (auto p = surfaces.inside.rbegin(); p != surfaces.inside.rend(); ++p) seen.push_back(*p);
    Polyline line;
    auto add = [&](const Point& p) {
        if (line.empty() || (line.back() - p).norm() > 1e-9) line.push_back(p);
    };
    for (size_t i = 1; i < seen.size(); ++i) {
        const Point &a = seen[i - 1], &b = seen[i];
        // Of an undercut nothing is seen.
        if (!(b.y() < a.y())) continue;
        auto at = [&](double r) -> Point { return a + (b - a) * ((a.y() - r) / (a.y() - b.y())); };
        const double high = std::min(a.y(), d.to), low = std::max(b.y(), d.from);
        if (high < low) continue;
        add(at(high));
        add(at(low));
    }
    return line;
}

/// A place `on` mm along a line.
Point along(const Polyline& line, const std::vector<double>& reached, double on)
{
    const auto i = static_cast<size_t>(std::clamp<long>(std::ranges::upper_bound(reached, on) - reached.begin(), 1,
                                                        static_cast<long>(line.size()) - 1));
    const double span = reached[i] - reached[i - 1];
    return span > 0 ? Point(line[i - 1] + (line[i] - line[i - 1]) * ((on - reached[i - 1]) / span)) : line[i];
}

void addRings(const Decor& d, const Polyline& line, GridOf& grid)
{
    if (line.size() < 2) return;
    std::vector<double> reached{0};
    for (size_t i = 1; i < line.size(); ++i) reached.push_back(reached.back() + (line[i] - line[i - 1]).norm());
    constexpr size_t most = 200;
    constexpr double least = 0.2;  // mm: nobody draws finer
    double from = 0;
    while (grid.rings.size() < most) {
        const Point a = along(line, reached, from);
        auto ringTo = [&](double to) {
            const Point b = along(line, reached, to);
            GridRing r{.z0 = a.x(), .r0 = a.y(), .z1 = b.x(), .r1 = b.y(), .length = to - from};
            r.around = 2 * pi / d.spokes * (a.y() + b.y()) / 2;
            return r;
        };
        double to = from + d.wide;
        if (d.rings == Decor::Square) {
            // Its side grows with every millimeter on; the wanted one is found by halving.
            auto tooShort = [&](double on) { return on - from < d.aspect * ringTo(on).around; };
            if (tooShort(reached.back())) break;
            double low = from, high = reached.back();
            for (int k = 0; k < 60; ++k) {
                const double middle = (low + high) / 2;
                (tooShort(middle) ? low : high) = middle;
            }
            to = high;
        }
        if (to > reached.back() + 1e-6 || to - from < least) break;
        grid.rings.push_back(ringTo(std::min(to, reached.back())));
        from = to;
    }
    grid.rest = std::max(0.0, reached.back() - from);
}

}  // namespace

double GridOf::angleOf(const Decor& of, int spoke) const
{
    const auto n = static_cast<int>(spokes.size());
    const IndexMark& m = spokes[static_cast<size_t>(spoke % n)];
    return of.direction + m.wanted + m.errorDeg + (spoke >= n ? 360 : 0);
}

std::vector<GridOf> gridsOf(const Piece& piece, const TurnedSurfaces& surfaces)
{
    std::vector<GridOf> all;
    for (size_t i = 0; i < piece.decors.size(); ++i) {
        const Decor& d = piece.decors[i];
        GridOf grid{.decor = i, .spokes = laidOut(d.spokes, d.plate, d.start), .rings = {}, .worked = {}};
        addRings(d, lineOf(d, surfaces), grid);
        for (size_t c = 0; c < d.cells.size(); ++c) {
            const int ring = d.cells[c].ring;
            if (ring >= static_cast<int>(grid.rings.size())) continue;
            for (int k = 0; k < d.spokes; ++k) {
                if (!covers(d.cells[c], k, d.spokes)) continue;
                const GridRing& r = grid.rings[static_cast<size_t>(ring)];
                const Eigen::Vector3d at =
                    pointAt((r.z0 + r.z1) / 2, (r.r0 + r.r1) / 2, (grid.angleOf(d, k) + grid.angleOf(d, k + 1)) / 2);
                grid.worked.push_back({c, ring, k, std::ranges::any_of(surfaces.cuts, [&](const Cut& cut) {
                                           return takes(cut.solid, at);
                                       })});
            }
        }
        all.push_back(std::move(grid));
    }
    return all;
}

std::string nameOf(const Piece& piece, const Decor& decor)
{
    if (!decor.name.empty()) return decor.name;
    for (size_t i = 0; i < piece.decors.size(); ++i)
        if (piece.decors[i].id == decor.id) return i == 0 ? "grid" : "grid " + std::to_string(i + 1);
    return "grid";
}

std::string gridStep(const Decor& decor) { return "grid-" + decor.id; }

std::string workStep(const Decor& decor, GridCells::Work work)
{
    return std::string(choices(work)[static_cast<size_t>(work)].name) + "-" + decor.id;
}

}  // namespace vl
