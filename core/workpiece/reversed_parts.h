#pragma once

#include "core/geometry/inside_out.h"
#include "core/workpiece/turned_surfaces.h"

#include <optional>

namespace vl {

/// The blank of a piece that is turned inside out, and its first turning.
struct InsideOutBlank {
    int parts = 4;
    double side = 0;  ///< of each part, mm; of two the thickness of a board
    Polyline first;   ///< stations and radii of the first turning about the first axis; empty where it cuts nothing

    /// Its section at a station of the first turning, turned to this radius outside.
    InsideOut at(double z, double outside) const;
};

/// Radius of the largest circle that parts with sides of 1 hold once they are together.
double heldBy(int parts);

/// Nothing where the piece is none, or other layers stand on it.
std::optional<InsideOutBlank> insideOutOf(const Piece& piece, const Polyline& outside);

/// What the first turning has taken, as it lies once the parts are reversed.
std::vector<Cut> insideOutCuts(const Piece& piece, const Polyline& outside);

/// Area of the joints that are left between the parts, mm²: n · ∫ joint dz.
double jointsLeft(const Piece& piece, const Polyline& outside, const InsideOutBlank& blank);

/// Names of the steps that turn the parts first, and glue them together reversed; the layer's id follows.
inline constexpr const char *turnFirstStep = "turn-first", *reassembleStep = "reassemble";

}  // namespace vl
