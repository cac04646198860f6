#pragma once

#include "core/recipe/step.h"

namespace vl {

/// A thing on the bench, and the step that it comes from; a part has none.
struct WorkItem {
    std::string id, step;
};
using WorkItems = std::vector<WorkItem>;

/// What a step says and needs, beside what goes in and what comes out.
struct StepSpec {
    Text title, why, how{};
    std::vector<Setting> settings{};
    double minutes = 0;
    std::vector<Resource> uses{};
    double waitMinutes = 0;
    Held held{};
    Rounds rounds{};  ///< its minutes are those of the usual ones together
    double untilPercent = 0;
    Effect effect{};
};

/// Puts what a step says and needs into it.
void fill(Step& step, StepSpec doing);

/// A glue-up: the joint, what holds it, and what is waited for.
struct GlueUpSpec {
    Text title, why, how;
    GlueJoint joint;
    std::vector<Setting> settings{};
    double minutes = 0;
    std::vector<Resource> uses{};
    Text waitTitle{};  ///< "Leave … in the clamp" where it is empty
    Text waitWhy{}, waitHow{};
    std::vector<Resource> waitUses{};  ///< what holds it while it sets, where that is not all of `uses`
    double rotationDeg = 0;
    Effect effect = effect::Join{};
};

/// Writes the steps of one layer, or of the whole piece, in the words of the shop. Every step waits for the things that
/// it takes; its id is its name and the layer's id, so it lasts.
///
///     parts ──cut──> segments ──glue, wait──> ring ──machine──> flat
class Bench {
public:
    /// Whose wood its steps work on.
    enum On { Parts, Stack };

    /// `mark` ends every id; `layer` is the layer's place in the piece (−1: none), `name` what titles call it.
    Bench(Recipe& recipe, std::string mark, int layer, Text name, On on = Parts)
        : recipe_(recipe), mark_(std::move(mark)), layer_(layer), name_(std::move(name)), on_(layer < 0 ? Stack : on)
    {
    }

    const Text& name() const { return name_; }
    std::string key(const std::string& what) const { return mark_.empty() ? what : what + "-" + mark_; }

    /// One step; `gives` names what comes out.
    WorkItem step(Action action, const std::string& name, const WorkItems& from, const std::string& gives,
                  StepSpec doing);
    /// Glues, leaves it in what holds it until the glue lets it go, and lets it cure for light work and until it may be
    /// turned: four steps, "name", "name-wait", "name-light" and "name-cure". The thing it returns is out of the clamp.
    WorkItem glue(const std::string& name, const WorkItems& from, const std::string& gives, GlueUpSpec gluing);

    /// Minutes that a joint waits until its glue is chosen; the glue then says how long (core/plan/figures/gluing.h).
    static constexpr double inClamp = 60;

private:
    Step& add(Action action, const std::string& name, const WorkItems& from, const std::string& gives);

    Recipe& recipe_;
    std::string mark_;
    int layer_;
    Text name_;
    On on_;
};

}  // namespace vl
