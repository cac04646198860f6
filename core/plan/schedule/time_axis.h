#pragma once

#include "core/plan/schedule/schedule.h"

namespace vl {

/// Time as a timetable draws it: the shop's hours at full length, closing times drawn together to a fraction, so that
/// work can be seen between nights. Minutes from the schedule's start on one side, shown minutes on the other.
class TimeAxis {
public:
    TimeAxis(const Schedule& schedule, const Shop& shop);

    double shown(double minutes) const;
    double minutes(double shown) const;
    double length() const { return stretches_.empty() ? 1 : stretches_.back().at + stretches_.back().shown(); }

    /// A stretch of one kind of time.
    struct Stretch {
        double from = 0, to = 0;  ///< minutes
        double at = 0;            ///< shown minutes where it begins
        bool open = true;
        double shown() const { return (to - from) * (open ? 1 : closedShare); }
    };
    const std::vector<Stretch>& stretches() const { return stretches_; }
    static constexpr double closedShare = 0.06;

private:
    std::vector<Stretch> stretches_;
};

}  // namespace vl
