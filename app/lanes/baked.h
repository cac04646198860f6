#pragma once

#include <QFutureWatcher>
#include <QImage>

#include <atomic>
#include <functional>
#include <memory>
#include <vector>

namespace vl::app {

/// Pictures that take longer than a frame, made beside: only the latest request counts, an earlier one is canceled.
class Baked : public QObject {
    Q_OBJECT
public:
    using Images = std::vector<QImage>;
    using Bake = std::function<Images(const std::atomic<bool>& canceled)>;

    using QObject::QObject;
    ~Baked() override;

    /// What `key` stands for, or null where it is not ready; then it is being made, and ready() will tell.
    const Images* get(quint64 key, const Bake& bake);
    /// What there is, of whatever key; empty at first.
    const Images& last() const { return images_; }

signals:
    void ready();

private:
    QFutureWatcher<Images> watcher_;
    std::shared_ptr<std::atomic<bool>> cancel_;
    Images images_;
    quint64 made_ = ~0ull, making_ = ~0ull;
    bool told_ = false;
};

}  // namespace vl::app
