#pragma once

#include "core/picture/mesh_builder.h"
#include "core/workpiece/cross_section.h"

namespace vl {

/// The outside of a piece that other axes have turned, as a skin from one cross-section to the next: its ridges are
/// edges of it, and neighboring layers share their sections' points, so that it is closed.
class Loft {
public:
    /// Sections from z0 to z1, chords within `tolerance` mm of the true surface.
    Loft(const TurnedSurfaces& surfaces, double z0, double z1, double tolerance);

    /// A flat triangle of it, corners counterclockwise as seen from outside.
    using Triangle = std::array<MeshBuilder::Corner, 3>;
    const std::vector<Triangle>& skin() const { return skin_; }
    /// The flat face at its first section, towards the headstock, and at its last, towards the tailstock, round a hole
    /// of a radius (mm; 0: none).
    std::vector<Triangle> headFace(double bore) const;
    std::vector<Triangle> tailFace(double bore) const;

private:
    /// Corners in the order of their angles about the section's middle.
    struct Ring {
        std::vector<double> angles;
        std::vector<MeshBuilder::Corner> corners;
    };
    struct Slice {
        double z = 0;
        Point middle{0, 0};
        std::vector<int> of;     ///< of each run
        std::vector<Ring> runs;  ///< between ridges
        Ring whole() const;
    };
    static Slice sliced(const CrossSection& section, double tolerance);
    static Ring circle(double z, double radius, double tolerance);
    static void zip(const Ring& below, const Ring& above, bool flat, std::vector<Triangle>& out);
    void join(const Slice& below, const Slice& above);

    double tolerance_;
    std::vector<Slice> slices_;
    std::vector<Triangle> skin_;
};

}  // namespace vl
