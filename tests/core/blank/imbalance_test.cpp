// The imbalance that speeds are chosen by, against the inertia of the closed mesh of the work as it is mounted.
#include "core/picture/closed_surface.h"
#include "core/plan/plan.h"
#include "tests/support/samples.h"

#include <Eigen/Geometry>

#include <gtest/gtest.h>

#include <algorithm>

using namespace vl;

namespace {

/// The middle of a closed surface's mass (divergence theorem over its triangles).
Eigen::Vector3d middleOf(const Surface& s)
{
    Eigen::Vector3d sum = Eigen::Vector3d::Zero();
    double volume = 0;
    for (const auto& f : s.faces) {
        const auto at = [&](size_t k) { return Eigen::Vector3d(s.corners[f[k]].data()); };
        const Eigen::Vector3d a = at(0), b = at(1), c = at(2);
        const double part = a.dot(b.cross(c)) / 6;
        volume += part;
        sum += part * (a + b + c) / 4;
    }
    return sum / volume;
}

}  // namespace

TEST(Imbalance, IsThatOfTheSolid)
{
    int looked = 0;
    for (const char* name : {"oar-grip", "flare-case", "belaying-pin"}) {
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, test::harbourShop());
        for (size_t i = 0; i < plan.setUps.size(); ++i) {
            TurnedSurfaces before = plan.surfaces;
            before.axes.resize(i);
            before.inside.clear();  // it is solid until its sides are cut
            const Eigen::Vector3d middle = middleOf(solidOf(before, 0.1).surface);
            const TurnedAbout& about = plan.setUps[i].solid;
            const Eigen::Vector3d off = middle - about.at;
            const double apart = (off - off.dot(about.along.normalized()) * about.along.normalized()).norm();
            const auto mount = std::ranges::find(plan.mounts, "mount-" + plan.setUps[i].id, &Mount::id);
            ASSERT_NE(mount, plan.mounts.end());
            // Of a tilted axis it is the mean of the distances, no less than that of the middle.
            if (about.parallel())
                EXPECT_NEAR(apart, mount->offset, 0.05) << plan.setUps[i].id;
            else
                EXPECT_LE(apart, mount->offset + 0.05) << plan.setUps[i].id;
            ++looked;
        }
    }
    EXPECT_GE(looked, 10);
}
