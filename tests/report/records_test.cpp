// What the drawings of paper and screen put where: by the record of what is painted, not by a picture of it.
#include "core/workpiece/axis_set_ups.h"
#include "report/axes.h"
#include "report/profile_template.h"
#include "tests/support/paint_record.h"
#include "tests/support/plain_piece.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <QPainter>

#include <random>

namespace vl::test {
namespace {

using report::AxisSight;

const report::Inks inks{Qt::black, Qt::black, Qt::gray, Qt::white};

QStringList wordsOn(const PaintRecord& record)
{
    QStringList words;
    for (const PaintRecord::Text& t : record.texts) words << t.words;
    return words;
}

}  // namespace

TEST(Drawings, SeeAnEndFromOutside)
{
    const QPointF center(200, 150);
    // From the tailstock 12 o'clock is up and 9 o'clock at the left; from the headstock 9 o'clock is at the right.
    const Point twelve(10, 0), nine(0, 10);
    for (const AxisSight sight : {AxisSight::Head, AxisSight::Section, AxisSight::Tail}) {
        const QPointF up = report::seenAt(twelve, sight, center, 3);
        EXPECT_NEAR(up.x(), 200, 1e-9);
        EXPECT_NEAR(up.y(), 150 - 30, 1e-9);
        const QPointF side = report::seenAt(nine, sight, center, 3);
        EXPECT_NEAR(side.x(), sight == AxisSight::Head ? 230 : 170, 1e-9);
        EXPECT_NEAR(side.y(), 150, 1e-9);
    }
    std::mt19937 dice(20260101);
    std::uniform_real_distribution<double> place(-90, 90), scales(0.1, 8);
    for (int k = 0; k < 300; ++k) {
        const Point p(place(dice), place(dice));
        const double scale = scales(dice);
        for (const AxisSight sight : {AxisSight::Head, AxisSight::Section, AxisSight::Tail}) {
            const Point back = report::placeOf(report::seenAt(p, sight, center, scale), sight, center, scale);
            EXPECT_LT((back - p).norm(), 1e-9);
        }
    }
}

TEST(Drawings, NumberEveryMarkOfAPlate)
{
    for (const int holes : {12, 24, 36, 48, 60})
        for (const int marks : {3, 4, 6, 12}) {
            if (holes % marks) continue;
            std::vector<IndexMark> all;
            for (int k = 0; k < marks; ++k) all.push_back({.hole = k * holes / marks});
            PaintRecord record({400, 400});
            {
                QPainter painter(&record);
                report::drawPlate(painter, {200, 200}, 170, holes, all, inks, Qt::red);
            }
            const QStringList words = wordsOn(record);
            for (int k = 0; k < marks; ++k) {
                const QString said = QStringLiteral("%1: %2").arg(k + 1).arg(k * holes / marks);
                EXPECT_TRUE(words.contains(said)) << holes << ", " << said.toStdString();
            }
            EXPECT_TRUE(record.over().isEmpty()) << holes << ": " << record.over().join(", ").toStdString();
            // Each number stands on its own ray: 12 o'clock first, counterclockwise as seen from the tailstock.
            for (const PaintRecord::Text& t : record.texts) {
                bool number = false;
                const int k = t.words.section(':', 0, 0).toInt(&number) - 1;
                if (!number || k < 0 || k >= marks) continue;
                const QPointF off = t.box.center() - QPointF(200, 200);
                const double deg = std::atan2(-off.x(), -off.y()) / degrees;
                EXPECT_NEAR(std::remainder(deg - 360.0 * k / marks, 360.0), 0, 8) << holes << ", number " << k + 1;
            }
        }
}

TEST(Drawings, OfMountsKeepTheirWordsApart)
{
    for (const std::string& name : demoNames()) {
        const Piece piece = demo(name);
        const Shop shop = harbourShop();
        const Plan plan = makePlan(piece, shop);
        for (const Mount& m : plan.mounts) {
            PaintRecord record({700, 260});
            {
                QPainter painter(&record);
                report::drawMount(painter, {0, 0, 700, 260}, m, plan, shop, inks, Qt::red);
            }
            EXPECT_GT(record.drawn, 5u) << name << ", " << m.id;
            EXPECT_TRUE(record.over().isEmpty())
                << name << ", " << m.id << ": " << record.over().join(", ").toStdString();
            EXPECT_TRUE(record.cut().isEmpty())
                << name << ", " << m.id << ": " << record.cut().join(", ").toStdString();
            for (const PaintRecord::Line& l : record.lines)
                for (const QPointF& p : {l.a, l.b})
                    EXPECT_TRUE(std::isfinite(p.x()) && std::isfinite(p.y())) << name << ", " << m.id;
        }
    }
}

TEST(Template, CoversTheWholeOutlineAtFullSize)
{
    const QSizeF page(210, 297);
    std::mt19937 dice(20260101);
    std::uniform_real_distribution<double> radius(10, 300), heights(20, 600);
    for (int k = 0; k < 40; ++k) {
        const double foot = radius(dice), belly = radius(dice), rim = radius(dice), height = heights(dice);
        Piece p = plainCylinder(foot, height, BlockForm::Along);
        p.outside = {corner(0, foot), corner(height / 2, belly), corner(height, rim)};
        const TurnedSurfaces surfaces = turnedSurfacesOf(p);
        const auto tiles = report::templateTiles(surfaces, page);
        ASSERT_FALSE(tiles.empty());
        for (const report::TemplateTile& t : tiles) {
            EXPECT_TRUE(QRectF(QPointF(0, 0), page).contains(t.area));
            // A millimeter is a millimeter, whichever way the axis runs.
            const QPointF origin = t.at(t.z0, t.r0), along = t.at(t.z0 + 7, t.r0), out = t.at(t.z0, t.r0 + 7);
            EXPECT_NEAR(std::hypot(along.x() - origin.x(), along.y() - origin.y()), 7, 1e-9);
            EXPECT_NEAR(std::hypot(out.x() - origin.x(), out.y() - origin.y()), 7, 1e-9);
        }
        for (const Point& at : refined(surfaces.outside, 5)) {
            const bool shown = std::ranges::any_of(tiles, [&](const report::TemplateTile& t) {
                return !t.hollow && t.area.adjusted(-1e-6, -1e-6, 1e-6, 1e-6).contains(t.at(at.x(), at.y()));
            });
            EXPECT_TRUE(shown) << "station " << at.x() << " of " << height << " is on no page";
        }
    }
}

}  // namespace vl::test
