#pragma once

#include "core/measure/length.h"
#include "core/picture/skin.h"
#include "core/plan/plan.h"

#include <QImage>
#include <QPainter>

namespace vl::report {

/// Inks of a drawing, so that the screen's two themes and paper share it.
struct Inks {
    QColor line = Qt::black, text = Qt::black, quiet = QColor(110, 110, 110), paper = Qt::white;
};

/// A raster as an image that owns its pixels.
QImage imageOf(const Raster& raster);

/// A raster drawn twice as large, brought down to half: its edges are smooth.
QImage smoothed(const Raster& raster);

/// The mean color of a wood.
QColor woodColor(const Species& species);

/// The turned piece standing up, in the picture's size; background transparent.
QImage picture(const Piece& piece, const Plan& plan, int width, int height);

/// One segment's face with its measures: outer edge above, inner edge below, board width at the side, the mitre at the
/// corner. `mark` names the wood by its figure. Fits `box`; text in the painter's font.
void drawSegment(QPainter& painter, const QRectF& box, const BuiltLayer& layer, LengthStyle style, const Inks& inks);

/// A stave as it is sawn in three views: outer face, edge, lower end, with their measures; a long one shortened. The
/// layer's faces lose `loss` mm each once it is glued.
void drawStave(QPainter& painter, const QRectF& box, const BuiltLayer& layer, double loss, LengthStyle style,
               const Inks& inks);

/// The section of a piece, foot down, with the faces of its layers: `scale` pixels a mm, the middle of its foot at
/// `foot`.
void drawSection(QPainter& painter, const QPointF& foot, double scale, const Piece& piece,
                 const TurnedSurfaces& surfaces, const Inks& inks);
/// Half as wide as it is at its widest, and as high: mm.
QSizeF sectionSize(const Piece& piece, const TurnedSurfaces& surfaces);

/// The number by which the order of the work calls a part: strips and boards are counted from 1, pieces round a post
/// without the post, which has none (0).
int partNumber(const Layer& layer, int segment);

/// A layer from the tailstock with its parts by their numbers.
void drawParts(QPainter& painter, const QRectF& box, const Layer& own, const BuiltLayer& layer, const Inks& inks);

}  // namespace vl::report
