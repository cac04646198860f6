#include "app/lanes/section_lane.h"

#include "app/access/layer_things.h"
#include "app/canvas/arrow_key.h"
#include "app/canvas/hit.h"
#include "app/lanes/face_view.h"
#include "core/piece/document/hole_ends.h"
#include "core/piece/edits/edit.h"
#include "core/piece/records/field_items.h"

#include <QMouseEvent>

#include <cmath>

namespace vl::app {
namespace {

constexpr double cautionRadius = hitRadius + 2;

}  // namespace

SectionLane::SectionLane(Document& document, AxisMap& axis, Handles handles, Columns* columns, QWidget* parent)
    : Lane(document, tr("SECTION AND SIDE"), parent), axis_(axis), columns_(columns), handles_(handles),
      face_(new FaceView(document, axis, handles != Handles::Outline, this)), held_(document)
{
    connect(&doc_, &Document::changed, this, &SectionLane::settleRoom);
    connect(&axis_, &AxisMap::changed, this, [this] { update(); });
    if (columns_) connect(columns_, &Columns::changed, this, [this] { update(); });
    connect(&wood_, &Baked::ready, this, [this] { update(); });
}

double SectionLane::greatestRadius() const
{
    return std::max(doc_.plan().lathe.roughRadius, doc_.plan().shape.greatestDiameter / 2);
}

void SectionLane::settleRoom()
{
    const double length = std::max(stackHeight(doc_.piece()), outlineHeight(doc_.piece()));
    // While a drag goes on the scale rests, or the handle would run from the hand.
    if (doc_.live() && isVisible()) return;
    axis_.setRoom({.width = static_cast<double>(width()),
                   .top = top,
                   .bottom = drawingBottom() - wordsHeight,
                   .length = length,
                   .radius = greatestRadius(),
                   .face = greatestRadius()});
    const int beside = static_cast<int>(axis_.place().section);
    face_->setGeometry(beside, 0, width() - beside, static_cast<int>(drawingBottom()));
}

void SectionLane::resizeEvent(QResizeEvent*) { settleRoom(); }

QRectF SectionLane::drawn() const
{
    const double wide = greatestRadius();
    return QRectF(QPointF(x(0), y(wide)),
                  QPointF(x(std::max(stackHeight(doc_.piece()), outlineHeight(doc_.piece()))), y(-wide)))
        .united(face_->drawn().translated(face_->pos()));
}

int SectionLane::layerAt(const QPointF& p) const
{
    const double station = z(p.x());
    const auto& layers = doc_.plan().assembly.layers;
    if (station < 0 || station > layers.back().z1 || p.x() > axis_.place().section) return -1;
    if (std::abs(r(p.y())) > greatestRadius() * 1.1) return -1;
    return static_cast<int>(doc_.plan().assembly.layerAt(station));
}

QPointF SectionLane::nodePosition(Side side, int node) const
{
    const Node& n = outline(side)[static_cast<size_t>(node)];
    return {x(n.z), y(n.r)};
}

/// Nodes of both lines where they are handled, layers where those are, stations where the lathe is.
std::vector<ReadableItem> SectionLane::things() const
{
    const auto spot = [](const QPointF& at) { return QRectF(at - QPointF(8, 8), QSizeF(16, 16)).toRect(); };
    std::vector<ReadableItem> all;
    if (handles_ == Handles::Layers) return layerThings(doc_, [&](int k) { return spot(layerPosition(k)); });
    if (handles_ == Handles::Stations) {
        for (const Station& s : doc_.plan().stations)
            all.push_back({tr("station %1 from the foot, diameter %2, wall %3")
                               .arg(lengthUnit(s.z), lengthUnit(s.outside, 1), lengthUnit(s.wall, 1)),
                           spot({x(s.z), y(s.outside / 2)}), false});
        return all;
    }
    for (const Side side : {Side::Outside, Side::Inside})
        for (int i = 0; i < static_cast<int>(outline(side).size()); ++i) {
            const Node& n = outline(side)[static_cast<size_t>(i)];
            all.push_back({(side == Side::Outside ? tr("node %1 of the outside, %2 from the foot, diameter %3")
                                                  : tr("node %1 of the inside, %2 from the foot, diameter %3"))
                               .arg(i + 1)
                               .arg(lengthUnit(n.z), lengthUnit(2 * n.r)),
                           spot(nodePosition(side, i)), doc_.selection().side == side && doc_.selection().node == i});
        }
    return all;
}

void SectionLane::chooseThing(int index)
{
    if (handles_ == Handles::Layers) return doc_.selectLayer(index);
    if (handles_ != Handles::Outline) return;
    const int outside = static_cast<int>(outline(Side::Outside).size());
    Selection s = doc_.selection();
    s.side = index < outside ? Side::Outside : Side::Inside;
    s.node = index < outside ? index : index - outside;
    doc_.select(s);
}

QPointF SectionLane::bulgePosition(int node) const
{
    const Node &a = doc_.piece().outside[static_cast<size_t>(node)],
               &b = doc_.piece().outside[static_cast<size_t>(node) + 1];
    return at(middleOfArc(a, b));
}

QPointF SectionLane::boundaryPosition(int below) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(below)];
    return {x(l.z1), y(-l.stockOuterRadius() / 2)};
}

QPointF SectionLane::layerPosition(int layer) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    return {x((l.z0 + l.z1) / 2), y(-l.finishedOuter.high / 2)};
}

QPointF SectionLane::floorPosition() const { return {x(doc_.piece().hollow.floor), y(0) - 14}; }

std::vector<LayerHandle> SectionLane::handles() const
{
    const auto layer = static_cast<size_t>(doc_.selection().layer);
    return layerHandles({doc_.piece(), doc_.shop(), doc_.plan().surfaces, layer}, doc_.plan().assembly.layers[layer]);
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
        if (distance(p, {x(c.z), cautionY}) < cautionRadius)
            return {Grip::Caution, Side::Outside, static_cast<int>(&c - doc_.plan().cautions.data())};
    if (handles_ == Handles::Outline) {
        const bool drawn = doc_.piece().hollow.rule == WallRule::Drawn;
        const auto places = [&](Side side) { return [this, side](int i) { return nodePosition(side, i); }; };
        const int outer = nearestHit(static_cast<int>(outline(Side::Outside).size()), places(Side::Outside), p),
                  inner =
                      drawn ? nearestHit(static_cast<int>(outline(Side::Inside).size()), places(Side::Inside), p) : -1;
        if (inner >= 0 && (outer < 0 || distance(nodePosition(Side::Inside, inner), p) <
                                            distance(nodePosition(Side::Outside, outer), p)))
            return {Grip::Node, Side::Inside, inner};
        if (outer >= 0) return {Grip::Node, Side::Outside, outer};
        for (int i = 0; i + 1 < static_cast<int>(doc_.piece().outside.size()); ++i)
            if (doc_.piece().outside[static_cast<size_t>(i)].span == Span::Arc && hits(bulgePosition(i), p))
                return {Grip::Bulge, Side::Outside, i};
        if (!doc_.plan().shape.solid && hits(floorPosition(), p)) return {Grip::Floor, Side::Inside, 0};
    }
    if (handles_ == Handles::Stations) {
        for (int i = 0; i < static_cast<int>(doc_.piece().flaws.size()); ++i)
            if (hits(flawPosition(i), p)) return {Grip::Flaw, Side::Outside, i};
        for (int i = 0; i < static_cast<int>(doc_.piece().holes.size()); ++i)
            for (const bool leaves : {false, true})
                if (const auto end = holePosition(i, leaves); end && hits(*end, p))
                    return {leaves ? Grip::HoleOut : Grip::HoleIn, Side::Outside, i};
    }
    if (handles_ == Handles::Layers) {
        const auto& layers = doc_.plan().assembly.layers;
        const auto own = handles();
        for (size_t i = 0; i < own.size(); ++i)
            if (hits(at(own[i].at), p)) return {Grip::Layer, Side::Outside, static_cast<int>(i)};
        for (int i = 0; i < static_cast<int>(layers.size()); ++i)
            if (std::abs(p.x() - x(layers[static_cast<size_t>(i)].z1)) < 4 &&
                std::abs(r(p.y())) < layers[static_cast<size_t>(i)].stockOuterRadius() + 6 / axis_.scale())
                return {Grip::Boundary, Side::Outside, i};
    }
    return {};
}

void SectionLane::mousePressEvent(QMouseEvent* event)
{
    panning_ = event->button() == Qt::MiddleButton;
    panFrom_ = event->position();
    if (event->button() != Qt::LeftButton) return;
    const QPointF p = event->position();
    if (line_ == Line::Wanted) {
        line_ = Line::Drawn;
        lineFrom_ = hoverAt_ = p;
        return;
    }
    const Hit hit = hitAt(p);
    if (hit.grip == Grip::Caution) {
        emit cautionClicked(QString::fromStdString(doc_.plan().cautions[static_cast<size_t>(hit.index)].id));
        return;
    }
    if (hit.grip == Grip::Node || (hit.grip == Grip::None && handles_ == Handles::Outline)) {
        Selection s = doc_.selection();
        if (hit.grip == Grip::Node) s.side = hit.side;
        s.node = hit.grip == Grip::Node ? hit.index : -1;
        doc_.select(s);
    }
    if (hit.grip == Grip::None) {
        if (const int layer = layerAt(p); layer >= 0) doc_.selectLayer(layer, event->modifiers());
        return;
    }
    held_.take({.hit = hit,
                .piece = doc_.piece(),
                .handle = hit.grip == Grip::Layer ? handles()[static_cast<size_t>(hit.index)] : LayerHandle{},
                .offset = placeOf(hit, p) - p});
}

QPointF SectionLane::placeOf(const Hit& hit, const QPointF& pressed) const
{
    switch (hit.grip) {
    case Grip::Node:
        return nodePosition(hit.side, hit.index);
    case Grip::Bulge:
        return bulgePosition(hit.index);
    case Grip::Floor:
        return floorPosition();
    case Grip::Flaw:
        return flawPosition(hit.index);
    case Grip::Layer:
        return at(handles()[static_cast<size_t>(hit.index)].at);
    case Grip::Boundary:
        return {boundaryPosition(hit.index).x(), pressed.y()};
    case Grip::HoleIn:
    case Grip::HoleOut:
        return {holePosition(hit.index, hit.grip == Grip::HoleOut)->x(), pressed.y()};
    case Grip::Caution:
    case Grip::None:
        break;
    }
    return pressed;
}

void SectionLane::mouseMoveEvent(QMouseEvent* event)
{
    hoverAt_ = event->position();
    if (panning_) {
        axis_.pan(event->position() - panFrom_);
        panFrom_ = event->position();
        return;
    }
    if (line_ != Line::None) return update();
    if (held_ && event->buttons() & Qt::LeftButton)
        dragTo(event->position() + held_->offset, event->modifiers());
    else {
        hover_ = hitAt(event->position());
        setCursor(hover_.grip == Grip::Boundary  ? Qt::SplitHCursor
                  : hover_.grip == Grip::None    ? Qt::ArrowCursor
                  : hover_.grip == Grip::Caution ? Qt::PointingHandCursor
                                                 : Qt::SizeAllCursor);
    }
    update();
}

void SectionLane::wantTraceAxis()
{
    if (doc_.piece().trace.picture.empty()) return;
    line_ = Line::Wanted;
    setCursor(Qt::CrossCursor);
    setFocus();
}

void SectionLane::dragTo(const QPointF& hand, Qt::KeyboardModifiers keys)
{
    const bool free = setFree(keys);
    const auto step = [&](double mm) { return free ? mm : doc_.snapped(mm); };
    // Each place is worked out from what it was when it was grabbed, and nothing else of the piece is touched.
    const auto& [hit, was, handle, offset] = *held_;
    const auto at = static_cast<size_t>(hit.index);
    const double station = step(z(hand.x())), radius = step(2 * r(hand.y())) / 2;
    switch (hit.grip) {
    case Grip::Node: {
        const bool outside = hit.side == Side::Outside;
        Outline line = outside ? was.outside : was.hollow.inside;
        // Past its neighbors it goes where the hand asks for it.
        const auto reach = keys.testFlag(Qt::ShiftModifier) ? Stations::MayFallBack : Stations::NeverFall;
        line = movedNode(line, at, outside && standsAlone(line, at) ? 0 : station, radius, reach);
        clampToLimits(line[at]);
        held_.apply(tr("move node"), [&](Piece& p) { (outside ? p.outside : p.hollow.inside) = line; });
        break;
    }
    case Grip::Bulge: {
        const double bulge = bulgeThrough(was.outside[at], was.outside[at + 1], {z(hand.x()), r(hand.y())});
        held_.apply(tr("bend arc"), [&](Piece& p) { p.outside.at(at).bulge = bulge; });
        break;
    }
    case Grip::Floor:
        held_.apply(tr("move floor"),
                    [&](Piece& p) { p.hollow.floor = std::clamp(station, 0.0, std::max(0.0, outlineHeight(p) - 2)); });
        break;
    case Grip::Layer:
        // The handle as it was grabbed: the drawing moves under the hand, its meaning does not.
        held_.apply(QString::fromStdString(handle.name), [&](Piece& p) {
            const auto layer = static_cast<size_t>(doc_.selection().layer);
            Layer from = was.layers.at(layer);
            handle.drag(from, {z(hand.x()), r(hand.y())});
            p.layers.at(layer) = from;
        });
        break;
    case Grip::Flaw:
        held_.apply(tr("move flaw"), [&](Piece& p) {
            Flaw& f = p.flaws.at(at);
            f.at = station;
            f.radius = std::abs(radius);
            clampToLimits(f);
        });
        break;
    case Grip::HoleIn:
    case Grip::HoleOut:
        held_.apply(tr("move hole"), [&](Piece& p) {
            Hole h = was.holes.at(at);
            const Polyline& outside = doc_.plan().surfaces.outside;
            if (const auto ends = holeStations(h, outside)) {
                const bool leaves = hit.grip == Grip::HoleOut;
                setHoleStations(h, leaves ? ends->enters.x() : station, leaves ? station : ends->leaves.x(), outside);
            }
            p.holes.at(at) = h;
        });
        break;
    case Grip::Boundary:
        held_.apply(tr("move boundary"), [&](Piece p) { return edit::moveBoundary(std::move(p), hit.index, station); });
        break;
    default:
        break;
    }
}

void SectionLane::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() == Qt::MiddleButton) panning_ = false;
    if (event->button() != Qt::LeftButton) return;
    if (line_ == Line::Drawn) {
        line_ = Line::None;
        unsetCursor();
        const QPointF to = event->position();
        doc_.apply(tr("axis of the picture"), [&](Piece& p) {
            p.trace =
                straightened(p.trace, {z(lineFrom_.x()), r(lineFrom_.y())}, {z(to.x()), r(to.y())}, outlineHeight(p));
        });
        update();
        return;
    }
    held_.release();
    update();
}

void SectionLane::wheelEvent(QWheelEvent* event)
{
    axis_.zoom(std::pow(1.0015, event->angleDelta().y()), event->position());
    event->accept();
}

void SectionLane::mouseDoubleClickEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton) return;
    if (const Measured* m = measureAt(event->position())) {
        emit measureWanted(Measured(*m));
        return;
    }
    const double at = z(event->position().x());
    if (handles_ == Handles::Outline) {
        if (hitAt(event->position()).grip != Grip::None || at <= 0 || at >= outlineHeight(doc_.piece())) return;
        const Hollow& hollow = doc_.piece().hollow;
        const Range drawn = reachOf(hollow.inside);
        const bool inside = hollow.rule == WallRule::Drawn &&
                            r(event->position().y()) < radiusAt(doc_.plan().surfaces.outside, at) - 3 &&
                            at > drawn.low && at < drawn.high;
        Selection s = doc_.selection();
        s.side = inside ? Side::Inside : Side::Outside;
        const auto add = [&](Piece& p) {
            s.node = static_cast<int>(insertNode(inside ? p.hollow.inside : p.outside, at, r(event->position().y())));
        };
        if (doc_.apply(tr("add node"), add)) doc_.whenShown(this, [this, s] { doc_.select(s); });
    }
}

void SectionLane::leaveEvent(QEvent*)
{
    hover_ = {};
    update();
}

}  // namespace vl::app
