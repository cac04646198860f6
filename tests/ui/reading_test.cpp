// A piece read and worked on by what a screen reader is told, and by nothing else.
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QAccessible>

using namespace vl;
using namespace vl::app;
using test::Desk;

namespace {

/// The interface below `in` whose name begins like this; null where nothing is called so.
QAccessibleInterface* named(QAccessibleInterface* in, const QString& name)
{
    if (!in || !in->isValid() || in->state().invisible) return nullptr;
    if (in->text(QAccessible::Name).startsWith(name)) return in;
    for (int i = 0; i < in->childCount(); ++i)
        if (QAccessibleInterface* found = named(in->child(i), name)) return found;
    return nullptr;
}

class Reader {
public:
    explicit Reader(Desk& desk) : window_(QAccessible::queryAccessibleInterface(&desk.window)) {}

    QAccessibleInterface* at(const QString& name)
    {
        QApplication::processEvents();
        QAccessibleInterface* found = named(window_, name);
        EXPECT_NE(found, nullptr) << "nothing is read as " << name.toStdString();
        return found;
    }
    /// The names of what a view holds.
    QStringList things(const QString& view)
    {
        QStringList names;
        if (QAccessibleInterface* list = at(view))
            for (int i = 0; i < list->childCount(); ++i)
                if (list->child(i)->role() == QAccessible::ListItem) names << list->child(i)->text(QAccessible::Name);
        return names;
    }
    void press(const QString& view, int index)
    {
        QAccessibleInterface* list = at(view);
        if (!list || index >= list->childCount()) return void(ADD_FAILURE());
        QAccessibleActionInterface* action = list->child(index)->actionInterface();
        ASSERT_NE(action, nullptr);
        action->doAction(QAccessibleActionInterface::pressAction());
        QApplication::processEvents();
    }

private:
    QAccessibleInterface* window_;
};

}  // namespace

TEST(Reading, APieceIsReadByItsLayersSegmentsNodesBoardsAndBars)
{
    Desk b;
    b.demo("build");
    Reader reader(b);
    const QStringList layers = reader.things("Layers");
    ASSERT_EQ(static_cast<size_t>(layers.size()), b.piece().layers.size());
    for (size_t i = 0; i < b.piece().layers.size(); ++i) {
        const QString& words = layers[static_cast<qsizetype>(i)];
        EXPECT_TRUE(words.startsWith(QStringLiteral("layer %1, ").arg(i + 1))) << words.toStdString();
        if (const RingForm* ring = b.piece().layers[i].ring()) {
            EXPECT_TRUE(words.contains(QStringLiteral("%1 segments").arg(ring->segments))) << words.toStdString();
        }
    }
    reader.press("Layers", 5);
    EXPECT_EQ(b.doc().selection().layer, 5);
    EXPECT_TRUE(reader.at("Layers")->child(5)->state().selected);
    EXPECT_FALSE(reader.at("Layers")->child(4)->state().selected);

    // The figures of a ring are read with their names.
    const QStringList figures = reader.things("Figures of the layers");
    ASSERT_EQ(figures.size(), layers.size());
    EXPECT_TRUE(figures[5].contains("segments 18, miter ° 10")) << figures[5].toStdString();

    b.window.goTo("shape");
    const QStringList nodes = reader.things("SECTION AND SIDE");
    ASSERT_EQ(static_cast<size_t>(nodes.size()), b.piece().outside.size() + b.piece().hollow.inside.size());
    EXPECT_TRUE(nodes[0].startsWith("node 1 of the outside, 0")) << nodes[0].toStdString();
    reader.press("SECTION AND SIDE", 2);
    EXPECT_EQ(b.doc().selection().node, 2);

    b.window.goTo("cut");
    EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000));
    const QStringList boards = reader.things("Boards on the rack");
    qsizetype strips = 0;
    for (const PlannedBoard& p : b.doc().boards().boards) strips += static_cast<qsizetype>(p.strips.size());
    EXPECT_EQ(boards.size(), static_cast<qsizetype>(b.doc().shop().rack.size()) + strips);
    EXPECT_EQ(boards.filter("strip ").size(), strips);

    b.window.goTo("glue");
    const QStringList bars = reader.things("Timetable of the recipe");
    ASSERT_EQ(static_cast<size_t>(bars.size()), b.doc().plan().schedule.order.size());
    for (qsizetype i = 0; i < bars.size(); ++i) {
        const Step& step = b.doc().plan().assembly.recipe[b.doc().plan().schedule.order[static_cast<size_t>(i)]];
        EXPECT_TRUE(bars[i].startsWith(QString::fromStdString(print(step.title)))) << bars[i].toStdString();
    }
    reader.press("Timetable of the recipe", 3);
    EXPECT_EQ(b.doc().selection().step, b.doc().plan().assembly.recipe[b.doc().plan().schedule.order[3]].id);
}

TEST(Reading, WhatIsReadStandsWhereItIsSeen)
{
    Desk b;
    b.demo("build");
    Reader reader(b);
    QAccessibleInterface* list = reader.at("Layers");
    ASSERT_NE(list, nullptr);
    const QRect box = list->child(3)->rect();
    ASSERT_FALSE(box.isEmpty());
    EXPECT_EQ(list->childAt(box.center().x(), box.center().y()), list->child(3));
    auto* tabs = static_cast<QWidget*>(list->object());
    EXPECT_TRUE(tabs->rect().contains(tabs->mapFromGlobal(box.center())));
    b.click(tabs, tabs->mapFromGlobal(QPointF(box.center())));
    EXPECT_EQ(b.doc().selection().layer, 3);
    // A piece of fewer layers has fewer things, and what was asked for before says that it is gone.
    QAccessibleInterface* last = list->child(list->childCount() - 1);
    b.doc().replace(test::tallVase(4, 12), {});
    QApplication::processEvents();
    EXPECT_EQ(list->childCount(), static_cast<int>(b.piece().layers.size()));
    EXPECT_FALSE(last->isValid());
    EXPECT_EQ(last->text(QAccessible::Name), "");
}

TEST(Reading, ReachesEveryLaneByKeys)
{
    Desk b;
    b.demo("cut");
    EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000));
    auto* boards = b.named<QWidget>("Boards on the rack, and their cuts");
    ASSERT_NE(boards, nullptr);
    boards->setFocus();
    QTest::keyClick(boards, Qt::Key_Down);
    const std::string first = b.doc().selection().board;
    ASSERT_FALSE(first.empty());
    QTest::keyClick(boards, Qt::Key_Down);
    EXPECT_NE(b.doc().selection().board, first);
    QTest::keyClick(boards, Qt::Key_Up);
    EXPECT_EQ(b.doc().selection().board, first);
    QTest::keyClick(boards, Qt::Key_Right);
    EXPECT_EQ(b.doc().selection().strip, 0);
    // A defect is marked, moved and taken away; each is a step that undoes.
    auto defects = [&] { return std::ranges::find(b.doc().shop().rack, first, &Board::id)->defects; };
    const size_t before = defects().size();
    QTest::keyClick(boards, Qt::Key_M);
    ASSERT_EQ(defects().size(), before + 1);
    const double along = defects().back().along;
    QTest::keyClick(boards, Qt::Key_Right, Qt::AltModifier);
    EXPECT_NEAR(defects().back().along, along + 5, 1e-9);
    b.doc().history().undo();
    EXPECT_NEAR(defects().back().along, along, 1e-9);
    QTest::keyClick(boards, Qt::Key_Delete);
    EXPECT_EQ(defects().size(), before);

    // A bar of the timetable is moved later and back.
    b.window.goTo("glue");
    auto* bars = b.named<QWidget>("Timetable of the recipe");
    ASSERT_NE(bars, nullptr);
    bars->setFocus();
    QTest::keyClick(bars, Qt::Key_Right);
    ASSERT_FALSE(b.doc().selection().step.empty());
    QTest::keyClick(bars, Qt::Key_Right, Qt::AltModifier);
    EXPECT_EQ(b.piece().progress.moved.size(), 1u);
    b.doc().history().undo();
    EXPECT_TRUE(b.piece().progress.moved.empty());
}
