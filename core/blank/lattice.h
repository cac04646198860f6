#pragma once

#include <Eigen/Core>

#include <vector>

namespace vl {

/// Cells that lie in rows and strips between two stations, so that the one at a place is found by halving, however many
/// there are.
///
///     across[0]   across[1]   across[2]
///        │  first    │ first + 1 │        along[0] …
///        │ first + 2 │ first + 3 │        along[1] …
struct Lattice {
    double z0 = 0, z1 = 0;                   ///< mm
    Eigen::Vector3d x{0, 0, 1}, y{0, 1, 0};  ///< directions across the strips and along them
    std::vector<double> across, along;       ///< mm, the edges, ascending; one more than there are strips and rows
    std::vector<double> turned;              ///< mm, those across of every second row; empty: the same
    size_t first = 0;                        ///< its first cell's place

    size_t strips() const { return across.size() - 1; }
    const std::vector<double>& edgesOf(size_t row) const { return row % 2 && !turned.empty() ? turned : across; }
    size_t rows() const { return along.size() - 1; }
    size_t count() const { return strips() * rows(); }
    /// Whether a cell's place is one of its own.
    bool holds(size_t place) const { return place >= first && place < first + count(); }
    /// A box round the axis that holds a cell, by its place: radii (mm) and a span of angle (degrees from 12 o'clock).
    /// What lies outermost goes on for ever.
    struct Reach {
        double low = 0, high = 0, from = 0, to = 360;
    };
    Reach reachOf(size_t place) const;
    /// The place of the cell at a point; beyond the edges the outermost one.
    size_t at(const Eigen::Vector3d& p) const;
};

}  // namespace vl
