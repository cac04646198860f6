#include "core/piece/document/worked.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

#include <algorithm>
#include <cmath>

namespace vl {

namespace {

/// Twice the area to the left of a way a, b, c.
double turns(const SkinCorner& a, const SkinCorner& b, const SkinCorner& c)
{
    return (b.along - a.along) * (c.across - a.across) - (b.across - a.across) * (c.along - a.along);
}

bool cross(const SkinCorner& a, const SkinCorner& b, const SkinCorner& c, const SkinCorner& d)
{
    return turns(a, b, c) * turns(a, b, d) <= 0 && turns(c, d, a) * turns(c, d, b) <= 0 &&
           std::min(a.along, b.along) <= std::max(c.along, d.along) &&
           std::min(c.along, d.along) <= std::max(a.along, b.along) &&
           std::min(a.across, b.across) <= std::max(c.across, d.across) &&
           std::min(c.across, d.across) <= std::max(a.across, b.across);
}

}  // namespace

bool keepsClear(const std::vector<SkinCorner>& corners)
{
    const size_t n = corners.size();
    double area = 0;
    for (size_t i = 0; i < n; ++i) {
        const SkinCorner &a = corners[i], &b = corners[(i + 1) % n];
        area += a.along * b.across - b.along * a.across;
        for (size_t j = i + 2; j < n; ++j)
            if ((j + 1) % n != i && cross(a, b, corners[j], corners[(j + 1) % n])) return false;
    }
    constexpr double least = 0.02;  // of the box about it: less is a slit
    return std::abs(area) / 8 > least;
}

void checkWorked(const Worked& w, const std::string& path)
{
    if (w.kind != Worked::Legs && w.to <= w.from)
        throw InputError(path + ".to_mm", exact(w.to), "more than where it begins, " + exact(w.from) + " mm, is");
    if (w.kind == Worked::Flutes && w.depth > w.cutter / 2)
        throw InputError(path + ".depth_mm", exact(w.depth),
                         "at most half the cutter's diameter, " + exact(w.cutter / 2) + " mm, is");
    if (w.kind == Worked::Legs && w.count > 12)
        throw InputError(path + ".count", std::to_string(w.count), "of legs 2 to 12 are");
    if (w.kind == Worked::Openings && w.shape == Worked::Drawn) {
        if (w.drawn.size() < leastSkinCorners)
            throw InputError(path + ".drawn", std::to_string(w.drawn.size()) + " corners",
                             std::to_string(leastSkinCorners) + " or more are");
        if (!keepsClear(w.drawn))
            throw InputError(path + ".drawn", "an outline that crosses itself", "one that keeps clear of itself is");
    }
    checkIndex(w.count, w.plate, w.start, path);
}

}  // namespace vl
