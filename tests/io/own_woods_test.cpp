// The turner's own woods: known by what is said of them, in the file of a piece that names them and in the shop's book.
#include "core/measure/input_error.h"
#include "core/piece/edits/wood_use.h"
#include "core/plan/plan.h"
#include "core/wood/own_wood.h"
#include "io/piece_json.h"
#include "io/shop_book.h"
#include "io/shop_json.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <QTemporaryDir>

#include <cmath>

using namespace vl;

namespace {

OwnWood plum()
{
    OwnWood w;
    w.name = "garden plum";
    w.density = 790;
    w.shrinkRadial = 5.5;
    w.shrinkTangential = 9.1;
    w.light = "#b5764a";
    w.dark = "#7a3f2b";
    return w;
}

std::string replaced(std::string text, const std::string& from, const std::string& to)
{
    const size_t at = text.find(from);
    EXPECT_NE(at, std::string::npos) << from;
    return at == std::string::npos ? text : text.replace(at, from.size(), to);
}

}  // namespace

TEST(OwnWood, IsOneWoodForOneDescription)
{
    const Species& first = makeKnown(plum());
    EXPECT_EQ(&makeKnown(plum()), &first);
    EXPECT_EQ(findSpecies(first.id), &first);
    EXPECT_EQ(*ownWood(first.id), plum());
    EXPECT_STREQ(first.name, "garden plum");
    OwnWood other = plum();
    other.oily = true;
    EXPECT_NE(&makeKnown(other), &first);
    EXPECT_EQ(ownWood("maple"), nullptr);
    EXPECT_EQ(findSpecies("own-00000000-nobody"), nullptr);
    struct Bad {
        void (*change)(OwnWood&);
        const char* field;
    };
    for (const Bad& bad : {Bad{[](OwnWood& w) { w.name = "  "; }, "name"},
                           {[](OwnWood& w) { w.density = 0; }, "density_kg_m3"},
                           {[](OwnWood& w) { w.shrinkTangential = std::nan(""); }, "shrink_tangential_percent"},
                           {[](OwnWood& w) { w.dark = "brown"; }, "dark"},
                           {[](OwnWood& w) { w.light = "#12345-"; }, "light"},
                           {[](OwnWood& w) { w.name = std::string(61, 'x'); }, "name"}}) {
        OwnWood w = plum();
        bad.change(w);
        try {
            makeKnown(w);
            ADD_FAILURE() << bad.field << " was taken";
        } catch (const InputError& e) {
            EXPECT_EQ(e.field(), bad.field);
        }
    }
}

TEST(OwnWood, WeighsMovesAndIsWipedAsItsDescriptionSays)
{
    Piece p = withWood(test::regattaCup(), "maple", makeKnown(plum()).id);
    OwnWood heavy = plum();
    heavy.density = 2 * plum().density;
    heavy.shrinkTangential = 20;
    heavy.oily = true;
    const Piece other = withWood(p, makeKnown(plum()).id, makeKnown(heavy).id);
    const Plan a = makePlan(p, {}), b = makePlan(other, {});
    for (size_t i = 0; i < a.assembly.layers.size(); ++i)
        if (a.assembly.layers[i].woods.size() == 1 && a.assembly.layers[i].woods[0]->id == makeKnown(plum()).id) {
            EXPECT_NEAR(b.assembly.layers[i].density, 2 * a.assembly.layers[i].density, 1e-9);
        }
    auto wiped = [](const Plan& plan) {
        return std::ranges::count_if(plan.assembly.recipe, [](const Step& s) {
            return print(s.how).find("wipe the oily faces (garden plum)") != std::string::npos;
        });
    };
    EXPECT_EQ(wiped(a), 0);
    EXPECT_GT(wiped(b), 3);
    const auto used = woodsOf(other);
    EXPECT_EQ(std::ranges::count(used, makeKnown(heavy).id), 1);
    EXPECT_EQ(std::ranges::count(used, "maple"), 0) << "everywhere it was named";
}

TEST(OwnWood, TravelsWithThePieceThatNamesIt)
{
    const std::string id = makeKnown(plum()).id;
    const Piece p = withWood(test::demo("flag-bowl"), "maple", id);
    const std::string text = io::writePiece(p);
    EXPECT_NE(text.find("\"own_woods\""), std::string::npos);
    EXPECT_EQ(io::writePiece(test::demo("flag-bowl")).find("own_woods"), std::string::npos)
        << "only where there are any";
    EXPECT_EQ(io::readPiece(text).piece, p);
    // Changed by hand it is another wood, and the layers follow.
    const Piece changed = io::readPiece(replaced(text, "\"density_kg_m3\": 790.0", "\"density_kg_m3\": 640.0")).piece;
    const auto used = woodsOf(changed);
    EXPECT_EQ(std::ranges::count(used, id), 0);
    const auto mine = std::ranges::find_if(used, [](const std::string& w) { return ownWood(w) != nullptr; });
    ASSERT_NE(mine, used.end());
    EXPECT_EQ(speciesOf(*mine).density, 640);
    // A file that does not say what it is: maple, said.
    std::vector<std::string> notes = io::readPiece(replaced(text, id, "own-12345678-lost")).notes;
    EXPECT_TRUE(std::ranges::any_of(notes, [](const std::string& n) { return n.find("own-") != std::string::npos; }) ||
                notes.empty());
    for (const auto& [from, to, place] :
         {std::tuple{"\"density_kg_m3\": 790.0", "\"density_kg_m3\": 1e9", "own_woods[0].density_kg_m3"},
          std::tuple{"#b5764a", "#b5764", "own_woods[0].light"}, std::tuple{"garden plum", " ", "own_woods[0].name"}})
        try {
            io::readPiece(replaced(text, from, to));
            ADD_FAILURE() << to << " was taken";
        } catch (const InputError& e) {
            EXPECT_EQ(e.field(), place);
        }
}

TEST(OwnWood, IsInTheShopItsFileAndItsBook)
{
    Shop shop = test::harbourShop();
    shop.woods = {plum()};
    shop.rack[0].wood = makeKnown(plum()).id;
    std::vector<std::string> notes;
    EXPECT_EQ(io::readShop(io::writeShop(shop), notes), shop);
    QTemporaryDir folder;
    const std::string path = folder.filePath("shop.sqlite").toStdString();
    {
        io::ShopBook book(path);
        ASSERT_TRUE(book.save(shop));
    }
    io::ShopBook again(path);
    EXPECT_EQ(again.load().woods, shop.woods);
    EXPECT_EQ(again.load().rack[0].wood, shop.rack[0].wood);
    Shop many = shop;
    many.woods.assign(mostOwnWoods + 1, plum());
    EXPECT_THROW(checkShop(many), InputError);
    shop.woods[0].light = "plum";
    EXPECT_FALSE([&] {
        try {
            return again.save(shop);
        } catch (const InputError&) {
            return false;
        }
    }()) << "what cannot be is not written";
    EXPECT_EQ(again.load().woods[0], plum());
}
