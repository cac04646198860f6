// Every field that is typed into, and every menu of the drawing, reaches the part of the piece it names.
#include "app/fields/wood_picker.h"
#include "app/lanes/section_lane.h"
#include "core/piece/edits/edit.h"
#include "tests/ui/desk.h"
#include "tests/ui/popups.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QSpinBox>
#include <QToolButton>

using namespace vl;
using namespace vl::app;
using vl::test::chooseNext;
using vl::test::Desk;
using vl::test::rightClick;

namespace {

struct Typed {
    const char* stage;
    const char* field;
    const char* words;
    double wanted;
    double (*get)(const Document&);
};

}  // namespace

class TypedField : public testing::TestWithParam<Typed> {};

TEST_P(TypedField, ChangesWhatItNamesAndUndoes)
{
    const Typed& t = GetParam();
    Desk b;
    b.window.openDemo("regatta-cup");
    b.window.goTo(t.stage);
    Selection chosen = b.doc().selection();
    chosen.node = 6;
    b.doc().select(chosen);
    b.doc().selectLayer(10);
    const Piece before = b.piece();
    if (std::string(t.field).starts_with("Stock"))
        QTest::mouseClick(b.button("Set the stock's diameters by hand"), Qt::LeftButton, {}, QPoint(8, 8));
    b.type(t.field, t.words);
    EXPECT_NEAR(t.get(b.doc()), t.wanted, 1e-6) << t.field;
    while (b.doc().history().canUndo()) b.doc().history().undo();
    EXPECT_EQ(b.piece(), before);
}

INSTANTIATE_TEST_SUITE_P(
    Fields, TypedField,
    testing::Values(
        Typed{"shape", "Station", "126", 126, [](const Document& d) { return d.piece().outside[6].z; }},
        Typed{"shape", "Diameter", "3in", 76.2, [](const Document& d) { return 2 * d.piece().outside[6].r; }},
        Typed{"shape", "Height", "280", 280, [](const Document& d) { return outlineHeight(d.piece()); }},
        Typed{"shape", "Height", "280", 280, [](const Document& d) { return stackHeight(d.piece()); }},
        Typed{"shape", "Wall at the rim", "5.5", 5.5, [](const Document& d) { return d.piece().hollow.rimWall; }},
        Typed{"shape", "Wall at the base", "3/8in", 9.525, [](const Document& d) { return d.piece().hollow.baseWall; }},
        Typed{"shape", "Floor, from the foot", "121", 121, [](const Document& d) { return d.piece().hollow.floor; }},
        Typed{"shape", "Rounding at the floor", "12", 12,
              [](const Document& d) { return d.piece().hollow.floorRound; }},
        Typed{"shape", "Wall never below", "4", 4, [](const Document& d) { return d.piece().hollow.leastWall; }},
        Typed{"build", "Thickness", "1in - 5mm", 20.4,
              [](const Document& d) { return d.piece().layers[10].thickness; }},
        Typed{"build", "Allowance outside", "3", 3,
              [](const Document& d) { return d.piece().layers[10].outerAllowance; }},
        Typed{"build", "Allowance inside", "4", 4,
              [](const Document& d) { return d.piece().layers[10].innerAllowance; }},
        Typed{"build", "Sanding loss, each face", "0.7", 0.7,
              [](const Document& d) { return d.piece().layers[10].sandingLoss; }},
        Typed{"build", "Stock outside Ø", "170", 170,
              [](const Document& d) { return *d.piece().layers[10].stockOuter; }},
        Typed{"build", "Stock inside Ø", "120", 120,
              [](const Document& d) { return *d.piece().layers[10].stockInner; }},
        Typed{"cut", "Waste at a strip's end", "1 1/4in", 31.75,
              [](const Document& d) { return d.piece().choices.endWaste; }},
        Typed{"cut", "Gap in the trial ring", "-0.4", -0.4,
              [](const Document& d) { return d.piece().choices.trialGap; }},
        Typed{"turn", "Spacing", "12.5", 12.5, [](const Document& d) { return d.piece().choices.stationSpacing; }},
        Typed{"turn", "Lathe, center to bed", "8in", 203.2,
              [](const Document& d) { return d.shop().lathe.swingRadius; }},
        Typed{"turn", "Lathe, between centers", "1m", 1000,
              [](const Document& d) { return d.shop().lathe.betweenCenters; }}));

TEST(Fields, ReadBackTheSameInEveryUnit)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    for (const LengthStyle style : {LengthStyle{LengthStyle::Unit::Millimeter},
                                    {LengthStyle::Unit::Inch},
                                    {LengthStyle::Unit::Fraction, 64},
                                    {LengthStyle::Unit::Fraction, 8}}) {
        b.doc().setStyle(style);
        for (const QString& stage : b.window.stageNames()) {
            b.window.goTo(stage);
            QApplication::processEvents();
            for (auto* field : b.window.findChildren<LengthField*>()) {
                if (!field->isVisible() || !field->isEnabled()) continue;
                EXPECT_TRUE(field->text().endsWith(unitName(style))) << field->text().toStdString();
                // Entering and leaving a field must not round what it holds.
                field->setFocus();
                field->clearFocus();
            }
        }
    }
    EXPECT_EQ(b.doc().history().count(), 0);
}

TEST(Choices, ReachThePiece)
{
    Desk b;
    b.window.openDemo("regatta-cup");
    auto choose = [&](const char* stage, const char* name, int entry) {
        b.window.goTo(stage);
        auto* combo = b.named<QComboBox>(name);
        ASSERT_NE(combo, nullptr);
        combo->setCurrentIndex(entry);
        emit combo->activated(entry);
    };
    b.doc().selectLayer(6);
    choose("build", "Layer is a", 0);
    EXPECT_TRUE(b.piece().layers[6].is<DiscForm>());
    choose("cut", "Cut with", 1);
    EXPECT_EQ(b.piece().choices.cutting, CutMethod::WedgeSled);
    choose("glue", "Rings closed", 1);
    EXPECT_EQ(b.piece().choices.closing, RingMethod::HalfRings);
    choose("turn", "Stations", 1);
    EXPECT_EQ(b.piece().choices.stations, StationRule::Curve);
    for (int rule = 0; rule < 4; ++rule) {
        choose("shape", "Wall", rule);
        EXPECT_EQ(b.piece().hollow.rule, static_cast<WallRule>(rule));
    }
    b.window.goTo("build");
    b.doc().selectLayer(7);
    b.named<QDoubleSpinBox>("Rotation")->setValue(0.25);
    EXPECT_EQ(b.piece().layers[7].ring()->turn, 0.25);
    b.press("Half a segment on, like brickwork");
    EXPECT_EQ(std::abs(b.piece().layers[7].ring()->turn), 0.5);
}

TEST(Pattern, WoodsAreChangedAddedAndTakenAway)
{
    Desk b;
    b.demo("build");
    b.doc().selectLayer(10);
    ASSERT_EQ(b.piece().layers[10].woods.size(), 3u);
    chooseNext("holly");
    QTest::mouseClick(b.named<QToolButton>("pattern-0"), Qt::LeftButton);
    EXPECT_EQ(b.piece().layers[10].woods[0], "holly");
    QApplication::processEvents();
    chooseNext("teak");
    QTest::mouseClick(b.named<QToolButton>("pattern-add"), Qt::LeftButton);
    ASSERT_EQ(b.piece().layers[10].woods.size(), 4u);
    EXPECT_EQ(b.piece().layers[10].woods[3], "teak");
    QApplication::processEvents();
    rightClick(b.named<QToolButton>("pattern-1"), QPointF(5, 5));
    EXPECT_EQ(b.piece().layers[10].woods.size(), 3u);
    EXPECT_EQ(b.piece().layers[10].woods[1], "mahogany");
}

TEST(Menus, OfNodesAndLayersDoWhatTheySay)
{
    Desk b;
    b.demo("shape");
    auto* section = b.lane<SectionLane>();
    auto pick = [&](const QPointF& at, const QString& entry) {
        chooseNext(entry);
        rightClick(section, at);
    };
    pick(section->nodePosition(Side::Outside, 7), "Make sharp");
    EXPECT_FALSE(b.piece().outside[7].smooth);
    pick(section->nodePosition(Side::Outside, 7), "Arc to the next node");
    EXPECT_EQ(b.piece().outside[7].span, Span::Arc);
    const double bulge = b.piece().outside[7].bulge;
    b.drag(section, section->bulgePosition(7), section->bulgePosition(7) - QPointF(0, 14));
    EXPECT_GT(b.piece().outside[7].bulge, bulge);
    pick(section->nodePosition(Side::Outside, 7), "Straight line to the next node");
    EXPECT_EQ(b.piece().outside[7].span, Span::Line);
    const size_t nodes = b.piece().outside.size();
    pick(section->nodePosition(Side::Outside, 5), "Delete node");
    EXPECT_EQ(b.piece().outside.size(), nodes - 1);
    pick(QPointF(section->nodePosition(Side::Outside, 7).x() + 30, 90), "Add a node here");
    EXPECT_EQ(b.piece().outside.size(), nodes);

    b.window.goTo("build");
    QApplication::processEvents();
    section = b.lane<SectionLane>();
    const size_t layers = b.piece().layers.size();
    pick(section->layerPosition(11), "Add a ring after it");
    EXPECT_EQ(b.piece().layers.size(), layers + 1);
    pick(section->layerPosition(6), "Split it here");
    EXPECT_EQ(b.piece().layers.size(), layers + 2);
    pick(section->layerPosition(6), "Remove it");
    EXPECT_EQ(b.piece().layers.size(), layers + 1);
    pick(section->layerPosition(6), "Fit all layers to the outline's height");
    EXPECT_NEAR(stackHeight(b.piece()), outlineHeight(b.piece()), 1e-9);
}
