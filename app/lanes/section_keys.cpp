// What menus and keys do on the section lane; section_lane.cpp is how it is handled by the pointer.
#include "app/canvas/arrow_key.h"
#include "app/lanes/layer_edits.h"
#include "app/lanes/section_lane.h"
#include "core/piece/edits/edit.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMenu>

namespace vl::app {

void SectionLane::contextMenuEvent(QContextMenuEvent* event)
{
    const QPointF p = event->pos();
    const double at = z(p.x());
    if (handles_ == Handles::Outline) {
        const Hit hit = hitAt(p);
        nodeMenu(event->globalPos(), hit.side, hit.grip == Grip::Node ? hit.index : -1, at);
    } else if (const int layer = layerAt(p); layer >= 0) {
        QMenu menu(this);
        if (handles_ == Handles::Layers) {
            if (!doc_.selection().layers.contains(layer)) doc_.selectLayer(layer);
            const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
            fillLayerMenu(menu, doc_, layer, (at - l.z0) / (l.z1 - l.z0));
            menu.addSeparator();
        }
        QMenu* measured = menu.addMenu(tr("Measured here"));
        measured->setObjectName(QStringLiteral("measured-here"));
        fillMeasureMenu(*measured, p);
        menu.exec(event->globalPos());
    }
}

void SectionLane::nodeMenu(const QPoint& global, Side side, int node, double at)
{
    QMenu menu(this);
    auto change = [&](const QString& what, auto&& edit) {
        menu.addAction(what, this, [this, what, side, edit] {
            doc_.apply(what, [&](Piece& p) { edit(side == Side::Outside ? p.outside : p.hollow.inside); });
        });
    };
    if (node < 0) {
        change(tr("Add a node here"), [at](Outline& o) { insertNode(o, at); });
        menu.exec(global);
        return;
    }
    const auto i = static_cast<size_t>(node);
    const bool smooth = outline(side)[i].smooth;
    change(smooth ? tr("Make sharp") : tr("Make smooth"), [i, smooth](Outline& o) { o.at(i).smooth = !smooth; });
    if (i + 1 < outline(side).size()) {
        menu.addSeparator();
        change(tr("Straight line to the next node"), [i](Outline& o) { o.at(i).span = Span::Line; });
        change(tr("Arc to the next node"), [i](Outline& o) {
            o.at(i).span = Span::Arc;
            if (o[i].bulge == 0) o[i].bulge = 0.25;
        });
        change(tr("Smooth curve to the next node"), [i](Outline& o) { o.at(i).span = Span::Curve; });
    }
    if (i > 0 && i + 1 < outline(side).size()) {
        menu.addSeparator();
        change(tr("Delete node"), [i](Outline& o) {
            if (i + 1 < o.size()) o.erase(o.begin() + static_cast<long>(i));
        });
    }
    menu.exec(global);
}

void SectionLane::nudge(int dz, int dr)
{
    const Selection& s = doc_.selection();
    if (s.node < 0) return;
    doc_.apply(tr("nudge node"), [&](Piece& p) {
        Outline& line = s.side == Side::Outside ? p.outside : p.hollow.inside;
        const auto i = static_cast<size_t>(s.node);
        const Node& n = line.at(i);
        line = movedNode(line, i, s.side == Side::Outside && standsAlone(line, i) ? 0 : n.z + dz * 0.5, n.r + dr * 0.5);
    });
}

void SectionLane::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && line_ != Line::None) {
        line_ = Line::None;
        unsetCursor();
        return update();
    }
    const Selection& s = doc_.selection();
    const auto arrow = arrowOf(*event);
    const int layers = static_cast<int>(doc_.piece().layers.size());
    if (handles_ == Handles::Outline && s.node >= 0) {
        const int count = static_cast<int>(outline(s.side).size());
        if (arrow) return nudge(arrow->right, arrow->up);
        switch (event->key()) {
        case Qt::Key_Delete:
        case Qt::Key_Backspace:
            doc_.apply(tr("delete node"), [&](Piece& p) {
                Outline& line = s.side == Side::Outside ? p.outside : p.hollow.inside;
                if (s.node > 0 && s.node + 1 < static_cast<int>(line.size())) line.erase(line.begin() + s.node);
            });
            return;
        case Qt::Key_PageUp:
        case Qt::Key_PageDown: {
            Selection other = s;
            other.node = std::clamp(s.node + (event->key() == Qt::Key_PageUp ? -1 : 1), 0, count - 1);
            doc_.select(other);
            return;
        }
        default:
            break;
        }
    }
    if (arrow && arrow->right) return doc_.selectLayer(std::clamp(s.layer + arrow->right, 0, layers - 1));
    switch (event->key()) {
    case Qt::Key_PageDown:
        if (handles_ == Handles::Outline) {
            Selection first = s;
            first.node = 0;
            doc_.select(first);
            return;
        }
        break;
    case Qt::Key_Delete:
        if (handles_ == Handles::Layers) {
            doc_.apply(tr("remove layers"),
                       [&](Piece p) { return edit::removeLayers(std::move(p), doc_.wantedSelection().layers); });
            return;
        }
        break;
    case Qt::Key_Insert:
    case Qt::Key_Plus:
        if (handles_ == Handles::Layers) {
            doc_.apply(tr("add ring"), [&](Piece p) { return edit::addLayer(std::move(p), s.layer); });
            return;
        }
        break;
    case Qt::Key_0:
        axis_.fit();
        return;
    default:
        break;
    }
    Lane::keyPressEvent(event);
}

}  // namespace vl::app
