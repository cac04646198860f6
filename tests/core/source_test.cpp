// The shape of the code itself: lines that can be read, words in their own place.
#include <gtest/gtest.h>

#include <algorithm>
#include <filesystem>
#include <fstream>
#include <functional>
#include <map>
#include <regex>
#include <set>
#include <string>
#include <vector>

namespace {

std::vector<std::filesystem::path> sources(std::initializer_list<const char*> folders)
{
    std::vector<std::filesystem::path> all;
    for (const char* folder : folders)
        for (const auto& entry :
             std::filesystem::recursive_directory_iterator(std::string(VIVID_SOURCE) + "/" + folder))
            if (const auto kind = entry.path().extension(); kind == ".cpp" || kind == ".h" || kind == ".inl")
                all.push_back(entry.path());
    std::ranges::sort(all);
    return all;
}

/// Calls `see` with each line and its number.
template <class See> void eachLine(const std::filesystem::path& path, See see)
{
    std::ifstream in(path);
    std::string line;
    for (int number = 1; std::getline(in, line); ++number) see(line, number);
}

}  // namespace

TEST(Source, HasNoLineOver120Columns)
{
    for (const auto& path : sources({"core", "io", "report", "cli", "app", "devices", "tests", "benchmarks"}))
        eachLine(path, [&](const std::string& line, int number) {
            const auto columns =
                std::ranges::count_if(line, [](char c) { return (static_cast<unsigned char>(c) & 0xc0) != 0x80; });
            EXPECT_LE(columns, 120) << path.string() << ":" << number;
        });
}

TEST(Source, HasNoSentenceInGeometryBlanksAndTurning)
{
    // A name of a setting or a formula has few words; a sentence has more and stands in core/words.
    // What an error says of a limit is no sentence of the shop.
    const std::regex literal("\"([^\"]*)\""), word("[A-Za-z]{2,}");
    for (const auto& path : sources(
             {"core/geometry", "core/workpiece", "core/blank", "core/holding", "core/constructions", "core/picture"}))
        eachLine(path, [&](const std::string& line, int number) {
            if (line.find("//") < line.find('"') || line.find("InputError") != std::string::npos) return;
            for (std::sregex_iterator it(line.begin(), line.end(), literal), end; it != end; ++it) {
                const std::string text = (*it)[1];
                const auto words =
                    std::distance(std::sregex_iterator(text.begin(), text.end(), word), std::sregex_iterator());
                EXPECT_LE(words, path.string().find("geometry") == std::string::npos ? 7 : 12)
                    << path.string() << ":" << number << ": " << text;
            }
        });
}

TEST(Source, NamesEverySentenceOnce)
{
    // Two headers that give one name two meanings compile, and a step then says the other's words.
    const std::regex pattern("constexpr Pattern (\\w+)");
    std::set<std::string> names;
    for (const auto& path : sources({"core/words"}))
        eachLine(path, [&](const std::string& line, int number) {
            std::smatch found;
            if (std::regex_search(line, found, pattern)) {
                EXPECT_TRUE(names.insert(found[1]).second) << path.string() << ":" << number << ": " << found[1];
            }
        });
    EXPECT_GT(names.size(), 400u);
}

TEST(Source, CoreKnowsNeitherQtNorFiles)
{
    const std::regex qt("#include [<\"]Q|#include <fstream>|#include <filesystem>");
    for (const auto& path : sources({"core"}))
        eachLine(path, [&](const std::string& line, int number) {
            EXPECT_FALSE(std::regex_search(line, qt)) << path.string() << ":" << number;
        });
}

/// A file's folder: "core/piece/shop".
std::string folderOf(const std::string& file) { return file.substr(0, file.rfind('/')); }

TEST(Source, OneLevelAFolder)
{
    // From the ground up: a folder includes only from itself and from floors below its own, never from another folder
    // on its own floor.
    const std::vector<std::vector<std::string>> floors{
        {"core/measure"},
        {"core/geometry", "core/wood"},
        {"core/words", "core/piece/records"},
        {"core/piece/shop"},
        {"core/piece/document"},
        {"core/piece/edits"},
        {"core/recipe"},
        {"core/workpiece", "core/order"},
        {"core/blank"},
        {"core/holding"},
        {"core/constructions"},
        {"core/process"},
        {"core/picture", "core/plan/schedule"},
        {"core/plan/figures"},
        {"core/plan/boards", "core/plan/cautions"},
        {"core/plan"},
        {"core/plan/drying", "core/plan/learning"},
        {"io", "devices", "report"},
        {"devices/sim", "cli"},
        {"app"},
        {"app/theme"},
        {"app/document"},
        {"app/canvas", "app/fields"},
        {"app/access"},
        {"app/lanes", "app/solid"},
        {"app/stages"},
        {"app/stages/shape", "app/stages/build", "app/stages/cut", "app/stages/glue", "app/stages/turn",
         "app/stages/finish", "app/stages/log", "app/bench"},
        {"app/window"},
    };
    std::map<std::string, size_t> floor;
    for (size_t i = 0; i < floors.size(); ++i)
        for (const std::string& folder : floors[i]) floor[folder] = i;
    const std::regex include("#include \"((core|io|report|cli|app|devices)/[a-z_/]+)\\.");
    for (const auto& path : sources({"core", "io", "report", "cli", "app", "devices"})) {
        const std::string own = folderOf(std::filesystem::relative(path, VIVID_SOURCE).string());
        ASSERT_TRUE(floor.contains(own)) << own << " has no floor";
        eachLine(path, [&](const std::string& line, int number) {
            std::smatch found;
            if (!std::regex_search(line, found, include)) return;
            const std::string other = folderOf(found[1]);
            ASSERT_TRUE(floor.contains(other)) << other << " has no floor";
            if (other != own && path.filename() != "main.cpp")
                EXPECT_LT(floor.at(other), floor.at(own)) << path.string() << ":" << number << ": " << line;
        });
    }
}

TEST(Source, BringsAlongWhatItNames)
{
    // A header that leans on what is precompiled beside it breaks the first file that does without.
    const std::string root = std::string(VIVID_SOURCE) + "/";
    std::map<std::string, std::set<std::string>> brings;
    std::map<std::string, std::string> texts;
    const std::regex include("#include [<\"]([^>\"]+)[>\"]");
    for (const auto& path : sources({"core", "io", "report", "cli", "app", "devices", "tests", "benchmarks"})) {
        const std::string name = std::filesystem::relative(path, root).string();
        eachLine(path, [&](const std::string& line, int) {
            std::smatch found;
            if (std::regex_search(line, found, include)) brings[name].insert(found[1]);
            texts[name] += line.substr(0, line.find("//")) + "\n";
        });
    }
    const std::function<void(const std::string&, std::set<std::string>&)> gather = [&](const std::string& file,
                                                                                       std::set<std::string>& all) {
        for (const std::string& next : brings[file])
            if (all.insert(next).second && texts.contains(next)) gather(next, all);
    };
    const std::vector<std::pair<std::regex, std::string>> needs{
        {std::regex("Eigen::(Isometry|AngleAxis|Translation|Quaternion)"), "Eigen/Geometry"},
        {std::regex("std::map<"), "map"},
        {std::regex("std::set<"), "set"},
        {std::regex("std::array<"), "array"},
        {std::regex("std::function<"), "functional"},
        {std::regex("std::optional<"), "optional"},
        {std::regex("std::variant<"), "variant"},
        {std::regex("std::(unique|shared)_ptr<"), "memory"}};
    texts.erase("tests/core/source_test.cpp");  // it names them to look for them
    for (const auto& [name, text] : texts) {
        std::set<std::string> all;
        gather(name, all);
        for (const auto& [names, header] : needs)
            EXPECT_TRUE(all.contains(header) || !std::regex_search(text, names))
                << name << " names what only <" << header << "> brings";
    }
}
