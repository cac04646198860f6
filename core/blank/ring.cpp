#include "core/blank/construction.h"
#include "core/blank/made_up.h"

#include "core/measure/format.h"
#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

bool open(const Layer& l) { return l.joint.kind == SegmentJoint::GapByWidth || l.joint.kind == SegmentJoint::GapByAngle; }

double spacer(const Layer& l) { return l.joint.kind == SegmentJoint::GapByWidth || l.joint.kind == SegmentJoint::Spacer ? l.joint.width : 0; }

/// The strips of one segment blank between stations z0 and z1, the band slanting by `slant` (radians, falling where negative).
void strips(std::vector<Cell>& cells, const Cell& whole, double mid, double z0, double z1, double slant, double band, const Species* other)
{
    const double centre = (z0 + z1) / 2;
    const Eigen::Vector3d across = std::cos(slant) * Eigen::Vector3d::UnitX() - std::sin(slant) * onwards(mid);
    const double low = across.x() * (centre - band / 2), high = across.x() * (centre + band / 2);
    for (int k = 0; k < 3; ++k) {
        Cell c = whole;
        if (k > 0) c.bounds.push_back({-across, k == 1 ? -low : -high, false});
        if (k < 2) c.bounds.push_back({across, k == 0 ? low : high, false});
        if (k == 1) {
            c.wood = other;
            c.segment = -1;
        }
        c.seed = std::fmod(whole.seed + 0.37f * static_cast<float>(k), 1.0f);
        // Strips are glued long grain to long grain, so the grain follows the band.
        c.board.axes.row(0) = std::sin(slant) * Eigen::Vector3d::UnitX() + std::cos(slant) * onwards(mid);
        c.board.axes.row(2) = across;
        cells.push_back(c);
    }
}

void build(const Site& site, BuiltLayer& b)
{
    const Layer& l = site.layer();
    const int n = l.segments;
    const double outer = wantedOuter(site, b), pitch = 360.0 / n;
    b.stock.sides = n;
    b.stock.outer = 2 * outer;
    b.stock.inner = std::clamp(2 * wantedInner(site, b), 0.0, 2 * outer - 0.5);
    b.stock.openDeg = l.joint.kind == SegmentJoint::GapByAngle ? std::min(l.joint.angle, 0.8 * pitch) : 0;
    b.stock.gap = spacer(l);
    // A gap wider than the segments is held to what leaves some wood; a concern says so.
    const double most = 1.6 * b.stock.innerCorner() * std::sin(b.stock.miterDeg() * degrees);
    if (b.stock.gap > 0 && b.stock.gap > most) {
        b.concerns.push_back({"gap", true, b.stock.gap, most, "mm", "the gap is wider than the segments are at the bore: nothing is left of them", "a gap of 1 mm",
                              [](Layer& q) { q.joint.width = 1; }});
        b.stock.gap = std::max(0.0, most);
    }
    if (l.joint.kind == SegmentJoint::GapByAngle && l.joint.angle > 0.8 * pitch)
        b.concerns.push_back({"gap", true, l.joint.angle, 0.8 * pitch, "°", "the gaps leave less than a fifth of the circle to the segments", "gaps of a quarter",
                              [pitch](Layer& q) { q.joint.angle = pitch / 4; }});
    b.sectors = n;
    b.gaps = open(l);
    b.corner = b.stock.outerCorner();
    holdStraight(b, b.stock.apothem(), b.stock.innerCorner());
    for (int k = 0; k < n; ++k) b.woods.push_back(woodAt(l, k));

    const double h = b.stock.miterDeg(), g = b.stock.gap;
    const bool made = l.madeUp.kind != MadeUp::Plain;
    const Species* band = &speciesOf(l.madeUp.wood);
    const Species* between = &speciesOf(l.joint.wood);
    const SegmentPanel panel = segmentPanel(l.madeUp, n, b.stock.outerEdge(), b.planeTo, b.finishedOuter.high, b.finishedOuter.low, site.shop.kerf);
    const size_t each = (l.madeUp.kind == MadeUp::Diamond ? 6u : made ? 3u : 1u) + (l.joint.kind == SegmentJoint::Spacer ? 1u : 0u);
    b.cells.reserve(static_cast<size_t>(n) * each);
    for (int k = 0; k < n; ++k) {
        const double mid = b.phaseDeg + pitch * k;
        Cell c{b.woods[static_cast<size_t>(k)], k, segmentSeed(site.index, static_cast<size_t>(k)), mid - pitch / 2, mid + pitch / 2};
        if (g > 0 || b.stock.openDeg > 0) {
            c.bounds.push_back({onwards(mid + h), -g / 2, b.gaps});
            c.bounds.push_back({-onwards(mid - h), -g / 2, b.gaps});
        }
        c.board = flatFrame(b.z0, mid);
        const double slant = panel.slant * degrees * (k % 2 ? -1 : 1);
        if (l.madeUp.kind == MadeUp::Diamond) {
            const double half = (b.z0 + b.z1) / 2;
            Cell lower = c, upper = c;
            lower.bounds.push_back({Eigen::Vector3d::UnitX(), half, false});
            upper.bounds.push_back({-Eigen::Vector3d::UnitX(), -half, false});
            strips(b.cells, lower, mid, b.z0, half, -slant, l.madeUp.band, band);
            strips(b.cells, upper, mid, half, b.z1, slant, l.madeUp.band, band);
        } else if (made)
            strips(b.cells, c, mid, b.z0, b.z1, slant, l.madeUp.band, band);
        else
            b.cells.push_back(c);
        if (l.joint.kind == SegmentJoint::Spacer) {
            const double at = mid + pitch / 2;
            Cell s{between, -1, segmentSeed(site.index, static_cast<size_t>(k + 500)), at - std::min(90.0, pitch), at + std::min(90.0, pitch)};
            s.bounds = {{onwards(at), g / 2, false}, {-onwards(at), g / 2, false}};
            s.faces = {{outwards(at), b.stock.apothem(), false}, {-outwards(at), -b.stock.innerCorner() * std::cos(pi / n), false}};
            s.board = flatFrame(b.z0, at);
            s.board.axes.row(0) = outwards(at);
            s.board.axes.row(1) = onwards(at);
            b.cells.push_back(s);
        }
    }
    const double face = b.stock.segmentArea() * n, height = b.z1 - b.z0;
    const double spacers = l.joint.kind == SegmentJoint::Spacer ? n * g * (b.stock.apothem() - b.stock.innerCorner() * std::cos(pi / n)) : 0;
    b.volume = (face + spacers) * height;
    if (!made) {
        const double r = std::max(1.0, (b.finishedOuter.high + b.finishedInner.low) / 2), wide = std::min(1.0, n * 2 * std::asin(std::min(1.0, g / 2 / r)) / (2 * pi));
        double sum = 0;
        for (const Species* s : b.woods) sum += s->density;
        b.density = sum / n;
        if (l.joint.kind == SegmentJoint::Spacer) b.density = b.density * (1 - wide) + between->density * wide;
        if (b.gaps) b.fill = 1 - (l.joint.kind == SegmentJoint::GapByAngle ? n * b.stock.openDeg / 360 : wide);
    } else {
        const char* plane = "plane geometry";
        using enum Setting::Unit;
        if (l.madeUp.kind != MadeUp::Band) b.settings.push_back({"saw", "re-cut slant", panel.slant, Angle, "atan(rise / (2 · R · sin(180°/n)))", plane});
        b.settings.push_back({"saw", "band strip", panel.bandStrip, Length, "band · cos slant", plane});
        b.settings.push_back({"saw", "strips beside it", panel.outerStrip, Length, "(panel width − band strip) / 2", plane});
        b.settings.push_back({"", "panel width", panel.width, Length, "t · cos slant + edge · sin slant", plane});
        b.settings.push_back({"saw", "step along the panel", panel.step, Length, "(edge + kerf) / cos slant", plane});
        if (l.madeUp.kind != MadeUp::Band) b.settings.push_back({"", "rise where it is turned least", panel.riseAsTurned, Length, "2 · r · sin(180°/n) · tan slant", plane});
        if (l.madeUp.kind != MadeUp::Band && n % 2)
            b.concerns.push_back({"zigzag", false, static_cast<double>(n), static_cast<double>(n + 1), "", "with an odd number of segments two neighbours slant the same way: the zigzag has a break",
                                  std::to_string(n + 1) + " segments", [n](Layer& q) { q.segments = n + 1; }});
        const double room = l.madeUp.kind == MadeUp::Diamond ? height / 2 : height;
        const double high = (l.madeUp.kind == MadeUp::Band ? 0 : panel.riseAsTurned) + l.madeUp.band;
        if (l.madeUp.band > room)
            b.concerns.push_back({"band", false, l.madeUp.band, room, "mm", "the band is higher than the layer has room for: nothing of the segment's own wood is left beside it", "a band of a third",
                                  [room](Layer& q) {
                                      q.madeUp.band = std::clamp(room / 3, limits::band.low, limits::band.high);
                                      q.madeUp.rise = std::min(q.madeUp.rise, room / 2);
                                  }});
        else if (high > room + 1e-9)
            b.concerns.push_back({"band", false, high, room, "mm", "band and rise are higher than the layer: the tips of the pattern are cut off by the next layer",
                                  "a rise that fits", [room](Layer& q) { q.madeUp.rise = std::max(0.0, room - q.madeUp.band); }});
    }
    if (b.gaps) {
        using enum Setting::Unit;
        b.settings.push_back({"", "gap at the outside", 2 * b.stock.apothem() * std::sin((180.0 / n - h) * degrees) + g, Length, "2 · A · sin(γ/2) + g", "plane geometry"});
        b.settings.push_back({"lathe", "one segment on", pitch, Angle, "360° / n", "plane geometry"});
    }
}

/// Parts cut from strips of one width, in as many woods as the ring has.
void parts(const Site& site, const BuiltLayer& b, std::vector<Part>& out)
{
    const Layer& l = site.layer();
    const double thick = gluedThickness(l) + 2 * l.sandingLoss;
    const bool made = l.madeUp.kind != MadeUp::Plain;
    const SegmentPanel panel = segmentPanel(l.madeUp, l.segments, b.stock.outerEdge(), thick, b.finishedOuter.high, b.finishedOuter.low, site.shop.kerf);
    for (const Species* s : distinctWoods(b)) {
        const int count = static_cast<int>(std::ranges::count(b.woods, s)) * (l.madeUp.kind == MadeUp::Diamond ? 2 : 1);
        if (made) {
            // Panels no longer than can be clamped and held straight; each yields whole segments.
            const int most = std::max(1, static_cast<int>(600 / panel.step)), panels = (count + most - 1) / most, perPanel = (count + panels - 1) / panels;
            const double length = perPanel * panel.step + panel.width * std::tan(panel.slant * degrees);
            const std::string id = s->id;
            Part side = squarePart(site, id + "-side", std::string(s->name) + " strip of the panel", s, 2 * panels, length, panel.outerStrip, b.stock.boardWidth(), "along the strip");
            Part band = squarePart(site, id + "-band", "band strip of the panel", &speciesOf(l.madeUp.wood), panels, length, panel.bandStrip, b.stock.boardWidth(), "along the strip");
            if (panel.outerStrip > 0) out.push_back(side);
            out.push_back(band);
            continue;
        }
        Part p;
        p.id = "L" + site.number() + "-" + s->id;
        p.name = std::string(s->name) + " segment of ring " + site.number();
        p.count = count;
        p.species = s;
        p.length = b.stock.outerEdge();
        p.shortEdge = b.stock.innerEdge();
        p.width = b.stock.boardWidth();
        p.thickness = thick;
        p.left = p.right = {b.stock.miterDeg(), 0};
        p.grain = "along the segment's length";
        p.volume = b.stock.segmentArea() * thick;
        p.pitch = b.stock.stripPitch(site.shop.kerf);
        p.lead = b.stock.stripLead(site.shop.kerf);
        out.push_back(p);
    }
    if (l.joint.kind == SegmentJoint::Spacer)  // sliced off a board's edge: as wide as the gap, as thick as the ring is high
        out.push_back(squarePart(site, "spacer", "spacer", &speciesOf(l.joint.wood), l.segments, b.stock.boardWidth() + 4, l.joint.width, thick + 1, "out from the axis"));
}

class RingSteps {
public:
    RingSteps(const Site& site, const BuiltLayer& b, Recipe& recipe) : site_(site), l_(site.layer()), b_(b), recipe_(recipe), n_(l_.segments) {}

    void write(const std::vector<std::string>& parts)
    {
        std::string made = l_.madeUp.kind == MadeUp::Plain ? "" : panel(parts);
        cut(made.empty() ? parts : std::vector<std::string>{made});
        if (!made.empty()) recipe_.back().after = {made == site_.key("panel-set") ? site_.key("panel-wait") : made};
        dry();
        std::string set, after;
        if (open(l_))
            return place();
        if (site_.piece.choices.closing == RingSchool::BandClamp || n_ % 2)
            band();
        else
            halves();
        flatten();
    }

private:
    int layer() const { return static_cast<int>(site_.index); }
    GlueJoint joint(int joints) const
    {
        // Mitred ends show partly end grain, the more the fewer the segments.
        return {JointFaces::MiteredEnds, joints * b_.stock.boardWidth() / std::cos(b_.stock.miterDeg() * degrees) * b_.planeTo, joints, b_.woods};
    }
    void add(Step s)
    {
        s.layer = layer();
        recipe_.push_back(std::move(s));
    }

    std::string panel(const std::vector<std::string>& parts)
    {
        const SegmentPanel p = segmentPanel(l_.madeUp, n_, b_.stock.outerEdge(), b_.planeTo, b_.finishedOuter.high, b_.finishedOuter.low, site_.shop.kerf);
        add({site_.key("rip"), Action::Cut, "Rip the strips of the panel for " + site_.sheet(), parts, {site_.key("panel-strips")}, {},
             "strips first: the band's two joints are long and straight, easier to close than any joint of the ring",
             "band " + fixed(p.bandStrip, 2) + " mm, beside it " + fixed(p.outerStrip, 2) + " mm; a trial cut before each width", 12, 0, {"saw"}});
        add({site_.key("panel"), Action::Glue, "Glue the panel for " + site_.sheet(), {site_.key("panel-strips")}, {site_.key("panel-raw")}, {site_.key("rip")},
             "one upon another, the band between", "glue on one face of each joint, rub, clamp between cauls; wipe nothing, scrape when set", 10, 0, {"clamp"}, 0,
             {JointFaces::LongGrain, 2 * n_ * p.step * b_.stock.boardWidth(), 2, b_.woods}});
        Step wait = clampWait(site_, site_.key("panel-wait"), site_.key("panel-raw"), site_.key("panel-set"), site_.key("panel"), "clamp");
        wait.title = "Leave the panel for " + site_.sheet() + " in the clamp";
        add(wait);
        return site_.key("panel-set");
    }

    void cut(const std::vector<std::string>& from)
    {
        const bool gauge = site_.piece.choices.cutting == CutSchool::MiterGauge;
        const bool made = l_.madeUp.kind != MadeUp::Plain;
        std::string how = (gauge ? "mitre gauge " + fixed(b_.stock.miterDeg(), 3) + "° from square, turn the strip over after each cut, stop at "
                                 : "wedge sled set to " + fixed(b_.stock.miterDeg(), 3) + "°, same face up throughout, stop at ") +
                          fixed(b_.stock.outerEdge(), 2) + " mm";
        if (made && l_.madeUp.kind != MadeUp::Band) {
            const SegmentPanel p = segmentPanel(l_.madeUp, n_, b_.stock.outerEdge(), b_.planeTo, b_.finishedOuter.high, b_.finishedOuter.low, site_.shop.kerf);
            how = "cross-cut the panel " + fixed(p.slant, 2) + "° from square every " + fixed(p.step, 2) + " mm, rip both edges square to the ends to " + fixed(p.blankHeight, 2) +
                  " mm, turn every second blank over; then " + how;
        }
        add({site_.key("cut"), made ? Action::Recut : Action::Cut, "Cut " + std::to_string(n_) + " segments of " + site_.sheet(), from, {site_.key("segments")}, {},
             "all of a ring in one set-up: the same error in every mitre is one that can be measured and taken out", how, 5 + 0.5 * n_ * (made ? 3 : 1), 0, {"saw"}});
    }

    void dry()
    {
        add({site_.key("dry"), Action::Sand, "Dry-fit " + site_.sheet() + " and ease the cut edges", {site_.key("segments")}, {site_.key("fitted")}, {site_.key("cut")},
             "a gap seen now is a fence correction; seen after the glue it is a gap", open(l_) ? "lay the segments on the drawn circle" : "band round the dry ring, look against the light", 4, 0, {}});
    }

    void band()
    {
        add({site_.key("glue"), Action::Glue, "Glue up " + site_.sheet(), {site_.key("fitted")}, {site_.key("raw")}, {site_.key("dry")},
             "all joints at once, so that the band draws every one of them closed",
             std::string(l_.joint.kind == SegmentJoint::Spacer ? "a spacer in every joint, proud above and below; " : "") + "glue on one face of each joint, band clamp, tap flat on a plate", 4 + 0.4 * n_, 0, {"band clamp"}, 0,
             joint(n_ * (l_.joint.kind == SegmentJoint::Spacer ? 2 : 1))});
        add(clampWait(site_, site_.key("wait"), site_.key("raw"), site_.key("set"), site_.key("glue"), "band clamp"));
    }

    void halves()
    {
        add({site_.key("halves"), Action::Glue, "Glue two half rings of " + site_.sheet(), {site_.key("fitted")}, {site_.key("half")}, {site_.key("dry")},
             "small errors of the mitre gather in two joints, where they can be sanded out", std::to_string(n_ / 2) + " segments each, rubbed joints, the two open joints left dry", 3 + 0.4 * n_,
             inClamp, {"plate"}, 0, joint(n_ - 2)});
        add({site_.key("flats"), Action::Flatten, "Flatten the open joints of " + site_.sheet(), {site_.key("half")}, {site_.key("true")}, {site_.key("halves")},
             "both ends of each half in one plane: the last two joints close without strain", "sanding disc or board, both ends at once", 5, 0, {"disc sander"}});
        add({site_.key("glue"), Action::Glue, "Glue the halves of " + site_.sheet() + " together", {site_.key("true")}, {site_.key("raw")}, {site_.key("flats")},
             "only flats that meet without light between them are glued", "glue both flats, clamp lightly on a plate", 3, 0, {"clamp"}, 0, joint(2)});
        add(clampWait(site_, site_.key("wait"), site_.key("raw"), site_.key("set"), site_.key("glue"), "clamp"));
    }

    void flatten()
    {
        add({site_.key("flatten"), Action::Flatten, "Flatten one face of " + site_.sheet(), {site_.key("set")}, {site_.key("flat")}, {site_.key("wait")},
             "the face that goes onto the stack; the other is trued on the lathe once it is there", "drum sander or sanding board, take " + fixed(l_.sandingLoss, 1) + " mm", 5, 0, {"sanding board"}});
    }

    /// Open segments are never a ring by themselves: they are set one by one onto what is there.
    void place()
    {
        add({site_.key("flatten"), Action::Flatten, "Flatten both faces of the segments of " + site_.sheet(), {site_.key("fitted")}, {site_.key("flat")}, {site_.key("dry")},
             "segments of one height: the next layer touches every one of them", "sanding board, all together between two rails, " + fixed(l_.sandingLoss, 1) + " mm each face", 6, 0, {"sanding board"}});
    }

    const Site& site_;
    const Layer& l_;
    const BuiltLayer& b_;
    Recipe& recipe_;
    int n_;
};

void steps(const Site& site, const BuiltLayer& b, const std::vector<std::string>& parts, Recipe& recipe) { RingSteps(site, b, recipe).write(parts); }

std::vector<LayerHandle> handles(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    if (l.madeUp.kind == MadeUp::Plain) return {};
    const double middle = (b.z0 + b.z1) / 2 + (l.madeUp.kind == MadeUp::Diamond ? (b.z1 - b.z0) / 4 : 0);
    return {{"band's height", {middle + l.madeUp.band / 2, b.finishedOuter.low}, l.madeUp.band, Setting::Unit::Length,
             [middle](Layer& q, const Point& p) { q.madeUp.band = std::clamp(2 * std::abs(p.x() - middle), limits::band.low, limits::band.high); }}};
}

}  // namespace

const Construction ringConstruction{build, parts, steps, "segmented ring", "segment", true, true, handles};

}  // namespace vl
