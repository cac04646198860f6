#include "core/plan/working.h"

#include "core/measure/format.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr const char* polygon = "plane geometry of the regular polygon";
constexpr const char* measured = "measured on the drawing";
constexpr const char* common = "common practice";

class Writer {
public:
    Writer(const Piece& p, const Shop& shop, const Plan& plan, int layer, LengthStyle style)
        : p_(p), shop_(shop), plan_(plan), layer_(layer), style_(style)
    {
    }

    Working of(FigureId id) const
    {
        const Shape& s = plan_.shape;
        const std::string value = figureText(id, p_, plan_, layer_, style_);
        const std::string length = value + " " + unitName(style_);
        switch (id) {
        case FigureId::Height:
            return {"Height",
                    length,
                    "last node's station − headstock face",
                    "",
                    measured,
                    "",
                    "layers, stations, template"};
        case FigureId::GreatestDiameter:
            return {"Greatest diameter",      length,   "2 × greatest radius of the outline",
                    "at " + mm(s.greatestAt), measured, "",
                    "finished speed, swing"};
        case FigureId::LeastDiameter:
            return {.title = "Least diameter",
                    .result = length,
                    .formula = "2 × least radius of the outline",
                    .numbers = "at " + mm(s.leastAt),
                    .assumption = measured,
                    .source = "",
                    .use = "strength of a stem"};
        case FigureId::ThinnestWall:
            return {"Thinnest wall",
                    length,
                    "shortest distance from the inside to the outside",
                    "at " + mm(s.thinnest.inside.x()),
                    "square to the surface, not along the radius",
                    measured,
                    "caution on the wall"};
        case FigureId::ThickestWall:
            return {"Thickest wall",
                    length,
                    "greatest of the shortest distances from the inside to the outside",
                    "at " + mm(s.thickest.inside.x()),
                    "square to the surface, above the floor's rounding",
                    measured,
                    "drying and weight"};
        case FigureId::FloorThickness:
            return {"Floor",
                    length,
                    "shortest way from the middle of the inside's floor to the outside",
                    "",
                    "on the axis",
                    measured,
                    "caution on the floor"};
        case FigureId::Capacity:
            return {"Capacity",
                    value,
                    "Σ π·h·(R² + R·r + r²)/3 over the inside",
                    "",
                    "filled level with the rim",
                    "volume of a frustum, plane geometry",
                    ""};
        case FigureId::Weight:
            return {"Finished weight",
                    value,
                    "Σ volume × density of each layer's woods",
                    fixed(s.woodVolume / 1e3, 1) + " cm³ of wood",
                    "wood at 12 % moisture; every segment has the same share of its ring",
                    "densities: see the wood's own source",
                    "tip angle"};
        case FigureId::RoughWeight:
            return {"Weight of the blank",
                    value,
                    "Σ volume of each layer as glued × density",
                    "",
                    "wood at 12 % moisture",
                    "densities: see the wood's own source",
                    "handling, speed"};
        case FigureId::GravityHeight:
            return {"Center of gravity",     length,    "Σ z·mass / Σ mass", "",
                    "height above the foot", "statics", "tip angle"};
        case FigureId::TipAngle:
            return {"Tips at",
                    value,
                    "atan(radius of the foot / height of the center of gravity)",
                    "atan(" + mm(s.footRadius) + " / " + mm(s.gravityHeight) + ")",
                    "stands on the outermost edge of its foot; empty",
                    "statics",
                    "caution below " + fixed(shop_.leastTip, 1) + "°"};
        case FigureId::RoughSpeed:
            return {"Speed, rough blank",
                    value,
                    "6000 … 9000 / diameter in inches",
                    "6000 … 9000 / " + fixed(2 * plan_.lathe.roughRadius / mmPerInch, 2),
                    "to the blank's corners; balanced; start at the lowest until it runs round",
                    std::string(common) + "; the machine's manual comes first",
                    "lathe"};
        case FigureId::FinishedSpeed:
            return {"Speed, turned",
                    value,
                    "6000 … 9000 / diameter in inches",
                    "6000 … 9000 / " + fixed(s.greatestDiameter / mmPerInch, 2),
                    "balanced and round; never above the lathe's own " + fixed(shop_.lathe.highestRpm, 0) + " rpm",
                    std::string(common) + "; the machine's manual comes first",
                    "lathe"};
        case FigureId::SwingClearance:
            return {"Clearance over the bed",
                    length,
                    "center height − farthest corner of the blank",
                    mm(shop_.lathe.swingRadius) + " − " + mm(plan_.lathe.roughRadius),
                    "bed without a banjo in the way: measure over it too",
                    "the shop's lathe",
                    "caution on swing"};
        case FigureId::StockVolume:
            return {"Strips altogether",
                    value,
                    "Σ length × width × thickness of the planed strips",
                    "",
                    "planed wood, before ripping and planing losses",
                    polygon,
                    "what to buy"};
        case FigureId::Waste:
            return {"Waste",
                    value,
                    "1 − volume of the parts / volume of the strips",
                    "1 − " + fixed(plan_.cuts.partsVolume / 1e3, 0) + " / " + fixed(plan_.cuts.volume / 1e3, 0) +
                        " cm³",
                    "kerf, strip ends and the corners of discs",
                    polygon,
                    "what to buy"};
        case FigureId::WorkTime:
            return {"Work", value,      "Σ minutes of work of every step", "", "usual times, yours will differ",
                    common, "timetable"};
        case FigureId::TotalTime:
            return {"Start to finish",
                    value,
                    "one pair of hands, waiting beside the work",
                    "no schedule is shorter than " + fixed(plan_.schedule.lowerBound / 60, 1) + " h: " +
                        (plan_.schedule.busiest == "chain" ? "the longest chain of steps"
                                                           : "the " + plan_.schedule.busiest + " can do no more"),
                    "the hours, clamps and temperature of the shop",
                    common,
                    "timetable"};
        case FigureId::Station:
            return {"Station",
                    "",
                    p_.choices.stations == StationRule::Even
                        ? "multiples of the spacing, and the rim"
                        : "nodes, greatest and least diameters, turns of the curve",
                    "",
                    "along the axis from the headstock face",
                    measured,
                    "caliper"};
        case FigureId::StationOutside:
            return {"Outside Ø at a station", "", "2 × radius of the outline there", "", "", measured, "caliper"};
        case FigureId::StationInside:
            return {"Inside Ø at a station", "", "2 × radius of the inside there", "", "along the radius", measured,
                    "inside caliper"};
        case FigureId::StationWall:
            return {"Wall at a station",
                    "",
                    "shortest distance from the inside there to the outside",
                    "",
                    "square to the surface, not along the radius",
                    measured,
                    "wall caliper"};
        case FigureId::Parting:
            return {"Parting depth",
                    "",
                    "radius of the blank turned just round − finished radius",
                    "",
                    "the largest circle that the blank's flats hold",
                    measured,
                    "roughing to stations"};
        default:
            return ofLayer(id, value);
        }
    }

private:
    std::string mm(double v) const { return formatLengthUnit(v, style_); }
    std::string raw(double v) const { return formatLength(v, style_, 2); }

    /// What is added for the sake of fewer set-ups.
    std::string madeAlike(double mm, const char* sign = " + ") const
    {
        return mm > 0 ? sign + raw(mm) + " to be set with others" : "";
    }

    Working ofLayer(FigureId id, const std::string& value) const
    {
        Working none{"", value, "", "", "", "", ""};
        if (layer_ < 0 || layer_ >= static_cast<int>(plan_.assembly.layers.size())) return none;
        const BuiltLayer& b = plan_.assembly.layers[static_cast<size_t>(layer_)];
        const Layer& l = p_.layers[static_cast<size_t>(layer_)];
        const RegularRing& r = b.stock;
        const std::string n = std::to_string(r.sides), length = value + " " + unitName(style_);
        switch (id) {
        case FigureId::StockOuter:
            return {"Stock outside",
                    "Ø " + length,
                    l.stockOuter ? "set by hand" : "largest finished diameter + 2 × allowance",
                    l.stockOuter ? ""
                                 : raw(2 * b.finishedOuter.high) + " + 2 × " + raw(l.outerAllowance) +
                                       madeAlike(2 * b.sharedSetUps.outer),
                    "measured across the flats: the least diameter of the blank",
                    measured,
                    "outer edge, swing"};
        case FigureId::StockInner:
            return {"Stock inside",
                    "Ø " + length,
                    l.stockInner ? "set by hand" : "smallest finished bore − 2 × allowance",
                    l.stockInner ? ""
                                 : raw(2 * b.finishedInner.low) + " − 2 × " + raw(l.innerAllowance) +
                                       madeAlike(2 * b.sharedSetUps.inner, " − "),
                    "to the inner corners: the greatest diameter of the opening",
                    measured,
                    "inner edge, board width"};
        case FigureId::PlaneTo:
            return {"Plane to",
                    length,
                    "thickness as glued on + 2 × sanding loss",
                    raw(b.glued) + " + 2 × " + raw(l.sandingLoss) + madeAlike(2 * b.sharedSetUps.loss),
                    "both faces are flattened",
                    common,
                    "thickness of the strips"};
        case FigureId::OverlapBelow: {
            if (layer_ == 0) return none;
            const Overlap& o = plan_.overlaps[static_cast<size_t>(layer_) - 1];
            return {"Overlap with the layer below",
                    length,
                    "lesser outer radius − greater inner radius, where they meet",
                    "as glued " + raw(o.stock) + ", after turning " + raw(o.finished),
                    "along the radius at " + mm(o.z),
                    measured,
                    "caution below " + mm(shop_.leastOverlap)};
        }
        case FigureId::Rotation:
            if (!l.sectors()) return none;
            return {"Rotation",
                    value,
                    "share of a segment × 360° / segments",
                    fixed(l.sectors()->turn, 3) + " × 360° / " + n,
                    "on from the layer below",
                    polygon,
                    "glue-up"};
        default:
            break;
        }
        const RingCut* cut = plan_.cutOf(layer_);
        if (!cut) return none;
        const std::string gapped = r.openDeg > 0 ? " − gap ÷ 2" : "";
        const std::string air = r.gap > 0 ? " − gap ÷ cos(miter)" : "";
        const std::string a = "180° ÷ " + n + (r.openDeg > 0 ? " − " + fixed(r.openDeg, 3) + "° ÷ 2" : "");
        const std::string lost = r.gap > 0 ? " − " + raw(r.gap) + " ÷ cos(" + a + ")" : "";
        switch (id) {
        case FigureId::Segments:
            return {"Segments", value, "chosen", "", "", "", "miter"};
        case FigureId::Miter:
            return {"Miter", value, "180° ÷ segments" + gapped, a, "from square, each end of a segment",
                    polygon, "saw"};
        case FigureId::Fence:
            return {.title = "Fence",
                    .result = value,
                    .formula = "90° − miter",
                    .numbers = "90° − (" + a + ")",
                    .assumption = "the same cut, read from the fence's own line",
                    .source = polygon,
                    .use = "saw"};
        case FigureId::OuterEdge:
            return {"Outer edge",
                    length,
                    "2 × apothem × tan(miter)" + air,
                    "2 × " + raw(r.apothem()) + " × tan(" + a + ")" + lost,
                    "the apothem is half the stock's outside",
                    polygon,
                    "stop at the saw"};
        case FigureId::InnerEdge:
            return {"Inner edge",
                    length,
                    "2 × inner corner radius × sin(miter)" + air,
                    "2 × " + raw(r.innerCorner()) + " × sin(" + a + ")" + lost,
                    "the corner radius is half the stock's inside",
                    polygon,
                    "check of a cut segment"};
        case FigureId::BoardWidth:
            return {"Board width",
                    length,
                    "apothem − inner corner radius × cos(miter)",
                    raw(r.apothem()) + " − " + raw(r.innerCorner()) + " × cos(" + a + ")",
                    "ripped exactly to this width",
                    polygon,
                    "rip fence"};
        case FigureId::StripLength:
            return {"Strip",
                    length,
                    "Σ count × (outer + inner edge) / 2 + width × tan(miter) + (count + 1) × kerf / cos(miter) "
                    "+ end waste",
                    n + " segments, kerf " + mm(shop_.kerf) + ", end waste " + mm(p_.choices.endWaste) +
                        " for each wood",
                    "neighbors share each cut",
                    polygon,
                    "strip list"};
        case FigureId::SledOffset:
            return {"Sled offset",
                    length,
                    "run × tan(miter)",
                    raw(p_.choices.sledRun) + " × tan(" + fixed(cut->miter, 3) + "°)",
                    "from square, at the end of the run, for each fence",
                    polygon,
                    "wedge sled"};
        case FigureId::Wedge:
            return {"Wedge", value,       "2 × miter", "2 × (" + a + ")", "between the sled's two fences",
                    polygon, "wedge sled"};
        case FigureId::Correction: {
            const bool inside = p_.choices.trialGap < 0;
            // The ring that was measured, not the one that it corrects.
            const int trial = plan_.cuts.trialRing;
            const RegularRing& measuredRing =
                plan_.assembly.layers[static_cast<size_t>(trial < 0 ? layer_ : trial)].stock;
            const double over =
                inside ? 2 * (measuredRing.outerCorner() - measuredRing.innerCorner()) : 2 * measuredRing.outerCorner();
            return {"Fence correction",
                    value,
                    inside ? "2·asin(gap / (2 × length of the joint)) / (2 × segments)"
                           : "2·asin(gap / rim diameter) / (2 × segments)",
                    cut->correction == 0
                        ? "no trial ring of " + n + " segments measured"
                        : "2·asin(" + mm(p_.choices.trialGap) + " / " + mm(over) + ") / (2 × " + n + ")",
                    inside ? "open at the bore: the ends meet at the rim, every cut off by the same"
                           : "gap measured at the outside of the last joint, every cut off by the same",
                    polygon,
                    "added to the miter"};
        }
        default:
            return none;
        }
    }

    const Piece& p_;
    const Shop& shop_;
    const Plan& plan_;
    int layer_;
    LengthStyle style_;
};

}  // namespace

Working workingOf(const Setting& s, LengthStyle style)
{
    Working w;
    const std::string machine(resourceName(s.machine));
    w.title = (machine.empty() ? "" : machine + ": ") + s.name;
    w.result = print(
        Quantity{s.value, s.unit, s.unit == Unit::Count && s.value == std::round(s.value) ? 0 : s.decimals}, style);
    w.formula = s.formula;
    w.source = s.source;
    w.use = machine.empty() ? "a measure to check by" : "set at the " + machine;
    return w;
}

Working workingOf(FigureId figure, const Piece& piece, const Shop& shop, const Plan& plan, int layer, LengthStyle style)
{
    return Writer(piece, shop, plan, layer, style).of(figure);
}

}  // namespace vl
