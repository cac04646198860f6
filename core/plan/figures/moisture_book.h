#pragma once

#include "core/piece/records/reading.h"

#include <string>
#include <utility>
#include <vector>

namespace vl {

/// What wood comes to in the room of a reading, % (Wood Handbook, Hailwood–Horrobin; held to the formula's ranges).
double roomMoisture(const Reading& reading);

/// When something will have dried to a target, from its readings.
struct DryingForecast {
    int readings = 0;
    double rate = 0;               ///< k of M(t) = E + (M0 − E)·e^(−k·t), 1/day
    double days = -1;              ///< from the last reading; −1: never, or too few readings
    double early = -1, late = -1;  ///< nine times in ten between these
    bool byWood = false;           ///< by its wood and thickness, as there are too few readings
    bool unknown = false;          ///< neither readings nor thickness say anything
};
/// Least squares of ln(M − E) over the days (the line through the readings; its spread by Student's t, from
/// Boost.Math); with fewer than two days of readings, by the wood and the thickness that the last one names
/// (daysInTheRoom), half as long to twice as long (own value). E is the last reading's room, common practice.
DryingForecast dryingForecast(const std::vector<Reading>& readings, const std::string& of, double target);

/// Readings of one thing over the days since the first of them, and how it goes on from the last one by a forecast,
/// down to the target, as long as that may take at the latest; days and %.
struct DryingCourse {
    std::vector<std::pair<double, double>> read, expected;
};
DryingCourse dryingCourse(const std::vector<Reading>& readings, const std::string& of, const DryingForecast& forecast,
                          double target);

}  // namespace vl
