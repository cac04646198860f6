#pragma once

#include "core/measure/length.h"
#include "core/plan/plan.h"

#include <QFutureWatcher>
#include <QObject>

#include <functional>
#include <memory>
#include <optional>
#include <string>

namespace vl::app {

/// What the turner has decided: the piece and the shop that it is made in.
struct State {
    Piece piece;
    Shop shop;

    bool operator==(const State&) const = default;
};

/// Plans states: at once, or beside the window, where one is planned at a time and the latest that is wanted comes
/// next.
class Planner : public QObject {
    Q_OBJECT
public:
    struct Job {
        State state;
        LengthStyle style;
        double now = 0;        ///< minutes since 1970-01-01 00:00
        unsigned version = 0;  ///< of what is wanted: they are counted up
        int index = 0;         ///< of the history, where the state belongs
    };
    /// A job and its plan, or why there is none.
    struct Result {
        Job job;
        std::shared_ptr<Plan> plan;
        std::string refused;
    };

    /// `done` gets the result of what was wanted, in the window's thread; the next job is under way by then.
    explicit Planner(std::function<void(Result)> done, QObject* parent = nullptr);
    ~Planner() override;

    /// Plans now. Whatever a plan throws is a refusal.
    static Result planned(Job job);
    /// Plans beside, once what is under way has ended; takes the place of a job that waits.
    void want(Job job);
    bool isBusy() const { return making_; }
    /// Waits for what is under way and hands it over.
    void wait();
    /// Neither what is under way nor what waits will be handed over.
    void forget();

private:
    void start(Job job);
    void take();

    std::function<void(Result)> done_;
    QFutureWatcher<std::shared_ptr<Result>> watcher_;
    std::optional<Job> next_;
    bool making_ = false;
};

}  // namespace vl::app
