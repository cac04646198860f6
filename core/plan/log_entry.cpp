#include "core/plan/log_entry.h"

#include "core/blank/construction.h"
#include "core/plan/schedule/shop_hours.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <set>

namespace vl {
namespace {

std::string listed(const std::set<std::string>& all)
{
    std::string out;
    for (const std::string& one : all) out += (out.empty() ? "" : ", ") + one;
    return out;
}

}  // namespace

double LogYear::ratio() const { return planned > 0 && worked > 0 ? worked / planned : std::nan(""); }

Logged logged(const Piece& piece, const Shop& shop, const Plan& plan, double now)
{
    Logged l;
    for (const Logged& before : shop.log) l.number = std::max(l.number, before.number + 1);
    l.piece = piece.id;
    l.name = piece.name;
    std::set<std::string> woods, made;
    for (const BuiltLayer& b : plan.assembly.layers) {
        for (const Species* s : woodsIn(b)) woods.insert(s->name);
        made.insert(b.how->noun);
    }
    l.woods = listed(woods).substr(0, 400);
    l.made = listed(made).substr(0, 400);
    l.finish = choices(piece.choices.finish)[static_cast<size_t>(piece.choices.finish)].words;
    l.finished = now;
    for (const Step& s : plan.assembly.recipe) l.planned += s.workMinutes;
    for (const StepDone& d : piece.progress.done) l.worked += std::max(0.0, d.end - d.start);
    constexpr double litre = 1e6;  // mm³
    for (const Part& p : plan.assembly.parts) l.wood += p.count * p.length * p.width * p.thickness / litre;
    l.weight = plan.shape.weight;
    return l;
}

std::vector<LogYear> yearsOf(const std::vector<Logged>& log)
{
    std::vector<LogYear> years;
    for (const Logged& l : log) {
        const std::chrono::sys_days date{std::chrono::days(dayTimeOf(l.finished).day)};
        const int year = static_cast<int>(std::chrono::year_month_day(date).year());
        auto it = std::ranges::find(years, year, &LogYear::year);
        if (it == years.end()) it = years.insert(it, LogYear{.year = year});
        ++it->pieces;
        it->wood += l.wood;
        it->cost += l.cost;
        if (l.worked > 0) {
            it->worked += l.worked;
            it->planned += l.planned;
        }
    }
    std::ranges::sort(years, std::greater<>(), &LogYear::year);
    return years;
}

double learnedRatio(const std::vector<Logged>& log)
{
    std::vector<double> ratios;
    for (const Logged& l : log)
        if (l.worked > 0 && l.planned > 0) ratios.push_back(l.worked / l.planned);
    constexpr size_t fewest = 3;
    if (ratios.size() < fewest) return std::nan("");
    std::ranges::sort(ratios);
    const size_t n = ratios.size();
    return n % 2 ? ratios[n / 2] : (ratios[n / 2 - 1] + ratios[n / 2]) / 2;
}

}  // namespace vl
