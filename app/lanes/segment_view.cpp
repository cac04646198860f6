#include "app/lanes/segment_view.h"

#include "app/theme/theme.h"
#include "report/drawing.h"

#include <QPainter>

namespace vl::app {

SegmentView::SegmentView(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    setAccessibleName(tr("One segment with its measures"));
    connect(&doc_, &Document::changed, this, [this] { update(); });
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
}

void SegmentView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(doc_.selection().layer)];
    painter.setFont(textFont(9, QFont::Medium));
    const Layer& own = doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)];
    const report::Inks inks{theme().text, theme().text, theme().quiet, theme().panel};
    if (own.is<StavesForm>()) return report::drawStave(painter, rect(), l, own.sandingLoss, doc_.style(), inks);
    if (l.cells.size() > 1 && !l.segmented && !own.is<DiscForm>())
        return report::drawParts(painter, QRectF(rect()).adjusted(0, 4, 0, -4), own, l, inks);
    if (!l.segmented) {
        painter.setPen(theme().quiet);
        painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                         own.is<DiscForm>() ? tr("A solid disc: cut it round on the bandsaw.")
                                            : tr("One piece of wood: its settings stand below."));
        return;
    }
    report::drawSegment(painter, rect(), l, doc_.style(), inks);
}

}  // namespace vl::app
