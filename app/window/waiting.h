#pragma once

#include "app/document/planner.h"

#include <optional>

class QWidget;

namespace vl::app {

/// Plans beside while the window waits: what takes longer than a moment says so, and can be canceled. Nothing where it
/// was.
std::optional<Planner::Result> planWaiting(QWidget* window, Planner::Job job, const QString& words);

}  // namespace vl::app
