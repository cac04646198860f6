#pragma once

#include "core/piece/document/piece.h"
#include "core/piece/shop/shop.h"

#include <vector>

namespace vl {

/// A stretch of time, minutes since the start of a schedule.
struct TimeSpan {
    double from = 0, to = 0;
    double length() const { return to - from; }
};

/// When the shop is open, seen from the start of a schedule. `start` is minutes since 1970-01-01 00:00, a Thursday, of
/// the shop's own clock.
class ShopHours {
public:
    ShopHours(const Shop& shop, double start) : hours_(shop.hours), start_(start) {}

    /// The first stretch of working time that ends after `t`.
    TimeSpan openAt(double t) const;
    /// The longest stretch of a week, minutes.
    double longest() const;
    /// When `minutes` of work are done that begin at `t` at the soonest, nothing else in the way; stretched over
    /// closing times.
    double endOfWork(double t, double minutes) const;

private:
    std::array<std::array<double, 2>, 7> hours_;
    double start_;
};

/// A time of the shop's own clock as a calendar shows it.
struct DayTime {
    long day = 0;    ///< days since 1970-01-01
    int minute = 0;  ///< after midnight
};
/// Of minutes since 1970-01-01 00:00, to the nearest minute.
DayTime dayTimeOf(double minutes);

/// A Monday at midnight, where a piece has no date to start.
constexpr double aMonday = 4 * 1440;

}  // namespace vl
