#pragma once

#include <Eigen/Core>

#include <cstddef>
#include <vector>

namespace vl {

/// A rod through a blank. Lengths mm, angles degrees.
struct Rod {
    double diameter = 0;
    double at = 0;      ///< station at which its middle line is nearest the axis
    double angle = 90;  ///< between its middle line and the axis
    double turn = 0;    ///< of the plane through the axis that it lies in, from 12 o'clock
    double offset = 0;  ///< how far it lies beside that plane
};

/// A square blank about its axis, bored and turned: x along the axis, y to 12 o'clock, z to 9 o'clock, mm.
struct RodBlank {
    double length = 0, width = 0;
    double bore = 0;      ///< Ø; 0: none
    double finished = 0;  ///< Ø that it is turned to
};

/// Two rods whose wood runs into each other: half the sum of their diameters less the distance of their middle lines
/// inside the blank.
struct RodCrossing {
    size_t first = 0, second = 0;
    double depth = 0;  ///< mm
};

/// Throws InputError naming the field where blank or rod cannot be, or a rod passes outside the blank.
void checkRods(const RodBlank& blank, const std::vector<Rod>& rods);

/// Solid geometry: the distance of two stretches of lines.
std::vector<RodCrossing> crossings(const RodBlank& blank, const std::vector<Rod>& rods);
/// Whether a rod's wood meets the bore.
bool breaksBore(const RodBlank& blank, const Rod& rod);
/// The share of a rod's volume inside the blank that lies between bore and finished diameter, 0 … 1, within 0.001:
/// exact along lines, spread evenly over its section.
double survives(const RodBlank& blank, const Rod& rod);

/// Least distance between the stretches a–b and c–d, mm.
double distanceBetween(const Eigen::Vector3d& a, const Eigen::Vector3d& b, const Eigen::Vector3d& c,
                       const Eigen::Vector3d& d);

}  // namespace vl
