// A child at the bench: anything is pressed, dragged and typed anywhere. Nothing may crash, and all of it undoes.
#include "app/lanes/axis_map.h"
#include "app/lanes/lane.h"
#include "app/solid/solid_gl.h"
#include "app/solid/solid_view.h"
#include "core/piece/edit.h"
#include "tests/ui/desk.h"

#include <QWheelEvent>

#include <random>

using namespace vl;
using namespace vl::app;
using vl::test::Desk;

class Anything : public testing::TestWithParam<int> {};

TEST_P(Anything, MayBeDoneAndUndone)
{
    std::mt19937 dice(static_cast<unsigned>(GetParam()));
    auto roll = [&](int n) { return static_cast<int>(dice() % static_cast<unsigned>(n)); };
    Desk b;
    b.doc().replace(starts()[static_cast<size_t>(GetParam()) % starts().size()].make(), {});
    const Piece first = b.piece();
    const Qt::Key keys[] = {Qt::Key_Left,     Qt::Key_Right,  Qt::Key_Up, Qt::Key_Down, Qt::Key_Delete, Qt::Key_Insert,
                            Qt::Key_PageDown, Qt::Key_PageUp, Qt::Key_0,  Qt::Key_C,    Qt::Key_U};
    for (int step = 0; step < 160; ++step) {
        if (step % 20 == 0) b.window.goTo(b.window.stageNames()[roll(5)]);
        QList<QWidget*> targets;
        for (auto* lane : b.window.findChildren<Lane*>())
            if (lane->isVisible()) targets << lane;
        targets << &b.window.solid().canvas();
        QWidget* w = targets[roll(static_cast<int>(targets.size()))];
        auto anywhere = [&] { return QPointF(roll(w->width()), roll(w->height())); };
        switch (roll(6)) {
        case 0:
        case 1:
            b.drag(w, anywhere(), anywhere(), 3);
            break;
        case 2:
            QTest::mouseClick(w, Qt::LeftButton, roll(3) ? Qt::NoModifier : Qt::ShiftModifier, anywhere().toPoint());
            break;
        case 3:
            QTest::mouseDClick(w, Qt::LeftButton, {}, anywhere().toPoint());
            break;
        case 4: {
            QWheelEvent wheel(anywhere(), w->mapToGlobal(QPointF(5, 5)), {}, {0, roll(2) ? 240 : -240}, Qt::NoButton,
                              roll(2) ? Qt::NoModifier : Qt::ShiftModifier, Qt::NoScrollPhase, false);
            QApplication::sendEvent(w, &wheel);
            break;
        }
        default:
            QTest::keyClick(w, keys[roll(std::size(keys))]);
            break;
        }
        if (auto* card = QApplication::activePopupWidget()) card->close();
        if (step % 40 == 7) b.window.grab();
        ASSERT_NO_THROW(checkPiece(b.piece()));
    }
    while (b.doc().history().canUndo()) b.doc().history().undo();
    EXPECT_EQ(b.piece(), first);
}

INSTANTIATE_TEST_SUITE_P(Dice, Anything, testing::Range(0, 6));

TEST(AxisMap, KeepsThePointUnderThePointerAndThePieceInView)
{
    std::mt19937 dice(3);
    auto roll = [&](double low, double high) { return std::uniform_real_distribution<>(low, high)(dice); };
    for (int round = 0; round < 300; ++round) {
        AxisMap map;
        const double length = roll(20, 1500), width = roll(300, 1600);
        map.setRoom(width, roll(60, 700), length, roll(10, 300));
        EXPECT_GE(map.x(0), AxisMap::leftMargin - 1e-6);
        EXPECT_LE(map.x(length), width - AxisMap::rightMargin + 1e-6) << "all of it is seen at first";
        EXPECT_NEAR(map.z(map.x(33.3)), 33.3, 1e-9);
        for (int k = 0; k < 6; ++k) {
            const double at = roll(AxisMap::leftMargin, width - AxisMap::rightMargin), z = map.z(at);
            const bool within = z > length * 0.3 && z < length * 0.7;
            map.zoom(1.3, at);
            if (within && map.x(0) < AxisMap::leftMargin - 1 && map.x(length) > width) {
                EXPECT_NEAR(map.z(at), z, 1e-6) << "the point under the pointer stays";
            }
            map.pan(roll(-400, 400));
            EXPECT_TRUE(map.x(0) <= width && map.x(length) >= AxisMap::leftMargin)
                << "it cannot be pushed out of sight";
        }
        map.fit();
        EXPECT_LE(map.x(length), width - AxisMap::rightMargin + 1e-6);
    }
}

TEST(Solid, OpenGlAndThePaintedPictureShowTheSamePiece)
{
    qputenv("VIVID_LATHE_OPENGL", "1");
    if (!openGlWorks()) GTEST_SKIP() << "no OpenGL on this platform";
    auto picture = [](bool painted) {
        if (painted) qputenv("VIVID_LATHE_NO_OPENGL", "1");
        Desk b;
        b.window.openDemo("regatta-cup");
        EXPECT_EQ(b.window.solid().painted(), painted);
        QTest::qWait(300);
        const QImage image = b.window.solid().grab().toImage().convertToFormat(QImage::Format_RGB32);
        qunsetenv("VIVID_LATHE_NO_OPENGL");
        return image;
    };
    const QImage gl = picture(false), painted = picture(true);
    qunsetenv("VIVID_LATHE_OPENGL");
    ASSERT_EQ(gl.size(), painted.size());
    // Averages over tiles: the same wood in the same place, whatever the edges' smoothing. The painted picture's note
    // is left out.
    int compared = 0, wood = 0;
    for (int ty = 0; ty + 16 < gl.height() - 24; ty += 16)
        for (int tx = 0; tx + 16 < gl.width(); tx += 16) {
            long a[3] = {}, c[3] = {};
            for (int y = ty; y < ty + 16; ++y)
                for (int x = tx; x < tx + 16; ++x) {
                    const QRgb p = gl.pixel(x, y), q = painted.pixel(x, y);
                    a[0] += qRed(p), a[1] += qGreen(p), a[2] += qBlue(p);
                    c[0] += qRed(q), c[1] += qGreen(q), c[2] += qBlue(q);
                }
            for (int k = 0; k < 3; ++k) EXPECT_LT(std::abs(a[k] - c[k]) / 256, 14) << "tile " << tx << ", " << ty;
            ++compared;
            wood += a[2] < 200 * 256;
        }
    EXPECT_GT(compared, 200);
    EXPECT_GT(wood, 40);
}
