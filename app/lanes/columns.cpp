#include "app/lanes/columns.h"

#include <algorithm>
#include <cmath>

namespace vl::app {

void Columns::setRoom(double left, double right, int count, double least)
{
    const double across = std::max(least, right - left);
    const int shown = std::min(count, std::max(1, static_cast<int>(across / least)));
    // Few columns leave the names of their rows more room.
    constexpr double most = 260, enough = 100;
    left = std::max(left, std::min(most, right - shown * enough));
    const double width = std::min(widest, std::max(least, right - left) / std::max(1, shown));
    if (left == left_ && width == width_ && count == count_ && shown == shown_) return;
    left_ = left;
    width_ = width;
    count_ = count;
    shown_ = shown;
    first_ = std::clamp(first_, 0, std::max(0, count - shown));
    emit changed();
}

int Columns::at(double px) const
{
    const int column = first_ + static_cast<int>(std::floor((px - left_) / width_));
    return px >= left_ && shows(column) && column < count_ ? column : -1;
}

void Columns::scroll(int columns)
{
    const int first = std::clamp(first_ + columns, 0, std::max(0, count_ - shown_));
    if (first == first_) return;
    first_ = first;
    emit changed();
}

void Columns::reveal(int column)
{
    if (column < first_) scroll(column - first_);
    if (column >= first_ + shown_) scroll(column - first_ - shown_ + 1);
}

}  // namespace vl::app
