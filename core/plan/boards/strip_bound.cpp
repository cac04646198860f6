#include "core/plan/boards/strip_bound.h"

#include <glpk.h>

#include <algorithm>
#include <cmath>
#include <map>
#include <memory>

namespace vl {
namespace {

constexpr double gridOfBounds = 0.1;  // mm
int cells(double mm) { return static_cast<int>(std::floor(mm / gridOfBounds + 1e-7)); }
int cellsUp(double mm) { return static_cast<int>(std::ceil(mm / gridOfBounds - 1e-7)); }

/// Panels that are alike, as one row of the master problem.
struct PanelClass {
    StripProblem::Panel panel;
    size_t first;
    int count = 0;
};

struct Column {
    double cost = 0;
    std::map<size_t, int> takes;   ///< item → parts
    std::map<size_t, int> strips;  ///< kind → strips
    int panelClass = -1;           ///< −1: parts left out
    double share = 1;              ///< of a panel, at least
};

/// The best strip of a kind for a price.
struct Strip {
    double worth = -1e300;  ///< mm² beyond its cost
    int used = 0;           ///< cells of its length
    double cost = 0;        ///< mm²
    int count = 0;          ///< parts, of a kind with one item
};

/// Prices a kind's strips: the dearest fill of every length.
class Fill {
public:
    Fill(const StripProblem& p, size_t kind, int length) : p_(p), kind_(p.kinds[kind])
    {
        best_.assign(kind_.items.size() + 1, std::vector<float>(static_cast<size_t>(length) + 1, 0));
        with_.assign(kind_.items.size(), std::vector<float>(static_cast<size_t>(length) + 1, -1e30f));
    }
    void price(const std::vector<double>& price)
    {
        for (size_t k = 0; k < kind_.items.size(); ++k) {
            const auto& item = p_.items[kind_.items[k]];
            const float worth = static_cast<float>(price[kind_.items[k]]);
            const auto& before = best_[k];
            auto &after = best_[k + 1], &with = with_[k];
            const size_t one = static_cast<size_t>(std::max(1, cells(item.pitch))),
                         first = static_cast<size_t>(std::max(1, cells(item.pitch + item.lead)));
            for (size_t u = 0; u < after.size(); ++u) {
                float w = -1e30f;
                if (u >= first) w = before[u - first] + worth;
                if (u >= one) w = std::max(w, with[u - one] + worth);
                with[u] = w;
                after[u] = std::max(before[u], w);
            }
        }
    }
    float worth(size_t u) const { return best_.back()[u]; }
    void take(size_t u, std::map<size_t, int>& takes) const
    {
        for (size_t k = kind_.items.size(); k-- > 0;) {
            if (best_[k + 1][u] <= best_[k][u]) continue;
            const auto& item = p_.items[kind_.items[k]];
            const size_t one = static_cast<size_t>(std::max(1, cells(item.pitch))),
                         first = static_cast<size_t>(std::max(1, cells(item.pitch + item.lead)));
            for (;;) {
                ++takes[kind_.items[k]];
                const float more = u >= one ? with_[k][u - one] : -1e30f,
                            start = u >= first ? best_[k][u - first] : -1e30f;
                if (more > start) {
                    u -= one;
                    continue;
                }
                u -= first;
                break;
            }
        }
    }

private:
    const StripProblem& p_;
    const StripProblem::Kind& kind_;
    std::vector<std::vector<float>> best_, with_;
};

/// The best strip of a kind for a price of its length: for every room the end of the best fill, the cost taken off.
struct Rated {
    std::vector<float> value;  ///< best over all fills that leave a rest worth keeping
    std::vector<int> at;
};

class Bound {
public:
    Bound(const StripProblem& p, const Control& control)
        : p_(p), control_(control), lp_(glp_create_prob(), glp_delete_prob)
    {
        for (size_t i = 0; i < p.panels.size(); ++i) {
            const auto& q = p.panels[i];
            auto it = std::ranges::find_if(classes_, [&](const PanelClass& c) { return alike(c.panel, q); });
            if (it == classes_.end()) it = classes_.insert(classes_.end(), {q, i, 0});
            ++it->count;
            longest_ = std::max(longest_, cellsUp(q.length));
        }
        for (size_t k = 0; k < p.kinds.size(); ++k) fills_.emplace_back(p, k, single(k) ? 0 : longest_);
        perStrip_.assign(p.kinds.size(), 0);
    }

    StripBound run(double gap)
    {
        StripBound out;
        out.price.assign(p_.items.size(), 0);
        out.scarcity.assign(p_.panels.size(), 0);
        if (p_.items.empty()) return out;
        glp_term_out(GLP_OFF);
        glp_set_obj_dir(lp_.get(), GLP_MIN);
        const int demands = static_cast<int>(p_.items.size()),
                  rows = demands + static_cast<int>(classes_.size()) + static_cast<int>(p_.kinds.size());
        glp_add_rows(lp_.get(), rows);
        for (int i = 0; i < demands; ++i)
            glp_set_row_bnds(lp_.get(), i + 1, GLP_LO, p_.items[static_cast<size_t>(i)].count, 0);
        for (size_t c = 0; c < classes_.size(); ++c)
            glp_set_row_bnds(lp_.get(), demands + static_cast<int>(c) + 1, GLP_UP, 0, classes_[c].count);
        for (size_t k = 0; k < p_.kinds.size(); ++k)
            glp_set_row_bnds(lp_.get(), stripRow(k), GLP_LO, leastStrips(k), 0);
        // A part that is left out saves a strip at the most.
        for (size_t i = 0; i < p_.items.size(); ++i) addColumn({p_.missing(i), {{i, 1}}, {{p_.items[i].kind, 1}}});
        glp_smcp parameters;
        glp_init_smcp(&parameters);
        parameters.msg_lev = GLP_MSG_OFF;
        constexpr int most = 120;
        for (int round = 0; round < most && !control_.canceled(); ++round) {
            if (glp_simplex(lp_.get(), &parameters) != 0) break;
            const double value = glp_get_obj_val(lp_.get());
            for (int i = 0; i < demands; ++i)
                out.price[static_cast<size_t>(i)] = std::max(0.0, glp_get_row_dual(lp_.get(), i + 1));
            double reduced = 0;
            int added = 0;
            price(out.price);
            for (size_t k = 0; k < p_.kinds.size(); ++k)
                perStrip_[k] = std::max(0.0, glp_get_row_dual(lp_.get(), stripRow(k)));
            for (size_t c = 0; c < classes_.size(); ++c) {
                const double dual = glp_get_row_dual(lp_.get(), demands + static_cast<int>(c) + 1);
                double least = 0;  // reduced cost of the best for one whole panel
                for (const Range& range : ranges(classes_[c])) {
                    const auto [worth, column] = pattern(classes_[c], range);
                    const double cost = -worth - dual * range.share;
                    if (cost < -1e-7 * (1 + std::abs(value))) {
                        least = std::min(least, cost / range.share);
                        addColumn(column);
                        ++added;
                    }
                }
                reduced += least * classes_[c].count;
            }
            // A little off, for what the tables' single precision may hide.
            out.bound = std::max(out.bound, (value + reduced) * (1 - 1e-5));
            control_.at(std::min(1.0, (round + 1.0) / 40));
            if (!added || out.bound >= value * (1 - gap)) break;
        }
        for (size_t i = 0; i < p_.panels.size(); ++i)
            for (size_t c = 0; c < classes_.size(); ++c)
                if (alike(classes_[c].panel, p_.panels[i]))
                    out.scarcity[i] = std::max(0.0, -glp_get_row_dual(lp_.get(), demands + static_cast<int>(c) + 1));
        return out;
    }

private:
    static bool alike(const StripProblem::Panel& a, const StripProblem::Panel& b)
    {
        return a.length == b.length && a.width == b.width && a.thickness == b.thickness;
    }

    int stripRow(size_t kind) const { return static_cast<int>(p_.items.size() + classes_.size() + kind) + 1; }

    /// Strips that a kind takes at least, whole ones: as many as the longest panel's strips would be.
    double leastStrips(size_t kind) const
    {
        double longest = 0, need = 0, lead = 1e300;
        for (size_t i = 0; i < p_.panels.size(); ++i)
            if (p_.fits(i, kind)) longest = std::max(longest, p_.panels[i].length);
        const auto& items = p_.kinds[kind].items;
        for (const size_t i : items) {
            need += p_.items[i].count * p_.items[i].pitch;
            lead = std::min(lead, p_.items[i].lead);
        }
        const double room = longest - p_.endWaste - lead;
        if (!(room > 0) || items.empty()) return 0;
        if (items.size() > 1) return std::ceil(need / room - 1e-9);
        const double each = std::floor(room / p_.items[items[0]].pitch + 1e-9);
        return each > 0 ? std::ceil(p_.items[items[0]].count / each) : 0;
    }

    void addColumn(const Column& column)
    {
        const int j = glp_add_cols(lp_.get(), 1);
        glp_set_col_bnds(lp_.get(), j, GLP_LO, 0, 0);
        glp_set_obj_coef(lp_.get(), j, column.cost);
        std::vector<int> index{0};
        std::vector<double> value{0};
        for (const auto& [item, n] : column.takes) {
            index.push_back(static_cast<int>(item) + 1);
            value.push_back(n);
        }
        for (const auto& [kind, n] : column.strips) {
            index.push_back(stripRow(kind));
            value.push_back(n);
        }
        if (column.panelClass >= 0) {
            index.push_back(static_cast<int>(p_.items.size()) + column.panelClass + 1);
            value.push_back(column.share);
        }
        glp_set_mat_col(lp_.get(), j, static_cast<int>(index.size()) - 1, index.data(), value.data());
    }

    bool single(size_t kind) const { return p_.kinds[kind].items.size() == 1; }

    void price(const std::vector<double>& prices)
    {
        price_ = prices;
        rated_.clear();
        const int waste = cells(p_.endWaste), hold = cells(p_.leastHold);
        for (size_t k = 0; k < p_.kinds.size(); ++k) {
            if (single(k)) {
                rated_.emplace_back();
                continue;
            }
            fills_[k].price(prices);
            Rated r;
            const double each = (p_.kinds[k].width + p_.kerf) * gridOfBounds;
            r.value.assign(static_cast<size_t>(longest_) + 1, -1e30f);
            r.at.assign(static_cast<size_t>(longest_) + 1, -1);
            for (int u = 0; u <= longest_; ++u) {
                const auto at = static_cast<size_t>(u);
                if (u > 0) {
                    r.value[at] = r.value[at - 1];
                    r.at[at] = r.at[at - 1];
                }
                if (u < hold || u < waste) continue;
                const float v = fills_[k].worth(static_cast<size_t>(u - waste)) - static_cast<float>(u * each);
                if (v > r.value[at]) {
                    r.value[at] = v;
                    r.at[at] = u;
                }
            }
            rated_.push_back(std::move(r));
        }
    }

    /// A block's length lies between these, mm; it takes at least this share of a panel and these mm² of kerf.
    struct Range {
        double low = 0, high = 0, share = 1, kerf = 0;
    };

    /// A whole panel, and shorter blocks by their length.
    std::vector<Range> ranges(const PanelClass& c) const
    {
        std::vector<Range> out{{c.panel.length, c.panel.length, 1, 0}};
        const double first = std::min(p_.leastHold, c.panel.length),
                     last = c.panel.length - std::min(p_.leastOffcut, p_.leastHold) - p_.crosscutKerf;
        constexpr int parts = 3;
        for (int k = 0; k < parts && last > first; ++k) {
            const double low = first + (last - first) * k / parts, high = first + (last - first) * (k + 1) / parts;
            // Of two blocks that fill a panel one needs no cut of its own.
            out.push_back({low, high, (low + p_.crosscutKerf) / (c.panel.length + p_.crosscutKerf),
                           p_.crosscutKerf * c.panel.width / 2});
        }
        return out;
    }

    /// One kind of part in strips of a block: as many as fill the length, leave a rest worth keeping, or can just be
    /// held or are as long as the shortest block, and one more; between them the worth is linear.
    Strip bestOfOne(size_t kind, const Range& range) const
    {
        Strip best;
        const auto& item = p_.items[p_.kinds[kind].items[0]];
        const double w = p_.kinds[kind].width + p_.kerf;
        auto fit = [&](double end) {
            return static_cast<int>(std::floor((end - p_.endWaste - item.lead) / item.pitch + 1e-9));
        };
        const int most = fit(range.high), held = std::max(0, fit(p_.leastHold)), low = std::max(0, fit(range.low));
        for (int n : {most, fit(range.high - p_.leastOffcut), held, held + 1, low, low + 1}) {
            if (n = std::min(n, most); n <= 0) continue;
            const double cost = leastUse(item.run(n), range) * w, worth = n * price_[p_.kinds[kind].items[0]] - cost;
            if (worth > best.worth) best = {worth, 1, cost, n};
        }
        return best;
    }

    /// What runs of this length use up at least in a block of a range.
    double leastUse(double inRuns, const Range& range) const
    {
        const double need = p_.need(inRuns, range.high);
        return range.high - need < p_.leastOffcut ? std::max(need, range.low) : need;
    }

    /// Several kinds of part: the whole length, or what leaves a rest worth keeping.
    Strip bestOfMany(size_t kind, const Range& range) const
    {
        Strip best;
        const int length = cellsUp(range.high), waste = cells(p_.endWaste), keep = cells(range.high - p_.leastOffcut);
        if (length <= waste) return best;
        const double each = p_.kinds[kind].width + p_.kerf,
                     whole = fills_[kind].worth(static_cast<size_t>(length - waste)) - range.low * each;
        if (range.low == range.high && whole > best.worth) best = {whole, length, range.low * each, 0};
        // A shorter block's strips may be as long as they like within it.
        const int end = range.low == range.high ? keep : length;
        const Rated& r = rated_[kind];
        if (end > 0 && r.at[static_cast<size_t>(end)] >= 0 && r.value[static_cast<size_t>(end)] > best.worth)
            best = {r.value[static_cast<size_t>(end)], r.at[static_cast<size_t>(end)],
                    r.at[static_cast<size_t>(end)] * gridOfBounds * each, 0};
        return best;
    }

    /// The block of a range that is worth most beyond its cost.
    std::pair<double, Column> pattern(const PanelClass& c, const Range& range) const
    {
        struct Choice {
            size_t kind;
            int width;
            Strip strip;
        };
        std::vector<Choice> choices;
        for (size_t k = 0; k < p_.kinds.size(); ++k) {
            if (!p_.fits(c.first, k) || p_.kinds[k].width > c.panel.width + 1e-9) continue;
            Strip best = single(k) ? bestOfOne(k, range) : bestOfMany(k, range);
            best.worth += perStrip_[k];
            if (best.worth > 0 && best.used > 0)
                choices.push_back({k, std::max(1, cells(p_.kinds[k].width + p_.kerf)), best});
        }
        // What narrower ones, as often as they find room in its width, are worth as much, is never chosen.
        std::ranges::stable_sort(choices, {}, &Choice::width);
        std::vector<Choice> few;
        for (const Choice& choice : choices)
            if (std::ranges::none_of(few, [&](const Choice& other) {
                    return choice.width / other.width * other.strip.worth >= choice.strip.worth;
                }))
                few.push_back(choice);
        choices = std::move(few);
        const int room = cellsUp(c.panel.width + p_.kerf);
        constexpr float none = -1e30f;
        std::vector<float> value(static_cast<size_t>(room) + 1, none);
        std::vector<int> chosen(static_cast<size_t>(room) + 1, -1);
        value[0] = 0;
        for (int w = 1; w <= room; ++w)
            for (size_t k = 0; k < choices.size(); ++k)
                if (choices[k].width <= w && value[static_cast<size_t>(w - choices[k].width)] > none) {
                    const float v =
                        value[static_cast<size_t>(w - choices[k].width)] + static_cast<float>(choices[k].strip.worth);
                    if (v > value[static_cast<size_t>(w)]) {
                        value[static_cast<size_t>(w)] = v;
                        chosen[static_cast<size_t>(w)] = static_cast<int>(k);
                    }
                }
        // A rest too narrow to keep is used up too; a millimeter of it is left out of the bound for the rounded widths.
        auto sliver = [&](int w) {
            const double rest = (room - w) * gridOfBounds - p_.kerf;
            return w > 0 && rest < p_.leastOffcutWidth ? std::max(0.0, rest - 1) * range.low : 0;
        };
        int end = 0;
        for (int w = 1; w <= room; ++w)
            if (value[static_cast<size_t>(w)] - sliver(w) > value[static_cast<size_t>(end)] - sliver(end)) end = w;
        Column column;
        column.cost = sliver(end) + range.kerf;
        column.panelClass = static_cast<int>(&c - classes_.data());
        column.share = range.share;
        for (int w = end; w > 0;) {
            const Choice& choice = choices[static_cast<size_t>(chosen[static_cast<size_t>(w)])];
            column.cost += choice.strip.cost;
            ++column.strips[choice.kind];
            if (choice.strip.count > 0)
                column.takes[p_.kinds[choice.kind].items[0]] += choice.strip.count;
            else
                fills_[choice.kind].take(static_cast<size_t>(choice.strip.used - cells(p_.endWaste)), column.takes);
            w -= choice.width;
        }
        return {value[static_cast<size_t>(end)] - sliver(end) - range.kerf, column};
    }

    const StripProblem& p_;
    const Control& control_;
    std::unique_ptr<glp_prob, void (*)(glp_prob*)> lp_;
    std::vector<PanelClass> classes_;
    int longest_ = 0;
    std::vector<Fill> fills_;
    std::vector<Rated> rated_;
    std::vector<double> price_;
    std::vector<double> perStrip_;  ///< mm², what one strip more of a kind is worth by the least number of them
};

}  // namespace

StripBound boundOf(const StripProblem& problem, const Control& control, double gap)
{
    return Bound(problem, control).run(gap);
}

}  // namespace vl
