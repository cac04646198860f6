#include "core/blank/construction.h"
#include "core/blank/flipped_board.h"

#include "core/measure/format.h"
#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr int mostStrips = 96;

FlippedBoard boardOf(const Site& site, const BuiltLayer& b)
{
    const SlabForm& f = site.layer().slab;
    FlippedBoard board;
    const double size = 2 * wantedOuter(site, b);
    auto number = [&](double each) { return std::clamp(static_cast<int>(std::ceil(size / each - 1e-9)), 2, mostStrips); };
    board.strip = f.strip;
    board.strips = number(f.strip);
    board.rows = f.kind == SlabForm::Checkered ? number(f.row) : 1;
    board.row = f.kind == SlabForm::Checkered ? f.row : size;
    board.thickness = b.z1 - b.z0;
    board.jointing = f.jointing;
    board.flattening = f.flattening;
    board.kerf = site.shop.kerf;
    return board;
}

void build(const Site& site, BuiltLayer& b)
{
    const Layer& l = site.layer();
    const FlippedBoard board = boardOf(site, b);
    const double width = board.width(), length = board.length();
    b.stock = {1, std::min(width, length), 0};
    b.corner = std::hypot(width, length) / 2;
    holdStraight(b, std::min(width, length) / 2, 0);
    b.volume = width * length * (b.z1 - b.z0);
    b.planeTo = board.stockThickness();
    const Eigen::Vector3d x = onwards(0), y = outwards(0);  // strips side by side along x, their grain along y
    for (int i = 0; i < board.strips; ++i) b.woods.push_back(l.slab.kind == SlabForm::Plain ? woodAt(l, 0) : woodAt(l, i));
    for (int row = 0; row < board.rows; ++row)
        for (int i = 0; i < board.strips; ++i) {
            // A row turned end for end shows its strips in the opposite order.
            const int strip = row % 2 ? board.strips - 1 - i : i;
            Cell c{b.woods[static_cast<size_t>(strip)], strip, segmentSeed(site.index, static_cast<size_t>(strip))};
            const double x0 = i * board.strip - width / 2, y0 = row * board.row - length / 2;
            std::vector<HalfSpace>& inner = c.bounds;
            (i > 0 ? inner : c.faces).push_back({-x, -x0, false});
            (i + 1 < board.strips ? inner : c.faces).push_back({x, x0 + board.strip, false});
            (row > 0 ? inner : c.faces).push_back({-y, -y0, false});
            (row + 1 < board.rows ? inner : c.faces).push_back({y, y0 + board.row, false});
            c.board.axes.row(0) = row % 2 ? -y : y;
            c.board.axes.row(1) = row % 2 ? -x : x;
            c.board.axes.row(2) = Eigen::Vector3d::UnitX();
            c.board.origin = {b.z0, 0, 0};
            b.cells.push_back(c);
        }
    using enum Setting::Unit;
    const char* plain = "plane arithmetic";
    b.settings = {{"saw", "rip strips to", board.stripSawn(), Length, "strip + 2 · jointing", plain},
                  {"thicknesser", "plane strips to", board.stockThickness(), Length, "thickness + 2 · flattening · glue-ups", plain},
                  {"", "strips", static_cast<double>(board.strips), Count, "size / strip, rounded up", plain},
                  {"saw", "length of the strips", board.stockLength(), Length, "rows · (row + 2 · jointing) + (rows − 1) · kerf + 2 · trim", plain}};
    if (board.rows > 1) {
        b.settings.push_back({"saw", "cut rows to", board.rowSawn(), Length, "row + 2 · jointing", plain});
        b.settings.push_back({"", "rows", static_cast<double>(board.rows), Count, "size / row, rounded up", plain});
    }
    b.settings.push_back({"", "finished width", width, Length, "strips · strip", plain});
    b.settings.push_back({"", "finished length", length, Length, "rows · row", plain});
    if (l.slab.kind == SlabForm::Checkered && board.strips % 2 && l.woods.size() % 2 == 0)
        b.concerns.push_back({"flip", false, static_cast<double>(board.strips), static_cast<double>(board.strips + 1), "",
                              "with an odd number of strips a row turned end for end looks like the row before it: stripes, no squares", "strips a little narrower",
                              [size = 2 * wantedOuter(site, b), n = board.strips](Layer& q) { q.slab.strip = std::max(limits::strip.low, size / (n + 1)); }});
}

void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    const FlippedBoard board = boardOf(site, b);
    for (const Species* wood : b.woods)
        addPart(out, squarePart(site, wood->id, std::string(wood->name) + " strip", wood, 1, board.stockLength(), board.stripSawn(), board.stockThickness(), "along the strip"));
}

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe)
{
    const FlippedBoard board = boardOf(site, b);
    const int layer = static_cast<int>(site.index);
    const bool again = board.rows > 1;
    recipe.push_back({site.key("cut"), Action::Cut, "Rip " + std::to_string(board.strips) + " strips of " + site.sheet(), parts, {site.key("strips")}, {},
                      "one fence setting for all of them: strips of one width meet at every crossing", "fence " + fixed(board.stripSawn(), 2) + " mm, plane to " + fixed(board.stockThickness(), 2) + " mm, joint the edges", 8.0 + board.strips, 0,
                      {"saw"}, layer});
    recipe.push_back({site.key("glue"), Action::Glue, "Glue the strips of " + site.sheet(), {site.key("strips")}, {site.key("panel")}, {site.key("cut")},
                      "ends in line, grain the same way, so that it planes clean", "glue on one face of each joint, rub, cauls across, clamps alternately above and below", 6.0 + board.strips * 0.5, 0, {"clamp"}, layer,
                      {JointFaces::LongGrain, (board.strips - 1) * board.stockLength() * board.stockThickness(), board.strips - 1, b.woods}});
    recipe.push_back(clampWait(site, site.key("wait"), site.key("panel"), site.key("panel-set"), site.key("glue"), "clamp"));
    std::string thing = site.key("panel-set"), after = site.key("wait");
    if (again) {
        recipe.push_back({site.key("square"), Action::Flatten, "Flatten and square the panel of " + site.sheet(), {thing}, {site.key("squared")}, {after},
                          "a cut across follows the edge that lies on the fence", "take " + fixed(board.flattening, 1) + " mm off each face, trim both ends", 12, 0, {"sanding board"}, layer});
        recipe.push_back({site.key("recut"), Action::Recut, "Cut the panel of " + site.sheet() + " across into " + std::to_string(board.rows) + " rows", {site.key("squared")}, {site.key("rows")}, {site.key("square")},
                          "every row from one stop: rows of one width keep the crossings in line", "stop at " + fixed(board.rowSawn(), 2) + " mm, number the rows as they come", 4.0 + board.rows * 0.8, 0, {"saw"}, layer});
        recipe.push_back({site.key("flip"), Action::Rotate, "Turn every second row of " + site.sheet() + " end for end", {site.key("rows")}, {site.key("flipped")}, {site.key("recut")},
                          "that makes the pattern, and lets the grain's pull cancel out", "rows 2, 4, 6 …; joint the edges where they do not meet", 4, 0, {}, layer});
        recipe.push_back({site.key("glue-rows"), Action::Glue, "Glue the rows of " + site.sheet(), {site.key("flipped")}, {site.key("board")}, {site.key("flip")},
                          "the cut faces are end grain: they drink the glue, so they are sized first", "a thin coat on both faces, ten minutes, a second coat; clamp light, knock the crossings in line, then tighten", 8.0 + board.rows * 0.5, 0, {"clamp"}, layer,
                          {JointFaces::EndGrain, (board.rows - 1) * board.width() * board.stockThickness(), board.rows - 1, b.woods}});
        Step wait = clampWait(site, site.key("wait-rows"), site.key("board"), site.key("board-set"), site.key("glue-rows"), "clamp");
        wait.title = "Leave the rows of " + site.sheet() + " in the clamp";
        recipe.push_back(wait);
        thing = site.key("board-set");
        after = site.key("wait-rows");
    }
    recipe.push_back(flattenStep(site, thing, after, 10));
    recipe.back().how = "planer sled or drum sander, " + fixed(board.flattening, 1) + " mm each face; then bandsaw round";
}

std::vector<LayerHandle> handles(const Site& site, const BuiltLayer& b)
{
    const SlabForm& f = site.layer().slab;
    if (f.kind == SlabForm::Plain) return {};
    return {{"strip", {(b.z0 + b.z1) / 2, f.strip}, f.strip, Setting::Unit::Length, [](Layer& q, const Point& p) { q.slab.strip = std::clamp(p.y(), limits::strip.low, limits::strip.high); }}};
}

}  // namespace

const Construction slabConstruction{build, parts, steps, "slab of strips", "strip", false, false, handles};

}  // namespace vl
