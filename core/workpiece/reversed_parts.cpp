#include "core/workpiece/reversed_parts.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// Even from its ends to its middle and on: what the form's three radii give.
Polyline firstTurning(const InsideOutForm& f, double length)
{
    const double from = std::max(0.0, f.from), to = std::min(length, f.to);
    if (!(to - from > 1)) return {};
    const auto node = [](double z, double r) {
        Node n;
        n.z = z;
        n.r = r;
        return n;
    };
    return flatten({node(from, f.ends), node((from + to) / 2, f.radius), node(to, f.ends)});
}

}  // namespace

double heldBy(int parts) { return parts == 3 ? std::sin(pi / 3) : 1; }

InsideOut InsideOutBlank::at(double z, double outside) const
{
    const double turned = first.empty() ? std::nan("") : radiusAt(first, z);
    InsideOut here{side, 0, outside, parts};
    here.turned = std::isnan(turned) ? here.far() : std::min(turned, here.far());
    return here;
}

std::optional<InsideOutBlank> insideOutOf(const Piece& piece, const Polyline& outside)
{
    const InsideOutForm* form = piece.layers.size() == 1 ? piece.layers[0].as<InsideOutForm>() : nullptr;
    if (!form) return std::nullopt;
    const Layer& l = piece.layers[0];
    const double held = radiusRange(outside, 0, l.thickness).high,
                 half = l.stockOuter ? *l.stockOuter / 2 : (std::isnan(held) ? 0 : held) + l.outerAllowance;
    return InsideOutBlank{form->count(), std::max(0.5, half) / heldBy(form->count()), firstTurning(*form, l.thickness)};
}

std::vector<Cut> insideOutCuts(const Piece& piece, const Polyline& outside)
{
    const auto blank = insideOutOf(piece, outside);
    if (!blank || blank->first.empty()) return {};
    constexpr double past = 1;  // mm that the bodies reach beyond the stretch
    Between between{.kept = {}, .along = {blank->first.front().x(), blank->first.back().x()}};
    Drilled body{.from = {0, 0, 0}, .way = Eigen::Vector3d::UnitX(), .profile = blank->first};
    body.profile.insert(body.profile.begin(), Point(between.along.low - past, blank->first.front().y()));
    body.profile.emplace_back(between.along.high + past, blank->first.back().y());
    const double far = InsideOut{blank->side, 0, 0, blank->parts}.far();
    for (int k = 0; k < blank->parts; ++k) {
        body.from = outwards(360.0 * k / blank->parts) * far;
        between.kept.push_back(body);
    }
    return {{std::string(reassembleStep) + "-" + piece.layers[0].id, std::move(between)}};
}

double jointsLeft(const Piece& piece, const Polyline& outside, const InsideOutBlank& blank)
{
    const double length = outlineHeight(piece);
    constexpr int looks = 400;
    double sum = 0;
    for (int k = 0; k < looks; ++k) {
        const double z = length * (k + 0.5) / looks, r = radiusAt(outside, z);
        if (r > 0) sum += blank.at(z, r).joint() * length / looks;
    }
    return sum * blank.parts;
}

}  // namespace vl
