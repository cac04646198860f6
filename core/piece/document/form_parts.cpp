#include "core/piece/document/form_parts.h"

#include "core/geometry/fall_back.h"
#include "core/geometry/forms.h"
#include "core/geometry/profile.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double same = 1e-6;     // mm, one station
constexpr double thinnest = 0.5;  // mm, no form cuts nearer to the axis

Node nodeOf(const FormPart& part, double z, double r, Span span = Span::Line, double bulge = 0)
{
    Node n;
    n.z = z;
    n.r = std::max(0.0, r);
    n.span = span;
    n.bulge = bulge;
    n.smooth = false;
    n.form = part.id;
    return n;
}

double beforeOrAfter(double one, double other) { return std::isnan(one) ? other : one; }

/// The arcs of an ellipse through points an equal angle apart; each arc through the ellipse's own middle between them.
Outline ellipseNodes(const FormPart& part)
{
    const Ellipse e = Ellipse::within(part.length, part.diameter, part.ratio);
    const double cut = std::min(1.0, part.neck / e.diameter), half = std::acos(cut);  // where its ends are cut off
    if (half < 1e-3) return {};
    constexpr int spans = 16;
    auto at = [&](double angle) -> Point {
        return {e.length / 2 * (std::sin(half) + std::sin(angle)), e.diameter / 2 * std::cos(angle)};
    };
    Outline nodes;
    for (int k = 0; k <= spans; ++k) {
        const double a = -half + 2 * half * k / spans;
        const Point p = at(a);
        double bulge = 0;
        if (k < spans) {
            const Point q = at(a + 2 * half / spans), mid = at(a + half / spans), along = (q - p).normalized();
            const Point off = mid - p;
            bulge = std::abs(along.x() * off.y() - along.y() * off.x()) / ((q - p).norm() / 2);
        }
        nodes.push_back(nodeOf(part, part.at + p.x(), p.y(), Span::Arc, bulge));
    }
    return nodes;
}

/// The nodes of a form that rides on the outline between the radii at its two ends.
Outline ridingNodes(const FormPart& part, double z1, double r0, double r1)
{
    const double z0 = part.at, length = z1 - z0, zm = (z0 + z1) / 2, rm = (r0 + r1) / 2;
    using K = FormPart;
    switch (part.kind) {
    case K::Bead:
        return {nodeOf(part, z0, r0, Span::Arc, 1), nodeOf(part, z1, r1)};
    case K::Cove: {
        const double deepest = std::min(length / 2, std::max(0.0, std::min(r0, r1) - thinnest));
        return {nodeOf(part, z0, r0, Span::Arc, -deepest / (length / 2)), nodeOf(part, z1, r1)};
    }
    case K::Ogee: {
        const double quarter = std::sqrt(2.0) - 1;  // the bulge of a quarter circle
        const double way = r1 >= r0 ? -1 : 1;       // hollow where it is thin, round where it is thick
        return {nodeOf(part, z0, r0, Span::Arc, way * quarter), nodeOf(part, zm, rm, Span::Arc, -way * quarter),
                nodeOf(part, z1, r1)};
    }
    case K::Vee:
        return {nodeOf(part, z0, r0), nodeOf(part, zm, std::max(thinnest, rm - part.depth)), nodeOf(part, z1, r1)};
    case K::Step:
        return {nodeOf(part, z0, r0), nodeOf(part, z0, part.diameter / 2), nodeOf(part, z1, part.diameter / 2),
                nodeOf(part, z1, r1)};
    case K::Cone:
        return {nodeOf(part, z0, r0), nodeOf(part, z1, part.diameter / 2)};
    case K::Ellipse:
    case K::Foot:
    case K::Tenon:
        break;
    }
    return {};
}

/// From its tip to its shoulder, or the other way round.
Outline tenonNodes(const FormPart& part, const TenonShape& t)
{
    const double shoulder = std::max(part.shoulder, t.root) / 2;
    if (part.end == FormPart::AtFoot)
        return {nodeOf(part, t.from, t.tip / 2), nodeOf(part, t.to, t.root / 2), nodeOf(part, t.to, shoulder)};
    return {nodeOf(part, t.from, shoulder), nodeOf(part, t.from, t.root / 2), nodeOf(part, t.to, t.tip / 2)};
}

/// Takes the nodes that forms have put in out again; those that end the outline stay, as nobody's.
Outline withoutFormNodes(Outline outline)
{
    Outline plain;
    for (size_t i = 0; i < outline.size(); ++i) {
        Node& n = outline[i];
        const bool end = n.z <= outline.front().z + same || n.z >= outline.back().z - same;
        if (!n.form.empty() && !(end && (i == 0 || i + 1 == outline.size()))) continue;
        n.form.clear();
        plain.push_back(std::move(n));
    }
    return plain;
}

/// Puts a form's nodes in the place of whatever stands between its ends; `ran`: what ran on from its last node before.
void putIn(Outline& outline, const Outline& nodes, std::optional<Span> ran)
{
    if (nodes.empty()) return;
    const double z0 = nodes.front().z, z1 = nodes.back().z;
    Outline out;
    Span on = Span::Curve;  // what ran on from the last node that gave way
    for (const Node& n : outline) {
        if (n.z < z0 - same) out.push_back(n);
        if (n.z <= z1 + same) on = n.span == Span::Arc ? Span::Line : n.span;
    }
    const bool first = out.empty();
    out.insert(out.end(), nodes.begin(), nodes.end());
    if (first) {
        out.front().z = outline.front().z;
        out.front().form.clear();
    }
    bool more = false;
    for (const Node& n : outline)
        if (n.z > z1 + same) {
            if (!more) out.back().span = ran.value_or(on);
            out.push_back(n);
            more = true;
        }
    if (!more) out.back().form.clear();
    outline = std::move(out);
}

/// What runs on from a form's last node; nothing where there is none.
std::optional<Span> spanAfter(const Outline& outline, const FormPart& part)
{
    std::optional<Span> on;
    for (const Node& n : outline)
        if (n.form == part.id && n.span != Span::Arc) on = n.span;
    return on;
}

/// Where a form's nodes end in an outline; its own beginning where there are none.
double oldEnd(const Outline& outline, const FormPart& part)
{
    double end = part.at;
    for (const Node& n : outline)
        if (n.form == part.id) end = std::max(end, n.z);
    return end;
}

}  // namespace

void checkFormPart(const FormPart& part, const std::string& path)
{
    using K = FormPart;
    if (part.kind == K::Ellipse && part.length == 0 && part.diameter == 0)
        throw InputError(path + ".length_mm", "0", "a length or a diameter above 0 mm is");
    if (part.kind == K::Ellipse) {
        const Ellipse e = Ellipse::within(part.length, part.diameter, part.ratio);
        if (part.neck >= e.diameter)
            throw InputError(path + ".neck_mm", exact(part.neck),
                             "less than its own diameter, " + exact(e.diameter) + " mm, is");
    } else if (part.kind != K::Foot && !(part.length >= 0.2))
        throw InputError(path + ".length_mm", exact(part.length), "0.2 mm or more is");
    if (part.kind == K::Tenon && !(part.diameter - part.fit - 2 * part.length * std::tan(part.taper * degrees) >= 1))
        throw InputError(path + ".diameter_mm", exact(part.diameter),
                         "so much that 1 mm or more is left at the tenon's tip is");
    if (part.kind == K::Step && !(part.diameter >= 1))
        throw InputError(path + ".diameter_mm", exact(part.diameter), "1 mm or more is");
}

namespace {

Outline laid(Outline outline, const std::vector<FormPart>& parts)
{
    std::vector<double> ends;
    std::vector<std::optional<Span>> ran;
    for (const FormPart& p : parts) {
        ends.push_back(oldEnd(outline, p));
        ran.push_back(spanAfter(outline, p));
    }
    outline = withoutFormNodes(std::move(outline));
    for (size_t i = 0; i < parts.size(); ++i) {
        const FormPart& part = parts[i];
        if (part.kind == FormPart::Foot || outline.size() < 2) continue;
        if (part.kind == FormPart::Ellipse) {
            const Outline nodes = ellipseNodes(part);
            if (nodes.empty()) continue;
            // What stood after it as it was before keeps its distance.
            if (const double by = nodes.back().z - ends[i]; ends[i] > part.at)
                for (Node& n : outline)
                    if (n.z > ends[i] - same) n.z = std::min(3000.0, std::max(nodes.back().z, n.z + by));
            putIn(outline, nodes, ran[i]);
            continue;
        }
        if (part.kind == FormPart::Tenon) {
            putIn(outline, tenonNodes(part, tenonShape(part, outline)), ran[i]);
            continue;
        }
        const double z1 = std::min(part.at + part.length, outline.back().z);
        if (!(z1 - part.at >= 0.1)) continue;
        const Polyline line = greatestRadii(flatten(outline));
        putIn(outline,
              ridingNodes(part, z1, beforeOrAfter(radiusBefore(line, part.at), radiusAfter(line, part.at)),
                          beforeOrAfter(radiusAfter(line, z1), radiusBefore(line, z1))),
              ran[i]);
    }
    for (const FormPart& part : parts) {
        if (part.kind != FormPart::Foot || outline.size() < 2) continue;
        double widest = 0;
        for (const Node& n : outline)
            if (n.z > outline.front().z + same) widest = std::max(widest, n.r);
        outline.front().r = part.share * widest;
    }
    return outline;
}

}  // namespace

Outline withForms(Outline outline, const std::vector<FormPart>& parts)
{
    // A foot by its share bends the curve that other forms ride on: laid again until nothing moves.
    constexpr int most = 8;
    for (int k = 0; k < most; ++k) {
        Outline next = laid(outline, parts);
        if (next == outline) break;
        outline = std::move(next);
    }
    return outline;
}

TenonShape tenonShape(const FormPart& part, const Outline& outline)
{
    // What stands beyond its shoulder keeps a millimeter at least.
    const double z0 = outline.front().z, z1 = outline.back().z,
                 length = std::clamp(z1 - z0 - 1, 0.1, std::max(0.1, part.length));
    const double root = part.diameter - part.fit,
                 tip = std::max(2 * thinnest, root - 2 * length * std::tan(part.taper * degrees));
    const bool foot = part.end == FormPart::AtFoot;
    return {.from = foot ? z0 : z1 - length, .to = foot ? z0 + length : z1, .root = root, .tip = tip};
}

std::vector<std::pair<double, double>> stationsOf(const FormPart& part, const Outline& outline)
{
    std::vector<std::pair<double, double>> at;
    const Polyline line = greatestRadii(flatten(outline));
    double z0 = part.at, z1 = part.at + part.length;
    if (part.kind == FormPart::Foot)
        z0 = z1 = line.front().x();
    else if (part.kind == FormPart::Tenon) {
        const TenonShape t = tenonShape(part, outline);
        const bool foot = part.end == FormPart::AtFoot;
        return {{t.from, foot ? t.tip : t.root}, {t.to, foot ? t.root : t.tip}};
    } else if (part.kind == FormPart::Ellipse) {
        const Outline nodes = ellipseNodes(part);
        if (nodes.empty()) return at;
        z0 = nodes.front().z;
        z1 = nodes.back().z;
    }
    constexpr int steps = 8;
    for (int k = 0; k <= steps; ++k) {
        const double z = z0 + (z1 - z0) * k / steps, r = radiusAt(line, z);
        if (!std::isnan(r)) at.emplace_back(z, 2 * r);
        if (z1 == z0) break;
    }
    return at;
}

}  // namespace vl
