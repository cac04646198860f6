#include "core/plan/learning/log_entry.h"

#include "core/constructions/construction.h"
#include "core/measure/format.h"
#include "core/plan/learning/as_built.h"
#include "core/plan/schedule/shop_hours.h"

#include <algorithm>
#include <cctype>
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

double LogYear::wasted() const { return cut > 0 ? waste / cut : std::nan(""); }

double LogYear::ratio() const { return planned > 0 && worked > 0 ? worked / planned : std::nan(""); }

Logged logged(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, double now)
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
    if (boards.boardVolume > 0) {
        l.wood = boards.boardVolume / litre;
        l.waste = (boards.boardVolume - boards.partsVolume) / litre;
    } else
        for (const Part& p : plan.assembly.parts) l.wood += p.count * p.length * p.width * p.thickness / litre;
    l.cost = boards.cost;
    l.deviations = deviationsOf(piece, plan);
    l.weight = plan.shape.weight;
    return l;
}

int yearOf(const Logged& entry)
{
    const std::chrono::sys_days date{std::chrono::days(dayTimeOf(entry.finished).day)};
    return static_cast<int>(std::chrono::year_month_day(date).year());
}

bool matches(const Logged& e, const LogFilter& filter)
{
    if (filter.year != 0 && yearOf(e) != filter.year) return false;
    if (filter.wrong && e.wrong.empty()) return false;
    if (!filter.made.empty()) {
        const std::vector<std::string> all = madeOf({e});
        if (std::ranges::find(all, filter.made) == all.end()) return false;
    }
    std::string text;
    for (const std::string* part : {&e.name, &e.woods, &e.made, &e.finish, &e.to, &e.notes, &e.wrong, &e.foot})
        text += *part + "\n";
    text += std::to_string(e.number);
    const auto lower = [](std::string s) {
        std::ranges::transform(s, s.begin(), [](unsigned char c) { return c < 128 ? std::tolower(c) : c; });
        return s;
    };
    // Every word somewhere, in any order.
    std::istringstream words(lower(filter.words));
    text = lower(std::move(text));
    for (std::string w; words >> w;)
        if (text.find(w) == std::string::npos) return false;
    return true;
}

std::vector<std::string> madeOf(const std::vector<Logged>& log)
{
    std::set<std::string> all;
    for (const Logged& e : log)
        for (const std::string* list : {&e.made, &e.woods}) {
            std::istringstream in(*list);
            for (std::string one; std::getline(in, one, ',');) {
                one.erase(0, one.find_first_not_of(' '));
                if (!one.empty()) all.insert(one);
            }
        }
    return {all.begin(), all.end()};
}

std::vector<Compared> compared(const std::vector<Logged>& entries)
{
    std::vector<Compared> rows;
    const auto row = [&](const char* what, auto value) {
        Compared c{what, {}};
        for (const Logged& e : entries) c.values.push_back(value(e));
        // What none of them says is no comparison.
        if (std::ranges::any_of(c.values, [](const std::string& v) { return !v.empty(); }))
            rows.push_back(std::move(c));
    };
    const auto number = [](double v, int decimals) { return v > 0 ? fixed(v, decimals) : std::string(); };
    constexpr double hour = 60;
    row("Woods", [](const Logged& e) { return e.woods; });
    row("Made of", [](const Logged& e) { return e.made; });
    row("Finish", [](const Logged& e) { return e.finish; });
    row("Work as planned, h", [&](const Logged& e) { return number(e.planned / hour, 1); });
    row("Work as ticked, h", [&](const Logged& e) { return number(e.worked / hour, 1); });
    for (const KindOfWork& kind : kindsOf(entries)) {
        const std::string what = kind.kind + ", planned → ticked, min";
        row(what.c_str(), [&](const Logged& e) {
            for (const KindOfWork& k : kindsOf(e))
                if (k.kind == kind.kind) return fixed(k.planned, 0) + " → " + fixed(k.worked, 0);
            return std::string();
        });
    }
    row("Wood, litres", [&](const Logged& e) { return number(e.wood, 2); });
    row("Of it waste, litres", [&](const Logged& e) { return number(e.waste, 2); });
    row("Cost of the wood", [&](const Logged& e) { return number(e.cost, 2); });
    row("Weight, kg", [&](const Logged& e) { return number(e.weight, 3); });
    for (const Choice& c : choicesOf<Measured::What>()) {
        const auto what = static_cast<Measured::What>(&c - choicesOf<Measured::What>().data());
        row(c.words, [&](const Logged& e) {
            std::string all;
            for (const Deviation& d : e.deviations)
                if (d.what == what)
                    all += (all.empty() ? "" : "; ") + (d.of.empty() ? "" : d.of + ": ") + fixed(d.planned, 1) + " → " +
                           fixed(d.measured, 1);
            return all;
        });
    }
    row("What went wrong", [](const Logged& e) { return e.wrong; });
    row("Notes", [](const Logged& e) { return e.notes; });
    return rows;
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
        const int year = yearOf(l);
        auto it = std::ranges::find(years, year, &LogYear::year);
        if (it == years.end()) it = years.insert(it, LogYear{.year = year});
        ++it->pieces;
        it->wood += l.wood;
        it->cost += l.cost;
        if (l.waste > 0) it->cut += l.wood, it->waste += l.waste;
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
