#include "app/stages/turn/mounts_view.h"

#include "app/canvas/arrow_key.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "report/axes.h"
#include "report/type.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace vl::app {
namespace {

using report::q;

}  // namespace

MountsView::MountsView(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    setAccessibleName(tr("Mounts in their order"));
    setFocusPolicy(Qt::StrongFocus);
    connect(&doc_, &Document::changed, this, [this] {
        updateGeometry();
        update();
    });
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
}

QSize MountsView::sizeHint() const
{
    return {static_cast<int>(wide * static_cast<double>(std::max<size_t>(1, doc_.plan().mounts.size()))) + 8, 190};
}

QRectF MountsView::boxOf(size_t mount) const
{
    return {4 + wide * static_cast<double>(mount), 4, wide - 6, height() - 8.0};
}

int MountsView::chosen() const
{
    const auto& all = doc_.plan().mounts;
    const auto it = std::ranges::find(all, doc_.selection().step, &Mount::id);
    return it == all.end() ? -1 : static_cast<int>(it - all.begin());
}

void MountsView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    const report::Inks inks{theme().text, theme().text, theme().quiet, theme().panel};
    const auto& mounts = doc_.plan().mounts;
    if (mounts.empty()) {
        painter.setFont(textFont(9));
        painter.setPen(theme().quiet);
        painter.drawText(rect(), Qt::AlignCenter, tr("Nothing is mounted."));
    }
    for (size_t i = 0; i < mounts.size(); ++i) {
        const Mount& m = mounts[i];
        const QRectF box = boxOf(i);
        const bool on = static_cast<int>(i) == chosen();
        painter.setPen(QPen(on ? theme().accent : theme().edge, on ? 2 : 1));
        painter.setBrush(on ? theme().accentSoft : theme().panel);
        painter.drawRoundedRect(box, 5, 5);
        report::drawMount(painter, box.adjusted(4, 4, -4, -lines), m, doc_.plan(), doc_.shop(), inks, theme().stop);
        const auto step = std::ranges::find(doc_.plan().assembly.recipe, m.id, &Step::id);
        const QRectF text = box.adjusted(8, box.height() - lines, -6, -2);
        painter.setFont(textFont(9, QFont::DemiBold));
        painter.setPen(theme().text);
        painter.drawText(
            QRectF(text.left(), text.top(), text.width(), 18), Qt::AlignLeft | Qt::AlignVCenter,
            painter.fontMetrics().elidedText(tr("%1. %2").arg(i + 1).arg(q(print(step->title, doc_.style()))),
                                             Qt::ElideRight, static_cast<int>(text.width())));
        painter.setFont(textFont(8));
        painter.setPen(theme().quiet);
        const char* by = choicesOf<Hold>()[static_cast<size_t>(m.held.by)].words;
        const QString grip =
            m.held.by == Hold::Centers
                ? localized(by)
                : tr("%1, Ø %2").arg(localized(by), q(formatLengthUnit(m.held.diameter, doc_.style())));
        painter.drawText(QRectF(text.left(), text.top() + 18, text.width(), 17), Qt::AlignLeft | Qt::AlignVCenter,
                         painter.fontMetrics().elidedText(grip, Qt::ElideRight, static_cast<int>(text.width())));
        painter.drawText(QRectF(text.left(), text.top() + 35, text.width(), 17), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("%1 to %2 rpm").arg(q(fixed(m.speed.low, 0)), q(fixed(m.speed.high, 0))));
        painter.setPen(m.proof.holds ? theme().quiet : theme().stop);
        painter.setFont(textFont(8, m.proof.holds ? QFont::Normal : QFont::DemiBold));
        painter.drawText(
            QRectF(text.left(), text.top() + 52, text.width(), 17), Qt::AlignLeft | Qt::AlignVCenter,
            m.held.by == Hold::Centers ? tr("held at both ends")
            : m.proof.holds
                ? tr("holds: %1 of %2 N·m").arg(q(fixed(m.proof.moment, 1)), q(fixed(m.proof.limit, 1)))
                : tr("does not hold: %1 of %2 N·m").arg(q(fixed(m.proof.moment, 1)), q(fixed(m.proof.limit, 1))));
    }
}

void MountsView::chooseThing(int mount)
{
    Selection s = doc_.selection();
    s.step = doc_.plan().mounts[static_cast<size_t>(mount)].id;
    doc_.select(s);
    announceChosen(this);
}

void MountsView::mousePressEvent(QMouseEvent* event)
{
    for (size_t i = 0; i < doc_.plan().mounts.size(); ++i)
        if (boxOf(i).contains(event->position())) chooseThing(static_cast<int>(i));
}

void MountsView::keyPressEvent(QKeyEvent* event)
{
    const int by = arrowOf(*event).value_or(ArrowKey{}).right;
    const int to = chosen() + by;
    if (by && to >= 0 && to < static_cast<int>(doc_.plan().mounts.size())) return chooseThing(to);
    QWidget::keyPressEvent(event);
}

std::vector<ReadableItem> MountsView::things() const
{
    std::vector<ReadableItem> out;
    for (size_t i = 0; i < doc_.plan().mounts.size(); ++i) {
        const Mount& m = doc_.plan().mounts[i];
        const auto step = std::ranges::find(doc_.plan().assembly.recipe, m.id, &Step::id);
        out.push_back({tr("%1: %2 to %3 rpm, %4")
                           .arg(q(print(step->title, doc_.style())), q(fixed(m.speed.low, 0)),
                                q(fixed(m.speed.high, 0)), m.proof.holds ? tr("holds") : tr("does not hold")),
                       boxOf(i).toRect(), static_cast<int>(i) == chosen()});
    }
    return out;
}

}  // namespace vl::app
