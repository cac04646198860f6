#pragma once

#include "core/geometry/outline.h"

#include <optional>
#include <string>
#include <vector>

namespace vl {

enum class WallRule { Even, Tapered, Drawn, Solid, Bored };

/// The inside of the vessel.
struct Hollow {
    WallRule rule = WallRule::Even;
    double rimWall = 6;     ///< mm, square to the surface; the whole wall where the rule is Even
    double baseWall = 9;    ///< mm, square to the surface at the floor (Tapered)
    double floor = 10;      ///< mm from the headstock face to the inside's floor
    double floorRound = 8;  ///< mm, radius where the floor meets the wall
    double leastWall = 4;   ///< mm, thinner than this is a caution
    double bore = 20;       ///< mm, diameter of a straight hole from end to end (Bored)
    Outline inside;         ///< drawn freely (Drawn), from the floor's centre to the rim
    std::string extra;

    bool operator==(const Hollow&) const = default;
};

/// How a layer is put together; each has its file in core/blank.
enum class LayerKind { Disc, Ring, Staves, Sheet, Slab, LetIn, Billet, PostWrap, BoardRings };

/// What is between neighbouring segments of a ring.
struct SegmentJoint {
    enum Kind { Glued, GapByWidth, GapByAngle, Spacer } kind = Glued;
    double width = 3;  ///< mm, of a gap or a spacer, parallel
    double angle = 4;  ///< degrees, of a gap
    std::string wood = "walnut";
    std::string extra;
    bool operator==(const SegmentJoint&) const = default;
};

/// Segments made up of strips before they are cut: a band of another wood runs round the ring level, in a zigzag or in diamonds.
struct MadeUp {
    enum Kind { Plain, Band, Zigzag, Diamond } kind = Plain;
    std::string wood = "walnut";
    double band = 5;  ///< mm, height of the band on the finished outside
    double rise = 8;  ///< mm, from joint to joint on the finished outside
    std::string extra;
    bool operator==(const MadeUp&) const = default;
};

/// Boards glued edge to edge: one wood, strips, or strips cut across and every second row turned end for end.
struct SlabForm {
    enum Kind { Plain, Striped, Checkered } kind = Striped;
    double strip = 20;       ///< mm, finished width of a strip
    double row = 20;         ///< mm, finished length of a row (Checkered)
    double jointing = 0.3;   ///< mm, taken off each edge to true it
    double flattening = 1;   ///< mm, taken off each face at each glue-up
    std::string extra;
    bool operator==(const SlabForm&) const = default;
};

/// A post with a piece glued round each side in turn.
struct WrapForm {
    double post = 40;  ///< mm, side of the square post
    double wrap = 20;  ///< mm, thickness of what goes round it
    bool wedges = false;
    std::string wedgeWood = "maple";
    std::string extra;
    bool operator==(const WrapForm&) const = default;
};

/// Rings cut at an angle from one board and stacked to a bowl.
struct BoardRingForm {
    enum Tool { Bandsaw, PartingTool } tool = Bandsaw;
    double angle = 45;  ///< degrees between the cut and the board's face
    double kerf = 3;    ///< mm, across the cut
    int rings = 5;      ///< the bottom disc is one of them
    double rotate = 0;  ///< degrees, each ring on from the one below
    std::string extra;
    bool operator==(const BoardRingForm&) const = default;
};

/// A base disc let into a ring with room to move.
struct LetInForm {
    double diameter = 80;    ///< mm, of the disc
    double clearance = 0.8;  ///< mm all round it
    std::string discWood = "walnut";
    std::string extra;
    bool operator==(const LetInForm&) const = default;
};

/// One layer of the stack. `thickness` is its height, whatever its kind; what a kind does not need it leaves alone.
struct Layer {
    LayerKind kind = LayerKind::Ring;
    double thickness = 18;                    ///< mm in the stack, both faces flattened
    int segments = 12;                        ///< of a ring, staves, or boards of a billet
    std::vector<std::string> woods{"maple"};  ///< round the ring or across the slab, repeating; of a disc the first
    double turn = 0.5;                        ///< of its own segments, on from the ring below
    double outerAllowance = 2;                ///< mm on the radius
    double innerAllowance = 2;                ///< mm on the radius
    double sandingLoss = 0.4;                 ///< mm on each face
    std::optional<double> stockOuter;         ///< mm diameter, set by hand instead of from the outline
    std::optional<double> stockInner;
    std::optional<double> partedFrom;  ///< mm, glued on this thick and parted down; where the layer is thicker it says nothing
    std::optional<double> slope;       ///< degrees of the staves' wall from the axis, set by hand instead of from the outline
    bool cornersOff = true;            ///< of a billet, knocked off at the saw
    SegmentJoint joint;
    MadeUp madeUp;
    SlabForm slab;
    WrapForm wrapped;
    BoardRingForm boardRings;
    LetInForm letIn;
    std::string extra;

    bool operator==(const Layer&) const = default;
};

/// Rings parted from the finished stack one inside another: bangles, rims.
struct Nest {
    bool on = false;
    double smallest = 62;   ///< mm, least inside diameter of a ring
    double largest = 110;   ///< mm, greatest outside diameter
    double wall = 8;        ///< mm on the radius, as parted
    double tool = 3;        ///< mm, width of the parting tool's edge
    double below = 8;       ///< mm, height of its blade below the edge
    std::string extra;
    bool operator==(const Nest&) const = default;
};

enum class CutSchool { MiterGauge, WedgeSled };
enum class RingSchool { BandClamp, HalfRings };
enum class StaveSchool { TaperJig, MiterGauge };
enum class SectionRule { Proposed, Whole };
enum class StationRule { Even, Curve };

/// How the turner wants to work on this piece.
struct Choices {
    CutSchool cutting = CutSchool::MiterGauge;
    double sledRun = 300;  ///< mm along the fence over which the sled's offset is measured
    double endWaste = 25;  ///< mm of each strip that cannot be used
    double trialGap = 0;   ///< mm, last joint of a dry-fitted trial ring, positive open outside
    int trialRing = -1;    ///< layer that was tried; −1 for none
    RingSchool closing = RingSchool::BandClamp;
    StaveSchool staves = StaveSchool::TaperJig;
    SectionRule sections = SectionRule::Proposed;
    StationRule stations = StationRule::Even;
    double stationSpacing = 10;  ///< mm
    std::string extra;

    bool operator==(const Choices&) const = default;
};

/// A strip that is cut: it stays where it is in every later cutting plan.
struct KeptStrip {
    std::string board;                              ///< id on the rack
    double x = 0, y = 0, length = 0, width = 0;     ///< mm, where it lay on the board's face
    double thickness = 0;                           ///< mm, planed
    std::vector<std::pair<std::string, int>> runs;  ///< part id, how many
    std::string extra;

    bool operator==(const KeptStrip&) const = default;
};

/// What really happened to a step of the recipe.
struct StepDone {
    std::string step;            ///< id
    double start = 0, end = 0;   ///< minutes since 1970-01-01 00:00 of the shop's own clock
    std::string extra;

    bool operator==(const StepDone&) const = default;
};

/// A step that the turner has moved: it begins no sooner.
struct StepMoved {
    std::string step;
    double from = 0;  ///< minutes since 1970-01-01 00:00 of the shop's own clock
    std::string extra;

    bool operator==(const StepMoved&) const = default;
};

/// How far the work is, and when it is to be done.
struct Progress {
    std::optional<double> start;  ///< minutes since 1970-01-01 00:00 of the shop's own clock; none: a Monday at midnight
    std::vector<KeptStrip> strips;
    std::vector<StepDone> done;
    std::vector<StepMoved> moved;
    std::string extra;

    bool operator==(const Progress&) const = default;
};

/// Which glue a joint gets where the turner does not want the one that is suggested.
struct GlueChoice {
    std::string step;  ///< id of the gluing step
    std::string glue;  ///< id in the glue book
    std::string extra;

    bool operator==(const GlueChoice&) const = default;
};

/// The document: only what the turner decided.
struct Piece {
    std::string name = "Untitled";
    std::string notes;
    Outline outside;  ///< from the headstock face to the rim
    Hollow hollow;
    std::vector<Layer> layers;  ///< from the headstock face on
    Nest nest;
    Choices choices;
    std::vector<GlueChoice> glues;
    Progress progress;
    std::string extra;

    bool operator==(const Piece&) const = default;
};

/// Sum of the layers' thicknesses, mm.
double stackHeight(const Piece& piece);

/// How thick a layer is when it is glued on, before anything is parted off it, mm.
double gluedThickness(const Layer& layer);

/// Height of the outline, mm.
double outlineHeight(const Piece& piece);

/// A freely drawn inside of about seven nodes that follows an inside line; where that is empty, half the outside's radius.
Outline drawnFrom(const Polyline& inside, const Piece& piece);

/// Throws InputError, naming the field as a path (`layers[3].segments`), its value and its limit, where the piece holds
/// something that cannot be built: the limits stand in core/piece/limits.h.
void checkPiece(const Piece& piece);

}  // namespace vl
