#include "core/wood/own_wood.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <charconv>
#include <cstdint>
#include <cstdio>
#include <list>
#include <mutex>

namespace vl {
namespace {

struct Known {
    OwnWood wood;
    std::string id;
    Species species;
};

/// Woods are only ever added, and one id is always one wood: whoever asks gets the same answer.
struct Catalogue {
    std::mutex lock;
    std::list<Known> all;  // places that last
};
Catalogue& catalogue()
{
    static Catalogue one;
    return one;
}

std::array<float, 3> colorOf(const char* field, const std::string& text)
{
    std::array<float, 3> out{};
    bool good = text.size() == 7 && text[0] == '#';
    for (size_t k = 0; good && k < 3; ++k) {
        int value = 0;
        const char *from = text.data() + 1 + 2 * k, *to = from + 2;
        const auto [end, error] = std::from_chars(from, to, value, 16);
        good = error == std::errc() && end == to && *from != '-';
        out[k] = static_cast<float>(value) / 255;
    }
    if (!good) throw InputError(field, "'" + text + "'", "a color as #c8a06a is");
    return out;
}

/// Holds every field to its declaration.
class HeldToLimits : public FieldVisitor<HeldToLimits> {
public:
    template <class T> void value(const Field& f, const T& v)
    {
        if constexpr (std::same_as<T, double>) {
            if (!f.limit.holds(v))
                throw InputError(f.key, exact(v), exact(f.limit.low) + " to " + exact(f.limit.high) + " is");
        } else if constexpr (std::same_as<T, std::string>) {
            if (static_cast<double>(v.size()) > f.limit.high)
                throw InputError(f.key, "'" + v + "'", "up to " + exact(f.limit.high) + " bytes are");
        }
    }
};

}  // namespace

std::string idOf(const OwnWood& w)
{
    std::string slug, all = w.name;
    for (const char c : w.name) {
        const bool plain = (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9');
        const bool large = c >= 'A' && c <= 'Z';
        if (plain || large)
            slug += large ? static_cast<char>(c - 'A' + 'a') : c;
        else if (!slug.empty() && slug.back() != '-')
            slug += '-';
    }
    for (const double v : {w.density, w.shrinkRadial, w.shrinkTangential}) all += "|" + exact(v);
    all += w.oily ? "|oily" : "|";
    all += w.porous ? "|porous|" : "|";
    all += w.light + w.dark;
    std::uint32_t hash = 2166136261u;  // FNV-1a
    for (const char c : all) hash = (hash ^ static_cast<unsigned char>(c)) * 16777619u;
    std::array<char, 16> mark{};
    std::snprintf(mark.data(), mark.size(), "own-%08x", hash);
    return std::string(mark.data()) + "-" + slug.substr(0, 40);
}

const Species& makeKnown(const OwnWood& w)
{
    HeldToLimits held;
    fields(held, w);
    if (w.name.find_first_not_of(' ') == std::string::npos) throw InputError("name", "nothing", "a name is");
    const Figure figure{.early = colorOf("light", w.light),
                        .late = colorOf("dark", w.dark),
                        .ringWidth = 2.5f,
                        .pores = w.porous ? 0.8f : 0.1f,
                        .waviness = 0.3f};
    OwnWood said = w;
    said.extra.clear();
    std::string id = idOf(said);
    Catalogue& c = catalogue();
    const std::lock_guard locked(c.lock);
    for (const Known& k : c.all)
        if (k.id == id) return k.species;
    Known& k = c.all.emplace_back(Known{std::move(said), std::move(id), {}});
    k.species = {.id = k.id.c_str(),
                 .name = k.wood.name.c_str(),
                 .density = w.density,
                 .shrinkRadial = w.shrinkRadial,
                 .shrinkTangential = w.shrinkTangential,
                 .oily = w.oily,
                 .figure = figure,
                 .source = "said by the turner"};
    return k.species;
}

namespace {

const Known* knownOwn(std::string_view id)
{
    if (!id.starts_with("own-")) return nullptr;
    Catalogue& c = catalogue();
    const std::lock_guard held(c.lock);
    for (const Known& k : c.all)
        if (k.id == id) return &k;
    return nullptr;
}

}  // namespace

const OwnWood* ownWood(std::string_view id)
{
    const Known* k = knownOwn(id);
    return k ? &k->wood : nullptr;
}

const Species* findOwnSpecies(std::string_view id)
{
    const Known* k = knownOwn(id);
    return k ? &k->species : nullptr;
}

}  // namespace vl
