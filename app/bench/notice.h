#pragma once

#include <QString>

namespace vl::app {

/// A notice on the desktop, by the way that desktops share (org.freedesktop.Notifications on the session's bus);
/// nothing where there is none. It does not wait for an answer.
void noticeOnDesktop(const QString& title, const QString& words);

}  // namespace vl::app
