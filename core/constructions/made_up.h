#pragma once

#include "core/piece/document/piece.h"

namespace vl {

/// How segments are made up for a band, a zigzag or diamonds: a panel of three strips, outer, band, outer, as thick as
/// the ring's boards are wide, cut across at `slant` from square into blanks whose two long edges are then ripped
/// parallel, `slant` off the strips.
struct SegmentPanel {
    double slant = 0;         ///< degrees between the joint and the segment's length: atan(rise / (2·R·sin(180°/n)))
    double bandStrip = 0;     ///< mm, width of the band's strip: band · cos slant
    double outerStrip = 0;    ///< mm, width of each strip beside it
    double width = 0;         ///< mm, of the panel: t·cos slant + edge·sin slant
    double step = 0;          ///< mm along the panel from blank to blank: (edge + kerf) / cos slant
    double riseAsTurned = 0;  ///< mm from joint to joint at the outside's least radius in the layer
    double blankHeight = 0;   ///< mm, of a segment blank: the layer's planed thickness; for diamonds half of it, and
                              ///< what truing its joint takes
};

/// The panel for a layer of segments `edge` mm long (outer edge), planed to `planeTo` mm, turned to radius `turned` mm
/// at its largest and `least` at its smallest; `trued` mm are taken off each face of the joint between the halves of
/// diamonds. Source: plane geometry.
SegmentPanel segmentPanel(const MadeUp& madeUp, int sides, double edge, double planeTo, double turned, double least,
                          double kerf, double trued);

}  // namespace vl
