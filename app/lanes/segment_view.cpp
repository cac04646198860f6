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
    if (!l.segmented) {
        painter.setPen(theme().quiet);
        painter.drawText(rect(), Qt::AlignCenter | Qt::TextWordWrap,
                         doc_.piece().layers[static_cast<size_t>(doc_.selection().layer)].is<DiscForm>()
                             ? tr("a solid disc: cut round on the bandsaw")
                             : tr("the settings of this layer stand below"));
        return;
    }
    report::drawSegment(painter, rect(), l, doc_.style(), {theme().text, theme().text, theme().quiet, theme().panel});
}

}  // namespace vl::app
