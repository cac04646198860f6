// The packet measured as on paper: rendered by poppler at a known resolution, distances counted in pixels.
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "core/plan/boards/setups.h"
#include "core/plan/working.h"
#include "io/files.h"
#include "report/packet.h"
#include "report/profile_template.h"
#include "tests/support/samples.h"

#include <QRegularExpression>
#include <QTemporaryDir>

#include <gtest/gtest.h>
#include <poppler-document.h>
#include <poppler-page-renderer.h>
#include <poppler-page.h>

#include <cmath>
#include <memory>

using namespace vl;

namespace {

constexpr double dpi = 508;  // 20 pixels a millimeter

struct Packet {
    QTemporaryDir folder;
    Plan plan = makePlan(test::regattaCup(), {});
    std::unique_ptr<poppler::document> document;

    explicit Packet(report::Paper paper)
    {
        const std::string path = folder.filePath("cup.pdf").toStdString();
        io::replaceFile(
            path, [&](QIODevice& file) { report::writePacket(test::regattaCup(), {}, plan, {}, {}, paper, file); });
        document.reset(poppler::document::load_from_file(path));
    }
    std::string text(int page) const
    {
        const auto bytes = std::unique_ptr<poppler::page>(document->create_page(page))->text().to_utf8();
        return {bytes.begin(), bytes.end()};
    }
    std::vector<int> pagesWith(const std::string& words) const
    {
        std::vector<int> found;
        for (int i = 0; i < document->pages(); ++i)
            if (text(i).find(words) != std::string::npos) found.push_back(i);
        return found;
    }
    poppler::image render(int page) const
    {
        poppler::page_renderer renderer;
        renderer.set_image_format(poppler::image::format_rgb24);
        renderer.set_render_hint(poppler::page_renderer::antialiasing, false);
        return renderer.render_page(std::unique_ptr<poppler::page>(document->create_page(page)).get(), dpi, dpi);
    }
};

bool black(const poppler::image& image, int x, int y)
{
    if (x < 0 || y < 0 || x >= image.width() || y >= image.height()) return false;
    const char* p = image.const_data() + static_cast<long>(y) * image.bytes_per_row() + x * 3L;
    return static_cast<unsigned char>(p[0]) < 60 && static_cast<unsigned char>(p[1]) < 60 &&
           static_cast<unsigned char>(p[2]) < 60;
}

int px(double mm) { return static_cast<int>(std::lround(mm * dpi / 25.4)); }

/// The middles, mm, of the black runs along a line from `from` in direction (dx, dy), `length` mm long.
std::vector<double> runs(const poppler::image& image, QPointF from, double dx, double dy, double length)
{
    std::vector<double> found;
    double start = -1;
    for (int i = 0; i <= px(length); ++i) {
        const double mm = i * 25.4 / dpi;
        const bool on = black(image, px(from.x() + dx * mm), px(from.y() + dy * mm));
        if (on && start < 0) start = mm;
        if (!on && start >= 0) {
            found.push_back((start + mm) / 2);
            start = -1;
        }
    }
    return found;
}

}  // namespace

/// Whether a ring has a sheet, its own or one it shares with the rings beside it.
bool hasRing(const std::string& text, int number)
{
    const QString words = QString::fromStdString(text);
    if (words.contains(QStringLiteral("Ring %1\n").arg(number)) ||
        words.contains(QStringLiteral("Ring %1 ").arg(number)))
        return true;
    static const QRegularExpression shared(QStringLiteral("Rings ([0-9]+) to ([0-9]+)"));
    for (auto it = shared.globalMatch(words); it.hasNext();) {
        const auto match = it.next();
        if (number >= match.captured(1).toInt() && number <= match.captured(2).toInt()) return true;
    }
    return false;
}

/// How many pages of the packet are no full-size sheets.
int pagesToRead(const poppler::document& document)
{
    int count = 0;
    for (int i = 0; i < document.pages(); ++i) {
        const auto bytes = std::unique_ptr<poppler::page>(document.create_page(i))->text().to_utf8();
        const std::string text(bytes.begin(), bytes.end());
        count += text.find("this bar is 100 mm") == std::string::npos;
    }
    return count;
}

class PacketOn : public testing::TestWithParam<report::Paper> {};

TEST_P(PacketOn, ShowsTheTemplateAtFullSize)
{
    const Packet packet(GetParam());
    const QSizeF page = GetParam() == report::Paper::A4 ? QSizeF(210, 297) : QSizeF(215.9, 279.4);
    const auto size = std::unique_ptr<poppler::page>(packet.document->create_page(0))->page_rect();
    EXPECT_NEAR(size.width() / 72 * 25.4, page.width(), 0.3);
    const std::vector<int> pages = packet.pagesWith("Template, ");
    const std::vector<report::TemplateTile> tiles = report::templateTiles(packet.plan.surfaces, page);
    ASSERT_EQ(static_cast<int>(pages.size()), tiles.back().page + 1);
    int measured = 0;
    for (size_t t = 0; t < tiles.size(); ++t) {
        const poppler::image image = packet.render(pages[static_cast<size_t>(tiles[t].page)]);
        // The bar: its black run along the line.
        const QPointF bar = report::templateBar(page);
        const int y = px(bar.y());
        int first = -1, last = -1;
        for (int x = px(5); x < px(bar.x() + 103); ++x)
            if (black(image, x, y)) first = first < 0 ? x : first, last = x;
        EXPECT_NEAR((last - first + 1) * 25.4 / dpi, 100, 0.2 + 0.2) << "the ends' ticks are 0.2 mm thick";
        const QPointF side = report::templateSideBar(page);
        const auto upright = runs(image, side - QPointF(0, 3), 0, 1, 110);
        ASSERT_EQ(upright.size(), 1u);
        EXPECT_NEAR(upright[0] - 3, 50, 0.2) << "the middle of the bar that runs down";
        // Radii: from the axis to the outline, across the axis at three stations.
        const report::TemplateTile& tile = tiles[t];
        const Polyline& line = tile.hollow ? packet.plan.surfaces.inside : packet.plan.surfaces.outside;
        for (const double z : {33.0, 146.0, 187.0, 223.0}) {
            const double r = radiusRange(line, z, z).high;
            const QPointF axis = tile.at(z, 0), edge = tile.at(z, r);
            if (std::isnan(r) || !tile.area.contains(axis) || !tile.area.contains(edge)) continue;
            const QPointF from = tile.at(z, -1);
            const auto black = runs(image, from, tile.turned ? 1 : 0, tile.turned ? 0 : -1, r + 4);
            ASSERT_EQ(black.size(), 2u) << "axis and outline at station " << z;
            EXPECT_NEAR(2 * (black[1] - black[0]), 2 * r, 0.2) << "diameter at station " << z;
            ++measured;
        }
    }
    EXPECT_GE(measured, 3);
}

INSTANTIATE_TEST_SUITE_P(Papers, PacketOn, testing::Values(report::Paper::A4, report::Paper::Letter));

TEST(Packet, HoldsEverySheet)
{
    const Packet packet(report::Paper::A4);
    EXPECT_FALSE(packet.pagesWith("Ring 14").empty());
    EXPECT_FALSE(packet.pagesWith("Strip list").empty());
    EXPECT_FALSE(packet.pagesWith("Glue layer 15 onto the stack").empty());
    EXPECT_FALSE(packet.pagesWith("Parting depth").empty());
    EXPECT_NE(packet.text(0).find("Regatta cup"), std::string::npos);
    EXPECT_NE(packet.text(packet.pagesWith("Ring 14")[0]).find("80.000°"), std::string::npos)
        << "eighteen segments: fence at 80°";
    EXPECT_FALSE(packet.pagesWith("hollow side").empty());
}

TEST(Packet, OfTheCupIsShortAndLosesNothing)
{
    QTemporaryDir folder;
    const Piece cup = test::regattaCup();
    const Shop shop = test::harbourShop();
    const Plan plan = makePlan(cup, shop);
    const BoardPlan boards = planBoards(cup, shop, plan.assembly);
    const std::string path = folder.filePath("cup.pdf").toStdString();
    io::replaceFile(
        path, [&](QIODevice& file) { report::writePacket(cup, shop, plan, boards, {}, report::Paper::A4, file); });
    const std::unique_ptr<poppler::document> document(poppler::document::load_from_file(path));
    EXPECT_LE(pagesToRead(*document), 14);
    QString all;
    for (int i = 0; i < document->pages(); ++i) {
        const auto bytes = std::unique_ptr<poppler::page>(document->create_page(i))->text().to_utf8();
        all += QString::fromUtf8(bytes.data(), static_cast<int>(bytes.size()));
    }
    all = all.replace(QChar(0xfb01), QStringLiteral("fi")).simplified();  // the type joins f and i
    auto says = [&](const std::string& words) {
        EXPECT_TRUE(all.contains(QString::fromStdString(words).simplified())) << words;
    };
    for (const Step& s : plan.assembly.recipe) {
        if (s.action == Action::Wait) continue;
        says(print(s.title));
        for (const Setting& one : s.settings)
            says(print(Quantity{one.value, one.unit, one.decimals}));  // in its words the first time, after that alone
    }
    for (const vl::Setup& s : setupsOf(cup, plan.assembly, boards))
        for (const Setting& one : s.settings)
            says(print(Quantity{one.value, one.unit, one.unit == Unit::Angle ? 3 : 2}));
    for (const BuiltLayer& b : plan.assembly.layers)
        for (const Setting& s : b.settings) says(workingOf(s, {}).result);
    for (const PlannedBoard& b : boards.boards) says(b.board.id + " · " + speciesOf(b.board.wood).name);
}

TEST(Template, TilesShareTheirRegisterStripsAndCoverTheProfile)
{
    for (const Start& start : starts()) {
        const TurnedSurfaces surfaces = turnedSurfacesOf(start.make());
        for (const QSizeF page : {QSizeF(210, 297), QSizeF(215.9, 279.4)}) {
            const auto tiles = report::templateTiles(surfaces, page);
            for (const bool hollow : {false, true})
                for (const Point& p : hollow ? surfaces.inside : surfaces.outside)
                    EXPECT_TRUE(std::ranges::any_of(tiles, [&](const auto& t) {
                        return t.hollow == hollow && t.area.contains(t.at(p.x(), p.y()));
                    })) << start.name;
            for (const auto& t : tiles)
                if (t.column > 0) {
                    const auto& before = *std::ranges::find_if(tiles, [&](const auto& o) {
                        return o.hollow == t.hollow && o.row == t.row && o.column == t.column - 1;
                    });
                    const double along = t.turned ? t.area.height() : t.area.width();
                    EXPECT_NEAR(before.z0 + along - t.z0, report::templateShared, 1e-9);
                }
        }
    }
}

TEST(Packet, OfEveryStartInEveryUnitSaysWhatThePlanSays)
{
    QTemporaryDir folder;
    const LengthStyle styles[] = {
        {LengthStyle::Unit::Millimeter}, {LengthStyle::Unit::Inch}, {LengthStyle::Unit::Fraction, 32}};
    int k = 0;
    for (const Start& start : starts()) {
        const Piece piece = start.make();
        const LengthStyle style = styles[k % 3];
        const Plan plan = makePlan(piece, {}, style);
        const std::string path = folder.filePath("p.pdf").toStdString();
        io::replaceFile(path, [&](QIODevice& file) {
            report::writePacket(piece, {}, plan, {}, style, k++ % 2 ? report::Paper::Letter : report::Paper::A4, file);
        });
        const std::unique_ptr<poppler::document> document(poppler::document::load_from_file(path));
        ASSERT_NE(document, nullptr) << start.name;
        std::string all;
        for (int i = 0; i < document->pages(); ++i) {
            const auto bytes = std::unique_ptr<poppler::page>(document->create_page(i))->text().to_utf8();
            all.append(bytes.begin(), bytes.end());
        }
        auto says = [&](const std::string& words) {
            EXPECT_NE(all.find(words), std::string::npos) << start.name << " does not say " << words;
        };
        says(formatLengthUnit(plan.shape.height, style));
        for (const RingCut& r : plan.cuts.rings) {
            EXPECT_TRUE(hasRing(all, r.layer + 1)) << start.name << " has no sheet of ring " << r.layer + 1;
            says(formatLengthUnit(r.outerEdge, style, 2));
        }
        for (const Strip& s : plan.cuts.strips) says(s.species->name);
        for (const Station& s : plan.stations) says(formatLength(s.outside, style, 1));
        says("machine's manual");
        for (const Caution& c : plan.cautions) says(c.at);
    }
}

TEST(Packet, ThatCannotBeWrittenSaysSo)
{
    const Piece piece = starts()[0].make();
    const Plan plan = makePlan(piece, {});
    auto print = [&](QIODevice& file) { report::writePacket(piece, {}, plan, {}, {}, report::Paper::A4, file); };
    EXPECT_THROW(io::replaceFile("/no/such/folder/p.pdf", print), InputError);
    EXPECT_THROW(io::replaceFile("/dev/full", print), InputError) << "QPdfWriter itself says nothing";
}
