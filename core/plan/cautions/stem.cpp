#include "core/plan/cautions/stem.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

constexpr double slender = 36;     // mm, a part that is turned thinner than this is a stem; our own choice
constexpr double besideTenon = 3;  // mm of wood beyond the hole for a tenon; common practice

bool hollowed(const Case& in, const BuiltLayer& b)
{
    return !in.plan.surfaces.inside.empty() && in.plan.surfaces.inside.front().x() < b.z1 - 1e-6;
}

bool grainAcross(const BuiltLayer& b) { return std::abs(b.cells[0].board.axes(0, 0)) < 0.7; }

bool isStem(const Case& in, int i)
{
    const BuiltLayer& b = in.built(i);
    return !hollowed(in, b) && grainAcross(b) && b.finishedOuter.low > 0 && 2 * b.finishedOuter.low < slender;
}

/// Wood along the axis below a station, and above it up to the inside or the next face but one, mm.
double woodBelow(double z) { return z; }
double woodAbove(const Case& in, int i)
{
    if (i + 1 >= in.layers()) return 0;
    const BuiltLayer& next = in.built(i + 1);
    const double end = hollowed(in, next) ? std::max(next.z0, in.plan.surfaces.inside.front().x()) : next.z1;
    return end - next.z0;
}

double tenonFor(double wood) { return std::max(0.0, std::floor(wood - besideTenon - 1)); }

}  // namespace

std::optional<StemRun> stemAt(const Case& in, int layer)
{
    if (!isStem(in, layer)) return std::nullopt;
    StemRun run{layer, layer};
    while (run.first > 0 && isStem(in, run.first - 1)) --run.first;
    while (run.last + 1 < in.layers() && isStem(in, run.last + 1)) ++run.last;
    return run;
}

Fix spindleFix(const Case& in, const StemRun& run)
{
    constexpr double longest = 40;  // mm of tenon
    const double z0 = in.built(run.first).z0, z1 = in.built(run.last).z1;
    double least = 2 * in.built(run.first).finishedOuter.low;
    for (int i = run.first; i <= run.last; ++i) least = std::min(least, 2 * in.built(i).finishedOuter.low);
    SpindleForm form;
    form.tenon = std::clamp(std::floor(least * 0.6), 3.0, 300.0);
    form.below = run.first > 0 ? std::min(longest, tenonFor(woodBelow(z0))) : 0;
    form.above = std::min(longest, tenonFor(woodAbove(in, run.last)));
    std::string label = "one turned spindle for layer " + std::to_string(run.first + 1);
    if (run.last > run.first)
        label =
            "one turned spindle for layers " + std::to_string(run.first + 1) + " to " + std::to_string(run.last + 1);
    return pieceFix(label, [run, form, height = z1 - z0](Piece& q) {
        if (run.last >= static_cast<int>(q.layers.size())) return;
        Layer& stem = q.layers[static_cast<size_t>(run.first)];
        stem.form = form;
        stem.thickness = std::min(height, limits::thickness.high);
        stem.woods.resize(1);
        stem.stockOuter.reset();
        stem.stockInner.reset();
        stem.partedFrom.reset();
        q.layers.erase(q.layers.begin() + run.first + 1, q.layers.begin() + run.last + 1);
    });
}

void stemCautions(const Case& in, std::vector<Caution>& out)
{
    for (int i = 0; i < in.layers(); ++i) {
        const std::optional<StemRun> run = stemAt(in, i);
        if (!run) continue;
        double least = slender, length = 0;
        for (int k = run->first; k <= run->last; ++k) {
            least = std::min(least, 2 * in.built(k).finishedOuter.low);
            length += in.built(k).z1 - in.built(k).z0;
        }
        i = run->last;
        if (length < least) continue;
        Caution c = in.at("short-grain", run->first);
        c.measure = least;
        c.limit = slender;
        c.message = "the stem is turned to " + in.mm(least) + " with its grain running across it: short grain, it " +
                    "snaps under the tool or in use";
        c.fixes.push_back(spindleFix(in, *run));
        out.push_back(c);
    }
    for (int i = 0; i < in.layers(); ++i) {
        const BuiltLayer& b = in.built(i);
        auto judge = [&](const char* kind, double tenon, double wood, double SpindleForm::*field) {
            if (tenon <= 0 || Tenon::hole(tenon) <= wood - besideTenon + 1e-9) return;
            Caution c = in.at(kind, i, Level::Stop);
            c.z = field == &SpindleForm::below ? b.z0 : b.z1;
            c.measure = Tenon::hole(tenon);
            c.limit = std::max(0.0, wood - besideTenon);
            c.message = "the hole for its tenon is " + in.mm(c.measure) + " deep and the wood there " + in.mm(wood) +
                        ": it comes through";
            c.fixes.push_back(
                layerFix("a tenon of " + in.mm(tenonFor(wood)), i, [field, to = tenonFor(wood)](Layer& l) {
                    if (SpindleForm* f = l.as<SpindleForm>()) f->*field = to;
                }));
            out.push_back(c);
        };
        judge("tenon-below", b.tenon.below, woodBelow(b.z0), &SpindleForm::below);
        judge("tenon-above", b.tenon.above, woodAbove(in, i), &SpindleForm::above);
    }
}

}  // namespace vl
