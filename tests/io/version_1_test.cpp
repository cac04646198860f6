// Files of version 1 open, save as version 2, and say the same.
#include "core/plan/plan.h"
#include "io/files.h"
#include "io/json_reader.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <filesystem>
#include <set>

using namespace vl;
using io::Json;

namespace {

std::vector<std::string> oldFiles()
{
    std::vector<std::string> all;
    for (const auto& entry : std::filesystem::directory_iterator(std::string(VIVID_SOURCE) + "/tests/data/version-1"))
        all.push_back(entry.path().string());
    std::ranges::sort(all);
    return all;
}

/// A version 1 piece of two rings on a disc, for what the samples do not hold.
Json small()
{
    return Json::parse(R"({
  "format": "vivid-lathe-piece",
  "version": 1,
  "name": "small",
  "notes": "",
  "outside": [
    {"z_mm": 0, "r_mm": 40, "span": "line", "bulge": 0, "smooth": false},
    {"z_mm": 60, "r_mm": 50, "span": "line", "bulge": 0, "smooth": false}
  ],
  "hollow": {
    "rule": "even",
    "rim_wall_mm": 6,
    "base_wall_mm": 9,
    "floor_mm": 10,
    "floor_round_mm": 8,
    "least_wall_mm": 4,
    "inside": []
  },
  "layers": [
    {
      "kind": "disc",
      "thickness_mm": 12,
      "segments": 12,
      "woods": ["walnut"],
      "turn": 0.5,
      "outer_allowance_mm": 2,
      "inner_allowance_mm": 2,
      "sanding_loss_mm": 0.4,
      "brand": {"burnt": true}
    },
    {
      "kind": "ring",
      "thickness_mm": 24,
      "segments": 8,
      "woods": ["maple"],
      "turn": 0,
      "outer_allowance_mm": 2,
      "inner_allowance_mm": 2,
      "sanding_loss_mm": 0.4,
      "joint": {
        "kind": "spacer",
        "width_mm": 2.5,
        "angle_deg": 4,
        "wood": "holly",
        "why": "bright"
      }
    },
    {
      "kind": "billet",
      "thickness_mm": 24,
      "segments": 5,
      "woods": ["ash"],
      "turn": 0.5,
      "outer_allowance_mm": 2,
      "inner_allowance_mm": 2,
      "sanding_loss_mm": 0.4,
      "corners_off": false,
      "slope_deg": 4
    }
  ],
  "choices": {
    "cutting": "wedge sled",
    "sled_run_mm": 300,
    "end_waste_mm": 25,
    "trial_gap_mm": 0.4,
    "trial_ring": 1,
    "closing": "half rings",
    "stations": "even",
    "station_spacing_mm": 10
  },
  "glues": [{"step": "glue-2", "glue": "white"}, {"step": "stack-3", "glue": "epoxy-5"}],
  "progress": {
    "start_min": 29928960,
    "done": [
      {"step": "cut-2", "start_min": 29929000, "end_min": 29929010},
      {"step": "wait-2", "start_min": 29929020, "end_min": 29929030},
      {"step": "true-1-face", "start_min": 29929040, "end_min": 29929050},
      {"step": "rough", "start_min": 29929060, "end_min": 29929070}
    ],
    "moved": [{"step": "set-2", "from_min": 29930000}],
    "strips": [
      {
        "board": "B1",
        "x_mm": 0,
        "y_mm": 0,
        "length_mm": 400,
        "width_mm": 30,
        "thickness_mm": 24.8,
        "runs": [{"part": "L2-maple", "count": 8}]
      }
    ]
  }
})");
}

}  // namespace

TEST(Version1, EverySampleOpensSavesAsVersionTwoAndReopensTheSame)
{
    ASSERT_EQ(oldFiles().size(), 9u);
    for (const std::string& path : oldFiles()) {
        const io::LoadedPiece old = io::loadPiece(path);
        EXPECT_TRUE(old.notes.empty()) << path << ": " << old.notes.front();
        const std::string text = io::writePiece(old.piece);
        EXPECT_EQ(Json::parse(text)["version"], 2);
        const io::LoadedPiece again = io::readPiece(text);
        EXPECT_TRUE(again.notes.empty()) << path;
        EXPECT_EQ(again.piece, old.piece) << path;
        EXPECT_EQ(io::writePiece(again.piece), text);
        EXPECT_EQ(io::loadPiece(path).piece.id, old.piece.id) << "the id that it gets is always the same";
    }
}

TEST(Version1, TheSamplesOfTodayAreTheSamePieces)
{
    for (const std::string& path : oldFiles()) {
        Piece old = io::loadPiece(path).piece, now = test::demo(std::filesystem::path(path).stem().string());
        EXPECT_EQ(old.name, now.name) << path;
        EXPECT_EQ(old.outside, now.outside) << path;
        // What has been put right in a sample since is its build; those that needed nothing are as they were.
        old.id = now.id;
        old.choices.stands = now.choices.stands;
        for (const char* same : {"chart-stand", "porthole-bangles", "boathook-grip", "spyglass-barrel"})
            if (path.find(same) != std::string::npos) EXPECT_EQ(old, now) << path;
    }
}

TEST(Version1, NamesLayersStepsAndPartsByTheirIds)
{
    const io::LoadedPiece loaded = io::readPiece(small().dump());
    const Piece& p = loaded.piece;
    EXPECT_TRUE(loaded.notes.empty()) << loaded.notes.front();
    ASSERT_EQ(p.layers.size(), 3u);
    EXPECT_TRUE(p.layers[0].is<DiscForm>());
    ASSERT_TRUE(p.layers[1].is<RingForm>());
    EXPECT_EQ(p.layers[1].ring()->segments, 8);
    EXPECT_EQ(p.layers[1].ring()->joint.width, 2.5);
    EXPECT_EQ(*p.layers[2].counted(), 5);
    EXPECT_FALSE(p.layers[2].as<BilletForm>()->cornersOff);
    EXPECT_EQ(p.choices.trialRing, "L2");
    EXPECT_EQ(p.choices.trialGap, 0.4);
    EXPECT_EQ(p.glues[0].step, "glue-L2");
    EXPECT_EQ(p.glues[1].step, "stack-L3");
    std::vector<std::string> done;
    for (const StepDone& d : p.progress.done) done.push_back(d.step);
    EXPECT_EQ(done, (std::vector<std::string>{"cut-L2", "glue-wait-L2", "true-face-L1", "rough"}));
    EXPECT_EQ(p.progress.moved[0].step, "stack-wait-L2");
    // Every name is one that the plan has.
    const Plan plan = makePlan(p, {});
    for (const std::string& id : done)
        EXPECT_NE(std::ranges::find(plan.assembly.recipe, id, &Step::id), plan.assembly.recipe.end()) << id;
    EXPECT_NE(std::ranges::find(plan.assembly.parts, p.progress.strips[0].runs[0].part, &Part::id),
              plan.assembly.parts.end());
    // What a newer version of the first had added is kept where it stood.
    const Json back = Json::parse(io::writePiece(p));
    EXPECT_EQ(back["layers"][0]["brand"]["burnt"], true);
    EXPECT_EQ(back["layers"][1]["form"]["joint"]["why"], "bright");
    EXPECT_FALSE(back["layers"][2].contains("slope_deg")) << "a billet has no slope";
}

TEST(Version1, ATrialRingBeyondTheLastLayerIsForgotten)
{
    Json j = small();
    j["choices"]["trial_ring"] = 9;
    const io::LoadedPiece loaded = io::readPiece(j.dump());
    EXPECT_EQ(loaded.notes.size(), 1u);
    EXPECT_EQ(loaded.piece.choices.trialRing, "");
    EXPECT_EQ(loaded.piece.choices.trialGap, 0);
}

TEST(Version2, LayersWithoutIdsGetTheirOwn)
{
    Json j = Json::parse(io::writePiece(test::regattaCup()));
    j["layers"][3].erase("id");
    j["layers"][5]["id"] = j["layers"][4]["id"];
    const io::LoadedPiece loaded = io::readPiece(j.dump());
    EXPECT_EQ(loaded.notes.size(), 1u) << "the id that is there twice";
    std::set<std::string> ids;
    for (const Layer& l : loaded.piece.layers) EXPECT_TRUE(!l.id.empty() && ids.insert(l.id).second);
    j["layers"][5]["id"] = "no/such";
    EXPECT_THROW(io::readPiece(j.dump()), InputError);
}

TEST(Version2, TheSchemaInTheDocsIsTheProgramsOwn)
{
    EXPECT_EQ(test::sourceFile("docs/piece.schema.json"), io::pieceSchema())
        << "write it anew: vivid-lathe-cli schema > docs/piece.schema.json";
}

TEST(Version1, StepsThatHaveAnotherNameNowAreFoundByIt)
{
    // Each with the layer's kind, its name in version 1 and the one it has today; every one of them is in the plan.
    struct Case {
        const char *sample, *old, *now;
    };
    for (const Case& c :
         {Case{"chart-stand", "glue-1", "glue-board-L1"}, Case{"chart-stand", "wait-1", "glue-board-wait-L1"},
          Case{"chart-stand", "wait-rows-1", "glue-rows-wait-L1"}, Case{"lamp-stand", "flatten-1", "let-in-L1"},
          Case{"lamp-stand", "flatten-ring-1", "flatten-L1"}, Case{"lamp-stand", "wait-3", "glue-wait-L3"},
          Case{"ballast-dish", "wait-board-1", "glue-board-wait-L1"},
          Case{"ballast-dish", "saw-rings-1", "saw-rings-L1"}, Case{"boathook-grip", "corners-1", "corners-L1"},
          Case{"flag-bowl", "panel-wait-4", "panel-wait-L4"}, Case{"porthole-bangles", "ring-2", "ring-2"},
          Case{"regatta-cup", "set-7", "stack-wait-L7"}}) {
        Json j = Json::parse(test::sourceFile(std::string("tests/data/version-1/") + c.sample + ".vlathe"));
        j["progress"] = {{"done", {{{"step", c.old}, {"start_min", 1}, {"end_min", 2}}}}};
        const Piece p = io::readPiece(j.dump()).piece;
        EXPECT_EQ(p.progress.done[0].step, c.now) << c.sample;
        const Plan plan = makePlan(p, test::harbourShop());
        EXPECT_EQ(std::ranges::count(plan.schedule.done, true), 1) << c.sample << " " << c.now;
    }
}
