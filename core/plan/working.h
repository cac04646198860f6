#pragma once

#include "core/plan/plan.h"

namespace vl {

/// The computed numbers whose working can be shown.
enum class FigureId {
    Height,
    GreatestDiameter,
    LeastDiameter,
    ThinnestWall,
    ThickestWall,
    FloorThickness,
    Capacity,
    Weight,
    GravityHeight,
    TipAngle,
    Segments,
    Miter,
    Fence,
    OuterEdge,
    InnerEdge,
    BoardWidth,
    PlaneTo,
    StripLength,
    SledOffset,
    Wedge,
    Correction,
    Rotation,
    StockOuter,
    StockInner,
    OverlapBelow,
    StockVolume,
    Waste,
    RoughWeight,
    RoughSpeed,
    FinishedSpeed,
    SwingClearance,
    Station,
    StationOutside,
    StationInside,
    StationWall,
    Parting,
    WorkTime,
    TotalTime,
};

/// How a number came about, in the trade's terms.
struct Working {
    std::string title;
    std::string result;   ///< with its unit
    std::string formula;  ///< in words and symbols
    std::string numbers;  ///< the same with this piece's numbers; empty where it is measured on the drawing
    std::string assumption;
    std::string source;
    std::string use;  ///< where the number is used
};

/// The working of a figure of the whole piece, or of one layer. Lengths in `style`.
Working workingOf(FigureId figure, const Piece& piece, const Shop& shop, const Plan& plan, int layer,
                  LengthStyle style);

/// The figure as the screen shows it, without its unit; "–" where the layer has none.
std::string figureText(FigureId figure, const Piece& piece, const Plan& plan, int layer, LengthStyle style);

/// A setting as a narrow column shows it: without its unit, angles with their sign.
std::string settingText(const Setting& setting, LengthStyle style);
/// The working of a setting that a construction gives.
Working workingOf(const Setting& setting, LengthStyle style);

}  // namespace vl
