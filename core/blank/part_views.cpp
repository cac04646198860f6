#include "core/blank/part_views.h"

#include <algorithm>

namespace vl {

PartViews partViews(BuiltLayer layer, size_t cell, double loss)
{
    layer.z0 -= loss;
    layer.z1 += loss;
    const Cell& c = layer.cells[cell];
    const Eigen::Vector3d out = c.board.axes.row(2);
    // Along the stave is that one of the board's directions which the lathe's axis is nearer to.
    const bool grainAlong = std::abs(c.board.axes(0, 0)) >= std::abs(c.board.axes(1, 0));
    const Eigen::Vector3d up = c.board.axes.row(grainAlong ? 0 : 1), across = c.board.axes.row(grainAlong ? 1 : 0);
    PartViews views;
    auto project = [&](const Face& face, const Eigen::Vector3d& x, const Eigen::Vector3d& y) {
        std::vector<Point> corners;
        for (const Eigen::Vector3d& p : face) {
            const Eigen::Vector3d d = p - c.board.origin;
            corners.emplace_back(d.dot(x), d.dot(y));
        }
        return corners;
    };
    Range through{1e9, -1e9};
    for (const Face& face : convexBody(layer.body(c), 4 * std::max(layer.corner, layer.z1))) {
        const Eigen::Vector3d normal = (face[1] - face[0]).cross(face[2] - face[0]).normalized();
        for (const Eigen::Vector3d& p : face) {
            through.low = std::min(through.low, (p - c.board.origin).dot(out));
            through.high = std::max(through.high, (p - c.board.origin).dot(out));
        }
        constexpr double seen = 1e-6;
        if (normal.dot(out) > seen) views.face.push_back(project(face, across, up));
        if (normal.dot(across) > seen) views.edge.push_back(project(face, out, up));
        if (normal.dot(up) < -seen) views.end.push_back(project(face, across, out));
        if (normal.dot(out) < 1 - seen) continue;
        // The outer face: how long it is, and how wide at its ends.
        const std::vector<Point> flat = project(face, across, up);
        const auto [low, high] = std::ranges::minmax(flat, {}, [](const Point& p) { return p.y(); });
        views.length = high.y() - low.y();
        auto width = [&](double y) {
            Range x{1e9, -1e9};
            for (const Point& p : flat)
                if (std::abs(p.y() - y) < seen * std::max(1.0, views.length))
                    x = {std::min(x.low, p.x()), std::max(x.high, p.x())};
            return std::max(0.0, x.high - x.low);
        };
        views.lower = width(low.y());
        views.upper = width(high.y());
    }
    views.thickness = through.high - through.low;
    return views;
}

}  // namespace vl
