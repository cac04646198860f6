#include "core/plan/learning/error_run.h"

#include "core/geometry/profile.h"
#include "core/plan/learning/as_built.h"

#include <algorithm>
#include <cmath>
#include <random>

namespace vl {
namespace {

constexpr double certain = 0.99;  // of the rings that a needed allowance serves

/// What one layer's trial needs to know of it.
struct Facts {
    bool ring = false;
    int sides = 1;
    double outer = 0, inner = 0;  ///< of the blank, radii
    double z0 = 0, z1 = 0;
};

std::vector<Facts> factsOf(const Plan& plan)
{
    std::vector<Facts> all;
    for (const BuiltLayer& b : plan.assembly.layers)
        all.push_back({.ring = b.segmented,
                       .sides = b.stock.sides,
                       .outer = b.stockOuterRadius(),
                       .inner = b.stockInnerRadius(),
                       .z0 = b.z0,
                       .z1 = b.z1});
    return all;
}

/// Radii of a line between two stations, which moved.
Range moved(const Polyline& line, double z0, double z1)
{
    const double first = line.front().x(), last = line.back().x();
    if (z1 <= first || z0 >= last) return {0, 0};
    return radiusRange(line, std::clamp(z0, first, last), std::clamp(z1, first, last));
}

/// One run: of every layer and trial what it needs on the radius beyond the blank as it is drawn, and its gap.
struct Run {
    std::vector<std::vector<double>> excess;  ///< [layer][trial]
    std::vector<std::vector<double>> gap;     ///< [layer][trial], the greater of outside and inside
    std::vector<double> gapSd, height;
    int trials = 0;
};

class Dice {
public:
    /// Thrown whether it counts or not, so that every run sees the same dice.
    double operator()(double sd) { return sd * normal_(bits_); }

private:
    std::mt19937_64 bits_{20261};
    std::normal_distribution<double> normal_;
};

Run run(const Plan& plan, const std::vector<Facts>& facts, const Accuracy& a, int trials,
        const std::atomic<bool>* canceled)
{
    const size_t n = facts.size();
    Run r;
    r.excess.resize(n);
    r.gap.resize(n);
    r.gapSd.assign(n, 0);
    Dice dice;
    const bool hollow = !plan.surfaces.inside.empty();
    std::vector<Range> out(n), in(n);
    for (size_t i = 0; i < n; ++i) {
        out[i] = moved(plan.surfaces.outside, facts[i].z0, facts[i].z1);
        if (hollow) in[i] = moved(plan.surfaces.inside, facts[i].z0, facts[i].z1);
    }
    for (int t = 0; t < trials && !(canceled && *canceled); ++t) {
        double up = 0;  // how far the layers so far have come out too high
        for (size_t i = 0; i < n; ++i) {
            const Facts& f = facts[i];
            double grows = 0;
            if (f.ring) {
                const double angles = dice(a.angle * degrees * std::sqrt(2.0 * f.sides)),
                             lengths = dice(a.stop * std::sqrt(f.sides / 2.0)),
                             mean = dice(a.stop / std::sqrt(f.sides));
                const double outside = f.outer * angles + lengths, inside = f.inner * angles + lengths;
                r.gap[i].push_back(std::max(std::abs(outside), std::abs(inside)));
                r.gapSd[i] += outside * outside;
                grows = mean / (2 * std::tan(pi / f.sides));
            }
            const double thicker = dice(a.planing);
            const double right = dice(a.centering), over = dice(a.centering),
                         aside = i > 0 ? std::hypot(right, over) : 0;
            const Range needs = moved(plan.surfaces.outside, f.z0 + up, f.z1 + up + thicker);
            double excess = needs.high - out[i].high + aside - grows;
            if (hollow && f.inner > 0 && in[i].high > 0) {
                const Range leaves = moved(plan.surfaces.inside, f.z0 + up, f.z1 + up + thicker);
                excess = std::max(excess, in[i].low - leaves.low + aside + grows);
            }
            r.excess[i].push_back(excess);
            up += thicker;
        }
        r.height.push_back(up);
        ++r.trials;
    }
    return r;
}

double quantile(std::vector<double> values, double share)
{
    if (values.empty()) return 0;
    const auto at = values.begin() + static_cast<std::ptrdiff_t>(share * static_cast<double>(values.size() - 1));
    std::ranges::nth_element(values, at);
    return *at;
}

double share(const std::vector<double>& values, double limit)
{
    if (values.empty()) return 1;
    return static_cast<double>(std::ranges::count_if(values, [&](double v) { return v <= limit; })) /
           static_cast<double>(values.size());
}

double deviation(const std::vector<double>& values)
{
    double sum = 0, squares = 0;
    for (const double v : values) sum += v, squares += v * v;
    const auto n = static_cast<double>(values.size());
    return n > 1 ? std::sqrt(std::max(0.0, (squares - sum * sum / n) / (n - 1))) : 0;
}

/// What the blank has on the radius beyond the turned piece, where it is least.
double marginOf(const BuiltLayer& b, const Facts& f)
{
    double has = f.outer - b.finishedOuter.high;
    if (f.inner > 0 && b.finishedInner.low > 0) has = std::min(has, b.finishedInner.low - f.inner);
    return has;
}

Accuracy without(Accuracy a, ErrorFrom from)
{
    (from == ErrorFrom::Miter     ? a.angle
     : from == ErrorFrom::Stop    ? a.stop
     : from == ErrorFrom::Planing ? a.planing
                                  : a.centering) = 0;
    return a;
}

}  // namespace

ErrorBudget errorBudget(const Plan& plan, const Accuracy& accuracy, int trials, const std::atomic<bool>* canceled)
{
    const std::vector<Facts> facts = factsOf(plan);
    ErrorBudget budget;
    if (plan.surfaces.outside.size() < 2) return budget;
    const Run all = run(plan, facts, accuracy, trials, canceled);
    budget.trials = all.trials;
    if (all.trials == 0) return budget;
    constexpr std::array sources{ErrorFrom::Miter, ErrorFrom::Stop, ErrorFrom::Planing, ErrorFrom::Centering};
    std::array<Run, sources.size()> less;
    for (size_t k = 0; k < sources.size(); ++k)
        less[k] = run(plan, facts, without(accuracy, sources[k]), trials, canceled);
    std::vector<char> holds(static_cast<size_t>(all.trials), 1);
    const auto count = static_cast<double>(all.trials);
    for (size_t i = 0; i < facts.size(); ++i) {
        LayerOdds odds{.layer = static_cast<int>(i), .ring = facts[i].ring};
        odds.has = marginOf(plan.assembly.layers[i], facts[i]);
        odds.closes = share(all.gap[i], closesWithin);
        odds.gap = std::sqrt(all.gapSd[i] / count);
        odds.holds = share(all.excess[i], odds.has);
        odds.needed = std::max(0.0, quantile(all.excess[i], certain));
        // Of a sample's quantile: its neighbors by as many places as the count of those beyond it scatters.
        const double places = std::sqrt(count * certain * (1 - certain)) / count;
        odds.neededSpread =
            (quantile(all.excess[i], std::min(1.0, certain + places)) - quantile(all.excess[i], certain - places)) / 2;
        double least = 1e9;
        for (size_t k = 0; k < sources.size(); ++k)
            if (const double q = quantile(less[k].excess[i], certain); q < least) least = q, odds.most = sources[k];
        for (size_t t = 0; t < holds.size(); ++t)
            if (all.excess[i][t] > odds.has) holds[t] = 0;
        budget.needed = std::max(budget.needed, odds.needed);
        budget.layers.push_back(odds);
    }
    budget.allHold = static_cast<double>(std::ranges::count(holds, 1)) / count;
    budget.holdSpread = std::sqrt(std::max(budget.allHold * (1 - budget.allHold), 1 / count) / count);
    budget.height = deviation(all.height);
    return budget;
}

Piece withNeededAllowance(const Piece& piece, const ErrorBudget& budget)
{
    Piece next = piece;
    for (const LayerOdds& odds : budget.layers) {
        if (!odds.ring || odds.layer >= static_cast<int>(next.layers.size())) continue;
        Layer& l = next.layers[static_cast<size_t>(odds.layer)];
        const double allowance = std::ceil(2 * (odds.needed + cleanUp)) / 2;
        l.outerAllowance = allowance;
        l.innerAllowance = allowance;
    }
    return next;
}

Accuracy Learned::in(Accuracy a) const
{
    const auto take = [](double& into, double learned, double most) {
        if (!std::isnan(learned)) into = std::min(learned, most);
    };
    constexpr double most = 10;  // mm or degrees: the fields' limits
    take(a.angle, angle, most);
    take(a.stop, stop, most);
    take(a.planing, planing, most);
    take(a.centering, centering, most);
    return a;
}

bool Learned::any() const
{
    return !std::isnan(angle) || !std::isnan(stop) || !std::isnan(planing) || !std::isnan(centering);
}

Learned learnedAccuracy(const std::vector<Deviation>& all)
{
    constexpr size_t least = 3;
    std::vector<double> heights, stops, aside;
    std::vector<std::pair<double, int>> gaps;  // mm; sides
    std::vector<double> reach;                 // mm, each one's radius
    for (const Deviation& d : all) {
        const double off = d.measured - d.planned;
        if (d.what == Measured::Height) heights.push_back(off);
        if (d.what == Measured::Aside) aside.push_back(d.measured * d.measured / 2);
        if (d.sides < 3 || !(d.radius > 0)) continue;
        if (d.what == Measured::Outside) stops.push_back(off / 2 * 2 * std::tan(pi / d.sides) * std::sqrt(d.sides));
        if (d.what == Measured::Gap && d.planned == 0) gaps.push_back({d.measured, d.sides}), reach.push_back(d.radius);
    }
    const auto mean = [](const std::vector<double>& v) {
        double sum = 0;
        for (const double x : v) sum += x;
        return sum / static_cast<double>(v.size());
    };
    Learned l;
    if (heights.size() >= least) l.planing = deviation(heights);
    if (stops.size() >= least) l.stop = deviation(stops);
    if (aside.size() >= least) l.centering = std::sqrt(mean(aside));
    if (gaps.size() >= least) {
        const double stop = std::isnan(l.stop) ? 0 : l.stop;
        // Both summed before they are divided: small rings, whose gaps are mostly the stops', weigh least.
        double angles = 0, by = 0;
        for (size_t i = 0; i < gaps.size(); ++i) {
            const auto [gap, n] = gaps[i];
            angles += gap * gap - stop * stop * n / 2;
            by += std::pow(reach[i] * degrees, 2) * 2 * n;
        }
        l.angle = std::sqrt(std::max(0.0, angles) / by);
    }
    return l;
}

std::vector<Deviation> deviationsKnown(const Piece& piece, const Plan& plan, const Shop& shop)
{
    std::vector<Deviation> all = deviationsOf(piece, plan);
    for (const Logged& l : shop.log)
        if (l.piece.empty() || l.piece != piece.id) all.insert(all.end(), l.deviations.begin(), l.deviations.end());
    return all;
}

}  // namespace vl
