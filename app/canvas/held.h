#pragma once

#include "app/document/document.h"

#include <QPointF>

#include <optional>
#include <utility>

namespace vl::app {

/// What a hand holds on a drawing, from the press that takes it up to the release. All its edits between the two are
/// one step of the history, and from the first of them the document is drawn live; what is never changed leaves no
/// trace.
template <class What> class Held {
public:
    explicit Held(Document& document) : doc_(document) {}

    /// Takes `what` up, pressed at `at`, pixels.
    void take(What what, const QPointF& at = {})
    {
        what_ = std::move(what);
        at_ = at;
        merge_ = Document::newMergeKey();
        live_ = false;
    }
    /// Lets go; whether something was held.
    bool release()
    {
        if (std::exchange(live_, false)) doc_.endDrag();
        return std::exchange(what_, std::nullopt).has_value();
    }
    explicit operator bool() const { return what_.has_value(); }
    const What& operator*() const { return *what_; }
    const What* operator->() const { return &*what_; }
    /// Where it was taken up, pixels.
    const QPointF& from() const { return at_; }
    /// Whether what is held has been changed since.
    bool changing() const { return live_; }

    /// An edit of the piece by what is held; by nothing, a step of its own: a key's.
    template <class Edit> bool apply(const QString& name, Edit&& edit)
    {
        return doc_.apply(name, std::forward<Edit>(edit), key());
    }
    /// The same of the shop.
    template <class Edit> void changeShop(const QString& name, Edit&& edit)
    {
        doc_.changeShop(name, std::forward<Edit>(edit), key());
    }

private:
    int key()
    {
        if (!what_) return 0;
        if (!std::exchange(live_, true)) doc_.beginDrag();
        return merge_;
    }

    Document& doc_;
    std::optional<What> what_;
    QPointF at_;
    int merge_ = 0;
    bool live_ = false;
};

}  // namespace vl::app
