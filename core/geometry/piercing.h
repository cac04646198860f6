#pragma once

#include <vector>

namespace vl {

/// A value that is wanted, and the greatest that does as well.
struct Interval {
    double low = 0, high = 0;
};

/// The fewest values such that each interval holds one of them, and which one each takes: the least value that serves
/// all who take it. Piercing intervals by their right ends gives the least number there is (Gavril 1972, from memory).
/// Settings stand by interval; those of one group are equal.
struct Piercing {
    std::vector<double> settings;
    int groups = 0;
};
Piercing pierce(const std::vector<Interval>& intervals);

}  // namespace vl
