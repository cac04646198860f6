#include "io/piece_json.h"

#include "core/wood/own_wood.h"
#include "io/fields_json.h"
#include "io/own_woods.h"
#include "io/piece_version_1.h"

#include <charconv>
#include <cstdint>

namespace vl::io {
namespace {

constexpr const char* pieceFormat = "vivid-lathe-piece";
constexpr int version = 2;

/// What is true of ids whoever wrote the file: every layer has one of its own, and no number is given twice.
void settleIds(Piece& p, std::vector<std::string>& notes)
{
    for (const Layer& l : p.layers) {
        int number = 0;
        if (l.id.starts_with('L')) std::from_chars(l.id.data() + 1, l.id.data() + l.id.size(), number);
        p.layersMade = std::max(p.layersMade, number);
    }
    const std::vector<Layer> before = p.layers;
    identifyLayers(p);
    identifyAxes(p);
    identifyCuts(p);
    for (size_t i = 0; i < before.size(); ++i)
        if (!before[i].id.empty() && before[i].id != p.layers[i].id)
            notes.push_back("layers[" + std::to_string(i) + "].id is '" + before[i].id +
                            "', as a layer's before it: '" + p.layers[i].id + "' taken");
    if (p.choices.trialRing.empty() || layerOf(p, p.choices.trialRing)) return;
    notes.push_back("choices.trial_ring names no layer: none taken");
    p.choices.trialRing.clear();
    p.choices.trialGap = 0;
}

/// An id for a piece that has none yet, always the same for the same file (FNV-1a, 64 bits).
std::string idOf(std::string_view text)
{
    std::uint64_t hash = 14695981039346656037u;
    for (const char c : text) hash = (hash ^ static_cast<unsigned char>(c)) * 1099511628211u;
    return "p" + std::to_string(hash);
}

}  // namespace

std::string writePiece(const Piece& p)
{
    Json j{{"format", pieceFormat}, {"version", version}};
    j.update(FieldWriter::written(p));
    if (Json woods = ownWoodsOf(p); !woods.empty()) j["own_woods"] = std::move(woods);
    return j.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

LoadedPiece readPiece(std::string_view text)
{
    Json json = parseJson(text);
    LoadedPiece out;
    JsonReader head(json, "");
    std::string kind = pieceFormat;
    head.text("format", kind, 100);
    if (kind != pieceFormat) throw InputError("format", "'" + kind + "'", "'vivid-lathe-piece' is");
    int fileVersion = 1;
    head.integer("version", fileVersion, {1, 1e6, ""});
    if (fileVersion > version)
        out.notes.push_back("the file is of version " + std::to_string(fileVersion) +
                            ", newer than this program: what it does not know is kept as it is");
    if (fileVersion < 2) json = fromVersion1(std::move(json), out.notes);
    takeOwnWoods(json, out.notes);
    json.erase("format");
    json.erase("version");
    FieldReader::read(out.piece, json, "", out.notes);
    if (out.piece.id.empty()) out.piece.id = idOf(text);
    settleIds(out.piece, out.notes);
    checkPiece(out.piece);
    out.piece = withForms(std::move(out.piece));
    checkPiece(out.piece);
    return out;
}

std::string pieceSchema()
{
    Json j{{"$schema", "http://json-schema.org/draft-07/schema#"},
           {"title", "A piece of Vivid Lathe"},
           {"description", "Written by the program from the declarations of its fields. Lengths mm, angles degrees."}};
    j.update(SchemaWriter::described(Piece{}));
    Json properties{{"format", {{"const", pieceFormat}}}, {"version", {{"type", "integer"}, {"minimum", 1}}}};
    properties.update(j["properties"]);
    Json wood = SchemaWriter::described(OwnWood{});
    wood["properties"]["id"] = {{"type", "string"}, {"description", "made of what is said of it"}};
    properties["own_woods"] = {{"type", "array"}, {"items", wood}, {"maxItems", mostOwnWoods}};
    j["properties"] = properties;
    j["required"].push_back("format");
    return j.dump(1) + "\n";
}

}  // namespace vl::io
