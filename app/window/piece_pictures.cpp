#include "app/window/piece_pictures.h"

#include "app/document/beside.h"
#include "core/measure/input_error.h"
#include "core/plan/plan.h"
#include "report/drawing.h"

#include <QEvent>
#include <QTimer>

namespace vl::app {

PiecePictures::PiecePictures(QWidget* page) : QObject(page), page_(page)
{
    page->installEventFilter(this);
    connect(&drawer_, &QFutureWatcher<QImage>::finished, this, [this] {
        drawing_ = false;
        if (const QImage image = drawer_.result(); !image.isNull() && now_.owner) now_.take(image);
        next();
    });
}

PiecePictures::~PiecePictures() { drawer_.waitForFinished(); }

void PiecePictures::add(QObject* owner, QSize size, std::function<Piece()> make,
                        std::function<void(const QImage&)> take)
{
    waiting_.push_back({owner, size, std::move(make), std::move(take)});
    QTimer::singleShot(0, this, &PiecePictures::next);  // the page itself is painted first
}

bool PiecePictures::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Show) QTimer::singleShot(0, this, &PiecePictures::next);
    return QObject::eventFilter(watched, event);
}

void PiecePictures::next()
{
    while (!waiting_.empty() && !waiting_.front().owner) waiting_.pop_front();
    if (waiting_.empty() || drawing_ || !page_->isVisible()) return;
    now_ = std::move(waiting_.front());
    waiting_.pop_front();
    drawing_ = true;
    drawer_.setFuture(beside([make = now_.make, size = now_.size] {
        try {
            const Piece piece = make();
            return report::picture(piece, makePlan(piece, Shop{}), size.width(), size.height());
        } catch (const InputError&) {
            return QImage();
        }
    }));
}

}  // namespace vl::app
