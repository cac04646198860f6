#include "core/constructions/ring.h"

#include "core/blank/faces.h"
#include "core/constructions/segment_panel.h"
#include "core/piece/records/field_items.h"
#include "core/wood/figure.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/glue.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

bool open(const RingForm& f)
{
    return f.joint.kind == SegmentJoint::GapByWidth || f.joint.kind == SegmentJoint::GapByAngle;
}
bool spaced(const RingForm& f) { return f.joint.kind == SegmentJoint::Spacer; }
bool madeUp(const RingForm& f) { return f.madeUp.kind != MadeUp::Plain; }

/// The ring's stock; a gap wider than the segments is held to what leaves some wood, and a concern says so.
void cutStock(const Site& site, const RingForm& f, double bore, BuiltLayer& b)
{
    const double outer = wantedOuter(site, b), pitch = 360.0 / f.segments;
    const bool byAngle = f.joint.kind == SegmentJoint::GapByAngle;
    b.stock.sides = f.segments;
    b.stock.outer = 2 * outer;
    b.stock.inner = std::clamp(2 * bore, 0.0, 2 * outer - 0.5);
    b.stock.openDeg = byAngle ? std::min(f.joint.angle, 0.8 * pitch) : 0;
    b.stock.gap = f.joint.kind == SegmentJoint::GapByWidth || spaced(f) ? f.joint.width : 0;
    // Four fifths of the gap at which the inner edge comes to nothing: 2 · V · sin h · cos h.
    const double most = 0.8 * b.stock.innerCorner() * std::sin(2 * b.stock.miterDeg() * degrees);
    constexpr double small = 1;  // mm
    if (b.stock.gap > 0 && b.stock.gap > most) {
        b.cautions.push_back({.kind = "gap",
                              .level = Level::Stop,
                              .measure = b.stock.gap,
                              .limit = most,
                              .unit = "mm",
                              .message = says(words::gapTooWide),
                              .fixes = {layerFix(says(words::gapOfOne, Quantity{small}), b.index,
                                                 [](Layer& q) { q.ring()->joint.width = small; })}});
        b.stock.gap = std::max(0.0, most);
    }
    if (byAngle && f.joint.angle > 0.8 * pitch)
        b.cautions.push_back({.kind = "gap",
                              .level = Level::Stop,
                              .measure = f.joint.angle,
                              .limit = 0.8 * pitch,
                              .unit = "°",
                              .message = says(words::gapTakesCircle),
                              .fixes = {layerFix(says(words::gapOfQuarter), b.index,
                                                 [pitch](Layer& q) { q.ring()->joint.angle = pitch / 4; })}});
}

/// The strips of one segment blank between stations z0 and z1, the band slanting by `slant` (radians, falling where
/// negative).
void strips(BuiltLayer& b, const Cell& whole, double mid, double z0, double z1, double slant, const MadeUp& made)
{
    const double center = (z0 + z1) / 2;
    const Eigen::Vector3d across = std::cos(slant) * Eigen::Vector3d::UnitX() - std::sin(slant) * onwards(mid);
    const double low = across.x() * (center - made.band / 2), high = across.x() * (center + made.band / 2);
    for (int k = 0; k < 3; ++k) {
        Cell c = whole;
        if (k > 0) c.bounds.push_back({-across, k == 1 ? -low : -high, false});
        if (k < 2) c.bounds.push_back({across, k == 0 ? low : high, false});
        if (k == 1) {
            c.wood = &speciesOf(made.wood);
            c.segment = -1;
        }
        c.seed = std::fmod(whole.seed + 0.37f * static_cast<float>(k), 1.0f);
        // Strips are glued long grain to long grain, so the grain follows the band.
        c.board.axes.row(0) = std::sin(slant) * Eigen::Vector3d::UnitX() + std::cos(slant) * onwards(mid);
        c.board.axes.row(2) = across;
        b.lay(c);
    }
}

/// The cells of segment k, and of the spacer after it.
void laySegment(const Site& site, const RingForm& f, BuiltLayer& b, int k, double slantDeg)
{
    const int n = f.segments;
    const double pitch = 360.0 / n, mid = b.phaseDeg + pitch * k, h = b.stock.miterDeg(), g = b.stock.gap;
    Cell c{b.woods[static_cast<size_t>(k)], k, segmentSeed(site.index, static_cast<size_t>(k)), mid - pitch / 2,
           mid + pitch / 2};
    if (g > 0 || b.stock.openDeg > 0) {
        c.bounds.push_back({onwards(mid + h), -g / 2, b.gaps});
        c.bounds.push_back({-onwards(mid - h), -g / 2, b.gaps});
    }
    c.board = flatFrame(b.z0, mid);
    const double slant = slantDeg * degrees * (k % 2 ? -1 : 1);
    if (f.madeUp.kind == MadeUp::Diamond) {
        const double half = (b.z0 + b.z1) / 2;
        Cell lower = c, upper = c;
        lower.bounds.push_back({Eigen::Vector3d::UnitX(), half, false});
        upper.bounds.push_back({-Eigen::Vector3d::UnitX(), -half, false});
        strips(b, lower, mid, b.z0, half, -slant, f.madeUp);
        strips(b, upper, mid, half, b.z1, slant, f.madeUp);
    } else if (madeUp(f))
        strips(b, c, mid, b.z0, b.z1, slant, f.madeUp);
    else
        b.lay(c);
    if (!spaced(f)) return;
    const double at = mid + pitch / 2, reach = std::min(90.0, pitch);
    Cell s{&speciesOf(f.joint.wood), -1, segmentSeed(site.index, static_cast<size_t>(k + 500)), at - reach, at + reach};
    s.bounds = {{onwards(at), g / 2, false}, {-onwards(at), g / 2, false}};
    s.faces = {{outwards(at), b.stock.apothem(), false},
               {-outwards(at), -b.stock.innerCorner() * std::cos(pi / n), false}};
    s.board = flatFrame(b.z0, at);
    s.board.axes.row(0) = outwards(at);
    s.board.axes.row(1) = onwards(at);
    b.lay(s);
}

/// Volume; and of rings that are not made up, the mean density and how much of the wall is wood.
void weighRing(const RingForm& f, BuiltLayer& b)
{
    const int n = f.segments;
    const double g = b.stock.gap, depth = b.stock.apothem() - b.stock.innerCorner() * std::cos(pi / n);
    b.volume = (b.stock.segmentArea() * n + (spaced(f) ? n * g * depth : 0)) * (b.z1 - b.z0);
    if (madeUp(f)) return;
    const double r = std::max(1.0, (b.finishedOuter.high + b.finishedInner.low) / 2);
    const double wide = std::min(1.0, n * 2 * std::asin(std::min(1.0, g / 2 / r)) / (2 * pi));
    double sum = 0;
    for (const Species* s : b.woods) sum += s->density;
    b.density = sum / n;
    if (spaced(f)) b.density = b.density * (1 - wide) + speciesOf(f.joint.wood).density * wide;
    if (b.gaps) b.fill = 1 - (f.joint.kind == SegmentJoint::GapByAngle ? n * b.stock.openDeg / 360 : wide);
}

Part segmentPart(const Site& site, const BuiltLayer& b, const Species* wood, int count)
{
    Part p;
    p.id = site.layer().id + "-" + wood->id;
    p.name = print(says(words::segmentOfRing, wood->name, site.number()));
    p.count = count;
    p.species = wood;
    p.length = b.stock.outerEdge();
    p.shortEdge = b.stock.innerEdge();
    p.width = b.stock.boardWidth();
    p.thickness = b.planeTo;
    p.left = p.right = {b.stock.miterDeg(), 0};
    p.grain = "along the segment's length";
    // Wider, the segment reaches further in, where it is turned or stays whole.
    p.spare = b.finishedInner.low > 0 ? b.stock.innerCorner() * std::cos(b.stock.miterDeg() * degrees) / 2 : 0;
    p.volume = b.stock.segmentArea() * b.planeTo;
    p.pitch = b.stock.stripPitch(site.shop.kerf);
    p.lead = b.stock.stripLead(site.shop.kerf);
    return p;
}

class RingSteps {
public:
    /// `each`: how many cells a segment has, before a tenon or a disc adds to them.
    RingSteps(const Site& site, const RingForm& form, const BuiltLayer& b, const SegmentPanel& panel, size_t each)
        : choices_(site.piece.choices), layer_(site.layer()), f_(form), b_(b), panel_(panel), each_(each),
          p_(panelSettings(panel, b.stock.boardWidth()))
    {
    }

    WorkItem write(Bench& bench, const WorkItems& parts) const
    {
        WorkItems from = parts;
        if (madeUp(f_)) from = {panel(bench, parts)};
        if (f_.madeUp.kind == MadeUp::Diamond) from = {middleJoint(bench, from)};
        const WorkItem fitted = dryFit(bench, cut(bench, from));
        if (open(f_)) return flattenSegments(bench, fitted);
        const bool band = choices_.closing == RingMethod::BandClamp || f_.segments % 2;
        return flattenOne(bench, band ? bandGlued(bench, fitted) : fromHalves(bench, fitted));
    }

private:
    /// So many of the joints between neighbors.
    GlueJoint joint(int joints, int closings = 1) const
    {
        const double mid = b_.phaseDeg + 180.0 / f_.segments;
        return {.faces = facesOf(b_.cells[0], b_.cells[each_], onwards(mid)),
                .area = joints * b_.stock.boardWidth() / std::cos(b_.stock.miterDeg() * degrees) * b_.planeTo,
                .joints = joints,
                .closings = closings,
                .woods = woodsIn(b_)};
    }

    WorkItem panel(Bench& bench, const WorkItems& parts) const
    {
        const WorkItem strips = bench.step(Action::Cut, "rip", parts, "panel-strips",
                                           {.title = says(words::ripPanel, bench.name()),
                                            .why = says(words::stripsFirst),
                                            .how = says(words::bandAndBeside, p_.band, p_.beside, p_.rip),
                                            .settings = {p_.band, p_.beside, p_.rip},
                                            .minutes = 12,
                                            .uses = {Resource::Saw}});
        return bench.glue("panel", {strips}, "panel",
                          {.title = says(words::gluePanel, bench.name()),
                           .why = says(words::bandBetween),
                           .how = says(words::rubCaulsScrape),
                           .joint = {.faces = facesOf(b_.cells[0], b_.cells[1], b_.cells[0].board.axes.row(2)),
                                     .area = 2 * f_.segments * panel_.step * b_.stock.boardWidth(),
                                     .joints = 2,
                                     .woods = woodsIn(b_)},
                           .minutes = 10,
                           .uses = {Resource::Clamp},
                           .waitTitle = says(words::leaveForInClamp, says(words::thePanel), bench.name())});
    }

    /// The halves of diamonds, glued one upon another before they are mitred.
    WorkItem middleJoint(Bench& bench, const WorkItems& from) const
    {
        const Setting loss = sandingLoss(layer_);
        const WorkItem blanks = bench.step(Action::Recut, "blanks", from, "blanks",
                                           {.title = says(words::cutBlanks, 2 * f_.segments, bench.name()),
                                            .why = says(words::halvesMirrored),
                                            .how = says(words::slantFirst, p_.slant, p_.step, p_.height),
                                            .settings = {p_.slant, p_.step, p_.height},
                                            .minutes = 5 + 2.0 * f_.segments,
                                            .uses = {Resource::Saw}});
        const WorkItem trued = bench.step(Action::Flatten, "blanks-true", {blanks}, "blanks-true",
                                          {.title = says(words::trueBlanks, bench.name()),
                                           .why = says(words::facesMeet),
                                           .how = says(words::sandTake, loss),
                                           .settings = {loss},
                                           .minutes = 2 + 0.5 * f_.segments,
                                           .uses = {Resource::SandingBoard}});
        // Cells of the lower half come first, then those of the upper.
        const size_t half = each_ / 2;
        return bench.glue("middle", {trued}, "diamonds",
                          {.title = says(words::glueMiddle, bench.name()),
                           .why = says(words::diamondCloses),
                           .how = says(words::bandsInLine),
                           .joint = {.faces = facesOf(b_.cells[0], b_.cells[half], Eigen::Vector3d::UnitX()),
                                     .area = f_.segments * b_.stock.outerEdge() * b_.stock.boardWidth(),
                                     .joints = f_.segments,
                                     .closings = f_.segments,
                                     .woods = woodsIn(b_)},
                           .minutes = 4 + 1.0 * f_.segments,
                           .uses = {Resource::Clamp},
                           .waitTitle = says(words::leavePartInClamp, says(words::theBlanks), bench.name())});
    }

    WorkItem cut(Bench& bench, const WorkItems& from) const
    {
        const int n = f_.segments;
        const Setting miter{
            Resource::Saw, "miter from square", b_.stock.miterDeg(), Unit::Angle, "180° / n", planeGeometry, 3, true};
        const Setting stop{
            Resource::Saw, "stop", b_.stock.outerEdge(), Unit::Length, "outer edge of a segment", planeGeometry, 2,
            true};
        std::vector<Setting> settings{miter, stop};
        Text how = says(choices_.cutting == CutMethod::MiterGauge ? words::miterGauge : words::wedgeSled, miter, stop);
        if (f_.madeUp.kind == MadeUp::Zigzag) {
            Text blanks = says(words::slantFirst, p_.slant, p_.step, p_.height);
            blanks.also(how);
            how = blanks;
            settings.insert(settings.end(), {p_.slant, p_.step, p_.height});
        }
        return bench.step(madeUp(f_) ? Action::Recut : Action::Cut, "cut", from, "segments",
                          {.title = says(words::cutSegments, n, bench.name()),
                           .why = says(words::oneSetUpMitres),
                           .how = how,
                           .settings = settings,
                           .minutes = 5 + 0.5 * n * (madeUp(f_) ? 3 : 1),
                           .uses = {Resource::Saw}});
    }

    WorkItem dryFit(Bench& bench, const WorkItem& segments) const
    {
        return bench.step(Action::Sand, "dry", {segments}, "fitted",
                          {.title = says(words::dryFit, bench.name()),
                           .why = says(words::gapSeenNow),
                           .how = says(open(f_) ? words::onDrawnCircle : words::againstLight),
                           .minutes = 4});
    }

    WorkItem bandGlued(Bench& bench, const WorkItem& fitted) const
    {
        Text how = spaced(f_) ? says(words::spacersProud) : Text();
        how.also(says(words::bandOnPlate));
        return bench.glue("glue", {fitted}, "raw",
                          {.title = says(words::glueUp, bench.name()),
                           .why = says(words::allAtOnce),
                           .how = how,
                           .joint = joint(f_.segments * (spaced(f_) ? 2 : 1)),
                           .minutes = 4 + 0.4 * f_.segments,
                           .uses = {Resource::BandClamp}});
    }

    WorkItem fromHalves(Bench& bench, const WorkItem& fitted) const
    {
        const int n = f_.segments;
        const WorkItem halves =
            bench.glue("halves", {fitted}, "half",
                       {.title = says(words::glueHalves, bench.name()),
                        .why = says(words::errorsInTwo),
                        .how = says(words::segmentsEach, n / 2),
                        .joint = joint(n - 2, 2),
                        .minutes = 3 + 0.4 * n,
                        .uses = {Resource::Plate},
                        .waitTitle = says(words::leavePartInClamp, says(words::theHalves), bench.name())});
        const WorkItem flats = bench.step(Action::Flatten, "flats", {halves}, "true",
                                          {.title = says(words::flattenOpenJoints, bench.name()),
                                           .why = says(words::halvesInPlane),
                                           .how = says(words::bothEndsAtOnce),
                                           .minutes = 5,
                                           .uses = {Resource::DiscSander}});
        return bench.glue("glue", {flats}, "raw",
                          {.title = says(words::joinHalves, bench.name()),
                           .why = says(words::flatsWithoutLight),
                           .how = says(words::clampLightly),
                           .joint = joint(2),
                           .minutes = 3,
                           .uses = {Resource::Clamp}});
    }

    WorkItem flattenOne(Bench& bench, const WorkItem& glued) const
    {
        if (choices_.stacking == StackMethod::SectionAtOnce) return flattenFaces(bench, glued, layer_, 8);
        const Setting loss = sandingLoss(layer_);
        return bench.step(Action::Flatten, "flatten", {glued}, "flat",
                          {.title = says(words::flattenOne, bench.name()),
                           .why = says(words::oneFaceForStack),
                           .how = says(words::sandTake, loss),
                           .settings = {loss},
                           .minutes = 5,
                           .uses = {Resource::SandingBoard}});
    }

    /// Open segments are never a ring by themselves: they are set one by one onto what is there.
    WorkItem flattenSegments(Bench& bench, const WorkItem& fitted) const
    {
        const Setting loss = sandingLoss(layer_);
        return bench.step(Action::Flatten, "flatten", {fitted}, "flat",
                          {.title = says(words::flattenSegments, bench.name()),
                           .why = says(words::oneHeight),
                           .how = says(words::betweenRails, loss),
                           .settings = {loss},
                           .minutes = 6,
                           .uses = {Resource::SandingBoard}});
    }

    const Choices& choices_;
    const Layer& layer_;
    const RingForm& f_;
    const BuiltLayer& b_;
    SegmentPanel panel_;
    size_t each_;
    PanelSettings p_;
};

void buildWanted(const Site& site, Building& out) { buildRing(site, wantedInner(site, out.layer), out); }

std::vector<LayerHandle> ringHandles(const Site& site, const BuiltLayer& b)
{
    const MadeUp& made = site.layer().ring()->madeUp;
    if (made.kind == MadeUp::Plain) return {};
    const double middle = (b.z0 + b.z1) / 2 + (made.kind == MadeUp::Diamond ? (b.z1 - b.z0) / 4 : 0);
    return {{.name = "band's height",
             .at = {middle + made.band / 2, b.finishedOuter.low},
             .value = made.band,
             .drag = [middle](Layer& q, const Point& p) { q.ring()->madeUp.band = 2 * std::abs(p.x() - middle); }}};
}

}  // namespace

void buildRing(const Site& site, double bore, Building& out)
{
    BuiltLayer& b = out.layer;
    const RingForm& f = *site.layer().ring();
    const int n = f.segments;
    b.segmented = true;
    b.sectors = n;
    b.gaps = open(f);
    cutStock(site, f, bore, b);
    b.corner = b.stock.outerCorner();
    holdStraight(b, b.stock.apothem(), b.stock.innerCorner());
    for (int k = 0; k < n; ++k) b.woods.push_back(woodAt(site.layer(), k));
    const SegmentPanel panel = segmentPanel(f.madeUp, n, b.stock.outerEdge(), b.planeTo, b.finishedOuter.high,
                                            b.finishedOuter.low, site.shop.kerf, site.layer().sandingLoss);
    for (int k = 0; k < n; ++k) laySegment(site, f, b, k, panel.slant);
    weighRing(f, b);
    if (madeUp(f)) settleMadeUp(f, panel, b);
    if (b.gaps) {
        const double wedge = 180.0 / n - b.stock.miterDeg();
        b.settings.push_back({Resource::None, "gap at the outside",
                              2 * b.stock.apothem() * std::sin(wedge * degrees) + b.stock.gap, Unit::Length,
                              "2 · A · sin(γ/2) + g", planeGeometry});
        b.settings.push_back({Resource::Lathe, "one segment on", 360.0 / n, Unit::Angle, "360° / n", planeGeometry, 3});
    }

    for (const Species* s : distinctWoods(b)) {
        const int count = static_cast<int>(std::ranges::count(b.woods, s));
        if (madeUp(f))
            panelParts(site, f, panel, b, s, count * (f.madeUp.kind == MadeUp::Diamond ? 2 : 1), out.parts);
        else
            out.parts.push_back(segmentPart(site, b, s, count));
    }
    if (spaced(f))  // sliced off a board's edge: as wide as the gap, as thick as the ring is high
        out.parts.push_back(squarePart(site, {.id = "spacer",
                                              .name = "spacer",
                                              .wood = &speciesOf(f.joint.wood),
                                              .count = n,
                                              .length = b.stock.boardWidth() + 4,
                                              .width = f.joint.width,
                                              .thickness = b.planeTo + 1,
                                              .grain = "out from the axis"}));
    out.steps = [site, &f, &b, panel, each = b.cells.size() / static_cast<size_t>(n)](Bench& bench,
                                                                                      const WorkItems& parts) {
        return RingSteps(site, f, b, panel, each).write(bench, parts);
    };
}

const Construction& constructionOf(const RingForm&)
{
    static constexpr Construction ring{
        .build = buildWanted, .segment = "segment", .noun = "ring", .boreDragged = true, .handles = ringHandles};
    return ring;
}

}  // namespace vl
