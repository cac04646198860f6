#include "core/piece/shop/finish.h"

#include "core/measure/input_error.h"
#include "core/words/finish.h"

#include <algorithm>
#include <charconv>
#include <set>
#include <string_view>

namespace vl {
namespace {

using L = FinishLayer;
constexpr double hour = 60, overnight = 12 * hour;

/// Common practice, the wait and the grams of each as they are usual; the maker's label comes first.
std::vector<Finish> book()
{
    const L oil{.name = "oil-varnish, a heavy first coat",
                .waitMinutes = overnight,
                .gramsPerM2 = 90,
                .between = words::wipeOff.words},
        oilAgain{.name = "oil-varnish",
                 .coats = 3,
                 .waitMinutes = 6 * hour,
                 .gramsPerM2 = 45,
                 .between = words::wipeOff.words};
    const L shellacSealer{.kind = L::Sealer,
                          .name = "thin shellac as a sealer",
                          .waitMinutes = 45,
                          .gramsPerM2 = 40,
                          .between = words::cutBackWool.words};
    const L wax{.kind = L::Wax, .name = "paste wax", .waitMinutes = 30, .gramsPerM2 = 15, .rpm = 600};
    return {{.id = "oil",
             .name = "oil-varnish, wiped",
             .layers = {oil, oilAgain},
             .lastGrit = 400,
             .food = true,
             .spontaneous = true,
             .fumes = true,
             .shine = Finish::Matt,
             .suits = "bowls and plates that are used; any wood but what is oily already"},
            {.id = "wiped varnish",
             .name = "varnish, wiped thin",
             .layers = {shellacSealer,
                        {.name = "varnish thinned by half, wiped",
                         .coats = 4,
                         .waitMinutes = 8 * hour,
                         .gramsPerM2 = 35,
                         .between = words::scuff.words}},
             .lastGrit = 320,
             .spontaneous = true,
             .fumes = true,
             .suits = "what is handled, boxes, lamps; any wood, oily ones over the sealer"},
            {.id = "brushed varnish",
             .name = "varnish, brushed",
             .layers = {shellacSealer,
                        {.name = "varnish, brushed",
                         .coats = 3,
                         .waitMinutes = 24 * hour,
                         .gramsPerM2 = 90,
                         .between = words::scuff.words}},
             .lastGrit = 280,
             .fumes = true,
             .shine = Finish::Gloss,
             .suits = "what stands up to water and wear; close-grained wood, open pores filled first"},
            {.id = "shellac",
             .name = "shellac, friction polished",
             .layers = {shellacSealer,
                        {.kind = L::Polish,
                         .name = "friction polish",
                         .coats = 3,
                         .waitMinutes = 5,
                         .gramsPerM2 = 15,
                         .between = words::noneBetween.words,
                         .buffRpm = 3000,
                         .rpm = 100}},
             .lastGrit = 600,
             .fumes = true,
             .shine = Finish::Gloss,
             .suits = "small work for the eye, no water, heat or spirit; hard, close-grained wood",
             .color = Finish::OverSealer},
            {.id = "lacquer",
             .name = "lacquer, sprayed",
             .layers = {{.kind = L::Sealer,
                         .name = "sanding sealer",
                         .waitMinutes = 45,
                         .gramsPerM2 = 70,
                         .between = words::scuff.words},
                        {.name = "lacquer, sprayed",
                         .coats = 4,
                         .waitMinutes = 45,
                         .gramsPerM2 = 80,
                         .between = words::noneBetween.words}},
             .lastGrit = 320,
             .fumes = true,
             .shine = Finish::Gloss,
             .suits = "what is looked at more than used; figured and colored wood",
             .color = Finish::OverSealer},
            {.id = "two-part oil",
             .name = "two-part oil, by measure",
             .layers = {{.name = "two-part oil",
                         .waitMinutes = 24 * hour,
                         .gramsPerM2 = 20,
                         .between = words::wipeOff.words,
                         .mix = "oil 3, hardener 1",
                         .potMinutes = 30}},
             .lastGrit = 180,
             .food = true,
             .spontaneous = true,
             .shine = Finish::Matt,
             .suits = "boards, bowls, what is washed; any wood, it colors by itself",
             .color = Finish::NotUnder},
            {.id = "wax",
             .name = "wax alone",
             .layers = {shellacSealer, wax},
             .lastGrit = 600,
             .suits = "what is seldom touched; pale, close-grained wood"},
            {.id = "water-based",
             .name = "water-based",
             .layers = {{.kind = L::Sealer,
                         .name = "water-based sealer",
                         .coats = 3,
                         .waitMinutes = 2 * hour,
                         .gramsPerM2 = 60,
                         .between = words::cutBackWool.words},
                        {.name = "water-based finish, thin",
                         .coats = 3,
                         .waitMinutes = 3 * hour,
                         .gramsPerM2 = 45,
                         .between = words::cutBackWool.words},
                        {.kind = L::Polish,
                         .name = "polish, once it has hardened for a day",
                         .waitMinutes = 20 * hour,
                         .gramsPerM2 = 5,
                         .rpm = 800}},
             .lastGrit = 400,
             .raisesGrain = true,
             .suits = "pale wood that is to stay pale, toys; tannic wood over a sealer",
             .color = Finish::BareWood},
            {.id = "thin glue",
             .name = "CA, thin then medium",
             .layers = {{.kind = L::Sealer,
                         .name = "thin CA",
                         .coats = 5,
                         .waitMinutes = 4,
                         .gramsPerM2 = 20,
                         .between = words::capillary.words,
                         .rpm = 300},
                        {.name = "medium CA",
                         .coats = 4,
                         .waitMinutes = 4,
                         .gramsPerM2 = 30,
                         .between = words::capillary.words,
                         .rpm = 300},
                        {.kind = L::Polish, .name = "polish", .waitMinutes = hour, .gramsPerM2 = 3, .rpm = 800}},
             .lastGrit = 600,
             .fumes = true,
             .shine = Finish::Gloss,
             .suits = "pens and small spindles; stabilized, soft or spalted wood",
             .color = Finish::BareWood}};
}

}  // namespace

std::vector<Finish> commonFinishes()
{
    static const std::vector<Finish> all = book();
    return all;
}

const Finish& finishOf(const std::vector<Finish>& finishes, const std::string& id)
{
    static const Finish plain{.id = "shop", .name = "one coat, as the shop has it"};
    const auto found = std::ranges::find(finishes, id, &Finish::id);
    return found == finishes.end() ? plain : *found;
}

std::vector<MixPart> mixOf(const FinishLayer& layer)
{
    const auto trimmed = [](std::string_view text) {
        const size_t from = text.find_first_not_of(' '), to = text.find_last_not_of(' ');
        return from == std::string_view::npos ? std::string_view() : text.substr(from, to - from + 1);
    };
    std::vector<MixPart> parts;
    std::string_view rest = layer.mix;
    while (!trimmed(rest).empty()) {
        const size_t comma = rest.find(',');
        const std::string_view one = trimmed(rest.substr(0, comma));
        rest = comma == std::string_view::npos ? std::string_view() : rest.substr(comma + 1);
        const size_t space = one.rfind(' ');
        MixPart part;
        // A number of parts stands last; from_chars takes no locale into account.
        const std::string_view number = space == std::string_view::npos ? std::string_view() : one.substr(space + 1);
        const auto [end, wrong] = std::from_chars(number.data(), number.data() + number.size(), part.parts);
        constexpr double most = 10000;
        if (number.empty() || wrong != std::errc() || end != number.data() + number.size() || !(part.parts > 0) ||
            !(part.parts <= most))
            throw InputError("mix", "'" + std::string(one) + "'", "a name and its parts, as 'resin 2', are");
        part.name = std::string(trimmed(one.substr(0, space)));
        parts.push_back(std::move(part));
    }
    if (parts.size() == 1) throw InputError("mix", "'" + layer.mix + "'", "two parts or more are");
    return parts;
}

void checkFinishes(const std::vector<Finish>& finishes)
{
    std::set<std::string> ids;
    for (size_t i = 0; i < finishes.size(); ++i) {
        const std::string path = "finishes[" + std::to_string(i) + "]";
        if (finishes[i].id.empty()) throw InputError(path + ".id", "''", "an id is");
        if (!ids.insert(finishes[i].id).second)
            throw InputError(path + ".id", "'" + finishes[i].id + "'", "one of its own is");
        for (size_t k = 0; k < finishes[i].layers.size(); ++k) {
            const FinishLayer& l = finishes[i].layers[k];
            const std::string layer = path + ".layers[" + std::to_string(k) + "].";
            try {
                mixOf(l);
            } catch (const InputError& e) {
                throw InputError(layer + e.field(), e.value(), e.limit());
            }
            if (l.leastCelsius > l.mostCelsius)
                throw InputError(layer + "least_c", std::to_string(l.leastCelsius),
                                 "no more than " + std::to_string(l.mostCelsius) + " °C is");
        }
    }
}

}  // namespace vl
