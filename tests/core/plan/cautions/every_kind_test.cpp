// Every kind of caution there is: each raised by a piece and a shop that are a sample but for what is said here.
#include "core/measure/input_error.h"
#include "core/plan/cautions/caution.h"
#include "core/plan/plan.h"
#include "io/piece_json.h"
#include "io/shop_json.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <ostream>
#include <regex>
#include <set>

using namespace vl;
using nlohmann::json;

namespace {

struct Raised {
    const char* kind;
    const char* sample;
    const char* piece = "{}";  ///< places in its file, and what stands there instead
    const char* shop = "{}";
};
void PrintTo(const Raised& r, std::ostream* out) { *out << r.kind; }

const Raised everyKind[] = {
    {"air-sweep", "gull-dish"},
    {"axis-air", "flare-case", R"({"/axes/0/by": "tilt"})"},
    {"axis-band", "oar-grip", R"({"/axes/0/band_mm": 2})"},
    {"axis-wall", "belaying-pin", R"({"/hollow/rule": "even"})"},
    {"band", "flag-bowl", R"({"/layers/3/form/made_up/band_mm": 24})"},
    {"bed-margin", "ballast-dish", R"({"/outside/2/z_mm": 7})"},
    {"beside-jaws", "ballast-bowl", R"({"/choices/sides": "both roughed"})"},
    {"between-centres", "regatta-cup", R"({"/layers/5/thickness_mm": 500, "/layers/6/thickness_mm": 500})"},
    {"beyond", "ballast-bowl", R"({"/layers/0/thickness_mm": 91})"},
    {"blade-radius", "plumb-bob", R"({"/layers/0/kind": "board rings"})"},
    {"bought-deep", "tide-clock", R"({"/bought/0/length_mm": 15.6})"},
    {"bought-filled", "tide-clock", R"({"/holes/0/filled": true})"},
    {"bought-fit", "tide-clock", R"({"/bought/0/diameter_mm": 1})"},
    {"bought-hole", "tide-clock", R"({"/bought/0/hole": "nothing"})"},
    {"centre-head", "belaying-pin", R"({"/axes/0/head_offset_mm": 9})"},
    {"centre-tail", "belaying-pin", R"({"/axes/0/tail_offset_mm": 14})"},
    {"centres-block", "belaying-pin", R"({"/layers/0/kind": "disc"})"},
    {"cone", "ballast-dish", R"({"/layers/0/form/rings": 20})"},
    {"contact", "net-lantern", R"({"/hollow/floor_mm": 48})"},
    {"end-rings", "ballast-bowl", R"({"/choices/ends": "parted ring"})"},
    {"finish-food", "lamp-shade", R"({"/choices/use": "food"})"},
    {"finish-unknown", "ballast-bowl", R"({"/choices/finish": "none-such"})"},
    {"flaw", "buoy-bowl",
     R"({"/flaws": [{"id": "F1", "kind": "crack", "at_mm": 20, "radius_mm": 20, "size_mm": 20}]})"},
    {"flip", "chart-stand", R"({"/layers/0/form/strip_mm": 7})"},
    {"floor", "ballast-bowl", R"({"/hollow/floor_mm": 0})"},
    {"floor-beyond", "ballast-bowl", R"({"/hollow/floor_mm": 96})"},
    {"edge-bark", "ballast-bowl", R"({"/edge": {"kind": "bark"}})"},
    {"falls-back", "ballast-bowl",
     R"({"/outside": [{"z_mm": 4, "r_mm": 0, "span": "line"}, {"z_mm": 4, "r_mm": 20, "span": "line"},
                      {"z_mm": 0, "r_mm": 20, "span": "line"}, {"z_mm": 0, "r_mm": 38}, {"z_mm": 70, "r_mm": 110}],
         "/choices/foot": "recess"})"},
    {"flute-deep", "buoy-bowl", R"({"/outside/1/r_mm": 0})"},
    {"flutes-meet", "buoy-bowl", R"({"/worked/1/count": 96})"},
    {"food-gaps", "net-lantern", R"({"/choices/use": "food"})"},
    {"foot-floor", "ballast-bowl", R"({"/hollow/floor_mm": 0})"},
    {"foot-jaws", "ballast-bowl", R"({"/outside/0/r_mm": 0})"},
    {"gap", "flag-bowl", R"({"/hollow/rule": "solid"})"},
    {"glue", "ballast-dish", R"({"/outside/0/r_mm": 300})"},
    {"glue-block", "flag-bowl", R"({"/choices/holding": "glue block"})"},
    {"grid-beyond", "buoy-bowl", R"({"/decors/0/aspect": 2})"},
    {"grid-index", "buoy-bowl", R"({"/decors/0/plate": 1})"},
    {"grid-lost", "buoy-bowl", R"({"/decors/0/from_mm": 0})"},
    {"grid-none", "buoy-bowl", R"({"/decors/0/spokes": 3})"},
    {"hold", "pilot-box", R"({"/lid/at_mm": 1})"},
    {"hole-air", "tide-clock", R"({"/holes/0/at_mm": 300})"},
    {"hole-beside", "belaying-pin",
     R"({"/holes": [{"id": "H1", "at_mm": 60, "diameter_mm": 28, "ends": "depth", "depth_mm": 5}]})"},
    {"hole-index", "rodded-barrel", R"({"/holes/2/plate": 1})"},
    {"hole-slope", "tide-clock", R"({"/holes/0/into": "side"})"},
    {"hole-under", "tide-clock", R"({"/holes/0/depth_mm": 50})"},
    {"hole-wide", "pilot-box", R"({"/holes": [{"id": "H1", "into": "rim", "diameter_mm": 55, "depth_mm": 5}]})"},
    {"holes-cross", "tide-clock", R"({"/holes/0/count": 2})"},
    {"hung-weight", "plumb-bob", R"({"/outside/1/r_mm": 300})"},
    {"index", "oar-grip", R"({"/axes/0/plate": 1})"},
    {"inlay-end", "ballast-bowl", R"({"/inlays/0/kind": "wall", "/inlays/0/at_mm": 1})"},
    {"inlay-gap", "tide-clock", R"({"/inlays/0/count": 100})"},
    {"inlay-none", "ballast-bowl", R"({"/inlays/0/at_mm": 88})"},
    {"inlay-thin", "tide-clock", R"({"/inlays/0/depth_mm": 24})"},
    {"inlay-wide", "tide-clock", R"({"/inlays/0/width_mm": 1})"},
    {"inside", "belaying-pin", R"({"/hollow/rule": "even"})"},
    {"lean-floor", "ballast-dish", R"({"/lean": {"angle_deg": 25}})"},
    {"lean-tips", "regatta-cup", R"({"/lean": {"angle_deg": 25}})"},
    {"legs-floor", "buoy-bowl", R"({"/hollow/floor_mm": 0})"},
    {"legs-grain", "buoy-bowl", R"({"/worked/0/thick_mm": 2})"},
    {"legs-meet", "buoy-bowl", R"({"/outside/0/r_mm": 0})"},
    {"legs-narrow", "buoy-bowl", R"({"/worked/0/thick_mm": 2})"},
    {"legs-two", "buoy-bowl", R"({"/worked/0/count": 2})"},
    {"let-in", "flag-bowl", R"({"/layers/0/form/plug": true})"},
    {"let-in-open", "net-lantern", R"({"/layers/1/kind": "let-in base"})"},
    {"let-in-wide", "belaying-pin", R"({"/layers/0/kind": "let-in base"})"},
    {"lid-blank", "pilot-box", R"({"/hollow/rule": "bored"})"},
    {"lid-place", "pilot-box", R"({"/lid/at_mm": 1})"},
    {"lid-top", "pilot-box", R"({"/lid/top_mm": 1})"},
    {"lid-wall", "pilot-box", R"({"/lid/wall_mm": 30})"},
    {"living-edge", "gull-dish"},
    {"middle", "ballast-dish", R"({"/layers/0/form/board/widths_mm": [40, 50, 60, 50, 40]})"},
    {"mount-speed", "oar-grip", "{}", R"({"/lowest_rpm": 3000, "/highest_rpm": 3500})"},
    {"mount-swing", "belaying-pin", R"({"/axes/0/tail_offset_mm": 190})"},
    {"narrow", "lamp-stand", R"({"/layers/0/thickness_mm": 80})"},
    {"nest-blade", "porthole-bangles", R"({"/nest/smallest_mm": 7})"},
    {"nest-cut", "porthole-bangles",
     R"({"/sawn": [{"id": "S1", "curve": [{"z_mm": 0, "r_mm": 20}, {"z_mm": 10, "r_mm": 30}]}]})"},
    {"nest-none", "porthole-bangles", R"({"/nest/largest_mm": 7})"},
    {"nest-wide", "porthole-bangles", R"({"/outside/0/r_mm": 0})"},
    {"opening-bridge", "lamp-shade", R"({"/outside/2/r_mm": 0})"},
    {"opening-floor", "lamp-shade", R"({"/hollow/floor_mm": 80})"},
    {"opening-grain", "lamp-shade", R"({"/worked/0/direction_deg": 10})"},
    {"opening-none", "lamp-shade", R"({"/worked/0/from_mm": 0, "/worked/0/to_mm": 1})"},
    {"opening-reach", "lamp-shade", R"({"/worked/0/from_mm": 10, "/worked/0/to_mm": 110})",
     R"({"/fret_reach_mm": 20})"},
    {"no-tenon", "flare-case", R"({"/hollow/rule": "even", "/choices/foot": "recess"})"},
    {"overlap", "lamp-stand", R"({"/hollow/bore_mm": 80})"},
    {"pattern-lost", "ballast-dish", R"({"/layers/0/form/rotate_deg": 1})"},
    {"pith", "ballast-bowl", R"({"/layers/0/form/pith": true})"},
    {"point", "lamp-stand", R"({"/hollow/bore_mm": 1})"},
    {"post", "spyglass-barrel", R"({"/hollow/bore_mm": 22})"},
    {"reach-height", "ballast-bowl", R"({"/layers/0/thickness_mm": 1})"},
    {"reach-inside", "ballast-dish", R"({"/hollow/floor_mm": 22})"},
    {"reach-outside", "chart-stand", R"({"/layers/0/form/row_mm": 2})"},
    {"rest-base", "ballast-bowl", R"({"/outside/1/r_mm": 176})"},
    {"reversed-closed", "oar-grip", R"({"/layers/0/kind": "inside out"})"},
    {"reversed-core", "signal-lantern", R"({"/layers/0/form/core_mm": 39})"},
    {"reversed-edge", "signal-lantern", R"({"/layers/0/form/ends_mm": 1})"},
    {"reversed-hollow", "signal-lantern", R"({"/hollow/rule": "bored"})"},
    {"reversed-joint", "signal-lantern", R"({"/outside/0/r_mm": 34})"},
    {"reversed-none", "signal-lantern", R"({"/layers/0/form/to_mm": 0})"},
    {"reversed-thin", "signal-lantern", R"({"/hollow/least_wall_mm": 7})"},
    {"rod-cut", "rodded-barrel", R"({"/holes/0/beside_mm": 0})"},
    {"rod-short", "rodded-barrel", R"({"/holes/0/ends": "depth", "/holes/0/depth_mm": 3})"},
    {"rough-blank", "ballast-bowl",
     R"({"/layers/0/form/moisture_percent": 40, "/layers/0/form/wet": "turned twice",
         "/layers/0/outer_allowance_mm": 0})"},
    {"saw-floor", "keel-stand", R"({"/sawn/0/curve/0/r_mm": 30})"},
    {"saw-grip", "keel-stand", R"({"/sawn/0/when": "twice"})"},
    {"saw-leg", "pilot-box", R"({"/sawn/0/curve/1/z_mm": 40})"},
    {"saw-radius", "gull-dish", R"({"/sawn/0/curve/0/r_mm": 0})"},
    {"seam", "flag-bowl", R"({"/layers/0/form/segments": 3})"},
    {"season", "flag-bowl", R"({"/layers/0/kind": "disc"})"},
    {"sharp-tip", "plumb-bob", R"({"/choices/use": "worn", "/outside/0/r_mm": 0.5, "/outside/1/r_mm": 2})"},
    {"sheet", "ballast-bowl", R"({"/layers/0/kind": "sheet"})"},
    {"short", "flag-bowl", R"({"/layers/0/form/segments": 48})"},
    {"short-grain", "belaying-pin", R"({"/layers/0/kind": "disc"})"},
    {"slant", "flag-bowl", R"({"/layers/5/form/made_up/rise_mm": 100})"},
    {"small-part", "rolling-float",
     R"({"/choices/use": "children", "/split/on": false, "/layers/0/thickness_mm": 30,
         "/outside": [{"z_mm": 0, "r_mm": 10}, {"z_mm": 30, "r_mm": 12}]})"},
    {"speed", "regatta-cup", "{}", R"({"/lowest_rpm": 3000, "/highest_rpm": 3500})"},
    {"split-hollow", "rolling-float", R"({"/hollow/rule": "even"})"},
    {"split-stack", "rolling-float",
     R"({"/layers/0/thickness_mm": 40, 
         "/layers/1": {"id": "L2", "thickness_mm": 40, "woods": ["maple"], "kind": "block", "form": {}}})"},
    {"split-step", "rolling-float", R"({"/outside/0/r_mm": 1})"},
    {"split-waste", "rolling-float", R"({"/layers/0/parted_from_mm": 1})"},
    {"stave-thick", "lamp-stand", R"({"/layers/2/outer_allowance_mm": 100})"},
    {"swing", "ballast-bowl", R"({"/outside/0/r_mm": 300})"},
    {"table", "ballast-dish", R"({"/layers/0/form/angle_deg": 22.5})"},
    {"tenon-grain", "ballast-dish",
     R"({"/forms": [{"id": "N1", "kind": "tenon", "end": "foot", "diameter_mm": 20, "length_mm": 12}]})"},
    {"tenon-shoulder", "boathook-grip",
     R"({"/forms": [{"id": "N1", "kind": "tenon", "end": "foot", "diameter_mm": 33, "length_mm": 12}]})"},
    {"tenon-wide", "plumb-bob", R"({"/forms/0/at_mm": 0})"},
    {"thin", "flag-bowl", R"({"/layers/2/thickness_mm": 3})"},
    {"tip", "ballast-bowl", R"({"/outside/0/r_mm": 0})"},
    {"tool-length", "ballast-dish", R"({"/layers/0/form/tool": "parting tool"})", R"({"/parting_reach_mm": 24})"},
    {"waist", "ballast-bowl", R"({"/outside/1/r_mm": 0})"},
    {"wall", "ballast-bowl", R"({"/hollow/rim_wall_mm": 1})"},
    {"wet-block", "ballast-bowl", R"({"/layers/0/form/moisture_percent": 13})"},
    {"wood-unknown", "ballast-bowl", R"({"/layers/0/woods": ["unknown"]})"},
    {"worked-air", "buoy-bowl", R"({"/outside/1/z_mm": 28})"},
    {"worked-axes", "oar-grip",
     R"({"/worked": [{"id": "W1", "kind": "facets", "from_mm": 20, "to_mm": 100, "count": 6, "depth_mm": 3}]})"},
    {"worked-core", "oar-grip",
     R"({"/worked": [{"id": "W1", "kind": "facets", "from_mm": 20, "to_mm": 100, "count": 4, "depth_mm": 15}]})"},
    {"worked-index", "buoy-bowl", R"({"/worked/0/count": 7})"},
    {"worked-none", "buoy-bowl", R"({"/outside/2/r_mm": 0})"},
    {"worked-wall", "buoy-bowl", R"({"/hollow/rim_wall_mm": 1})"},
    {"worn-bore", "spyglass-barrel", R"({"/choices/use": "worn"})"},
    {"worn-weight", "ballast-bowl", R"({"/choices/use": "worn"})"},
    {"wrap", "ballast-bowl", R"({"/layers/0/kind": "post wrap"})"},
    {"zigzag", "flag-bowl", R"({"/layers/5/form/segments": 11})"},
};

/// A file with other values at some of its places.
std::string changed(const std::string& file, const char* changes)
{
    json all = json::parse(file);
    const json others = json::parse(changes);
    for (const auto& [place, value] : others.items()) all[json::json_pointer(place)] = value;
    return all.dump();
}

/// The kinds that the sources name.
std::set<std::string> kindsInSources()
{
    const std::regex making(R"((?:\bin\.at|\bat(?:Place|Hole|Axis|Sawn|Worked|Mount|Lid)|\bcalled|\babout|\bsay)\()"
                            R"(\s*(?:in,\s*)?(?:[\w.]+ \? )?((?:"[a-z-]+"(?: : )?)+))"),
        made(R"(\.kind = "([a-z-]+)\")"), name(R"("([a-z-]+)\")");
    std::set<std::string> kinds;
    for (const char* folder : {"core/plan/cautions", "core/constructions"})
        for (const auto& entry : std::filesystem::directory_iterator(std::string(VIVID_SOURCE) + "/" + folder)) {
            const std::string text = test::sourceFile(std::filesystem::relative(entry.path(), VIVID_SOURCE).string());
            for (std::sregex_iterator it(text.begin(), text.end(), making), end; it != end; ++it) {
                const std::string names = (*it)[1];
                for (std::sregex_iterator n(names.begin(), names.end(), name); n != end; ++n) kinds.insert((*n)[1]);
            }
            for (std::sregex_iterator it(text.begin(), text.end(), made), end; it != end; ++it) kinds.insert((*it)[1]);
        }
    return kinds;
}

}  // namespace

class EveryKind : public testing::TestWithParam<Raised> {};

TEST_P(EveryKind, OfCautionIsRaisedAndLeftByItsFixes)
{
    const Raised& r = GetParam();
    std::vector<std::string> notes;
    const Shop shop = io::readShop(changed(io::writeShop(Shop{}), r.shop), notes);
    const Piece piece = io::readPiece(changed(io::writePiece(test::demo(r.sample)), r.piece)).piece;
    const Plan plan = makePlan(piece, shop);
    const auto raised = std::ranges::find(plan.cautions, r.kind, &Caution::kind);
    ASSERT_NE(raised, plan.cautions.end());
    EXPECT_TRUE(raised->id.starts_with(r.kind));
    EXPECT_FALSE(raised->message.empty());
    EXPECT_FALSE(raised->at.empty());
    EXPECT_TRUE(std::isfinite(raised->measure) && std::isfinite(raised->limit));
    if (raised->level == Level::Stop) EXPECT_FALSE(raised->fixes.empty()) << "a stop says how to go on";
    for (const Fix& fix : raised->fixes) {
        const Plan after = makePlan(fix.apply(piece), shop);
        const auto still = std::ranges::find(after.cautions, raised->id, &Caution::id);
        if (still == after.cautions.end()) continue;
        // One that helps only a little must help.
        const double before = std::abs(raised->measure - raised->limit), now = std::abs(still->measure - still->limit);
        if (before > 0) EXPECT_LT(now, before) << print(fix.label) << " does not help against " << raised->id;
    }
}

INSTANTIATE_TEST_SUITE_P(Table, EveryKind, testing::ValuesIn(everyKind), [](const auto& one) {
    std::string name = one.param.kind;
    std::ranges::replace(name, '-', '_');
    return name;
});

TEST(EveryKindOfCaution, SaysThatNoOrderHoldsAPiece)
{
    // No piece that is known asks for it: the search is said to have failed.
    const Piece piece = test::demo("flare-case");
    Plan plan = makePlan(piece, {});
    plan.mounts.front().held.served = false;
    const std::vector<Caution> all = cautionsOf(piece, {}, plan);
    const auto raised = std::ranges::find(all, "unheld", &Caution::kind);
    ASSERT_NE(raised, all.end());
    EXPECT_EQ(raised->level, Level::Stop);
    EXPECT_FALSE(raised->fixes.empty());
}

TEST(EveryKindOfCaution, HasACase)
{
    std::set<std::string> cases{"unheld"};
    for (const Raised& r : everyKind) EXPECT_TRUE(cases.insert(r.kind).second) << r.kind << " is there twice";
    const std::set<std::string> kinds = kindsInSources();
    EXPECT_GT(kinds.size(), 120u);
    for (const std::string& k : kinds) EXPECT_TRUE(cases.contains(k)) << k << " has no case";
    for (const std::string& k : cases) EXPECT_TRUE(kinds.contains(k)) << k << " is no kind";
}
