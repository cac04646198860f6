#include "io/shop_csv.h"

#include "core/measure/input_error.h"
#include "io/csv.h"
#include "io/json_reader.h"
#include "io/rack_csv.h"
#include "io/shop_json.h"

#include <algorithm>
#include <array>
#include <map>
#include <sstream>
#include <utility>

namespace vl::io {
namespace {

constexpr std::array heads{"path", "kind", "value"};

std::string line(const std::string& path, const std::string& kind, const std::string& value)
{
    return csvField(path) + "," + csvField(kind) + "," + csvField(value) + "\r\n";
}

Json valueOf(const std::vector<std::string>& row, const std::string& where)
{
    if (row[1] == "text") return row[2];
    if (row[1] == "flag" && (row[2] == "true" || row[2] == "false")) return row[2] == "true";
    Json value = Json::parse(row[2], nullptr, false);
    if (row[1] != "number" || !value.is_number())
        throw InputError(where, "'" + row[1] + "' '" + row[2] + "'",
                         "a text, a number, or a flag that is true or false is");
    return value;
}

/// The keys along a path ("/log/3/name"); ~1 and ~0 stand for a slash and a tilde in one (RFC 6901).
std::vector<std::string> keysOf(const std::string& path, const std::string& where)
{
    constexpr size_t deepest = 32;
    std::vector<std::string> keys;
    std::istringstream in(path.empty() ? path : path.substr(1));
    for (std::string key; std::getline(in, key, '/');) {
        for (const auto& [from, to] : {std::pair("~1", "/"), std::pair("~0", "~")})
            for (size_t at = 0; (at = key.find(from, at)) != std::string::npos; ++at) key.replace(at, 2, to);
        keys.push_back(std::move(key));
    }
    if (!path.starts_with('/') || keys.empty() || keys.size() > deepest)
        throw InputError(where, "'" + path + "'", "a path as /log/3/name is");
    return keys;
}

bool isPlace(const std::string& key)
{
    return !key.empty() && key.size() < 10 && key.find_first_not_of("0123456789") == std::string::npos;
}

/// What has places for keys is a list, in their order: lines that a spreadsheet took out leave no hole in it.
Json settled(Json json)
{
    if (!json.is_object()) return json;
    std::map<int, Json> list;
    for (auto& [key, value] : json.items()) {
        value = settled(std::move(value));
        if (isPlace(key)) list[std::stoi(key)] = value;
    }
    if (list.empty() || list.size() != json.size()) return json;
    Json all = Json::array();
    for (auto& [place, value] : list) all.push_back(std::move(value));
    return all;
}

}  // namespace

std::string writeShopCsv(const Shop& shop)
{
    std::string out = line(heads[0], heads[1], heads[2]);
    const Json flat = parseJson(writeShop(shop)).flatten();
    for (const auto& [path, value] : flat.items()) {
        if (value.is_null()) continue;  // an empty list
        if (value.is_string())
            out += line(path, "text", value.get<std::string>());
        else
            out += line(path, value.is_boolean() ? "flag" : "number", value.dump());
    }
    return out;
}

Shop readShopCsv(std::string_view text, std::vector<std::string>& notes)
{
    const std::vector<std::vector<std::string>> rows = csvRows(text);
    if (rows.empty() || !std::ranges::equal(rows.front(), heads))
        throw InputError("line 1", rows.empty() ? "nothing" : "other heads", "path,kind,value is");
    Json whole = Json::object();
    for (size_t k = 1; k < rows.size(); ++k) {
        const std::string where = "line " + std::to_string(k + 1);
        if (rows[k].size() != heads.size())
            throw InputError(where, std::to_string(rows[k].size()) + " cells", "three are");
        Json* at = &whole;
        for (const std::string& key : keysOf(rows[k][0], where)) {
            if (!at->is_object()) throw InputError(where, "'" + rows[k][0] + "'", "no path through a value is");
            at = &(*at)[key];
            if (at->is_null()) *at = Json::object();
        }
        *at = valueOf(rows[k], where);
    }
    return readShop(settled(std::move(whole)).dump(-1, ' ', false, Json::error_handler_t::replace), notes);
}

}  // namespace vl::io
