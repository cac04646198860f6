// A child at the bench: anything is pressed, dragged and typed anywhere. Nothing may crash, and all of it undoes.
#include "app/lanes/axis_map.h"
#include "app/lanes/columns.h"
#include "app/lanes/lane.h"
#include "app/solid/solid_gl.h"
#include "app/solid/solid_view.h"
#include "core/piece/edits/edit.h"
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
        const DrawingRoom room{.width = roll(300, 1600),
                               .top = 40,
                               .bottom = roll(140, 900),
                               .length = roll(20, 1500),
                               .radius = roll(10, 300),
                               .face = round % 3 ? roll(10, 300) : 0};
        map.setRoom(room);
        const DrawingPlace& place = map.place();
        EXPECT_GE(map.x(0), DrawingPlace::head - 1e-6);
        EXPECT_LE(map.x(room.length), room.width) << "all of it is seen at first";
        EXPECT_GE(map.y(room.radius), room.top - 1e-6);
        EXPECT_LE(map.y(-room.radius), room.bottom + 1e-6);
        if (room.face > 0) {
            EXPECT_LE(place.faceCenter.x() + place.faceRadius, room.width + 1e-6);
            EXPECT_GE(place.faceCenter.x() - place.faceRadius, map.x(room.length)) << "beside the section";
            EXPECT_GE(place.faceCenter.y() - place.faceRadius, room.top - 1e-6);
        }
        EXPECT_NEAR(map.z(map.x(33.3)), 33.3, 1e-9);
        EXPECT_NEAR(map.r(map.y(12.3)), 12.3, 1e-9);
        for (int k = 0; k < 6; ++k) {
            const QPointF at(roll(0, place.section), roll(room.top, room.bottom));
            const double z = map.z(at.x()), r = map.r(at.y());
            map.zoom(1.3, at);
            const double middle = map.z(place.section / 2);
            if (middle > 0.01 && middle < room.length - 0.01 &&
                std::abs(map.y(0) - place.axis) < map.scale() * room.radius - 0.1) {
                EXPECT_NEAR(map.z(at.x()), z, 1e-6) << "the point under the pointer stays";
                EXPECT_NEAR(map.r(at.y()), r, 1e-6);
            }
            map.pan({roll(-400, 400), roll(-400, 400)});
            EXPECT_TRUE(map.x(0) <= place.section && map.x(room.length) >= 0) << "it cannot be pushed out of sight";
        }
        map.fit();
        EXPECT_LE(map.x(room.length), room.width);
        EXPECT_EQ(map.y(0), place.axis);
    }
}

TEST(Columns, AllFindRoomOrFollowTheChoice)
{
    Columns columns;
    columns.setRoom(92, 850, 20, 37.5);
    EXPECT_EQ(columns.shown(), 20) << "twenty layers of a window of 1280 pixels";
    EXPECT_LE(columns.left(20), 850 + 1e-9);
    columns.setRoom(92, 850, 60, 37.5);
    EXPECT_EQ(columns.shown(), 20);
    EXPECT_EQ(columns.at(columns.center(7)), 7);
    EXPECT_EQ(columns.at(10), -1);
    columns.reveal(45);
    EXPECT_TRUE(columns.shows(45) && !columns.shows(46));
    columns.reveal(30);
    EXPECT_EQ(columns.first(), 26) << "what is seen already needs no scrolling";
    columns.scroll(-100);
    EXPECT_EQ(columns.first(), 0);
    columns.setRoom(92, 850, 3, 37.5);
    EXPECT_EQ(columns.shown(), 3);
    EXPECT_LE(columns.width(), Columns::widest);
}

TEST(Solid, OpenGlAndThePaintedPictureShowTheSamePiece)
{
    qputenv("VIVID_LATHE_OPENGL", "1");
    if (!openGlWorks()) GTEST_SKIP() << "no OpenGL on this platform";
    auto picture = [](bool painted) {
        if (painted) qputenv("VIVID_LATHE_NO_OPENGL", "1");
        Desk b;
        b.window.openDemo("regatta-cup");
        EXPECT_EQ(b.window.solid().materialMesh(), painted);
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
