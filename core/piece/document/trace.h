#pragma once

#include "core/geometry/point.h"
#include "core/measure/field.h"

#include <string>

namespace vl {

/// A photograph or a sketch that lies under the drawing to be traced. Lengths mm: along the axis, and up from it.
struct Trace {
    std::string picture;         ///< its file; empty: none
    double along = 100, up = 0;  ///< where its middle lies
    double width = 200;          ///< of the whole picture
    double turned = 0;           ///< degrees, counterclockwise
    double strength = 60;        ///< %, of its colors over the paper
    std::string extra;
    bool operator==(const Trace&) const = default;
};
template <class V, As<Trace> F> void fields(V& v, F& f)
{
    constexpr Limit place{-10000, 10000};
    v.text("picture", f.picture, 1000, "Picture", "its file");
    v.length("along_mm", f.along, place, "Its middle at station");
    v.length("up_mm", f.up, place, "Its middle over the axis");
    v.length("width_mm", f.width, {1, 20000}, "As wide as");
    v.angle("turned_deg", f.turned, {-360, 360, "°"}, "Turned by, degrees", "anticlockwise");
    v.number("strength_percent", f.strength, {5, 100, "%"}, "Strength, %");
}

/// The picture moved, turned and scaled so that two places of it, where they lie now, come onto the axis: the first to
/// station 0, the second `length` mm on. As it was where they are one, or it would be larger or smaller than its
/// limits.
Trace straightened(Trace trace, const Point& foot, const Point& rim, double length);

}  // namespace vl
