#include "core/piece/edits/wood_use.h"

#include "core/piece/document/piece.h"
#include "core/piece/records/field_items.h"

namespace vl {
namespace {

/// Every wood of a record through `use`, which may change it.
template <class T, class Use> void eachWood(T& layer, Use use)
{
    for (const FieldItem& item : itemsOf(layer)) {
        FieldValue value = item.value;
        if (item.field.kind == Field::Kind::Wood || item.field.kind == Field::Kind::Filling)
            use(std::get<std::string>(value));
        else if (item.field.kind == Field::Kind::Woods)
            for (std::string& wood : std::get<std::vector<std::string>>(value)) use(wood);
        if (value != item.value) setField(layer, item.path, value);
    }
}

/// Every wood of a piece.
template <class Use> void eachWoodOf(Piece& piece, Use use)
{
    for (Layer& layer : piece.layers) eachWood(layer, use);
    for (Hole& hole : piece.holes)
        if (hole.filled) eachWood(hole, use);
    for (Inlay& inlay : piece.inlays) eachWood(inlay, use);
}

}  // namespace

std::vector<std::string> woodsOf(const Piece& piece)
{
    std::vector<std::string> out;
    Piece all = piece;
    eachWoodOf(all, [&](const std::string& wood) {
        if (std::ranges::find(out, wood) == out.end()) out.push_back(wood);
    });
    return out;
}

Piece withWood(Piece piece, const std::string& from, const std::string& to)
{
    eachWoodOf(piece, [&](std::string& wood) {
        if (wood == from) wood = to;
    });
    return piece;
}

Shop withWood(Shop shop, const std::string& from, const std::string& to)
{
    for (Board& b : shop.rack)
        if (b.wood == from) b.wood = to;
    return shop;
}

}  // namespace vl
