#include "app/window/error_dialog.h"

#include "app/document/beside.h"
#include "app/fields/field_form.h"
#include "app/fields/table.h"
#include "core/measure/format.h"

#include <QDialogButtonBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include <cmath>

namespace vl::app {
namespace {

constexpr int trials = 4000;

QString named(ErrorFrom from)
{
    switch (from) {
    case ErrorFrom::Miter:
        return ErrorDialog::tr("miter");
    case ErrorFrom::Stop:
        return ErrorDialog::tr("stop");
    case ErrorFrom::Planing:
        return ErrorDialog::tr("planing");
    case ErrorFrom::Centering:
        break;
    }
    return ErrorDialog::tr("centring");
}

QString percent(double share) { return QStringLiteral("%1 %").arg(100 * share, 0, 'f', share > 0.99 ? 1 : 0); }

}  // namespace

ErrorDialog::ErrorDialog(Document& document, QWidget* parent)
    : QDialog(parent), doc_(document), form_(new FieldForm(document)), lead_(new QLabel), said_(new QLabel),
      layers_(new Table({tr("Layer"), tr("Closes at once"), tr("Last joint's gap, ±"), tr("Holds the piece"), tr("Has"),
                         tr("Needs"), tr("Matters most")})),
      learned_(new QLabel), learn_(new QPushButton(tr("As it was measured"))),
      take_(new QPushButton(tr("Give the rings what they need, and half a mm to turn clean")))
{
    setWindowTitle(tr("How exact it must be"));
    resize(1060, 600);
    lead_->setText(tr("What a setting scatters by in this shop, one standard deviation: two thirds of all pieces are "
                      "better, a third worse. The numbers are our own until they are measured."));
    lead_->setWordWrap(true);
    lead_->setProperty("role", "quiet");
    said_->setWordWrap(true);
    said_->setObjectName("budget-said");
    layers_->setObjectName("budget");
    layers_->setAccessibleName(tr("What the scatter does to each layer"));
    learn_->setObjectName("learn-planing");
    learned_->setWordWrap(true);
    learned_->setObjectName("learned");
    take_->setObjectName("take-allowance");
    auto* left = new QVBoxLayout;
    left->addWidget(lead_);
    left->addWidget(form_);
    left->addWidget(learn_);
    left->addWidget(learned_);
    left->addStretch(1);
    auto* right = new QVBoxLayout;
    right->addWidget(said_);
    right->addWidget(layers_, 1);
    auto* row = new QHBoxLayout;
    row->addLayout(left, 1);
    row->addLayout(right, 3);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
    buttons->addButton(take_, QDialogButtonBox::ActionRole);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    auto* column = new QVBoxLayout(this);
    column->addLayout(row, 1);
    column->addWidget(buttons);
    connect(form_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                doc_.changeShop(words, [&](Shop& shop) { setField(shop.accuracy, path, value); });
            });
    connect(learn_, &QPushButton::clicked, this, [this] {
        doc_.changeShop(tr("accuracy as measured"),
                        [this](Shop& shop) { shop.accuracy = learned().in(shop.accuracy); });
    });
    connect(take_, &QPushButton::clicked, this, [this] {
        doc_.apply(tr("allowances as needed"), [this](Piece p) { return withNeededAllowance(std::move(p), budget_); });
    });
    connect(&watcher_, &QFutureWatcher<ErrorBudget>::finished, this, [this] {
        if (std::exchange(again_, false)) return begin();
        tell(watcher_.result());
    });
    connect(&doc_, &Document::changed, this, &ErrorDialog::refresh);
    refresh();
}

ErrorDialog::~ErrorDialog()
{
    if (cancel_) *cancel_ = true;
    watcher_.waitForFinished();
}

void ErrorDialog::refresh()
{
    form_->show(itemsOf(doc_.shop().accuracy));
    const Learned known = learned();
    learn_->setEnabled(known.any() && known.in(doc_.shop().accuracy) != doc_.shop().accuracy);
    QStringList words;
    const auto add = [&](double value, const QString& what) {
        if (!std::isnan(value)) words << what.arg(value, 0, 'f', 3);
    };
    add(known.angle, tr("miters ± %1°"));
    add(known.stop, tr("lengths ± %1 mm"));
    add(known.planing, tr("thickness ± %1 mm"));
    add(known.centering, tr("middles ± %1 mm"));
    learned_->setText(words.isEmpty() ? tr("Three measures of a kind, on this piece and those in the log, are needed "
                                           "before anything is learned: heights, outsides, gaps, middles.")
                                      : tr("By what was measured: %1.").arg(words.join(QStringLiteral(", "))));
    begin();
}

Learned ErrorDialog::learned() const
{
    return learnedAccuracy(deviationsKnown(doc_.piece(), doc_.plan(), doc_.shop()));
}

void ErrorDialog::begin()
{
    if (watcher_.isRunning()) {
        *cancel_ = true;
        again_ = true;
        return;
    }
    take_->setEnabled(false);
    cancel_ = std::make_shared<std::atomic<bool>>(false);
    watcher_.setFuture(beside([plan = doc_.plan(), accuracy = doc_.shop().accuracy, cancel = cancel_] {
        return errorBudget(plan, accuracy, trials, cancel.get());
    }));
}

void ErrorDialog::tell(const ErrorBudget& budget)
{
    budget_ = budget;
    QList<QStringList> rows;
    bool rings = false;
    const auto mm = [this](double v) { return QString::fromStdString(formatLengthUnit(v, doc_.style())); };
    for (const LayerOdds& o : budget.layers) {
        rings = rings || o.ring;
        rows << QStringList{QString::number(o.layer + 1),
                            o.ring ? percent(o.closes) : QString(),
                            o.ring ? mm(o.gap) : QString(),
                            percent(o.holds),
                            mm(o.has),
                            o.needed < 1e-9 ? mm(0) : tr("%1 ± %2").arg(mm(o.needed), mm(o.neededSpread)),
                            o.needed < 1e-9 ? QString() : named(o.most)};
    }
    layers_->setRows(rows);
    said_->setText(
        tr("All layers hold the turned piece %1 times in a hundred (± %2); the stack's height comes out "
           "within ± %3 two times in three. A ring that does not close within 0.1 mm at once is closed by its "
           "halves. \"Needs\" is what 99 in 100 need on the radius, before it is "
           "turned clean. %4 throws of the dice, always the same ones.")
            .arg(100 * budget.allHold, 0, 'f', 1)
            .arg(100 * budget.holdSpread, 0, 'f', 1)
            .arg(mm(budget.height))
            .arg(budget.trials));
    take_->setEnabled(rings && budget.trials > 0);
}

}  // namespace vl::app
