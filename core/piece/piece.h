#pragma once

#include "core/geometry/outline.h"

#include <optional>
#include <string>
#include <vector>

namespace vl {

enum class WallRule { Even, Tapered, Drawn, Solid };

/// The inside of the vessel.
struct Hollow {
    WallRule rule = WallRule::Even;
    double rimWall = 6;     ///< mm, square to the surface; the whole wall where the rule is Even
    double baseWall = 9;    ///< mm, square to the surface at the floor (Tapered)
    double floor = 10;      ///< mm from the headstock face to the inside's floor
    double floorRound = 8;  ///< mm, radius where the floor meets the wall
    double leastWall = 4;   ///< mm, thinner than this is a caution
    Outline inside;         ///< drawn freely (Drawn), from the floor's centre to the rim
    std::string extra;

    bool operator==(const Hollow&) const = default;
};

enum class LayerKind { Disc, Ring };

/// One layer of the stack, a solid disc or a closed ring of segments.
struct Layer {
    LayerKind kind = LayerKind::Ring;
    double thickness = 18;                    ///< mm in the stack, both faces flattened
    int segments = 12;                        ///< of a ring
    std::vector<std::string> woods{"maple"};  ///< round the ring, repeating; of a disc the first
    double turn = 0.5;                        ///< of its own segments, on from the ring below
    double outerAllowance = 2;                ///< mm on the radius
    double innerAllowance = 2;                ///< mm on the radius
    double sandingLoss = 0.4;                 ///< mm on each face
    std::optional<double> stockOuter;         ///< mm diameter, set by hand instead of from the outline
    std::optional<double> stockInner;
    std::string extra;

    bool operator==(const Layer&) const = default;
};

enum class CutSchool { MiterGauge, WedgeSled };
enum class RingSchool { BandClamp, HalfRings };
enum class StationRule { Even, Curve };

/// How the turner wants to work on this piece.
struct Choices {
    CutSchool cutting = CutSchool::MiterGauge;
    double sledRun = 300;  ///< mm along the fence over which the sled's offset is measured
    double endWaste = 25;  ///< mm of each strip that cannot be used
    double trialGap = 0;   ///< mm, last joint of a dry-fitted trial ring, positive open outside
    int trialRing = -1;    ///< layer that was tried; −1 for none
    RingSchool closing = RingSchool::BandClamp;
    StationRule stations = StationRule::Even;
    double stationSpacing = 10;  ///< mm
    std::string extra;

    bool operator==(const Choices&) const = default;
};

/// The document: only what the turner decided.
struct Piece {
    std::string name = "Untitled";
    std::string notes;
    Outline outside;  ///< from the headstock face to the rim
    Hollow hollow;
    std::vector<Layer> layers;  ///< from the headstock face on
    Choices choices;
    std::string extra;

    bool operator==(const Piece&) const = default;
};

/// Sum of the layers' thicknesses, mm.
double stackHeight(const Piece& piece);

/// Height of the outline, mm.
double outlineHeight(const Piece& piece);

/// A freely drawn inside of about seven nodes that follows an inside line; where that is empty, half the outside's radius.
Outline drawnFrom(const Polyline& inside, const Piece& piece);

/// Throws InputError, naming the field as a path (`layers[3].segments`), its value and its limit, where the piece holds
/// something that cannot be built: the limits stand in core/piece/limits.h.
void checkPiece(const Piece& piece);

}  // namespace vl
