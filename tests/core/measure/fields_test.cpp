// Fields declared once: a test record, never seen by the program, is found by every visitor there is.
#include "core/piece/document/piece.h"
#include "core/piece/records/check.h"
#include "core/piece/records/field_items.h"
#include "core/piece/shop/shop.h"
#include "io/fields_json.h"
#include "tests/support/property.h"
#include "tests/support/random_fields.h"

#include <gtest/gtest.h>

#include <set>

using namespace vl;

namespace odd {

enum class Edge { Sharp, Eased };
inline std::span<const Choice> choices(Edge)
{
    static constexpr std::array all{Choice{"sharp", "as it comes"}, Choice{"eased", "eased by hand"}};
    return all;
}

struct Notch {
    double depth = 3;
    std::string extra;
    bool operator==(const Notch&) const = default;
};
template <class V, As<Notch> F> void fields(V& v, F& f) { v.length("depth_mm", f.depth, {0, 9}, "Depth"); }

struct Round {
    static constexpr Choice kind{"round", "turned round"};
    double radius = 4;
    bool operator==(const Round&) const = default;
};
template <class V, As<Round> F> void fields(V& v, F& f) { v.length("radius_mm", f.radius, {1, 50}, "Radius"); }

struct Square {
    static constexpr Choice kind{"square", "left square"};
    int sides = 4;
    bool operator==(const Square&) const = default;
};
template <class V, As<Square> F> void fields(V& v, F& f) { v.count("sides", f.sides, {3, 8}, "Sides"); }

/// A record with a field of every kind.
struct Handle {
    std::string name = "oar";
    double length = 120;
    std::optional<double> tilt;
    int rings = 2;
    bool waxed = false;
    Edge edge = Edge::Sharp;
    std::string wood = "ash";
    std::vector<std::string> woods{"maple"};
    Notch notch;
    std::vector<Notch> notches;
    std::variant<Round, Square> grip;
    std::string extra;
    bool operator==(const Handle&) const = default;
};
template <class V, As<Handle> F> void fields(V& v, F& f)
{
    v.text("name", f.name, 20, "Name");
    v.length("length_mm", f.length, {10, 300}, "Length", "from end to end");
    v.angle("tilt_deg", f.tilt, {-30, 30}, "Tilt");
    v.count("rings", f.rings, {1, 9}, "Rings");
    v.flag("waxed", f.waxed, "Waxed");
    v.choice("edge", f.edge, "Edge");
    v.when(f.waxed).wood("wood", f.wood, "Wood");
    v.woods("woods", f.woods, {1, 5}, "Woods");
    v.record("notch", f.notch, "Notch");
    v.list("notches", f.notches, 4, "Notches");
    v.alternatives("kind", "grip", f.grip, "Grip");
}

}  // namespace odd

namespace {

using odd::Handle;

const std::vector<std::string> everyPath{"name", "length_mm", "tilt_deg",       "rings", "waxed",         "edge",
                                         "wood", "woods",     "notch.depth_mm", "kind",  "grip.radius_mm"};

std::string refusal(const Handle& h)
{
    try {
        FieldCheck check;
        fields(check, h);
        return "";
    } catch (const InputError& e) {
        return e.what();
    }
}

}  // namespace

TEST(Fields, AreListedInOrderWithWordsLimitsAndWhetherTheyApply)
{
    std::vector<std::string> paths;
    for (const FieldItem& item : itemsOf(Handle{})) paths.push_back(item.path);
    EXPECT_EQ(paths, everyPath);
    const std::vector<FieldItem> items = itemsOf(Handle{});
    EXPECT_STREQ(items[1].field.words, "Length");
    EXPECT_STREQ(items[1].field.help, "from end to end");
    EXPECT_EQ(items[1].field.limit.high, 300);
    EXPECT_TRUE(items[2].optional);
    EXPECT_EQ(items[5].choices.size(), 2u);
    EXPECT_FALSE(items[6].field.applies) << "an unwaxed handle asks for no wood";
    Handle waxed;
    waxed.waxed = true;
    EXPECT_TRUE(itemsOf(waxed)[6].field.applies);
    EXPECT_STREQ(fieldOf(&Handle::rings).key, "rings");
    EXPECT_EQ(fieldOf(&Hollow::floor).limit.high, 3000);
}

TEST(Fields, AreSetByTheirPathAndRefuseAnotherKindOfValue)
{
    Handle h;
    EXPECT_TRUE(setField(h, "length_mm", 80.0));
    EXPECT_TRUE(setField(h, "tilt_deg", 5.0));
    EXPECT_TRUE(setField(h, "edge", 1));
    EXPECT_TRUE(setField(h, "notch.depth_mm", 1.5));
    EXPECT_TRUE(setField(h, "grip.radius_mm", 9.0));
    EXPECT_EQ(h.length, 80);
    EXPECT_EQ(h.tilt, 5);
    EXPECT_EQ(h.edge, odd::Edge::Eased);
    EXPECT_EQ(h.notch.depth, 1.5);
    EXPECT_EQ(std::get<odd::Round>(h.grip).radius, 9);
    EXPECT_TRUE(setField(h, "tilt_deg", FieldValue()));
    EXPECT_FALSE(h.tilt);
    EXPECT_FALSE(setField(h, "length_mm", std::string("long")));
    EXPECT_FALSE(setField(h, "grip.sides", 5)) << "the grip is round";
    EXPECT_FALSE(setField(h, "nothing", 1.0));
}

TEST(Fields, AreCheckedByTheirDeclaration)
{
    EXPECT_EQ(refusal(Handle{}), "");
    auto with = [](auto change) {
        Handle h;
        change(h);
        return refusal(h);
    };
    EXPECT_EQ(with([](Handle& h) { h.length = 5; }), "length_mm: 5 is not accepted; 10 to 300 mm is");
    EXPECT_EQ(with([](Handle& h) { h.tilt = 31; }), "tilt_deg: 31 is not accepted; -30 to 30 ° is");
    EXPECT_EQ(with([](Handle& h) { h.rings = 0; }), "rings: 0 is not accepted; 1 to 9 is");
    EXPECT_EQ(with([](Handle& h) { h.name = std::string(21, 'x'); }), "name: 21 bytes is not accepted; up to 20 are");
    EXPECT_EQ(with([](Handle& h) { h.wood = "moonwood"; }),
              "wood: 'moonwood' is not accepted; the id of a known wood is");
    EXPECT_EQ(with([](Handle& h) { h.woods.clear(); }), "woods: 0 woods is not accepted; 1 to 5 are");
    EXPECT_EQ(with([](Handle& h) { h.notch.depth = -1; }), "notch.depth_mm: -1 is not accepted; 0 to 9 mm is");
    EXPECT_EQ(with([](Handle& h) {
                  h.notches = {{}, {10, {}}};
              }),
              "notches[1].depth_mm: 10 is not accepted; 0 to 9 mm is");
    EXPECT_EQ(with([](Handle& h) { h.notches.resize(5); }), "notches: 5 items is not accepted; up to 4 are");
    EXPECT_EQ(with([](Handle& h) { h.grip = odd::Square{9}; }), "grip.sides: 9 is not accepted; 3 to 8 is");
    EXPECT_NE(with([](Handle& h) { h.length = std::nan(""); }), "");
}

TEST(Fields, AreWrittenReadAndKeepWhatNobodyDeclared)
{
    test::property([] {
        Handle h;
        if (test::coin()) h.grip = odd::Square{};
        test::randomize(h, "");
        for (int k = test::inRange(0, 5); k > 0; --k) h.notches.push_back({k * 1.5, {}});
        h.extra = R"({"engraving":"oar"})";
        std::vector<std::string> notes;
        Handle back;
        io::FieldReader::read(back, io::FieldWriter::written(h), "", notes);
        RC_ASSERT(back == h);
        RC_ASSERT(notes.empty());
    });
    std::vector<std::string> notes;
    Handle some;
    io::FieldReader::read(some, io::Json::parse(R"({"length_mm": 50, "kind": "square", "grip": {}})"), "handle", notes);
    EXPECT_EQ(some.length, 50);
    EXPECT_EQ(std::get<odd::Square>(some.grip).sides, 4);
    EXPECT_EQ(some.rings, Handle{}.rings);
    EXPECT_TRUE(notes.empty()) << "what is left out is as it comes: nothing was put right";
}

TEST(Fields, AreDescribedInTheSchema)
{
    const io::Json schema = io::SchemaWriter::described(Handle{});
    const io::Json& p = schema["properties"];
    EXPECT_EQ(p["length_mm"]["minimum"], 10);
    EXPECT_EQ(p["length_mm"]["description"], "Length: from end to end (mm)");
    EXPECT_EQ(p["rings"]["type"], "integer");
    EXPECT_EQ(p["edge"]["enum"], io::Json({"sharp", "eased"}));
    EXPECT_EQ(p["notches"]["items"]["properties"]["depth_mm"]["maximum"], 9);
    EXPECT_EQ(p["kind"]["enum"], io::Json({"round", "square"}));
    EXPECT_EQ(schema["anyOf"].size(), 2u);
    EXPECT_EQ(schema["anyOf"][1]["properties"]["grip"]["properties"]["sides"]["maximum"], 8);
}

TEST(Fields, AreBroughtIntoTheirLimits)
{
    Handle h;
    h.length = 1e6;
    h.tilt = -90;
    h.rings = 99;
    h.notch.depth = -4;
    h.grip = odd::Square{1};
    clampToLimits(h);
    EXPECT_EQ(refusal(h), "");
    EXPECT_EQ(h.length, 300);
    EXPECT_EQ(h.tilt, -30);
    EXPECT_EQ(std::get<odd::Square>(h.grip).sides, 3);
}

TEST(Fields, OfTheProgramNameTheirUnitAndComeOnceInARecord)
{
    auto expectSound = [](const auto& record) {
        std::set<std::string> paths;
        for (const FieldItem& item : itemsOf(record)) {
            EXPECT_TRUE(paths.insert(item.path).second) << item.path << " is declared twice";
            EXPECT_STRNE(item.field.words, "") << item.path;
            for (const char c : item.path)
                EXPECT_TRUE((c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || c == '_' || c == '.') << item.path;
            if (item.field.kind != Field::Kind::Number) continue;
            EXPECT_LT(item.field.limit.low, item.field.limit.high) << item.path;
            const std::string_view unit = item.field.limit.unit;
            if (unit == "mm") EXPECT_TRUE(item.path.ends_with("_mm")) << item.path;
            if (unit == "°") EXPECT_TRUE(item.path.ends_with("_deg")) << item.path;
            if (unit == "min") EXPECT_TRUE(item.path.ends_with("_min")) << item.path;
        }
    };
    expectSound(Piece{});
    expectSound(Node{});
    expectSound(Shop{});
    expectSound(Board{});
    expectSound(Glue{});
    for (size_t kind = 0; kind < layerKinds().size(); ++kind) expectSound(asKind(Layer{}, kind));
}
