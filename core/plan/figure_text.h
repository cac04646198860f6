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

/// The figure as the screen shows it, without its unit; "–" where the layer has none.
std::string figureText(FigureId figure, const Piece& piece, const Plan& plan, int layer, LengthStyle style);

/// A setting as a narrow column shows it: without its unit, angles with their sign.
std::string settingText(const Setting& setting, LengthStyle style);
}  // namespace vl
