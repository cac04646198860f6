#include "app/access/readable.h"

#include <QAccessibleWidget>

namespace vl::app {
namespace {

class ReadableView;

/// One thing of a view: asked anew each time, since the piece may be another.
class ThingInterface : public QAccessibleInterface, public QAccessibleActionInterface {
public:
    ThingInterface(ReadableView& view, int index) : view_(view), index_(index) {}

    bool isValid() const override;
    QObject* object() const override { return nullptr; }
    QAccessibleInterface* parent() const override;
    QAccessibleInterface* child(int) const override { return nullptr; }
    QAccessibleInterface* childAt(int, int) const override { return nullptr; }
    int childCount() const override { return 0; }
    int indexOfChild(const QAccessibleInterface*) const override { return -1; }
    QString text(QAccessible::Text kind) const override;
    void setText(QAccessible::Text, const QString&) override {}
    QRect rect() const override;
    QAccessible::Role role() const override { return QAccessible::ListItem; }
    QAccessible::State state() const override;
    void* interface_cast(QAccessible::InterfaceType type) override
    {
        return type == QAccessible::ActionInterface ? static_cast<QAccessibleActionInterface*>(this) : nullptr;
    }
    QStringList actionNames() const override { return {pressAction()}; }
    void doAction(const QString& action) override;
    QStringList keyBindingsForAction(const QString&) const override { return {}; }

private:
    ReadableItem thing() const;

    ReadableView& view_;
    int index_;
};

/// A view as a list: its things first, then the widgets in it.
class ReadableView : public QAccessibleWidget {
public:
    ReadableView(QWidget* widget, Readable& readable)
        : QAccessibleWidget(widget, QAccessible::List), readable_(readable)
    {
    }
    ~ReadableView() override
    {
        for (const QAccessible::Id id : ids_) QAccessible::deleteAccessibleInterface(id);
    }
    Readable& readable() const { return readable_; }
    QWidget& view() const { return *widget(); }

    int childCount() const override { return things() + QAccessibleWidget::childCount(); }
    QAccessibleInterface* child(int index) const override
    {
        if (index < 0) return nullptr;
        if (index >= things()) return QAccessibleWidget::child(index - things());
        while (static_cast<int>(ids_.size()) <= index)
            ids_.push_back(QAccessible::registerAccessibleInterface(
                new ThingInterface(*const_cast<ReadableView*>(this), static_cast<int>(ids_.size()))));
        return QAccessible::accessibleInterface(ids_[static_cast<size_t>(index)]);
    }
    int indexOfChild(const QAccessibleInterface* one) const override
    {
        for (int i = 0; i < static_cast<int>(ids_.size()); ++i)
            if (QAccessible::accessibleInterface(ids_[static_cast<size_t>(i)]) == one) return i;
        const int widget = QAccessibleWidget::indexOfChild(one);
        return widget < 0 ? -1 : widget + things();
    }
    QAccessibleInterface* childAt(int x, int y) const override
    {
        const std::vector<ReadableItem> all = readable_.things();
        const QPoint at = view().mapFromGlobal(QPoint(x, y));
        for (size_t i = 0; i < all.size(); ++i)
            if (all[i].box.contains(at)) return child(static_cast<int>(i));
        return QAccessibleWidget::childAt(x, y);
    }
    QAccessibleInterface* focusChild() const override
    {
        const std::vector<ReadableItem> all = readable_.things();
        for (size_t i = 0; i < all.size(); ++i)
            if (all[i].chosen && view().hasFocus()) return child(static_cast<int>(i));
        return QAccessibleWidget::focusChild();
    }

private:
    int things() const { return static_cast<int>(readable_.things().size()); }

    Readable& readable_;
    mutable std::vector<QAccessible::Id> ids_;
};

bool ThingInterface::isValid() const
{
    return view_.isValid() && index_ < static_cast<int>(view_.readable().things().size());
}

ReadableItem ThingInterface::thing() const
{
    const std::vector<ReadableItem> all = view_.readable().things();
    return index_ < static_cast<int>(all.size()) ? all[static_cast<size_t>(index_)] : ReadableItem{};
}

QAccessibleInterface* ThingInterface::parent() const { return &view_; }

QString ThingInterface::text(QAccessible::Text kind) const
{
    return kind == QAccessible::Name ? thing().name : QString();
}

QRect ThingInterface::rect() const
{
    const QRect box = thing().box;
    return box.isEmpty() ? QRect() : QRect(view_.view().mapToGlobal(box.topLeft()), box.size());
}

QAccessible::State ThingInterface::state() const
{
    const ReadableItem now = thing();
    QAccessible::State s;
    s.selectable = s.focusable = true;
    s.selected = now.chosen;
    s.focused = now.chosen && view_.view().hasFocus();
    s.offscreen = now.box.isEmpty();
    return s;
}

void ThingInterface::doAction(const QString& action)
{
    if (action == pressAction()) view_.readable().chooseThing(index_);
}

QAccessibleInterface* makeReadable(const QString&, QObject* object)
{
    auto* widget = qobject_cast<QWidget*>(object);
    auto* readable = dynamic_cast<Readable*>(widget);
    return readable ? new ReadableView(widget, *readable) : nullptr;
}

}  // namespace

void installReaders()
{
    static bool done = false;
    if (!done) QAccessible::installFactory(&makeReadable);
    done = true;
}

void announceChosen(QWidget* view)
{
    const auto* readable = dynamic_cast<Readable*>(view);
    if (!readable || !QAccessible::isActive()) return;
    const std::vector<ReadableItem> all = readable->things();
    for (size_t i = 0; i < all.size(); ++i)
        if (all[i].chosen) {
            QAccessibleEvent event(view, QAccessible::Focus);
            event.setChild(static_cast<int>(i));
            QAccessible::updateAccessibility(&event);
            return;
        }
}

}  // namespace vl::app
