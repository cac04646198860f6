#include "app/lanes/drawing_place.h"

#include <algorithm>

namespace vl::app {

DrawingPlace placeDrawing(const DrawingRoom& room)
{
    using P = DrawingPlace;
    const double high = std::max(20.0, room.bottom - room.top), length = std::max(room.length, 1.0),
                 radius = std::max(room.radius, 1.0), face = room.face;
    const double wide = std::max(60.0, room.width - P::head - P::right);
    DrawingPlace p;
    p.axis = (room.top + room.bottom) / 2;
    auto scaleIn = [&](double across) { return std::max(0.02, std::min(across / length, high / (2 * radius))); };
    double faceWide = 0;
    if (face <= 0)
        p.scale = scaleIn(wide);
    else {
        // The face's buttons and words need their width, however slender the piece is.
        const double both = std::min({(wide - P::gap) / (length + 2 * face), (wide - P::smallFace) / length,
                                      high / (2 * std::max(radius, face))});
        const double alone = scaleIn(wide - P::gap - P::smallFace);
        // Nothing of the section is given up for more than a fifth, or the drawing of a long piece would be a strip.
        if (both >= 0.8 * alone)
            p.scale = p.faceScale = std::max(0.02, both);
        else {
            p.scale = alone;
            p.faceScale = std::min(alone, std::min(high, wide - P::gap - length * alone) / (2 * face));
        }
        p.faceRadius = face * p.faceScale;
        faceWide = std::max(P::smallFace, 2 * face * p.faceScale + P::gap);
    }
    const double spare = std::max(0.0, wide - length * p.scale - faceWide) / (face > 0 ? 3 : 2);
    p.left = P::head + spare;
    p.section = face > 0 ? p.left + length * p.scale + spare / 2 + P::gap / 2 : room.width;
    if (face > 0) p.section = std::min(p.section, room.width - P::smallFace);
    p.faceCenter = {p.left + length * p.scale + spare + P::gap + face * p.faceScale, p.axis};
    if (face > 0) p.faceCenter.setX(std::max(p.faceCenter.x(), p.section + P::smallFace / 2));
    return p;
}

}  // namespace vl::app
