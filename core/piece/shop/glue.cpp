#include "core/piece/shop/glue.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <set>

namespace vl {

std::vector<Glue> commonGlues()
{
    auto glue = [](const char* id, const char* name, double open, double clamp, double machine, double cure,
                   double least, double spread, const char* release, const char* note) {
        Glue g;
        g.id = id;
        g.name = name;
        g.openMinutes = open;
        g.clampMinutes = clamp;
        g.machineMinutes = machine;
        g.cureMinutes = cure;
        g.leastCelsius = least;
        g.spread = spread;
        g.release = release;
        g.note = note;
        return g;
    };
    std::vector<Glue> all;
    all.push_back(glue("yellow", "yellow wood glue", 5, 45, 720, 1440, 10, 180, "heat and steam, slowly",
                       "grabs fast: for rings and stacks"));
    all.push_back(glue("white", "white wood glue", 10, 60, 720, 1440, 8, 180, "heat and moisture",
                       "longer open: for staves and many joints at once"));
    all.back().veneer = true;
    all.push_back(glue("polyurethane", "expanding polyurethane", 20, 180, 480, 1440, 10, 120, "not; cut it away",
                       "dampen one face; it foams out of the joint and must be held hard; gloves"));
    all.back().water = false;
    all.back().foams = all.back().oily = all.back().endGrain = true;
    all.push_back(glue("epoxy-5", "epoxy, 5 minutes open", 5, 30, 240, 1440, 10, 250, "heat above 80 °C",
                       "wipe oily wood with solvent first; gloves and fresh air"));
    all.push_back(glue("epoxy-30", "epoxy, 30 minutes open", 30, 480, 960, 2880, 13, 250, "heat above 80 °C",
                       "wipe oily wood with solvent first; gloves and fresh air"));
    for (size_t i = all.size() - 2; i < all.size(); ++i) {
        all[i].water = false;
        all[i].leastGrams = 6;
        all[i].fillsGaps = all[i].oily = all[i].endGrain = true;
    }
    all.back().veneer = true;
    all.push_back(glue("ca-thin", "thin cyanoacrylate", 0.2, 1, 10, 1440, 5, 60,
                       "solvent made for it, or a sharp knock",
                       "runs into cracks; seal porous end grain first; eye protection and fresh air"));
    all.push_back(glue("ca-medium", "medium cyanoacrylate", 0.7, 3, 20, 1440, 5, 90,
                       "solvent made for it, or a sharp knock",
                       "brittle: for small parts; eye protection and fresh air"));
    all.push_back(glue("ca-thick", "thick cyanoacrylate", 1.5, 5, 60, 1440, 5, 120,
                       "a parting cut down to the joint, then a sharp knock, or solvent made for it",
                       "no kicker on a block: it makes the joint brittle; eye protection and fresh air"));
    for (size_t i = all.size() - 3; i < all.size(); ++i) {
        all[i].water = false;
        all[i].oily = true;
        all[i].leastGrams = 0.5;
    }
    all.push_back(glue("hot-melt", "hot melt", 0.3, 2, 5, 10, 5, 0, "alcohol along the edge, or heat",
                       "tacks parts so that they do not slide under the clamp"));
    all.push_back(glue("tape", "double-sided tape", 60, 1, 1, 1, 10, 0, "a slow pull with a wedge",
                       "light cuts only; press for a minute"));
    all.push_back(glue("paper", "paper joint", 5, 60, 480, 720, 10, 180, "a chisel in the paper, along the grain",
                       "wood glue with brown paper between: splits cleanly"));
    for (size_t i = all.size() - 3; i < all.size(); ++i) all[i].temporary = true;
    all[all.size() - 2].water = all[all.size() - 3].water = false;
    // Cautious values between clamp and lathe, from memory.
    constexpr std::array light{90.0, 120.0, 300.0, 90.0, 600.0, 3.0, 8.0, 20.0, 3.0, 1.0, 180.0};
    for (size_t i = 0; i < all.size(); ++i) all[i].lightMinutes = light.at(i);
    for (Glue& g : all)
        if (g.id == "epoxy-5" || g.id == "epoxy-30") g.slowdown = 2.5;
    for (Glue& g : all) g.block = g.id == "epoxy-5" || g.id == "epoxy-30" || g.id == "hot-melt" || g.id == "ca-thick";
    return all;
}

void checkGlues(const std::vector<Glue>& glues)
{
    if (glues.empty() || glues.size() > 100)
        throw InputError("glues", std::to_string(glues.size()) + " glues", "1 to 100 are");
    std::set<std::string> seen;
    FieldCheck check;
    for (size_t i = 0; i < glues.size(); ++i) {
        const Glue& g = glues[i];
        const std::string at = "glues[" + std::to_string(i) + "]";
        if (g.id.empty() || g.id.size() > 60)
            throw InputError(at + ".id", "'" + g.id.substr(0, 60) + "'", "1 to 60 letters are");
        if (!seen.insert(g.id).second) throw InputError(at + ".id", "'" + g.id + "' twice", "one glue of each id is");
        if (g.name.empty()) throw InputError(at + ".name", "nothing", "1 to 200 bytes are");
        check.enter("glues", i);
        fields(check, g);
        check.leave();
    }
}

double lightAfter(const Glue& g)
{
    return g.lightMinutes > 0 ? std::clamp(g.lightMinutes, std::min(g.clampMinutes, g.machineMinutes), g.machineMinutes)
                              : g.machineMinutes;
}

double coldFactor(const Glue& glue, double celsius)
{
    return celsius >= 20 ? 1 : std::pow(glue.slowdown, (20 - std::max(celsius, -20.0)) / 10);
}

}  // namespace vl
