#include "core/picture/loft.h"

#include <Eigen/Geometry>

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double nearly = 1e-5;  // mm: sections so close are the two sides of a step

}  // namespace

Loft::Ring Loft::Slice::whole() const
{
    Ring ring;
    for (const Ring& run : runs) {
        // A ridge ends one run and begins the next.
        for (size_t i = 0; i + 1 < run.angles.size(); ++i) {
            ring.angles.push_back(run.angles[i]);
            ring.corners.push_back(run.corners[i]);
        }
    }
    ring.angles.push_back(ring.angles.front() + 360);
    ring.corners.push_back(ring.corners.front());
    return ring;
}

Loft::Slice Loft::sliced(const CrossSection& section, double tolerance)
{
    Slice slice{.z = section.z(), .middle = section.middle(), .of = {}, .runs = {}};
    for (const CrossSection::Side& side : section.spans()) {
        Ring run;
        for (const double angle : section.anglesIn(side, tolerance)) {
            const Point p = section.at(angle);
            run.angles.push_back(angle);
            run.corners.push_back({{section.z(), p.x(), p.y()}, section.normalAt(p, side.of)});
        }
        slice.of.push_back(side.of);
        slice.runs.push_back(std::move(run));
    }
    // Both runs that meet in a ridge end in the same point, to the last bit: the skin is closed.
    for (size_t i = 0; i < slice.runs.size(); ++i)
        slice.runs[i].corners.back().place = slice.runs[(i + 1) % slice.runs.size()].corners.front().place;
    return slice;
}

Loft::Ring Loft::circle(double z, double radius, double tolerance)
{
    Ring ring;
    const double step = 2 * std::acos(std::max(0.5, 1 - tolerance / std::max(radius, tolerance)));
    const int n = radius > 0 ? std::max(3, static_cast<int>(std::ceil(2 * pi / step))) : 1;
    for (int k = 0; k <= n; ++k) {
        const double angle = 360.0 * k / n;
        const Point p = polar(radius, k == n ? 0 : angle);
        ring.angles.push_back(angle);
        ring.corners.push_back({{z, p.x(), p.y()}, Eigen::Vector3d::UnitX()});
    }
    return ring;
}

void Loft::zip(const Ring& below, const Ring& above, bool flat, std::vector<Triangle>& out)
{
    auto share = [](const Ring& r, size_t i) {
        return (r.angles[i] - r.angles.front()) / (r.angles.back() - r.angles.front());
    };
    auto add = [&](MeshBuilder::Corner a, MeshBuilder::Corner b, MeshBuilder::Corner c) {
        const Eigen::Vector3d face = (b.place - a.place).cross(c.place - a.place);
        if (face.norm() < 1e-12) return;
        if (flat)
            for (MeshBuilder::Corner* corner : {&a, &b, &c}) corner->normal = face.normalized();
        out.push_back({a, b, c});
    };
    size_t i = 0, j = 0;
    while (i + 1 < below.corners.size() || j + 1 < above.corners.size()) {
        const bool upper = i + 1 == below.corners.size() ||
                           (j + 1 < above.corners.size() && share(above, j + 1) < share(below, i + 1));
        if (upper) {
            add(below.corners[i], above.corners[j + 1], above.corners[j]);
            ++j;
        } else {
            add(below.corners[i], below.corners[i + 1], above.corners[j]);
            ++i;
        }
    }
}

void Loft::join(const Slice& below, const Slice& above)
{
    const size_t n = below.runs.size();
    const bool step = above.z - below.z < nearly;
    if (n == above.runs.size() && !step) {
        // The same sides in the same order: ridge goes to ridge.
        for (size_t shift = 0; shift < n; ++shift) {
            bool alike = true;
            for (size_t k = 0; k < n && alike; ++k) alike = below.of[k] == above.of[(k + shift) % n];
            double turned = std::remainder(above.runs[shift].angles.front() - below.runs[0].angles.front(), 360);
            if (n == 1) turned = 0;
            if (!alike || std::abs(turned) > 360.0 / static_cast<double>(n + 1)) continue;
            for (size_t k = 0; k < n; ++k) zip(below.runs[k], above.runs[(k + shift) % n], false, skin_);
            return;
        }
    }
    const Ring lower = below.whole();
    Ring upper = above.whole(), turned;
    // Begins where the lower one does.
    const size_t m = upper.angles.size() - 1;
    size_t first = 0;
    double least = 1e9;
    for (size_t k = 0; k < m; ++k)
        if (const double off = std::abs(std::remainder(upper.angles[k] - lower.angles.front(), 360)); off < least)
            least = off, first = k;
    for (size_t k = 0; k <= m; ++k) {
        const size_t at = (first + k) % m;
        turned.angles.push_back(upper.angles[at] + (first + k >= m ? 360 : 0));
        turned.corners.push_back(upper.corners[at]);
    }
    zip(lower, turned, true, skin_);
}

Loft::Loft(const TurnedSurfaces& surfaces, double z0, double z1, double tolerance) : tolerance_(tolerance / 2)
{
    for (const double z : sliceStations(surfaces, z0, z1, tolerance_)) {
        const CrossSection section(surfaces, z);
        if (section.empty()) continue;
        slices_.push_back(sliced(section, tolerance_));
        if (slices_.size() > 1) join(slices_[slices_.size() - 2], slices_.back());
    }
}

std::vector<Loft::Triangle> Loft::headFace(double bore) const
{
    std::vector<Triangle> out;
    if (slices_.empty()) return out;
    const Slice& s = slices_.front();
    Ring inner = circle(s.z, bore, tolerance_);
    if (bore <= 0)
        for (MeshBuilder::Corner& c : inner.corners) c.place = {s.z, s.middle.x(), s.middle.y()};
    zip(inner, s.whole(), true, out);
    return out;
}

std::vector<Loft::Triangle> Loft::tailFace(double bore) const
{
    std::vector<Triangle> out;
    if (slices_.empty()) return out;
    const Slice& s = slices_.back();
    Ring inner = circle(s.z, bore, tolerance_);
    if (bore <= 0)
        for (MeshBuilder::Corner& c : inner.corners) c.place = {s.z, s.middle.x(), s.middle.y()};
    zip(s.whole(), inner, true, out);
    return out;
}

}  // namespace vl
