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
            return {.title = "Height",
                    .result = length,
                    .formula = "last node's station − headstock face",
                    .assumption = measured,
                    .use = "layers, stations, template"};
        case FigureId::GreatestDiameter:
            return {.title = "Greatest diameter",
                    .result = length,
                    .formula = "2 × greatest radius of the outline",
                    .numbers = "at " + mm(s.greatestAt),
                    .assumption = measured,
                    .use = "finished speed, swing"};
        case FigureId::LeastDiameter:
            return {.title = "Least diameter",
                    .result = length,
                    .formula = "2 × least radius of the outline",
                    .numbers = "at " + mm(s.leastAt),
                    .assumption = measured,
                    .source = "",
                    .use = "strength of a stem"};
        case FigureId::ThinnestWall:
            return {.title = "Thinnest wall",
                    .result = length,
                    .formula = "shortest distance from the inside to the outside",
                    .numbers = "at " + mm(s.thinnest.inside.x()),
                    .assumption = "square to the surface, not along the radius",
                    .source = measured,
                    .use = "caution on the wall"};
        case FigureId::ThickestWall:
            return {.title = "Thickest wall",
                    .result = length,
                    .formula = "greatest of the shortest distances from the inside to the outside",
                    .numbers = "at " + mm(s.thickest.inside.x()),
                    .assumption = "square to the surface, above the floor's rounding",
                    .source = measured,
                    .use = "drying and weight"};
        case FigureId::FloorThickness:
            return {.title = "Floor",
                    .result = length,
                    .formula = "shortest way from the middle of the inside's floor to the outside",
                    .assumption = "on the axis",
                    .source = measured,
                    .use = "caution on the floor"};
        case FigureId::Capacity:
            return {.title = "Capacity",
                    .result = value,
                    .formula = "Σ π·h·(R² + R·r + r²)/3 over the inside",
                    .assumption = "filled level with the rim",
                    .source = "volume of a frustum, plane geometry"};
        case FigureId::Weight:
            return {.title = "Finished weight",
                    .result = value,
                    .formula = "Σ volume × density of each layer's woods",
                    .numbers = fixed(s.woodVolume / 1e3, 1) + " cm³ of wood",
                    .assumption = "wood at 12 % moisture; every segment has the same share of its ring",
                    .source = "densities: see the wood's own source",
                    .use = "tip angle"};
        case FigureId::RoughWeight:
            return {.title = "Weight of the blank",
                    .result = value,
                    .formula = "Σ volume of each layer as glued × density",
                    .assumption = "wood at 12 % moisture",
                    .source = "densities: see the wood's own source",
                    .use = "handling, speed"};
        case FigureId::GravityHeight:
            return {.title = "Center of gravity",
                    .result = length,
                    .formula = "Σ z·mass / Σ mass",
                    .assumption = "height above the foot",
                    .source = "statics",
                    .use = "tip angle"};
        case FigureId::TipAngle:
            return {.title = "Tips at",
                    .result = value,
                    .formula = "atan(radius of the foot / height of the center of gravity)",
                    .numbers = "atan(" + mm(s.footRadius) + " / " + mm(s.gravityHeight) + ")",
                    .assumption = "stands on the outermost edge of its foot; empty",
                    .source = "statics",
                    .use = "caution below " + fixed(shop_.leastTip, 1) + "°"};
        default:
            return ofWork(id, value);
        }
    }

private:
    /// Speeds, wood, time and stations.
    Working ofWork(FigureId id, const std::string& value) const
    {
        const Shape& s = plan_.shape;
        const std::string length = value + " " + unitName(style_);
        switch (id) {
        case FigureId::RoughSpeed:
            return {.title = "Speed, rough blank",
                    .result = value,
                    .formula = "6000 … 9000 / diameter in inches",
                    .numbers = "6000 … 9000 / " + fixed(2 * plan_.lathe.roughRadius / mmPerInch, 2),
                    .assumption = "to the blank's corners; balanced; start at the lowest until it runs round",
                    .source = std::string(common) + "; the machine's manual comes first",
                    .use = "lathe"};
        case FigureId::FinishedSpeed:
            return {.title = "Speed, turned",
                    .result = value,
                    .formula = "6000 … 9000 / diameter in inches",
                    .numbers = "6000 … 9000 / " + fixed(s.greatestDiameter / mmPerInch, 2),
                    .assumption =
                        "balanced and round; never above the lathe's own " + fixed(shop_.lathe.highestRpm, 0) + " rpm",
                    .source = std::string(common) + "; the machine's manual comes first",
                    .use = "lathe"};
        case FigureId::SwingClearance:
            return {.title = "Clearance over the bed",
                    .result = length,
                    .formula = "center height − farthest corner of the blank",
                    .numbers = mm(shop_.lathe.swingRadius) + " − " + mm(plan_.lathe.roughRadius),
                    .assumption = "bed without a banjo in the way: measure over it too",
                    .source = "the shop's lathe",
                    .use = "caution on swing"};
        case FigureId::StockVolume:
            return {.title = "Strips altogether",
                    .result = value,
                    .formula = "Σ length × width × thickness of the planed strips",
                    .assumption = "planed wood, before ripping and planing losses",
                    .source = polygon,
                    .use = "what to buy"};
        case FigureId::Waste:
            return {.title = "Waste",
                    .result = value,
                    .formula = "1 − volume of the parts / volume of the strips",
                    .numbers = "1 − " + fixed(plan_.cuts.partsVolume / 1e3, 0) + " / " +
                               fixed(plan_.cuts.volume / 1e3, 0) + " cm³",
                    .assumption = "kerf, strip ends and the corners of discs",
                    .source = polygon,
                    .use = "what to buy"};
        case FigureId::WorkTime:
            return {.title = "Work",
                    .result = value,
                    .formula = "Σ minutes of work of every step",
                    .assumption = "usual times, yours will differ",
                    .source = common,
                    .use = "timetable"};
        case FigureId::TotalTime:
            return {.title = "Start to finish",
                    .result = value,
                    .formula = "one pair of hands, waiting beside the work",
                    .numbers =
                        "no schedule is shorter than " + fixed(plan_.schedule.lowerBound / 60, 1) + " h: " +
                        (plan_.schedule.busiest == "chain" ? "the longest chain of steps"
                                                           : "the " + plan_.schedule.busiest + " can do no more"),
                    .assumption = "the hours, clamps and temperature of the shop",
                    .source = common,
                    .use = "timetable"};
        case FigureId::Station:
            return {.title = "Station",
                    .formula = p_.choices.stations == StationRule::Even
                                   ? "multiples of the spacing, and the rim"
                                   : "nodes, greatest and least diameters, turns of the curve",
                    .assumption = "along the axis from the headstock face",
                    .source = measured,
                    .use = "caliper"};
        case FigureId::StationOutside:
            return {.title = "Outside Ø at a station",
                    .formula = "2 × radius of the outline there",
                    .source = measured,
                    .use = "caliper"};
        case FigureId::StationInside:
            return {.title = "Inside Ø at a station",
                    .formula = "2 × radius of the inside there",
                    .assumption = "along the radius",
                    .source = measured,
                    .use = "inside caliper"};
        case FigureId::StationWall:
            return {.title = "Wall at a station",
                    .formula = "shortest distance from the inside there to the outside",
                    .assumption = "square to the surface, not along the radius",
                    .source = measured,
                    .use = "wall caliper"};
        case FigureId::Parting:
            return {.title = "Parting depth",
                    .formula = "radius of the blank turned just round − finished radius",
                    .assumption = "the largest circle that the blank's flats hold",
                    .source = measured,
                    .use = "roughing to stations"};
        default:
            return ofLayer(id, value);
        }
    }

    std::string mm(double v) const { return formatLengthUnit(v, style_); }
    std::string raw(double v) const { return formatLength(v, style_, 2); }

    /// What is added for the sake of fewer set-ups.
    std::string madeAlike(double mm, const char* sign = " + ") const
    {
        return mm > 0 ? sign + raw(mm) + " to be set with others" : "";
    }

    Working ofLayer(FigureId id, const std::string& value) const
    {
        if (layer_ < 0 || layer_ >= static_cast<int>(plan_.assembly.layers.size())) return {.result = value};
        const BuiltLayer& b = plan_.assembly.layers[static_cast<size_t>(layer_)];
        const Layer& l = p_.layers[static_cast<size_t>(layer_)];
        const RegularRing& r = b.stock;
        const std::string n = std::to_string(r.sides), length = value + " " + unitName(style_);
        switch (id) {
        case FigureId::StockOuter:
            return {.title = "Stock outside",
                    .result = "Ø " + length,
                    .formula = l.stockOuter ? "set by hand" : "largest finished diameter + 2 × allowance",
                    .numbers = l.stockOuter ? ""
                                            : raw(2 * b.finishedOuter.high) + " + 2 × " + raw(l.outerAllowance) +
                                                  madeAlike(2 * b.sharedSetUps.outer),
                    .assumption = "measured across the flats: the least diameter of the blank",
                    .source = measured,
                    .use = "outer edge, swing"};
        case FigureId::StockInner:
            return {.title = "Stock inside",
                    .result = "Ø " + length,
                    .formula = l.stockInner ? "set by hand" : "smallest finished bore − 2 × allowance",
                    .numbers = l.stockInner ? ""
                                            : raw(2 * b.finishedInner.low) + " − 2 × " + raw(l.innerAllowance) +
                                                  madeAlike(2 * b.sharedSetUps.inner, " − "),
                    .assumption = "to the inner corners: the greatest diameter of the opening",
                    .source = measured,
                    .use = "inner edge, board width"};
        case FigureId::PlaneTo:
            return {.title = "Plane to",
                    .result = length,
                    .formula = "thickness as glued on + 2 × sanding loss",
                    .numbers = raw(b.glued) + " + 2 × " + raw(l.sandingLoss) + madeAlike(2 * b.sharedSetUps.loss),
                    .assumption = "both faces are flattened",
                    .source = common,
                    .use = "thickness of the strips"};
        case FigureId::OverlapBelow: {
            if (layer_ == 0) return {.result = value};
            const Overlap& o = plan_.overlaps[static_cast<size_t>(layer_) - 1];
            return {.title = "Overlap with the layer below",
                    .result = length,
                    .formula = "lesser outer radius − greater inner radius, where they meet",
                    .numbers = "as glued " + raw(o.stock) + ", after turning " + raw(o.finished),
                    .assumption = "along the radius at " + mm(o.z),
                    .source = measured,
                    .use = "caution below " + mm(shop_.leastOverlap)};
        }
        case FigureId::Rotation:
            if (!l.sectors()) return {.result = value};
            return {.title = "Rotation",
                    .result = value,
                    .formula = "share of a segment × 360° / segments",
                    .numbers = fixed(l.sectors()->turn, 3) + " × 360° / " + n,
                    .assumption = "on from the layer below",
                    .source = polygon,
                    .use = "glue-up"};
        default:
            return ofRing(id, value);
        }
    }

    Working ofRing(FigureId id, const std::string& value) const
    {
        const RingCut* cut = plan_.cutOf(layer_);
        if (!cut) return {.result = value};
        const BuiltLayer& b = plan_.assembly.layers[static_cast<size_t>(layer_)];
        const RegularRing& r = b.stock;
        const std::string n = std::to_string(r.sides), length = value + " " + unitName(style_);
        const std::string gapped = r.openDeg > 0 ? " − gap ÷ 2" : "";
        const std::string air = r.gap > 0 ? " − gap ÷ cos(miter)" : "";
        const std::string a = "180° ÷ " + n + (r.openDeg > 0 ? " − " + fixed(r.openDeg, 3) + "° ÷ 2" : "");
        const std::string lost = r.gap > 0 ? " − " + raw(r.gap) + " ÷ cos(" + a + ")" : "";
        switch (id) {
        case FigureId::Segments:
            return {.title = "Segments", .result = value, .formula = "chosen", .use = "miter"};
        case FigureId::Miter:
            return {.title = "Miter",
                    .result = value,
                    .formula = "180° ÷ segments" + gapped,
                    .numbers = a,
                    .assumption = "from square, each end of a segment",
                    .source = polygon,
                    .use = "saw"};
        case FigureId::Fence:
            return {.title = "Fence",
                    .result = value,
                    .formula = "90° − miter",
                    .numbers = "90° − (" + a + ")",
                    .assumption = "the same cut, read from the fence's own line",
                    .source = polygon,
                    .use = "saw"};
        case FigureId::OuterEdge:
            return {.title = "Outer edge",
                    .result = length,
                    .formula = "2 × apothem × tan(miter)" + air,
                    .numbers = "2 × " + raw(r.apothem()) + " × tan(" + a + ")" + lost,
                    .assumption = "the apothem is half the stock's outside",
                    .source = polygon,
                    .use = "stop at the saw"};
        case FigureId::InnerEdge:
            return {.title = "Inner edge",
                    .result = length,
                    .formula = "2 × inner corner radius × sin(miter)" + air,
                    .numbers = "2 × " + raw(r.innerCorner()) + " × sin(" + a + ")" + lost,
                    .assumption = "the corner radius is half the stock's inside",
                    .source = polygon,
                    .use = "check of a cut segment"};
        case FigureId::BoardWidth:
            return {.title = "Board width",
                    .result = length,
                    .formula = "apothem − inner corner radius × cos(miter)",
                    .numbers = raw(r.apothem()) + " − " + raw(r.innerCorner()) + " × cos(" + a + ")",
                    .assumption = "ripped exactly to this width",
                    .source = polygon,
                    .use = "rip fence"};
        case FigureId::StripLength:
            return {.title = "Strip",
                    .result = length,
                    .formula =
                        "Σ count × (outer + inner edge) / 2 + width × tan(miter) + (count + 1) × kerf / cos(miter) "
                        "+ end waste",
                    .numbers = n + " segments, kerf " + mm(shop_.kerf) + ", end waste " + mm(p_.choices.endWaste) +
                               " for each wood",
                    .assumption = "neighbors share each cut",
                    .source = polygon,
                    .use = "strip list"};
        case FigureId::SledOffset:
            return {.title = "Sled offset",
                    .result = length,
                    .formula = "run × tan(miter)",
                    .numbers = raw(p_.choices.sledRun) + " × tan(" + fixed(cut->miter, 3) + "°)",
                    .assumption = "from square, at the end of the run, for each fence",
                    .source = polygon,
                    .use = "wedge sled"};
        case FigureId::Wedge:
            return {.title = "Wedge",
                    .result = value,
                    .formula = "2 × miter",
                    .numbers = "2 × (" + a + ")",
                    .assumption = "between the sled's two fences",
                    .source = polygon,
                    .use = "wedge sled"};
        case FigureId::Correction: {
            const bool inside = p_.choices.trialGap < 0;
            // The ring that was measured, not the one that it corrects.
            const int trial = plan_.cuts.trialRing;
            const RegularRing& measuredRing =
                plan_.assembly.layers[static_cast<size_t>(trial < 0 ? layer_ : trial)].stock;
            const double over =
                inside ? 2 * (measuredRing.outerCorner() - measuredRing.innerCorner()) : 2 * measuredRing.outerCorner();
            return {.title = "Fence correction",
                    .result = value,
                    .formula = inside ? "2·asin(gap / (2 × length of the joint)) / (2 × segments)"
                                      : "2·asin(gap / rim diameter) / (2 × segments)",
                    .numbers = cut->correction == 0
                                   ? "no trial ring of " + n + " segments measured"
                                   : "2·asin(" + mm(p_.choices.trialGap) + " / " + mm(over) + ") / (2 × " + n + ")",
                    .assumption = inside ? "open at the bore: the ends meet at the rim, every cut off by the same"
                                         : "gap measured at the outside of the last joint, every cut off by the same",
                    .source = polygon,
                    .use = "added to the miter"};
        }
        default:
            return {.result = value};
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
