#pragma once

#include <QPointF>

namespace vl::app {

/// The room a working drawing has, pixels, and what is to be drawn in it, mm.
struct DrawingRoom {
    double width = 600, top = 30, bottom = 400;
    double length = 100, radius = 50;
    double face = 50;  ///< radius of the face beside it; 0 where there is none
};

/// Where a working drawing stands in its room: section above the axis and side below it; beside them the face, on the
/// same scale where the piece is wide rather than long, and small where it is long.
struct DrawingPlace {
    double scale = 1;      ///< pixels per mm of section and side
    double left = 92;      ///< of station 0
    double axis = 200;     ///< height of the axis
    double section = 600;  ///< width that section and side have
    QPointF faceCenter;
    double faceScale = 0;   ///< pixels per mm; 0: no face
    double faceRadius = 0;  ///< pixels that it has from its center

    bool sameScale() const { return faceScale == scale; }
    static constexpr double head = 74, gap = 40, right = 16, smallFace = 150;
};
DrawingPlace placeDrawing(const DrawingRoom& room);

}  // namespace vl::app
