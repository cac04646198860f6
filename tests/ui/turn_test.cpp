// The Turn stage by hand: axes put in and dragged on both ends, their numbers, mounts, index and the film under the
// solid.
#include "app/lanes/section_lane.h"
#include "app/solid/film_bar.h"
#include "app/solid/solid_view.h"
#include "app/stages/turn/axes_view.h"
#include "app/stages/turn/grid_view.h"
#include "app/stages/turn/mounts_view.h"
#include "app/stages/turn/opening_view.h"
#include "app/stages/turn/turn_stage.h"
#include "app/window/machines_dialog.h"
#include "core/picture/mesh.h"
#include "core/piece/document/hole_ends.h"
#include "core/workpiece/cross_section.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QComboBox>
#include <QFile>
#include <QLabel>
#include <QListWidget>
#include <QSlider>

using namespace vl;
using namespace vl::app;
using report::AxisSight;

namespace {

class Turn : public testing::Test {
protected:
    void open(const QString& sample)
    {
        ASSERT_TRUE(desk.window.openDemo(sample));
        ASSERT_TRUE(desk.window.goTo("turn"));
        QApplication::processEvents();
    }
    AxesView* axes()
    {
        desk.press("axes");
        return desk.lane<AxesView>();
    }
    test::Desk desk;
};

}  // namespace

TEST_F(Turn, ACenterIsDraggedOnEitherEndAndUndone)
{
    open("oar-grip");
    AxesView* view = axes();
    const OffAxis before = desk.piece().axes[0];
    const Plan plan = desk.doc().plan();
    // Outwards along its own direction on the head's end: that end alone moves.
    const QPointF at = view->centerPosition(0, AxisSight::Head);
    desk.drag(view, at, at + QPointF(0, -18));
    EXPECT_GT(desk.piece().axes[0].headOffset, before.headOffset + 1);
    EXPECT_EQ(desk.piece().axes[0].tailOffset, before.tailOffset);
    EXPECT_NEAR(desk.piece().axes[0].headDirection, 0, 1);
    EXPECT_NE(desk.doc().plan().setUps[0].solid.tiltDeg(), 0) << "now it leans";
    // The others go with it, each at its own angle.
    for (const AxisSetUp& s : desk.doc().plan().setUps)
        EXPECT_NEAR(s.head.norm(), desk.piece().axes[0].headOffset, 1e-9) << s.id;
    QTest::keyClick(&desk.window, Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(desk.piece().axes[0].headOffset, before.headOffset);
    // Seen from the headstock 9 o'clock is at the right: side 2, at 120°, stands right of the middle there.
    EXPECT_GT(view->centerPosition(1, AxisSight::Head).x(), at.x());
    EXPECT_LT(view->centerPosition(1, AxisSight::Tail).x(), view->centerPosition(0, AxisSight::Tail).x());
}

TEST_F(Turn, AnAxisIsAddedTypedAndTakenAwayAgain)
{
    open("boathook-grip");
    ASSERT_TRUE(desk.piece().axes.empty());
    desk.press("add-axis");
    ASSERT_EQ(desk.piece().axes.size(), 1u);
    EXPECT_TRUE(desk.lane<AxesView>()->isVisible()) << "shown at once";
    EXPECT_EQ(desk.doc().plan().setUps.size(), 3u);
    EXPECT_FALSE(desk.doc().plan().mustStop()) << "what is proposed works";
    desk.type("Turned from", "60");
    EXPECT_NEAR(desk.piece().axes[0].outside.front().z, 60, 1e-9);
    desk.type("Off center at the head", "7");
    EXPECT_NEAR(desk.piece().axes[0].headOffset, 7, 1e-9);
    auto* said = desk.named<QLabel>("axis-comes-to");
    ASSERT_NE(said, nullptr);
    EXPECT_TRUE(said->text().contains("of a turn is air")) << said->text().toStdString();
    desk.press("remove-axis");
    EXPECT_TRUE(desk.piece().axes.empty());
    EXPECT_EQ(desk.lane<AxesView>()->chosen(), -1);
}

TEST_F(Turn, TheSectionMovesAlongThePiece)
{
    open("belaying-pin");
    AxesView* view = axes();
    EXPECT_NEAR(view->station(), 112, 1e-9) << "the middle, to begin with";
    view->setFocus();
    QTest::keyClick(view, Qt::Key_Right);
    EXPECT_NEAR(view->station(), 117, 1e-9);
    view->setStation(1e6);
    EXPECT_NEAR(view->station(), 224, 1e-9);
    EXPECT_EQ(view->things().size(), 1u);
}

TEST_F(Turn, AMountIsPressedAndTheFilmGoesThere)
{
    open("flare-case");
    desk.press("mounts");
    auto* mounts = desk.lane<MountsView>();
    const auto all = mounts->things();
    ASSERT_EQ(all.size(), desk.doc().plan().mounts.size());
    desk.click(mounts, all[2].box.center());
    EXPECT_EQ(desk.doc().selection().step, "mount-A1-2");
    auto* film = desk.lane<FilmBar>();
    EXPECT_TRUE(film->said().contains("side 2")) << film->said().toStdString();
    auto* slider = desk.named<QSlider>("film");
    const auto& order = desk.doc().plan().schedule.order;
    ASSERT_EQ(slider->maximum(), static_cast<int>(order.size()) + 1);
    // Every step has its picture; the far end is the finished piece again.
    for (int k = slider->minimum(); k <= slider->maximum(); ++k) {
        slider->setValue(k);
        QApplication::processEvents();
    }
    EXPECT_EQ(film->said(), "finished");
}

TEST_F(Turn, TheIndexSaysWhatAPlateCannotDo)
{
    open("flare-case");
    auto* plate = desk.named<QSpinBox>("Index plate, holes");
    ASSERT_NE(plate, nullptr);
    plate->setValue(12);
    QApplication::processEvents();
    EXPECT_EQ(desk.piece().axes[0].plate, 12);
    EXPECT_TRUE(desk.doc().plan().mustStop()) << "seven sides do not fall on twelve holes";
    desk.press("index");
}

TEST_F(Turn, AHoleIsAddedSetSeenInTheRecipeAndTakenAway)
{
    open("pilot-box");
    desk.press("add-hole");
    ASSERT_EQ(desk.piece().holes.size(), 1u);
    EXPECT_FALSE(desk.doc().plan().mustStop()) << "what is proposed works";
    desk.type("At station", "48");
    desk.type("Ø", "9");
    EXPECT_NEAR(desk.piece().holes[0].at, 48, 1e-9);
    EXPECT_NEAR(desk.piece().holes[0].diameter, 9, 1e-9);
    const std::string step = "drill-" + desk.piece().holes[0].id;
    EXPECT_NE(std::ranges::find(desk.doc().plan().assembly.recipe, step, &Step::id),
              desk.doc().plan().assembly.recipe.end());
    QTest::keyClick(&desk.window, Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NE(desk.piece().holes[0].diameter, 9);
    desk.press("Remove: Hole");
    EXPECT_TRUE(desk.piece().holes.empty());
}

TEST_F(Turn, AnArchIsDrawnByItsThreeLengths)
{
    open("lead-tray");
    desk.press("add-arch");
    ASSERT_EQ(desk.piece().sawn.size(), 1u);
    desk.type("Over the axis", "5");
    desk.type("That far from the axis", "30");
    const Outline& curve = desk.piece().sawn[0].curve;
    EXPECT_NEAR(curve.front().r, 5, 1e-9);
    EXPECT_NEAR(curve.back().z, 30, 1e-9);
    EXPECT_NEAR(curve.back().r, 0, 1e-9);
    // The solid follows, beside everything else.
    SolidScene& scene = desk.window.findChild<SolidView*>()->scene();
    TurnedSurfaces whole = desk.doc().plan().surfaces;
    whole.cuts.clear();
    const double uncut = meshVolume(turnedMesh(desk.doc().plan().assembly, whole, {0.05, false}));
    double seen = uncut;
    const auto made = [&] {
        seen = meshVolume(scene.mesh());  // begun afresh where the piece is another
        return !scene.busy();
    };
    ASSERT_TRUE(QTest::qWaitFor(made, 60000));
    EXPECT_LT(seen, 0.999 * uncut);
    EXPECT_GT(seen, 0.5 * uncut);
}

TEST_F(Turn, ABarkLineIsALogsRoundThroughTwoHeights)
{
    open("gull-dish");
    desk.press("add-bark");
    ASSERT_EQ(desk.piece().sawn.size(), 2u);
    desk.type("Where it runs out", "40");
    const Sawn& bark = desk.piece().sawn.back();
    EXPECT_EQ(bark.when, Sawn::Grown);
    EXPECT_NEAR(bark.curve.front().r, 64, 1e-9);
    EXPECT_NEAR(bark.curve.back().r, 40, 1e-9);
    EXPECT_EQ(bark.curve.front().span, Span::Arc);
    for (const Step& s : desk.doc().plan().assembly.recipe) EXPECT_NE(s.id, "saw-" + bark.id) << "it has grown so";
}

TEST_F(Turn, TheSolidShowsAMeasureWithItsWorstPlace)
{
    open("regatta-cup");
    auto* measure = desk.named<QComboBox>("measure");
    ASSERT_TRUE(measure);
    auto* solid = desk.window.findChild<SolidView*>();
    for (int k = 1; k < measure->count(); ++k) {
        measure->setCurrentIndex(k);
        emit measure->activated(k);
        ASSERT_TRUE(QTest::qWaitFor(
            [&] {
                return solid->scene().map() && !solid->scene().busy() &&
                       static_cast<int>(solid->scene().map()->kind) == k - 1;
            },
            20000))
            << measure->currentText().toStdString();
        EXPECT_EQ(solid->scene().mesh().shades.size(), solid->scene().mesh().vertices.size());
        EXPECT_FALSE(std::isnan(solid->scene().map()->worst)) << measure->currentText().toStdString();
        // The ring round the worst place lies within the picture.
        const QPointF at = solid->scene().seenAt(solid->scene().map()->worstAt, solid->canvas().size());
        EXPECT_TRUE(QRectF(solid->canvas().rect()).contains(at));
    }
    measure->setCurrentIndex(0);
    emit measure->activated(0);
    QApplication::processEvents();
    EXPECT_TRUE(solid->scene().mesh().shades.empty()) << "the wood again";
}

TEST_F(Turn, AFormStaysAndALidIsSaidInNumbers)
{
    ASSERT_TRUE(desk.window.openDemo("plumb-bob"));
    ASSERT_TRUE(desk.window.goTo("shape"));
    QApplication::processEvents();
    desk.type("Diameter measured", "40");
    EXPECT_NEAR(desk.doc().plan().shape.greatestDiameter, 40, 0.05) << "the globe is a smaller ellipse at once";
    desk.press("add-form");
    EXPECT_EQ(desk.piece().forms.size(), 2u);
    ASSERT_TRUE(desk.window.openDemo("pilot-box"));
    ASSERT_TRUE(desk.window.goTo("shape"));
    QApplication::processEvents();
    desk.type("Meets the box at station", "64");
    EXPECT_NEAR(desk.piece().lid.at, 64, 1e-9);
    const auto labels = desk.window.findChildren<QLabel*>();
    EXPECT_TRUE(std::ranges::any_of(labels, [](const QLabel* l) { return l->text().contains("spigot Ø"); }));
}

TEST_F(Turn, ADrawingBecomesTheOutsideAndGuidesAreDrawn)
{
    ASSERT_TRUE(desk.window.openDemo("regatta-cup"));
    ASSERT_TRUE(desk.window.goTo("shape"));
    const QString path = desk.folder.filePath("vase.svg");
    QFile file(path);
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write("<svg width='200mm' viewBox='0 0 200 200'><path d='M0 150 H30 L50 80 L25 30 H0'/></svg>");
    file.close();
    desk.answer = path;
    desk.press("drawing");
    EXPECT_NEAR(outlineHeight(desk.piece()), 120, 0.01);
    EXPECT_NEAR(desk.doc().plan().shape.greatestDiameter, 100, 0.05);
    EXPECT_NEAR(stackHeight(desk.piece()), 120, 0.01) << "its layers fit";
    QTest::keyClick(&desk.window, Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NE(outlineHeight(desk.piece()), 120);
    // A bad one is said, and changes nothing.
    const Piece before = desk.piece();
    ASSERT_TRUE(file.open(QIODevice::WriteOnly | QIODevice::Truncate));
    file.write("nonsense");
    file.close();
    desk.press("drawing");
    EXPECT_TRUE(desk.piece() == before);
    EXPECT_FALSE(desk.window.message().isEmpty());
    auto* guide = desk.named<QComboBox>("guide");
    ASSERT_TRUE(guide);
    const QImage bare = desk.lane<SectionLane>()->grab().toImage();
    guide->setCurrentIndex(2);
    emit guide->activated(2);
    EXPECT_NE(desk.lane<SectionLane>()->grab().toImage(), bare);
}

TEST_F(Turn, LegsFlutesAndALeaningBaseAreSetAndSaid)
{
    open("buoy-bowl");
    ASSERT_EQ(desk.piece().worked.size(), 2u);
    EXPECT_FALSE(desk.doc().plan().mustStop());
    desk.type("Legs' height", "30");
    EXPECT_NEAR(desk.piece().worked[0].height, 30, 1e-9);
    EXPECT_TRUE(desk.doc().plan().mustStop()) << "higher than the floor lies";
    desk.type("Legs' height", "14");
    EXPECT_FALSE(desk.doc().plan().mustStop());
    desk.press("add-facets");
    ASSERT_EQ(desk.piece().worked.size(), 3u);
    desk.type("Deep at both ends", "0.8");
    EXPECT_NEAR(desk.piece().worked[2].depth, 0.8, 1e-9);
    auto* name = desk.named<QLineEdit>("Name");
    ASSERT_TRUE(name);
    name->setFocus();
    name->selectAll();
    QTest::keyClicks(name, "keel flats");
    QTest::keyClick(name, Qt::Key_Return);
    EXPECT_EQ(desk.piece().worked[2].name, "keel flats");
    desk.press("Remove: Worked");
    EXPECT_EQ(desk.piece().worked.size(), 2u);
    // The rings of marks and how far each is on from the first.
    desk.press("index");
}

TEST_F(Turn, ACellOfTheGridIsPressedAndPlainAgain)
{
    open("buoy-bowl");
    desk.press("grid");
    QApplication::processEvents();
    auto* view = desk.window.findChild<GridView*>();
    ASSERT_TRUE(view && view->isVisible());
    const size_t before = desk.piece().decors[0].cells.size();
    const QPoint at = view->cellPosition(1, 6).toPoint();
    QTest::mouseClick(view, Qt::LeftButton, {}, at);
    ASSERT_EQ(desk.piece().decors[0].cells.size(), before + 1);
    EXPECT_EQ(desk.piece().decors[0].cells.back().first, 6);
    EXPECT_EQ(desk.piece().decors[0].cells.back().ring, 1);
    auto* work = desk.named<QComboBox>("A pressed cell is");
    ASSERT_TRUE(work);
    work->setCurrentIndex(GridCells::Carve);
    QTest::mouseClick(view, Qt::LeftButton, {}, at);
    EXPECT_EQ(desk.piece().decors[0].cells.back().work, GridCells::Carve);
    EXPECT_FALSE(test::stepsOf(desk.doc().plan(), "carve-").empty());
    QTest::mouseClick(view, Qt::LeftButton, {}, at);
    EXPECT_EQ(desk.piece().decors[0].cells.size(), before);
    QTest::keyClick(&desk.window, Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(desk.piece().decors[0].cells.size(), before + 1);
}

TEST_F(Turn, AFlawStopsTheWorkUntilItIsDealtWith)
{
    open("buoy-bowl");
    desk.press("add-flaw");
    ASSERT_EQ(desk.piece().flaws.size(), 1u);
    EXPECT_TRUE(desk.doc().plan().mustStop());
    auto* dealt = desk.named<QComboBox>("Done about it");
    ASSERT_TRUE(dealt);
    dealt->setCurrentIndex(Flaw::Filled);
    emit dealt->activated(Flaw::Filled);
    EXPECT_EQ(desk.piece().flaws[0].dealt, Flaw::Filled);
    EXPECT_FALSE(desk.doc().plan().mustStop());
}

TEST_F(Turn, MachinesAreAddedPutToUseAndTakenAway)
{
    open("buoy-bowl");
    MachinesDialog dialog(desk.doc(), &desk.window);
    dialog.show();
    auto* list = dialog.findChild<QListWidget*>();
    ASSERT_TRUE(list);
    const auto lathes = static_cast<int>(desk.doc().shop().otherLathes.size());
    ASSERT_GT(lathes, 0);
    EXPECT_TRUE(list->item(0)->text().contains("in use"));
    const double was = desk.doc().shop().lathe.swingRadius;
    if (const QString folder = qEnvironmentVariable("VIVID_PICTURES"); !folder.isEmpty())
        for (const int row : {0, 2, 5}) {
            dialog.choose(row);
            QApplication::processEvents();
            dialog.grab().save(folder + QStringLiteral("/machines%1.png").arg(row));
        }
    dialog.choose(1);
    dialog.findChild<QPushButton*>("use-machine")->click();
    EXPECT_EQ(desk.doc().shop().otherLathes[0].swingRadius, was);
    // Another measure typed; what cannot be is said and left.
    dialog.choose(0);
    for (auto* field : dialog.findChildren<LengthField*>())
        if (field->accessibleName() == "Lathe, center to bed") {
            field->setFocus();
            field->selectAll();
            QTest::keyClicks(field, "90");
            QTest::keyClick(field, Qt::Key_Return);
        }
    EXPECT_EQ(desk.doc().shop().lathe.swingRadius, 90);
    EXPECT_TRUE(desk.doc().plan().mustStop()) << "the bowl is too wide for it";
    dialog.choose(1);
    dialog.findChild<QPushButton*>("remove-machine")->click();
    EXPECT_EQ(static_cast<int>(desk.doc().shop().otherLathes.size()), lathes - 1);
}

TEST_F(Turn, APictureIsLaidStraightByALineOverItsAxis)
{
    open("buoy-bowl");
    QImage picture(400, 300, QImage::Format_RGB32);
    picture.fill(Qt::darkGreen);
    desk.answer = desk.folder.filePath("bowl.png");
    ASSERT_TRUE(picture.save(desk.answer));
    ASSERT_TRUE(desk.window.goTo("shape"));
    desk.press("picture");
    ASSERT_EQ(desk.piece().trace.picture, desk.answer.toStdString());
    const Trace before = desk.piece().trace;
    SectionLane* lane = nullptr;
    for (auto* l : desk.window.findChildren<SectionLane*>())
        if (l->isVisible()) lane = l;
    ASSERT_TRUE(lane);
    desk.press("trace-axis");
    // A line that stands across the axis: the picture is turned by a quarter.
    const QPoint foot = lane->floorPosition().toPoint(), rim = foot + QPoint(0, -60);
    QTest::mousePress(lane, Qt::LeftButton, {}, foot);
    QTest::mouseMove(lane, (foot + rim) / 2);
    QTest::mouseMove(lane, rim);
    QTest::mouseRelease(lane, Qt::LeftButton, {}, rim);
    const Trace after = desk.piece().trace;
    EXPECT_NEAR(std::abs(after.turned), 90, 0.5);
    EXPECT_NE(after.width, before.width);
    if (const QString folder = qEnvironmentVariable("VIVID_PICTURES"); !folder.isEmpty())
        desk.window.grab().save(folder + "/trace.png");
    QTest::keyClick(&desk.window, Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(desk.piece().trace, before);
}

TEST_F(Turn, AFlawAndAHoleAreDraggedOnTheSectionAndUndone)
{
    open("buoy-bowl");
    desk.press("add-flaw");
    desk.press("add-hole");
    auto* section = desk.lane<SectionLane>();
    ASSERT_TRUE(section);
    const Piece before = desk.piece();
    const auto flaw = static_cast<int>(before.flaws.size()) - 1, hole = static_cast<int>(before.holes.size()) - 1;
    desk.drag(section, section->flawPosition(flaw), section->flawPosition(flaw) + QPointF(14, -12));
    EXPECT_GT(desk.piece().flaws.back().at, before.flaws.back().at + 1);
    EXPECT_GT(desk.piece().flaws.back().radius, before.flaws.back().radius + 1);
    desk.doc().history().undo();
    EXPECT_EQ(desk.piece(), before) << "a drag is one step";
    // Its two ends are dragged along by themselves: it leans.
    for (const bool leaves : {false, true}) {
        const Polyline& outside = desk.doc().plan().surfaces.outside;
        const HoleStations was = *holeStations(desk.piece().holes.back(), outside);
        const QPointF end = *section->holePosition(hole, leaves);
        desk.drag(section, end, end + QPointF(leaves ? 16 : -16, 0));
        const HoleStations is = *holeStations(desk.piece().holes.back(), outside);
        EXPECT_NEAR((leaves ? is.enters - was.enters : is.leaves - was.leaves).norm(), 0, 0.01)
            << "the other end stays";
        const double moved = leaves ? is.leaves.x() - was.leaves.x() : is.enters.x() - was.enters.x();
        EXPECT_GT(leaves ? moved : -moved, 1);
        EXPECT_LT(desk.piece().holes.back().lean, -1);
    }
    EXPECT_EQ(desk.piece().holes.back().diameter, before.holes.back().diameter);
}

TEST_F(Turn, RodsGroovesOpeningsAndBoughtPartsArePutInAndTakenOut)
{
    open("lamp-shade");
    const Piece before = desk.piece();
    for (const char* add : {"add-rod", "add-rim-groove", "add-wall-groove", "add-crack", "add-openings", "add-bought"})
        desk.press(add);
    const Piece& p = desk.piece();
    EXPECT_EQ(p.holes.size(), before.holes.size() + 2) << "the rod's and the bought part's";
    EXPECT_EQ(p.inlays.size(), before.inlays.size() + 3);
    EXPECT_EQ(p.worked.size(), before.worked.size() + 1);
    ASSERT_EQ(p.bought.size(), 1u);
    EXPECT_TRUE(std::ranges::any_of(p.holes, [&](const Hole& h) { return h.id == p.bought[0].hole; }));
    for (int k = 0; k < 6; ++k) desk.doc().history().undo();
    EXPECT_EQ(desk.piece(), before);
}

TEST_F(Turn, ASplitGetsTheOutlineThatMeetsItself)
{
    open("rolling-float");
    ASSERT_TRUE(desk.window.goTo("shape"));
    auto* size = desk.named<LengthField>("Size");
    ASSERT_TRUE(size);
    size->setFocus();
    size->selectAll();
    QTest::keyClicks(size, "100");
    QTest::keyClick(size, Qt::Key_Return);
    EXPECT_NEAR(outlineHeight(desk.piece()), 100, 1e-9);
    EXPECT_NEAR(desk.piece().outside[1].r, 50, 1e-9);
    EXPECT_NEAR(*desk.piece().layers[0].partedFrom, 100 + 2 * desk.piece().split.waste, 1e-9);
    EXPECT_FALSE(desk.doc().plan().mustStop());
}

TEST_F(Turn, ASplitPieceRollsDownItsSlopeUntilItIsChanged)
{
    open("rolling-float");
    auto* solid = &desk.window.findChild<SolidView*>()->scene();
    solid->mesh();
    desk.press("roll");
    EXPECT_TRUE(solid->rolling());
    ASSERT_TRUE(
        QTest::qWaitFor([&] { return !solid->busy() && solid->reach().diameter > solid->reach().height; }, 20000));
    const unsigned version = solid->meshVersion();
    EXPECT_TRUE(QTest::qWaitFor([&] { return solid->meshVersion() > version + 5; }, 5000)) << "it moves";
    EXPECT_TRUE(desk.button("roll")->isChecked());
    if (const QByteArray folder = qgetenv("VIVID_PICTURES"); !folder.isEmpty()) {
        QTest::qWait(4000);
        desk.window.grab().save(QString::fromLocal8Bit(folder) + "/rolling.png");
    }
    Piece p = desk.piece();
    p.notes = "changed";
    ASSERT_TRUE(desk.doc().apply("notes", test::as(p)));
    EXPECT_FALSE(solid->rolling());
    EXPECT_FALSE(desk.button("roll")->isChecked());
    // What is not split does not offer it.
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    QApplication::processEvents();
    EXPECT_FALSE(desk.window.findChild<QToolButton*>("roll")->isVisible());
}

TEST_F(Turn, AnOpeningIsDrawnByHandOnTheSkin)
{
    open("lamp-shade");
    desk.press("openings");
    auto* view = desk.lane<OpeningView>();
    ASSERT_TRUE(view);
    ASSERT_EQ(view->handles(), 3) << "both ends, and its side";
    const auto worked = [&]() -> const Worked& { return desk.piece().worked[0]; };
    const Worked before = worked();
    // The rim's end is dragged towards the rim: it alone moves, by as much as the hand on this straight wall.
    desk.drag(view, view->handlePosition(1), view->handlePosition(1) + QPointF(12, 0));
    EXPECT_GT(worked().to, before.to + 0.5);
    EXPECT_EQ(worked().from, before.from);
    desk.drag(view, view->handlePosition(2), view->handlePosition(2) + QPointF(0, -8));
    EXPECT_GT(worked().wide, before.wide + 0.5);
    Piece p = desk.piece();
    p.worked[0].shape = Worked::Drawn;
    ASSERT_TRUE(desk.doc().apply("drawn", test::as(p)));
    QApplication::processEvents();
    const int corners = static_cast<int>(worked().drawn.size());
    ASSERT_EQ(view->handles(), 3 + corners);
    // A corner follows the hand, and is one step of the history.
    const int steps = desk.doc().history().count();
    const SkinCorner was = worked().drawn[1];
    const QPointF from = view->handlePosition(4);
    desk.drag(view, from, from + QPointF(9, 5));
    EXPECT_GT(worked().drawn[1].along, was.along + 0.02);
    EXPECT_EQ(desk.doc().history().count(), steps + 1);
    EXPECT_NEAR((view->handlePosition(4) - from - QPointF(9, 5)).manhattanLength(), 0, 3);
    // It never crosses itself: the corner stops before.
    desk.drag(view, view->handlePosition(4), view->handlePosition(6) + QPointF(60, -60));
    EXPECT_TRUE(keepsClear(worked().drawn));
    // By keys: to the corner, another one in, moved, taken out again.
    view->setFocus();
    for (int k = 0; k < 20 && static_cast<int>(worked().drawn.size()) == corners; ++k) {
        QTest::keyClick(view, Qt::Key_PageDown);
        QTest::keyClick(view, Qt::Key_Insert);
    }
    EXPECT_EQ(static_cast<int>(worked().drawn.size()), corners + 1);
    const Worked moved = worked();
    QTest::keyClick(view, Qt::Key_Up);
    EXPECT_NE(worked(), moved);
    QTest::keyClick(view, Qt::Key_Delete);
    EXPECT_EQ(static_cast<int>(worked().drawn.size()), corners);
    checkPiece(desk.piece());
}
