// The form made from declarations, on a record that the program has never seen; and what lasts when layers come and go.
#include "app/fields/field_form.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>

using namespace vl;
using namespace vl::app;
using test::Desk;

namespace odd {

enum class Cap { None, Turned, Carved };
inline std::span<const Choice> choices(Cap)
{
    static constexpr std::array all{Choice{"none", "no cap"}, Choice{"turned", "a turned cap"},
                                    Choice{"carved", "a carved cap"}};
    return all;
}

struct Knob {
    double length = 40;
    double tilt = 5;
    std::optional<double> bore;
    int rings = 3;
    bool waxed = false;
    Cap cap = Cap::None;
    std::string wood = "ash";
};
template <class V, As<Knob> F> void fields(V& v, F& f)
{
    v.length("length_mm", f.length, {10, 90}, "Knob's length", "from end to end");
    v.angle("tilt_deg", f.tilt, {-30, 30}, "Knob's tilt");
    v.length("bore_mm", f.bore, {1, 20}, "Knob's bore");
    v.count("rings", f.rings, {1, 9}, "Knob's rings");
    v.flag("waxed", f.waxed, "Knob waxed");
    v.choice("cap", f.cap, "Knob's cap");
    v.when(f.cap == Cap::Carved).wood("wood", f.wood, "Cap's wood");
}

}  // namespace odd

namespace {

/// A form on the screen that keeps a knob.
class KnobForm {
public:
    KnobForm() : form(document)
    {
        document.replace(test::regattaCup(), {});
        QObject::connect(&form, &FieldForm::edited, &form,
                         [this](const QString& words, const std::string& path, const FieldValue& value) {
                             said = words;
                             EXPECT_TRUE(setField(knob, path, value)) << path;
                             show();
                         });
        show();
        static_cast<QWidget&>(form).show();
        EXPECT_TRUE(QTest::qWaitForWindowExposed(&form));
    }
    void show()
    {
        form.show(itemsOf(knob), [](const std::string&) { return 6.0; });
        QApplication::processEvents();
    }
    template <class T> T* named(const QString& name)
    {
        for (T* w : form.findChildren<T*>())
            if (w->isVisible() && (w->accessibleName() == name || w->property("text").toString() == name)) return w;
        return nullptr;
    }

    odd::Knob knob;
    QString said;
    Document document;
    FieldForm form;
};

}  // namespace

TEST(FieldForm, HasAWidgetForEveryKindOfFieldAndHandsOnWhatIsTyped)
{
    KnobForm f;
    auto* length = f.named<LengthField>("Knob's length");
    ASSERT_NE(length, nullptr);
    const auto labels = f.form.findChildren<QLabel*>();
    EXPECT_TRUE(std::ranges::any_of(labels, [](QLabel* l) { return l->toolTip() == "from end to end"; }));
    length->selectAll();
    QTest::keyClicks(length, "1 1/2in");
    QTest::keyClick(length, Qt::Key_Return);
    EXPECT_NEAR(f.knob.length, 38.1, 1e-9);
    EXPECT_EQ(f.said, "Knob's length");

    auto* tilt = f.named<QDoubleSpinBox>("Knob's tilt");
    ASSERT_NE(tilt, nullptr);
    EXPECT_EQ(tilt->suffix(), "°");
    EXPECT_EQ(tilt->minimum(), -30);
    tilt->setValue(-12.5);
    EXPECT_EQ(f.knob.tilt, -12.5);

    auto* rings = f.named<QSpinBox>("Knob's rings");
    ASSERT_NE(rings, nullptr);
    EXPECT_EQ(rings->maximum(), 9);
    rings->setValue(7);
    EXPECT_EQ(f.knob.rings, 7);

    auto* waxed = f.named<QCheckBox>("Knob waxed");
    ASSERT_NE(waxed, nullptr);
    QTest::mouseClick(waxed, Qt::LeftButton, {}, QPoint(8, waxed->height() / 2));
    EXPECT_TRUE(f.knob.waxed);
}

TEST(FieldForm, LeavesANumberToTheProgramUntilItIsTaken)
{
    KnobForm f;
    auto* on = f.named<QCheckBox>("Knob's bore");
    auto* bore = f.named<LengthField>("Knob's bore");
    ASSERT_NE(on, nullptr);
    ASSERT_NE(bore, nullptr);
    EXPECT_FALSE(bore->isEnabled());
    QTest::mouseClick(on, Qt::LeftButton, {}, QPoint(8, on->height() / 2));
    EXPECT_EQ(f.knob.bore, 6) << "it begins with what is usual";
    EXPECT_TRUE(bore->isEnabled());
    bore->selectAll();
    QTest::keyClicks(bore, "500");
    QTest::keyClick(bore, Qt::Key_Return);
    EXPECT_EQ(f.knob.bore, 6) << "beyond its limit the old value stays";
    QTest::mouseClick(on, Qt::LeftButton, {}, QPoint(8, on->height() / 2));
    EXPECT_FALSE(f.knob.bore);
}

TEST(FieldForm, ShowsWhatAppliesAndFollowsTheRecord)
{
    KnobForm f;
    EXPECT_EQ(f.named<QPushButton>("Cap's wood"), nullptr);
    auto* cap = f.named<QComboBox>("Knob's cap");
    ASSERT_NE(cap, nullptr);
    ASSERT_EQ(cap->count(), 3);
    EXPECT_EQ(cap->itemText(2), "a carved cap");
    cap->setCurrentIndex(2);
    emit cap->activated(2);
    QApplication::processEvents();
    EXPECT_EQ(f.knob.cap, odd::Cap::Carved);
    auto* wood = f.named<QPushButton>("Cap's wood");
    ASSERT_NE(wood, nullptr);
    EXPECT_EQ(wood->text(), QString::fromUtf8(speciesOf("ash").name));
    f.knob.wood = "walnut";
    f.knob.rings = 2;
    f.show();
    EXPECT_EQ(f.named<QPushButton>("Cap's wood")->text(), QString::fromUtf8(speciesOf("walnut").name));
    EXPECT_EQ(f.named<QSpinBox>("Knob's rings")->value(), 2);
}

TEST(Layers, KeepWhatIsDoneWhenARingIsPutInBelow)
{
    Desk b;
    b.demo("glue");
    const std::string ring = b.piece().layers[6].id, step = "cut-" + ring;
    Selection s = b.doc().selection();
    s.step = step;
    b.doc().select(s);
    b.press("Done");
    ASSERT_EQ(b.piece().progress.done.size(), 1u);
    ASSERT_TRUE(b.window.goTo("build"));
    b.doc().selectLayer(2);
    QTest::keyClick(b.lane<SectionLane>(), Qt::Key_Insert);
    ASSERT_EQ(b.piece().layers.size(), 16u);
    EXPECT_EQ(placeOf(b.piece(), ring), 7) << "it has moved up";
    const Plan& plan = b.doc().plan();
    const auto at = std::ranges::find(plan.assembly.recipe, step, &Step::id) - plan.assembly.recipe.begin();
    ASSERT_LT(at, static_cast<long>(plan.assembly.recipe.size()));
    EXPECT_TRUE(plan.schedule.done[static_cast<size_t>(at)]) << "and is still cut";
    EXPECT_EQ(plan.assembly.recipe[static_cast<size_t>(at)].layer, 7);
    EXPECT_EQ(std::ranges::count(plan.schedule.done, true), 1) << "nothing else counts as done";
    ASSERT_TRUE(b.window.goTo("glue"));
    auto* list = b.named<QListWidget>("Steps in order");
    ASSERT_NE(list, nullptr);
    bool shown = false;
    for (int row = 0; row < list->count(); ++row) shown |= list->item(row)->text().contains("segments of layer 8");
    EXPECT_TRUE(shown) << "titles count layers as they lie, ids do not";
    b.doc().history().undo();
    EXPECT_EQ(b.piece().layers.size(), 15u);
}

TEST(Layers, OfAnotherKindAndBackAreUndoneWhole)
{
    Desk b;
    b.demo("build");
    b.doc().selectLayer(9);
    const Piece before = b.piece();
    auto* kind = b.named<QComboBox>("Layer is a");
    ASSERT_NE(kind, nullptr);
    for (const int k : {4, 8, 2, 5, 1}) {
        kind->setCurrentIndex(k);
        emit kind->activated(k);
        QApplication::processEvents();
        EXPECT_EQ(b.piece().layers[9].id, before.layers[9].id) << "it is the same layer";
        EXPECT_EQ(b.piece().layers[9].woods, before.layers[9].woods);
    }
    for (int k = 0; k < 5; ++k) b.doc().history().undo();
    EXPECT_EQ(b.piece(), before);
}
