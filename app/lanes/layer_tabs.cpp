#include "app/lanes/layer_tabs.h"

#include "app/access/layer_things.h"
#include "app/canvas/arrow_key.h"
#include "app/lanes/layer_edits.h"
#include "app/theme/theme.h"
#include "core/piece/edits/edit.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QPainter>

namespace vl::app {

LayerTabs::LayerTabs(Document& document, Columns& columns, QWidget* parent)
    : Lane(document, tr("Layers"), parent), columns_(columns)
{
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(&columns_, &Columns::changed, this, [this] { update(); });
    connect(&doc_, &Document::pointedChanged, this, [this] { update(); });
}

QPointF LayerTabs::tabPosition(int layer) const { return {columns_.center(layer), height() / 2.0}; }

std::vector<ReadableItem> LayerTabs::things() const
{
    return layerThings(doc_, [this](int k) {
        return columns_.shows(k) ? QRectF(columns_.left(k), 0, columns_.width(), height()).toRect() : QRect();
    });
}

void LayerTabs::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(textFont(8));
    painter.setPen(hasFocus() ? theme().accent : theme().quiet);
    painter.drawText(QRectF(0, 0, columns_.names(), height()), Qt::AlignRight | Qt::AlignVCenter, tr("layer"));
    for (int k = columns_.first(); k < columns_.first() + columns_.shown(); ++k) {
        const QRectF tab(columns_.left(k) + 2, 3, columns_.width() - 4, height() - 6);
        const bool chosen = doc_.selection().layers.contains(k), first = k == doc_.selection().layer;
        const bool pointed = k == doc_.pointed();
        painter.setPen(pointed ? QPen(theme().accent, 2.5) : QPen(chosen ? theme().strong : theme().edge, 1));
        painter.setBrush(first ? theme().strong : chosen ? theme().accentSoft : theme().ground);
        painter.drawRoundedRect(tab, 4, 4);
        painter.setFont(textFont(8.5, first ? QFont::DemiBold : QFont::Medium));
        painter.setPen(first ? theme().onStrong : theme().text);
        painter.drawText(tab, Qt::AlignCenter, QString::number(k + 1));
    }
    painter.setPen(theme().accent);
    painter.setFont(textFont(10, QFont::Bold));
    const double left = columns_.left(columns_.first()), right = left + columns_.width() * columns_.shown();
    if (columns_.first() > 0)
        painter.drawText(QRectF(left - 12, 0, 12, height()), Qt::AlignCenter, QStringLiteral("‹"));
    if (columns_.first() + columns_.shown() < columns_.count())
        painter.drawText(QRectF(right, 0, 12, height()), Qt::AlignCenter, QStringLiteral("›"));
    if (dragged_ >= 0 && over_ >= 0 && over_ != dragged_) {
        const double x = columns_.left(over_ > dragged_ ? over_ + 1 : over_);
        painter.setPen(QPen(theme().accent, 3));
        painter.drawLine(QPointF(x, 0), QPointF(x, height()));
    }
}

void LayerTabs::mousePressEvent(QMouseEvent* event)
{
    const double px = event->position().x();
    const int layer = columns_.at(px);
    if (event->button() != Qt::LeftButton) return;
    if (layer < 0) return columns_.scroll(px < columns_.left(columns_.first()) ? -1 : 1);
    doc_.selectLayer(layer, event->modifiers());
    dragged_ = layer;
}

void LayerTabs::mouseMoveEvent(QMouseEvent* event)
{
    const int over = columns_.at(event->position().x());
    setCursor(over >= 0 ? Qt::PointingHandCursor : Qt::ArrowCursor);
    doc_.pointAt(over);
    if (dragged_ < 0) return;
    over_ = over;
    update();
}

void LayerTabs::mouseReleaseEvent(QMouseEvent*)
{
    const int from = dragged_, to = over_;
    dragged_ = over_ = -1;
    update();
    if (from < 0 || to < 0 || from == to) return;
    moveLayer(from, to);
}

void LayerTabs::moveLayer(int from, int to)
{
    if (doc_.apply(tr("move layer"), [=](Piece p) { return edit::moveLayer(std::move(p), from, to); }))
        doc_.selectLayer(to);
}

void LayerTabs::contextMenuEvent(QContextMenuEvent* event)
{
    const int layer =
        event->reason() == QContextMenuEvent::Keyboard ? doc_.selection().layer : columns_.at(event->pos().x());
    if (layer < 0) return;
    if (!doc_.selection().layers.contains(layer)) doc_.selectLayer(layer);
    QMenu menu(this);
    fillLayerMenu(menu, doc_, layer);
    menu.exec(event->globalPos());
}

void LayerTabs::keyPressEvent(QKeyEvent* event)
{
    const int last = static_cast<int>(doc_.piece().layers.size()) - 1, layer = doc_.selection().layer;
    const int by = arrowOf(*event).value_or(ArrowKey{}).right;
    const int to = event->key() == Qt::Key_Home  ? 0
                   : event->key() == Qt::Key_End ? last
                                                 : std::clamp(layer + by, 0, last);
    if (by && event->modifiers() & Qt::ControlModifier) {
        if (to != layer) moveLayer(layer, to);
    } else if (to != layer)
        doc_.selectLayer(to);
    else if (event->key() == Qt::Key_Delete)
        doc_.apply(tr("remove layers"),
                   [this](Piece p) { return edit::removeLayers(std::move(p), doc_.wantedSelection().layers); });
    else if (event->key() == Qt::Key_Insert || event->key() == Qt::Key_Plus)
        doc_.apply(tr("add ring"), [layer](Piece p) { return edit::addLayer(std::move(p), layer); });
    else
        Lane::keyPressEvent(event);
}

void LayerTabs::wheelEvent(QWheelEvent* event)
{
    columns_.scroll(event->angleDelta().y() > 0 ? -1 : 1);
    event->accept();
}

}  // namespace vl::app
