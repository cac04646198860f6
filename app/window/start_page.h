#pragma once

#include "core/piece/edit.h"

#include <QFutureWatcher>
#include <QImage>
#include <QWidget>

class QLabel;
class QVBoxLayout;

namespace vl::app {

/// What a newcomer sees first: how the work goes, six starting outlines, the sample, and the pieces opened lately.
class StartPage : public QWidget {
    Q_OBJECT
public:
    explicit StartPage(QWidget* parent = nullptr);
    void setRecent(const QStringList& paths);
    /// Shows what could not be done.
    void say(const QString& words);
    /// Whether there is a piece to go back to.
    void setReturn(bool possible);

signals:
    void start(const Piece& piece);
    void demo(const QString& name);
    void open(const QString& path);  ///< empty: ask
    void back();

private:
    QVBoxLayout* recent_ = nullptr;
    QWidget* back_ = nullptr;
    QLabel* said_ = nullptr;
    QList<QFutureWatcher<QImage>*> pictures_;
};

}  // namespace vl::app
