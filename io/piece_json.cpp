#include "io/piece_json.h"

#include "io/json_reader.h"

#include "core/wood/species.h"

namespace vl::io {
namespace {

constexpr const char* format = "vivid-lathe-piece";
constexpr int version = 1;

// Each enumeration's names, in its order, stand here once for reading and writing.
constexpr std::initializer_list<const char*> spans{"line", "arc", "curve"};
constexpr std::initializer_list<const char*> walls{"even", "tapered", "drawn", "solid"};
constexpr std::initializer_list<const char*> kinds{"disc", "ring"};
constexpr std::initializer_list<const char*> cutting{"miter gauge", "wedge sled"};
constexpr std::initializer_list<const char*> closing{"band clamp", "half rings"};
constexpr std::initializer_list<const char*> stations{"even", "curve"};

template <class E> const char* name(std::initializer_list<const char*> names, E value) { return names.begin()[static_cast<size_t>(value)]; }

template <class E> void choose(JsonReader& in, const char* key, E& value, std::initializer_list<const char*> names)
{
    int i = static_cast<int>(value);
    in.choice(key, i, names);
    value = static_cast<E>(i);
}

Json writeOutline(const Outline& outline)
{
    Json list = Json::array();
    for (const Node& n : outline) {
        Json j{{"z_mm", n.z}, {"r_mm", n.r}, {"span", name(spans, n.span)}, {"bulge", n.bulge}, {"smooth", n.smooth}};
        addRest(j, n.extra);
        list.push_back(j);
    }
    return list;
}

Outline readOutline(const Json& list, const std::string& path, std::vector<std::string>& notes)
{
    Outline outline;
    for (const Json& item : list) {
        JsonReader in(item, path + "[" + std::to_string(outline.size()) + "]", notes);
        Node n;
        in.number("z_mm", n.z, limits::z);
        in.number("r_mm", n.r, limits::radius);
        choose(in, "span", n.span, spans);
        in.number("bulge", n.bulge, limits::bulge);
        in.boolean("smooth", n.smooth);
        n.extra = in.rest();
        outline.push_back(n);
    }
    return outline;
}

Json writeHollow(const Hollow& h)
{
    Json j{{"rule", name(walls, h.rule)},    {"rim_wall_mm", h.rimWall},     {"base_wall_mm", h.baseWall},      {"floor_mm", h.floor},
           {"floor_round_mm", h.floorRound}, {"least_wall_mm", h.leastWall}, {"inside", writeOutline(h.inside)}};
    addRest(j, h.extra);
    return j;
}

Hollow readHollow(const Json& object, std::vector<std::string>& notes)
{
    JsonReader in(object, "hollow", notes);
    Hollow h;
    choose(in, "rule", h.rule, walls);
    in.number("rim_wall_mm", h.rimWall, limits::wall);
    in.number("base_wall_mm", h.baseWall, limits::wall);
    in.number("floor_mm", h.floor, limits::floor);
    in.number("floor_round_mm", h.floorRound, limits::floorRound);
    in.number("least_wall_mm", h.leastWall, {0, limits::wall.high, "mm"});
    if (const Json* list = in.array("inside", limits::nodes, h.rule == WallRule::Drawn)) h.inside = readOutline(*list, "hollow.inside", notes);
    h.extra = in.rest();
    return h;
}

Json writeLayer(const Layer& l)
{
    Json j{{"kind", name(kinds, l.kind)},
           {"thickness_mm", l.thickness},
           {"segments", l.segments},
           {"woods", l.woods},
           {"turn", l.turn},
           {"outer_allowance_mm", l.outerAllowance},
           {"inner_allowance_mm", l.innerAllowance},
           {"sanding_loss_mm", l.sandingLoss}};
    if (l.stockOuter) j["stock_outer_mm"] = *l.stockOuter;
    if (l.stockInner) j["stock_inner_mm"] = *l.stockInner;
    addRest(j, l.extra);
    return j;
}

Layer readLayer(const Json& object, const std::string& path, std::vector<std::string>& notes)
{
    JsonReader in(object, path, notes);
    Layer l;
    choose(in, "kind", l.kind, kinds);
    in.number("thickness_mm", l.thickness, limits::thickness);
    in.integer("segments", l.segments, limits::segments);
    if (const Json* list = in.array("woods", static_cast<size_t>(limits::segments.high))) {
        l.woods.clear();
        for (const Json& wood : *list) {
            if (!wood.is_string()) throw InputError(path + ".woods", wood.dump(-1, ' ', false, Json::error_handler_t::replace), "the id of a known wood is");
            std::string id = wood.get<std::string>();
            if (!findSpecies(id)) {
                notes.push_back(path + ".woods names '" + id.substr(0, 60) + "', which is not known here: maple taken");
                id = "maple";
            }
            l.woods.push_back(id);
        }
    }
    in.number("turn", l.turn, limits::turn);
    in.number("outer_allowance_mm", l.outerAllowance, limits::allowance);
    in.number("inner_allowance_mm", l.innerAllowance, limits::allowance);
    in.number("sanding_loss_mm", l.sandingLoss, limits::sandingLoss);
    in.optionalNumber("stock_outer_mm", l.stockOuter, limits::stock);
    in.optionalNumber("stock_inner_mm", l.stockInner, limits::stock);
    l.extra = in.rest();
    return l;
}

Json writeChoices(const Choices& c)
{
    Json j{{"cutting", name(cutting, c.cutting)},
           {"sled_run_mm", c.sledRun},
           {"end_waste_mm", c.endWaste},
           {"trial_gap_mm", c.trialGap},
           {"trial_ring", c.trialRing},
           {"closing", name(closing, c.closing)},
           {"stations", name(stations, c.stations)},
           {"station_spacing_mm", c.stationSpacing}};
    addRest(j, c.extra);
    return j;
}

Choices readChoices(const Json& object, std::vector<std::string>& notes)
{
    JsonReader in(object, "choices", notes);
    Choices c;
    choose(in, "cutting", c.cutting, cutting);
    in.number("sled_run_mm", c.sledRun, limits::sledRun);
    in.number("end_waste_mm", c.endWaste, limits::endWaste);
    in.number("trial_gap_mm", c.trialGap, limits::trialGap);
    in.integer("trial_ring", c.trialRing, {-1, static_cast<double>(limits::layers), ""});
    choose(in, "closing", c.closing, closing);
    choose(in, "stations", c.stations, stations);
    in.number("station_spacing_mm", c.stationSpacing, limits::spacing);
    c.extra = in.rest();
    return c;
}

}  // namespace

std::string writePiece(const Piece& p)
{
    Json layers = Json::array();
    for (const Layer& l : p.layers) layers.push_back(writeLayer(l));
    Json j{{"format", format},
           {"version", version},
           {"name", p.name},
           {"notes", p.notes},
           {"outside", writeOutline(p.outside)},
           {"hollow", writeHollow(p.hollow)},
           {"layers", layers},
           {"choices", writeChoices(p.choices)}};
    addRest(j, p.extra);
    return j.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

LoadedPiece readPiece(std::string_view text)
{
    const Json json = parseJson(text);
    LoadedPiece out;
    JsonReader in(json, "", out.notes);
    Piece& p = out.piece;
    std::string kind = format;
    in.text("format", kind, 100);
    if (kind != format) throw InputError("format", "'" + kind + "'", "'vivid-lathe-piece' is");
    int fileVersion = version;
    in.integer("version", fileVersion, {1, 1e6, ""});
    if (fileVersion > version) out.notes.push_back("the file is of version " + std::to_string(fileVersion) + ", newer than this program: what it does not know is kept as it is");
    in.text("name", p.name, 200);
    in.text("notes", p.notes, limits::textLength);
    p.outside = readOutline(*in.array("outside", limits::nodes, true), "outside", out.notes);
    if (const Json* hollow = in.object("hollow")) p.hollow = readHollow(*hollow, out.notes);
    const Json& layers = *in.array("layers", limits::layers, true);
    for (size_t i = 0; i < layers.size(); ++i) p.layers.push_back(readLayer(layers[i], "layers[" + std::to_string(i) + "]", out.notes));
    if (const Json* choices = in.object("choices")) p.choices = readChoices(*choices, out.notes);
    p.extra = in.rest();
    if (p.choices.trialRing >= static_cast<int>(p.layers.size())) {
        out.notes.push_back("choices.trial_ring is beyond the last layer: none taken");
        p.choices.trialRing = -1;
        p.choices.trialGap = 0;
    }
    checkPiece(p);
    return out;
}

}  // namespace vl::io
