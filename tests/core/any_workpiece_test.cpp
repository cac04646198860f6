// Holes, curves, forms, lids, edges and axes put together as they come: whatever is drawn is planned, shown at every
// moment and judged, and nothing that is offered makes it impossible.
#include "core/picture/work_state.h"
#include "core/plan/maps.h"
#include "core/plan/plan.h"
#include "io/piece_json.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"

#include <cmath>
#include <set>

using namespace vl;

namespace {

void expectFinite(const Mesh& mesh)
{
    for (const Vertex& v : mesh.vertices)
        for (size_t k = 0; k < 3; ++k) RC_ASSERT(std::isfinite(v.position[k]) && std::isfinite(v.normal[k]));
    for (const std::uint32_t i : mesh.indices) RC_ASSERT(i < mesh.vertices.size());
}

}  // namespace

TEST(AnyWorkpiece, IsPlannedShownAndJudged)
{
    test::property([] {
        const Piece p = test::randomWorkpiece();
        checkPiece(p);
        const Plan plan = makePlan(p, Shop{});
        RC_ASSERT(std::isfinite(plan.shape.woodVolume) && plan.shape.woodVolume >= 0);
        // Every step comes after what it needs, and takes what an earlier one gave.
        std::set<std::string> made, done, given;
        for (const Part& part : plan.assembly.parts) made.insert(part.id);
        for (const Step& s : plan.assembly.recipe) given.insert(s.outputs.begin(), s.outputs.end());
        for (const size_t i : plan.schedule.order) {
            const Step& s = plan.assembly.recipe[i];
            for (const std::string& before : s.after) RC_ASSERT(done.contains(before));
            for (const std::string& in : s.inputs)
                if (given.contains(in) && !made.contains(in)) RC_FAIL("step " + s.id + " takes " + in + " too soon");
            done.insert(s.id);
            made.insert(s.outputs.begin(), s.outputs.end());
        }
        const auto steps = static_cast<int>(plan.schedule.order.size());
        const auto at = static_cast<size_t>(test::inRange(0, steps + 1));
        const MeshDetail coarse{0.8, test::coin()};
        expectFinite(
            bodiesMesh(p, plan.assembly, plan.surfaces, bodiesAfter(plan.assembly, plan.schedule.order, at), coarse));
        for (const Caution& c : plan.cautions) {
            RC_ASSERT(!c.message.empty() && !c.at.empty());
            RC_ASSERT(c.layer >= -1 && c.layer < static_cast<int>(p.layers.size()));
            for (const Fix& f : c.fixes) checkPiece(f.apply(p));
        }
    });
}

TEST(AnyWorkpiece, IsTheSameOnceItWasAFile)
{
    test::property([] {
        Piece p = test::randomWorkpiece();
        p.id = "p1";
        RC_ASSERT(io::readPiece(io::writePiece(p)).piece == p);
    });
}

TEST(AnyWorkpiece, NeverHasMoreWoodThanItsTurnedShape)
{
    test::property([] {
        const Piece p = test::randomWorkpiece();
        const TurnedSurfaces surfaces = turnedSurfacesOf(p);
        auto share = [] { return test::inRange(0, 1001) / 1000.0; };
        const double r = share() * surfaces.widest(), a = share() * 360, z = share() * outlineHeight(p);
        const Eigen::Vector3d at = pointAt(z, r, a);
        if (surfaces.holds(at)) RC_ASSERT(surfaces.holds(at, false) && r <= radiusAt(surfaces.outside, z) + 1e-9);
        bool taken = false;
        for (const Cut& c : surfaces.cuts) taken = taken || takes(c.solid, at);
        RC_ASSERT(surfaces.holds(at) == (surfaces.holds(at, false) && !taken));
    });
}
