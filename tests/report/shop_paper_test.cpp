// Boards, set-ups, angles and circles on paper, measured as a turner would: by the page's own millimeters.
#include "core/measure/format.h"
#include "core/plan/boards/setups.h"
#include "io/files.h"
#include "report/grid_drawing.h"
#include "report/packet.h"
#include "report/shop_paper.h"
#include "tests/support/samples.h"

#include <QTemporaryDir>

#include <gtest/gtest.h>
#include <poppler-document.h>
#include <poppler-page-renderer.h>
#include <poppler-page.h>

#include <cmath>
#include <memory>

using namespace vl;

namespace {

constexpr double coarse = 254;  // 10 pixels a millimeter

struct Paper {
    QTemporaryDir folder;
    Piece piece;
    Shop shop = test::harbourShop();
    Plan plan;
    BoardPlan boards;
    std::unique_ptr<poppler::document> document;

    explicit Paper(const std::string& name) : Paper(test::demo(name)) {}
    explicit Paper(Piece of)
        : piece(std::move(of)), plan(makePlan(piece, shop)), boards(planBoards(piece, shop, plan.assembly))
    {
        const std::string path = folder.filePath("p.pdf").toStdString();
        io::replaceFile(path, [&](QIODevice& file) {
            report::writePacket(piece, shop, plan, boards, {}, report::Paper::A4, file);
        });
        document.reset(poppler::document::load_from_file(path));
    }
    std::string text(int page) const
    {
        const auto bytes = std::unique_ptr<poppler::page>(document->create_page(page))->text().to_utf8();
        return {bytes.begin(), bytes.end()};
    }
    std::string all() const
    {
        std::string words;
        for (int i = 0; i < document->pages(); ++i) words += text(i);
        return words;
    }
    int pageWith(const std::string& words) const
    {
        for (int i = 0; i < document->pages(); ++i)
            if (text(i).find(words) != std::string::npos) return i;
        return -1;
    }
    /// Whether there is ink within half a millimeter of a place on a page, mm.
    bool ink(const poppler::image& image, double x, double y) const
    {
        for (int dy = -5; dy <= 5; ++dy)
            for (int dx = -5; dx <= 5; ++dx) {
                const int px = static_cast<int>(x * 10) + dx, py = static_cast<int>(y * 10) + dy;
                if (px < 0 || py < 0 || px >= image.width() || py >= image.height()) continue;
                if (static_cast<unsigned char>(
                        image.const_data()[static_cast<long>(py) * image.bytes_per_row() + px * 3L]) < 110)
                    return true;
            }
        return false;
    }
    poppler::image render(int page) const
    {
        poppler::page_renderer renderer;
        renderer.set_image_format(poppler::image::format_rgb24);
        return renderer.render_page(std::unique_ptr<poppler::page>(document->create_page(page)).get(), coarse, coarse);
    }
};

}  // namespace

TEST(ShopPaper, AnglesStandAtFullSize)
{
    for (const char* name : {"lamp-stand", "ballast-dish", "flag-bowl"}) {
        const Paper paper(name);
        const auto angles = report::paperAngles(paper.piece, paper.plan);
        ASSERT_FALSE(angles.empty()) << name;
        const int first = paper.pageWith("Angles at full size");
        ASSERT_GE(first, 0);
        for (size_t i = 0; i < angles.size(); ++i) {
            const poppler::image image = paper.render(first + static_cast<int>(i) / report::anglesOnAPage);
            const QPointF corner = report::angleCorner(static_cast<int>(i) % report::anglesOnAPage, {210, 297});
            const double a = angles[i].deg * std::acos(-1.0) / 180, reach = std::min(140.0, 55 / std::sin(a));
            for (const double share : {0.5, 0.75, 1.0}) {
                EXPECT_TRUE(paper.ink(image, corner.x() + reach * share * std::cos(a),
                                      corner.y() - reach * share * std::sin(a)))
                    << name << " " << angles[i].name.toStdString();
                // Two degrees off there is nothing.
                const double b = a + 0.05;
                if (reach * share * std::sin(b) < 60)
                    EXPECT_FALSE(paper.ink(image, corner.x() + reach * share * std::cos(b),
                                           corner.y() - reach * share * std::sin(b)))
                        << name;
            }
            EXPECT_NE(paper.text(first + static_cast<int>(i) / report::anglesOnAPage).find(fixed(angles[i].deg, 3)),
                      std::string::npos);
        }
    }
    // The staves' two angles are among them.
    const Paper lamp("lamp-stand");
    const auto angles = report::paperAngles(lamp.piece, lamp.plan);
    for (const Setting& s : lamp.plan.assembly.layers[2].settings)
        if (s.unit == Unit::Angle && s.machine == Resource::Saw && std::abs(s.value) > 0.05)
            EXPECT_TRUE(std::ranges::any_of(angles, [&](const report::PaperAngle& a) {
                return std::abs(a.deg - std::abs(s.value)) < 1e-6;
            })) << s.name;
}

TEST(ShopPaper, ScribingCirclesStandAtTheirRadii)
{
    const Paper paper("ballast-dish");
    for (const char* face : {"top face", "lower face"}) {
        const int page = paper.pageWith(std::string("Scribing circles, layer 1, ") + face);
        ASSERT_GE(page, 0);
        const poppler::image image = paper.render(page);
        const auto [x0, y0] = std::pair(report::circleCenter({210, 297}).x(), report::circleCenter({210, 297}).y());
        int found = 0;
        for (const Setting& s : paper.plan.assembly.layers[0].settings) {
            if (!s.name.starts_with("scribe") || s.name.find(face) == std::string::npos) continue;
            const double a = 0.6;
            if (x0 + s.value * std::cos(a) > 195) continue;
            EXPECT_TRUE(paper.ink(image, x0 + s.value * std::cos(a), y0 - s.value * std::sin(a)))
                << face << " " << s.value;
            // Between two circles there is paper; a joint of the board may run through one of the places.
            const auto inked = [&](double angle) {
                return paper.ink(image, x0 + (s.value - 4) * std::cos(angle), y0 - (s.value - 4) * std::sin(angle));
            };
            EXPECT_FALSE(inked(a) && inked(0.71));
            ++found;
        }
        EXPECT_EQ(found, 5);
    }
}

TEST(ShopPaper, AGridOnAFaceStandsAtItsRadiiAndSpokes)
{
    Piece piece = test::demo("buoy-bowl");
    Decor& d = piece.decors[0];
    d.on = Decor::Face;
    d.from = 20;
    d.to = 84;
    d.spokes = 24;
    d.direction = 10;
    d.cells.clear();
    const Paper paper(piece);
    const int page = paper.pageWith("band of squares, full size");
    ASSERT_GE(page, 0);
    const poppler::image image = paper.render(page);
    const QPointF middle = report::gridMiddle({210, 297});
    const std::vector<GridOf> grids = gridsOf(piece, paper.plan.surfaces);
    ASSERT_GE(grids[0].rings.size(), 3u);
    const auto inked = [&](double r, double deg) {
        const double a = deg * std::acos(-1.0) / 180;
        return paper.ink(image, middle.x() - r * std::sin(a), middle.y() - r * std::cos(a));
    };
    const double pitch = 360.0 / d.spokes;
    for (const GridRing& r : grids[0].rings)
        for (const double share : {0.5, 5.5, 13.5}) {
            EXPECT_TRUE(inked(r.r1, d.direction + share * pitch)) << r.r1;
            EXPECT_TRUE(inked((r.r0 + r.r1) / 2, d.direction + (share - 0.5) * pitch)) << "a spoke";
            EXPECT_FALSE(inked((r.r0 + r.r1) / 2, d.direction + share * pitch)) << "the middle of a cell";
        }
    // Its lists name every ring.
    EXPECT_GE(paper.pageWith("Grid: band of squares, 24 spokes"), 0);
}

TEST(ShopPaper, ClosingCirclesAreOfRingsWhoseJointsAreLines)
{
    const Paper paper("flag-bowl");
    int spaced = 0;
    for (size_t i = 0; i < paper.plan.assembly.layers.size(); ++i) {
        const BuiltLayer& b = paper.plan.assembly.layers[i];
        if (!b.segmented) continue;
        const std::string name = "ring " + std::to_string(i + 1) + " R ";
        const bool closes = b.stock.gap == 0 && !b.gaps;
        spaced += !closes;
        EXPECT_EQ(paper.all().find(name) != std::string::npos, closes) << name;
    }
    EXPECT_GE(spaced, 1) << "the sample has a ring with spacers";
}

TEST(ShopPaper, BoardsSetupsAndWhatToBuyAreNamed)
{
    const Paper paper("regatta-cup");
    const std::string words = paper.all();
    for (const PlannedBoard& b : paper.boards.boards)
        EXPECT_NE(words.find(b.board.id), std::string::npos) << b.board.id;
    for (const vl::Setup& s : setupsOf(paper.piece, paper.plan.assembly, paper.boards))
        EXPECT_NE(words.find(s.machine.substr(0, 8)), std::string::npos);
    EXPECT_NE(words.find("Machine set-ups"), std::string::npos);
    EXPECT_EQ(words.find("To buy"), std::string::npos) << "the rack has it all";
    QTemporaryDir folder;
    const std::string path = folder.filePath("p.pdf").toStdString();
    const Shop empty;
    const Plan plan = makePlan(paper.piece, empty);
    io::replaceFile(path, [&](QIODevice& file) {
        report::writePacket(paper.piece, empty, plan, planBoards(paper.piece, empty, plan.assembly), {},
                            report::Paper::Letter, file);
    });
    const std::unique_ptr<poppler::document> document(poppler::document::load_from_file(path));
    bool buy = false;
    for (int i = 0; i < document->pages(); ++i) {
        const auto bytes = std::unique_ptr<poppler::page>(document->create_page(i))->text().to_utf8();
        buy |= std::string(bytes.begin(), bytes.end()).find("To buy") != std::string::npos;
    }
    EXPECT_TRUE(buy);
}

TEST(ShopPaper, AnOpeningIsPrintedAsItIsSeenFromOutsideWithTheRimUp)
{
    // A leaf slanted by 20° on a cylinder: its tip at the rim's end lies onwards round the wall, which seen from
    // outside, rim up, is to the right (12 o'clock outwards, the axis up: right is the axis × outwards turned about, 9
    // o'clock).
    for (const double slant : {20.0, -20.0}) {
        Piece piece = test::demo("lamp-shade");
        piece.outside = {piece.outside.front(), piece.outside.back()};
        piece.outside[0].r = piece.outside[1].r = 70;
        piece.outside[0].span = Span::Line;
        piece.worked[0].slant = slant;
        piece.worked[0].count = 4;
        const Paper paper(piece);
        const int page = paper.pageWith("To saw open");
        ASSERT_GE(page, 0);
        const poppler::image image = paper.render(page);
        // The first outline's ink, from its uppermost to its lowest row; left of its own neighbor, below the words.
        double top = -1, bottom = -1, topX = 0, bottomX = 0;
        for (int y = 640; y < 1500; ++y)
            for (int x = 180; x < 480; ++x) {
                const auto* at = image.const_data() + static_cast<long>(y) * image.bytes_per_row() + x * 3L;
                if (static_cast<unsigned char>(*at) > 60) continue;  // the ticks are gray
                if (top < 0) top = y, topX = x;
                bottom = y;
                bottomX = x;
            }
        ASSERT_GT(bottom - top, 300) << "30 mm and more of it";
        EXPECT_GT((topX - bottomX) * slant, 0) << slant;
        // As long as the wall between its stations: 48 mm along its own middle line.
        EXPECT_NEAR(std::hypot(topX - bottomX, top - bottom) / 10, 48, 1);
    }
}

TEST(ShopPaper, WhatIsLetInAndWhatIsBoughtStandInLists)
{
    const Paper paper("tide-clock");
    const std::string all = paper.all();
    for (const char* words : {"Let in", "12 of 9.0, cut to 7.0", "To buy beside wood", "a clock", "crushed blue stone"})
        EXPECT_NE(all.find(words), std::string::npos) << words;
    EXPECT_GE(Paper("signal-lantern").pageWith("First outline, before the parts are reversed"), 0);
    EXPECT_EQ(Paper("oar-grip").all().find("To buy beside wood"), std::string::npos);
}
