#include "app/stages/cut/shopping_view.h"

#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/plan/extras.h"
#include "report/board_pages.h"

#include <QVBoxLayout>

#include <map>

namespace vl::app {

ShoppingView::ShoppingView(Document& document, QWidget* parent)
    : QWidget(parent), doc_(document), said_(new QLabel), sum_(new QLabel),
      table_(new Table({tr("Wood"), tr("For"), tr("Parts"), tr("Planed thickness"), tr("Width"), tr("Strip"),
                        tr("Board, at least"), tr("Volume")}))
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(14, 6, 14, 10);
    said_->setWordWrap(true);
    sum_->setWordWrap(true);
    table_->setAccessibleName(tr("Shopping list"));
    column->addWidget(said_);
    column->addWidget(table_, 1);
    column->addWidget(sum_);
    connect(&doc_, &Document::changed, this, &ShoppingView::refresh);
    connect(&doc_, &Document::boardsChanged, this, &ShoppingView::refresh);
    refresh();
}

void ShoppingView::refresh()
{
    const BoardPlan& plan = doc_.boards();
    auto length = [&](double mm) { return QString::fromStdString(formatLengthUnit(mm, doc_.style())); };
    QList<QStringList> rows;
    std::map<std::string, double> volumes;
    for (const Shortfall& s : plan.shortfall) {
        rows << QStringList{localized(s.species->name),
                            report::partName(doc_.plan(), s.part),
                            QString::number(s.count),
                            length(s.thickness),
                            length(s.width),
                            length(s.length),
                            length(s.board),
                            tr("%1 l").arg(s.volume / 1e6, 0, 'f', 2)};
        volumes[s.species->name] += s.volume;
    }
    const bool boards = !rows.isEmpty();
    for (const Extra& e : extrasOf(doc_.piece(), doc_.plan().surfaces))
        rows << QStringList{QString::fromStdString(e.of.empty() ? e.what : e.of + ", " + e.what),
                            tr("beside wood"),
                            QString::number(e.count),
                            QString(),
                            QString(),
                            QString::fromStdString(print(e.size, doc_.style())),
                            QString(),
                            QString()};
    table_->setRows(rows);
    table_->setVisible(!rows.isEmpty());
    said_->setText(doc_.boardsBusy() ? tr("The boards are being worked out.")
                   : !boards         ? rows.isEmpty() ? tr("The rack has all of it: nothing to buy.")
                                                      : tr("The rack has all of the wood; beside it:")
                           : doc_.shop().rack.empty()
                       ? tr("The rack is empty: this is all that the piece needs. Add boards at the right, or bring a "
                            "list of them in, and the plan says which part comes from where.")
                       : tr("No board on the rack gives these. Kerf, planing and the usual waste are counted."));
    QStringList sums;
    for (const auto& [wood, volume] : volumes)
        sums << tr("%1 %2 l").arg(QString::fromStdString(wood), QString::number(volume / 1e6, 'f', 2));
    sum_->setText(sums.isEmpty() ? QString() : semibold(tr("<b>To buy:</b> %1")).arg(sums.join(QStringLiteral(" · "))));
}

}  // namespace vl::app
