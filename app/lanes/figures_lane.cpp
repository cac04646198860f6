#include "app/lanes/figures_lane.h"

#include "app/canvas/arrow_key.h"
#include "app/fields/working_card.h"
#include "app/theme/theme.h"

#include <QMouseEvent>
#include <QPainter>

namespace vl::app {

FiguresLane::FiguresLane(Document& document, Columns& columns, const QString& title, int most, Rows rows,
                         std::function<int()> chosen, QWidget* parent)
    : Lane(document, title, parent), columns_(columns), most_(most), rows_(std::move(rows)), chosen_(std::move(chosen))
{
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(&columns_, &Columns::changed, this, [this] { update(); });
}

FiguresLane::Row FiguresLane::figureRow(Document& document, const QString& name, FigureId figure, bool bare)
{
    return {name,
            [&document, figure, bare](int column) {
                QString text = QString::fromStdString(
                    figureText(figure, document.piece(), document.plan(), column, document.style()));
                if (bare) text.remove(QChar(u'°'));
                // Columns are narrow: trailing noughts say nothing here.
                if (bare && text.contains('.')) {
                    while (text.endsWith('0')) text.chop(1);
                    if (text.endsWith('.')) text.chop(1);
                }
                return text == QStringLiteral("–") ? QString() : text;
            },
            [&document, figure](int column) {
                return workingOf(figure, document.piece(), document.shop(), document.plan(), column, document.exact());
            }};
}

QString FiguresLane::textAt(int row, int column) const
{
    const std::vector<Row> rows = rows_();
    return row < static_cast<int>(rows.size()) ? rows[static_cast<size_t>(row)].text(column) : QString();
}

void FiguresLane::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    std::vector<Row> rows = rows_();
    if (static_cast<int>(rows.size()) > most_) rows.resize(static_cast<size_t>(most_));
    const int chosen = chosen_();
    const double width = columns_.width();
    if (columns_.shows(chosen)) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(theme().accentSoft);
        painter.drawRoundedRect(
            QRectF(columns_.left(chosen) + 1, 0, width - 2, rowHeight * static_cast<double>(rows.size()) + 4), 4, 4);
    }
    // More than there is room for: which way they are.
    const double first = columns_.left(columns_.first()), last = first + width * columns_.shown();
    painter.setFont(textFont(11, QFont::Bold));
    painter.setPen(theme().accent);
    if (columns_.first() > 0)
        painter.drawText(QRectF(first - 11, 0, 10, rowHeight), Qt::AlignCenter, QStringLiteral("‹"));
    if (columns_.first() + columns_.shown() < columns_.count())
        painter.drawText(QRectF(last + 1, 0, 12, rowHeight), Qt::AlignCenter, QStringLiteral("›"));
    const QFont plain = textFont(8.5), strong = textFont(8.5, QFont::DemiBold), small = textFont(8);
    for (size_t k = 0; k < rows.size(); ++k) {
        const double y = rowHeight * static_cast<double>(k);
        painter.setPen(theme().edge);
        painter.drawLine(QPointF(10, y + rowHeight), QPointF(this->width() - 10, y + rowHeight));
        painter.setPen(hasFocus() ? theme().accent : theme().quiet);
        painter.setFont(small);
        const double names = columns_.names() - 4;
        painter.drawText(QRectF(4, y, names, rowHeight), Qt::AlignRight | Qt::AlignVCenter,
                         QFontMetricsF(small).elidedText(rows[k].name, Qt::ElideRight, names));
        for (int c = columns_.first(); c < columns_.first() + columns_.shown(); ++c) {
            painter.setPen(c == chosen ? theme().accent : theme().text);
            painter.setFont(c == chosen ? strong : plain);
            painter.drawText(QRectF(columns_.left(c), y, width, rowHeight), Qt::AlignCenter, rows[k].text(c));
        }
    }
}

/// A column is one thing: its figures, each with its name.
std::vector<ReadableItem> FiguresLane::things() const
{
    const std::vector<Row> rows = rows_();
    std::vector<ReadableItem> all;
    for (int c = 0; c < columns_.count(); ++c) {
        QStringList words{QString::number(c + 1)};
        for (const Row& row : rows)
            if (const QString text = row.text(c); !text.isEmpty()) words << row.name + QStringLiteral(" ") + text;
        all.push_back({words.join(QStringLiteral(", ")),
                       columns_.shows(c) ? QRectF(columns_.left(c), 0, columns_.width(), height()).toRect() : QRect(),
                       c == chosen_()});
    }
    return all;
}

/// Left and right walk the columns; the space bar shows the working of the chosen column's first figure.
void FiguresLane::keyPressEvent(QKeyEvent* event)
{
    const int chosen = std::max(0, chosen_());
    const int by = arrowOf(*event).value_or(ArrowKey{}).right;
    if (by && chosen + by >= 0 && chosen + by < columns_.count()) {
        columns_.reveal(chosen + by);
        emit columnPressed(chosen + by, {});
    } else if (event->key() == Qt::Key_Space) {
        for (const Row& row : rows_())
            if (!row.text(chosen).isEmpty()) {
                const QPoint at(static_cast<int>(columns_.center(chosen)), height() / 2);
                return WorkingCard::show(this, mapToGlobal(at), row.working(chosen));
            }
    } else
        Lane::keyPressEvent(event);
}

void FiguresLane::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton) return;
    const int column = columns_.at(event->position().x());
    if (column < 0) {
        const double px = event->position().x(), last = columns_.left(columns_.first() + columns_.shown());
        if (px > last) columns_.scroll(columns_.shown() - 1);
        if (px < columns_.left(columns_.first()) && px > columns_.names()) columns_.scroll(1 - columns_.shown());
        return;
    }
    emit columnPressed(column, event->modifiers());
    const std::vector<Row> rows = rows_();
    const auto row = static_cast<size_t>(event->position().y() / rowHeight);
    if (row < rows.size() && !event->modifiers() && !rows[row].text(column).isEmpty())
        WorkingCard::show(this, event->globalPosition().toPoint(), rows[row].working(column));
}

void FiguresLane::wheelEvent(QWheelEvent* event)
{
    columns_.scroll(event->angleDelta().y() > 0 ? -1 : 1);
    event->accept();
}

}  // namespace vl::app
