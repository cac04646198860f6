#include "app/stages/cut/boards_view.h"

#include "app/canvas/arrow_key.h"
#include "app/fields/when_seen.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/piece/records/field_items.h"
#include "core/wood/figure.h"
#include "report/board_pages.h"
#include "report/drawing.h"

#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace vl::app {
namespace {
constexpr double edgeGrip = 6;  // pixels

/// A board in the order in which the list shows it: those that are cut first.
int rank(bool planned) { return planned ? 0 : 1; }
}  // namespace

BoardsView::BoardsView(Document& document, QWidget* parent) : QWidget(parent), doc_(document), held_(document)
{
    setAccessibleName(tr("Boards on the rack, and their cuts"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    auto* seen = new WhenSeen(this, [this] {
        arrange();
        update();
    });
    connect(&doc_, &Document::changed, seen, &WhenSeen::refresh);
    connect(&doc_, &Document::boardsChanged, seen, &WhenSeen::refresh);
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
    arrange();
}

const Board* BoardsView::boardOf(const std::string& id) const
{
    const auto it = std::ranges::find(doc_.shop().rack, id, &Board::id);
    return it == doc_.shop().rack.end() ? nullptr : &*it;
}

const PlannedBoard* BoardsView::planOf(const std::string& id) const
{
    const auto it = std::ranges::find_if(doc_.boards().boards, [&](const PlannedBoard& b) { return b.board.id == id; });
    return it == doc_.boards().boards.end() ? nullptr : &*it;
}

void BoardsView::arrange()
{
    rows_.clear();
    double longest = 1;
    std::vector<const Board*> boards;
    for (const Board& b : doc_.shop().rack) {
        boards.push_back(&b);
        longest = std::max(longest, b.length);
    }
    std::ranges::stable_sort(boards,
                             [&](const Board* a, const Board* b) { return rank(planOf(a->id)) < rank(planOf(b->id)); });
    const int seen = parentWidget() ? parentWidget()->width() : width();
    scale_ = std::max(0.02, (seen - 2 * margin) / longest * zoom_);
    setMinimumWidth(zoom_ > 1 ? static_cast<int>(longest * scale_ + 2 * margin) : 0);
    double y = 26;
    for (const Board* b : boards) {
        const double tall = b->width * scale_;
        rows_.push_back({b->id, QRectF(0, y, width(), headHeight + tall + gap),
                         QRectF(margin, y + headHeight, b->length * scale_, tall)});
        y += headHeight + tall + gap;
    }
    setMinimumHeight(static_cast<int>(std::max(120.0, y + 12)));
}

void BoardsView::zoom(double factor)
{
    zoom_ = factor > 0 ? std::clamp(zoom_ * factor, 1.0, 8.0) : 1;
    arrange();
    update();
}

/// With Ctrl it zooms; else the list scrolls.
void BoardsView::wheelEvent(QWheelEvent* event)
{
    if (!(event->modifiers() & Qt::ControlModifier)) return event->ignore();
    zoom(std::pow(1.0015, event->angleDelta().y()));
    event->accept();
}

const Part* BoardsView::partAt(const QPointF& at) const
{
    for (const Row& row : rows_) {
        const PlannedBoard* plan = planOf(row.id);
        if (!plan || !row.face.contains(at)) continue;
        const QPointF p = onFace(row, at);
        for (const PlannedStrip& strip : plan->strips)
            for (const PlannedRun& run : strip.runs) {
                const BoardRect& r = strip.place;
                if (p.y() < r.y || p.y() > r.top() || p.x() < r.x + run.from || p.x() > r.x + run.from + run.length)
                    continue;
                if (const Part* part = report::partOf(doc_.plan(), run.part)) return part;
            }
    }
    return nullptr;
}

void BoardsView::resizeEvent(QResizeEvent*) { arrange(); }

void BoardsView::setMarking(bool on)
{
    marking_ = on;
    setCursor(on ? Qt::CrossCursor : Qt::ArrowCursor);
}

QPointF BoardsView::positionOn(const std::string& board, double along, double across) const
{
    for (const Row& r : rows_)
        if (r.id == board) return {r.face.left() + along * scale_, r.face.top() + across * scale_};
    return {};
}

QPointF BoardsView::onFace(const Row& row, const QPointF& at) const
{
    return {(at.x() - row.face.left()) / scale_, (at.y() - row.face.top()) / scale_};
}

BoardsView::Hit BoardsView::hitAt(const QPointF& at) const
{
    for (const Row& r : rows_) {
        if (!r.box.contains(at)) continue;
        if (std::abs(at.x() - r.face.right()) < edgeGrip && at.y() > r.face.top() && at.y() < r.face.bottom())
            return {Grip::Length, &r, -1};
        if (std::abs(at.y() - r.face.bottom()) < edgeGrip && at.x() > r.face.left() && at.x() < r.face.right())
            return {Grip::Width, &r, -1};
        const Board* b = boardOf(r.id);
        const QPointF p = onFace(r, at);
        for (size_t i = 0; b && i < b->defects.size(); ++i) {
            const Defect& d = b->defects[i];
            if (p.x() >= d.along && p.x() <= d.along + d.length && p.y() >= d.across && p.y() <= d.across + d.width)
                return {Grip::Defect, &r, static_cast<int>(i)};
        }
        return {marking_ && r.face.contains(at) ? Grip::Mark : Grip::Face, &r, -1};
    }
    return {};
}

void BoardsView::change(const std::string& id, const std::function<void(Board&)>& edit)
{
    held_.changeShop(tr("board %1").arg(QString::fromStdString(id)), [&](Shop& shop) {
        const auto it = std::ranges::find(shop.rack, id, &Board::id);
        if (it != shop.rack.end()) edit(*it);
    });
}

void BoardsView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton) return;
    const Hit hit = hitAt(event->position());
    defect_ = hit.grip == Grip::Defect ? hit.index : -1;
    if (!hit.row) return update();
    const std::string id = hit.row->id;
    const QPointF at = onFace(*hit.row, event->position());
    Selection s = doc_.selection();
    s.board = id;
    s.strip = -1;
    if (const PlannedBoard* plan = planOf(id); plan && hit.grip == Grip::Face)
        for (size_t i = 0; i < plan->strips.size(); ++i) {
            const BoardRect& r = plan->strips[i].place;
            if (at.x() < r.x || at.x() > r.right() || at.y() < r.y || at.y() > r.top()) continue;
            s.strip = static_cast<int>(i);
            // The layer of the run that was pressed is chosen everywhere.
            for (const PlannedRun& run : plan->strips[i].runs)
                if (at.x() - r.x <= run.from + run.length) {
                    if (const Part* part = report::partOf(doc_.plan(), run.part)) {
                        s.layer = part->layer;
                        s.layers = {part->layer};
                        s.segment = -1;
                    }
                    break;
                }
        }
    doc_.select(s);
    if (const Board* b = boardOf(id); b && hit.grip != Grip::Face)
        held_.take({.grip = hit.grip, .index = hit.index, .board = *b, .from = at});
    markedTo_ = at;
    update();
}

void BoardsView::mouseMoveEvent(QMouseEvent* event)
{
    if (!(event->buttons() & Qt::LeftButton) || !held_) {
        const Hit over = hitAt(event->position());
        const Part* part = partAt(event->position());
        setToolTip(part ? QString::fromStdString(part->name) : QString());
        doc_.pointAt(part ? part->layer : -1);
        if (!marking_)
            setCursor(over.grip == Grip::Length   ? Qt::SizeHorCursor
                      : over.grip == Grip::Width  ? Qt::SizeVerCursor
                      : over.grip == Grip::Defect ? Qt::SizeAllCursor
                                                  : Qt::ArrowCursor);
        return;
    }
    const auto& [grip, index, was, from] = *held_;
    const auto row = std::ranges::find(rows_, was.id, &Row::id);
    if (row == rows_.end()) return;
    const QPointF to = markedTo_ = onFace(*row, event->position());
    if (grip == Grip::Mark) return update();
    change(was.id, [&](Board& b) {
        b = was;
        if (grip == Grip::Length) b.length = std::round(to.x());
        if (grip == Grip::Width) b.width = std::round(to.y());
        if (grip == Grip::Defect) {
            Defect& d = b.defects[static_cast<size_t>(index)];
            const QPointF by = to - from;
            d.along = std::clamp(std::round(d.along + by.x()), 0.0, std::max(0.0, b.length - d.length));
            d.across = std::clamp(std::round(d.across + by.y()), 0.0, std::max(0.0, b.width - d.width));
        }
        clampToLimits(b);
        keepDefectsOn(b);
    });
    update();
}

void BoardsView::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton || !held_) return;
    const auto& [grip, index, was, from] = *held_;
    if (grip == Grip::Mark) {
        const QRectF marked = QRectF(from, markedTo_).normalized();
        constexpr double slack = 3;  // mm that a press may slip
        if (marked.width() > slack && marked.height() > slack)
            change(was.id, [&](Board& b) {
                const auto on = [](double mm, double most) { return std::clamp(std::round(mm), 0.0, most); };
                const double x0 = on(marked.left(), b.length), x1 = on(marked.right(), b.length),
                             y0 = on(marked.top(), b.width), y1 = on(marked.bottom(), b.width);
                b.defects.push_back({x0, y0, x1 - x0, y1 - y0, "knot"});
            });
    }
    held_.release();
    update();
}

std::vector<std::pair<std::string, int>> BoardsView::places() const
{
    std::vector<std::pair<std::string, int>> all;
    for (const Row& row : rows_) {
        all.emplace_back(row.id, -1);
        if (const PlannedBoard* plan = planOf(row.id))
            for (int k = 0; k < static_cast<int>(plan->strips.size()); ++k) all.emplace_back(row.id, k);
    }
    return all;
}

std::vector<ReadableItem> BoardsView::things() const
{
    auto length = [&](double mm) { return QString::fromStdString(formatLengthUnit(mm, doc_.style(), 0)); };
    std::vector<ReadableItem> all;
    for (const auto& [id, k] : places()) {
        const Board& b = *boardOf(id);
        const QString name = QString::fromStdString(id);
        const bool here = doc_.selection().board == id && doc_.selection().strip == k;
        const auto row = std::ranges::find(rows_, id, &Row::id);
        if (k < 0) {
            all.push_back(
                {tr("board %1, %2, %3 long, %4 wide, %5 thick, %n defects", nullptr, static_cast<int>(b.defects.size()))
                     .arg(name, localized(speciesOf(b.wood).name), length(b.length), length(b.width),
                          length(b.thickness)),
                 row->face.toRect(), here});
            continue;
        }
        const PlannedStrip& strip = planOf(id)->strips[static_cast<size_t>(k)];
        QStringList parts;
        for (const PlannedRun& run : strip.runs) {
            parts << QStringLiteral("%1 × %2").arg(run.count).arg(report::partName(doc_.plan(), run.part));
        }
        const BoardRect& r = strip.place;
        all.push_back({tr("strip %1 of board %2, %3 wide, %4 long: %5")
                           .arg(k + 1)
                           .arg(name, length(r.width), length(r.length), parts.join(QStringLiteral(", "))),
                       QRectF(positionOn(id, r.x, r.y), QSizeF(r.length * scale_, r.width * scale_)).toRect(), here});
    }
    return all;
}

void BoardsView::chooseThing(int index)
{
    const auto [board, strip] = places()[static_cast<size_t>(index)];
    choose(board, strip);
}

void BoardsView::choose(const std::string& board, int strip)
{
    Selection s = doc_.selection();
    s.board = board;
    s.strip = strip;
    doc_.select(s);
    defect_ = -1;
    update();
}

/// The chosen defect moved by 5 mm, where an arrow is pressed.
bool BoardsView::moveDefect(const std::string& board, const QKeyEvent& event)
{
    constexpr double by = 5;  // mm
    const auto arrow = arrowOf(event);
    const Board* b = boardOf(board);
    if (!b || !arrow || defect_ < 0 || defect_ >= static_cast<int>(b->defects.size())) return false;
    change(board, [&](Board& changed) {
        Defect& d = changed.defects[static_cast<size_t>(defect_)];
        d.along = std::clamp(d.along + by * arrow->right, 0.0, std::max(0.0, changed.length - d.length));
        d.across = std::clamp(d.across - by * arrow->up, 0.0, std::max(0.0, changed.width - d.width));
    });
    return true;
}

void BoardsView::keyPressEvent(QKeyEvent* event)
{
    const std::string id = doc_.selection().board;
    const int key = event->key();
    if (event->modifiers() & Qt::AltModifier && moveDefect(id, *event)) return;
    const Board* chosen = boardOf(id);
    if (chosen && key == Qt::Key_M) {
        constexpr double size = 40;  // mm
        change(id, [](Board& b) {
            b.defects.push_back({(b.length - size) / 2, (b.width - size) / 2, size, size, "knot"});
            keepDefectsOn(b);
        });
        defect_ = static_cast<int>(boardOf(id)->defects.size()) - 1;
        return update();
    }
    if (chosen && !chosen->defects.empty() && (key == Qt::Key_PageDown || key == Qt::Key_PageUp)) {
        const int count = static_cast<int>(chosen->defects.size());
        defect_ = (std::max(defect_, 0) + (key == Qt::Key_PageDown ? 1 : count - 1)) % count;
        return update();
    }
    const auto all = places();
    const ArrowKey arrow = arrowOf(*event).value_or(ArrowKey{});
    const int step = arrow.right - arrow.up;
    if (step && !all.empty()) {
        // Left and right go through boards and strips, up and down through boards.
        auto at = static_cast<int>(std::ranges::find(all, std::pair(id, doc_.selection().strip)) - all.begin());
        if (at == static_cast<int>(all.size())) at = step > 0 ? -1 : 0;
        do at += step;
        while (at >= 0 && at < static_cast<int>(all.size()) && arrow.up && all[static_cast<size_t>(at)].second >= 0);
        if (at >= 0 && at < static_cast<int>(all.size())) chooseThing(at);
        return;
    }
    if ((event->key() != Qt::Key_Delete && event->key() != Qt::Key_Backspace) || !boardOf(id))
        return QWidget::keyPressEvent(event);
    if (defect_ >= 0 && defect_ < static_cast<int>(boardOf(id)->defects.size()))
        change(id, [this](Board& b) { b.defects.erase(b.defects.begin() + defect_); });
    else
        doc_.changeShop(tr("board off the rack"),
                        [&](Shop& shop) { std::erase_if(shop.rack, [&](const Board& b) { return b.id == id; }); });
    defect_ = -1;
}

}  // namespace vl::app
