#include "io/shop_json.h"

#include "io/json_reader.h"
#include "io/shop_fields.h"

namespace vl::io {
namespace {

template <class T> void write(Json& j, std::span<const NumberField<T>> fields, const T& from)
{
    for (const auto& f : fields) j[f.key] = from.*f.member;
}

template <class T> void read(JsonReader& in, std::span<const NumberField<T>> fields, T& to)
{
    for (const auto& f : fields)
        if (in.has(f.key)) in.number(f.key, to.*f.member, f.limit);
}

Json boardJson(const Board& b)
{
    Json j{{"id", b.id}, {"wood", b.wood}};
    write(j, boardNumbers(), b);
    for (const Defect& d : b.defects) {
        Json one{{"what", d.what}};
        write(one, defectNumbers(), d);
        j["defects"].push_back(one);
    }
    return j;
}

Board readBoard(const Json& object, const std::string& path, std::vector<std::string>& notes)
{
    JsonReader in(object, path, notes);
    Board b;
    in.text("id", b.id, 60);
    in.text("wood", b.wood, 100);
    read(in, boardNumbers(), b);
    if (in.has("defects"))
        for (const Json& d : *in.array("defects", 50, true)) {
            JsonReader one(d, path + ".defects", notes);
            Defect defect;
            one.text("what", defect.what, 100);
            read(one, defectNumbers(), defect);
            b.defects.push_back(defect);
        }
    return b;
}

Json glueJson(const Glue& g)
{
    Json j{{"id", g.id}, {"name", g.name}};
    write(j, glueNumbers(), g);
    for (const GlueFlag& f : glueFlags()) j[f.key] = g.*f.member;
    j["release"] = g.release;
    j["note"] = g.note;
    return j;
}

Glue readGlue(const Json& object, const std::string& path, std::vector<std::string>& notes)
{
    JsonReader in(object, path, notes);
    Glue g;
    in.text("id", g.id, 60);
    in.text("name", g.name, 200);
    read(in, glueNumbers(), g);
    for (const GlueFlag& f : glueFlags())
        if (in.has(f.key)) in.boolean(f.key, g.*f.member);
    in.text("release", g.release, 500);
    in.text("note", g.note, 500);
    return g;
}

}  // namespace

std::string writeShop(const Shop& shop)
{
    Json j{{"format", "vivid-lathe-shop"}, {"version", 1}, {"name", shop.name}};
    write(j, shopNumbers(), shop);
    Json hours = Json::array();
    for (const auto& day : shop.hours) hours.push_back(Json::array({day[0], day[1]}));
    j["hours_min"] = hours;
    Json boards = Json::array(), glues = Json::array();
    for (const Board& b : shop.rack) boards.push_back(boardJson(b));
    for (const Glue& g : shop.glues) glues.push_back(glueJson(g));
    j["boards"] = boards;
    j["glues"] = glues;
    return j.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

Shop readShop(std::string_view text, std::vector<std::string>& notes)
{
    const Json json = parseJson(text);
    JsonReader in(json, "", notes);
    Shop shop;
    std::string kind = "vivid-lathe-shop";
    in.text("format", kind, 100);
    if (kind != "vivid-lathe-shop") throw InputError("format", "'" + kind + "'", "'vivid-lathe-shop' is");
    in.text("name", shop.name, 200);
    for (const auto& f : shopNumbers()) in.number(f.key, shop.*f.member, f.limit);
    if (in.has("hours_min")) {
        const Json& hours = *in.array("hours_min", 7, true);
        if (hours.size() != 7) throw InputError("hours_min", std::to_string(hours.size()) + " days", "7 are");
        for (size_t d = 0; d < 7; ++d) {
            if (!hours[d].is_array() || hours[d].size() != 2 || !hours[d][0].is_number() || !hours[d][1].is_number())
                throw InputError("hours_min[" + std::to_string(d) + "]", "something else", "[begin, end] in minutes after midnight is");
            shop.hours[d] = {hours[d][0].get<double>(), hours[d][1].get<double>()};
        }
    }
    if (in.has("boards")) {
        const Json& boards = *in.array("boards", limits::boards, true);
        for (size_t i = 0; i < boards.size(); ++i) shop.rack.push_back(readBoard(boards[i], "boards[" + std::to_string(i) + "]", notes));
    }
    if (in.has("glues")) {
        shop.glues.clear();
        const Json& glues = *in.array("glues", 100, true);
        for (size_t i = 0; i < glues.size(); ++i) shop.glues.push_back(readGlue(glues[i], "glues[" + std::to_string(i) + "]", notes));
    }
    checkShop(shop);
    return shop;
}

}  // namespace vl::io
