// Solids written and read again by the library that others read them with: closed, and of the piece's volume.
#include "core/measure/input_error.h"
#include "core/plan/plan.h"
#include "io/export.h"
#include "io/solid_file.h"
#include "tests/support/samples.h"

#include <QDir>
#include <QFile>
#include <QTemporaryDir>

#include <assimp/Importer.hpp>
#include <assimp/scene.h>
#include <gtest/gtest.h>

#include <array>
#include <map>

using namespace vl;

namespace {

struct Read {
    double volume = 0;
    size_t faces = 0;
    bool closed = true;
};

/// Volume by the divergence theorem; closed where every edge is walked once each way.
Read read(const std::string& path)
{
    Assimp::Importer importer;
    const aiScene* scene = importer.ReadFile(path, 0);
    Read r;
    if (!scene) return r;
    for (unsigned m = 0; m < scene->mNumMeshes; ++m) {
        const aiMesh& mesh = *scene->mMeshes[m];
        // STL says every corner anew: those of one place are one.
        std::map<std::array<float, 3>, unsigned> places;
        std::map<std::pair<unsigned, unsigned>, int> edges;
        for (unsigned f = 0; f < mesh.mNumFaces; ++f) {
            const unsigned* i = mesh.mFaces[f].mIndices;
            std::array<unsigned, 3> at{};
            for (size_t k = 0; k < 3; ++k) {
                const aiVector3D& p = mesh.mVertices[i[k]];
                at[k] = places.emplace(std::array{p.x, p.y, p.z}, static_cast<unsigned>(places.size())).first->second;
            }
            const aiVector3D &a = mesh.mVertices[i[0]], &b = mesh.mVertices[i[1]], &c = mesh.mVertices[i[2]];
            r.volume += static_cast<double>(a * (b ^ c)) / 6;
            for (size_t k = 0; k < 3; ++k) ++edges[{at[k], at[(k + 1) % 3]}];
        }
        r.faces += mesh.mNumFaces;
        for (const auto& [edge, count] : edges) {
            const auto back = edges.find({edge.second, edge.first});
            r.closed = r.closed && back != edges.end() && back->second == count;
        }
    }
    return r;
}

}  // namespace

TEST(SolidFile, IsClosedAndHasThePiecesVolume)
{
    QTemporaryDir folder;
    for (const std::string sample : {"regatta-cup", "lamp-stand", "flag-bowl"}) {
        const Piece piece = test::demo(sample);
        const Plan plan = makePlan(piece, Shop{});
        for (const std::string& ending : io::solidEndings()) {
            const std::string path = folder.filePath(QString::fromStdString("solid" + ending)).toStdString();
            io::exportPiece(piece, plan, path);
            const Read r = read(path);
            EXPECT_GT(r.faces, 500u) << sample << ending;
            EXPECT_TRUE(r.closed) << sample << ending;
            EXPECT_NEAR(r.volume, plan.shape.woodVolume, 2e-3 * plan.shape.woodVolume) << sample << ending;
        }
    }
}

TEST(SolidFile, OfOpenSegmentsIsDrawnAndNeverCalledClosed)
{
    QTemporaryDir folder;
    const Piece lantern = test::demo("net-lantern");
    const Plan plan = makePlan(lantern, Shop{});
    const std::string path = folder.filePath("lantern.obj").toStdString();
    io::exportPiece(lantern, plan, path);
    EXPECT_GT(read(path).faces, 5000u);
    for (const char* ending : {".stl", ".3mf"}) EXPECT_THROW(io::exportPiece(lantern, plan, path + ending), InputError);
}

TEST(SolidFile, HasWhatOtherAxesEdgesSawAndDrillLeave)
{
    QTemporaryDir folder;
    const std::string path = folder.filePath("solid.stl").toStdString();
    for (const std::string sample :
         {"oar-grip", "lead-tray", "keel-stand", "gull-dish", "pilot-box", "spyglass-barrel"}) {
        const Piece piece = test::demo(sample);
        const Plan plan = makePlan(piece, Shop{});
        io::exportPiece(piece, plan, path);
        const Read r = read(path);
        EXPECT_TRUE(r.closed) << sample;
        EXPECT_NEAR(r.volume, plan.shape.woodVolume, 8e-3 * plan.shape.woodVolume) << sample;
    }
}

TEST(SolidFile, OfAStepIsTheWorkpieceThen)
{
    QTemporaryDir folder;
    const std::string path = folder.filePath("step.stl").toStdString();
    const Piece piece = test::demo("pilot-box");
    const Plan plan = makePlan(piece, Shop{});
    double before = 1e12;
    for (const char* step : {"cut-L1", "rough", "hollow", "fine", "saw-S1", "finish"}) {
        io::exportWorkState(piece, Shop{}, plan, step, path);
        const Read r = read(path);
        EXPECT_TRUE(r.closed) << step;
        EXPECT_LT(r.volume, before * 1.001) << step << ": wood only leaves";
        before = r.volume;
    }
    EXPECT_NEAR(before, plan.shape.woodVolume, 8e-3 * plan.shape.woodVolume);
    EXPECT_THROW(io::exportWorkState(piece, Shop{}, plan, "no-such-step", path), InputError);
    EXPECT_THROW(io::exportWorkState(piece, Shop{}, plan, "rough", folder.filePath("a.dxf").toStdString()), InputError);
}

TEST(SolidFile, APictureIsAPngOfThePiece)
{
    QTemporaryDir folder;
    const QString path = folder.filePath("piece.png");
    const Piece piece = test::demo("gull-dish");
    io::exportPiece(piece, makePlan(piece, Shop{}), path.toStdString());
    QFile file(path);
    ASSERT_TRUE(file.open(QIODevice::ReadOnly));
    const QByteArray bytes = file.readAll();
    EXPECT_TRUE(bytes.startsWith("\x89PNG\r\n\x1a\n"));
    // Its header: width and height, big-endian (the PNG specification, IHDR).
    const auto number = [&](int at) {
        int n = 0;
        for (int k = 0; k < 4; ++k) n = n << 8 | static_cast<unsigned char>(bytes[at + k]);
        return n;
    };
    EXPECT_EQ(number(16), 1280);
    EXPECT_EQ(number(20), 960);
    EXPECT_GT(bytes.size(), 30000) << "wood is drawn on it";
}

TEST(SolidFile, RefusesOtherEndingsAndPlacesThatCannotBe)
{
    const Piece piece = test::demo("chart-stand");
    const Plan plan = makePlan(piece, Shop{});
    EXPECT_THROW(io::exportPiece(piece, plan, "/tmp/solid.step"), InputError);
    EXPECT_THROW(io::exportPiece(piece, plan, "/no/such/place/solid.stl"), InputError);
    EXPECT_FALSE(io::canExport("solid"));
}
