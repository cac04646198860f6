#pragma once

#include <QObject>

#include <functional>

class QWidget;

namespace vl::app {

/// Brings a view up to date when what it shows has changed: at once where it is seen, else with its next showing.
///
///     auto* seen = new WhenSeen(this, [this] { read(); });
///     connect(&doc_, &Document::changed, seen, &WhenSeen::refresh);
class WhenSeen : public QObject {
    Q_OBJECT
public:
    WhenSeen(QWidget* view, std::function<void()> read);
    void refresh();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QWidget* view_;
    std::function<void()> read_;
    bool stale_ = false;
};

}  // namespace vl::app
