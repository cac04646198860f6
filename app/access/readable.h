#pragma once

#include <QRect>
#include <QString>

#include <vector>

class QWidget;

namespace vl::app {

/// One thing that a painted view shows: a layer, a node, a segment, a board, a bar.
struct ReadableItem {
    QString name;  ///< all that there is to know of it
    QRect box;     ///< pixels of the view; empty where it is not shown just now
    bool chosen = false;
};

/// A painted view that tells a screen reader what it holds.
class Readable {
public:
    virtual ~Readable() = default;
    virtual std::vector<ReadableItem> things() const = 0;
    virtual void chooseThing(int index) = 0;
};

/// From now on readable views are lists to a screen reader, whose items can be read and pressed.
void installReaders();

/// Tells a screen reader which thing of this view is chosen now.
void announceChosen(QWidget* view);

}  // namespace vl::app
