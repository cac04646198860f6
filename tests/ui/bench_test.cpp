// The bench's own window, and the stages Finish and Log, driven by keys and presses.
#include "app/bench/bench_window.h"
#include "app/bench/devices.h"
#include "app/fields/table.h"
#include "app/window/mishap_dialog.h"
#include "core/plan/as_built.h"
#include "core/plan/progress.h"
#include "tests/ui/desk.h"

#include <QApplication>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSettings>

using namespace vl;
using namespace vl::app;

namespace {

/// The day's cautions are read, so that every press is a step.
void nothingNewToday()
{
    for (const char* machine : {"lathe", "saw", "bandsaw", "drill", "thicknesser", "sanding board", "disc sander",
                                "router", "clamp", "band clamp", "finish"})
        QSettings().setValue(QStringLiteral("bench/seen-") + QLatin1String(machine),
                             QDate::currentDate().toString(Qt::ISODate));
}

QString textOf(const Table& table, int row, int column) { return table.item(row, column)->text(); }

}  // namespace

TEST(Bench, AWayOutIsTakenFromItsDialog)
{
    test::Desk desk;
    desk.demo("turn");
    const Piece drawn = desk.piece();
    MishapDialog dialog(desk.doc(), &desk.window);
    dialog.show();
    auto* ways = dialog.findChild<QListWidget*>("ways-out");
    auto* what = dialog.findChild<QComboBox*>();
    ASSERT_NE(what, nullptr);
    int offered = 0;
    for (int k = 0; k < what->count(); ++k) {
        QTest::keyClick(what, k == 0 ? Qt::Key_Home : Qt::Key_Down);
        QApplication::processEvents();
        what = dialog.findChild<QComboBox*>();
        for (int row = 0; row < ways->count(); ++row) {
            ways->setCurrentRow(row);
            EXPECT_FALSE(dialog.findChild<QLabel*>("way-out-how")->text().isEmpty());
            ++offered;
        }
    }
    EXPECT_GT(offered, 3);
    EXPECT_EQ(desk.piece(), drawn) << "looking changes nothing";
    QTest::keyClick(what, Qt::Key_Home);
    QApplication::processEvents();
    QTest::keyClick(dialog.findChild<QComboBox*>(), Qt::Key_Down);
    QApplication::processEvents();
    const auto labels = dialog.findChildren<QLabel*>();
    EXPECT_TRUE(std::ranges::any_of(labels, [](QLabel* l) {
        return l->isVisible() && l->text() == "Wall that is left";
    })) << "a field is called by what happened";
    ASSERT_GT(ways->count(), 0);
    if (const QByteArray folder = qgetenv("VIVID_PICTURES"); !folder.isEmpty())
        dialog.grab().save(QString::fromUtf8(folder) + "/mishap.png");
    QTest::mouseClick(dialog.findChild<QPushButton*>("take-way-out"), Qt::LeftButton);
    EXPECT_NE(desk.piece(), drawn);
    desk.doc().undo();
    EXPECT_EQ(desk.piece(), drawn);
}

TEST(Bench, TwoKeysWalkThePlanAndTickItInThePiece)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    nothingNewToday();
    auto* bench = new BenchWindow(desk.doc(), {});
    bench->resize(1280, 800);
    bench->show();
    QTest::qWait(50);
    const int all = bench->left();
    ASSERT_GT(all, 10);
    for (int k = 0; k < 5; ++k) {
        const QString before = bench->sentence();
        QTest::keyClick(bench, Qt::Key_Space);
        EXPECT_NE(bench->sentence(), before);
        EXPECT_EQ(bench->left(), all - k - 1);
        EXPECT_EQ(desk.doc().piece().progress.done.size(), static_cast<size_t>(k + 1));
    }
    QTest::keyClick(bench, Qt::Key_Left);
    EXPECT_EQ(bench->left(), all - 5) << "going back unticks nothing";
    QTest::mouseClick(bench, Qt::LeftButton);
    EXPECT_EQ(bench->left(), all - 5) << "a step that is done is passed";
    desk.doc().history().undo();
    EXPECT_EQ(desk.doc().piece().progress.done.size(), 4u);
    // Opened again it stands where the work does.
    delete bench;
    BenchWindow again(desk.doc(), {});
    EXPECT_EQ(again.left(), all - 4);
    EXPECT_EQ(again.at(), 4);
    again.close();
}

TEST(Bench, AMachinesCautionsComeOnceADayAndAStepsOwnEveryTime)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    for (const QString& key : QSettings().allKeys())
        if (key.startsWith(QStringLiteral("bench/"))) QSettings().remove(key);
    auto* bench = new BenchWindow(desk.doc(), {});
    bench->show();
    // To the first step at the lathe: its mount says that it is turned by hand first.
    bool seen = false;
    for (int k = 0; k < 40 && !seen; ++k) {
        QTest::keyClick(bench, Qt::Key_PageDown);
        seen = bench->hazards().join(QLatin1Char(' ')).contains(QStringLiteral("Turned by hand"));
    }
    EXPECT_TRUE(seen);
    const int at = bench->at();
    QTest::keyClick(bench, Qt::Key_PageDown);  // the day's caution of the lathe, read
    EXPECT_EQ(bench->at(), at);
    QTest::keyClick(bench, Qt::Key_PageDown);
    EXPECT_EQ(bench->at(), at + 1);
    delete bench;
}

TEST(Bench, StationsAreWalkedWithTheirDiametersAsLargeAsCanBe)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("oar-grip"));
    nothingNewToday();
    auto* bench = new BenchWindow(desk.doc(), QStringLiteral("stations"));
    bench->resize(1280, 800);
    bench->show();
    const int all = bench->left();
    ASSERT_GT(all, 3);
    EXPECT_TRUE(bench->number().contains(QStringLiteral("outside")));
    QTest::keyClick(bench, Qt::Key_Return);
    EXPECT_EQ(bench->left(), all - 1);
    EXPECT_EQ(desk.doc().piece().progress.ticks.size(), 1u);
    // Numerals are a tenth of the screen's height and more: read at three metres from a laptop.
    const QImage shot = bench->grab().toImage();
    EXPECT_GE(shot.height(), 800);
    if (const QByteArray folder = qgetenv("VIVID_PICTURES"); !folder.isEmpty())
        shot.save(QString::fromLocal8Bit(folder) + "/bench.png");
    delete bench;
}

TEST(Bench, ACoatThatIsTickedRunsItsTimer)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("tide-clock"));
    auto* bench = new BenchWindow(desk.doc(), QStringLiteral("coats"), &desk.window);
    bench->show();
    ASSERT_TRUE(QTest::qWaitForWindowExposed(bench));
    EXPECT_EQ(bench->waiting(), 0u);
    QTest::keyClick(bench, Qt::Key_Return);
    EXPECT_EQ(bench->waiting(), 1u) << "it dries";
    EXPECT_EQ(desk.piece().progress.ticks.size(), 1u);
    delete bench;
    // A crack while sanding is a list of its own, with the waits of sealer and glue.
    bench = new BenchWindow(desk.doc(), QStringLiteral("cracks"), &desk.window);
    bench->show();
    const int all = bench->left();
    EXPECT_GT(all, 5);
    for (int k = 0; k < all; ++k) QTest::keyClick(bench, Qt::Key_Return);
    EXPECT_EQ(bench->left(), 0);
    EXPECT_EQ(bench->waiting(), static_cast<size_t>(all));
    delete bench;
}

TEST(FinishStage, AChosenSchoolIsALayerARow)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    ASSERT_TRUE(desk.window.goTo("finish"));
    Piece p = desk.doc().piece();
    p.choices.finish = "two-part oil";
    ASSERT_TRUE(desk.doc().apply("finish", p));
    Table* table = nullptr;
    for (Table* t : desk.window.findChildren<Table*>())
        if (t->accessibleName() == QStringLiteral("Layers of the finish")) table = t;
    ASSERT_TRUE(table);
    ASSERT_EQ(table->rowCount(), 1);
    const double a = textOf(*table, 0, 3).section(QLatin1Char(' '), 0, 0).toDouble(),
                 b = textOf(*table, 0, 4).section(QLatin1Char(' '), 0, 0).toDouble();
    EXPECT_GT(b, 0);
    EXPECT_NEAR(a / b, 3, 0.4) << "three to one, as they are rounded";
}

TEST(LogStage, APieceIsEnteredFoundAndStruckOut)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    ASSERT_TRUE(desk.window.goTo("log"));
    const size_t before = desk.doc().shop().log.size();
    desk.press("log-piece");
    ASSERT_EQ(desk.doc().shop().log.size(), before + 1);
    EXPECT_EQ(desk.doc().shop().log.back().name, desk.doc().piece().name);
    Table* table = nullptr;
    for (Table* t : desk.window.findChildren<Table*>())
        if (t->accessibleName() == QStringLiteral("Finished pieces")) table = t;
    ASSERT_TRUE(table);
    EXPECT_EQ(textOf(*table, 0, 1), QString::fromStdString(desk.doc().piece().name));
    auto* search = desk.named<QLineEdit>("log-search");
    ASSERT_TRUE(search);
    search->setText(QStringLiteral("no such thing"));
    EXPECT_EQ(table->rowCount(), 0);
    search->clear();
    ASSERT_GT(table->rowCount(), 0);
    desk.press("log-remove");
    EXPECT_EQ(desk.doc().shop().log.size(), before);
    desk.doc().history().undo();
    EXPECT_EQ(desk.doc().shop().log.size(), before + 1) << "one history of piece and shop";
}

TEST(AsBuiltInTheWindow, AMeasuredRingLeavesTwoWaysOn)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("regatta-cup"));
    ASSERT_TRUE(desk.window.goTo("build"));
    desk.doc().selectLayer(2);
    const Piece drawn = desk.doc().piece();
    const std::string id = drawn.layers[2].id;
    ASSERT_TRUE(desk.doc().apply("measured", withMeasured(drawn, id, Measured::Height, drawn.layers[2].thickness - 1)));
    desk.press("way-on-1");
    EXPECT_NEAR(outlineHeight(desk.doc().piece()), outlineHeight(drawn), 1e-9);
    EXPECT_NEAR(stackHeight(desk.doc().piece()), outlineHeight(drawn), 0.01);
    EXPECT_NEAR(desk.doc().piece().layers[2].thickness, drawn.layers[2].thickness - 1, 1e-9);
}

TEST(DevicesAtTheBench, ASimulatedCalliperTypesAndAPedalDrives)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    nothingNewToday();
    QProcess sim;
    sim.start(QStringLiteral(VIVID_SIM), {QStringLiteral("--headless")});
    ASSERT_TRUE(sim.waitForStarted());
    ASSERT_TRUE(sim.waitForReadyRead());
    const QString port = QString::fromLocal8Bit(sim.readLine()).trimmed();
    Devices devices;
    QStringList said, trouble;
    QObject::connect(&devices, &Devices::said, [&](const QString& s) { said << s; });
    QObject::connect(&devices, &Devices::trouble, [&](const QString& s) { trouble << s; });
    ASSERT_TRUE(devices.listen(port)) << trouble.join(QLatin1Char(' ')).toStdString();
    const auto says = [&](const char* line) {
        const auto before = said.size() + trouble.size();
        sim.write(QByteArray(line) + "\n");
        EXPECT_TRUE(QTest::qWaitFor([&] { return said.size() + trouble.size() > before; }, 5000)) << line;
    };
    // The field that has the keyboard takes a measure as if it were typed.
    ASSERT_TRUE(desk.window.goTo("shape"));
    auto* rim = desk.named<LengthField>("Wall at the rim");
    ASSERT_TRUE(rim);
    rim->setFocus();
    says("CAL 7.25 mm");
    EXPECT_NEAR(desk.piece().hollow.rimWall, 7.25, 1e-9);
    // What is garbled or absurd is said and goes nowhere.
    for (const char* bad : {"CAL 7.2", "CAL 99999 mm", "\x01\x02garbage", "MOI 300 %"}) says(bad);
    EXPECT_EQ(trouble.size(), 4);
    EXPECT_NEAR(desk.piece().hollow.rimWall, 7.25, 1e-9);
    auto* bench = new BenchWindow(desk.doc(), {});
    bench->show();
    const int left = bench->left();
    says("PED 1");
    EXPECT_EQ(bench->left(), left - 1);
    says("PED 2");
    EXPECT_EQ(bench->at(), 0);
    // A speed above what the mount bears is a caution on the card.
    for (int k = 0; k < 6; ++k) bench->forward();
    says("RPM 19000");
    EXPECT_TRUE(bench->heardWords().contains(QStringLiteral("TOO FAST"))) << bench->heardWords().toStdString();
    says("RPM 50");
    EXPECT_FALSE(bench->heardWords().contains(QStringLiteral("TOO FAST")));
    delete bench;
    devices.leave(port);
    EXPECT_TRUE(devices.paths().isEmpty());
    sim.closeWriteChannel();
    sim.waitForFinished(2000);
}
