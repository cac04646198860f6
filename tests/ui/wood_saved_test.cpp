// Wood put to use: leftovers laid into a board, set-ups saved for a little wood, what holds the stack.
#include "app/fields/lengths_field.h"
#include "core/constructions/flipped_board.h"
#include "core/plan/boards/setups.h"
#include "tests/ui/desk.h"
#include "tests/ui/popups.h"

#include <QDialog>
#include <QDialogButtonBox>
#include <QLineEdit>
#include <QSlider>

#include <numeric>

using namespace vl;
using vl::test::chooseNext;
using vl::test::inDialog;

namespace {

void typeLengths(test::Desk& d, const QString& field, const QString& words)
{
    auto* f = d.named<app::LengthsField>(field);
    ASSERT_NE(f, nullptr);
    f->setFocus();
    f->selectAll();
    QTest::keyClick(f, Qt::Key_Delete);
    QTest::keyClicks(f, words);
    QTest::keyClick(f, Qt::Key_Return);
    QApplication::processEvents();
}

}  // namespace

TEST(Leftovers, TypedInBecomeTheLayer)
{
    test::Desk d;
    ASSERT_TRUE(d.window.openDemo("chart-stand"));
    ASSERT_TRUE(d.window.goTo("Build"));
    typeLengths(d, "Widths of the leftovers", "60; 2 1/4in; 58; 61; 40");
    typeLengths(d, "Their lengths", "300; 310; 150; 290; 200");
    d.press("leftovers-round");
    const Layer layer = d.piece().layers[0];
    const auto& widths = layer.as<SlabForm>()->widths;
    ASSERT_GE(widths.size(), 3u);
    EXPECT_NEAR(std::accumulate(widths.begin(), widths.end(), 0.0), *layer.stockOuter, 60);
    EXPECT_EQ(d.doc().plan().assembly.layers[0].count(), static_cast<int>(widths.size()));
    // The form shows them; there they can be changed, and what cannot be read changes nothing.
    auto* field = d.named<app::LengthsField>("Strips of their own width");
    ASSERT_NE(field, nullptr);
    EXPECT_EQ(field->values(), widths);
    typeLengths(d, "Strips of their own width", "30; wide");
    EXPECT_TRUE(field->property("bad").toBool());
    EXPECT_EQ(d.piece().layers[0].as<SlabForm>()->widths, widths);
    typeLengths(d, "Strips of their own width", "");
    EXPECT_TRUE(d.piece().layers[0].as<SlabForm>()->widths.empty()) << "all alike again";
    EXPECT_TRUE(d.named<app::LengthField>("Strip, finished"));
}

TEST(SetUps, TheSliderTradesWoodForFewerOfThemAndIsOneStepBack)
{
    test::Desk d;
    d.demo("Cut");
    auto* slider = d.named<QSlider>("Set once within, slider");
    ASSERT_NE(slider, nullptr);
    auto setups = [&] { return setupsOf(d.piece(), d.doc().plan().assembly, {}).size(); };
    const size_t before = setups();
    const double wood = d.doc().plan().cuts.volume;
    QTest::mousePress(slider, Qt::LeftButton, {}, QPoint(4, slider->height() / 2));
    for (int x = 4; x <= slider->width() / 2; x += 12) QTest::mouseMove(slider, QPoint(x, slider->height() / 2));
    QTest::mouseRelease(slider, Qt::LeftButton, {}, QPoint(slider->width() / 2, slider->height() / 2));
    slider->setFocus();
    QTest::keyClick(slider, Qt::Key_End);
    QApplication::processEvents();
    EXPECT_EQ(d.piece().choices.setOnceWithin, fieldOf(&Choices::setOnceWithin).limit.high);
    EXPECT_LT(setups(), before);
    EXPECT_GT(d.doc().plan().cuts.volume, wood);
    EXPECT_EQ(d.named<app::LengthField>("Set once within")->value(), d.piece().choices.setOnceWithin);
    while (d.doc().history().canUndo()) d.doc().history().undo();
    EXPECT_EQ(d.piece().choices.setOnceWithin, 0);
    EXPECT_EQ(slider->value(), 0);
}

TEST(Holding, IsChosenOnTheGlueStageAndTheRecipeFollows)
{
    test::Desk d;
    d.demo("Glue");
    auto* held = d.named<QComboBox>("Held on");
    ASSERT_NE(held, nullptr);
    held->setFocus();
    QTest::keyClick(held, Qt::Key_Down);
    emit held->activated(held->currentIndex());
    QApplication::processEvents();
    EXPECT_EQ(d.piece().choices.holding, HoldMethod::GlueBlock);
    const auto& glues = d.doc().plan().glues;
    EXPECT_TRUE(std::ranges::any_of(glues, [&](const JointGlue& g) {
        return d.doc().plan().assembly.recipe[g.step].glue.faces == JointFaces::Block;
    }));
}

TEST(OwnWood, IsAddedFromTheMenuOfWoodsAndPutToUse)
{
    test::Desk d;
    d.demo("Build");
    QString refused;
    QObject::connect(&d.doc(), &app::Document::refused, [&](const QString& why) { refused = why; });
    chooseNext("Add a wood of your own …");
    inDialog([](QDialog& dialog) {
        auto* name = dialog.findChild<QLineEdit*>();
        ASSERT_NE(name, nullptr);
        name->setFocus();
        name->selectAll();
        QTest::keyClick(name, Qt::Key_Delete);
        auto* ok = dialog.findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok);
        QTest::mouseClick(ok, Qt::LeftButton);
        ASSERT_TRUE(dialog.isVisible()) << "a wood without a name is none";
        QTest::keyClicks(name, "garden plum");
        QTest::mouseClick(ok, Qt::LeftButton);
    });
    d.press("pattern-0");
    ASSERT_EQ(d.doc().shop().woods.size(), 1u);
    EXPECT_EQ(d.doc().shop().woods[0].name, "garden plum");
    EXPECT_EQ(refused, QString());
    const std::string id = makeKnown(d.doc().shop().woods[0]).id;
    EXPECT_EQ(d.piece().layers[static_cast<size_t>(d.doc().selection().layer)].woods[0], id);
}
