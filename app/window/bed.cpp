#include "app/window/bed.h"

#include "app/theme/theme.h"

#include <QKeyEvent>
#include <QPainter>

namespace vl::app {
namespace {

/// One stop: a block riding on the bed's two ways, standing higher when it is the current one.
class Stop : public QAbstractButton {
public:
    Stop(const QString& name, QWidget* parent) : QAbstractButton(parent)
    {
        setText(name);
        setAccessibleName(name);
        setObjectName("stage-" + name);
        setCheckable(true);
        setAutoExclusive(true);
        setCursor(Qt::PointingHandCursor);
    }

protected:
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        const QRectF box = QRectF(rect()).adjusted(2, isChecked() ? 2 : 8, -2, isChecked() ? -2 : -8);
        const Theme& t = theme();
        painter.setPen(QPen(hasFocus() || underMouse() ? t.accent
                            : isChecked()              ? t.strong
                                                       : t.edge,
                            hasFocus() ? 2.4 : 1.2));
        painter.setBrush(isChecked() ? t.strong : t.panel);
        painter.drawRoundedRect(box, 5, 5);
        painter.setPen(isChecked() ? t.onStrong : t.text);
        painter.setFont(textFont(isChecked() ? 11 : 10, isChecked() ? QFont::DemiBold : QFont::Normal));
        painter.drawText(box, Qt::AlignCenter, text());
    }
};

}  // namespace

Bed::Bed(const QStringList& stages, QWidget* parent) : QWidget(parent)
{
    setAccessibleName(tr("Stages of the work"));
    for (int i = 0; i < stages.size(); ++i) {
        auto* stop = new Stop(stages[i], this);
        connect(stop, &QAbstractButton::clicked, this, [this, i] { emit chosen(i); });
        stops_ << stop;
    }
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setCurrent(0);
}

void Bed::setCurrent(int stage)
{
    current_ = stage;
    for (int i = 0; i < stops_.size(); ++i) stops_[i]->setChecked(i == stage);
    update();
}

void Bed::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme().edge);
    for (const double y : {height() * 0.40, height() * 0.56})
        painter.drawRoundedRect(QRectF(10, y, width() - 20, 5), 2, 2);
}

void Bed::resizeEvent(QResizeEvent*)
{
    const int gap = width() / static_cast<int>(stops_.size());
    const int wide = std::min(116, gap - 6);
    for (int i = 0; i < stops_.size(); ++i) stops_[i]->setGeometry(i * gap + (gap - wide) / 2, 4, wide, height() - 8);
}

void Bed::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Right) {
        const int next =
            std::clamp<int>(current_ + (event->key() == Qt::Key_Left ? -1 : 1), 0, static_cast<int>(stops_.size()) - 1);
        stops_[next]->setFocus();
        emit chosen(next);
    } else
        QWidget::keyPressEvent(event);
}

}  // namespace vl::app
