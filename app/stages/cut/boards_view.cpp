#include "app/stages/cut/boards_view.h"

#include "app/fields/when_seen.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/piece/field_items.h"
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
constexpr double margin = 14, headHeight = 20, gap = 12, grip = 6;

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
    Shop shop = doc_.shop();
    const auto it = std::ranges::find(shop.rack, id, &Board::id);
    if (it == shop.rack.end()) return;
    edit(*it);
    doc_.changeShop(tr("board %1").arg(QString::fromStdString(id)), shop, merge);
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

std::vector<Thing> BoardsView::things() const
{
    auto length = [&](double mm) { return QString::fromStdString(formatLengthUnit(mm, doc_.style(), 0)); };
    std::vector<Thing> all;
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
    else {
        Shop shop = doc_.shop();
        std::erase_if(shop.rack, [&](const Board& b) { return b.id == id; });
        doc_.changeShop(tr("board off the rack"), shop);
    }
    defect_ = -1;
}

void BoardsView::drawBoard(QPainter& painter, const Row& row)
{
    const Board* b = boardOf(row.id);
    if (!b) return;
    const PlannedBoard* plan = planOf(row.id);
    auto length = [&](double v) {
        return QString::fromStdString(
            formatLength(v, doc_.style(), doc_.style().unit == LengthStyle::Unit::Millimetre ? 0 : -1));
    };
    const bool chosen = doc_.selection().board == row.id;
    painter.setFont(textFont(9, QFont::DemiBold));
    painter.setPen(chosen ? theme().accent : theme().text);
    QString words = QStringLiteral("%1 · %2").arg(QString::fromStdString(b->id), localized(speciesOf(b->wood).name));
    painter.drawText(QRectF(margin, row.box.top(), 260, headHeight), Qt::AlignLeft | Qt::AlignVCenter, words);
    painter.setFont(textFont(8.5));
    painter.setPen(theme().quiet);
    QString measures =
        tr("%1 × %2 × %3 %4").arg(length(b->length), length(b->width), length(b->thickness), unitName(doc_.style()));
    if (plan)
        measures += tr(" · %n cuts · %1 % used", nullptr, static_cast<int>(plan->cuts.size()))
                        .arg(std::lround(100 * plan->consumed / (b->length * b->width)));
    painter.drawText(QRectF(width() - margin - 420, row.box.top(), 420, headHeight), Qt::AlignRight | Qt::AlignVCenter,
                     measures);

    const QSize size(std::max(1, static_cast<int>(row.face.width())), std::max(1, static_cast<int>(row.face.height())));
    QPixmap& wood = wood_[row.id + b->wood];
    if (wood.size() != size) {
        // Drawn once a size: a board's figure is its own.
        QImage image(size, QImage::Format_RGB32);
        const Figure& figure = speciesOf(b->wood).figure;
        const float seed = static_cast<float>(std::hash<std::string>{}(b->id) % 1000) / 1000.0f;
        for (int py = 0; py < size.height(); ++py)
            for (int px = 0; px < size.width(); ++px) {
                const auto c = vl::woodColour(figure, static_cast<float>(px / scale_), static_cast<float>(py / scale_),
                                              4, seed, 0);
                image.setPixel(px, py, QColor::fromRgbF(c[0], c[1], c[2]).rgb());
            }
        wood = QPixmap::fromImage(image);
    }
    painter.setOpacity(plan || doc_.boardsBusy() ? 1 : 0.75);
    painter.drawPixmap(row.face.topLeft(), wood);
    painter.setOpacity(1);
    for (size_t i = 0; i < b->defects.size(); ++i) {
        const Defect& d = b->defects[i];
        const QRectF box(row.face.left() + d.along * scale_, row.face.top() + d.across * scale_,
                         std::max(2.0, d.length * scale_), std::max(2.0, d.width * scale_));
        painter.setBrush(QColor(30, 18, 10, 120));
        const bool mine = chosen && defect_ == static_cast<int>(i);
        painter.setPen(mine ? QPen(theme().accent, 2) : QPen(QColor(255, 255, 255, 160), 0.8, Qt::DashLine));
        painter.drawRect(box);
        painter.fillRect(box, QBrush(QColor(255, 255, 255, 90), Qt::DiagCrossPattern));
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(chosen ? theme().accent : QColor(0, 0, 0, 150), chosen ? 2 : 1));
    painter.drawRect(row.face);
    if (plan) drawPlan(painter, row, *plan);
    if (drag_.grip == Grip::Mark && dragBoard_ == row.id) {
        painter.setPen(QPen(theme().accent, 1.6, Qt::DashLine));
        painter.drawRect(
            QRectF(row.face.topLeft() + dragStart_ * scale_, row.face.topLeft() + dragNow_ * scale_).normalized());
    }
}

void BoardsView::drawPlan(QPainter& painter, const Row& row, const PlannedBoard& plan) const
{
    auto rect = [&](double x, double y, double l, double w) {
        return QRectF(row.face.left() + x * scale_, row.face.top() + y * scale_, l * scale_, w * scale_);
    };
    const Selection& s = doc_.selection();
    std::vector<QRectF> tags;
    // What is used up stands clear; everything else of the board is dimmed.
    for (size_t i = 0; i < plan.strips.size(); ++i) {
        const PlannedStrip& strip = plan.strips[i];
        const BoardRect& r = strip.place;
        painter.fillRect(rect(r.x + strip.used, r.y, r.length - strip.used, r.width), QColor(255, 255, 255, 70));
        for (const PlannedRun& run : strip.runs) {
            const QRectF box = rect(r.x + run.from, r.y, run.length, r.width);
            const Part* part = report::partOf(doc_.plan(), run.part);
            const bool mine = part && s.layers.contains(part->layer);
            if (mine)
                painter.fillRect(box, QColor(theme().accent.red(), theme().accent.green(), theme().accent.blue(), 95));
            painter.setPen(QPen(QColor(255, 255, 255, 150), 0.7));
            const double each = run.count > 0 ? box.width() / run.count : 0;
            if (each > 2.5)
                for (int k = 1; k < run.count; ++k)
                    painter.drawLine(QPointF(box.left() + each * k, box.top()),
                                     QPointF(box.left() + each * k, box.bottom()));
            painter.setPen(QPen(mine ? theme().accent : QColor(20, 10, 5, 220), mine ? 1.8 : 1.1));
            painter.setBrush(Qt::NoBrush);
            painter.drawRect(box);
            const QString words =
                part ? tr("%1 × layer %2").arg(run.count).arg(part->layer + 1) : QStringLiteral("%1 ×").arg(run.count);
            painter.setFont(textFont(7.5, QFont::DemiBold));
            const double w = QFontMetricsF(painter.font()).horizontalAdvance(words) + 8;
            const double tall = QFontMetricsF(painter.font()).height();
            if (box.width() > w && box.height() > tall) {
                const QRectF tag(box.center().x() - w / 2, box.center().y() - tall / 2, w, tall);
                tags.push_back(tag);
                painter.setPen(Qt::NoPen);
                painter.setBrush(QColor(255, 255, 255, 205));
                painter.drawRoundedRect(tag, 3, 3);
                painter.setPen(QColor(25, 18, 12));
                painter.drawText(tag, Qt::AlignCenter, words);
            }
        }
        if (strip.kept) {
            painter.setPen(QPen(QColor(255, 255, 255), 2));
            const QRectF box = rect(r.x, r.y, r.length, r.width);
            painter.drawLine(box.bottomLeft() + QPointF(4, -box.height() / 2), box.bottomLeft() + QPointF(8, -3));
            painter.drawLine(box.bottomLeft() + QPointF(8, -3), box.bottomLeft() + QPointF(16, 3 - box.height()));
        }
        if (s.board == plan.board.id && s.strip == static_cast<int>(i)) {
            painter.setBrush(Qt::NoBrush);
            painter.setPen(QPen(theme().accent, 2.4));
            painter.drawRect(rect(r.x, r.y, r.length, r.width));
        }
    }
    for (const BoardRect& r : plan.offcuts) {
        const QRectF box = rect(r.x, r.y, r.length, r.width);
        painter.setPen(QPen(QColor(255, 255, 255, 210), 1, Qt::DotLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(box.adjusted(1, 1, -1, -1));
    }
    painter.setFont(textFont(7.5, QFont::Bold));
    std::vector<QPointF> places;
    for (const BoardCut& c : plan.cuts) {
        const QPointF a(row.face.left() + c.x0 * scale_, row.face.top() + c.y0 * scale_),
            b(row.face.left() + c.x1 * scale_, row.face.top() + c.y1 * scale_);
        const bool across = c.kind == BoardCut::Clear || c.kind == BoardCut::Length;
        painter.setPen(
            QPen(QColor(255, 250, 240), across ? 1.8 : 1.2, c.kind == BoardCut::Clear ? Qt::DashLine : Qt::SolidLine));
        painter.drawLine(a, b);
    }
    // The numbers over all lines.
    for (const BoardCut& c : plan.cuts) {
        const QPointF a(row.face.left() + c.x0 * scale_, row.face.top() + c.y0 * scale_),
            b(row.face.left() + c.x1 * scale_, row.face.top() + c.y1 * scale_);
        const QPointF at = c.kind == BoardCut::Rip ? QPointF(b.x() - 9 - 17 * (c.number % 2), b.y())
                                                   : QPointF(a.x(), (a.y() + b.y()) / 2);
        // Numbers that would hide one another, or a run's words, are left to the list beside.
        const QRectF mark(at - QPointF(8, 8), QSizeF(16, 16));
        if (std::ranges::any_of(tags, [&](const QRectF& tag) { return tag.intersects(mark); }) ||
            std::ranges::any_of(places,
                                [&](const QPointF& p) { return std::hypot(p.x() - at.x(), p.y() - at.y()) < 14; }))
            continue;
        places.push_back(at);
        painter.setPen(Qt::NoPen);
        painter.setBrush(QColor(20, 20, 22, 215));
        painter.drawEllipse(at, 7, 7);
        painter.setPen(Qt::white);
        painter.drawText(QRectF(at.x() - 9, at.y() - 7, 18, 14), Qt::AlignCenter, QString::number(c.number));
    }
}

void BoardsView::paintEvent(QPaintEvent* event)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(textFont(8, QFont::DemiBold));
    painter.setPen(theme().quiet);
    painter.drawText(QRectF(margin, 4, width() - 2 * margin, 18), Qt::AlignLeft | Qt::AlignVCenter,
                     tr("BOARDS ON THE RACK, CUTS NUMBERED IN THEIR ORDER"));
    if (rows_.empty()) {
        painter.setFont(textFont(10));
        painter.drawText(rect().adjusted(margin, 30, -margin, 0), Qt::AlignHCenter | Qt::AlignTop | Qt::TextWordWrap,
                         tr("The rack is empty. Add a board at the right, or bring a list of boards in: the plan then "
                            "says which part comes from where, and what runs short."));
        return;
    }
    for (const Row& row : rows_)
        if (row.box.toRect().intersects(event->rect())) drawBoard(painter, row);
    if (hasFocus()) {
        painter.setPen(QPen(theme().accent, 2));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 5, 5);
    }
}

}  // namespace vl::app
