#include "io/solid_file.h"

#include "core/measure/input_error.h"
#include "io/files.h"

#include <QTemporaryDir>

#include <assimp/Exporter.hpp>
#include <assimp/Importer.hpp>
#include <assimp/postprocess.h>
#include <assimp/scene.h>

#include <algorithm>
#include <memory>

namespace vl::io {
namespace {

std::unique_ptr<aiScene> sceneOf(const Surface& surface)
{
    // The scene owns what is made here.
    auto* solid = new aiMesh;
    solid->mName = aiString("turned piece");
    solid->mPrimitiveTypes = aiPrimitiveType_TRIANGLE;
    solid->mNumVertices = static_cast<unsigned>(surface.corners.size());
    solid->mVertices = new aiVector3D[surface.corners.size()];
    for (size_t i = 0; i < surface.corners.size(); ++i) {
        const auto& [x, y, z] = surface.corners[i];
        solid->mVertices[i] = aiVector3D(static_cast<ai_real>(x), static_cast<ai_real>(y), static_cast<ai_real>(z));
    }
    solid->mNumFaces = static_cast<unsigned>(surface.faces.size());
    solid->mFaces = new aiFace[surface.faces.size()];
    for (size_t i = 0; i < surface.faces.size(); ++i) {
        solid->mFaces[i].mNumIndices = 3;
        solid->mFaces[i].mIndices = new unsigned[3];
        std::ranges::copy(surface.faces[i], solid->mFaces[i].mIndices);
    }
    auto scene = std::make_unique<aiScene>();
    scene->mMeshes = new aiMesh* [1] { solid };
    scene->mNumMeshes = 1;
    scene->mMaterials = new aiMaterial* [1] { new aiMaterial };
    scene->mNumMaterials = 1;
    // The mesh hangs on a child: what stands on the root itself is not written to 3MF.
    auto* child = new aiNode("turned piece");
    child->mMeshes = new unsigned[1]{0};
    child->mNumMeshes = 1;
    scene->mRootNode = new aiNode("piece");
    scene->mRootNode->addChildren(1, &child);
    return scene;
}

}  // namespace

const std::vector<std::string>& solidEndings()
{
    static const std::vector<std::string> all{".stl", ".obj", ".3mf"};
    return all;
}

void writeSolid(const Surface& surface, const std::string& path)
{
    const auto ending = std::ranges::find_if(solidEndings(), [&](const std::string& e) { return path.ends_with(e); });
    if (ending == solidEndings().end())
        throw InputError("file", "'" + path + "'", "a name that ends in .stl, .obj or .3mf is");
    const char* format = *ending == ".stl" ? "stlb" : *ending == ".obj" ? "objnomtl" : "3mf";
    const std::unique_ptr<aiScene> scene = sceneOf(surface);
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
