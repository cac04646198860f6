#pragma once

#include "core/geometry/cutter.h"
#include "core/geometry/dividing.h"
#include "core/piece/document/piece.h"

namespace vl {

/// Whether a hole goes into the middle of the rim's face, with the bit in the tailstock while the work turns.
bool inRimsMiddle(const Hole& hole);
/// Whether a hole lies on the axis of the face that it goes into.
bool inMiddle(const Hole& hole);

/// No wider bit is safe to hold in a tailstock's chuck or at a drill press, mm; common practice.
inline constexpr double widestBit = 50;

struct TurnedSurfaces;

/// One hole of a Hole's, as it lies in the wood. Lengths mm along its way from where it comes in.
struct DrilledHole {
    size_t hole = 0;       ///< place in the piece
    int which = 0;         ///< of those alike, counted from 0
    IndexMark mark;        ///< on the plate; of what is laid out by angle, hole −1
    double angleDeg = 0;   ///< its direction, from 12 o'clock
    Drilled solid;         ///< no profile where it meets no wood
    double full = 0;       ///< to the end of its full diameter
    double tip = 0;        ///< how far the bit's point goes on from there
    bool through = false;  ///< comes out on purpose
    double under = 0;      ///< wood left under the point; below 0 where it comes out unasked
    double mouth = 0;      ///< Ø where it comes into the wood, reamed; before its edge is rounded
    double slopeDeg = 0;   ///< between its way and square to the surface where it comes in
};

/// Every hole of a piece in the order of Piece::holes, in wood that saw and drill have left as it is.
std::vector<DrilledHole> drilledHoles(const Piece& piece, const TurnedSurfaces& surfaces);

/// The marks of holes alike: on a plate, or by angle.
std::vector<IndexMark> marksOf(const Hole& hole);

/// How far two holes run into one another, by their full diameters, mm; 0 or less where they do not (the distance of
/// two stretches of lines, solid geometry).
double runsInto(const Piece& piece, const DrilledHole& a, const DrilledHole& b);

/// What a hole is called, and the step that drills it and those like it.
std::string nameOf(const Piece& piece, const Hole& hole);
std::string drillStep(const Piece& piece, const DrilledHole& hole);

}  // namespace vl
