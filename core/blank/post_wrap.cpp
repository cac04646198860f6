#include "core/blank/construction.h"

#include "core/geometry/post_wrap.h"
#include "core/measure/format.h"
#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

PostWrap wrapOf(const Site& site)
{
    const WrapForm& f = site.layer().wrapped;
    return {f.post, f.wrap, site.piece.hollow.rule == WallRule::Bored ? site.piece.hollow.bore : 0};
}

void build(const Site& site, BuiltLayer& b)
{
    const Layer& l = site.layer();
    const PostWrap w = wrapOf(site);
    const double p = w.side / 2, h = w.blankSide() / 2;
    b.stock = {1, 2 * h, 0};
    b.corner = h * std::sqrt(2.0);
    holdStraight(b, h, 0);
    b.volume = 4 * h * h * (b.z1 - b.z0);
    b.planeTo = w.wrap;
    auto frame = [&](double angle) {
        BoardFrame f;
        f.axes.row(0) = Eigen::Vector3d::UnitX();
        f.axes.row(1) = onwards(angle);
        f.axes.row(2) = outwards(angle);
        f.origin = {b.z0, 0, 0};
        return f;
    };
    // The post is the first wood, the pieces round it the ones after.
    for (int i = 0; i < 5; ++i) b.woods.push_back(woodAt(l, i));
    Cell post{b.woods[0], 0, segmentSeed(site.index, 0)};
    for (const double a : {0.0, 90.0, 180.0, 270.0}) post.bounds.push_back({outwards(a), p, false});
    post.board = frame(0);
    b.cells.push_back(post);
    for (int i = 0; i < 4; ++i) {
        const double a = 90.0 * i;
        Cell c{b.woods[static_cast<size_t>(i) + 1], i + 1, segmentSeed(site.index, static_cast<size_t>(i) + 1)};
        // From the post's side, past its corner over the edge of the piece before, flush with the other corner.
        c.bounds = {{-outwards(a), -p, false}, {-onwards(a), p, false}};
        c.faces = {{outwards(a), h, false}, {onwards(a), h, false}};
        c.board = frame(a);
        if (l.wrapped.wedges) {
            const double edge = (h + p) / std::sqrt(2.0);
            // The end of the piece at the corner before it is cut off too.
            Cell wedge{&speciesOf(l.wrapped.wedgeWood), -1, segmentSeed(site.index, static_cast<size_t>(i) + 20)};
            wedge.bounds = {{-outwards(a + 45), -edge, false}};
            wedge.faces = {{outwards(a), h, false}, {onwards(a), h, false}};
            wedge.board = frame(a + 45);
            c.bounds.push_back({outwards(a + 45), edge, false});
            b.cells.push_back(wedge);
        }
        b.cells.push_back(c);
    }
    const char* plane = "plane geometry";
    using enum Setting::Unit;
    b.settings = {{"thicknesser", "wrap thickness", w.wrap, Length, "chosen", ""},
                  {"saw", "width of each piece", w.stripLength(), Length, "side + wrap", plane},
                  {"", "blank's side", w.blankSide(), Length, "side + 2 · wrap", plane},
                  {"", "post's diagonal", w.postDiagonal(), Length, "side · √2", plane},
                  {"drill", "bore", w.bore, Length, "chosen", ""},
                  {"", "wall at the flat", w.wallAtFlat(), Length, "(blank's side − bore) / 2", plane}};
    if (l.wrapped.wedges) b.settings.push_back({"saw", "corner cut from the corner, along the face", w.wrap, Length, "the wrap's thickness, blade at 45°", plane});
    if (w.bore > w.side && !w.postVanishes())
        b.concerns.push_back({"post", false, w.bore, w.postDiagonal(), "mm", "the bore takes the post's sides but leaves its corners standing: four slivers held by one face each", "a bore that takes the whole post", {}});
    if (h < b.finishedOuter.high)
        b.concerns.push_back({"wrap", true, 2 * h, 2 * b.finishedOuter.high, "mm", "post and wrap are less wide than the piece: a flat will be left on each side", "a thicker wrap",
                              [to = std::min(limits::wrap.high, b.finishedOuter.high + l.outerAllowance - p)](Layer& q) { q.wrapped.wrap = std::max(to, limits::wrap.low); }});
}

void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    const PostWrap w = wrapOf(site);
    const double length = b.z1 - b.z0 + 2 * site.layer().sandingLoss + 10;
    out.push_back(squarePart(site, "post", "post", b.woods[0], 1, length, w.side, w.side, "along the axis"));
    for (int i = 1; i <= 4; ++i) {
        const Species* wood = b.woods[static_cast<size_t>(i)];
        // A little wider than wanted: each is trimmed flush when its glue has set.
        addPart(out, squarePart(site, std::string("wrap-") + wood->id, std::string(wood->name) + " wrap", wood, 1, length, w.stripLength() + 2, w.wrap, "along the axis"));
    }
    if (site.layer().wrapped.wedges)
        out.push_back(squarePart(site, "wedge", "corner wedge", &speciesOf(site.layer().wrapped.wedgeWood), 4, length, w.wrap * std::sqrt(2.0) + 2, w.wrap / std::sqrt(2.0) + 2, "along the axis"));
}

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe)
{
    const PostWrap w = wrapOf(site);
    const int layer = static_cast<int>(site.index);
    const double length = b.z1 - b.z0;
    recipe.push_back({site.key("cut"), Action::Cut, "Plane and cut post and pieces of " + site.sheet(), parts, {site.key("pieces")}, {},
                      "the post square to the last shaving: every piece copies its error", "post " + fixed(w.side, 2) + " mm square, pieces " + fixed(w.stripLength() + 2, 1) + " × " + fixed(w.wrap, 2) + " mm", 25, 0, {"saw"}, layer});
    std::string thing = site.key("pieces"), after = site.key("cut");
    auto glued = [&](const std::string& name, const std::string& words, const std::string& title, const std::string& why, const std::string& how, double area, bool trim) {
        recipe.push_back({site.key(name.c_str()), Action::Glue, title, {thing}, {site.key((name + "-raw").c_str())}, {after}, why, how, 6, 0, {"clamp"}, layer, {JointFaces::LongGrain, area, 1, b.woods}});
        Step wait = clampWait(site, site.key((name + "-wait").c_str()), site.key((name + "-raw").c_str()), site.key((name + "-set").c_str()), site.key(name.c_str()), "clamp");
        wait.title = "Leave " + words + " of " + site.sheet() + " in the clamp";
        recipe.push_back(wait);
        thing = site.key((name + "-set").c_str());
        after = wait.id;
        if (!trim) return;
        recipe.push_back({site.key((name + "-trim").c_str()), Action::Flatten, "Trim " + words + " of " + site.sheet() + " flush", {thing}, {site.key((name + "-true").c_str())}, {after},
                          "the next piece lies on post and edge together: one flat, no step", "flush-trim bit with its bearing on the post, or hand plane", 6, 0, {"router"}, layer});
        thing = site.key((name + "-true").c_str());
        after = site.key((name + "-trim").c_str());
    };
    for (int i = 1; i <= 4; ++i) {
        const std::string number = std::to_string(i), words = "piece " + number;
        glued("piece" + number, words, "Glue " + words + " of " + site.sheet() + " to the post", i == 1 ? "one corner stands proud: the second piece butts against it" : i < 4 ? "it butts against the piece before and stands proud for the next" : "the last closes the pinwheel: it butts on the third and covers the first",
              "glue on the post, butt hard into the corner, caul over the whole length, clamps every 80 mm", length * (w.side + (i > 1 ? w.wrap : 0)), true);
    }
    if (site.layer().wrapped.wedges) {
        recipe.push_back({site.key("bevel"), Action::Cut, "Cut the four corners of " + site.sheet() + " at 45°", {thing}, {site.key("beveled")}, {after}, "the wedges sit on the flats", "blade at 45°, fence so that " + fixed(w.wrap, 2) + " mm of each face goes", 8, 0, {"saw"}, layer});
        thing = site.key("beveled");
        after = site.key("bevel");
        glued("wedges", "the wedges", "Glue the four wedges of " + site.sheet(), "one clamp-up: each pair pulls against the other", "tape round and round as tight as it goes, a caul on each corner", 4 * length * w.wrap * std::sqrt(2.0), false);
    }
    recipe.push_back(flattenStep(site, thing, after, 6));
    recipe.back().title = "Square both ends of " + site.sheet() + " and mark the centres";
    recipe.back().how = "the centre is the post's centre, not the blank's";
    if (w.bore > 0)
        recipe.back().how += w.postVanishes() ? "; a bore of " + fixed(w.bore, 1) + " mm takes the whole post" : "; a bore of " + fixed(w.bore, 1) + " mm leaves the post round it";
}

std::vector<LayerHandle> handles(const Site& site, const BuiltLayer& b)
{
    const WrapForm& f = site.layer().wrapped;
    const double middle = (b.z0 + b.z1) / 2;
    return {{"post's side", {middle, f.post / 2}, f.post, Setting::Unit::Length, [](Layer& q, const Point& p) { q.wrapped.post = std::clamp(2 * p.y(), limits::post.low, limits::post.high); }},
            {"wrap", {middle + (b.z1 - b.z0) / 8, f.post / 2 + f.wrap}, f.wrap, Setting::Unit::Length, [](Layer& q, const Point& p) { q.wrapped.wrap = std::clamp(p.y() - q.wrapped.post / 2, limits::wrap.low, limits::wrap.high); }}};
}

}  // namespace

const Construction postWrapConstruction{build, parts, steps, "wrap round a post", "piece", false, false, handles};

}  // namespace vl
