#include "app/lanes/axis_map.h"

#include <algorithm>

namespace vl::app {

void AxisMap::setRoom(const DrawingRoom& room)
{
    const double before = scale(), left = x(0), axis = y(0);
    room_ = room;
    place_ = placeDrawing(room);
    settle();
    if (before != scale() || left != x(0) || axis != y(0)) emit changed();
}

/// Whole, the drawing rests in its place; zoomed, some of it stays in the middle of the lane.
void AxisMap::settle()
{
    if (factor_ <= 1) {
        factor_ = 1;
        z0_ = sunk_ = 0;
        return;
    }
    const double middle = z(place_.section / 2);
    z0_ += std::clamp(middle, 0.0, room_.length) - middle;
    const double high = scale() * room_.radius;
    sunk_ = std::clamp(sunk_, -high, high);
}

void AxisMap::zoom(double factor, const QPointF& about)
{
    const double station = z(about.x()), radius = r(about.y());
    factor_ = std::clamp(factor_ * factor, 1.0, 40.0);
    z0_ = station - (about.x() - place_.left) / scale();
    sunk_ = about.y() - place_.axis + radius * scale();
    settle();
    emit changed();
}

void AxisMap::pan(const QPointF& pixels)
{
    z0_ -= pixels.x() / scale();
    sunk_ += pixels.y();
    settle();
    emit changed();
}

void AxisMap::fit()
{
    factor_ = 1;
    settle();
    emit changed();
}

}  // namespace vl::app
