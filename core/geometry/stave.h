#pragma once

namespace vl {

/// One stave of a regular pyramid's frustum: n flat staves whose outer faces slope from the axis. Source of every
/// formula: plane and solid geometry of the regular pyramid (the joint's plane holds the axis; the blade is tilted from
/// square to the face).
struct Stave {
    int sides = 8;        ///< 3 … 360
    double slopeDeg = 0;  ///< of the wall from the axis, −89 … 89; positive where it widens away from the headstock
    double bottom = 0;    ///< outside diameter across the flats at the lower end, mm
    double height = 0;    ///< along the axis, mm
    double thickness = 0;  ///< square to the face, mm

    double bladeTiltDeg() const;  ///< asin(cos s · sin(180°/n)), from square to the face
    double edgeTaperDeg() const;  ///< atan(sin s · tan(180°/n)): each edge, from the stave's middle line, on its face
    double top() const;           ///< bottom + 2 · height · tan s, mm
    double slant() const;         ///< length along the face: height / cos s, mm
    double faceWidth(double diameter) const;  ///< D · tan(180°/n), on the outer face, mm
    double innerCorner(double diameter)
        const;  ///< (D/2 − t / cos s) / cos(180°/n): axis to a corner of the inside at that station, mm
    /// Station from the lower end at which the inner faces come to the axis: (t / cos s − D/2) / tan s, mm; beyond the
    /// stave, or infinite, where they do not.
    double closesAt() const;
};

/// Throws InputError unless sides is 3 … 360, slope −89° … 89°, diameters and height above 0.
void checkStave(const Stave& stave);

}  // namespace vl
