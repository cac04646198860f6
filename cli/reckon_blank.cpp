#include "cli/reckon_kind.h"

#include "core/geometry/board_rings.h"
#include "core/geometry/disc_region.h"
#include "core/geometry/dividing.h"
#include "core/geometry/forms.h"
#include "core/geometry/post_wrap.h"
#include "core/geometry/regular_ring.h"
#include "core/geometry/stave.h"
#include "core/holding/mount.h"
#include "core/holding/speed.h"
#include "core/measure/format.h"

namespace vl::cli {
namespace {

Json ring(const Values& v)
{
    const RegularRing r{v.whole("sides", 3, 360), v.length("outer"), v.length("inner"), v.length("allowance", 0),
                        v.length("gap", 0)};
    checkRing(r);
    return {{"miter_deg", r.miterDeg()},
            {"fence_deg", r.fenceDeg()},
            {"outer_edge_mm", r.outerEdge()},
            {"inner_edge_mm", r.innerEdge()},
            {"board_width_mm", r.boardWidth()}};
}

Json closingGap(const Values& v)
{
    const int sides = v.whole("sides", 3, 360);
    if (v.has("miter_error") == v.has("gap"))
        throw InputError("gap", "both or neither", "either miter_error or gap with outer is");
    if (v.has("gap")) {
        const double outer = v.length("outer"), gap = v.length("gap");
        if (!(outer > 0)) throw InputError("outer", exact(outer), "a diameter above 0 mm is");
        double wall = outer / 2;
        if (gap < 0) {
            const double inner = v.length("inner");
            if (!(inner >= 0 && inner < outer))
                throw InputError("inner", exact(inner),
                                 "0 mm up to less than the outside diameter, " + exact(outer) + " mm, is");
            wall = (outer - inner) / 2;
        }
        const double most = gap < 0 ? 2 * wall : outer;
        if (std::abs(gap) > most)
            throw InputError("gap", exact(gap), "no more than " + exact(most) + " mm, which the faces can span, is");
        const double correction = fenceCorrectionDeg(sides, gap, outer, wall);
        return {{"total_gap_deg", closingGapDeg(sides, correction)},
                {"gap_at_rim_mm", std::max(0.0, gap)},
                {"fence_correction_deg", correction}};
    }
    const double error = v.number("miter_error"), total = closingGapDeg(sides, error);
    if (!(std::abs(total) < 360))
        throw InputError("miter_error", exact(error),
                         "less than " + exact(180.0 / sides) + "° either way, at which no ring is left, is");
    Json out{{"total_gap_deg", total}, {"gap_at_rim_mm", nullptr}, {"fence_correction_deg", error}};
    if (v.has("outer")) {
        const double outer = v.length("outer");
        if (!(outer > 0)) throw InputError("outer", exact(outer), "a diameter above 0 mm is");
        // Past half a circle the ends are nearer the other way round; closed too soon they meet at the rim.
        out["gap_at_rim_mm"] = total <= 0 ? 0.0 : outer * std::sin(std::min(total, 180.0) / 2 * degrees);
    }
    return out;
}

Json ellipse(const Values& v)
{
    if (v.has("length") == v.has("diameter"))
        throw InputError("length", "both or neither", "either length or diameter is");
    const Ellipse e = Ellipse::within(v.length("length", 0), v.length("diameter", 0), v.number("ratio", golden));
    const int count = v.whole("stations", 1, 10000, 3);
    Json stations = Json::array();
    for (int k = 1; k <= count; ++k) {
        const double z = e.length / 2 * k / (count + 1);
        stations.push_back({{"z_mm", z}, {"diameter_mm", e.diameterAt(z)}});
    }
    return {{"length_mm", e.length}, {"diameter_mm", e.diameter}, {"stations", stations}};
}

Json sphere(const Values& v)
{
    Json corners = Json::array();
    for (const Facet& f : sphereFacets(v.length("diameter"), v.whole("facets", 8, 32, 8)))
        corners.push_back({{"from_end_mm", f.fromEnd}, {"diameter_mm", f.diameter}});
    return {{"facets", corners}};
}

Json index(const Values& v)
{
    const int divisions = v.whole("divisions", 1, 3600), holes = v.whole("holes", 1, 3600);
    const std::vector<IndexMark> marks = dividedOn(divisions, holes, v.whole("start", 0, holes - 1, 0));
    Json on = Json::array(), error = Json::array();
    for (const IndexMark& m : marks) {
        on.push_back(m.hole);
        error.push_back(m.errorDeg);
    }
    return {{"exact", isExact(marks)}, {"holes", on}, {"error_deg", error}, {"plates_exact", platesFor(divisions)}};
}

Json grid(const Values& v)
{
    return {{"radii_mm", gridRadii(v.whole("divisions", 3, 3600), v.length("outer") / 2, v.number("aspect", 1),
                                   v.whole("rings", 1, 1000))}};
}

/// "offset,angle,radius" as the disc that an axis keeps.
Disc keptBy(const std::string& word)
{
    const std::vector<std::string> parts = partsOf(word);
    if (parts.size() != 3) throw InputError("axis", "'" + word + "'", "offset,angle,radius is");
    const double offset = parseLength(parts[0], LengthStyle::Unit::Millimeter, "axis offset"),
                 radius = parseLength(parts[2], LengthStyle::Unit::Millimeter, "axis radius");
    const std::optional<double> angle = parseNumber(parts[1]);
    if (!angle) throw InputError("axis angle", "'" + parts[1] + "'", "a number of degrees is");
    if (!(offset >= 0)) throw InputError("axis offset", exact(offset), "0 mm or more is");
    if (!(radius > 0)) throw InputError("axis radius", exact(radius), "above 0 mm is");
    return {polar(offset, *angle), radius};
}

Json section(const Values& v)
{
    const std::string stock = v.text("stock");
    const double size = v.length("size");
    if (!(size > 0 && size <= 3000)) throw InputError("size", exact(size), "above 0 up to 3000 mm is");
    std::vector<Disc> discs;
    std::vector<HalfPlane> halves;
    for (const std::string& word : v.all("axis")) discs.push_back(keptBy(word));
    const size_t axes = discs.size();
    if (axes > 100) throw InputError("axis", std::to_string(axes) + " axes", "up to 100 are");
    if (stock == "round")
        discs.push_back({{0, 0}, size / 2});
    else if (stock == "square")
        for (int k = 0; k < 4; ++k) halves.push_back({polar(1, 90.0 * k), size / 2});
    else
        throw InputError("stock", "'" + stock + "'", "square or round is");
    const DiscRegion left(std::move(discs), std::move(halves));
    if (left.empty()) throw InputError("axis", "what leaves no wood", "axes that leave some of the stock are");
    std::vector<double> flats = left.flats();
    flats.resize(axes);
    return {{"area_mm2", left.area()},
            {"perimeter_mm", left.perimeter()},
            {"widest_mm", left.widest().across},
            {"narrowest_mm", left.narrowest().across},
            {"flats_mm", flats}};
}

Json mount(const Values& v)
{
    const std::string kind = v.text("kind");
    const auto holds = choicesOf<Hold>();
    const auto found = std::ranges::find_if(holds, [&](const Choice& c) { return kind == c.name; });
    if (found == holds.end()) {
        std::string all;
        for (const Choice& c : holds) all += (all.empty() ? "" : ", ") + std::string(c.name);
        throw InputError("kind", "'" + kind + "'", "one of " + all + " is");
    }
    const MountProof p = proveMount(static_cast<Hold>(found - holds.begin()), v.length("diameter"), v.length("depth"),
                                    v.length("overhang"), v.number("load"), Grips{});
    return {{"moment_nm", p.moment}, {"holds", p.holds}, {"limit_nm", p.limit}, {"would_hold_mm", p.wouldHold}};
}

Json speed(const Values& v)
{
    const SpeedRange s =
        speedRange(v.length("diameter"), v.yes("out_of_balance") ? Balance::OutOfBalance : Balance::Round);
    Json out{{"rpm_low", s.low}, {"rpm_high", s.high}, {"rim_m_s", s.rim}};
    if (v.has("mass_kg") != v.has("offset"))
        throw InputError(v.has("offset") ? "mass_kg" : "offset", "nothing", "both mass_kg and offset, or neither, are");
    if (v.has("mass_kg")) {
        const double mass = v.number("mass_kg"), offset = v.length("offset");
        if (!(mass >= 0)) throw InputError("mass_kg", exact(mass), "0 kg or more is");
        if (!(offset >= 0)) throw InputError("offset", exact(offset), "0 mm or more is");
        const double omega = s.high * 2 * pi / 60;
        out["force_n"] = mass * offset / 1000 * omega * omega;
    }
    return out;
}

Json stave(const Values& v)
{
    Stave s;
    s.sides = v.whole("sides", 3, 360);
    s.thickness = v.length("thickness", 0);
    const bool byEnds = v.has("top") || v.has("bottom") || v.has("height");
    if (v.has("slope") == byEnds)
        throw InputError("slope", byEnds ? "both" : "neither", "either slope or top, bottom and height is");
    if (byEnds) {
        s.bottom = v.length("bottom");
        s.height = v.length("height");
        if (!(s.height > 0)) throw InputError("height", exact(s.height), "above 0 mm is");
        const double top = v.length("top");
        if (!(top > 0)) throw InputError("top", exact(top), "above 0 mm is");
        s.slopeDeg = std::atan((top - s.bottom) / 2 / s.height) / degrees;
    } else {
        s.slopeDeg = v.number("slope");
        if (!(std::abs(s.slopeDeg) <= 89)) throw InputError("slope", exact(s.slopeDeg), "-89 to 89 degrees is");
        s.height = 1;
        s.bottom = 2 + 2 * std::abs(std::tan(s.slopeDeg * degrees));
    }
    checkStave(s);
    Json out{{"blade_tilt_deg", s.bladeTiltDeg()}, {"edge_taper_deg", s.edgeTaperDeg()}, {"slope_deg", s.slopeDeg}};
    if (byEnds) {
        out["length_mm"] = s.slant();
        out["top_width_mm"] = s.faceWidth(s.top());
        out["bottom_width_mm"] = s.faceWidth(s.bottom);
        if (v.has("thickness")) {
            out["inner_top_width_mm"] = 2 * s.innerCorner(s.top()) * std::sin(pi / s.sides);
            out["inner_bottom_width_mm"] = 2 * s.innerCorner(s.bottom) * std::sin(pi / s.sides);
        }
    }
    return out;
}

Json boardRings(const Values& v)
{
    BoardRings b;
    b.board = v.length("board");
    b.kerf = v.length("kerf");
    b.outer = v.length("outer");
    b.base = v.length("base");
    if (v.has("angle") == v.has("wall"))
        throw InputError("angle", v.has("angle") ? "both" : "neither", "either angle or wall is");
    b.angleDeg = v.has("angle") ? v.number("angle") : boardRingAngleDeg(b.board, v.length("wall"), b.kerf);
    checkBoardRings(b);
    const double bottom = 2 * b.lowerRadii().back();
    return {{"base_mm", bottom},
            {"angle_deg", b.angleDeg},
            {"ring_width_mm", b.ringWidth()},
            {"wall_mm", b.wall()},
            {"radii_mm", b.radii()},
            {"lower_radii_mm", b.lowerRadii()},
            {"cut_depth_mm", b.cutDepth()},
            {"stripe_stretch", b.stretch()},
            {"height_mm", b.height()}};
}

Json postWrap(const Values& v)
{
    const PostWrap w{v.length("side"), v.length("wrap"), v.length("bore")};
    checkPostWrap(w);
    return {{"post_diagonal_mm", w.postDiagonal()},
            {"post_vanishes", w.postVanishes()},
            {"strip_length_mm", w.stripLength()},
            {"blank_side_mm", w.blankSide()},
            {"wall_at_flat_mm", w.wallAtFlat()}};
}

const Kind figuredBlanks[] = {
    {"ring",
     {"sides", "outer", "inner", "allowance", "gap"},
     "sides outer inner [allowance=0] [gap=0]  ->  miter_deg fence_deg outer_edge_mm inner_edge_mm board_width_mm",
     "outer and inner are finished diameters; allowance is added on the radius, each side; gap is a spacer with "
     "parallel faces between neighbors. "
     "Apothem A = outer/2 + allowance, inner corner V = inner/2 - allowance; outer edge 2 A tan(180/n) - "
     "gap/cos(180/n), inner edge 2 V sin(180/n) - "
     "gap/cos(180/n), board width A - V cos(180/n). The miter is read from square, the fence angle is 90 - miter.",
     "plane geometry of the regular polygon",
     ring},
    {"closing-gap",
     {"sides", "miter_error", "gap", "outer", "inner"},
     "sides miter_error [outer]  |  sides gap outer [inner]  ->  total_gap_deg gap_at_rim_mm fence_correction_deg",
     "miter_error is the wanted miter less the one cut, so a positive one leaves the last joint open by 2 n times it; "
     "gap is measured straight across the "
     "open joint at the diameter outer; negative where the ends meet outside and the joint is open at the bore, "
     "measured there between the faces, which touch at outer and gape over the wall down to the diameter inner. The "
     "correction is added to the miter of every cut. Without outer the gap at the rim is null.",
     "plane geometry of the regular polygon",
     closingGap},
    {"stave",
     {"sides", "slope", "top", "bottom", "height", "thickness"},
     "sides slope | sides top bottom height ; [thickness]  ->  blade_tilt_deg edge_taper_deg slope_deg",
     "slope is the wall's angle from the axis; top and bottom are outside diameters across the flats. The blade is "
     "tilted asin(cos s sin(180/n)) from square to the "
     "face; each edge runs atan(sin s tan(180/n)) off the stave's middle line on its face. From the ends, length and "
     "widths on the outer face too.",
     "solid geometry of the regular pyramid",
     stave},
    {"board-rings",
     {"board", "angle", "wall", "kerf", "outer", "base"},
     "board angle kerf outer base | board wall kerf outer base  ->  angle_deg ring_width_mm wall_mm radii_mm[] "
     "height_mm",
     "angle is between the cut and the board's face, outer the largest outside diameter, base the least outside "
     "diameter of the bottom; radii are those scribed on "
     "the top face, lower radii where the same cuts leave the other; base_mm is the bottom's lower face as it comes "
     "out, the least that is not below base. Successive radii differ by t/tan(angle); ring "
     "width t/tan(angle) - k/sin(angle); wall, square "
     "to the cut, t cos(angle) - k.",
     "plane geometry of parallel cuts",
     boardRings},
    {"post-wrap",
     {"side", "wrap", "bore"},
     "side wrap bore  ->  post_diagonal_mm post_vanishes strip_length_mm blank_side_mm wall_at_flat_mm",
     "strip length = side + wrap; blank side = side + 2 wrap; wall at the flat = half the blank's side less half the "
     "bore; the post vanishes where the bore is as wide "
     "as its diagonal, side times the square root of 2.",
     "plane geometry",
     postWrap},
    {"ellipse",
     {"length", "diameter", "ratio", "stations"},
     "length | diameter [ratio=1.6180339887] [stations=3]  ->  length_mm diameter_mm stations[] (z_mm diameter_mm)",
     "length = ratio x diameter. Stations divide the half length into stations + 1 equal parts; z is measured from the "
     "middle, where the diameter is the "
     "greatest; at a fraction x of the half length it is D sqrt(1 - x^2).",
     "the ellipse's equation; the ratio is the golden section",
     ellipse},
    {"sphere",
     {"diameter", "facets"},
     "diameter [facets=8|16|32]  ->  facets[] (from_end_mm diameter_mm)",
     "the polygon round the finished circle, turned first: its corners from one end to the middle, each with its "
     "distance from the end and the diameter there; then every corner is halved. The octagon's corners lie D (1 - tan "
     "22.5) / 2 from each end at full diameter, and at D tan 22.5 on the ends.",
     "plane geometry",
     sphere},
    {"index",
     {"divisions", "holes", "start"},
     "divisions holes [start=0]  ->  exact holes[] error_deg[] plates_exact[]",
     "holes are counted from 0, the first mark in hole start; mark k wants k 360/divisions and gets the nearest hole, "
     "a "
     "tie the lower one; error is the hole's angle less the wanted one. plates_exact: those of 12 14 16 20 24 30 32 36 "
     "40 48 60 72 96 100 120 144 180 192 that divide.",
     "plane geometry",
     index},
    {"grid",
     {"divisions", "outer", "aspect", "rings"},
     "divisions outer [aspect=1] rings  ->  radii_mm[]",
     "cells between spokes and rings whose side along the radius is aspect times their side at middle radius: r'/r = "
     "(1 "
     "- aspect pi/n) / (1 + aspect pi/n), from the outside diameter outer inwards, rings + 1 radii.",
     "plane geometry",
     grid},
    {"section",
     {"stock", "size", "axis"},
     "stock=square|round size ; axis=offset,angle,radius (repeated)  ->  area_mm2 perimeter_mm widest_mm narrowest_mm "
     "flats_mm[]",
     "size is across the flats or the diameter; an axis keeps what lies within radius of the point at offset in "
     "direction angle, degrees from 12 o'clock; widest and narrowest between parallel jaws; flats are the chords of "
     "the "
     "arcs that each axis leaves, 0 where none, the sum where several.",
     "plane geometry: arcs and lines by Green's theorem",
     section},
    {"mount",
     {"kind", "diameter", "depth", "overhang", "load"},
     "kind diameter depth overhang load  ->  moment_nm holds limit_nm would_hold_mm",
     "moment = load (N) x overhang; limit = stress x pi d^3/32, with the shop's stress for that grip, less where a "
     "tenon "
     "or recess is shallower than 3/8 in or a screw than 20 mm; of a vacuum cup pressure x pi d^3/8. would_hold is the "
     "diameter that would, of the same depth.",
     "strength of materials; stresses are our own cautious values, to be put right in the shop",
     mount},
    {"speed",
     {"diameter", "out_of_balance", "mass_kg", "offset"},
     "diameter [out_of_balance=no] [mass_kg offset]  ->  rpm_low rpm_high rim_m_s [force_n]",
     "diameter in inches times rpm between 6000 and 9000 for balanced work; out of balance, 300 to 400 rpm at the "
     "most; rim speed at rpm_high. With a mass whose middle is offset from the axis, the force that shakes the lathe "
     "at "
     "rpm_high, mass x offset x omega squared. The "
     "machine's manual comes first.",
     "common practice",
     speed},
};

}  // namespace

std::span<const Kind> blankKinds() { return figuredBlanks; }

}  // namespace vl::cli
