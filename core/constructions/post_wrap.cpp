#include "core/blank/faces.h"
#include "core/constructions/construction.h"

#include "core/geometry/post_wrap.h"
#include "core/wood/figure.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/glue.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double wedgeSpare = 2;  // mm that a wedge stands proud: turned away

BoardFrame alongAxis(double z0, double angle)
{
    BoardFrame f;
    f.axes.row(0) = Eigen::Vector3d::UnitX();
    f.axes.row(1) = onwards(angle);
    f.axes.row(2) = outwards(angle);
    f.origin = {z0, 0, 0};
    return f;
}

/// The post, and in a pinwheel round it four pieces: from the post's side, past its corner over the edge of the piece
/// before, flush with the other corner; wedges on the corners where they are wanted.
void layPieces(const Site& site, const PostWrap& w, BuiltLayer& b)
{
    const auto& form = site.form<WrapForm>();
    const double p = w.side / 2, h = w.blankSide() / 2;
    // The post is the first wood, the pieces round it the ones after.
    for (int i = 0; i < 5; ++i) b.woods.push_back(woodAt(site.layer(), i));
    Cell post{b.woods[0], 0, segmentSeed(site.index, 0)};
    for (const double a : {0.0, 90.0, 180.0, 270.0}) post.bounds.push_back({outwards(a), p, false});
    post.board = alongAxis(b.z0, 0);
    b.lay(post);
    for (int i = 0; i < 4; ++i) {
        const double a = 90.0 * i;
        const auto place = static_cast<size_t>(i) + 1;
        Cell c{b.woods[place], i + 1, segmentSeed(site.index, place)};
        c.bounds = {{-outwards(a), -p, false}, {-onwards(a), p, false}};
        c.faces = {{outwards(a), h, false}, {onwards(a), h, false}};
        c.board = alongAxis(b.z0, a);
        if (form.wedges) {
            // The end of the piece at the corner before it is cut off too.
            const double edge = (h + p) / std::sqrt(2.0);
            Cell wedge{&speciesOf(form.wedgeWood), -1, segmentSeed(site.index, place + 19)};
            wedge.bounds = {{-outwards(a + 45), -edge, false}};
            wedge.faces = {{outwards(a), h, false}, {onwards(a), h, false}};
            wedge.board = alongAxis(b.z0, a + 45);
            c.bounds.push_back({outwards(a + 45), edge, false});
            b.lay(wedge);
        }
        b.lay(c);
    }
}

void judge(const Site& site, const PostWrap& w, BuiltLayer& b)
{
    if (w.bore > w.side && !w.postVanishes())
        b.cautions.push_back(
            {.kind = "post",
             .measure = w.bore,
             .limit = w.postDiagonal(),
             .unit = "mm",
             .message = says(words::slivers),
             .fixes = {pieceFix(says(words::boreThatTakesAll),
                                [bore = std::ceil(w.postDiagonal() * 10) / 10](Piece& q) { q.hollow.bore = bore; })}});
    if (w.blankSide() / 2 < b.finishedOuter.high)
        b.cautions.push_back({.kind = "wrap",
                              .level = Level::Stop,
                              .measure = w.blankSide(),
                              .limit = 2 * b.finishedOuter.high,
                              .unit = "mm",
                              .message = says(words::wrapTooThin),
                              .fixes = {layerFix(says(words::thickerWrap), b.index,
                                                 [to = b.finishedOuter.high + site.layer().outerAllowance -
                                                       w.side / 2](Layer& q) { q.as<WrapForm>()->wrap = to; })}});
}

/// What is set for it.
struct WrapSettings {
    Setting post, thickness, width, corner, bevel, bore, clamps;
};
WrapSettings wrapSettings(const PostWrap& w)
{
    using enum Unit;
    return {.post = {Resource::Thicknesser, "post, square", w.side, Length, "chosen", ""},
            .thickness = {Resource::Thicknesser, "wrap thickness", w.wrap, Length, "chosen", ""},
            .width = {Resource::Saw, "width of each piece", w.stripLength(), Length, "side + wrap", planeGeometry},
            .corner = {Resource::Saw, "corner cut off, along the face", w.wrap, Length, "wrap's thickness, at 45°",
                       planeGeometry},
            .bevel = {Resource::Saw, "blade tilt for the corners", 45, Angle, "the wedges' flats", planeGeometry, 0},
            .bore = {Resource::Drill, "bore", w.bore, Length, "chosen", "", 1},
            .clamps = {Resource::None, "clamps, one from the next", 80, Length, "", "common practice", 0}};
}

class WrapSteps {
public:
    WrapSteps(const Site& site, const BuiltLayer& b, const PostWrap& w)
        : layer_(site.layer()), wedges_(site.form<WrapForm>().wedges), b_(b), w_(w), s_(wrapSettings(w)),
          length_(b.z1 - b.z0 + b.wasteBelow + b.wasteAbove)
    {
    }

    WorkItem write(Bench& bench, const WorkItems& parts) const
    {
        WorkItem made = bench.step(Action::Cut, "cut", parts, "pieces",
                                   {.title = says(words::cutPost, bench.name()),
                                    .why = says(words::postSquare),
                                    .how = says(words::postAndPieces, s_.post, s_.width, s_.thickness),
                                    .settings = {s_.post, s_.width, s_.thickness},
                                    .minutes = 25,
                                    .uses = {Resource::Saw}});
        for (int i = 1; i <= 4; ++i) made = piece(bench, made, i);
        if (wedges_) made = wedges(bench, made);
        return square(bench, made);
    }

private:
    WorkItem piece(Bench& bench, const WorkItem& before, int i) const
    {
        const std::string name = "piece" + std::to_string(i);
        const Text what = says(words::pieceNumber, i);
        const Pattern& why = i == 1 ? words::firstPiece : i < 4 ? words::nextPiece : words::lastPiece;
        return bench.glue(name, {before}, name,
                          {.title = says(words::glueToPost, what, bench.name()),
                           .why = says(why),
                           .how = says(words::buttHard, s_.clamps),
                           .joint = {.faces = facesOf(b_.cells.front(), b_.cells.back(), outwards(90.0 * (i - 1))),
                                     .area = length_ * (w_.side + (i > 1 ? w_.wrap : 0)),
                                     .joints = 1,
                                     .woods = woodsIn(b_)},
                           .settings = {s_.clamps},
                           .minutes = 6,
                           .uses = {Resource::Clamp},
                           .waitTitle = says(words::leavePartInClamp, what, bench.name())});
    }

    WorkItem wedges(Bench& bench, const WorkItem& before) const
    {
        const WorkItem beveled = bench.step(Action::Cut, "bevel", {before}, "beveled",
                                            {.title = says(words::bevelCorners, bench.name(), s_.bevel),
                                             .why = says(words::wedgesOnFlats),
                                             .how = says(words::bladeAndFence, s_.bevel, s_.corner),
                                             .settings = {s_.bevel, s_.corner},
                                             .minutes = 8,
                                             .uses = {Resource::Saw}});
        return bench.glue("wedges", {beveled}, "wedged",
                          {.title = says(words::glueWedges, bench.name()),
                           .why = says(words::pairsPull),
                           .how = says(words::tapeRound),
                           .joint = {.faces = facesOf(b_.cells[1], b_.cells[2], outwards(45)),
                                     .area = 4 * length_ * w_.wrap * std::sqrt(2.0),
                                     .joints = 1,
                                     .woods = woodsIn(b_)},
                           .minutes = 6,
                           .uses = {Resource::Clamp},
                           .waitTitle = says(words::leavePartInClamp, says(words::theWedges), bench.name())});
    }

    WorkItem square(Bench& bench, const WorkItem& made) const
    {
        std::vector<Setting> settings{sandingLoss(layer_)};
        Text how = says(words::postsCenter);
        if (w_.bore > 0) {
            how.also(says(w_.postVanishes() ? words::boreTakesPost : words::boreLeavesPost, s_.bore));
            settings.push_back(s_.bore);
        }
        return bench.step(Action::Flatten, "flatten", {made}, "flat",
                          {.title = says(words::squareEnds, bench.name()),
                           .why = says(words::facesMeet),
                           .how = how,
                           .settings = settings,
                           .minutes = 6,
                           .uses = {Resource::SandingBoard}});
    }

    const Layer& layer_;
    bool wedges_;
    const BuiltLayer& b_;
    PostWrap w_;
    WrapSettings s_;
    double length_;
};

/// `waste`: beyond the layer's faces, mm.
void cutParts(const Site& site, const PostWrap& w, const BuiltLayer& b, double waste, std::vector<Part>& parts)
{
    const auto& form = site.form<WrapForm>();
    const double length = b.glued + waste + 2 * site.layer().sandingLoss + 10;
    SquarePart part{.id = "post",
                    .name = "post",
                    .wood = b.woods[0],
                    .length = length,
                    .width = w.side,
                    .thickness = w.side,
                    .grain = "along the axis"};
    parts.push_back(squarePart(site, part));
    part.width = w.stripLength();
    part.thickness = w.wrap;
    for (size_t i = 1; i <= 4; ++i) {
        part.wood = b.woods[i];
        part.id = std::string("wrap-") + part.wood->id;
        part.name = std::string(part.wood->name) + " wrap";
        addPart(parts, squarePart(site, part));
    }
    if (!form.wedges) return;
    part.id = "wedge";
    part.name = "corner wedge";
    part.wood = &speciesOf(form.wedgeWood);
    part.count = 4;
    part.width = w.wrap * std::sqrt(2.0) + wedgeSpare;
    part.thickness = w.wrap / std::sqrt(2.0) + wedgeSpare;
    parts.push_back(squarePart(site, part));
}

void buildWrap(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const auto& form = site.form<WrapForm>();
    const PostWrap w{form.post, form.wrap, site.piece.hollow.rule == WallRule::Bored ? site.piece.hollow.bore : 0};
    const double h = w.blankSide() / 2;
    b.stock = {1, 2 * h, 0};
    b.corner = h * std::sqrt(2.0);
    holdStraight(b, h, 0);
    b.volume = 4 * h * h * (b.z1 - b.z0);
    b.planeTo = w.wrap;
    const double waste = setWaste(site, b).both();
    layPieces(site, w, b);
    const WrapSettings s = wrapSettings(w);
    using enum Unit;
    b.settings = {
        s.thickness,
        s.width,
        {Resource::None, "blank's side", w.blankSide(), Length, "side + 2 · wrap", planeGeometry},
        {Resource::None, "post's diagonal", w.postDiagonal(), Length, "side · √2", planeGeometry},
        s.bore,
        {Resource::None, "wall at the flat", w.wallAtFlat(), Length, "(blank's side − bore) / 2", planeGeometry}};
    if (form.wedges) b.settings.push_back(s.corner);
    judge(site, w, b);
    cutParts(site, w, b, waste, out.parts);
    out.steps = [site, &b, w](Bench& bench, const WorkItems& parts) {
        return WrapSteps(site, b, w).write(bench, parts);
    };
}

std::vector<LayerHandle> wrapHandles(const Site& site, const BuiltLayer& b)
{
    const auto& form = site.form<WrapForm>();
    const double middle = (b.z0 + b.z1) / 2;
    return {{.name = "post's side",
             .at = {middle, form.post / 2},
             .value = form.post,
             .drag = [](Layer& q, const Point& p) { q.as<WrapForm>()->post = 2 * p.y(); }},
            {.name = "wrap",
             .at = {middle + (b.z1 - b.z0) / 8, form.post / 2 + form.wrap},
             .value = form.wrap,
             .drag = [](Layer& q, const Point& p) { q.as<WrapForm>()->wrap = p.y() - q.as<WrapForm>()->post / 2; }}};
}

}  // namespace

const Construction& constructionOf(const WrapForm&)
{
    static constexpr Construction wrap{
        .build = buildWrap, .segment = "piece", .stockDragged = false, .handles = wrapHandles};
    return wrap;
}

}  // namespace vl
