// The bench's own window, and the stages Finish and Log, driven by keys and presses.
#include "app/bench/bench_window.h"
#include "app/bench/devices.h"
#include "app/fields/table.h"
#include "app/stages/build/as_built_dialog.h"
#include "app/window/mishap_dialog.h"
#include "core/plan/figures/movement.h"
#include "core/plan/learning/as_built.h"
#include "core/plan/progress.h"
#include "tests/support/paint_record.h"
#include "tests/ui/desk.h"

#include <QApplication>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QRegularExpression>
#include <QSettings>

#include <random>
#include <set>

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
    // Numerals are a tenth of the screen's height and more: read at three meters from a laptop.
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

TEST(Bench, WhatIsDoneUntilItIsSeenAsksAndCountsItsRounds)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    nothingNewToday();
    auto* bench = new BenchWindow(desk.doc(), {}, &desk.window);
    bench->resize(1280, 800);
    bench->show();
    const auto step = [&](const std::string& id) {
        const auto& recipe = desk.doc().plan().assembly.recipe;
        return *std::ranges::find(recipe, id, &Step::id);
    };
    for (int k = 0; k < 40 && bench->sentence() != "Hollow to the stations"; ++k) {
        QTest::keyClick(bench, Qt::Key_Space);
        if (!bench->question().isEmpty()) QTest::keyClick(bench, Qt::Key_Space);
    }
    ASSERT_EQ(bench->sentence(), "Hollow to the stations");
    const double once = step("hollow").workMinutes, all = desk.doc().plan().schedule.workMinutes;
    QTest::keyClick(bench, Qt::Key_Space);
    EXPECT_TRUE(bench->question().contains("the depth rod touches")) << bench->question().toStdString();
    EXPECT_EQ(step("hollow").rounds.done, 0);
    if (const QByteArray folder = qgetenv("VIVID_PICTURES"); !folder.isEmpty())
        bench->grab().save(QString::fromLocal8Bit(folder) + "/bench-question.png");
    QTest::keyClick(bench, Qt::Key_Left);  // not yet
    EXPECT_TRUE(bench->question().isEmpty());
    EXPECT_EQ(step("hollow").rounds.done, 1);
    EXPECT_EQ(bench->sentence(), "Hollow to the stations");
    EXPECT_NEAR(step("hollow").workMinutes, 2 * once, 1e-9);
    EXPECT_NEAR(desk.doc().plan().schedule.workMinutes, all + once, 1e-6) << "the timetable moves";
    const int left = bench->left();
    QTest::keyClick(bench, Qt::Key_Space);
    QTest::keyClick(bench, Qt::Key_Space);
    EXPECT_EQ(bench->left(), left - 1) << "asked, and done";
    delete bench;
}

TEST(Bench, OpenTimeRunsFromTheFirstPressAndTheWaitFromTheSecond)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("regatta-cup"));
    Piece fresh = desk.piece();
    fresh.progress = {};
    ASSERT_TRUE(desk.doc().apply("anew", test::as(fresh)));
    nothingNewToday();
    auto* bench = new BenchWindow(desk.doc(), {}, &desk.window);
    bench->show();
    const auto action = [&] {
        return desk.doc()
            .plan()
            .assembly.recipe[desk.doc().plan().schedule.order[static_cast<size_t>(bench->at())]]
            .action;
    };
    for (int k = 0; k < 60 && action() != Action::Glue; ++k) {
        QTest::keyClick(bench, Qt::Key_Space);
        if (!bench->question().isEmpty()) QTest::keyClick(bench, Qt::Key_Space);
    }
    ASSERT_EQ(action(), Action::Glue);
    const size_t before = bench->waiting();
    const int left = bench->left();
    QTest::keyClick(bench, Qt::Key_Space);
    EXPECT_EQ(bench->waiting(), before + 1) << "the open time runs";
    EXPECT_EQ(bench->left(), left) << "nothing is done yet";
    QTest::keyClick(bench, Qt::Key_Space);
    EXPECT_EQ(bench->left(), left - 1);
    EXPECT_EQ(bench->waiting(), before) << "glued in time: its clock is gone";
    delete bench;
}

TEST(Bench, AMetersReadingEndsAWaitAndNothingElse)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    Piece wet = desk.piece();
    BlockForm& block = *wet.layers[0].as<BlockForm>();
    block.moisture = 60;
    block.wet = BlockForm::TurnedTwice;
    ASSERT_TRUE(desk.doc().apply("wet", test::as(wet)));
    nothingNewToday();
    auto* bench = new BenchWindow(desk.doc(), {}, &desk.window);
    bench->show();
    for (int k = 0; k < 60 && !bench->sentence().startsWith("Let it dry"); ++k) {
        bench->heard({DeviceReading::Moisture, 5});  // says nothing of what waits for no reading
        QTest::keyClick(bench, Qt::Key_Space);
        if (!bench->question().isEmpty()) QTest::keyClick(bench, Qt::Key_Space);
    }
    ASSERT_TRUE(bench->sentence().startsWith("Let it dry")) << bench->sentence().toStdString();
    const int left = bench->left();
    bench->heard({DeviceReading::Moisture, 11.5});
    EXPECT_EQ(bench->left(), left);
    EXPECT_TRUE(bench->heardWords().contains("11.5")) << bench->heardWords().toStdString();
    bench->heard({DeviceReading::Moisture, 7.9});
    EXPECT_EQ(bench->left(), left - 1) << "dry enough, whatever the clock says";
    delete bench;
}

/// Cards as they are drawn: nothing cut off, nothing over anything else, at a laptop's size and in a small window.
class BenchCards : public testing::TestWithParam<const char*> {};

TEST_P(BenchCards, CanBeReadFromTheFirstToTheLast)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo(GetParam()));
    Piece fresh = desk.piece();
    fresh.progress = {};
    fresh.choices.finish = "two-part oil";
    ASSERT_TRUE(desk.doc().apply("anew", test::as(fresh)));
    nothingNewToday();
    ASSERT_TRUE(QTest::qWaitFor([&] { return !desk.doc().boardsBusy(); }, 20000));
    QStringList lists{QString()};
    for (const Checklist& w : checklistsOf(desk.piece(), desk.doc().plan(), desk.doc().boards())) lists << w.id;
    for (const QString& list : lists) {
        auto* bench = new BenchWindow(desk.doc(), list, &desk.window);
        bench->resize(1280, 800);
        bench->show();
        const auto read = [&] {
            for (const QSize& size : {QSize(1280, 800), QSize(900, 600)}) {
                bench->resize(size);
                const auto record = test::recordOf(*bench);
                const std::string where = std::string(GetParam()) + ", " + bench->sentence().toStdString() + ", " +
                                          std::to_string(size.width());
                EXPECT_EQ(record->over().join("\n").toStdString(), "") << where << ": over one another";
                EXPECT_EQ(record->cut({}).join("\n").toStdString(), "") << where << ": cut off";
            }
        };
        const int all = bench->left();
        std::set<std::string> seen;
        for (int k = 0; k < 3 * all && bench->left() > 0; ++k) {
            // Of cards that are alike but for their numbers one is enough.
            const std::string title = bench->sentence().remove(QRegularExpression("[0-9.,]+")).toStdString();
            if (seen.insert(title + bench->question().toStdString()).second) read();
            bench->forward();
        }
        EXPECT_EQ(bench->left(), 0) << GetParam() << " " << list.toStdString();
        delete bench;
    }
}

INSTANTIATE_TEST_SUITE_P(Samples, BenchCards,
                         testing::Values("buoy-bowl", "pilot-box", "signal-lantern", "tide-clock", "flag-bowl"),
                         [](const auto& name) { return QString(name.param).remove('-').toStdString(); });

TEST(Bench, KilledAtAnyMomentNothingThatWasTickedIsLost)
{
    std::mt19937 random(12);
    for (int run = 0; run < 4; ++run) {
        test::Desk desk;
        ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
        nothingNewToday();
        auto* bench = new BenchWindow(desk.doc(), run % 2 ? QStringLiteral("stations") : QString());
        bench->show();
        const int presses = std::uniform_int_distribution(1, 14)(random);
        for (int k = 0; k < presses; ++k)
            QTest::keyClick(bench, std::uniform_int_distribution(0, 3)(random) ? Qt::Key_Space : Qt::Key_Left);
        // The power goes now: what is on the disk is what there is.
        const QDir drafts(desk.folder.filePath("drafts"));
        const QStringList files = drafts.entryList({"*.draft"}, QDir::Files);
        const Progress ticked = desk.piece().progress;
        test::Desk next;
        if (!files.isEmpty()) {
            ASSERT_TRUE(QFile::copy(drafts.filePath(files[0]), next.folder.filePath("drafts/left.draft")));
        }
        next.way = 0;
        next.window.offerRecovery();
        EXPECT_EQ(files.isEmpty() ? Progress{} : next.piece().progress, ticked) << "run " << run;
        EXPECT_EQ(files.isEmpty(), ticked == Progress{});
        delete bench;
    }
}

TEST(FinishStage, AChosenSchoolIsALayerARow)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    ASSERT_TRUE(desk.window.goTo("finish"));
    Piece p = desk.doc().piece();
    p.choices.finish = "two-part oil";
    ASSERT_TRUE(desk.doc().apply("finish", test::as(p)));
    Table* table = nullptr;
    for (Table* t : desk.window.findChildren<Table*>())
        if (t->accessibleName() == QStringLiteral("Layers of the finish")) table = t;
    ASSERT_TRUE(table);
    ASSERT_EQ(table->rowCount(), 1);
    // "4.5 g oil, 1.5 g hardener"
    const QStringList parts = textOf(*table, 0, 3).split(QStringLiteral(", "));
    ASSERT_EQ(parts.size(), 2);
    EXPECT_TRUE(parts[0].endsWith("oil") && parts[1].endsWith("hardener"));
    EXPECT_NEAR(parts[0].section(' ', 0, 0).toDouble() / parts[1].section(' ', 0, 0).toDouble(), 3, 0.4)
        << "three to one, as they are rounded";
    EXPECT_FALSE(textOf(*table, 0, 4).isEmpty()) << "what is left over";
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
    ASSERT_TRUE(desk.doc().apply("measured", [&](Piece p) {
        return withMeasured(std::move(p), desk.doc().plan(), {id, Measured::Height, drawn.layers[2].thickness - 1});
    }));
    desk.press("way-on-2");
    EXPECT_NEAR(outlineHeight(desk.doc().piece()), outlineHeight(drawn), 1e-9);
    EXPECT_NEAR(stackHeight(desk.doc().piece()), outlineHeight(drawn), 0.01);
    EXPECT_NEAR(desk.doc().piece().layers[2].thickness, drawn.layers[2].thickness - 1, 1e-9);
}

TEST(AsBuiltInTheWindow, BothVersionsStandSideBySide)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("regatta-cup"));
    desk.doc().selectLayer(3);
    const Piece drawn = desk.piece();
    AsBuiltDialog dialog(desk.doc(), {}, &desk.window);
    dialog.show();
    const auto table = [&](const char* name) {
        for (Table* t : dialog.findChildren<Table*>())
            if (t->accessibleName() == QLatin1String(name)) return t;
        return static_cast<Table*>(nullptr);
    };
    Table *all = table("What was measured, beside what was planned"), *layers = table("Both versions, layer by layer");
    ASSERT_TRUE(all && layers);
    EXPECT_EQ(layers->rowCount(), 0) << "nothing is off";
    // Typed, as by hand: the ring came out a millimeter low.
    auto* field = dialog.findChild<LengthField*>();
    ASSERT_TRUE(field);
    field->setFocus();
    field->selectAll();
    QTest::keyClicks(field, QString::number(drawn.layers[3].thickness - 1) + "mm");
    QTest::keyClick(field, Qt::Key_Return);
    QTest::mouseClick(dialog.findChild<QPushButton*>("put-measured"), Qt::LeftButton);
    ASSERT_EQ(desk.piece().progress.measured.size(), 1u);
    EXPECT_NEAR(*desk.piece().progress.measured[0].planned, drawn.layers[3].thickness, 1e-9);
    ASSERT_EQ(all->rowCount(), 1);
    auto* ways = dialog.findChild<QListWidget*>("ways-on");
    ASSERT_EQ(ways->count(), 3) << "outline, next layer, layers to come";
    ASSERT_EQ(layers->rowCount(), static_cast<int>(drawn.layers.size()));
    ways->setCurrentRow(1);
    EXPECT_TRUE(layers->item(4, 1)->text().contains(QStringLiteral("→"))) << "the next layer makes up for it";
    EXPECT_TRUE(layers->item(3, 1)->text().contains(QStringLiteral("→")));
    EXPECT_FALSE(layers->item(7, 1)->text().contains(QStringLiteral("→")));
    if (const QByteArray folder = qgetenv("VIVID_PICTURES"); !folder.isEmpty())
        dialog.grab().save(QString::fromUtf8(folder) + "/as-built.png");
    QTest::mouseClick(dialog.findChild<QPushButton*>("take-way-on"), Qt::LeftButton);
    EXPECT_NEAR(stackHeight(desk.piece()), outlineHeight(drawn), 0.1);
    EXPECT_NEAR(desk.piece().layers[3].thickness, drawn.layers[3].thickness - 1, 1e-9);
    EXPECT_EQ(ways->count(), 0) << "what is now agrees";
    // Struck out again, as if never measured.
    all->setCurrentCell(0, 0);
    QTest::mouseClick(dialog.findChild<QPushButton*>("remove-measured"), Qt::LeftButton);
    EXPECT_TRUE(desk.piece().progress.measured.empty());
}

TEST(LogStage, IsFilteredAndLaidSideBySide)
{
    test::Desk desk;
    ASSERT_TRUE(desk.window.openDemo("buoy-bowl"));
    ASSERT_TRUE(desk.window.goTo("log"));
    const auto table = [&](const char* name) {
        for (Table* t : desk.window.findChildren<Table*>())
            if (t->accessibleName() == QLatin1String(name)) return t;
        return static_cast<Table*>(nullptr);
    };
    Table* log = table("Finished pieces");
    ASSERT_TRUE(log);
    const int all = log->rowCount();
    ASSERT_GT(all, 3);
    auto* made = desk.named<QComboBox>("log-made");
    ASSERT_TRUE(made);
    ASSERT_GT(made->count(), 2);
    int fewest = all;
    for (int k = 1; k < made->count(); ++k) {
        made->setFocus();
        QTest::keyClick(made, k == 1 ? Qt::Key_Home : Qt::Key_Down);
        QTest::keyClick(made, Qt::Key_Down);
        QTest::keyClick(made, Qt::Key_Return);
        fewest = std::min(fewest, log->rowCount());
        if (made->currentIndex() + 1 == made->count()) break;
    }
    EXPECT_LT(fewest, all);
    EXPECT_GT(fewest, 0) << "only what there is can be asked for";
    QTest::keyClick(made, Qt::Key_Home);
    EXPECT_EQ(log->rowCount(), all);
    Table* moves = table("Movement at each joint");
    ASSERT_TRUE(moves);
    const Plan& plan = desk.doc().plan();
    EXPECT_EQ(moves->rowCount(), static_cast<int>(movementsOf(plan.assembly, plan.surfaces, desk.doc().shop()).size()));
    // Two rows chosen stand side by side.
    log->selectRow(0);
    log->selectionModel()->select(log->model()->index(2, 0), QItemSelectionModel::Select | QItemSelectionModel::Rows);
    Table* both = table("Entries side by side");
    ASSERT_EQ(both->columnCount(), 3);
    EXPECT_TRUE(both->horizontalHeaderItem(2)->text().contains(textOf(*log, 2, 1)));
    EXPECT_GT(both->rowCount(), 4);
}

TEST(DevicesAtTheBench, ASimulatedCaliperTypesAndAPedalDrives)
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
