// Input that does what the hand means: each of these surprised someone once.
#include "app/lanes/face_view.h"
#include "app/lanes/layer_tabs.h"
#include "app/lanes/section_lane.h"
#include "app/solid/solid_view.h"
#include "app/stages/build/skin_lane.h"
#include "app/stages/cut/boards_view.h"
#include "app/window/packet_dialog.h"
#include "core/plan/caution_kinds.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QWheelEvent>

using namespace vl;
using namespace vl::app;
using test::Desk;

namespace {

void roll(QWidget* w)
{
    QWheelEvent event(QPointF(5, 5), w->mapToGlobal(QPointF(5, 5)), {}, {0, -120}, Qt::NoButton, Qt::NoModifier,
                      Qt::NoScrollPhase, false);
    QApplication::sendEvent(w, &event);
}

}  // namespace

TEST(Surprise, TheWheelChangesNoFieldThatHasNotTheKeyboard)
{
    Desk b;
    for (const char* stage : {"shape", "build", "cut", "glue", "turn"}) {
        b.demo(stage);
        const Piece before = b.piece();
        b.lane<QScrollArea>()->setFocus();
        int fields = 0;
        for (QWidget* w : b.window.findChildren<QWidget*>())
            if (w->isVisible() && (qobject_cast<QComboBox*>(w) || qobject_cast<QAbstractSpinBox*>(w) ||
                                   qobject_cast<QSlider*>(w) || qobject_cast<LengthField*>(w))) {
                w->clearFocus();
                roll(w);
                ++fields;
            }
        EXPECT_GT(fields, 1) << stage;
        EXPECT_EQ(b.piece(), before) << stage;
    }
}

TEST(Surprise, AClickInANumberSelectsIt)
{
    Desk b;
    b.demo("build");
    auto* thickness = b.named<LengthField>("Thickness");
    b.click(thickness, QPointF(thickness->width() - 20, thickness->height() / 2.0));
    QApplication::processEvents();
    EXPECT_EQ(thickness->selectedText(), thickness->text());
    QTest::keyClicks(thickness, "12,5");
    QTest::keyClick(thickness, Qt::Key_Return);
    EXPECT_EQ(b.piece().layers[static_cast<size_t>(b.doc().selection().layer)].thickness, 12.5) << "a comma is read";
    EXPECT_TRUE(thickness->toolTip().contains("3/8 + 1/16")) << "it says that it takes sums";
}

TEST(Surprise, UndoWithNothingHalfTypedIsThePiecesOwn)
{
    Desk b;
    b.demo("build");
    const Piece cup = b.piece();
    b.doc().selectLayer(6);
    b.type("Thickness", "21");
    ASSERT_NE(b.piece(), cup);
    auto* thickness = b.named<LengthField>("Thickness");
    thickness->setFocus();
    // Half typed, the field's own; it is empty handed after that.
    QTest::keyClicks(thickness, "9");
    QTest::keyClick(thickness, Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NE(b.piece(), cup);
    QTest::keyClick(thickness, Qt::Key_Escape);
    QTest::keyClick(thickness, Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(b.piece(), cup);
}

TEST(Surprise, DragsKeepToTheStepThatIsSet)
{
    Desk b;
    b.demo("shape");
    auto* section = b.lane<SectionLane>();
    const QPointF at = section->nodePosition(Side::Outside, 7);
    b.drag(section, at, at + QPointF(7.3, -5.7));
    const Node& n = b.piece().outside[7];
    EXPECT_NEAR(std::remainder(n.z, 0.5), 0, 1e-9) << n.z;
    EXPECT_NEAR(std::remainder(2 * n.r, 0.5), 0, 1e-9) << n.r;
    b.press("Fractions of an inch");
    const QPointF again = section->nodePosition(Side::Outside, 7);
    b.drag(section, again, again + QPointF(-9.1, 4.4));
    EXPECT_NEAR(std::remainder(b.piece().outside[7].z, mmPerInch / 32), 0, 1e-9);
    b.press("Millimeters");
}

TEST(Surprise, EscapePutsTheBrushDown)
{
    Desk b;
    b.demo("build");
    auto* skin = b.lane<SkinLane>();
    b.named<QPushButton>("brush");
    skin->setBrush({"holly"});
    skin->setFocus();
    QTest::keyClick(skin, Qt::Key_Escape);
    const Piece before = b.piece();
    b.click(skin, skin->segmentPosition(7, 2));
    EXPECT_EQ(b.piece(), before) << "a press only chooses";
    EXPECT_EQ(b.doc().selection().segment, 2);
}

TEST(Face, IsDraggedToTurnTheRingAndPaintsItsSegments)
{
    Desk b;
    b.demo("build");
    b.doc().selectLayer(7);
    QApplication::processEvents();
    auto* face = b.lane<FaceView>();
    const double turn = b.piece().layers[7].sectors()->turn;
    const QPointF from = face->turnPosition(), middle = (face->segmentPosition(0) + face->segmentPosition(9)) / 2;
    const QPointF arm = from - middle;
    // A quarter of the circle on, counterclockwise as seen from the tailstock: on the screen to the left.
    b.drag(face, from, middle + QPointF(arm.y(), -arm.x()), 12);
    const double turned = b.piece().layers[7].sectors()->turn;
    EXPECT_NEAR(std::remainder(turned - turn - 18 / 4.0, 18), 0, 0.26)
        << "eighteen segments: a quarter is four and a half";
    EXPECT_EQ(turned * 8, std::round(turned * 8)) << "by eighths of a segment";
    EXPECT_EQ(b.doc().history().count(), 1);
    b.doc().history().undo();
    face->setBrush({"holly"});
    b.click(face, face->segmentPosition(5));
    EXPECT_EQ(b.piece().layers[7].woods.at(5), "holly");
    face->setBrush({});
    // And by keys: along the segments, and an eighth on.
    face->setFocus();
    QTest::keyClick(face, Qt::Key_Right);
    EXPECT_EQ(b.doc().selection().segment, 6);
    QTest::keyClick(face, Qt::Key_Right, Qt::ControlModifier);
    EXPECT_NEAR(b.piece().layers[7].sectors()->turn, turn + 0.125, 1e-9);
}

TEST(Cautions, OfOneKindAreOneEntryWithOneFixForAll)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    Piece vase = test::tallVase(40, 12);
    for (Layer& l : vase.layers) l.stockInner = l.stockOuter = 0;
    for (size_t i = 0; i < vase.layers.size(); ++i) {
        vase.layers[i].stockOuter = i % 2 ? 60 : 160;
        vase.layers[i].stockInner = i % 2 ? 40 : 120;
    }
    b.doc().replace(vase, {});
    b.window.goTo("build");
    auto count = [&](const char* kind) {
        return std::ranges::count_if(b.doc().plan().cautions,
                                     [&](const Caution& c) { return c.kind == kind; });
    };
    ASSERT_GT(count("overlap"), 10);
    b.press("cautions");
    QApplication::processEvents();
    auto* all = b.named<QPushButton>("fix-all-overlap-0");
    ASSERT_NE(all, nullptr);
    EXPECT_TRUE(all->text().startsWith("All ")) << all->text().toStdString();
    const auto before = count("overlap");
    QTest::mouseClick(all, Qt::LeftButton);
    // So many rings are planned beside.
    ASSERT_TRUE(QTest::qWaitFor([&] { return !b.doc().planning(); }, 20000));
    EXPECT_LT(count("overlap"), before);
    EXPECT_EQ(b.doc().history().count(), 1) << "one step that undoes";
}

TEST(Menus, HoldEveryActionAndTheirKeysWork)
{
    Desk b;
    b.demo("build");
    QStringList heads, actions;
    for (QAction* menu : b.window.findChild<QMenuBar*>()->actions()) {
        heads << menu->text().remove('&');
        for (QAction* a : menu->menu()->actions())
            if (!a->isSeparator()) {
                EXPECT_FALSE(a->text().isEmpty());
                actions << a->text();
            }
    }
    EXPECT_EQ(heads, QStringList({"Piece", "Edit", "View", "Shop", "Help"}));
    for (const char* wanted : {"Save", "Undo", "The chosen layer", "Add a node to the outline", "Fit the drawing",
                               "The shop …", "Help", "Preferences …"})
        EXPECT_TRUE(actions.contains(wanted)) << wanted;
    QTest::keyClick(&b.window, Qt::Key_F1);
    auto* help = b.window.findChild<QDialog*>("help");
    ASSERT_NE(help, nullptr);
    EXPECT_TRUE(help->isVisible());
    EXPECT_TRUE(help->findChild<QTextBrowser*>()->toPlainText().contains("Segmented ring"));
    help->close();
    QApplication::setActiveWindow(&b.window);
    // F6 goes round the panes.
    QSet<QWidget*> visited;
    for (int k = 0; k < 5; ++k) {
        QTest::keyClick(QApplication::focusWidget() ? QApplication::focusWidget() : &b.window, Qt::Key_F6);
        visited << QApplication::focusWidget();
    }
    EXPECT_EQ(visited.size(), 5);
}

TEST(Boards, ZoomAndSayWhatIsUnderThePointer)
{
    Desk b;
    b.demo("cut");
    ASSERT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy() && !b.doc().boards().boards.empty(); }, 20000));
    auto* boards = b.lane<BoardsView>();
    const PlannedBoard board = b.doc().boards().boards.at(0);
    const PlannedStrip strip = board.strips.at(0);
    auto middle = [&] {
        const PlannedRun& run = strip.runs.at(0);
        return boards->positionOn(board.board.id, strip.place.x + run.from + run.length / 2,
                                  strip.place.y + strip.place.width / 2);
    };
    QMouseEvent move(QEvent::MouseMove, middle(), boards->mapToGlobal(middle()), Qt::NoButton, Qt::NoButton, {});
    QApplication::sendEvent(boards, &move);
    const auto part = std::ranges::find(b.doc().plan().assembly.parts, strip.runs[0].part, &Part::id);
    ASSERT_NE(part, b.doc().plan().assembly.parts.end());
    EXPECT_EQ(boards->toolTip().toStdString(), part->name);
    const auto wide = [&] {
        return boards->positionOn(board.board.id, board.board.length, 0).x() -
               boards->positionOn(board.board.id, 0, 0).x();
    };
    const double whole = wide();
    QTest::keyClick(&b.window, Qt::Key_Plus, Qt::ControlModifier);
    EXPECT_NEAR(wide(), 1.25 * whole, 2);
    QTest::keyClick(&b.window, Qt::Key_0, Qt::ControlModifier);
    EXPECT_NEAR(wide(), whole, 1);
}

TEST(Files, AreOpenedWhereTheyAreDropped)
{
    Desk b;
    b.window.openDemo("flag-bowl");
    b.answer = b.folder.filePath("bowl.vlathe");
    ASSERT_TRUE(b.window.save());
    const Piece bowl = b.piece();
    b.window.openDemo("regatta-cup");
    for (const bool piece : {false, true}) {
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(piece ? b.answer : b.folder.filePath("other.txt"))});
        QDragEnterEvent enter({50, 50}, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        enter.setAccepted(false);
        QApplication::sendEvent(&b.window, &enter);
        EXPECT_EQ(enter.isAccepted(), piece);
        QDropEvent drop(QPointF(50, 50), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&b.window, &drop);
        EXPECT_EQ(b.piece().name == bowl.name, piece);
    }
    EXPECT_EQ(b.piece(), bowl);
}

TEST(Surprise, AWorkshopIsLentForOnePieceAndGivenBack)
{
    Desk b;
    const Shop own = b.doc().shop();
    const auto choose = [&](const QString& words) {
        auto* menu = b.window.findChild<QMenu*>("lent workshops");
        ASSERT_NE(menu, nullptr);
        emit menu->aboutToShow();
        for (QAction* action : menu->actions())
            if (action->text() == words) return action->trigger();
        ADD_FAILURE() << "no workshop " << words.toStdString();
    };
    choose("Lifeboat station workshop");
    EXPECT_EQ(b.doc().shop().name, "Lifeboat station workshop");
    EXPECT_EQ(b.doc().shop().lathe.swingRadius, 125);
    choose("Harbour museum workshop");
    EXPECT_NE(b.doc().shop().lathe.swingRadius, 125);
    choose("In mine again");
    EXPECT_EQ(b.doc().shop(), own);
}

TEST(Surprise, PieceAndShopHaveOneHistory)
{
    Desk b;
    b.demo("cut");
    const double kerf = b.doc().shop().kerf;
    const std::string name = b.piece().name;
    Piece renamed = b.piece();
    renamed.name = "First prize";
    b.doc().apply("name", test::as(renamed));
    Shop shop = b.doc().shop();
    shop.kerf = kerf + 0.4;
    ASSERT_TRUE(b.doc().changeShop("kerf", test::as(shop)));
    Shop wrong = shop;
    wrong.kerf = -4;
    EXPECT_FALSE(b.doc().changeShop("kerf", test::as(wrong)));
    EXPECT_EQ(b.doc().history().count(), 2);
    b.doc().history().undo();
    EXPECT_EQ(b.doc().shop().kerf, kerf);
    EXPECT_EQ(b.piece().name, "First prize");
    b.doc().history().undo();
    EXPECT_EQ(b.piece().name, name);
    b.doc().history().redo();
    b.doc().history().redo();
    EXPECT_EQ(b.doc().shop().kerf, kerf + 0.4);
    // A shop that another window wrote meanwhile is not undone with the turner's own change.
    Shop others = shop;
    others.ripKerf += 0.3;
    b.doc().setShop(others);
    b.doc().history().undo();
    EXPECT_EQ(b.doc().shop(), others);
    // The shop is no part of the piece: changing it leaves nothing to save.
    Desk plain;
    plain.demo("cut");
    shop.kerf = kerf + 0.2;
    plain.doc().changeShop("kerf", test::as(shop));
    EXPECT_FALSE(plain.doc().edited());
}

TEST(Surprise, ADraggedDefectIsOneStep)
{
    Desk b;
    b.demo("cut");
    EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000));
    Shop shop = b.doc().shop();
    shop.rack[0].defects = {{100, 20, 60, 30, "knot"}};
    b.doc().changeShop("knot", test::as(shop));
    QTest::qWait(200);  // planned anew
    EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000));
    auto* boards = b.lane<BoardsView>();
    const int steps = b.doc().history().count();
    // Boards that are used come first: where it stands once all is planned, brought into sight.
    const auto settled = [&, last = QPointF()]() mutable {
        const QPointF now = boards->positionOn(shop.rack[0].id, 130, 35);
        return now == std::exchange(last, now) && !b.doc().boardsBusy();
    };
    QTest::qWait(300);
    EXPECT_TRUE(QTest::qWaitFor(settled, 20000));
    const QPointF from = boards->positionOn(shop.rack[0].id, 130, 35);
    for (QWidget* in = boards->parentWidget(); in; in = in->parentWidget())
        if (auto* scroll = qobject_cast<QScrollArea*>(in))
            scroll->ensureVisible(static_cast<int>(from.x()), static_cast<int>(from.y()));
    QApplication::processEvents();
    b.drag(boards, from, from + QPointF(60, 0));
    EXPECT_GT(b.doc().shop().rack[0].defects[0].along, 110);
    EXPECT_EQ(b.doc().history().count(), steps + 1);
    b.doc().history().undo();
    EXPECT_EQ(b.doc().shop().rack[0].defects[0].along, 100);
}

TEST(Surprise, SavingSaysWhereAndOpensIt)
{
    Desk b;
    b.demo("shape");
    const QString path = b.folder.filePath("a <cup> & more.vlathe");
    ASSERT_TRUE(b.window.saveTo(path));
    EXPECT_TRUE(b.window.message().contains("&lt;cup&gt; &amp; more")) << b.window.message().toStdString();
    QLabel* said = nullptr;
    for (auto* label : b.window.findChildren<QLabel*>())
        if (label->isVisible() && label->text() == b.window.message()) said = label;
    ASSERT_NE(said, nullptr);
    static const QRegularExpression link(QStringLiteral("href=\"([^\"]*)\""));
    auto it = link.globalMatch(b.window.message());
    ASSERT_TRUE(it.hasNext());
    emit said->linkActivated(QTextDocumentFragment::fromHtml(it.next().captured(1)).toPlainText());
    emit said->linkActivated(QTextDocumentFragment::fromHtml(it.next().captured(1)).toPlainText());
    EXPECT_EQ(b.shown, QStringList({path, b.folder.path()}));
}

TEST(Surprise, AStartOfOnesOwnIsKeptAndForgotten)
{
    QString folder;
    {
        Desk b([&](const QString& f) { folder = f; });
        b.demo("shape");
        b.answer.clear();
        for (QAction* action : b.window.findChildren<QAction*>())
            if (action->text() == "Keep as a start of my own") action->trigger();
        b.window.goTo("start");
        QApplication::processEvents();
        auto* card = b.button("Regatta cup: a start of your own");
        ASSERT_NE(card, nullptr);
        b.press("Regatta cup: a start of your own");
        EXPECT_EQ(b.piece().layers.size(), test::regattaCup().layers.size());
        EXPECT_TRUE(b.doc().path().isEmpty());
        b.window.goTo("start");
        card = b.button("Regatta cup: a start of your own");
        ASSERT_EQ(card->actions().size(), 1);
        card->actions()[0]->trigger();
        QTest::qWait(50);
        for (auto* button : b.window.findChildren<QAbstractButton*>())
            EXPECT_FALSE(button->accessibleName().startsWith("Regatta cup: a start")) << "forgotten";
    }
}

TEST(Surprise, ThePacketIsLookedAtBeforeItIsPrinted)
{
    Desk b;
    b.demo("turn");
    EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000));
    PacketDialog dialog(b.doc(), report::Paper::A4, &b.window);
    dialog.show();
    QApplication::processEvents();
    const int whole = dialog.pages();
    EXPECT_GT(whole, 8);
    report::PacketChoice wanted = report::Paper::A4;
    QObject::connect(&dialog, &PacketDialog::pdfWanted, [&](const report::PacketChoice& c) { wanted = c; });
    for (auto* box : dialog.findChildren<QCheckBox*>())
        if (box->text() != "Stations") box->click();
    QApplication::processEvents();
    EXPECT_EQ(dialog.pages(), 1);
    for (auto* button : dialog.findChildren<QPushButton*>())
        if (button->text() == "Save as PDF …") button->click();
    EXPECT_EQ(wanted.parts, std::set{report::PacketPart::Stations});
    b.answer = b.folder.filePath("stations.pdf");
    EXPECT_TRUE(b.window.printPacket(wanted));
    EXPECT_GT(QFileInfo(b.answer).size(), 1000);
}

TEST(Surprise, AboutSaysWhatDrawsTheSolid)
{
    Desk b;
    b.demo("shape");
    for (QAction* action : b.window.findChildren<QAction*>())
        if (action->text() == "About Vivid Lathe") action->trigger();
    auto* text = b.window.findChild<QTextBrowser*>();
    ASSERT_NE(text, nullptr);
    EXPECT_EQ(text->toPlainText().contains("painted by the processor"), b.window.solid().materialMesh());
    EXPECT_FALSE(text->toPlainText().contains("%solid"));
}
