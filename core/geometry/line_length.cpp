#include "core/geometry/line_length.h"

#include <algorithm>

namespace vl {

LineLength::LineLength(const Polyline& line) : line_(line)
{
    double sum = 0;
    for (size_t i = 0; i < line.size(); ++i) {
        if (i > 0) sum += (line[i] - line[i - 1]).norm();
        along_.push_back(sum);
    }
}

double LineLength::at(double z) const
{
    const auto it = std::ranges::lower_bound(line_, z, {}, [](const Point& p) { return p.x(); });
    if (it == line_.begin()) return 0;
    if (it == line_.end()) return along_.back();
    const auto i = static_cast<size_t>(it - line_.begin());
    const double wide = line_[i].x() - line_[i - 1].x();
    return along_[i - 1] + (wide > 0 ? (z - line_[i - 1].x()) / wide : 0) * (along_[i] - along_[i - 1]);
}

Point LineLength::place(double along) const
{
    const auto it = std::ranges::lower_bound(along_, along);
    if (it == along_.begin()) return line_.front();
    if (it == along_.end()) return line_.back();
    const auto i = static_cast<size_t>(it - along_.begin());
    const double share = (along - along_[i - 1]) / (along_[i] - along_[i - 1]);
    return line_[i - 1] + share * (line_[i] - line_[i - 1]);
}

}  // namespace vl
