#pragma once

#include "core/geometry/fall_back.h"
#include "core/piece/document/bought.h"
#include "core/piece/document/cuts.h"
#include "core/piece/document/decor.h"
#include "core/piece/document/flaw.h"
#include "core/piece/document/form_parts.h"
#include "core/piece/document/inlay.h"
#include "core/piece/document/layer.h"
#include "core/piece/document/off_axis.h"
#include "core/piece/document/split.h"
#include "core/piece/document/trace.h"
#include "core/piece/document/worked.h"
#include "core/piece/records/as_built.h"
#include "core/piece/records/lid.h"
#include "core/piece/shop/finish.h"

#include <optional>
#include <string>
#include <vector>

namespace vl {

namespace limits {
inline constexpr size_t nodes = 200, layers = 400, steps = 20000, axes = 12, holes = 24, sawn = 8, forms = 30,
                        worked = 8, decors = 6, flaws = 40, inlays = 12, bought = 20;
inline constexpr size_t cells = 30000;  ///< pieces of wood that a blank of strips may have in all
inline constexpr Limit wall{0.5, 500};
inline constexpr Limit clock{0, 100000000, "min"};  ///< minutes since 1970-01-01 00:00
}  // namespace limits

enum class WallRule { Even, Tapered, Drawn, Solid, Bored };
inline std::span<const Choice> choices(WallRule)
{
    static constexpr std::array all{Choice{"even", "even"}, Choice{"tapered", "thicker towards the base"},
                                    Choice{"drawn", "drawn freely"}, Choice{"solid", "solid, not hollowed"},
                                    Choice{"bored", "bored through"}};
    return all;
}

/// The inside of the vessel.
struct Hollow {
    WallRule rule = WallRule::Even;
    double rimWall = 6;     ///< mm, square to the surface; the whole wall where the rule is Even
    double baseWall = 9;    ///< mm, square to the surface at the floor (Tapered)
    double floor = 10;      ///< mm from the headstock face to the inside's floor
    double floorRound = 8;  ///< mm, radius where the floor meets the wall
    double leastWall = 4;   ///< mm, thinner than this is a caution
    double bore = 20;       ///< mm, diameter of a straight hole from end to end (Bored)
    Outline inside;         ///< drawn freely (Drawn), from the floor's center to the rim
    std::string extra;

    bool operator==(const Hollow&) const = default;
};
template <class V, As<Hollow> F> void fields(V& v, F& f)
{
    const bool even = f.rule == WallRule::Even, tapered = f.rule == WallRule::Tapered;
    v.choice("rule", f.rule, "Inside");
    v.when(even || tapered).length("rim_wall_mm", f.rimWall, limits::wall, "Wall at the rim", "square to the surface");
    v.when(tapered).length("base_wall_mm", f.baseWall, limits::wall, "Wall at the base", "square to the surface");
    v.when(even || tapered).length("floor_mm", f.floor, {0, 3000}, "Floor, from the foot");
    v.when(even || tapered).length("floor_round_mm", f.floorRound, {0, 500}, "Rounding at the floor", "radius");
    v.length("least_wall_mm", f.leastWall, {0, limits::wall.high}, "Wall never below", "thinner is a caution");
    v.when(f.rule == WallRule::Bored).length("bore_mm", f.bore, {0.5, 1000}, "Bore, Ø from end to end");
    v.when(f.rule == WallRule::Drawn).list("inside", f.inside, limits::nodes, "Drawn inside");
}

/// Rings parted from the finished stack one inside another: bangles, rims.
struct Nest {
    bool on = false;
    double smallest = 62;  ///< mm, least inside diameter of a ring
    double largest = 110;  ///< mm, greatest outside diameter
    double wall = 8;       ///< mm on the radius, as parted
    double tool = 3;       ///< mm, width of the parting tool's edge
    double below = 8;      ///< mm, height of its blade below the edge
    std::string extra;
    bool operator==(const Nest&) const = default;
};
template <class V, As<Nest> F> void fields(V& v, F& f)
{
    v.flag("on", f.on, "Part bangles or rims from this blank");
    v.when(f.on).length("smallest_mm", f.smallest, {5, 1500}, "Smallest inside Ø");
    v.when(f.on).length("largest_mm", f.largest, {5, 1500}, "Largest outside Ø");
    v.when(f.on).length("wall_mm", f.wall, limits::wall, "Wall of each ring", "on the radius, as parted");
    v.when(f.on).length("tool_mm", f.tool, {0.3, 20}, "Tool's edge", "width of the parting tool");
    v.when(f.on).length("blade_below_edge_mm", f.below, {0.5, 100}, "Blade below its edge");
}

enum class CutMethod { MiterGauge, WedgeSled };
inline std::span<const Choice> choices(CutMethod)
{
    static constexpr std::array all{Choice{"miter gauge", "flip on a miter gauge"},
                                    Choice{"wedge sled", "wedge sled with a stop"}};
    return all;
}
enum class RingMethod { BandClamp, HalfRings };
inline std::span<const Choice> choices(RingMethod)
{
    static constexpr std::array all{Choice{"band clamp", "full ring, band clamp"},
                                    Choice{"half rings", "two halves, flats sanded"}};
    return all;
}
enum class StaveMethod { TaperJig, MiterGauge };
inline std::span<const Choice> choices(StaveMethod)
{
    static constexpr std::array all{Choice{"taper jig", "taper jig, blade tilted"},
                                    Choice{"miter gauge", "miter gauge, blade tilted"}};
    return all;
}
enum class StackMethod { RingByRing, SectionAtOnce };
inline std::span<const Choice> choices(StackMethod)
{
    static constexpr std::array all{Choice{"ring by ring", "one by one on the lathe, each face trued there"},
                                    Choice{"section at once", "a section in one clamp-up, faces flattened before"}};
    return all;
}
enum class HoldMethod { WasteBlock, GlueBlock, GluedTenon };
inline std::span<const Choice> choices(HoldMethod)
{
    static constexpr std::array all{Choice{"waste block", "waste block, glued for good and parted off"},
                                    Choice{"glue block", "glue block, comes off whole"},
                                    Choice{"glued-on tenon", "tenon glued on, for the chuck"}};
    return all;
}
enum class EndMethod { OwnBlocks, PartedRing };
inline std::span<const Choice> choices(EndMethod)
{
    static constexpr std::array all{Choice{"own blocks", "first and last layer each on its own block"},
                                    Choice{"parted ring", "both from one ring parted between faceplates"}};
    return all;
}
enum class SectionRule { Proposed, Whole };
inline std::span<const Choice> choices(SectionRule)
{
    static constexpr std::array all{Choice{"proposed", "in sections, where the inside asks for it"},
                                    Choice{"whole", "in one, whatever can be reached"}};
    return all;
}
enum class FootMethod { Tenon, Recess, Faceplate };
inline std::span<const Choice> choices(FootMethod)
{
    static constexpr std::array all{Choice{"tenon", "a tenon in the jaws, turned off last"},
                                    Choice{"recess", "a recess on the jaws, stays"},
                                    Choice{"faceplate", "a faceplate on the foot, its holes turned off or plugged"}};
    return all;
}
enum class SideMethod { BothRoughed, OneThenOther };
inline std::span<const Choice> choices(SideMethod)
{
    static constexpr std::array all{Choice{"both roughed", "both sides roughed, then both finished"},
                                    Choice{"one then the other", "one side finished, then the other"}};
    return all;
}
enum class LastMethod { Jam, Cushion, Buttons, Vacuum };
inline std::span<const Choice> choices(LastMethod)
{
    static constexpr std::array all{
        Choice{"jam", "jammed in a turned recess"}, Choice{"cushion", "pressed on a cushioned form"},
        Choice{"buttons", "between buttons on a plate"}, Choice{"vacuum", "on a vacuum cup"}};
    return all;
}
enum class Use { Show, Food, Worn, Hung, Children, Hole };
inline std::span<const Choice> choices(Use)
{
    static constexpr std::array all{Choice{"show", "to be looked at"},
                                    Choice{"food", "for food"},
                                    Choice{"worn", "to be worn"},
                                    Choice{"hung", "hung up"},
                                    Choice{"children", "children\u2019s hands"},
                                    Choice{"hole", "to fit a hole"}};
    return all;
}
enum class StationRule { Even, Curve };
inline std::span<const Choice> choices(StationRule)
{
    static constexpr std::array all{Choice{"even", "evenly spaced"}, Choice{"curve", "at changes of curve"}};
    return all;
}

/// How the turner wants to work on this piece.
struct Choices {
    CutMethod cutting = CutMethod::MiterGauge;
    double sledRun = 300;   ///< mm along the fence over which the sled's offset is measured
    double endWaste = 25;   ///< mm of each strip that cannot be used
    double trialGap = 0;    ///< mm, last joint of a dry-fitted trial ring, positive open outside
    std::string trialRing;  ///< id of the layer that was tried; empty for none
    RingMethod closing = RingMethod::BandClamp;
    StaveMethod staves = StaveMethod::TaperJig;
    SectionRule sections = SectionRule::Proposed;
    StationRule stations = StationRule::Even;
    double stationSpacing = 10;  ///< mm
    StackMethod stacking = StackMethod::RingByRing;
    HoldMethod holding = HoldMethod::WasteBlock;
    EndMethod ends = EndMethod::OwnBlocks;
    double setOnceWithin = 0;             ///< mm, stops, widths and thicknesses that differ by no more are set once
    bool curedFully = false;              ///< before any tool: a day a ring with most glues
    bool stands = true;                   ///< on its foot; what is held or hung does not tip
    FootMethod foot = FootMethod::Tenon;  ///< how one block is held once its outside is turned
    SideMethod sides = SideMethod::OneThenOther;  ///< in which order its two sides are turned
    LastMethod last = LastMethod::Jam;            ///< how it is held for the last cuts on its foot
    Use use = Use::Show;
    std::string finish = "shop";  ///< id in the shop's book; another: one coat, as the shop has it
    int firstGrit = 120;          ///< by what the tools leave
    std::string extra;

    bool operator==(const Choices&) const = default;
};
template <class V, As<Choices> F> void fields(V& v, F& f)
{
    v.choice("cutting", f.cutting, "Cut with");
    v.length("sled_run_mm", f.sledRun, {20, 2000}, "Run along the fence", "over which the sled's offset is measured");
    v.length("end_waste_mm", f.endWaste, {0, 500}, "Waste at a strip's end");
    v.text("trial_ring", f.trialRing, 40, "Trial ring", "id of the layer that was dry-fitted");
    v.length("trial_gap_mm", f.trialGap, {-50, 50}, "Gap in the trial ring", "last joint, positive open outside");
    v.choice("closing", f.closing, "Rings closed");
    v.choice("staves", f.staves, "Staves with");
    v.choice("sections", f.sections, "Stack");
    v.choice("stations", f.stations, "Stations");
    v.when(f.stations == StationRule::Even).length("station_spacing_mm", f.stationSpacing, {0.5, 500}, "Spacing");
    v.quiet().choice("stacking", f.stacking, "Layers glued");
    v.quiet().flag("cured_fully", f.curedFully, "Cured fully before each next ring",
                   "no face is trued before its glue can be turned");
    v.quiet().choice("holding", f.holding, "Held on");
    v.quiet().choice("ends", f.ends, "Both ends");
    v.quiet().length("alike_mm", f.setOnceWithin, {0, 5}, "Set once within",
                     "stops, widths and thicknesses that differ by no more; 0: the least wood");
    v.quiet().flag("stands", f.stands, "Stands on its foot", "what is held or hung does not tip");
    v.quiet().choice("foot", f.foot, "Foot held by", "one block, once its outside is turned");
    v.quiet().choice("sides", f.sides, "Its two sides");
    v.quiet().choice("last", f.last, "Last cuts on the foot");
    v.quiet().choice("use", f.use, "The piece is");
    v.quiet().text("finish", f.finish, 60, "Finish", "its id in the shop's book");
    v.quiet().count("first_grit", f.firstGrit, {40, 1000, ""}, "First grit", "by what the tools leave");
}

/// Parts cut from a strip.
struct KeptRun {
    std::string part;  ///< id
    int count = 0;
    std::string extra;
    bool operator==(const KeptRun&) const = default;
};
template <class V, As<KeptRun> F> void fields(V& v, F& f)
{
    v.text("part", f.part, 200, "Part");
    v.count("count", f.count, {0, 100000}, "How many");
}

/// A strip that is cut: it stays where it is in every later cutting plan.
struct KeptStrip {
    std::string board;                           ///< id on the rack
    double x = 0, y = 0, length = 0, width = 0;  ///< mm, where it lay on the board's face
    double thickness = 0;                        ///< mm, planed
    std::string wood;                            ///< id; empty where it was not noted
    std::vector<KeptRun> runs;
    std::string extra;

    bool operator==(const KeptStrip&) const = default;
};
template <class V, As<KeptStrip> F> void fields(V& v, F& f)
{
    v.text("board", f.board, 60, "Board");
    v.length("x_mm", f.x, {0, 6000}, "Along the board");
    v.length("y_mm", f.y, {0, 6000}, "Across the board");
    v.length("length_mm", f.length, {20, 6000}, "Length");
    v.length("width_mm", f.width, {0.5, 1500}, "Width");
    v.length("thickness_mm", f.thickness, limits::thickness, "Thickness", "planed");
    v.text("wood", f.wood, 100, "Wood");
    v.list("runs", f.runs, limits::steps, "Parts");
}

/// What really happened to a step of the recipe.
struct StepDone {
    std::string step;           ///< id
    double start = 0, end = 0;  ///< minutes since 1970-01-01 00:00 of the shop's own clock
    std::string extra;

    bool operator==(const StepDone&) const = default;
};
template <class V, As<StepDone> F> void fields(V& v, F& f)
{
    v.text("step", f.step, 200, "Step");
    v.minutes("start_min", f.start, limits::clock, "Begun");
    v.minutes("end_min", f.end, limits::clock, "Ended");
}

/// A step that the turner has moved: it begins no sooner.
struct StepMoved {
    std::string step;
    double from = 0;  ///< minutes since 1970-01-01 00:00 of the shop's own clock
    std::string extra;

    bool operator==(const StepMoved&) const = default;
};
template <class V, As<StepMoved> F> void fields(V& v, F& f)
{
    v.text("step", f.step, 200, "Step");
    v.minutes("from_min", f.from, limits::clock, "Not before");
}

/// How far the work is, and when it is to be done.
struct Progress {
    std::optional<double>
        start;  ///< minutes since 1970-01-01 00:00 of the shop's own clock; none: a Monday at midnight
    std::vector<KeptStrip> strips;
    std::vector<StepDone> done;
    std::vector<StepMoved> moved;
    std::vector<Measured> measured;  ///< a later one of the same thing counts
    std::vector<Tick> ticks;
    std::vector<RoundsDone> rounds;
    std::string extra;

    bool operator==(const Progress&) const = default;
};
template <class V, As<Progress> F> void fields(V& v, F& f)
{
    v.minutes("start_min", f.start, limits::clock, "Work begins", "minutes since 1970-01-01 00:00 of the shop's clock");
    v.list("strips", f.strips, limits::steps, "Strips that are cut");
    v.list("done", f.done, limits::steps, "Steps done");
    v.list("moved", f.moved, limits::steps, "Steps moved");
    v.quiet().list("measured", f.measured, limits::steps, "Measured on the wood");
    v.quiet().list("ticks", f.ticks, limits::steps, "Places ticked");
    v.quiet().list("rounds", f.rounds, limits::steps, "Rounds done");
}

/// Which glue a joint gets where the turner does not want the one that is suggested.
struct GlueChoice {
    std::string step;  ///< id of the gluing step
    std::string glue;  ///< id in the glue book
    std::string extra;

    bool operator==(const GlueChoice&) const = default;
};
template <class V, As<GlueChoice> F> void fields(V& v, F& f)
{
    v.text("step", f.step, 200, "Step", "that glues");
    v.text("glue", f.glue, 60, "Glue", "id in the glue book");
}

/// The document: only what the turner decided.
struct Piece {
    std::string
        id;  ///< tells it from every other piece, whatever it is called; empty while it was never saved or loaded
    std::string name = "Untitled";
    std::string notes;
    Outline outside;  ///< from the headstock face to the rim
    Hollow hollow;
    std::vector<Layer> layers;  ///< from the headstock face on
    int layersMade = 0;         ///< how many ids of layers were ever given: none is given twice
    Edge edge;
    std::vector<OffAxis> axes;    ///< in the order in which they are turned
    int axesMade = 0;             ///< how many ids of axes were ever given
    std::vector<FormPart> forms;  ///< stretches of the outside that follow a rule
    std::vector<Hole> holes;      ///< in the order in which they are drilled
    std::vector<Sawn> sawn;
    std::vector<Worked> worked;  ///< by index, in the order of the work
    std::vector<Decor> decors;
    std::vector<Inlay> inlays;  ///< in the order in which they are let in
    std::vector<Bought> bought;
    std::vector<Flaw> flaws;
    Lean lean;
    Trace trace;
    int cutsMade = 0;  ///< how many ids of forms, holes and sawn cuts were ever given
    Nest nest;
    Split split;
    Lid lid;
    Choices choices;
    std::vector<GlueChoice> glues;
    Progress progress;
    std::string extra;

    bool operator==(const Piece&) const = default;
};

template <class V, As<Piece> F> void fields(V& v, F& f)
{
    v.text("id", f.id, 60, "Id", "tells the piece from every other, whatever it is called");
    v.text("name", f.name, 200, "Name");
    v.text("notes", f.notes, 20000, "Notes");
    v.required().list("outside", f.outside, limits::nodes, "Outside");
    v.record("hollow", f.hollow, "Inside");
    v.required().list("layers", f.layers, limits::layers, "Layers");
    v.count("layers_made", f.layersMade, {0, 1e9}, "Layers made", "so that no layer's id is given twice");
    v.quiet().record("edge", f.edge, "Edge of the blank");
    v.list("axes", f.axes, limits::axes, "Other axes");
    v.quiet().count("axes_made", f.axesMade, {0, 1e9}, "Axes made", "so that no axis's id is given twice");
    v.list("forms", f.forms, limits::forms, "Forms kept in the outline");
    v.list("holes", f.holes, limits::holes, "Holes");
    v.list("sawn", f.sawn, limits::sawn, "Sawn to a curve");
    v.quiet().list("worked", f.worked, limits::worked, "Worked by index");
    v.quiet().list("decors", f.decors, limits::decors, "Decorated grids");
    v.quiet().list("inlays", f.inlays, limits::inlays, "Let in");
    v.quiet().list("bought", f.bought, limits::bought, "Bought parts");
    v.quiet().list("flaws", f.flaws, limits::flaws, "What is wrong with the wood");
    v.quiet().record("lean", f.lean, "Leaning base");
    v.quiet().record("trace", f.trace, "Picture to trace");
    v.quiet().count("cuts_made", f.cutsMade, {0, 1e9}, "Cuts made", "so that no id of them is given twice");
    v.quiet().record("nest", f.nest, "Rings parted one inside another");
    v.quiet().record("split", f.split, "Split and turned on");
    v.quiet().record("lid", f.lid, "Lid");
    v.record("choices", f.choices, "Choices");
    v.list("glues", f.glues, limits::steps, "Glues chosen");
    v.quiet().record("progress", f.progress, "Progress");
}

/// Sum of the layers' thicknesses, mm.
double stackHeight(const Piece& piece);

/// The layer with this id, or null; and its place, or −1.
const Layer* layerOf(const Piece& piece, const std::string& id);
int placeOf(const Piece& piece, const std::string& id);
/// An id that no layer of the piece ever had.
std::string freshLayerId(Piece& piece);
/// How many pieces of wood the piece's slabs and boards of rings are made up of, as far as the outline says.
size_t boardCells(const Piece& piece);
/// Gives every layer that has no id, or one that a layer before it has, an id of its own.
void identifyLayers(Piece& piece);

/// Gives every axis that has no id, or one that an axis before it has, an id of its own.
void identifyAxes(Piece& piece);
/// The same for forms, holes, and all else that has an id of its kind; no two of them, of whatever kind, have the same.
void identifyCuts(Piece& piece);
/// The piece with its forms in its outside: what every change of it ends with.
Piece withForms(Piece piece);

/// Height of the outline, mm.
double outlineHeight(const Piece& piece);
/// The greatest radius of the outside at every station, within 0.01 mm.
Polyline outsideRadii(const Piece& piece);
/// The undercuts of its outside that open one way: a recess in the foot, a dish round a post, what overhangs.
std::vector<Undercut> undercutsOf(const Piece& piece, OpensTo to);

/// The tube that lines the bore of a piece and carries its wall: it goes in before the outside is turned. Null where
/// none does.
const Bought* tubeInBore(const Piece& piece);

/// A freely drawn inside of about seven nodes that follows an inside line; where that is empty, half the outside's
/// radius.
Outline drawnFrom(const Polyline& inside, const Piece& piece);

/// Throws InputError, naming the field as a path (`layers[3].segments`), its value and its limit, where the piece holds
/// something that cannot be built.
void checkPiece(const Piece& piece);

}  // namespace vl
