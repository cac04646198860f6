#include "tests/support/samples.h"

#include "core/blank/stock.h"
#include "core/piece/edits/edit.h"
#include "io/piece_json.h"
#include "io/shop_json.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <sstream>

namespace vl::test {

std::string sourceFile(const std::string& path)
{
    std::ifstream in(std::string(VIVID_SOURCE) + "/" + path, std::ios::binary);
    std::ostringstream text;
    text << in.rdbuf();
    return text.str();
}

std::vector<std::string> demoNames()
{
    std::vector<std::string> names;
    for (const auto& entry : std::filesystem::directory_iterator(std::string(VIVID_SOURCE) + "/demo"))
        if (entry.path().extension() == ".vlathe") names.push_back(entry.path().stem().string());
    std::ranges::sort(names);
    return names;
}

std::vector<std::string> demoNamesForLongTests()
{
    std::vector<std::string> names = demoNames();
    if (!std::getenv("VIVID_CASES")) return names;
    for (size_t i = 0; 3 * i < names.size(); ++i) names[i] = names[3 * i];
    names.resize((names.size() + 2) / 3);
    return names;
}

Piece demo(const std::string& name) { return io::readPiece(sourceFile("demo/" + name + ".vlathe")).piece; }

Piece regattaCup() { return demo("regatta-cup"); }

Shop harbourShop()
{
    std::vector<std::string> notes;
    return io::readShop(sourceFile("demo/harbour-shop.json"), notes);
}

Piece tallVase(int rings, int segments)
{
    Piece p = starts()[2].make();
    p.outside = stretched(p.outside, 6.0 * rings + 12);
    return edit::divide(p, 12, rings, segments);
}

const Caution* find(const Plan& plan, const std::string& prefix)
{
    const auto it = std::ranges::find_if(plan.cautions, [&](const Caution& c) { return c.id.starts_with(prefix); });
    return it == plan.cautions.end() ? nullptr : &*it;
}

const Step* stepOf(const Plan& plan, const std::string& id)
{
    const auto it = std::ranges::find(plan.assembly.recipe, id, &Step::id);
    return it == plan.assembly.recipe.end() ? nullptr : &*it;
}

long placeOf(const Plan& plan, const std::string& id)
{
    const auto it =
        std::ranges::find_if(plan.schedule.order, [&](size_t i) { return plan.assembly.recipe[i].id == id; });
    return it == plan.schedule.order.end() ? -1 : it - plan.schedule.order.begin();
}

double settingOf(const Plan& plan, const std::string& step, const std::string& name)
{
    const Step* s = stepOf(plan, step);
    if (!s) return std::nan("");
    const auto it = std::ranges::find(s->settings, name, &Setting::name);
    return it == s->settings.end() ? std::nan("") : it->value;
}

std::vector<const Step*> stepsOf(const Plan& plan, const std::string& prefix)
{
    std::vector<const Step*> all;
    for (const Step& s : plan.assembly.recipe)
        if (s.id.starts_with(prefix)) all.push_back(&s);
    return all;
}

std::vector<BrokenLaw> brokenLawsOf(const Piece& piece, const Plan& plan)
{
    const TurnedSurfaces& s = plan.surfaces;
    const bool all = s.round() && s.cuts.empty() && !piece.nest.on;
    return brokenLaws(plan.assembly.recipe, plan.schedule.order, stockOf(plan.assembly), all ? s.wood() : Region{});
}

}  // namespace vl::test
