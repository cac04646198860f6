#pragma once

#include <QAbstractButton>
#include <QWidget>

namespace vl::app {

/// The stages as stops along the lathe's bed.
class Bed : public QWidget {
    Q_OBJECT
public:
    Bed(const QStringList& stages, QWidget* parent = nullptr);
    void setCurrent(int stage);
    int current() const { return current_; }
    QSize sizeHint() const override { return {700, 56}; }

signals:
    void chosen(int stage);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QList<QAbstractButton*> stops_;
    int current_ = 0;
};

}  // namespace vl::app
