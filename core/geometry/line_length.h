#pragma once

#include "core/geometry/point.h"

#include <vector>

namespace vl {

/// Stations against length along a line, and back; mm. The line must outlive it, and has a point at least.
class LineLength {
public:
    explicit LineLength(const Polyline& line);
    /// How far along the line a station is; of a step the length before it.
    double at(double station) const;
    /// The place that far along it; held to its ends.
    Point place(double along) const;

private:
    const Polyline& line_;
    std::vector<double> along_;
};

}  // namespace vl
