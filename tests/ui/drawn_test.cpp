// Every view as it is drawn, kept instead of painted: no text is cut off, lies over another or is crossed by a line,
// and the drawings fill their places.
#include "app/access/readable.h"
#include "app/lanes/face_view.h"
#include "app/lanes/figures_lane.h"
#include "app/lanes/lane.h"
#include "app/lanes/layer_tabs.h"
#include "app/lanes/section_lane.h"
#include "app/theme/theme.h"
#include "tests/support/paint_record.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <array>

using namespace vl;
using namespace vl::app;
using test::Desk;

namespace {

const QStringList stages{"shape", "build", "cut", "glue", "turn", "finish", "log"};

/// The views of the stage that is open, each whole: what scrolls is drawn at its full height.
QList<QWidget*> views(MainWindow& window)
{
    QList<QWidget*> all;
    for (auto* view : window.findChildren<QWidget*>())
        if (view->isVisible() && (qobject_cast<Lane*>(view) || dynamic_cast<Readable*>(view))) all << view;
    for (auto* scroll : window.findChildren<QScrollArea*>())
        if (scroll->isVisible() && scroll->widget()) all << scroll->widget();
    for (const char* name : {"header", "footer"}) all << window.findChild<QWidget*>(name);
    return all;
}

void expectReadable(Desk& b, const std::string& where)
{
    QApplication::processEvents();
    EXPECT_TRUE(QTest::qWaitFor([&] { return !b.doc().boardsBusy(); }, 20000)) << where;
    // What was brought up to date as it was shown has grown by now, and its panel with it.
    for (int k = 0; k < 4; ++k) QApplication::processEvents();
    // Buttons that ask for more, and lists that are longer, end in dots of their own.
    QStringList dotted;
    for (auto* button : b.window.findChildren<QAbstractButton*>()) dotted << button->text();
    for (auto* label : b.window.findChildren<QLabel*>()) dotted << label->text();
    for (auto* line : b.window.findChildren<QLineEdit*>()) dotted << line->text();  // a line that is typed in scrolls
    for (auto* scroll : b.window.findChildren<QScrollArea*>())
        if (scroll->isVisible() && scroll->horizontalScrollBarPolicy() == Qt::ScrollBarAlwaysOff) {
            EXPECT_LE(scroll->widget()->width(), scroll->viewport()->width()) << where << ": wider than its place";
        }
    for (QWidget* view : views(b.window)) {
        if (view->layout()) view->layout()->activate();
        const auto record = test::recordOf(*view);
        const std::string name =
            where + ", " +
            (view->accessibleName().isEmpty() ? view->objectName() : view->accessibleName()).toStdString();
        EXPECT_EQ(record->cut(dotted).join("\n").toStdString(), "") << name << ": cut off";
        EXPECT_EQ(record->over().join("\n").toStdString(), "") << name << ": over one another";
        EXPECT_EQ(record->crossed().join("\n").toStdString(), "") << name << ": crossed";
    }
}

void open(Desk& b, const std::string& sample)
{
    if (sample == "vase of 60 rings") {
        b.window.openDemo("regatta-cup");
        b.doc().replace(test::tallVase(60, 12), {});
    } else
        ASSERT_TRUE(b.window.openDemo(QString::fromStdString(sample)));
}

std::vector<std::string> pieces()
{
    std::vector<std::string> all = test::demoNames();
    all.push_back("vase of 60 rings");
    return all;
}

}  // namespace

TEST(Record, KnowsWhatIsCutOverAndCrossed)
{
    test::PaintRecord record({200, 100});
    QPainter p(&record);
    p.setFont(QFont("IBM Plex Sans", 9));
    p.drawText(QPointF(20, 30), "clear");
    p.drawText(QPointF(180, 50), "cut at the edge");
    p.drawText(QPointF(20, 70), "first");
    p.drawText(QPointF(24, 71), "second");
    p.drawLine(QPointF(20, 26), QPointF(60, 26));
    p.drawText(QPointF(100, 90), "on its tag");
    p.drawLine(QPointF(100, 86), QPointF(160, 86));
    p.fillRect(QRectF(95, 76, 90, 20), Qt::white);
    p.drawText(QPointF(100, 90), "the tag");
    p.end();
    EXPECT_EQ(record.cut().size(), 1) << record.cut().join("\n").toStdString();
    EXPECT_EQ(record.over().size(), 1) << record.over().join("\n").toStdString();
    EXPECT_EQ(record.crossed().size(), 1) << record.crossed().join("\n").toStdString();
}

class Drawn : public testing::TestWithParam<std::string> {};

TEST_P(Drawn, CanBeReadOnEveryStage)
{
    // In turn: of any three pieces each stage is drawn in every unit.
    const std::vector<std::string> all = pieces();
    const auto piece = std::ranges::find(all, GetParam()) - all.begin();
    constexpr std::array units{"Millimeters", "Decimal inches", "Fractions of an inch"};
    Desk b;
    open(b, GetParam());
    for (size_t k = 0; k < units.size(); ++k) {
        const char* unit = units[k];
        b.press(unit);
        setTheme(unit == std::string("Decimal inches"));  // dark
        for (int s = 0; s < stages.size(); ++s) {
            const QString& stage = stages[s];
            if (static_cast<size_t>(piece + s) % units.size() != k) continue;
            b.window.goTo(stage);
            expectReadable(b, GetParam() + ", " + stage.toStdString() + ", " + unit);
            for (const char* page : {"strips", "set-ups", "shopping", "boards"})
                if (stage == "cut") {
                    b.window.showPage(page);
                    expectReadable(b, GetParam() + ", " + page + ", " + unit);
                }
        }
    }
}

TEST_P(Drawn, FillsItsPlace)
{
    Desk b;
    open(b, GetParam());
    b.press("Millimeters");
    b.window.resize(1280, 800);
    for (const char* stage : {"shape", "build", "turn"}) {
        b.window.goTo(stage);
        QApplication::processEvents();
        auto* section = b.lane<SectionLane>();
        const QRectF drawn = section->drawn();
        EXPECT_TRUE(drawn.width() >= 0.6 * section->width() || drawn.height() >= 0.6 * section->height())
            << GetParam() << ", " << stage << ": " << drawn.width() << " × " << drawn.height() << " of "
            << section->width() << " × " << section->height();
        EXPECT_TRUE(QRectF(section->rect()).contains(drawn)) << GetParam() << ", " << stage;
    }
    // Every figure of up to twenty layers is there to read.
    b.window.goTo("build");
    QApplication::processEvents();
    auto* tabs = b.lane<LayerTabs>();
    const int layers = static_cast<int>(b.piece().layers.size());
    if (layers <= 20)
        for (int k = 0; k < layers; ++k) EXPECT_TRUE(tabs->rect().contains(tabs->tabPosition(k).toPoint())) << k;
}

INSTANTIATE_TEST_SUITE_P(Pieces, Drawn, testing::ValuesIn(pieces()), [](const auto& p) {
    std::string name = p.param;
    std::erase_if(name, [](char c) { return !std::isalnum(static_cast<unsigned char>(c)); });
    return name;
});

TEST(Drawn, CanBeReadInEveryWindow)
{
    Desk b;
    for (const std::string sample : {"regatta-cup", "flag-bowl", "boathook-grip"}) {
        open(b, sample);
        for (const QSize& size : {QSize(900, 600), QSize(1280, 800), QSize(1920, 1080), QSize(2560, 1440)})
            for (const QString& stage : stages) {
                b.window.resize(size);
                b.window.goTo(stage);
                expectReadable(b, sample + ", " + stage.toStdString() + ", " + std::to_string(size.width()));
            }
    }
}
