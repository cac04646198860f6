#include "io/piece_json.h"

#include "io/json_reader.h"

#include "core/wood/species.h"

namespace vl::io {
namespace {

constexpr const char* format = "vivid-lathe-piece";
constexpr int version = 1;

// Each enumeration's names, in its order, stand here once for reading and writing.
constexpr std::initializer_list<const char*> spans{"line", "arc", "curve"};
constexpr std::initializer_list<const char*> walls{"even", "tapered", "drawn", "solid", "bored"};
constexpr std::initializer_list<const char*> kinds{"disc", "ring", "staves", "sheet", "slab", "let-in base", "billet", "post wrap", "board rings"};
constexpr std::initializer_list<const char*> joints{"glued", "gap by width", "gap by angle", "spacer"};
constexpr std::initializer_list<const char*> makeUps{"plain", "band", "zigzag", "diamond"};
constexpr std::initializer_list<const char*> slabs{"plain", "striped", "checkered"};
constexpr std::initializer_list<const char*> ringTools{"bandsaw", "parting tool"};
constexpr std::initializer_list<const char*> staveSchools{"taper jig", "miter gauge"};
constexpr std::initializer_list<const char*> sectionRules{"proposed", "whole"};
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
    if (h.rule == WallRule::Bored || h.bore != Hollow{}.bore) j["bore_mm"] = h.bore;
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
    if (in.has("bore_mm") || h.rule == WallRule::Bored) in.number("bore_mm", h.bore, limits::bore);
    if (const Json* list = in.array("inside", limits::nodes, h.rule == WallRule::Drawn)) h.inside = readOutline(*list, "hollow.inside", notes);
    h.extra = in.rest();
    return h;
}

/// The fields of each form stand here once: `Fields` either writes them to JSON or reads them from it.
template <class Fields, class Form> void fieldsOf(Fields& f, Form& form)
{
    using F = std::remove_const_t<Form>;
    if constexpr (std::is_same_v<F, SegmentJoint>) {
        f.choice("kind", form.kind, joints);
        f.number("width_mm", form.width, limits::jointWidth);
        f.number("angle_deg", form.angle, limits::jointAngle);
        f.wood("wood", form.wood);
    } else if constexpr (std::is_same_v<F, MadeUp>) {
        f.choice("kind", form.kind, makeUps);
        f.wood("wood", form.wood);
        f.number("band_mm", form.band, limits::band);
        f.number("rise_mm", form.rise, limits::rise);
    } else if constexpr (std::is_same_v<F, SlabForm>) {
        f.choice("kind", form.kind, slabs);
        f.number("strip_mm", form.strip, limits::strip);
        f.number("row_mm", form.row, limits::strip);
        f.number("jointing_mm", form.jointing, limits::jointing);
        f.number("flattening_mm", form.flattening, limits::jointing);
    } else if constexpr (std::is_same_v<F, WrapForm>) {
        f.number("post_mm", form.post, limits::post);
        f.number("wrap_mm", form.wrap, limits::wrap);
        f.boolean("wedges", form.wedges);
        f.wood("wedge_wood", form.wedgeWood);
    } else if constexpr (std::is_same_v<F, BoardRingForm>) {
        f.choice("tool", form.tool, ringTools);
        f.number("angle_deg", form.angle, limits::boardAngle);
        f.number("kerf_mm", form.kerf, limits::kerf);
        f.integer("rings", form.rings, limits::rings);
        f.number("rotate_deg", form.rotate, limits::rotate);
    } else if constexpr (std::is_same_v<F, LetInForm>) {
        f.number("diameter_mm", form.diameter, limits::inset);
        f.number("clearance_mm", form.clearance, limits::clearance);
        f.wood("disc_wood", form.discWood);
    } else {
        f.boolean("on", form.on);
        f.number("smallest_mm", form.smallest, limits::nest);
        f.number("largest_mm", form.largest, limits::nest);
        f.number("wall_mm", form.wall, limits::wall);
        f.number("tool_mm", form.tool, limits::tool);
        f.number("blade_below_edge_mm", form.below, limits::blade);
    }
}

struct FormWriter {
    Json j;
    template <class E> void choice(const char* key, E value, std::initializer_list<const char*> names) { j[key] = name(names, value); }
    void number(const char* key, double value, const Limit&) { j[key] = value; }
    void integer(const char* key, int value, const Limit&) { j[key] = value; }
    void boolean(const char* key, bool value) { j[key] = value; }
    void wood(const char* key, const std::string& value) { j[key] = value; }
};

/// A form is written only where it says something: an untouched one is left out.
template <class Form> void writeForm(Json& object, const char* key, const Form& form)
{
    if (form == Form{}) return;
    FormWriter w;
    fieldsOf(w, form);
    addRest(w.j, form.extra);
    object[key] = w.j;
}

std::string knownWood(const std::string& path, std::string id, std::vector<std::string>& notes)
{
    if (findSpecies(id)) return id;
    notes.push_back(path + " names '" + id.substr(0, 60) + "', which is not known here: maple taken");
    return "maple";
}

struct FormReader {
    JsonReader in;
    std::vector<std::string>& notes;
    template <class E> void choice(const char* key, E& value, std::initializer_list<const char*> names) { choose(in, key, value, names); }
    void number(const char* key, double& value, const Limit& limit) { in.number(key, value, limit); }
    void integer(const char* key, int& value, const Limit& limit) { in.integer(key, value, limit); }
    void boolean(const char* key, bool& value) { in.boolean(key, value); }
    void wood(const char* key, std::string& value)
    {
        in.text(key, value, 100);
        value = knownWood(in.pathOf(key), value, notes);
    }
};

template <class Form> void readForm(JsonReader& in, const char* key, Form& form, std::vector<std::string>& notes)
{
    if (!in.has(key)) return;
    FormReader r{JsonReader(*in.object(key, true), in.pathOf(key), notes), notes};
    fieldsOf(r, form);
    form.extra = r.in.rest();
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
    if (l.partedFrom) j["parted_from_mm"] = *l.partedFrom;
    if (l.slope) j["slope_deg"] = *l.slope;
    if (!l.cornersOff) j["corners_off"] = l.cornersOff;
    writeForm(j, "joint", l.joint);
    writeForm(j, "made_up", l.madeUp);
    writeForm(j, "slab", l.slab);
    writeForm(j, "wrapped", l.wrapped);
    writeForm(j, "board_rings", l.boardRings);
    writeForm(j, "let_in", l.letIn);
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
            l.woods.push_back(knownWood(path + ".woods", wood.get<std::string>(), notes));
        }
    }
    in.number("turn", l.turn, limits::turn);
    in.number("outer_allowance_mm", l.outerAllowance, limits::allowance);
    in.number("inner_allowance_mm", l.innerAllowance, limits::allowance);
    in.number("sanding_loss_mm", l.sandingLoss, limits::sandingLoss);
    in.optionalNumber("stock_outer_mm", l.stockOuter, limits::stock);
    in.optionalNumber("stock_inner_mm", l.stockInner, limits::stock);
    in.optionalNumber("parted_from_mm", l.partedFrom, limits::thickness);
    in.optionalNumber("slope_deg", l.slope, limits::slope);
    if (in.has("corners_off")) in.boolean("corners_off", l.cornersOff);
    readForm(in, "joint", l.joint, notes);
    readForm(in, "made_up", l.madeUp, notes);
    readForm(in, "slab", l.slab, notes);
    readForm(in, "wrapped", l.wrapped, notes);
    readForm(in, "board_rings", l.boardRings, notes);
    readForm(in, "let_in", l.letIn, notes);
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
    if (c.staves != StaveSchool::TaperJig) j["staves"] = name(staveSchools, c.staves);
    if (c.sections != SectionRule::Proposed) j["sections"] = name(sectionRules, c.sections);
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
    if (in.has("staves")) choose(in, "staves", c.staves, staveSchools);
    if (in.has("sections")) choose(in, "sections", c.sections, sectionRules);
    c.extra = in.rest();
    return c;
}

Json writeGlues(const std::vector<GlueChoice>& glues)
{
    Json list = Json::array();
    for (const GlueChoice& g : glues) {
        Json j{{"step", g.step}, {"glue", g.glue}};
        addRest(j, g.extra);
        list.push_back(j);
    }
    return list;
}

Json writeProgress(const Progress& p)
{
    Json j = Json::object();
    if (p.start) j["start_min"] = *p.start;
    auto list = [&](const char* key, const auto& items, auto&& write) {
        if (items.empty()) return;
        Json all = Json::array();
        for (const auto& i : items) {
            Json one = write(i);
            addRest(one, i.extra);
            all.push_back(one);
        }
        j[key] = all;
    };
    list("strips", p.strips, [](const KeptStrip& s) {
        Json runs = Json::array();
        for (const auto& [part, count] : s.runs) runs.push_back({{"part", part}, {"count", count}});
        return Json{{"board", s.board}, {"x_mm", s.x}, {"y_mm", s.y}, {"length_mm", s.length}, {"width_mm", s.width}, {"thickness_mm", s.thickness}, {"runs", runs}};
    });
    list("done", p.done, [](const StepDone& d) { return Json{{"step", d.step}, {"start_min", d.start}, {"end_min", d.end}}; });
    list("moved", p.moved, [](const StepMoved& m) { return Json{{"step", m.step}, {"from_min", m.from}}; });
    addRest(j, p.extra);
    return j;
}

/// Reads every object of a list that may be missing.
template <class Item> void readList(JsonReader& in, const char* key, std::vector<Item>& items, std::vector<std::string>& notes, void (*read)(JsonReader&, Item&, std::vector<std::string>&))
{
    if (!in.has(key)) return;
    for (const Json& object : *in.array(key, limits::steps, true)) {
        JsonReader one(object, in.pathOf(key) + "[" + std::to_string(items.size()) + "]", notes);
        Item item;
        read(one, item, notes);
        item.extra = one.rest();
        items.push_back(std::move(item));
    }
}

Progress readProgress(const Json& object, std::vector<std::string>& notes)
{
    JsonReader in(object, "progress", notes);
    Progress p;
    in.optionalNumber("start_min", p.start, limits::clock);
    readList<KeptStrip>(in, "strips", p.strips, notes, [](JsonReader& one, KeptStrip& s, std::vector<std::string>& said) {
        one.text("board", s.board, 60);
        one.number("x_mm", s.x, limits::alongBoard);
        one.number("y_mm", s.y, limits::alongBoard);
        one.number("length_mm", s.length, limits::boardLength);
        one.number("width_mm", s.width, limits::stripWidth);
        one.number("thickness_mm", s.thickness, limits::thickness);
        if (const Json* runs = one.array("runs", limits::steps))
            for (const Json& run : *runs) {
                JsonReader r(run, one.pathOf("runs"), said);
                std::string part;
                int count = 0;
                r.text("part", part, 200);
                r.integer("count", count, {0, 100000, ""});
                s.runs.emplace_back(part, count);
            }
    });
    readList<StepDone>(in, "done", p.done, notes, [](JsonReader& one, StepDone& d, std::vector<std::string>&) {
        one.text("step", d.step, 200);
        one.number("start_min", d.start, limits::clock);
        one.number("end_min", d.end, limits::clock);
    });
    readList<StepMoved>(in, "moved", p.moved, notes, [](JsonReader& one, StepMoved& m, std::vector<std::string>&) {
        one.text("step", m.step, 200);
        one.number("from_min", m.from, limits::clock);
    });
    p.extra = in.rest();
    return p;
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
    writeForm(j, "nest", p.nest);
    if (!p.glues.empty()) j["glues"] = writeGlues(p.glues);
    if (p.progress != Progress{}) j["progress"] = writeProgress(p.progress);
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
    readForm(in, "nest", p.nest, out.notes);
    readList<GlueChoice>(in, "glues", p.glues, out.notes, [](JsonReader& one, GlueChoice& g, std::vector<std::string>&) {
        one.text("step", g.step, 200);
        one.text("glue", g.glue, 60);
    });
    if (in.has("progress")) p.progress = readProgress(*in.object("progress", true), out.notes);
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
