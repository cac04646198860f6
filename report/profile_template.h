#pragma once

#include "report/sheet.h"

#include "core/measure/length.h"
#include "core/plan/plan.h"

namespace vl::report {

/// One page of the full-size template: which part of the section it shows, and where on the page, mm.
struct TemplateTile {
    bool hollow = false;  ///< the inside's template, else the outside's
    int page = 0;         ///< of the template's pages: small ones share one
    int column = 0, row = 0, columns = 1, rows = 1;
    bool turned = false;    ///< the axis runs down the page instead of across it
    double z0 = 0, r0 = 0;  ///< section coordinates at the area's corner nearest the axis and the headstock
    QRectF area;            ///< on the page

    /// Where a point of the section lies on the page, mm.
    QPointF at(double z, double r) const;
};

/// The pages of both templates, in order; the orientation that takes fewer pages. Neighbors share a strip of `shared`
/// mm.
std::vector<TemplateTile> templateTiles(const TurnedSurfaces& surfaces, const QSizeF& page);
constexpr double templateShared = 10;

/// Where the 100 mm bars begin on a full-size page, mm: one runs to the right, one down.
QPointF templateBar(const QSizeF& page);
QPointF templateSideBar(const QSizeF& page);

/// Draws both, with the words that say what they are for and `more`.
void drawBars(Sheet& sheet, const QString& more);

/// Draws the template's pages at full size.
void drawTemplate(Sheet& sheet, const Plan& plan, LengthStyle style);

}  // namespace vl::report
