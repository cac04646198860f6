#include "app/stages/turn/opening_view.h"

#include "app/canvas/arrow_key.h"
#include "app/canvas/hit.h"
#include "app/theme/theme.h"
#include "core/geometry/line_length.h"
#include "core/measure/format.h"
#include "core/picture/skin.h"
#include "core/workpiece/opening_handles.h"
#include "core/workpiece/worked_cuts.h"
#include "report/drawing.h"

#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>

#include <cmath>

namespace vl::app {
namespace {

constexpr double figuresWide = 250, aroundIt = 10;  // pixels
constexpr int strips = 28;                          // of the wall, each drawn as wide round as it is

}  // namespace

struct OpeningView::Skin {
    const Worked& worked;
    std::vector<Opening> rows;
    Polyline outside;
    double from = 0, to = 0;  ///< mm along the skin that are shown
    double span = 0;          ///< degrees shown to each side of the first one's middle
    double direction = 0;     ///< of the first, degrees
    double scale = 1;         ///< pixels a mm
    QPointF origin{};         ///< of `from`, on the first one's middle line

    /// `round` mm round the skin from the first one's middle.
    QPointF px(double along, double round) const { return origin + QPointF((along - from) * scale, -round * scale); }
    /// The same the other way, from the middle of row `row`.
    Point at(const QPointF& p, size_t row) const
    {
        return {(p.x() - origin.x()) / scale + from - rows[row].middle, (origin.y() - p.y()) / scale};
    }
    double radius(double along) const { return LineLength(outside).place(along).y(); }
};

OpeningView::OpeningView(Document& document, std::function<int()> chosen, QWidget* parent)
    : QWidget(parent), doc_(document), chosen_(std::move(chosen)), held_(document)
{
    setAccessibleName(tr("Openings on the skin"));
    setFocusPolicy(Qt::StrongFocus);
    connect(&doc_, &Document::changed, this, [this] { update(); });
    connect(&baked_, &Baked::ready, this, [this] { update(); });
}

const Worked* OpeningView::worked() const
{
    const auto& all = doc_.piece().worked;
    const int at = chosen_();
    if (at >= 0 && at < static_cast<int>(all.size()) && all[static_cast<size_t>(at)].kind == Worked::Openings)
        return &all[static_cast<size_t>(at)];
    // Another kind is chosen: the first row of openings there is.
    const auto first = std::ranges::find(all, Worked::Openings, &Worked::kind);
    return first == all.end() ? nullptr : &*first;
}

std::optional<OpeningView::Skin> OpeningView::skin() const
{
    const Worked* w = worked();
    if (!w) return std::nullopt;
    const TurnedSurfaces& surfaces = doc_.plan().surfaces;
    Skin s{*w, openingsOf(*w, surfaces), surfaces.outside};
    if (s.rows.empty()) return std::nullopt;
    const LineLength wall(s.outside);
    const double low = wall.at(std::max(w->from, s.outside.front().x())),
                 high = wall.at(std::min(w->to, s.outside.back().x()));
    const double margin = std::max(6.0, (high - low) / 5);
    s.from = std::max(wall.at(s.outside.front().x()), low - margin);
    s.to = std::min(wall.at(s.outside.back().x()), high + margin);
    // One of them, and half of each neighbor.
    s.span = std::min(180.0, 360.0 / w->count);
    s.direction = directionsOf(doc_.piece(), static_cast<size_t>(w - doc_.piece().worked.data())).front();
    double widest = 1;
    for (int k = 0; k <= strips; ++k) widest = std::max(widest, s.radius(s.from + (s.to - s.from) * k / strips));
    const QRectF room = QRectF(rect()).adjusted(aroundIt + 30, aroundIt, -figuresWide, -aroundIt);
    s.scale = std::min(room.width() / std::max(1.0, s.to - s.from), room.height() / (2 * s.span * degrees * widest));
    s.origin = {room.left() + (room.width() - (s.to - s.from) * s.scale) / 2, room.center().y()};
    return s;
}

void OpeningView::drawWood(QPainter& painter, const Skin& s)
{
    const double each = (s.to - s.from) / strips;
    const auto box = [&](int k) {
        const double along = s.from + k * each, half = s.span * degrees * s.radius(along + each / 2);
        return QRectF(s.px(along, half), s.px(along + each, -half));
    };
    const double ratio = devicePixelRatioF();
    const Baked::Images* made = nullptr;
    if (!doc_.live()) {
        const LineLength wall(s.outside);
        std::vector<SkinWindow> windows;
        for (int k = 0; k < strips; ++k)
            windows.push_back({wall.place(s.from + k * each).x(), wall.place(s.from + (k + 1) * each).x(),
                               s.direction - s.span, s.direction + s.span,
                               std::max(1, static_cast<int>(std::ceil(box(k).width() * ratio))),
                               std::max(1, static_cast<int>(box(k).height() * ratio))});
        made = baked_.get(qHashMulti(doc_.version(), windows.front().width, windows.front().height, s.worked.id),
                          [assembly = doc_.plan().assembly, surfaces = doc_.plan().surfaces,
                           windows](const std::atomic<bool>& canceled) {
                              Baked::Images images;
                              for (const SkinWindow& w : windows)
                                  images.push_back(report::imageOf(bakeSkin(assembly, surfaces, w, &canceled)));
                              return images;
                          });
    }
    for (int k = 0; k < strips; ++k) {
        const auto i = static_cast<size_t>(k);
        const QRectF at = box(k).adjusted(0, 0, 0.7, 0);  // no seam between two of them
        if (made && i < made->size())
            painter.drawImage(at, (*made)[i]);
        else
            painter.fillRect(at, report::woodColor(*doc_.plan().assembly.layers.front().woods.front()));
    }
}

void OpeningView::drawOutlines(QPainter& painter, const Skin& s) const
{
    const double pitch = 360.0 / s.worked.count;
    QPolygonF wood;
    for (int side : {1, -1})
        for (int k = 0; k <= strips; ++k) {
            const double along = s.from + (s.to - s.from) * (side > 0 ? k : strips - k) / strips;
            wood << s.px(along, side * s.span * degrees * s.radius(along));
        }
    QPainterPath shown;
    shown.addPolygon(wood);
    painter.save();
    painter.setClipPath(shown);
    for (size_t row = 0; row < s.rows.size(); ++row) {
        const Opening& o = s.rows[row];
        for (int k = -2; k <= 2; ++k) {
            const double on = (k + o.on) * pitch;
            if (std::abs(on) > s.span + pitch / 2) continue;
            QPolygonF outline;
            for (const Point& p : o.flat) {
                const double along = s.rows[row].middle + p.x();
                outline << s.px(along, p.y() + on * degrees * s.radius(along));
            }
            const bool own = k == 0;
            painter.setBrush(theme().panel);
            painter.setPen(QPen(own ? theme().accent : theme().text, own ? 2 : 1));
            painter.drawPolygon(outline);
            if (!own) continue;
            // Where it is drilled so that the blade can be threaded in.
            painter.setPen(QPen(theme().text, 1, Qt::DashLine));
            painter.setBrush(Qt::NoBrush);
            for (const double end : {-1.0, 1.0}) {
                const double lean = s.worked.slant * degrees, back = end * (o.length - o.drill) / 2;
                painter.drawEllipse(s.px(s.rows[row].middle + back * std::cos(lean), back * std::sin(lean)),
                                    o.drill / 2 * s.scale, o.drill / 2 * s.scale);
            }
        }
    }
    painter.restore();
    painter.setFont(textFont(9));
    painter.setPen(theme().quiet);
    const double high = 16;
    painter.drawText(QRectF(s.px(s.from, 0) - QPointF(aroundIt + 24, high / 2), QSizeF(aroundIt + 18, high)),
                     Qt::AlignRight | Qt::AlignVCenter, tr("foot"));
    painter.drawText(QRectF(s.px(s.to, 0) + QPointF(6, -high / 2), QSizeF(60, high)), Qt::AlignLeft | Qt::AlignVCenter,
                     tr("rim"));
}

void OpeningView::drawFigures(QPainter& painter, const Skin& s) const
{
    const auto first = openingOf(s.worked, doc_.plan().surfaces);
    if (!first) return;
    const double x = width() - figuresWide + 16, high = 18;
    double y = aroundIt + 8;
    const auto line = [&](const QString& words, const QColor& ink, QFont::Weight weight = QFont::Normal) {
        painter.setFont(textFont(9, weight));
        painter.setPen(ink);
        const QRectF room(x, y, figuresWide - 24, height() - y);
        const QRectF used = painter.boundingRect(room, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, words);
        if (used.bottom() > height()) return;
        painter.drawText(room, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, words);
        y += std::max(high, used.height() + 3);
    };
    const auto mm = [&](double v) { return QString::fromStdString(formatLengthUnit(v, doc_.style())); };
    line(tr("%n openings round", "", s.worked.count), theme().text, QFont::DemiBold);
    line(tr("%1 long on the wall").arg(mm(first->length)), theme().text);
    line(tr("%1 of wood between two, at %2").arg(mm(first->narrowest), mm(first->narrowestAt)), theme().text);
    line(tr("drilled Ø %1 at both ends").arg(mm(first->drill)), theme().text);
    line(s.worked.shape == Worked::Drawn
             ? tr("Drag a corner; a double click on the outline puts one in, Delete takes it out.")
             : tr("Drag its ends, its side; more under Worked by index."),
         theme().quiet);
}

void OpeningView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    const auto s = skin();
    if (!s) {
        painter.setFont(textFont(9));
        painter.setPen(theme().quiet);
        painter.drawText(rect().adjusted(20, 0, -20, 0), Qt::AlignCenter | Qt::TextWordWrap,
                         worked() ? tr("Between its stations no wall is left to open.")
                                  : tr("No opening is sawn through the wall: add one at the right, under Worked by "
                                       "index."));
        return;
    }
    painter.setClipRect(QRectF(rect()).adjusted(0, 0, -figuresWide, 0));
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    drawWood(painter, *s);
    drawOutlines(painter, *s);
    for (int k = 0; k < handles(); ++k) {
        const bool chosen = k == handle_;
        painter.setPen(QPen(theme().accent, 1.5));
        painter.setBrush(chosen ? theme().accent : theme().panel);
        painter.drawEllipse(handlePosition(k), chosen ? 6 : 4.5, chosen ? 6 : 4.5);
    }
    painter.setClipping(false);
    drawFigures(painter, *s);
}

int OpeningView::handles() const
{
    const auto s = skin();
    return s ? static_cast<int>(openingHandles(s->worked, s->rows.front()).size()) : 0;
}

QPointF OpeningView::handlePosition(int handle) const
{
    const auto s = skin();
    if (!s) return {};
    const auto all = openingHandles(s->worked, s->rows.front());
    if (handle < 0 || handle >= static_cast<int>(all.size())) return {};
    const Point& at = all[static_cast<size_t>(handle)].at;
    return s->px(s->rows.front().middle + at.x(), at.y());
}

int OpeningView::handleAt(const QPointF& at) const
{
    return nearestHit(
        handles(), [this](int k) { return handlePosition(k); }, at);
}

void OpeningView::moveTo(int handle, const QPointF& at, bool free)
{
    const auto s = skin();
    if (!s || handle < 0 || handle >= handles()) return;
    const Point to = s->at(at, 0);
    const auto step = [&](double mm) { return free ? mm : doc_.snapped(mm); };
    const OpeningHandle taken = openingHandles(s->worked, s->rows.front())[static_cast<size_t>(handle)];
    const size_t which = static_cast<size_t>(&s->worked - doc_.piece().worked.data());
    const Worked next = dragged(s->worked, s->rows.front(), doc_.plan().surfaces, taken, {step(to.x()), step(to.y())});
    if (next != s->worked) held_.apply(tr("drag an opening"), [&](Piece& p) { p.worked.at(which) = next; });
}

void OpeningView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton) return;
    handle_ = handleAt(event->position());
    update();
    if (handle_ >= 0) held_.take(handle_);
}

void OpeningView::mouseMoveEvent(QMouseEvent* event)
{
    if (held_) return moveTo(*held_, event->position(), setFree(event->modifiers()));
    setCursor(handleAt(event->position()) >= 0 ? Qt::SizeAllCursor : Qt::ArrowCursor);
}

void OpeningView::mouseReleaseEvent(QMouseEvent*) { held_.release(); }

void OpeningView::mouseDoubleClickEvent(QMouseEvent* event)
{
    const auto s = skin();
    if (!s || s->worked.shape != Worked::Drawn) return;
    // Between the two corners that it lies nearest to.
    const auto all = openingHandles(s->worked, s->rows.front());
    double nearest = 1e9;
    size_t after = 0;
    const Point at = s->at(event->position(), 0);
    std::vector<const OpeningHandle*> corners;
    for (const OpeningHandle& h : all)
        if (h.what == OpeningHandle::Corner) corners.push_back(&h);
    for (size_t k = 0; k < corners.size(); ++k) {
        const Point middle = (corners[k]->at + corners[(k + 1) % corners.size()]->at) / 2;
        if (const double d = (middle - at).norm(); d < nearest) nearest = d, after = k;
    }
    const size_t which = static_cast<size_t>(&s->worked - doc_.piece().worked.data());
    doc_.apply(tr("corner put in"), [&](Piece& p) { p.worked.at(which) = cornerAdded(s->worked, after); });
}

void OpeningView::keyPressEvent(QKeyEvent* event)
{
    const auto s = skin();
    const int count = handles();
    if (!s || count == 0) return QWidget::keyPressEvent(event);
    const auto change = [&](const QString& what, const Worked& w) {
        const size_t which = static_cast<size_t>(&s->worked - doc_.piece().worked.data());
        doc_.apply(what, [&](Piece& p) { p.worked.at(which) = w; });
    };
    handle_ = std::min(handle_, count - 1);
    const auto taken =
        handle_ < 0 ? OpeningHandle{} : openingHandles(s->worked, s->rows.front())[static_cast<size_t>(handle_)];
    const bool corner = taken.what == OpeningHandle::Corner;
    if (const auto arrow = arrowOf(*event)) {
        const double pixels = (event->modifiers() & Qt::ShiftModifier ? 5 : 1) * s->scale;
        if (handle_ >= 0) moveTo(handle_, handlePosition(handle_) + QPointF(arrow->right, -arrow->up) * pixels, true);
        return;
    }
    switch (event->key()) {
    case Qt::Key_PageDown:
    case Qt::Key_PageUp:
        handle_ = handle_ < 0 ? 0 : (handle_ + (event->key() == Qt::Key_PageDown ? 1 : count - 1)) % count;
        return update();
    case Qt::Key_Insert:
        if (corner) change(tr("corner put in"), cornerAdded(s->worked, taken.corner));
        return;
    case Qt::Key_Delete:
        if (corner) change(tr("corner taken out"), cornerRemoved(s->worked, taken.corner));
        return;
    default:
        return QWidget::keyPressEvent(event);
    }
}

}  // namespace vl::app
