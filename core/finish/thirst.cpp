#include "core/finish/thirst.h"

#include "core/geometry/profile.h"

#include <cmath>

namespace vl {
namespace {

/// Fibres that stand out of the surface by more than this show end grain, as in core/blank/faces; its sine.
const double showsEnds = std::sin(25 * pi / 180);

class Sampler {
public:
    explicit Sampler(const Assembly& assembly) : assembly_(assembly) {}

    /// A line turned about the axis, from foot to rim; `side`: 1 where its wood lies towards the axis, −1 where beyond
    /// it.
    void line(const Polyline& line, double side)
    {
        constexpr int round = 12;
        constexpr double under = 0.05;  // mm
        for (size_t i = 1; i < line.size(); ++i) {
            const Point along = line[i] - line[i - 1];
            const double length = along.norm();
            if (length < 1e-9) continue;
            const Point middle = (line[i] + line[i - 1]) / 2, out = Point{-along.y(), along.x()} / length * side;
            for (int k = 0; k < round; ++k)
                at(middle - out * under, out, 360.0 * (k + 0.5) / round, length * middle.y());
        }
    }

    Thirst result() const
    {
        Thirst t;
        if (area_ > 0) t = {.endGrain = ends_ / area_, .density = weight_ / area_};
        return t;
    }

private:
    void at(const Point& place, const Point& out, double deg, double area)
    {
        const Cell* cell = assembly_.layers[assembly_.layerAt(place.x())].cellAt(place.x(), place.y(), deg);
        if (!cell) return;
        const Eigen::Vector3d normal = out.x() * Eigen::Vector3d::UnitX() + out.y() * outwards(deg);
        area_ += area;
        weight_ += area * cell->wood->density;
        if (cell->endGrain(normal) > showsEnds) ends_ += area;
    }

    const Assembly& assembly_;
    double area_ = 0, ends_ = 0, weight_ = 0;
};

/// A line in few, about equally long pieces: a sample each.
Polyline coarse(const Polyline& line)
{
    constexpr size_t most = 24;
    if (line.size() <= most) return line;
    Polyline few;
    for (size_t k = 0; k < most; ++k) few.push_back(line[k * (line.size() - 1) / (most - 1)]);
    return few;
}

}  // namespace

Thirst thirstOf(const Assembly& assembly, const Sides& sides)
{
    if (assembly.layers.empty() || sides.outside.size() < 2) return {};
    Sampler sampler(assembly);
    sampler.line(coarse(sides.outside), 1);
    if (!sides.inside.empty()) sampler.line(coarse(sides.inside), -1);
    Thirst t = sampler.result();
    const BuiltLayer& foot = assembly.layers.front();
    const double r = sides.outside.front().y() / 2;
    if (const Cell* cell = foot.cellAt(sides.outside.front().x() + 1e-3, r, 15))
        t.faceGrainFoot = cell->endGrain(Eigen::Vector3d::UnitX()) < showsEnds;
    return t;
}

}  // namespace vl
