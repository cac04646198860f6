#include "app/fields/table.h"

#include <QApplication>
#include <QClipboard>
#include <QContextMenuEvent>
#include <QHeaderView>
#include <QKeyEvent>
#include <QMenu>

namespace vl::app {

Table::Table(const QStringList& columns, QWidget* parent) : QTableWidget(parent)
{
    setColumnCount(static_cast<int>(columns.size()));
    setHorizontalHeaderLabels(columns);
    verticalHeader()->hide();
    horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    horizontalHeader()->setStretchLastSection(true);
    horizontalHeader()->setHighlightSections(false);
    setEditTriggers(NoEditTriggers);
    setSelectionBehavior(SelectRows);
    setShowGrid(false);
    setAlternatingRowColors(true);
    setFrameShape(NoFrame);
    setTabKeyNavigation(false);
}

void Table::setRows(const QList<QStringList>& rows)
{
    setRowCount(static_cast<int>(rows.size()));
    for (int r = 0; r < rowCount(); ++r)
        for (int c = 0; c < columnCount(); ++c) {
            const QString words = rows[r].value(c);
            auto* cell = new QTableWidgetItem(words);
            const bool number =
                !words.isEmpty() && (words.front().isDigit() || (words.size() > 1 && words[1].isDigit()));
            if (c > 0 && number) cell->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
            setItem(r, c, cell);
        }
}

QString Table::text() const
{
    QStringList lines;
    const QModelIndexList chosen = selectionModel()->selectedRows();
    if (chosen.isEmpty()) {
        QStringList heads;
        for (int c = 0; c < columnCount(); ++c) heads << horizontalHeaderItem(c)->text();
        lines << heads.join('\t');
    }
    for (int r = 0; r < rowCount(); ++r) {
        if (!chosen.isEmpty() && !selectionModel()->isRowSelected(r, {})) continue;
        QStringList cells;
        for (int c = 0; c < columnCount(); ++c) cells << item(r, c)->text();
        lines << cells.join('\t');
    }
    return lines.join('\n') + '\n';
}

void Table::copy() const { QApplication::clipboard()->setText(text()); }

void Table::keyPressEvent(QKeyEvent* event)
{
    if (event->matches(QKeySequence::Copy)) return copy();
    QTableWidget::keyPressEvent(event);
}

void Table::contextMenuEvent(QContextMenuEvent* event)
{
    QMenu menu(this);
    menu.addAction(tr("Copy"), QKeySequence::Copy, this, [this] { copy(); });
    menu.exec(event->globalPos());
}

}  // namespace vl::app
