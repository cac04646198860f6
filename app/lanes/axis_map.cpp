#include "app/lanes/axis_map.h"

#include <algorithm>

namespace vl::app {

void AxisMap::setRoom(double width, double sectionHeight, double length, double radius)
{
    width_ = width;
    section_ = sectionHeight;
    length_ = length;
    radius_ = radius;
    settle();
}

void AxisMap::settle()
{
    const double across = width_ - leftMargin - rightMargin;
    const double fitting = std::max(0.05, std::min(across / std::max(length_, 1.0), section_ / std::max(radius_, 1.0)));
    const double before = scale_, left = z0_;
    scale_ = fitting * factor_;
    const double shown = across / scale_;
    // What fits is centred; what does not can be panned to its ends.
    z0_ = shown >= length_ ? (length_ - shown) / 2 : std::clamp(z0_, 0.0, length_ - shown);
    if (before != scale_ || left != z0_) emit changed();
}

void AxisMap::zoom(double factor, double aboutX)
{
    const double about = z(aboutX);
    factor_ = std::clamp(factor_ * factor, 1.0, 40.0);
    settle();
    z0_ = about - (aboutX - leftMargin) / scale_;
    settle();
    emit changed();
}

void AxisMap::pan(double pixels)
{
    z0_ -= pixels / scale_;
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
