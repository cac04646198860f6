#include "app/fields/when_seen.h"

#include <QEvent>
#include <QWidget>

namespace vl::app {

WhenSeen::WhenSeen(QWidget* view, std::function<void()> read) : QObject(view), view_(view), read_(std::move(read))
{
    view->installEventFilter(this);
}

void WhenSeen::refresh()
{
    stale_ = !view_->isVisible();
    if (!stale_) read_();
}

bool WhenSeen::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Show && stale_) {
        stale_ = false;
        read_();
    }
    return QObject::eventFilter(watched, event);
}

}  // namespace vl::app
