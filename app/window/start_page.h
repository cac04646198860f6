#pragma once

#include "app/window/own_starts.h"
#include "app/window/piece_pictures.h"
#include "core/piece/edits/edit.h"

#include <QWidget>

class QGridLayout;
class QLabel;
class QVBoxLayout;

namespace vl::app {

/// What a newcomer sees first: how the work goes, the starting outlines and the turner's own, the samples, and the
/// pieces opened lately.
class StartPage : public QWidget {
    Q_OBJECT
public:
    explicit StartPage(QWidget* parent = nullptr);
    void setRecent(const QStringList& paths);
    void setOwn(const std::vector<OwnStart>& own);
    /// Shows what could not be done.
    void say(const QString& words);
    /// Whether there is a piece to go back to.
    void setReturn(bool possible);

signals:
    void start(const Piece& piece);
    void demo(const QString& name);
    void open(const QString& path);    ///< empty: ask
    void forget(const QString& path);  ///< an own start
    void back();

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void addWay(QVBoxLayout* left);
    void addStarts(QVBoxLayout* right);
    void addSamples(QVBoxLayout* right);
    /// Lays the cards out again, as many beside one another as find room.
    void arrange();

    struct Shelf {
        QGridLayout* grid;
        QList<QWidget*> cards;
        int most;  ///< beside one another
    };
    PiecePictures* pictures_;
    Shelf outlines_{}, samples_{}, own_{};
    QVBoxLayout* recent_ = nullptr;
    QLabel* ownTitle_ = nullptr;
    QWidget* back_ = nullptr;
    QLabel* said_ = nullptr;
};

}  // namespace vl::app
