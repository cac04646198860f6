// From a starting outline to the printed packet, as a person would.
#include "app/fields/figure_row.h"
#include "app/fields/working_card.h"
#include "app/lanes/face_view.h"
#include "app/lanes/figures_lane.h"
#include "app/lanes/layer_tabs.h"
#include "app/lanes/section_lane.h"
#include "app/solid/solid_view.h"
#include "app/stages/build/skin_lane.h"
#include "app/stages/glue/timetable.h"
#include "app/window/bed.h"
#include "core/piece/edits/edit.h"
#include "io/files.h"
#include "io/shop_book.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QSpinBox>

using namespace vl;
using namespace vl::app;
using vl::test::Desk;

TEST(Journey, FromAStartToThePacketAndAllTheWayBack)
{
    Desk b;
    b.press("Open bowl");
    const Piece first = b.piece();
    EXPECT_EQ(first.name, "Open bowl");

    // Shape: drag a node; it follows the hand, as one step.
    auto* section = b.lane<SectionLane>();
    const QPointF node = section->nodePosition(Side::Outside, 3);
    b.drag(section, node, node + QPointF(12, -15));
    EXPECT_GT(b.piece().outside[3].r, first.outside[3].r);
    EXPECT_GT(b.piece().outside[3].z, first.outside[3].z);
    EXPECT_EQ(b.doc().history().count(), 1) << "a drag is one step";
    b.type("At station", "20");
    b.type("make the diameter", "5 1/2in");
    EXPECT_NEAR(2 * radiusAt(b.doc().plan().surfaces.outside, 20), 139.7, 0.01);
    b.type("Wall at the rim", "8");
    EXPECT_EQ(b.piece().hollow.rimWall, 8);

    // Build: divide, choose two rings, change them together, paint.
    b.press("Next: Build");
    b.press("divide");
    EXPECT_EQ(b.piece().layers.size(), 9u);
    section = b.lane<SectionLane>();
    auto* tabs = b.lane<LayerTabs>();
    b.click(tabs, tabs->tabPosition(3));
    b.click(tabs, tabs->tabPosition(5), Qt::ControlModifier);
    auto* segments = b.named<QSpinBox>("Segments");
    segments->setFocus();
    segments->selectAll();
    QTest::keyClicks(segments, "16");
    QTest::keyClick(segments, Qt::Key_Return);
    EXPECT_EQ(b.piece().layers[3].ring()->segments, 16);
    EXPECT_EQ(b.piece().layers[5].ring()->segments, 16);
    EXPECT_EQ(b.piece().layers[4].ring()->segments, 12);
    auto* skin = b.lane<SkinLane>();
    skin->setBrush({"purpleheart", 4});
    b.click(skin, skin->segmentPosition(3, 1));
    EXPECT_EQ(b.piece().layers[3].woods.size(), 4u);
    EXPECT_EQ(b.piece().layers[3].woods[1], "purpleheart");
    skin->setBrush({});

    // Units do not touch what is stored.
    const Piece before = b.piece();
    b.press("Decimal inches");
    EXPECT_EQ(b.doc().style().unit, LengthStyle::Unit::Inch);
    b.press("Fractions of an inch");
    EXPECT_TRUE(b.named<LengthField>("Thickness")->text().contains("/")) << "inches read in fractions";
    b.press("Millimeters");
    EXPECT_EQ(b.piece(), before);

    // Save, print, undo all the way back, redo, reopen and compare.
    b.answer = b.folder.filePath("bowl.vlathe");
    EXPECT_TRUE(b.window.save());
    EXPECT_FALSE(b.doc().edited());
    b.answer = b.folder.filePath("bowl.pdf");
    b.answerDialog({"Save as PDF …", "Close"});
    for (const char* stage : {"Next: Cut", "Next: Glue", "Next: Turn", "Next: Finish", "Next: Log", "next"})
        b.press(stage);
    EXPECT_GT(QFile(b.answer).size(), 20000) << "the last Next prints the packet";
    EXPECT_TRUE(b.window.message().contains("100 %")) << b.window.message().toStdString();
    const Piece saved = b.piece();
    while (b.doc().history().canUndo()) b.press("Undo");
    EXPECT_EQ(b.piece(), first);
    while (b.doc().history().canRedo()) b.press("Redo");
    EXPECT_EQ(b.piece(), saved);
    Desk other;
    EXPECT_TRUE(other.window.openPath(b.folder.filePath("bowl.vlathe")));
    EXPECT_EQ(other.piece(), saved);
}

TEST(Build, LayersAreHandledOnTheDrawing)
{
    Desk b;
    b.demo("build");
    auto* section = b.lane<SectionLane>();
    const Piece cup = b.piece();
    // A boundary, by its handle.
    const QPointF grip = section->boundaryPosition(6);
    b.drag(section, grip, grip + QPointF(10, 0));
    EXPECT_GT(b.piece().layers[6].thickness, cup.layers[6].thickness);
    EXPECT_NEAR(stackHeight(b.piece()), stackHeight(cup), 1e-9);
    EXPECT_EQ(b.doc().history().count(), 1);
    b.doc().history().undo();
    // The order, by the tabs.
    auto* tabs = b.lane<LayerTabs>();
    b.drag(tabs, tabs->tabPosition(6), tabs->tabPosition(8));
    EXPECT_EQ(b.piece().layers[8].woods, cup.layers[6].woods);
    b.doc().history().undo();
    // A double click chooses and no more; removing and adding by keys.
    QTest::mouseDClick(section, Qt::LeftButton, {}, section->layerPosition(7).toPoint());
    EXPECT_EQ(b.piece(), cup);
    b.click(section, section->layerPosition(5));
    QTest::keyClick(section, Qt::Key_Delete);
    EXPECT_EQ(b.piece().layers.size(), cup.layers.size() - 1);
    QTest::keyClick(section, Qt::Key_Insert);
    EXPECT_EQ(b.piece().layers.size(), cup.layers.size());
    while (b.doc().history().canUndo()) b.doc().history().undo();
    EXPECT_EQ(b.piece(), cup);
}

TEST(Build, PaintsOneStrokeAsOneStep)
{
    Desk b;
    b.demo("build");
    auto* skin = b.lane<SkinLane>();
    skin->setBrush({"holly"});
    b.drag(skin, skin->segmentPosition(7, 2), skin->segmentPosition(7, 6), 20);
    EXPECT_EQ(b.doc().history().count(), 1);
    const auto& woods = b.piece().layers[7].woods;
    EXPECT_EQ(std::ranges::count(woods, "holly"), 5);
}

TEST(Selection, IsSharedByEveryView)
{
    Desk b;
    b.demo("build");
    auto* skin = b.lane<SkinLane>();
    b.click(skin, skin->segmentPosition(10, 4));
    EXPECT_EQ(b.doc().selection().layer, 10);
    EXPECT_EQ(b.doc().selection().segment, 4);
    b.window.goTo("cut");
    QApplication::processEvents();
    EXPECT_NE(b.button("One segment of ring 11"), nullptr);
    // A click on the solid chooses what is under it, on every stage.
    QWidget& canvas = b.window.solid().canvas();
    b.click(&canvas, QPointF(canvas.width() / 2.0, canvas.height() * 0.30));
    EXPECT_GE(b.doc().selection().layer, 9);
    const int bowl = b.doc().selection().layer;
    b.click(&canvas, QPointF(canvas.width() / 2.0, canvas.height() * 0.66));
    EXPECT_LT(b.doc().selection().layer, bowl) << "further down is nearer the foot";
    b.window.goTo("build");
    auto* face = b.lane<FaceView>();
    b.doc().selectLayer(10);
    b.click(face, face->segmentPosition(7));
    EXPECT_EQ(b.doc().selection().segment, 7);
}

TEST(Solid, TurnsZoomsAndIsCutAway)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    SolidScene& scene = b.window.solid().scene();
    QWidget& canvas = b.window.solid().canvas();
    const double yaw = scene.camera.yaw;
    b.drag(&canvas, QPointF(100, 100), QPointF(160, 120));
    EXPECT_NEAR(scene.camera.yaw - yaw, 30, 6);
    const size_t whole = scene.mesh().indices.size();
    canvas.setFocus();
    QTest::keyClick(&canvas, Qt::Key_C);
    EXPECT_TRUE(scene.cutAway);
    EXPECT_NE(scene.mesh().indices.size(), whole);
    QTest::keyClick(&canvas, Qt::Key_U);
    EXPECT_FALSE(scene.camera.upright);
    b.press("Stand the piece up (U)");
    EXPECT_TRUE(scene.camera.upright);
}

TEST(Working, OpensFromEveryFigure)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    b.doc().selectLayer(10);
    for (const QString& stage : b.window.stageNames()) {
        b.window.goTo(stage);
        QApplication::processEvents();
        for (auto* row : b.window.findChildren<FigureRow*>()) {
            if (!row->isVisible()) continue;
            QTest::mouseClick(row, Qt::LeftButton);
            auto* card = b.window.findChild<WorkingCard*>();
            ASSERT_NE(card, nullptr) << row->accessibleName().toStdString();
            EXPECT_NE(card->findChild<QLabel*>("formula"), nullptr) << row->accessibleName().toStdString();
            card->close();
            QApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        }
    }
    b.window.goTo("cut");
    QTest::mouseClick(b.button("Stop at, outer edge"), Qt::LeftButton);
    auto* card = b.window.findChild<WorkingCard*>();
    ASSERT_NE(card, nullptr);
    EXPECT_TRUE(card->findChild<QLabel*>("numbers")->text().contains(QStringLiteral("tan(180° ÷ 18)")));
}

TEST(Cut, SchoolAndTrialRingChangeWhatIsSet)
{
    Desk b;
    b.demo("cut");
    b.doc().selectLayer(10);
    b.type("Gap in the trial ring", "0.8");
    EXPECT_EQ(b.piece().choices.trialRing, b.piece().layers[10].id);
    EXPECT_TRUE(b.button("Add to the miter")->accessibleName().contains("+0.0"))
        << b.button("Add to the miter")->accessibleName().toStdString();
    b.doc().apply("sled", [](Piece& p) { p.choices.cutting = CutMethod::WedgeSled; });
    QApplication::processEvents();
    EXPECT_TRUE(b.button("Sled offset over the run")->accessibleName().contains("52.9")) << "300 × tan 10°";
    // A sample is in its own workshop: what is changed there is gone with it. The turner's own is kept in the book.
    b.type("Kerf of the saw", "1/8in");
    EXPECT_NEAR(b.doc().shop().kerf, 3.175, 1e-9);
    b.way = 1;  // the changed sample is let go
    b.window.goTo("start");
    b.press("Open bowl");
    EXPECT_EQ(b.doc().shop(), Shop{});
    b.window.goTo("cut");
    b.type("Kerf of the saw", "2.2");
    EXPECT_EQ(io::ShopBook(b.folder.filePath("shop.sqlite").toStdString()).load().kerf, 2.2);
}

TEST(Glue, EachStepSaysHowAndWhy)
{
    Desk b;
    b.demo("glue");
    auto* list = b.named<QListWidget>("Steps in order");
    EXPECT_EQ(list->count(), static_cast<int>(b.doc().plan().assembly.recipe.size()));
    auto* table = b.lane<Timetable>();
    b.click(table, table->stepPosition("glue-wait-L14"));
    EXPECT_EQ(b.doc().selection().step, "glue-wait-L14");
    EXPECT_EQ(b.doc().selection().layer, 10);
    EXPECT_TRUE(std::ranges::any_of(b.window.findChildren<QLabel*>(), [](QLabel* l) {
        return l->isVisible() && l->text().startsWith("Why: a joint moved before");
    }));
    const int row = list->currentRow();
    QTest::keyClick(list, Qt::Key_Down);
    EXPECT_EQ(list->currentRow(), row + 1);
    EXPECT_NE(b.doc().selection().step, "glue-wait-L14");
}

TEST(Keyboard, ReachesStagesNodesAndLayers)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    for (int i = 4; i >= 0; --i) {
        QTest::keyClick(&b.window, static_cast<Qt::Key>(Qt::Key_1 + i), Qt::ControlModifier);
        EXPECT_EQ(b.named<Bed>("Stages of the work")->current(), i);
    }
    auto* section = b.lane<SectionLane>();
    section->setFocus();
    QTest::keyClick(section, Qt::Key_PageDown);
    QTest::keyClick(section, Qt::Key_PageDown);
    EXPECT_EQ(b.doc().selection().node, 1);
    const double r = b.piece().outside[1].r;
    QTest::keyClick(section, Qt::Key_Up);
    EXPECT_NEAR(b.piece().outside[1].r, r + 0.5, 1e-9);
    const size_t nodes = b.piece().outside.size();
    QTest::keyClick(section, Qt::Key_Delete);
    EXPECT_EQ(b.piece().outside.size(), nodes - 1);
    QTest::keyClick(&b.window, Qt::Key_A, Qt::ControlModifier);
    EXPECT_EQ(b.doc().selection().layers.size(), 15u);
}

TEST(Shape, NodesAreAddedAndTheFloorIsDragged)
{
    Desk b;
    b.demo("shape");
    auto* section = b.lane<SectionLane>();
    const QPointF a = section->nodePosition(Side::Outside, 7), c = section->nodePosition(Side::Outside, 8);
    QTest::mouseDClick(section, Qt::LeftButton, {}, ((a + c) / 2).toPoint());
    EXPECT_EQ(b.piece().outside.size(), 12u);
    const double floor = b.piece().hollow.floor;
    b.drag(section, section->floorPosition(), section->floorPosition() + QPointF(15, 0));
    EXPECT_GT(b.piece().hollow.floor, floor + 2);
    // Drawn freely: the inside gets nodes of its own.
    auto* rule = b.window.findChild<QComboBox*>();
    for (auto* combo : b.window.findChildren<QComboBox*>())
        if (combo->isVisible() && combo->findText("drawn freely") >= 0) rule = combo;
    rule->setCurrentIndex(2);
    emit rule->activated(2);
    EXPECT_EQ(b.piece().hollow.rule, WallRule::Drawn);
    ASSERT_GE(b.piece().hollow.inside.size(), 5u);
    const double was = b.piece().hollow.inside[4].r;
    b.drag(section, section->nodePosition(Side::Inside, 4), section->nodePosition(Side::Inside, 4) + QPointF(0, 12));
    EXPECT_LT(b.piece().hollow.inside[4].r, was);
}
