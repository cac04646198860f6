#include "app/stages/build/as_built_dialog.h"

#include "app/fields/field_form.h"
#include "app/fields/table.h"
#include "app/lanes/side_by_side.h"
#include "core/measure/format.h"
#include "core/plan/learning/measured_place.h"

#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include <cmath>

namespace vl::app {

AsBuiltDialog::AsBuiltDialog(Document& document, const std::optional<Measured>& what, QWidget* parent)
    : QDialog(parent), doc_(document)
{
    setWindowTitle(tr("As built: measured on the wood"));
    resize(1180, 660);
    const auto i = static_cast<size_t>(doc_.selection().layer);
    measured_ = what.value_or(Measured{.layer = doc_.piece().layers[i].id,
                                       .value = doc_.piece().layers[i].thickness,
                                       .at = outlineHeight(doc_.piece()) / 2});
    if (const int layer = placeOf(doc_.piece(), measured_.layer); layer >= 0) doc_.selectLayer(layer);
    take_ = new QPushButton(tr("Go on this way"));
    take_->setObjectName("take-way-on");
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    buttons->addButton(take_, QDialogButtonBox::ActionRole);
    connect(take_, &QPushButton::clicked, this, &AsBuiltDialog::take);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    auto* row = new QHBoxLayout;
    row->addWidget(measuring(), 4);
    row->addWidget(goingOn(), 5);
    auto* column = new QVBoxLayout(this);
    column->addLayout(row, 1);
    column->addWidget(buttons);
    connect(&doc_, &Document::changed, this, &AsBuiltDialog::refresh);
    refresh();
    form_->focus("value_mm");  // what a caliper types goes there
}

QWidget* AsBuiltDialog::measuring()
{
    form_ = new FieldForm(doc_);
    asked_ = new QLabel;
    asked_->setWordWrap(true);
    asked_->setObjectName("measured-asked");
    put_ = new QPushButton(tr("Put it down"));
    put_->setObjectName("put-measured");
    put_->setDefault(true);              // a caliper ends what it types with Return
    put_->setFocusPolicy(Qt::TabFocus);  // pressed with the mouse, the field is read first, as it stands
    remove_ = new QPushButton(tr("Strike it out"));
    remove_->setObjectName("remove-measured");
    all_ = new Table({tr("Measured"), tr("Of"), tr("Planned"), tr("Is"), tr("Off by")});
    all_->setAccessibleName(tr("What was measured, beside what was planned"));
    connect(form_, &FieldForm::edited, this, [this](const QString&, const std::string& path, const FieldValue& value) {
        setField(measured_, path, value);
        if (path == "what")
            if (const double planned = plannedOf(doc_.piece(), doc_.plan(), measured_); planned >= 0)
                measured_.value = planned;
        tellMeasured();
    });
    connect(put_, &QPushButton::clicked, this, [this] {
        if (auto* line = qobject_cast<QLineEdit*>(focusWidget())) emit line->returnPressed();
        if (form_->bad()) return;
        Measured m = measured_;
        if (!isOfALayer(m.what)) m.layer.clear();
        doc_.apply(tr("measured"), [&](Piece p) { return withMeasured(std::move(p), doc_.plan(), m); });
    });
    connect(remove_, &QPushButton::clicked, this, [this] {
        doc_.apply(tr("measure struck out"), [row = all_->currentRow()](Piece& p) {
            std::vector<Measured>& all = p.progress.measured;
            if (row >= 0 && row < static_cast<int>(all.size())) all.erase(all.begin() + row);
        });
    });
    auto* page = new QWidget;
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(0, 0, 0, 0);
    column->addWidget(form_);
    column->addWidget(asked_);
    auto* tools = new QHBoxLayout;
    tools->addWidget(put_);
    tools->addWidget(remove_);
    column->addLayout(tools);
    column->addWidget(all_, 1);
    return page;
}

QWidget* AsBuiltDialog::goingOn()
{
    list_ = new QListWidget;
    list_->setObjectName("ways-on");
    list_->setAccessibleName(tr("Ways on"));
    list_->setWordWrap(true);
    said_ = new QLabel;
    said_->setWordWrap(true);
    said_->setObjectName("way-on-said");
    sides_ = new SideBySide;
    sides_->setObjectName("as-measured");
    sides_->setToolTip(tr("Press where the caliper goes"));
    connect(sides_, &SideBySide::pressed, this, [this](const Point& place) {
        const std::vector<Measured> all = measurableAt(doc_.piece(), doc_.plan(), place, doc_.snapStep());
        if (all.empty()) return;
        measured_ = all.front();
        if (const int layer = placeOf(doc_.piece(), measured_.layer); layer >= 0) doc_.selectLayer(layer);
        tellMeasured();
        form_->focus("value_mm");
    });
    layers_ = new Table(
        {tr("Layer"), tr("Thick"), tr("Ø of the blank"), tr("Segment's edge"), tr("Board, wide"), tr("Turned on by")});
    layers_->setAccessibleName(tr("Both versions, layer by layer"));
    connect(list_, &QListWidget::currentRowChanged, this, &AsBuiltDialog::choose);
    auto* page = new QWidget;
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(0, 0, 0, 0);
    column->addWidget(list_, 2);
    column->addWidget(said_);
    column->addWidget(sides_, 4);
    column->addWidget(layers_, 3);
    return page;
}

void AsBuiltDialog::tellMeasured()
{
    std::vector<FieldItem> items = itemsOf(measured_);
    std::erase_if(items, [](const FieldItem& i) { return i.path == "layer" || i.path == "planned_mm"; });
    form_->show(items);
    const double planned = plannedOf(doc_.piece(), doc_.plan(), measured_);
    const QString mm = QString::fromStdString(formatLengthUnit(planned, doc_.style()));
    put_->setEnabled(!std::isnan(planned));
    sides_->mark(seatOf(doc_.piece(), doc_.plan(), measured_));
    asked_->setText(
        std::isnan(planned) ? tr("There is nothing of the kind here.")
        : isOfALayer(measured_.what)
            ? tr("Of layer %1, the one that is chosen: %2 by the plan. The lathe is off while it is measured.")
                  .arg(doc_.selection().layer + 1)
                  .arg(mm)
            : tr("%1 by the plan. The lathe is off while it is measured.").arg(mm));
}

void AsBuiltDialog::refresh()
{
    measured_.layer = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].id;
    tellMeasured();
    const auto mm = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
    QList<QStringList> rows;
    for (const Measured& m : doc_.piece().progress.measured) {
        const double planned = m.planned.value_or(plannedOf(doc_.piece(), doc_.plan(), m));
        rows << QStringList{wordsOf(choicesOf<Measured::What>()[static_cast<size_t>(m.what)]),
                            isOfALayer(m.what)     ? tr("layer %1").arg(placeOf(doc_.piece(), m.layer) + 1)
                            : isAtAStation(m.what) ? tr("at %1").arg(mm(m.at))
                                                   : QString(),
                            std::isnan(planned) ? QString() : mm(planned), mm(m.value),
                            std::isnan(planned) ? QString() : mm(m.value - planned)};
    }
    all_->setRows(rows);
    remove_->setEnabled(!rows.isEmpty());
    ways_ = waysOn(doc_.piece(), doc_.shop());
    {
        const QSignalBlocker quiet(list_);
        list_->clear();
        for (const WayOn& way : ways_) list_->addItem(QString::fromStdString(print(way.name, doc_.style())));
        list_->setCurrentRow(ways_.empty() ? -1 : 0);
    }
    choose(list_->currentRow());
}

void AsBuiltDialog::choose(int row)
{
    const bool any = row >= 0 && row < static_cast<int>(ways_.size());
    take_->setEnabled(any);
    for (QWidget* of : {static_cast<QWidget*>(list_), static_cast<QWidget*>(layers_)}) of->setVisible(any);
    const Piece now = asMeasured(doc_.piece());
    sides_->show(now, tr("as measured"), any ? &ways_[static_cast<size_t>(row)].piece : nullptr, tr("this way"));
    if (!any) {
        said_->setText(doc_.piece().progress.measured.empty()
                           ? tr("Put down what the wood measures: everything above it is planned from that.")
                           : tr("Nothing that is to come changes by what was measured; the work goes on as it is "
                                "drawn."));
        return layers_->setRows({});
    }
    const WayOn& way = ways_[static_cast<size_t>(row)];
    QString how = QString::fromStdString(print(way.how, doc_.style()));
    if (way.change > 0)
        how = tr("Nothing drawn changes by more than %1.")
                  .arg(QString::fromStdString(formatLengthUnit(way.change, doc_.style())));
    said_->setText(how);
    const std::vector<LayerVersion> drawn = versionOf(doc_.piece(), doc_.plan()),
                                    then = versionOf(way.piece, makePlan(way.piece, doc_.shop(), doc_.style()));
    const auto both = [this](double was, double is) {
        const auto mm = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
        return std::abs(was - is) < 0.005 ? (was > 0 ? mm(was) : QString()) : mm(was) + QStringLiteral(" → ") + mm(is);
    };
    QList<QStringList> rows;
    for (size_t i = 0; i < drawn.size(); ++i) {
        const LayerVersion& d = drawn[i];
        const auto same = std::ranges::find(then, d.layer, &LayerVersion::layer);
        const LayerVersion t = same == then.end() ? LayerVersion{} : *same;
        rows << QStringList{QString::number(i + 1),
                            both(d.thickness, t.thickness),
                            both(d.outer, t.outer),
                            both(d.edge, t.edge),
                            both(d.board, t.board),
                            std::abs(d.rotation - t.rotation) < 0.005
                                ? tr("%1°").arg(d.rotation, 0, 'f', 1)
                                : tr("%1° → %2°").arg(d.rotation, 0, 'f', 1).arg(t.rotation, 0, 'f', 1)};
    }
    layers_->setRows(rows);
}

void AsBuiltDialog::take()
{
    const int row = list_->currentRow();
    if (row >= 0) doc_.applyInstead(tr("as built"), doc_.piece(), ways_[static_cast<size_t>(row)].piece);
}

}  // namespace vl::app
