#pragma once

#include "core/blank/cell.h"

#include <string>

namespace vl {

/// What is let into the blank's wood and leveled with it: rods, plugs, pieces in a groove and what is packed between
/// them, color. It comes before the layers' own cells where it lies, a later one before an earlier one.
struct Inset {
    Cell cell;
    std::string step{};  ///< id of the step after which it is there
    Eigen::Vector3d middle{0, 0, 0};
    double reach = 0;  ///< mm from its middle, within which all of it lies

    bool holds(const Eigen::Vector3d& p, double r, double angleDeg) const
    {
        return (p - middle).squaredNorm() <= reach * reach && cell.spans(angleDeg) && cell.within(p, r);
    }
};

}  // namespace vl
