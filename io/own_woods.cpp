#include "io/own_woods.h"

#include "core/piece/edits/wood_use.h"
#include "core/wood/own_wood.h"
#include "io/fields_json.h"

#include <set>

namespace vl::io {
namespace {

/// Every text of these, and of what is in them, that is `from` becomes `to`.
void rename(Json& json, const std::string& from, const std::string& to)
{
    if (json.is_string()) {
        if (json.get_ref<const std::string&>() == from) json = to;
    } else if (json.is_structured()) {
        for (Json& inner : json) rename(inner, from, to);
    }
}

}  // namespace

const Species& knownAt(const std::string& place, const OwnWood& wood)
{
    try {
        return makeKnown(wood);
    } catch (const InputError& e) {
        throw InputError(place + "." + e.field(), e.value(), e.limit());
    }
}

Json ownWoodsOf(const Piece& piece)
{
    Json list = Json::array();
    for (const std::string& id : woodsOf(piece))
        if (const OwnWood* wood = ownWood(id)) {
            Json j{{"id", id}};
            j.update(FieldWriter::written(*wood));
            list.push_back(std::move(j));
        }
    return list;
}

void takeOwnWoods(Json& piece, std::vector<std::string>& notes)
{
    if (!piece.is_object() || !piece.contains("own_woods")) return;
    const Json all = piece["own_woods"];
    piece.erase("own_woods");
    if (!all.is_array()) throw InputError("own_woods", "something else", "a list [ ] is");
    if (all.size() > mostOwnWoods)
        throw InputError("own_woods", std::to_string(all.size()) + " items",
                         "up to " + std::to_string(mostOwnWoods) + " are");
    for (size_t i = 0; i < all.size(); ++i) {
        const std::string at = "own_woods[" + std::to_string(i) + "]";
        OwnWood wood;
        std::string id;
        JsonReader head(all[i], at);
        if (head.has("id")) head.text("id", id, 100);
        FieldReader::read(wood, all[i], at, notes);
        const std::string now = knownAt(at, wood).id;
        if (!id.empty() && id != now && piece.contains("layers")) rename(piece["layers"], id, now);
    }
}

}  // namespace vl::io
