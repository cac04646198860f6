#pragma once

#include <cstddef>
#include <vector>

namespace vl {

/// A panel of strips, and the same cut across with every second row turned end for end and glued again. Lengths mm.
/// Source: plane arithmetic with the losses named.
struct FlippedBoard {
    int strips = 6;         ///< 2 …
    int rows = 6;           ///< 1: striped only, never cut across
    double strip = 20;      ///< finished width of a strip
    double row = 20;        ///< finished length of a row
    double thickness = 25;  ///< finished
    double jointing = 0.3;  ///< taken off each glued edge
    double flattening = 1;  ///< taken off each face at each glue-up
    double kerf = 3;
    double trim = 5;             ///< squared off each end of the first panel and off each edge
    std::vector<double> widths;  ///< finished, of each strip its own; empty: all as wide as `strip`
    double round = 0;            ///< diameter that a board of one row is sawn to at once; 0: its square stays

    int glueUps() const { return rows > 1 ? 2 : 1; }
    /// Where the edges of its strips lie, from its middle; in a row that is turned end for end they are mirrored.
    std::vector<double> edges() const;
    double wide(int i) const { return widths.empty() ? strip : widths[static_cast<size_t>(i)]; }
    double width() const { return edges().back() - edges().front(); }
    double length() const { return rows * row; }
    double stripSawn(int i = 0) const { return wide(i) + 2 * jointing; }              ///< width to rip
    double rowSawn() const { return row + 2 * jointing; }                             ///< length to cross-cut
    double stockThickness() const { return thickness + 2 * flattening * glueUps(); }  ///< to plane the strips to
    /// Length of the strips to buy: rows and the kerfs between them, and both trims.
    double stockLength() const { return rows * rowSawn() + (rows - 1) * kerf + 2 * trim; }
    /// The same of one strip: of a board that becomes round no longer than its longest chord.
    double stockLength(int i) const;
};

/// What strips of this many, sawn this wide and long and thick, give: the finished board; rows as many as fit. Throws
/// InputError where not one row does, or the thickness is used up.
FlippedBoard flippedFrom(int strips, double sawnWidth, double length, double thickness, double row, double jointing,
                         double flattening, double kerf, double trim);

}  // namespace vl
