// What is exported is read back and compared: DXF by dxflib, SVG and CSV by their own text, the plan by its contract.
#include "io/csv.h"
#include "io/dxf.h"
#include "io/files.h"
#include "io/plan_json.h"
#include "io/svg.h"
#include "tests/support/samples.h"

#include <dxflib/dl_creationadapter.h>
#include <dxflib/dl_dxf.h>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <cmath>
#include <filesystem>
#include <map>
#include <regex>
#include <set>

using namespace vl;

namespace {

class DxfLines : public DL_CreationAdapter {
public:
    void addPolyline(const DL_PolylineData&) override { current = &lines[getAttributes().getLayer()]; }
    void addVertex(const DL_VertexData& v) override { current->emplace_back(v.x, v.y); }
    std::map<std::string, Polyline> lines;

private:
    Polyline* current = nullptr;
};

Polyline svgPath(const std::string& svg, const std::string& id)
{
    Polyline line;
    std::smatch found;
    if (!std::regex_search(svg, found, std::regex("id=\"" + id + "\" d=\"([^\"]*)\""))) return line;
    const std::string d = found[1];
    const std::regex pair("([-0-9.]+),([-0-9.]+)");
    for (auto it = std::sregex_iterator(d.begin(), d.end(), pair); it != std::sregex_iterator(); ++it)
        line.emplace_back(std::stod((*it)[1]), std::stod((*it)[2]));
    return line;
}

}  // namespace

TEST(Dxf, ReadsBackAsTheProfile)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    const std::string path = (std::filesystem::temp_directory_path() / "vlathe-test.dxf").string();
    io::writeDxf(plan.surfaces, path);
    DxfLines back;
    DL_Dxf reader;
    ASSERT_TRUE(reader.in(path, &back));
    for (const auto& [layer, line] :
         {std::pair{"OUTSIDE", &plan.surfaces.outside}, {"INSIDE", &plan.surfaces.inside}}) {
        ASSERT_EQ(back.lines[layer].size(), line->size());
        for (size_t i = 0; i < line->size(); ++i) EXPECT_LT((back.lines[layer][i] - (*line)[i]).norm(), 1e-6);
    }
    std::filesystem::remove(path);
}

TEST(Svg, IsTheProfileAtFullSize)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    const std::string svg = io::writeSvg(plan.surfaces);
    const Polyline outside = svgPath(svg, "outside"), axis = svgPath(svg, "axis");
    ASSERT_EQ(outside.size(), plan.surfaces.outside.size());
    ASSERT_EQ(axis.size(), 2u);
    for (size_t i = 0; i < outside.size(); ++i) {
        EXPECT_NEAR(outside[i].x(), plan.surfaces.outside[i].x(), 1e-4);
        EXPECT_NEAR(axis[0].y() - outside[i].y(), plan.surfaces.outside[i].y(), 1e-4);
    }
    std::smatch size;
    ASSERT_TRUE(std::regex_search(
        svg, size,
        std::regex("width=\"([0-9.]+)mm\" height=\"([0-9.]+)mm\" viewBox=\"[-0-9.]+ [-0-9.]+ ([0-9.]+) ([0-9.]+)\"")));
    EXPECT_EQ(size[1], size[3]) << "one unit is one millimeter";
    EXPECT_EQ(size[2], size[4]);
}

TEST(Csv, HasALineForEachPartAndStation)
{
    const Plan plan = makePlan(test::regattaCup(), {});
    const std::string csv = io::writeCsv(plan);
    const auto lines = static_cast<size_t>(std::count(csv.begin(), csv.end(), '\n'));
    EXPECT_EQ(lines, plan.assembly.parts.size() + plan.stations.size() + 3);
    EXPECT_NE(csv.find("L14-walnut,black walnut segment of ring 11,6,walnut,11,"), std::string::npos)
        << csv.substr(0, 400);
    EXPECT_EQ(io::csvField("a \"b\", c"), "\"a \"\"b\"\", c\"");
}

TEST(PlanJson, HasEveryKeyOfTheContract)
{
    const Piece cup = test::regattaCup();
    const auto plan = nlohmann::json::parse(io::writePlan(cup, {}, makePlan(cup, {}), {}));
    const std::map<std::string, std::set<std::string>> wanted{
        {"/parts/0",
         {"id", "name", "count", "species", "length_mm", "width_mm", "thickness_mm", "end_cuts", "grain", "layer",
          "volume_mm3"}},
        {"/cuts", {"boards", "needed", "yield", "lower_bound", "shortfall"}},
        {"/cuts/needed/0", {"species", "thickness_mm", "strip_width_mm", "strip_length_mm", "volume_mm3"}},
        {"/steps/0",
         {"id", "action", "title", "inputs", "outputs", "after", "why", "work_min", "wait_min", "uses", "start",
          "end"}},
        {"/stations/0", {"z_mm", "outside_diameter_mm", "inside_diameter_mm", "wall_mm"}},
        {"", {"format", "piece", "parts", "cuts", "steps", "stations", "lathe", "cautions"}},
    };
    for (const auto& [at, keys] : wanted)
        for (const std::string& key : keys)
            EXPECT_TRUE(plan[nlohmann::json::json_pointer(at)].contains(key)) << at << " has no " << key;
    EXPECT_EQ(plan["parts"][1]["end_cuts"].size(), 2u);
    EXPECT_DOUBLE_EQ(plan["parts"][1]["end_cuts"][0]["miter_deg"], 15.0);
    EXPECT_TRUE(plan["stations"][0]["inside_diameter_mm"].is_null());
}
