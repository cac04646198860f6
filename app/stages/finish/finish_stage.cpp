#include "app/stages/finish/finish_stage.h"

#include "app/fields/table.h"
#include "app/theme/theme.h"
#include "core/finish/finish_book.h"
#include "core/measure/format.h"

namespace vl::app {
namespace {

/// "12 h" or "40 min".
QString duration(double minutes)
{
    constexpr double hour = 60;
    return minutes >= 2 * hour ? FinishStage::tr("%1 h").arg(minutes / hour, 0, 'f', 0)
                               : FinishStage::tr("%1 min").arg(minutes, 0, 'f', 0);
}

}  // namespace

FinishStage::FinishStage(Document& document, QWidget* parent) : Stage(document, tr("Finish"), parent)
{
    auto* section = new SectionLane(document, axis_, SectionLane::Handles::Stations, &columns_);
    addLane(section, 3);
    connect(section, &SectionLane::cautionClicked, this, &Stage::cautionClicked);
    layers_ = new Table({tr("Layer"), tr("Coats"), tr("A coat"), tr("Part A"), tr("Part B"), tr("Then waits"),
                         tr("All told"), tr("Dries at"), tr("Between two coats")});
    layers_->setAccessibleName(tr("Layers of the finish"));
    addLane(layers_, 2);

    group(tr("Finish"), "finish");
    const auto choices = [](auto& p) -> auto& { return p.choices; };
    choiceRow(&Choices::finish, choices);
    choiceRow(&Choices::use, choices);
    area_ = new QLabel;
    area_->setWordWrap(true);
    area_->setObjectName("finish-area");
    addToPanel(area_);
    group(tr("Sanding"), "sanding");
    grit_ = new FieldForm(doc_);
    addToPanel(grit_);
    connect(grit_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                edit(words, [&](Piece& p) { setField(p.choices, path, value); });
            });
    grits_ = new QLabel;
    grits_->setWordWrap(true);
    grits_->setObjectName("grits");
    addToPanel(grits_);
    endGroup();
    auto* care =
        new QLabel(tr("Values are common practice; the maker's label comes first. Fresh air, gloves, no flame; a "
                      "dust mask while sanding. Rags are spread flat outdoors to dry: heaped, they can catch "
                      "fire by themselves."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    endPanel();
    refresh();
}

void FinishStage::refresh()
{
    refreshRows();
    const Choices& c = doc_.piece().choices;
    const FinishSchedule& schedule = scheduleOf(c.finish);
    const Sides& sides = doc_.plan().sides;
    const FinishArea area = finishArea(sides.outside, sides.inside);
    QList<QStringList> rows;
    const FinishSum sum = sumOf(schedule, area.all());
    for (const FinishLayer& l : schedule.layers) {
        const CoatMass mass = coatMass(l, area.all());
        const auto g = [](double v) { return v > 0 ? tr("%1 g").arg(v, 0, 'f', 1) : QString(); };
        rows << QStringList{localized(l.name),
                            QString::number(l.coats),
                            g(mass.all),
                            g(mass.a),
                            g(mass.b),
                            duration(l.waitMinutes),
                            duration(l.waitMinutes * l.coats),
                            tr("%1 to %2 °C").arg(l.celsius.low, 0, 'f', 0).arg(l.celsius.high, 0, 'f', 0),
                            l.between ? localized(l.between->words) : QString()};
    }
    if (rows.isEmpty())
        rows << QStringList{tr("one coat, as the shop has it"),
                            QStringLiteral("1"),
                            {},
                            {},
                            {},
                            duration(doc_.shop().finishMinutes),
                            duration(doc_.shop().finishMinutes),
                            {},
                            {}};
    layers_->setRows(rows);
    layers_->resizeRowsToContents();
    constexpr double perCm2 = 100;
    QString words =
        tr("%1 cm² outside, %2 cm² inside.").arg(area.outside / perCm2, 0, 'f', 0).arg(area.inside / perCm2, 0, 'f', 0);
    if (!schedule.layers.empty())
        words += QLatin1Char(' ') +
                 tr("%1 g of finish and %2 of waiting in all.").arg(sum.grams, 0, 'f', 0).arg(duration(sum.minutes));
    area_->setText(words);
    QStringList row;
    for (const int g : gritsFrom(c.firstGrit, schedule.lastGrit)) row << QString::number(g);
    grits_->setText(schedule.raisesGrain ? tr("Grits %1; the last one cuts the raised grain back, after the sealer.")
                                               .arg(row.join(QStringLiteral(" · ")))
                                         : tr("Grits %1, none left out.").arg(row.join(QStringLiteral(" · "))));
    std::vector<FieldItem> items = itemsOf(c);
    std::erase_if(items, [](const FieldItem& i) { return i.path != "first_grit"; });
    grit_->show(items);
}

}  // namespace vl::app
