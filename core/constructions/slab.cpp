#include "core/constructions/slab.h"
#include "core/blank/faces.h"

#include "core/piece/records/field_items.h"
#include "core/wood/figure.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/glue.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {
namespace {

/// What the strips are ripped to: all alike, or each to its own.
std::vector<Setting> ripTo(const FlippedBoard& b)
{
    const char* formula = "strip + 2 · jointing";
    if (b.widths.empty())
        return {{Resource::Saw, "rip strips to", b.stripSawn(), Unit::Length, formula, planeArithmetic}};
    std::vector<Setting> all;
    for (int i = 0; i < b.strips; ++i)
        all.push_back({Resource::Saw, "rip strip " + std::to_string(i + 1) + " to", b.stripSawn(i), Unit::Length,
                       formula, planeArithmetic});
    return all;
}
Setting planeTo(const FlippedBoard& b)
{
    const char* losses = "thickness + 2 · flattening · glue-ups";
    return {Resource::Thicknesser, "plane strips to", b.stockThickness(), Unit::Length, losses, planeArithmetic};
}
Setting rowsTo(const FlippedBoard& b)
{
    return {Resource::Saw, "cut rows to", b.rowSawn(), Unit::Length, "row + 2 · jointing", planeArithmetic};
}
Setting flatten(const FlippedBoard& b)
{
    return {.machine = Resource::Sander,
            .name = "flattening, each face",
            .value = b.flattening,
            .formula = "chosen",
            .decimals = 1};
}

double longestStrip(const FlippedBoard& b)
{
    double most = 0;
    for (int i = 0; i < b.strips; ++i) most = std::max(most, b.stockLength(i));
    return most;
}

/// Length of all joints between neighbors, as long as the shorter of both.
double jointLength(const FlippedBoard& b)
{
    double sum = 0;
    for (int i = 1; i < b.strips; ++i) sum += std::min(b.stockLength(i - 1), b.stockLength(i));
    return sum;
}

}  // namespace

FlippedBoard boardFor(const SlabForm& form, double size, double thickness, double kerf)
{
    constexpr int most = 96;
    auto number = [&](double each) { return std::clamp(static_cast<int>(std::ceil(size / each - 1e-9)), 2, most); };
    FlippedBoard board;
    const bool rows = form.pattern == SlabForm::Checkered;
    if (form.pattern != SlabForm::Plain) board.widths = form.widths;
    if (board.widths.size() == 1) board.widths.push_back(board.widths[0]);  // no board of strips has fewer than two
    board.strips = board.widths.empty() ? number(form.strip) : static_cast<int>(board.widths.size());
    board.strip = form.strip;
    board.round = rows ? 0 : size;
    board.rows = rows ? number(form.row) : 1;
    board.row = rows ? form.row : size;
    board.thickness = thickness;
    board.jointing = form.jointing;
    board.flattening = form.flattening;
    board.kerf = kerf;
    return board;
}

void layBoard(BuiltLayer& b, const FlippedBoard& board, const BoardCells& at, size_t seed)
{
    const std::vector<double> edges = board.edges();
    std::vector<double> mirrored(edges.rbegin(), edges.rend()), along;
    for (double& e : mirrored) e = -e;
    for (int i = 0; i <= board.rows; ++i) along.push_back((i - board.rows / 2.0) * board.row);
    const Lattice lattice{.z0 = at.z0,
                          .z1 = at.z1,
                          .x = at.x,
                          .y = at.y,
                          .across = edges,
                          .along = along,
                          .turned = board.widths.empty() ? std::vector<double>() : mirrored,
                          .first = b.cells.size()};
    const Eigen::Vector3d up = Eigen::Vector3d::UnitX();
    for (int row = 0; row < board.rows; ++row)
        for (int i = 0; i < board.strips; ++i) {
            // A row turned end for end shows its strips in the opposite order.
            const bool turned = row % 2;
            const auto strip = static_cast<size_t>(turned ? board.strips - 1 - i : i);
            Cell c{b.woods[strip], static_cast<int>(strip), segmentSeed(seed, strip)};
            if (at.below) c.bounds.push_back({-up, -at.z0, false});
            if (at.above) c.bounds.push_back({up, at.z1, false});
            const auto k = static_cast<size_t>(i), j = static_cast<size_t>(row);
            const std::vector<double>& across = lattice.edgesOf(j);
            (i > 0 ? c.bounds : c.faces).push_back({-at.x, -across[k], false});
            (i + 1 < board.strips ? c.bounds : c.faces).push_back({at.x, across[k + 1], false});
            (row > 0 ? c.bounds : c.faces).push_back({-at.y, -lattice.along[j], false});
            (row + 1 < board.rows ? c.bounds : c.faces).push_back({at.y, lattice.along[j + 1], false});
            c.board.axes.row(0) = turned ? -at.y : at.y;
            c.board.axes.row(1) = turned ? -at.x : at.x;
            c.board.axes.row(2) = up;
            c.board.origin = {at.z0, 0, 0};
            b.lay(std::move(c));
        }
    b.lattices.push_back(lattice);
}

void judgeWidths(const FlippedBoard& board, double wanted, bool middle, int layer, std::vector<Caution>& cautions,
                 std::function<void(Layer&)> equal)
{
    if (board.widths.empty()) return;
    if (board.width() < wanted - 1e-6)
        cautions.push_back({.kind = "narrow",
                            .level = Level::Stop,
                            .measure = board.width(),
                            .limit = wanted,
                            .unit = "mm",
                            .message = says(words::leftoversTooNarrow),
                            .fixes = {layerFix(says(words::equalStrips), layer, equal)}});
    double off = board.width();
    for (const double edge : board.edges()) off = std::min(off, std::abs(edge));
    constexpr double near = 0.1;  // mm, own choice
    if (middle && off > near)
        cautions.push_back({.kind = "middle",
                            .level = Level::Stop,
                            .measure = off,
                            .limit = near,
                            .unit = "mm",
                            .message = says(words::noJointOnMiddle),
                            .fixes = {layerFix(says(words::equalStrips), layer, std::move(equal))}});
}

std::vector<Setting> boardSettings(const FlippedBoard& board)
{
    std::vector<Setting> all = ripTo(board);
    all.push_back(planeTo(board));
    all.push_back({Resource::None, "strips", static_cast<double>(board.strips), Unit::Count,
                   board.widths.empty() ? "size / strip, rounded up" : "chosen", planeArithmetic, 0});
    all.push_back({Resource::Saw, board.round > 0 ? "length of the longest strip" : "length of the strips",
                   longestStrip(board), Unit::Length,
                   board.round > 0 ? "chord of the circle + 2 · trim"
                                   : "rows · (row + 2 · jointing) + (rows − 1) · kerf + 2 · trim",
                   planeArithmetic});
    if (board.rows > 1) {
        all.push_back(rowsTo(board));
        all.push_back({Resource::None, "rows", static_cast<double>(board.rows), Unit::Count, "size / row, rounded up",
                       planeArithmetic, 0});
    }
    all.push_back({Resource::None, "finished width", board.width(), Unit::Length, "strips · strip", planeArithmetic});
    all.push_back({Resource::None, "finished length", board.length(), Unit::Length, "rows · row", planeArithmetic});
    return all;
}

void boardParts(const Site& site, const FlippedBoard& board, const std::vector<const Species*>& woods,
                std::vector<Part>& parts)
{
    // Strips of one size are one part of each wood; the sizes are numbered where there are several.
    std::vector<std::array<long, 2>> sizes;
    std::vector<size_t> sizeOf;
    for (int i = 0; i < board.strips; ++i) {
        const std::array size{std::lround(board.stripSawn(i) * 1e3), std::lround(board.stockLength(i) * 1e3)};
        const auto it = std::ranges::find(sizes, size);
        sizeOf.push_back(static_cast<size_t>(it - sizes.begin()));
        if (it == sizes.end()) sizes.push_back(size);
    }
    for (size_t i = 0; i < woods.size(); ++i) {
        const Species* wood = woods[i];
        const std::string number = sizes.size() > 1 ? "-" + std::to_string(sizeOf[i] + 1) : "";
        Part strip = squarePart(site, {.id = wood->id + number,
                                       .name = std::string(wood->name) + " strip",
                                       .wood = wood,
                                       .length = board.stockLength(static_cast<int>(i)),
                                       .width = board.stripSawn(static_cast<int>(i)),
                                       .thickness = board.stockThickness(),
                                       .grain = "along the strip"});
        strip.rough = board.rows == 1;  // the board is sawn round: its strips' ends are nothing to measure by
        addPart(parts, std::move(strip));
    }
}

WorkItem glueBoard(Bench& bench, const WorkItems& strips, const FlippedBoard& board, const BuiltLayer& layer,
                   const BoardWords& said)
{
    const Setting plane = planeTo(board), off = flatten(board), rows = rowsTo(board);
    std::vector<Setting> sawn = ripTo(board);
    const Text how =
        board.widths.empty() ? says(words::fencePlaneJoint, sawn[0], plane) : says(words::eachFencePlaneJoint, plane);
    sawn.push_back(plane);
    const Lattice& lattice = layer.lattices.front();
    const Cell& cell = layer.cells[lattice.first];
    const WorkItem ripped = bench.step(Action::Cut, "cut", strips, "strips",
                                       {.title = said.rip,
                                        .why = says(board.widths.empty() ? words::oneFence : words::ownWidths),
                                        .how = how,
                                        .settings = sawn,
                                        .minutes = 8.0 + board.strips,
                                        .uses = {Resource::Saw}});
    const int joints = board.strips - (said.middleDry ? 2 : 1);
    const GlueJoint long1{.faces = facesOf(cell, layer.cells[lattice.first + 1], lattice.x),
                          .area = jointLength(board) * joints / (board.strips - 1) * board.stockThickness(),
                          .joints = joints,
                          .woods = woodsIn(layer)};
    const WorkItem panel =
        bench.glue("glue-board", {ripped}, "panel",
                   {.title = said.glue,
                    .why = said.glueWhy,
                    .how = says(words::caulsAcross),
                    .joint = long1,
                    .minutes = 6.0 + board.strips * 0.5,
                    .uses = {Resource::Clamp},
                    .waitTitle = says(words::leavePartInClamp, says(words::thePanel), bench.name())});
    if (board.rows < 2) return panel;
    const WorkItem squared = bench.step(Action::Flatten, "square", {panel}, "squared",
                                        {.title = says(words::squarePanel, said.of),
                                         .why = says(words::cutFollowsEdge),
                                         .how = says(words::flattenTrim, off),
                                         .settings = {off},
                                         .minutes = 12,
                                         .uses = {Resource::SandingBoard}});
    const WorkItem cut = bench.step(Action::Recut, "recut", {squared}, "rows",
                                    {.title = says(words::recutRows, said.of, board.rows),
                                     .why = says(words::oneStop),
                                     .how = says(words::stopNumber, rows),
                                     .settings = {rows},
                                     .minutes = 4.0 + board.rows * 0.8,
                                     .uses = {Resource::Saw}});
    const WorkItem flipped = bench.step(Action::Rotate, "flip", {cut}, "flipped",
                                        {.title = says(words::turnRows, said.of),
                                         .why = says(words::makesPattern),
                                         .how = says(words::evenRows),
                                         .minutes = 4});
    const GlueJoint end{.faces = facesOf(cell, layer.cells[lattice.first + lattice.strips()], lattice.y),
                        .area = (board.rows - 1) * board.width() * board.stockThickness(),
                        .joints = board.rows - 1,
                        .woods = woodsIn(layer)};
    return bench.glue("glue-rows", {flipped}, "board",
                      {.title = says(words::glueRows, said.of),
                       .why = says(words::endGrainDrinks),
                       .how = says(words::crossingsInLine),
                       .joint = end,
                       .minutes = 8.0 + board.rows * 0.5,
                       .uses = {Resource::Clamp},
                       .waitTitle = says(words::leavePartInClamp, says(words::theRows), bench.name())});
}

namespace {

void buildSlab(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const Layer& l = site.layer();
    const auto& form = site.form<SlabForm>();
    const FlippedBoard board = boardFor(form, 2 * wantedOuter(site, b), b.glued, site.shop.kerf);
    b.stock = {1, std::min(board.width(), board.length()), 0};
    b.corner = std::hypot(board.width(), board.length()) / 2;
    holdStraight(b, b.stock.outer / 2, 0);
    b.volume = 0;
    for (int i = 0; i < board.strips; ++i)
        b.volume += board.wide(i) * (board.rows > 1 ? board.length() : board.stockLength(i)) * (b.z1 - b.z0);
    b.planeTo = board.stockThickness();
    for (int i = 0; i < board.strips; ++i) b.woods.push_back(woodAt(l, form.pattern == SlabForm::Plain ? 0 : i));
    layBoard(b, board, {.z0 = b.z0, .z1 = b.z1, .x = onwards(0), .y = outwards(0)}, site.index);
    b.settings = boardSettings(board);
    if (board.rows > 1 && board.widths.empty() && board.strips % 2 && l.woods.size() % 2 == 0)
        b.cautions.push_back({.kind = "flip",
                              .measure = static_cast<double>(board.strips),
                              .limit = static_cast<double>(board.strips + 1),
                              .unit = "",
                              .message = says(words::stripesNoSquares),
                              .fixes = {layerFix(says(words::narrowerStrips), b.index,
                                                 [size = 2 * wantedOuter(site, b), n = board.strips](Layer& q) {
                                                     q.as<SlabForm>()->strip = size / (n + 1);
                                                 })}});
    judgeWidths(board, 2 * wantedOuter(site, b), false, b.index, b.cautions,
                [](Layer& q) { q.as<SlabForm>()->widths.clear(); });
    boardParts(site, board, b.woods, out.parts);
    out.steps = [board, &b](Bench& bench, const WorkItems& parts) {
        const Setting off = flatten(board);
        const WorkItem glued = glueBoard(bench, parts, board, b,
                                         {.rip = says(words::ripStrips, board.strips, bench.name()),
                                          .glue = says(words::glueStrips, bench.name()),
                                          .glueWhy = says(words::endsInLine),
                                          .of = bench.name()});
        return bench.step(Action::Flatten, "flatten", {glued}, "flat",
                          {.title = says(words::flattenBoth, bench.name()),
                           .why = says(words::facesMeet),
                           .how = says(words::planerThenRound, off),
                           .settings = {off},
                           .minutes = 10,
                           .uses = {Resource::SandingBoard}});
    };
}

std::vector<LayerHandle> slabHandles(const Site& site, const BuiltLayer& b)
{
    const auto& form = site.form<SlabForm>();
    if (form.pattern == SlabForm::Plain || !form.widths.empty()) return {};
    return {{.name = "strip",
             .at = {(b.z0 + b.z1) / 2, form.strip},
             .value = form.strip,
             .drag = [](Layer& q, const Point& p) { q.as<SlabForm>()->strip = p.y(); }}};
}

}  // namespace

const Construction& constructionOf(const SlabForm&)
{
    static constexpr Construction slab{.build = buildSlab, .segment = "strip", .handles = slabHandles};
    return slab;
}

}  // namespace vl
