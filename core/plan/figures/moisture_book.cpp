#include "core/plan/figures/moisture_book.h"

#include "core/wood/drying.h"
#include "core/wood/moisture.h"
#include "core/wood/species.h"

#include <boost/math/distributions/students_t.hpp>

#include <algorithm>
#include <cmath>

namespace vl {

double roomMoisture(const Reading& r)
{
    return equilibriumMoisture(std::clamp(r.celsius, -10.0, 90.0), std::clamp(r.humidity, 0.0, 100.0));
}

namespace {

constexpr double day = 1440;  // minutes

/// The readings of one thing, the earliest first.
std::vector<const Reading*> readingsOf(const std::vector<Reading>& readings, const std::string& of)
{
    std::vector<const Reading*> own;
    for (const Reading& r : readings)
        if (r.of == of) own.push_back(&r);
    std::ranges::stable_sort(own, {}, [](const Reading* r) { return r->at; });
    return own;
}

/// What the wood and its thickness say where readings do not.
DryingForecast byWood(const Reading& last, double target, DryingForecast f)
{
    constexpr double usual = 650, sooner = 0.5, later = 2;  // kg/m³; shares of the time, own values
    f.unknown = !(last.thickness > 0);
    if (f.unknown) return f;
    const Species* wood = last.wood == unknownWood ? nullptr : findSpecies(last.wood);
    f.byWood = true;
    f.days = daysInTheRoom(last.thickness, last.percent, target, roomMoisture(last), wood ? wood->density : usual,
                           slowedBy(last.coat));
    if (f.days < 0) return f;
    f.early = sooner * f.days;
    f.late = later * f.days;
    if (f.days > 0) f.rate = std::log((last.percent - roomMoisture(last)) / (target - roomMoisture(last))) / f.days;
    return f;
}

}  // namespace

DryingCourse dryingCourse(const std::vector<Reading>& readings, const std::string& of, const DryingForecast& f,
                          double target)
{
    DryingCourse course;
    const std::vector<const Reading*> own = readingsOf(readings, of);
    for (const Reading* r : own) course.read.emplace_back((r->at - own.front()->at) / day, r->percent);
    if (own.empty() || !(f.days > 0) || !(f.rate > 0)) return course;
    const double room = roomMoisture(*own.back());
    const auto [from, now] = course.read.back();
    constexpr int steps = 40;
    for (int k = 0; k <= steps; ++k) {
        const double on = f.late * k / steps;
        course.expected.emplace_back(from + on,
                                     std::max(std::min(now, target), room + (now - room) * std::exp(-f.rate * on)));
    }
    return course;
}

DryingForecast dryingForecast(const std::vector<Reading>& readings, const std::string& of, double target)
{
    DryingForecast f;
    const std::vector<const Reading*> own = readingsOf(readings, of);
    f.readings = static_cast<int>(own.size());
    if (own.size() < 2 || own.back()->at - own.front()->at < day)
        return byWood(own.empty() ? Reading{} : *own.back(), target, f);
    const double e = roomMoisture(*own.back()), last = own.back()->at;
    constexpr double least = 0.05;                // % above the room, below which nothing is told
    std::vector<std::pair<double, double>> line;  // days before the last reading, ln(M − E)
    for (const Reading* r : own)
        if (r->percent - e > least) line.emplace_back((r->at - last) / day, std::log(r->percent - e));
    if (line.size() < 2 || target <= e + least) return f;
    const auto n = static_cast<double>(line.size());
    double mx = 0, my = 0;
    for (const auto& [x, y] : line) mx += x / n, my += y / n;
    double sxx = 0, sxy = 0;
    for (const auto& [x, y] : line) sxx += (x - mx) * (x - mx), sxy += (x - mx) * (y - my);
    if (!(sxx > 0)) return f;
    const double slope = sxy / sxx, at0 = my - slope * mx;
    f.rate = -slope;
    if (!(f.rate > 0)) return f;
    const auto days = [&](double level, double rate) { return std::max(0.0, (level - std::log(target - e)) / rate); };
    f.days = f.early = f.late = days(at0, f.rate);
    if (line.size() < 3) return f;
    double rest = 0;
    for (const auto& [x, y] : line) rest += std::pow(y - at0 - slope * x, 2);
    const double sigma = std::sqrt(rest / (n - 2));
    const boost::math::students_t t(n - 2);
    const double wide = boost::math::quantile(t, 0.95) * sigma;
    // Where the line's band crosses the target: the spread of its value there, found by going on day by day.
    const double goal = std::log(target - e);
    const auto crosses = [&](double side) {
        constexpr double step = 0.25, most = 3650;  // days
        for (double x = 0; x < most; x += step)
            if (at0 + slope * x + side * wide * std::sqrt(1 + 1 / n + (x - mx) * (x - mx) / sxx) <= goal) return x;
        return most;
    };
    f.early = std::min(f.days, crosses(-1));
    f.late = std::max(f.days, crosses(1));
    return f;
}

}  // namespace vl
