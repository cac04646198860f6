#pragma once

#include "core/geometry/point.h"

#include <algorithm>
#include <cmath>
#include <string>

namespace vl::io {

constexpr size_t mostPoints = 200000;  // of a drawing

/// Adds chords of a curve that its points are given of at t, 0 … 1, so many that they are 0.02 mm off it or less;
/// `length` is about its own, in units of `scale` mm.
template <class At> void addChords(Polyline& line, double length, double scale, At at)
{
    constexpr double fine = 0.02;  // mm
    const double steps = std::clamp(std::sqrt(length * scale / fine) * 2, 4.0, 400.0);
    const int n = static_cast<int>(std::ceil(steps));
    for (int k = 1; k <= n; ++k) line.push_back(at(static_cast<double>(k) / n));
}

/// Whether a line's name says that it is the axis: "axis", in letters of either size.
inline bool namesAxis(std::string name)
{
    std::ranges::transform(name, name.begin(), [](char c) { return c >= 'A' && c <= 'Z' ? char(c + 32) : c; });
    return name == "axis";
}

}  // namespace vl::io
