#include "app/lanes/section_lane.h"

#include "core/piece/edit.h"
#include "core/piece/field_items.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMenu>

#include <cmath>

namespace vl::app {
namespace {

constexpr double gripRadius = 9;

double distance(const QPointF& a, const QPointF& b) { return std::hypot(a.x() - b.x(), a.y() - b.y()); }

}  // namespace

SectionLane::SectionLane(Document& document, AxisMap& axis, Handles handles, QWidget* parent)
    : Lane(document, axis, handles == Handles::Outline ? tr("OUTLINE") : tr("HALF SECTION"), parent), handles_(handles)
{
    connect(&doc_, &Document::changed, this, &SectionLane::settleRoom);
}

double SectionLane::below() const { return rulerHeight + (handles_ == Handles::Layers ? tabHeight + 4 : 4); }

double SectionLane::greatestRadius() const
{
    return std::max(doc_.plan().lathe.roughRadius, doc_.plan().shape.greatestDiameter / 2);
}

double SectionLane::acrossScale() const
{
    return handles_ == Handles::None ? std::min(axis_.scale(), (axisY() - 44) / std::max(1.0, greatestRadius()))
                                     : axis_.scale();
}

void SectionLane::settleRoom()
{
    const double length = std::max(stackHeight(doc_.piece()), outlineHeight(doc_.piece()));
    // While a drag goes on the scale rests, or the handle would run from the hand.
    if (doc_.live() && isVisible()) return;
    axis_.setRoom(width(), handles_ == Handles::None ? 1e9 : axisY() - 44, length, greatestRadius());
}

void SectionLane::resizeEvent(QResizeEvent*) { settleRoom(); }

QPointF SectionLane::nodePosition(Side side, int node) const
{
    const Node& n = outline(side)[static_cast<size_t>(node)];
    return {x(n.z), y(n.r)};
}

QPointF SectionLane::bulgePosition(int node) const
{
    const Node &a = doc_.piece().outside[static_cast<size_t>(node)],
               &b = doc_.piece().outside[static_cast<size_t>(node) + 1];
    const double dz = b.z - a.z, dr = b.r - a.r;
    return {x((a.z + b.z) / 2 - dr / 2 * a.bulge), y((a.r + b.r) / 2 + dz / 2 * a.bulge)};
}

QPointF SectionLane::boundaryPosition(int below) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(below)];
    return {x(l.z1), axisY() + rulerHeight + tabHeight / 2 - 2};
}

QPointF SectionLane::tabPosition(int layer) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    return {x((l.z0 + l.z1) / 2), axisY() + rulerHeight + tabHeight / 2 - 2};
}

QPointF SectionLane::floorPosition() const { return {x(doc_.piece().hollow.floor), y(0) - 14}; }

std::vector<LayerHandle> SectionLane::handles() const
{
    const auto layer = static_cast<size_t>(doc_.selection().layer);
    return layerHandles({doc_.piece(), doc_.shop(), doc_.plan().sides, layer}, doc_.plan().assembly.layers[layer]);
}

QPointF SectionLane::handlePosition(const std::string& name) const
{
    for (const LayerHandle& h : handles())
        if (h.name == name) return at(h.at);
    return {};
}

SectionLane::Hit SectionLane::hitAt(const QPointF& p) const
{
    for (const Caution& c : doc_.plan().cautions)
        if (distance(p, {x(c.z), 32}) < gripRadius + 2)
            return {Grip::Caution, Side::Outside, static_cast<int>(&c - doc_.plan().cautions.data())};
    if (handles_ == Handles::Outline) {
        const bool drawn = doc_.piece().hollow.rule == WallRule::Drawn;
        Hit best;
        double nearest = gripRadius;
        for (const Side side : {Side::Outside, Side::Inside}) {
            if (side == Side::Inside && !drawn) continue;
            for (int i = 0; i < static_cast<int>(outline(side).size()); ++i)
                if (const double d = distance(p, nodePosition(side, i)); d < nearest) {
                    nearest = d;
                    best = {Grip::Node, side, i};
                }
        }
        if (best.grip != Grip::None) return best;
        for (int i = 0; i + 1 < static_cast<int>(doc_.piece().outside.size()); ++i)
            if (doc_.piece().outside[static_cast<size_t>(i)].span == Span::Arc &&
                distance(p, bulgePosition(i)) < gripRadius)
                return {Grip::Bulge, Side::Outside, i};
        if (!doc_.plan().shape.solid && distance(p, floorPosition()) < gripRadius)
            return {Grip::Floor, Side::Inside, 0};
    }
    if (handles_ == Handles::Layers) {
        const auto& layers = doc_.plan().assembly.layers;
        const auto own = handles();
        for (size_t i = 0; i < own.size(); ++i)
            if (distance(p, at(own[i].at)) < gripRadius) return {Grip::Layer, Side::Outside, static_cast<int>(i)};
        for (int i = 0; i < static_cast<int>(layers.size()); ++i)
            if (std::abs(p.x() - x(layers[static_cast<size_t>(i)].z1)) < 5 &&
                p.y() > y(layers[static_cast<size_t>(i)].stockOuterRadius()) - 6)
                return {Grip::Boundary, Side::Outside, i};
        if (p.y() > axisY() + rulerHeight - 4)
            if (const int layer = layerAtX(p.x()); layer >= 0) return {Grip::Tab, Side::Outside, layer};
    }
    return {};
}

void SectionLane::mousePressEvent(QMouseEvent* event)
{
    Lane::mousePressEvent(event);
    if (event->button() != Qt::LeftButton) return;
    const QPointF p = event->position();
    drag_ = hitAt(p);
    dragFrom_ = doc_.piece();
    mergeKey_ = Document::newMergeKey();
    dropX_ = -1;
    switch (drag_.grip) {
    case Grip::Caution:
        emit cautionClicked(QString::fromStdString(doc_.plan().cautions[static_cast<size_t>(drag_.index)].id));
        drag_ = {};
        return;
    case Grip::Node: {
        Selection s = doc_.selection();
        s.side = drag_.side;
        s.node = drag_.index;
        doc_.select(s);
        grabOffset_ = nodePosition(drag_.side, drag_.index) - p;
        break;
    }
    case Grip::Boundary:
        grabOffset_ = {boundaryPosition(drag_.index).x() - p.x(), 0};
        break;
    case Grip::Tab:
        doc_.selectLayer(drag_.index, event->modifiers());
        break;
    case Grip::Floor:
        grabOffset_ = floorPosition() - p;
        break;
    case Grip::Bulge:
        grabOffset_ = bulgePosition(drag_.index) - p;
        break;
    case Grip::Layer:
        grabbed_ = handles()[static_cast<size_t>(drag_.index)];
        grabOffset_ = at(grabbed_.at) - p;
        break;
    case Grip::None:
        if (handles_ == Handles::Outline) {
            Selection s = doc_.selection();
            s.node = -1;
            doc_.select(s);
        }
        if (const int layer = layerAtX(p.x()); layer >= 0) doc_.selectLayer(layer, event->modifiers());
        return;
    }
    doc_.beginDrag();
}

void SectionLane::mouseMoveEvent(QMouseEvent* event)
{
    Lane::mouseMoveEvent(event);
    hoverAt_ = event->position();
    if (panning()) return;
    if (drag_.grip != Grip::None && event->buttons() & Qt::LeftButton)
        dragTo(event->position() + grabOffset_);
    else {
        hover_ = hitAt(event->position());
        setCursor(hover_.grip == Grip::Boundary                              ? Qt::SplitHCursor
                  : hover_.grip == Grip::None                                ? Qt::ArrowCursor
                  : hover_.grip == Grip::Tab || hover_.grip == Grip::Caution ? Qt::PointingHandCursor
                                                                             : Qt::SizeAllCursor);
    }
    update();
}

void SectionLane::dragTo(const QPointF& p)
{
    Piece next = dragFrom_;
    switch (drag_.grip) {
    case Grip::Node: {
        Outline& line = drag_.side == Side::Outside ? next.outside : next.hollow.inside;
        const auto i = static_cast<size_t>(drag_.index);
        line = movedNode(line, i, drag_.side == Side::Outside && i == 0 ? 0 : z(p.x()), r(p.y()));
        clampToLimits(line[i]);
        doc_.apply(tr("move node"), next, mergeKey_);
        break;
    }
    case Grip::Bulge: {
        Node &a = next.outside[static_cast<size_t>(drag_.index)],
             &b = next.outside[static_cast<size_t>(drag_.index) + 1];
        const Point chord(b.z - a.z, b.r - a.r), reach(z(p.x()) - (a.z + b.z) / 2, r(p.y()) - (a.r + b.r) / 2);
        const double half2 = chord.squaredNorm() / 2;
        if (half2 > 0) a.bulge = std::clamp((chord.x() * reach.y() - chord.y() * reach.x()) / half2, -1.0, 1.0);
        doc_.apply(tr("bend arc"), next, mergeKey_);
        break;
    }
    case Grip::Floor:
        next.hollow.floor = std::clamp(z(p.x()), 0.0, std::max(0.0, outlineHeight(next) - 2));
        doc_.apply(tr("move floor"), next, mergeKey_);
        break;
    case Grip::Layer:
        // The handle as it was grabbed: the drawing moves under the hand, its meaning does not.
        grabbed_.drag(next.layers[static_cast<size_t>(doc_.selection().layer)], {z(p.x()), r(p.y())});
        doc_.apply(QString::fromStdString(grabbed_.name), next, mergeKey_);
        break;
    case Grip::Boundary:
        doc_.apply(tr("move boundary"), edit::moveBoundary(next, drag_.index, z(p.x())), mergeKey_);
        break;
    case Grip::Tab: {
        const int over = layerAtX(p.x() - grabOffset_.x());
        dropX_ = -1;
        if (over >= 0 && over != drag_.index) {
            const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(over)];
            dropX_ = x(over > drag_.index ? l.z1 : l.z0);
        }
        break;
    }
    default:
        break;
    }
}

void SectionLane::mouseReleaseEvent(QMouseEvent* event)
{
    Lane::mouseReleaseEvent(event);
    if (event->button() != Qt::LeftButton) return;
    const Hit dropped = drag_;
    drag_ = {};
    if (dropped.grip == Grip::Tab && dropX_ >= 0) {
        const int to = layerAtX(event->position().x());
        if (to >= 0 && doc_.apply(tr("move layer"), edit::moveLayer(doc_.piece(), dropped.index, to)))
            doc_.selectLayer(to);
    }
    dropX_ = -1;
    grabOffset_ = {};
    doc_.endDrag();
    update();
}

void SectionLane::mouseDoubleClickEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton) return;
    const double at = z(event->position().x());
    if (handles_ == Handles::Outline) {
        if (hitAt(event->position()).grip != Grip::None || at <= 0 || at >= outlineHeight(doc_.piece())) return;
        Piece next = doc_.piece();
        const bool inside = next.hollow.rule == WallRule::Drawn &&
                            r(event->position().y()) < radiusAt(doc_.plan().sides.outside, at) - 3 &&
                            at > next.hollow.inside.front().z && at < next.hollow.inside.back().z;
        Selection s = doc_.selection();
        s.side = inside ? Side::Inside : Side::Outside;
        s.node = static_cast<int>(insertNode(inside ? next.hollow.inside : next.outside, at));
        if (doc_.apply(tr("add node"), next)) doc_.select(s);
    } else if (handles_ == Handles::Layers) {
        if (const int layer = layerAtX(event->position().x()); layer >= 0) {
            const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
            doc_.apply(tr("split layer"), edit::splitLayer(doc_.piece(), layer, (at - l.z0) / (l.z1 - l.z0)));
        }
    }
}

void SectionLane::contextMenuEvent(QContextMenuEvent* event)
{
    const QPointF p = event->pos();
    const double at = z(p.x());
    if (handles_ == Handles::Outline) {
        const Hit hit = hitAt(p);
        nodeMenu(event->globalPos(), hit.side, hit.grip == Grip::Node ? hit.index : -1, at);
    } else if (handles_ == Handles::Layers) {
        const int layer = layerAtX(p.x());
        if (layer >= 0) {
            if (!doc_.selection().layers.contains(layer)) doc_.selectLayer(layer);
            layerMenu(event->globalPos(), layer, at);
        }
    }
}

void SectionLane::nodeMenu(const QPoint& global, Side side, int node, double at)
{
    QMenu menu(this);
    auto change = [&](const QString& what, auto&& edit) {
        menu.addAction(what, this, [this, what, side, edit] {
            Piece next = doc_.piece();
            edit(side == Side::Outside ? next.outside : next.hollow.inside);
            doc_.apply(what, next);
        });
    };
    if (node < 0) {
        change(tr("Add a node here"), [at](Outline& o) { insertNode(o, at); });
        menu.exec(global);
        return;
    }
    const auto i = static_cast<size_t>(node);
    const bool smooth = outline(side)[i].smooth;
    change(smooth ? tr("Make sharp") : tr("Make smooth"), [i, smooth](Outline& o) { o[i].smooth = !smooth; });
    if (i + 1 < outline(side).size()) {
        menu.addSeparator();
        change(tr("Straight line to the next node"), [i](Outline& o) { o[i].span = Span::Line; });
        change(tr("Arc to the next node"), [i](Outline& o) {
            o[i].span = Span::Arc;
            if (o[i].bulge == 0) o[i].bulge = 0.25;
        });
        change(tr("Smooth curve to the next node"), [i](Outline& o) { o[i].span = Span::Curve; });
    }
    if (i > 0 && i + 1 < outline(side).size()) {
        menu.addSeparator();
        change(tr("Delete node"), [i](Outline& o) { o.erase(o.begin() + static_cast<long>(i)); });
    }
    menu.exec(global);
}

void SectionLane::layerMenu(const QPoint& global, int layer, double at)
{
    QMenu menu(this);
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    const double share = (at - l.z0) / (l.z1 - l.z0);
    auto action = [&](const QString& what, auto&& edit) {
        menu.addAction(what, this, [this, what, edit] { doc_.apply(what, edit(doc_.piece())); });
    };
    const std::set<int> chosen = doc_.selection().layers;
    action(tr("Add a ring after it"), [layer](const Piece& p) { return edit::addLayer(p, layer); });
    action(tr("Split it here"), [layer, share](const Piece& p) { return edit::splitLayer(p, layer, share); });
    action(chosen.size() > 1 ? tr("Remove %1 layers").arg(chosen.size()) : tr("Remove it"),
           [chosen](const Piece& p) { return edit::removeLayers(p, chosen); });
    menu.addSeparator();
    action(tr("Half a segment on, like brickwork"), [chosen](const Piece& p) { return edit::brickwork(p, chosen); });
    action(tr("Fit all layers to the outline's height"), [](const Piece& p) { return edit::fitLayers(p); });
    menu.exec(global);
}

void SectionLane::nudge(int dz, int dr)
{
    const Selection& s = doc_.selection();
    if (s.node < 0) return;
    Piece next = doc_.piece();
    Outline& line = s.side == Side::Outside ? next.outside : next.hollow.inside;
    const auto i = static_cast<size_t>(s.node);
    line = movedNode(line, i, s.side == Side::Outside && i == 0 ? 0 : line[i].z + dz * 0.5, line[i].r + dr * 0.5);
    doc_.apply(tr("nudge node"), next);
}

void SectionLane::keyPressEvent(QKeyEvent* event)
{
    const Selection& s = doc_.selection();
    const int layers = static_cast<int>(doc_.piece().layers.size());
    if (handles_ == Handles::Outline && s.node >= 0) {
        const int count = static_cast<int>(outline(s.side).size());
        switch (event->key()) {
        case Qt::Key_Left:
            nudge(-1, 0);
            return;
        case Qt::Key_Right:
            nudge(1, 0);
            return;
        case Qt::Key_Up:
            nudge(0, 1);
            return;
        case Qt::Key_Down:
            nudge(0, -1);
            return;
        case Qt::Key_Delete:
        case Qt::Key_Backspace:
            if (s.node > 0 && s.node + 1 < count) {
                Piece next = doc_.piece();
                Outline& line = s.side == Side::Outside ? next.outside : next.hollow.inside;
                line.erase(line.begin() + s.node);
                doc_.apply(tr("delete node"), next);
            }
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
    switch (event->key()) {
    case Qt::Key_Left:
        doc_.selectLayer(std::max(0, s.layer - 1));
        return;
    case Qt::Key_Right:
        doc_.selectLayer(std::min(layers - 1, s.layer + 1));
        return;
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
            doc_.apply(tr("remove layers"), edit::removeLayers(doc_.piece(), s.layers));
            return;
        }
        break;
    case Qt::Key_Insert:
    case Qt::Key_Plus:
        if (handles_ == Handles::Layers) {
            doc_.apply(tr("add ring"), edit::addLayer(doc_.piece(), s.layer));
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

void SectionLane::leaveEvent(QEvent*)
{
    hover_ = {};
    update();
}

}  // namespace vl::app
