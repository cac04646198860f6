#pragma once

#include "core/workpiece/decor_grid.h"
#include "report/drawing.h"
#include "report/sheet.h"

#include <QPainterPath>

namespace vl::report {

/// A decorated grid as it is drawn: a face as the tailstock sees it, a wall unrolled, round the piece to the right
/// and along its surface upwards.
class GridDrawing {
public:
    /// As large as fits a box.
    GridDrawing(const Decor& decor, const GridOf& grid, const QRectF& box);
    /// A face about a middle, `scale` pixels to a millimeter.
    GridDrawing(const Decor& decor, const GridOf& grid, const QPointF& middle, double scale);

    QPainterPath cell(int ring, int spoke) const;
    /// The ring and the spoke that a cell at a place begins on; −1, −1: none.
    std::pair<int, int> at(const QPointF& place) const;
    /// Worked cells in their color, carved ones hatched, drilled ones with a hole; crossed out what is lost.
    void drawCells(QPainter& painter, const Inks& inks) const;
    /// The same, rings and spokes numbered from 1.
    void draw(QPainter& painter, const Inks& inks) const;

private:
    /// A place of the surface: how far along it (mm), and the angle from 12 o'clock.
    QPointF place(double on, double radius, double angleDeg) const;
    double reach(int circle) const { return reached_[static_cast<size_t>(circle)]; }
    double radius(int circle) const;

    const Decor& decor_;
    const GridOf& grid_;
    std::vector<double> reached_;  ///< along the surface to each circle, mm
    QPointF middle_;               ///< of a face; of a wall its lower left corner
    double scale_ = 1;             ///< pixels to a millimeter
    double perDegree_ = 1;         ///< of a wall, to the right
};

/// Where the middle of a grid at full size stands on a page, mm.
QPointF gridMiddle(const QSizeF& page);
/// The rings and the worked cells of every grid as lists, and those on a face at full size.
void drawGridPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style);

}  // namespace vl::report
