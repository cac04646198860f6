#include "app/fields/figure_row.h"

#include "app/fields/working_card.h"
#include "app/theme/theme.h"

#include <QPainter>

namespace vl::app {

FigureRow::FigureRow(Document& document, FigureId figure, const QString& name, bool ofLayer, QWidget* parent)
    : FigureRow(
          document, name,
          [&document, figure, ofLayer](LengthStyle style) {
              const int layer = ofLayer ? document.selection().layer : -1;
              Working w = workingOf(figure, document.piece(), document.shop(), document.plan(), layer, style);
              // With its unit where it has a working, which is wherever it is a number.
              if (w.title.empty()) w.result = figureText(figure, document.piece(), document.plan(), layer, style);
              return w;
          },
          parent)
{
    if (ofLayer) connect(&doc_, &Document::selectionChanged, this, &FigureRow::refresh);
}

FigureRow::FigureRow(Document& document, const QString& name, std::function<Working(LengthStyle)> working,
                     QWidget* parent)
    : QAbstractButton(parent), doc_(document), working_(std::move(working)), name_(name)
{
    setCursor(Qt::PointingHandCursor);
    setToolTip(tr("Show the working"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(&doc_, &Document::changed, this, &FigureRow::refresh);
    connect(this, &QAbstractButton::clicked, this,
            [this] { WorkingCard::show(this, mapToGlobal(QPoint(width() - 120, height())), working_(doc_.exact())); });
    read();
}

/// A row that nobody sees is read when it is shown.
void FigureRow::refresh()
{
    if (isVisible()) read();
}

void FigureRow::showEvent(QShowEvent* event)
{
    QAbstractButton::showEvent(event);
    read();
}

void FigureRow::read()
{
    value_ = QString::fromStdString(working_(doc_.style()).result);
    setAccessibleName(name_ + ": " + value_);
    update();
}

void FigureRow::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF box = QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5);
    if (underMouse() || hasFocus()) {
        painter.setPen(hasFocus() ? QPen(theme().accent, 1.6) : QPen(Qt::NoPen));
        painter.setBrush(theme().accentSoft);
        painter.drawRoundedRect(box, 4, 4);
    }
    painter.setPen(theme().edge);
    painter.drawLine(box.bottomLeft(), box.bottomRight());
    painter.setPen(theme().quiet);
    painter.setFont(textFont(9));
    painter.drawText(box.adjusted(3, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter, name_);
    painter.setPen(leading_ ? theme().accent : theme().text);
    painter.setFont(textFont(leading_ ? 13 : 9.5, QFont::DemiBold));
    painter.drawText(box.adjusted(0, 0, -3, 0), Qt::AlignRight | Qt::AlignVCenter, value_);
}

}  // namespace vl::app
