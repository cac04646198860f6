#include "core/blank/faces.h"
#include "core/constructions/construction.h"

#include "core/wood/figure.h"
#include "core/words/cut.h"
#include "core/words/glue.h"

#include <cmath>

namespace vl {
namespace {

/// The boards one upon another along 12 o'clock, corners knocked off to a regular octagon.
void layBoards(const Site& site, BuiltLayer& b, double half, double board)
{
    const auto& form = site.form<BilletForm>();
    const Eigen::Vector3d x = outwards(0), y = onwards(0);
    for (int i = 0; i < form.boards; ++i) {
        b.woods.push_back(woodAt(site.layer(), i));
        Cell c{b.woods.back(), i, segmentSeed(site.index, static_cast<size_t>(i))};
        const double x0 = -half + i * board;
        (i > 0 ? c.bounds : c.faces).push_back({-x, -x0, false});
        (i + 1 < form.boards ? c.bounds : c.faces).push_back({x, x0 + board, false});
        c.faces.push_back({y, half, false});
        c.faces.push_back({-y, half, false});
        if (form.cornersOff)
            for (const double a : {45.0, 135.0, 225.0, 315.0}) c.faces.push_back({outwards(a), half, false});
        c.board.axes.row(0) = Eigen::Vector3d::UnitX();
        c.board.axes.row(1) = y;
        c.board.axes.row(2) = x;
        c.board.origin = {b.z0, 0, 0};
        b.lay(c);
    }
}

void buildBillet(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const Layer& l = site.layer();
    const auto& form = site.form<BilletForm>();
    const int n = form.boards;
    const double half = wantedOuter(site, b), board = 2 * half / n, length = b.z1 - b.z0;
    b.stock = {1, 2 * half, 0};
    b.corner = form.cornersOff ? half / std::cos(pi / 8) : half * std::sqrt(2.0);
    holdStraight(b, half, 0);
    const double corner = half * (2 - std::sqrt(2.0));  // knocked off, along the face
    b.volume = (4 * half * half - (form.cornersOff ? 2 * corner * corner : 0)) * length;
    b.planeTo = board;
    const EndWaste waste = setWaste(site, b);
    layBoards(site, b, half, board);

    const Setting plane{Resource::Thicknesser, "board thickness", board,
                        Unit::Length,          "side / boards",   planeArithmetic};
    const Setting tilt{Resource::Saw, "blade tilt for the corners", 45, Unit::Angle, "an octagon", planeGeometry, 0};
    const Setting along{Resource::Saw, "each corner, along the face", corner,
                        Unit::Length,  "side · (1 − 1/√2)",           planeGeometry};
    b.settings = {plane, {Resource::Saw, "board width", 2 * half, Unit::Length, "Ø + 2 · allowance", planeArithmetic}};
    if (form.cornersOff) b.settings.insert(b.settings.end(), {tilt, along});

    for (const Species* wood : b.woods)
        addPart(out.parts, squarePart(site, {.id = wood->id,
                                             .name = std::string(wood->name) + " board of the billet",
                                             .wood = wood,
                                             .length = b.glued + waste.both() + 2 * l.sandingLoss,
                                             .width = 2 * half,
                                             .thickness = board,
                                             .grain = "along the axis"}));

    const GlueJoint joint{.faces = n > 1 ? facesOf(b.cells[0], b.cells[1], outwards(0)) : JointFaces::LongGrain,
                          .area = (n - 1) * 2 * half * (length + waste.both()),
                          .joints = n - 1,
                          .woods = woodsIn(b)};
    const Setting clamps{.name = "clamps, one from the next", .value = 100, .source = "common practice", .decimals = 0};
    out.steps = [=, &l, off = form.cornersOff](Bench& bench, const WorkItems& parts) {
        const WorkItem boards = bench.step(Action::Cut, "cut", parts, "boards",
                                           {.title = says(words::planeBoards, n, bench.name()),
                                            .why = says(words::equalLayers),
                                            .how = says(words::oneThickness, plane),
                                            .settings = {plane},
                                            .minutes = 6 + 2.0 * n,
                                            .uses = {Resource::Thicknesser}});
        WorkItem billet = bench.glue("glue", {boards}, "billet",
                                     {.title = says(words::faceToFace, bench.name()),
                                      .why = says(words::ringsAlternate),
                                      .how = says(words::clampsFromMiddle, clamps),
                                      .joint = joint,
                                      .settings = {clamps},
                                      .minutes = 8.0 + n,
                                      .uses = {Resource::Clamp}});
        if (off)
            billet = bench.step(Action::Cut, "corners", {billet}, "octagon",
                                {.title = says(words::cornersOff, bench.name()),
                                 .why = says(words::octagonFirst),
                                 .how = says(words::sawCorners, tilt, along),
                                 .settings = {tilt, along},
                                 .minutes = 8,
                                 .uses = {Resource::Saw}});
        return bench.step(Action::Flatten, "flatten", {billet}, "flat",
                          {.title = says(words::squareEnds, bench.name()),
                           .why = says(words::facesMeet),
                           .how = says(words::diagonalsForCenter),
                           .settings = {sandingLoss(l)},
                           .minutes = 5,
                           .uses = {Resource::SandingBoard}});
    };
}

}  // namespace

const Construction& constructionOf(const BilletForm&)
{
    static constexpr Construction billet{.build = buildBillet, .segment = "board"};
    return billet;
}

}  // namespace vl
