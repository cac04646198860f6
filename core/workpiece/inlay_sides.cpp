#include "core/workpiece/inlay_sides.h"

#include "core/geometry/rim_groove.h"
#include "core/wood/filler.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {
namespace {

constexpr double soughtAlong = 2000;  // mm, along which wood is looked for

/// How much wood lies from a place on in a direction, mm.
double woodFrom(const TurnedSurfaces& surfaces, const Eigen::Vector3d& at, const Eigen::Vector3d& way)
{
    const std::vector<Range> wood = woodAlong(surfaces, at, way, std::min(soughtAlong, 2 * surfaces.widest() + 500));
    return wood.empty() || wood.front().low > 1e-3 ? 0 : wood.front().high;
}

double pieceVolume(const Inlay& f)
{
    switch (f.set) {
    case Inlay::None:
        return 0;
    case Inlay::Rounds:
        return pi * f.piece * f.piece / 4 * f.depth;
    case Inlay::Blocks:
        break;
    }
    const double deep = f.rows == Inlay::One ? f.width : f.width / 2;
    return f.piece * deep * f.depth;
}

/// How far the two rows stand off the groove's middle.
double offMiddle(const Inlay& f) { return f.rows == Inlay::One ? 0 : std::max(0.0, (f.width - f.piece) / 2); }

/// The least gap between neighbors; on the rim's circle as the chord of what is left over, shared evenly.
double gapOf(const Inlay& f, const InlayPlace& p)
{
    if (f.set == Inlay::None) return 0;
    const double middle = f.kind == Inlay::Rim ? f.center / 2 : p.low, off = offMiddle(f);
    // Round the wall both rows are as wide round; on the rim the inner one is tighter.
    const double inner = f.kind == Inlay::Rim ? middle - off : middle;
    const auto row = [&](int n) {
        const double circle = std::max(2 * inner, 1e-3);
        if (f.piece >= circle) return circle - n * f.piece;
        return n > 1 ? rimPieces(circle, std::vector<double>(static_cast<size_t>(n), f.piece)).gap : circle;
    };
    if (f.rows == Inlay::One) return row(f.count);
    const int each = (f.count + 1) / 2;
    if (f.rows == Inlay::Two) return std::min(row(each), 2 * off - f.piece);
    const double half = pi / std::max(1, each);  // from one to the next, in the other row
    const double outer = f.kind == Inlay::Rim ? middle + off : middle, beside = f.kind == Inlay::Rim ? 0 : 2 * off;
    const double apart = std::hypot(
        std::sqrt(std::max(0.0, inner * inner + outer * outer - 2 * inner * outer * std::cos(half))), beside);
    return std::min(row(each), apart - f.piece);
}

}  // namespace

InlayPlace placeOf(const Inlay& f, const TurnedSurfaces& surfaces)
{
    InlayPlace p;
    const double pieces = f.kind == Inlay::Crack ? 0 : f.count * pieceVolume(f);
    if (f.kind == Inlay::Rim) {
        const double middle = f.center / 2, top = stationSeen(surfaces, End::Tailstock, middle);
        if (std::isnan(top)) return p;
        p.meetsWood = true;
        p.z0 = top - f.depth;
        p.z1 = top;
        p.low = middle - f.width / 2;
        p.high = middle + f.width / 2;
        p.left = woodFrom(surfaces, pointAt(p.z0, middle, 1), -Eigen::Vector3d::UnitX());
        // To its sides all the way down: a foot is narrower than its rim.
        constexpr int looks = 20;
        for (int k = 0; k <= looks; ++k) {
            const double z = top - 1e-3 - (f.depth - 1e-3) * k / looks, out = radiusAt(surfaces.outside, z),
                         in = surfaces.inside.empty() ? std::nan("") : radiusRange(surfaces.inside, z, z).high;
            p.left = std::min({p.left, std::isnan(out) ? 0 : out - p.high, std::isnan(in) ? p.low : p.low - in});
        }
        p.volume = std::max(0.0, pi * f.center * f.width * f.depth - pieces);
    } else {
        const double half = (f.kind == Inlay::Crack ? f.length : f.width) / 2;
        const double at = radiusAt(surfaces.outside, f.at);
        if (!(at > f.depth)) return p;
        p.meetsWood = true;
        p.z0 = f.at - half;
        p.z1 = f.at + half;
        p.high = at;
        p.low = at - f.depth;
        const double direction = f.kind == Inlay::Crack ? f.direction : 1;
        // All along it: on a wall that slopes it is nearest to the hollow at one of its ends.
        p.left = woodFrom(surfaces, pointAt(f.at, p.low, direction), -outwards(direction));
        constexpr int looks = 12;
        for (int k = 0; k <= looks; ++k) {
            const double z = p.z0 + 1e-3 + (p.z1 - p.z0 - 2e-3) * k / looks;
            if (radiusAt(surfaces.outside, z) > p.low)
                p.left = std::min(p.left, woodFrom(surfaces, pointAt(z, p.low, direction), -outwards(direction)));
        }
        // A crack is opened to a boat's shape: the ellipse of its length and its width.
        p.volume = f.kind == Inlay::Crack ? pi / 4 * f.length * f.width * f.depth
                                          : std::max(0.0, 2 * pi * (at - f.depth / 2) * f.width * f.depth - pieces);
    }
    if (f.kind != Inlay::Crack) p.gap = gapOf(f, p);
    p.pieceLength = f.depth + f.proud;
    return p;
}

std::vector<SetPiece> piecesOf(const Inlay& f, const InlayPlace& place)
{
    std::vector<SetPiece> all;
    if (f.kind == Inlay::Crack || f.set == Inlay::None || !place.meetsWood) return all;
    const double off = offMiddle(f), middle = f.kind == Inlay::Rim ? f.center / 2 : (place.low + place.high) / 2;
    const int each = f.rows == Inlay::One ? f.count : (f.count + 1) / 2;
    for (int k = 0; k < f.count; ++k) {
        // Two rows stand beside one another, zigzag goes from one to the other.
        const bool second = f.rows != Inlay::One && (f.rows == Inlay::Two ? k >= each : k % 2 == 1);
        const double share = f.rows == Inlay::Two ? 360.0 / each * (k % each) : 360.0 / f.count * k;
        const double side = f.rows == Inlay::One ? 0 : second ? off : -off;
        all.push_back({f.kind == Inlay::Rim ? middle + side : middle, f.direction + share,
                       f.kind == Inlay::Rim ? place.z0 : f.at + side});
    }
    return all;
}

Filling fillingOf(const Inlay& f, const InlayPlace& place)
{
    constexpr double solid = 0.6, glue = 1.06e-3, perMm3 = 1e-6;  // share; g/mm³ of CA; kg/m³ to g/mm³
    const Species& wood = fillingOf(f.filler);
    return {place.volume * (isPacked(wood) ? solid : 1) * wood.density * perMm3,
            place.volume * (isPacked(wood) ? 1 - solid : 0.05) * glue};
}

std::string nameOf(const Piece& piece, const Inlay& inlay)
{
    if (!inlay.name.empty()) return inlay.name;
    static constexpr std::array kinds{"groove", "band", "crack"};
    int number = 0;
    for (const Inlay& f : piece.inlays) {
        if (f.kind == inlay.kind) ++number;
        if (f.id == inlay.id) break;
    }
    return kinds[static_cast<size_t>(inlay.kind)] + (number > 1 ? " " + std::to_string(number) : std::string());
}

std::string fillStep(const Inlay& inlay) { return "fill-" + inlay.id; }
std::string fillStep(const Hole& hole) { return "fill-" + hole.id; }

}  // namespace vl
