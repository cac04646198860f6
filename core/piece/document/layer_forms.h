#pragma once

#include "core/measure/field.h"

#include <array>
#include <variant>

namespace vl {

// How a layer can be put together: one form each, with its fields, its name, and the construction that builds it
// (core/blank, a file each). Adding a construction begins here.

struct Construction;

namespace limits {
inline constexpr Limit segments{3, 96, ""};
inline constexpr Limit thickness{0.5, 500};
}  // namespace limits

/// One solid board, bandsawn round.
struct DiscForm {
    static constexpr Choice kind{"disc", "solid disc"};
    std::string extra;
    bool operator==(const DiscForm&) const = default;
};
template <class V, As<DiscForm> F> void fields(V&, F&) {}
const Construction& constructionOf(const DiscForm&);

/// A veneer or a thin board, square.
struct SheetForm {
    static constexpr Choice kind{"sheet", "veneer or sheet"};
    std::string extra;
    bool operator==(const SheetForm&) const = default;
};
template <class V, As<SheetForm> F> void fields(V&, F&) {}
const Construction& constructionOf(const SheetForm&);

/// What goes round the axis in equal shares.
struct Sectors {
    int segments = 12;
    double turn = 0.5;  ///< of its own segments, on from the layer below
    bool operator==(const Sectors&) const = default;
};
template <class V, class F> void sectorFields(V& v, F& f)
{
    v.count("segments", f.segments, limits::segments, "Segments");
    v.number("turn", f.turn, {-1000, 1000, "of a segment"}, "Rotation",
             "on from the layer below, in shares of a segment");
}

/// What is between neighboring segments of a ring.
struct SegmentJoint {
    enum Kind { Glued, GapByWidth, GapByAngle, Spacer } kind = Glued;
    double width = 3;  ///< mm, of a gap or a spacer, parallel
    double angle = 4;  ///< degrees, of a gap
    std::string wood = "walnut";
    std::string extra;
    bool operator==(const SegmentJoint&) const = default;
};
inline std::span<const Choice> choices(SegmentJoint::Kind)
{
    static constexpr std::array all{Choice{"glued", "glued"}, Choice{"gap by width", "a gap, by width"},
                                    Choice{"gap by angle", "a gap, by angle"}, Choice{"spacer", "a spacer"}};
    return all;
}
template <class V, As<SegmentJoint> F> void fields(V& v, F& f)
{
    using J = SegmentJoint;
    v.choice("kind", f.kind, "Between segments");
    v.when(f.kind == J::GapByWidth || f.kind == J::Spacer).length("width_mm", f.width, {0.1, 50}, "Its width");
    v.when(f.kind == J::GapByAngle).angle("angle_deg", f.angle, {0.1, 90}, "Its angle", "of the wedge of air");
    v.when(f.kind == J::Spacer).wood("wood", f.wood, "Spacer's wood");
}

/// Segments made up of strips before they are cut: a band of another wood runs round the ring level, in a zigzag or in
/// diamonds.
struct MadeUp {
    enum Kind { Plain, Band, Zigzag, Diamond } kind = Plain;
    std::string wood = "walnut";
    double band = 5;  ///< mm, height of the band on the finished outside
    double rise = 8;  ///< mm, from joint to joint on the finished outside
    std::string extra;
    bool operator==(const MadeUp&) const = default;
};
inline std::span<const Choice> choices(MadeUp::Kind)
{
    static constexpr std::array all{Choice{"plain", "one wood"}, Choice{"band", "made up: a band"},
                                    Choice{"zigzag", "made up: a zigzag"}, Choice{"diamond", "made up: diamonds"}};
    return all;
}
template <class V, As<MadeUp> F> void fields(V& v, F& f)
{
    v.choice("kind", f.kind, "Segments are");
    v.when(f.kind != MadeUp::Plain).wood("wood", f.wood, "Band's wood");
    v.when(f.kind != MadeUp::Plain).length("band_mm", f.band, {0.2, 200}, "Band's height", "on the finished outside");
    v.when(f.kind == MadeUp::Zigzag || f.kind == MadeUp::Diamond)
        .length("rise_mm", f.rise, {0, 200}, "Rise, joint to joint", "on the finished outside");
}

/// A ring of mitred segments.
struct RingForm : Sectors {
    static constexpr Choice kind{"ring", "segmented ring"};
    SegmentJoint joint;
    MadeUp madeUp;
    std::string extra;
    bool operator==(const RingForm&) const = default;
};
template <class V, class F> void ringFields(V& v, F& f)
{
    sectorFields(v, f);
    v.quiet().record("joint", f.joint, "Joint");
    v.quiet().record("made_up", f.madeUp, "Segments");
}
template <class V, As<RingForm> F> void fields(V& v, F& f) { ringFields(v, f); }
const Construction& constructionOf(const RingForm&);

/// A base disc let into a ring with room to move; or a small plug glued into its bore.
struct LetInForm : RingForm {
    static constexpr Choice kind{"let-in base", "ring with a disc let in"};
    double diameter = 80;    ///< mm, of the disc
    bool plug = false;       ///< glued in all round
    double clearance = 0.8;  ///< mm all round it; a plug has none
    double room() const { return plug ? 0 : clearance; }
    std::string discWood = "walnut";
    bool operator==(const LetInForm&) const = default;
};
template <class V, As<LetInForm> F> void fields(V& v, F& f)
{
    ringFields(v, f);
    v.length("diameter_mm", f.diameter, {2, 1500}, "Disc Ø");
    v.quiet().flag("plug", f.plug, "Glued in all round", "a small plug; a disc needs room to move");
    v.when(!f.plug).length("clearance_mm", f.clearance, {0, 20}, "Clearance all round");
    v.wood("disc_wood", f.discWood, "Disc's wood");
}
const Construction& constructionOf(const LetInForm&);

/// Flat staves round the axis, upright or sloping.
struct StavesForm : Sectors {
    static constexpr Choice kind{"staves", "staves"};
    std::optional<double> slope;  ///< degrees of the wall from the axis, set by hand instead of from the outline
    std::string extra;
    bool operator==(const StavesForm&) const = default;
};
template <class V, As<StavesForm> F> void fields(V& v, F& f)
{
    sectorFields(v, f);
    v.angle("slope_deg", f.slope, {-60, 60}, "Slope of the wall, by hand", "from the axis");
}
const Construction& constructionOf(const StavesForm&);

/// Boards glued edge to edge: one wood, strips, or strips cut across and every second row turned end for end.
struct SlabForm {
    static constexpr Choice kind{"slab", "slab of strips"};
    enum Pattern { Plain, Striped, Checkered } pattern = Striped;
    double strip = 20;           ///< mm, finished width of a strip
    std::vector<double> widths;  ///< mm, of each strip its own: leftovers; empty: all as wide as `strip`
    double row = 20;             ///< mm, finished length of a row (Checkered)
    double jointing = 0.3;       ///< mm, taken off each edge to true it
    double flattening = 1;       ///< mm, taken off each face at each glue-up
    std::string extra;
    bool operator==(const SlabForm&) const = default;
};
inline std::span<const Choice> choices(SlabForm::Pattern)
{
    static constexpr std::array all{Choice{"plain", "one wood"}, Choice{"striped", "strips"},
                                    Choice{"checkered", "strips, re-cut and turned"}};
    return all;
}
template <class V, As<SlabForm> F> void fields(V& v, F& f)
{
    v.choice("pattern", f.pattern, "Board");
    v.when(f.pattern != SlabForm::Plain && f.widths.empty()).length("strip_mm", f.strip, {2, 500}, "Strip, finished");
    v.quiet()
        .when(f.pattern != SlabForm::Plain)
        .lengths("widths_mm", f.widths, 96, {2, 500}, "Strips of their own width",
                 "finished, from one side to the other");
    v.when(f.pattern == SlabForm::Checkered).length("row_mm", f.row, {2, 500}, "Row, finished");
    v.when(f.pattern != SlabForm::Plain).length("jointing_mm", f.jointing, {0, 10}, "Jointing, each edge");
    v.when(f.pattern != SlabForm::Plain)
        .length("flattening_mm", f.flattening, {0, 10}, "Flattening, each face", "at each glue-up");
}
const Construction& constructionOf(const SlabForm&);

/// Equal boards glued face to face along the axis.
struct BilletForm {
    static constexpr Choice kind{"billet", "billet of boards"};
    int boards = 12;
    bool cornersOff = true;  ///< knocked off at the saw
    std::string extra;
    bool operator==(const BilletForm&) const = default;
};
template <class V, As<BilletForm> F> void fields(V& v, F& f)
{
    v.count("boards", f.boards, limits::segments, "Boards");
    v.flag("corners_off", f.cornersOff, "Corners knocked off at the saw");
}
const Construction& constructionOf(const BilletForm&);

/// A post with a piece glued round each side in turn.
struct WrapForm {
    static constexpr Choice kind{"post wrap", "wrap round a post"};
    double post = 40;  ///< mm, side of the square post
    double wrap = 20;  ///< mm, thickness of what goes round it
    bool wedges = false;
    std::string wedgeWood = "maple";
    std::string extra;
    bool operator==(const WrapForm&) const = default;
};
template <class V, As<WrapForm> F> void fields(V& v, F& f)
{
    v.length("post_mm", f.post, {2, 500}, "Post's side");
    v.length("wrap_mm", f.wrap, {1, 300}, "Wrap's thickness");
    v.flag("wedges", f.wedges, "45° wedges on the corners");
    v.when(f.wedges).wood("wedge_wood", f.wedgeWood, "Wedges' wood");
}
const Construction& constructionOf(const WrapForm&);

/// One piece of wood with its grain along the axis, tenons into its neighbors: a stem, a handle.
struct SpindleForm {
    static constexpr Choice kind{"spindle", "turned spindle"};
    double tenon = 20;  ///< mm, diameter
    double below = 12;  ///< mm, length; 0 none
    double above = 12;
    std::string extra;
    bool operator==(const SpindleForm&) const = default;
};
template <class V, As<SpindleForm> F> void fields(V& v, F& f)
{
    v.length("tenon_mm", f.tenon, {3, 300}, "Tenons, Ø");
    v.length("tenon_below_mm", f.below, {0, 400}, "Tenon into what is below", "its length; 0 none");
    v.length("tenon_above_mm", f.above, {0, 400}, "Tenon into what is above", "its length; 0 none");
}
const Construction& constructionOf(const SpindleForm&);

/// Rings cut at an angle from one board and stacked to a bowl.
struct BoardRingForm {
    static constexpr Choice kind{"board rings", "rings from one board"};
    enum Tool { Bandsaw, PartingTool } tool = Bandsaw;
    enum Halves { SawnApart, MiddleDry } halves = SawnApart;  ///< of a board for the bandsaw
    double angle = 45;                                        ///< degrees between the cut and the board's face
    double kerf = 3;                                          ///< mm, across the cut
    int rings = 5;                                            ///< the bottom disc is one of them
    double rotate = 0;                                        ///< degrees, each ring on from the one below
    SlabForm board;
    std::string extra;
    bool operator==(const BoardRingForm&) const = default;
};
inline std::span<const Choice> choices(BoardRingForm::Tool)
{
    static constexpr std::array all{Choice{"bandsaw", "on the bandsaw, in halves"},
                                    Choice{"parting tool", "with a parting tool"}};
    return all;
}
inline std::span<const Choice> choices(BoardRingForm::Halves)
{
    static constexpr std::array all{Choice{"sawn apart", "sawn apart down the middle"},
                                    Choice{"middle dry", "glued apart, the middle joint left dry"}};
    return all;
}
template <class V, As<BoardRingForm> F> void fields(V& v, F& f)
{
    v.choice("tool", f.tool, "Cut", "how the rings are cut from the board");
    v.when(f.tool == BoardRingForm::Bandsaw && f.board.pattern != SlabForm::Plain)
        .quiet()
        .choice("halves", f.halves, "Board's halves",
                "a kerf down the middle leaves every ring out of round by as much");
    v.count("rings", f.rings, {1, 40, ""}, "Rings, with the bottom");
    v.angle("angle_deg", f.angle, {10, 85}, "Cut's angle to the face", "between the cut and the board's face");
    v.length("kerf_mm", f.kerf, {0, 20}, "Kerf", "width of the cut, square to it");
    v.angle("rotate_deg", f.rotate, {-360, 360}, "Each ring turned on", "from the one below");
    v.record("board", f.board, "Board");
}
const Construction& constructionOf(const BoardRingForm&);

/// One piece of wood as it is: sawn square or round, half a log, or the log itself.
struct BlockForm {
    static constexpr Choice kind{"block", "block of one wood"};
    enum Shape { Square, Round, HalfLog, Log } shape = Square;
    enum Grain { Across, Along } grain = Across;  ///< of the axis; a half log's is across, a log's along
    enum Bark { AtFoot, AtRim } bark = AtFoot;    ///< where a half log is round
    double log = 300;                             ///< mm, diameter of the log
    double offset = 0;                            ///< mm, of the axis off the log's middle
    double offsetDirection = 0;                   ///< degrees from 12 o'clock
    double moisture = 12;                         ///< %
    enum Wet { DriedFirst, TurnedTwice, TurnedOnce } wet = DriedFirst;  ///< what is done with wet wood
    bool pith = false;
    std::string extra;

    static constexpr double dry = 12;  ///< %, above it wood moves as it is turned; common practice
    bool isWet() const { return moisture > dry; }
    bool alongAxis() const { return shape == Log || (shape != HalfLog && grain == Along); }
    bool operator==(const BlockForm&) const = default;
};
inline std::span<const Choice> choices(BlockForm::Shape)
{
    static constexpr std::array all{Choice{"square", "sawn square"}, Choice{"round", "sawn round"},
                                    Choice{"half log", "half a log"}, Choice{"log", "a log, whole"}};
    return all;
}
inline std::span<const Choice> choices(BlockForm::Grain)
{
    static constexpr std::array all{Choice{"across", "across the axis"}, Choice{"along", "along the axis"}};
    return all;
}
inline std::span<const Choice> choices(BlockForm::Bark)
{
    static constexpr std::array all{Choice{"at the foot", "at the foot"}, Choice{"at the rim", "at the rim"}};
    return all;
}
inline std::span<const Choice> choices(BlockForm::Wet)
{
    static constexpr std::array all{Choice{"dried first", "dried first"},
                                    Choice{"turned twice", "turned, dried, turned"},
                                    Choice{"turned once", "turned once, bagged"}};
    return all;
}
template <class V, As<BlockForm> F> void fields(V& v, F& f)
{
    using B = BlockForm;
    const bool half = f.shape == B::HalfLog, log = f.shape == B::Log;
    v.choice("shape", f.shape, "Block is");
    v.when(!half && !log).choice("grain", f.grain, "Grain");
    v.when(half).choice("bark", f.bark, "Its round side");
    v.when(half || log).length("log_mm", f.log, {20, 2000}, "Log, Ø");
    v.when(log).length("offset_mm", f.offset, {0, 500}, "Axis off the log's middle", "for the sake of a figure");
    v.when(log && f.offset > 0).angle("offset_direction_deg", f.offsetDirection, {-360, 360}, "Towards");
    v.number("moisture_percent", f.moisture, {0, 120, "%"}, "Moisture, %");
    v.when(f.isWet()).quiet().choice("wet", f.wet, "Wet wood is");
    v.when(!log).flag("pith", f.pith, "The pith is in it");
}
const Construction& constructionOf(const BlockForm&);

/// Parts about the axis that are turned, reversed each about its own middle, and turned again: what the first turning
/// took is a window between them, and a hollow.
struct InsideOutForm {
    static constexpr Choice kind{"inside out", "parts turned inside out"};
    enum Parts { Two, Three, Four, Six } parts = Four;
    enum Hold { Paper, Tape, HotMelt, Screws } hold = Paper;  ///< of the first assembly
    double from = 30, to = 90;                                ///< stations between which the first turning cuts, mm
    double radius = 22;  ///< of the first turning in its middle, mm from the first axis
    double ends = 34;    ///< of the first turning where it begins and ends, mm
    double core = 0;     ///< mm, Ø of what is to stand inside; 0: nothing
    std::string extra;
    int count() const { return std::array{2, 3, 4, 6}[static_cast<size_t>(parts)]; }
    bool operator==(const InsideOutForm&) const = default;
};
inline std::span<const Choice> choices(InsideOutForm::Parts)
{
    static constexpr std::array all{Choice{"two", "two boards"}, Choice{"three", "three, of 120° and 60°"},
                                    Choice{"four", "four squares"}, Choice{"six", "six, of 60° and 120°"}};
    return all;
}
inline std::span<const Choice> choices(InsideOutForm::Hold)
{
    static constexpr std::array all{Choice{"paper", "paper in a glue joint"}, Choice{"tape", "tape"},
                                    Choice{"hot melt", "hot melt glue"}, Choice{"screws", "screws in the waste"}};
    return all;
}
template <class V, As<InsideOutForm> F> void fields(V& v, F& f)
{
    v.choice("parts", f.parts, "Parts");
    v.choice("hold", f.hold, "First held by");
    v.length("from_mm", f.from, {0, 3000}, "First turning from station");
    v.length("to_mm", f.to, {0, 3000}, "First turning to station");
    v.length("radius_mm", f.radius, {0.5, 1000}, "Its radius in the middle", "about the first axis");
    v.length("ends_mm", f.ends, {0.5, 1500}, "Its radius at both ends", "about the first axis");
    v.length("core_mm", f.core, {0, 500}, "Something inside, Ø", "0: nothing");
}
const Construction& constructionOf(const InsideOutForm&);

/// Every way of putting a layer together, in the order in which they are offered.
using LayerForm = std::variant<DiscForm, RingForm, StavesForm, SheetForm, SlabForm, LetInForm, BilletForm, WrapForm,
                               BoardRingForm, SpindleForm, BlockForm, InsideOutForm>;

}  // namespace vl
