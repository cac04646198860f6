// Every sample of the harbour museum, driven through Build, Cut and Glue in the window; VIVID_PICTURES names a folder
// for its pictures.
#include "app/lanes/face_view.h"
#include "app/lanes/layer_tabs.h"
#include "app/lanes/section_lane.h"
#include "app/stages/build/build_stage.h"
#include "app/stages/build/paint_panel.h"
#include "app/stages/build/skin_lane.h"
#include "app/stages/cut/boards_view.h"
#include "app/stages/cut/setups_view.h"
#include "app/stages/glue/glue_book_dialog.h"
#include "app/stages/glue/recipe_view.h"
#include "app/stages/glue/timetable.h"
#include "core/constructions/construction.h"
#include "core/geometry/profile.h"
#include "core/piece/document/hole_ends.h"
#include "io/files.h"
#include "io/rack_csv.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QListWidget>
#include <QMessageBox>
#include <QPushButton>
#include <QSpinBox>
#include <QTableWidget>
#include <QTimer>
#include <QToolTip>

using namespace vl;
using namespace vl::app;
using vl::test::Desk;

namespace {

void settle(Desk& b)
{
    EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000)) << "the boards are never planned";
    QApplication::processEvents();
}

bool reads(Desk& b, const QString& words)
{
    return std::ranges::any_of(b.window.findChildren<QLabel*>(),
                               [&](QLabel* l) { return l->isVisible() && l->text().contains(words); });
}

void picture(Desk& b, const std::string& name)
{
    if (const QByteArray folder = qgetenv("VIVID_PICTURES"); !folder.isEmpty()) {
        b.window.resize(1280, 800);
        QTest::qWait(900);
        b.window.grab().save(QString::fromUtf8(folder) + "/" + QString::fromStdString(name) + ".png");
    }
}

}  // namespace

TEST(Blanks, ALogIsDraggedOffItsMiddle)
{
    Desk b;
    b.window.openDemo("oar-grip");
    Piece p = b.piece();
    p.layers[0].form = BlockForm{.shape = BlockForm::Log, .log = 160, .extra = {}};
    b.doc().replace(p, {});
    b.window.goTo("build");
    QApplication::processEvents();
    auto* face = b.lane<FaceView>();
    const auto log = [&]() -> const BlockForm& { return *b.piece().layers[0].as<BlockForm>(); };
    const QPointF axis = face->pithPosition();
    const QRectF round = face->drawn();
    b.drag(face, axis, axis + QPointF(-round.width() / 8, 0));
    EXPECT_NEAR(log().offset, 20, 2) << "an eighth of the log";
    EXPECT_NEAR(std::remainder(log().offsetDirection + 90, 360), 0, 3) << "the axis lies the other way: to the right";
    EXPECT_EQ(b.doc().history().count(), 1);
    QTest::keyClick(face, Qt::Key_Up);
    QTest::keyClick(face, Qt::Key_Left);
    EXPECT_NEAR(std::remainder(log().offsetDirection + 85, 360), 0, 3);
    while (b.doc().history().canUndo()) b.doc().history().undo();
    EXPECT_EQ(log().offset, 0);
}

TEST(Blanks, ARodIsDraggedRoundByBothItsEnds)
{
    Desk b;
    b.window.openDemo("rodded-barrel");
    b.window.goTo("turn");
    QApplication::processEvents();
    auto* face = b.lane<FaceView>();
    face->show(FaceView::Shows::Rim);
    const auto rod = std::ranges::find(b.piece().holes, Hole::Side, &Hole::into);
    ASSERT_NE(rod, b.piece().holes.end());
    const auto which = static_cast<size_t>(rod - b.piece().holes.begin());
    const auto hole = [&]() -> const Hole& { return b.piece().holes[which]; };
    const double r = radiusAt(b.doc().plan().surfaces.outside, hole().at);
    for (const bool leaves : {false, true}) {
        const HoleEnds before = holeEnds(hole(), r);
        const QPointF from = face->holeEnd(which, leaves), middle = face->drawn().center();
        // Twenty degrees round, clockwise on the screen: angles count the other way.
        const QPointF to = middle + QTransform().rotate(20).map(from - middle);
        b.drag(face, from, to);
        const HoleEnds after = holeEnds(hole(), r);
        const double moved =
                         std::remainder((leaves ? after.leaves - before.leaves : after.enters - before.enters), 360),
                     other =
                         std::remainder((leaves ? after.enters - before.enters : after.leaves - before.leaves), 360);
        EXPECT_NEAR(moved, -20, 3) << leaves;
        EXPECT_NEAR(other, 0, 0.01) << "the other end stays";
    }
    EXPECT_EQ(b.doc().history().count(), 2);
}

TEST(Blanks, EverySampleGoesThroughBuildCutAndGlue)
{
    for (const std::string& name : test::demoNames()) {
        Desk b;
        ASSERT_TRUE(b.window.openDemo(QString::fromStdString(name))) << name;
        b.window.goTo("build");
        QApplication::processEvents();
        auto* section = b.lane<SectionLane>();
        auto* tabs = b.lane<LayerTabs>();
        // Every layer is chosen by its tab; every handle of its construction is dragged and moves its own number, and
        // undoes.
        for (int layer = 0; layer < static_cast<int>(b.piece().layers.size()); ++layer) {
            if (b.doc().plan().assembly.layers[static_cast<size_t>(layer)].z1 -
                    b.doc().plan().assembly.layers[static_cast<size_t>(layer)].z0 <
                8)
                continue;
            b.click(tabs, tabs->tabPosition(layer));
            EXPECT_EQ(b.doc().selection().layer, layer) << name;
            const auto at = static_cast<size_t>(layer);
            const auto handles = layerHandles({b.piece(), b.doc().shop(), b.doc().plan().surfaces, at},
                                              b.doc().plan().assembly.layers[at]);
            for (const LayerHandle& h : handles) {
                const Piece before = b.piece();
                const QPointF from = section->handlePosition(h.name);
                b.drag(section, from, from + QPointF(h.name == "band's height" ? 9 : 0, -9));
                ASSERT_NE(b.piece().layers[at], before.layers[at])
                    << name << " layer " << layer + 1 << ": " << h.name << " does not follow the hand";
                b.doc().history().undo();
                EXPECT_EQ(b.piece(), before);
            }
            // What it has to set is on the screen, with its working.
            for (const Setting& s : b.doc().plan().assembly.layers[at].settings) {
                const QString label =
                    (s.machine == Resource::None ? QString() : QString::fromUtf8(resourceName(s.machine)) + ": ") +
                    QString::fromStdString(s.name);
                EXPECT_TRUE(std::ranges::any_of(
                    b.window.findChildren<QAbstractButton*>(),
                    [&](QAbstractButton* f) { return f->accessibleName().startsWith(label + ": "); }))
                    << name << " " << s.name;
            }
        }
        auto* skin = b.lane<SkinLane>();
        b.click(skin, skin->segmentPosition(b.doc().selection().layer, 0));
        picture(b, name + "-build");

        b.window.goTo("cut");
        settle(b);
        auto* boards = b.lane<BoardsView>();
        ASSERT_FALSE(b.doc().boards().boards.empty()) << name;
        const PlannedBoard first = b.doc().boards().boards[0];
        const BoardRect& strip = first.strips[0].place;
        b.click(boards, boards->positionOn(first.board.id, strip.x + first.strips[0].runs[0].length / 2,
                                           strip.y + strip.width / 2));
        EXPECT_EQ(b.doc().selection().board, first.board.id) << name;
        EXPECT_EQ(b.doc().selection().strip, 0) << name;
        b.press("strip-cut");
        settle(b);
        ASSERT_EQ(b.piece().progress.strips.size(), 1u) << name;
        bool kept = false;
        for (const PlannedBoard& board : b.doc().boards().boards)
            for (const PlannedStrip& s : board.strips)
                kept |= s.kept && board.board.id == first.board.id && s.place.y == strip.y;
        EXPECT_TRUE(kept) << name;
        picture(b, name + "-cut");
        b.press("set-ups");
        EXPECT_GT(b.lane<SetupsView>()->height(), 80);
        b.press("boards");

        b.window.goTo("glue");
        QApplication::processEvents();
        auto* timetable = b.lane<Timetable>();
        const std::string step = b.doc().plan().assembly.recipe[b.doc().plan().schedule.order[2]].id;
        b.click(timetable, timetable->stepPosition(step));
        EXPECT_FALSE(b.doc().selection().step.empty()) << name;
        b.press("recipe");
        auto* recipe = b.lane<RecipeView>();
        b.click(recipe, recipe->stepPosition(step));
        EXPECT_EQ(b.doc().selection().step, step) << name;
        picture(b, name + "-glue");
        EXPECT_TRUE(b.window.message().isEmpty()) << name << ": " << b.window.message().toStdString();
        while (b.doc().history().canUndo()) b.doc().history().undo();
        EXPECT_EQ(b.piece(), test::demo(name));
    }
}

TEST(Build, EveryKindOfLayerCanBeChosenAndSaysWhatItNeeds)
{
    Desk b;
    b.demo("build");
    b.doc().selectLayer(9);
    auto* kind = b.named<QComboBox>("Layer is a");
    ASSERT_NE(kind, nullptr);
    for (int k = 0; k < kind->count(); ++k) {
        kind->setCurrentIndex(k);
        emit kind->activated(k);
        QApplication::processEvents();
        EXPECT_EQ(static_cast<int>(b.piece().layers[9].form.index()), k) << b.window.message().toStdString();
        EXPECT_EQ(kind->currentText(), QString::fromUtf8(layerKinds()[static_cast<size_t>(k)].words));
    }
    // A gap between segments, and the band of a made-up segment, typed.
    kind->setCurrentIndex(1);
    emit kind->activated(1);
    auto* between = b.named<QComboBox>("Between segments");
    between->setCurrentIndex(1);
    emit between->activated(1);
    b.type("Its width", "1/8in");
    EXPECT_EQ(b.piece().layers[9].ring()->joint.kind, SegmentJoint::GapByWidth);
    EXPECT_NEAR(b.piece().layers[9].ring()->joint.width, 3.175, 1e-9);
    EXPECT_TRUE(b.doc().plan().assembly.layers[9].gaps);
}

TEST(Pattern, MirrorSlantCopyAndPicture)
{
    Desk b;
    ASSERT_TRUE(b.window.openDemo("net-lantern"));
    b.window.goTo("build");
    QApplication::processEvents();
    Piece plain = b.piece();
    for (Layer& l : plain.layers) {
        l.woods = {"maple"};
        if (RingForm* ring = l.ring()) ring->joint.kind = SegmentJoint::Glued;
    }
    b.doc().apply("plain", test::as(plain));
    auto* skin = b.lane<SkinLane>();
    b.doc().selectLayer(2);
    for (int i = 3; i <= 5; ++i) b.doc().selectLayer(i, Qt::ControlModifier);
    auto* slant = b.named<QDoubleSpinBox>("Slant: segments on from each chosen layer to the next");
    slant->setValue(1);
    skin->setBrush({"walnut", 1, false, 1});
    b.click(skin, skin->segmentPosition(3, 4), Qt::ControlModifier);
    b.doc().selectLayer(2);
    for (int i = 3; i <= 5; ++i) b.doc().selectLayer(i, Qt::ControlModifier);
    const Piece sloped =
        pattern::paint(plain, 2, 4, {"walnut", 1, false, 1}, b.doc().plan().assembly.segmentCounts(), {2, 3, 4, 5});
    for (int i = 2; i <= 5; ++i)
        EXPECT_EQ(sloped.layers[static_cast<size_t>(i)].woods[static_cast<size_t>(4 + i - 2)], "walnut")
            << "a stripe that climbs one segment a ring";
    const Piece mirrored = pattern::paint(plain, 2, 3, {"walnut", 1, true}, b.doc().plan().assembly.segmentCounts());
    for (const size_t k : {3, 9})
        EXPECT_EQ(mirrored.layers[2].woods[k % mirrored.layers[2].woods.size()], "walnut")
            << "twelve segments: nine lies as far back as three lies on";

    // Copy a ring onto others, by two presses.
    b.doc().apply("sloped", test::as(sloped));
    b.doc().selectLayer(2);
    b.press("copy-ring");
    b.doc().selectLayer(7);
    b.doc().selectLayer(8, Qt::ControlModifier);
    b.press("copy-ring");
    EXPECT_EQ(b.piece().layers[7].woods, sloped.layers[2].woods);
    EXPECT_EQ(b.piece().layers[8].woods, sloped.layers[2].woods);
    EXPECT_EQ(b.piece().layers[7].thickness, sloped.layers[7].thickness);

    // A picture from a file: the woods of the piece, and the number of segments that shows it.
    QImage image(120, 60, QImage::Format_RGB32);
    for (int y = 0; y < 60; ++y)
        for (int x = 0; x < 120; ++x)
            image.setPixelColor(x, y, x / 10 % 2 ? QColor(90, 55, 40) : QColor(240, 215, 170));
    b.answer = b.folder.filePath("flag.png");
    ASSERT_TRUE(image.save(b.answer));
    b.press("picture");
    EXPECT_TRUE(reads(b, "segments show it best"));
    EXPECT_NE(b.piece().layers[7].woods, sloped.layers[2].woods);
    EXPECT_EQ(b.piece().layers[3].woods, sloped.layers[3].woods) << "only the chosen rings";
    b.answer = b.folder.filePath("torn.png");
    io::writeFile(b.answer.toStdString(), "no picture");
    const Piece before = b.piece();
    b.press("picture");
    EXPECT_TRUE(reads(b, "cannot be read as a picture"));
    EXPECT_EQ(b.piece(), before);
}

TEST(Rack, IsEditedOnItsDrawingAndCarriedAsCsv)
{
    Desk b;
    b.press("Open bowl");
    b.window.goTo("cut");
    settle(b);
    EXPECT_TRUE(reads(b, "No board is cut."));
    EXPECT_TRUE(reads(b, "To buy:"));
    b.press("add-board");
    ASSERT_EQ(b.doc().shop().rack.size(), 1u);
    const std::string id = b.doc().shop().rack[0].id;
    b.type("Board's length", "1500");
    b.type("Board's width", "8in");
    EXPECT_EQ(b.doc().shop().rack[0].length, 1500);
    EXPECT_NEAR(b.doc().shop().rack[0].width, 203.2, 1e-9);
    // The edge is dragged, a knot is marked, moved and taken away.
    auto* boards = b.lane<BoardsView>();
    const QPointF edge = boards->positionOn(id, 1500, 100);
    b.drag(boards, edge, edge - QPointF(60, 0));
    EXPECT_LT(b.doc().shop().rack[0].length, 1500);
    b.press("mark-defects");
    b.drag(boards, boards->positionOn(id, 300, 40), boards->positionOn(id, 380, 90));
    ASSERT_EQ(b.doc().shop().rack[0].defects.size(), 1u);
    EXPECT_NEAR(b.doc().shop().rack[0].defects[0].along, 300, 6);
    b.press("mark-defects");
    b.drag(boards, boards->positionOn(id, 340, 60), boards->positionOn(id, 640, 60));
    EXPECT_NEAR(b.doc().shop().rack[0].defects[0].along, 600, 8);
    settle(b);
    for (const PlannedBoard& p : b.doc().boards().boards)
        for (const PlannedStrip& s : p.strips)
            for (const BoardRect& d : defectsOf(p.board)) EXPECT_FALSE(s.place.overlaps(d));
    b.click(boards, boards->positionOn(id, 640, 60));
    QTest::keyClick(boards, Qt::Key_Delete);
    EXPECT_TRUE(b.doc().shop().rack[0].defects.empty());
    // Out and in again.
    b.answer = b.folder.filePath("rack.csv");
    b.window.exportRack();
    const auto rack = b.doc().shop().rack;
    QTest::keyClick(boards, Qt::Key_Delete);
    EXPECT_TRUE(b.doc().shop().rack.empty());
    b.window.importRack();
    EXPECT_EQ(b.doc().shop().rack, rack);
    io::writeFile(b.answer.toStdString(), "id,wood\nA,maple\n");
    b.window.importRack();
    EXPECT_TRUE(b.window.message().contains("length_mm")) << b.window.message().toStdString();
    EXPECT_EQ(b.doc().shop().rack, rack);
    // A fresh window has it still.
    EXPECT_EQ(io::ShopBook(b.folder.filePath("shop.sqlite").toStdString()).load().rack, rack);
}

TEST(Rack, WhatIsAllCutComesOffTheRackAndItsOffcutsStay)
{
    Desk b;
    ASSERT_TRUE(b.window.openDemo("chart-stand"));
    b.window.goTo("cut");
    settle(b);
    const size_t cut = b.doc().boards().boards.size(), before = b.doc().shop().rack.size();
    size_t offcuts = 0;
    for (const PlannedBoard& p : b.doc().boards().boards) offcuts += p.offcuts.size();
    QTimer answer;
    bool asked = false;
    QObject::connect(&answer, &QTimer::timeout, [&] {
        if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget())) {
            asked = true;
            for (QAbstractButton* way : box->buttons())
                if (way->text() == "Keep the offcuts") QTest::mouseClick(way, Qt::LeftButton);
        }
    });
    answer.start(50);
    auto* away = b.button("put-away");
    ASSERT_NE(away, nullptr);
    EXPECT_TRUE(away->isEnabled());
    EXPECT_FALSE(b.doc().boardsBusy());
    b.press("put-away");
    EXPECT_TRUE(asked);
    EXPECT_EQ(b.window.message(), "");
    EXPECT_EQ(b.doc().shop().rack.size(), before - cut + offcuts);
    settle(b);
    EXPECT_TRUE(b.doc().boards().shortfall.empty()) << "the parts are there already";
}

TEST(Timetable, StepsAreMovedDoneAndReplanned)
{
    Desk b;
    ASSERT_TRUE(b.window.openDemo("chart-stand"));
    constexpr double monday =
        29932 * 1000 + 800;  // 2026-11-29 16:40, a Sunday: nothing is planned before the day after
    double now = monday;
    b.doc().setClock([&now] { return now; });
    b.window.goTo("glue");
    QApplication::processEvents();
    QCheckBox* dated = nullptr;
    for (auto* c : b.window.findChildren<QCheckBox*>())
        if (c->isVisible() && c->text() == "Begin on") dated = c;
    ASSERT_NE(dated, nullptr);
    QTest::mouseClick(dated, Qt::LeftButton, {}, QPoint(8, dated->height() / 2));
    ASSERT_TRUE(b.piece().progress.start.has_value());
    EXPECT_EQ(*b.piece().progress.start, now);
    EXPECT_TRUE(reads(b, "Ready"));
    const auto& recipe = b.doc().plan().assembly.recipe;
    const size_t first = b.doc().plan().schedule.order[0];
    const std::string id = recipe[first].id;
    auto* timetable = b.lane<Timetable>();
    const double was = b.doc().plan().schedule.start[first];
    b.drag(timetable, timetable->stepPosition(id), timetable->stepPosition(id) + QPointF(160, 0), 8);
    EXPECT_GT(b.doc().plan().schedule.start[first], was + 30) << "dragged to a later time";
    EXPECT_EQ(b.doc().history().undoText(), "move in time");
    b.press("step-free");
    EXPECT_EQ(b.doc().plan().schedule.start[first], was);
    // It is done, later than planned: what hangs on it moves on.
    now = monday + 2 * 1440;
    b.press("step-done");
    EXPECT_TRUE(b.doc().plan().schedule.done[first]);
    for (size_t i = 0; i < recipe.size(); ++i)
        if (!b.doc().plan().schedule.done[i])
            EXPECT_GE(b.doc().plan().schedule.start[i], now - *b.piece().progress.start - 1);
    b.press("step-done");
    EXPECT_FALSE(b.doc().plan().schedule.done[first]);
    // Earlier than what it works on it cannot begin, and says why.
    size_t bound = 0;
    while (recipe[bound].after.empty() || recipe[bound].workMinutes <= 0) ++bound;
    const QPointF place = timetable->stepPosition(recipe[bound].id);
    b.drag(timetable, place, place - QPointF(60, 0), 8);
    EXPECT_TRUE(QToolTip::text().contains("It works on what") || QToolTip::text().contains("It comes after"))
        << QToolTip::text().toStdString();
    b.answer = b.folder.filePath("stand.ics");
    b.window.exportCalendar();
    EXPECT_TRUE(io::readFile(b.answer.toStdString()).starts_with("BEGIN:VCALENDAR"));
}

TEST(Glue, RingsAreCuredFullyWhereTheTurnerSaysSo)
{
    Desk b;
    ASSERT_TRUE(b.window.openDemo("regatta-cup"));
    b.window.goTo("glue");
    QApplication::processEvents();
    const double soon = b.doc().plan().schedule.length;
    QCheckBox* fully = nullptr;
    for (auto* box : b.window.findChildren<QCheckBox*>())
        if (box->text() == "Cured fully before each next ring") fully = box;
    ASSERT_TRUE(fully);
    const auto press = [&] {
        fully->click();
        return QTest::qWaitFor([&] { return b.doc().piece().choices.curedFully == fully->isChecked(); }, 5000);
    };
    ASSERT_TRUE(press());
    EXPECT_GT(b.doc().plan().schedule.length, soon + 24 * 60) << "days longer";
    ASSERT_TRUE(press());
    EXPECT_EQ(b.doc().plan().schedule.length, soon);
    b.doc().undo();
    EXPECT_TRUE(QTest::qWaitFor([&] { return fully->isChecked(); }, 5000)) << "what is undone is shown";
}

TEST(Glue, AnotherGlueForAJointIsTakenAndCautionedWhereItDoesNotHold)
{
    Desk b;
    ASSERT_TRUE(b.window.openDemo("flag-bowl"));
    b.window.goTo("glue");
    QApplication::processEvents();
    std::string veneer;
    for (const JointGlue& g : b.doc().plan().glues)
        if (b.doc().plan().assembly.recipe[g.step].glue.faces == JointFaces::Veneer)
            veneer = b.doc().plan().assembly.recipe[g.step].id;
    ASSERT_FALSE(veneer.empty());
    Selection s = b.doc().selection();
    s.step = veneer;
    b.doc().select(s);
    auto* glue = b.named<QComboBox>("Glue of this joint");
    const int thin = glue->findText("thin cyanoacrylate");
    ASSERT_GT(thin, 0);
    glue->setCurrentIndex(thin);
    emit glue->activated(thin);
    QApplication::processEvents();
    const auto caution =
        std::ranges::find_if(b.doc().plan().cautions, [&](const Caution& c) { return c.id.starts_with("glue-"); });
    ASSERT_NE(caution, b.doc().plan().cautions.end());
    ASSERT_FALSE(caution->fixes.empty());
    b.doc().apply("fix", test::as(caution->fixes[0].apply(b.piece())));
    EXPECT_TRUE(b.piece().glues.empty());
    EXPECT_TRUE(
        std::ranges::none_of(b.doc().plan().cautions, [&](const Caution& c) { return c.id.starts_with("glue-"); }));
}

TEST(GlueBook, IsEditedAndRefusesWhatCannotBe)
{
    Desk b;
    b.press("Open bowl");
    GlueBookDialog dialog(b.doc(), &b.window);
    dialog.show();
    auto* table = dialog.findChild<QTableWidget*>();
    ASSERT_NE(table, nullptr);
    table->item(0, 1)->setText("8");
    EXPECT_EQ(b.doc().shop().glues[0].openMinutes, 8);
    table->item(0, 1)->setText("-4");
    EXPECT_EQ(b.doc().shop().glues[0].openMinutes, 8);
    EXPECT_EQ(table->item(0, 1)->text(), "8") << "the old value is shown again";
    table->item(0, 1)->setText("soon");
    EXPECT_EQ(b.doc().shop().glues[0].openMinutes, 8);
    const size_t before = b.doc().shop().glues.size();
    for (auto* button : dialog.findChildren<QPushButton*>())
        if (button->text() == "Add a glue") QTest::mouseClick(button, Qt::LeftButton);
    EXPECT_EQ(b.doc().shop().glues.size(), before + 1);
    for (auto* button : dialog.findChildren<QPushButton*>())
        if (button->text() == "The usual book") QTest::mouseClick(button, Qt::LeftButton);
    EXPECT_EQ(b.doc().shop().glues, commonGlues());
}
