// The piece file: round trips, its published schema, and everything that can be wrong with it.
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "io/files.h"
#include "io/json_reader.h"
#include "io/shop_json.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <valijson/adapters/nlohmann_json_adapter.hpp>
#include <valijson/schema.hpp>
#include <valijson/schema_parser.hpp>
#include <valijson/validator.hpp>

#include <atomic>
#include <filesystem>
#include <iostream>
#include <memory>
#include <regex>
#include <set>
#include <sys/mman.h>
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

using namespace vl;
using nlohmann::json;

namespace {

bool matchesSchema(const std::string& text, std::string& why)
{
    static const json document = json::parse(test::sourceFile("docs/piece.schema.json"));
    static const std::unique_ptr<valijson::Schema> parsed = [] {
        auto made = std::make_unique<valijson::Schema>();
        valijson::SchemaParser().populateSchema(valijson::adapters::NlohmannJsonAdapter(document), *made);
        return made;
    }();
    const valijson::Schema& schema = *parsed;
    const json piece = json::parse(text);
    valijson::ValidationResults results;
    const bool good = valijson::Validator().validate(schema, valijson::adapters::NlohmannJsonAdapter(piece), &results);
    valijson::ValidationResults::Error error;
    while (results.popError(error)) {
        why += "\n  ";
        for (const auto& c : error.context) why += c;
        why += ": " + error.description;
    }
    return good;
}

std::vector<Piece> manyPieces()
{
    std::vector<Piece> pieces{test::regattaCup()};
    for (const Start& s : starts()) {
        pieces.push_back(s.make());
        pieces.back().id = s.id;
    }
    Piece odd = test::regattaCup();
    odd.name = "Förde \"cup\"\n";
    odd.hollow.rule = WallRule::Drawn;
    odd.hollow.inside = drawnFrom(turnedSurfacesOf(odd).inside, odd);
    odd.layers[4].stockOuter = 60.125;
    odd.layers[4].stockInner = 3;
    odd.choices = {.cutting = CutMethod::WedgeSled,
                   .sledRun = 250.5,
                   .endWaste = 11,
                   .trialGap = 0.3,
                   .trialRing = odd.layers[7].id,
                   .closing = RingMethod::HalfRings,
                   .staves = StaveMethod::MiterGauge,
                   .sections = SectionRule::Whole,
                   .stations = StationRule::Curve,
                   .stationSpacing = 7.5,
                   .extra = {}};
    pieces.push_back(odd);
    return pieces;
}

/// Every place in a JSON text, as pointers.
void places(const json& j, const json::json_pointer& at, std::vector<json::json_pointer>& out)
{
    if (!at.empty()) out.push_back(at);
    if (j.is_object())
        for (const auto& [key, value] : j.items()) places(value, at / key, out);
    if (j.is_array())
        for (size_t i = 0; i < j.size(); ++i) places(j[i], at / i, out);
}

/// Reading either works, perhaps with notes, and then the plan can be made; or it says what is wrong in one clear
/// error.
void survives(const std::string& text, const std::string& what)
{
    try {
        const io::LoadedPiece loaded = io::readPiece(text);
        makePlan(loaded.piece, {});
    } catch (const InputError& e) {
        EXPECT_FALSE(e.field().empty()) << what;
        EXPECT_FALSE(e.limit().empty()) << what;
        EXPECT_EQ(std::string(e.what()).find("json.exception"), std::string::npos) << what;
    } catch (const std::exception& e) {
        ADD_FAILURE() << what << ": " << e.what();
    }
}

std::string temporaryFolder()
{
    std::string name = (std::filesystem::temp_directory_path() / "vlathe-XXXXXX").string();
    return mkdtemp(name.data());
}

}  // namespace

TEST(PieceFile, ComesBackAsItWasSaved)
{
    for (const Piece& piece : manyPieces()) {
        const io::LoadedPiece loaded = io::readPiece(io::writePiece(piece));
        EXPECT_EQ(loaded.piece, piece) << piece.name;
        EXPECT_TRUE(loaded.notes.empty()) << loaded.notes.front();
    }
}

TEST(PieceFile, KeepsToItsPublishedSchema)
{
    std::string why;
    for (const Piece& piece : manyPieces()) EXPECT_TRUE(matchesSchema(io::writePiece(piece), why)) << piece.name << why;
    for (const auto& entry : std::filesystem::directory_iterator(std::string(VIVID_SOURCE) + "/demo"))
        if (entry.path().extension() == ".vlathe") {
            EXPECT_TRUE(matchesSchema(io::readFile(entry.path().string()), why)) << entry.path() << why;
        }
    json wrong = json::parse(io::writePiece(test::regattaCup()));
    wrong["layers"][1]["form"]["segments"] = 2;
    EXPECT_FALSE(matchesSchema(wrong.dump(), why)) << "the schema knows the limits";
}

TEST(PieceFile, KeepsWhatANewerVersionAdded)
{
    json j = json::parse(io::writePiece(test::regattaCup()));
    j["version"] = 7;
    j["engraving"] = {{"words", "for the fastest boat"}, {"depth_mm", 0.5}};
    j["layers"][3]["veneer"] = json::array({1, 2, nullptr});
    j["outside"][2]["pinned"] = true;
    j["hollow"]["tool"] = "hook";
    j["choices"]["pace"] = 3;
    const io::LoadedPiece loaded = io::readPiece(j.dump());
    EXPECT_EQ(loaded.notes.size(), 1u) << "it says that the file is newer";
    json back = json::parse(io::writePiece(loaded.piece));
    back["version"] = 7;
    EXPECT_EQ(back, j);
    // They stay with their layer when it moves.
    const Piece moved = edit::moveLayer(loaded.piece, 3, 5);
    EXPECT_TRUE(json::parse(io::writePiece(moved))["layers"][5].contains("veneer"));
}

TEST(PieceFile, EveryKeyRemovedRetypedNegatedOrMadeHugeIsAnsweredClearly)
{
    Piece small = test::regattaCup();
    small.layers.resize(4);
    small.layers[3].stockOuter = 90;
    small.hollow.rule = WallRule::Drawn;
    small.hollow.inside = drawnFrom({}, small);
    const json good = json::parse(io::writePiece(small));
    std::vector<json::json_pointer> all;
    places(good, json::json_pointer(), all);
    ASSERT_GT(all.size(), 100u);
    json deep = 1;
    for (int i = 0; i < 30; ++i) deep = json::array({deep});
    const std::vector<json> values{nullptr,
                                   true,
                                   "x",
                                   "",
                                   -1,
                                   -1e9,
                                   1e300,
                                   4294967296.5,
                                   0,
                                   json::array(),
                                   json::object(),
                                   deep,
                                   "NaN",
                                   std::string(30000, 'a'),
                                   good};
    for (const auto& at : all) {
        json removed = good;
        json& parent = removed[at.parent_pointer()];
        if (parent.is_object())
            parent.erase(at.back());
        else
            parent.erase(static_cast<size_t>(std::stoi(at.back())));
        survives(removed.dump(), "without " + at.to_string());
        for (const json& value : values) {
            json changed = good;
            changed[at] = value;
            survives(changed.dump(), at.to_string() + " as " + value.dump().substr(0, 30));
        }
    }
}

TEST(PieceFile, ItsSchemaRefusesWhateverTheReaderRefusesAtAPlace)
{
    std::vector<json> values{nullptr,       true,          "x", "", -1, 0.5, 1e9, 4294967296.5, std::string(30000, 'a'),
                             json::array(), json::object()};
    values.push_back(json::array({1}));
    values.push_back(json::array({"x"}));
    std::string umlauts;
    for (int k = 0; k < 260; ++k) umlauts += "ö";
    values.push_back(umlauts);
    // What a place may hold beside another, and texts with a grammar of their own, are more than a schema can say; how
    // few nodes a line and layers a piece has, it leaves out.
    const std::regex beyond("/z_mm|/wide_mm|/to_mm|/end_min|/steps|/taper_deg|/ease_mm|/colour|"
                            "(outside|inside|curve|layers|axes/[0-9]+|sawn/[0-9]+)$|"
                            "forms/0/(length|diameter)_mm");
    // Every place of one kind of record is as good as another.
    std::set<std::string> seen;
    int refused = 0;
    for (const std::string& name : test::demoNames()) {
        const json good = json::parse(io::writePiece(test::demo(name)));
        std::vector<json::json_pointer> all;
        places(good, json::json_pointer(), all);
        for (const auto& at : all) {
            if (std::regex_search(at.to_string(), beyond)) continue;
            if (!seen.insert(std::regex_replace(at.to_string(), std::regex("/[0-9]+"), "/0")).second) continue;
            for (const json& value : values) {
                json changed = good;
                changed[at] = value;
                const std::string text = changed.dump();
                try {
                    io::readPiece(text);
                } catch (const InputError& e) {
                    ++refused;
                    std::string why;
                    if (matchesSchema(text, why))
                        ADD_FAILURE() << name << at.to_string() << " as " << value.dump().substr(0, 30) << ": "
                                      << e.what();
                }
            }
        }
    }
    EXPECT_GT(refused, 500);
}

TEST(PieceFile, DamagedTextIsAnsweredClearly)
{
    const std::string good = io::writePiece(test::regattaCup());
    for (size_t cut = 0; cut < good.size(); cut += 61) survives(good.substr(0, cut), "cut at " + std::to_string(cut));
    survives(std::string(100000, '['), "nesting");
    survives("{\"a\":" + std::string(70, '{'), "nesting");
    survives("{\"format\": NaN}", "NaN");
    survives("{\"format\": 1e999}", "huge");
    survives(std::string("\0\xff\xfe{", 4), "bytes");
    test::property([&] {
        std::string text = good;
        for (int k = 0; k < 8; ++k)
            text[static_cast<size_t>(test::inRange(0, static_cast<int>(text.size())))] =
                static_cast<char>(test::inRange(0, 256));
        survives(text, "bytes changed");
    });
    try {
        io::readPiece("{\n \"format\": \"vivid-lathe-piece\",\n \"version\": }");
        FAIL();
    } catch (const InputError& e) {
        EXPECT_NE(e.field().find("line 3"), std::string::npos) << e.what();
    }
}

TEST(PieceFile, ErrorsNameFieldValueAndLimit)
{
    json j = json::parse(io::writePiece(test::regattaCup()));
    j["layers"][6]["form"]["segments"] = 2;
    try {
        io::readPiece(j.dump());
        FAIL();
    } catch (const InputError& e) {
        EXPECT_EQ(std::string(e.what()), "layers[6].form.segments: 2 is not accepted; 3 to 96 is");
    }
    j["layers"][6]["form"]["segments"] = 8;
    j["layers"][3].erase("thickness_mm");
    j["layers"][2]["woods"] = {"moonwood"};
    const io::LoadedPiece repaired = io::readPiece(j.dump());
    EXPECT_EQ(repaired.notes.size(), 1u) << "the wood; what is left out is as it comes";
    EXPECT_EQ(repaired.piece.layers[3].thickness, Layer{}.thickness);
    EXPECT_EQ(repaired.piece.layers[2].woods[0], "maple");
}

TEST(Files, AKillAtAnyMomentOfASaveLeavesTheOldOrTheNew)
{
    const std::string folder = temporaryFolder(), path = folder + "/piece.vlathe";
    const std::string old = io::writePiece(test::regattaCup()),
                      fresh = io::writePiece(test::tallVase(60, 48)) + std::string(4 << 20, ' ');
    // Shared with the child, which notes here that a save is under way.
    auto* saving = static_cast<std::atomic<int>*>(
        mmap(nullptr, sizeof(std::atomic<int>), PROT_READ | PROT_WRITE, MAP_SHARED | MAP_ANONYMOUS, -1, 0));
    ASSERT_NE(static_cast<void*>(saving), MAP_FAILED);
    int middle = 0, news = 0;
    constexpr int rounds = 60;
    for (int round = 0; round < rounds; ++round) {
        io::writeFile(path, old);
        new (saving) std::atomic<int>(0);
        const pid_t child = fork();
        ASSERT_GE(child, 0);
        if (child == 0)
            for (int k = 0;; ++k) {
                *saving = 1;
                io::writeFile(path, k % 2 ? old : fresh);
                *saving = 0;
            }
        usleep(static_cast<useconds_t>(2000 + round * 137));
        kill(child, SIGKILL);
        waitpid(child, nullptr, 0);
        middle += *saving;
        const std::string now = io::readFile(path);
        EXPECT_TRUE(now == old || now == fresh) << "a mixture was left behind";
        news += now == fresh;
    }
    munmap(saving, sizeof(std::atomic<int>));
    std::cout << middle << " of " << rounds << " kills landed in the middle of a save, " << news
              << " left the new file\n";
    EXPECT_GE(middle, rounds / 4) << "too few kills landed in the middle of a save to prove anything";
    std::filesystem::remove_all(folder);
}

TEST(Files, AFullOrClosedPlaceIsSaidAndNothingIsLost)
{
    EXPECT_THROW(io::writeFile("/no/such/folder/piece.vlathe", "x"), InputError);
    EXPECT_THROW(io::readFile("/no/such/file"), InputError);
    EXPECT_THROW(io::readFile("/tmp"), InputError);
    if (std::filesystem::exists("/dev/full")) {
        EXPECT_THROW(io::writeFile("/dev/full", std::string(100000, 'x')), InputError)
            << "the device stands in for a full disk";
        EXPECT_TRUE(std::filesystem::is_character_file("/dev/full")) << "it is written to, not replaced";
        EXPECT_THROW(io::replaceFile("/proc/piece.vlathe", [](QIODevice&) {}), InputError);
    }
}

TEST(ShopFile, ComesBackAndChecksItself)
{
    Shop shop;
    shop.kerf = 2.2;
    shop.lathe.swingRadius = 150;
    std::vector<std::string> notes;
    EXPECT_EQ(io::readShop(io::writeShop(shop), notes), shop);
    EXPECT_TRUE(notes.empty());
    json j = json::parse(io::writeShop(shop));
    j["kerf_mm"] = -1;
    EXPECT_THROW(io::readShop(j.dump(), notes), InputError);
    j["kerf_mm"] = 3;
    j["lowest_rpm"] = 5000;
    EXPECT_THROW(io::readShop(j.dump(), notes), InputError);
}

namespace {

/// Walks the schema beside a good file and collects each numeric bound with its place.
struct Bound {
    json::json_pointer at;
    double value;
    bool low, whole;
};

void bounds(const json& schema, const json& value, const json::json_pointer& at, std::vector<Bound>& out)
{
    // A number that may be left to the program is a number or null.
    const std::string type = !schema.contains("type")    ? ""
                             : schema["type"].is_array() ? "number"
                                                         : schema["type"].get<std::string>();
    if (type == "number" || type == "integer") {
        if (schema.contains("minimum")) out.push_back({at, schema["minimum"], true, type == "integer"});
        if (schema.contains("maximum")) out.push_back({at, schema["maximum"], false, type == "integer"});
    }
    if (type == "object" && schema.contains("properties"))
        for (const auto& [key, part] : schema["properties"].items())
            if (value.contains(key)) bounds(part, value[key], at / key, out);
    // A layer's own form: the alternative that names its kind.
    if (schema.contains("anyOf"))
        for (const json& one : schema["anyOf"])
            if (one["properties"]["kind"]["const"] == value["kind"])
                bounds(one["properties"]["form"], value["form"], at / "form", out);
    if (type == "array" && schema["items"].contains("properties"))
        for (size_t i = 0; i < value.size(); ++i) bounds(schema["items"], value[i], at / i, out);
}

}  // namespace

TEST(PieceFile, SchemaAndReaderHaveTheSameLimits)
{
    Piece p = test::regattaCup();
    p.layers.resize(3);
    p.layers[0].stockOuter = 90;
    p.layers[0].stockInner = 3;
    p.hollow.rule = WallRule::Drawn;
    p.hollow.inside = drawnFrom({}, p);
    p.outside.resize(2);
    p.outside[1].z = 50;
    const json good = json::parse(io::writePiece(p)), schema = json::parse(test::sourceFile("docs/piece.schema.json"));
    std::vector<Bound> all;
    bounds(schema, good, json::json_pointer(), all);
    ASSERT_GT(all.size(), 40u);
    int beyond = 0;
    for (const Bound& b : all) {
        if (b.at.to_string() == "/version") continue;
        json changed = good;
        const double step = b.whole ? 1 : 1e-5 * std::max(1.0, std::abs(b.value));  // more than rounding
        changed[b.at] = b.low ? b.value - step : b.value + step;
        if (b.whole) changed[b.at] = static_cast<int>(b.low ? b.value - 1 : b.value + 1);
        std::string why;
        EXPECT_FALSE(matchesSchema(changed.dump(), why)) << b.at.to_string();
        EXPECT_THROW(io::readPiece(changed.dump()), InputError) << b.at.to_string() << " takes " << changed[b.at];
        ++beyond;
    }
    EXPECT_GT(beyond, 40);
}

TEST(Files, AFullDiskIsSaidAndTheOldFileStays)
{
    const std::string folder = temporaryFolder(), path = folder + "/piece.vlathe";
    const std::string old = io::writePiece(test::regattaCup()), fresh = io::writePiece(test::tallVase(60, 48));
    ASSERT_GT(fresh.size(), old.size() + 4096);
    io::writeFile(path, old);
    const pid_t child = fork();
    ASSERT_GE(child, 0);
    if (child == 0) {
        // A limit on a file's size stands in for the end of the disk.
        signal(SIGXFSZ, SIG_IGN);
        const rlimit limit{4096, 4096};
        setrlimit(RLIMIT_FSIZE, &limit);
        int answer = 1;
        try {
            io::writeFile(path, fresh);
        } catch (const InputError& e) {
            answer = e.field() == path ? 0 : 2;
        }
        _exit(answer);
    }
    int status = 0;
    waitpid(child, &status, 0);
    EXPECT_TRUE(WIFEXITED(status));
    EXPECT_EQ(WEXITSTATUS(status), 0);
    EXPECT_EQ(io::readFile(path), old);
    EXPECT_EQ(std::distance(std::filesystem::directory_iterator(folder), {}), 1) << "no temporary file is left";
    std::filesystem::remove_all(folder);
}
