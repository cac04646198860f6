#pragma once

#include <QThreadPool>
#include <QtConcurrent>

namespace vl::app {

/// The threads of what is worked out beside the window. Qt paints with its global ones and waits for them, so a plan or
/// a picture among those would hold up the next stroke.
inline QThreadPool& besideThreads()
{
    static QThreadPool threads;
    return threads;
}

/// Begins `work` beside everything else.
template <class Work> auto beside(Work&& work) { return QtConcurrent::run(&besideThreads(), std::forward<Work>(work)); }

}  // namespace vl::app
