#include "core/geometry/board_rings.h"

#include "core/blank/faces.h"
#include "core/constructions/slab.h"
#include "core/holding/holding.h"
#include "core/wood/figure.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/glue.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double ringFlattening = 0.2;  // mm off each face of a ring; common practice

/// The cone of rings that holds the outline, and where it stands: it reaches beyond the layer by what flattening the
/// stack takes off its two ends, and what is parted off it.
struct Cone : BoardRings {
    double z0 = 0, z1 = 0;  ///< mm, faces of the stack as glued
    int rings = 1;
    double split = 0;  ///< mm, that a kerf down the middle of the board takes out of every ring

    double radiusAt(double z) const { return outer / 2 - (z1 - z) / std::tan(angleDeg * degrees); }
    /// Radii that a ring holds all round, outside and in its bore.
    double heldAt(double z) const { return radiusAt(z) - split / 2; }
    double boreAt(double z) const { return std::max(0.0, radiusAt(z) - std::max(1.0, ringWidth())); }
};

Cone coneOf(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    const auto& f = site.form<BoardRingForm>();
    Cone c;
    c.rings = f.rings;
    c.z0 = b.z0 - l.sandingLoss;
    c.z1 = b.z0 + b.glued + l.sandingLoss;
    c.board = (c.z1 - c.z0) / f.rings;
    c.angleDeg = f.angle;
    c.kerf = f.kerf;
    c.flatten = ringFlattening;
    const bool sawnApart = f.board.pattern == SlabForm::Plain || f.halves == BoardRingForm::SawnApart;
    if (f.tool == BoardRingForm::Bandsaw && sawnApart) c.split = f.kerf;
    const double rise = std::tan(f.angle * degrees);
    double outer = 1;
    for (const Point& p : between(site.surfaces.outside, b.z0, b.z1))
        outer = std::max(outer, p.y() + l.outerAllowance + c.split / 2 + (c.z1 - p.x()) / rise);
    c.outer = l.stockOuter ? *l.stockOuter : 2 * outer;
    // The bottom disc keeps a face to stand on.
    c.outer = std::max(c.outer, 2 * (c.step() * f.rings + 5));
    c.base = std::max(0.0, c.outer - 2 * c.step() * f.rings);
    return c;
}

/// Volume of a cone's frustum, mm³.
double frustum(double r0, double r1, double h) { return pi * h * (r0 * r0 + r0 * r1 + r1 * r1) / 3; }

/// Whether its halves are glued apart from the start.
bool halvesDry(const BoardRingForm& f)
{
    return f.tool == BoardRingForm::Bandsaw && f.halves == BoardRingForm::MiddleDry &&
           f.board.pattern != SlabForm::Plain;
}

/// Whether one of the board's joints lies on its middle line.
bool hasMiddleJoint(const FlippedBoard& board)
{
    constexpr double within = 0.01;  // mm
    const std::vector<double> edges = board.edges();
    return std::ranges::any_of(edges, [](double at) { return std::abs(at) < within; });
}

/// The board that the rings are cut from: of one wood a single one, else glued of strips.
FlippedBoard boardOf(const Site& site, const Cone& c)
{
    const auto& f = site.form<BoardRingForm>();
    FlippedBoard board = boardFor(f.board, 2 * c.scribed(0), c.planed(), site.shop.kerf);
    if (f.board.pattern == SlabForm::Plain) {
        board.strips = 1;
        board.strip = c.outer;
    } else if (halvesDry(f) && board.widths.empty())
        board.strips += board.strips % 2;  // a joint on the middle line
    if (board.rows == 1) board.row = c.outer + 10;
    return board;
}

/// Every ring is the same board, cut smaller and turned on from the one below.
void layRings(const Site& site, const Cone& c, const FlippedBoard& board, BuiltLayer& b)
{
    const auto& f = site.form<BoardRingForm>();
    for (int i = 0; i < board.strips; ++i) b.woods.push_back(woodAt(site.layer(), i));
    for (int ring = 0; ring < f.rings; ++ring)
        layBoard(b, board,
                 {.z0 = c.z0 + ring * c.board,
                  .z1 = c.z0 + (ring + 1) * c.board,
                  .x = onwards(ring * f.rotate),
                  .y = outwards(ring * f.rotate),
                  .below = ring > 0,
                  .above = ring + 1 < f.rings},
                 site.index);
}

/// What is set for it.
struct RingSettings {
    Setting angle, table, thickness, depth, flat, rpm, rotate;
};
RingSettings ringSettings(const BoardRingForm& f, const Cone& c)
{
    using enum Unit;
    Resource machine = f.tool == BoardRingForm::Bandsaw ? Resource::Bandsaw : Resource::Lathe;
    return {.angle = {machine, "angle of the cut to the face", f.angle, Angle, "chosen", ""},
            .table = {Resource::Bandsaw, "table", 90 - f.angle, Angle, "90° − φ", planeGeometry},
            .thickness = {Resource::Thicknesser, "board thickness", c.planed(), Length,
                          "(height + 2 · flattening) / rings + 2 · a ring's flattening", planeGeometry},
            .depth = {machine, "depth of cut", c.cutDepth(), Length, "t / sin φ", planeGeometry},
            .flat = {Resource::Sander, "each face, no more than", ringFlattening, Length, "", "common practice", 1},
            .rpm = {Resource::Lathe, "speed", 500, Speed, "", "common practice", 0},
            .rotate = {Resource::None, "each ring on from the one below", f.rotate, Angle, "chosen", ""}};
}

void settle(const BoardRingForm& f, const Cone& c, BuiltLayer& b)
{
    const RingSettings s = ringSettings(f, c);
    using enum Unit;
    b.settings = {
        s.angle,
        s.thickness,
        {Resource::None, "ring width on the face", std::max(0.0, c.ringWidth()), Length, "t / tan φ − k / sin φ",
         planeGeometry},
        {Resource::None, "wall square to the cut", std::max(0.0, c.wall()), Length, "t · cos φ − k", planeGeometry},
        s.depth,
        {Resource::None, "stripes stretch on the wall", c.stretch(), Count, "1 / cos φ", planeGeometry, 3}};
    for (int i = 0; i < f.rings; ++i) {
        const std::string name = "scribe " + std::to_string(i + 1);
        b.settings.push_back(
            {Resource::None, name + ", top face, radius", c.scribed(i), Length, "R − i · t / tan φ", planeGeometry});
        b.settings.push_back({Resource::None, name + ", lower face, radius", c.scribedBelow(i), Length,
                              "the same less board thickness / tan φ", planeGeometry});
    }
}

/// What the machines that cut the rings can do.
void judgeMachines(const BoardRingForm& f, const Cone& c, const Shop& shop, BuiltLayer& b)
{
    const double table = 90 - f.angle, steepest = 90 - shop.bandsawTilt;
    const bool saw = f.tool == BoardRingForm::Bandsaw;
    if (saw && table > shop.bandsawTilt + 1e-9)
        b.cautions.push_back({.kind = "table",
                              .level = Level::Stop,
                              .measure = table,
                              .limit = shop.bandsawTilt,
                              .unit = "°",
                              .message = says(words::tableTilts, Quantity{table, Unit::Angle, 1},
                                              Quantity{shop.bandsawTilt, Unit::Angle, 1}),
                              .fixes = {layerFix(says(words::angleInstead, Quantity{steepest, Unit::Angle, 1}), b.index,
                                                 [steepest](Layer& q) { q.as<BoardRingForm>()->angle = steepest; })}});
    const double tightest = c.scribedBelow(f.rings - 2);  // the innermost cut, where it comes out below
    if (saw && f.rings > 1 && tightest < shop.bandsawRadius)
        b.cautions.push_back({.kind = "blade-radius",
                              .level = Level::Stop,
                              .measure = tightest,
                              .limit = shop.bandsawRadius,
                              .unit = "mm",
                              .message = says(words::bladeTurns, Quantity{tightest}, Quantity{shop.bandsawRadius}),
                              .fixes = {layerFix(says(words::oneRingFewer), b.index,
                                                 [](Layer& q) { --q.as<BoardRingForm>()->rings; })}});
    if (!saw && c.cutDepth() > partingReach(shop))
        b.cautions.push_back(
            {.kind = "tool-length",
             .level = Level::Stop,
             .measure = c.cutDepth(),
             .limit = partingReach(shop),
             .unit = "mm",
             .message = says(words::toolTooShort, Quantity{c.cutDepth()}, Quantity{partingReach(shop)}),
             .fixes = {layerFix(says(words::oneRingMore), b.index, [](Layer& q) { ++q.as<BoardRingForm>()->rings; })}});
}

void judge(const BoardRingForm& f, const Cone& c, const FlippedBoard& board, BuiltLayer& b)
{
    static constexpr double leastWall = 3, usual = 45;  // mm, degrees
    if (c.wall() < leastWall) {
        Caution cone{.kind = "cone",
                     .level = c.wall() <= 0 ? Level::Stop : Level::Care,
                     .measure = c.wall(),
                     .limit = leastWall,
                     .unit = "mm",
                     .message = says(words::noWallLeft)};
        if (f.angle > usual)
            cone.fixes.push_back(layerFix(says(words::angleInstead, Quantity{usual, Unit::Angle, 0}), b.index,
                                          [](Layer& q) { q.as<BoardRingForm>()->angle = usual; }));
        if (f.rings > 1)
            cone.fixes.push_back(
                layerFix(says(words::oneRingFewer), b.index, [](Layer& q) { --q.as<BoardRingForm>()->rings; }));
        b.cautions.push_back(std::move(cone));
    }
    double narrowest = board.strip;
    for (int i = 0; i < board.strips && !board.widths.empty(); ++i) narrowest = std::min(narrowest, board.wide(i));
    const int lost = board.strips > 1 ? ringsUntilLost(narrowest, c.outer / 2, f.rotate) : 0;
    if (lost > 0 && lost < f.rings)
        b.cautions.push_back({.kind = "pattern-lost",
                              .measure = static_cast<double>(f.rings),
                              .limit = static_cast<double>(lost),
                              .unit = "rings",
                              .message = says(words::patternLost, Quantity{f.rotate, Unit::Angle, 1}, lost),
                              .fixes = {layerFix(says(words::ringsNotTurned), b.index,
                                                 [](Layer& q) { q.as<BoardRingForm>()->rotate = 0; })}});
}

class BoardRingSteps {
public:
    BoardRingSteps(const Site& site, const BuiltLayer& b, const Cone& c, const FlippedBoard& board)
        : layer_(site.layer()), shop_(site.shop), f_(site.form<BoardRingForm>()), b_(b), c_(c), board_(board),
          s_(ringSettings(f_, c)), tenon_(site.piece.choices.holding == HoldMethod::GluedTenon)
    {
    }

    WorkItem write(Bench& bench, const WorkItems& parts) const
    {
        const WorkItem scribed = scribe(bench, board_.strips > 1 ? striped(bench, parts) : planed(bench, parts));
        const WorkItem rings = f_.tool == BoardRingForm::Bandsaw ? sawn(bench, scribed) : parted(bench, scribed);
        const WorkItem flat = bench.step(Action::Flatten, "faces", {rings}, "rings-flat",
                                         {.title = says(words::flattenRings, bench.name()),
                                          .why = says(words::onlyUnevenness),
                                          .how = says(words::sandingBoard, s_.flat),
                                          .settings = {s_.flat},
                                          .minutes = 3.0 * f_.rings,
                                          .uses = {Resource::SandingBoard}});
        return flattenFaces(bench, f_.rings > 1 ? stacked(bench, flat) : flat, layer_, 6);
    }

private:
    WorkItem planed(Bench& bench, const WorkItems& parts) const
    {
        return bench.step(Action::Cut, "cut", parts, "board",
                          {.title = says(words::planeBoard, bench.name()),
                           .why = says(words::everyRingFromIt),
                           .how = says(words::planedAllOver, s_.thickness),
                           .settings = {s_.thickness},
                           .minutes = 10,
                           .uses = {Resource::Saw}});
    }

    WorkItem striped(Bench& bench, const WorkItems& parts) const
    {
        return glueBoard(bench, parts, board_, b_,
                         {.rip = says(words::ripBoard, bench.name()),
                          .glue = says(words::glueBoardStrips, bench.name()),
                          .glueWhy = says(halvesDry(f_)            ? words::middleLeftDry
                                          : hasMiddleJoint(board_) ? words::jointOnMiddle
                                                                   : words::ringsFromOneBoard),
                          .of = bench.name(),
                          .middleDry = halvesDry(f_)});
    }

    WorkItem scribe(Bench& bench, const WorkItem& board) const
    {
        // Glued of strips it was left thicker, to be flattened now.
        Text how = board_.strips > 1 ? says(words::planedAllOver, s_.thickness) : Text();
        how.also(says(words::beamCompass));
        return bench.step(Action::Flatten, "scribe", {board}, "scribed",
                          {.title = says(words::scribe, bench.name(), f_.rings),
                           .why = says(words::cutLeans),
                           .how = how,
                           .settings = {s_.thickness},
                           .minutes = 12});
    }

    WorkItem sawn(Bench& bench, const WorkItem& scribed) const
    {
        const int n = f_.rings;
        const Setting lost{Resource::Bandsaw, "out of round by", c_.split, Unit::Length, "the kerf", planeGeometry, 1};
        const WorkItem halves =
            halvesDry(f_)
                ? scribed
                : bench.step(Action::Split, "halve", {scribed}, "halves",
                             {.title = says(words::halveBoard, bench.name()),
                              .why = says(words::fromOpenSide),
                              .how = says(hasMiddleJoint(board_) ? words::alongMiddle : words::alongDrawnMiddle, lost),
                              .settings = {lost},
                              .minutes = 4,
                              .uses = {Resource::Bandsaw}});
        const WorkItem rings = bench.step(Action::Cut, "saw-rings", {halves}, "half-rings",
                                          {.title = says(words::sawHalves, bench.name()),
                                           .why = says(words::outermostHold),
                                           .how = says(words::tiltedTable, s_.table, s_.angle),
                                           .settings = {s_.table, s_.angle},
                                           .minutes = 6.0 + 4 * n,
                                           .uses = {Resource::Bandsaw}});
        // The saw went along the strips: the faces that meet again are theirs.
        const Lattice& lattice = b_.lattices.front();
        const Cell& cell = b_.cells[lattice.first];
        return bench.glue("rejoin", {rings}, "rings-raw",
                          {.title = says(words::rejoin, bench.name()),
                           .why = says(words::pairsFromCircle),
                           .how = says(words::trueEndsTape),
                           .joint = {.faces = facesOf(cell, cell, lattice.x),
                                     .area = 2.0 * n * c_.ringWidth() * c_.board,
                                     .joints = 2 * n,
                                     .closings = n,
                                     .woods = woodsIn(b_)},
                           .minutes = 5.0 * n,
                           .uses = {Resource::Clamp},
                           .waitTitle = says(words::leavePartInClamp, says(words::theHalves), bench.name())});
    }

    WorkItem parted(Bench& bench, const WorkItem& scribed) const
    {
        const Setting circle{Resource::Bandsaw, "round, Ø", 2 * b_.corner, Unit::Length, "the outermost circle",
                             planeGeometry,     1};
        const WorkItem round = bench.step(Action::Cut, "round-board", {scribed}, "round",
                                          {.title = says(words::sawRound, bench.name()),
                                           .why = says(words::cornersStrike),
                                           .how = says(words::bandsawCircle, circle),
                                           .settings = {circle},
                                           .minutes = 6,
                                           .uses = {Resource::Bandsaw}});
        const WorkItem mounted = tenon_ ? onTenon(bench, round)
                                        : bench.step(Action::Mount, "mount-board", {round}, "on-lathe",
                                                     {.title = says(words::mountBoard, bench.name()),
                                                      .why = says(words::screwsInBottom),
                                                      .how = says(words::smallFaceplate),
                                                      .minutes = 8,
                                                      .uses = {Resource::Lathe}});
        const WorkItem rings =
            bench.step(Action::PartOff, "part-rings", {mounted}, tenon_ ? "rings-on-tenon" : "rings-raw",
                       {.title = says(words::partRings, bench.name()),
                        .why = says(words::fromBothSides),
                        .how = says(words::partAtAngle, s_.angle, s_.rpm),
                        .settings = {s_.angle, s_.rpm},
                        .minutes = 6.0 * f_.rings,
                        .uses = {Resource::Lathe}});
        if (!tenon_) return rings;
        return bench.step(Action::PartOff, "disc-off", {rings}, "rings-raw",
                          {.title = says(words::discOffTenon, bench.name()),
                           .why = says(words::facesFlattenedYet),
                           .how = says(words::atTheGlueLine),
                           .minutes = 8,
                           .uses = {Resource::Lathe}});
    }

    /// The board held by a tenon that is glued to its bottom disc, instead of by screws in it.
    WorkItem onTenon(Bench& bench, const WorkItem& round) const
    {
        const double high = b_.z1 - b_.z0;
        const OnBlock board{.face = c_.radiusAt(b_.z0), .height = high, .reach = high, .station = b_.z0};
        const WorkItem tenon = mountBlock(bench, "board-tenon", HoldMethod::GluedTenon, board, shop_, Text());
        const WorkItem glued =
            bench.glue("tenon", {tenon, round}, "on-tenon",
                       {.title = says(words::tenonOntoBase, bench.name(), Text()),
                        .why = says(words::runsTrue),
                        .how = says(words::gluedForGood),
                        .joint = {.area = pi * std::pow(blockDiameter(HoldMethod::GluedTenon, board, shop_) / 2, 2),
                                  .joints = 1,
                                  .woods = woodsIn(b_)},
                        .minutes = 6,
                        .uses = {Resource::Clamp}});
        return bench.step(Action::Mount, "mount-board", {glued}, "on-lathe",
                          {.title = says(words::mountBoardChuck, bench.name()),
                           .why = says(words::noHoleInBottom),
                           .how = says(words::jawsOnTenon),
                           .minutes = 5,
                           .uses = {Resource::Lathe}});
    }

    WorkItem stacked(Bench& bench, const WorkItem& flat) const
    {
        const bool turned = f_.rotate != 0;
        const int n = f_.rings;
        const size_t above = b_.lattices[1].first;
        return bench.glue("glue-stack", {flat}, "cone",
                          {.title = says(words::stackRings, bench.name()),
                           .why = turned ? says(words::witnessTurned, s_.rotate) : says(words::witnessInLine),
                           .how = says(words::tackThenWeight),
                           .joint = {.faces = facesOf(b_.cells.front(), b_.cells[above], Eigen::Vector3d::UnitX()),
                                     .area = (n - 1) * pi * c_.outer / 2 * c_.ringWidth(),
                                     .joints = n - 1,
                                     .woods = woodsIn(b_)},
                           .settings = turned ? std::vector{s_.rotate} : std::vector<Setting>{},
                           .minutes = 4.0 * n,
                           .uses = {Resource::Clamp},
                           .waitTitle = says(words::leavePartInClamp, says(words::theRings), bench.name())});
    }

    const Layer& layer_;
    const Shop& shop_;
    const BoardRingForm& f_;
    const BuiltLayer& b_;
    Cone c_;
    FlippedBoard board_;
    RingSettings s_;
    bool tenon_;  ///< held by one that is glued on
};

void buildRings(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const auto& f = site.form<BoardRingForm>();
    const Cone c = coneOf(site, b);
    b.stock = {1, 2 * c.heldAt(b.z1), 0};
    b.corner = c.scribed(0);
    b.outerHold = {{b.z0, c.heldAt(b.z0)}, {b.z1, c.heldAt(b.z1)}};
    const double first = c.z0 + c.board;  // where the bottom disc ends
    if (f.rings > 1 && first < b.z1)
        b.innerHold = {{b.z0, 0}, {first, 0}, {first, c.boreAt(first)}, {b.z1, c.boreAt(b.z1)}};
    b.planeTo = c.planed();
    const FlippedBoard board = boardOf(site, c);
    layRings(site, c, board, b);
    for (int k = 0; k < c.rings; ++k) b.scribed.push_back({c.scribed(k), c.scribedBelow(k)});
    for (int ring = 0; ring < f.rings; ++ring) {
        const double from = std::max(b.z0, c.z0 + ring * c.board), to = std::min(b.z1, c.z0 + (ring + 1) * c.board);
        if (from >= to) continue;
        b.volume += frustum(c.radiusAt(from), c.radiusAt(to), to - from);
        if (ring > 0) b.volume -= frustum(c.boreAt(from), c.boreAt(to), to - from);
    }
    settle(f, c, b);
    judge(f, c, board, b);
    judgeMachines(f, c, site.shop, b);
    judgeWidths(board, 2 * c.scribed(0), halvesDry(f), b.index, b.cautions,
                [](Layer& q) { q.as<BoardRingForm>()->board.widths.clear(); });

    if (board.strips > 1)
        boardParts(site, board, b.woods, out.parts);
    else
        out.parts = {squarePart(site, {.id = "board",
                                       .name = "board",
                                       .wood = b.woods[0],
                                       .length = 2 * c.scribed(0) + 10,
                                       .width = 2 * c.scribed(0) + 10,
                                       .thickness = b.planeTo,
                                       .grain = "across the axis"})};
    out.steps = [site, &b, c, board](Bench& bench, const WorkItems& parts) {
        return BoardRingSteps(site, b, c, board).write(bench, parts);
    };
}

std::vector<LayerHandle> ringsHandles(const Site& site, const BuiltLayer& b)
{
    const double top = b.outerHold.back().y(), height = b.z1 - b.z0;
    return {{.name = "angle of the cut",
             .at = {b.z0 + height * 0.03, b.outerHold.front().y()},
             .value = site.form<BoardRingForm>().angle,
             .unit = Unit::Angle,
             .drag = [top, height](Layer& q, const Point& p) {
                 q.as<BoardRingForm>()->angle = std::atan2(height, std::max(1.0, top - p.y())) / degrees;
             }}};
}

}  // namespace

const Construction& constructionOf(const BoardRingForm&)
{
    static constexpr Construction rings{
        .build = buildRings, .segment = "strip", .stockDragged = false, .handles = ringsHandles};
    return rings;
}

}  // namespace vl
