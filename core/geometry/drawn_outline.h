#pragma once

#include "core/geometry/outline.h"

#include <optional>

namespace vl {

/// A drawing of lines, mm, y upwards; and the axis, where it says which line that is.
struct Drawing {
    std::vector<Polyline> lines;
    std::optional<std::pair<Point, Point>> axis;
};

/// Where the axis lies in a drawing.
enum class DrawnAxis { Own, Left, Middle, Below };
inline std::span<const Choice> choices(DrawnAxis)
{
    static constexpr std::array all{Choice{"own", "as the drawing says"}, Choice{"left", "upright, at its left edge"},
                                    Choice{"middle", "upright, in its middle"},
                                    Choice{"below", "lying, at its lower edge"}};
    return all;
}

/// The outside of a piece from the longest line of a drawing: stations along the axis from its lower, or left, end,
/// and the greatest distance from it at each; straight from node to node, no further than `tolerance` mm from what is
/// drawn, or as near as 150 nodes come. A drawing that says nothing of its axis is taken to stand where it is taller
/// than wide. Throws InputError where nothing that could be turned is drawn.
Outline outlineFrom(const Drawing& drawing, DrawnAxis where, double tolerance = 0.05);

}  // namespace vl
