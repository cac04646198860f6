#include "app/lanes/baked.h"

#include "app/document/beside.h"

namespace vl::app {

Baked::~Baked()
{
    if (cancel_) *cancel_ = true;
    watcher_.waitForFinished();
}

const Baked::Images* Baked::get(quint64 key, const Bake& bake)
{
    if (made_ == key) return &images_;
    if (watcher_.isRunning() && making_ == key) return nullptr;
    if (!told_) {
        told_ = true;
        connect(&watcher_, &QFutureWatcher<Images>::finished, this, [this] {
            if (*cancel_) return;
            images_ = watcher_.result();
            made_ = making_;
            emit ready();
        });
    }
    // What is still being made for an earlier request ends by itself, a row later.
    if (cancel_) *cancel_ = true;
    cancel_ = std::make_shared<std::atomic<bool>>(false);
    making_ = key;
    watcher_.setFuture(beside([bake, cancel = cancel_] { return bake(*cancel); }));
    return nullptr;
}

}  // namespace vl::app
