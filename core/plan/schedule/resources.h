#pragma once

#include "core/plan/schedule/shop_hours.h"

#include <vector>

namespace vl {

/// Stretches in which something is in use, `capacity` of them at once.
class Usage {
public:
    explicit Usage(int capacity) : capacity_(capacity) {}
    /// The first time from `t` on at which one is free for `length` minutes.
    double freeFrom(double t, double length) const;
    void take(const TimeSpan& s) { spans_.push_back(s); }

private:
    static int most(const std::vector<TimeSpan>& spans, double t);

    int capacity_;
    std::vector<TimeSpan> spans_;
};

/// One pair of hands in the shop's hours, which must outlive it.
class Hands {
public:
    explicit Hands(const ShopHours& hours) : hours_(hours) {}

    /// The first stretches from `t` on in which `minutes` can be worked; in one go unless `breaks`.
    std::vector<TimeSpan> find(double t, double minutes, bool breaks) const;
    void take(const std::vector<TimeSpan>& spans);

private:
    TimeSpan freeIn(double from, double to) const;

    const ShopHours& hours_;
    std::vector<TimeSpan> busy_;  // in order, none over another
};

}  // namespace vl
