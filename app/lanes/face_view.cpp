#include "app/lanes/face_view.h"

#include "app/access/layer_things.h"
#include "app/canvas/arrow_key.h"
#include "app/canvas/hit.h"
#include "core/geometry/profile.h"
#include "core/piece/document/hole_ends.h"
#include "core/piece/edits/log_middle.h"
#include "core/piece/records/field_items.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QMouseEvent>
#include <QToolButton>

#include <cmath>

namespace vl::app {

FaceView::FaceView(Document& document, AxisMap& axis, bool layer, QWidget* parent)
    : QWidget(parent), doc_(document), axis_(axis), shows_(layer ? Shows::Layer : Shows::Rim), held_(document)
{
    setAccessibleName(tr("Face of the chosen layer"));
    setToolTip(
        tr("Press to choose a segment, drag to turn the ring; with a brush in hand, paint it. The middle of a log "
           "is dragged off the axis; from the rim, both ends of a rod are"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    row_ = new QWidget(this);
    auto* buttons = new QHBoxLayout(row_);
    buttons->setContentsMargins(0, 0, 0, 0);
    buttons->setSpacing(2);
    choice_ = new QButtonGroup(this);
    for (const auto& [words, tip] : {std::pair{tr("layer"), tr("The chosen layer's face, as it is glued")},
                                     {tr("rim"), tr("The finished piece from the tailstock")},
                                     {tr("foot"), tr("The finished piece from the headstock")}}) {
        auto* button = new QToolButton;
        button->setText(words);
        button->setToolTip(tip);
        button->setAccessibleName(tip);
        button->setProperty("role", "small");
        button->setCheckable(true);
        button->setChecked(choice_->buttons().size() == static_cast<int>(shows_));
        choice_->addButton(button, static_cast<int>(choice_->buttons().size()));
        buttons->addWidget(button);
    }
    connect(choice_, &QButtonGroup::idClicked, this, [this](int id) { show(static_cast<Shows>(id)); });
    const auto redraw = [this] { update(); };
    connect(&doc_, &Document::changed, this, redraw);
    connect(&doc_, &Document::selectionChanged, this, redraw);
    connect(&axis_, &AxisMap::changed, this, redraw);
    connect(&face_, &Baked::ready, this, redraw);
}

void FaceView::show(Shows what)
{
    shows_ = what;
    choice_->button(static_cast<int>(what))->setChecked(true);
    update();
}

void FaceView::setBrush(const Brush& brush)
{
    brush_ = brush;
    setCursor(brush.wood.empty() ? Qt::ArrowCursor : Qt::CrossCursor);
}

void FaceView::resizeEvent(QResizeEvent*)
{
    row_->adjustSize();
    row_->move(width() - row_->width() - 8, 2);
}

double FaceView::scale() const
{
    if (held_ && held_->what == Grabbed::What::Log) return held_->scale;  // the drawing rests under the hand
    const DrawingPlace& place = axis_.place();
    if (place.sameScale()) return place.faceScale;
    const double own = shows_ == Shows::Layer ? layer().cornerRadius() : doc_.plan().shape.greatestDiameter / 2;
    return place.faceRadius / std::max(1.0, own);
}

QPointF FaceView::center() const { return axis_.place().faceCenter - pos(); }

double FaceView::angleAt(const QPointF& p) const
{
    const QPointF from = p - center();
    return std::atan2(-from.x(), -from.y()) / degrees;
}

QPointF FaceView::segmentPosition(int segment) const
{
    const BuiltLayer& l = layer();
    const Point middle = l.middleOf(segment, (l.z0 + l.z1) / 2);
    const double a = middle.y() * degrees, r = middle.x() * scale();
    return center() - QPointF(r * std::sin(a), r * std::cos(a));
}

QPointF FaceView::turnPosition() const
{
    const double a = layer().phaseDeg * degrees, r = layer().cornerRadius() * scale() + 9;
    return center() - QPointF(r * std::sin(a), r * std::cos(a));
}

const BlockForm* FaceView::log() const
{
    const auto* form = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].as<BlockForm>();
    return form && form->shape == BlockForm::Log && shows_ == Shows::Layer ? form : nullptr;
}

QPointF FaceView::pithPosition() const
{
    const double a = log() ? logMiddleTowards(*log()) * degrees : 0, r = log() ? logOffset(*log()) * scale() : 0;
    return center() - QPointF(r * std::sin(a), r * std::cos(a));
}

std::vector<size_t> FaceView::sideHoles() const
{
    std::vector<size_t> which;
    for (size_t i = 0; i < doc_.piece().holes.size() && shows_ == Shows::Rim; ++i)
        if (doc_.piece().holes[i].into == Hole::Side && radiusOf(doc_.piece().holes[i]) > 0) which.push_back(i);
    return which;
}

double FaceView::radiusOf(const Hole& hole) const
{
    const double r = radiusAt(doc_.plan().surfaces.outside, hole.at);
    return std::isnan(r) ? 0 : r;
}

QPointF FaceView::holeEnd(size_t hole, bool leaves) const
{
    const Hole& h = doc_.piece().holes[hole];
    const HoleEnds ends = holeEnds(h, radiusOf(h));
    const double a = (leaves ? ends.leaves : ends.enters) * degrees, r = radiusOf(h) * scale();
    return center() - QPointF(r * std::sin(a), r * std::cos(a));
}

QRectF FaceView::drawn() const
{
    const double r =
        scale() * (shows_ == Shows::Layer ? layer().cornerRadius() : doc_.plan().shape.greatestDiameter / 2);
    return {center() - QPointF(r, r), center() + QPointF(r, r)};
}

int FaceView::segmentAt(const QPointF& p) const
{
    const QPointF from = p - center();
    const double radius = std::hypot(from.x(), from.y()) / scale();
    if (shows_ != Shows::Layer || radius > layer().cornerRadius() || radius < layer().stockInnerRadius() * 0.9)
        return -1;
    return layer().segmentAt((layer().z0 + layer().z1) / 2, radius, angleAt(p));
}

bool FaceView::turns() const
{
    const Layer& l = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)];
    return shows_ == Shows::Layer && l.sectors() && doc_.selection().layer > 0;
}

void FaceView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton || scale() <= 0) return;
    using What = Grabbed::What;
    const QPointF at = event->position();
    const auto take = [&](Grabbed what) { held_.take(what, at); };
    for (const size_t i : sideHoles())
        for (const bool leaves : {false, true})
            if (hits(holeEnd(i, leaves), at)) return take({.what = What::Hole, .hole = i, .leaves = leaves});
    if (log() && hits(pithPosition(), at)) return take({.what = What::Log, .scale = scale()});
    const int segment = segmentAt(at);
    const bool onHandle = turns() && hits(turnPosition(), at);
    if (!onHandle && segment < 0) return;
    if (!onHandle) doc_.selectLayer(doc_.selection().layer, {}, segment);
    if (!onHandle && !brush_.wood.empty()) {
        take({.what = What::Paint});
        paintSegment(segment);
    } else if (turns())
        take({.what = What::Turn,
              .turn = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].sectors()->turn});
}

void FaceView::mouseMoveEvent(QMouseEvent* event)
{
    if (!held_) return;
    const QPointF at = event->position();
    const bool free = setFree(event->modifiers());
    switch (held_->what) {
    case Grabbed::What::Paint:
        return paintSegment(segmentAt(at));
    case Grabbed::What::Hole:
        return moveHole(free ? angleAt(at) : std::round(angleAt(at)));
    case Grabbed::What::Log: {
        const double off = distance(at, center()) / scale();
        return moveLog(free ? off : doc_.snapped(off), angleAt(at));
    }
    case Grabbed::What::Turn: {
        constexpr double slack = 4;  // pixels that a press may slip
        if (distance(at, held_.from()) < slack) return;
        const Sectors& own = *doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].sectors();
        const double by = std::remainder(angleAt(at) - angleAt(held_.from()), 360.0) * own.segments / 360;
        constexpr double eighths = 8;  // of a segment; Alt sets free
        const double to = held_->turn + by;
        return turnBy(free ? to : std::round(to * eighths) / eighths);
    }
    }
}

void FaceView::turnBy(double segments)
{
    const auto turn = [&](Piece& p) {
        Layer& turned = p.layers.at(static_cast<size_t>(doc_.selection().layer));
        if (Sectors* s = turned.sectors()) s->turn = segments;
        clampToLimits(turned);
    };
    held_.apply(tr("turn layer"), turn);
}

void FaceView::moveHole(double angle)
{
    const auto move = [&](Piece& p) {
        Hole& h = p.holes.at(held_->hole);
        HoleEnds ends = holeEnds(h, radiusOf(h));
        (held_->leaves ? ends.leaves : ends.enters) = angle;
        setHoleEnds(h, ends, radiusOf(h));
        clampToLimits(h);
    };
    held_.apply(tr("move hole"), move);
}

void FaceView::moveLog(double off, double towards)
{
    const auto move = [&](Piece& p) {
        if (BlockForm* log = p.layers.at(static_cast<size_t>(doc_.selection().layer)).as<BlockForm>())
            setLogMiddle(*log, off, towards);
    };
    held_.apply(tr("move the log on its axis"), move);
}

std::vector<ReadableItem> FaceView::things() const
{
    if (shows_ != Shows::Layer) return {};
    return segmentThings(doc_,
                         [this](int k) { return QRectF(segmentPosition(k) - QPointF(8, 8), QSizeF(16, 16)).toRect(); });
}

void FaceView::paintSegment(int segment)
{
    if (segment < 0) return;
    held_.apply(tr("paint"), [&](Piece p) {
        return pattern::paint(std::move(p), doc_.selection().layer, segment, brush_,
                              doc_.plan().assembly.segmentCounts(), doc_.selection().layers);
    });
}

void FaceView::mouseReleaseEvent(QMouseEvent*) { held_.release(); }

void FaceView::keyPressEvent(QKeyEvent* event)
{
    const ArrowKey arrow = arrowOf(*event).value_or(ArrowKey{});
    const int by = arrow.onward();
    const int count = layer().count();
    if (event->key() == Qt::Key_Space && shows_ == Shows::Layer && !brush_.wood.empty())
        return paintSegment(doc_.selection().segment);
    if (by == 0 || shows_ != Shows::Layer) return QWidget::keyPressEvent(event);
    if (log()) {
        // Up and down along the offset, left and right round the axis.
        constexpr double degreesAStep = 5;
        const double step = doc_.snapStep() * by;
        moveLog(std::max(0.0, logOffset(*log()) + (arrow.right ? 0 : step)),
                logMiddleTowards(*log()) - degreesAStep * arrow.right);
    } else if (event->modifiers() & Qt::ControlModifier) {
        if (!turns()) return;
        turnBy(doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].sectors()->turn + by / 8.0);
    } else
        doc_.selectLayer(doc_.selection().layer, {}, (std::max(0, doc_.selection().segment) + by + count) % count);
}

}  // namespace vl::app
