#include "core/plan/figure_text.h"

#include "core/constructions/construction.h"
#include "core/measure/format.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

std::string speedText(const SpeedRange& s)
{
    // Never rounded up past what is borne.
    const std::string low = fixed(std::floor(s.low), 0), high = fixed(std::floor(s.high), 0);
    return low == high ? "up to " + high + " rpm" : low + " – " + high + " rpm";
}

std::string hours(double minutes)
{
    const auto total = static_cast<long>(std::lround(minutes));
    return total < 60
               ? std::to_string(total) + " min"
               : std::to_string(total / 60) + " h" + (total % 60 ? " " + std::to_string(total % 60) + " min" : "");
}

/// Ounces and pounds where lengths are inches; the avoirdupois pound is 0.45359237 kg, exact by definition.
std::string weight(double kg, LengthStyle style)
{
    if (style.unit == LengthStyle::Unit::Millimeter) return kg < 1 ? fixed(kg * 1000, 0) + " g" : fixed(kg, 2) + " kg";
    const double pounds = kg / 0.45359237;
    return pounds < 1 ? fixed(pounds * 16, 1) + " oz" : fixed(pounds, 2) + " lb";
}

}  // namespace

std::string figureText(FigureId id, const Piece& piece, const Plan& plan, int layer, LengthStyle style)
{
    const Shape& s = plan.shape;
    auto mm = [&](double v, int decimals = -1) { return formatLength(v, style, decimals); };
    switch (id) {
    case FigureId::Height:
        return mm(s.height);
    case FigureId::GreatestDiameter:
        return mm(s.greatestDiameter);
    case FigureId::LeastDiameter:
        return mm(s.leastDiameter);
    case FigureId::ThinnestWall:
        return s.solid ? "–" : mm(s.thinnest.wall);
    case FigureId::ThickestWall:
        return s.solid ? "–" : mm(s.thickest.wall);
    case FigureId::FloorThickness:
        return s.solid ? "–" : mm(s.floorThickness);
    case FigureId::Capacity:
        if (s.solid) return "–";
        return style.unit == LengthStyle::Unit::Millimeter
                   ? fixed(s.capacity / 1e6, 2) + " l"
                   : fixed(s.capacity / (mmPerInch * mmPerInch * mmPerInch), 1) + " in³";
    case FigureId::Weight:
        return weight(s.weight, style);
    case FigureId::RoughWeight:
        return weight(s.roughWeight, style);
    case FigureId::GravityHeight:
        return mm(s.gravityHeight);
    case FigureId::TipAngle:
        return fixed(s.tipAngle, 1) + "°";
    case FigureId::RoughSpeed:
        return speedText(plan.lathe.rough);
    case FigureId::FinishedSpeed:
        return speedText(plan.lathe.finished);
    case FigureId::SwingClearance:
        return mm(plan.lathe.swingClearance);
    case FigureId::StockVolume:
        return fixed(plan.cuts.volume / 1e9, 5) + " m³ · " + fixed(boardFeet(plan.cuts.volume), 2) + " bd ft";
    case FigureId::Waste:
        return fixed(100 * (1 - plan.cuts.yield()), 0) + " %";
    case FigureId::WorkTime:
        return hours(plan.schedule.workMinutes);
    case FigureId::TotalTime:
        return hours(plan.schedule.length);
    default:
        break;
    }
    if (layer < 0 || layer >= static_cast<int>(plan.assembly.layers.size())) return "–";
    const BuiltLayer& b = plan.assembly.layers[static_cast<size_t>(layer)];
    switch (id) {
    case FigureId::StockOuter:
        return mm(b.stock.outer);
    case FigureId::StockInner:
        return mm(b.stock.inner);
    case FigureId::PlaneTo:
        return mm(b.planeTo);
    case FigureId::OverlapBelow:
        if (layer == 0) return "–";
        return mm(std::min(plan.overlaps[static_cast<size_t>(layer) - 1].stock,
                           plan.overlaps[static_cast<size_t>(layer) - 1].finished));
    case FigureId::Rotation: {
        const Sectors* sectors = piece.layers[static_cast<size_t>(layer)].sectors();
        return !sectors || layer == 0 ? "–" : fixed(sectors->turn * 360 / sectors->segments, 2) + "°";
    }
    case FigureId::Segments:
        return std::to_string(b.count());
    default:
        break;
    }
    const RingCut* cut = plan.cutOf(layer);
    if (!cut) return "–";
    switch (id) {
    case FigureId::Miter:
        return fixed(cut->miter, 3) + "°";
    case FigureId::Fence:
        return fixed(cut->fence, 3) + "°";
    case FigureId::OuterEdge:
        return mm(cut->outerEdge, 2);
    case FigureId::InnerEdge:
        return mm(cut->innerEdge, 2);
    case FigureId::BoardWidth:
        return mm(cut->boardWidth, 2);
    case FigureId::StripLength:
        return mm(cut->stripLength, 0);
    case FigureId::SledOffset:
        return mm(cut->sledOffset, 2);
    case FigureId::Wedge:
        return fixed(cut->wedge, 3) + "°";
    case FigureId::Correction:
        return (cut->correction > 0 ? "+" : "") + fixed(cut->correction, 3) + "°";
    default:
        return "–";
    }
}

std::string settingText(const Setting& s, LengthStyle style)
{
    switch (s.unit) {
    case Unit::Length:
        return formatLength(s.value, style, style.unit == LengthStyle::Unit::Millimeter ? s.decimals : -1);
    case Unit::Angle:
        return fixed(s.value, std::min(2, s.decimals)) + "°";
    default:
        return print(Quantity{s.value, s.unit, s.value == std::round(s.value) ? 0 : s.decimals}, style);
    }
}

}  // namespace vl
