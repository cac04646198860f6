#pragma once

#include "core/piece/document/piece.h"

#include <QFutureWatcher>
#include <QImage>
#include <QPointer>
#include <QWidget>

#include <deque>
#include <functional>

namespace vl::app {

/// Small pictures of pieces, drawn beside the work one after another, and only while their page is seen: who goes on to
/// a piece does not wait for them.
class PiecePictures : public QObject {
    Q_OBJECT
public:
    explicit PiecePictures(QWidget* page);
    ~PiecePictures() override;

    /// Hands the picture over while `owner` is there; a piece that cannot be read has none.
    void add(QObject* owner, QSize size, std::function<Piece()> make, std::function<void(const QImage&)> take);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    struct Job {
        QPointer<QObject> owner;
        QSize size;
        std::function<Piece()> make;
        std::function<void(const QImage&)> take;
    };
    void next();

    QWidget* page_;
    std::deque<Job> waiting_;
    Job now_;
    bool drawing_ = false;  ///< until the picture is handed over: a future may be done before that
    QFutureWatcher<QImage> drawer_;
};

}  // namespace vl::app
