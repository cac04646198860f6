#include "io/piece_version_1.h"

#include "core/piece/document/piece.h"
#include "io/fields_json.h"

#include <algorithm>
#include <array>

namespace vl::io {
namespace {

/// A key of a version 1 layer, and where it stands in a form of version 2.
struct Moved {
    const char* kind;  ///< of layer
    const char* from;
    const char* to;  ///< "/" between keys
};
constexpr std::array moved{
    Moved{"ring", "segments", "segments"},
    Moved{"ring", "turn", "turn"},
    Moved{"ring", "joint", "joint"},
    Moved{"ring", "made_up", "made_up"},
    Moved{"let-in base", "segments", "segments"},
    Moved{"let-in base", "turn", "turn"},
    Moved{"let-in base", "joint", "joint"},
    Moved{"let-in base", "made_up", "made_up"},
    Moved{"staves", "segments", "segments"},
    Moved{"staves", "turn", "turn"},
    Moved{"staves", "slope_deg", "slope_deg"},
    Moved{"billet", "segments", "boards"},
    Moved{"billet", "corners_off", "corners_off"},
    Moved{"board rings", "slab", "board"},
};
/// Forms that stood under a key of their own, whole.
constexpr std::array whole{std::pair{"let-in base", "let_in"}, std::pair{"slab", "slab"},
                           std::pair{"post wrap", "wrapped"}, std::pair{"board rings", "board_rings"}};
/// What every layer of version 1 could hold and only some used.
constexpr std::array ofForms{"segments",    "turn", "joint",   "made_up",     "slope_deg",
                             "corners_off", "slab", "wrapped", "board_rings", "let_in"};

void renameKey(Json& object, const char* from, const char* to)
{
    if (!object.is_object() || !object.contains(from)) return;
    object[to] = object[from];
    object.erase(from);
}

/// Version 1 left out what was untouched: those keys take their defaults without a note.
void fill(Json& object, const Json& defaults)
{
    if (!object.is_object()) return;
    for (const auto& [key, value] : defaults.items())
        if (!object.contains(key))
            object[key] = value;
        else if (value.is_object())
            fill(object[key], value);
}

/// The defaults of a kind of layer's form.
template <size_t... I> Json defaultsOf(const std::string& kind, std::index_sequence<I...>)
{
    Json out = Json::object();
    ((kind == std::variant_alternative_t<I, LayerForm>::kind.name
          ? void(out = FieldWriter::written(std::variant_alternative_t<I, LayerForm>{}))
          : void()),
     ...);
    return out;
}

Json formOf(const Json& layer, const std::string& kind)
{
    Json form = Json::object();
    for (const auto& [of, key] : whole)
        if (kind == of && layer.contains(key) && layer[key].is_object()) form = layer[key];
    for (const Moved& m : moved)
        if (kind == m.kind && layer.contains(m.from)) form[m.to] = layer[m.from];
    renameKey(form, "kind", "pattern");
    if (form.contains("board")) renameKey(form["board"], "kind", "pattern");
    return form;
}

/// Makes a layer one of version 2; its kind.
std::string upgradeLayer(Json& layer, size_t place)
{
    layer["id"] = "L" + std::to_string(place + 1);
    const std::string kind =
        layer.contains("kind") && layer["kind"].is_string() ? layer["kind"].get<std::string>() : "ring";
    Json form = formOf(layer, kind);
    for (const char* key : ofForms) layer.erase(key);
    fill(form, defaultsOf(kind, std::make_index_sequence<std::variant_size_v<LayerForm>>{}));
    layer["form"] = std::move(form);
    return kind;
}

/// A step of a layer whose name changed; `kind` is empty where it did for every kind.
struct Renamed {
    const char *kind, *from, *to;
};
constexpr std::array renamed{
    Renamed{"slab", "glue", "glue-board"},
    Renamed{"slab", "wait", "glue-board-wait"},
    Renamed{"let-in base", "flatten", "let-in"},
    Renamed{"", "flatten-ring", "flatten"},
    Renamed{"", "wait", "glue-wait"},
    Renamed{"", "set", "stack-wait"},
    Renamed{"", "wait-rows", "glue-rows-wait"},
    Renamed{"", "wait-board", "glue-board-wait"},
};

/// Steps that were numbered by the section or the nested ring, not by the layer.
constexpr std::array numbered{"inside",    "sand-inside", "seal-inside", "close",
                              "close-set", "close-part",  "waste-block", "ring"};

/// "cut-3" becomes "cut-L3"; steps of the whole piece, of nested rings and of sections stay as they are. `kinds` are
/// the layers'.
std::string stepId(const std::string& old, const std::vector<std::string>& kinds)
{
    if (old.starts_with("true-") && old.ends_with("-face")) return "true-face-L" + old.substr(5, old.size() - 10);
    const size_t dash = old.rfind('-');
    if (dash == std::string::npos || dash + 1 == old.size() || old.size() - dash > 6) return old;
    if (old.find_first_not_of("0123456789", dash + 1) != std::string::npos) return old;
    std::string name = old.substr(0, dash);
    if (std::ranges::find(numbered, name) != numbered.end()) return old;
    const std::string number = old.substr(dash + 1);
    const auto place = static_cast<size_t>(std::stoi(number));
    const std::string kind = place >= 1 && place <= kinds.size() ? kinds[place - 1] : "";
    for (const Renamed& r : renamed)
        if (name == r.from && (*r.kind == 0 || kind == r.kind)) {
            name = r.to;
            break;
        }
    return name + "-L" + number;
}

void renameSteps(Json& list, const std::vector<std::string>& kinds)
{
    if (!list.is_array()) return;
    for (Json& one : list)
        if (one.is_object() && one.contains("step") && one["step"].is_string())
            one["step"] = stepId(one["step"].get<std::string>(), kinds);
}

/// The trial ring's place becomes its layer's id.
void upgradeTrial(Json& choices, size_t layers, std::vector<std::string>& notes)
{
    if (!choices.is_object() || !choices.contains("trial_ring") || !choices["trial_ring"].is_number()) return;
    const double place = choices["trial_ring"].get<double>();
    const bool there = place >= 0 && place < static_cast<double>(layers);
    if (place >= 0 && !there) notes.push_back("choices.trial_ring is beyond the last layer: none taken");
    if (!there) choices["trial_gap_mm"] = 0;
    choices["trial_ring"] = there ? "L" + std::to_string(static_cast<size_t>(place) + 1) : "";
}

}  // namespace

Json fromVersion1(Json piece, std::vector<std::string>& notes)
{
    if (!piece.is_object()) return piece;
    std::vector<std::string> kinds;
    if (piece.contains("layers") && piece["layers"].is_array())
        for (Json& layer : piece["layers"])
            if (layer.is_object()) kinds.push_back(upgradeLayer(layer, kinds.size()));
    if (piece.contains("choices")) upgradeTrial(piece["choices"], kinds.size(), notes);
    const Json choices = FieldWriter::written(Choices{}), hollow = FieldWriter::written(Hollow{});
    for (const char* key : {"staves", "sections"})
        if (Json untouched{{key, choices[key]}}; piece.contains("choices")) fill(piece["choices"], untouched);
    if (piece.contains("hollow")) fill(piece["hollow"], Json{{"bore_mm", hollow["bore_mm"]}});
    piece["layers_made"] = kinds.size();
    piece["id"] = "";
    if (piece.contains("progress") && piece["progress"].contains("strips") && piece["progress"]["strips"].is_array())
        for (Json& strip : piece["progress"]["strips"]) fill(strip, Json{{"wood", ""}});
    if (piece.contains("glues")) renameSteps(piece["glues"], kinds);
    if (piece.contains("progress") && piece["progress"].is_object())
        for (const char* key : {"done", "moved"})
            if (piece["progress"].contains(key)) renameSteps(piece["progress"][key], kinds);
    return piece;
}

}  // namespace vl::io
