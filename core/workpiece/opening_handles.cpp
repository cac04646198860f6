#include "core/workpiece/opening_handles.h"

#include "core/geometry/line_length.h"
#include "core/piece/records/field_items.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// A place about the opening's own middle line, turned by its slant and back.
Point slanted(const Point& p, double deg)
{
    const double c = std::cos(deg * degrees), s = std::sin(deg * degrees);
    return {p.x() * c - p.y() * s, p.x() * s + p.y() * c};
}

}  // namespace

std::vector<OpeningHandle> openingHandles(const Worked& w, const Opening& o)
{
    using enum OpeningHandle::What;
    const double l = o.length / 2, h = w.wide / 2;
    std::vector<OpeningHandle> all;
    const auto add = [&](OpeningHandle::What what, Point at, size_t corner = 0) {
        all.push_back({what, corner, slanted(at, w.slant)});
    };
    if (w.shape == Worked::Lattice) return all;
    add(LowerEnd, {-l, 0});
    add(UpperEnd, {l, 0});
    add(Side, {0, h});
    // At the middle of its upper swing.
    if (w.shape == Worked::Scroll) add(Swing, {std::max(1e-3, l - h) / 2, w.sway});
    for (size_t k = 0; k < w.drawn.size() && w.shape == Worked::Drawn; ++k)
        add(Corner, {w.drawn[k].along * l, w.drawn[k].across * h}, k);
    return all;
}

Worked dragged(const Worked& w, const Opening& o, const TurnedSurfaces& surfaces, const OpeningHandle& handle,
               const Point& to)
{
    Worked next = w;
    const double l = o.length / 2, h = w.wide / 2;
    const Point own = slanted(to, -w.slant);
    switch (handle.what) {
    case OpeningHandle::LowerEnd:
    case OpeningHandle::UpperEnd: {
        // Along the skin it moves its end's station, across it the middle line leans.
        const LineLength skin(surfaces.outside);
        const double middle = (skin.at(std::max(w.from, 0.0)) + skin.at(w.to)) / 2;
        const double station = skin.place(middle + to.x()).x();
        const bool upper = handle.what == OpeningHandle::UpperEnd;
        (upper ? next.to : next.from) = station;
        if (std::abs(to.x()) > 1) next.slant = std::atan(to.y() / to.x()) / degrees;
        if (next.to - next.from < 2) return w;
        break;
    }
    case OpeningHandle::Side:
        next.wide = 2 * std::abs(own.y());
        break;
    case OpeningHandle::Swing:
        next.sway = std::abs(own.y());
        break;
    case OpeningHandle::Corner: {
        SkinCorner& c = next.drawn[handle.corner];
        c.along = std::clamp(own.x() / std::max(l, 1e-6), -1.0, 1.0);
        c.across = std::clamp(own.y() / std::max(h, 1e-6), -1.0, 1.0);
        if (!keepsClear(next.drawn)) return w;
        break;
    }
    }
    clampToLimits(next);
    return next;
}

Worked cornerAdded(Worked w, size_t after)
{
    if (after >= w.drawn.size() || w.drawn.size() >= mostSkinCorners) return w;
    const SkinCorner &a = w.drawn[after], &b = w.drawn[(after + 1) % w.drawn.size()];
    SkinCorner c;
    c.along = (a.along + b.along) / 2;
    c.across = (a.across + b.across) / 2;
    w.drawn.insert(w.drawn.begin() + static_cast<std::ptrdiff_t>(after) + 1, c);
    return w;
}

Worked cornerRemoved(Worked w, size_t corner)
{
    Worked less = w;
    if (corner < w.drawn.size()) less.drawn.erase(less.drawn.begin() + static_cast<std::ptrdiff_t>(corner));
    return less.drawn.size() >= leastSkinCorners && keepsClear(less.drawn) ? less : w;
}

}  // namespace vl
