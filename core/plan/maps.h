#pragma once

#include "core/picture/mesh.h"
#include "core/plan/plan.h"

#include <optional>

namespace vl {

/// A measure that is shown on the turned surface in place of the wood.
enum class MapKind { EndGrain, ShortGrain, JointsOver, Movement, Wall, ToolMarks };
inline std::span<const Choice> choices(MapKind)
{
    static constexpr std::array all{Choice{"end grain", "end grain"},
                                    Choice{"short grain", "short grain"},
                                    Choice{"joints over joints", "joints over joints"},
                                    Choice{"movement", "movement at the joints"},
                                    Choice{"wall", "wall thickness"},
                                    Choice{"tool marks", "tool marks"}};
    return all;
}

/// One measure all over a surface.
struct SurfaceMap {
    MapKind kind = MapKind::EndGrain;
    const char* unit = "mm";  ///< "°", "mm", "µm"
    bool lowIsWorst = false;
    std::vector<float> values{};  ///< of each vertex of the mesh; NaN where it has none
    Range range{};                ///< least and greatest of them; both NaN where there is none
    Eigen::Vector3d worstAt{0, 0, 0};
    double worst = 0;  ///< NaN where there is none

    /// As colors are told apart: 0 harmless … 1 the worst, below 0 none.
    std::vector<float> shades() const;
};

/// A measure at every vertex of the piece's turned mesh.
/// End grain: degrees between fiber and surface. Short grain: mm of fiber between the surface and the one behind it,
/// wall over sine of the angle at which it meets the surface, up to 40. Joints over joints: mm on the surface between a
/// joint of one layer and the nearest of its neighbor. Movement: mm between the shop's dry and damp room at the
/// nearest joint between layers. Wall: mm through the wood square to the surface, up to 60. Tool marks: µm, the height
/// of the ridges between turns, pitch² / 8 · radius of the edge (the theoretical roughness of turning, from memory) at
/// the highest speed of the mount that leaves them.
SurfaceMap surfaceMap(MapKind kind, const Mesh& mesh, const Shop& shop, const Plan& plan);

}  // namespace vl
