#include "io/shop_json.h"

#include "core/piece/shop/shop.h"
#include "io/fields_json.h"
#include "io/old_finishes.h"
#include "io/own_woods.h"

#include <algorithm>

namespace vl::io {
namespace {

constexpr const char* shopFormat = "vivid-lathe-shop";

/// A shop's lists may be missing: an older file had none.
template <class Item>
void readList(JsonReader& in, const char* key, size_t most, std::vector<Item>& list, std::vector<std::string>& notes)
{
    if (!in.has(key)) return;
    list.clear();
    for (const Json& object : *in.array(key, most, true)) {
        Item item;
        FieldReader::read(item, object, std::string(key) + "[" + std::to_string(list.size()) + "]", notes);
        list.push_back(std::move(item));
    }
}

void readHours(JsonReader& in, Shop& shop)
{
    if (!in.has("hours_min")) return;
    const Json& hours = *in.array("hours_min", 7, true);
    if (hours.size() != 7) throw InputError("hours_min", std::to_string(hours.size()) + " days", "7 are");
    for (size_t d = 0; d < 7; ++d) {
        const Json& day = hours[d];
        if (!day.is_array() || day.size() != 2 || !day[0].is_number() || !day[1].is_number())
            throw InputError("hours_min[" + std::to_string(d) + "]", "something else",
                             "[begin, end] in minutes after midnight is");
        shop.hours[d] = {day[0].get<double>(), day[1].get<double>()};
    }
}

}  // namespace

std::string writeShop(const Shop& shop)
{
    Json j{{"format", shopFormat}, {"version", 1}};
    j.update(FieldWriter::written(shop));
    j["hours_min"] = shop.hours;
    j["boards"] = Json::array();
    j["glues"] = Json::array();
    for (const Board& b : shop.rack) j["boards"].push_back(FieldWriter::written(b));
    for (const Glue& g : shop.glues) j["glues"].push_back(FieldWriter::written(g));
    for (const OwnWood& w : shop.woods) j["own_woods"].push_back(FieldWriter::written(w));
    return j.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

Shop readShop(std::string_view text, std::vector<std::string>& notes)
{
    const Json json = parseJson(text);
    Shop shop;
    FieldReader reader(json, "", notes);
    std::string kind = shopFormat;
    reader.json().text("format", kind, 100);
    if (kind != shopFormat) throw InputError("format", "'" + kind + "'", "'vivid-lathe-shop' is");
    fields(reader, shop);
    readHours(reader.json(), shop);
    // Before the boards, which may be of them.
    readList(reader.json(), "own_woods", mostOwnWoods, shop.woods, notes);
    for (size_t i = 0; i < shop.woods.size(); ++i) knownAt("own_woods[" + std::to_string(i) + "]", shop.woods[i]);
    readList(reader.json(), "boards", mostBoards, shop.rack, notes);
    readList(reader.json(), "glues", 100, shop.glues, notes);
    // Which glues hold a block was not asked of older shops.
    const std::vector<Glue> common = commonGlues();
    for (size_t i = 0; i < shop.glues.size(); ++i)
        if (const auto g = std::ranges::find(common, shop.glues[i].id, &Glue::id);
            g != common.end() && json.contains("glues") && !json["glues"][i].contains("block"))
            shop.glues[i].block = g->block;
    settleOldFinishes(shop.finishes);
    // A shop's own finishes stand beside the usual ones; of the same id, in their place.
    for (const Finish& usual : commonFinishes())
        if (shop.finishes.size() < mostFinishes &&
            std::ranges::find(shop.finishes, usual.id, &Finish::id) == shop.finishes.end())
            shop.finishes.push_back(usual);
    checkShop(shop);
    return shop;
}

}  // namespace vl::io
