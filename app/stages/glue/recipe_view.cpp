#include "app/stages/glue/recipe_view.h"

#include "app/fields/when_seen.h"
#include "app/theme/theme.h"
#include "report/drawing.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>

#include <algorithm>
#include <cmath>

namespace vl::app {
namespace {
constexpr double leftOfGraph = 84, aboveGraph = 30, rowHeight = 26, least = 46;
}

RecipeView::RecipeView(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    setAccessibleName(tr("Picture of the recipe"));
    setFocusPolicy(Qt::StrongFocus);
    auto read = [this] {
        graph_ = layOut(doc_.plan().assembly.recipe, static_cast<int>(doc_.piece().layers.size()));
        setMinimumSize(sizeHint());
        update();
    };
    auto* seen = new WhenSeen(this, read);
    connect(&doc_, &Document::changed, seen, &WhenSeen::refresh);
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
    read();
}

QSize RecipeView::sizeHint() const
{
    return {static_cast<int>(leftOfGraph + graph_.columns * least + 16),
            static_cast<int>(aboveGraph + graph_.rows * rowHeight + 12)};
}

double RecipeView::cell() const { return std::max(least, (width() - leftOfGraph - 16) / std::max(1, graph_.columns)); }

QRectF RecipeView::box(size_t i) const
{
    const double w = std::min(cell() - 8, 104.0);
    return {leftOfGraph + graph_.column[i] * cell() + 2, aboveGraph + graph_.row[i] * rowHeight + 4, w, rowHeight - 8};
}

QPointF RecipeView::stepPosition(const std::string& id) const
{
    const Recipe& recipe = doc_.plan().assembly.recipe;
    const auto it = std::ranges::find(recipe, id, &Step::id);
    return it == recipe.end() ? QPointF() : box(static_cast<size_t>(it - recipe.begin())).center();
}

long RecipeView::stepAt(const QPointF& at) const
{
    for (size_t i = 0; i < graph_.column.size(); ++i)
        if (box(i).adjusted(-3, -3, 3, 3).contains(at)) return static_cast<long>(i);
    return -1;
}

void RecipeView::choose(size_t i)
{
    const Step& step = doc_.plan().assembly.recipe[i];
    if (step.layer >= 0) doc_.selectLayer(step.layer);
    Selection s = doc_.selection();
    s.step = step.id;
    doc_.select(s);
}

void RecipeView::mousePressEvent(QMouseEvent* event)
{
    if (const long i = stepAt(event->position()); i >= 0) choose(static_cast<size_t>(i));
}

void RecipeView::keyPressEvent(QKeyEvent* event)
{
    const Recipe& recipe = doc_.plan().assembly.recipe;
    const auto it = std::ranges::find(recipe, doc_.selection().step, &Step::id);
    if (it == recipe.end() || (event->key() != Qt::Key_Left && event->key() != Qt::Key_Right))
        return QWidget::keyPressEvent(event);
    const auto me = static_cast<size_t>(it - recipe.begin());
    for (const auto& [from, to] : graph_.edges)
        if ((event->key() == Qt::Key_Right ? from : to) == me) return choose(event->key() == Qt::Key_Right ? to : from);
}

bool RecipeView::event(QEvent* event)
{
    if (event->type() == QEvent::ToolTip) {
        auto* help = static_cast<QHelpEvent*>(event);
        const long i = stepAt(help->pos());
        QToolTip::showText(help->globalPos(),
                           i < 0 ? QString()
                                 : QString::fromStdString(
                                       print(doc_.plan().assembly.recipe[static_cast<size_t>(i)].title, doc_.style())),
                           this);
        return true;
    }
    return QWidget::event(event);
}

void RecipeView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    const Plan& plan = doc_.plan();
    const Recipe& recipe = plan.assembly.recipe;
    if (graph_.column.size() != recipe.size()) return;
    painter.setFont(textFont(8, QFont::DemiBold));
    painter.setPen(theme().quiet);
    painter.drawText(
        QRectF(12, 4, width() - 24, 18), Qt::AlignLeft | Qt::AlignVCenter,
        tr("RECIPE: PARTS FLOW INTO RINGS, RINGS INTO THE PIECE · STRONG: THE CHAIN THAT DECIDES HOW LONG IT TAKES"));
    const int layers = static_cast<int>(doc_.piece().layers.size());
    painter.setFont(textFont(8));
    for (int row = 0; row <= std::min(layers, graph_.rows - 1); ++row) {
        const QRectF band(0, aboveGraph + row * rowHeight, width(),
                          row == layers ? (graph_.rows - layers) * rowHeight : rowHeight);
        if (row < layers && doc_.selection().layers.contains(row)) painter.fillRect(band, theme().accentSoft);
        painter.setPen(theme().quiet);
        painter.drawText(QRectF(0, band.top(), leftOfGraph - 12, rowHeight), Qt::AlignRight | Qt::AlignVCenter,
                         row == layers ? tr("stack") : tr("layer %1").arg(row + 1));
    }
    const std::string& chosen = doc_.selection().step;
    auto draw = [&](size_t from, size_t to, const QPen& pen) {
        const QPointF a(box(from).right(), box(from).center().y()), b(box(to).left(), box(to).center().y());
        QPainterPath path(a);
        const double reach = std::max(12.0, (b.x() - a.x()) * 0.45);
        path.cubicTo(a + QPointF(reach, 0), b - QPointF(reach, 0), b);
        painter.setPen(pen);
        painter.setBrush(Qt::NoBrush);
        painter.drawPath(path);
    };
    for (const auto& [from, to] : graph_.edges)
        if (!(plan.schedule.critical[from] && plan.schedule.critical[to])) draw(from, to, QPen(theme().edge, 1.1));
    for (const auto& [from, to] : graph_.edges)
        if (plan.schedule.critical[from] && plan.schedule.critical[to]) draw(from, to, QPen(theme().text, 2.4));
    for (const auto& [from, to] : graph_.edges)
        if (recipe[from].id == chosen || recipe[to].id == chosen) draw(from, to, QPen(theme().accent, 2));
    for (size_t i = 0; i < recipe.size(); ++i) {
        const Step& s = recipe[i];
        const QRectF b = box(i);
        QColor wood = theme().accentSoft;
        if (s.layer >= 0 && s.layer < static_cast<int>(plan.assembly.layers.size()))
            wood = report::woodColor(*plan.assembly.layers[static_cast<size_t>(s.layer)].woods[0]);
        const bool waits = s.workMinutes <= 0;
        painter.setPen(QPen(s.id == chosen              ? theme().accent
                            : plan.schedule.critical[i] ? theme().text
                                                        : theme().edge,
                            s.id == chosen              ? 2.6
                            : plan.schedule.critical[i] ? 1.8
                                                        : 1));
        painter.setBrush(waits ? QBrush(theme().panel) : QBrush(wood));
        painter.drawRoundedRect(b, waits ? b.height() / 2 : 3, waits ? b.height() / 2 : 3);
        const QString words = localized(actionName(s.action));
        painter.setFont(textFont(7.5, QFont::Medium));
        if (QFontMetricsF(painter.font()).horizontalAdvance(words) < b.width() - 4) {
            const double light = 0.299 * wood.redF() + 0.587 * wood.greenF() + 0.114 * wood.blueF();
            painter.setPen(waits ? theme().text : light > 0.45 ? QColor(25, 20, 15) : QColor(Qt::white));
            painter.drawText(b, Qt::AlignCenter, words);
        }
        if (plan.schedule.done[i]) {
            painter.setPen(QPen(theme().accent, 2.4));
            painter.drawPolyline(QPolygonF(
                {b.topRight() + QPointF(-9, 5), b.topRight() + QPointF(-6, 9), b.topRight() + QPointF(-1, 1)}));
        }
    }
    if (hasFocus()) {
        painter.setPen(QPen(theme().accent, 2));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 5, 5);
    }
}

}  // namespace vl::app
