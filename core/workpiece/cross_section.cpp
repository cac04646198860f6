#include "core/workpiece/cross_section.h"

#include <Eigen/Geometry>
#include <boost/math/quadrature/gauss.hpp>
#include <boost/math/tools/roots.hpp>

#include <algorithm>
#include <cmath>
#include <limits>
#include <tuple>

namespace vl {
namespace {

constexpr double besideStep = 1e-6;     // mm beside a step
constexpr double widthsWithin = 0.002;  // mm, between the polygon that is measured and the section

double angleOf(const Point& p) { return std::atan2(p.y(), p.x()) / degrees; }

/// How steeply a line rises at a station; a step beside it does not count.
double slopeAt(const Polyline& line, double z)
{
    constexpr double step = 0.02;  // mm
    const double here = radiusAt(line, z), before = radiusAt(line, z - step), after = radiusAt(line, z + step);
    const double back = (here - before) / step, on = (after - here) / step;
    if (std::isnan(back)) return std::isnan(on) ? 0 : on;
    if (std::isnan(on)) return back;
    return std::abs(back) < std::abs(on) ? back : on;
}

}  // namespace

CrossSection::CrossSection(const TurnedSurfaces& surfaces, double z) : sides_(&surfaces), z_(z)
{
    auto turned = [&](const Disc& disc, int of) {
        discs_.push_back(disc);
        ofDisc_.push_back(of);
    };
    const double r = radiusAt(surfaces.outside, z);
    if (!(r > 0)) return;
    turned({{0, 0}, r}, 0);
    for (size_t k = 0; k < surfaces.axes.size(); ++k) {
        const TurnedAbout& axis = surfaces.axes[k];
        const double own = axis.radiusNear(z);
        if (std::isnan(own)) continue;
        turned({axis.centerAt(z), own}, static_cast<int>(k) + 1);
        exact_ = exact_ && axis.parallel();
    }
    for (const HalfSpace& h : surfaces.edges) halves_.push_back({{h.normal.y(), h.normal.z()}, h.offset});
    double room = r;
    for (const Disc& d : discs_) room = std::min(room, d.radius - d.center.norm());
    for (const HalfPlane& h : halves_) room = std::min(room, h.offset);
    if (room < r / 50) {
        const DiscRegion left(discs_, halves_);
        if (left.empty()) return;
        middle_ = left.centroid();
    }
    if (!exact_) findTilted();
    findSpans();
}

Disc CrossSection::discOf(int of) const
{
    for (size_t i = 0; i < discs_.size(); ++i)
        if (ofDisc_[i] == of) return discs_[i];
    return {};
}

double CrossSection::exitOf(int of, const Point& inside, double angleDeg) const
{
    const auto axes = static_cast<int>(sides_->axes.size());
    if (of > axes) return DiscRegion({}, {halves_[static_cast<size_t>(of - axes - 1)]}).reach(inside, angleDeg);
    if (of > 0)
        if (const TurnedAbout& axis = sides_->axes[static_cast<size_t>(of - 1)]; !axis.parallel())
            return axis.exit(z_, inside, angleDeg);
    const Disc d = discOf(of);
    const Point off = d.center - inside, u = polar(1, angleDeg);
    const double along = u.dot(off);
    return along + std::sqrt(std::max(0.0, d.radius * d.radius - off.squaredNorm() + along * along));
}

double CrossSection::reachFrom(const Point& inside, double angleDeg) const
{
    double least = std::numeric_limits<double>::infinity();
    for (const int of : ofDisc_) least = std::min(least, exitOf(of, inside, angleDeg));
    const Point u = polar(1, angleDeg);
    for (const HalfPlane& h : halves_)
        if (const double slope = h.normal.dot(u); slope > 1e-12)
            least = std::min(least, (h.offset - h.normal.dot(inside)) / slope);
    return std::isfinite(least) ? std::max(0.0, least) : 0;
}

void CrossSection::findTilted()
{
    for (const int of : ofDisc_) {
        if (of == 0 || sides_->axes[static_cast<size_t>(of - 1)].parallel()) continue;
        const TurnedAbout& axis = sides_->axes[static_cast<size_t>(of - 1)];
        const Eigen::Vector3d off = Eigen::Vector3d(z_, middle_.x(), middle_.y()) - axis.at;
        const Point& thin = *std::ranges::min_element(axis.outline, {}, [](const Point& p) { return p.y(); });
        tilted_.push_back({of, off - axis.along * axis.along.dot(off), axis.along, thin.y()});
    }
}

int CrossSection::boundedBy(double angleDeg) const
{
    int by = 0;
    double least = std::numeric_limits<double>::infinity();
    auto take = [&](int of, double r) {
        if (r < least - 1e-12) least = r, by = of;
    };
    for (const int of : ofDisc_)
        if (std::ranges::find(tilted_, of, &Tilted::of) == tilted_.end()) take(of, exitOf(of, middle_, angleDeg));
    const auto axes = static_cast<int>(sides_->axes.size());
    const Point u = polar(1, angleDeg);
    for (size_t i = 0; i < halves_.size(); ++i)
        if (const double slope = halves_[i].normal.dot(u); slope > 1e-12)
            take(axes + 1 + static_cast<int>(i), (halves_[i].offset - halves_[i].normal.dot(middle_)) / slope);
    // Those that leave a ray farther out for certain than another leaves it are not walked along.
    const Eigen::Vector3d way(0, u.x(), u.y());
    for (const Tilted& t : tilted_) {
        const Eigen::Vector3d step = way - t.along * t.along.dot(way), at = t.off + step * least;
        if (std::isfinite(least) && t.off.norm() < t.radius && at.norm() < t.radius) continue;
        take(t.of, exitOf(t.of, middle_, angleDeg));
    }
    return by;
}

double CrossSection::ridgeBetween(int one, double low, int other, double high) const
{
    const auto apart = [&](double deg) { return exitOf(one, middle_, deg) - exitOf(other, middle_, deg); };
    if (const double first = apart(low), last = apart(high); first < 0 && last > 0 && std::isfinite(first + last)) {
        std::uintmax_t rounds = 40;
        const auto [from, to] = boost::math::tools::toms748_solve(
            apart, low, high, first, last, boost::math::tools::eps_tolerance<double>(34), rounds);
        // No third one stands between the two there.
        if (const int here = boundedBy((from + to) / 2); here == one || here == other) return (from + to) / 2;
    }
    for (int i = 0; i < 34; ++i) {
        const double mid = (low + high) / 2;
        (boundedBy(mid) == one ? low : high) = mid;
    }
    return (low + high) / 2;
}

void CrossSection::findSpans()
{
    if (exact_) {
        const auto axes = static_cast<int>(sides_->axes.size());
        const DiscRegion left(discs_, halves_);
        for (const DiscRegion::Side& s : left.sides()) {
            const int of = s.arc ? ofDisc_[s.of] : axes + 1 + static_cast<int>(s.of);
            const double from = angleOf(s.from - middle_);
            double to = angleOf(s.to - middle_);
            const bool whole = s.arc && s.sweep > 2 * pi - 1e-12;
            if (whole) {
                spans_ = {{of, 0, 360}};
                return;
            }
            while (to <= from) to += 360;
            spans_.push_back({of, from, to});
        }
        std::ranges::sort(spans_, {}, &Side::from);
        return;
    }
    if (!spansByCircles()) spansByLooking();
}

/// Tilted cuts taken for circles say which sides follow one another and nearly where; there each ridge is found. False
/// where that is not so.
bool CrossSection::spansByCircles()
{
    const auto axes = static_cast<int>(sides_->axes.size());
    const DiscRegion circles(discs_, halves_);
    const auto& sides = circles.sides();
    if (sides.size() == 1) {
        // One of them leaves all of it: so it does where it is looked at all round.
        constexpr int looks = 24;
        const int only = sides[0].arc ? ofDisc_[sides[0].of] : axes + 1 + static_cast<int>(sides[0].of);
        for (int k = 0; k < looks; ++k)
            if (boundedBy(360.0 * k / looks) != only) return false;
        spans_ = {{only, 0, 360}};
        return true;
    }
    if (sides.empty()) return false;
    const auto of = [&](const DiscRegion::Side& s) {
        return s.arc ? ofDisc_[s.of] : axes + 1 + static_cast<int>(s.of);
    };
    const auto exits = [&](int which, double deg) { return exitOf(which, middle_, deg); };
    std::vector<double> ridges;
    for (size_t i = 0; i < sides.size(); ++i) {
        const int here = of(sides[i]), next = of(sides[(i + 1) % sides.size()]);
        const double about = angleOf(sides[i].to - middle_);
        constexpr double window = 4;  // degrees to each side
        double low = about - window, high = about + window;
        if (exits(here, low) > exits(next, low) || exits(here, high) < exits(next, high)) return false;
        const double first = exits(here, low) - exits(next, low), last = exits(here, high) - exits(next, high);
        if (!std::isfinite(first) || !std::isfinite(last)) return false;
        std::uintmax_t rounds = 40;
        std::tie(low, high) =
            boost::math::tools::toms748_solve([&](double deg) { return exits(here, deg) - exits(next, deg); }, low,
                                              high, boost::math::tools::eps_tolerance<double>(34), rounds);
        ridges.push_back((low + high) / 2);
    }
    for (size_t i = 0; i < sides.size(); ++i) {
        const double from = ridges[(i + sides.size() - 1) % sides.size()];
        double to = ridges[i];
        while (to <= from) to += 360;
        const int here = of(sides[i]);
        for (const double share : {0.02, 0.5, 0.98})
            if (boundedBy(from + (to - from) * share) != here) return spans_.clear(), false;
        spans_.push_back({here, from, to});
    }
    double whole = 0;
    for (const Side& s : spans_) whole += s.to - s.from;
    if (std::abs(whole - 360) > 1e-6) return spans_.clear(), false;
    std::ranges::sort(spans_, {}, &Side::from);
    return true;
}

void CrossSection::spansByLooking()
{
    constexpr int looks = 360;
    std::vector<double> changes;
    int before = boundedBy(0);
    for (int k = 1; k <= looks; ++k) {
        const int here = boundedBy(360.0 * k / looks);
        if (here == before) continue;
        changes.push_back(ridgeBetween(before, 360.0 * (k - 1) / looks, here, 360.0 * k / looks));
        before = here;
    }
    if (changes.empty()) {
        spans_ = {{before, 0, 360}};
        return;
    }
    for (size_t i = 0; i < changes.size(); ++i) {
        const double from = changes[i], to = i + 1 < changes.size() ? changes[i + 1] : changes[0] + 360;
        spans_.push_back({boundedBy((from + to) / 2), from, to});
    }
}

Eigen::Vector3d CrossSection::normalAt(const Point& p, int of) const
{
    const auto axes = static_cast<int>(sides_->axes.size());
    if (of > axes) return sides_->edges[static_cast<size_t>(of - axes - 1)].normal;
    if (of > 0 && !sides_->axes[static_cast<size_t>(of - 1)].parallel())
        return sides_->axes[static_cast<size_t>(of - 1)].normalAt({z_, p.x(), p.y()});
    const Point out = p - discOf(of).center;
    const double slope = of == 0 ? slopeAt(sides_->outside, z_)
                                 : slopeAt(sides_->axes[static_cast<size_t>(of - 1)].outline,
                                           z_ - sides_->axes[static_cast<size_t>(of - 1)].at.x());
    const double length = std::max(out.norm(), 1e-9);
    return Eigen::Vector3d(-slope, out.x() / length, out.y() / length).normalized();
}

bool CrossSection::holds(const Point& p) const
{
    if (discs_.empty()) return false;
    for (const HalfPlane& h : halves_)
        if (h.normal.dot(p) > h.offset) return false;
    for (size_t i = 0; i < discs_.size(); ++i) {
        const int of = ofDisc_[i];
        const bool tilted = of > 0 && !sides_->axes[static_cast<size_t>(of - 1)].parallel();
        if (tilted ? !sides_->axes[static_cast<size_t>(of - 1)].keeps({z_, p.x(), p.y()})
                   : (p - discs_[i].center).squaredNorm() > discs_[i].radius * discs_[i].radius)
            return false;
    }
    return true;
}

std::optional<CrossSection::Front> CrossSection::front(double up) const
{
    double low = -std::numeric_limits<double>::infinity(), high = -low;
    int by = 0;
    for (size_t i = 0; i < discs_.size(); ++i) {
        const Disc& d = discs_[i];
        const double off = up - d.center.x(), half2 = d.radius * d.radius - off * off;
        if (half2 <= 0) return std::nullopt;
        low = std::max(low, d.center.y() - std::sqrt(half2));
        if (const double out = d.center.y() + std::sqrt(half2); out < high) high = out, by = ofDisc_[i];
    }
    const auto axes = static_cast<int>(sides_->axes.size());
    for (size_t i = 0; i < halves_.size(); ++i) {
        const HalfPlane& h = halves_[i];
        const double room = h.offset - h.normal.x() * up;
        if (std::abs(h.normal.y()) < 1e-12) {
            if (room < 0) return std::nullopt;
        } else if (h.normal.y() < 0)
            low = std::max(low, room / h.normal.y());
        else if (room / h.normal.y() < high)
            high = room / h.normal.y(), by = axes + 1 + static_cast<int>(i);
    }
    if (discs_.empty() || high <= low) return std::nullopt;
    return Front{high, by};
}

DiscRegion CrossSection::region() const
{
    return exact_ ? DiscRegion(discs_, halves_) : DiscRegion({}, polygonSides());
}

Point CrossSection::on(const Side& span, double angleDeg) const
{
    return middle_ + polar(exitOf(span.of, middle_, angleDeg), angleDeg);
}

double CrossSection::area() const
{
    if (exact_) return region().area();
    // ½ ∫ r² dφ over each span, whose side is smooth.
    constexpr double piece = 45;  // degrees
    double sum = 0;
    for (const Side& s : spans_) {
        const int parts = std::max(1, static_cast<int>(std::ceil((s.to - s.from) / piece - 1e-9)));
        for (int k = 0; k < parts; ++k) {
            const double from = s.from + (s.to - s.from) * k / parts, to = s.from + (s.to - s.from) * (k + 1) / parts;
            sum += boost::math::quadrature::gauss<double, 7>::integrate(
                [&](double deg) {
                    const double r = exitOf(s.of, middle_, deg);
                    return r * r / 2 * degrees;
                },
                from, to);
        }
    }
    return sum;
}

DiscRegion::Width CrossSection::widest() const
{
    return exact_ ? region().widest() : widthOf(outline(widthsWithin), true);
}

DiscRegion::Width CrossSection::narrowest() const
{
    return exact_ ? region().narrowest() : widthOf(outline(widthsWithin), false);
}

double CrossSection::areaWithin(double radius) const
{
    std::vector<Disc> within = exact_ ? discs_ : std::vector<Disc>{};
    within.push_back({{0, 0}, radius});
    std::vector<HalfPlane> sides = exact_ ? halves_ : polygonSides();
    // All of the circle, where no side comes as near.
    if (!exact_ && std::ranges::all_of(sides, [&](const HalfPlane& h) { return h.offset >= radius; }))
        return pi * radius * radius;
    return DiscRegion(std::move(within), std::move(sides)).area();
}

std::vector<HalfPlane> CrossSection::polygonSides() const
{
    const Polyline line = outline(0.002);
    std::vector<HalfPlane> sides;
    for (size_t i = 0; i < line.size(); ++i) {
        const Point d = line[(i + 1) % line.size()] - line[i];
        if (d.norm() < 1e-9) continue;
        const Point normal = Point(d.y(), -d.x()) / d.norm();
        sides.push_back({normal, normal.dot(line[i])});
    }
    return sides;
}

std::vector<double> CrossSection::flats() const
{
    std::vector<double> out(sides_->axes.size(), 0.0);
    for (const Side& s : spans_)
        if (s.of > 0 && s.of <= static_cast<int>(out.size()) && s.to - s.from < 360)
            out[static_cast<size_t>(s.of - 1)] += (at(s.to) - at(s.from)).norm();
    return out;
}

std::vector<double> CrossSection::anglesIn(const Side& side, double tolerance) const
{
    if (side.of > static_cast<int>(sides_->axes.size())) return {side.from, side.to};
    const Disc d = discOf(side.of);
    const double step = 2 * std::acos(std::max(0.5, 1 - tolerance / std::max(d.radius, tolerance))) / degrees;
    // Steps are equal as seen from the middle; as seen from its own axis the longest of them counts.
    double own = side.to - side.from;
    const auto n0 = static_cast<int>(std::ceil(own / step));
    double widest = step;
    if (d.center != middle_ && n0 > 0) {
        Point last = at(side.from) - d.center;
        const int looks = std::clamp(n0, 2, 16);
        widest = 0;
        for (int k = 1; k <= looks; ++k) {
            const Point here = at(side.from + own * k / looks) - d.center;
            const double turned = std::abs(std::atan2(last.x() * here.y() - last.y() * here.x(), last.dot(here)));
            widest = std::max(widest, turned / degrees * looks / own * step);
            last = here;
        }
    }
    const int n = std::max(1, static_cast<int>(std::ceil(own / step * widest / step - 1e-9)));
    std::vector<double> angles;
    for (int k = 0; k <= n; ++k) angles.push_back(side.from + own * k / n);
    return angles;
}

Polyline CrossSection::outline(double tolerance) const
{
    Polyline line;
    for (const Side& s : spans_) {
        std::vector<double> angles = anglesIn(s, tolerance);
        angles.pop_back();
        for (const double a : angles) line.push_back(on(s, a));
    }
    return line;
}

namespace {

void addStations(const Polyline& whole, double offset, double scale, double tolerance, std::vector<double>& at)
{
    const Polyline line = tolerance > 0.02 && whole.size() > 2 ? simplified(whole, tolerance / 2) : whole;
    for (size_t i = 0; i < line.size(); ++i) {
        const double z = offset + line[i].x() * scale;
        const bool end = i == 0 || i + 1 == line.size(), step = !end && line[i + 1].x() - line[i].x() < 1e-9;
        if (end || step)
            at.insert(at.end(), {z - besideStep, z + besideStep});
        else if (line[i].x() - line[i - 1].x() > 1e-9)
            at.push_back(z);
    }
}

/// How far the section between two others is from what is drawn straight between them.
double sag(const CrossSection& a, const CrossSection& mid, const CrossSection& b)
{
    constexpr int looks = 40;
    double most = 0;
    for (int k = 0; k < looks; ++k) {
        const double angle = 360.0 * k / looks;
        const Point straight = (a.at(angle) + b.at(angle)) / 2;
        most = std::max(most, (mid.at(angle) - straight).norm());
    }
    return most;
}

void between(const TurnedSurfaces& surfaces, const CrossSection& a, const CrossSection& b, double tolerance, int depth,
             std::vector<double>& out)
{
    if (depth > 0 && b.z() - a.z() > 0.1) {
        const CrossSection mid(surfaces, (a.z() + b.z()) / 2);
        if (a.spans().size() != b.spans().size() || sag(a, mid, b) > tolerance) {
            between(surfaces, a, mid, tolerance, depth - 1, out);
            between(surfaces, mid, b, tolerance, depth - 1, out);
            return;
        }
    }
    out.push_back(b.z());
}

}  // namespace

std::vector<double> sliceStations(const TurnedSurfaces& surfaces, double z0, double z1, double tolerance)
{
    std::vector<double> at{z0, z1};
    addStations(surfaces.outside, 0, 1, tolerance, at);
    for (const TurnedAbout& axis : surfaces.axes) {
        addStations(axis.outline, axis.at.x(), axis.along.x(), tolerance, at);
        if (!axis.parallel()) at.insert(at.end(), {axis.from(), axis.to()});
    }
    std::erase_if(at, [&](double z) { return z < z0 || z > z1; });
    std::ranges::sort(at);
    at.erase(std::unique(at.begin(), at.end(), [](double a, double b) { return b - a < besideStep / 2; }), at.end());
    std::vector<double> out{at.front()};
    for (size_t i = 1; i < at.size(); ++i) {
        if (at[i] - at[i - 1] < 1e-3) {
            out.push_back(at[i]);
            continue;
        }
        between(surfaces, CrossSection(surfaces, at[i - 1]), CrossSection(surfaces, at[i]), tolerance, 6, out);
    }
    return out;
}

Polyline outsideAlong(const TurnedSurfaces& surfaces, double angleDeg, double tolerance)
{
    if (surfaces.round()) return surfaces.outsideAsItRuns();
    Polyline line;
    for (const double z :
         sliceStations(surfaces, surfaces.outside.front().x(), surfaces.outside.back().x(), tolerance)) {
        const CrossSection s(surfaces, z);
        line.emplace_back(z, s.holds({0, 0}) ? s.reachFrom({0, 0}, angleDeg) : 0.0);
    }
    return line;
}

Polyline silhouetteAlong(const TurnedSurfaces& surfaces, double angleDeg, double tolerance)
{
    if (surfaces.round()) return surfaces.outside;
    const Point way = polar(1, angleDeg);
    Polyline line;
    for (const double z :
         sliceStations(surfaces, surfaces.outside.front().x(), surfaces.outside.back().x(), tolerance)) {
        double most = 0;
        for (const Point& p : CrossSection(surfaces, z).outline(tolerance)) most = std::max(most, way.dot(p));
        line.emplace_back(z, most);
    }
    return line;
}

}  // namespace vl
