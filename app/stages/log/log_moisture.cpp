// The Log's pages of moisture and movement; log_stage.cpp has its entries and years.
#include "app/fields/table.h"
#include "app/stages/log/log_stage.h"
#include "app/stages/log/moisture_chart.h"
#include "app/stages/page_switch.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/plan/drying/rough_turned.h"
#include "core/plan/figures/moisture_book.h"
#include "core/plan/figures/movement.h"
#include "report/type.h"

#include <QPushButton>

namespace vl::app {
namespace {

using report::q;

/// Readings of one thing, and how it goes on from there, as a chart has them.
MoistureChart::Line lineOf(const QString& name, const DryingCourse& course)
{
    MoistureChart::Line line{name, {}, {}};
    for (const auto& [day, percent] : course.read) line.read << QPointF(day, percent);
    for (const auto& [day, percent] : course.expected) line.expected << QPointF(day, percent);
    return line;
}

}  // namespace

void LogStage::buildMoisture()
{
    group(tr("Moisture"), "log-moisture", false);
    read_ = new QPushButton(tr("Another reading"));
    read_->setObjectName("add-reading");
    addToPanel(read_);
    connect(read_, &QPushButton::clicked, this, [this] {
        editShop(tr("reading"), [this](Shop& s) {
            Reading r = s.readings.empty() ? Reading{} : s.readings.back();
            r.at = doc_.now();
            s.readings.push_back(r);
        });
        pages_->show(tr("moisture"));
    });
    reading_ = new FieldForm(doc_);
    addToPanel(reading_);
    connect(reading_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                editShop(words, [&](Shop& s) {
                    if (!s.readings.empty()) setField(s.readings.back(), path, value);
                });
            });
    dries_ = new QLabel;
    dries_->setWordWrap(true);
    dries_->setObjectName("dries");
    addToPanel(dries_);
    rough_ = new QLabel;
    rough_->setWordWrap(true);
    rough_->setObjectName("rough-turned");
    addToPanel(rough_);
}

/// How far the two sides of each joint move apart, between here and where the piece will live.
void LogStage::refreshMovement()
{
    const Shop& shop = doc_.shop();
    const ToHome home = toHome(shop, shop.readings.empty() ? Reading{} : shop.readings.back());
    constexpr int fine = 2;
    const auto mm = [this](double v) { return q(formatLengthUnit(v, doc_.style(), fine)); };
    QList<QStringList> rows;
    for (const JointMovement& j : movementsOf(doc_.plan().assembly, doc_.plan().surfaces, shop))
        rows << QStringList{tr("%1 and %2").arg(j.below + 1).arg(j.below + 2),
                            mm(j.z),
                            mm(j.width),
                            mm(j.moves),
                            mm(j.moves * home.driest),
                            mm(j.moves * home.dampest)};
    movement_->setRows(rows);
}

/// A bowl from wet wood: what is left of its wall while it waits, how oval it gets, and about how long it takes.
void LogStage::refreshRough()
{
    const auto r = roughTurned(doc_.piece(), doc_.plan());
    rough_->setVisible(r.has_value());
    if (!r) return;
    const auto mm = [this](double v) { return q(formatLengthUnit(v, doc_.style())); };
    QString words = tr("This piece is of %1 at %2 %: turned rough to Ø %3 with a wall of %4 and left for about %5 "
                       "months. At %6 % its rim is %7 along the grain and %8 across, %9 oval.")
                        .arg(localized(r->wood))
                        .arg(r->wet, 0, 'f', 0)
                        .arg(mm(r->rough), mm(r->wall))
                        .arg(r->months(Coat::Wax), 0, 'f', 0)
                        .arg(r->target, 0, 'f', 0)
                        .arg(mm(r->along), mm(r->across), mm(r->oval()));
    if (!r->holds)
        words += QLatin1Char(' ') + tr("The finished rim does not lie in that oval: a thicker wall is left.");
    words += QLatin1Char(' ') + tr("Bare it takes about %1 months and may crack, in a bag %2.")
                                    .arg(r->months(Coat::Bare), 0, 'f', 0)
                                    .arg(r->months(Coat::Bag), 0, 'f', 0);
    words += QLatin1Char(' ') + tr("Turned once to its last wall and dried in a bag, its rim ends at %1 by %2.")
                                    .arg(mm(r->onceAlong), mm(r->onceAcross));
    rough_->setText(words);
}

void LogStage::refreshReadings()
{
    const std::vector<Reading>& all = doc_.shop().readings;
    QList<QStringList> rows;
    for (size_t i = all.size(); i-- > 0;) {
        const Reading& r = all[i];
        rows << QStringList{q(r.of),
                            date(r.at),
                            tr("%1 %").arg(r.percent, 0, 'f', 1),
                            r.grams > 0 ? tr("%1 g").arg(r.grams, 0, 'f', 0) : QString(),
                            tr("%1 °C, %2 %").arg(r.celsius, 0, 'f', 0).arg(r.humidity, 0, 'f', 0),
                            tr("%1 %").arg(roomMoisture(r), 0, 'f', 1),
                            q(r.place)};
    }
    {
        const QSignalBlocker quiet(readings_);
        const int row = std::max(0, readings_->currentRow());
        readings_->setRows(rows);
        if (!rows.isEmpty()) readings_->setCurrentCell(std::min(row, static_cast<int>(rows.size()) - 1), 0);
    }
    reading_->setVisible(!all.empty());
    dries_->setVisible(!all.empty());
    constexpr double target = 8;  // % before it is finished, common practice
    if (all.empty()) return chart_->plot({}, target);
    std::vector<FieldItem> items = itemsOf(all.back());
    std::erase_if(items, [](const FieldItem& i) { return i.path == "at_min"; });
    reading_->show(items);
    // What is chosen, or was read last.
    const int at = readings_->currentRow();
    const std::string& of = all[static_cast<size_t>(static_cast<int>(all.size()) - 1 - std::max(0, at))].of;
    const DryingForecast f = dryingForecast(all, of, target);
    chart_->plot({lineOf(q(of), dryingCourse(all, of, f, target))}, target);
    QString words = tr("%1: at %2 % in about %3 days, %4 to %5").arg(q(of)).arg(target, 0, 'f', 0);
    if (f.days < 0)
        words = tr("In that room it never comes down to %1 %.").arg(target, 0, 'f', 0);
    else {
        words = words.arg(f.days, 0, 'f', 0).arg(f.early, 0, 'f', 0).arg(f.late, 0, 'f', 0) + QLatin1Char(' ');
        words += f.byWood ? tr("by its wood and thickness; two readings, days apart, say more.")
                          : tr("by how the readings scatter.");
    }
    if (f.unknown) words = tr("Two readings of it, days apart, or its wood and thickness, say when it will be ready.");
    dries_->setText(words);
}

}  // namespace vl::app
