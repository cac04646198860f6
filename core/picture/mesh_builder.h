#pragma once

#include "core/picture/mesh.h"

#include <array>
#include <utility>

namespace vl {

/// Writes the triangles of one cell after another into a mesh, each cut at the cell's joints and at whatever else
/// limits the piece. Used by turnedMesh() and blankMesh() only.
class MeshBuilder {
public:
    MeshBuilder(const Assembly& assembly, Mesh& mesh);

    /// From now on everything is cut at these too, of whatever cell it is.
    void limit(std::vector<HalfSpace> halves) { limits_ = std::move(halves); }
    /// From now on vertices belong to this cell.
    void begin(size_t layer, const BuiltLayer& built, const Cell& cell);
    /// The same for a cell that is let into a layer.
    void beginInset(size_t layer, const Cell& cell);

    struct Corner {
        Eigen::Vector3d place, normal;
    };
    /// A corner at station z, radius r, angle (degrees from 12 o'clock), with a normal given along (axis, radius,
    /// turn).
    Corner corner(double z, double r, double angleDeg, double nz, double nr, double nt);
    /// A flat face, cut at the cell's joints.
    void face(std::vector<Corner> corners);
    /// A band of surface over the angles: `line` turned, its solid side to the left of its way along z where `sign` is
    /// +1.
    void sweep(const Polyline& whole, const std::vector<double>& angles, double sign);

    /// What of a flat convex face lies in a half-space; false where fewer than three corners do.
    static bool cut(std::vector<Corner>& corners, const HalfSpace& half);

    std::uint32_t vertex(const Corner& c);
    void triangle(std::uint32_t a, std::uint32_t b, std::uint32_t c)
    {
        mesh_.indices.insert(mesh_.indices.end(), {a, b, c});
    }
    const BuiltLayer::Extent& extent() const { return extent_; }
    /// Whether a face of this cell is cut at anything.
    bool cuts() const { return clip_; }

private:
    std::vector<std::vector<double>> reached(const std::vector<double>& angles) const;
    bool beyond(const Point& p, const Point& q) const;
    void band(const Polyline& line, const std::vector<double>& angles, double sign);
    void take(size_t layer, const Cell& cell);

    Mesh& mesh_;
    std::vector<HalfSpace> limits_;
    const Cell* cell_ = nullptr;
    BuiltLayer::Extent extent_{};
    bool clip_ = false;
    float species_ = 0, part_ = 0;
    double angle_ = 0, cos_ = 1, sin_ = 0;  // the last angle's, which comes twice running
};

}  // namespace vl
