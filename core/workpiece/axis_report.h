#pragma once

#include "core/workpiece/axis_set_ups.h"
#include "core/workpiece/cross_section.h"

namespace vl {

/// What the sides of one axis come to at one station.
struct AxisAt {
    double z = 0;                  ///< mm
    double round = 0;              ///< radius that it is turned true to before, mm; as far as wood reaches
    std::vector<double> flats{};   ///< width of each side, mm; 0 where it cuts nothing
    std::vector<double> bands{};   ///< of the round left between each side and the next, mm; 0 where they meet
    std::vector<double> depths{};  ///< how deep each cuts below the round, in its middle, mm; below 0 it cuts air
    double meetRadius = 0;         ///< radius about its axis at which two neighbors would just meet on the round, mm
    double bandRadius = 0;         ///< and at which they leave the wanted band
    double widest = 0, narrowest = 0;  ///< of the finished section between parallel jaws, mm
    double area = 0;                   ///< mm²
    double air = 0;                    ///< share of a turn about the first side's axis in which the tool cuts nothing
    double perMillimeter = 0;          ///< mm by which a side grows or shrinks for 1 mm of error in its center here
    double perHead = 0, perTail = 0;   ///< the same for 1 mm at one end's center alone, the other where it should be
    double perHole = 0;                ///< mm by which a band grows or shrinks for one hole of error; 0 without a plate
};

/// The sides of one axis at the beginning, the middle and the end of its range, and what hangs on the whole of it.
struct AxisReport {
    size_t axis = 0;
    std::vector<AxisAt> at{};
    std::vector<Point> depth{};  ///< station, and how deep its first side cuts below the round there, mm
    double leastWall = 0;        ///< mm between a flat and the bore; infinite where it is solid
    double leastWallAt = 0;
    bool middleLineLost = false;  ///< a depth line drawn in the middle is cut away by the cut itself
    double imbalance = 0;         ///< mm of the work's middle off the axis that it turns about, at the most
};

/// How far the middle of the wood lies off an axis that it turns about, mm: the mean of its distances along the axis,
/// by weight, once the first `turned` set-ups are done. `about`: a set-up's axis; none: the true one.
double imbalance(const TurnedSurfaces& surfaces, size_t turned, const TurnedAbout* about = nullptr);

/// A center that an earlier set-up has turned away before it is used.
struct LostCenter {
    std::string setUp, by;  ///< ids; `setUp` empty: the true center
    bool head = true;
    double outside = 0;  ///< mm that it lies outside what is left
};

/// Reports of all axes; each as if those after it were not turned yet. Plane geometry: two discs of radius ρ whose
/// middles lie e off the true axis, γ apart, meet at √(ρ² − e²·sin²(γ/2)) − e·cos(γ/2) from it.
std::vector<AxisReport> axisReports(const Piece& piece, const TurnedSurfaces& surfaces,
                                    const std::vector<AxisSetUp>& setUps);

/// Every center that is needed after a cut has removed it.
std::vector<LostCenter> lostCenters(const Piece& piece, const TurnedSurfaces& surfaces,
                                    const std::vector<AxisSetUp>& setUps);

}  // namespace vl
