#include "app/lanes/face_view.h"

#include "app/access/layer_things.h"
#include "app/theme/theme.h"
#include "core/blank/construction.h"
#include "core/geometry/profile.h"
#include "core/piece/field_items.h"
#include "core/piece/hole_ends.h"
#include "core/piece/log_middle.h"
#include "core/turning/views.h"
#include "core/wood/filler.h"
#include "report/drawing.h"
#include "report/grid_drawing.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolButton>

#include <cmath>

namespace vl::app {

FaceView::FaceView(Document& document, AxisMap& axis, bool layer, QWidget* parent)
    : QWidget(parent), doc_(document), axis_(axis), shows_(layer ? Shows::Layer : Shows::Rim)
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
    if (drag_ == Drag::Log) return heldScale_;  // the drawing rests under the hand
    const DrawingPlace& place = axis_.place();
    if (place.sameScale()) return place.faceScale;
    const double own = shows_ == Shows::Layer ? layer().cornerRadius() : doc_.plan().shape.greatestDiameter / 2;
    return place.faceRadius / std::max(1.0, own);
}

QPointF FaceView::centre() const { return axis_.place().faceCentre - pos(); }

double FaceView::angleAt(const QPointF& p) const
{
    const QPointF from = p - centre();
    return std::atan2(-from.x(), -from.y()) / degrees;
}

QPointF FaceView::segmentPosition(int segment) const
{
    const BuiltLayer& l = layer();
    const Point middle = l.middleOf(segment, (l.z0 + l.z1) / 2);
    const double a = middle.y() * degrees, r = middle.x() * scale();
    return centre() - QPointF(r * std::sin(a), r * std::cos(a));
}

QPointF FaceView::turnPosition() const
{
    const double a = layer().phaseDeg * degrees, r = layer().cornerRadius() * scale() + 9;
    return centre() - QPointF(r * std::sin(a), r * std::cos(a));
}

const BlockForm* FaceView::log() const
{
    const auto* form = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].as<BlockForm>();
    return form && form->shape == BlockForm::Log && shows_ == Shows::Layer ? form : nullptr;
}

QPointF FaceView::pithPosition() const
{
    const double a = log() ? logMiddleTowards(*log()) * degrees : 0, r = log() ? logOffset(*log()) * scale() : 0;
    return centre() - QPointF(r * std::sin(a), r * std::cos(a));
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
    const double r = radiusAt(doc_.plan().sides.outside, hole.at);
    return std::isnan(r) ? 0 : r;
}

QPointF FaceView::holeEnd(size_t hole, bool leaves) const
{
    const Hole& h = doc_.piece().holes[hole];
    const HoleEnds ends = holeEnds(h, radiusOf(h));
    const double a = (leaves ? ends.leaves : ends.enters) * degrees, r = radiusOf(h) * scale();
    return centre() - QPointF(r * std::sin(a), r * std::cos(a));
}

QRectF FaceView::drawn() const
{
    const double r =
        scale() * (shows_ == Shows::Layer ? layer().cornerRadius() : doc_.plan().shape.greatestDiameter / 2);
    return {centre() - QPointF(r, r), centre() + QPointF(r, r)};
}

int FaceView::segmentAt(const QPointF& p) const
{
    const QPointF from = p - centre();
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

void FaceView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    if (scale() <= 0) return;
    if (shows_ == Shows::Layer)
        drawLayer(painter);
    else
        drawEnd(painter);
    drawWords(painter);
}

void FaceView::drawEnd(QPainter& painter)
{
    const double half = doc_.plan().shape.greatestDiameter / 2 * 1.01, across = 2 * half * scale();
    const int pixels = std::max(1, static_cast<int>(across * devicePixelRatioF()));
    const End from = shows_ == Shows::Rim ? End::Tailstock : End::Headstock;
    const QRectF box(centre() - QPointF(across, across) / 2, QSizeF(across, across));
    // While a drag goes on the last picture stays.
    const Baked::Images* made =
        doc_.live() ? nullptr
                    : face_.get(qHashMulti(1u, doc_.version(), static_cast<int>(shows_), pixels),
                                [assembly = doc_.plan().assembly, sides = doc_.plan().sides, from, half,
                                 pixels](const std::atomic<bool>& cancelled) {
                                    return Baked::Images{
                                        report::imageOf(bakeEnd(assembly, sides, from, half, pixels, &cancelled))};
                                });
    if (made && !made->empty())
        painter.drawImage(box, made->front());
    else if (doc_.live() && !face_.last().empty())
        painter.drawImage(box, face_.last().front());
    painter.setPen(QPen(theme().text, 1.2));
    painter.setBrush(Qt::NoBrush);
    const double r = doc_.plan().shape.greatestDiameter / 2 * scale();
    painter.drawEllipse(centre(), r, r);
    drawHoles(painter);
    if (shows_ != Shows::Rim) return;
    const QColor line(0, 0, 0, 130);
    for (const GridOf& g : gridsOf(doc_.piece(), doc_.plan().sides))
        if (const Decor& d = doc_.piece().decors[g.decor]; d.on == Decor::Face)
            report::GridDrawing(d, g, centre(), scale()).drawCells(painter, {line, line, line, theme().panel});
}

void FaceView::drawLayer(QPainter& painter)
{
    const BuiltLayer& l = layer();
    const double s = scale(), half = l.cornerRadius() * 1.03;
    const int pixels = std::max(1, static_cast<int>(2 * half * s * devicePixelRatioF()));
    const Baked::Images* made = doc_.live()
                                    ? nullptr
                                    : face_.get(qHashMulti(2u, doc_.version(), doc_.selection().layer, pixels),
                                                [l, half, pixels](const std::atomic<bool>&) {
                                                    return Baked::Images{report::imageOf(bakeRing(l, half, pixels))};
                                                });
    if (made && !made->empty())
        painter.drawImage(QRectF(centre() - QPointF(half, half) * s, QSizeF(2 * half * s, 2 * half * s)),
                          made->front());
    if (l.cells.size() > 1)
        for (const bool chosen : {false, true})  // what is chosen is drawn over its neighbours
            for (const Cell& cell : l.cells) {
                if (chosen != (doc_.selection().segment >= 0 && doc_.selection().segment == cell.segment)) continue;
                QPolygonF corners;
                for (const Point& p : l.planOf(cell, (l.z0 + l.z1) / 2))
                    corners << centre() + QPointF(p.x(), -p.y()) * s;
                painter.setBrush(made ? QBrush(Qt::NoBrush) : QBrush(report::woodColour(*cell.wood)));
                painter.setPen(QPen(chosen ? theme().accent : QColor(0, 0, 0, 150), chosen ? 3 : 0.9));
                painter.drawPolygon(corners);
            }
    drawNumbers(painter);
    for (const Scribed& c : l.scribed) {
        drawCircle(painter, c.upper, Qt::SolidLine);
        drawCircle(painter, c.lower, Qt::DotLine);
    }
    if (l.scribed.empty()) {
        // Of rings the circles that the wood must hold; of staves, which taper, those of the middle that is drawn.
        const bool tapers = l.radial() && !l.segmented;
        const double z = (l.z0 + l.z1) / 2;
        const auto at = [&](const Polyline& side) { return side.empty() ? 0.0 : radiusAt(side, z); };
        drawCircle(painter, tapers ? at(doc_.plan().sides.outside) : l.finishedOuter.high, Qt::DashLine);
        drawCircle(painter, tapers ? at(doc_.plan().sides.inside) : l.finishedInner.low, Qt::DashLine);
    }
    drawPith(painter);
    if (!turns()) return;
    painter.setPen(QPen(theme().accent, 1.8));
    painter.setBrush(theme().panel);
    painter.drawEllipse(turnPosition(), 5.5, 5.5);
}

/// Each as wide as it is, from where it enters to where its line leaves; the first of those alike has its ends to be
/// taken hold of.
void FaceView::drawHoles(QPainter& painter) const
{
    constexpr double grip = 5;  // pixels
    for (const size_t i : sideHoles()) {
        const Hole& h = doc_.piece().holes[i];
        QColor ink = h.filled ? report::woodColour(fillingOf(h.fill)) : theme().text;
        ink.setAlphaF(0.55f);
        painter.setPen(QPen(ink, std::max(1.5, h.diameter * scale()), Qt::SolidLine, Qt::FlatCap));
        painter.drawLine(holeEnd(i, false), holeEnd(i, true));
        painter.setPen(QPen(theme().accent, 1.8));
        for (const bool leaves : {false, true}) {
            painter.setBrush(leaves ? theme().accent : theme().panel);
            painter.drawEllipse(holeEnd(i, leaves), grip, grip);
        }
    }
}

/// The log's middle, to be taken hold of, and the axis that it lies about.
void FaceView::drawPith(QPainter& painter) const
{
    if (!log()) return;
    constexpr double arm = 7, grip = 5.5;  // pixels
    for (const QPen& pen : {QPen(theme().panel, 3.5), QPen(theme().text, 1.4)}) {
        painter.setPen(pen);
        painter.drawLine(centre() - QPointF(arm, 0), centre() + QPointF(arm, 0));
        painter.drawLine(centre() - QPointF(0, arm), centre() + QPointF(0, arm));
    }
    painter.setPen(QPen(theme().accent, 1.8));
    painter.setBrush(theme().panel);
    painter.drawEllipse(pithPosition(), grip, grip);
}

/// Pieces round a post, by the order in which they are glued on.
void FaceView::drawNumbers(QPainter& painter) const
{
    const Layer& own = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)];
    if (!own.is<WrapForm>()) return;
    painter.setFont(textFont(9, QFont::DemiBold));
    const BuiltLayer& l = layer();
    for (const Cell& cell : l.cells) {
        const int number = report::partNumber(own, cell.segment);
        if (number < 1) continue;
        QPolygonF corners;
        for (const Point& p : l.planOf(cell, (l.z0 + l.z1) / 2)) corners << centre() + QPointF(p.x(), -p.y()) * scale();
        constexpr double radius = 9;  // pixels
        const QPointF middle = corners.boundingRect().center();
        painter.setPen(Qt::NoPen);
        painter.setBrush(theme().panel);
        painter.drawEllipse(middle, radius, radius);
        painter.setPen(theme().text);
        painter.drawText(QRectF(middle - QPointF(radius, radius), QSizeF(2 * radius, 2 * radius)), Qt::AlignCenter,
                         QString::number(number));
    }
}

/// A white thread under the line keeps it readable on dark and light wood.
void FaceView::drawCircle(QPainter& painter, double radius, Qt::PenStyle line) const
{
    if (!(radius > 0)) return;
    painter.setBrush(Qt::NoBrush);
    for (const QPen& pen :
         {QPen(QColor(255, 255, 255, 200), 2.2), QPen(theme().dark ? QColor("#0b6e7a") : theme().accent, 1.6, line)}) {
        painter.setPen(pen);
        painter.drawEllipse(centre(), radius * scale(), radius * scale());
    }
}

void FaceView::drawWords(QPainter& painter) const
{
    auto mm = [&](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
    const int at = doc_.selection().layer;
    const Layer& own = doc_.piece().layers[static_cast<size_t>(at)];
    painter.setFont(textFont(8, QFont::DemiBold));
    painter.setPen(hasFocus() ? theme().accent : theme().quiet);
    const QString noun = tr(constructionOf(own).noun);
    const QString title = shows_ == Shows::Rim    ? tr("FROM THE RIM")
                          : shows_ == Shows::Foot ? tr("FROM THE FOOT")
                                                  : tr("FACE OF %1 %2").arg(noun.toUpper()).arg(at + 1);
    // Beside the buttons where it finds room, else below them.
    const bool beside = painter.fontMetrics().horizontalAdvance(title) + 16 < row_->x();
    painter.drawText(QRectF(8, beside ? 4 : 26, width() - 12, 18),
                     (beside ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter, title);
    if (shows_ != Shows::Layer) return;
    const BuiltLayer& l = layer();
    const double opening = l.stockInnerRadius() * scale();
    QStringList lines;
    // What is dragged comes first: there may be room for one line only.
    if (log())
        lines << tr("axis %1 off the middle: it holds Ø %2 of %3")
                     .arg(mm(logOffset(*log())), mm(logHolds(*log())), mm(log()->log));
    if (!l.scribed.empty())
        lines << tr("circles on both faces: full above, dotted below");
    else if (l.finishedInner.low > 0)
        lines << tr("Ø %1 / %2").arg(mm(2 * l.finishedOuter.high), mm(2 * l.finishedInner.low));
    else
        lines << tr("Ø %1").arg(mm(2 * l.finishedOuter.high));
    if (turns() && own.sectors()->turn != 0) {
        const double on = own.sectors()->turn * 360 / own.sectors()->segments;
        lines << tr("%1° on from the layer before").arg(on, 0, 'f', 2);
    }
    const QFont strong = textFont(9, QFont::DemiBold), quiet = textFont(8);
    double wide = QFontMetricsF(strong).horizontalAdvance(lines[0]) / 2 + 6;
    if (lines.size() > 1) wide = std::max(wide, QFontMetricsF(quiet).horizontalAdvance(lines[1]) / 2 + 6);
    // In the opening where they find room, else below the ring, as many as fit there.
    const bool inside = l.segmented && opening > std::hypot(wide, 20);
    const auto room = static_cast<qsizetype>((height() - drawn().bottom() - 3) / 17);
    if (!inside && lines.size() > room) lines.resize(std::max<qsizetype>(0, room));
    double y = inside ? centre().y() - 8.5 * static_cast<double>(lines.size())
                      : height() - 17.0 * static_cast<double>(lines.size()) - 1;
    for (const QString& words : lines) {
        painter.setFont(&words == &lines[0] ? strong : quiet);
        painter.setPen(&words == &lines[0] ? theme().text : theme().quiet);
        painter.drawText(QRectF(0, y, 2 * centre().x(), 17), Qt::AlignCenter, words);
        y += 17;
    }
}

void FaceView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton || scale() <= 0) return;
    pressedAt_ = event->position();
    mergeKey_ = Document::newMergeKey();
    for (const size_t i : sideHoles())
        for (const bool leaves : {false, true}) {
            const QPointF off = event->position() - holeEnd(i, leaves);
            if (std::hypot(off.x(), off.y()) >= 9) continue;
            hole_ = i;
            leaves_ = leaves;
            drag_ = Drag::Hole;
            return doc_.beginDrag();
        }
    const QPointF pith = event->position() - pithPosition();
    if (log() && std::hypot(pith.x(), pith.y()) < 10) {
        heldScale_ = scale();
        drag_ = Drag::Log;
        return doc_.beginDrag();
    }
    const int segment = segmentAt(event->position());
    const QPointF handle = event->position() - turnPosition();
    const bool onHandle = turns() && std::hypot(handle.x(), handle.y()) < 10;
    if (!onHandle && segment < 0) return;
    if (!onHandle) doc_.selectLayer(doc_.selection().layer, {}, segment);
    if (!onHandle && !brush_.wood.empty()) {
        drag_ = Drag::Paint;
        doc_.beginDrag();
        paintSegment(segment);
    } else if (turns()) {
        drag_ = Drag::Turn;
        turnFrom_ = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].sectors()->turn;
        doc_.beginDrag();
    }
}

void FaceView::mouseMoveEvent(QMouseEvent* event)
{
    if (drag_ == Drag::Paint) return paintSegment(segmentAt(event->position()));
    if (drag_ == Drag::Hole) {
        const double angle = angleAt(event->position());
        return moveHole(event->modifiers() & Qt::AltModifier ? angle : std::round(angle));
    }
    if (drag_ == Drag::Log) {
        const QPointF from = event->position() - centre();
        const double off = std::hypot(from.x(), from.y()) / scale();
        return moveLog(event->modifiers() & Qt::AltModifier ? off : doc_.snapped(off), angleAt(event->position()));
    }
    if (drag_ != Drag::Turn) return;
    const QPointF moved = event->position() - pressedAt_;
    if (std::hypot(moved.x(), moved.y()) < 4) return;
    const Sectors& own = *doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].sectors();
    const double by = std::remainder(angleAt(event->position()) - angleAt(pressedAt_), 360.0) * own.segments / 360;
    constexpr double eighths = 8;  // of a segment; Alt sets free
    const double to = turnFrom_ + by;
    turnBy(event->modifiers() & Qt::AltModifier ? to : std::round(to * eighths) / eighths);
}

void FaceView::turnBy(double segments)
{
    Piece next = doc_.piece();
    Layer& turned = next.layers[static_cast<size_t>(doc_.selection().layer)];
    turned.sectors()->turn = segments;
    clampToLimits(turned);
    doc_.apply(tr("turn layer"), std::move(next), mergeKey_);
}

void FaceView::moveHole(double angle)
{
    Piece next = doc_.piece();
    Hole& h = next.holes[hole_];
    HoleEnds ends = holeEnds(h, radiusOf(h));
    (leaves_ ? ends.leaves : ends.enters) = angle;
    setHoleEnds(h, ends, radiusOf(h));
    clampToLimits(h);
    doc_.apply(tr("move hole"), std::move(next), mergeKey_);
}

void FaceView::moveLog(double off, double towards)
{
    Piece next = doc_.piece();
    setLogMiddle(*next.layers[static_cast<size_t>(doc_.selection().layer)].as<BlockForm>(), off, towards);
    doc_.apply(tr("move the log on its axis"), std::move(next), mergeKey_);
}

std::vector<Thing> FaceView::things() const
{
    if (shows_ != Shows::Layer) return {};
    return segmentThings(doc_,
                         [this](int k) { return QRectF(segmentPosition(k) - QPointF(8, 8), QSizeF(16, 16)).toRect(); });
}

void FaceView::paintSegment(int segment)
{
    if (segment >= 0)
        doc_.apply(tr("paint"),
                   pattern::paint(doc_.piece(), doc_.selection().layer, segment, brush_,
                                  doc_.plan().assembly.segmentCounts(), doc_.selection().layers),
                   mergeKey_);
}

void FaceView::mouseReleaseEvent(QMouseEvent*)
{
    if (drag_ == Drag::None) return;
    drag_ = Drag::None;
    doc_.endDrag();
}

void FaceView::keyPressEvent(QKeyEvent* event)
{
    const int by = event->key() == Qt::Key_Right || event->key() == Qt::Key_Up    ? 1
                   : event->key() == Qt::Key_Left || event->key() == Qt::Key_Down ? -1
                                                                                  : 0;
    const int count = layer().count();
    if (event->key() == Qt::Key_Space && shows_ == Shows::Layer && !brush_.wood.empty()) {
        mergeKey_ = 0;
        return paintSegment(doc_.selection().segment);
    }
    if (by == 0 || shows_ != Shows::Layer) return QWidget::keyPressEvent(event);
    if (log()) {
        // Up and down along the offset, left and right round the axis.
        constexpr double degreesAStep = 5;
        const bool round = event->key() == Qt::Key_Left || event->key() == Qt::Key_Right;
        mergeKey_ = 0;
        const double step = doc_.snapStep() * by;
        moveLog(std::max(0.0, logOffset(*log()) + (round ? 0 : step)),
                logMiddleTowards(*log()) - (round ? degreesAStep * by : 0));
    } else if (event->modifiers() & Qt::ControlModifier) {
        if (!turns()) return;
        mergeKey_ = 0;
        turnBy(doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].sectors()->turn + by / 8.0);
    } else
        doc_.selectLayer(doc_.selection().layer, {}, (std::max(0, doc_.selection().segment) + by + count) % count);
}

}  // namespace vl::app
