// The log, what is learned from it, and lessons that come back.
#include "core/plan/learning/log_entry.h"
#include "core/plan/lessons.h"
#include "core/plan/progress.h"
#include "io/rack_csv.h"
#include "io/records_csv.h"
#include "tests/support/samples.h"

#include <cmath>
#include <random>

using namespace vl;

TEST(Lessons, ComeBackWhereTheyMatter)
{
    Shop shop = test::harbourShop();
    const Piece cup = test::regattaCup();
    const Plan before = makePlan(cup, shop);
    const auto& recipe = before.assembly.recipe;
    const auto step =
        std::ranges::find_if(recipe, [](const Step& s) { return s.action == Action::Flatten && s.layer >= 0; });
    ASSERT_NE(step, recipe.end());
    for (const Lesson& about : subjectsOf(*step, cup, before.assembly.layers)) {
        Lesson l = about;
        l.note = "edges before faces";
        shop.lessons = {l};
        const Plan after = makePlan(cup, shop);
        int said = 0;
        for (size_t i = 0; i < recipe.size(); ++i) {
            const bool here =
                print(after.assembly.recipe[i].how).find("learned here: edges before faces") != std::string::npos;
            said += here;
            EXPECT_TRUE(!here || matters(l, recipe[i], cup, before.assembly.layers));
        }
        const auto all =
            std::ranges::count_if(recipe, [&](const Step& s) { return matters(l, s, cup, before.assembly.layers); });
        EXPECT_EQ(said, l.about == Lesson::Step ? all : 1) << l.of;
    }
    // A step of the same kind of another piece is reminded too.
    shop.lessons = {{.about = Lesson::Step, .of = kindOfStep(*step, cup), .note = "edges before faces"}};
    Piece other = test::tallVase(8, 12);
    const Plan vase = makePlan(other, shop);
    EXPECT_TRUE(std::ranges::any_of(vase.assembly.recipe, [](const Step& s) {
        return print(s.how).find("edges before faces") != std::string::npos;
    }));
}

TEST(Estimates, FollowWhatTheLogHasLearned)
{
    Shop shop = test::harbourShop();
    const Piece cup = test::regattaCup();
    const auto minutes = [](const Plan& plan) {
        double sum = 0;
        for (const Step& s : plan.assembly.recipe) sum += s.workMinutes;
        return sum;
    };
    const double usual = minutes(makePlan(cup, shop));
    shop.workFactor = 1.4;
    const Plan slower = makePlan(cup, shop);
    EXPECT_NEAR(minutes(slower), 1.4 * usual, 1e-6);
    // What is logged is compared with the usual estimate, so that what was learned is not learned twice.
    Piece done = cup;
    double start = 0;
    for (const Step& s : slower.assembly.recipe) {
        const double took = s.workMinutes / 1.4 * (s.action == Action::Glue ? 2 : 1);
        done.progress.done.push_back({s.id, start, start + took, {}});
        start += took;
    }
    const Logged entry = logged(done, shop, makePlan(done, shop), {}, 0);
    EXPECT_NEAR(entry.planned, usual, 1e-6);
    const auto kinds = kindsOf(std::vector{entry});
    ASSERT_GT(kinds.size(), 3u);
    EXPECT_EQ(kinds.front().kind, std::string(actionName(Action::Glue))) << "it is off most";
    EXPECT_NEAR(kinds.front().ratio(), 2, 0.05);
    EXPECT_NEAR(kinds.back().ratio(), 1, 0.05);
    Logged odd;
    odd.byKind = "cut x; ; glue 3";
    EXPECT_TRUE(kindsOf(odd).empty()) << "what cannot be read is left out";
}

TEST(ShopLog, CountsOnAndLearnsFromWhatWasTicked)
{
    Shop shop = test::harbourShop();
    shop.log.clear();
    Piece p = test::demo("buoy-bowl");
    const Plan plan = makePlan(p, shop);
    const Logged first = logged(p, shop, plan, {}, 29000000);
    shop.log.push_back(first);
    const Logged second = logged(p, shop, plan, {}, 29600000);
    EXPECT_EQ(second.number, first.number + 1);
    EXPECT_EQ(first.woods, "hard maple");
    EXPECT_NEAR(first.weight, plan.shape.weight, 1e-9);
    EXPECT_GT(first.planned, 60);
    EXPECT_TRUE(std::isnan(learnedRatio(shop.log)));
    // Simulated years: work that takes 1.3 times as long, give or take.
    std::mt19937 random(7);
    std::vector<Logged> years;
    for (int k = 0; k < 60; ++k) {
        Logged l = first;
        l.number = k + 1;
        l.finished = 27000000 + 44000.0 * k;
        l.planned = std::uniform_real_distribution(100.0, 900.0)(random);
        l.worked = l.planned * std::lognormal_distribution(std::log(1.3), 0.15)(random);
        years.push_back(l);
    }
    EXPECT_NEAR(learnedRatio(years), 1.3, 0.08);
    int pieces = 0, before = 9999;
    for (const LogYear& y : yearsOf(years)) {
        pieces += y.pieces;
        EXPECT_LT(y.year, before);
        before = y.year;
        EXPECT_NEAR(y.ratio(), 1.3, 0.25);
    }
    EXPECT_EQ(pieces, 60);
}

TEST(ShopLog, IsFilteredAndComparedSideBySide)
{
    std::vector<Logged> log(3);
    const auto enter = [&](size_t i, const char* name, const char* woods, const char* made, double finished) {
        log[i].number = static_cast<int>(i) + 1;
        log[i].name = name;
        log[i].woods = woods;
        log[i].made = made;
        log[i].finished = finished;
    };
    enter(0, "Tide bowl", "cherry, walnut", "ring, disc", 28000000);
    enter(1, "Buoy", "ash", "block", 29500000);
    enter(2, "Bowl", "walnut", "block", 29500000);
    log[1].wrong = "a crack";
    log[1].deviations = {{.what = Measured::Height, .of = "3", .planned = 20, .measured = 19.8}};
    const auto found = [&](const LogFilter& f) {
        std::string all;
        for (const Logged& l : log)
            if (matches(l, f)) all += std::to_string(l.number);
        return all;
    };
    EXPECT_EQ(found({}), "123");
    EXPECT_EQ(found({.words = "bowl"}), "13");
    EXPECT_EQ(found({.words = "WALNUT tide"}), "1") << "every word, in any order";
    EXPECT_EQ(found({.year = yearOf(log[1])}), "23");
    EXPECT_EQ(found({.made = "walnut"}), "13");
    EXPECT_EQ(found({.made = "block", .wrong = true}), "2");
    EXPECT_EQ(madeOf(log), (std::vector<std::string>{"ash", "block", "cherry", "disc", "ring", "walnut"}));
    const std::vector<Compared> rows = compared({log[0], log[1]});
    const auto row = [&](std::string_view what) {
        const auto at = std::ranges::find(rows, what, &Compared::what);
        return at == rows.end() ? std::vector<std::string>{} : at->values;
    };
    EXPECT_EQ(row("Woods"), (std::vector<std::string>{"cherry, walnut", "ash"}));
    EXPECT_EQ(row("height, flattened"), (std::vector<std::string>{"", "3: 20.0 → 19.8"}));
    EXPECT_TRUE(row("Notes").empty()) << "what none of them says is no row";
}

TEST(ShopLog, CostsWhatItsBoardsCost)
{
    const Shop shop = test::harbourShop();
    const Piece p = test::demo("regatta-cup");
    const Plan plan = makePlan(p, shop);
    const BoardPlan boards = planBoards(p, shop, plan.assembly);
    ASSERT_GT(boards.cost, 0);
    const Logged entry = logged(p, shop, plan, boards, 29000000);
    EXPECT_NEAR(entry.cost, boards.cost, 1e-9);
    EXPECT_NEAR(entry.wood, boards.boardVolume / 1e6, 1e-9);
    // The year's waste is what of its boards is in no part.
    EXPECT_NEAR(yearsOf({entry}).front().wasted(), 1 - boards.yield(), 1e-9);
    EXPECT_TRUE(std::isnan(yearsOf({Logged{}}).front().wasted())) << "where nothing says so";
    double price = 0;
    for (const Board& b : shop.rack) price += b.price;
    EXPECT_LE(entry.cost, price);
}

TEST(ShopLog, IsATableAndABookThatAreReadBack)
{
    std::vector<Logged> log(2);
    log[0].name = "Bowl, \"first\"";
    log[0].woods = "cherry, walnut";
    log[1].number = 2;
    log[1].weight = 0.25;
    const std::vector<std::vector<std::string>> rows = io::csvRows(io::writeRecordsCsv(log));
    ASSERT_EQ(rows.size(), 3u);
    const std::vector<FieldItem> items = itemsOf(Logged{});
    ASSERT_EQ(rows[0].size(), items.size());
    for (size_t k = 0; k < items.size(); ++k) EXPECT_EQ(rows[0][k], items[k].path);
    EXPECT_EQ(rows[1][static_cast<size_t>(std::ranges::find(rows[0], "name") - rows[0].begin())], log[0].name);
    EXPECT_EQ(rows[2][static_cast<size_t>(std::ranges::find(rows[0], "weight_kg") - rows[0].begin())], "0.25");
}
