#include "io/solid_file.h"

#include "core/measure/input_error.h"
#include "io/files.h"

#include <QTemporaryDir>

#include <assimp/Exporter.hpp>
#include <assimp/Importer.hpp>
#include <assimp/postprocess.h>
#include <assimp/scene.h>

#include <algorithm>
#include <map>

namespace vl::io {
namespace {

/// Its triangles with one corner for each place: what a slicer takes for closed.
std::unique_ptr<aiScene> sceneOf(const Mesh& mesh)
{
    std::map<std::array<float, 3>, unsigned> places;
    std::vector<unsigned> corner;
    for (const Vertex& v : mesh.vertices)
        corner.push_back(places.emplace(v.position, static_cast<unsigned>(places.size())).first->second);
    std::vector<std::array<unsigned, 3>> triangles;
    for (size_t i = 0; i + 2 < mesh.indices.size(); i += 3) {
        const std::array t{corner[mesh.indices[i]], corner[mesh.indices[i + 1]], corner[mesh.indices[i + 2]]};
        if (t[0] != t[1] && t[1] != t[2] && t[2] != t[0]) triangles.push_back(t);
    }
    // The scene owns what is made here.
    auto* solid = new aiMesh;
    solid->mName = aiString("turned piece");
    solid->mPrimitiveTypes = aiPrimitiveType_TRIANGLE;
    solid->mNumVertices = static_cast<unsigned>(places.size());
    solid->mVertices = new aiVector3D[places.size()];
    for (const auto& [place, at] : places) solid->mVertices[at] = aiVector3D(place[0], place[1], place[2]);
    solid->mNumFaces = static_cast<unsigned>(triangles.size());
    solid->mFaces = new aiFace[triangles.size()];
    for (size_t i = 0; i < triangles.size(); ++i) {
        solid->mFaces[i].mNumIndices = 3;
        solid->mFaces[i].mIndices = new unsigned[3];
        std::ranges::copy(triangles[i], solid->mFaces[i].mIndices);
    }
    auto scene = std::make_unique<aiScene>();
    scene->mMeshes = new aiMesh* [1] { solid };
    scene->mNumMeshes = 1;
    scene->mMaterials = new aiMaterial* [1] { new aiMaterial };
    scene->mNumMaterials = 1;
    scene->mRootNode = new aiNode("piece");
    scene->mRootNode->mMeshes = new unsigned[1]{0};
    scene->mRootNode->mNumMeshes = 1;
    return scene;
}

}  // namespace

const std::vector<std::string>& solidEndings()
{
    static const std::vector<std::string> all{".stl", ".obj", ".3mf"};
    return all;
}

void writeSolid(const Mesh& mesh, const std::string& path)
{
    const auto ending = std::ranges::find_if(solidEndings(), [&](const std::string& e) { return path.ends_with(e); });
    if (ending == solidEndings().end())
        throw InputError("file", "'" + path + "'", "a name that ends in .stl, .obj or .3mf is");
    const char* format = *ending == ".stl" ? "stlb" : *ending == ".obj" ? "objnomtl" : "3mf";
    const std::unique_ptr<aiScene> scene = sceneOf(mesh);
    const unsigned faces = scene->mMeshes[0]->mNumFaces;
    // The library asks for a name of its own, and does not say when a disk is full: made beside, read again, then put
    // in place.
    const QTemporaryDir beside;
    const std::string made = beside.filePath(QString::fromStdString("solid" + *ending)).toStdString();
    Assimp::Exporter exporter;
    const bool written = exporter.Export(scene.get(), format, made) == aiReturn_SUCCESS;
    Assimp::Importer importer;
    const aiScene* again = written ? importer.ReadFile(made, 0) : nullptr;
    unsigned there = 0;
    for (unsigned i = 0; again && i < again->mNumMeshes; ++i) there += again->mMeshes[i]->mNumFaces;
    if (there != faces) throw InputError(path, "cannot be made", "a place with room for it is");
    writeFile(path, readFile(made));
}

}  // namespace vl::io
