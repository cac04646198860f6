// The Turn stage by hand: axes put in and dragged on both ends, their numbers, mounts, index and the film under the
// solid.
#include "app/solid/film_bar.h"
#include "app/stages/turn/axes_view.h"
#include "app/stages/turn/mounts_view.h"
#include "app/stages/turn/turn_stage.h"
#include "core/turning/cross_section.h"
#include "tests/ui/desk.h"

#include <QLabel>
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

TEST_F(Turn, ACentreIsDraggedOnEitherEndAndUndone)
{
    open("oar-grip");
    AxesView* view = axes();
    const OffAxis before = desk.piece().axes[0];
    const Plan plan = desk.doc().plan();
    // Outwards along its own direction on the head's end: that end alone moves.
    const QPointF at = view->centrePosition(0, AxisSight::Head);
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
    EXPECT_GT(view->centrePosition(1, AxisSight::Head).x(), at.x());
    EXPECT_LT(view->centrePosition(1, AxisSight::Tail).x(), view->centrePosition(0, AxisSight::Tail).x());
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
    desk.type("Off centre at the head", "7");
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
