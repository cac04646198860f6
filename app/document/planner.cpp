#include "app/document/planner.h"

#include "app/document/beside.h"

#include <exception>
#include <utility>

namespace vl::app {

Planner::Planner(std::function<void(Result)> done, QObject* parent) : QObject(parent), done_(std::move(done))
{
    connect(&watcher_, &QFutureWatcherBase::finished, this, &Planner::take);
}

Planner::~Planner()
{
    watcher_.disconnect(this);
    watcher_.waitForFinished();
}

Planner::Result Planner::planned(Job job)
{
    Result result{.job = std::move(job), .plan = nullptr, .refused = {}};
    try {
        const State& s = result.job.state;
        result.plan = std::make_shared<Plan>(
            makePlan(s.piece, s.shop, result.job.style, s.piece.progress.start ? result.job.now : 0));
    } catch (const std::exception& e) {
        result.refused = e.what();
    }
    return result;
}

void Planner::want(Job job)
{
    if (making_)
        next_ = std::move(job);
    else
        start(std::move(job));
}

void Planner::start(Job job)
{
    making_ = true;
    watcher_.setFuture(
        beside([job = std::move(job)]() mutable { return std::make_shared<Result>(planned(std::move(job))); }));
}

void Planner::take()
{
    // One that was waited for has been taken already when its event comes.
    if (!making_ || !watcher_.isFinished()) return;
    making_ = false;
    const std::shared_ptr<Result> result = watcher_.result();
    // The next one is planned while this one is drawn.
    if (next_) start(*std::exchange(next_, std::nullopt));
    done_(std::move(*result));
}

void Planner::wait()
{
    if (!making_) return;
    watcher_.waitForFinished();
    take();
}

void Planner::forget()
{
    next_.reset();
    making_ = false;
}

}  // namespace vl::app
