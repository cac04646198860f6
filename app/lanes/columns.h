#pragma once

#include <QObject>

namespace vl::app {

/// Columns of equal width below a drawing, one for each layer or station. Where they do not all find room, a run of
/// them is shown, which follows the choice and can be scrolled.
class Columns : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;

    /// Pixels from the lane's left edge, and how many there are; a column is no narrower than `least`.
    void setRoom(double left, double right, int count, double least);
    int count() const { return count_; }
    int first() const { return first_; }
    int shown() const { return shown_; }
    bool shows(int column) const { return column >= first_ && column < first_ + shown_; }
    double width() const { return width_; }
    /// Where the names of rows end.
    double names() const { return left_ - 12; }
    double left(int column) const { return left_ + (column - first_) * width_; }
    double center(int column) const { return left(column) + width_ / 2; }
    /// The column at a pixel; −1 where there is none.
    int at(double px) const;
    void scroll(int columns);
    /// Scrolls no further than it must for this column to be seen.
    void reveal(int column);

    static constexpr double widest = 150;

signals:
    void changed();

private:
    double left_ = 0, width_ = 40;
    int count_ = 0, first_ = 0, shown_ = 0;
};

}  // namespace vl::app
