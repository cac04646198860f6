// The first hour, once with the mouse in a drawer: from the first page to a packet by keys alone.
#include "app/lanes/section_lane.h"
#include "tests/ui/desk.h"

using namespace vl;
using namespace vl::app;
using test::Desk;

namespace {

/// A keyboard and nothing else.
class Keys {
public:
    explicit Keys(Desk& desk) : b_(desk) {}

    void press(int key, Qt::KeyboardModifiers modifiers = {})
    {
        QWidget* modal = QApplication::activeModalWidget();
        QWidget* at = modal ? modal->focusWidget() : b_.window.focusWidget();
        QTest::keyClick(at ? at : modal ? modal : &b_.window, static_cast<Qt::Key>(key), modifiers);
        QApplication::processEvents();
    }
    void type(const QString& words)
    {
        QTest::keyClicks(b_.window.focusWidget(), words);
        press(Qt::Key_Return);
    }
    /// Tab until what is called so has the keyboard.
    bool tabTo(const QString& name, QWidget* within = nullptr)
    {
        QWidget* in = within ? within : &b_.window;
        for (int k = 0; k < 120; ++k) {
            QWidget* at = in->focusWidget();
            auto* button = qobject_cast<QAbstractButton*>(at);
            if (at && (at->accessibleName().startsWith(name) || (button && button->text() == name))) return true;
            QTest::keyClick(at ? at : in, Qt::Key_Tab);
            QApplication::processEvents();
        }
        ADD_FAILURE() << "no way by Tab to " << name.toStdString();
        return false;
    }

private:
    Desk& b_;
};

}  // namespace

TEST(Newcomer, GoesFromAStartToThePacketByKeysAlone)
{
    Desk b;
    Keys keys(b);
    ASSERT_TRUE(keys.tabTo("Open bowl"));
    keys.press(Qt::Key_Space);
    ASSERT_GT(b.piece().layers.size(), 3u);
    const Piece first = b.piece();

    // A node of the outline is chosen and moved.
    keys.press(Qt::Key_F6);
    for (int k = 0; k < 6 && !qobject_cast<SectionLane*>(b.window.focusWidget()); ++k) keys.press(Qt::Key_F6);
    ASSERT_NE(qobject_cast<SectionLane*>(b.window.focusWidget()), nullptr);
    keys.press(Qt::Key_PageDown);
    keys.press(Qt::Key_PageDown);
    const int node = b.doc().selection().node;
    ASSERT_GE(node, 0);
    keys.press(Qt::Key_Up);
    EXPECT_GT(b.piece().outside[static_cast<size_t>(node)].r, first.outside[static_cast<size_t>(node)].r);

    // Another ring, with sixteen segments.
    keys.press(Qt::Key_2, Qt::ControlModifier);
    for (int k = 0; k < 6 && !qobject_cast<SectionLane*>(b.window.focusWidget()); ++k) keys.press(Qt::Key_F6);
    keys.press(Qt::Key_Right);
    keys.press(Qt::Key_Insert);
    EXPECT_EQ(b.piece().layers.size(), first.layers.size() + 1);
    const auto layer = static_cast<size_t>(b.doc().selection().layer);
    ASSERT_NE(b.piece().layers[layer].ring(), nullptr);
    ASSERT_TRUE(keys.tabTo("Segments"));
    keys.press(Qt::Key_A, Qt::ControlModifier);
    keys.type("16");
    EXPECT_EQ(b.piece().layers[layer].ring()->segments, 16);

    // Through the other stages, saved, looked at and printed.
    for (const int stage : {Qt::Key_3, Qt::Key_4, Qt::Key_5}) keys.press(stage, Qt::ControlModifier);
    EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000));
    b.answer = b.folder.filePath("bowl.vlathe");
    keys.press(Qt::Key_S, Qt::ControlModifier);
    EXPECT_TRUE(QFile::exists(b.answer));
    b.answer = b.folder.filePath("bowl.pdf");
    QTimer::singleShot(300, &b.window, [&] {
        QWidget* dialog = QApplication::activeModalWidget();
        ASSERT_NE(dialog, nullptr);
        if (keys.tabTo("Save as PDF …", dialog)) keys.press(Qt::Key_Space);
        keys.press(Qt::Key_Escape);
    });
    keys.press(Qt::Key_P, Qt::ControlModifier);
    EXPECT_GT(QFileInfo(b.answer).size(), 20000);

    // And all the way back.
    QApplication::setActiveWindow(&b.window);  // as a window manager does when a dialog closes
    for (int k = 0; k < 50 && b.doc().history().canUndo(); ++k) keys.press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_FALSE(b.doc().history().canUndo());
    EXPECT_EQ(b.piece(), first);
}
