#include "app/window/preferences.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLineEdit>
#include <QSettings>

#include <algorithm>

namespace vl::app {
namespace {

constexpr std::array denominators{8, 16, 32, 64};
constexpr std::array snaps{0.1, 0.25, 0.5, 1.0, 5.0};
constexpr std::array sizes{100, 115, 130, 150};

/// The allowed value nearest to a stored one.
template <class Values, class T> T nearest(const Values& values, T stored)
{
    return *std::ranges::min_element(values, {}, [&](auto v) { return std::abs(static_cast<double>(v - stored)); });
}

}  // namespace

Preferences Preferences::stored()
{
    const QSettings s;
    Preferences p;
    p.unit = std::clamp(s.value("unit", p.unit).toInt(), 0, 2);
    p.denominator = nearest(denominators, s.value("denominator", p.denominator).toInt());
    p.snapMetric = nearest(snaps, s.value("snap_mm", p.snapMetric).toDouble());
    p.snapImperial = nearest(denominators, s.value("snap_in", p.snapImperial).toInt());
    p.dark = s.value("dark", p.dark).toBool();
    p.letter = s.value("letter", p.letter).toBool();
    p.textPercent = nearest(sizes, s.value("text_percent", p.textPercent).toInt());
    p.currency = s.value("currency").toString().left(4);
    return p;
}

void Preferences::store() const
{
    QSettings s;
    s.setValue("unit", unit);
    s.setValue("denominator", denominator);
    s.setValue("snap_mm", snapMetric);
    s.setValue("snap_in", snapImperial);
    s.setValue("dark", dark);
    s.setValue("letter", letter);
    s.setValue("text_percent", textPercent);
    s.setValue("currency", currency);
}

PreferencesDialog::PreferencesDialog(QWidget* parent) : QDialog(parent)
{
    setWindowTitle(tr("Preferences"));
    auto* form = new QFormLayout(this);
    auto choose = [&](const QString& words, const QStringList& names, int now, auto&& take) {
        auto* box = new QComboBox;
        box->addItems(names);
        box->setCurrentIndex(now);
        box->setAccessibleName(words);
        form->addRow(words, box);
        connect(box, &QComboBox::activated, this, [this, take](int k) {
            Preferences next = Preferences::stored();
            take(next, k);
            next.store();
            emit changed();
        });
    };
    const Preferences p = Preferences::stored();
    QStringList fractions, metric;
    for (const int n : denominators) fractions << QStringLiteral("1/%1 in").arg(n);
    for (const double mm : snaps) metric << QStringLiteral("%1 mm").arg(mm);
    const auto place = [](const auto& values, auto value) {
        return static_cast<int>(std::ranges::find(values, value) - values.begin());
    };
    choose(tr("Lengths in"), {tr("millimeters"), tr("decimal inches"), tr("fractions of an inch")}, p.unit,
           [](Preferences& n, int k) { n.unit = k; });
    choose(tr("Finest fraction"), fractions, place(denominators, p.denominator),
           [](Preferences& n, int k) { n.denominator = denominators[static_cast<size_t>(k)]; });
    choose(tr("Drags keep to"), metric, place(snaps, p.snapMetric),
           [](Preferences& n, int k) { n.snapMetric = snaps[static_cast<size_t>(k)]; });
    choose(tr("and in inches to"), fractions, place(denominators, p.snapImperial),
           [](Preferences& n, int k) { n.snapImperial = denominators[static_cast<size_t>(k)]; });
    choose(tr("Bench"), {tr("light"), tr("dark")}, p.dark, [](Preferences& n, int k) { n.dark = k == 1; });
    choose(tr("Paper"), {tr("A4"), tr("Letter")}, p.letter, [](Preferences& n, int k) { n.letter = k == 1; });
    QStringList large;
    for (const int percent : sizes) large << QStringLiteral("%1 %").arg(percent);
    choose(tr("Size of text, from the next start"), large, place(sizes, p.textPercent),
           [](Preferences& n, int k) { n.textPercent = sizes[static_cast<size_t>(k)]; });
    auto* currency = new QLineEdit(p.currency);
    currency->setMaxLength(4);
    currency->setPlaceholderText(tr("none: bare numbers"));
    currency->setAccessibleName(tr("Prices in"));
    form->addRow(tr("Prices in"), currency);
    connect(currency, &QLineEdit::editingFinished, this, [this, currency] {
        Preferences next = Preferences::stored();
        next.currency = currency->text().trimmed();
        next.store();
        emit changed();
    });
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    form->addRow(buttons);
}

}  // namespace vl::app
