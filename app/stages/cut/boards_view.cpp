#include "app/stages/cut/boards_view.h"

#include "app/fields/when_seen.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/piece/records/field_items.h"
#include "core/wood/figure.h"
#include "report/board_pages.h"
#include "report/drawing.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace vl::app {
namespace {
constexpr double grip = 6;  // pixels

/// A board in the order in which the list shows it: those that are cut first.
int rank(bool planned) { return planned ? 0 : 1; }
}  // namespace

BoardsView::BoardsView(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
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
        if (std::abs(at.x() - r.face.right()) < grip && at.y() > r.face.top() && at.y() < r.face.bottom())
            return {Grip::Length, &r, -1};
        if (std::abs(at.y() - r.face.bottom()) < grip && at.x() > r.face.left() && at.x() < r.face.right())
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

void BoardsView::change(const std::string& id, const std::function<void(Board&)>& edit, int merge)
{
    doc_.changeShop(
        tr("board %1").arg(QString::fromStdString(id)),
        [&](Shop& shop) {
            const auto it = std::ranges::find(shop.rack, id, &Board::id);
            if (it != shop.rack.end()) edit(*it);
        },
        merge);
}

void BoardsView::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton) return;
    drag_ = hitAt(event->position());
    defect_ = -1;
    if (!drag_.row) return update();
    dragBoard_ = drag_.row->id;
    if (const Board* b = boardOf(dragBoard_)) dragFrom_ = *b;
    dragStart_ = dragNow_ = onFace(*drag_.row, event->position());
    if (drag_.grip == Grip::Defect) defect_ = drag_.index;
    Selection s = doc_.selection();
    s.board = dragBoard_;
    s.strip = -1;
    if (const PlannedBoard* plan = planOf(dragBoard_); plan && drag_.grip == Grip::Face)
        for (size_t i = 0; i < plan->strips.size(); ++i) {
            const BoardRect& r = plan->strips[i].place;
            if (dragStart_.x() < r.x || dragStart_.x() > r.right() || dragStart_.y() < r.y || dragStart_.y() > r.top())
                continue;
            s.strip = static_cast<int>(i);
            // The layer of the run that was pressed is chosen everywhere.
            for (const PlannedRun& run : plan->strips[i].runs)
                if (dragStart_.x() - r.x <= run.from + run.length) {
                    if (const Part* part = report::partOf(doc_.plan(), run.part)) {
                        s.layer = part->layer;
                        s.layers = {part->layer};
                        s.segment = -1;
                    }
                    break;
                }
        }
    doc_.select(s);
    mergeKey_ = Document::newMergeKey();
    if (drag_.grip != Grip::Face) doc_.beginDrag();
    update();
}

void BoardsView::mouseMoveEvent(QMouseEvent* event)
{
    if (!(event->buttons() & Qt::LeftButton) || drag_.grip == Grip::None || drag_.grip == Grip::Face) {
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
    for (const Row& r : rows_) {
        if (r.id != dragBoard_) continue;
        dragNow_ = onFace(r, event->position());
        if (drag_.grip == Grip::Mark) break;
        change(
            dragBoard_,
            [&](Board& b) {
                b = dragFrom_;
                if (drag_.grip == Grip::Length) b.length = std::round(dragNow_.x());
                if (drag_.grip == Grip::Width) b.width = std::round(dragNow_.y());
                if (drag_.grip == Grip::Defect) {
                    Defect& d = b.defects[static_cast<size_t>(drag_.index)];
                    d.along = std::clamp(std::round(d.along + dragNow_.x() - dragStart_.x()), 0.0,
                                         std::max(0.0, b.length - d.length));
                    d.across = std::clamp(std::round(d.across + dragNow_.y() - dragStart_.y()), 0.0,
                                          std::max(0.0, b.width - d.width));
                }
                clampToLimits(b);
                keepDefectsOn(b);
            },
            mergeKey_);
        break;
    }
    update();
}

void BoardsView::mouseReleaseEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton || drag_.grip == Grip::None) return;
    if (drag_.grip == Grip::Mark && std::abs(dragNow_.x() - dragStart_.x()) > 3 &&
        std::abs(dragNow_.y() - dragStart_.y()) > 3)
        change(dragBoard_, [&](Board& b) {
            const double x0 = std::clamp(std::round(std::min(dragStart_.x(), dragNow_.x())), 0.0, b.length),
                         x1 = std::clamp(std::round(std::max(dragStart_.x(), dragNow_.x())), 0.0, b.length);
            const double y0 = std::clamp(std::round(std::min(dragStart_.y(), dragNow_.y())), 0.0, b.width),
                         y1 = std::clamp(std::round(std::max(dragStart_.y(), dragNow_.y())), 0.0, b.width);
            b.defects.push_back({x0, y0, x1 - x0, y1 - y0, "knot"});
        });
    drag_ = {};
    doc_.endDrag();
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
bool BoardsView::moveDefect(const std::string& board, int key)
{
    constexpr double by = 5;  // mm
    const double along = key == Qt::Key_Right  ? by
                         : key == Qt::Key_Left ? -by
                                               : 0,
                 across = key == Qt::Key_Down ? by
                          : key == Qt::Key_Up ? -by
                                              : 0;
    const Board* b = boardOf(board);
    if (!b || defect_ < 0 || defect_ >= static_cast<int>(b->defects.size()) || (along == 0 && across == 0))
        return false;
    change(board, [&](Board& changed) {
        Defect& d = changed.defects[static_cast<size_t>(defect_)];
        d.along = std::clamp(d.along + along, 0.0, std::max(0.0, changed.length - d.length));
        d.across = std::clamp(d.across + across, 0.0, std::max(0.0, changed.width - d.width));
    });
    return true;
}

void BoardsView::keyPressEvent(QKeyEvent* event)
{
    const std::string id = doc_.selection().board;
    const int key = event->key();
    if (event->modifiers() & Qt::AltModifier && moveDefect(id, key)) return;
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
    const int step = key == Qt::Key_Right || key == Qt::Key_Down ? 1
                     : key == Qt::Key_Left || key == Qt::Key_Up  ? -1
                                                                 : 0;
    if (step && !all.empty()) {
        // Left and right go through boards and strips, up and down through boards.
        auto at = static_cast<int>(std::ranges::find(all, std::pair(id, doc_.selection().strip)) - all.begin());
        if (at == static_cast<int>(all.size())) at = step > 0 ? -1 : 0;
        do at += step;
        while (at >= 0 && at < static_cast<int>(all.size()) && (key == Qt::Key_Up || key == Qt::Key_Down) &&
               all[static_cast<size_t>(at)].second >= 0);
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
