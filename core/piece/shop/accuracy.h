#pragma once

#include "core/measure/field.h"

namespace vl {

/// How exactly the shop works: what a setting scatters by, one standard deviation. The defaults are our own values and
/// stand to be put right by what was measured.
struct Accuracy {
    double angle = 0.05;      ///< degrees, a miter's
    double stop = 0.1;        ///< mm, a segment's length at the stop
    double planing = 0.1;     ///< mm, a layer's thickness
    double centering = 0.25;  ///< mm, a layer's middle beside the axis as it is glued on, along each of two directions
    bool operator==(const Accuracy&) const = default;
};
template <class V, As<Accuracy> F> void fields(V& v, F& f)
{
    constexpr Limit scatter{0, 10};
    v.quiet().number("angle_sd_deg", f.angle, {0, 10, "°"}, "A miter is off by, degrees", "usually; our own value");
    v.quiet().length("stop_sd_mm", f.stop, scatter, "A segment's length by", "at the stop");
    v.quiet().length("planing_sd_mm", f.planing, scatter, "A layer's thickness by");
    v.quiet().length("centring_sd_mm", f.centering, scatter, "A layer's middle by", "beside the axis as it is glued");
}

}  // namespace vl
