#pragma once

#include "report/drawing.h"
#include "report/sheet.h"

namespace vl::report {

/// Where along the piece its axes are looked at: each end from outside, or a section from the tailstock.
enum class AxisSight { Head, Section, Tail };

/// A place of the section's plane (x towards 12 o'clock, y towards 9 o'clock, mm) as it is seen: from the headstock 9
/// o'clock is at the right.
QPointF seenAt(const Point& p, AxisSight sight, const QPointF& center, double scale);
Point placeOf(const QPointF& at, AxisSight sight, const QPointF& center, double scale);

/// One sight of the piece across its axes: blank, round, what is left, and every center with its number. The circles of
/// one axis of the piece (−1: of none) are drawn with it, and how deep they go.
struct AxisDrawing {
    AxisSight sight = AxisSight::Section;
    double z = 0;  ///< mm, of a section
    int chosen = -1;
    QColor accent;
    bool filled = true;  ///< with the wood's color
};
void drawAxes(QPainter& painter, const QPointF& center, double scale, const Plan& plan, const AxisDrawing& what,
              const Inks& inks);

/// A plate's holes as a ring, those of the marks numbered in the order of the work, with a pointer line at 12 o'clock.
void drawPlate(QPainter& painter, const QPointF& center, double radius, int holes, const std::vector<IndexMark>& marks,
               const Inks& inks, const QColor& accent);

/// A ring of marks at these angles from 12 o'clock, the first of them filled.
void drawMarkRing(QPainter& painter, const QPointF& center, double radius, const std::vector<double>& angles,
                  const Inks& inks);

/// One mount: the bed, what holds the work, the work as it lies between them, its sweep.
void drawMount(QPainter& painter, const QRectF& box, const Mount& mount, const Plan& plan, const Shop& shop,
               const Inks& inks, const QColor& warn);

/// Both ends at full size to mark the centers by, and a wheel for every axis that asks for one.
void drawAxisPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style);

/// Every mount with its grip, its proof and its speeds.
void drawMounts(Sheet& sheet, const Plan& plan, const Shop& shop, LengthStyle style);

}  // namespace vl::report
