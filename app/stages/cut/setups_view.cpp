#include "app/stages/cut/setups_view.h"

#include "app/fields/when_seen.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/plan/boards/setups.h"
#include "report/board_pages.h"

#include <QMouseEvent>
#include <QPainter>

namespace vl::app {

SetupsView::SetupsView(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    setAccessibleName(tr("Machine set-ups in order"));
    setFocusPolicy(Qt::StrongFocus);
    auto* seen = new WhenSeen(this, [this] { read(); });
    connect(&doc_, &Document::changed, seen, &WhenSeen::refresh);
    connect(&doc_, &Document::boardsChanged, seen, &WhenSeen::refresh);
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
    read();
}

void SetupsView::read()
{
    setups_.clear();
    at_ = -1;
    for (const Setup& s : setupsOf(doc_.piece(), doc_.plan().assembly, doc_.boards())) {
        Row row;
        row.machine = QString::fromStdString(s.machine);
        for (const Setting& one : s.settings) {
            const QString value = QString::fromStdString(
                print(Quantity{one.value, one.unit, one.unit == Unit::Angle ? 3 : 2}, doc_.style()));
            row.settings += (row.settings.isEmpty() ? QString() : QStringLiteral("   ")) +
                            QString::fromStdString(one.name) + QStringLiteral(" ") + value;
        }
        const QString layers = report::layersOf(doc_.plan(), s.parts);
        row.parts =
            !s.what.empty() ? QString::fromStdString(s.what) : tr("%n cuts for %1", nullptr, s.cuts).arg(layers);
        row.trial = tr("Trial: %1").arg(QString::fromStdString(s.trial));
        for (const Part& p : doc_.plan().assembly.parts)
            if (!s.parts.empty() && p.id == s.parts[0]) row.layer = p.layer;
        setups_.push_back(row);
    }
    least_ = leastSetups(doc_.piece(), doc_.shop(), doc_.plan().assembly);
    setMinimumHeight(sizeHint().height());
    update();
}

void SetupsView::paintEvent(QPaintEvent* event)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(textFont(8, QFont::DemiBold));
    painter.setPen(theme().quiet);
    painter.drawText(QRectF(14, 4, width() - 28, 18), Qt::AlignLeft | Qt::AlignVCenter,
                     tr("%n SET-UPS, EACH FENCE, STOP, TILT AND THICKNESS ONCE; %1 AT LEAST, WITH MORE MADE ALIKE",
                        nullptr, static_cast<int>(setups_.size()))
                         .arg(least_));
    for (size_t i = 0; i < setups_.size(); ++i) {
        const QRectF box(8, 26 + static_cast<double>(i) * rowHeight(), width() - 16, rowHeight() - 4);
        if (!box.toRect().intersects(event->rect())) continue;
        const Row& r = setups_[i];
        const bool mine = doc_.selection().layers.contains(r.layer);
        painter.setPen(QPen(mine ? theme().accent : theme().edge, mine ? 1.4 : 1));
        painter.setBrush(mine ? theme().accentSoft : theme().panel);
        painter.drawRoundedRect(box, 4, 4);
        const QRectF inner = box.adjusted(10, 4, -10, -4);
        painter.setPen(theme().quiet);
        painter.setFont(textFont(9, QFont::DemiBold));
        painter.drawText(QRectF(inner.left(), inner.top(), 30, 22), Qt::AlignLeft | Qt::AlignVCenter,
                         QString::number(i + 1));
        painter.setPen(theme().text);
        const double left = inner.left() + 26, wide = inner.width() - 26;
        painter.drawText(QRectF(left, inner.top(), 180, 20), Qt::AlignLeft | Qt::AlignVCenter, r.machine);
        painter.setPen(theme().quiet);
        painter.setFont(textFont(9));
        painter.drawText(QRectF(left + 180, inner.top(), wide - 180, 20), Qt::AlignLeft | Qt::AlignVCenter, r.parts);
        painter.setPen(theme().accent);
        // As large as finds room over the whole row; in a narrow window over two lines.
        constexpr double large = 12.5;
        const double asked = QFontMetricsF(textFont(large, QFont::DemiBold)).horizontalAdvance(r.settings);
        painter.setFont(textFont(asked > wide ? (large - 0.2) * wide / asked : large, QFont::DemiBold));
        painter.drawText(QRectF(left, inner.top() + 20, wide, settingsHeight()),
                         Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap, r.settings);
        painter.setPen(theme().quiet);
        painter.setFont(textFont(9));
        const double below = inner.top() + 20 + settingsHeight();
        painter.drawText(QRectF(left, below, wide, inner.bottom() - below + 2),
                         Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, r.trial);
    }
}

void SetupsView::resizeEvent(QResizeEvent*) { setMinimumHeight(sizeHint().height()); }

std::vector<ReadableItem> SetupsView::things() const
{
    std::vector<ReadableItem> all;
    for (size_t i = 0; i < setups_.size(); ++i) {
        const Row& r = setups_[i];
        all.push_back({QStringList{r.machine, r.settings, r.parts, r.trial}.join(QStringLiteral(", ")),
                       QRect(8, 26 + static_cast<int>(i) * rowHeight(), width() - 16, rowHeight() - 4),
                       static_cast<int>(i) == at_});
    }
    return all;
}

void SetupsView::chooseThing(int index)
{
    at_ = index;
    if (const int layer = setups_[static_cast<size_t>(index)].layer; layer >= 0) doc_.selectLayer(layer);
}

void SetupsView::keyPressEvent(QKeyEvent* event)
{
    const int by = event->key() == Qt::Key_Down ? 1 : event->key() == Qt::Key_Up ? -1 : 0;
    if (by == 0 || setups_.empty()) return QWidget::keyPressEvent(event);
    chooseThing(std::clamp(at_ + by, 0, static_cast<int>(setups_.size()) - 1));
}

void SetupsView::mousePressEvent(QMouseEvent* event)
{
    const int i = static_cast<int>((event->position().y() - 26) / rowHeight());
    if (i >= 0 && i < static_cast<int>(setups_.size()) && setups_[static_cast<size_t>(i)].layer >= 0)
        doc_.selectLayer(setups_[static_cast<size_t>(i)].layer, event->modifiers());
}

}  // namespace vl::app
