#pragma once

#include "core/blank/recipe.h"
#include "core/geometry/profile.h"
#include "core/geometry/regular_ring.h"
#include "core/piece/piece.h"
#include "core/piece/shop.h"
#include "core/wood/species.h"

namespace vl {

/// How one end of a part is cut: from square in the board's face, and the blade's tilt from upright.
struct EndCut {
    double miterDeg = 0, bevelDeg = 0;
};

/// A cut piece of wood, and how many of it.
struct Part {
    std::string id, name;
    int count = 1;
    const Species* species = nullptr;
    double length = 0;     ///< mm, the longest edge
    double shortEdge = 0;  ///< mm, the edge opposite
    double width = 0;      ///< mm
    double thickness = 0;  ///< mm, planed, before the ring's faces are flattened
    EndCut left, right;
    std::string grain;  ///< which way the fibres run
    int layer = 0;
    double volume = 0;  ///< mm³ of one, as cut
};

/// One layer as it will be built.
struct BuiltLayer {
    LayerKind kind = LayerKind::Ring;
    double z0 = 0, z1 = 0;               ///< mm, faces in the stack
    double planeTo = 0;                  ///< mm, thickness to plane the boards to: layer + sanding loss of both faces
    Range finishedOuter, finishedInner;  ///< radii of the turned shape within the layer's height, mm; inner 0 where solid
    RegularRing stock;                   ///< of a ring; of a disc sides is 1 and `outer` its diameter
    double phaseDeg = 0;                 ///< where segment 0 is centred, from 12 o'clock
    std::vector<const Species*> woods;   ///< of each segment in turn; of a disc one

    double stockOuterRadius() const { return stock.apothem(); }      ///< the largest circle the blank holds, mm
    double stockInnerRadius() const { return stock.innerCorner(); }  ///< the smallest circle outside the bore, mm
    double cornerRadius() const { return kind == LayerKind::Disc ? stock.apothem() : stock.outerCorner(); }
    int count() const { return kind == LayerKind::Disc ? 1 : stock.sides; }
    /// The segment at an angle from 12 o'clock.
    size_t segmentAt(double angleDeg) const;
};

/// The built blank.
struct Assembly {
    std::vector<Part> parts;
    Recipe recipe;
    std::vector<BuiltLayer> layers;

    /// The layer at a station; the first or last beyond the ends.
    size_t layerAt(double z) const;
};

/// The turned sides of a piece, as polylines.
struct Sides {
    Polyline outside;
    Polyline inside;  ///< from the floor's centre to the rim; empty where the piece is solid
};

/// The sides that the piece's outline and wall rule give.
Sides sidesOf(const Piece& piece);

/// The blank that the piece's construction gives: base discs and closed segmented rings, one on another.
Assembly assembleRingStack(const Piece& piece, const Shop& shop, const Sides& sides);

}  // namespace vl
