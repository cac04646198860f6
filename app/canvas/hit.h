#pragma once

#include <QPointF>

#include <cmath>
#include <ranges>

namespace vl::app {

/// Pixels within which a handle is hit.
constexpr double hitRadius = 9;

inline double distance(const QPointF& a, const QPointF& b) { return std::hypot(a.x() - b.x(), a.y() - b.y()); }
inline bool hits(const QPointF& handle, const QPointF& at) { return distance(handle, at) < hitRadius; }

/// The nearest of the handles 0 … count − 1 that is hit at a place, `position` giving where each stands; −1: none.
template <class Position> int nearestHit(int count, Position&& position, const QPointF& at)
{
    int best = -1;
    double nearest = hitRadius;
    for (int k = 0; k < count; ++k)
        if (const double d = distance(position(k), at); d < nearest) nearest = d, best = k;
    return best;
}

}  // namespace vl::app
