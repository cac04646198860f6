#include "core/piece/finish.h"

#include "core/measure/input_error.h"
#include "core/words/finish.h"

#include <algorithm>
#include <set>

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
             .fumes = true},
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
             .fumes = true},
            {.id = "brushed varnish",
             .name = "varnish, brushed",
             .layers = {shellacSealer,
                        {.name = "varnish, brushed",
                         .coats = 3,
                         .waitMinutes = 24 * hour,
                         .gramsPerM2 = 90,
                         .between = words::scuff.words}},
             .lastGrit = 280,
             .fumes = true},
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
             .fumes = true},
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
             .fumes = true},
            {.id = "two-part oil",
             .name = "two-part oil, by measure",
             .layers = {{.name = "two-part oil",
                         .waitMinutes = 24 * hour,
                         .gramsPerM2 = 20,
                         .between = words::wipeOff.words,
                         .partsA = 3,
                         .partsB = 1,
                         .potMinutes = 30}},
             .lastGrit = 180,
             .food = true,
             .spontaneous = true},
            {.id = "wax", .name = "wax alone", .layers = {shellacSealer, wax}, .lastGrit = 600},
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
             .raisesGrain = true},
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
             .fumes = true}};
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
            if (l.leastCelsius > l.mostCelsius)
                throw InputError(path + ".layers[" + std::to_string(k) + "].least_c", std::to_string(l.leastCelsius),
                                 "no more than " + std::to_string(l.mostCelsius) + " °C is");
        }
    }
}

}  // namespace vl
