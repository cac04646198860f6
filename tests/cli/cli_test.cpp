// The command line as a script uses it: the real program, its exit status, its standard output and error.
#include "tests/support/samples.h"

#include <QDir>
#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>
#include <set>

namespace {

const QString program = qEnvironmentVariable("VIVID_CLI", VIVID_CLI);

struct Outcome {
    int status;
    std::string out, err;
    nlohmann::json json() const { return nlohmann::json::parse(out); }
};

Outcome run(const QStringList& arguments)
{
    QProcess process;
    process.start(program, arguments);
    process.waitForFinished(120000);
    EXPECT_EQ(process.exitStatus(), QProcess::NormalExit) << "it crashed";
    return {process.exitCode(), process.readAllStandardOutput().toStdString(),
            process.readAllStandardError().toStdString()};
}

const QString cup = VIVID_SOURCE "/demo/regatta-cup.vlathe";

}  // namespace

TEST(Cli, PlansThePiece)
{
    const Outcome r = run({"plan", cup});
    EXPECT_EQ(r.status, 0);
    EXPECT_EQ(r.err, "");
    EXPECT_EQ(r.json()["format"], "vivid-lathe-plan");
    EXPECT_EQ(r.json()["piece"]["height_mm"], 268.0);
    EXPECT_EQ(r.json()["parts"].size(), 17u);
}

TEST(Cli, ChecksAndStops)
{
    QTemporaryDir folder;
    EXPECT_EQ(run({"check", cup}).status, 0);
    auto piece = nlohmann::json::parse(vl::test::sourceFile("demo/regatta-cup.vlathe"));
    piece["layers"].erase(14);
    const QString path = folder.filePath("short.vlathe");
    QFile file(path);
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(piece.dump().c_str());
    file.close();
    const Outcome stopped = run({"check", path});
    EXPECT_EQ(stopped.status, 4);
    EXPECT_NE(stopped.out.find("stop: top of the stack: the stack ends 16.0 mm short"), std::string::npos)
        << stopped.out;
    EXPECT_EQ(run({"plan", path}).status, 4);
    QFile shop(folder.filePath("shop.json"));
    ASSERT_TRUE(shop.open(QIODevice::WriteOnly));
    shop.write(R"({"format":"vivid-lathe-shop","swing_radius_mm":60})");
    shop.close();
    EXPECT_NE(run({"check", cup, "--shop", shop.fileName()}).out.find("strike the bed"), std::string::npos);
}

TEST(Cli, AnswersBadWordsWithTwoAndBadInputWithThree)
{
    QTemporaryDir folder;
    QFile bad(folder.filePath("bad.vlathe"));
    ASSERT_TRUE(bad.open(QIODevice::WriteOnly));
    bad.write("{\"format\": \"vivid-lathe-piece\", \"outside\": 3}");
    bad.close();
    for (const QStringList& words : {QStringList{},
                                     {"plan"},
                                     {"dance", cup},
                                     {"packet", cup},
                                     {"packet", cup, "--out", "/tmp/x.txt"},
                                     {"export", cup, "--out", "/tmp/x.stp"},
                                     {"reckon", "teapot"},
                                     {"reckon", "ring", "sides"},
                                     {"reckon", "ring", "slides=3"},
                                     {"reckon", "ring", "sides=3", "sides=4"}})
        EXPECT_EQ(run(words).status, 2) << words.join(' ').toStdString();
    for (const QStringList& words :
         {QStringList{"plan", bad.fileName()},
          {"plan", "/no/such/file"},
          {"check", "/tmp"},
          {"packet", cup, "--out", "/no/such/folder/x.pdf"},
          {"export", cup, "--out", "/no/such/folder/x.dxf"},
          {"reckon", "ring", "sides=2", "outer=200", "inner=160"},
          {"reckon", "ring", "sides=12", "outer=x", "inner=160"},
          {"reckon", "ring", "sides=12"},
          {"reckon", "speed", "diameter=0"},
          {"reckon", "ellipse"},
          {"reckon", "section", "stock=oval", "size=80"},
          {"reckon", "section", "stock=round", "size=80", "axis=8,0"},
          {"reckon", "section", "stock=round", "size=20", "axis=40,0,5"},
          {"reckon", "index", "divisions=5", "holes=12", "start=12"},
          {"reckon", "grid", "divisions=8", "outer=75", "aspect=3", "rings=2"},
          {"reckon", "sphere", "diameter=100", "facets=12"},
          {"reckon", "mount", "kind=glue", "diameter=50", "depth=8", "overhang=100", "load=300"},
          {"reckon", "closing-gap", "sides=12"},
          {"reckon", "stave", "sides=8"},
          {"reckon", "stave", "sides=8", "slope=95"},
          {"reckon", "stave", "sides=8", "slope=5", "top=100"},
          {"reckon", "board-rings", "board=20", "wall=19", "kerf=3", "outer=200", "base=60"},
          {"reckon", "board-rings", "board=20", "angle=45", "kerf=3", "outer=200", "base=300"},
          {"reckon", "closing-gap", "sides=12", "miter_error=20", "outer=200"},
          {"reckon", "closing-gap", "sides=12", "miter_error=0.1", "outer=0"},
          {"reckon", "closing-gap", "sides=12", "gap=-0.5", "outer=200"},
          {"reckon", "closing-gap", "sides=12", "gap=-0.5", "outer=200", "inner=210"},
          {"reckon", "closing-gap", "sides=12", "gap=300", "outer=200"},
          {"reckon", "stave", "sides=8", "slope=1,250"},
          {"reckon", "speed", "diameter=100", "mass_kg=2"},
          {"reckon", "speed", "diameter=100", "mass_kg=-2", "offset=1"},
          {"reckon", "post-wrap", "side=40", "wrap=20", "bore=90"},
          {"reckon", "inside-out", "square=25", "turned=40", "outside=24"},
          {"reckon", "inside-out", "square=25", "turned=10", "outside=20"},
          {"reckon", "split", "fold=2", "size=80", "band=9"},
          {"reckon", "split", "fold=4", "size=80", "band=90"},
          {"reckon", "rim-inlay", "centre_diameter=100", "pieces=10,200"},
          {"reckon", "rim-inlay", "centre_diameter=100", "pieces=10,,4"},
          {"reckon", "rods", "length=150", "width=30", "rod=6,40,90"},
          {"reckon", "rods", "length=150", "width=30", "rod=6,40,0,0,0"},
          {"reckon", "rods", "length=150", "width=30", "rod=6,40,90,0,20"},
          {"reckon", "rods", "length=150", "width=30", "bore=40", "rod=6,40,90,0,0"},
          {"reckon", "plug", "hole=8", "length=20", "clearance=9"},
          {"reckon", "emc", "temperature=20", "humidity=120"},
          {"reckon", "ring-odds", "sides=12", "angle_sd=-1", "outer=200", "gap=0.1"},
          {"reckon", "dry", "initial=60", "equilibrium=8", "now=70", "days=10", "target=12"},
          {"reckon", "dry", "initial=60", "equilibrium=8", "now=20", "days=10", "target=6"}}) {
        const Outcome r = run(words);
        EXPECT_EQ(r.status, 3) << words.join(' ').toStdString();
        EXPECT_EQ(std::count(r.err.begin(), r.err.end(), '\n'), 1) << r.err;
        EXPECT_EQ(r.out, "");
    }
    EXPECT_NE(run({"plan", bad.fileName()}).err.find("outside: 3 is not accepted"), std::string::npos);
}

TEST(Cli, ExportsWhatTheEndingSays)
{
    QTemporaryDir folder;
    for (const char* ending : {"dxf", "svg", "csv", "ics"}) {
        const QString path = folder.filePath(QString("cup.%1").arg(ending));
        EXPECT_EQ(run({"export", cup, "--out", path}).status, 0);
        EXPECT_GT(QFile(path).size(), 1000);
    }
    EXPECT_EQ(QDir(folder.path()).entryList(QDir::Files).size(), 4) << "no half-written files are left";
}

// CHECKS.md: plane geometry; common practice for speed; the ellipse's equation.
TEST(Cli, ReckonsTheCheckValues)
{
    const auto ring = run({"reckon", "ring", "sides=24", "outer=300mm", "inner=26cm", "allowance=2"}).json();
    EXPECT_NEAR(ring["outer_edge_mm"], 40.0224, 5e-5);
    EXPECT_NEAR(ring["board_width_mm"], 25.0951, 5e-5);
    EXPECT_NEAR(run({"reckon", "ring", "sides=12", "outer=7 7/8in", "inner=6in"}).json()["outer_edge_mm"],
                2 * 100.0125 * std::tan(M_PI / 12), 1e-9);
    const auto gap = run({"reckon", "closing-gap", "sides=18", "miter_error=0.1", "outer=200"}).json();
    EXPECT_NEAR(gap["total_gap_deg"], 3.6, 1e-12);
    const auto back = run({"reckon", "closing-gap", "sides=18", "outer=200",
                           QString("gap=%1").arg(gap["gap_at_rim_mm"].get<double>(), 0, 'g', 17)})
                          .json();
    EXPECT_NEAR(back["fence_correction_deg"], 0.1, 1e-9);
    // Open at the bore the ends meet at the rim and gape over the wall: the angle is the gap over the wall's 20 mm.
    const auto inside = run({"reckon", "closing-gap", "sides=12", "gap=-0,5", "outer=200", "inner=160"}).json();
    EXPECT_NEAR(inside["total_gap_deg"], -2 * std::asin(0.5 / 40) * 180 / M_PI, 1e-9);
    EXPECT_NEAR(inside["fence_correction_deg"], inside["total_gap_deg"].get<double>() / 24, 1e-12);
    EXPECT_EQ(inside["gap_at_rim_mm"], 0);
    EXPECT_EQ(run({"reckon", "closing-gap", "sides=12", "miter_error=-0.2", "outer=200"}).json()["gap_at_rim_mm"], 0);
    const auto shaken = run({"reckon", "speed", "diameter=9in", "mass_kg=2", "offset=3mm"}).json();
    EXPECT_NEAR(shaken["force_n"], 2 * 0.003 * std::pow(1000 * 2 * M_PI / 60, 2), 1e-6) << "m · e · ω²";
    // Values of CHECKS, each by the source that stands there.
    const auto lantern = run({"reckon", "inside-out", "square=25", "turned=30", "outside=24"}).json();
    EXPECT_NEAR(lantern["diagonal_mm"], 18.645, 5e-4);
    EXPECT_EQ(lantern["window_open"], false);
    EXPECT_EQ(lantern["window_width_mm"], 0);
    const auto rolling = run({"reckon", "split", "fold=4", "size=3 1/4in", "band=3/8in", "diameter=82"}).json();
    EXPECT_NEAR(rolling["radius_mm"], 1.4375 * 25.4, 1e-9);
    EXPECT_NEAR(rolling["mismatch_mm"], (82.55 - 82) / 2, 1e-9);
    EXPECT_NEAR(run({"reckon", "ring-odds", "sides=12", "angle_sd=0.05", "outer=200", "gap=0.1"}).json()["odds"], 0.185,
                5e-4);
    EXPECT_NEAR(run({"reckon", "emc", "temperature=21.1", "humidity=50"}).json()["emc_percent"], 9.2, 0.1);
    const auto spigot = run({"reckon", "plug", "hole=8", "length=20"}).json();
    EXPECT_NEAR(spigot["spigot_diameter_mm"], 7.9, 1e-12);
    EXPECT_EQ(spigot["hole_depth_mm"], 21);
    // Twelve pieces of which each spans 30° close the circle: 2 asin(w/D) = 30°.
    const std::string w = std::to_string(100 * std::sin(15 * std::acos(-1.0) / 180));
    std::string pieces = w;
    for (int k = 1; k < 12; ++k) pieces += "," + w;
    const auto full =
        run({"reckon", "rim-inlay", "centre_diameter=100", QString::fromStdString("pieces=" + pieces)}).json();
    EXPECT_NEAR(full["gap_mm"], 0, 1e-5) << "six places of the width are written";
    const auto barrel = run({"reckon", "rods", "length=150", "width=30", "bore=10", "final=26", "rod=6,40,90,0,0",
                             "rod=6,43,90,90,0", "rod=4,100,90,0,9"})
                            .json();
    ASSERT_EQ(barrel["crossings"].size(), 1u);
    EXPECT_EQ(barrel["crossings"][0]["first"], 0);
    EXPECT_EQ(barrel["crossings"][0]["second"], 1);
    EXPECT_NEAR(barrel["crossings"][0]["depth_mm"], 3, 1e-9);
    EXPECT_EQ(barrel["breaks_bore"], nlohmann::json::parse("[0, 1]"));
    EXPECT_EQ(barrel["survives"].size(), 3u);
    // Half as far from where it comes to as it was: as long again.
    const auto drying = run({"reckon", "dry", "initial=40", "equilibrium=8", "now=24", "days=10", "target=16"}).json();
    EXPECT_NEAR(drying["days_to_target"], 10, 1e-9);
    EXPECT_NEAR(drying["days_from_start"], 20, 1e-9);
    const auto ellipse = run({"reckon", "ellipse", "length=100"}).json();
    EXPECT_NEAR(ellipse["diameter_mm"], 61.803, 1e-3);
    const double wanted[] = {59.841, 53.523, 40.879};
    for (size_t k = 0; k < 3; ++k) EXPECT_NEAR(ellipse["stations"][k]["diameter_mm"], wanted[k], 1e-3);
    const auto speed = run({"reckon", "speed", "diameter=10in", "out_of_balance=yes"}).json();
    EXPECT_EQ(speed["rpm_high"], 400);
    const auto stave = run({"reckon", "stave", "sides=8", "slope=15"}).json();
    EXPECT_NEAR(stave["blade_tilt_deg"], 21.6937, 5e-5);
    EXPECT_NEAR(stave["edge_taper_deg"], 6.1191, 5e-5);
    const auto ends =
        run({"reckon", "stave", "sides=12", "top=200", "bottom=4in", "height=240", "thickness=18"}).json();
    EXPECT_NEAR(ends["slope_deg"], std::atan((200 - 101.6) / 2 / 240) * 180 / M_PI, 1e-9);
    EXPECT_NEAR(ends["length_mm"], std::hypot(240, (200 - 101.6) / 2), 1e-9);
    EXPECT_NEAR(run({"reckon", "stave", "sides=12", "slope=0"}).json()["blade_tilt_deg"], 15, 1e-12);
    const auto rings =
        run({"reckon", "board-rings", "board=1 1/8in", "angle=45", "kerf=3", "outer=250", "base=60"}).json();
    EXPECT_NEAR(rings["ring_width_mm"], 24.332, 5e-4);
    EXPECT_NEAR(rings["wall_mm"], 17.206, 5e-4);
    EXPECT_NEAR(rings["radii_mm"][0], 125, 1e-12);
    const double step = rings["radii_mm"][0].get<double>() - rings["radii_mm"][1].get<double>();
    EXPECT_NEAR(step, 28.575, 1e-9) << "t / tan 45°";
    EXPECT_NEAR(rings["base_mm"], 2 * rings["lower_radii_mm"].back().get<double>(), 1e-9) << "what comes out is said";
    EXPECT_GE(rings["base_mm"].get<double>(), 60 - 1e-9);
    EXPECT_NEAR(rings["height_mm"], 28.575 * static_cast<double>(rings["radii_mm"].size()), 1e-9);
    EXPECT_NEAR(run({"reckon", "board-rings", "board=1 1/8in", "wall=17.2057", "kerf=3", "outer=250", "base=60"})
                    .json()["angle_deg"],
                45, 1e-3);
    const auto wrap = run({"reckon", "post-wrap", "side=1 7/8in", "wrap=3/4in", "bore=2 11/16in"}).json();
    EXPECT_NEAR(wrap["post_diagonal_mm"].get<double>() / 25.4, 2.652, 5e-4);
    EXPECT_EQ(wrap["post_vanishes"], true) << "a bore wider than the diagonal leaves no post";
    EXPECT_EQ(run({"reckon", "post-wrap", "side=1 7/8in", "wrap=3/4in", "bore=2 5/8in"}).json()["post_vanishes"],
              false);
    // Work on several axes: steps 2 2 2 3 3 of twelve, round 80, 8 off, radius 34.
    const auto flats = run({"reckon", "section", "stock=round", "size=80", "axis=8,0,34", "axis=8,60,34",
                            "axis=8,120,34", "axis=8,180,34", "axis=8,270,34"})
                           .json()["flats_mm"];
    EXPECT_NEAR(flats[0], 33.312, 5e-4);
    EXPECT_NEAR(flats[1], 26.836, 5e-4);
    EXPECT_NEAR(flats[4], 39.413, 5e-4);
    const auto square = run({"reckon", "section", "stock=square", "size=50"}).json();
    EXPECT_NEAR(square["area_mm2"], 2500, 1e-9);
    EXPECT_NEAR(square["widest_mm"], 50 * std::sqrt(2.0), 1e-6);
    EXPECT_EQ(run({"reckon", "index", "divisions=5", "holes=12"}).json()["holes"],
              nlohmann::json::array({0, 2, 5, 7, 10}));
    EXPECT_EQ(run({"reckon", "index", "divisions=6", "holes=12", "start=3"}).json()["exact"], true);
    EXPECT_NEAR(run({"reckon", "grid", "divisions=24", "outer=150", "rings=2"}).json()["radii_mm"][1], 57.638, 5e-4);
    EXPECT_NEAR(run({"reckon", "sphere", "diameter=100"}).json()["facets"][1]["from_end_mm"], 29.289, 5e-4);
    // A vacuum of 60 kPa on 150 mm tips at pressure · π·d³/8; a load of 300 N, 100 mm out.
    const auto vacuum =
        run({"reckon", "mount", "kind=vacuum", "diameter=150", "depth=0", "overhang=100", "load=300"}).json();
    EXPECT_NEAR(vacuum["limit_nm"], 0.06 * M_PI * std::pow(150, 3) / 8 / 1000, 1e-9);
    EXPECT_NEAR(vacuum["moment_nm"], 30, 1e-9);
    EXPECT_EQ(vacuum["holds"], true);
    for (const char* kind : {"ring", "closing-gap", "stave", "board-rings", "post-wrap", "ellipse", "speed", "sphere",
                             "index", "grid", "section", "mount"}) {
        const Outcome told = run({"reckon", kind, "--help"});
        EXPECT_EQ(told.status, 0) << kind;
        EXPECT_NE(told.out.find("Source: "), std::string::npos) << kind;
    }
    const Outcome help = run({"reckon", "ring", "--help"});
    EXPECT_EQ(help.status, 0);
    EXPECT_NE(help.out.find("Source: plane geometry"), std::string::npos);
}

TEST(Cli, PlansEverySampleFromTheHarboursRack)
{
    const QString demo = QStringLiteral(VIVID_SOURCE) + "/demo/";
    for (const QString& file : QDir(demo).entryList({"*.vlathe"})) {
        const Outcome r = run({"plan", demo + file, "--shop", demo + "harbour-shop.json"});
        EXPECT_EQ(r.status, 0) << file.toStdString() << r.err;
        const auto plan = r.json();
        EXPECT_FALSE(plan["cuts"]["boards"].empty()) << file.toStdString();
        EXPECT_TRUE(plan["cuts"]["shortfall"].empty()) << file.toStdString();
        EXPECT_GE(plan["cuts"]["consumed"].get<double>(), plan["cuts"]["lower_bound"].get<double>() * (1 - 1e-9));
        EXPECT_LE(plan["schedule"]["length_min"].get<double>(),
                  1.1 * plan["schedule"]["lower_bound_min"].get<double>());
        for (const auto& board : plan["cuts"]["boards"])
            for (const auto& strip : board["strips"]) EXPECT_FALSE(strip["parts"].empty());
        for (const auto& step : plan["steps"])
            if (step["action"] == "glue")
                EXPECT_TRUE(step["joint"]["glue"].is_string()) << file.toStdString() << " " << step["id"];
    }
}

TEST(Cli, SaysThatItsAnswerCouldNotBeWritten)
{
    for (const QStringList& words :
         {QStringList{"plan", cup}, {"check", cup}, {"schema"}, {"reckon", "speed", "diameter=100"}}) {
        QProcess process;
        process.setStandardOutputFile("/dev/full");
        process.start(program, words);
        ASSERT_TRUE(process.waitForFinished(60000));
        // Nothing to say fits anywhere.
        const bool silent = words[0] == "check";
        EXPECT_EQ(process.exitCode(), silent ? 0 : 3) << words[0].toStdString();
        EXPECT_EQ(process.readAllStandardError().indexOf("standard output") >= 0, !silent) << words[0].toStdString();
    }
    for (const char* ending : {"pdf", "dxf", "svg", "csv", "ics"}) {
        const bool paper = std::string(ending) == "pdf";
        const QString full = QStringLiteral("/dev/full");
        QTemporaryDir folder;
        const QString link = folder.filePath(QStringLiteral("x.") + ending);
        ASSERT_TRUE(QFile::link(full, link));
        const Outcome r = run({paper ? "packet" : "export", cup, "--out", link});
        EXPECT_EQ(r.status, 3) << ending;
        EXPECT_EQ(std::count(r.err.begin(), r.err.end(), '\n'), 1) << r.err;
    }
}

TEST(Cli, WritesTheSchemaOfTheDocs)
{
    const Outcome r = run({"schema"});
    EXPECT_EQ(r.status, 0);
    EXPECT_EQ(r.out, vl::test::sourceFile("docs/piece.schema.json"));
}

TEST(Cli, HelpOfCheckNamesEveryFieldOfAPiece)
{
    const std::string help = run({"check", "--help"}).out;
    for (const char* line :
         {"hollow.floor_mm: Floor, from the foot; 0 to 3000 mm", "layers[].thickness_mm: Thickness",
          "form.segments: Segments; 3 to 96",
          "form.joint.kind: Between segments; glued, gap by width, gap by angle, spacer",
          "form.angle_deg: Cut's angle to the face, between the cut and the board's face; 10 to 85 °",
          "choices.sled_run_mm: Run along the fence"})
        EXPECT_NE(help.find(line), std::string::npos) << line;
}

TEST(Cli, PlanNamesLayersByTheirIdsAndGivesEveryStepsNumbers)
{
    const auto plan = run({"plan", cup}).json();
    const auto piece = nlohmann::json::parse(vl::test::sourceFile("demo/regatta-cup.vlathe"));
    std::set<std::string> ids;
    for (const auto& layer : piece["layers"]) ids.insert(layer["id"]);
    for (const auto& part : plan["parts"]) EXPECT_TRUE(ids.contains(part["layer"].get<std::string>())) << part["id"];
    for (const auto& ring : plan["cuts"]["rings"]) EXPECT_TRUE(ids.contains(ring["layer"].get<std::string>()));
    int numbers = 0, joints = 0;
    for (const auto& step : plan["steps"]) {
        if (!step["layer"].is_null()) EXPECT_TRUE(ids.contains(step["layer"].get<std::string>())) << step["id"];
        for (const auto& one : step["settings"]) {
            EXPECT_TRUE(one["value"].is_number() && one["name"].is_string() && one["unit"].is_string()) << step["id"];
            ++numbers;
        }
        if (step["joint"].is_null()) continue;
        EXPECT_GT(step["joint"]["area_mm2"].get<double>(), 0) << step["id"];
        EXPECT_GT(step["joint"]["machine_min"].get<double>(), 0) << step["id"];
        ++joints;
    }
    EXPECT_GT(numbers, 100);
    EXPECT_GT(joints, 25);
    // A ring's mitre is set where it is cut.
    const auto cut = std::ranges::find_if(plan["steps"], [](const auto& s) { return s["id"] == "cut-L2"; });
    ASSERT_NE(cut, plan["steps"].end());
    const auto miter =
        std::ranges::find_if((*cut)["settings"], [](const auto& s) { return s["name"] == "miter from square"; });
    ASSERT_NE(miter, (*cut)["settings"].end());
    EXPECT_DOUBLE_EQ((*miter)["value"].get<double>(), 15) << "twelve segments: 180° / 12";
    EXPECT_EQ((*miter)["unit"], "deg");
}

TEST(Cli, AStepIsExportedAndMapsAreMeasured)
{
    const QTemporaryDir folder;
    const QString out = folder.filePath("step.stl"), box = VIVID_SOURCE "/demo/pilot-box.vlathe";
    EXPECT_EQ(run({"export", box, "--step", "hollow", "--out", out}).status, 0);
    EXPECT_GT(QFile(out).size(), 10000);
    const auto wrong = run({"export", box, "--step", "polish", "--out", out});
    EXPECT_EQ(wrong.status, 3);
    EXPECT_NE(wrong.err.find("step"), std::string::npos) << wrong.err;
    EXPECT_FALSE(run({"plan", box}).json().contains("maps"));
    const auto plan = run({"plan", box, "--maps"}).json();
    ASSERT_EQ(plan["maps"].size(), 6u);
    for (const auto& map : plan["maps"]) {
        EXPECT_TRUE(map["kind"].is_string() && map["unit"].is_string());
        if (!map["worst"].is_null()) EXPECT_TRUE(map["worst"]["value"].is_number() && map["worst"]["z_mm"].is_number());
    }
    EXPECT_NEAR(plan["lid"]["bore_mm"].get<double>(), 62, 1e-6);
}

TEST(Cli, RefusesWhatCannotBeWrittenBeforeAnyWork)
{
    QTemporaryDir folder;
    const QString piece = folder.filePath("own.pdf"), link = folder.filePath("link.pdf");
    ASSERT_TRUE(QFile::copy(cup, piece));
    ASSERT_TRUE(QFile::link(piece, link));
    const auto whole = [&] {
        QFile file(piece);
        EXPECT_TRUE(file.open(QIODevice::ReadOnly));
        return file.readAll();
    };
    const QByteArray before = whole();
    for (const QString& out : {piece, link, folder.path() + "/./own.pdf"}) {
        const Outcome r = run({"packet", piece, "--out", out});
        EXPECT_EQ(r.status, 2) << out.toStdString();
        EXPECT_NE(r.err.find("the file that is read"), std::string::npos) << r.err;
    }
    EXPECT_EQ(whole(), before);
    EXPECT_EQ(run({"export", cup, "--out", folder.filePath("cup.xyz")}).status, 2);
    EXPECT_EQ(run({"packet", cup, "--out", folder.filePath("cup.txt")}).status, 2);
}

TEST(Cli, RefusesWhatCannotBeHad)
{
    EXPECT_EQ(run({"reckon", "ellipse", "length=100", "ratio=1e308"}).status, 3);
    // One cut through 28.575 at 45° leans by as much: of Ø 200 no more than 142.85 is left below.
    const QStringList board{"reckon", "board-rings", "board=28.575", "angle=45", "kerf=3", "outer=200"};
    EXPECT_EQ(run(board + QStringList{"base=142"}).status, 0);
    const Outcome r = run(board + QStringList{"base=190"});
    EXPECT_EQ(r.status, 3);
    EXPECT_NE(r.err.find("base"), std::string::npos) << r.err;
}
