#include "core/plan/schedule.h"

#include "core/measure/input_error.h"

#include <boost/graph/adjacency_list.hpp>
#include <boost/graph/topological_sort.hpp>

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>
#include <random>
#include <unordered_map>

namespace vl {
namespace {

/// The recipe as numbers: who comes after whom, and what is held how long.
struct Network {
    std::vector<std::vector<size_t>> before, after;
    std::vector<size_t> sorted;  // first things first
    std::vector<long> tied;      // the pure wait that follows a step at once, in the same clamp; −1
    std::vector<bool> tiedTo;    // is such a wait
    std::vector<double> tail;    // the chain that hangs on each step, itself in it
};

Network networkOf(const Recipe& recipe)
{
    using Graph = boost::adjacency_list<boost::vecS, boost::vecS, boost::directedS>;
    const size_t n = recipe.size();
    std::unordered_map<std::string, size_t> index;
    for (size_t i = 0; i < n; ++i)
        if (!index.emplace(recipe[i].id, i).second)
            throw InputError("steps", "'" + recipe[i].id + "' twice", "one step of each id is");
    Graph graph(n);
    Network net;
    net.before.resize(n);
    net.after.resize(n);
    for (size_t i = 0; i < n; ++i)
        for (const std::string& id : recipe[i].after) {
            const auto it = index.find(id);
            if (it == index.end())
                throw InputError("steps." + recipe[i].id + ".after", "'" + id + "'", "the id of a step is");
            boost::add_edge(it->second, i, graph);
            net.before[i].push_back(it->second);
            net.after[it->second].push_back(i);
        }
    std::vector<size_t> backwards;
    try {
        boost::topological_sort(graph, std::back_inserter(backwards));
    } catch (const boost::not_a_dag&) {
        throw InputError("steps", "a circle", "steps that do not need one another in a circle are");
    }
    net.tail.resize(n);
    for (const size_t i : backwards) {
        double longest = 0;
        for (const size_t next : net.after[i]) longest = std::max(longest, net.tail[next]);
        net.tail[i] = recipe[i].workMinutes + recipe[i].waitMinutes + longest;
    }
    net.sorted.assign(backwards.rbegin(), backwards.rend());
    net.tied.assign(n, -1);
    net.tiedTo.assign(n, false);
    for (size_t i = 0; i < n; ++i) {
        const Step& wait = recipe[i];
        if (wait.workMinutes > 0 || net.before[i].size() != 1) continue;
        const size_t g = net.before[i][0];
        const bool shares = std::ranges::any_of(wait.uses, [&](const std::string& u) {
            return std::ranges::find(recipe[g].uses, u) != recipe[g].uses.end();
        });
        if (recipe[g].action == Action::Glue && shares && net.tied[g] < 0) {
            net.tied[g] = static_cast<long>(i);
            net.tiedTo[i] = true;
        }
    }
    return net;
}

/// What glue sets in.
constexpr std::array held{"clamp", "band clamp", "plate", "lathe"};

/// How many of a thing there are that glue can set in; 0: nothing is held.
int capacityOf(const std::string& use, const Shop& shop)
{
    if (use == "clamp") return static_cast<int>(shop.clamps);
    if (use == "band clamp") return static_cast<int>(shop.bandClamps);
    if (use == "plate") return static_cast<int>(shop.clamps);
    return use == "lathe" ? 1 : 0;
}

/// Stretches in which something is in use, `capacity` of them at once.
class Usage {
public:
    explicit Usage(int capacity) : capacity_(capacity) {}
    /// The first time from `t` on at which one is free for `length` minutes.
    double freeFrom(double t, double length) const
    {
        for (;;) {
            std::vector<TimeSpan> during;
            for (const TimeSpan& s : spans_)
                if (s.from < t + length - 1e-9 && s.to > t + 1e-9) during.push_back(s);
            if (static_cast<int>(during.size()) < capacity_ || most(during, t) < capacity_) return t;
            t = std::ranges::min_element(during, {}, &TimeSpan::to)->to;
        }
    }
    void take(const TimeSpan& s) { spans_.push_back(s); }

private:
    /// How many of these are in use at once at the most, from `t` on.
    static int most(const std::vector<TimeSpan>& spans, double t)
    {
        int highest = 0;
        for (const TimeSpan& at : spans) {
            const double begin = std::max(at.from, t);
            highest = std::max(highest, static_cast<int>(std::ranges::count_if(spans, [&](const TimeSpan& s) {
                                   return s.from <= begin + 1e-9 && s.to > begin + 1e-9;
                               })));
        }
        return highest;
    }

    int capacity_;
    std::vector<TimeSpan> spans_;
};

/// One pair of hands in the shop's hours.
class Hands {
public:
    explicit Hands(const ShopHours& hours) : hours_(hours) {}

    /// The first stretches from `t` on in which `minutes` can be worked; in one go unless `breaks`.
    std::vector<TimeSpan> find(double t, double minutes, bool breaks) const
    {
        const bool mustBreak = minutes > hours_.longest();
        for (;;) {
            const TimeSpan open = hours_.openAt(t);
            const TimeSpan gap = freeIn(std::max(t, open.from), open.to);
            if (gap.length() >= minutes - 1e-9) return {{gap.from, gap.from + minutes}};
            // It may go on after closing time, if what is left of the day is worth beginning.
            if ((mustBreak || (breaks && gap.length() >= 15)) && gap.to >= open.to - 1e-9 && gap.length() > 0) {
                std::vector<TimeSpan> parts{gap};
                double left = minutes - gap.length();
                for (double from = open.to; left > 1e-9;) {
                    const TimeSpan next = hours_.openAt(from), free = freeIn(next.from, next.to);
                    if (free.from > next.from + 1e-9) break;
                    parts.push_back({free.from, std::min(free.to, free.from + left)});
                    left -= parts.back().length();
                    if (left > 1e-9 && free.to < next.to - 1e-9) break;
                    from = next.to;
                }
                if (left <= 1e-9) return parts;
            }
            t = gap.length() <= 0 || gap.to >= open.to - 1e-9 ? open.to : gap.to;
        }
    }
    void take(const std::vector<TimeSpan>& spans)
    {
        for (const TimeSpan& s : spans) busy_.insert(std::ranges::upper_bound(busy_, s.from, {}, &TimeSpan::from), s);
    }

private:
    /// The first free stretch within from … to.
    TimeSpan freeIn(double from, double to) const
    {
        auto it = std::ranges::partition_point(busy_, [&](const TimeSpan& b) { return b.to <= from + 1e-9; });
        for (; it != busy_.end() && it->from <= from + 1e-9; ++it) from = std::max(from, it->to);
        if (from >= to) return {to, to};
        return {from, it == busy_.end() ? to : std::min(to, it->from)};
    }

    const ShopHours& hours_;
    std::vector<TimeSpan> busy_;  // in order, none over another
};

class Scheduler {
public:
    Scheduler(const Recipe& recipe, const Shop& shop, const Progress& progress, double now)
        : recipe_(recipe), shop_(shop), net_(networkOf(recipe)), begins_(progress.start.value_or(aMonday)),
          hours_(shop, begins_), soonest_(recipe.size(), now), done_(recipe.size())
    {
        std::unordered_map<std::string, size_t> index;
        for (size_t i = 0; i < recipe.size(); ++i) index[recipe[i].id] = i;
        for (const StepMoved& m : progress.moved)
            if (const auto it = index.find(m.step); it != index.end())
                soonest_[it->second] = std::max(now, m.from - begins_);
        for (const StepDone& d : progress.done)
            if (const auto it = index.find(d.step); it != index.end())
                done_[it->second] = TimeSpan{d.start - begins_, d.end - begins_};
    }

    Schedule run()
    {
        Schedule best = byPriority(net_.tail);
        bound(best);
        auto better = [&](Schedule next) {
            if (next.length >= best.length - 1e-9) return;
            next.criticalPath = best.criticalPath;
            next.lowerBound = best.lowerBound;
            next.busiest = best.busiest;
            next.critical = best.critical;
            best = std::move(next);
        };
        auto atBound = [&] { return best.length <= best.lowerBound * 1.001 + 1e-6; };
        std::mt19937 dice(7);
        const int tries = recipe_.empty() ? 0 : std::clamp(static_cast<int>(1200 / recipe_.size()), 1, 400);
        for (int k = 0; k < tries && !atBound(); ++k) {
            std::vector<double> weight = net_.tail;
            for (double& w : weight) w *= 1 + 0.6 * (static_cast<double>(dice() >> 8) / (1 << 24) - 0.5);
            better(byPriority(weight));
        }
        if (!atBound() && recipe_.size() <= mostExact) {
            Exact exact{.best = best.length, .schedule = std::nullopt, .left = 200000};
            search(Placing(*this), exact);
            if (exact.schedule) better(std::move(*exact.schedule));
        }
        return best;
    }

private:
    static constexpr size_t mostExact = 12;

    bool breaks(const Step& s) const
    {
        return s.action != Action::Glue && s.action != Action::PartOff && s.workMinutes > 20;
    }

    /// A schedule while its steps are being placed, one after another, each as soon as what comes before, hands and
    /// clamps allow.
    class Placing {
    public:
        explicit Placing(const Scheduler& all) : all_(all), hands_(all.hours_), missing_(all.recipe_.size())
        {
            const size_t n = all.recipe_.size();
            schedule.begins = all.begins_;
            schedule.start.resize(n);
            schedule.end.resize(n);
            schedule.work.resize(n);
            schedule.done.assign(n, false);
            for (size_t i = 0; i < n; ++i) {
                schedule.workMinutes += all.recipe_[i].workMinutes;
                missing_[i] = all.net_.before[i].size();
                if (!missing_[i]) open.push_back(i);
            }
        }

        Schedule schedule;
        std::vector<size_t> open;  ///< whose steps before are all placed

        /// Places the step at `which` of `open`.
        void place(size_t which)
        {
            const size_t i = open[which];
            open.erase(open.begin() + static_cast<long>(which));
            if (all_.done_[i])
                takeDone(i);
            else if (all_.net_.tiedTo[i] && !schedule.done[all_.net_.before[i][0]]) {  // placed with its glue
                schedule.start[i] = schedule.end[all_.net_.before[i][0]];
                schedule.end[i] = schedule.start[i] + all_.recipe_[i].waitMinutes;
            } else
                fit(i);
            schedule.length = std::max(schedule.length, schedule.end[i]);
            for (const size_t next : all_.net_.after[i])
                if (!--missing_[next]) open.push_back(next);
        }

    private:
        void takeDone(size_t i)
        {
            schedule.done[i] = true;
            schedule.start[i] = all_.done_[i]->from;
            schedule.end[i] = all_.done_[i]->to;
            schedule.work[i] = {
                {schedule.start[i], std::min(schedule.end[i], schedule.start[i] + all_.recipe_[i].workMinutes)}};
        }

        /// What a step holds while it is worked on and waits.
        std::vector<Usage*> held(const Step& step)
        {
            std::vector<Usage*> all;
            for (const std::string& u : step.uses)
                if (const int c = capacityOf(u, all_.shop_))
                    all.push_back(&usage_.try_emplace(u, Usage(c)).first->second);
            return all;
        }

        void fit(size_t i)
        {
            const Step& step = all_.recipe_[i];
            const long tied = all_.net_.tied[i];
            const double after =
                step.waitMinutes + (tied >= 0 ? all_.recipe_[static_cast<size_t>(tied)].waitMinutes : 0);
            const bool holds = after > 0 || std::ranges::find(step.uses, "lathe") != step.uses.end();
            const std::vector<Usage*> uses = holds ? held(step) : std::vector<Usage*>{};
            double t = all_.soonest_[i];
            for (const size_t b : all_.net_.before[i]) t = std::max(t, schedule.end[b]);
            for (;;) {
                const std::vector<TimeSpan> work = step.workMinutes > 0
                                                       ? hands_.find(t, step.workMinutes, all_.breaks(step))
                                                       : std::vector<TimeSpan>{{t, t}};
                const double from = work.front().from, to = work.back().to + after;
                double free = from;
                for (const Usage* u : uses) free = std::max(free, u->freeFrom(from, to - from));
                if (free > from + 1e-9) {
                    t = free;
                    continue;
                }
                for (Usage* u : uses) u->take({from, to});
                if (step.workMinutes > 0) {
                    hands_.take(work);
                    schedule.work[i] = work;
                }
                schedule.start[i] = from;
                schedule.end[i] = work.back().to + step.waitMinutes;
                return;
            }
        }

        const Scheduler& all_;
        Hands hands_;
        std::map<std::string, Usage> usage_;
        std::vector<size_t> missing_;
    };

    /// Placed in the order of these weights, the heaviest that can be first.
    Schedule byPriority(const std::vector<double>& weight) const
    {
        Placing placing(*this);
        auto lighter = [&](size_t a, size_t b) { return std::pair(weight[a], b) < std::pair(weight[b], a); };
        while (!placing.open.empty())
            placing.place(static_cast<size_t>(std::ranges::max_element(placing.open, lighter) - placing.open.begin()));
        order(placing.schedule);
        return std::move(placing.schedule);
    }

    struct Exact {
        double best;  ///< length of the shortest schedule known
        std::optional<Schedule> schedule;
        int left;  ///< how many more steps may be placed
    };

    /// Every order of the steps that can still beat the best: each step placed as soon as it can be, some order gives
    /// the shortest schedule there is (active schedules; Sprecher, Kolisch & Drexl 1995).
    void search(const Placing& placing, Exact& exact) const
    {
        if (placing.open.empty()) {
            exact.best = placing.schedule.length;
            exact.schedule = placing.schedule;
            order(*exact.schedule);
            return;
        }
        for (size_t k = 0; k < placing.open.size() && exact.left > 0; ++k) {
            Placing next = placing;
            next.place(k);
            --exact.left;
            if (leastLength(next) < exact.best - 1e-9) search(next, exact);
        }
    }

    /// No schedule that goes on from here is shorter: the chains that hang on what is still to be placed.
    double leastLength(const Placing& placing) const
    {
        double least = placing.schedule.length;
        for (const size_t i : placing.open) {
            double ready = soonest_[i];
            for (const size_t b : net_.before[i]) ready = std::max(ready, placing.schedule.end[b]);
            if (!done_[i]) least = std::max(least, ready + net_.tail[i]);
        }
        return least;
    }

    /// The steps in the order in which they begin; one without length that begins when the one before it ends still
    /// comes after it.
    void order(Schedule& s) const
    {
        const size_t n = recipe_.size();
        s.order.resize(n);
        for (size_t i = 0; i < n; ++i) s.order[i] = i;
        std::vector<size_t> place(n);
        for (size_t k = 0; k < n; ++k) place[net_.sorted[k]] = k;
        std::ranges::sort(s.order, [&](size_t a, size_t b) {
            return std::tuple(s.start[a], s.end[a], place[a]) < std::tuple(s.start[b], s.end[b], place[b]);
        });
    }

    /// Critical path with closing times; and where chains meet, what hands, clamps and lathe have to do before.
    void bound(Schedule& s) const
    {
        const size_t n = recipe_.size();
        std::vector<double> chain(n, 0), end(n, 0);
        std::vector<long> from(n, -1);
        std::vector<const char*> by(n, "chain");
        size_t final = 0;
        auto pass = [&](std::vector<double>& ends, bool loads) {
            double last = 0;
            for (const size_t i : net_.sorted) {
                if (done_[i]) {
                    ends[i] = done_[i]->to;
                } else {
                    double t = soonest_[i];
                    for (const size_t b : net_.before[i])
                        if (ends[b] >= t) {
                            t = ends[b];
                            from[i] = static_cast<long>(b);
                        }
                    if (loads && net_.before[i].size() > 1) {
                        const auto [busy, name] = busyBefore(i);
                        if (busy > t) {
                            t = busy;
                            by[i] = name;
                        } else if (from[i] >= 0)
                            by[i] = by[static_cast<size_t>(from[i])];
                    } else if (from[i] >= 0)
                        by[i] = by[static_cast<size_t>(from[i])];
                    ends[i] = (recipe_[i].workMinutes > 0 ? earliestEnd(t, recipe_[i]) : t) + recipe_[i].waitMinutes;
                }
                if (ends[i] >= last) {
                    last = ends[i];
                    final = i;
                }
            }
            return last;
        };
        s.criticalPath = pass(chain, false);
        s.critical.assign(n, false);
        for (long i = n ? static_cast<long>(final) : -1; i >= 0; i = from[static_cast<size_t>(i)])
            s.critical[static_cast<size_t>(i)] = true;
        s.lowerBound = pass(end, true);
        s.busiest = n ? by[final] : "chain";
        const auto [all, name] = busyBefore(n);
        if (all > s.lowerBound) {
            s.lowerBound = all;
            s.busiest = name;
        }
    }

    /// When everything that must come before a step, or before the end (`i` = number of steps), can be through at the
    /// soonest, if only one of hands, clamps and lathe is looked at; and which of them takes longest.
    std::pair<double, const char*> busyBefore(size_t i) const
    {
        std::vector<bool> before(recipe_.size(), i == recipe_.size());
        std::vector<size_t> open = i < recipe_.size() ? net_.before[i] : std::vector<size_t>{};
        while (!open.empty()) {
            const size_t k = open.back();
            open.pop_back();
            if (before[k]) continue;
            before[k] = true;
            open.insert(open.end(), net_.before[k].begin(), net_.before[k].end());
        }
        Load hands;
        std::array<Load, held.size()> loads;
        for (size_t k = 0; k < recipe_.size(); ++k) {
            if (!before[k] || done_[k]) continue;
            const Step& step = recipe_[k];
            hands.minutes += step.workMinutes;
            hands.soonest = std::min(hands.soonest, soonest_[k]);
            if (net_.tiedTo[k] && !done_[net_.before[k][0]]) continue;
            const double after = step.waitMinutes + (net_.tied[k] >= 0 && before[static_cast<size_t>(net_.tied[k])]
                                                         ? recipe_[static_cast<size_t>(net_.tied[k])].waitMinutes
                                                         : 0);
            for (size_t u = 0; u < held.size(); ++u) {
                if (std::ranges::find(step.uses, held[u]) == step.uses.end() ||
                    !(after > 0 || held[u] == std::string_view("lathe")))
                    continue;
                Load& l = loads[u];
                l.minutes += step.workMinutes + after;
                l.longest = std::max(l.longest, after);
                l.soonest = std::min(l.soonest, soonest_[k]);
                l.count = capacityOf(held[u], shop_);
            }
        }
        std::pair<double, const char*> latest{0, "chain"};
        if (hands.minutes > 0) latest = {hours_.endOfWork(hands.soonest, hands.minutes), "hands"};
        for (size_t u = 0; u < held.size(); ++u)
            if (loads[u].minutes > 0)
                if (const double t = endOf(loads[u]); t > latest.first) latest = {t, held[u]};
        return latest;
    }

    /// What is asked of something that glue sets in.
    struct Load {
        double minutes = 0, soonest = 1e300;  ///< altogether; when it can begin
        double longest = 0;                   ///< the longest wait
        int count = 1;
    };

    /// When a load can be done at the soonest: while the shop is closed each can only go through with one wait that
    /// began before.
    double endOf(const Load& load) const
    {
        double left = load.minutes / load.count, t = load.soonest;
        for (;;) {
            const TimeSpan open = hours_.openAt(t);
            const double closed = std::min(std::max(0.0, open.from - t), load.longest);
            if (left <= closed) return t + left;
            left -= closed;
            t = std::max(t, open.from);
            if (left <= open.to - t) return t + left;
            left -= open.to - t;
            t = open.to;
        }
    }

    double earliestEnd(double t, const Step& step) const
    {
        return Hands(hours_).find(t, step.workMinutes, breaks(step)).back().to;
    }

    const Recipe& recipe_;
    const Shop& shop_;
    Network net_;
    double begins_;
    ShopHours hours_;
    std::vector<double> soonest_;
    std::vector<std::optional<TimeSpan>> done_;
};

}  // namespace

Schedule scheduleRecipe(const Recipe& recipe, const Shop& shop, const Progress& progress, double now)
{
    return Scheduler(recipe, shop, progress, now).run();
}

}  // namespace vl
