#include "core/workpiece/sawn_cuts.h"

#include <algorithm>

namespace vl {
namespace {

/// The curve and its mirror image, from left to right.
Polyline bothSides(const Polyline& curve)
{
    Polyline line;
    for (auto p = curve.rbegin(); p != curve.rend(); ++p)
        if (p->x() > 0) line.emplace_back(-p->x(), p->y());
    line.insert(line.end(), curve.begin(), curve.end());
    return line;
}

Polyline below(const Polyline& line)
{
    Polyline out{{line.front().x(), -beyondAll}, {line.back().x(), -beyondAll}};
    out.insert(out.end(), line.rbegin(), line.rend());
    return out;
}

Polyline above(Polyline line)
{
    line.emplace_back(line.back().x(), beyondAll);
    line.emplace_back(line.front().x(), beyondAll);
    return line;
}

/// The line drawn on to both sides as it ends.
Polyline drawnOn(Polyline line)
{
    line.insert(line.begin(), Point(-beyondAll, line.front().y()));
    line.emplace_back(beyondAll, line.back().y());
    return line;
}

}  // namespace

Polyline curveOf(const Sawn& sawn)
{
    // Drawn with its mirror image, so that it runs smoothly through the axis.
    Outline whole;
    for (size_t i = sawn.curve.size(); i-- > 1;) {
        whole.push_back(sawn.curve[i]);
        whole.back().z = -sawn.curve[i].z;
        whole.back().span = sawn.curve[i - 1].span;
        whole.back().bulge = sawn.curve[i - 1].bulge;
    }
    whole.insert(whole.end(), sawn.curve.begin(), sawn.curve.end());
    Polyline curve;
    for (const Point& p : flatten(whole, 0.05))
        if (p.x() >= 0 && (curve.empty() || (p - curve.back()).norm() > 1e-6)) curve.push_back(p);
    return curve;
}

std::optional<Sawed> livingEdge(const Piece& piece)
{
    const BlockForm* block = piece.layers.size() == 1 ? piece.layers[0].as<BlockForm>() : nullptr;
    if (!block || block->shape != BlockForm::HalfLog || block->bark != BlockForm::AtRim) return std::nullopt;
    if (std::ranges::any_of(piece.sawn, [](const Sawn& s) { return s.when == Sawn::Grown && s.from == Sawn::Top; }))
        return std::nullopt;
    // The log's round over its flat face, which is the foot's.
    Polyline line;
    constexpr int looks = 96;
    for (int k = 0; k <= looks; ++k) {
        const double a = pi * k / looks;
        line.emplace_back(-block->log / 2 * std::cos(a), block->log / 2 * std::sin(a));
    }
    line.front().y() = line.back().y() = 0;
    return Sawed{outwards(0), Eigen::Vector3d::UnitX(), above(drawnOn(line))};
}

std::vector<Cut> sawnCuts(const Piece& piece)
{
    std::vector<Cut> cuts;
    if (const auto bark = livingEdge(piece)) cuts.push_back({"", *bark});
    const Eigen::Vector3d grain = outwards(90), across = outwards(0), axis = Eigen::Vector3d::UnitX();
    for (const Sawn& s : piece.sawn) {
        const Polyline line = bothSides(curveOf(s));
        const Eigen::Vector3d run = s.run == Sawn::WithGrain ? grain : across,
                              square = s.run == Sawn::WithGrain ? across : grain;
        auto take = [&](const Eigen::Vector3d& up, Polyline outline) {
            cuts.push_back({sawStep(s), Sawed{run, up, std::move(outline)}});
        };
        switch (s.from) {
        case Sawn::Underside:
            take(axis, below(line));
            break;
        case Sawn::Top:
            take(axis, above(line));
            break;
        case Sawn::Sides:
            take(square, above(drawnOn(line)));
            take(-square, above(drawnOn(line)));
            break;
        }
    }
    return cuts;
}

std::string nameOf(const Piece& piece, const Sawn& sawn)
{
    if (!sawn.name.empty()) return sawn.name;
    for (size_t i = 0; i < piece.sawn.size(); ++i)
        if (piece.sawn[i].id == sawn.id) return "cut " + std::to_string(i + 1);
    return "cut";
}

std::string sawStep(const Sawn& sawn) { return sawn.when == Sawn::Grown ? "" : "saw-" + sawn.id; }

bool sawnBefore(const Piece& piece, const Sawn& sawn)
{
    const bool flat = piece.layers.size() == 1 && (piece.layers[0].is<BlockForm>() || piece.layers[0].is<SlabForm>());
    return flat && (sawn.when == Sawn::Before || sawn.when == Sawn::Twice);
}

}  // namespace vl
