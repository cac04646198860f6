#pragma once

#include "core/picture/mesh.h"
#include "core/picture/skin.h"

#include <Eigen/Geometry>

namespace vl {

/// Where the piece is seen from. The piece is turned by `yaw` and `pitch` (degrees) and drawn `zoom` times as large as
/// fits.
struct Camera {
    double yaw = -28, pitch = 22;  ///< of the piece about its own upright, then towards the eye
    double zoom = 1;
    bool upright = true;  ///< rim up; else axis horizontal, headstock left

    /// World to view: x right, y up, z towards the eye; mm, the middle of the piece at the origin.
    Eigen::Affine3d view(double height) const;
    /// mm from the center to the edge of the picture's shorter side.
    double halfExtent(double height, double greatestDiameter) const;
};

/// The edge of the ground in the piece's shadow, in a picture of this size, pixels: a circle about its foot where it
/// stands, an oval along it where it lies; `wide` times as wide as what throws it. Empty where it is seen from below.
std::vector<Eigen::Vector2d> shadowUnder(const Camera& camera, double height, double greatestDiameter, double foot,
                                         int width, int heightPx, double wide);

/// Draws a mesh without OpenGL: parallel projection, depth buffer, the wood's figure at every pixel.
/// `background` is 0xAARRGGBB; `selected` lights the layer with this index (−1 for none).
Raster renderMesh(const Mesh& mesh, const Camera& camera, double height, double greatestDiameter, int width,
                  int heightPx, std::uint32_t background, int selected = -1);

/// The nearest Vertex::part under the middle of pixel (x, y) of such a picture; −1 where nothing is.
int pickMesh(const Mesh& mesh, const Camera& camera, double height, double greatestDiameter, int width, int heightPx,
             double x, double y);

}  // namespace vl
