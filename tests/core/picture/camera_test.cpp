#include "core/picture/render.h"
#include "core/plan/plan.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <cmath>

using namespace vl;
using Eigen::Vector3d;

TEST(Camera, StandsThePieceUpOrLaysItHeadstockLeft)
{
    const Camera up{0, 0, 1, true}, flat{0, 0, 1, false};
    const double height = 200;
    const Vector3d foot(0, 0, 0), rim(200, 0, 0), twelve(100, 50, 0);
    EXPECT_NEAR((up.view(height) * rim - Vector3d(0, 100, 0)).norm(), 0, 1e-9) << "the rim is up";
    EXPECT_NEAR((up.view(height) * foot - Vector3d(0, -100, 0)).norm(), 0, 1e-9);
    EXPECT_NEAR((flat.view(height) * foot - Vector3d(-100, 0, 0)).norm(), 0, 1e-9) << "the headstock is left";
    EXPECT_NEAR((flat.view(height) * twelve - Vector3d(0, 50, 0)).norm(), 0, 1e-9) << "12 o'clock is up";
}

TEST(Camera, OnlyTurnsAndNeverStretches)
{
    for (int yaw = -180; yaw <= 180; yaw += 30)
        for (int pitch = -90; pitch <= 90; pitch += 30)
            for (const bool upright : {true, false}) {
                const Eigen::Matrix3d turn =
                    Camera{static_cast<double>(yaw), static_cast<double>(pitch), 1, upright}.view(120).linear();
                EXPECT_LT((turn * turn.transpose() - Eigen::Matrix3d::Identity()).norm(), 1e-9);
                EXPECT_NEAR(turn.determinant(), 1, 1e-9) << "left stays left";
            }
}

TEST(Camera, ShowsAllOfThePieceHoweverItIsTurned)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    const Mesh mesh = turnedMesh(plan.assembly, plan.surfaces, {1, false});
    for (int yaw = 0; yaw < 360; yaw += 45)
        for (int pitch = -90; pitch <= 90; pitch += 45) {
            const Camera camera{static_cast<double>(yaw), static_cast<double>(pitch), 1, true};
            const double half = camera.halfExtent(plan.shape.height, plan.shape.greatestDiameter);
            for (const Vertex& v : mesh.vertices) {
                const Vector3d p =
                    camera.view(plan.shape.height) * Vector3d(v.position[0], v.position[1], v.position[2]);
                ASSERT_LE(std::max(std::abs(p.x()), std::abs(p.y())), half);
            }
        }
}

TEST(Mesh, FacesOutwardEverywhere)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    for (const Mesh& mesh : {turnedMesh(plan.assembly, plan.surfaces, {0.2, false}), blankMesh(plan.assembly)})
        for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3) {
            Vector3d p[3], normal = Vector3d::Zero();
            for (size_t k = 0; k < 3; ++k) {
                const Vertex& v = mesh.vertices[mesh.indices[i + k]];
                p[k] = Vector3d(v.position[0], v.position[1], v.position[2]);
                normal += Vector3d(v.normal[0], v.normal[1], v.normal[2]);
            }
            const Vector3d facing = (p[1] - p[0]).cross(p[2] - p[0]);
            if (facing.norm() < 1e-3) continue;
            ASSERT_GT(facing.normalized().dot(normal.normalized()), 0.5) << "the triangle's turn and its normals agree";
        }
}

TEST(Stations, StandAtEvenSpacingWhateverItIs)
{
    Piece cup = test::regattaCup();
    for (const double spacing : {0.5, 3.0, 10.0, 33.3, 500.0}) {
        cup.choices.stationSpacing = spacing;
        const Plan plan = makePlan(cup, {});
        std::vector<double> at;
        for (const Station& s : plan.stations)
            if (s.z != plan.surfaces.inside.front().x() || std::fmod(s.z, spacing) < 1e-9) at.push_back(s.z);
        for (size_t i = 0; i + 1 < at.size(); ++i) {
            EXPECT_LE(at[i + 1] - at[i], spacing + 1e-9);
            // But for the rim, and a station that would stand within half a millimeter of it or of the floor.
            if (i + 3 < at.size() && spacing > 0.5) {
                EXPECT_NEAR(at[i + 1] - at[i], spacing, 1e-9);
            }
        }
        EXPECT_EQ(plan.stations.back().z, 268);
    }
}
