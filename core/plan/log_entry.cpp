#include "core/plan/log_entry.h"

#include "core/blank/construction.h"
#include "core/measure/format.h"
#include "core/plan/schedule/shop_hours.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <map>
#include <set>
#include <sstream>

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
    l.finish = plan.finish.name;
    l.finished = now;
    std::map<std::string, KindOfWork> kinds;
    for (const Step& s : plan.assembly.recipe) {
        // As it would be planned in a shop that nothing was learned of.
        const double minutes = s.workMinutes / shop.workFactor;
        l.planned += minutes;
        const auto done = std::ranges::find(piece.progress.done, s.id, &StepDone::step);
        if (done == piece.progress.done.end() || minutes <= 0) continue;
        KindOfWork& kind = kinds[actionName(s.action)];
        kind.planned += minutes;
        kind.worked += std::max(0.0, done->end - done->start);
    }
    for (const StepDone& d : piece.progress.done) l.worked += std::max(0.0, d.end - d.start);
    for (const auto& [name, k] : kinds)
        l.byKind += (l.byKind.empty() ? "" : "; ") + name + " " + fixed(k.planned, 0) + " " + fixed(k.worked, 0);
    constexpr double litre = 1e6;  // mm³
    for (const Part& p : plan.assembly.parts) l.wood += p.count * p.length * p.width * p.thickness / litre;
    l.weight = plan.shape.weight;
    return l;
}

double KindOfWork::ratio() const { return planned > 0 && worked > 0 ? worked / planned : std::nan(""); }

std::vector<KindOfWork> kindsOf(const Logged& entry)
{
    std::vector<KindOfWork> all;
    std::istringstream in(entry.byKind);
    for (std::string one; std::getline(in, one, ';');) {
        // A kind's name may have more than one word: the numbers stand last.
        std::vector<std::string> words;
        std::istringstream of(one);
        for (std::string w; of >> w;) words.push_back(w);
        if (words.size() < 3) continue;
        KindOfWork k;
        std::istringstream numbers(words[words.size() - 2] + " " + words.back());
        if (!(numbers >> k.planned >> k.worked)) continue;
        for (size_t i = 0; i + 2 < words.size(); ++i) k.kind += (i > 0 ? " " : "") + words[i];
        all.push_back(std::move(k));
    }
    return all;
}

std::vector<KindOfWork> kindsOf(const std::vector<Logged>& log)
{
    std::map<std::string, KindOfWork> sums;
    for (const Logged& l : log)
        for (const KindOfWork& k : kindsOf(l)) {
            KindOfWork& sum = sums[k.kind];
            sum.kind = k.kind;
            sum.planned += k.planned;
            sum.worked += k.worked;
        }
    std::vector<KindOfWork> all;
    for (auto& [name, k] : sums) all.push_back(std::move(k));
    const auto off = [](const KindOfWork& k) { return std::isnan(k.ratio()) ? -1 : std::abs(std::log(k.ratio())); };
    std::ranges::sort(all, std::greater{}, off);
    return all;
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
