// Measures go in where they are drawn: pressed on the section, or on the drawing beside the form; typed or by a tool.
#include "app/fields/length_field.h"
#include "app/lanes/section_lane.h"
#include "app/lanes/side_by_side.h"
#include "app/stages/build/as_built_dialog.h"
#include "core/geometry/profile.h"
#include "core/plan/learning/as_built.h"
#include "core/plan/learning/measured_place.h"
#include "tests/ui/desk.h"
#include "tests/ui/popups.h"

#include <QPushButton>

using namespace vl;
using namespace vl::app;

namespace {

/// Types a value as a caliper does, into what has the keyboard, Return at its end; the dialog is closed.
void measure(QDialog& dialog, double mm)
{
    auto* field = qobject_cast<LengthField*>(dialog.focusWidget());
    ASSERT_TRUE(field) << "the value has the keyboard at once";
    EXPECT_EQ(field->selectedText(), field->text()) << "what is typed takes its place";
    QTest::keyClicks(field, QString::number(mm, 'f', 2) + QStringLiteral(" mm"));
    QTest::keyClick(field, Qt::Key_Return);
    if (const QByteArray to = qgetenv("VIVID_PICTURES"); !to.isEmpty())
        dialog.grab().save(QString::fromLocal8Bit(to) + QStringLiteral("/measured-%1.png").arg(mm));
    dialog.close();
}

QPointF seenAt(const SectionLane& section, test::Desk& desk, const Measured& m)
{
    EXPECT_FALSE(seatOf(desk.piece(), desk.doc().plan(), m).empty());
    return section.measurePosition(m);
}

}  // namespace

TEST(MeasuredWhereDrawn, EveryMeasureOfALayerFromItsMenu)
{
    test::Desk desk;
    desk.demo("build");
    auto* section = desk.lane<SectionLane>();
    size_t at = 0;
    while (!desk.doc().plan().cutOf(static_cast<int>(at)) ||
           !(desk.doc().plan().assembly.layers[at].stockInnerRadius() > 0))
        ++at;
    const Layer ring = desk.piece().layers[at];
    struct Row {
        Measured::What what;
        const char* entry;
        double off;
    };
    size_t count = 0;
    for (const Row& row : {Row{Measured::Outside, "outside Ø, as glued", 1.5}, Row{Measured::Inside, "inside Ø", -1},
                           Row{Measured::Height, "height, flattened", -0.4}, Row{Measured::Gap, "gap", 0.2},
                           Row{Measured::Aside, "its middle beside", 0.3}}) {
        const Measured m{.layer = ring.id, .what = row.what};
        const double planned = plannedOf(desk.piece(), desk.doc().plan(), m);
        ASSERT_FALSE(std::isnan(planned)) << row.entry;
        test::chooseNext(row.entry);
        test::inDialog([&](QDialog& dialog) { measure(dialog, planned + row.off); });
        test::rightClick(section, section->layerPosition(static_cast<int>(at)));
        ASSERT_EQ(desk.piece().progress.measured.size(), ++count) << row.entry;
        const Measured& put = desk.piece().progress.measured.back();
        EXPECT_EQ(put.what, row.what);
        EXPECT_EQ(put.layer, ring.id);
        EXPECT_NEAR(put.value, planned + row.off, 0.006);
        EXPECT_NEAR(*put.planned, planned, 1e-9);
    }
    desk.doc().history().undo();
    EXPECT_EQ(desk.piece().progress.measured.size(), count - 1) << "one measure, one step back";
}

TEST(MeasuredWhereDrawn, AWallIsMeasuredAtItsStationAndItsMarkIsPressedAgain)
{
    test::Desk desk;
    desk.demo("turn");
    auto* section = desk.lane<SectionLane>();
    const auto& walls = desk.doc().plan().shape.walls;
    const Measured wall{.what = Measured::Wall, .at = desk.doc().snapped(walls[walls.size() / 2].inside.x())};
    const double planned = plannedOf(desk.piece(), desk.doc().plan(), wall);
    const QPointF place = seenAt(*section, desk, wall);
    test::chooseNext("wall, thick");
    test::inDialog([&](QDialog& dialog) { measure(dialog, planned + 0.5); });
    test::rightClick(section, place);
    ASSERT_EQ(desk.piece().progress.measured.size(), 1u);
    EXPECT_NEAR(desk.piece().progress.measured[0].at, wall.at, 1) << "within a pixel or two of where it was pressed";
    // Its mark stands on the drawing now; pressed, it is measured once more, and takes the first one's place.
    test::inDialog([&](QDialog& dialog) { measure(dialog, planned - 0.25); });
    QTest::mouseDClick(section, Qt::LeftButton, {},
                       section->measurePosition(desk.piece().progress.measured[0]).toPoint());
    QApplication::processEvents();
    ASSERT_EQ(desk.piece().progress.measured.size(), 1u);
    EXPECT_NEAR(desk.piece().progress.measured[0].value, planned - 0.25, 0.006);
    EXPECT_NEAR(*desk.piece().progress.measured[0].planned,
                plannedOf(desk.piece(), desk.doc().plan(), desk.piece().progress.measured[0]), 1e-9);
    if (const QByteArray to = qgetenv("VIVID_PICTURES"); !to.isEmpty())
        desk.window.grab().save(QString::fromLocal8Bit(to) + "/measured-section.png");
}

TEST(MeasuredWhereDrawn, PressedOnTheDrawingBesideTheForm)
{
    test::Desk desk;
    desk.demo("build");
    AsBuiltDialog dialog(desk.doc(), {}, &desk.window);
    dialog.show();
    ASSERT_TRUE(QTest::qWaitForWindowExposed(&dialog));
    QApplication::setActiveWindow(&dialog);
    auto* drawing = dialog.findChild<SideBySide*>("as-measured");
    ASSERT_TRUE(drawing);
    const Plan& plan = desk.doc().plan();
    const Point floor(plan.surfaces.inside.front().x(), 2);
    const BuiltLayer& fifth = plan.assembly.layers[5];
    const Point rim((fifth.z0 + fifth.z1) / 2, fifth.stockOuterRadius());
    // What cannot be read is not put down, and says so.
    auto* value = qobject_cast<LengthField*>(dialog.focusWidget());
    ASSERT_TRUE(value);
    QTest::keyClicks(value, "wide");
    QTest::keyClick(value, Qt::Key_Return);
    EXPECT_TRUE(value->property("bad").toBool());
    EXPECT_TRUE(desk.piece().progress.measured.empty());
    QTest::mouseClick(dialog.findChild<QPushButton*>("put-measured"), Qt::LeftButton);
    EXPECT_TRUE(desk.piece().progress.measured.empty()) << "nor with the mouse";
    QTest::keyClick(value, Qt::Key_Escape);
    for (const auto& [place, what] : {std::pair{floor, Measured::Floor}, std::pair{rim, Measured::Outside}}) {
        QTest::mouseClick(drawing, Qt::LeftButton, {}, drawing->placeOf(place).toPoint());
        const double planned = plannedOf(desk.piece(), plan, measurableAt(desk.piece(), plan, place).front());
        auto* field = qobject_cast<LengthField*>(dialog.focusWidget());
        ASSERT_TRUE(field);
        EXPECT_NEAR(field->value(), planned, 1e-6) << "as planned, until it is typed over";
        QTest::mouseClick(dialog.findChild<QPushButton*>("put-measured"), Qt::LeftButton);
        ASSERT_FALSE(desk.piece().progress.measured.empty());
        EXPECT_EQ(desk.piece().progress.measured.back().what, what);
    }
    EXPECT_EQ(desk.doc().selection().layer, 5) << "the layer that was pressed is the one that is chosen";
    // The other half shows what becomes of it: nothing is measured there.
    QTest::mouseClick(drawing, Qt::LeftButton, {}, QPoint(drawing->width() - 40, drawing->height() / 2));
    EXPECT_EQ(desk.doc().selection().layer, 5);
}
