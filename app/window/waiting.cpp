#include "app/window/waiting.h"

#include "app/document/beside.h"

#include <QEventLoop>
#include <QFutureWatcher>
#include <QProgressDialog>
#include <QTimer>

namespace vl::app {

std::optional<Planner::Result> planWaiting(QWidget* window, Planner::Job job, const QString& words)
{
    using Made = std::shared_ptr<Planner::Result>;
    constexpr int moment = 400;  // ms
    QFutureWatcher<Made> watcher;
    QEventLoop loop;
    QObject::connect(&watcher, &QFutureWatcherBase::finished, &loop, &QEventLoop::quit);
    watcher.setFuture(beside([job = std::move(job)]() mutable {
        return std::make_shared<Planner::Result>(Planner::planned(std::move(job)));
    }));
    QTimer::singleShot(moment, &loop, &QEventLoop::quit);
    if (!watcher.isFinished()) loop.exec(QEventLoop::ExcludeUserInputEvents);
    if (!watcher.isFinished()) {
        QProgressDialog dialog(words, QProgressDialog::tr("Cancel"), 0, 0, window);
        dialog.setWindowModality(Qt::ApplicationModal);
        dialog.setMinimumDuration(0);
        dialog.setObjectName("waiting");
        QObject::connect(&dialog, &QProgressDialog::canceled, &loop, &QEventLoop::quit);
        dialog.show();
        if (!watcher.isFinished()) loop.exec();
        if (dialog.wasCanceled()) return std::nullopt;
    }
    return std::move(*watcher.result());
}

}  // namespace vl::app
