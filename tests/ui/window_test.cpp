// What must hold whatever is done: cautions and their fixes, bad input, recovery, no OpenGL, contrast, names.
#include "app/lanes/section_lane.h"
#include "app/solid/solid_view.h"
#include "app/theme/theme.h"
#include "app/window/dialogs.h"
#include "app/window/start_page.h"
#include "core/piece/edits/edit.h"
#include "io/files.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>

#include <cmath>

using namespace vl;
using namespace vl::app;
using vl::test::Desk;

namespace {

struct Provoked {
    const char* id;
    void (*change)(Piece&);
};

/// Presses a button of the message box that is about to open.
double luminance(const QColor& c)
{
    auto part = [](double v) { return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
    return 0.2126 * part(c.redF()) + 0.7152 * part(c.greenF()) + 0.0722 * part(c.blueF());
}

double contrast(const QColor& a, const QColor& b)
{
    const double high = std::max(luminance(a), luminance(b)), low = std::min(luminance(a), luminance(b));
    return (high + 0.05) / (low + 0.05);
}

}  // namespace

class CautionOnScreen : public testing::TestWithParam<Provoked> {};

TEST_P(CautionOnScreen, IsShownAndItsFirstFixAppliesItself)
{
    Desk b;
    b.demo("build");
    Piece piece = b.piece();
    GetParam().change(piece);
    ASSERT_TRUE(b.doc().apply("provoke", test::as(piece)));
    const auto& cautions = b.doc().plan().cautions;
    const auto it = std::ranges::find_if(cautions, [](const Caution& c) { return c.id.starts_with(GetParam().id); });
    ASSERT_NE(it, cautions.end());
    const QString id = QString::fromStdString(it->id);
    EXPECT_FALSE(b.button("cautions")->text().startsWith("no"));
    b.press("cautions");
    b.press("fix-" + id + "-0");
    EXPECT_TRUE(std::ranges::none_of(b.doc().plan().cautions,
                                     [&](const Caution& c) { return QString::fromStdString(c.id) == id; }));
    EXPECT_EQ(b.doc().history().count(), 2) << "a fix is a step that undoes";
    b.doc().history().undo();
    EXPECT_EQ(b.piece(), piece);
}

INSTANTIATE_TEST_SUITE_P(
    Kinds, CautionOnScreen,
    testing::Values(
        Provoked{"overlap-", [](Piece& p) { p.hollow.rimWall = p.hollow.baseWall = p.hollow.leastWall = 3; }},
        Provoked{"wall", [](Piece& p) { p.hollow.leastWall = 7; }},
        Provoked{"reach-height", [](Piece& p) { p.layers.pop_back(); }},
        Provoked{"reach-outside", [](Piece& p) { p.layers[8].stockOuter = 140; }},
        Provoked{"short-", [](Piece& p) { p.layers[1].ring()->segments = 40; }},
        Provoked{"season-", [](Piece& p) { p.layers[0].woods = {"beech"}, p.outside[0].r = p.outside[1].r = 70; }},
        Provoked{"swing",
                 [](Piece& p) {
                     for (Node& n : p.outside) n.r *= 2.8;
                 }},
        Provoked{"tip", [](Piece& p) { p.outside[0].r = p.outside[1].r = 20; }}));

TEST(Field, SaysWhatIsWrongAndKeepsTheValue)
{
    Desk b;
    b.demo("shape");
    auto* rim = b.named<LengthField>("Wall at the rim");
    for (const char* bad : {"abc", "0", "-3", "900", "1/0"}) {
        rim->setFocus();
        rim->selectAll();
        QTest::keyClicks(rim, bad);
        QTest::keyClick(rim, Qt::Key_Return);
        EXPECT_TRUE(rim->property("bad").toBool()) << bad;
        EXPECT_TRUE(rim->toolTip().contains("Wall at the rim")) << rim->toolTip().toStdString();
        EXPECT_EQ(b.piece().hollow.rimWall, 6) << bad;
    }
    QTest::keyClick(rim, Qt::Key_Escape);
    EXPECT_FALSE(rim->property("bad").toBool());
    EXPECT_EQ(rim->text(), "6.0 mm");
    QTest::keyClick(rim, Qt::Key_Up);
    EXPECT_EQ(b.piece().hollow.rimWall, 6.5);
}

TEST(Dialogs, NameAndShopAreTypedIn)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    PieceDialog name(b.doc(), &b.window);
    name.show();
    auto* field = name.findChild<QLineEdit*>();
    field->setText("Second prize");
    name.findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok)->click();
    EXPECT_EQ(b.piece().name, "Second prize");
    ShopDialog shop(b.doc(), {}, &b.window);
    shop.show();
    for (auto* length : shop.findChildren<LengthField*>())
        if (length->accessibleName() == "layers overlap by less than") {
            length->setFocus();
            length->selectAll();
            QTest::keyClicks(length, "1/2in");
            QTest::keyClick(length, Qt::Key_Return);
        }
    EXPECT_NEAR(b.doc().shop().leastOverlap, 12.7, 1e-9);
    EXPECT_FALSE(b.doc().plan().cautions.empty()) << "a stricter shop sees more";
    for (auto* number : shop.findChildren<QDoubleSpinBox*>())
        if (number->accessibleName() == "Lowest speed, rpm") number->setValue(9000);
    EXPECT_EQ(b.doc().shop().lathe.lowestRpm, 100) << "above the highest: refused";
}

TEST(Open, ABadFileIsSaidAndThePieceStays)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    const Piece before = b.piece();
    const QString path = b.folder.filePath("bad.vlathe");
    io::writeFile(path.toStdString(), "{\"format\":\"vivid-lathe-piece\",\"outside\":[]}");
    EXPECT_FALSE(b.window.openPath(path));
    EXPECT_TRUE(b.window.message().contains("layers")) << b.window.message().toStdString();
    EXPECT_EQ(b.piece(), before);
    b.window.goTo("start");
    EXPECT_TRUE(std::ranges::any_of(b.window.findChildren<QLabel*>(), [](QLabel* l) {
        return l->isVisible() && l->text().contains("layers: nothing");
    })) << "the first page says it too";
    EXPECT_FALSE(b.window.saveTo("/no/such/folder/x.vlathe"));
    EXPECT_FALSE(b.window.openDemo("no-such"));
    std::string repaired = io::writePiece(before);
    repaired.replace(repaired.find("\"maple\""), 7, "\"moonwood\"");
    io::writeFile(path.toStdString(), repaired);
    EXPECT_TRUE(b.window.openPath(path));
    EXPECT_TRUE(b.window.message().contains("put right")) << b.window.message().toStdString();
}

TEST(Start, OutlivesWhateverIsInItsFolder)
{
    Desk b([](const QString& folder) {
        io::writeFile((folder + "/shop.json").toStdString(), "{\"kerf_mm\": -4}");
        QDir(folder).mkpath("drafts");
        io::writeFile((folder + "/drafts/torn.draft").toStdString(), "{\"piece\": \"{");
        io::writeFile((folder + "/drafts/empty.draft").toStdString(), "");
    });
    EXPECT_TRUE(b.window.message().contains("kerf_mm: -4")) << b.window.message().toStdString();
    EXPECT_EQ(b.doc().shop(), Shop{}) << "a shop that cannot be read is not half taken";
    EXPECT_TRUE(b.window.drafts().leftBehind().empty());
    b.window.offerRecovery();
    EXPECT_TRUE(QFile::exists(b.folder.filePath("drafts/torn.draft"))) << "what cannot be read is left for its owner";
    b.window.openDemo("regatta-cup");
    EXPECT_EQ(b.piece().layers.size(), 15u);
}

TEST(Start, KeepsTheUnitsChosenLast)
{
    {
        Desk b;
        b.window.openDemo("regatta-cup");
        b.press("Decimal inches");
    }
    Desk b;
    EXPECT_EQ(b.doc().style().unit, LengthStyle::Unit::Inch);
    b.window.openDemo("regatta-cup");
    b.press("Millimeters");
    EXPECT_EQ(b.doc().style().unit, LengthStyle::Unit::Millimeter);
}

TEST(Export, WritesEachFormatAndRefusesOthers)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    for (const char* ending : {"dxf", "svg", "csv", "ics", "stl", "obj", "3mf"}) {
        b.answer = b.folder.filePath(QString("cup.%1").arg(ending));
        b.window.exportFile();
        EXPECT_GT(QFile(b.answer).size(), 1000) << ending;
    }
    // The whole book goes out and comes in, as a file and as a table of values.
    const Shop whole = b.doc().shop();
    for (const char* ending : {"json", "csv"}) {
        b.answer = b.folder.filePath(QString("book.%1").arg(ending));
        b.window.exportBook();
        Shop other = whole;
        other.log.clear();
        other.kerf = 1;
        ASSERT_TRUE(b.doc().changeShop("other", test::as(other)));
        b.window.importBook();
        EXPECT_EQ(b.doc().shop(), whole) << ending;
        b.doc().undo();
        EXPECT_EQ(b.doc().shop(), other) << "undo brings the one before back";
        b.doc().redo();
    }
    b.answer = b.folder.filePath("cup.stp");
    b.window.exportFile();
    EXPECT_TRUE(b.window.message().contains("dxf, svg, csv, ics, stl, obj, 3mf and png"));
    EXPECT_FALSE(QFile::exists(b.answer));
    b.answer = "/no/such/folder/cup.pdf";
    EXPECT_FALSE(b.window.printPacket(report::Paper::Letter));
    b.answer.clear();
    EXPECT_FALSE(b.window.saveAs()) << "a canceled dialog saves nothing";
}

TEST(Recent, FilesAreOfferedAgain)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    const QString path = b.folder.filePath("silver cup.vlathe");
    ASSERT_TRUE(b.window.saveTo(path));
    b.demo("start");
    b.press("silver cup");
    EXPECT_EQ(b.doc().path(), path);
    EXPECT_FALSE(b.doc().edited());
}

TEST(Recovery, BringsBackWhatAnEndedSessionHadOpen)
{
    Desk ended;
    ended.window.openDemo("regatta-cup");
    Piece changed = ended.piece();
    changed.layers[1].ring()->segments = 10;
    ended.doc().apply("change", test::as(changed));
    ended.window.drafts().write();
    // A session that ended leaves its draft and no lock.
    const QDir drafts(ended.folder.filePath("drafts"));
    const QStringList files = drafts.entryList({"*.draft"}, QDir::Files);
    ASSERT_EQ(files.size(), 1);
    Desk next;
    ASSERT_TRUE(QFile::copy(drafts.filePath(files[0]), next.folder.filePath("drafts/left.draft")));
    next.way = 2;
    next.window.offerRecovery();
    EXPECT_NE(next.piece(), changed) << "later";
    EXPECT_TRUE(QFile::exists(next.folder.filePath("drafts/left.draft")));
    next.way = 0;
    next.window.offerRecovery();
    EXPECT_EQ(next.piece(), changed);
    EXPECT_TRUE(next.doc().edited()) << "it is still not saved";
    EXPECT_FALSE(QFile::exists(next.folder.filePath("drafts/left.draft")));
    EXPECT_TRUE(ended.window.drafts().leftBehind().empty()) << "a running session's draft is its own";
    Desk third;
    ASSERT_TRUE(QFile::copy(drafts.filePath(files[0]), third.folder.filePath("drafts/left.draft")));
    third.way = 1;
    third.window.offerRecovery();
    EXPECT_NE(third.piece(), changed) << "deleted";
    EXPECT_FALSE(QFile::exists(third.folder.filePath("drafts/left.draft")));
}

TEST(Close, AsksBeforeChangesAreLost)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    Piece changed = b.piece();
    changed.name = "Other";
    b.doc().apply("name", test::as(changed));
    b.way = -1;
    EXPECT_FALSE(b.window.close());
    b.answer = b.folder.filePath("other");
    b.way = 0;
    EXPECT_TRUE(b.window.close());
    EXPECT_EQ(io::loadPiece(b.answer.toStdString() + ".vlathe").piece, changed);
}

TEST(NoOpenGl, PaintsIt)
{
    qputenv("VIVID_LATHE_NO_OPENGL", "1");
    {
        Desk b;
        b.window.openDemo("regatta-cup");
        EXPECT_TRUE(b.window.solid().materialMesh());
        const QImage picture = b.window.solid().grab().toImage();
        std::set<QRgb> colors;
        for (int y = 0; y < picture.height(); y += 5)
            for (int x = 0; x < picture.width(); x += 5) colors.insert(picture.pixel(x, y));
        EXPECT_GT(colors.size(), 200u) << "the wood is there";
    }
    qunsetenv("VIVID_LATHE_NO_OPENGL");
}

TEST(EveryStage, OfEveryStartIsDrawnInBothThemes)
{
    Desk b;
    for (const bool dark : {false, true}) {
        b.window.setDark(dark);
        for (const Start& start : starts()) {
            b.doc().replace(start.make(), {});
            for (const QString& stage : b.window.stageNames()) {
                ASSERT_TRUE(b.window.goTo(stage));
                const QImage picture = b.window.grab().toImage();
                std::set<QRgb> colors;
                for (int y = 70; y < 700; y += 9)
                    for (int x = 20; x < 860; x += 9) colors.insert(picture.pixel(x, y));
                EXPECT_GT(colors.size(), 8u) << start.name << " " << stage.toStdString();
            }
        }
    }
    b.window.setDark(false);
}

TEST(Theme, TextStandsOutFourAndAHalfToOne)
{
    for (const Theme& t : {Theme::light(), Theme::darkBench()})
        for (const auto& [ink, ground] : {std::pair{t.text, t.panel},
                                          {t.text, t.ground},
                                          {t.quiet, t.panel},
                                          {t.quiet, t.ground},
                                          {t.accent, t.panel},
                                          {t.accent, t.accentSoft},
                                          {t.onAccent, t.accent},
                                          {t.warn, t.warnSoft},
                                          {t.warn, t.panel},
                                          {t.stop, t.panel},
                                          {t.onStrong, t.strong},
                                          {t.text, t.accentSoft}})
            EXPECT_GE(contrast(ink, ground), 4.5) << ink.name().toStdString() << " on " << ground.name().toStdString();
}

TEST(Names, EverythingThatTakesTheKeyboardHasOne)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    for (const QString& stage : b.window.stageNames()) {
        b.window.goTo(stage);
        QApplication::processEvents();
        for (QWidget* w : b.window.findChildren<QWidget*>()) {
            if (!w->isVisible() || !(w->focusPolicy() & Qt::TabFocus) || qobject_cast<QAbstractScrollArea*>(w))
                continue;
            auto* button = qobject_cast<QAbstractButton*>(w);
            auto* combo = qobject_cast<QComboBox*>(w);
            const bool said = !w->accessibleName().isEmpty() || (button && !button->text().isEmpty()) ||
                              (combo && !combo->accessibleName().isEmpty()) || w->objectName().startsWith("qt_");
            EXPECT_TRUE(said) << stage.toStdString() << ": a " << w->metaObject()->className() << " has no name";
        }
    }
}

/// Also draws docs/screenshots/cautions.png where VIVID_PICTURES names a folder.
TEST(Cautions, ArePictured)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    Piece p = b.piece();
    p.layers[8].stockOuter = 140;
    p.layers[1].ring()->segments = 40;
    p.layers[0].woods = {"beech"};
    b.doc().apply("provoke", test::as(p));
    b.window.goTo("build");
    b.press("cautions");
    auto* panel = b.named<QFrame>("Cautions");
    ASSERT_NE(panel, nullptr);
    EXPECT_TRUE(b.window.rect().contains(panel->geometry()));
    QTest::qWait(1500);
    const QString folder = qEnvironmentVariable("VIVID_PICTURES");
    if (!folder.isEmpty()) {
        EXPECT_TRUE(b.window.grab().save(folder + "/cautions.png"));
    }
}
