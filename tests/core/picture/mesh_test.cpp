// The solid against Pappus, against CGAL's volume of the same shape, and against its own error bound.
#include "core/picture/mesh.h"
#include "core/picture/render.h"
#include "core/piece/edits/edit.h"
#include "tests/support/samples.h"

#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Polygon_mesh_processing/orient_polygon_soup.h>
#include <CGAL/Polygon_mesh_processing/polygon_soup_to_polygon_mesh.h>
#include <CGAL/Polygon_mesh_processing/repair_polygon_soup.h>
#include <CGAL/Simple_cartesian.h>
#include <CGAL/Surface_mesh.h>
#include <gtest/gtest.h>

#include <cmath>
#include <map>

using namespace vl;

namespace {

using Kernel = CGAL::Simple_cartesian<double>;
using CgalSurface = CGAL::Surface_mesh<Kernel::Point_3>;

/// The mesh with corners that share a place made one, as a CGAL surface.
CgalSurface welded(const Mesh& mesh)
{
    std::vector<Kernel::Point_3> points;
    std::vector<std::vector<size_t>> faces;
    std::map<std::array<long, 3>, size_t> place;
    std::vector<size_t> index;
    for (const Vertex& v : mesh.vertices) {
        const std::array<long, 3> key{std::lround(v.position[0] * 2000.0), std::lround(v.position[1] * 2000.0),
                                      std::lround(v.position[2] * 2000.0)};
        const auto [it, fresh] = place.emplace(key, points.size());
        if (fresh) points.emplace_back(v.position[0], v.position[1], v.position[2]);
        index.push_back(it->second);
    }
    for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3) {
        const std::vector<size_t> f{index[mesh.indices[i]], index[mesh.indices[i + 1]], index[mesh.indices[i + 2]]};
        if (f[0] != f[1] && f[1] != f[2] && f[0] != f[2]) faces.push_back(f);
    }
    CgalSurface out;
    CGAL::Polygon_mesh_processing::polygon_soup_to_polygon_mesh(points, faces, out);
    return out;
}

}  // namespace

TEST(TurnedMesh, EnclosesTheVolumeThatPappusGives)
{
    for (const Start& start : starts()) {
        const Plan plan = makePlan(start.make(), {});
        const Mesh mesh = turnedMesh(plan.assembly, plan.surfaces);
        // Inscribed chords of 0.02 mm sagitta at radius r lose a share of about 4·sagitta/(3·r).
        EXPECT_NEAR(meshVolume(mesh) / plan.shape.woodVolume, 1, 0.006) << start.name;
        EXPECT_LT(meshVolume(mesh), plan.shape.woodVolume * 1.006) << start.name;
    }
}

TEST(TurnedMesh, OfOneLayerIsClosedAndCgalMeasuresTheSame)
{
    Piece p = starts()[4].make();  // straight canister: every layer meets the next in the same points
    for (Layer& l : p.layers) {
        l.form = RingForm{};
        l.sectors()->turn = 0;
    }
    const Plan plan = makePlan(p, {});
    const Mesh mesh = turnedMesh(plan.assembly, plan.surfaces, {0.2, false});
    CgalSurface surface = welded(mesh);
    EXPECT_TRUE(CGAL::is_closed(surface));
    EXPECT_NEAR(CGAL::to_double(CGAL::Polygon_mesh_processing::volume(surface)) / meshVolume(mesh), 1, 1e-6);
    // A cylinder less a cylinder, and the floor's rounding between them (plane geometry): what CGAL measures, not what
    // revolved() says.
    const double measured = CGAL::to_double(CGAL::Polygon_mesh_processing::volume(surface));
    EXPECT_NEAR(measured / (pi * (55 * 55 * 120 - 48 * 48 * 108)), 1, 0.02);
}

TEST(TurnedMesh, LiesOnTheTrueSurfaceWithinItsBound)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    for (const double tolerance : {0.02, 0.1}) {
        const Mesh mesh = turnedMesh(plan.assembly, plan.surfaces, {tolerance, false});
        for (const Vertex& v : mesh.vertices) {
            const double r = std::hypot(v.position[1], v.position[2]), z = v.position[0];
            EXPECT_LE(r, radiusRange(plan.surfaces.outside, z - 1e-4, z + 1e-4).high + 2e-3);
        }
        for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3)
            for (int k = 0; k < 3; ++k) {
                const Vertex &a = mesh.vertices[mesh.indices[i + static_cast<size_t>(k)]],
                             &b = mesh.vertices[mesh.indices[i + static_cast<size_t>((k + 1) % 3)]];
                if (std::abs(a.position[0] - b.position[0]) > 1e-4) continue;
                const double ra = std::hypot(a.position[1], a.position[2]),
                             rb = std::hypot(b.position[1], b.position[2]);
                if (std::abs(ra - rb) > 1e-3 || ra < 1) continue;
                const double middle =
                    std::hypot((a.position[1] + b.position[1]) / 2, (a.position[2] + b.position[2]) / 2);
                EXPECT_LE(ra - middle, tolerance + 1e-3);
            }
    }
}

TEST(TurnedMesh, EveryTriangleBelongsToOneSegment)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    for (const bool cut : {false, true}) {
        const Mesh mesh = turnedMesh(plan.assembly, plan.surfaces, {0.1, cut});
        for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3)
            EXPECT_TRUE(mesh.vertices[mesh.indices[i]].part == mesh.vertices[mesh.indices[i + 1]].part &&
                        mesh.vertices[mesh.indices[i]].part == mesh.vertices[mesh.indices[i + 2]].part);
        if (cut) {
            for (const Vertex& v : mesh.vertices) EXPECT_GE(v.position[2], -1e-3) << "the near half is gone";
        }
    }
}

TEST(BlankMesh, HoldsTheVolumeOfItsSegments)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    double volume = 0;
    for (const BuiltLayer& l : plan.assembly.layers) volume += l.volume;
    EXPECT_NEAR(meshVolume(blankMesh(plan.assembly)) / volume, 1, 2e-3);
}

TEST(RenderMesh, DrawsThePieceAndPicksWhatIsDrawn)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    const Mesh mesh = turnedMesh(plan.assembly, plan.surfaces, {0.1, false});
    const Camera camera;
    const Raster raster = renderMesh(mesh, camera, plan.shape.height, plan.shape.greatestDiameter, 240, 240, 0);
    int drawn = 0, hits = 0;
    for (int y = 0; y < 240; y += 12)
        for (int x = 0; x < 240; x += 12) {
            const bool wood = raster.pixels[static_cast<size_t>(y) * 240 + static_cast<size_t>(x)] != 0;
            const int part =
                pickMesh(mesh, camera, plan.shape.height, plan.shape.greatestDiameter, 240, 240, x + 0.5, y + 0.5);
            EXPECT_EQ(wood, part >= 0);
            drawn += wood;
            hits += part >= 0 && part / 1000 < static_cast<int>(plan.assembly.layers.size());
        }
    EXPECT_EQ(drawn, hits);
    EXPECT_GT(drawn, 40);
    EXPECT_EQ(pickMesh(mesh, camera, plan.shape.height, plan.shape.greatestDiameter, 240, 240, 1, 1), -1);
}

TEST(Skin, ShowsEachSegmentsWoodAndNothingBeyondThePiece)
{
    const Piece cup = test::regattaCup();
    const Plan plan = makePlan(cup, {});
    const Raster skin = bakeSkin(plan.assembly, plan.surfaces, {-20, 288, 0, 360, 308, 360});
    for (int y = 0; y < 360; y += 7)
        EXPECT_EQ(skin.pixels[static_cast<size_t>(y) * 308 + 5], 0u) << "no wood before the headstock face";
    // Layer 14 repeats walnut, maple, mahogany: walnut is the darkest, maple the lightest at every segment's middle.
    const BuiltLayer& band = plan.assembly.layers[10];
    auto light = [&](int segment) {
        double angle = std::fmod(band.phaseDeg + 360.0 * segment / band.count() + 720, 360.0);
        double sum = 0;
        for (int dx = -3; dx <= 3; ++dx) {
            const auto x = static_cast<size_t>((band.z0 + band.z1) / 2 + 20 + dx),
                       y = static_cast<size_t>(std::clamp(360 - angle, 0.0, 359.0));
            const std::uint32_t p = skin.pixels[y * 308 + x];
            sum += (p >> 16 & 255) + (p >> 8 & 255) + (p & 255);
        }
        return sum;
    };
    for (int s = 0; s + 2 < band.count(); s += 3) {
        EXPECT_LT(light(s), light(s + 2));
        EXPECT_LT(light(s + 2), light(s + 1));
    }
}
