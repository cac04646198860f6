// What must hold for any piece of any constructions, however oddly put together.
#include "core/constructions/construction.h"
#include "core/picture/mesh.h"
#include "core/picture/skin.h"
#include "core/piece/edits/edit.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/boards/setups.h"
#include "core/plan/plan.h"
#include "core/plan/recipe_graph.h"
#include "core/plan/schedule/time_axis.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <cmath>
#include <map>
#include <set>

using namespace vl;

TEST(AnyBlank, IsPlannedWholeAndEveryStepHasWhatItNeeds)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan plan = makePlan(p, {});
        RC_ASSERT(plan.assembly.layers.size() == p.layers.size());
        for (size_t i = 0; i < p.layers.size(); ++i) {
            const BuiltLayer& b = plan.assembly.layers[i];
            RC_ASSERT(b.count() >= 1);
            RC_ASSERT(!b.cells.empty() && !b.outerHold.empty());
            RC_ASSERT(std::isfinite(b.volume) && b.volume >= 0);
            RC_ASSERT(std::isfinite(b.corner) && b.corner > 0);
            RC_ASSERT(b.density > 100 && b.density < 1500);
            for (const Setting& s : b.settings) RC_ASSERT(std::isfinite(s.value));
            for (const Caution& c : b.cautions)
                RC_ASSERT(!c.message.empty() && std::isfinite(c.measure) && std::isfinite(c.limit));
            // Painting knows no more segments than there are woods.
            for (const Cell& c : b.cells) RC_ASSERT(c.segment < b.count());
            for (const LayerHandle& h : layerHandles({p, {}, plan.surfaces, i}, b)) {
                Layer moved = p.layers[i];
                h.drag(moved, h.at + Point(3, -4));
                Piece next = p;
                next.layers[i] = moved;
                checkPiece(next);
            }
        }
        std::set<std::string> ids, things;
        for (const Part& part : plan.assembly.parts) {
            RC_ASSERT(ids.insert(part.id).second);
            RC_ASSERT(part.count > 0 && part.length >= 0 && part.width > 0 && part.thickness > 0 && part.volume >= 0);
            RC_ASSERT(std::isfinite(part.pitch) && part.pitch > 0 && std::isfinite(part.lead));
            things.insert(part.id);
        }
        for (const Step& s : plan.assembly.recipe) things.insert(s.outputs.begin(), s.outputs.end());
        for (const Step& s : plan.assembly.recipe)
            for (const std::string& in : s.inputs) RC_ASSERT(things.contains(in) || in.starts_with("waste-block"));
        RC_ASSERT(plan.schedule.length >= plan.schedule.lowerBound - 1e-6);
    });
}

TEST(AnyBlank, CanBeDrawnCutAndMeshed)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Shop shop = test::harbourShop();
        const Plan plan = makePlan(p, shop);
        for (const BuiltLayer& b : plan.assembly.layers)
            RC_ASSERT(bakeRing(b, b.cornerRadius() * 1.03, 24).pixels.size() == 24u * 24u);
        bakeSkin(plan.assembly, plan.surfaces, {0, plan.shape.height, 0, 360, 40, 20});
        for (const Mesh& mesh : {turnedMesh(plan.assembly, plan.surfaces, {0.5, false}),
                                 turnedMesh(plan.assembly, plan.surfaces, {0.5, true}), blankMesh(plan.assembly)}) {
            for (const Vertex& v : mesh.vertices)
                for (const float c : v.position) RC_ASSERT(std::isfinite(c));
            for (const auto i : mesh.indices) RC_ASSERT(i < mesh.vertices.size());
        }
        const BoardPlan boards = planBoards(p, shop, plan.assembly);
        std::map<std::string, int> cut;
        for (const PlannedBoard& b : boards.boards)
            for (const PlannedStrip& s : b.strips)
                for (const PlannedRun& r : s.runs) cut[r.part] += r.count;
        for (const Shortfall& s : boards.shortfall) cut[s.part] += s.count;
        for (const Part& part : plan.assembly.parts) RC_ASSERT(cut[part.id] == part.count);
        setupsOf(p, plan.assembly, boards);
    });
}

TEST(RecipeGraph, FlowsToTheRightAndNoTwoStepsLieOnOneAnother)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan plan = makePlan(p, {});
        const RecipeGraph g = layOut(plan.assembly.recipe, static_cast<int>(p.layers.size()));
        for (const auto& [from, to] : g.edges) RC_ASSERT(g.column[from] < g.column[to]);
        std::set<std::pair<int, int>> places;
        for (size_t i = 0; i < plan.assembly.recipe.size(); ++i) {
            RC_ASSERT(g.column[i] >= 0 && g.column[i] < g.columns && g.row[i] >= 0 && g.row[i] < g.rows);
            if (plan.assembly.recipe[i].onStack) RC_ASSERT(places.insert({g.column[i], g.row[i]}).second);
        }
    });
}

TEST(TimeAxis, ShowsOpenTimeInFullAndGoesBothWays)
{
    test::property([] {
        Shop shop;
        for (auto& day : shop.hours) {
            const double from = test::inRange(0, 20) * 60.0;
            day = {from, from + test::inRange(0, 5) * 45.0};
        }
        shop.hours[2] = {480, 1000};
        const Plan plan = makePlan(starts()[static_cast<size_t>(test::inRange(0, 6))].make(), shop);
        const TimeAxis axis(plan.schedule, shop);
        double last = -1;
        for (int k = 0; k <= 200; ++k) {
            const double t = plan.schedule.start[plan.schedule.order[0]] +
                             (plan.schedule.length - plan.schedule.start[plan.schedule.order[0]]) * k / 200,
                         s = axis.shown(t);
            RC_ASSERT(s >= last - 1e-9);
            RC_ASSERT(std::abs(axis.minutes(s) - t) < 1e-6);
            last = s;
        }
        for (size_t i = 0; i < plan.schedule.work.size(); ++i)
            for (const TimeSpan& w : plan.schedule.work[i])
                RC_ASSERT(std::abs(axis.shown(w.to) - axis.shown(w.from) - w.length()) < 1e-6);
        for (size_t k = 1; k < axis.stretches().size(); ++k)
            RC_ASSERT(std::abs(axis.stretches()[k].from - axis.stretches()[k - 1].to) < 1e-9);
    });
}
