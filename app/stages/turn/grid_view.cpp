#include "app/stages/turn/grid_view.h"

#include "app/fields/field_form.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/piece/edits/edit.h"
#include "report/grid_drawing.h"

#include <QColorDialog>
#include <QComboBox>
#include <QHBoxLayout>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>

namespace vl::app {
namespace {

constexpr double tools = 40, figures = 250, edge = 28;  // pixels

}  // namespace

GridView::GridView(Document& document, std::function<int()> chosen, QWidget* parent)
    : QWidget(parent), doc_(document), chosen_(std::move(chosen)), work_(new QComboBox(this)),
      color_(new QPushButton(tr("Color…"), this))
{
    setAccessibleName(tr("Decorated grid"));
    for (const Choice& c : choicesOf<GridCells::Work>()) work_->addItem(wordsOf(c));
    work_->setAccessibleName(tr("A pressed cell is"));
    work_->setToolTip(tr("What a press on a cell makes of it; a second press leaves it plain"));
    work_->move(12, 6);
    color_->setObjectName("cell-colour");
    const auto shown = [this] {
        color_->setStyleSheet(QStringLiteral("border-left: 14px solid %1").arg(ink_.name()));
        color_->move(work_->x() + work_->sizeHint().width() + 8, 6);
        color_->setVisible(work_->currentIndex() == GridCells::Color);
    };
    shown();
    connect(work_, &QComboBox::currentIndexChanged, this, shown);
    connect(color_, &QPushButton::clicked, this, [this, shown] {
        if (const QColor c = QColorDialog::getColor(ink_, this); c.isValid()) ink_ = c;
        shown();
    });
    connect(&doc_, &Document::changed, this, [this] { update(); });
}

QRectF GridView::box() const { return QRectF(rect()).adjusted(edge, tools + edge, -figures, -edge); }

std::optional<GridOf> GridView::grid() const
{
    const int at = chosen_();
    std::vector<GridOf> all = gridsOf(doc_.piece(), doc_.plan().surfaces);
    if (at < 0 || at >= static_cast<int>(all.size()) || all[static_cast<size_t>(at)].rings.empty()) return std::nullopt;
    return std::move(all[static_cast<size_t>(at)]);
}

QPointF GridView::cellPosition(int ring, int spoke) const
{
    const auto g = grid();
    if (!g) return {};
    const report::GridDrawing drawing(doc_.piece().decors[g->decor], *g, box());
    return drawing.cell(ring, spoke).boundingRect().center();
}

void GridView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(textFont(8.5));
    const auto g = grid();
    work_->setEnabled(g.has_value());
    if (!g) {
        painter.setPen(theme().quiet);
        painter.drawText(rect().adjusted(20, static_cast<int>(tools), -20, 0), Qt::AlignCenter | Qt::TextWordWrap,
                         doc_.piece().decors.empty()
                             ? tr("No grid is drawn on the piece: add one at the right, under Decorated grids.")
                             : tr("There is no room for a whole ring here: another range, or smaller cells."));
        return;
    }
    const Decor& decor = doc_.piece().decors[g->decor];
    const report::Inks inks{theme().quiet, theme().text, theme().quiet, theme().panel};
    report::GridDrawing(decor, *g, box()).draw(painter, inks);
    double y = tools + 4;
    const double x = width() - figures + 24, high = 18;
    auto line = [&](const QString& words, const QColor& ink, QFont::Weight weight = QFont::Normal) {
        if (y + high > height()) return;
        painter.setFont(textFont(9, weight));
        painter.setPen(ink);
        painter.drawText(QRectF(x, y, figures - 32, high), Qt::AlignLeft | Qt::AlignVCenter, words);
        y += high;
    };
    const auto mm = [&](double v) { return QString::fromStdString(formatLength(v, doc_.style(), 1)); };
    const bool face = decor.on == Decor::Face;
    line(tr("%n rings", "", static_cast<int>(g->rings.size())) + tr(", %n spokes", "", decor.spokes), theme().text,
         QFont::DemiBold);
    line(face ? tr("ring: radius to radius, long by wide") : tr("ring: station to station, long by wide"),
         theme().quiet);
    for (size_t k = 0; k < g->rings.size(); ++k) {
        const GridRing& r = g->rings[k];
        line(tr("%1: %2 – %3, %4")
                 .arg(k + 1)
                 .arg(mm(face ? r.r0 : r.z0), mm(face ? r.r1 : r.z1), QString::number(r.ratio(), 'f', 2)),
             theme().text);
    }
}

void GridView::mousePressEvent(QMouseEvent* event)
{
    const auto g = grid();
    if (!g || event->button() != Qt::LeftButton) return;
    const auto [ring, spoke] = report::GridDrawing(doc_.piece().decors[g->decor], *g, box()).at(event->position());
    if (ring < 0) return;
    doc_.apply(tr("cell of the grid"), [&, ring = ring, spoke = spoke](Piece p) {
        return edit::workCell(std::move(p), g->decor, ring, spoke, static_cast<GridCells::Work>(work_->currentIndex()),
                              ink_.name().toStdString());
    });
}

}  // namespace vl::app
