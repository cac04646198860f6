#include "core/process/absorbency.h"

#include "core/geometry/profile.h"

#include <cmath>

namespace vl {
namespace {

/// Fibers that stand out of the surface by more than this show end grain, as in core/blank/faces; its sine.
const double showsEnds = std::sin(25 * pi / 180);

class Sampler {
public:
    explicit Sampler(const Assembly& assembly) : assembly_(assembly) {}

    /// A line turned about the axis, from foot to rim; `side`: 1 where its wood lies towards the axis, −1 where beyond
    /// it. Samples lie at equal lengths along it, and each turned on by the golden section so that none stand in a row.
    void line(const Polyline& line, double side)
    {
        constexpr int stations = 24, round = 12;
        constexpr double under = 0.05, golden = 0.6180339887;  // mm
        double length = 0;
        for (size_t i = 1; i < line.size(); ++i) length += (line[i] - line[i - 1]).norm();
        const double each = length / stations;
        double begun = 0;
        int sample = 0;
        for (size_t i = 1; i < line.size(); ++i) {
            const Point along = line[i] - line[i - 1];
            const double own = along.norm();
            if (own < 1e-9) continue;
            const Point out = Point{-along.y(), along.x()} / own * side;
            for (double at = (sample + 0.5) * each; at <= begun + own && sample < stations;
                 at = (++sample + 0.5) * each) {
                const Point place = line[i - 1] + along * (at - begun) / own;
                for (int k = 0; k < round; ++k)
                    this->at(place - out * under, out, 360.0 * (k + std::fmod(sample * golden, 1)) / round,
                             each * place.y());
            }
            begun += own;
        }
    }

    Absorbency result() const
    {
        Absorbency t;
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

}  // namespace

Absorbency absorbencyOf(const Assembly& assembly, const TurnedSurfaces& surfaces)
{
    if (assembly.layers.empty() || surfaces.outside.size() < 2) return {};
    Sampler sampler(assembly);
    sampler.line(surfaces.outside, 1);
    if (!surfaces.inside.empty()) sampler.line(surfaces.inside, -1);
    Absorbency t = sampler.result();
    const BuiltLayer& foot = assembly.layers.front();
    const double r = surfaces.outside.front().y() / 2;
    if (const Cell* cell = foot.cellAt(surfaces.outside.front().x() + 1e-3, r, 15))
        t.faceGrainFoot = cell->endGrain(Eigen::Vector3d::UnitX()) < showsEnds;
    return t;
}

}  // namespace vl
