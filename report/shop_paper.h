#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/plan.h"

namespace vl::report {

/// An angle that is wanted at full size: cut the paper along both lines and set fence or blade by it.
struct PaperAngle {
    QString name;  ///< "wedge of the sled, rings 2, 3"
    double deg = 0;
};

/// Every angle of the plan once: the sled's wedge for each kind of ring, miters, blade tilts, tapers, cuts of board
/// rings, re-cuts.
std::vector<PaperAngle> paperAngles(const Piece& piece, const Plan& plan);

/// Where an angle's corner lies on its page and which way its lines run, mm: the one level to the right, the other
/// `deg` above it.
QPointF angleCorner(int place, const QSizeF& page);
constexpr double angleLength = 150;  ///< mm, of both lines
constexpr int anglesOnAPage = 3;

/// Where the center of a sheet of circles lies, mm.
QPointF circleCenter(const QSizeF& page);

/// Angles and scribing circles at full size, each page with a bar of 100 mm.
void drawShopPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style);

}  // namespace vl::report
