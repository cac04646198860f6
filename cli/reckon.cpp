#include "cli/reckon_kind.h"

namespace vl::cli {
namespace {

std::vector<const Kind*> allKinds()
{
    std::vector<const Kind*> all;
    for (const auto kinds : {blankKinds(), inlayKinds()})
        for (const Kind& k : kinds) all.push_back(&k);
    return all;
}

const Kind& find(const std::string& name)
{
    const std::vector<const Kind*> kinds = allKinds();
    for (const Kind* k : kinds)
        if (k->name == name) return *k;
    std::string all;
    for (const Kind* k : kinds) all += (all.empty() ? "" : ", ") + std::string(k->name);
    throw UsageError("reckon knows " + all + ", not '" + name + "'");
}

}  // namespace

std::vector<std::string> reckonKinds()
{
    std::vector<std::string> names;
    for (const Kind* k : allKinds()) names.emplace_back(k->name);
    return names;
}

std::string reckonHelp(const std::string& name)
{
    const Kind& k = find(name);
    return "vivid-lathe-cli reckon " + name + "  " + k.usage + "\n\n" + k.conventions +
           "\nLengths: mm, or any form the application takes.\nSource: " + k.source + ".\n";
}

std::string reckon(const std::string& name, const std::vector<std::string>& arguments)
{
    const Kind& k = find(name);
    return k.run(Values(name, k.keys, arguments)).dump(1) + "\n";
}

}  // namespace vl::cli
